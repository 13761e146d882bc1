import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.support.scripts import Script
from yellow_larder.devices.hygrometer import Climate, Hygrometer, parse_climate
from yellow_larder.devices.scale import TARE, Scale, State, parse_weight
from yellow_larder.devices.simulated import SimulatedHygrometer, SimulatedScale, Trouble


class Ticks:
    """A clock in seconds that the test sets."""

    def __init__(self) -> None:
        self.now = 0.0

    def __call__(self) -> float:
        return self.now


def settle(scale: Scale, ticks: Ticks, seconds: float = 3) -> None:
    for _ in range(int(seconds / 0.25)):
        ticks.now += 0.25
        scale.look()


@pytest.mark.parametrize(
    ("line", "grams"),
    [
        (b"+412.6 g\r\n", 412.6),
        (b"  - 3 g", -3),
        (b"1.250 kg", 1250),
        (b"14.5 oz", 411.068),
        (b"2 LB", 907.185),
    ],
)
def test_lines_that_tell_a_weight(line: bytes, grams: float) -> None:
    """Ounce and pound by NIST Handbook 44, appendix C."""
    assert parse_weight(line) == pytest.approx(grams, abs=0.001)


@pytest.mark.parametrize(
    "line", [b"412.6", b"g", b"4x2 g", b"1e9 g", b"nan g", b"99999 lb", b"\xff\xfe g", b"12 stone"]
)
def test_lines_that_tell_none(line: bytes) -> None:
    assert parse_weight(line) is None


@given(line=st.binary(max_size=40))
def test_noise_never_becomes_a_wild_weight(line: bytes) -> None:
    grams = parse_weight(line)
    assert grams is None or abs(grams) <= 60_000


def test_it_waits_until_the_weight_stands_still() -> None:
    ticks = Ticks()
    simulated = SimulatedScale(ticks)
    scale = Scale(simulated)
    settle(scale, ticks)
    simulated.put(412)
    ticks.now += 0.1
    moving = scale.look()
    assert moving.state is State.MOVING
    assert moving.grams is not None
    assert moving.grams < 400
    settle(scale, ticks)
    still = scale.look()
    assert still.state is State.SETTLED
    assert still.grams == pytest.approx(412, abs=1)


def test_tare_calls_the_tray_nothing() -> None:
    ticks = Ticks()
    simulated = SimulatedScale(ticks)
    scale = Scale(simulated)
    simulated.put(180)
    settle(scale, ticks)
    scale.tare()
    settle(scale, ticks)
    assert scale.look().grams == pytest.approx(0, abs=1)
    simulated.put(180 + 333)
    settle(scale, ticks)
    assert scale.look().grams == pytest.approx(333, abs=1)


def test_it_drifts_a_little() -> None:
    ticks = Ticks()
    simulated = SimulatedScale(ticks)
    scale = Scale(simulated)
    simulated.put(500)
    settle(scale, ticks)
    ticks.now += 600
    settle(scale, ticks)
    drifted = scale.look().grams
    assert drifted is not None
    assert 500.5 < drifted < 504


def test_in_ounces() -> None:
    ticks = Ticks()
    simulated = SimulatedScale(ticks, unit="oz")
    simulated.put(283.5)
    settle(Scale(simulated), ticks)
    assert parse_weight(simulated.readline()) == pytest.approx(283.5, abs=1)


@pytest.mark.parametrize(
    ("trouble", "state"), [(Trouble.SILENT, State.SILENT), (Trouble.NONSENSE, State.NONSENSE), (None, State.OVER)]
)
def test_no_reading_is_said_and_no_old_weight_kept(trouble: Trouble | None, state: State) -> None:
    ticks = Ticks()
    simulated = SimulatedScale(ticks)
    scale = Scale(simulated)
    simulated.put(412)
    settle(scale, ticks)
    if trouble is None:
        simulated.put(7000)
    else:
        simulated.trouble = trouble
    found = scale.look()
    assert (found.state, found.grams) == (state, None)
    simulated.trouble = Trouble.NONE
    simulated.put(412)
    assert scale.look().state is State.MOVING


def test_any_device_can_hang_there() -> None:
    script = Script(b"100 g", b"100 g", b"100 g", b"101 g")
    scale = Scale(script)
    assert [scale.look().state, scale.look().state] == [State.MOVING, State.SETTLED]
    assert scale.look().state is State.SILENT
    scale.tare()
    assert script.told == [TARE]


def test_a_room_by_day_and_by_night() -> None:
    ticks = Ticks()
    probe = Hygrometer(SimulatedHygrometer(ticks, mean_c=18, humidity=0.6))
    seen = []
    for hour in range(24):
        ticks.now = hour * 3600
        climate = probe.look()
        assert climate is not None
        seen.append(climate)
    warmest, coolest = (pick(seen, key=lambda each: each.temperature_c) for pick in (max, min))
    assert warmest.temperature_c - coolest.temperature_c == pytest.approx(3, abs=0.3)
    assert warmest.humidity < coolest.humidity


@pytest.mark.parametrize("line", [b"", b"-- C -- %", b"18 C", b"180 C 50 %", b"18 C 0 %", b"18 C 140 %", b"\x00"])
def test_a_probe_that_tells_nothing(line: bytes) -> None:
    assert Hygrometer(Script(line)).look() is None


def test_fahrenheit() -> None:
    assert parse_climate(b"68 F 50 %") == Climate(20, 0.5)


def test_a_silent_probe() -> None:
    simulated = SimulatedHygrometer()
    for trouble in (Trouble.SILENT, Trouble.NONSENSE):
        simulated.trouble = trouble
        assert Hygrometer(simulated).look() is None
    assert simulated.write(b"x") == 1
