"""This week's list: what to buy for the sum there is, buying it, and the weeks until the goal."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from datetime import date

import numpy as np
from sqlalchemy import select
from sqlalchemy.orm import Session

from yellow_larder.core.arrays import Indices, Numbers
from yellow_larder.core.food import Food
from yellow_larder.core.planning.buying import (
    Offers,
    Purchase,
    best_purchase,
    least_coins,
    weeks_ahead,
    whole_meals,
)
from yellow_larder.features.catalog.events import NewFood
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.freezer.contents import frozen_g
from yellow_larder.features.freezer.events import Freezing
from yellow_larder.features.household.events import PersonKept, Settings
from yellow_larder.features.household.larder import Larder, settings
from yellow_larder.features.household.money import say_money
from yellow_larder.features.household.patience import still_wanted
from yellow_larder.features.lots.events import LotCame, Origin
from yellow_larder.features.lots.lots import CRUMBS_G
from yellow_larder.features.lots.state import Lot
from yellow_larder.features.planning.budget import BudgetView, budget_in, budget_view
from yellow_larder.features.planning.events import BudgetSet, GoalSet, MealKept, MeaningSaid
from yellow_larder.features.planning.goal import Wanted, wanted_in
from yellow_larder.features.planning.prices import newest_prices
from yellow_larder.features.planning.state import Price
from yellow_larder.journal import log
from yellow_larder.journal.database import reading, writing
from yellow_larder.words.dates import check_day, say_day
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.quantities import say_kcal, say_mass
from yellow_larder.words.tables import as_csv

MOST_PACKS = 1000


@dataclass(frozen=True, slots=True)
class ToBuy:
    """A line of the list."""

    price: int
    food: str
    name: str
    form: str
    colour: str
    packs: int
    pack: str
    mass: str
    line: str
    """As the bench takes it: "5 kg pearl barley"."""
    cost: str
    cost_each: str
    shop: str
    seen_on: str
    kcal_text: str


@dataclass(frozen=True, slots=True)
class Bought:
    """A lot that was bought and is not packed yet."""

    lot: int
    food: str
    name: str
    mass: str
    line: str
    cost: str
    came_on: str
    frozen: str
    """How much of it is in the freezer, or thawing closed; empty if nothing is."""
    all_frozen: bool


@dataclass(frozen=True, slots=True)
class ListView:
    """This week's list, and what it gains."""

    budget: BudgetView | None
    budget_version: int
    lines: list[ToBuy]
    cost: str
    left_over: str
    meals_now: int
    meals_then: int
    meals_wanted: int
    days_now: float
    days_then: float
    gains: list[str]
    proven: bool
    meals_at_most: int
    says: str
    bought: list[Bought]
    not_on_offer: list[str]


@dataclass(frozen=True, slots=True)
class WeekAhead:
    """How things stand after so many weeks at this pace."""

    week: int
    meals: int
    meals_share: float
    days: float
    days_share: float
    spent: str


@dataclass(frozen=True, slots=True)
class WeeksView:
    """The weeks until the goal at this pace, for the chart."""

    weeks: list[WeekAhead]
    meals_wanted: int
    days_wanted: float
    reached: bool
    weeks_needed: int | None
    cost_to_goal: str
    says: str


def week_list(larder: Larder) -> ListView:
    """What to buy this week, so that the household gains the most whole meals for its money."""
    with reading(larder.engine) as session:
        log.read_records(session, Settings, Freezing, NewFood, PersonKept, GoalSet, MealKept, MeaningSaid, BudgetSet)
        household = settings(session)
        budget, shown, wanted, rows, offers = _market(session, household, larder.today())
        lots = _bought(session, household)
        budget_version = log.version(session, "purse", 1)
    columns = {food.key: n for n, food in enumerate(wanted.foods)}
    coins = shown.at_hand_coins if shown else 0
    now = whole_meals(wanted.table)
    bought = best_purchase(wanted.table, offers, coins)
    then = wanted.table.here_g + np.bincount(
        offers.food, weights=bought.packs * offers.size_g, minlength=len(wanted.foods)
    )
    gap = wanted.table.gap_g
    on_offer = set(offers.food.tolist())
    return ListView(
        budget=shown,
        budget_version=budget_version,
        lines=[
            _to_buy(row, int(n), wanted, columns[row.food_key], household)
            for row, n in zip(rows, bought.packs, strict=True)
            if n
        ],
        cost=say_money(bought.coins, household),
        left_over=say_money(coins - bought.coins, household),
        meals_now=int(now.sum()),
        meals_then=max(int(now.sum()), int(bought.meals.sum())),
        meals_wanted=int(wanted.table.times.sum()),
        days_now=wanted.table.covered() * wanted.days,
        days_then=_covered(wanted, then) * wanted.days,
        gains=_gains(wanted, now, bought),
        proven=bought.proven,
        meals_at_most=bought.meals_at_most,
        says=_says(wanted, rows, bought, coins, budget, household),
        bought=lots,
        not_on_offer=[food.name for n, food in enumerate(wanted.foods) if gap[n] > 0 and n not in on_offer],
    )


