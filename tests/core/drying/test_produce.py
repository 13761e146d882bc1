import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from yellow_larder import reference
from yellow_larder.core.drying import (
    Believe,
    believe,
    drying_potential_kpa,
    energy_kwh,
    expected_hours,
    humidity_at,
    one_temperature,
    shared_over_trays,
    water_back_g,
)
from yellow_larder.core.errors import OutOfRange
from yellow_larder.reference.drying import freeze_dryers, machines, powders, produce

ALL = produce()
ROOM = {"room_c": 20.0, "humidity": 0.5}


@pytest.mark.parametrize(
    ("key", "low", "high"),
    [
        ("apples", 6, 8),
        ("mushrooms", 6, 10),
        ("cooked-beans", 5, 8),
        ("peppers", 8, 12),
        ("whole-peppers", 72, 72),
        ("mixed-vegetables", 11, 11),
    ],
)
def test_hours_of_the_trade_lie_inside_the_range(key: str, low: float, high: float) -> None:
    """Source: common practice. The range is one that nine in ten lie in, so it may be a few minutes narrower."""
    each = ALL[key]
    hours = expected_hours(each, thickness_mm=each.thickness_mm, air_c=each.air_c, **ROOM)
    assert hours.low <= low + 0.1
    assert hours.high >= high - 0.1


@pytest.mark.parametrize(
    ("key", "celsius"),
    [("parsley", 35), ("leeks", 52), ("mushrooms", 52), ("cooked-beans", 52), ("pears", 57), ("apples", 57)],
)
def test_air_by_kind(key: str, celsius: float) -> None:
    """Source: common practice: herbs 35, vegetables, mushrooms and beans 52, fruit 57 °C."""
    assert ALL[key].air_c == celsius


def test_a_can_of_beans_fills_a_small_tray() -> None:
    """Source: common practice: one can, about 8 oz drained, is about one tray of a small machine."""
    beans = ALL["cooked-beans"]
    assert beans.unit_g == pytest.approx(8 * 28.35, abs=1)
    assert machines()["small"].tray_m2 * beans.load_g_m2 == pytest.approx(beans.unit_g, rel=0.15)


def test_a_can_of_beans_is_a_cup() -> None:
    """Source: common practice: 2½ oz dried make about one cup (236.6 mL), and want 5½ oz of water back."""
    beans = reference.foods()["dried-cooked-beans"]
    assert 2.5 * 28.35 / beans.loose_g_ml == pytest.approx(236.6, rel=0.05)
    assert water_back_g(8, 2.5) == 5.5


def test_every_row_leads_to_a_food_and_can_be_dried() -> None:
    foods = reference.foods()
    for each in ALL.values():
        dried = foods[each.dried]
        assert each.low_c <= each.air_c <= each.high_c
        assert each.hours_low < each.hours_high
        assert dried.composition.water_g < each.fresh_water_pct
        assert bool(each.unit) == bool(each.unit_g)
        assert each.source
        if dried.fresh_water_g > dried.composition.water_g:
            assert each.fresh_water_pct == pytest.approx(dried.fresh_water_g, abs=2)
    assert all(row.source for row in [*machines().values(), *freeze_dryers().values()])
    for pieces, powder in powders().items():
        assert foods[pieces].composition.water_g >= foods[powder].composition.water_g - 3
        assert foods[powder].life == "vegetable powder"


@given(key=st.sampled_from(sorted(ALL)), thick=st.floats(1, 20), thicker=st.floats(1.05, 3), damp=st.floats(0.2, 0.9))
def test_thicker_cooler_and_damper_take_longer(key: str, thick: float, thicker: float, damp: float) -> None:
    each = ALL[key]

    def likely(thickness: float, air_c: float, humidity: float) -> float:
        return expected_hours(each, thickness_mm=thickness, air_c=air_c, room_c=20, humidity=humidity).likely

    base = likely(thick, each.air_c, damp)
    # Between what the air alone and what the food alone would make of it.
    assert base * thicker * (1 - 1e-9) < likely(thick * thicker, each.air_c, damp) < base * thicker**2 * (1 + 1e-9)
    assert likely(thick, each.air_c - 4, damp) > base
    assert likely(thick, each.air_c, damp + 0.05) > base


def test_a_skin_that_is_whole() -> None:
    """Source: common practice: whole small peppers about 72 hours, chopped ones 8–12: here the skin alone."""
    each = ALL["whole-peppers"]
    whole, opened = (expected_hours(each, thickness_mm=25, air_c=52, opened=way, **ROOM) for way in (False, True))
    assert 2 < whole.likely / opened.likely <= 3
    assert (round(whole.skin, 1), opened.skin) == (2.8, 1)


