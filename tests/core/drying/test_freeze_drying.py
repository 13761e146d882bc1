import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from yellow_larder.core.drying import (
    Tray,
    agree,
    is_mixed,
    moisture_after_pct,
    pack_within_hours,
    phases,
    water_g,
)
from yellow_larder.core.errors import OutOfRange

STEW = [Tray(900, 81.6, 0.4, frozen=True) for _ in range(5)]


def test_all_frozen_or_all_fresh() -> None:
    """Source: common practice: never mixed."""
    assert not is_mixed(STEW)
    assert not is_mixed([])
    assert is_mixed([*STEW, Tray(100, 80, 0, frozen=False)])


def test_water_by_hand() -> None:
    """4.5 kg of stew at 81.6 % holds 828 g of solids: 849.2 g at 2.5 %, so 3,650.8 g of water leave."""
    assert water_g(STEW) == pytest.approx(3650.8, abs=0.1)


def test_a_load_takes_a_day_or_so() -> None:
    """Source: common practice: 20 to 40 hours for a full load at home."""
    run = phases(STEW, ice_g=5000, g_per_hour=220)
    shortest, longest = (run.freezing + each + run.extra for each in (run.drying_low, run.drying_high))
    assert 16 < shortest < longest < 40
    fresh = phases([Tray(900, 81.6, 0.4, frozen=False)] * 5, ice_g=5000, g_per_hour=220)
    assert fresh.freezing > run.freezing


def test_a_thin_layer_is_sooner_dry() -> None:
    thin, thick = (phases(STEW, ice_g=5000, g_per_hour=2000, layer=layer) for layer in (0.5, 1.0))
    assert 3 < thick.drying_high / thin.drying_high < 4


@pytest.mark.parametrize(("water_pct", "grams"), [(91, 667), (62, 667)])
def test_two_kilograms_on_three_trays_take_the_better_part_of_a_day(water_pct: float, grams: float) -> None:
    """Source: common practice: strawberries and cooked chicken come out the next day, not after a night."""
    load = phases([Tray(grams, water_pct, 3, frozen=True)] * 3, ice_g=5000, g_per_hour=220, layer=0.76)
    assert load.freezing + load.drying_low + load.extra > 16
    assert load.freezing + load.drying_high + load.extra < 30


def test_a_layer_beyond_a_full_one_is_refused() -> None:
    with pytest.raises(OutOfRange):
        phases(STEW, ice_g=5000, g_per_hour=220, layer=1.2)


def test_more_water_than_the_wall_holds() -> None:
    with pytest.raises(OutOfRange) as refused:
        phases(STEW, ice_g=3200, g_per_hour=130)
    assert (refused.value.field, refused.value.value, refused.value.high) == ("water_g", 3651, 3200)


def test_two_weighings_two_hours_apart() -> None:
    """Source: common practice."""
    assert agree(850, 849, 2)
    assert not agree(850, 849, 1.9)
    assert not agree(850, 840, 4)
    with pytest.raises(OutOfRange):
        agree(0, 1, 2)


def test_a_damp_kitchen_leaves_less_time() -> None:
    damp, dry = (pack_within_hours(2.5, room_moisture_pct=end) for end in (16, 8))
    assert 0.3 < damp < dry < 2
    assert math.isinf(pack_within_hours(2.5, room_moisture_pct=3))


@given(dry=st.floats(1, 4), room=st.floats(6, 25), hours=st.floats(0, 48))
def test_it_drinks_towards_the_room(dry: float, room: float, hours: float) -> None:
    after = moisture_after_pct(dry, hours, room_moisture_pct=room)
    assert dry - 1e-9 <= after <= room
    limit = pack_within_hours(dry, room_moisture_pct=room)
    assert moisture_after_pct(dry, limit, room_moisture_pct=room) == pytest.approx(dry + 1)


@pytest.mark.parametrize("tray", [Tray(-1, 80, 0, True), Tray(1, 120, 0, True)])
def test_a_tray_that_cannot_be(tray: Tray) -> None:
    with pytest.raises(OutOfRange):
        water_g([tray])
