"""The bench: planning how a lot of food is packed, in one go from what was typed to the verdict."""

from __future__ import annotations

import math
from collections import Counter
from dataclasses import dataclass, replace
from datetime import date, datetime, timedelta

import numpy as np
from sqlalchemy.orm import Session

from yellow_larder.core.absorbers import NoPacketFits, choose_packets
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
from yellow_larder.core.nutrition import nutrients, person_days
from yellow_larder.core.oxygen import (
    fill,
    mass_that_fits_g,
    need_by_air_ml,
    oxygen_ml,
)
from yellow_larder.core.packing_rules import draws_in
from yellow_larder.core.shelf_life import School, ageing_rate, days_left, packing_class
from yellow_larder.larder.air_inside import air_inside
from yellow_larder.larder.asking import (
    LEAVES_KPA,
    Ask,
    Sizing,
    find_place,
    read_container,
    read_food,
    share_out,
    usual_closing,
)
from yellow_larder.larder.damp_inside import Standing, damp_inside, store_c
from yellow_larder.larder.eaters import Appetite, appetite
from yellow_larder.larder.foods import all_foods
from yellow_larder.larder.freezedrying import open_moisture_pct
from yellow_larder.larder.larder import Larder, Settings, settings
from yellow_larder.larder.money import say_money
from yellow_larder.larder.plan import (
    AirInside,
    BestBy,
    DampInside,
    FoodOnBench,
    Packed,
    PacketsIn,
    Plan,
    SizingSchool,
    Verdict,
)
from yellow_larder.larder.quantities import Units, say_kcal, say_length, say_mass, say_temperature
from yellow_larder.larder.refusals import Refused, in_words
from yellow_larder.larder.schools import asks_ml
from yellow_larder.larder.vessels import drawing, say_container
from yellow_larder.larder.wording import say_best_by
from yellow_larder.reference import DAYS_PER_YEAR, BaseLife, life_classes, lives, packets
from yellow_larder.reference.drying import isotherm_of
from yellow_larder.store import journal
from yellow_larder.store.database import reading
from yellow_larder.store.models import Lot, Place

_KPA_PER_INHG = 3.386389
"""An inch of mercury, kPa. Source: NIST SP 811."""

_USUAL_GEL_G = 10.0
"""Gel in one packet, g. Source: common practice."""

_SCHOOL_NAMES = {
    Sizing.AIR: "By the air",
    Sizing.CONTAINER: "By container",
    Sizing.KIND: "By kind",
}


def plan(larder: Larder, ask: Ask) -> Plan:
    """Plan a packing.

    Raises:
        Refused: a field cannot be read or does not go together with the rest; nothing is saved.
    """
    with reading(larder.engine) as session:
        return plan_in(session, ask, now=larder.clock())


def plan_in(session: Session, ask: Ask, *, now: datetime, packed_on: date | None = None) -> Plan:
    """Plan a packing within a session, so that a packing sees the same larder as its plan."""
    today = packed_on or now.date()
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
            moisture = _moisture_of(session, lot, now) if ask.moisture is None else ask.moisture
            ask = replace(ask, frozen=ask.frozen or lot.frozen_on is not None, moisture=moisture)
        at_hand = _AtHand.of(session)
        return _plan(ask, food, amount_g, container, closing, place, household, eating, lot, coins, today, at_hand)
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
    at_hand: _AtHand,
) -> Plan:
    shares = share_out(ask, food, container, amount_g, household.units)
    packer = _Packer(ask, food, container, closing, household, eating)
    full = packer.pack(shares.each_g, shares.count)
    rest = packer.pack(shares.rest_g, 1) if shares.rest_g else None
    moisture = food.composition.water_g if ask.moisture is None else ask.moisture
    activity = _water_activity(food, moisture, place)
    left = _share_left(ask, household) if closing is Closing.VACUUM else None
    inside = _air_inside(ask, container, full, household, place, left) if closing is not Closing.LID else None
    filled = fill(container, food, shares.each_g, pressed=ask.pressed)
    damp = _damp_inside(ask, food, container, shares.each_g, moisture, place, at_hand.gel_each_g)
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
    to_pack = at_hand.to_pack(container, groups)
    best_by = _best_by(food, container, closing, place, household.school, today)
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
        count=shares.count + (1 if rest else 0),
        kcal=total.kcal,
        kcal_text=say_kcal(total.kcal),
        person_days=days,
        household_days=days / eating.people,
        packets_in_all=_packets_in_all(groups),
        schools=packer.schools(full) if closing is Closing.ABSORBER else [],
        air=inside,
        damp=damp,
        verdict=_verdict([*judge(case), *_keeps_too_short(ask, best_by, today)]),
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


