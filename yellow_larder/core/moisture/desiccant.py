"""Moisture in a closed package: what comes in through the wall and with each opening, and what food and gel take up."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

import numpy as np

from yellow_larder.core.air import saturated_vapor_g_ml, saturation_kpa, warmth
from yellow_larder.core.arrays import Numbers
from yellow_larder.core.errors import check_range
from yellow_larder.core.moisture.isotherms import Isotherm, dry_basis_pct

GEL_START_PCT = 1.5
"""Water that gel holds when it is called dry, % of its dry weight. Source: common practice, 2 % at the most."""

GEL_AT = (0.0, 0.1, 0.2, 0.4, 0.6, 0.8, 1.0)
GEL_PCT = (0.0, 5.0, 10.0, 20.0, 30.0, 35.0, 38.0)
"""What silica gel takes up, % of its dry weight, at a relative humidity and 25 °C. Source: makers' curves for type A
gel, from memory."""

UNIT_G = {0.2: 3.0, 0.4: 6.0}
"""Water that one unit of desiccant takes up until a relative humidity, g. Source: DIN 55474 and MIL-D-3464, from
memory."""

_UNIT_E = {0.2: 0.9, 0.4: 0.7}
"""Share of the tested rate at which the wall lets water in, as it fills up inside. Source: DIN 55474, from memory."""

TESTED_C = 38.0
TESTED_KPA = 0.9 * saturation_kpa(TESTED_C)
"""The temperature, °C, and the difference in vapour pressure that walls are tested at: 38 °C and 90 % to nothing.

Source: ASTM E96, condition E, from memory."""


_GRID = np.linspace(0.005, 0.985, 393)
"""Water activities that courses are worked out on, a four-hundredth apart."""

_GEL_STEP = 25
_GELS_G = np.concatenate([[0.0], np.geomspace(0.1, 5000, 600)])


OVEN_C, OVEN_HOURS = 120.0, (2, 3)
"""How loose gel is dried for another use: how hot, and for how many hours. Source: makers' leaflets, from memory."""

PAPER_C = 80.0
"""How hot packets of paper or cloth may get, which are dried overnight. Source: makers' leaflets, from memory."""


def full_gel_g(dry_g: float, humidity: float = 0.6) -> float:
    """What gel weighs that has drunk its fill: the scale tells whether the oven has done its work.

    Args:
        dry_g: weight of the gel, dry, g, 0–100,000.
        humidity: relative humidity of the air it drank from, 0–1.

    Returns:
        Weight with its water, g.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        >>> full_gel_g(100)
        130.0

    Source: see `GEL_PCT`.
    """
    check_range("dry_g", dry_g, 0, 100_000, "g")
    check_range("humidity", humidity, 0, 1, "")
    return dry_g * (1 + float(gel_holds_pct(np.array(humidity))) / 100)


def gel_holds_pct(humidity: Numbers) -> Numbers:
    """Water that silica gel holds at a relative humidity of 0–1, % of its dry weight.

    Example:
        >>> [float(each) for each in gel_holds_pct(np.array([0.2, 0.4, 0.6]))]
        [10.0, 20.0, 30.0]

    Source: see `GEL_PCT`.
    """
    return np.interp(humidity, GEL_AT, GEL_PCT)


@dataclass(frozen=True, slots=True)
class VaporWall:
    """What a container lets water vapour through.

    Attributes:
        face_g: through the wall, g/m²·day as tested, 38 °C and 90 %.
        closure_g: past a lid or seam, g/day as tested.
        kj_mol: how fast that grows with warmth beyond what the vapour's pressure does: activation energy, kJ/mol.
    """

    face_g: float
    closure_g: float
    kj_mol: float = 0.0

    def lets_in_g_day_kpa(self, area_m2: float, *, mean_c: float = TESTED_C, swing_c: float = 0.0) -> float:
        """Water that comes in for each kPa of difference, g a day, through a wall of so many m² where it stands.

        Example:
            A gallon bag of foil, folded here and there: a gram in some twenty years at two thirds of a kilopascal.

            >>> round(1 / (VaporWall(0.01, 0).lets_in_g_day_kpa(0.168) * 0.67 * 365))
            15

        Source: Fick; see `breathing.warmth`.
        """
        warm = warmth(self.kj_mol, TESTED_C, mean_c, swing_c)
        return (self.face_g * area_m2 + self.closure_g) / TESTED_KPA * warm


