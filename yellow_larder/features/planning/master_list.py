"""The master list: what to store, what is here, what is missing, and how each food is best kept."""

from __future__ import annotations

from collections.abc import Collection
from dataclasses import dataclass

import numpy as np
from sqlalchemy import func, select
from sqlalchemy.orm import Session

from yellow_larder.core.food import Food
from yellow_larder.core.keeping import Estimate, ageing_rate
from yellow_larder.core.planning import best_kept, whole_meals
from yellow_larder.core.units import ML_PER_CUP
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.household.larder import COLD_SORTS, Larder, places_in_use, settings
from yellow_larder.features.household.people import Appetite, appetite
from yellow_larder.features.lots.lots import cupboard_g
from yellow_larder.features.packages.state import Package
from yellow_larder.features.planning.diary import ever_eaten
from yellow_larder.features.planning.events import FoodTried
from yellow_larder.features.planning.goal import Goal, Wanted, wanted_in
from yellow_larder.features.planning.state import DiaryDay
from yellow_larder.journal import log
from yellow_larder.journal.database import reading, writing
from yellow_larder.reference import DAYS_PER_YEAR, life_class, lives_of
from yellow_larder.words.errors import NotThere
from yellow_larder.words.quantities import Units, say_mass
from yellow_larder.words.tables import as_csv

_KEPT = {
    "shop packet": "in its packet, in a pail",
    "closed with air": "in a jar or pail, lid only",
    "vacuum": "in a jar under vacuum",
    "absorber in glass": "in a jar with an absorber",
    "absorber in foil or can": "in foil with an absorber",
}


@dataclass(frozen=True, slots=True)
class StoreRow:
    """A food of the master list.

    Attributes:
        food, name, form, colour: which it is, and how it is drawn.
        need_g, shelves_g, cupboard_g, gap_g: weights, g.
        need, here, gap: the same in the household's store measure.
        need_cups, gap_cups: in cups, poured.
        cupboard: what is in the cupboard, as it is typed.
        share: part of the need that is here, 0–1.
        kcal: energy of the need.
        kept: the packing of least trouble that keeps it long enough.
        keeps: how long that keeps it.
        ages: whether it ages at all.
        reaches: whether that is as long as wanted.
        new: whether this household never ate it, as far as the diary goes.
    """

    food: str
    name: str
    form: str
    colour: str
    need_g: float
    shelves_g: float
    cupboard_g: float
    gap_g: float
    need: str
    here: str
    gap: str
    need_cups: str
    gap_cups: str
    cupboard: str
    share: float
    kcal: float
    kept: str
    keeps: str
    ages: bool
    reaches: bool
    new: bool


@dataclass(frozen=True, slots=True)
class MealCover:
    """How often a meal is wanted, and how often it can be cooked from what is here."""

    number: int
    name: str
    kind: str
    wanted: int
    cooked: int


@dataclass(frozen=True, slots=True)
class StoreView:
    """The master list, and what it comes to."""

    goal: Goal
    goal_version: int
    days: int
    at_table: float
    rows: list[StoreRow]
    meals: list[MealCover]
    wanted_meals: int
    cooked_meals: int
    covered: float
    share_of_eating: float
    """Energy of what the goal asks for, against all that the household eats in that time."""
    gap_mass: str
    diary_days: int
    diary_ever: int


@dataclass(frozen=True, slots=True)
class InStore:
    """How much there is, and how long everything here would feed the household, whatever it is."""

    packages: int
    kcal: float
    days: float


def master_list(larder: Larder) -> StoreView:
    """What to store for the goal."""
    with reading(larder.engine) as session:
        household = settings(session)
        wanted = wanted_in(session, larder.today())
        rate = _coolest(session, {food.life for food in wanted.foods})
        goal_version = log.version(session, "goal", 1)
        eaten = ever_eaten(session)
        eating = appetite(session, larder.today().year)
        diary_ever = session.scalar(select(func.count()).select_from(DiaryDay)) or 0
    table = wanted.table
    cooked = whole_meals(table)
    rows = [
        _row(wanted, n, rate, household.estimate, household.units, new=diary_ever > 0 and food.key not in eaten)
        for n, food in enumerate(wanted.foods)
    ]
    covered = table.covered()
    gap = table.gap_g
    return StoreView(
        goal=wanted.goal,
        goal_version=goal_version,
        days=round(wanted.days),
        at_table=wanted.at_table,
        rows=sorted(rows, key=lambda row: -row.kcal),
        meals=[
            MealCover(meal.number, meal.name, meal.kind, int(times), int(can))
            for meal, times, can in zip(wanted.meals, table.times, cooked, strict=True)
        ],
        wanted_meals=int(table.times.sum()),
        cooked_meals=int(cooked.sum()),
        covered=covered,
        share_of_eating=float(table.need_g @ table.kcal_per_g) / (eating.kcal_day * wanted.days),
        gap_mass=say_mass(float(gap.sum()), household.units),
        diary_days=wanted.diary_days,
        diary_ever=diary_ever,
    )


