"""How fast the middle of a package of dry food follows the air around it.

Series solutions for a solid suddenly put into other air, with a film of air at its surface. A block is the product
of three slabs, a pail or a jar that of a slab and a cylinder.
"""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray
from scipy.optimize import brentq
from scipy.special import j0, j1, jn_zeros

from yellow_larder.core.errors import check_range

Numbers = NDArray[np.float64]

_TERMS = 60
"""Terms of each series: enough from a thousandth of the cooling time on."""


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

    def beyond(hours: float) -> float:
        at = still_to_go(solid, stuff, surface=surface, hours=np.array([hours]), at_surface=at_surface)
        return float(at[0]) - share

    if share >= 1 or beyond(1e-3) <= 0:
        return 0.0
    most = 1.0
    while beyond(most) > 0:
        most *= 2
    return float(brentq(beyond, 1e-3, most, xtol=1e-3))


def _nearest(solid: Solid) -> int:
    """Which face is nearest to the middle: the index of a slab, or −1 for the round one."""
    thinnest = min(range(len(solid.thick_m)), key=lambda n: solid.thick_m[n])
    return -1 if solid.radius_m and solid.radius_m < solid.thick_m[thinnest] / 2 else thinnest


def _slab(half_m: float, stuff: Stuff, surface: float, seconds: Numbers, *, outside: bool) -> Numbers:
    biot = surface * half_m / stuff.conductivity
    # One root of x·tan x = Bi in each half turn from 0 on.
    roots = np.array(
        [
            brentq(lambda x: x * math.sin(x) - biot * math.cos(x), n * math.pi, (n + 0.5) * math.pi, xtol=1e-12)
            for n in range(_TERMS)
        ]
    )
    factors = 4 * np.sin(roots) / (2 * roots + np.sin(2 * roots)) * (np.cos(roots) if outside else 1.0)
    return _series(factors, roots, stuff.diffusivity * seconds / half_m**2)


def _cylinder(radius_m: float, stuff: Stuff, surface: float, seconds: Numbers, *, outside: bool) -> Numbers:
    biot = surface * radius_m / stuff.conductivity
    # One root of x·J1(x) = Bi·J0(x) between each zero of J1 and the next zero of J0.
    low, high = np.concatenate([[0.0], jn_zeros(1, _TERMS - 1)]), jn_zeros(0, _TERMS)
    roots = np.array(
        [
            brentq(lambda x: x * j1(x) - biot * j0(x), a, b, xtol=1e-12)
            for a, b in zip(low.tolist(), high.tolist(), strict=True)
        ]
    )
    factors = 2 * j1(roots) / (roots * (j0(roots) ** 2 + j1(roots) ** 2)) * (j0(roots) if outside else 1.0)
    return _series(factors, roots, stuff.diffusivity * seconds / radius_m**2)


def _series(factors: Numbers, roots: Numbers, fourier: Numbers) -> Numbers:
    total: Numbers = np.exp(-np.outer(fourier, roots**2)) @ factors
    return np.clip(total, 0.0, 1.0)
