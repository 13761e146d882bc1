"""Laws over all foods, containers, closings, places, moistures, openings and heights: a sample of them, or with
`make test-thorough` all."""

import itertools
import math
import os
import random
from collections.abc import Iterator
from dataclasses import dataclass, replace

import numpy as np
import pytest
from scipy.integrate import solve_ivp

from tests.support.by_group import by_group
from tests.support.packages import PANTRY, best, case
from yellow_larder import reference
from yellow_larder.core.air import NONE_LEFT, OXYGEN_SHARE_DRY, Wall, warmth
from yellow_larder.core.containers import Closing
from yellow_larder.core.finding import Severity
from yellow_larder.core.food import Food, Trait
from yellow_larder.core.keeping import (
    LITTLE_OXYGEN,
    LONGEST_DAYS,
    Climate,
    Course,
    Ends,
    Estimate,
    Packing,
    Way,
    ageing_rate,
    way_kept,
)
from yellow_larder.core.moisture import Spoils, gel_holds_pct
from yellow_larder.core.packing import Case, judge, moisture_line_pct, protections
from yellow_larder.reference.drying import isotherm_of, texture_of
from yellow_larder.reference.walls import walls_of

PLACES = {
    "pantry": Climate(18, 4, 0.5),
    "cellar": Climate(11, 4, 0.75),
    "wash house": Climate(16, 6, 0.88),
    "loft": Climate(17, 16, 0.55),
    "fridge": Climate(4, 1, 0.6),
    "freezer": Climate(-18, 2, 0.6),
    "desert": Climate(30, 8, 0.2),
}
MOISTURES = (-4.0, 0.0, 4.0, 12.0, 60.0)
"""So much more than the table's, %."""
OPENED = (0.0, 1 / 7, 1.0)
HEIGHTS = (0.0, 2500.0)
YEARS = (1.0, 10.0)
CONTAINERS = {key: each for key, each in reference.containers().items() if each.is_packed_into}


@dataclass(frozen=True)
class Corner:
    """One packing of the grid."""

    food: str
    container: str
    closing: Closing
    place: str
    more_pct: float
    opened: float
    altitude_m: float
    years: float

    def case(self, **change: object) -> Case:
        """Its case, or that of a like one."""
        water = reference.foods()[self.food].composition.water_g
        asked: dict[str, object] = {
            "moisture": min(max(water + self.more_pct, 0.1), 95.0),
            "years": self.years,
            "opened": self.opened,
            "climate": PLACES[self.place],
            "altitude_m": self.altitude_m,
        }
        return case(self.food, self.container, self.closing, **(asked | change))  # type: ignore[arg-type]


def corners(food: str) -> Iterator[Corner]:
    """Every container, closing and place; moistures, openings, heights and years take their turns."""
    rest = itertools.cycle(itertools.product(MOISTURES, OPENED, HEIGHTS, YEARS))
    for key, container in CONTAINERS.items():
        for closing, place in itertools.product(container.closings, PLACES):
            yield Corner(food, key, closing, place, *next(rest))


def looked_at(food: str, law: str) -> list[Corner]:
    """Where a law is tried on a food: each law at another corner, enough for every day with six hundred foods."""
    if os.environ.get("YELLOW_LARDER_TESTS") == "thorough":
        return list(corners(food))
    chance = random.Random(f"{law} of {food}")
    key = chance.choice(list(CONTAINERS))
    closing, place = chance.choice(CONTAINERS[key].closings), chance.choice(list(PLACES))
    more = [chance.choice(each) for each in (MOISTURES, OPENED, HEIGHTS, YEARS)]
    return [Corner(food, key, closing, place, *more)]


