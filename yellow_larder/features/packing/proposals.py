"""Which container? For some lots, how long they are wanted and how fast the kitchen empties them."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import date, datetime, timedelta

import numpy as np
from sqlalchemy.orm import Session

from yellow_larder.core.air import fill, need_by_air_ml
from yellow_larder.core.arrays import Indices, Numbers
from yellow_larder.core.containers import Closing, Container, volume_below_ml
from yellow_larder.core.days import say_span
from yellow_larder.core.finding import Severity
from yellow_larder.core.food import Food
from yellow_larder.core.moisture import Spoils
from yellow_larder.core.packing import (
    Case,
    NothingFits,
    Proposal,
    judge,
    keeps_too_short,
    propose,
    stands_open_too_long,
)
from yellow_larder.features.catalog.containers import Drawing, called, drawing
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.freeze_drying.loads import moisture_of
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder, settings
from yellow_larder.features.household.money import say_money
from yellow_larder.features.household.patience import still_wanted
from yellow_larder.features.household.state import Place
from yellow_larder.features.lots.lots import is_unproven, lot_of
from yellow_larder.features.lots.state import Lot
from yellow_larder.features.packing.container_fill import oxygen_in_room_ml
from yellow_larder.features.packing.offers import Offer, offers_of, packet_coins_per_ml
from yellow_larder.features.packing.package_course import bests_of, course_of
from yellow_larder.features.packing.request import Ask, Opened, most_in_g, place_of, read_food, usual_closing
from yellow_larder.features.supplies.stock import Stock
from yellow_larder.journal.database import reading
from yellow_larder.reference import DAYS_PER_YEAR, ways_of
from yellow_larder.words.dates import say_best_by
from yellow_larder.words.errors import Refused
from yellow_larder.words.findings import in_units
from yellow_larder.words.quantities import read_amount, say_mass, type_mass

MOST_LINES = 12

_GOOD_OPEN_DAYS, _CRISP_OPEN_DAYS = 120.0, 45.0
"""How long food is good once its container is open; crisp food shorter. Source: our judgement from common practice, the
smallest container the kitchen will empty soon."""

_FOOD_COINS_PER_G = 0.3
"""What food is worth where nobody wrote its price down. Source: our judgement, three of the large coin a kilogram."""

_HANDLING_COINS = 15.0
"""What filling and closing one container is worth in time. Source: our judgement."""

_KIND_COINS = 60.0
"""What a second size for the same lot is worth in bother. Source: our judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class WantedLine:
    """A lot that is to be packed.

    Attributes:
        line: "10 kg pearl barley".
        lot: its number in the cupboard, if it has one.
        a_week: what the kitchen takes of it in a week, "400 g"; empty if nobody knows.
        moisture: its moisture as measured, %; none means that of its record, or of the table.
        conditioned: that it was conditioned in a jar, if it comes without a record.
    """

    line: str
    lot: int | None = None
    a_week: str = ""
    moisture: float | None = None
    conditioned: bool = False


@dataclass(frozen=True, slots=True)
class ProposedContainers:
    """Containers of one kind for a lot."""

    key: str
    name: str
    draw: Drawing
    level: float
    closing: Closing
    count: int
    each: str
    amount: str
    """What goes into all of them, as it is put on the bench."""
    in_stock: int
    keeps: str
    ages: bool
    open_for: str
    """How long one stands open, if it is known how fast the kitchen empties it."""
    cost: str


@dataclass(frozen=True, slots=True)
class ProposedLine:
    """What is proposed for a lot."""

    food: str
    form: str
    colour: str
    lot: int | None
    containers: list[ProposedContainers]
    left_out: str
    """Containers that may not be, and why, in short."""


@dataclass(frozen=True, slots=True)
class ProposedPacking:
    """What is proposed for all lots together."""

    lines: list[ProposedLine]
    buy: list[str]
    cost: str
    optimal: bool
    """Whether it is proven that nothing costs less."""
    guessed: bool
    """Whether prices had to be guessed."""


@dataclass(frozen=True, slots=True)
class _Lot:
    """A lot as it was read: how much of what, its record if it has one, and what the kitchen takes of it a day, g."""

    food: Food
    mass_g: float
    record: Lot | None
    number: int | None
    uses_g_day: float | None
    moisture_pct: float
    unproven: bool


