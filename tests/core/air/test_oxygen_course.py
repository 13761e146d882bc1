import math
from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.integrate import solve_ivp

from yellow_larder import reference
from yellow_larder.core.air import OXYGEN_SHARE_DRY
from yellow_larder.core.air.oxygen_course import _UPTAKE_DAYS, Breathing, ingress_ml_day, wall_m2
from yellow_larder.core.containers import Lid, Material
from yellow_larder.core.errors import OutOfRange
from yellow_larder.reference.walls import lids, materials, walls_of


def package(void: float = 1000, share: float = 0.207, packed: float = 300, ingress: float = 0.0) -> Breathing:
    return Breathing(*(np.array(each) for each in (void, share, packed, ingress)))


def stepped(of: Breathing, days: np.ndarray) -> np.ndarray:
    """The same by stepping the two equations through time: oxygen inside, and what the packets can still take."""
    void, leak = float(of.void_ml), float(of.ingress_ml_day) / OXYGEN_SHARE_DRY

    def working(_t: float, y: np.ndarray) -> list[float]:
        takes = y[0] / _UPTAKE_DAYS
        return [leak * (OXYGEN_SHARE_DRY - y[0] / void) - takes, -takes]

    def spent(_t: float, y: np.ndarray) -> list[float]:
        return [leak * (OXYGEN_SHARE_DRY - y[0] / void)]

    def used_up(_t: float, y: np.ndarray) -> float:
        return float(y[1])

    used_up.terminal = True  # type: ignore[attr-defined]
    exact = {"rtol": 1e-8, "atol": 1e-8, "method": "LSODA"}
    at, then, oxygen = 0.0, float(of.share) * void, np.zeros(0)
    if float(of.packed_ml) > 0:
        found = solve_ivp(working, (0, days[-1]), [then, float(of.packed_ml)], t_eval=days, events=used_up, **exact)
        oxygen = found.y[0]
        if not found.t_events[0].size:
            return oxygen / void
        at, then = found.t_events[0][0], found.y_events[0][0][0]
    rest = days[days > at]
    more = solve_ivp(spent, (at, days[-1]), [then], t_eval=rest, **exact)
    return np.concatenate([oxygen, more.y[0]]) / void


@pytest.mark.parametrize(
    ("void", "packed", "ingress"),
    [(1000, 300, 0.0), (1000, 300, 0.4), (8000, 2000, 2.9), (500, 60, 0.05), (2000, 900, 40.0), (1000, 0, 1.0)],
)
def test_against_an_independent_solution(void: float, packed: float, ingress: float) -> None:
    """Against scipy's integrator stepping the equations; the core solves them piece by piece."""
    of = package(void, 0.207, packed, ingress)
    days = np.geomspace(0.02, 3000, 60)
    assert of.oxygen_share(days) == pytest.approx(stepped(of, days), abs=2e-5)


def test_a_jar_is_without_oxygen_within_days() -> None:
    """Source: common practice: a bag draws in and a lid dips within a day or two."""
    jar = package()
    assert float(jar.oxygen_share(np.array(0.0))) == pytest.approx(0.207)
    assert float(jar.oxygen_share(np.array(1.5))) < 0.01
    assert math.isinf(float(jar.holds_days()))


def test_too_few_packets_leave_oxygen() -> None:
    short = package(packed=100)
    assert float(short.oxygen_share(np.array(50.0))) == pytest.approx(0.107)
    assert float(short.holds_days()) == 0


def test_bare_plastic_does_not_hold_it() -> None:
    """Source: common practice: a bare pail lets oxygen back in within months to a few years; foil holds decades."""
    pail, bag = reference.containers()["pail-5-gallon"], reference.containers()["bag-gallon"]
    years = []
    for container, void, packed in ((pail, 8000.0, 2000.0), (bag, 1400.0, 400.0)):
        wall = walls_of(container).oxygen[0]
        of = package(void, 0.207, packed, ingress_ml_day(container, wall))
        years.append(float(of.holds_days()) / 365)
    assert 0.1 < years[0] < 3
    assert years[1] > 30


