"""What the kitchen diary adds up to. Everything runs over all uses at once."""

from __future__ import annotations

import numpy as np

from yellow_larder.core.arrays import Indices, Numbers


def totals_g(period: Indices, food: Indices, mass_g: Numbers, *, periods: int, foods: int) -> Numbers:
    """Weight of each food used in each period.

    Args:
        period: which period, say which month, each use fell in, from 0.
        food: which food it was, from 0.
        mass_g: how much of it, g.
        periods: how many periods there are.
        foods: how many foods there are.

    Returns:
        Grams, periods × foods.

    Example:
        >>> totals_g(np.array([0, 0, 1]), np.array([1, 1, 0]), np.array([50.0, 70.0, 5.0]), periods=2, foods=2)
        array([[  0., 120.],
               [  5.,   0.]])

    Source: addition.
    """
    flat: Numbers = np.bincount(period * foods + food, weights=mass_g, minlength=periods * foods).astype(np.float64)
    return flat.reshape(periods, foods)


def average_g(total_g: Numbers, days_kept: Indices) -> Numbers:
    """Weight of each food a day, over the days the diary was kept; days not kept say nothing.

    Args:
        total_g: grams, periods × foods.
        days_kept: days kept in each period.

    Returns:
        Grams a day, periods × foods; zero where no day was kept.

    Example:
        >>> average_g(np.array([[120.0], [0.0]]), np.array([4, 0]))
        array([[30.],
               [ 0.]])

    Source: arithmetic mean.
    """
    days = days_kept[:, np.newaxis]
    return np.divide(total_g, days, out=np.zeros_like(total_g), where=days > 0)
