import shutil
from datetime import date, timedelta
from pathlib import Path

import pytest
from icalendar import Calendar

from tests.conftest import NOON, Clock
from tests.support.drying import dried
from yellow_larder.core.containers import Closing
from yellow_larder.core.drying import Look
from yellow_larder.documents.calendar import rounds_calendar
from yellow_larder.features.drying.conditioning import fill_jar, look_at_jar
from yellow_larder.features.drying.load_plan import Item, LoadAsk
from yellow_larder.features.drying.loads import start_load
from yellow_larder.features.drying.weighing import weigh_tray
from yellow_larder.features.freeze_drying.loads import start_freeze_load, take_out_freeze_load
from yellow_larder.features.freeze_drying.plan import FreezeItem, FreezeLoadAsk
from yellow_larder.features.freezer.contents import put_in, take_out
from yellow_larder.features.freezer.plan import FreezeAsk
from yellow_larder.features.household.larder import Larder, NewPlace, add_place, open_larder
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.rounds.overview import overview
from yellow_larder.features.rounds.rounds import rounds
from yellow_larder.features.rounds.tasks import Task, TaskKind, When
from yellow_larder.features.shelves.ageing import SOON_DAYS, due_soon
from yellow_larder.features.shelves.carrying import throw_out
from yellow_larder.features.shelves.shelves import Due, shelves
from yellow_larder.journal.database import reading
from yellow_larder.reference import foods


def due(larder: Larder, kind: TaskKind) -> list[Task]:
    return [each for each in rounds(larder).due if each.kind is kind]


def test_nothing_to_do(larder: Larder) -> None:
    assert rounds(larder).due == []
    assert overview(larder).due == 0


def test_a_load_asks_to_be_weighed(larder: Larder, clock: Clock) -> None:
    number = start_load(larder, LoadAsk(items=(Item(line="2 kg leeks"),)))
    (weigh,) = due(larder, TaskKind.WEIGH)
    assert (weigh.number, weigh.when, weigh.now, weigh.title) == (number, When.TODAY, False, "Weigh tray 4, leeks")
    clock.now += timedelta(hours=2)
    assert due(larder, TaskKind.WEIGH)[0].now
    clock.now += timedelta(hours=1)
    assert [each.when for each in rounds(larder).due] == [When.LATE]
    weigh_tray(larder, number, 4, "230 g")
    assert rounds(larder).due[0].when is When.TODAY


def test_a_jar_is_shaken_daily(larder: Larder, clock: Clock) -> None:
    out = dried(larder, clock)
    assert [each.title for each in due(larder, TaskKind.CONDITION)] == ["Put the leeks into a jar to condition"]
    number = fill_jar(larder, out.lot, days=5)
    (shake,) = due(larder, TaskKind.SHAKE)
    assert (shake.when, shake.now, shake.more_days) == (When.AHEAD, False, 4)
    assert (shake.on, shake.at) == ((NOON + timedelta(days=1)).date(), None)
    clock.now += timedelta(days=1)
    assert [each.when for each in due(larder, TaskKind.SHAKE)] == [When.TODAY]
    clock.now += timedelta(days=1)
    late = due(larder, TaskKind.SHAKE)[0]
    assert (late.when, late.now) == (When.LATE, True)
    assert overview(larder).due == 1
    look_at_jar(larder, number, Look.CLUMPED)
    assert due(larder, TaskKind.SHAKE) == []
    assert [each.title for each in due(larder, TaskKind.REDRY)] == ["Dry the leeks again: back on the trays"]


