"""What goes on in one closed package over the years: its oxygen and moisture, worked out once, and read by all else."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from yellow_larder.core.air import (
    Breathing,
    at_rating_state,
    ingress_ml_day,
    kills_within_days,
    saturated_vapor_g_ml,
    saturation_kpa,
    wall_m2,
)
from yellow_larder.core.arrays import Numbers
from yellow_larder.core.containers import closed_volume_ml
from yellow_larder.core.days import DAYS_PER_YEAR
from yellow_larder.core.keeping.package import ComeTo, Package
from yellow_larder.core.moisture import (
    MOULD_GROWS,
    MoistureBalance,
    aired_ml,
    gel_holds_pct,
    mould_days_at,
)

LITTLE_OXYGEN = 0.105
"""Share of oxygen up to which a package keeps as a vacuum does: half of the room's. Source: our judgement."""


VOID_WHEN_FULL = 0.4
"""Share of a full container that is air between the pieces. Source: voids of grain, 0.38–0.45 (ASABE D241, from
memory)."""


_LONG_RUN = np.concatenate([[0.0], np.geomspace(0.5, 40 * DAYS_PER_YEAR, 120)])


_WETTEST = 0.985
"""Water activity above which no isotherm tells anything. Source: where the tables end that they were fitted to."""

MOST_MOISTURE_PCT = 60.0
"""Moisture above which no isotherm tells anything: it is as wet as fresh food."""


