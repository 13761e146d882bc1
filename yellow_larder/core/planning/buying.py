"""What to buy for a sum of money: an integer program over the packs on offer.

Arrays run over meals (rows) and foods (columns), or over offers. Weights are grams, money is in the smallest
coin, so that sums are exact.
"""

from __future__ import annotations

import time
from collections.abc import Callable
from dataclasses import dataclass, replace

import numpy as np
import scipy  # its parts are loaded when they are first used

from yellow_larder.core.arrays import Indices, Numbers
from yellow_larder.core.errors import check_range
from yellow_larder.core.planning.menu import gap_g, need_g

_PARTS_BELOW_WHOLE = 0.99
"""All parts of meals together count for less than one whole meal: whole meals before half ones."""

_COIN = 1e-4
"""What the whole sum spent weighs against one whole meal: only enough to settle a tie."""

_NODES = 2000
"""Branches of the search for the least money for one food: three hundred at random, of up to eight packs, took one."""


@dataclass(frozen=True, slots=True)
class Table:
    """What the household wants to be able to cook, and what it has.

    Attributes:
        recipe_g: grams of each food in one cooking of each meal, meals × foods.
        times: how often each meal is wanted.
        here_g: grams of each food in store.
        kcal_per_g: energy of each food.
        extra_g: grams of each food wanted beside the meals, as the diary has it.
    """

    recipe_g: Numbers
    times: Numbers
    here_g: Numbers
    kcal_per_g: Numbers
    extra_g: Numbers | float = 0.0

    @property
    def need_g(self) -> Numbers:
        """What is wanted in all, by food, g."""
        return need_g(self.recipe_g, self.times) + self.extra_g

    @property
    def gap_g(self) -> Numbers:
        """What is still missing, by food, g."""
        return gap_g(self.need_g, self.here_g)

    def covered(self) -> float:
        """Share of the energy wanted that is here, 0–1; food beyond its own need covers nothing.

        Example:
            >>> table = Table(np.array([[100.0, 100.0]]), np.array([2.0]), np.array([900.0, 50.0]), np.ones(2))
            >>> table.covered()
            0.625
        """
        wanted = float(self.need_g @ self.kcal_per_g)
        missing = float(self.gap_g @ self.kcal_per_g)
        return 1 - missing / wanted if wanted else 1.0


@dataclass(frozen=True, slots=True)
class Offers:
    """Packs that can be bought.

    Attributes:
        food: which food each is, from 0.
        size_g: weight of each, g, above 0.
        coins: price of each in the smallest coin, above 0.
    """

    food: Indices
    size_g: Numbers
    coins: Numbers


@dataclass(frozen=True, slots=True)
class Purchase:
    """What to buy.

    Attributes:
        packs: how many of each offer.
        coins: what it costs.
        meals: how often each meal can then be cooked whole, from what is here and what is bought.
        meals_at_most: no purchase whatever allows more whole meals than this.
    """

    packs: Indices
    coins: int
    meals: Indices
    meals_at_most: int

    @property
    def proven(self) -> bool:
        """Whether it is proven that no purchase allows more whole meals."""
        return int(self.meals.sum()) >= self.meals_at_most