def test_the_freezer_and_the_thaw(larder: Larder, clock: Clock) -> None:
    number = put_in(larder, FreezeAsk(line="3 kg bread flour", container="bag-half-gallon", freezer_c=-20))
    assert [(each.when, each.now) for each in due(larder, TaskKind.FREEZER_OUT)] == [(When.AHEAD, False)]
    clock.now += timedelta(hours=106)
    assert [(each.when, each.now) for each in due(larder, TaskKind.FREEZER_OUT)] == [(When.TODAY, True)]
    clock.now += timedelta(days=3)
    assert due(larder, TaskKind.FREEZER_OUT)[0].when is When.LATE
    take_out(larder, number)
    thawing = due(larder, TaskKind.FREEZER_OPEN)[0]
    assert (thawing.now, thawing.title) == (False, "Open the bread flour, and pack it dry")
    clock.now += timedelta(hours=30)
    assert due(larder, TaskKind.FREEZER_OPEN)[0].now


def test_the_freeze_dryer_is_in_a_hurry(larder: Larder, clock: Clock) -> None:
    number = start_freeze_load(larder, FreezeLoadAsk(items=(FreezeItem(line="3 kg fish stew"),)))
    assert not due(larder, TaskKind.FREEZE_DRYER)[0].now
    clock.now += timedelta(hours=20)
    take_out_freeze_load(larder, number, meant=True)
    (close,) = due(larder, TaskKind.CLOSE_UP)
    assert (close.when, close.now) == (When.TODAY, True)
    clock.now += timedelta(hours=3)
    assert due(larder, TaskKind.CLOSE_UP)[0].when is When.LATE


def test_what_is_past_its_best_is_looked_at(larder: Larder, clock: Clock) -> None:
    pack(
        larder,
        Ask(line="300 g dried leeks", container="jar-half-gallon", closing=Closing.LID),
        packed_on=date(2024, 11, 24),
    )
    pack(larder, Ask(line="3 kg pearl barley"))
    (eat,) = due(larder, TaskKind.EAT)
    assert (eat.number, eat.title, eat.when) == (1, "Look at the dried leeks: past best-by", When.LATE)


def test_what_is_late_is_late_whatever_it_is(furnished: Path, tmp_path: Path) -> None:
    """Nothing whose day is over is told of as of today: the demo household's round on a month of days."""
    seen = set()
    with open_larder(Path(shutil.copy(furnished, tmp_path / "demo.db"))) as larder:
        now = larder.clock()
        for days in range(0, 33, 4):
            larder.clock = lambda days=days: now + timedelta(days=days)  # type: ignore[misc]
            found = rounds(larder)
            for task in found.due:
                seen.add(task.kind)
                over = task.on < found.day
                assert task.when is When.LATE or not over, task
                assert over or task.at is not None or task.when is not When.LATE, task
                assert (task.when is When.AHEAD) == (task.on > found.day), task
            assert found.late + found.today + found.ahead == len(found.due)
            told = [each for each in found.due if each.when is When.LATE or (each.when is When.TODAY and each.now)]
            assert found.to_do == len(told)
    assert len(seen) > 8


def test_late_comes_first(larder: Larder, clock: Clock) -> None:
    fill_jar(larder, dried(larder, clock).lot, days=5)
    start_load(larder, LoadAsk(items=(Item(line="2 kg mushrooms"),)))
    clock.now += timedelta(days=2)
    found = rounds(larder)
    order = [each.when for each in found.due]
    assert order == sorted(order, key=list(When).index)
    assert (found.late, found.today, found.ahead) == (2, 0, 0)


def test_the_calendar_reads_back(larder: Larder, clock: Clock) -> None:
    """Read with icalendar's own parser (RFC 5545)."""
    fill_jar(larder, dried(larder, clock).lot, days=5)
    start_load(larder, LoadAsk(items=(Item(line="2 kg mushrooms"),)))
    clock.now += timedelta(days=2)
    found = rounds(larder)
    feed = rounds_calendar(found, name="Skerrow; the “larder”", made=clock.now)
    calendar = Calendar.from_ical(feed)
    assert str(calendar["X-WR-CALNAME"]) == "Rounds · Skerrow; the “larder”"
    events = list(calendar.walk("VEVENT"))
    titles = [each.title for each in found.due for _ in range(each.more_days + 1)]
    assert [str(each["SUMMARY"]) for each in events] == titles
    assert len({str(each["UID"]) for each in events}) == len(events)
    # What is late stands on today.
    assert events[0].decoded("DTSTART") == clock.now.date()
    again = Calendar.from_ical(rounds_calendar(rounds(larder), name="x", made=clock.now))
    assert [str(each["UID"]) for each in again.walk("VEVENT")] == [str(each["UID"]) for each in events]


