"""The series against a numerical solution of another kind, and against a textbook."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.integrate import solve_ivp

from yellow_larder.core.errors import OutOfRange
from yellow_larder.core.freezing import Solid, Stuff, hours_until, still_to_go

GRAIN = Stuff(conductivity=0.15, heat_capacity=1800, density=800)


def by_finite_differences(half_m: float, surface: float, hours: float, *, round_: bool) -> tuple[float, float]:
    """Middle and surface of a slab or a cylinder in thin shells, by SciPy's solver of stiff equations."""
    cells = 80
    width = half_m / cells
    faces = np.arange(cells + 1) * width
    power = 2 if round_ else 1
    volumes = np.diff(faces**power) / power
    areas = faces[1:] ** (power - 1)
    left = np.ones(cells)
    conduct = np.full(cells, GRAIN.conductivity / width) * areas
    conduct[-1] = areas[-1] / (1 / surface + width / 2 / GRAIN.conductivity)
    heat = volumes * GRAIN.density * GRAIN.heat_capacity

    def warming(_s: float, left: np.ndarray) -> np.ndarray:
        flow = conduct * np.append(left[:-1] - left[1:], left[-1])
        return (np.append(0.0, flow[:-1]) - flow) / heat

    told = solve_ivp(warming, (0, hours * 3600), np.ones(cells), method="BDF", rtol=1e-6, atol=1e-8)
    left = told.y[:, -1]
    outer = left[-1] * (1 - width / 2 / GRAIN.conductivity * conduct[-1] / areas[-1])
    return float(left[0]), float(outer)


@pytest.mark.parametrize("hours", [0.5, 3, 12])
@pytest.mark.parametrize(("half_m", "surface"), [(0.03, 8), (0.05, 20)])
@pytest.mark.parametrize("round_", [False, True])
def test_against_finite_differences(half_m: float, surface: float, hours: float, *, round_: bool) -> None:
    """A long cylinder and a wide slab: the other sides are too far away to matter."""
    solid = Solid((2.0,), half_m) if round_ else Solid((2 * half_m,))
    middle, outer = by_finite_differences(half_m, surface, hours, round_=round_)
    for at_surface, expected in ((False, middle), (True, outer)):
        left = still_to_go(solid, GRAIN, surface=surface, hours=np.array([hours]), at_surface=at_surface)
        assert float(left[0]) == pytest.approx(expected, abs=0.004)


@pytest.mark.parametrize(
    ("solid", "share"),
    [(Solid((0.2,)), 1.1191 * np.exp(-(0.8603**2))), (Solid((2.0,), 0.1), 1.2071 * np.exp(-(1.2558**2)))],
)
def test_textbook_values(solid: Solid, share: float) -> None:
    """Bi = 1, Fo = 1: first roots and factors of the Heisler charts (Çengel, Heat and Mass Transfer, from memory)."""
    hours = 0.1**2 / GRAIN.diffusivity / 3600
    left = still_to_go(solid, GRAIN, surface=GRAIN.conductivity / 0.1, hours=np.array([hours]))
    assert float(left[0]) == pytest.approx(share, abs=0.002)


def test_a_block_is_the_product_of_its_slabs() -> None:
    hours = np.array([1.0, 4.0, 9.0])
    parts = [still_to_go(Solid((each,)), GRAIN, surface=8, hours=hours) for each in (0.05, 0.2, 0.3)]
    whole = still_to_go(Solid((0.05, 0.2, 0.3)), GRAIN, surface=8, hours=hours)
    np.testing.assert_allclose(whole, np.prod(parts, axis=0))


sizes = st.floats(0.02, 0.4)


@settings(max_examples=40)
@given(sizes, sizes, st.floats(4, 30))
def test_it_only_ever_comes_nearer_and_the_surface_first(thick_m: float, radius_m: float, surface: float) -> None:
    solid, hours = Solid((thick_m,), radius_m), np.linspace(0, 72, 60)
    middle = still_to_go(solid, GRAIN, surface=surface, hours=hours)
    outer = still_to_go(solid, GRAIN, surface=surface, hours=hours, at_surface=True)
    assert middle[0] == 1
    assert np.all(np.diff(middle) <= 1e-9)
    assert np.all(outer <= middle + 1e-9)


@settings(max_examples=40)
@given(sizes, st.floats(0.01, 0.9))
def test_the_hours_are_those_of_the_curve(thick_m: float, share: float) -> None:
    solid = Solid((thick_m,), 0.12)
    hours = hours_until(solid, GRAIN, surface=8, share=share)
    assert float(still_to_go(solid, GRAIN, surface=8, hours=np.array([hours]))[0]) == pytest.approx(share, abs=0.002)


def test_larger_takes_longer_and_moving_air_helps() -> None:
    waits = [hours_until(Solid((0.3,), radius), GRAIN, surface=8, share=0.08) for radius in (0.05, 0.1, 0.145)]
    assert waits == sorted(waits)
    assert hours_until(Solid((0.3,), 0.145), GRAIN, surface=20, share=0.08) < waits[-1]


@pytest.mark.parametrize("share", [1.0, 1.5, 0.0])
def test_shares_at_the_ends(share: float) -> None:
    if share == 1:
        assert hours_until(Solid((0.1,)), GRAIN, surface=8, share=share) == 0
    else:
        with pytest.raises(OutOfRange, match="share"):
            hours_until(Solid((0.1,)), GRAIN, surface=8, share=share)


@pytest.mark.parametrize(("thick", "radius"), [((0.0,), 0.0), ((5.0,), 0.0), ((0.1,), 3.0)])
def test_solids_that_are_none(thick: tuple[float, ...], radius: float) -> None:
    with pytest.raises(OutOfRange):
        Solid(thick, radius)
