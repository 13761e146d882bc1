"""Frost outdoors as a freezer, by what a logger out there tells."""

from collections.abc import Callable
from datetime import datetime, timedelta

import pytest

from tests.conftest import Clock
from tests.support.refusals import refused
from yellow_larder.features.freezer.contents import Phase, in_freezer, open_it, plan_freeze, put_in, take_out
from yellow_larder.features.freezer.frost import frosts
from yellow_larder.features.freezer.plan import FreezeAsk
from yellow_larder.features.household.larder import Larder, NewPlace, add_place
from yellow_larder.features.places.logs import read_log
from yellow_larder.features.rounds.rounds import rounds
from yellow_larder.features.rounds.tasks import TaskKind, When

RICE = FreezeAsk(line="10 kg white rice", container="bag-gallon")


@pytest.fixture
def porch(larder: Larder) -> int:
    return add_place(larder, NewPlace("Porch", mean_c=5, warmest_c=15))


def logged(larder: Larder, place: int, days: int, celsius: Callable[[int], float]) -> None:
    """A logger's file of so many days until now, by how warm each day begins, the last one 0."""
    now = larder.clock().replace(minute=0)
    times = [now - timedelta(hours=hours) for hours in range(24 * days, 0, -1)]
    rows = [f"{at:%Y-%m-%d %H:%M},{celsius((now - at) // timedelta(days=1)) - at.hour / 20:.1f}" for at in times]
    read_log(larder, place, "\n".join(["time,temp °C", *rows]).encode())


def test_a_place_that_was_cold_all_week_is_offered(larder: Larder, porch: int, clock: Clock) -> None:
    assert not frosts(larder)
    logged(larder, porch, 20, lambda day: -12.3 if day < 8 else 4)
    (frost,) = frosts(larder)
    assert (frost.name, frost.warmest_c) == ("Porch", -12)
    assert frost.says.startswith("never above \u221212 °C in the week to")
    clock.now += timedelta(days=15)
    assert not frosts(larder), "that week is long gone"


@pytest.mark.parametrize("celsius", [lambda day: -3.0, lambda day: 2.0 if day == 5 else -20.0])
def test_a_thaw_is_no_frost(larder: Larder, porch: int, celsius: Callable[[int], float]) -> None:
    logged(larder, porch, 20, celsius)
    assert not frosts(larder)
    with refused() as told:
        plan_freeze(larder, FreezeAsk(line="1 kg rice", place=porch))
    assert told.value.field == "freezer_c"


def test_without_a_log_there_is_nothing_to_go_by(larder: Larder, porch: int) -> None:
    with refused() as told:
        plan_freeze(larder, FreezeAsk(line="1 kg rice", place=porch))
    assert told.value.field == "place"


def test_hours_that_were_warmer_do_not_count(larder: Larder, porch: int, clock: Clock) -> None:
    """Two days of thaw, told by the log that is read later, put the end off by two days."""
    logged(larder, porch, 10, lambda day: -12)
    shown = plan_freeze(larder, FreezeAsk(line="10 kg white rice", container="bag-gallon", place=porch))
    assert (shown.freezer_c, shown.kills_c, len(shown.holds)) == (-12, -11, 1)
    number = put_in(larder, FreezeAsk(line="10 kg white rice", container="bag-gallon", place=porch))
    (before,) = in_freezer(larder)
    assert before.out_at == before.went_in + timedelta(hours=shown.out_hours)
    clock.now += timedelta(days=20)
    logged(larder, porch, 15, lambda day: 1 if 5 <= day < 7 else -14)
    (after,) = in_freezer(larder)
    assert after.out_at == before.out_at + timedelta(days=2)
    clock.now = naive(before.out_at) + timedelta(hours=1)
    assert in_freezer(larder)[0].phase is Phase.HOLDING
    (task,) = [task for task in rounds(larder).due if task.kind is TaskKind.FREEZER_OUT]
    assert task.when is When.AHEAD
    with refused():
        take_out(larder, number)
    clock.now = naive(after.out_at) + timedelta(hours=1)
    take_out(larder, number)
    clock.now += timedelta(days=3)
    assert open_it(larder, number)


def naive(moment: datetime) -> datetime:
    return moment.replace(tzinfo=None)


def test_a_frost_is_typed(larder: Larder) -> None:
    """A hold that was chosen of a freezer's is that of the frost, of which there is one only."""
    for hold in range(4):
        shown = plan_freeze(larder, FreezeAsk(line="2 kg rice", freezer_c=-11, hold=hold))
        assert (shown.chosen, shown.holds[0].name, shown.holds[0].reaches) == (0, "56 days", True)
        assert any("comes and goes" in caution for caution in shown.cautions)
    assert not any("comes and goes" in caution for caution in plan_freeze(larder, RICE).cautions)