def best_purchase(table: Table, offers: Offers, coins: int, *, seconds: float = 0.8) -> Purchase:
    """The packs that let the household cook the most whole meals for its money.

    With as many whole meals, the most days of food towards those still wanting; with as many days, the least
    money. Packs are bought whole, and none beyond what fills its food's gap.

    Args:
        table: what is wanted, and what is here.
        offers: what can be bought.
        coins: the sum, in the smallest coin, 0–1,000,000,000.
        seconds: how long to search, 0.01–60; the best found by then is returned.

    Returns:
        What to buy, and how good that is at the worst.

    Raises:
        OutOfRange: the sum or the time is outside the range above.

    Example:
        Porridge takes 200 g of oats. A kilogram is 1.20, half a kilogram is 0.70; there are 3.00 to spend:

        >>> table = Table(np.array([[200.0]]), np.array([12.0]), np.array([0.0]), np.array([3.7]))
        >>> offers = Offers(np.array([0, 0]), np.array([1000.0, 500.0]), np.array([120.0, 70.0]))
        >>> bought = best_purchase(table, offers, 300)
        >>> bought.packs.tolist(), bought.coins, bought.meals.tolist(), bought.proven
        ([2, 0], 240, [10], True)

    Source: mixed-integer linear program, solved by HiGHS (Huangfu & Hall 2018) through `scipy.optimize.milp`.
    """
    check_range("coins", coins, 0, 1e9, "coins")
    check_range("seconds", seconds, 0.01, 60, "s")
    gap = table.gap_g
    most = np.floor(np.minimum(coins / offers.coins, np.ceil(gap[offers.food] / offers.size_g - 1e-9)))
    worth = np.flatnonzero(most > 0)
    nothing = Purchase(np.zeros(len(offers.food), dtype=np.int64), 0, *_meals_of(table))
    if not len(worth):
        return nothing
    found = _solve(table, gap, offers, worth, most[worth], coins, seconds)
    # A search cut short may not even have found what buying nothing gives.
    return nothing if found is None or found.meals.sum() < nothing.meals.sum() else found


def whole_meals(table: Table) -> Indices:
    """How often each meal can be cooked from what is here, the most whole meals over all.

    Example:
        Beans for six suppers, shared by two dishes of which one takes barley too:

        >>> recipes = np.array([[100.0, 0.0], [50.0, 80.0]])
        >>> whole_meals(Table(recipes, np.array([4.0, 4.0]), np.array([400.0, 240.0]), np.ones(2))).tolist()
        [2, 3]

    Source: see `best_purchase`, with nothing to buy.
    """
    return _meals_of(table)[0]


def _meals_of(table: Table) -> tuple[Indices, int]:
    meals = len(table.times)
    if not meals or not table.times.any():
        return np.zeros(meals, dtype=np.int64), 0
    stock = (scipy.sparse.csr_array(table.recipe_g.T / 1000), -np.inf, table.here_g / 1000 + 1e-9)
    result = scipy.optimize.milp(
        -np.ones(meals),
        constraints=stock,
        bounds=scipy.optimize.Bounds(0, table.times),
        integrality=np.ones(meals, dtype=int),
        options={"mip_rel_gap": 0.0, "time_limit": 0.5},
    )
    if result.x is None:
        return np.zeros(meals, dtype=np.int64), int(table.times.sum())
    cooked = np.round(result.x).astype(np.int64)
    return cooked, max(int(cooked.sum()), int(-result.mip_dual_bound + 1e-6))


def _solve(
    table: Table, gap: Numbers, offers: Offers, worth: Indices, most: Numbers, coins: int, seconds: float
) -> Purchase | None:
    """One program for all three aims, each weighing less than the least step of the one before."""
    meals, foods = table.recipe_g.shape
    packs = len(worth)
    sparse = scipy.sparse
    # Kilograms, so that the numbers in the program are of one size.
    bought = sparse.csr_array((offers.size_g[worth] / 1000, (offers.food[worth], np.arange(packs))), (foods, packs))
    cooked = sparse.csr_array(-table.recipe_g.T / 1000)
    towards = -sparse.eye_array(foods)
    spent = sparse.csr_array(np.concatenate([offers.coins[worth], np.zeros(meals + foods)])[np.newaxis])
    rows = sparse.vstack(
        [
            sparse.hstack([bought, cooked, sparse.csr_array((foods, foods))]),
            sparse.hstack([bought, sparse.csr_array((foods, meals)), towards]),
            spent,
        ],
        format="csr",
    )
    low = np.concatenate([-table.here_g / 1000 - 1e-9, np.zeros(foods), [-np.inf]])
    high = np.concatenate([np.full(2 * foods, np.inf), [coins]])
    energy = table.kcal_per_g * gap
    share = _PARTS_BELOW_WHOLE * table.kcal_per_g * 1000 / max(float(energy.sum()), 1e-9)
    result = scipy.optimize.milp(
        np.concatenate([_COIN * offers.coins[worth] / coins, -np.ones(meals), -share]),
        constraints=(rows, low, high),
        bounds=scipy.optimize.Bounds(0, np.concatenate([most, table.times, gap / 1000])),
        integrality=np.repeat([1, 0], [packs + meals, foods]),
        options={"mip_rel_gap": 1e-7, "time_limit": seconds},
    )
    if result.x is None:
        return None
    counts = np.zeros(len(offers.food), dtype=np.int64)
    counts[worth] = np.round(result.x[:packs]).astype(np.int64)
    whole = np.round(result.x[packs : packs + meals]).astype(np.int64)
    at_most = max(int(whole.sum()), int(np.floor(-result.mip_dual_bound + 1e-6)))
    return Purchase(counts, round(float(counts @ offers.coins)), whole, at_most)


