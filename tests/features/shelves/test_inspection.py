from datetime import timedelta

import pytest

from tests.conftest import NOON, Clock
from tests.support.runs import filled
from yellow_larder.core.containers import Closing
from yellow_larder.core.packing import Doing, Feel, Indicator
from yellow_larder.documents.calendar import rounds_calendar
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.packing.planner import plan
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.rounds.rounds import rounds
from yellow_larder.features.rounds.tasks import Task, TaskKind, When
from yellow_larder.features.run import steps
from yellow_larder.features.run.view import see_that_run
from yellow_larder.features.shelves.card import card
from yellow_larder.features.shelves.carrying import throw_out
from yellow_larder.features.shelves.inspection import Felt, empty_out, look_over, to_look
from yellow_larder.features.shelves.shelves import Due, shelves
from yellow_larder.features.supplies.events import Sort
from yellow_larder.features.supplies.supplies import NewSupply, add_supply
from yellow_larder.words.errors import NotThere, Refused

LENTILS = Ask(line="5 kg red lentils")


def packed(larder: Larder, *asks: Ask) -> None:
    """A run that is done."""
    number = filled(larder, *asks)
    steps.open_packets(larder, number)
    for n in left_open(larder, number):
        steps.close_one(larder, number, n)
    steps.finish(larder, number)


def left_open(larder: Larder, number: int) -> list[int]:
    return [each.n for each in see_that_run(larder, number).containers if not each.closed]


def due(larder: Larder, kind: TaskKind) -> list[Task]:
    return [each for each in rounds(larder).due if each.kind is kind]


def test_a_look_after_a_day_and_after_a_week(larder: Larder, clock: Clock) -> None:
    packed(larder, LENTILS)
    assert to_look(larder) == []
    (ahead,) = due(larder, TaskKind.LOOK)
    assert (ahead.when, ahead.now) == (When.AHEAD, False)
    clock.now += timedelta(days=1)
    (task,) = due(larder, TaskKind.LOOK)
    assert task.title == "Look at the red lentils: firm, loose or puffed?"
    assert task.detail == "2 packages, number 1 first, 1 day after closing"
    assert (task.when, task.now) == (When.TODAY, True)
    shown = to_look(larder)
    assert [(each.number, each.expected) for each in shown] == [(1, "should be firm"), (2, "should be firm")]
    found = look_over(larder, [Felt(1, Feel.FIRM), Felt(2, Feel.LOOSE)])
    assert [each.doing for each in found] == [Doing.NOTHING, Doing.AGAIN]
    assert to_look(larder) == []
    clock.now += timedelta(days=6)
    assert [each.due for each in to_look(larder)] == [(NOON + timedelta(days=7)).date()] * 2
    look_over(larder, [Felt(1, Feel.FIRM), Felt(2, Feel.LOOSE)])
    clock.now += timedelta(days=7)
    # Firm after a week is put away for years; loose is looked at once more.
    assert [each.number for each in to_look(larder)] == [2]
    assert [each.what for each in card(larder, 1).journal][1:] == ["Checked: firm"] * 2


def test_puffed_is_thrown_out_and_never_opened(larder: Larder, clock: Clock) -> None:
    packed(larder, LENTILS)
    clock.now += timedelta(days=7)
    (found,) = look_over(larder, [Felt(2, Feel.PUFFED)])
    assert found.doing is Doing.OUT
    assert "do not taste it" in found.says
    (task,) = due(larder, TaskKind.TROUBLE)
    assert (task.number, task.title) == (2, "Number 2, red lentils: not right")
    assert card(larder, 2).trouble == found.says
    with pytest.raises(Refused, match="throw it out, do not open it"):
        empty_out(larder, 2)
    throw_out(larder, [2], why="Puffed up")
    assert due(larder, TaskKind.TROUBLE) == []
    with pytest.raises(NotThere):
        look_over(larder, [Felt(1, Feel.FIRM), Felt(2, Feel.FIRM)])
    assert [each.number for each in to_look(larder)] == [1]


