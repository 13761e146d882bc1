"""How what happened becomes what is: for each kind of subject its table, and the step that one entry makes.

A state is a mapping of every column of the subject's table, or nothing if the subject is not there. A step
takes the state before an entry to the state after it, and changes neither of its arguments: so a state can be
kept, and folding can go on from it.
"""

from __future__ import annotations

import math
import re
from collections.abc import Callable
from dataclasses import dataclass
from datetime import date
from typing import Any, Protocol

import numpy as np
from sqlalchemy import Column, ColumnElement, RowMapping

from yellow_larder.core.arrays import Numbers
from yellow_larder.core.keeping import COOL_STRETCH, REFERENCE_C, School, life_used_days, soonest_end
from yellow_larder.journal.tables import Base, DiaryDay, Household, Lot, OwnFood, Package, Place, Price, Record

State = dict[str, Any]
"""A row: every column of the subject's table, by name."""

GONE = "removed"
"""The act that takes a subject away; its journal stays."""

REREAD = "read anew"
"""The act that reads a record's words anew, once somebody has said what they mean: nobody has written in it."""

RESERVED = "reserved"
"""The act that keeps a number for something that is not there yet: a label printed before the bag is filled."""


class Climate(Protocol):
    """The year of a place."""

    @property
    def mean_c(self) -> float: ...  # noqa: D102
    @property
    def swing_c(self) -> float: ...  # noqa: D102
    @property
    def warmest_month(self) -> int: ...  # noqa: D102


Climates = Callable[[int], Climate]
"""The climate of a place by its number: what life a package used up there depends on it."""


@dataclass(frozen=True, slots=True)
class Happened:
    """One entry of the journal, as far as folding needs it."""

    change_id: int
    act: str
    facts: dict[str, Any]


class UnknownAct(Exception):
    """The journal tells of something that this version knows nothing of: it was written by a newer one."""

    def __init__(self, kind: str, subject: int, act: str) -> None:
        super().__init__(f"{kind} {subject}: “{act}” is nothing that this version knows of; a newer one wrote it")


Step = Callable[[State | None, Happened, int, Climates], State | None]
"""Takes the state before, what happened, the subject's number and the climates to the state after."""


@dataclass(frozen=True, slots=True)
class Fold:
    """How one kind of subject is folded.

    Attributes:
        model: the table its state is kept in.
        step: what one entry does to the state.
        acts: what can happen to it, beside being removed, read anew, or having its number reserved.
        begins: those of them that are always the first.
    """

    model: type[Base]
    step: Step
    acts: frozenset[str]
    begins: frozenset[str] = frozenset()

    @property
    def columns(self) -> list[Column[Any]]:
        """The columns of its table."""
        return list(self.model.__table__.columns)  # type: ignore[arg-type]

    def column(self, name: str) -> ColumnElement[Any]:
        """A column of its table, by name."""
        return self.model.__table__.columns[name]

    def key(self, kind: str, subject: int) -> dict[str, Any]:
        """The columns that the row of a subject is found by, with their values."""
        if self.model is Record:
            return {"kind": kind, "number": subject}
        (name,) = (column.name for column in self.model.__table__.primary_key)
        return {name: date.fromordinal(subject) if self.model is DiaryDay else subject}

    def subject(self, row: State | RowMapping) -> int:
        """The number of the subject that a row is the state of."""
        if self.model is DiaryDay:
            return int(row["day"].toordinal())
        return int(row["number" if "number" in row else "id"])


def life_used(place: Climate, q10: float, since: date, until: date) -> float:
    """Life that a stretch in a place cost, days at 21 °C; none if it ends before it begins."""
    return float(life_used_in(place, q10, np.array([since.toordinal()]), np.array([until.toordinal()]))[0])


def life_used_in(place: Climate, q10: float, since: Numbers, until: Numbers) -> Numbers:
    """Life that stretches in one place cost, days at 21 °C, over many packages at once."""
    # A clock that was set back ends a stretch before it began: that uses no life, and gives none back.
    return life_used_days(
        since,
        np.maximum(since, until),
        mean_c=place.mean_c,
        swing_c=place.swing_c,
        q10=q10,
        warmest_month=place.warmest_month,
    )


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


def _day(text: str | None) -> date | None:
    return date.fromisoformat(text) if text else None


def _package(state: State | None, happened: Happened, number: int, climates: Climates) -> State:
    new = _package_after(state, happened, number, climates)
    return new | _soonest_ends(new, climates(new["place_id"]))


LASTS = tuple(f"{school.value}_{what}" for school in School for what in ("days", "most"))
"""What is kept with a package of how long it lasts."""


def _stretched(facts: State) -> State:
    """The most days of a package that was packed before they were reckoned: a third more than its life."""
    bases = {school.value: facts[f"{school.value}_days"] for school in School}
    return {f"{school}_most": None if base is None else base * COOL_STRETCH for school, base in bases.items()}