@dataclass(frozen=True)
class MoistureBalance:
    """Packages of one food, what is in them and what comes in; every figure may be an array over packages.

    Attributes:
        isotherm: of the food.
        mass_g: of the food, g, above 0.
        moisture_pct: its moisture to begin with, wet basis, %, 0–60.
        gel_g: dry gel with it, g, 0 or more.
        wall_g_day_kpa: see `VaporWall.lets_in_g_day_kpa`, 0 or more.
        aired_ml_day: air that is exchanged when it is opened, on the mean of all days, mL a day, 0 or more.
        temperature_c: of the store, °C, −20–50.
        humidity: of the store, 0.02–0.98.
        gel_pct: water that the gel holds to begin with, % of its dry weight, 0–38.

    Raises:
        OutOfRange: a figure is outside the range above.
    """

    isotherm: Isotherm
    mass_g: Numbers
    moisture_pct: Numbers
    gel_g: Numbers
    wall_g_day_kpa: Numbers
    aired_ml_day: Numbers
    temperature_c: float
    humidity: float
    gel_pct: Numbers | float = GEL_START_PCT

    def __post_init__(self) -> None:
        """Check the figures."""
        for name, low, high, unit in (
            ("mass_g", 1e-3, 1e7, "g"),
            ("gel_g", 0, 1e5, "g"),
            ("wall_g_day_kpa", 0, 1e3, "g/day·kPa"),
            ("aired_ml_day", 0, 1e7, "mL a day"),
        ):
            given = np.asarray(getattr(self, name), dtype=np.float64)
            for end in (given.min(initial=high), given.max(initial=low)):
                check_range(name, float(end), low, high, unit)
        check_range("temperature_c", self.temperature_c, -20, 50, "°C")
        check_range("humidity", self.humidity, 0.02, 0.98, "")

    def start(self) -> Numbers:
        """Water activity once food and gel have come to terms."""
        return _at_place(_GRID[None, :], self._start_place)[:, 0]

    def days_until(self, activity: float) -> Numbers:
        """Days until a water activity of 0.01–0.97 is passed; infinite if this store never brings it there.

        Raises:
            OutOfRange: the activity is outside the range above.
        """
        check_range("activity", activity, 0.01, 0.97, "")
        start = self._start_place
        wanted = np.full_like(start, (activity - _GRID[0]) / (_GRID[1] - _GRID[0]))
        passed = start >= wanted
        if activity >= self.humidity:
            return np.where(passed, 0.0, np.inf)[:, 0]
        days = self._days
        takes = _at_place(days, wanted) - _at_place(days, start)
        return np.where(passed, 0.0, takes)[:, 0]

    def after(self, days: Numbers) -> Numbers:
        """Water activity after some days: a row for each package, a column for each time."""
        start = self._start_place
        begins = _at_place(_GRID[None, :], start)[:, 0]
        course, at = self._days, np.asarray(days, dtype=np.float64)
        from_start = course - _at_place(course, start)
        wetter = self.humidity > _GRID
        found = np.empty((len(begins), len(at)))
        for n, (row, begin) in enumerate(zip(from_start, begins, strict=True)):
            # Towards the air of the store, from below or from above.
            side = wetter if begin <= self.humidity else ~wetter
            times, grid = (row[side], _GRID[side]) if begin <= self.humidity else (row[side][::-1], _GRID[side][::-1])
            found[n] = np.interp(at, times, grid)
        return found

    @cached_property
    def _held_g(self) -> Numbers:
        """Water in food and gel at each activity of the grid, g."""
        solids, gel = self._column(self.mass_g) * (1 - self._column(self.moisture_pct) / 100), self._column(self.gel_g)
        dry = dry_basis_pct(np.minimum(self.isotherm.moisture_pct(_GRID, self.temperature_c), 60))
        return (solids * dry[None, :] + gel * gel_holds_pct(_GRID)[None, :]) / 100

    @cached_property
    def _start_place(self) -> Numbers:
        """Where on the grid it starts, in steps of the grid."""
        held = self._held_g
        has = self._column(self.mass_g) * self._column(self.moisture_pct) / 100
        has = has + self._column(self.gel_g) * self._column(self.gel_pct) / 100
        below = np.clip((held < has).sum(axis=1, keepdims=True) - 1, 0, len(_GRID) - 2)
        row = np.arange(len(held))[:, None]
        low, high = held[row, below], held[row, below + 1]
        return np.asarray(below + np.clip((has - low) / np.maximum(high - low, 1e-12), 0, 1))

    @cached_property
    def _days(self) -> Numbers:
        """Days from the first activity of the grid to each, on the way to the air of the store."""
        saturation = saturation_kpa(self.temperature_c)
        brings = self._column(self.aired_ml_day) * saturated_vapor_g_ml(self.temperature_c)
        lets_in = self._column(self.wall_g_day_kpa) * saturation + brings
        middle = (_GRID[1:] + _GRID[:-1]) / 2
        away = self.humidity - middle
        away = np.where(np.abs(away) < 1e-6, 1e-6, away)
        steps = np.diff(self._held_g, axis=1) / (np.maximum(lets_in, 1e-12) * away[None, :])
        return np.concatenate([np.zeros((len(steps), 1)), np.cumsum(steps, axis=1)], axis=1)

    @cached_property
    def _shape(self) -> tuple[int, ...]:
        figures = (self.mass_g, self.moisture_pct, self.gel_g, self.wall_g_day_kpa, self.aired_ml_day)
        return np.broadcast_shapes(*(np.shape(each) for each in figures), (1,))

    def _column(self, figure: Numbers | float) -> Numbers:
        return np.broadcast_to(np.asarray(figure, dtype=np.float64), self._shape)[:, None]


