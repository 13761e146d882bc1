"""How much of their life many packages have used up: what is written of their stretches, and the one each is in."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Any

import numpy as np
from numpy.typing import NDArray

from yellow_larder.core.arrays import Numbers
from yellow_larder.core.keeping import Estimate, ageing_rate, share_used
from yellow_larder.features.household.state import Place
from yellow_larder.features.packages.contained import Stretch
from yellow_larder.features.packages.life import ageing_of, cost_of, pairs, stretch_costs
from yellow_larder.features.packages.state import endless
from yellow_larder.journal.events import from_json


@dataclass(frozen=True, slots=True)
class Ledgers:
    """How packages age, by an estimate, as columns: there may be tens of thousands.

    Attributes:
        pasts: their stretches before the one that each is in, as written down.
        place: where each stands.
        q10: their paces.
        since: the day the stretch that each is in began.
        until: today; of what is gone, its last day.
        estimate: by whose word.
        places: the places.
    """

    pasts: Sequence[list[dict[str, Any]] | None]
    place: NDArray[np.int64]
    q10: Numbers
    since: Numbers
    until: Numbers
    estimate: Estimate
    places: dict[int, Place]

    def only(self, which: NDArray[np.int64]) -> Ledgers:
        """Those of some of the packages, by index."""
        return replace(
            self,
            pasts=[self.pasts[n] for n in which.tolist()],
            place=self.place[which],
            q10=self.q10[which],
            since=self.since[which],
            until=self.until[which],
        )

    def used(self, base: Numbers) -> tuple[Numbers, Numbers]:
        """Life that each has used in all, days of the packing it has now; and for how many days none has been left.

        Args:
            base: life at 21 °C as each is closed now, days; infinite for what does not age.
        """
        spent, over = self._spent(), np.zeros(len(base))
        ages = np.isfinite(base)
        used = cost_of(self.place, self.q10, self.since, self.until, self.places)
        used += np.where(ages, spent * np.where(ages, base, 0.0), 0.0)
        if len(past := np.flatnonzero(used >= base)):
            over[past] = self.only(past)._days_over(spent[past], base[past])
        return used, over

    def rate(self) -> Numbers:
        """What a day costs each where it stands, in the mean of a year."""
        rate = np.ones(len(self.q10))
        for there, climate, pace in pairs(self.place, self.q10, self.places):
            rate[there] = ageing_rate(climate.mean_c, climate.swing_c, pace)
        return rate

    def _spent(self) -> Numbers:
        """The share of its life that each had used up before the stretch that it is in."""
        told = [(n, each) for n, past in enumerate(self.pasts) if past for each in past]
        if not told:
            return np.zeros(len(self.pasts))
        of = np.array([n for n, _ in told], dtype=np.int64)
        place = np.array([each["place_id"] for _, each in told], dtype=np.int64)
        since, until = (np.array([float(each[name]) for _, each in told]) for name in ("since", "until"))
        base = np.array([endless(each["days"][self.estimate.value]) for _, each in told])
        return share_used(of, cost_of(place, self.q10[of], since, until, self.places), base, packages=len(self.pasts))

    def _days_over(self, spent: Numbers, base: Numbers) -> Numbers:
        """How long ago the life of what has none left was used up, days: where it stood then, at that pace.

        Args:
            spent: the share of life that each had used up before the stretch that it is in.
            base: life at 21 °C as each is closed now, days.
        """
        place, since, until = self.place.copy(), self.since.copy(), self.until.copy()
        life = base * (1 - spent)
        for n in np.flatnonzero(spent >= 1).tolist():
            # It was over before it came here: so far as this a share was left, and in that stretch it went.
            stretches = [from_json(Stretch, each) for each in self.pasts[n] or ()]
            costs = stretch_costs(stretches, self.q10[n], self.estimate, self.places)
            left = 1.0
            for stretch, (_, share) in zip(stretches, costs, strict=True):
                if share >= left:
                    place[n], since[n], until[n] = stretch.place_id, stretch.since, stretch.until
                    life[n] = left * endless(stretch.days[self.estimate])
                    break
                left -= share
        ended = np.zeros(len(base))
        for there, climate, pace in pairs(place, self.q10, self.places):
            begins, ends = since[there], np.maximum(since, until)[there]
            ended[there] = ageing_of(climate, pace).used_up_on(begins, ends, life[there])
        return np.maximum(0.0, self.until - ended)
