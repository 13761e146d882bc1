"""How fast the middle of a package of dry food follows the air around it.

Series solutions for a solid suddenly put into other air, with a film of air at its surface. A block is the product
of three slabs, a pail or a jar that of a slab and a cylinder.
"""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
import scipy  # its parts are loaded when they are first used

from yellow_larder.core.arrays import Numbers
from yellow_larder.core.errors import check_range

_TERMS = 60
"""Terms of each series: enough from a thousandth of the cooling time on."""

_SOON_HOURS, _LATE_HOURS = 1e-3, 1e4
"""What takes less is at once; nothing at home takes more."""


@dataclass(frozen=True, slots=True)
class Solid:
    """A package as a solid: a block of three thicknesses, or a cylinder of one thickness, its height, and a radius.

    Attributes:
        thick_m: thicknesses between faces that the air gets at, m.
        radius_m: radius of a cylinder, m; 0 for a block.

    Raises:
        OutOfRange: a size is outside 5 mm to 2 m.
    """

    thick_m: tuple[float, ...]
    radius_m: float = 0.0

    def __post_init__(self) -> None:
        """Refuse sizes that no package has."""
        for thickness in self.thick_m:
            check_range("thick_m", thickness, 0.005, 2, "m")
        if self.radius_m:
            check_range("radius_m", self.radius_m, 0.0025, 1, "m")

    @property
    def thinnest_m(self) -> float:
        """The shortest way through it, m."""
        return min(*self.thick_m, 2 * self.radius_m or math.inf)


@dataclass(frozen=True, slots=True)
class Stuff:
    """How a food in bulk takes heat.

    Attributes:
        conductivity: W/m·K, 0.03–2.
        heat_capacity: J/kg·K, 500–4,500.
        density: kg/m³ in bulk, 30–2,500.
    """

    conductivity: float
    heat_capacity: float
    density: float

    @property
    def diffusivity(self) -> float:
        """How fast heat spreads in it, m²/s."""
        return self.conductivity / (self.heat_capacity * self.density)


def still_to_go(solid: Solid, stuff: Stuff, *, surface: float, hours: Numbers, at_surface: bool = False) -> Numbers:
    """Share of the way to the temperature of the air that a place in a package still has to go.

    Args:
        solid: the package.
        stuff: what is in it.
        surface: heat passing at its surface, W/m²·K, 0.5–1,000: about 8 in still air, 20 in moving air.
        hours: times since it was put there, h, each 0 or more.
        at_surface: the middle of the nearest face, instead of the middle of the package.

    Returns:
        1 at the start, towards 0 as it takes on the temperature of the air.

    Raises:
        OutOfRange: the passing of heat is outside the range above.

    Example:
        A slab of 10 cm of grain; after six hours its middle has a third of the way still before it:

        >>> grain = Stuff(conductivity=0.15, heat_capacity=1800, density=800)
        >>> left = still_to_go(Solid((0.1,)), grain, surface=8, hours=np.array([0.0, 6.0, 24.0]))
        >>> [round(float(share), 2) for share in left]
        [1.0, 0.36, 0.01]

    Source: Carslaw & Jaeger (1959), Conduction of Heat in Solids, 3.11, 7.7; product solutions, 1.15.
    """
    check_range("surface", surface, 0.5, 1000, "W/m²·K")
    seconds = np.asarray(hours, dtype=float) * 3600
    shares = [
        _slab(thickness / 2, stuff, surface, seconds, outside=at_surface and n == _nearest(solid))
        for n, thickness in enumerate(solid.thick_m)
    ]
    if solid.radius_m:
        shares.append(_cylinder(solid.radius_m, stuff, surface, seconds, outside=at_surface and _nearest(solid) < 0))
    left: Numbers = np.where(seconds > 0, np.prod(shares, axis=0), 1.0)
    return left