_ON_SHELVES = select(func.count(), func.coalesce(func.sum(Package.kcal), 0.0)).where(Package.gone_on.is_(None))


def in_store(session: Session, eats: Appetite) -> InStore:
    """How long everything on the shelves and in the cupboard would feed the household."""
    packages, shelves = session.execute(_ON_SHELVES).one()
    cupboard, foods = cupboard_g(session), all_foods(session)
    kcal = shelves + sum(foods[key].composition.kcal * mass_g / 100 for key, mass_g in cupboard.items() if key in foods)
    return InStore(packages, kcal, kcal / eats.kcal_day)


def mark_tried(larder: Larder, food: str) -> None:
    """The household has tried a food and likes it: no more "try one first"."""
    with writing(larder.engine) as session:
        foods = all_foods(session)
        if food not in foods:
            raise NotThere("food", "That food is not in the table")
        number = log.next_number(session, "tried")
        act = log.Act(number, FoodTried(food))
        log.record(session, log.title("food.tried", name=foods[food].name), [act], at=larder.clock())


def master_csv(larder: Larder) -> str:
    """The master list as CSV, weights in grams."""
    head = ["food", "need_g", "on_shelves_g", "in_cupboard_g", "gap_g", "need_kcal", "best_kept", "keeps"]
    rows = []
    for row in master_list(larder).rows:
        grams = [round(mass, 1) for mass in (row.need_g, row.shelves_g, row.cupboard_g, row.gap_g)]
        rows.append([row.name, *grams, round(row.kcal), row.kept, row.keeps])
    return as_csv(head, rows)


def say_cups(mass_g: float, food: Food) -> str:
    """A weight in cups, poured, to the quarter below ten.

    Example:
        >>> from yellow_larder.reference import foods
        >>> say_cups(300, foods()["pearl-barley"]), say_cups(5000, foods()["pearl-barley"])
        ('1¾ cups', '27 cups')
    """
    cups = mass_g / food.loose_g_ml / ML_PER_CUP
    if cups >= 10:
        return f"{cups:,.0f} cups"
    whole, quarter = divmod(round(cups * 4), 4)
    if not whole and not quarter:
        return "less than ¼ cup" if mass_g else "0 cups"
    return f"{whole or ''}{('', '¼', '½', '¾')[quarter]} cup{'' if (whole, quarter) <= (1, 0) else 's'}"


def _row(wanted: Wanted, n: int, rate: dict[str, float], estimate: Estimate, units: Units, *, new: bool) -> StoreRow:
    food, table = wanted.foods[n], wanted.table
    need, gap = float(table.need_g[n]), float(table.gap_g[n])
    here = float(table.here_g[n])
    keeping = best_kept(
        food,
        lives_of(food.life),
        life_class(food.life).frozen,
        wanted_days=wanted.goal.keep_years * DAYS_PER_YEAR,
        rate=rate[food.life],
        estimate=estimate,
    )
    return StoreRow(
        food=food.key,
        name=food.name,
        form=food.form,
        colour=food.colour,
        need_g=need,
        shelves_g=float(wanted.shelves_g[n]),
        cupboard_g=float(wanted.cupboard_g[n]),
        gap_g=gap,
        need=say_mass(need, units),
        here=say_mass(here, units) if here else "none",
        gap=say_mass(gap, units) if gap else "",
        need_cups=say_cups(need, food),
        gap_cups=say_cups(gap, food) if gap else "",
        cupboard=say_mass(float(wanted.cupboard_g[n]), units) if wanted.cupboard_g[n] else "",
        share=min(1.0, here / need) if need else 1.0,
        kcal=need * float(table.kcal_per_g[n]),
        kept=_KEPT[keeping.packing.value],
        keeps=_say_years(keeping.days),
        ages=bool(np.isfinite(keeping.days)),
        reaches=keeping.reaches,
        new=new,
    )


def _coolest(session: Session, lives: Collection[str]) -> dict[str, float]:
    """Days of life used per day in the coolest store there is, by class of life: a freezer is no store for sacks."""
    places = places_in_use(session).values()
    stores = [place for place in places if place.sort not in COLD_SORTS] or list(places)
    return {
        life: min(ageing_rate(place.mean_c, place.swing_c, life_class(life).q10) for place in stores) for life in lives
    }


def _say_years(days: float) -> str:
    if np.isinf(days):
        return "keeps"
    years = days / DAYS_PER_YEAR
    return f"{years * 12:.0f} months" if years < 1.95 else f"{years:.0f} years"
