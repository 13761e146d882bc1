"""The run sheet: what may go on it, and one run at a time."""

from __future__ import annotations

from dataclasses import replace

import pytest

from tests.support.runs import BARLEY, LENTILS, filled, seen, stock
from yellow_larder.core.containers import Closing
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.run import steps
from yellow_larder.features.run.view import see_run, see_that_run
from yellow_larder.features.supplies.events import Sort
from yellow_larder.features.supplies.supplies import (
    NewSupply,
    add_supply,
    more_of,
    put_spares,
)
from yellow_larder.words.errors import NotThere, Refused


def test_there_must_be_packets_before_it_begins(larder: Larder) -> None:
    packets = add_supply(larder, NewSupply(sort=Sort.PACKETS, key="500", count=0, per_pack=5))
    number = steps.add_line(larder, BARLEY)
    steps.add_line(larder, LENTILS)
    assert seen(larder).buy == ["2 packs of 5 × 500 mL"]
    with pytest.raises(Refused, match="buy what the sheet says"):
        steps.begin(larder, number)
    more_of(larder, packets, 1)
    put_spares(larder, packets, 2, 5)
    # Seven at hand for six, and two of them spares of which one alone still does for lentils.
    assert seen(larder).buy == []
    steps.begin(larder, number)
    assert see_run(larder) is not None


def test_packets_too_small_for_it_are_said_on_the_sheet(larder: Larder) -> None:
    add_supply(larder, NewSupply(sort=Sort.PACKETS, key="20", count=1, per_pack=5))
    number = steps.add_line(larder, Ask(line="20 kg pearl barley", container="pail-5-gallon", closing=Closing.ABSORBER))
    with pytest.raises(Refused):
        steps.begin(larder, number)
    assert seen(larder).buy or seen(larder).wrong


def test_bags_that_are_short_are_said(larder: Larder) -> None:
    stock(larder, bags=3)
    steps.add_line(larder, BARLEY)
    assert seen(larder).short == ["More than your supplies hold: 4 × 1 gal foil bag (3 there)"]


def test_one_run_at_a_time(larder: Larder) -> None:
    number = filled(larder, LENTILS)
    with pytest.raises(Refused, match="A run is on"):
        steps.add_line(larder, BARLEY)
    for act in (steps.begin, steps.labelled, steps.set_out, steps.fill_rest, steps.put_back, steps.finish):
        with pytest.raises(Refused, match="another screen may have been ahead"):
            act(larder, number)
    steps.open_packets(larder, number)
    with pytest.raises(Refused, match="put them back into the jar first"):
        steps.abandon(larder, number)
    steps.put_back(larder, number)
    steps.abandon(larder, number)
    assert see_run(larder) is None
    assert steps.add_line(larder, BARLEY) == number + 1
    with pytest.raises(NotThere):
        see_that_run(larder, 99)


def test_a_stop_goes_on_the_sheet_only_with_its_reason(larder: Larder) -> None:
    sugar = Ask(line="2 kg white sugar", closing=Closing.ABSORBER)
    with pytest.raises(Refused):
        steps.add_line(larder, sugar)
    number = steps.add_line(larder, replace(sugar, override="a trial till May"))
    assert seen(larder).lines[0].stop
    steps.begin(larder, number)
    assert any("a trial till May" in each for each in seen(larder).cautions)


def test_too_much_for_one_day(larder: Larder) -> None:
    for _ in range(12):
        steps.add_line(larder, Ask(line="1 kg pearl barley"))
    with pytest.raises(Refused, match="12 lines"):
        steps.add_line(larder, LENTILS)


def test_all_that_was_proposed_goes_on_the_sheet_or_nothing(larder: Larder) -> None:
    with pytest.raises(Refused):
        steps.add_lines(larder, [BARLEY, replace(LENTILS, container="hat")])
    assert see_run(larder) is None
    steps.add_lines(larder, [BARLEY, LENTILS])
    shown = see_run(larder)
    assert shown is not None
    assert len(shown.lines) == 2
    take_back(larder)
    assert see_run(larder) is None
