"""The bench: planning how a lot of food is packed, in one go from what was typed to the verdict."""

from __future__ import annotations

import math
from collections import Counter
from dataclasses import replace
from datetime import date, datetime

from sqlalchemy.orm import Session

from yellow_larder.core.air import oxygen_share, pressure_kpa
from yellow_larder.core.case import Case
from yellow_larder.core.containers import Closing, Container, Kind, volume_below_ml
from yellow_larder.core.errors import OutOfRange, check_range
from yellow_larder.core.finding import Finding, Severity, gravest_first
from yellow_larder.core.findings import judge
from yellow_larder.core.food_rules import moisture_line_pct
from yellow_larder.core.foods import Food
from yellow_larder.core.guards import guards
from yellow_larder.core.low_oxygen import share_left
from yellow_larder.core.nesting import goes_into
from yellow_larder.core.nutrition import nutrients, person_days
from yellow_larder.core.oxygen import (
    fill,
    mass_that_fits_g,
    need_by_air_ml,
)
from yellow_larder.core.packing_rules import draws_in
from yellow_larder.larder.air_inside import air_inside
from yellow_larder.larder.asking import (
    LEAVES_KPA,
    Ask,
    find_place,
    read_container,
    read_food,
    share_out,
    usual_closing,
)
from yellow_larder.larder.clock import day_of
from yellow_larder.larder.damp_inside import Standing, damp_inside, store_c, water_activity
from yellow_larder.larder.eaters import Appetite, appetite
from yellow_larder.larder.foods import all_foods
from yellow_larder.larder.freezedrying import moisture_of
from yellow_larder.larder.larder import Larder, Settings, settings
from yellow_larder.larder.lasting import best_by_of, keeps_too_short
from yellow_larder.larder.lots import is_unproven, lot_of
from yellow_larder.larder.money import say_money
from yellow_larder.larder.packer import Packer, packets_in_all
from yellow_larder.larder.plan import (
    AirInside,
    DampInside,
    FoodOnBench,
    Packed,
    Plan,
    Verdict,
)
from yellow_larder.larder.quantities import Units, say_kcal, say_length, say_mass, say_temperature
from yellow_larder.larder.refusals import Refused, in_words
from yellow_larder.larder.stock import Stock
from yellow_larder.larder.vessels import drawing, say_container
from yellow_larder.reference import containers
from yellow_larder.reference.drying import isotherm_of
from yellow_larder.store.database import reading
from yellow_larder.store.models import Lot, Place

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
    household = settings(session)
    food, amount = read_food(ask, all_foods(session))
    container = read_container(ask, household.units)
    place = find_place(session, ask.place)
    closing = ask.closing or usual_closing(food, container)
    if closing not in container.closings:
        raise Refused("closing", f"A {container.name} is not closed that way")
    try:
        amount_g = amount.weighs_g(food.loose_g_ml)
        eating = appetite(session, today.year)
        lot = lot_of(session, ask.lot, food)
        coins = lot.coins * min(1.0, amount_g / lot.came_g) if lot and lot.coins else 0.0
        if lot:
            moisture = moisture_of(session, lot, now) if ask.moisture is None else ask.moisture
            ask = replace(ask, frozen=ask.frozen or lot.frozen_on is not None, moisture=moisture)
        stock = Stock(session)
        return _plan(ask, food, amount_g, container, closing, place, household, eating, lot, coins, today, stock)
    except OutOfRange as error:
        raise in_words(error) from error


