"""Seeds as they are shown: how many come, how thick to sow, what may harm them."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date, timedelta

from yellow_larder.core.days import DAYS_PER_YEAR, say_span
from yellow_larder.core.seeds import HALF, LETS_GO, germination_band, seeds_to_sow, sown_thicker
from yellow_larder.features.household.larder import Larder, places_in, settings
from yellow_larder.features.household.state import Place
from yellow_larder.features.seeds.events import Store
from yellow_larder.features.seeds.germinating import Germination, moisture_of, wants_test
from yellow_larder.features.seeds.state import SeedRecord
from yellow_larder.journal import log
from yellow_larder.journal.database import reading
from yellow_larder.reference.seeds import SeedKind, seeds
from yellow_larder.words.dates import say_about, say_day, say_month
from yellow_larder.words.quantities import say_share

TOO_MOIST_FOR_ABSORBERS, TOO_MOIST_TO_FREEZE = 10.0, 12.0
"""Moisture, %, from which no absorber goes in with seeds, and no frost. Source: common practice: seeds breathe, and ice
tears them."""

_CURVE_YEARS = 0.25
_LONGEST_YEARS = 30.0


@dataclass(frozen=True, slots=True)
class SeedKindView:
    """A kind of seed to pick from."""

    key: str
    name: str
    aliases: list[str]
    family: str
    lives: str
    new: str
    source: str


@dataclass(frozen=True, slots=True)
class CurvePoint:
    """Germination that is expected some years after harvest."""

    years: float
    germination: float


@dataclass(frozen=True, slots=True)
class GerminationTest:
    """A germination test, with what it tells."""

    on: str
    years: float
    sown: int
    came: int
    low: float
    high: float
    says: str


@dataclass(frozen=True, slots=True)
class SeedView:
    """Seeds of one kind and harvest, with what is to be known of them.

    Attributes:
        number: their number.
        version: the version of the record.
        name: what they are called.
        kind: key of their kind.
        kind_name: its name.
        harvested: about when, in words.
        own: whether they were saved at home.
        count: how many there are.
        amount: the same in words.
        store: what they are kept in.
        place: number of the place.
        place_name: its name.
        moisture_pct: how moist they are.
        germination: what is expected of them today, 0–1.
        says: that in a sentence, and what it rests on.
        sow: how thick to sow, in a sentence.
        is_let_go: whether so few come that they are grown out or let go.
        half_by: when half of what was sown will come no more, in a sentence; empty if it does not already.
        lives: how long new seed of the kind lives so, in a sentence.
        cautions: what may harm them.
        years: their age, years.
        curve: germination over the years.
        tests: the tests.
        wants_test: whether nobody has tested them for a year.
    """

    number: int
    version: int
    name: str
    kind: str
    kind_name: str
    harvested: str
    own: bool
    count: int
    amount: str
    store: Store
    place: int
    place_name: str
    moisture_pct: float
    germination: float
    says: str
    sow: str
    is_let_go: bool
    half_by: str
    lives: str
    cautions: list[str]
    years: float
    curve: list[CurvePoint]
    tests: list[GerminationTest]
    wants_test: bool


def seed_kinds() -> list[SeedKindView]:
    """Every kind of seed of the table."""
    return [
        SeedKindView(
            each.key,
            each.name,
            list(each.aliases),
            each.family,
            f"{each.low_years:g}–{each.high_years:g} years",
            say_share(each.new),
            each.source,
        )
        for each in seeds().values()
    ]


def see_seeds(larder: Larder) -> list[SeedView]:
    """All seeds, what germinates worst first."""
    with reading(larder.engine) as session:
        records, versions = log.records(session, SeedRecord), log.versions(session, "seed")
        places, closed_at = places_in(session), settings(session).humidity
        found = [
            _view(number, versions.get(number, 1), record, places, closed_at, larder.today())
            for number, record in records.items()
        ]
    return sorted(found, key=lambda each: (each.germination, each.number))


def _view(
    number: int, version: int, record: SeedRecord, places: Mapping[int, Place], closed_at: float, today: date
) -> SeedView:
    of = Germination(record, places, closed_at)
    kept, kind, now = record.kept[-1], of.kind, of.at(today)
    place = places[kept.place]
    moisture = moisture_of(kind, kept, place, closed_at)
    life = of.life_years(kept)
    half = of.until(HALF, today)
    return SeedView(
        number=number,
        version=version,
        name=record.name,
        kind=kind.key,
        kind_name=kind.name,
        harvested=say_about(record.harvested, record.unsure_days),
        own=record.own,
        count=record.count,
        amount=f"{record.count:,} seed{'' if record.count == 1 else 's'}",
        store=kept.store,
        place=place.id,
        place_name=place.name,
        moisture_pct=round(moisture, 1),
        germination=now,
        says=_says(record, now),
        sow=_sow(kind, now),
        is_let_go=now < LETS_GO,
        half_by=f"More than half come until about {say_month(half)}." if half is not None and now > HALF else "",
        lives=f"New {kind.name} seed kept so lives about {say_span(min(life, 100) * DAYS_PER_YEAR)}.",
        cautions=_cautions(kept.store, place, moisture),
        years=max(0.0, (today - record.harvested).days / DAYS_PER_YEAR),
        curve=_curve(of, today, half),
        tests=[_test(record, n) for n in range(len(record.tests))],
        wants_test=wants_test(record, today),
    )


def _says(record: SeedRecord, now: float) -> str:
    on = "as new seed of its kind" if not record.tests else f"by the test of {say_day(record.tests[-1].on)}"
    return f"About {say_share(now)} come, {on}."


def _sow(kind: SeedKind, now: float) -> str:
    if now < LETS_GO:
        return "Grow it out for new seed this year, or let it go."
    thicker = sown_thicker(kind.new, now)
    twelve = f"{seeds_to_sow(12, max(0.01, now))} seeds for 12 plants"
    if thicker < 1.15:
        return f"Sow as thick as new seed: {twelve}."
    return f"Sow {thicker:.2g} times as thick as new seed: {twelve}."


def _cautions(store: Store, place: Place, moisture: float) -> list[str]:
    found = []
    if moisture >= TOO_MOIST_FOR_ABSORBERS:
        found.append("Never with an absorber at this moisture: seeds breathe. Silica gel, yes.")
    if place.mean_c < 0 and moisture > TOO_MOIST_TO_FREEZE:
        found.append("Too moist to freeze: ice tears them. Dry them over silica gel first.")
    if place.mean_c < 0 and store is Store.PACKET:
        found.append("Paper in a freezer draws moisture: a closed jar, and warm it up before it is opened.")
    return found


def _curve(of: Germination, today: date, half: date | None) -> list[CurvePoint]:
    begins, tested = of.record.harvested, {test.on for test in of.record.tests}
    ends = max(today + timedelta(days=365), half + timedelta(days=365) if half else today)
    years = min(_LONGEST_YEARS, max(2.0, (ends - begins).days / DAYS_PER_YEAR))
    days = [begins + timedelta(days=n * _CURVE_YEARS * DAYS_PER_YEAR) for n in range(int(years / _CURVE_YEARS) + 1)]
    points = []
    for day in sorted({*days, *(each for each in tested if begins < each <= days[-1])}):
        at = (day - begins).days / DAYS_PER_YEAR
        if day in tested:
            # A test tells at once what was not known the day before: the curve goes straight up or down.
            points.append(CurvePoint(at, round(of.at(day - timedelta(days=1)), 4)))
        points.append(CurvePoint(at, round(of.at(day), 4)))
    return points


def _test(record: SeedRecord, n: int) -> GerminationTest:
    test = record.tests[n]
    low, high = germination_band(test.sown, test.came)
    says = f"{test.came} of {test.sown} came: between {say_share(low)} and {say_share(high)} do"
    years = max(0.0, (test.on - record.harvested).days / DAYS_PER_YEAR)
    return GerminationTest(say_day(test.on), years, test.sown, test.came, low, high, says)
