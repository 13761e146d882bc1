from __future__ import annotations

from datetime import timedelta
from pathlib import Path

import pytest

from tests.conftest import Clock
from tests.support.drying import dried
from tests.support.runs import BARLEY, LENTILS, clock_of, filled, seen, stock, supply
from yellow_larder.core.containers import Closing
from yellow_larder.core.packing import OUT_MINUTES
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import Larder, open_larder
from yellow_larder.features.lots.lots import set_cupboard
from yellow_larder.features.lots.state import Lot
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.rounds.overview import overview
from yellow_larder.features.run import steps
from yellow_larder.features.run.record import RunPhase
from yellow_larder.features.run.view import see_run, see_that_run
from yellow_larder.features.shelves.card import card
from yellow_larder.features.shelves.inspection import to_look
from yellow_larder.features.shelves.shelves import shelves
from yellow_larder.features.supplies.events import Sort
from yellow_larder.features.supplies.supplies import (
    count_supply,
    forget_supply,
    more_of,
)
from yellow_larder.journal.database import reading
from yellow_larder.words.errors import NotThere, Refused


def kept(larder: Larder) -> list[int]:
    return sorted(each.number for each in shelves(larder).packages)


def test_a_run_in_time(larder: Larder, clock: Clock) -> None:
    stock(larder)
    number = steps.add_line(larder, BARLEY)
    assert steps.add_line(larder, LENTILS) == number
    sheet = seen(larder)
    assert (sheet.phase, sheet.number) == (RunPhase.SHEET, number)
    assert [(line.count, line.packets) for line in sheet.lines] == [(4, "4 × 500 mL"), (2, "2 × 500 mL")]
    assert sheet.packs == ["1 pack of 10 × 500 mL, 4 back into the jar"]
    assert overview(larder).running == "2 on the sheet"

    steps.begin(larder, number)
    assert seen(larder).phase is RunPhase.LABELS
    assert [each.number for each in seen(larder).containers] == [1, 2, 3, 4, 5, 6]
    assert kept(larder) == []
    steps.labelled(larder, number)
    ready = seen(larder).ready
    assert [each.code for each in ready] == ["containers", "scale", "iron", "strip", "packets", "jar", "helper"]
    steps.tick(larder, number, "iron", on=True)
    steps.tick(larder, number, "jar", on=True)
    steps.tick(larder, number, "iron", on=False)
    assert [each.code for each in seen(larder).ready if each.done] == ["jar"]
    steps.set_out(larder, number)
    steps.fill_one(larder, number, 1, "2.54 kg")
    assert (seen(larder).containers[0].filled, seen(larder).containers[0].off) == ("2.54 kg", "over by 40 g")
    steps.fill_rest(larder, number)

    batch = seen(larder).batch
    assert batch is not None
    assert (seen(larder).phase, batch.waiting, batch.suggested) == (RunPhase.OPEN, 6, 6)
    steps.open_packets(larder, number)
    assert (supply(larder).count, seen(larder).spares) == (2, ["4 × 500 mL, 1 min out"])
    for n in range(1, 7):
        assert clock_of(larder).next == n
        clock.now += timedelta(seconds=50)
        steps.close_one(larder, number, n, note="a crease in the seal" if n == 2 else "")
        assert kept(larder) == list(range(1, n + 1))
    assert seen(larder).phase is RunPhase.LAST
    assert overview(larder).running == "6 of 6 closed"
    steps.finish(larder, number)

    done = see_that_run(larder, number)
    assert see_run(larder) is None
    assert (done.phase, [each.late for each in done.containers]) == (RunPhase.DONE, [False] * 6)
    assert done.containers[1].note == "a crease in the seal"
    assert (supply(larder).spares, supply(larder, Sort.BAGS).count) == (4, 14)
    assert card(larder, 1).mass == "2.54 kg"
    assert [each.number for each in to_look(larder, ahead_days=1)] == [1, 2, 3, 4, 5, 6]
    assert pack(larder, Ask(line="1 kg pearl barley")).numbers == [7]