def _plan(
    ask: Ask,
    food: Food,
    amount_g: float,
    container: Container,
    closing: Closing,
    place: Place,
    household: Settings,
    eating: Appetite,
    lot: Lot | None,
    coins: float,
    today: date,
    stock: Stock,
) -> Plan:
    shares = share_out(ask, food, container, amount_g, household.units)
    packer = Packer(ask, food, container, closing, household, eating, stock.packet_sizes or household.packet_sizes)
    full = packer.pack(shares.each_g, shares.count)
    rest = packer.pack(shares.rest_g, 1) if shares.rest_g else None
    moisture = food.composition.water_g if ask.moisture is None else ask.moisture
    activity = water_activity(food, moisture, place)
    left = _share_left(ask, household) if closing is Closing.VACUUM else None
    inside = _air_inside(ask, container, full, household, place, left) if closing is not Closing.LID else None
    filled = fill(container, food, shares.each_g, pressed=ask.pressed)
    damp = _damp_inside(ask, food, container, shares.each_g, moisture, place, stock.gel_each_g)
    case = Case(
        food=food,
        moisture_pct=moisture,
        container=container,
        closing=closing,
        outer=ask.outer,
        horizon_years=ask.horizon_years,
        fill=filled,
        need_ml=need_by_air_ml(full.oxygen_ml),
        packed_ml=full.packed_ml,
        frozen=ask.frozen,
        water_activity=activity,
        warmest_c=place.mean_c + place.swing_c,
        holds_days=None if inside is None else math.inf if inside.holds_days is None else inside.holds_days,
        gel=ask.gel,
        store_c=store_c(place),
        oxygen_left=left or 0.0,
        food_grade=ask.food_grade,
        softens_days=_never(damp.softens_days) if damp and damp.crisp else None,
        moulds_days=_never(damp.moulds_days) if damp else None,
        unproven=is_unproven(lot),
    )
    groups = [full, *([rest] if rest else [])]
    count = sum(group.count for group in groups)
    to_pack = stock.cost(container, groups)
    best_by = best_by_of(food, container, closing, place, household.school, today)
    beside = [*keeps_too_short(ask.horizon_years, best_by, today), *_short(stock, container, count)]
    total = nutrients(food.composition, shares.each_g * shares.count + shares.rest_g)
    days = person_days(total.kcal, eating.kcal_per_person_day)
    return Plan(
        food=FoodOnBench(
            key=food.key,
            name=food.name,
            form=food.form,
            colour=food.colour,
            moisture_pct=moisture,
            moisture_line_pct=moisture_line_pct(food),
            group=food.group,
            water_activity=activity,
            warmest=say_temperature(place.mean_c + place.swing_c, household.units),
        ),
        amount_g=amount_g,
        amount=say_mass(amount_g, household.units),
        container=container.key,
        container_name=container.name,
        container_size=say_container(container, household.units),
        draw=drawing(container),
        closing=closing,
        closings=list(container.closings),
        can_press=container.has_film,
        full=full,
        rest=rest,
        count=count,
        kcal=total.kcal,
        kcal_text=say_kcal(total.kcal),
        person_days=days,
        household_days=days / eating.people,
        packets_in_all=packets_in_all(groups),
        packets_at_hand=stock.say_at_hand(groups),
        schools=packer.schools(full) if closing is Closing.ABSORBER else [],
        air=inside,
        damp=damp,
        verdict=_verdict([_with_outer(each, container, full, count) for each in [*judge(case), *beside]]),
        guards=guards(case),
        best_by=best_by,
        fits=_say_fits(food, container, household.units),
        place=place.id,
        place_name=place.name,
        frozen=ask.frozen,
        story=list(lot.story["lines"]) if lot else [],
        cost=say_money(coins, household) if coins else "",
        packing_cost=say_money(to_pack, household) if to_pack is not None else "",
        cost_per_1000_kcal=say_money(coins / total.kcal * 1000, household) if coins and total.kcal else "",
        draws_in=draws_in(case),
        vacuum=_say_vacuum(ask, left) if left is not None else "",
    )


def _left_kpa(ask: Ask) -> float:
    """Pressure that the vacuum leaves: by its gauge, or what is usual for its pump."""
    return LEAVES_KPA[ask.pull] if ask.left_kpa is None else ask.left_kpa


def _say_vacuum(ask: Ask, left: float) -> str:
    """What the vacuum leaves, in words."""
    kpa = _left_kpa(ask)
    inches = (101.325 - kpa) / _KPA_PER_INHG
    return f"{kpa:g} kPa left, {inches:.0f} inches of mercury drawn: {left:.1%} oxygen"


def _is_waxed(ask: Ask, container: Container) -> bool:
    """Whether its cap is under wax, as only a bottle's is."""
    return ask.waxed and container.kind is Kind.BOTTLE