def weeks(larder: Larder) -> WeeksView:
    """The weeks until the goal at the pace of the budget."""
    with reading(larder.engine) as session:
        household = settings(session)
        budget, shown, wanted, _, offers = _market(session, household, larder.today())
    if budget is None or shown is None or not budget.weekly_coins:
        raise Refused("weekly", "Say first what there is to spend in a week")
    table = wanted.table
    ahead = weeks_ahead(
        table, offers, first_coins=shown.at_hand_coins, weekly_coins=budget.weekly_coins, before_each=still_wanted
    )
    total = int(table.times.sum())
    covered = [_covered(wanted, each.here_g) for each in ahead]
    reached = ahead[-1].meals >= total and covered[-1] > 1 - 1e-6
    cost = least_coins(table.gap_g, offers)
    needed = ahead[-1].week if reached else None
    if not reached and math.isfinite(cost):
        needed = max(ahead[-1].week + 1, math.ceil(max(0.0, cost - shown.at_hand_coins) / budget.weekly_coins) + 1)
    return WeeksView(
        weeks=[
            WeekAhead(
                week=each.week,
                meals=each.meals,
                meals_share=each.meals / total if total else 1.0,
                days=share * wanted.days,
                days_share=share,
                spent=say_money(each.spent, household),
            )
            for each, share in zip(ahead, covered, strict=True)
        ],
        meals_wanted=total,
        days_wanted=wanted.days,
        reached=reached,
        weeks_needed=needed,
        cost_to_goal=say_money(cost, household) if math.isfinite(cost) else "",
        says=_say_weeks(ahead[-1].week, needed, reached),
    )


def buy(larder: Larder, price: int, packs: int, on: date | None = None) -> int:
    """A line of the list was bought: it is a lot in the cupboard from here on; returns its number."""
    if not 1 <= packs <= MOST_PACKS:
        raise Refused("packs", f"Between 1 and {MOST_PACKS} packs can be bought at once")
    day = check_day(on or larder.today(), larder.today(), "on")
    with writing(larder.engine) as session:
        row = session.get(Price, price)
        if row is None:
            raise NotThere("price", "That price is not there any more")
        foods = all_foods(session)
        number = log.next_number(session, "lot")
        mass_g, coins = row.pack_g * packs, row.coins * packs
        came = LotCame(row.food_key, mass_g, day, coins=coins, price=price)
        name = foods[row.food_key].name if row.food_key in foods else row.food_key
        title = log.title("lot.bought", mass_g=mass_g, name=name, coins=coins)
        log.record(session, title, [log.Act(number, came)], at=larder.clock())
    return number


def list_csv(larder: Larder) -> str:
    """This week's list as CSV."""
    lines = week_list(larder).lines
    rows = [[line.name, line.packs, line.pack, line.cost, line.shop, line.seen_on] for line in lines]
    return as_csv(["food", "packs", "pack", "cost", "shop", "price_seen_on"], rows)


def _bought(session: Session, household: Settings) -> list[Bought]:
    """Lots that were bought and are not packed yet, the newest first; what was made of them is under Drying."""
    foods = all_foods(session)
    bought = Lot.coins.is_not(None) & (Lot.made == Origin.BOUGHT) & (Lot.mass_g >= CRUMBS_G)
    rows = session.scalars(select(Lot).where(bought).order_by(Lot.came_on.desc(), Lot.id.desc()).limit(50))
    inside = frozen_g(session)
    known = [row for row in rows if row.food_key in foods]
    return [_bought_lot(row, foods[row.food_key], inside.get(row.id, 0.0), household) for row in known]


