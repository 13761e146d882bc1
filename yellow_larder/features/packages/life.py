"""How much of their life packages have used up, stretch by stretch, over many of them at once."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import replace
from datetime import date
from typing import Any

import numpy as np
from numpy.typing import NDArray

from yellow_larder.core.arrays import Numbers
from yellow_larder.core.containers import Kind
from yellow_larder.core.keeping import Ageing, Estimate, share_used
from yellow_larder.features.catalog.containers import container_by_key
from yellow_larder.features.household.state import Place
from yellow_larder.features.packages.contained import Stretch
from yellow_larder.features.packages.state import Package, endless, row_of, stretches_of
from yellow_larder.journal.events import from_json
from yellow_larder.journal.kinds import Row


def _ageing(place: Place, q10: float) -> Ageing:
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
    return _ageing(place, q10).used_days(since, np.maximum(since, until))


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


def spent_shares(
    pasts: Sequence[list[dict[str, Any]] | None], q10: Numbers, estimate: Estimate, places: dict[int, Place]
) -> Numbers:
    """The share of life that each package had used up before the stretch that it is in."""
    told = [(n, each) for n, past in enumerate(pasts) if past for each in past]
    if not told:
        return np.zeros(len(pasts))
    of = np.array([n for n, _ in told], dtype=np.int64)
    place = np.array([each["place_id"] for _, each in told], dtype=np.int64)
    since, until = (np.array([float(each[name]) for _, each in told]) for name in ("since", "until"))
    base = np.array([endless(each["days"][estimate.value]) for _, each in told])
    return share_used(of, cost_of(place, q10[of], since, until, places), base, packages=len(pasts))


def days_over(
    pasts: Sequence[list[dict[str, Any]] | None],
    now: tuple[NDArray[np.int64], Numbers, Numbers],
    q10: Numbers,
    spent: Numbers,
    base: Numbers,
    estimate: Estimate,
    places: dict[int, Place],
) -> Numbers:
    """How long ago the life of packages that have none left was used up, days: where they stood then, at that pace.

    Args:
        pasts: their stretches before the one that each is in, as written down.
        now: the stretch that each is in: its place, the day it began, and today.
        q10: their paces.
        spent: the share of life that each had used up before that stretch.
        base: life at 21 °C as each is closed now, days.
        estimate: by whose word.
        places: the places.
    """
    place, since, until = now[0].copy(), now[1].copy(), now[2].copy()
    life = base * (1 - spent)
    for n in np.flatnonzero(spent >= 1).tolist():
        # It was over before it came here: so far as this a share was left, and in that stretch it went.
        stretches = [from_json(Stretch, each) for each in pasts[n] or ()]
        left = 1.0
        for stretch, (_, share) in zip(stretches, stretch_costs(stretches, q10[n], estimate, places), strict=True):
            if share >= left:
                place[n], since[n], until[n] = stretch.place_id, stretch.since, stretch.until
                life[n] = left * endless(stretch.days[estimate])
                break
            left -= share
    ended = np.zeros(len(base))
    for there, climate, pace in pairs(place, q10, places):
        begins, ends = since[there], np.maximum(since, until)[there]
        ended[there] = _ageing(climate, pace).used_up_on(begins, ends, life[there])
    return np.maximum(0.0, now[2] - ended)


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
    as well: the stretches share it as they share the ageing, so that what they cost and what is left make a whole.

    Args:
        row: the package.
        left: the share of its life that it has left.
        estimate: by whose word.
        places: the places.
        today: the day, if it is kept.
    """
    stretches = stretches_of(row, row["gone_on"] or today)
    costs = stretch_costs(stretches, row["q10"], estimate, places)
    aged = sum(share for _, share in costs)
    more = (1 - left) / aged if 0 < aged < 1 - left else 1.0
    return [(each, days, share * more) for each, (days, share) in zip(stretches, costs, strict=True)]


def life_used(cost: Numbers, spent: Numbers, base: Numbers) -> Numbers:
    """Life used in all, days of the packing that packages have now.

    Args:
        cost: what the stretch that each is in cost, days at 21 °C.
        spent: the share of life that each had used up before.
        base: life at 21 °C as each is closed now, days; infinite for what does not age.
    """
    ages = np.isfinite(base)
    return cost + np.where(ages, spent * np.where(ages, base, 0.0), 0.0)


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
