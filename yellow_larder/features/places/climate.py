"""The air of a place: what was measured, its warm spells and what they cost, and what another place would have cost."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import date

import numpy as np
from sqlalchemy import select
from sqlalchemy.orm import Session

from yellow_larder.core.arrays import Numbers
from yellow_larder.core.climate import ClimateLog, Spell, mean_kinetic_c, season, warm_spells
from yellow_larder.features.household.larder import Larder, places_in, places_in_use, settings
from yellow_larder.features.household.state import Place
from yellow_larder.features.packages.life import life_used_in
from yellow_larder.features.packages.state import Package
from yellow_larder.features.places.places import place_in_use
from yellow_larder.features.shelves.shelves import say_climate
from yellow_larder.journal.database import reading
from yellow_larder.words.dates import say_day
from yellow_larder.words.quantities import Units, say_share, say_temperature

_WARM_C = {"fridge": 8.0, "freezer": -12.0}
_WARM_ELSEWHERE_C = 30.0
"""Above this a place is too warm, by its kind. Source: common practice: 86 °F; a fridge that is not cold any more; a
freezer in which food begins to go soft."""

_POINTS, _SPELLS, _FOODS = 240, 6, 3
"""So much is shown at the most."""

_YEAR = 365
_HARDLY = 0.01


@dataclass(frozen=True, slots=True)
class ClimatePoint:
    """Some days of a log, °C; none where nothing was measured."""

    day: int
    low: float | None
    mean: float | None
    high: float | None
    enough: bool
    """Whether more than half of the time was measured."""
    year: float
    """What the place is taken for then."""


@dataclass(frozen=True, slots=True)
class WarmSpell:
    """Warm days in a row, and what they cost."""

    since_day: int
    until_day: int
    says: str
    cost: str
    """What they cost what stood there then, in words; empty if nothing did."""


@dataclass(frozen=True, slots=True)
class YearElsewhere:
    """What a year costs in a place, by the pace of what stands in the one that is looked at."""

    place: int
    name: str
    days: int
    """Days of life at 21 °C."""
    here: bool


@dataclass(frozen=True, slots=True)
class ClimateFigure:
    """What was measured in one figure: what it is, and how much."""

    what: str
    how: str


@dataclass(frozen=True, slots=True)
class PlaceClimate:
    """The air of a place."""

    name: str
    taken_for: str
    """What its year is taken for."""
    fitted: bool
    """Whether that follows from what was measured there."""
    counted: str
    """The day somebody last counted what stands there; empty if nobody did."""
    measured: str
    """From when to when something was measured; empty if nothing was."""
    figures: list[ClimateFigure]
    """What that comes to: what it is, and how much."""
    points: list[ClimatePoint]
    warm_c: float
    """Above this the place is too warm, °C."""
    warm: str
    """The same in words."""
    gaps: list[str]
    """Times in the log in which nothing was measured."""
    spells: list[WarmSpell]
    """The warm spells that cost most, the last first."""
    more_spells: int
    elsewhere: list[YearElsewhere]
    """What a year costs here and in the other places, the coolest first; empty if nothing stands here."""


def see_climate(larder: Larder, number: int) -> PlaceClimate:
    """The air of a place.

    Raises:
        NotThere: it is not there.
    """
    with reading(larder.engine) as session:
        place, units = place_in_use(session, number), settings(session).units
        measured, warm_c = place.log, _WARM_C.get(place.sort, _WARM_ELSEWHERE_C)
        foods = _foods(session, place)
        spells = [] if measured is None else warm_spells(measured, warm_c)
        costly = sorted(spells, key=lambda each: each.days, reverse=True)[:_SPELLS]
        return PlaceClimate(
            name=place.name,
            taken_for=f"{say_climate(place, units)}, {say_share(place.humidity)} humidity",
            fitted=_is_fitted(place),
            counted=say_day(place.counted_on) if place.counted_on else "",
            measured="" if measured is None else _measured(measured),
            figures=[] if measured is None else list(_figures(measured, units)),
            points=[] if measured is None else list(_points(measured, place)),
            warm_c=warm_c,
            warm=say_temperature(warm_c, units),
            gaps=[] if measured is None else list(_gaps(measured)),
            spells=[_spell(each, place, foods, warm_c, units) for each in sorted(costly, key=lambda each: -each.since)],
            more_spells=len(spells) - len(costly),
            elsewhere=_elsewhere(session, place, foods, larder.today()),
        )


def _is_fitted(place: Place) -> bool:
    """Whether a place is taken for something else than somebody typed."""
    return place.typed is not None and any(getattr(place, name) != value for name, value in place.typed.items())


@dataclass(frozen=True, slots=True)
class _Standing:
    """A food that stands in a place."""

    name: str
    q10: float
    since: int


def _foods(session: Session, place: Place) -> list[_Standing]:
    """The foods that stand in a place, each since the first of it came there."""
    wanted = select(Package.food_name, Package.q10, Package.stands_since).where(
        Package.place_id == place.id, Package.gone_on.is_(None), Package.q10 > 1
    )
    first: dict[tuple[str, float], int] = {}
    for name, q10, since in session.execute(wanted):
        first[name, q10] = min(since.toordinal(), first.get((name, q10), since.toordinal()))
    return [_Standing(name, q10, since) for (name, q10), since in sorted(first.items())]


def _days(log: ClimateLog) -> tuple[int, int]:
    return log.first_day, log.first_day + len(log.by_day)


def _measured(log: ClimateLog) -> str:
    first, end = _days(log)
    return f"{say_day(date.fromordinal(first))} – {say_day(date.fromordinal(end - 1))}"


def _figures(log: ClimateLog, units: Units) -> Iterator[ClimateFigure]:
    told = log.temperature_c[np.isfinite(log.temperature_c)]
    yield ClimateFigure("Mean", _degrees(float(told.mean()), units))
    yield ClimateFigure("Mean kinetic temperature", _degrees(mean_kinetic_c(told), units))
    yield ClimateFigure("Warmest hour", _degrees(float(told.max()), units))
    yield ClimateFigure("Coldest hour", _degrees(float(told.min()), units))
    humidity = log.humidity[np.isfinite(log.humidity)]
    if len(humidity):
        how = f"{say_share(float(humidity.mean()))}, at the most {say_share(float(humidity.max()))}"
        yield ClimateFigure("Humidity", how)
    share = float(log.share_measured.mean())
    hours = "1 hour" if len(told) == 1 else f"{len(told):,} hours"
    yield ClimateFigure("Measured", f"{say_share(share)} of the time" if share >= _HARDLY else hours)


def _degrees(celsius: float, units: Units) -> str:
    says = f"{celsius:.1f} °C" if units is Units.METRIC else f"{celsius * 1.8 + 32:.1f} °F"
    return says.replace("-", "−")


def _points(log: ClimateLog, place: Place) -> Iterator[ClimatePoint]:
    """The log in so many steps that they can be drawn, and what the place is taken for."""
    first, end = _days(log)
    step = -(-(end - first) // _POINTS)
    whole = np.pad(log.by_day, ((0, -(end - first) % step), (0, 0)), constant_values=np.nan).reshape(-1, step * 24)
    told = np.isfinite(whole)
    count = told.sum(axis=1)
    low, high = np.where(told, whole, np.inf).min(axis=1), np.where(told, whole, -np.inf).max(axis=1)
    total = np.where(told, whole, 0.0).sum(axis=1)
    days = first + step * np.arange(len(whole))
    warmth = np.cos(season(days + step / 2) - 2 * np.pi * (place.warmest_month - 0.5) / 12)
    taken = place.mean_c + place.swing_c * warmth
    for n, day in enumerate(days.tolist()):
        least, mean, most = (
            round(float(each), 2) if count[n] else None for each in (low[n], total[n] / max(1, count[n]), high[n])
        )
        enough = bool(count[n] * 2 >= whole.shape[1])
        yield ClimatePoint(day, least, mean, most, enough, round(float(taken[n]), 2))


def _gaps(log: ClimateLog) -> Iterator[str]:
    """Times in which nothing was measured, the longest of them."""
    if float(log.share_measured.mean()) < _HARDLY:
        return
    none = np.flatnonzero(log.share_measured == 0)
    runs = [run for run in np.split(none, np.flatnonzero(np.diff(none) > 1) + 1) if len(run)]
    for run in sorted(runs, key=len, reverse=True)[:_SPELLS]:
        since, until = (say_day(date.fromordinal(log.first_day + int(each))) for each in (run[0], run[-1]))
        yield since if len(run) == 1 else f"{since} – {until}, {len(run)} days"


def _spell(each: Spell, place: Place, foods: Sequence[_Standing], warm_c: float, units: Units) -> WarmSpell:
    days = f"{each.days} day{'' if each.days == 1 else 's'}"
    last = date.fromordinal(each.until - 1)
    first = "" if each.until - each.since == 1 else f"{say_day(date.fromordinal(each.since))} – "
    dearest: dict[int, list[str]] = {}
    for food in sorted(foods, key=lambda one: (-one.q10, one.name)):
        if food.since < each.until:
            life = round(float(_cost(place, food.q10, each.since, each.until)[0]))
            dearest.setdefault(life, []).append(food.name)
    said = [f"the {' and '.join(names[:2])} {life} days of life" for life, names in list(dearest.items())[:_FOODS]]
    limit, warmest, of = say_temperature(warm_c, units), _degrees(each.warmest_c, units), each.until - each.since
    return WarmSpell(
        each.since,
        each.until,
        f"{first}{say_day(last)}: {days} above {limit}, up to {warmest}",
        f"{f'{of} days cost' if of > 1 else 'It cost'} {', '.join(said)}" if said else "",
    )


def _cost(place: Place, q10: float, since: int, until: int) -> Numbers:
    return life_used_in(place, q10, np.array([since]), np.array([until]))


def _elsewhere(session: Session, here: Place, foods: Sequence[_Standing], today: date) -> list[YearElsewhere]:
    """What the year until today cost here, and would have cost in the other places."""
    if not foods:
        return []
    # What most of the foods age by: half of them age faster.
    q10 = float(np.median([each.q10 for each in foods]))
    end = today.toordinal()
    found = []
    for place in places_in_use(session).values():
        days = round(float(_cost(places_in(session)[place.id], q10, end - _YEAR, end)[0]))
        found.append(YearElsewhere(place.id, place.name, days, place.id == here.id))
    return sorted(found, key=lambda each: each.days)