def _at_place(rows: Numbers, place: Numbers) -> Numbers:
    """Rows read at a place between their columns."""
    low = np.clip(np.floor(place).astype(int), 0, rows.shape[1] - 2)
    row = np.arange(len(rows))[:, None]
    first, second = rows[row, low], rows[row, low + 1]
    return np.asarray(first + (second - first) * (place - low))


def gel_for_g(of: MoistureBalance, activity: float, days: float) -> float | None:
    """Gel that keeps one package at or below a water activity for so long.

    Args:
        of: the package; the gel it has is not counted.
        activity: water activity not to be passed, 0.01–0.97.
        days: for how long, 0–36,525.

    Returns:
        Grams of dry gel; none if no sensible amount does.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        >>> from yellow_larder.core.moisture.isotherms import Gab
        >>> leeks = dict(isotherm=Gab(7, 8, 0.95, 4), mass_g=np.array([160.0]), moisture_pct=np.array([6.0]))
        >>> jar = dict(wall_g_day_kpa=np.array([0.0005]), temperature_c=17, humidity=0.6)
        >>> shut = MoistureBalance(**leeks, **jar, gel_g=np.zeros(1), aired_ml_day=np.zeros(1))
        >>> daily = MoistureBalance(**leeks, **jar, gel_g=np.zeros(1), aired_ml_day=np.array([500.0]))
        >>> gel_for_g(shut, 0.45, 365), gel_for_g(daily, 0.45, 365), round(gel_for_g(daily, 0.45, 2000) or 0)
        (0.0, 0.0, 0)

    Source: `MoistureBalance`; the least of many amounts that holds. More gel never holds for less long, so few
    of them are tried first, and then those between.
    """
    check_range("days", days, 0, 36_525, "days")

    def first_that_holds(gels_g: Numbers) -> int | None:
        one = MoistureBalance(
            of.isotherm,
            np.ravel(of.mass_g)[:1],
            np.ravel(of.moisture_pct)[:1],
            gels_g,
            np.ravel(of.wall_g_day_kpa)[:1],
            np.ravel(of.aired_ml_day)[:1],
            of.temperature_c,
            of.humidity,
        )
        holds = np.flatnonzero((one.days_until(activity) >= days) & (one.start() < activity))
        return int(holds[0]) if len(holds) else None

    coarse = first_that_holds(_GELS_G[::_GEL_STEP])
    if not coarse:
        return None if coarse is None else 0.0
    between = _GELS_G[(coarse - 1) * _GEL_STEP + 1 : coarse * _GEL_STEP + 1]
    return float(between[first_that_holds(between) or 0])


def standard_units(area_m2: float, face_g_m2_day: float, days: float, humidity: float, *, air_g: float = 0.0) -> float:
    """Desiccant as the packaging standard sizes it, for comparison: it knows nothing of the food.

    Args:
        area_m2: wall of the package, m², 0–100.
        face_g_m2_day: what the wall lets in, g/m²·day in the store's climate, 0–10,000.
        days: for how long, 0–36,525.
        humidity: relative humidity inside that is not to be passed, 0.2 or 0.4.
        air_g: water in the air it is closed with, g, 0–1,000.

    Returns:
        Units.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        A square metre of film of 0.5 g, half a year, to 40 %:

        >>> round(standard_units(1, 0.5, 180, 0.4), 2)
        10.5

    Source: DIN 55474: n = (V·b + A·e·WDD·t) / a, without dunnage, from memory.
    """
    for name, value, high, unit in (
        ("area_m2", area_m2, 100, "m²"),
        ("face_g_m2_day", face_g_m2_day, 10_000, "g/m²·day"),
        ("days", days, 36_525, "days"),
        ("air_g", air_g, 1000, "g"),
    ):
        check_range(name, value, 0, high, unit)
    if humidity not in UNIT_G:
        check_range("humidity", humidity, 0.2, 0.2, "")
    return (air_g + area_m2 * _UNIT_E[humidity] * face_g_m2_day * days) / UNIT_G[humidity]
