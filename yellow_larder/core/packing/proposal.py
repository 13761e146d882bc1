"""Which containers: lots of food put into kinds of containers, several at once, for least cost."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
import scipy  # its parts are loaded when they are first used
from numpy.typing import NDArray

from yellow_larder.core.arrays import Indices, Numbers
from yellow_larder.core.errors import CoreError, check_range

GAP = 1e-4
"""How far from the optimum a proposal may be, as a share of its cost. Source: our judgement: a coin in ten thousand."""

_SECONDS = 4.0


class NothingFits(CoreError):
    """A lot goes into none of the containers offered, or there are too few of them."""


@dataclass(frozen=True, slots=True)
class Proposal:
    """Containers proposed.

    Attributes:
        counts: containers of each kind for each lot, a row for each lot.
        buy: containers to buy of each kind.
        cost: what it comes to, in the unit of the costs given.
        gap: how far from the optimum that may be, as a share.
    """

    counts: Indices
    buy: Indices
    cost: float
    gap: float


def propose(
    mass_g: Numbers,
    fits_g: Numbers,
    costs: Numbers,
    price: Numbers,
    stock: Numbers,
    buyable: NDArray[np.bool_],
    *,
    kind_cost: float = 0.0,
) -> Proposal:
    """The containers that take all lots for the least cost, no lot in more than two kinds of them.

    Args:
        mass_g: of each lot, g, above 0.
        fits_g: what of a lot fits into a container of a kind, g; 0 where it may not go in.
        costs: what a container of a kind costs with a lot in it, but for its price: its packets, the handling, what
            is lost because it keeps too short or stands open too long; 0 or more.
        price: of a container of each kind, 0 or more; those in stock are used up too, and count for half of it.
        stock: containers of each kind at hand.
        buyable: whether more of a kind can be bought.
        kind_cost: what each kind that a lot is put into costs: alike ones stack, and are filled without thinking.

    Returns:
        How many of each kind for each lot, and how many to buy.

    Raises:
        NothingFits: a lot cannot be put away.
        OutOfRange: a figure is below zero or not a number, or a lot weighs nothing.

    Example:
        Ten kilograms into bags of three at 60, or a pail of twelve at 500:

        >>> one = np.ones
        >>> found = propose(np.array([10e3]), np.array([[3e3, 12e3]]), np.zeros((1, 2)), np.array([60.0, 500.0]),
        ...                 np.zeros(2), np.array([True, True]))
        >>> found.counts.tolist(), found.buy.tolist(), found.cost
        ([[4, 0]], [4, 0], 240.0)

    Source: an integer program, solved to `GAP` (`scipy.optimize.milp`).
    """
    _check(mass_g, fits_g, costs, price, stock)
    check_range("kind_cost", kind_cost, 0, 1e9, "")
    kinds = len(price)
    if (fits_g.max(axis=1, initial=0) <= 0).any():
        raise NothingFits("a lot may go into none of the containers")
    ways = [
        _ways(float(mass), fits, each, price, stock, buyable, kind_cost)
        for mass, fits, each in zip(mass_g, fits_g, costs, strict=True)
    ]
    if any(not len(of_lot.counts) for of_lot in ways):
        raise NothingFits("there are too few containers for all of it")
    counts = np.concatenate([of_lot.counts for of_lot in ways])
    lot_of = np.repeat(np.arange(len(ways)), [len(of_lot.counts) for of_lot in ways])
    # One way for each lot; what is used beyond the stock is bought.
    each_once = np.hstack([(lot_of == np.arange(len(ways))[:, None]).astype(float), np.zeros((len(ways), kinds))])
    at_hand = np.hstack([counts.T.astype(float), -np.eye(kinds)])
    weigh = np.concatenate([*[of_lot.costs for of_lot in ways], price / 2])
    done = scipy.optimize.milp(
        weigh,
        constraints=[
            (each_once, 1, 1),
            (at_hand, -np.inf, stock),
        ],
        bounds=scipy.optimize.Bounds(0, np.concatenate([np.ones(len(counts)), np.where(buyable, np.inf, 0.0)])),
        integrality=np.ones(len(weigh), dtype=int),
        options={"mip_rel_gap": GAP, "time_limit": _SECONDS},
    )
    if done.x is None:
        raise NothingFits("there are too few containers for all of it")
    answer = np.round(done.x)
    chosen = np.flatnonzero(answer[: len(counts)])
    buy = answer[len(counts) :].astype(np.int64)
    return Proposal(counts[chosen], buy, float(weigh @ answer), float(done.mip_gap or 0.0))


@dataclass(frozen=True, slots=True)
class _Ways:
    """Ways to put a lot away: containers of each kind, a row for each way, and its cost while nothing is bought."""

    counts: Indices
    costs: Numbers


def _ways(
    mass_g: float,
    fits_g: Numbers,
    costs: Numbers,
    price: Numbers,
    stock: Numbers,
    buyable: NDArray[np.bool_],
    kind_cost: float,
) -> _Ways:
    """Every way to put a lot into one kind or two that could be the best, whatever the other lots take."""
    usable: list[int] = np.flatnonzero(fits_g > 0).tolist()
    most = np.ceil(mass_g / fits_g[usable] - 1e-9).astype(np.int64)
    # Into one kind, or some into a first and the rest into one of those that come after it.
    alone = np.zeros((len(usable), len(price)), np.int64)
    alone[np.arange(len(usable)), usable] = most
    found = [alone]
    for k, first in enumerate(usable):
        ones, seconds = np.arange(1, most[k]), np.array(usable[k + 1 :], np.int64)
        rest = np.ceil((mass_g - ones * fits_g[first]) / fits_g[seconds, None] - 1e-9).astype(np.int64)
        both = np.zeros((len(seconds), len(ones), len(price)), np.int64)
        both[:, :, first] = ones
        both[np.arange(len(seconds)), :, seconds] = np.maximum(rest, 1)
        found.append(both.reshape(-1, len(price)))
    counts = np.concatenate(found)
    if not buyable.all():
        counts = counts[(counts[:, ~buyable] <= stock[~buyable]).all(axis=1)]
    bare = counts @ (costs + price / 2) + (counts > 0).sum(axis=1) * kind_cost
    # At best as much as there is comes from stock; at worst all of it is bought, and that is always to be had.
    at_best = bare + np.maximum(counts - stock, 0) @ (price / 2)
    at_worst = bare + counts @ (price / 2)
    sure = (counts[:, ~buyable] == 0).all(axis=1)
    keep = at_best <= at_worst[sure].min(initial=np.inf) + 1e-9
    return _Ways(counts[keep], bare[keep])


def _check(mass_g: Numbers, fits_g: Numbers, costs: Numbers, price: Numbers, stock: Numbers) -> None:
    for name, figures, low in (
        ("mass_g", mass_g, 1e-3),
        ("fits_g", fits_g, 0.0),
        ("costs", costs, 0.0),
        ("price", price, 0.0),
        ("stock", stock, 0.0),
    ):
        for each in (np.min(figures, initial=np.inf), np.max(figures, initial=low)):
            check_range(name, float(min(each, 1e9)) if figures.size else low, low, 1e9, "")


def keeps_too_short(life_days: Numbers, wanted_days: Numbers) -> Numbers:
    """Share of a food's worth that is lost because it does not keep as long as it is wanted.

    Args:
        life_days: how long it keeps in a container, days; may be infinite.
        wanted_days: how long it is wanted, days, above 0.

    Returns:
        Share, 0–1.

    Example:
        >>> [float(each) for each in keeps_too_short(np.array([365.0, 3650.0, np.inf]), np.array([3650.0]))]
        [0.9, 0.0, 0.0]

    Source: eaten evenly over the time it is wanted for, what lies longer than it keeps is past its best: our judgement.
    """
    return np.clip(1 - life_days / wanted_days, 0, 1)


def stands_open_too_long(days_open: Numbers, best_days: float) -> Numbers:
    """Share of a food's worth that is lost because a container stands open for longer than is good.

    Args:
        days_open: how long the kitchen takes to empty one, days, 0 or more.
        best_days: how long it is good once open, days, above 0.

    Returns:
        Share, 0–¼.

    Example:
        >>> [float(each) for each in stands_open_too_long(np.array([20.0, 60.0, 900.0]), 30)]
        [0.0, 0.125, 0.25]

    Source: common practice: the smallest container the kitchen empties soon; the shares are our judgement.
    """
    return 0.25 * np.clip((days_open / best_days - 1) / 2, 0, 1)