def test_a_run_without_any_supplies_counted(larder: Larder) -> None:
    """Who counts nothing packs all the same: the packets are those of the bench."""
    number = filled(larder, BARLEY)
    assert seen(larder).packs == []
    assert seen(larder).containers[0].packets == "1 × 300 mL + 1 × 100 mL"
    steps.open_packets(larder, number)
    for n in range(1, 5):
        steps.close_one(larder, number, n)
    steps.finish(larder, number)
    assert card(larder, 4).packets == "1 × 300 mL + 1 × 100 mL"


def test_too_slow_the_last_go_back_in_time(larder: Larder, clock: Clock) -> None:
    stock(larder)
    number = filled(larder, BARLEY, LENTILS)
    steps.open_packets(larder, number)
    for n in (1, 2, 3):
        clock.now += timedelta(minutes=4)
        steps.close_one(larder, number, n)
    now = clock_of(larder)
    # By hand: the pace leans on two usual ones, (3 × 240 + 2 × 45) / 5 = 162 s;
    # 180 s are left, so one is closed in time.
    assert (now.each_s, now.left_s, now.put_back) == (162, 180, 2)
    assert now.says == "Too slow for all 3: put the absorbers of the last 2 back into the jar now."
    with pytest.raises(Refused, match="out for 3"):
        steps.put_back(larder, number, 4)
    steps.put_back(larder, number, 2)
    assert (clock_of(larder).of, clock_of(larder).closed, clock_of(larder).put_back) == (4, 3, 0)
    assert seen(larder).spares == ["6 × 500 mL, 12 min out"]
    with pytest.raises(Refused, match="No absorbers are out for number 5"):
        steps.close_one(larder, number, 5)
    clock.now += timedelta(minutes=2)
    steps.close_one(larder, number, 4)
    # The next opening takes them out of the jar, and its clock goes on where they stood.
    assert seen(larder).phase is RunPhase.OPEN
    steps.open_packets(larder, number)
    assert clock_of(larder).left_s == (OUT_MINUTES - 12) * 60
    assert supply(larder).count == 2


def test_the_telephone_rings(larder: Larder, clock: Clock) -> None:
    stock(larder)
    number = filled(larder, BARLEY)
    steps.open_packets(larder, number)
    clock.now += timedelta(minutes=3)
    steps.put_back(larder, number)
    assert (seen(larder).phase, seen(larder).clock) == (RunPhase.OPEN, None)
    clock.now += timedelta(hours=1)
    steps.open_packets(larder, number, 2)
    assert clock_of(larder).left_s == (OUT_MINUTES - 3) * 60
    clock.now += timedelta(minutes=1)
    steps.close_one(larder, number, 1)
    steps.close_one(larder, number, 2)
    assert seen(larder).clock is None
    steps.abandon(larder, number)
    assert (kept(larder), supply(larder).spares, supply(larder).count) == ([1, 2], 8, 2)


def test_a_container_closed_hours_late_is_no_pace(larder: Larder, clock: Clock) -> None:
    """Called away with absorbers out, and back in the evening: the run goes on."""
    stock(larder)
    number = filled(larder, LENTILS)
    steps.open_packets(larder, number, 1)
    clock.now += timedelta(hours=3)
    steps.close_one(larder, number, 1)
    assert seen(larder).phase is RunPhase.OPEN
    steps.open_packets(larder, number, 1)
    assert clock_of(larder).each_s == (1800 + 2 * 45) / 3


