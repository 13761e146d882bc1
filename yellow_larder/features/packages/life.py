"""How much of their life packages have used up, stretch by stretch, over many of them at once."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import replace
from datetime import date

import numpy as np
from numpy.typing import NDArray

from yellow_larder.core.arrays import Numbers
from yellow_larder.core.containers import Kind
from yellow_larder.core.keeping import Ageing, Estimate
from yellow_larder.features.catalog.containers import container_by_key
from yellow_larder.features.household.state import Place
from yellow_larder.features.packages.contained import Stretch
from yellow_larder.features.packages.state import Package, endless, row_of, stretches_of
from yellow_larder.journal.kinds import Row


def ageing_of(place: Place, q10: float) -> Ageing:
    """How food of a pace ages in a place."""
    return Ageing(mean_c=place.mean_c, swing_c=place.swing_c, q10=q10, warmest_month=place.warmest_month, log=place.log)


HOME_CANNED_DAYS = {Estimate.CAUTIOUS: 365.0, Estimate.CUSTOMARY: 365.0, Estimate.HOPEFUL: 548.0}
"""How long what is canned at home keeps, days. Source: a year, 18 months at the most (US extension, from memory)."""


def limit_days(package: Package, estimate: Estimate) -> float:
    """The most days from closing that no place stretches: what its maker printed, what canning at home allows.

    Infinite if nothing limits it, and once it is open.
    """
    if package.open_since is not None:
        return math.inf
    is_canned = container_by_key(package.container_key).kind is Kind.CANNED_JAR
    canned = HOME_CANNED_DAYS[estimate] if is_canned else math.inf
    printed = math.inf if package.printed_on is None else float(max(0, (package.printed_on - package.closed_on).days))
    return min(canned, printed)


def age_days(package: Package, on: date) -> int:
    """Days since a package was closed as it is; a clock that was set back makes nothing younger than new."""
    return max(0, (on - package.closed_on).days)


def life_used_in(place: Place, q10: float, since: Numbers, until: Numbers) -> Numbers:
    """Life that stretches in one place cost, days at 21 °C, over many packages at once."""
    # A clock that was set back ends a stretch before it began: that uses no life, and gives none back.
    return ageing_of(place, q10).used_days(since, np.maximum(since, until))


def pairs(
    place: NDArray[np.int64], q10: Numbers, places: dict[int, Place]
) -> Iterator[tuple[NDArray[np.bool_], Place, float]]:
    """Which stretches were spent in each place by food of each pace: there are few places and few paces."""
    for place_id in np.unique(place).tolist():
        there = place == place_id
        for pace in np.unique(q10[there]).tolist():
            yield there & (q10 == pace), places[place_id], pace


def cost_of(
    place: NDArray[np.int64], q10: Numbers, since: Numbers, until: Numbers, places: dict[int, Place]
) -> Numbers:
    """Life that stretches cost, days at 21 °C: one table of days for each place and pace, looked up by each stretch."""
    cost = np.zeros(len(q10))
    for there, climate, pace in pairs(place, q10, places):
        cost[there] = life_used_in(climate, pace, since[there], until[there])
    return cost


def stretch_costs(
    stretches: Sequence[Stretch], q10: float, estimate: Estimate, places: dict[int, Place]
) -> list[tuple[float, float]]:
    """What each stretch of one package cost: days at 21 °C, and as a share of its life."""
    place = np.array([each.place_id for each in stretches], dtype=np.int64)
    since, until = (np.array([float(getattr(each, name)) for each in stretches]) for name in ("since", "until"))
    cost = cost_of(place, np.full(len(stretches), q10), since, until, places)
    shares = cost / np.array([endless(each.days[estimate]) for each in stretches])
    return list(zip(cost.tolist(), shares.tolist(), strict=True))


def costs_in_all(
    row: Row, left: float, estimate: Estimate, places: dict[int, Place], today: date
) -> list[tuple[Stretch, float, float]]:
    """The stretches of one package with what each cost: days at 21 °C, and as a share of all its life.

    Where something else than age ends it first (oxygen, moisture, the most that cold can stretch), that took its part
    as well. What was lost until it was closed as it is stays with the stretches until then; what it lost since, with
    those since: in proportion to their ageing, or to their days where nothing aged. So what they cost and what is left
    make a whole.

    Args:
        row: the package.
        left: the share of its life that it has left.
        estimate: by whose word.
        places: the places.
        today: the day, if it is kept.
    """
    stretches = stretches_of(row, row["gone_on"] or today)
    costs = stretch_costs(stretches, row["q10"], estimate, places)
    days, shares = (np.array(each) for each in zip(*costs, strict=True))
    if shares.sum() < 1 - left:
        closed_so = np.array([each.since for each in stretches]) >= row["closed_on"].toordinal()
        before, since = (_weights(shares, days, which) for which in (~closed_so, closed_so))
        had = min(1.0, max(left, row[f"{estimate.value}_had"])) if before.any() else 1.0
        had = had if since.any() else left
        shares = (1 - had) * before + (had - left) * since
    return list(zip(stretches, days.tolist(), shares.tolist(), strict=True))


def _weights(shares: Numbers, days: Numbers, which: NDArray[np.bool_]) -> Numbers:
    """How some stretches share what they lost: as they aged, or as they lasted where nothing aged; 0 for the others."""
    by = np.where(which, shares if shares[which].any() else days, 0.0)
    return by / by.sum() if by.any() else by


def used_shares(package: Package, until: date, places: dict[int, Place]) -> dict[Estimate, float]:
    """The share of its life that a package has used up by a day, by estimate."""
    day = until.toordinal()
    so_far = [replace(each, until=min(each.until, day)) for each in stretches_of(row_of(package), until)]
    stretches = [each for each in so_far if each.since < each.until]
    return {
        estimate: sum(share for _, share in stretch_costs(stretches, package.q10, estimate, places))
        for estimate in Estimate
    }


def used_before(package: Package, places: dict[int, Place]) -> dict[Estimate, float]:
    """The share of its life that a package had used up when it was closed as it is; of most there was no before."""
    return used_shares(package, package.closed_on, places) if package.past else {}
