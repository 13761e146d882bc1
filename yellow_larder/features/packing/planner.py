"""The bench: planning how a lot of food is packed, in one go from what was typed to the verdict."""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import date, datetime

from sqlalchemy.orm import Session

from yellow_larder.core.air import (
    fill,
    mass_that_fits_g,
    need_by_air_ml,
)
from yellow_larder.core.containers import Closing, Container, closed_volume_ml, volume_below_ml
from yellow_larder.core.errors import check_range
from yellow_larder.core.food import Food, nutrients, person_days
from yellow_larder.core.keeping import Course
from yellow_larder.core.packing import Case, draws_in, judge, moisture_line_pct, protections
from yellow_larder.features.catalog.containers import called, drawing, say_container
from yellow_larder.features.catalog.events import NewFood, NewMix
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.freeze_drying.loads import moisture_of
from yellow_larder.features.household.clock import day_of
from yellow_larder.features.household.events import PersonKept, Settings
from yellow_larder.features.household.larder import Larder, settings
from yellow_larder.features.household.money import say_money
from yellow_larder.features.household.people import Appetite, appetite
from yellow_larder.features.household.state import Place
from yellow_larder.features.lots.lots import is_unproven, lot_of, wants_proof
from yellow_larder.features.lots.state import Lot, history_of
from yellow_larder.features.lots.text import say_step
from yellow_larder.features.packages.contained import PestMeasure
from yellow_larder.features.packing.best_by import best_by_of, keeps_too_short
from yellow_larder.features.packing.container_fill import Packer, packets_in_all
from yellow_larder.features.packing.moisture_course import moisture_inside
from yellow_larder.features.packing.oxygen_course import air_inside
from yellow_larder.features.packing.package_course import bests_of, closed_of, course_of, left_kpa
from yellow_larder.features.packing.plan import FoodOnBench, Lasts, Packed, Plan, identity_of, packets_by_size
from yellow_larder.features.packing.request import (
    Ask,
    place_of,
    read_container,
    read_food,
    share_out,
    usual_closing,
)
from yellow_larder.features.packing.smaller import with_smaller
from yellow_larder.features.packing.verdict import short_of, verdict_on, with_outer
from yellow_larder.features.supplies.state import SupplyRecord
from yellow_larder.features.supplies.stock import Stock
from yellow_larder.journal import log
from yellow_larder.journal.database import reading
from yellow_larder.words.articles import a_or_an
from yellow_larder.words.errors import Refused
from yellow_larder.words.findings import in_units
from yellow_larder.words.quantities import Units, said_kcal, say_kcal, say_length, say_mass, say_share, say_temperature

_KPA_PER_INHG = 3.386389
"""An inch of mercury, kPa. Source: NIST SP 811."""


def plan(larder: Larder, ask: Ask) -> Plan:
    """Plan a packing.

    Raises:
        Refused: a field cannot be read or does not go together with the rest; nothing is saved.
    """
    with reading(larder.engine) as session:
        return plan_in(session, ask, now=larder.clock())


def plan_in(session: Session, ask: Ask, *, now: datetime, packed_on: date | None = None) -> Plan:
    """Plan a packing within a session, so that a packing sees the same larder as its plan."""
    today = packed_on or day_of(now)
    log.read_records(session, Settings, NewFood, NewMix, PersonKept, SupplyRecord)
    household = settings(session)
    food, amount, words = read_food(ask, all_foods(session))
    container = read_container(session, ask, household.units)
    place = place_of(session, ask.place)
    closing = ask.closing or usual_closing(food, container)
    if closing not in container.closings:
        raise Refused("closing", f"Nobody closes {a_or_an(called(container, household.units))} that way")
    amount_g = amount.weighs_g(food.loose_g_ml)
    eating = appetite(session, today.year)
    lot = lot_of(session, ask.lot, food)
    if lot:
        moisture = moisture_of(session, lot, now) if ask.moisture is None else ask.moisture
        ask = replace(ask, frozen=ask.frozen or lot.frozen_on is not None, moisture=moisture)
    on = _OnBench(
        ask, food, words, amount_g, container, closing, place, household, eating, lot, today, now, Stock(session)
    )
    return _plan(on)


