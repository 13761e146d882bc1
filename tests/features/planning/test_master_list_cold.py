"""The master list of a house that has a freezer or a fridge."""

import pytest

from yellow_larder.features.household.larder import Larder, NewPlace, add_place
from yellow_larder.features.planning.master_list import master_list
from yellow_larder.features.planning.meals import Meal, keep_meal


@pytest.mark.parametrize("mean_c", [-40, -18, 4, 11])
def test_a_machine_that_is_cold_does_not_make_the_list_fail(larder: Larder, mean_c: float) -> None:
    """A freezer is no store for sacks: what is said of how long food keeps stays that of the coolest store."""
    keep_meal(larder, Meal(name="soup", text="300 g pearl barley\n100 g butter\n200 g chicken", per_month=4))
    before = {row.food: row.keeps for row in master_list(larder).rows}
    sort = "freezer" if mean_c < 0 else "fridge"
    add_place(larder, NewPlace("Cold", sort, mean_c=mean_c, warmest_c=mean_c + 1, humidity=0.6))
    assert {row.food: row.keeps for row in master_list(larder).rows} == before
