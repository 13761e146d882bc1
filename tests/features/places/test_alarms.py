"""Mice, insects or water in a place: what they can get at is to be looked at, until somebody has."""

from datetime import timedelta

import pytest

from tests.conftest import Clock
from tests.support.refusals import refused
from yellow_larder.core.containers import Closing
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.events import Alarm
from yellow_larder.features.household.larder import Larder, NewPlace, add_place
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.places.alarms import alarm, see_alarms, seen_to
from yellow_larder.features.places.places import close_place, move_all
from yellow_larder.features.rounds.overview import overview
from yellow_larder.features.rounds.rounds import rounds
from yellow_larder.features.rounds.tasks import TaskKind, When
from yellow_larder.features.shelves.carrying import move
from yellow_larder.features.using.opening import open_packages
from yellow_larder.journal.checking import check

JAR = Ask(line="700 g white rice", container="jar-quart", closing=Closing.VACUUM)
BAG = Ask(line="2 kg white rice", container="bag-gallon", closing=Closing.ABSORBER, outer=False)
LID = Ask(line="700 g white rice", container="jar-quart", closing=Closing.LID)


@pytest.fixture
def stocked(larder: Larder) -> Larder:
    """A jar under vacuum, a bag with nothing around it on the lowest shelf, a jar with air in it, an open jar."""
    pack(larder, JAR, shelf=1)
    pack(larder, BAG, shelf=3)
    pack(larder, LID, shelf=2)
    pack(larder, JAR, shelf=2)
    open_packages(larder, [4])
    return larder


@pytest.mark.parametrize(("what", "first"), [(Alarm.RODENTS, [2]), (Alarm.INSECTS, [3, 4]), (Alarm.FLOOD, [2])])
def test_what_it_can_get_at_is_looked_at_first(stocked: Larder, clock: Clock, what: Alarm, first: list[int]) -> None:
    due = overview(stocked).due
    assert alarm(stocked, 1, what).first == first
    (task,) = [each for each in rounds(stocked).due if each.kind is TaskKind.ALARM]
    assert (task.number, task.when, task.now) == (1, When.TODAY, True)
    assert overview(stocked).due == due + 1
    clock.now += timedelta(days=1)
    (late,) = [each for each in rounds(stocked).due if each.kind is TaskKind.ALARM]
    assert late.when is When.LATE
    with refused("not seen to yet"):
        alarm(stocked, 1, what)
    seen_to(stocked, 1, what)
    assert see_alarms(stocked, 1) == []
    assert not [each for each in rounds(stocked).due if each.kind is TaskKind.ALARM]
    with refused("seen there"):
        seen_to(stocked, 1, what)
    assert check(stocked.engine) == []
    assert take_back(stocked).startswith("Seen to in Pantry")
    assert [each.first for each in see_alarms(stocked, 1)] == [first]
    assert take_back(stocked).startswith("Seen in Pantry")
    assert see_alarms(stocked, 1) == []
    assert check(stocked.engine) == []


def test_two_at_once_are_two_lines(stocked: Larder) -> None:
    alarm(stocked, 1, Alarm.RODENTS)
    alarm(stocked, 1, Alarm.FLOOD)
    lines = [(each.number, each.item) for each in rounds(stocked).due if each.kind is TaskKind.ALARM]
    assert len(set(lines)) == len(lines) == 2


def test_what_is_carried_out_of_it_is_not_looked_for_there(stocked: Larder) -> None:
    alarm(stocked, 1, Alarm.FLOOD)
    move(stocked, [2], place=1, shelf=1)
    (seen,) = see_alarms(stocked, 1)
    assert seen.first == []
    (task,) = [each for each in rounds(stocked).due if each.kind is TaskKind.ALARM]
    assert "nothing" in task.detail


def test_a_place_that_is_removed_alarms_nobody(stocked: Larder) -> None:
    other = add_place(stocked, NewPlace("Cellar", "cellar"))
    alarm(stocked, 1, Alarm.INSECTS)
    move_all(stocked, 1, to=other)
    close_place(stocked, 1)
    assert not [each for each in rounds(stocked).due if each.kind is TaskKind.ALARM]


def test_days_that_cannot_be(stocked: Larder) -> None:
    with refused("in the future"):
        alarm(stocked, 1, Alarm.FLOOD, on=stocked.today() + timedelta(days=1))
    with refused("not there"):
        alarm(stocked, 8, Alarm.FLOOD)