@pytest.mark.parametrize(
    ("key", "air", "low_days", "high_days"),
    [
        ("apricots", "screens", 3, 11),
        ("plums", "screens", 3, 11),
        ("whole-peppers", "hung", 18, 50),
        ("thyme", "hung", 6, 22),
        ("parsley", "hung", 6, 22),
    ],
)
def test_sun_and_still_air_take_what_the_trade_says(key: str, air: str, low_days: float, high_days: float) -> None:
    """Source: common practice: halves four to ten days of sun, bunches one to three weeks, strung peppers a month."""
    each, machine = ALL[key], machines()[air]
    air_c, hung = (32, False) if air == "screens" else (20, True)
    hours = expected_hours(
        each, thickness_mm=each.thickness_mm, air_c=air_c, hung=hung, slower=machine.slower, **(ROOM | {"room_c": 22})
    )
    assert low_days < hours.likely / 24 < high_days


def test_thin_rings_of_apple_are_not_dry_in_an_hour() -> None:
    """Source: common practice, six to eight hours for thin slices; thinner and warmer still takes an afternoon."""
    hours = expected_hours(ALL["apples"], thickness_mm=3, air_c=62, **ROOM)
    assert 3 < hours.likely < 6


def test_the_factors_make_up_the_whole() -> None:
    hours = expected_hours(ALL["plums"], thickness_mm=10, air_c=50, slower=3.6, **ROOM)
    table = (ALL["plums"].hours_low * ALL["plums"].hours_high) ** 0.5
    assert hours.thickness * hours.air * hours.still * hours.skin * table == pytest.approx(hours.likely)


def test_sun_takes_days_of_sun() -> None:
    """Source: common practice: fruit three to six days, nights taken in."""
    sun = machines()["screens"]
    hours = expected_hours(ALL["apples"], thickness_mm=6, air_c=32, room_c=24, humidity=0.5, slower=sun.slower)
    assert 3 < hours.likely / 24 < 6


def test_warmed_air_is_dry() -> None:
    """Saturation pressures by hand from steam tables: 2.339 kPa at 20 °C, 13.63 kPa at 52 °C."""
    assert drying_potential_kpa(52, **ROOM) == pytest.approx(13.63 - 0.5 * 2.339, abs=0.02)
    assert humidity_at(52, **ROOM) == pytest.approx(0.5 * 2.339 / 13.63, abs=0.001)
    assert drying_potential_kpa(5, room_c=30, humidity=1) == 0


def test_a_mixed_load_dries_in_the_middle() -> None:
    """Source: common practice: 54 °C (130 °F) for vegetables and fruit together."""
    mixed = one_temperature([ALL["leeks"], ALL["pears"]], low_c=35, high_c=75, step_c=1)
    assert mixed.air_c in (54, 55)
    assert mixed.apart == ()


def test_what_should_not_dry_together() -> None:
    found = one_temperature([ALL["apples"], ALL["pears"], ALL["parsley"]], low_c=35, high_c=75, step_c=1)
    assert found.air_c == 57
    assert found.apart == ("parsley",)
    hot = one_temperature([ALL["parsley"]], low_c=50, high_c=90, step_c=5)
    assert hot.apart == ("parsley",)


@given(
    areas=st.lists(st.floats(0.01, 0.9), min_size=1, max_size=6), trays=st.integers(6, 20), tray=st.floats(0.05, 0.2)
)
def test_trays_go_round(areas: list[float], trays: int, tray: float) -> None:
    got = shared_over_trays(areas, tray, trays)
    wants = [math.ceil(area / tray - 1e-9) for area in areas]
    assert all(1 <= n <= want for n, want in zip(got, wants, strict=True))
    assert sum(got) == min(trays, sum(wants))


def test_too_few_trays() -> None:
    with pytest.raises(OutOfRange):
        shared_over_trays([0.1, 0.1], 0.1, 1)


@pytest.mark.parametrize(
    ("feels_dry", "moisture", "says"),
    [
        (True, 8, Believe.DRY),
        (True, 9.9, Believe.DRY),
        (True, 14, Believe.WEIGHT),
        (False, 7, Believe.HAND),
        (False, 20, Believe.WET),
    ],
)
def test_the_wetter_word_counts(feels_dry: bool, moisture: float, says: Believe) -> None:
    assert believe(feels_dry=feels_dry, moisture_pct=moisture, target_pct=8) is says


def test_energy() -> None:
    assert energy_kwh(400, 0.8, 10) == pytest.approx(3.2)
    with pytest.raises(OutOfRange):
        energy_kwh(-1, 0.5, 1)
    with pytest.raises(OutOfRange):
        water_back_g(100, 101)
