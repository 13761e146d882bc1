"""Appending to the journal, folding it into state, and undoing.

Every write goes through `record`: it appends what happened and folds the subjects it touched anew. An undo
appends a change that names another; the entries of a change that is named so no longer count. So state,
history and undo are one mechanism, and nothing that happened is ever rewritten.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from datetime import date, datetime
from typing import Any

import numpy as np
from sqlalchemy import func, select
from sqlalchemy.orm import Session, aliased

from yellow_larder.core.shelf_life import Numbers, life_used_days
from yellow_larder.store.models import (
    Base,
    Change,
    DiaryDay,
    Entry,
    Household,
    Lot,
    OwnFood,
    Package,
    Place,
    Price,
    Record,
)

GONE = "removed"
"""The act that takes a subject away; its journal stays."""

RESERVED = "reserved"
"""The act that keeps a number for something that is not there yet: a label printed before the bag is filled."""

OPENING = 1
"""The first change, the larder's opening, cannot be undone: there would be nowhere to stand."""


@dataclass(frozen=True, slots=True)
class Act:
    """Something that happened to one subject."""

    kind: str
    subject: int
    act: str
    facts: dict[str, Any]


def next_number(session: Session, kind: str) -> int:
    """A number no subject of this kind ever had: an undone one keeps its, for its label may be printed."""
    last = session.scalar(select(func.max(Entry.subject)).where(Entry.kind == kind))
    return (last or 0) + 1


def record(session: Session, title: str, acts: Sequence[Act], *, at: datetime) -> Change:
    """Append a change with its entries, and fold what it touched."""
    change = Change(at=at, title=title)
    session.add(change)
    session.flush()
    session.add_all(
        Entry(change_id=change.id, kind=act.kind, subject=act.subject, act=act.act, facts=act.facts) for act in acts
    )
    session.flush()
    _fold(session, [(act.kind, act.subject) for act in acts])
    return change


def last_change(session: Session) -> Change | None:
    """The newest change that can be undone."""
    undo = aliased(Change)
    return session.scalar(
        select(Change)
        .where(Change.undoes.is_(None), Change.id != OPENING)
        .where(~select(undo.id).where(undo.undoes == Change.id).exists())
        .order_by(Change.id.desc())
        .limit(1)
    )


def undo(session: Session, change: Change, *, at: datetime) -> Change:
    """Take a change back: append that it is undone, and fold what it had touched."""
    undoing = Change(at=at, title=f"Took back: {change.title}"[:300], undoes=change.id)
    session.add(undoing)
    session.flush()
    touched = session.execute(select(Entry.kind, Entry.subject).where(Entry.change_id == change.id).distinct())
    _fold(session, [(kind, subject) for kind, subject in touched])
    return undoing


def records(session: Session, kind: str) -> dict[int, dict[str, Any]]:
    """What was last said of every subject of a kind that is kept as a record, by number."""
    rows = session.execute(select(Record.number, Record.facts).where(Record.kind == kind).order_by(Record.number))
    return {row.number: row.facts for row in rows}


def how_many(session: Session, *kinds: str) -> int:
    """How many subjects there are of kinds that are kept as records."""
    return session.scalar(select(func.count()).select_from(Record).where(Record.kind.in_(kinds))) or 0


def entries(session: Session, kind: str, subject: int) -> list[tuple[Entry, Change]]:
    """What happened to a subject and still counts, oldest first."""
    return [(entry, change) for _, entry, change in _standing(session, kind, [subject])]


def _standing(session: Session, kind: str, subjects: Sequence[int]) -> list[tuple[int, Entry, Change]]:
    undo_of = aliased(Change)
    found = []
    for start in range(0, len(subjects), 500):
        rows = session.execute(
            select(Entry, Change)
            .join(Change, Change.id == Entry.change_id)
            .outerjoin(undo_of, undo_of.undoes == Change.id)
            .where(Entry.kind == kind, Entry.subject.in_(subjects[start : start + 500]), undo_of.id.is_(None))
            .where(Entry.act != RESERVED)
            .order_by(Entry.id)
        )
        found += [(entry.subject, entry, change) for entry, change in rows]
    return found


