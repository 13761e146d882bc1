"""What a look means, said: whatever can be found of whatever is packed."""

from itertools import product

import pytest

from yellow_larder.core.containers import Closing
from yellow_larder.core.packing import AdviceCode, Feel, Indicator, advise
from yellow_larder.features.packages.text import say_advice, say_trouble, say_why
from yellow_larder.reference import foods


@pytest.mark.parametrize("food", ["pearl-barley", "dried-pears", "fd-fish-stew"])
def test_every_look_has_its_words_and_its_reason(food: str) -> None:
    found = set()
    for feel, indicator, day, closing, lid, draws_in in product(
        Feel, Indicator, (1, 7), Closing, (False, True), (True, False)
    ):
        told = advise(feel, indicator, day=day, food=foods()[food], closing=closing, lid_dips=lid, draws_in=draws_in)
        found.add(told.code)
        assert len(say_advice(told.code)) >= 5
        assert say_why(told).endswith(".")
    assert found == set(AdviceCode)


def test_what_puffed_up_says_who_is_asked() -> None:
    food = foods()["pearl-barley"]
    told = advise(
        Feel.PUFFED, Indicator.UNSEEN, day=7, food=food, closing=Closing.ABSORBER, lid_dips=False, draws_in=True
    )
    assert "botulism" in say_why(told)
    assert "food-safety authority" in say_why(told)


def test_nothing_wrong_says_nothing() -> None:
    assert say_trouble("") == ""
    assert say_trouble("leaks") == say_advice(AdviceCode.LEAKS)