def test_an_hour_in_the_calendar_is_in_utc(larder: Larder, clock: Clock) -> None:
    start_load(larder, LoadAsk(items=(Item(line="2 kg mushrooms"),)))
    (event,) = Calendar.from_ical(rounds_calendar(rounds(larder), name="x", made=clock.now)).walk("VEVENT")
    start = event.decoded("DTSTART")
    assert start.utcoffset() == timedelta(0)
    assert NOON < start.replace(tzinfo=None) < NOON + timedelta(hours=4)
    assert event.decoded("DTEND") - start == timedelta(minutes=15)


@pytest.mark.parametrize("days", [5, 7, 10])
def test_a_calendar_has_a_shake_for_every_day(larder: Larder, clock: Clock, days: int) -> None:
    fill_jar(larder, dried(larder, clock).lot, days=days)
    events = Calendar.from_ical(rounds_calendar(rounds(larder), name="x", made=clock.now)).walk("VEVENT")
    days_in = [event.decoded("DTSTART") for event in events]
    assert days_in == [(NOON + timedelta(days=n)).date() for n in range(1, days + 1)]


@pytest.mark.parametrize("ago", [0, 200, 400, 700, 1500, 4000])
def test_the_round_finds_what_the_shelves_mark(larder: Larder, clock: Clock, ago: int) -> None:
    """Asking the file only for what could be due leaves nothing out, in a cellar or under a roof."""
    places = [1, add_place(larder, NewPlace("Cellar", "cellar", 4, mean_c=9, warmest_c=12))]
    places.append(add_place(larder, NewPlace("Roof", "loft", 2, mean_c=24, warmest_c=38)))
    for place in places:
        for line, container, closing in (
            ("300 g dried leeks", "jar-half-gallon", Closing.LID),
            ("500 g onion powder", "jar-quart", Closing.LID),
            ("2 kg white rice", "bag-gallon", Closing.ABSORBER),
            ("500 g hazelnuts", "jar-quart", Closing.VACUUM),
            ("1 kg salt", "jar-quart", Closing.LID),
        ):
            pack(larder, Ask(line=line, container=container, closing=closing, place=place))
    clock.now += timedelta(days=ago)
    marked = {each.number for each in shelves(larder).packages if each.due is not Due.FINE}
    with reading(larder.engine) as session:
        soon = due_soon(session, larder.today())
    assert set(soon.number.tolist()) == marked
    assert all(soon.days < SOON_DAYS)
    assert bool(marked) is (ago > 0)


def test_of_the_days_it_is_said_how_many_are_past_their_best_by(larder: Larder, clock: Clock) -> None:
    """Its energy over what the household eats in a day, by hand; thrown out it counts no more."""
    pack(larder, Ask(line="500 g hazelnuts", container="jar-1-litre", closing=Closing.LID))
    pack(larder, Ask(line="2 kg white rice", container="jar-half-gallon"))
    seen = overview(larder)
    assert (seen.past_days, seen.kept) == (0, 3)
    clock.now += timedelta(days=700)
    seen = overview(larder)
    nuts = foods()["hazelnuts"].composition.kcal * 5
    assert seen.past_days == pytest.approx(nuts / seen.appetite.kcal_day, rel=1e-3)
    assert seen.days > seen.past_days
    throw_out(larder, [1], why="rancid")
    assert overview(larder).past_days == 0