def _moisture_of(session: Session, lot: Lot, now: datetime) -> float | None:
    """Moisture by a lot's record, and by how long it has lain open since; none if it has no record of it."""
    if lot.made != "freeze-dried":
        return lot.moisture_pct
    by_now = open_moisture_pct(session, lot.id, now)
    return lot.moisture_pct if by_now is None else max(by_now, lot.moisture_pct or 0.0)


def _water_activity(food: Food, moisture_pct: float, place: Place) -> float | None:
    """Water activity where it will stand, at its warmest; none for sugar and salt, and beyond what isotherms tell."""
    isotherm = isotherm_of(food)
    warmest = place.mean_c + place.swing_c
    if isotherm is None or not 0 <= moisture_pct <= 60 or not -20 <= warmest <= 70:
        return None
    return float(isotherm.water_activity(np.array(moisture_pct), warmest))


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


@dataclass(frozen=True, slots=True)
class _AtHand:
    """What the supplies say to the plan: what things cost, and how much gel is in a packet, g."""

    coins: dict[str, float]
    gel_each_g: float

    @staticmethod
    def of(session: Session) -> _AtHand:
        """As the supplies have it now."""
        supplies = journal.records(session, "supply").values()
        priced = [facts for facts in supplies if facts.get("coins") and facts["sort"] != "desiccant"]
        paid = {facts["key"]: facts["coins"] / facts["per_pack"] for facts in priced}
        gel = [float(facts["key"]) for facts in supplies if facts["sort"] == "desiccant"]
        return _AtHand(paid, min(gel, default=_USUAL_GEL_G))

    def to_pack(self, container: Container, groups: list[Packed]) -> float | None:
        """What containers and packets cost together; none if the price of one of them is not written down."""
        wanted: Counter[str] = Counter()
        for group in groups:
            wanted[container.key] += group.count
            for packet in group.packets:
                wanted[str(packet.size_ml)] += packet.count * group.count
        if any(key not in self.coins for key in wanted):
            return None
        return sum(self.coins[key] * n for key, n in wanted.items())


def _never(days: float | None) -> float:
    return math.inf if days is None else days


def oxygen_in_room_ml(void_ml: float, household: Settings) -> float:
    """Oxygen in so much of the household's air, mL at the state packets are rated in."""
    return oxygen_ml(
        void_ml,
        pressure_kpa=pressure_kpa(household.altitude_m),
        temperature_c=household.room_c,
        humidity=household.humidity,
    )


def is_unproven(lot: Lot | None) -> bool:
    """Whether it was dried here, and no jar has proved it dry."""
    return lot is not None and lot.wants_conditioning and lot.conditioned_on is None


def lot_of(session: Session, number: int | None, food: Food) -> Lot | None:
    """The lot that a food comes from; none if it is of no lot, or of another food's."""
    lot = session.get(Lot, number) if number is not None else None
    return lot if lot is not None and lot.food_key == food.key else None