@pytest.mark.parametrize("group", by_group(reference.foods().values()))
def test_what_is_moist_is_stopped_without_air_and_what_is_perishable_anyhow(group: list[Food]) -> None:
    """Reckoned here from the isotherm alone. Source: the ten-per-cent line; 0.65 and 0.85 (ICMSF; FDA), from memory."""
    for corner in itertools.chain.from_iterable(looked_at(food.key, "moist") for food in group):
        of = corner.case()
        climate, moisture = PLACES[corner.place], of.moisture_pct
        isotherm = isotherm_of(of.food)
        warmest = climate.mean_c + climate.swing_c
        activity = 0.0
        if moisture > 60:
            activity = 1.0
        elif isotherm is not None:
            activity = float(isotherm.water_activity(np.array(moisture), warmest))
        else:
            activity = texture_of(of.food).dry_activity or 0.0
        stops = {each.code for each in judge(of) if each.severity is Severity.STOP}
        if corner.place == "freezer":
            assert not stops & {"too-wet", "absorber-with-moist", "vacuum-with-moist"}
            continue
        assert ("too-wet" in stops) is (activity > 0.85), corner
        moist = moisture > moisture_line_pct(of.food) or activity > 0.65 or Trait.STICKY in of.food.traits
        if moist and corner.closing is not Closing.LID:
            assert stops, corner


@pytest.mark.parametrize("group", by_group(reference.foods().values()))
def test_protections_say_what_the_curves_say(group: list[Food]) -> None:
    for corner in itertools.chain.from_iterable(looked_at(food.key, "protections") for food in group):
        of = corner.case()
        by = {each.threat: each for each in protections(of)}
        at = np.array([of.days])
        codes = {finding.code for finding in judge(of)}
        if by["damp"].closed and corner.place != "freezer":
            assert not codes & {"moisture-comes-in", "goes-soft", "already-moist", "too-wet", "moist-in-closed"}, corner
        if of.oxygen_harms and of.closing is not Closing.LID:
            share = float(of.course.oxygen(at)[0, 0])
            assert by["oxygen"].closed is (share <= NONE_LEFT * (1 + 1e-6) and of.oxygen_back_days > 0), corner
            if by["oxygen"].closed:
                assert not codes & {"never-without", "wall-breathes", "opened-too-often", "vacuum-goes"}, corner
        if of.course.moisture is not None and corner.place != "freezer":
            activity = float(of.course.moisture.after(at)[0, 0])
            texture = of.course.of.texture
            if by["damp"].closed and texture.spoils is not Spoils.MOULD:
                assert activity <= texture.limit + 5e-3, corner
            if by["damp"].closed:
                assert not of.is_lively, corner
        if by["damp"].by == "opened too often":
            assert of.course.of.opened_a_day > 0, corner
        if by["oxygen"].by == "opened too often":
            assert of.course.of.opened_a_day > 0, corner


@pytest.mark.parametrize("group", by_group(reference.foods().values()))
def test_the_best_by_is_the_least_of_what_can_end_it(group: list[Food]) -> None:
    """No later than the table's life at its warmth, than moisture shows, and than its class once the oxygen is back."""
    for corner in itertools.chain.from_iterable(looked_at(food.key, "least") for food in group):
        of = corner.case()
        life, lives = reference.life_classes()[of.food.life], reference.lives_of(of.food.life)
        rate = ageing_rate(of.course.of.climate.mean_c, of.course.of.climate.swing_c, life.q10)
        ends = best(of)
        assert ends.days <= LONGEST_DAYS or (ends.days, ends.ends) == (math.inf, Ends.NOTHING), corner
        ways = reference.ways_of(of.food.life)
        if ways:
            kept = ways[way_kept(of.course.of.climate.mean_c, of.closing, ways)]
            assert (ends.days, ends.ends) == (kept.customary, Ends.AGE), corner
            continue
        in_air = lives[Packing.SHOP if of.container.from_the_shop else Packing.AIR].customary
        cold = life.frozen.customary

        def at_the_most(base: float, rate: float = rate, cold: float = cold) -> float:
            return min(base / rate, max(base * 4 / 3, cold))

        assert ends.days <= at_the_most(max(each.customary for each in lives.values())) + 1e-6, corner
        if ends.days > at_the_most(in_air) + 1e-6:
            share = float(of.course.oxygen(np.array([ends.days * 0.999]))[0, 0])
            assert share <= LITTLE_OXYGEN + 1e-4, corner
            if ends.days > at_the_most(lives[Packing.VACUUM].customary) + 1e-6:
                assert share <= NONE_LEFT + 1e-4, corner
        if of.is_lively and corner.place != "freezer":
            assert ends.days < 365, corner
        if (
            of.course.moisture is not None
            and of.course.of.texture.spoils is not Spoils.MOULD
            and corner.place != "freezer"
        ):
            begins = float(of.course.moisture.start()[0])
            later = float(of.course.moisture.after(np.array([min(ends.days, 15_000) * 0.99]))[0, 0])
            assert ends.days == 0 or later <= of.course.of.texture.limit + 5e-3 or begins > 0.6, corner
        assert ends.days <= ends.most_days + 1e-6
        assert (ends.ends is Ends.NOTHING) is (ends.days == np.inf), corner
        order = [best(of, estimate).days for estimate in (Estimate.CAUTIOUS, Estimate.CUSTOMARY, Estimate.HOPEFUL)]
        assert order == sorted(order), corner