def _fold(session: Session, touched: Sequence[tuple[str, int]]) -> None:
    for kind, (model, build) in _FOLDS.items():
        subjects = sorted({subject for touched_kind, subject in touched if touched_kind == kind})
        if not subjects:
            continue
        by_subject: dict[int, list[Entry]] = {subject: [] for subject in subjects}
        for subject, entry, _ in _standing(session, kind, subjects):
            by_subject[subject].append(entry)
        for subject, standing in by_subject.items():
            old = session.get(model, _identity(model, kind, subject))
            if standing and standing[-1].act != GONE:
                session.merge(build(session, subject, standing))
            elif old is not None:
                session.delete(old)
        session.flush()


def _identity(model: type[Base], kind: str, subject: int) -> Any:
    """What the row of a subject is found by."""
    if model is Record:
        return kind, subject
    return date.fromordinal(subject) if model is DiaryDay else subject


def _package(session: Session, number: int, standing: list[Entry]) -> Package:
    facts = {"against": ""} | standing[0].facts
    packed_on = date.fromisoformat(facts.pop("packed_on"))
    look_due = facts.pop("look_due", None)
    package = Package(
        number=number,
        batch=facts.pop("batch", standing[0].change_id),
        packed_on=packed_on,
        stands_since=packed_on,
        used_days=0.0,
        thrown_out_on=None,
        look_due=date.fromisoformat(look_due) if look_due else None,
        trouble="",
        **{column: value for column, value in facts.items() if column in Package.__table__.columns},
    )
    for entry in standing[1:]:
        on = date.fromisoformat(entry.facts["on"])
        package.used_days += life_used(session.get_one(Place, package.place_id), package.q10, package.stands_since, on)
        package.stands_since = on
        if entry.act == "moved":
            package.place_id, package.shelf = entry.facts["place_id"], entry.facts["shelf"]
        elif entry.act == "looked":
            package.look_due = date.fromisoformat(entry.facts["next"]) if entry.facts["next"] else None
            package.trouble = entry.facts["trouble"]
        elif entry.act in ("thrown out", "emptied"):
            package.thrown_out_on = on
    return package


def life_used(place: Place, q10: float, since: date, until: date) -> float:
    """Life that a stretch in a place cost, days at 21 °C."""
    return float(life_used_in(place, q10, np.array([since.toordinal()]), np.array([until.toordinal()]))[0])


def life_used_in(place: Place, q10: float, since: Numbers, until: Numbers) -> Numbers:
    """Life that stretches in one place cost, days at 21 °C, over many packages at once."""
    return life_used_days(
        since, until, mean_c=place.mean_c, swing_c=place.swing_c, q10=q10, warmest_month=place.warmest_month
    )


def _place(_session: Session, number: int, standing: list[Entry]) -> Place:
    return Place(id=number, **standing[-1].facts)


def _own_food(_session: Session, number: int, standing: list[Entry]) -> OwnFood:
    return OwnFood(id=number, name=standing[-1].facts["name"], facts=standing[-1].facts)


def _household(_session: Session, number: int, standing: list[Entry]) -> Household:
    return Household(id=number, facts=standing[-1].facts)


def _record(_session: Session, number: int, standing: list[Entry]) -> Record:
    return Record(kind=standing[-1].kind, number=number, facts=standing[-1].facts)


def _diary_day(_session: Session, number: int, standing: list[Entry]) -> DiaryDay:
    facts = standing[-1].facts
    return DiaryDay(day=date.fromordinal(number), items={"items": facts["items"]}, used_g=facts["used_g"])


def _price(_session: Session, number: int, standing: list[Entry]) -> Price:
    facts = standing[-1].facts
    return Price(id=number, **facts | {"seen_on": date.fromisoformat(facts["seen_on"])})


_LOT: dict[str, Any] = {"moisture_pct": None, "made": "", "wet_g": None, "wants_conditioning": False}
"""What a lot is where its first entry does not say."""