@pytest.mark.parametrize("feel", [each for each in Feel if each is not Feel.FIRM])
def test_what_is_not_right_is_due_before_all_and_only_as_long_as_it_is_not(
    larder: Larder, clock: Clock, feel: Feel
) -> None:
    packed(larder, LENTILS)
    clock.now += timedelta(days=1)
    (found,) = look_over(larder, [Felt(2, feel)])
    wrong = found.doing in {Doing.REPACK, Doing.OUT}
    shown = shelves(larder)
    assert [each.number for each in shown.due] == ([2] if wrong else [])
    assert shown.places[0].due == len(shown.due)
    assert (card(larder, 2).due is Due.WRONG) == wrong == bool(card(larder, 2).trouble)
    assert card(larder, 1).due is Due.FINE
    take_back(larder)
    assert shelves(larder).due == []


def test_what_leaks_is_emptied_and_packed_anew(larder: Larder, clock: Clock) -> None:
    packed(larder, LENTILS)
    clock.now += timedelta(days=1)
    (found,) = look_over(larder, [Felt(1, Feel.LEAKS)])
    assert (found.doing, "repack" in found.says) == (Doing.REPACK, True)
    lot = empty_out(larder, 1)
    assert [each.number for each in shelves(larder).packages] == [2]
    shown = plan(larder, Ask(line="2.5 kg red lentils", lot=lot))
    assert shown.story == [f"Out of number 1, packed 24 Nov 2026: {found.says}"]
    assert card(larder, 1).journal[-1].what == "Emptied"
    with pytest.raises(NotThere):
        empty_out(larder, 1)
    take_back(larder)
    assert [each.number for each in shelves(larder).packages] == [1, 2]


def test_a_grey_eye_is_a_spent_packet(larder: Larder, clock: Clock) -> None:
    packed(larder, LENTILS)
    clock.now += timedelta(days=1)
    (found,) = look_over(larder, [Felt(1, Feel.LOOSE, Indicator.GREY)])
    assert found.doing is Doing.REPACK
    assert "Checked: loose, indicator grey or blue" in [each.what for each in card(larder, 1).journal]


def test_a_jar_whose_lid_is_flat_is_closed_anew(larder: Larder, clock: Clock) -> None:
    number = filled(larder, Ask(line="1 kg red lentils", container="jar-quart", closing=Closing.VACUUM))
    for n in left_open(larder, number):
        steps.close_one(larder, number, n)
    steps.finish(larder, number)
    clock.now += timedelta(days=1)
    shown = to_look(larder)
    assert all(each.is_jar for each in shown)
    assert "lid" in shown[0].expected
    assert look_over(larder, [Felt(1, Feel.LOOSE)])[0].doing is Doing.REPACK


def test_looking_before_its_day_counts_for_that_day(larder: Larder, clock: Clock) -> None:
    packed(larder, LENTILS)
    clock.now += timedelta(hours=5)
    look_over(larder, [Felt(1, Feel.FIRM)])
    assert [each.number for each in to_look(larder, ahead_days=1)] == [1, 2]
    with pytest.raises(Refused, match="at least one"):
        look_over(larder, [])


def test_the_looks_are_in_the_calendar(larder: Larder) -> None:
    packed(larder, LENTILS)
    text = rounds_calendar(rounds(larder), name="Larder", made=NOON).decode()
    assert "SUMMARY:Look at the red lentils: firm\\, loose or puffed?" in text
    assert "DTSTART;VALUE=DATE:20261125" in text


def test_what_runs_low_is_on_the_rounds(larder: Larder) -> None:
    for name in ("Lids", "Straight iron", "Funnels", "Test strips"):
        add_supply(larder, NewSupply(sort=Sort.TOOLS, name=name, count=1, low=1))
    (task,) = due(larder, TaskKind.SUPPLY)
    assert task.detail == "Lids (1), Straight iron (1), Funnels (1), and more"