def leakier(of: Case, times: float) -> Case:
    def more(wall: Wall) -> Wall:
        return replace(wall, face_ml=wall.face_ml * times, closure_ml=wall.closure_ml * times)

    walls = of.course.of.walls
    oxygen = (more(walls.oxygen[0]), more(walls.oxygen[1]), more(walls.oxygen[2]))
    vapor = tuple(replace(each, face_g=each.face_g * times, closure_g=each.closure_g * times) for each in walls.vapor)
    return replace(of, course=Course(replace(of.course.of, walls=replace(walls, oxygen=oxygen, vapor=vapor))))


def with_void(of: Case, times: float) -> Case:
    return replace(of, course=Course(replace(of.course.of, void_ml=of.course.of.void_ml * times)))


@pytest.mark.parametrize("group", by_group(reference.foods().values()))
def test_nothing_bad_makes_a_longer_life(group: list[Food]) -> None:
    """More air, more openings, warmer, damper, moister, a leakier wall: never longer; more absorber: never shorter."""
    for corner in itertools.chain.from_iterable(looked_at(food.key, "bad") for food in group):
        of = corner.case()
        climate, days = PLACES[corner.place], best(of).days
        worse = {
            "warmer": corner.case(climate=replace(climate, mean_c=climate.mean_c + 3)),
            "swinging": corner.case(climate=replace(climate, swing_c=climate.swing_c + 3)),
            "damper": corner.case(climate=replace(climate, humidity=min(0.97, climate.humidity + 0.08))),
            "opened": corner.case(opened=corner.opened + 0.3),
            "moister": corner.case(moisture=min(96.0, of.moisture_pct + 1)),
            "leakier": leakier(of, 2),
            "more air": with_void(of, 1.2),
            "fewer packets": corner.case(packets=0.6),
            "weaker vacuum": corner.case(left_kpa=30),
        }
        ways = reference.ways_of(of.food.life)
        if ways and ways[Way.CELLAR].customary > ways[Way.FRIDGE].customary:
            # What is cured wants it dry and cool, not cold.
            del worse["warmer"]
        for what, than in worse.items():
            assert best(than).days <= days * (1 + 2e-3) + 0.01, (what, corner)


@pytest.mark.parametrize("group", by_group(reference.foods().values()))
@pytest.mark.parametrize("gel_g", [0.0, 20.0])
def test_what_is_carried_is_as_moist_as_it_was(group: list[Food], gel_g: float) -> None:
    """No water is lost or made on the way. In the warm the same water is a higher activity: the isotherm's own."""
    for corner in itertools.chain.from_iterable(looked_at(food.key, f"carried with {gel_g:.0f} g") for food in group):
        here = corner.case(gel_g=gel_g).course
        come_to, isotherm, comes_to_pct = here.comes_to(200), here.of.isotherm, here.moisture_after_pct(200)
        for climate in PLACES.values():
            there = Course(replace(here.of, climate=climate, come_to=come_to))
            assert there.moisture_after_pct(0) == comes_to_pct
            if there.moisture is None or isotherm is None:
                continue
            activity = there.moisture.start()
            moisture = isotherm.moisture_pct(activity, there.store_c)
            solids_g = here.of.mass_g * (1 - here.of.moisture_pct / 100)
            had_g = solids_g / (100 / come_to.moisture_pct - 1) + gel_g * come_to.gel_pct / 100
            has_g = solids_g / (100 / moisture - 1) + gel_g * gel_holds_pct(activity) / 100
            # Where the isotherm ends no activity tells of all that water.
            inner = (activity > 0.01) & (activity < 0.98) & (moisture < 59)
            # Where it is steepest, in what is perishable anyhow, the points between which it is read lie further apart.
            near = np.where(moisture < 45, 2e-3, 1e-2)
            assert (np.abs(has_g - had_g) <= near * had_g)[inner].all(), corner


