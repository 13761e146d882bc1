import pytest

from yellow_larder.core.drying import Air, Laid, Treatment, judge_load
from yellow_larder.core.finding import Amount, Severity, Unit
from yellow_larder.reference.drying import produce

ALL = produce()


def laid(key: str, *treatments: Treatment, thickness_mm: float = 0, floor_pct: float = 3) -> Laid:
    food = ALL[key]
    return Laid(food, thickness_mm or food.thickness_mm, frozenset(treatments), floor_pct, target_pct=7)


def codes(*load: Laid, air: Air = Air.MACHINE, air_c: float = 55) -> dict[str, Severity]:
    return {found.code: found.severity for found in judge_load(load, air=air, air_c=air_c)}


def test_a_good_load_says_nothing() -> None:
    assert codes(laid("mushrooms")) == {}


def test_meat_is_stopped_until_it_is_heated() -> None:
    """Source: US extension advice on dried meat: 71 °C, from memory; drying alone does not do it."""
    assert codes(laid("lean-beef"), air_c=68)["meat-unheated"] is Severity.STOP
    heated = judge_load([laid("lean-beef", Treatment.HEATED)], air=Air.MACHINE, air_c=68)
    assert [found.code for found in heated] == ["meat-lean-and-cold"]
    assert heated[0].figures == "heated to {reach}"
    assert heated[0].amounts["reach"] == Amount(71, Unit.CELSIUS)
    assert "fridge or freezer" in heated[0].says


@pytest.mark.parametrize("air", [Air.SUN, Air.HANGING])
def test_meat_is_not_dried_without_heat(air: Air) -> None:
    assert codes(laid("lean-beef", Treatment.HEATED), air=air, air_c=30)["meat-without-heat"] is Severity.STOP


def test_case_hardening_is_warned_of_before() -> None:
    """Source: common practice: too hot, too thick, a skin that is whole."""
    assert set(codes(laid("mushrooms"), air_c=70)) == {"too-hot"}
    assert set(codes(laid("mushrooms", thickness_mm=12))) == {"too-thick"}
    assert set(codes(laid("whole-peppers"))) == {"skin-closed"}
    assert codes(laid("whole-peppers", Treatment.PIERCED)) == {}
    assert codes(laid("plums")) == {}, "a half lies open"


def test_too_cool_and_too_damp() -> None:
    assert set(codes(laid("mushrooms"), air_c=40)) == {"too-cool"}
    assert set(codes(laid("mushrooms", floor_pct=12), air_c=20, air=Air.HANGING)) == {"air-too-damp"}


def test_what_it_wants_first() -> None:
    assert set(codes(laid("carrots"))) == {"not-blanched"}
    assert codes(laid("carrots", Treatment.BLANCHED)) == {}
    assert set(codes(laid("apples"))) == {"no-lemon"}


def test_onions_go_outdoors_and_alone() -> None:
    """Source: common practice."""
    assert set(codes(laid("onions"))) == {"outdoors"}
    together = judge_load([laid("onions"), laid("mushrooms"), laid("garlic")], air=Air.MACHINE, air_c=52)
    assert {found.code for found in together} == {"outdoors", "smells-over"}
    assert any(found.says.startswith("Onions and garlic will be smelt in mushrooms") for found in together)
    assert "outdoors" not in codes(laid("onions"), air=Air.SUN, air_c=52)


def test_what_one_air_does_not_suit_dries_another_day() -> None:
    """Source: common practice: herbs 35, fruit 57 °C."""
    mixed = judge_load([laid("pears", Treatment.LEMON), laid("parsley")], air=Air.MACHINE, air_c=57)
    (apart,) = [found for found in mixed if found.code == "not-together"]
    assert (apart.says, apart.figures) == (
        "Fresh parsley should not dry with the rest",
        "fresh parsley {low 0} to {high 0}",
    )
    assert (apart.amounts["low 0"].value, apart.amounts["high 0"].value) == (30, 41)
    assert "not-together" not in codes(laid("parsley"), air_c=57)
    assert "not-together" not in codes(laid("pears"), laid("mushrooms"), air_c=54)


def test_sun_brings_pests() -> None:
    assert "sun" in codes(laid("apricots", Treatment.PIERCED), air=Air.SUN, air_c=50)


def test_the_gravest_comes_first() -> None:
    found = judge_load([laid("carrots"), laid("lean-beef")], air=Air.MACHINE, air_c=66)
    assert found[0].severity is Severity.STOP
    assert all(each.says and each.why and each.source for each in found)