@dataclass(frozen=True, slots=True)
class _OnBench:
    """Everything that a plan is made from, read."""

    ask: Ask
    food: Food
    words: str
    amount_g: float
    container: Container
    closing: Closing
    place: Place
    household: Settings
    eating: Appetite
    lot: Lot | None
    today: date
    now: datetime
    stock: Stock

    @property
    def moisture_pct(self) -> float:
        """Moisture as said or as its lot's record has it; else the table's."""
        return self.food.composition.water_g if self.ask.moisture is None else self.ask.moisture

    @property
    def coins(self) -> float:
        """What the food cost, if its lot was bought."""
        lot = self.lot
        return lot.coins * min(1.0, self.amount_g / lot.came_g) if lot and lot.coins else 0.0

    @property
    def unproven(self) -> bool:
        """Whether it was dried at home, and neither its record nor anybody says that a jar proved it dry."""
        return is_unproven(self.food, self.lot, conditioned=self.ask.conditioned)

    def course(self, full: Packed, gel_g: float = 0.0) -> Course:
        """What becomes of one container of it."""
        return course_of(
            self.ask,
            self.food,
            self.container,
            self.closing,
            self.place,
            self.household,
            mass_g=full.mass_g,
            void_ml=full.void_ml,
            packed_ml=full.packed_ml,
            moisture_pct=self.moisture_pct,
            gel_g=gel_g,
        )


def _plan(on: _OnBench) -> Plan:
    ask, food, container, closing = on.ask, on.food, on.container, on.closing
    place, household, lot, stock = on.place, on.household, on.lot, on.stock
    shares = share_out(ask, food, container, on.amount_g, household.units)
    packer = Packer(ask, food, container, closing, household, on.eating, [each for _, each in stock.packets(on.now)])
    full = packer.pack(shares.each_g, shares.count)
    rest = packer.pack(shares.rest_g, 1) if shares.rest_g else None
    check_range("horizon_years", ask.horizon_years, 0.1, 40, "years")
    check_range("moisture_pct", on.moisture_pct, 0, 100, "%")
    course, moisture = moisture_inside(
        on.course(full),
        lambda gel_g: on.course(full, gel_g),
        ask.horizon_years,
        gel=ask.gel,
        gel_each_g=stock.gel_each_g,
        place=place.name,
    )
    case = _case(on, full, course)
    bests = bests_of(food, course)
    groups = [full, *([rest] if rest else [])]
    count = sum(group.count for group in groups)
    packets = packets_by_size(groups)
    to_pack = stock.cost(container, sum(group.count for group in groups), packets)
    best_by = best_by_of(food, course, bests, household.estimate, on.today)
    beside = [
        *keeps_too_short(ask.horizon_years, best_by, on.today),
        *short_of(stock, container, count, household.units),
    ]
    total = nutrients(food.composition, shares.each_g * shares.count + shares.rest_g)
    days = person_days(total.kcal, on.eating.kcal_per_person_day)
    found = [*in_units(judge(case), household.units), *beside]
    found = [with_smaller(each, case, household.units, lambda size: _filled_alike(on, full, size)) for each in found]
    verdict = verdict_on([with_outer(each, container, full, count) for each in found])
    decided = (food.key, container.key, closing.value, place.id, ask.lot, ask.outer, ask.frozen, verdict.severity.value)
    return Plan(
        identity=identity_of(*decided, round(case.moisture_pct, 2), groups=groups),
        food=FoodOnBench(
            key=food.key,
            name=food.name,
            form=food.form,
            colour=food.colour,
            moisture_pct=case.moisture_pct,
            moisture_line_pct=moisture_line_pct(food),
            group=food.group,
            water_activity=case.water_activity if course.of.isotherm is not None else None,
            carries_insects=on.food.carries_insects,
            says_conditioned=lot is None and wants_proof(food),
            says_frozen=lot is None or lot.frozen_on is None,
            warmest=say_temperature(place.mean_c + place.swing_c, household.units),
            words=on.words,
        ),
        amount_g=on.amount_g,
        amount=say_mass(on.amount_g, household.units),
        container=container.key,
        container_name=called(container, household.units),
        container_size=say_container(container, household.units),
        draw=drawing(container),
        closing=closing,
        closings=list(container.closings),
        can_press=container.has_film,
        full=full,
        rest=rest,
        count=count,
        kcal=total.kcal,
        kcal_text=_say_in_all(sum(group.count * said_kcal(group.kcal) for group in groups)),
        person_days=days,
        household_days=days / on.eating.people,
        packets_in_all=packets_in_all(groups),
        packets_at_hand=stock.say_at_hand(packets),
        sizing_options=packer.sizing_options(full) if closing is Closing.ABSORBER else [],
        air_asks_ml=case.need_ml,
        air=None if closing is Closing.LID else air_inside(course),
        moisture=moisture,
        verdict=verdict,
        protections=protections(case),
        best_by=best_by,
        lasts={estimate: Lasts.of(best) for estimate, best in bests.items()},
        closed=closed_of(course, waxed=ask.waxed),
        fits=_say_fits(food, container, household.units),
        place=place.id,
        place_name=place.name,
        frozen=ask.frozen,
        story=[say_step(step, household.units) for step in history_of(lot)] if lot else [],
        cost=say_money(on.coins, household) if on.coins else "",
        packing_cost=say_money(to_pack, household) if to_pack is not None else "",
        cost_per_1000_kcal=say_money(on.coins / total.kcal * 1000, household) if on.coins and total.kcal else "",
        draws_in=draws_in(case),
        vacuum=_say_vacuum(course, ask),
        left_kpa=left_kpa(ask),
    )