def test_oats_out_of_the_freezer_are_no_drier_than_they_went_in() -> None:
    """A quarter in the frost is nearly a half in the warm, for the same water: the isotherm of oats says so."""
    frozen = case("rolled-oats", "bag-gallon", moisture=12, climate=PLACES["freezer"]).course
    thawed = Course(replace(frozen.of, climate=PANTRY, come_to=frozen.comes_to(300)))
    assert thawed.moisture_after_pct(1) == pytest.approx(12, abs=0.05)
    assert frozen.start_activity is not None
    assert thawed.start_activity is not None
    assert frozen.start_activity < 0.3 < 0.45 < thawed.start_activity


@pytest.mark.parametrize("food", ["pearl-barley", "hazelnuts", "fd-peas"])
@pytest.mark.parametrize("container", ["jar-quart", "pail-5-gallon", "bag-gallon", "clear-quart"])
@pytest.mark.parametrize(("opened", "altitude_m"), [(0.0, 0.0), (0.0, 2500.0), (1 / 7, 0.0)])
def test_oxygen_against_an_independent_solution(food: str, container: str, opened: float, altitude_m: float) -> None:
    """Moles of oxygen, stepped through time by scipy from the wall, the packets and the openings themselves."""
    of = case(food, container, opened=opened, altitude_m=altitude_m)
    package = of.course.of
    # Pressures in kPa, volumes in litres: pV = nRT with R in J/(mol·K).
    rt, kpa, litres = 8.314462618 * 293.15, package.room.pressure_kpa, package.void_ml / 1000
    per_ml = 101.325 / rt / 1000
    outside = OXYGEN_SHARE_DRY * kpa / rt * litres
    wall, stiff = package.walls.oxygen[0], CONTAINERS[container]
    if stiff.has_film:
        area = 2 * stiff.width_mm * (stiff.length_mm - stiff.seal_mm) / 1e6
    else:
        side = (
            np.pi * (stiff.top_mm + stiff.base_mm) / 2 * np.hypot(stiff.height_mm, (stiff.top_mm - stiff.base_mm) / 2)
        )
        area = (side + np.pi * (stiff.top_mm**2 + stiff.base_mm**2) / 4) / 1e6
    warm = warmth(wall.kj_mol, 23, package.climate.mean_c, package.climate.swing_c)
    comes = (wall.face_ml * area + wall.closure_ml) * kpa / 101.325 * OXYGEN_SHARE_DRY * per_ml * warm
    uptake = 1.4 ** ((20 if opened else of.course.store_c) / 10 - 2) / 0.35
    start = package.room.oxygen_share * kpa / rt * litres

    def change(_t: float, y: np.ndarray) -> list[float]:
        takes = uptake * y[0] if y[1] > 0 else 0.0
        return [comes * (1 - y[0] / outside) + opened * (outside - y[0]) - takes, -takes]

    days = np.geomspace(0.05, 400, 25)
    exact = {"rtol": 1e-7, "atol": 1e-10, "max_step": 0.5}
    found = solve_ivp(change, (0, days[-1]), [start, package.packed_ml * per_ml], t_eval=days, **exact)
    assert of.course.oxygen(days)[0] == pytest.approx(found.y[0] / outside * OXYGEN_SHARE_DRY, abs=6e-4)