def _soonest_ends(state: State, place: Climate) -> State:
    """The day before which its life cannot be over, by school: so that what could be due is found without a sum."""
    peak = state["q10"] ** ((place.mean_c + abs(place.swing_c) - REFERENCE_C) / 10)
    since, packed_on = state["stands_since"].toordinal(), state["packed_on"].toordinal()
    return {
        f"{school.value}_end": soonest_end(
            since,
            packed_on,
            endless(state[f"{school.value}_days"]),
            state["used_days"],
            peak,
            endless(state[f"{school.value}_most"]),
        )
        for school in School
    }


def endless(days: float | None) -> float:
    """Days as they are kept: none stands for no end."""
    return math.inf if days is None else days


GEL = "gel-"
"""What the name of a packet of silica gel begins with; its grams follow. An absorber's is its rating alone."""


def lifted_packets(packets: dict[str, int]) -> dict[str, int]:
    """What goes in with a package, by code: until October 2026 gel stood there as it was shown.

    Example:
        >>> lifted_packets({"300": 1, "10 g gel": 2, "gel-5": 1})
        {'300': 1, 'gel-10': 2, 'gel-5': 1}
    """
    return {re.sub(r"^([\d.]+) g gel$", rf"{GEL}\1", name): n for name, n in packets.items()}


def _package_after(state: State | None, happened: Happened, number: int, climates: Climates) -> State:
    facts = happened.facts
    if state is None:
        known = {column.name for column in Package.__table__.columns}
        packed_on = date.fromisoformat(facts["packed_on"])
        return (
            _stretched(facts)
            | {name: value for name, value in facts.items() if name in known}
            | {
                "number": number,
                "batch": facts.get("batch", happened.change_id),
                "packed_on": packed_on,
                "packets": lifted_packets(facts["packets"]),
                "stands_since": packed_on,
                "used_days": 0.0,
                "thrown_out_on": None,
                "against": facts.get("against", ""),
                "closed": facts.get("closed", {}),
                "look_due": _day(facts.get("look_due")),
                "trouble": "",
            }
        )
    if happened.act == "looked":
        return state | {"look_due": _day(facts["next"]), "trouble": facts["trouble"]}
    if happened.act == "photographed":
        return state
    on = date.fromisoformat(facts["on"])
    since = state["stands_since"]
    # A day before the last move (a clock that was set back) makes nothing younger.
    new = state | {
        "used_days": state["used_days"] + life_used(climates(state["place_id"]), state["q10"], since, on),
        "stands_since": max(on, since),
    }
    match happened.act:
        case "moved":
            lasts = {name: facts[name] for name in LASTS if name in facts}
            return new | {"place_id": facts["place_id"], "shelf": facts["shelf"]} | lasts
        case "thrown out" | "emptied":
            return new | {"thrown_out_on": on}
    return new


def _place(_state: State | None, happened: Happened, number: int, _climates: Climates) -> State:
    return {"id": number} | happened.facts


def _own_food(_state: State | None, happened: Happened, number: int, _climates: Climates) -> State:
    return {"id": number, "name": happened.facts["name"], "facts": happened.facts}


def _household(_state: State | None, happened: Happened, number: int, _climates: Climates) -> State:
    return {"id": number, "facts": happened.facts}


def _diary_day(state: State | None, happened: Happened, number: int, _climates: Climates) -> State:
    facts = happened.facts
    items, used = list(facts["items"]), dict(facts["used_g"])
    if happened.act == "added" and state is not None:
        items = state["items"]["items"] + items
        before = state["used_g"]
        used = before | {food: before.get(food, 0.0) + mass_g for food, mass_g in used.items()}
    return {"day": date.fromordinal(number), "items": {"items": items}, "used_g": used}


def _price(_state: State | None, happened: Happened, number: int, _climates: Climates) -> State:
    return {"id": number} | happened.facts | {"seen_on": date.fromisoformat(happened.facts["seen_on"])}


_NEW_LOT: State = {
    "coins": None,
    "price": None,
    "frozen_on": None,
    "moisture_pct": None,
    "made": "",
    "wet_g": None,
    "wants_conditioning": False,
    "conditioned_on": None,
}
"""What a lot is where its first entry does not say."""


def _lot(state: State | None, happened: Happened, number: int, _climates: Climates) -> State:
    facts = happened.facts
    if state is None:
        said = {name: value for name, value in facts.items() if name != "story"}
        days = {"came_on": date.fromisoformat(facts["came_on"]), "frozen_on": _day(facts.get("frozen_on"))}
        lines = list(facts.get("story", []))
        return _NEW_LOT | said | days | {"id": number, "mass_g": facts["came_g"], "story": {"lines": lines}}
    new = state | {"story": {"lines": state["story"]["lines"] + facts.get("story", [])}}
    match happened.act:
        case "frozen":
            return new | {"frozen_on": date.fromisoformat(facts["on"])}
        case "conditioned":
            return new | {"conditioned_on": date.fromisoformat(facts["on"])}
        case "damp":
            return new | {"conditioned_on": None}
        case "weighed":
            return new | {"mass_g": facts["mass_g"]}
        case "packed" | "ground":
            return new | {"mass_g": state["mass_g"] - facts["mass_g"]}
    return new


