"""Places are put right, emptied into one another, and removed."""

from dataclasses import replace
from datetime import timedelta

import pytest
from sqlalchemy import select

from tests.conftest import Clock
from tests.support.refusals import refused
from yellow_larder.core.containers import Closing
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import Larder, NewPlace, add_place
from yellow_larder.features.packages.state import Package, row_of
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.places.places import change_place, close_place, move_all, see_place
from yellow_larder.features.rounds.overview import overview
from yellow_larder.features.rounds.rounds import rounds
from yellow_larder.features.run import steps
from yellow_larder.features.shelves.card import card
from yellow_larder.features.shelves.carrying import move
from yellow_larder.features.shelves.shelves import see_places, shelves
from yellow_larder.features.using.opening import open_packages
from yellow_larder.journal.checking import check
from yellow_larder.journal.database import reading
from yellow_larder.words.errors import Outdated

RICE = Ask(line="700 g white rice", container="jar-quart", closing=Closing.VACUUM)
ATTIC = NewPlace("Attic", "loft", 2, 1000, mean_c=24, warmest_c=38, humidity=0.7)


def rows(larder: Larder) -> list[dict[str, object]]:
    with reading(larder.engine) as session:
        return [row_of(each) for each in session.scalars(select(Package).order_by(Package.number))]


def lives(larder: Larder) -> dict[int, tuple[str, float]]:
    return {each.number: (each.best_by, each.left) for each in shelves(larder).packages}


def test_a_place_put_right_is_as_if_it_had_been_written_right(larder: Larder, clock: Clock) -> None:
    """What stood, moved through or was opened in it has the life it would have had; and a refold finds the same."""
    meant = add_place(larder, ATTIC)
    wrong = add_place(larder, replace(ATTIC, name="Loft", mean_c=12, warmest_c=15, humidity=0.4))
    for place in (meant, wrong):
        pack(larder, replace(RICE, place=place))
        pack(
            larder,
            Ask(
                line="200 g dried apples",
                container="bag-gallon-thin",
                closing=Closing.ABSORBER,
                place=place,
                conditioned=True,
            ),
        )
        pack(larder, replace(RICE, place=place))
    clock.now += timedelta(days=500)
    move(larder, [3, 6], place=1, shelf=1)
    before = lives(larder)
    assert before[1] != before[4]
    change_place(larder, wrong, replace(ATTIC, name="Loft"))
    after = lives(larder)
    assert after[4] == after[1]
    assert after[5] == after[2]
    assert after[6][1] == pytest.approx(after[3][1], abs=0.02)
    assert card(larder, 4).journal[-1].what == "Calculated anew"
    assert check(larder.engine) == []
    assert take_back(larder) == "Changed the place Loft"
    assert lives(larder) == before
    assert check(larder.engine) == []


def test_what_could_be_due_is_found_by_the_place_as_it_is(larder: Larder, clock: Clock) -> None:
    """Written as a cellar, and hot in truth: what is past its best-by there is due as soon as that is put right."""
    place = add_place(larder, NewPlace("Store", mean_c=5, warmest_c=8))
    pack(larder, Ask(line="200 g walnuts", container="jar-quart", closing=Closing.LID, place=place))
    clock.now += timedelta(days=200)
    assert not [task for task in rounds(larder).due if "walnut" in task.title]
    change_place(larder, place, NewPlace("Store", mean_c=30, warmest_c=40))
    assert [task for task in rounds(larder).due if "walnut" in task.title]
    assert check(larder.engine) == []


def test_renamed_and_nothing_else(larder: Larder) -> None:
    pack(larder, RICE)
    seen = see_place(larder, 1)
    before = rows(larder)
    change_place(larder, 1, replace(seen.place, name="Scullery"), based_on=seen.version)
    assert rows(larder) == before
    assert [place.name for place in see_places(larder)] == ["Scullery"]
    with pytest.raises(Outdated):
        change_place(larder, 1, replace(seen.place, name="Pantry"), based_on=seen.version)
    with refused("what is written already"):
        change_place(larder, 1, replace(seen.place, name="Scullery"))


def test_what_cannot_be(larder: Larder) -> None:
    add_place(larder, ATTIC)
    pack(larder, RICE, shelf=3)
    seen = see_place(larder, 1).place
    with refused("already a place called Attic") as refusal:
        change_place(larder, 1, replace(seen, name="Attic"))
    assert refusal.value.field == "name"
    with refused("stands on shelf 3") as refusal:
        change_place(larder, 1, replace(seen, shelves=2))
    assert refusal.value.field == "shelves"
    with refused("1 package stands there"):
        close_place(larder, 1)
    with refused("not there any more"):
        change_place(larder, 9, seen)
    with refused("stands there already"):
        move_all(larder, 1, to=1)
    with refused("Nothing stands there"):
        move_all(larder, 2, to=1)


def test_all_of_a_place_goes_and_the_place_is_removed(larder: Larder, clock: Clock) -> None:
    attic = add_place(larder, ATTIC)
    pack(larder, RICE, shelf=3)
    pack(larder, Ask(line="4 kg pearl barley"), shelf=2)
    open_packages(larder, [1])
    clock.now += timedelta(days=90)
    assert move_all(larder, 1, to=attic) == 3
    assert {(each.place, each.shelf) for each in shelves(larder).packages} == {(attic, 2)}
    close_place(larder, 1)
    assert [place.name for place in see_places(larder)] == ["Attic"]
    assert card(larder, 1).ledger[0].place == "Pantry"
    with refused("not there any more"):
        move(larder, [1], place=1, shelf=1)
    # The first place that is left is where things are put from now on.
    assert pack(larder, RICE).numbers == [4]
    assert shelves(larder).packages[-1].place == attic
    assert take_back(larder).startswith("Packed")
    assert take_back(larder) == "Removed the place Pantry"
    assert take_back(larder) == "Moved 3 packages to Attic"
    assert overview(larder).kept == 3
    assert check(larder.engine) == []


def test_where_the_run_sheet_puts_things_stays(larder: Larder) -> None:
    place = add_place(larder, ATTIC)
    steps.add_line(larder, replace(RICE, place=place))
    with refused("on the run sheet"):
        close_place(larder, place)


def test_the_last_place_stays(larder: Larder) -> None:
    with refused("the only place there is"):
        close_place(larder, 1)