@dataclass(frozen=True, slots=True)
class _Pair:
    """A lot in a kind of container."""

    fits_g: float
    costs: float
    life_days: float
    open_days: float | None
    closing: Closing
    stop: str


def propose_packing(
    larder: Larder,
    lines: Sequence[WantedLine],
    *,
    horizon_years: float = 10,
    place: int | None = None,
    opened: Opened = Opened.NEVER,
) -> ProposedPacking:
    """The containers that keep some lots best for least cost, all of them together.

    Args:
        larder: the larder.
        lines: the lots.
        horizon_years: how long they are meant to keep.
        place: where they will stand; none means the first place.
        opened: how often each container is opened.

    Raises:
        Refused: a line cannot be read, or goes into nothing.
    """
    if not 1 <= len(lines) <= MOST_LINES:
        raise Refused("line", f"One lot at least, {MOST_LINES} at the most")
    if not 0.1 <= horizon_years <= 40:
        raise Refused("horizon_years", "The years it is meant to keep must lie between 0.1 and 40")
    with reading(larder.engine) as session:
        household, where = settings(session), place_of(session, place)
        known = all_foods(session)
        stock = Stock(session)
        offers, per_ml = offers_of(stock), packet_coins_per_ml(stock)
        wanted = [_read(session, n, line, known, larder.clock()) for n, line in enumerate(lines)]
        asked = Ask(horizon_years=horizon_years, outer=True, opened=opened)
        pairs = [
            [_pair(each, offer.container, household, where, asked, per_ml) for offer in offers]
            for each in _as_long_as_wanted(wanted)
        ]
        fits_g = np.array([[pair.fits_g for pair in row] for row in pairs])
        _check_that_some_do(wanted, fits_g)
        mass = np.array([each.mass_g for each in wanted])
        try:
            found = propose(
                mass,
                fits_g,
                np.array([[pair.costs for pair in row] for row in pairs]),
                np.array([offer.price for offer in offers]),
                np.array([float(offer.stock) for offer in offers]),
                np.array([offer.buyable for offer in offers]),
                kind_cost=_KIND_COINS,
            )
        except NothingFits as error:
            raise Refused("line.0", f"No containers do: {error}") from error
        today = larder.today()
        shown = [_line(each, pairs[n], offers, found.counts[n], household, today) for n, each in enumerate(wanted)]
    return _packing(shown, offers, found, household)


def _check_that_some_do(wanted: Sequence[_Lot], fits_g: Numbers) -> None:
    """Each food may go into some container.

    Raises:
        Refused: one may go into none, by its line.
    """
    for n in np.flatnonzero(fits_g.max(axis=1, initial=0) <= 0).tolist():
        name = wanted[n].food.name
        why = (
            "is not dry. Put it away in the fridge or freezer, or dry it first"
            if ways_of(wanted[n].food.life)
            else "may go into no container for so long. Put it on the bench: the verdict says why"
        )
        raise Refused(f"line.{n}", f"{name[0].upper()}{name[1:]} {why}")


def _as_long_as_wanted(lots: Sequence[_Lot]) -> Iterator[_Lot]:
    for lot in lots:
        still_wanted()
        yield lot


def _packing(lines: list[ProposedLine], offers: list[Offer], found: Proposal, household: Settings) -> ProposedPacking:
    bought = [(offer, int(n)) for offer, n in zip(offers, found.buy, strict=True) if n]
    used = found.counts.sum(axis=0)
    return ProposedPacking(
        lines,
        [f"{n} × {called(offer.container, household.units)}" for offer, n in bought],
        say_money(sum(offer.price * n for offer, n in bought), household) if bought else "",
        found.gap <= 1e-3,
        any(offer.guessed for offer, n in zip(offers, used, strict=True) if n),
    )


def _read(session: Session, n: int, line: WantedLine, known: dict[str, Food], now: datetime) -> _Lot:
    try:
        food, amount, _ = read_food(Ask(line=line.line), known)
        grams = amount.weighs_g(food.loose_g_ml)
    except Refused as error:
        raise error.at(f"line.{n}") from error
    if grams < 1:
        raise Refused(f"line.{n}", "Write how much there is, such as 10 kg")
    lot = lot_of(session, line.lot, food)
    known_pct = moisture_of(session, lot, now) if lot is not None and line.moisture is None else line.moisture
    if known_pct is not None and not 0 <= known_pct <= 100:
        raise Refused(f"line.{n}", "Moisture lies between 0 and 100 %")
    moisture = food.composition.water_g if known_pct is None else known_pct
    unproven = is_unproven(food, lot, conditioned=line.conditioned)
    return _Lot(food, grams, lot, line.lot, _uses_g_day(line, food, n), moisture, unproven)