@lru_cache(maxsize=1024)
def hours_until(solid: Solid, stuff: Stuff, *, surface: float, share: float, at_surface: bool = False) -> float:
    """Hours until only so much of the way is still to go.

    Args:
        solid: the package.
        stuff: what is in it.
        surface: heat passing at its surface, W/m²·K, 0.5–1,000.
        share: share of the way still to go then, 0.0001–1.
        at_surface: see `still_to_go`.

    Returns:
        Hours; 0 if it need not go any way.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        >>> grain = Stuff(conductivity=0.15, heat_capacity=1800, density=800)
        >>> round(hours_until(Solid((0.1,)), grain, surface=8, share=0.14), 1)
        10.6

    Source: see `still_to_go`.
    """
    check_range("share", share, 1e-4, 1, "")
    if share >= 1:
        return 0.0
    # It only ever falls: a grid finds the step in which it passes, and a finer one within that step, twice.
    hours: Numbers = np.geomspace(_SOON_HOURS, _LATE_HOURS, 160)
    for _ in range(3):
        left = still_to_go(solid, stuff, surface=surface, hours=hours, at_surface=at_surface)
        passed = int(np.argmax(left <= share)) if (left <= share).any() else len(hours) - 1
        if not passed:
            return 0.0
        hours = np.linspace(hours[passed - 1], hours[passed], 60)
    return float(hours[-1])


def _nearest(solid: Solid) -> int:
    """Which face is nearest to the middle: the index of a slab, or −1 for the round one."""
    thinnest = min(range(len(solid.thick_m)), key=lambda n: solid.thick_m[n])
    return -1 if solid.radius_m and solid.radius_m < solid.thick_m[thinnest] / 2 else thinnest


def _slab(half_m: float, stuff: Stuff, surface: float, seconds: Numbers, *, outside: bool) -> Numbers:
    roots = _slab_roots(surface * half_m / stuff.conductivity)
    factors = 4 * np.sin(roots) / (2 * roots + np.sin(2 * roots)) * (np.cos(roots) if outside else 1.0)
    return _series(factors, roots, stuff.diffusivity * seconds / half_m**2)


def _cylinder(radius_m: float, stuff: Stuff, surface: float, seconds: Numbers, *, outside: bool) -> Numbers:
    roots = _cylinder_roots(surface * radius_m / stuff.conductivity)
    j0, j1 = scipy.special.j0(roots), scipy.special.j1(roots)
    factors = 2 * j1 / (roots * (j0**2 + j1**2)) * (j0 if outside else 1.0)
    return _series(factors, roots, stuff.diffusivity * seconds / radius_m**2)


@lru_cache(maxsize=512)
def _slab_roots(biot: float) -> Numbers:
    """Roots of x·tan x = Bi, one in the first quarter of each half turn from 0 on."""
    starts: Numbers = np.arange(_TERMS, dtype=np.float64) * math.pi
    return _bisect(lambda x: x * np.sin(x) - biot * np.cos(x), starts, np.add(starts, math.pi / 2))


@lru_cache(maxsize=512)
def _cylinder_roots(biot: float) -> Numbers:
    """Roots of x·J1(x) = Bi·J0(x), one between each zero of J1 and the next zero of J0."""
    j0, j1, zeros = scipy.special.j0, scipy.special.j1, scipy.special.jn_zeros
    low: Numbers = np.concatenate([[0.0], zeros(1, _TERMS - 1)]).astype(np.float64)
    return _bisect(lambda x: x * j1(x) - biot * j0(x), low, zeros(0, _TERMS).astype(np.float64))


def _bisect(curve: Callable[[Numbers], Numbers], low: Numbers, high: Numbers) -> Numbers:
    """The roots of a curve between many pairs of ends at once, it being negative times the sign of its upper end."""
    rises = np.sign(curve(high))
    for _ in range(60):
        middle = (low + high) / 2
        above = curve(middle) * rises > 0
        low, high = np.where(above, low, middle), np.where(above, middle, high)
    return (low + high) / 2


def _series(factors: Numbers, roots: Numbers, fourier: Numbers) -> Numbers:
    total: Numbers = np.exp(-np.outer(fourier, roots**2)) @ factors
    return np.clip(total, 0.0, 1.0)