def test_openings_spend_absorbers_and_vacuum() -> None:
    """Rice that is opened daily does not stay without oxygen for decades, nor does a vacuum outlive its first week."""
    shut, daily = (case("white-rice", "jar-half-gallon", opened=often) for often in (0.0, 1.0))
    assert shut.oxygen_back_days > 10 * 365
    assert daily.oxygen_back_days == 0
    vacuum = case("white-rice", "jar-half-gallon", Closing.VACUUM, opened=1.0)
    assert vacuum.course.little_oxygen_days < 3


@pytest.mark.parametrize("altitude_m", [0, 1000, 2000, 2500, 3000])
def test_packets_that_cover_the_oxygen_get_it_down_at_any_height(altitude_m: float) -> None:
    """Thin air holds less oxygen, and packets are asked for that much less: the jar does as well as by the sea."""
    jar = case("white-rice", "jar-half-gallon", altitude_m=altitude_m, years=10)
    codes = {finding.code for finding in judge(jar)}
    assert "packets-cover" in codes
    assert not codes & {"never-without", "wall-breathes", "not-freeze-killed"}
    assert jar.course.down_days < 3


def test_walls_let_through_more_when_it_is_warm() -> None:
    """Source: Arrhenius by hand: 35 kJ/mol from 23 to 33 °C is exp(35000/8.314·(1/296.15 − 1/306.15)) = 1.59."""
    assert warmth(35, 23, 33, 0) == pytest.approx(1.59, abs=0.01)
    cellar, loft = (case("pearl-barley", "pail-5-gallon", climate=PLACES[place]) for place in ("cellar", "loft"))
    assert cellar.oxygen_back_days > 1.2 * loft.oxygen_back_days


@pytest.mark.parametrize("thin", ["bag-quart-thin", "bag-gallon-thin"])
def test_thinner_film_lets_more_through(thin: str) -> None:
    """Source: Fick, by hand: 3.5 mil for 7 mil is twice as much oxygen and twice as much damp."""
    walls, thick = walls_of(CONTAINERS[thin]), walls_of(CONTAINERS[thin.removesuffix("-thin")])
    for each, of in zip(walls.oxygen, thick.oxygen, strict=True):
        assert (each.face_ml, each.closure_ml) == (pytest.approx(2 * of.face_ml), of.closure_ml)
    for vapor, of_thick in zip(walls.vapor, thick.vapor, strict=True):
        assert vapor.face_g == pytest.approx(2 * of_thick.face_g)
    for food in ("pearl-barley", "fd-peas", "hazelnuts"):
        assert best(case(food, thin)).days <= best(case(food, thin.removesuffix("-thin"))).days


@pytest.mark.parametrize(("place", "opened"), [("desert", 0.0), ("desert", 1.0), ("loft", 1 / 7)])
def test_brown_sugar_dries_out_by_the_water_that_leaves_it(place: str, opened: float) -> None:
    """Against steps of an hour: saturated air from Magnus' formula (WMO), openings that let all the air go."""
    climate = replace(PLACES[place], humidity=0.2)
    of = case("brown-sugar", "pouch-quart", Closing.LID, opened=opened, climate=climate)
    package, wall = of.course.of, of.course.of.walls.vapor[0]
    film = package.container
    area = 2 * film.width_mm * (film.length_mm - film.seal_mm) / 1e6
    tested_kpa = 0.9 * 0.61094 * np.exp(17.625 * 38 / (38 + 243.04))
    here = 0.61094 * np.exp(17.625 * climate.mean_c / (climate.mean_c + 243.04))
    warm = warmth(wall.kj_mol, 38, climate.mean_c, climate.swing_c)
    a_day = (wall.face_g * area + wall.closure_g) / tested_kpa * warm * here * (0.5 - 0.2)
    holds_ml = case("brown-sugar", "pouch-quart", Closing.LID).fill.food_ml / 0.8
    a_day += opened * holds_ml * here * (0.5 - 0.2) * 18.015 / (8.314462618 * (climate.mean_c + 273.15)) / 1000
    left_g, hours = package.mass_g * 0.007, 0
    while left_g > 0 and hours < 24 * 4000:
        left_g, hours = left_g - a_day / 24, hours + 1
    assert float(of.course.hard_days[0]) == pytest.approx(hours / 24, rel=0.15)