def test_the_clock_runs_out(larder: Larder, clock: Clock) -> None:
    stock(larder)
    number = filled(larder, LENTILS)
    steps.open_packets(larder, number)
    clock.now += timedelta(minutes=OUT_MINUTES, seconds=1)
    now = clock_of(larder)
    assert (now.over, now.left_s, now.put_back) == (True, -1, 2)
    assert "look at the indicator" in now.says
    steps.close_one(larder, number, 1)
    assert seen(larder).containers[0].late
    steps.put_back(larder, number)
    # What has been out for too long is not used again: a fresh pack is opened.
    steps.open_packets(larder, number)
    assert supply(larder).count == 1
    steps.close_one(larder, number, 2)
    steps.finish(larder, number)
    assert supply(larder).spares == 0


def test_the_power_goes(tmp_path: Path, clock: Clock) -> None:
    larder = open_larder(tmp_path / "larder.db", clock)
    number = filled(larder, BARLEY)
    steps.open_packets(larder, number)
    clock.now += timedelta(minutes=1)
    steps.close_one(larder, number, 1)
    before = seen(larder)
    larder.close()
    again = open_larder(tmp_path / "larder.db", clock)
    assert see_run(again) == before
    clock.now += timedelta(minutes=2)
    assert clock_of(again).out_s == 180
    again.engine.dispose()


def test_two_screens_close_the_same_one(larder: Larder, clock: Clock) -> None:
    stock(larder)
    number = filled(larder, BARLEY)
    steps.open_packets(larder, number)
    steps.close_one(larder, number, 1)
    with pytest.raises(Refused, match="Number 1 was closed already, at 12:00:00; it counts once"):
        steps.close_one(larder, number, 1)
    assert (kept(larder), supply(larder, Sort.BAGS).count) == ([1], 19)
    with pytest.raises(Refused, match=r"at “against the clock” now; another screen"):
        steps.open_packets(larder, number)
    with pytest.raises(NotThere):
        steps.close_one(larder, number, 9)


def test_closing_is_taken_back_whole(larder: Larder, clock: Clock) -> None:
    stock(larder)
    number = filled(larder, BARLEY)
    steps.open_packets(larder, number)
    clock.now += timedelta(seconds=30)
    steps.close_one(larder, number, 1)
    clock.now += timedelta(seconds=30)
    steps.close_one(larder, number, 2)
    take_back(larder)
    assert (kept(larder), supply(larder, Sort.BAGS).count, clock_of(larder).next) == ([1], 19, 2)
    steps.close_one(larder, number, 2)
    assert kept(larder) == [1, 2]


def test_what_is_packed_leaves_its_lot(larder: Larder, clock: Clock) -> None:
    out = dried(larder, clock)
    with reading(larder.engine) as session:
        there = session.get_one(Lot, out.lot).mass_g
    number = filled(larder, Ask(line=out.line, container="jar-quart", closing=Closing.LID, lot=out.lot))
    first = seen(larder).containers[0]
    steps.close_one(larder, number, 1)
    with reading(larder.engine) as session:
        assert session.get_one(Lot, out.lot).mass_g == pytest.approx(there - first.planned_g)


def test_a_line_is_taken_off_the_sheet(larder: Larder) -> None:
    number = steps.add_line(larder, LENTILS)
    steps.remove_line(larder, number, 1)
    with pytest.raises(NotThere):
        steps.remove_line(larder, number, 1)
    with pytest.raises(Refused, match="nothing on the sheet"):
        steps.begin(larder, number)
    assert overview(larder).running == ""


def test_vacuum_and_plain_lids_need_no_clock(larder: Larder) -> None:
    stock(larder)
    number = filled(
        larder,
        Ask(line="1 kg red lentils", container="jar-quart", closing=Closing.VACUUM),
        Ask(line="2 kg white sugar", container="jar-quart", closing=Closing.LID),
        LENTILS,
    )
    run = seen(larder)
    plain = [each.n for each in run.containers if not each.packets]
    assert (run.phase, run.clock) == (RunPhase.PLAIN, None)
    with pytest.raises(Refused, match="close without absorbers"):
        steps.open_packets(larder, number)
    for n in plain:
        steps.close_one(larder, number, n)
    assert seen(larder).phase is RunPhase.OPEN
    # A lid that took no air out has nothing to show after a day.
    looked = {each.food for each in to_look(larder, ahead_days=1)}
    assert looked == {"red lentils"}