@dataclass(frozen=True)
class Course:
    """What becomes of a package. Rows are the middle of what its wall lets through, the tightest and the leakiest.

    Attributes:
        of: the package.
    """

    of: Package

    @cached_property
    def air(self) -> Breathing:
        """Its oxygen; of a package closed with room air there is nothing to work out but that."""
        of = self.of
        share = of.room.oxygen_share if of.vacuum_share is None else of.vacuum_share
        rated = at_rating_state(1.0, temperature_c=of.room.temperature_c, pressure_kpa=of.room.pressure_kpa)
        climate, pressure = of.climate, of.room.pressure_kpa
        ingress = [
            [ingress_ml_day(of.container, wall, mean_c=climate.mean_c, swing_c=climate.swing_c, pressure_kpa=pressure)]
            for wall in of.walls.oxygen
        ]
        begins, packets = np.array(share), np.array(of.packed_ml)
        if of.come_to is not None:
            begins, packets = of.come_to.oxygen[:, None], of.come_to.packets_ml[:, None]
        return Breathing(
            np.array(max(self._breathes_ml, 1.0) * rated),
            begins,
            packets,
            np.array(ingress),
            self.store_c,
            of.opened_a_day,
        )

    @property
    def _breathes_ml(self) -> float:
        """The air that what comes in is counted against, mL.

        Of a vacuum that of a full one: with little in it, a vacuum fills more slowly, but nobody should be told to
        leave it half empty. Source: our judgement.
        """
        of = self.of
        return of.void_ml if of.vacuum_share is None else VOID_WHEN_FULL * closed_volume_ml(of.container)

    @property
    def store_c(self) -> float:
        """The mean of the place, °C, within what the sums hold for."""
        return min(max(self.of.climate.mean_c, -20.0), 50.0)

    def oxygen(self, days: Numbers) -> Numbers:
        """Share of oxygen after some days, 0–0.21: a row for each wall."""
        return self.air.oxygen_share(days)

    @cached_property
    def down_days(self) -> float:
        """Days until oxygen is down to one per cent, by the middle wall; infinite if it never is."""
        return float(self.air.down_days()[0, 0])

    @cached_property
    def oxygen_back_days(self) -> Numbers:
        """Days until oxygen is back above one per cent, by wall; 0 if it never gets so low, infinite if it stays."""
        return self.air.holds_days()[:, 0]

    @cached_property
    def little_oxygen_back_days(self) -> Numbers:
        """Days until half of the room's oxygen is back, by wall; 0 if there is more from the start."""
        return self.air.holds_days(LITTLE_OXYGEN)[:, 0]

    @property
    def little_oxygen_days(self) -> float:
        """The same by the middle wall."""
        return float(self.little_oxygen_back_days[0])

    @cached_property
    def kills_in_days(self) -> float:
        """Days until insects that came with the food have died for want of oxygen; infinite if they do not."""
        return kills_within_days(self.air, self.store_c)

    @cached_property
    def start_activity(self) -> float | None:
        """Water activity of the food with its gel, at the mean of the place; none where nothing tells."""
        return None if self.moisture is None else float(self.moisture.start()[0])

    @cached_property
    def warmest_activity(self) -> float | None:
        """Water activity of the food alone at the warmest of the place: what decides what can grow.

        1 for what is wetter than any isotherm covers; none for what has no isotherm and no figure of its own.
        """
        of = self.of
        if of.moisture_pct > MOST_MOISTURE_PCT:
            return 1.0
        if of.isotherm is None:
            return of.texture.dry_activity
        warmest = min(max(of.climate.warmest_c, -20.0), 70.0)
        return float(of.isotherm.water_activity(np.array(of.moisture_pct), warmest))

    @cached_property
    def bare_activity(self) -> float | None:
        """Water activity of the food alone at the mean of the place; none where nothing tells."""
        of = self.of
        if of.isotherm is None or of.moisture_pct > MOST_MOISTURE_PCT:
            return self.warmest_activity
        return float(of.isotherm.water_activity(np.array(of.moisture_pct), self.store_c))

    @cached_property
    def moisture(self) -> MoistureBalance | None:
        """Its moisture; none for what has no isotherm, or is too wet for any."""
        return self.moisture_with(self.of.gel_g)

    @cached_property
    def long_run(self) -> tuple[Numbers, Numbers]:
        """Days up to forty years, denser at first, and its water activity on them: a row for each wall."""
        return _LONG_RUN, np.ones((3, len(_LONG_RUN))) if self.moisture is None else self.moisture.after(_LONG_RUN)

    @cached_property
    def mould_seen_days(self) -> Numbers:
        """Days until mould may be seen, by wall, as moist as it is on the way and at its warmest; infinite if never.

        Source: the share of its time that mould has had at each water activity on the way, added up: `mould_days_at`.
        """
        if self.moisture is None:
            sodden = self.of.moisture_pct > MOST_MOISTURE_PCT
            return np.full(3, mould_days_at(np.array(1.0)) if sodden else math.inf)
        days, activity = self.long_run
        activity = activity + self._warmer
        pace = np.where(activity > MOULD_GROWS, 1 / mould_days_at(activity), 0.0)
        had = np.cumsum((pace[:, 1:] + pace[:, :-1]) / 2 * np.diff(days), axis=1)
        seen = np.array([math.inf if each[-1] < 1 else np.interp(1.0, [0.0, *each], days) for each in had])
        warmest = self.warmest_activity
        if warmest is None or warmest <= MOULD_GROWS:
            return seen
        # What is moist when it is closed is not saved by gel, which takes weeks to draw it down.
        return np.asarray(np.minimum(seen, mould_days_at(np.array(warmest))))

    def moisture_after_pct(self, days: float) -> float:
        """Its moisture after some days by the middle wall, wet basis, %: what it takes along when it is opened.

        What has no isotherm, is wetter than its isotherm tells of, or stays as its maker closed it, stays as it was.

        Args:
            days: days since it was closed, 0 or more.

        Source: `MoistureBalance`.
        """
        return float(self._holds_pct(days)[0][0])

    def comes_to(self, days: float) -> ComeTo:
        """What it has come to after some days, to go on from elsewhere.

        Args:
            days: days since it was closed, 0 or more.

        Source: `Breathing`, `MoistureBalance`.
        """
        at = np.array([days])
        packets = np.broadcast_to(self.air.packets_left_ml(at), (3, 1))[:, 0]
        return ComeTo(np.clip(self.oxygen(at)[:, 0], 0.0, 0.21), packets, *self._holds_pct(days))

    def _holds_pct(self, days: float) -> tuple[Numbers, Numbers]:
        """What the food and its gel hold after some days, by wall, as `Package.begins_pct`."""
        of, (moisture, gel) = self.of, self.of.begins_pct
        if self.moisture is None or of.isotherm is None or of.is_as_it_was_made or days <= 0:
            return moisture, gel
        activity = self.moisture.after(np.array([days]))[:, 0]
        wettest = of.isotherm.moisture_pct(np.array(_WETTEST), self.store_c)
        found = of.isotherm.moisture_pct(np.minimum(activity, _WETTEST), self.store_c)
        return np.where(moisture >= wettest, moisture, found), gel_holds_pct(activity)

    @property
    def _warmer(self) -> float:
        """How much higher its water activity is at the warmest than at the mean of its place, when it is closed."""
        at_mean, warmest = self.bare_activity, self.warmest_activity
        return 0.0 if at_mean is None or warmest is None else max(0.0, warmest - at_mean)

    def moisture_with(self, gel_g: float, *, opened_a_day: float | None = None) -> MoistureBalance | None:
        """Its moisture with other gel in it, or opened more or less often; by wall."""
        of = self.of
        if of.isotherm is None or not 0 <= of.moisture_pct <= MOST_MOISTURE_PCT:
            return None
        often = of.opened_a_day if opened_a_day is None else opened_a_day
        moisture, gel = of.begins_pct
        return MoistureBalance(
            of.isotherm,
            of.mass_g * (100 - of.moisture_pct) / (100 - moisture),
            moisture,
            np.full(3, gel_g),
            self._vapor_g_day_kpa,
            np.full(3, often * aired_ml(of.container)),
            self.store_c,
            self.of.climate.humidity,
            gel,
        )

    @cached_property
    def _vapor_g_day_kpa(self) -> Numbers:
        of, area = self.of, wall_m2(self.of.container)
        climate = of.climate
        return np.array(
            [wall.lets_in_g_day_kpa(area, mean_c=climate.mean_c, swing_c=climate.swing_c) for wall in of.walls.vapor]
        )

    @cached_property
    def spoils_days(self) -> Numbers:
        """Days until moisture first shows (soft, clumped or mouldy), by wall; 0 if it is so from the start."""
        if self.moisture is None:
            return self._caked_days()
        return self.moisture.days_until(self.of.texture.limit)

    def _caked_days(self) -> Numbers:
        """Days until sugar or salt has drunk enough to cake: it takes up nothing below its limit, and all above it."""
        of = self.of
        if of.moisture_pct > MOST_MOISTURE_PCT:
            return np.zeros(3)
        if of.isotherm is not None or not of.texture.takes_pct:
            return np.full(3, math.inf)
        return self._passes_days(of.texture.takes_pct, of.climate.humidity - of.texture.limit)

    @cached_property
    def hard_days(self) -> Numbers:
        """Days until what is sold moist has dried out and is hard, by wall; infinite for all else and in damp air."""
        texture = self.of.texture
        if not texture.hard_below:
            return np.full(3, math.inf)
        return self._passes_days(texture.gives_pct, texture.hard_below - self.of.climate.humidity)

    def _passes_days(self, pct: float, drive: float) -> Numbers:
        """Days until a share of the food's weight has passed the wall as water, or gone with the air of openings.

        Args:
            pct: the share, % of its weight, above 0.
            drive: how much the air on the one side is damper than on the other, as relative humidity; never if not.
        """
        of = self.of
        if drive <= 0:
            return np.full(3, math.inf)
        opened = of.opened_a_day * aired_ml(of.container) * saturated_vapor_g_ml(self.store_c)
        passes = (self._vapor_g_day_kpa * saturation_kpa(self.store_c) + opened) * drive
        with np.errstate(divide="ignore"):
            return np.asarray(of.mass_g * pct / 100 / passes)
