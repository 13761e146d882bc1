"""Seeds come in, are tested, kept otherwise, counted, and go."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date

from sqlalchemy.orm import Session

from yellow_larder.core.errors import check_range
from yellow_larder.features.catalog.names import Names, plain
from yellow_larder.features.coming_in.about_when import read_dates
from yellow_larder.features.household.larder import Larder, find_place, places_in, settings, tidy_name
from yellow_larder.features.household.versions import check_based_on
from yellow_larder.features.seeds.events import SeedCounted, SeedKept, SeedStored, SeedTested, Store
from yellow_larder.features.seeds.state import SeedRecord
from yellow_larder.journal import log
from yellow_larder.journal.database import writing
from yellow_larder.reference.seeds import SeedKind, seeds
from yellow_larder.words.dates import check_day
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.quantities import read_amount

MOST_SEEDS = 1_000_000
"""More than anybody keeps."""


@dataclass(frozen=True, slots=True, kw_only=True)
class AskedSeed:
    """Seeds as they are typed.

    Attributes:
        name: what they are called, "carrot, Autumn King"; their kind is read from it.
        kind: key of the kind; empty to read it from the name.
        harvested: about when, "2024", "Sep 2024", "about 2021".
        own: whether they were saved at home.
        amount: how many, or what they weigh: "200", "15 g".
        store: what they are kept in.
        place: number of the place.
        moisture_pct: their moisture, if it was measured.
    """

    name: str
    kind: str = ""
    harvested: str = ""
    own: bool = False
    amount: str = ""
    store: Store = Store.PACKET
    place: int | None = None
    moisture_pct: float | None = None


def keep_seeds(larder: Larder, asked: AskedSeed) -> int:
    """Seeds come in; returns their number.

    Raises:
        Refused: a field cannot be read.
    """
    with writing(larder.engine) as session:
        today, units = larder.today(), settings(session).units
        name = tidy_name(asked.name, "name")
        kind = _kind(asked, name)
        if not asked.harvested.strip():
            raise Refused("harvested", "About when was it harvested? A year will do: 2024")
        try:
            when = read_dates(asked.harvested, today, units).when
        except Refused as refused:
            raise refused.at("harvested") from refused
        if when is None:
            raise Refused("harvested", "A year or a month, such as 2024, Sep 2024 or about 2021")
        place = find_place(session, asked.place) if asked.place is not None else next(iter(places_in(session).values()))
        kept = SeedKept(
            name=name,
            kind=kind.key,
            harvested=min(when.middle, today),
            unsure_days=when.unsure_days,
            own=asked.own,
            count=_count(asked.amount, kind, "amount"),
            store=asked.store,
            place=place.id,
            moisture_pct=_moisture(asked.moisture_pct),
            on=today,
        )
        number = log.next_number(session, "seed")
        title = log.title("seed.kept", name=name, count=kept.count)
        log.record(session, title, [log.Act(number, kept)], at=larder.clock())
    return number


def record_test(larder: Larder, number: int, sown: int, came: int, *, on: date | None = None) -> None:
    """A germination test was counted: it takes the seeds that were laid out.

    Raises:
        Refused: more came than were sown, or the day is in the future or before the harvest.
    """
    with writing(larder.engine) as session:
        record = _seeds(session, number)
        if not 1 <= sown <= 10_000:
            raise Refused("sown", "Lay out ten, or as many as there are: 1 to 10,000")
        if not 0 <= came <= sown:
            raise Refused("came", f"Of {sown} that were laid out 0 to {sown} can come")
        day = check_day(on or larder.today(), larder.today(), "on", earliest=record.harvested)
        title = log.title("seed.tested", name=record.name, came=came, sown=sown)
        log.record(session, title, [log.Act(number, SeedTested(day, sown, came))], at=larder.clock())


def store_seeds(
    larder: Larder,
    number: int,
    store: Store,
    place: int,
    moisture_pct: float | None = None,
    *,
    based_on: int | None = None,
) -> None:
    """Seeds are kept otherwise from today on.

    Raises:
        Refused: they are kept so already.
        Outdated: somebody else changed them meanwhile.
    """
    with writing(larder.engine) as session:
        record = _seeds(session, number)
        check_based_on(session, "seed", number, based_on)
        find_place(session, place)
        now = record.kept[-1]
        if (now.store, now.place, now.moisture_pct) == (store, place, moisture_pct):
            raise Refused("store", "They are kept so already")
        told = SeedStored(larder.today(), store, place, _moisture(moisture_pct))
        title = log.title("seed.stored", name=record.name)
        log.record(session, title, [log.Act(number, told)], at=larder.clock())


def count_seeds(larder: Larder, number: int, amount: str, *, based_on: int | None = None) -> None:
    """There are so many of them, after sowing or giving away.

    Raises:
        Refused: the amount cannot be read.
        Outdated: somebody else changed them meanwhile.
    """
    with writing(larder.engine) as session:
        record = _seeds(session, number)
        check_based_on(session, "seed", number, based_on)
        count = _count(amount, seeds()[record.kind], "amount")
        title = log.title("seed.counted", name=record.name, count=count)
        log.record(session, title, [log.Act(number, SeedCounted(count))], at=larder.clock())


def remove_seeds(larder: Larder, number: int, *, based_on: int | None = None) -> None:
    """The seeds are gone: sown, given away, let go.

    Raises:
        Outdated: somebody else changed them meanwhile.
    """
    with writing(larder.engine) as session:
        record = _seeds(session, number)
        check_based_on(session, "seed", number, based_on)
        title = log.title("seed.removed", name=record.name)
        log.record(session, title, [log.removed("seed", number)], at=larder.clock())


def _seeds(session: Session, number: int) -> SeedRecord:
    record = log.record_of(session, SeedRecord, number)
    if record is None:
        raise NotThere("number", "Those seeds are not there any more")
    return record


def _kind(asked: AskedSeed, name: str) -> SeedKind:
    """The kind that is meant: as picked, or by the words of the name before a comma, or the last of them."""
    if asked.kind:
        if asked.kind not in seeds():
            raise Refused("kind", "Pick a kind of the table")
        return seeds()[asked.kind]
    names = _names()
    first = name.split(",")[0]
    for words in (name, first, first.split()[-1], first.split()[0]):
        found = names.find(words)
        if found is not None:
            return found
    nearest = tuple(each.name for each in names.nearest(first))
    raise Refused("kind", "Seeds of what? Pick the kind that they are of, or that is nearest to it", nearest=nearest)


def _names() -> Names[SeedKind]:
    return Names({plain(name): each for each in seeds().values() for name in (each.name, *each.aliases)})


def _count(amount: str, kind: SeedKind, field: str) -> int:
    """How many seeds: as counted, or as many as weigh so much."""
    tidy = amount.strip().replace(",", "").replace(" ", "")
    if not tidy:
        raise Refused(field, "How many? Count them, or weigh them: 200, or 15 g")
    if tidy.isdecimal():
        count = int(tidy) if len(tidy) < 12 else MOST_SEEDS + 1
    else:
        weighed = read_amount(amount, field)
        if weighed.volume_ml:
            raise Refused(field, "Count them, or weigh them: 200, or 15 g")
        count = round(weighed.mass_g * kind.per_gram)
    if not 0 <= count <= MOST_SEEDS:
        raise Refused(field, f"No more than {MOST_SEEDS:,} seeds")
    return count


def _moisture(pct: float | None) -> float | None:
    return None if pct is None else check_range("moisture_pct", pct, 0, 40, "%")