@dataclass(frozen=True, slots=True)
class _Packer:
    """Packs one container of what is on the bench."""

    ask: Ask
    food: Food
    container: Container
    closing: Closing
    household: Settings
    eating: Appetite

    def pack(self, mass_g: float, count: int) -> Packed:
        """One of so many containers alike, with its packets."""
        filled = fill(self.container, self.food, mass_g, pressed=self.ask.pressed)
        oxygen = oxygen_in_room_ml(filled.void_ml, self.household)
        need = asks_ml(self.ask.sizing, self.food, self.container, oxygen) if self.closing is Closing.ABSORBER else 0.0
        chosen = self.choose(need)
        inside = nutrients(self.food.composition, mass_g)
        return Packed(
            count=count,
            mass_g=mass_g,
            mass=say_mass(mass_g, self.household.units),
            headspace_mm=filled.headspace_mm,
            headspace=say_length(filled.headspace_mm, self.household.units),
            food_height_mm=self.container.inner_height_mm - filled.headspace_mm,
            solid_ml=filled.solid_ml,
            between_ml=filled.between_ml,
            headspace_ml=filled.headspace_ml,
            void_ml=filled.void_ml,
            oxygen_ml=oxygen,
            need_ml=need,
            packed_ml=sum(size * n for size, n in chosen.items()),
            packets=[
                PacketsIn(size, n, packets()[size].width_mm, packets()[size].length_mm) for size, n in chosen.items()
            ],
            kcal=inside.kcal,
            kcal_text=say_kcal(inside.kcal),
            person_days=person_days(inside.kcal, self.eating.kcal_per_person_day),
            nutrients=inside,
        )

    def choose(self, need_ml: float) -> dict[int, int]:
        """Whole packets of those the household keeps."""
        try:
            return choose_packets(round(need_ml, 3), self.household.packet_sizes)
        except NoPacketFits as error:
            raise Refused("container", f"The packets you keep are too small: {error}") from error

    def schools(self, full: Packed) -> list[SizingSchool]:
        """What each school would put in, against the oxygen that is there."""
        found = []
        for sizing, name in _SCHOOL_NAMES.items():
            asks = asks_ml(sizing, self.food, self.container, full.oxygen_ml)
            chosen = self.choose(asks)
            packed = sum(size * n for size, n in chosen.items())
            spare = packed - full.oxygen_ml
            judged = f"{spare:,.0f} mL to spare" if spare >= 0 else f"short by {-spare:,.0f} mL"
            found.append(SizingSchool(sizing, name, asks, packed, _say_packets(chosen), judged, spare >= 0))
        return found


def _say_packets(chosen: dict[int, int]) -> str:
    return " + ".join(f"{n} × {size}" if n > 1 else f"{size}" for size, n in chosen.items()) + " mL"


def _packets_in_all(packed: list[Packed]) -> str:
    in_all: dict[int, int] = {}
    for group in packed:
        for packet in group.packets:
            in_all[packet.size_ml] = in_all.get(packet.size_ml, 0) + packet.count * group.count
    said = ", ".join(f"{n} × {size}" for size, n in sorted(in_all.items(), reverse=True))
    return f"packets: {said} mL" if said else "no packets"


def base_life(food: Food, container: Container, closing: Closing) -> BaseLife:
    """Days the food keeps at 21 °C in this packing, by three schools."""
    return lives()[food.life, packing_class(container, closing)]


def life_days(food: Food, container: Container, closing: Closing, place: Place) -> dict[School, float]:
    """Days the food keeps in this packing where it will stand, by three schools; infinite where it does not age."""
    days = base_life(food, container, closing).days
    rate = ageing_rate(place.mean_c, place.swing_c, life_classes()[food.life].q10)
    base = np.array([days.by(each) for each in School])
    left = days_left(base, np.zeros(3), np.full(3, rate), np.zeros(3))
    return dict(zip(School, left.tolist(), strict=True))


def _best_by(food: Food, container: Container, closing: Closing, place: Place, school: School, today: date) -> BestBy:
    lives_days = life_days(food, container, closing, place)
    dates = [None if math.isinf(n) else today + timedelta(days=n) for n in lives_days.values()]
    cautious, _, hopeful = dates
    chosen = dates[list(School).index(school)]
    if cautious is None or hopeful is None:
        return BestBy(None, None, None, say_best_by(None), "does not age while it is dry")
    return BestBy(chosen, cautious, hopeful, say_best_by(chosen), f"{cautious.year} cautious, {hopeful.year} hopeful")


def _keeps_too_short(ask: Ask, best_by: BestBy, today: date) -> list[Finding]:
    """Whether it is wanted for longer than it keeps."""
    if best_by.chosen is None or (best_by.chosen - today).days >= ask.horizon_years * DAYS_PER_YEAR:
        return []
    return [
        Finding(
            Severity.MIND,
            "keeps-too-short",
            f"Wanted for {ask.horizon_years:g} years, but best by {best_by.text}",
            "Better packing, a cooler place or a food that keeps longer would stretch it. "
            f"The schools differ: {best_by.band}.",
            "table of lives, see the Guide",
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