def _bought_lot(lot: Lot, food: Food, inside_g: float, household: Settings) -> Bought:
    mass = say_mass(lot.mass_g, household.units)
    return Bought(
        lot=lot.id,
        food=food.key,
        name=food.name,
        mass=mass,
        line=f"{mass} {food.name}",
        cost=say_money(lot.coins or 0, household),
        came_on=say_day(lot.came_on),
        frozen=say_mass(inside_g, household.units) if inside_g else "",
        all_frozen=inside_g > lot.mass_g - CRUMBS_G,
    )


def _market(
    session: Session, household: Settings, today: date
) -> tuple[BudgetSet | None, BudgetView | None, Wanted, list[Price], Offers]:
    """The budget, what is wanted, and the prices at which that can be bought, as rows and as the program takes them."""
    budget = budget_in(session)
    wanted = wanted_in(session, today)
    columns = {food.key: n for n, food in enumerate(wanted.foods)}
    rows = [row for row in newest_prices(session) if row.food_key in columns]
    offers = Offers(
        food=np.array([columns[row.food_key] for row in rows], dtype=np.int64),
        size_g=np.array([row.pack_g for row in rows], dtype=float),
        coins=np.array([row.coins for row in rows], dtype=float),
    )
    return budget, budget_view(session, budget, household, today) if budget else None, wanted, rows, offers


def _covered(wanted: Wanted, here_g: Numbers) -> float:
    return replace(wanted.table, here_g=here_g).covered()


def _to_buy(row: Price, packs: int, wanted: Wanted, column: int, household: Settings) -> ToBuy:
    food = wanted.foods[column]
    mass_g = row.pack_g * packs
    return ToBuy(
        price=row.id,
        food=food.key,
        name=food.name,
        form=food.form,
        colour=food.colour,
        packs=packs,
        pack=say_mass(row.pack_g, household.units),
        mass=say_mass(mass_g, household.units),
        line=f"{say_mass(mass_g, household.units)} {food.name}",
        cost=say_money(row.coins * packs, household),
        cost_each=say_money(row.coins, household),
        shop=row.shop,
        seen_on=say_day(row.seen_on),
        kcal_text=say_kcal(food.composition.kcal * mass_g / 100),
    )


def _gains(wanted: Wanted, now: Indices, bought: Purchase) -> list[str]:
    """Which meals a purchase makes whole, in words."""
    more = bought.meals - now
    return [f"{n} × {meal.name}" for meal, n in zip(wanted.meals, more.tolist(), strict=True) if n > 0]


def _says(
    wanted: Wanted, rows: list[Price], bought: Purchase, coins: int, budget: BudgetSet | None, household: Settings
) -> str:
    """Why the list is as short as it is, if it is."""
    gap = wanted.table.gap_g
    if not wanted.meals and not gap.any():
        return "Write a meal or keep the diary first: then there is something to buy for."
    if not gap.any():
        return "All that the goal asks for is here. Set a longer goal, or rest."
    if budget is None:
        return "Say what there is to spend in a week."
    if not rows:
        return "Write down a price or two: the list buys only what has been seen in a shop."
    if bought.coins:
        return ""
    useful = [row for row in rows if gap[[food.key for food in wanted.foods].index(row.food_key)] > 0]
    if not useful:
        return "None of what is missing has a price yet."
    least = min(row.coins for row in useful)
    if least > coins:
        more = math.ceil((least - coins) / budget.weekly_coins) if budget.weekly_coins else 0
        wait = f": wait {more} week{'s' if more > 1 else ''}, what is over is carried" if more else ""
        return f"The smallest pack that helps costs {say_money(least, household)}, more than there is{wait}."
    return "Nothing there is to buy would help."


def _say_weeks(last: int, needed: int | None, reached: bool) -> str:
    if reached:
        return "You are there." if not last else f"{last} week{'s' if last > 1 else ''} to the goal at this pace."
    if needed is None:
        return "Some of what is missing has no price yet, so the goal is out of reach for now."
    return f"About {needed} weeks to the goal at this pace."