def _say_in_all(kcal: int) -> str:
    """The sum of what was said of each: in full, as long as it is no longer than that."""
    return f"{kcal:,}" if kcal < 10_000 else say_kcal(kcal)


def _filled_alike(on: _OnBench, full: Packed, size: Container) -> Course | None:
    """What becomes of a container of another size, filled as full and with as many packets for its size."""
    share = closed_volume_ml(size) / closed_volume_ml(on.container)
    alike = replace(full, mass_g=full.mass_g * share, void_ml=full.void_ml * share, packed_ml=full.packed_ml * share)
    return replace(on, container=size).course(alike)


def _case(on: _OnBench, full: Packed, course: Course) -> Case:
    """What the rules judge."""
    ask = on.ask
    return Case(
        food=on.food,
        course=course,
        outer=ask.outer,
        horizon_years=ask.horizon_years,
        fill=fill(on.container, on.food, full.mass_g, pressed=ask.pressed),
        need_ml=need_by_air_ml(full.oxygen_ml),
        frozen=ask.frozen,
        unproven=on.unproven,
        gel=ask.gel,
        earth=PestMeasure.EARTH in ask.measures,
        food_grade=ask.food_grade,
        dark=on.place.dark,
    )


def _say_vacuum(course: Course, ask: Ask) -> str:
    """What the vacuum leaves, in words; empty if none is drawn."""
    share, outside = course.of.vacuum_share, course.of.room.pressure_kpa
    if share is None:
        return ""
    left = left_kpa(ask)
    inches = (outside - left) / _KPA_PER_INHG
    return f"{left:g} kPa left, {inches:.0f} inches of mercury drawn: {say_share(share, 1)} oxygen"


def _say_fits(food: Food, container: Container, units: Units) -> str:
    space = volume_below_ml(container, container.headspace_mm)
    loose, settled = (
        say_mass(mass_that_fits_g(space, density), units) for density in (food.loose_g_ml, food.settled_g_ml)
    )
    return f"holds {loose} loose, {settled} shaken down, with {say_length(container.headspace_mm, units)} of headspace"