def _share_left(ask: Ask, household: Settings) -> float:
    """Share of oxygen that the vacuum leaves."""
    return share_left(_left_kpa(ask), pressure_kpa(household.altitude_m))


def _air_inside(
    ask: Ask, container: Container, full: Packed, household: Settings, place: Place, left: float | None
) -> AirInside:
    """The oxygen in one of them over the years, where it will stand; with what a vacuum left of it, if one did."""
    pressure = pressure_kpa(household.altitude_m)
    room = oxygen_share(temperature_c=household.room_c, humidity=household.humidity, pressure_kpa=pressure)
    share = room if left is None else left
    return air_inside(container, full, share=share, store_c=store_c(place), waxed=_is_waxed(ask, container))


def _damp_inside(
    ask: Ask,
    food: Food,
    container: Container,
    mass_g: float,
    moisture_pct: float,
    place: Place,
    gel_each_g: float,
) -> DampInside | None:
    """The damp in one of them over the years; none for what has no isotherm, or is too wet for any."""
    isotherm = isotherm_of(food)
    if isotherm is None or not 0 <= moisture_pct <= 60:
        return None
    check_range("horizon_years", ask.horizon_years, 0.1, 40, "years")
    standing = Standing(food, isotherm, container, mass_g, moisture_pct, place, ask.opened, _is_waxed(ask, container))
    return damp_inside(standing, ask.horizon_years, gel=ask.gel, gel_each_g=gel_each_g)


def _never(days: float | None) -> float:
    return math.inf if days is None else days


def _with_outer(finding: Finding, container: Container, full: Packed, count: int) -> Finding:
    """A finding; that which asks for an outer says which pails would do."""
    if finding.code != "no-outer":
        return finding
    food_ml = full.solid_ml + full.between_ml
    pails = [each for each in containers().values() if each.kind is Kind.PAIL]
    each_takes = {pail: goes_into(pail, container, food_ml, full.food_height_mm) for pail in pails}
    wanted = {pail: -(-count // takes) for pail, takes in each_takes.items() if takes}
    if not wanted:
        return replace(finding, figures="too big for a pail: a tote or a bin")
    pail, n = min(wanted.items(), key=lambda each: (each[1], each[0].capacity_ml))
    holds = "holds it" if count == 1 else f"hold{'s' if n == 1 else ''} {'both' if count == 2 else f'all {count}'}"
    return replace(finding, figures=f"{'one' if n == 1 else f'{n} ×'} {pail.name} {holds}")


def _short(stock: Stock, container: Container, count: int) -> list[Finding]:
    """Whether there are fewer containers in the house than this takes."""
    short = stock.short_of(Counter({container.key: count}))
    if not short:
        return []
    return [
        Finding(
            Severity.MIND,
            "supplies-short",
            f"This takes {'; '.join(short)}",
            "Buy more, take another size, or count them anew under Supplies.",
            "your supplies",
        )
    ]


def _verdict(found: list[Finding]) -> Verdict:
    found = gravest_first(found)
    worst = found[0].severity
    minds = sum(finding.severity is Severity.MIND for finding in found)
    if worst is Severity.STOP:
        return Verdict(worst, "Stop", f"{found[0].says}.", found)
    feel = next((f"{finding.says}." for finding in found if finding.code == "pull-down"), "")
    if minds == 1 and any(finding.code == "no-outer" for finding in found):
        return Verdict(worst, "Go", f"once it has a pail, tote or bin round it. {feel}".strip(), found)
    if worst is Severity.MIND:
        things = "one thing" if minds == 1 else f"{minds} things"
        return Verdict(worst, "Mind", f"{things} before you close it. {feel}".strip(), found)
    return Verdict(worst, "Go", feel or "Close it tight and keep it dry.", found)


def _say_fits(food: Food, container: Container, units: Units) -> str:
    space = volume_below_ml(container, container.headspace_mm)
    loose, settled = (
        say_mass(mass_that_fits_g(space, density), units) for density in (food.loose_g_ml, food.settled_g_ml)
    )
    return f"takes {loose} poured, {settled} shaken down, with {say_length(container.headspace_mm, units)} left free"
