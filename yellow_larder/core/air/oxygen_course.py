"""Oxygen in a closed package over hours and years: the absorber takes it up, the wall lets it in."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from yellow_larder.core.air.room_air import ATMOSPHERE_KPA, GAS_J_MOL_K, OXYGEN_SHARE_DRY
from yellow_larder.core.arrays import Numbers
from yellow_larder.core.containers import Container
from yellow_larder.core.errors import check_range

NONE_LEFT = 0.01
"""Share of oxygen up to which a package counts as without: insects die and oil keeps. Source: controlled-atmosphere
advice (FAO), one per cent or less, from memory."""

WAX_LETS_PAST = 0.1
"""Share of what comes past a cap that still comes past it under wax. Source: our judgement."""

_UPTAKE_DAYS = 0.35
"""Time constant of iron absorbers at 20 °C, days. Source: our judgement, from packets that do most of their work within
a day (common practice)."""

_FOR_GOOD_DAYS = 1e6
"""What is not over by then never is."""

_MOST_STEPS = 60
"""Far more than are ever needed: a handful, but for packets that take up just what there is."""

_UPTAKE_Q10 = 1.4
"""How many times faster ten degrees warmer: less than any wall, for what paces a packet is the way into it. Source: our
judgement."""

_TESTED_C = 23.0
"""Temperature that walls are tested at for oxygen, °C. Source: ASTM D3985, from memory."""

_SEASONS = np.cos((np.arange(12) + 0.5) * np.pi / 6)
"""How far each month of a year stands above its mean, as a share of the swing."""


def warmth(kj_mol: float, tested_c: float, mean_c: float, swing_c: float) -> float:
    """How many times more a wall lets through over a year in a place than where it was tested.

    Args:
        kj_mol: activation energy of permeation, kJ/mol, 0–100.
        tested_c: the temperature it was tested at, °C, −40–60.
        mean_c: mean of the place over the year, °C, −40–60.
        swing_c: how far its warmest lies above that, °C, 0–30.

    Returns:
        A factor.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        Thick plastic in a cellar lets in less than half of what it does on the bench of the laboratory:

        >>> round(warmth(35, 23, 8, 0), 2), warmth(35, 23, 23, 0)
        (0.47, 1.0)

    Source: Arrhenius, its mean over the months of a sinusoid.
    """
    check_range("kj_mol", kj_mol, 0, 100, "kJ/mol")
    check_range("tested_c", tested_c, -40, 60, "°C")
    check_range("mean_c", mean_c, -40, 60, "°C")
    check_range("swing_c", swing_c, 0, 30, "°C")
    kelvin = mean_c + swing_c * _SEASONS + 273.15
    return float(np.exp(-kj_mol * 1000 / GAS_J_MOL_K * (1 / kelvin - 1 / (tested_c + 273.15))).mean())


@dataclass(frozen=True, slots=True)
class Wall:
    """What a container lets through.

    Attributes:
        face_ml: oxygen through the wall, mL/m²·day·atm at 23 °C.
        closure_ml: oxygen past a lid or seam, mL/day·atm.
        kj_mol: how fast that grows with warmth: activation energy of permeation, kJ/mol.
    """

    face_ml: float
    closure_ml: float
    kj_mol: float = 0.0


def wall_m2(container: Container) -> float:
    """Area that oxygen can come in through: film on both sides, or side, foot and lid, m².

    Example:
        >>> from yellow_larder.core.containers import Kind
        >>> bag = Container("b", "bag", Kind.BAG, width_mm=254, length_mm=356, seal_mm=25, film_mil=7)
        >>> round(wall_m2(bag), 3)
        0.168

    Source: geometry.
    """
    if container.has_film:
        return 2 * container.width_mm * (container.length_mm - container.seal_mm) / 1e6
    top, base, height = container.top_mm, container.base_mm, container.height_mm
    # Round a square of a width it is four of it, round a circle π; and so with lid and foot.
    around, flat = (4.0, 1.0) if container.is_square else (math.pi, math.pi / 4)
    side = around * (top + base) / 2 * math.hypot(height, (top - base) / 2)
    return (side + flat * (top**2 + base**2)) / 1e6


def ingress_ml_day(
    container: Container,
    wall: Wall,
    *,
    mean_c: float = _TESTED_C,
    swing_c: float = 0.0,
    pressure_kpa: float = ATMOSPHERE_KPA,
) -> float:
    """Oxygen that comes in while there is none inside, mL a day at the state packets are rated in.

    Args:
        container: the container.
        wall: what it lets through.
        mean_c: mean of where it stands, °C, −40–60.
        swing_c: how far its warmest lies above that, °C, 0–30.
        pressure_kpa: air pressure there, kPa, 50–110.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        >>> from yellow_larder.core.containers import Kind
        >>> pail = Container("p", "pail", Kind.PAIL, capacity_ml=20000, height_mm=340, top_mm=290, base_mm=260)
        >>> round(ingress_ml_day(pail, Wall(33, 0.05)), 1)
        2.9

    Source: Fick; the air outside is 20.946 % oxygen; see `warmth`.
    """
    check_range("pressure_kpa", pressure_kpa, 50, 110, "kPa")
    pushed = OXYGEN_SHARE_DRY * pressure_kpa / ATMOSPHERE_KPA * warmth(wall.kj_mol, _TESTED_C, mean_c, swing_c)
    return (wall.face_ml * wall_m2(container) + wall.closure_ml) * pushed


@dataclass(frozen=True)
class Breathing:
    """Packages and what comes and goes in them; every figure may be an array over packages.

    Oxygen is counted in millilitres at the state that packets are rated in, which are as good as moles.

    Attributes:
        void_ml: air inside when it was closed, mL at the state packets are rated in, above 0.
        share: share of oxygen in it then, of what ordinary air of the room would hold in all, 0–0.21.
        packed_ml: what the packets can take up, mL, 0 or more.
        ingress_ml_day: oxygen that comes in while there is none inside, mL a day, 0 or more.
        temperature_c: of the store, °C, −20–50.
        opened_a_day: how often it is opened and all its air is new, on the mean of all days, 0–24.

    Raises:
        OutOfRange: a figure is outside the range above.
    """

    void_ml: Numbers
    share: Numbers
    packed_ml: Numbers
    ingress_ml_day: Numbers
    temperature_c: float = 20.0
    opened_a_day: float = 0.0

    def __post_init__(self) -> None:
        """Check the figures."""
        for name, low, high, unit in (
            ("void_ml", 1e-3, 1e7, "mL"),
            ("share", 0, 0.21, ""),
            ("packed_ml", 0, 1e7, "mL"),
            ("ingress_ml_day", 0, 1e5, "mL a day"),
        ):
            given = np.asarray(getattr(self, name), dtype=np.float64)
            for end in (given.min(initial=high), given.max(initial=low)):
                check_range(name, float(end), low, high, unit)
        check_range("temperature_c", self.temperature_c, -20, 50, "°C")
        check_range("opened_a_day", self.opened_a_day, 0, 24, "a day")

    @cached_property
    def _uptake(self) -> float:
        """How fast packets take oxygen up, 1/day; what is opened stands in the kitchen meanwhile."""
        warmth_c = 20.0 if self.opened_a_day else self.temperature_c
        return float(_UPTAKE_Q10 ** ((warmth_c - 20) / 10) / _UPTAKE_DAYS)

    @cached_property
    def _leak(self) -> Numbers:
        """How fast the inside comes to the outside, through the wall and with each opening, 1/day."""
        wall = self.ingress_ml_day / (OXYGEN_SHARE_DRY * self.void_ml)
        return np.asarray(wall + self.opened_a_day, dtype=np.float64)

    @cached_property
    def spent_days(self) -> Numbers:
        """Days until the packets are used up; infinite if nothing comes in that they could not take.

        Example:
            >>> one = np.array(1000.0)
            >>> tight = Breathing(one, np.array(0.2), np.array(300.0), np.array(0.0))
            >>> float(tight.spent_days)
            inf

        Source: Newton's method on what they have taken up. That rises with time ever less steeply, or ever more: from
        where its straight end meets what they can take, no step leads past the day that is looked for.
        """
        out = OXYGEN_SHARE_DRY * self.void_ml
        start = self.share * self.void_ml
        rate = self._uptake + self._leak
        rest = out * self._leak / rate
        steady, at_first = self._uptake * rest, self._uptake * (start - rest) / rate
        # Where nothing comes in, they never take more than there is; a finite stand-in keeps the sum a number.
        days = np.clip((self.packed_ml - at_first) / np.maximum(steady, 1e-12), 0.0, _FOR_GOOD_DAYS)
        for _ in range(_MOST_STEPS):
            fading = np.exp(-rate * days)
            taken = steady * days + at_first * -np.expm1(-rate * days)
            pace = steady + at_first * rate * fading
            nearer = np.clip(days + (self.packed_ml - taken) / np.maximum(pace, 1e-12), 0.0, _FOR_GOOD_DAYS)
            done = np.all(np.abs(nearer - days) <= 1e-9 * (1 + nearer))
            days = nearer
            if done:
                break
        return np.where(days >= _FOR_GOOD_DAYS, np.inf, np.where(self.packed_ml > 0, days, 0.0))

    def oxygen_share(self, days: Numbers) -> Numbers:
        """Share of oxygen inside after some days, while the packets work and after.

        Example:
            >>> one = np.array(1000.0)
            >>> jar = Breathing(one, np.array(0.209), np.array(300.0), np.array(0.0))
            >>> round(float(jar.oxygen_share(np.array(2.0))), 4)
            0.0007

        Source: uptake in proportion to the oxygen there is, ingress to the difference; solved piece by piece.
        """
        return self._share_after(days, self.spent_days)

    def packets_left_ml(self, days: Numbers) -> Numbers:
        """What the packets can still take up after some days, mL; 0 once they are spent.

        Example:
            >>> one = np.array(1000.0)
            >>> jar = Breathing(one, np.array(0.209), np.array(300.0), np.array(0.0))
            >>> round(float(jar.packets_left_ml(np.array(30.0))))
            91

        Source: see `spent_days`.
        """
        rate = self._uptake + self._leak
        rest = OXYGEN_SHARE_DRY * self._leak / rate * self.void_ml
        steady, at_first = self._uptake * rest, self._uptake * (self.share * self.void_ml - rest) / rate
        taken = steady * days + at_first * -np.expm1(-rate * days)
        left: Numbers = np.where(days >= self.spent_days, 0.0, np.maximum(self.packed_ml - taken, 0.0))
        return left

    def _share_after(self, days: Numbers, spent: Numbers) -> Numbers:
        rate = self._uptake + self._leak
        rest = OXYGEN_SHARE_DRY * self._leak / rate
        working = rest + (self.share - rest) * np.exp(-rate * np.minimum(days, spent))
        # Where packets never tire, there is no time after; a finite stand-in keeps the sum a number.
        after = np.maximum(days - np.where(np.isfinite(spent), spent, days), 0.0)
        share: Numbers = OXYGEN_SHARE_DRY + (working - OXYGEN_SHARE_DRY) * np.exp(-self._leak * after)
        return share

    def down_days(self, level: Numbers | float = NONE_LEFT) -> Numbers:
        """Days until oxygen is first at a level or below; infinite if it never gets there.

        Example:
            >>> jar = Breathing(np.array(1000.0), np.array(0.207), np.array(300.0), np.array(0.0))
            >>> round(float(jar.down_days()), 2)
            1.06

        Source: see `oxygen_share`, solved for the time.
        """
        _check_level(level)
        rate = self._uptake + self._leak
        rest = OXYGEN_SHARE_DRY * self._leak / rate
        share = np.asarray(self.share, dtype=np.float64)
        with np.errstate(divide="ignore", invalid="ignore"):
            days = np.log((share - rest) / (level - rest)) / rate
        days = np.where(share <= level, 0.0, np.where(rest < level, days, np.inf))
        return np.where(days <= self.spent_days, days, np.where(share <= level, 0.0, np.inf))

    def holds_days(self, level: Numbers | float = NONE_LEFT) -> Numbers:
        """Days until oxygen is back above a level for good; 0 if it never gets below, infinite if it never comes back.

        Of air that is opened time and again, what is told is its mean between two openings.

        Example:
            >>> pail = Breathing(np.array(8000.0), np.array(0.207), np.array(2000.0), np.array(2.9))
            >>> round(float(pail.holds_days()))
            147

        Source: see `oxygen_share`.
        """
        _check_level(level)
        spent = self.spent_days
        finite = np.where(np.isfinite(spent), spent, _FOR_GOOD_DAYS)
        then = self._share_after(finite, spent)
        leak = np.maximum(self._leak, 1e-12)
        rise = np.log((OXYGEN_SHARE_DRY - np.minimum(then, level)) / (OXYGEN_SHARE_DRY - level)) / leak
        held = np.where(then <= level, finite + rise, 0.0)
        return np.where(held >= _FOR_GOOD_DAYS, np.inf, held)


def _check_level(level: Numbers | float) -> None:
    for end in (np.min(level), np.max(level)):
        check_range("level", float(end), 1e-5, 0.2, "")
