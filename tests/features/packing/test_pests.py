"""What is done against insects: it is judged, kept on record, and said on the label."""

from datetime import timedelta

import pytest

from tests.conftest import Clock
from yellow_larder import reference
from yellow_larder.core.containers import Closing
from yellow_larder.core.finding import Severity
from yellow_larder.core.food import Food, Trait
from yellow_larder.features.freezer.contents import open_it, put_in, take_out
from yellow_larder.features.freezer.plan import FreezeAsk
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.lots.lots import lots_left
from yellow_larder.features.packages.contained import PestMeasure
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.planner import plan
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.shelves.card import card
from yellow_larder.features.shelves.labels import labels
from yellow_larder.features.using.opening import open_packages
from yellow_larder.journal.checking import check
from yellow_larder.journal.database import reading

CARRIERS = [food for food in reference.foods().values() if food.carries_insects]
BOTH = (PestMeasure.BAY, PestMeasure.EARTH)


@pytest.mark.parametrize("food", CARRIERS, ids=lambda each: each.key)
def test_earth_goes_where_it_is_rinsed_off_and_nowhere_else(larder: Larder, food: Food) -> None:
    """Source: common practice: in whole grain and beans, which are rinsed; never in flour, powder or flakes."""
    ask = Ask(food=food.key, amount="1 kg", container="jar-half-gallon", closing=Closing.LID, conditioned=True)
    with_earth = Ask(**{each: getattr(ask, each) for each in Ask.__slots__} | {"measures": (PestMeasure.EARTH,)})  # type: ignore[attr-defined]
    plain, dusted = plan(larder, ask), plan(larder, with_earth)
    codes = {each.code: each.severity for each in dusted.verdict.findings}
    if Trait.RINSEABLE in food.traits:
        assert codes["earth-rinse"] is Severity.GOOD
        assert "not-freeze-killed" not in codes
    else:
        assert codes["earth-in-fines"] is Severity.STOP
        assert dusted.verdict.severity is Severity.STOP
    assert not {each.code for each in plain.verdict.findings} & {"earth-rinse", "earth-in-fines"}


def test_bay_leaves_kill_nothing(larder: Larder) -> None:
    seen = plan(
        larder, Ask(line="1 kg white rice", container="jar-half-gallon", closing=Closing.LID, measures=BOTH[:1])
    )
    assert "not-freeze-killed" in {each.code for each in seen.verdict.findings}


def test_it_is_on_the_card_and_on_the_label_and_stays_when_it_is_opened(larder: Larder) -> None:
    ask = Ask(line="1 kg white rice", container="jar-half-gallon", closing=Closing.LID, measures=BOTH, frozen=True)
    (number,) = pack(larder, ask).numbers
    said = "bay leaves, diatomaceous earth (rinse it off), frozen first"
    assert card(larder, number).pests == said
    assert labels(larder, numbers=[number])[0].packets == f"no absorbers inside; {said}"
    open_packages(larder, [number])
    assert card(larder, number).pests == said
    assert check(larder.engine) == []


def test_nothing_was_done_says_nothing(larder: Larder) -> None:
    (number,) = pack(larder, Ask(line="1 kg white rice", container="jar-half-gallon", closing=Closing.LID)).numbers
    assert card(larder, number).pests == ""
    assert labels(larder, numbers=[number])[0].packets == "no absorbers inside"


def test_a_lot_that_was_frozen_says_until_when(larder: Larder, clock: Clock) -> None:
    put_in(larder, FreezeAsk(line="2 kg white rice", container="bag-gallon"))
    clock.now += timedelta(days=14)
    take_out(larder, 1)
    clock.now += timedelta(days=2)
    open_it(larder, 1)
    with reading(larder.engine) as session:
        (lot,) = lots_left(session)
    (number,) = pack(larder, Ask(line="1 kg white rice", container="jar-half-gallon", lot=lot)).numbers
    assert card(larder, number).pests.startswith("frozen until ")