def _record(kind: str, facts_after: Callable[[State, Happened], State]) -> Step:
    """A record whose facts follow from those before."""

    def step(state: State | None, happened: Happened, number: int, _climates: Climates) -> State:
        return {"kind": kind, "number": number, "facts": facts_after(state["facts"] if state else {}, happened)}

    return step


def _last_said(_facts: State, happened: Happened) -> State:
    return happened.facts


def _patched(facts: State, happened: Happened) -> State:
    """Each act patches it, so that an act taken back leaves the others as they are."""
    return merge_patch(facts, happened.facts)


_NONE_THERE: State = {"count": 0, "spares": 0, "worth": 1.0, "since": None, "uses": 0, "spent": 0, "again": 0}


def _supply(before: State, happened: Happened) -> State:
    """Things in stock: their count follows from what came, went and was counted; it is never below nothing."""
    facts, said = _NONE_THERE | before, happened.facts
    match happened.act:
        case "came":
            return facts | {"count": facts["count"] + said["count"], "coins": said.get("coins", facts.get("coins"))}
        case "used":
            left = {name: max(0, facts[name] - said.get(name, 0)) for name in ("count", "spares", "again")}
            return facts | left | {"uses": facts["uses"] + said.get("uses", 0)}
        case "back":
            return facts | {name: facts[name] + said.get(name, 0) for name in ("count", "again")}
        case "spares":
            return facts | _with_spares(facts, said)
        case "spent":
            gone = min(facts["count"], said["count"])
            return facts | {"count": facts["count"] - gone, "spent": facts["spent"] + gone}
        case "restored":
            back = min(facts["spent"], said["count"])
            return facts | {"count": facts["count"] + back, "spent": facts["spent"] - back}
    return facts | said


def _with_spares(facts: State, said: State) -> State:
    """Spares that come to others in the jar: worth what they all are on the mean, and as old as the oldest."""
    there, come = facts["spares"], said["spares"]
    together = there + come
    if not together:
        return {}
    worth = (there * facts["worth"] + come * said["worth"]) / together
    return {"spares": together, "worth": worth, "since": facts["since"] if there else said["since"]}


_SAID = {
    "eater": "kept",
    "meal": "kept",
    "goal": "set",
    "purse": "set",
    "meaning": "said",
    "tried": "said",
    "freezing": "in|out",
    "machine": "added",
    "load": "began|more|loosened|weighed|tested|out",
    "jar": "filled|free|clumped|stuck|droplets|back",
    "freeze-load": "began|weighed|out",
}
"""Kinds of which the last word counts, with what can happen to them."""

_PACKAGE = "packed|moved|looked|photographed|thrown out|emptied"
_LOT = "came|frozen|conditioned|damp|dried again|weighed|packed|ground"
_RUN = "line|line off|begun|labelled|set_out|ticked|filled|opened|closed|put back|done"
_SUPPLY = "set|came|used|back|spares|spent|restored"


def _fold(model: type[Base], step: Step, acts: str, *begins: str) -> Fold:
    return Fold(model, step, frozenset({*acts.split("|"), REREAD}), frozenset(begins))


# Places come before packages: a package's row points at its place's, and its life depends on its climate.
FOLDS: dict[str, Fold] = {
    "household": _fold(Household, _household, "settled"),
    "place": _fold(Place, _place, "made"),
    "food": _fold(OwnFood, _own_food, "added"),
    "package": _fold(Package, _package, _PACKAGE, "packed"),
    "diary": _fold(DiaryDay, _diary_day, "wrote|added"),
    "price": _fold(Price, _price, "seen"),
    "lot": _fold(Lot, _lot, _LOT, "came"),
    "run": _fold(Record, _record("run", _patched), _RUN),
    "supply": _fold(Record, _record("supply", _supply), _SUPPLY),
    **{kind: _fold(Record, _record(kind, _last_said), acts) for kind, acts in _SAID.items()},
}
"""How each kind of subject is folded, in the order in which they are."""


def fold(kind: str, subject: int, state: State | None, happened: Happened, climates: Climates) -> State | None:
    """The state of a subject after one more entry.

    Raises:
        UnknownAct: nobody knows what that would do to it.
    """
    if happened.act == RESERVED:
        return state
    if happened.act != GONE and happened.act not in FOLDS[kind].acts:
        raise UnknownAct(kind, subject, happened.act)
    return None if happened.act == GONE else FOLDS[kind].step(state, happened, subject, climates)