def _pair(lot: _Lot, container: Container, household: Settings, place: Place, asked: Ask, coins_per_ml: float) -> _Pair:
    """What one container of a kind holds of a lot, what that costs, and whether it may be."""
    food, mine = lot.food, lot.record
    closing = Closing.LID if lot.unproven and Closing.LID in container.closings else usual_closing(food, container)
    fits = most_in_g(food, container)
    filled = fill(container, food, fits, pressed=True)
    need = need_by_air_ml(oxygen_in_room_ml(filled.void_ml, household)) if closing is Closing.ABSORBER else 0.0
    course = course_of(
        asked,
        food,
        container,
        closing,
        place,
        household,
        mass_g=fits,
        void_ml=filled.void_ml,
        packed_ml=need,
        moisture_pct=lot.moisture_pct,
    )
    case = Case(
        food=food,
        course=course,
        outer=True,
        horizon_years=asked.horizon_years,
        fill=filled,
        need_ml=need,
        unproven=lot.unproven,
    )
    stops = [each for each in judge(case) if each.severity is Severity.STOP]
    stop = in_units(stops[:1], household.units)[0].says if stops else ""
    life = bests_of(food, course)[household.estimate].days
    days_open = fits / lot.uses_g_day if lot.uses_g_day else None
    worth = fits * (mine.coins / mine.came_g if mine is not None and mine.coins else _FOOD_COINS_PER_G)
    best = _CRISP_OPEN_DAYS if course.of.texture.spoils is not Spoils.MOULD else _GOOD_OPEN_DAYS
    lost = float(keeps_too_short(np.array(life), np.array(asked.horizon_years * DAYS_PER_YEAR)))
    lost += float(stands_open_too_long(np.array(days_open), best)) if days_open is not None else 0.0
    costs = worth * lost + need * coins_per_ml + _HANDLING_COINS
    return _Pair(0.0 if stop else fits, costs, life, days_open, closing, stop)


def _uses_g_day(line: WantedLine, food: Food, n: int) -> float | None:
    if not line.a_week.strip():
        return None
    grams = read_amount(line.a_week, f"a_week.{n}").weighs_g(food.loose_g_ml)
    if grams <= 0:
        raise Refused(f"a_week.{n}", "Write what the kitchen takes in a week, such as 400 g; or leave it out")
    return grams / 7


def _line(
    lot: _Lot,
    pairs: list[_Pair],
    offers: list[Offer],
    counts: Indices,
    household: Settings,
    today: date,
) -> ProposedLine:
    food, amount_g = lot.food, lot.mass_g
    holds = sum(pair.fits_g * int(n) for pair, n in zip(pairs, counts, strict=True))
    shown = []
    for pair, offer, n in zip(pairs, offers, counts, strict=True):
        if not n:
            continue
        amount = type_mass(pair.fits_g * int(n) * amount_g / holds, household.units)
        # What is typed is whole grams, and what each holds is a share of that: as the bench will say it.
        each_g = read_amount(amount, "line").weighs_g(food.loose_g_ml) / int(n)
        space = volume_below_ml(offer.container, 0)
        ends = None if math.isinf(pair.life_days) else today + timedelta(days=pair.life_days)
        shown.append(
            ProposedContainers(
                key=offer.container.key,
                name=called(offer.container, household.units),
                draw=drawing(offer.container),
                level=min(1.0, each_g / food.settled_g_ml / space) if space else 0.0,
                closing=pair.closing,
                count=int(n),
                each=say_mass(each_g, household.units),
                amount=amount,
                in_stock=min(int(n), offer.stock),
                keeps=say_best_by(ends, today),
                ages=ends is not None,
                open_for=say_span(pair.open_days * amount_g / holds) if pair.open_days is not None else "",
                cost=say_money(offer.price * int(n), household),
            )
        )
    stops = sorted({pair.stop for pair in pairs if pair.stop})
    return ProposedLine(food.name, food.form, food.colour, lot.number, shown, "; ".join(stops))
