"""What a look at a package after a day and a week means. Common practice throughout."""

import pytest

from yellow_larder.core.containers import Closing
from yellow_larder.core.errors import OutOfRange
from yellow_larder.core.packing import Advice, AdviceCode, Doing, Exposed, Feel, Indicator, advise
from yellow_larder.reference import foods


def look(
    feel: Feel,
    indicator: Indicator = Indicator.UNSEEN,
    *,
    day: int = 7,
    food: str = "pearl-barley",
    closing: Closing = Closing.ABSORBER,
    lid_dips: bool = False,
    draws_in: bool = True,
) -> Advice:
    return advise(feel, indicator, day=day, food=foods()[food], closing=closing, lid_dips=lid_dips, draws_in=draws_in)


@pytest.mark.parametrize("food", ["pearl-barley", "dried-pears", "fd-fish-stew"])
@pytest.mark.parametrize("day", [1, 7, 400])
@pytest.mark.parametrize("closing", list(Closing))
def test_what_puffed_up_is_thrown_out_whatever_it_is(food: str, day: int, closing: Closing) -> None:
    told = look(Feel.PUFFED, Indicator.PINK, day=day, food=food, closing=closing)
    assert told.doing is Doing.OUT
    assert told.code is AdviceCode.PUFFED


def test_firm_holds_and_loose_waits_a_week() -> None:
    assert look(Feel.FIRM, day=1).doing is Doing.NOTHING
    assert look(Feel.LOOSE, day=1).doing is Doing.AGAIN
    assert look(Feel.LOOSE, day=7).code is AdviceCode.LOOSE_A_WEEK
    assert look(Feel.LOOSE, day=7, draws_in=False).doing is Doing.NOTHING
    assert look(Feel.LOOSE, day=1, draws_in=False).code is AdviceCode.LOOSE_FINE


def test_a_leak_is_packed_anew_and_thirsty_food_is_dried_first() -> None:
    assert look(Feel.LEAKS).doing is Doing.REPACK
    assert look(Feel.LEAKS, food="fd-fish-stew").exposed is Exposed.FREEZE_DRIED
    assert look(Feel.LEAKS, food="dried-pears").exposed is Exposed.HOME_DRIED
    assert look(Feel.LEAKS, food="pearl-barley").exposed is Exposed.DRY


def test_a_grey_eye_is_oxygen_even_in_a_firm_bag() -> None:
    assert look(Feel.FIRM, Indicator.GREY).doing is Doing.REPACK
    assert look(Feel.FIRM, Indicator.PINK).doing is Doing.NOTHING
    assert look(Feel.FIRM, Indicator.GREY, closing=Closing.VACUUM, lid_dips=True).doing is Doing.NOTHING


def test_a_flat_lid_is_closed_anew() -> None:
    for closing in (Closing.VACUUM, Closing.ABSORBER):
        told = look(Feel.LOOSE, closing=closing, lid_dips=True, day=1)
        assert told.doing is Doing.REPACK
        assert told.code is AdviceCode.LID_FLAT


def test_a_day_that_is_none_is_refused() -> None:
    with pytest.raises(OutOfRange):
        look(Feel.FIRM, day=-1)
