import time
from collections.abc import Iterator
from datetime import date, datetime, timedelta

import pytest

from tests.conftest import NOON, Clock
from yellow_larder.features.household.clock import day_of, on_the_wall
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.rounds.rounds import rounds
from yellow_larder.features.rounds.tasks import When
from yellow_larder.features.run import steps
from yellow_larder.features.shelves.card import card
from yellow_larder.features.supplies.events import Sort
from yellow_larder.features.supplies.supplies import NewSupply, add_supply
from yellow_larder.features.supplies.view import see_supplies
from yellow_larder.words.dates import say_day
from yellow_larder.words.errors import Refused


@pytest.fixture(params=["UTC", "Pacific/Auckland", "America/Los_Angeles"])
def zone(request: pytest.FixtureRequest, monkeypatch: pytest.MonkeyPatch) -> Iterator[str]:
    monkeypatch.setenv("TZ", request.param)
    time.tzset()
    yield request.param
    monkeypatch.undo()
    time.tzset()


def test_the_day_is_that_of_the_house(zone: str) -> None:
    """By hand: at noon UTC in November it is one in the morning in Auckland (UTC+13), four in Los Angeles (UTC−8)."""
    wall = {"UTC": (24, 12), "Pacific/Auckland": (25, 1), "America/Los_Angeles": (24, 4)}[zone]
    assert on_the_wall(datetime(2026, 11, 24, 12)) == datetime(2026, 11, *wall)
    assert day_of(datetime(2026, 11, 24, 12)) == date(2026, 11, wall[0])
    # Half past eleven in the evening of the 24th, by the wall.
    evening = {"UTC": (24, 23), "Pacific/Auckland": (24, 10), "America/Los_Angeles": (25, 7)}[zone]
    assert day_of(datetime(2026, 11, *evening, 30)) == date(2026, 11, 24)


def test_what_is_packed_in_the_evening_is_packed_that_day(larder: Larder, clock: Clock, zone: str) -> None:
    add_supply(larder, NewSupply(sort=Sort.BAGS, key="bag-gallon", count=9))
    for hours in range(24):
        clock.now = NOON + timedelta(hours=hours)
        on = on_the_wall(clock.now).date()
        before = see_supplies(larder).supplies[0].count
        number = pack(larder, Ask(line="2 kg pearl barley"), packed_on=on).numbers[0]
        assert card(larder, number).packed_on == say_day(on)
        # Packed today by the wall: it takes from the supplies at every hour.
        assert see_supplies(larder).supplies[0].count == max(0, before - 1)
        with pytest.raises(Refused, match="in the future"):
            pack(larder, Ask(line="2 kg pearl barley"), packed_on=on + timedelta(days=1))


def test_a_look_is_due_a_day_after_by_the_wall(larder: Larder, clock: Clock, zone: str) -> None:
    number = steps.add_line(larder, Ask(line="2 kg pearl barley"))
    for step in (steps.begin, steps.labelled, steps.set_out, steps.fill_rest, steps.open_packets):
        step(larder, number)
    steps.close_one(larder, number, 1)
    steps.finish(larder, number)
    closed = on_the_wall(clock.now).date()
    for hours in range(0, 60, 3):
        clock.now = NOON + timedelta(hours=hours)
        look = next(each for each in rounds(larder).due if each.kind == "look")
        days = (on_the_wall(clock.now).date() - closed).days
        assert look.when is (When.AHEAD if days < 1 else When.TODAY if days == 1 else When.LATE)