def test_filling_is_weighed(larder: Larder) -> None:
    stock(larder)
    number = steps.add_line(larder, LENTILS)
    steps.begin(larder, number)
    steps.labelled(larder, number)
    steps.set_out(larder, number)
    steps.fill_one(larder, number, 1, "1.2 kg")
    light = seen(larder).containers[0]
    assert light.off == "under by 1.3 kg"
    with pytest.raises(Refused, match="Number 1 is full already"):
        steps.fill_one(larder, number, 1, "2.5 kg")
    for wrong, says in (("nothing", "Write an amount"), ("0 g", "The amount is zero"), ("9 kg", "More than fits")):
        with pytest.raises(Refused, match=says):
            steps.fill_one(larder, number, 2, wrong)
    assert seen(larder).containers[1].filled_g is None
    take_back(larder)
    steps.fill_one(larder, number, 1, "2.6 kg")
    assert seen(larder).containers[0].off == "over by 100 g"


def test_packets_gone_in_mid_run(larder: Larder, clock: Clock) -> None:
    """Packets that somebody used for something else meanwhile: it says so, and the run goes on once there are more."""
    stock(larder, packs=1)
    number = filled(larder, BARLEY)
    packets = supply(larder).number
    count_supply(larder, packets, 0)
    with pytest.raises(Refused, match="Out of 500 mL absorbers"):
        steps.open_packets(larder, number)
    more_of(larder, packets, 1)
    steps.open_packets(larder, number)
    forget_supply(larder, packets)
    steps.close_one(larder, number, 1)
    assert kept(larder) == [1]


def test_numbers_that_were_printed_are_not_given_twice(larder: Larder) -> None:
    number = steps.add_line(larder, LENTILS)
    steps.begin(larder, number)
    assert [each.number for each in seen(larder).containers] == [1, 2]
    assert pack(larder, Ask(line="1 kg pearl barley")).numbers == [3]
    steps.abandon(larder, number)
    assert kept(larder) == [3]
    again = steps.add_line(larder, LENTILS)
    steps.begin(larder, again)
    assert [each.number for each in seen(larder).containers] == [4, 5]


def test_the_pace_of_the_last_run_is_what_is_usual(larder: Larder, clock: Clock) -> None:
    number = filled(larder, BARLEY)
    steps.open_packets(larder, number)
    for n in range(1, 5):
        clock.now += timedelta(seconds=90)
        steps.close_one(larder, number, n)
    steps.finish(larder, number)
    filled(larder, BARLEY)
    batch = seen(larder).batch
    assert batch is not None
    # By hand: four fifths of fifteen minutes are 720 s, at 90 s each.
    assert batch.each_s == 90
    assert "8 are closed" in batch.says


def test_taking_the_last_one_back_never_takes_back_what_another_screen_did(larder: Larder) -> None:
    """It names the run's own change: if something else came since, that is said and nothing is undone."""
    steps.add_line(larder, BARLEY)
    shown = see_run(larder)
    assert shown is not None
    set_cupboard(larder, "rolled-oats", "3 kg")
    with pytest.raises(Refused):
        take_back(larder, shown.last_change)
    take_back(larder)
    take_back(larder, shown.last_change)
    assert see_run(larder) is None


def test_a_run_that_was_broken_off_is_over(larder: Larder) -> None:
    number = steps.add_line(larder, LENTILS)
    steps.begin(larder, number)
    steps.abandon(larder, number)
    for go_on in (
        lambda: steps.labelled(larder, number),
        lambda: steps.set_out(larder, number),
        lambda: steps.fill_one(larder, number, 1, "1 kg"),
        lambda: steps.close_one(larder, number, 1),
        lambda: steps.abandon(larder, number),
    ):
        with pytest.raises(Refused):
            go_on()