def least_coins(gap: Numbers, offers: Offers) -> float:
    """The least money that fills every gap in whole packs; infinite if something is not on offer.

    Args:
        gap: grams still missing, by food.
        offers: what can be bought.

    Returns:
        The sum, in the smallest coin.

    Example:
        >>> offers = Offers(np.array([0, 0]), np.array([1000.0, 400.0]), np.array([100.0, 60.0]))
        >>> least_coins(np.array([1300.0]), offers)
        160.0

    Source: mixed-integer linear program, see `best_purchase`; one small one for each food.
    """
    total = 0.0
    for food in np.flatnonzero(gap > 0):
        of_food = np.flatnonzero(offers.food == food)
        if not len(of_food):
            return float("inf")
        coins, size = offers.coins[of_food], offers.size_g[of_food]
        # Bounded by work, not by time: the same gap costs the same on a slow machine.
        result = scipy.optimize.milp(
            coins,
            constraints=(size[np.newaxis] / 1000, gap[food] / 1000 - 1e-9, np.inf),
            integrality=np.ones(len(of_food), dtype=int),
            options={"mip_rel_gap": 1e-4, "node_limit": _NODES},
        )
        of_one_size = float((np.ceil(gap[food] / size - 1e-6) * coins).min())
        total += of_one_size if result.x is None else min(of_one_size, float(np.round(result.x) @ coins))
    return total


@dataclass(frozen=True, slots=True)
class Week:
    """How things stand after so many weeks of buying.

    Attributes:
        week: counted from 0, which is now, before anything is bought.
        meals: whole meals that can be cooked.
        here_g: grams of each food in store.
        spent: coins spent that week.
        left: coins left over for the next.
    """

    week: int
    meals: int
    here_g: Numbers
    spent: int
    left: int


def weeks_ahead(
    table: Table,
    offers: Offers,
    *,
    first_coins: int,
    weekly_coins: int,
    most_weeks: int = 60,
    seconds: float = 3.0,
    before_each: Callable[[], None] = lambda: None,
) -> list[Week]:
    """Buy the best for every week's sum until the goal is reached; what is not spent is carried over.

    Args:
        table: what is wanted, and what is here.
        offers: what can be bought, at prices that stay.
        first_coins: the sum at hand in the first week.
        weekly_coins: the sum that comes in every week after.
        most_weeks: stop after so many.
        seconds: stop when so long has been spent.
        before_each: is called before each week; what it raises ends the work.

    Returns:
        Week by week, the first being now. It ends at the goal, or when no time or nothing to buy is left.

    Raises:
        OutOfRange: see `best_purchase`.

    Source: see `best_purchase`, week after week.
    """
    ends = time.monotonic() + seconds
    here, coins = table.here_g, first_coins
    found = [Week(0, int(whole_meals(table).sum()), here, 0, first_coins)]
    for week in range(1, most_weeks + 1):
        before_each()
        now = replace(table, here_g=here)
        buyable = np.isin(np.arange(len(here)), offers.food)
        if not (now.gap_g[buyable] > 1e-6).any() or time.monotonic() > ends:
            break
        bought = best_purchase(now, offers, coins, seconds=0.4)
        here = here + np.bincount(offers.food, weights=bought.packs * offers.size_g, minlength=len(here))
        found.append(Week(week, int(bought.meals.sum()), here, bought.coins, coins - bought.coins))
        coins += weekly_coins - bought.coins
    return found