def test_walls_are_ordered_as_the_trade_has_them() -> None:
    """Source: common practice: foil and glass for decades, pouches and bottles for years, pails for months."""
    per_day = {}
    for key in ("bag-gallon", "jar-half-gallon", "bottle-2-litre", "pail-1-gallon"):
        container = reference.containers().get(key)
        if container:
            per_day[key] = ingress_ml_day(container, walls_of(container).oxygen[0]) / container.nominal_qt
    ordered = sorted(per_day, key=per_day.__getitem__)
    assert ordered.index("bag-gallon") < ordered.index("bottle-2-litre") if "bottle-2-litre" in per_day else True
    assert (set(materials()), set(lids())) == (set(Material), set(Lid))
    for row in (*materials().values(), *lids().values()):
        assert row.source
        assert row.oxygen[0] <= row.oxygen[1]
        assert row.vapor[0] <= row.vapor[1]


@settings(max_examples=60)
@given(
    void=st.floats(50, 20_000),
    packed=st.floats(0, 4000),
    ingress=st.floats(0, 20),
    more=st.floats(1.05, 3),
    days=st.floats(0.1, 8000),
)
def test_more_packets_and_more_film_never_hurt(
    void: float, packed: float, ingress: float, more: float, days: float
) -> None:
    of, at = package(void, 0.207, packed, ingress), np.array(days)
    base = float(of.oxygen_share(at))
    assert -1e-9 <= base <= OXYGEN_SHARE_DRY + 1e-9
    assert float(replace(of, packed_ml=of.packed_ml * more).oxygen_share(at)) <= base + 1e-6
    assert float(replace(of, ingress_ml_day=of.ingress_ml_day / more).oxygen_share(at)) <= base + 1e-6
    assert float(replace(of, packed_ml=of.packed_ml * more).holds_days()) >= float(of.holds_days()) - 1e-6


@settings(max_examples=40)
@given(void=st.floats(100, 5000), packed=st.floats(10, 2000), days=st.floats(0.1, 500))
def test_oxygen_is_conserved_in_a_tight_package(void: float, packed: float, days: float) -> None:
    """What is gone from the air is what the packets took, and no more than they can."""
    of = package(void, 0.207, packed)
    gone = (0.207 - float(of.oxygen_share(np.array(days)))) * void
    assert -1e-6 <= gone <= min(packed, 0.207 * void) + 1e-6


def test_over_a_whole_larder_at_once() -> None:
    many = np.arange(1, 2001, dtype=float)
    of = Breathing(many * 5, np.full(2000, 0.207), many * 1.4, np.full(2000, 0.01))
    one = Breathing(*(np.array(each) for each in (500.0, 0.207, 140.0, 0.01)))
    assert float(of.holds_days()[99]) == pytest.approx(float(one.holds_days()))


def test_the_cold_slows_packets() -> None:
    cold = replace(package(), temperature_c=5.0)
    assert float(cold.oxygen_share(np.array(1.0))) > float(package().oxygen_share(np.array(1.0)))


def test_area() -> None:
    """A quart jar of 87 mm and 163 mm: side 0.0446, foot and lid 0.0119 m² (by hand)."""
    assert wall_m2(reference.containers()["jar-quart"]) == pytest.approx(0.0446 + 0.0119, abs=0.001)


@pytest.mark.parametrize("change", [{"void_ml": 0.0}, {"share": 0.3}, {"packed_ml": -1.0}, {"ingress_ml_day": -1.0}])
def test_out_of_range(change: dict[str, float]) -> None:
    with pytest.raises(OutOfRange):
        replace(package(), **{name: np.array(value) for name, value in change.items()})
    with pytest.raises(OutOfRange):
        replace(package(), temperature_c=80)