def _lot(_session: Session, number: int, standing: list[Entry]) -> Lot:
    facts = _LOT | standing[0].facts
    story = list(facts.pop("story", []))
    lot = Lot(id=number, mass_g=facts["came_g"], **facts | {"came_on": date.fromisoformat(facts["came_on"])})
    for entry in standing[1:]:
        match entry.act:
            case "frozen":
                lot.frozen_on = date.fromisoformat(entry.facts["on"])
            case "conditioned":
                lot.conditioned_on = date.fromisoformat(entry.facts["on"])
            case "damp":
                lot.conditioned_on = None
            case "weighed":
                lot.mass_g = entry.facts["mass_g"]
            case "packed" | "ground":
                lot.mass_g -= entry.facts["mass_g"]
        story += entry.facts.get("story", [])
    lot.story = {"lines": story}
    return lot


def _patched(_session: Session, number: int, standing: list[Entry]) -> Record:
    """A record that each act patches, so that an act taken back leaves the others as they are."""
    facts: dict[str, Any] = {}
    for entry in standing:
        facts = merge_patch(facts, entry.facts)
    return Record(kind=standing[-1].kind, number=number, facts=facts)


def merge_patch(old: dict[str, Any], patch: dict[str, Any]) -> dict[str, Any]:
    """A document with a patch laid over it: what is null goes, what is a document is patched in turn.

    Example:
        >>> merge_patch({"a": 1, "b": {"c": 2, "d": 3}}, {"a": None, "b": {"c": 4}})
        {'b': {'c': 4, 'd': 3}}

    Source: RFC 7396, JSON Merge Patch.
    """
    new = dict(old)
    for name, value in patch.items():
        if value is None:
            new.pop(name, None)
        elif isinstance(value, dict):
            below = new.get(name)
            new[name] = merge_patch(below if isinstance(below, dict) else {}, value)
        else:
            new[name] = value
    return new


def _supply(_session: Session, number: int, standing: list[Entry]) -> Record:
    """Things in stock: their count follows from what came, went and was counted; it is never below nothing."""
    facts: dict[str, Any] = {"count": 0, "spares": 0, "worth": 1.0, "since": None, "uses": 0, "spent": 0, "again": 0}
    for entry in standing:
        said = entry.facts
        match entry.act:
            case "came":
                facts["count"] += said["count"]
                facts["coins"] = said.get("coins", facts.get("coins"))
            case "used":
                facts["count"] = max(0, facts["count"] - said.get("count", 0))
                facts["spares"] = max(0, facts["spares"] - said.get("spares", 0))
                facts["again"] = max(0, facts["again"] - said.get("again", 0))
                facts["uses"] += said.get("uses", 0)
            case "back":
                facts["count"] += said.get("count", 0)
                facts["again"] += said.get("again", 0)
            case "spares":
                facts |= _with_spares(facts, said)
            case "spent":
                gone = min(facts["count"], said["count"])
                facts["count"], facts["spent"] = facts["count"] - gone, facts["spent"] + gone
            case "restored":
                back = min(facts["spent"], said["count"])
                facts["count"], facts["spent"] = facts["count"] + back, facts["spent"] - back
            case _:
                facts |= said
    return Record(kind="supply", number=number, facts=facts)


def _with_spares(facts: dict[str, Any], said: dict[str, Any]) -> dict[str, Any]:
    """Spares that come to others in the jar: worth what they all are on the mean, and as old as the oldest."""
    there, come = facts["spares"], said["spares"]
    together = there + come
    if not together:
        return {}
    worth = (there * facts["worth"] + come * said["worth"]) / together
    return {"spares": together, "worth": worth, "since": facts["since"] if there else said["since"]}


_Fold = tuple[type[Base], Callable[[Session, int, list[Entry]], Base]]

_RECORDS = (
    "eater",
    "meal",
    "goal",
    "purse",
    "meaning",
    "tried",
    "freezing",
    "machine",
    "load",
    "jar",
    "freeze-load",
)
# Places come before packages: a package's row points at its place's.
_FOLDS: dict[str, _Fold] = {
    "household": (Household, _household),
    "place": (Place, _place),
    "food": (OwnFood, _own_food),
    "package": (Package, _package),
    "diary": (DiaryDay, _diary_day),
    "price": (Price, _price),
    "lot": (Lot, _lot),
    "run": (Record, _patched),
    "supply": (Record, _supply),
    **dict.fromkeys(_RECORDS, (Record, _record)),
}
