"""From what is cooked to what must be in store. Arrays run over meals (rows) and foods (columns)."""

from __future__ import annotations

import numpy as np

from yellow_larder.core.arrays import Numbers
from yellow_larder.core.days import DAYS_PER_YEAR
from yellow_larder.core.errors import check_range

DAYS_PER_MONTH = DAYS_PER_YEAR / 12
"""A mean month of the Julian calendar."""


def occasions(per_month: Numbers, months: float) -> Numbers:
    """How often each meal is cooked over some months, to the whole occasion, never fewer.

    Args:
        per_month: times a month, each 0 or more.
        months: how many months, 0–240.

    Returns:
        Whole occasions, by meal.

    Raises:
        OutOfRange: the months are outside the range above.

    Example:
        >>> occasions(np.array([4.0, 8.0, 0.0]), 1.5)
        array([ 6., 12.,  0.])

    Source: proportion.
    """
    check_range("months", months, 0, 240, "months")
    # A hair of rounding must not ask for one more.
    return np.maximum(np.ceil(per_month * months - 1e-9), 0.0)


def need_g(recipe_g: Numbers, times: Numbers) -> Numbers:
    """What a menu asks for, by food: each meal taken apart into ingredients, and added up.

    Args:
        recipe_g: grams of each food in one cooking of each meal for the whole table, meals × foods.
        times: how often each meal is cooked.

    Returns:
        Grams, by food.

    Example:
        >>> need_g(np.array([[200.0, 0.0], [0.0, 90.0]]), np.array([4.0, 10.0]))
        array([800., 900.])

    Source: common practice: scale each meal to the household, multiply by how often it is cooked, add up.
    """
    total: Numbers = times @ recipe_g
    return total


def per_table_g(recipe_g: Numbers, serves: Numbers, people: float) -> Numbers:
    """Recipes written for so many people, scaled to the table that sits down to them.

    Args:
        recipe_g: grams of each food as written, meals × foods.
        serves: how many each recipe is written for, each above 0.
        people: how many sit at the table, 0–1,000; a guest of half the time is half of one.

    Returns:
        Grams of each food for the whole table, meals × foods.

    Raises:
        OutOfRange: the number of people is outside the range above.

    Example:
        >>> per_table_g(np.array([[400.0]]), np.array([4.0]), 10)
        array([[1000.]])

    Source: proportion.
    """
    check_range("people", people, 0, 1000, "people")
    scaled: Numbers = recipe_g * (people / serves)[:, np.newaxis]
    return scaled


def eaten_g(total_g: Numbers, days_kept: int, days: float) -> Numbers:
    """What a diary asks for: what was eaten on the days it was kept, stretched over the days ahead.

    Args:
        total_g: grams of each food over the days kept.
        days_kept: days that the diary was kept, 0 or more.
        days: days ahead, 0–7,305.

    Returns:
        Grams, by food; nothing from a diary not kept.

    Raises:
        OutOfRange: the days ahead are outside the range above.

    Example:
        >>> eaten_g(np.array([600.0]), 30, 91)
        array([1820.])

    Source: common practice: a month of kitchen diary is the honest average.
    """
    check_range("days", days, 0, 7305, "days")
    return total_g * (days / days_kept) if days_kept else np.zeros_like(total_g)


def gap_g(need: Numbers, here: Numbers) -> Numbers:
    """What is still missing, by food.

    Example:
        >>> gap_g(np.array([800.0, 900.0]), np.array([1000.0, 300.0]))
        array([  0., 600.])

    Source: subtraction; too much of one food does not make up for another.
    """
    return np.maximum(need - here, 0.0)
