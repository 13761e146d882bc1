"""What the bench promises is what the shelf shows, and what a move makes of it."""

import os
import random
from datetime import timedelta
from pathlib import Path

import pytest

from tests.conftest import Clock
from tests.support.refusals import refused
from yellow_larder import reference
from yellow_larder.core.containers import Closing
from yellow_larder.core.finding import Severity
from yellow_larder.core.packing import Feel
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import (
    Larder,
    NewPlace,
    add_place,
    current_settings,
    open_larder,
    places_in,
    settle,
)
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.planner import plan
from yellow_larder.features.packing.request import Ask, Opened
from yellow_larder.features.shelves.card import card
from yellow_larder.features.shelves.carrying import move
from yellow_larder.features.shelves.inspection import Felt, look_over
from yellow_larder.journal.checking import check
from yellow_larder.journal.database import reading

PLACES = (
    NewPlace("Freezer", "cellar", mean_c=-18, warmest_c=-16, humidity=0.6),
    NewPlace("Wash house", "cellar", mean_c=16, warmest_c=22, humidity=0.85),
    NewPlace("Loft", "loft", mean_c=20, warmest_c=36, humidity=0.5),
)


@pytest.fixture(scope="module")
def new_file(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """The file of a new larder with those places; made once, and copied for each test."""
    file = tmp_path_factory.mktemp("places") / "larder.db"
    with open_larder(file, Clock()) as larder:
        for new in PLACES:
            add_place(larder, new)
    return file


@pytest.fixture
def places(larder: Larder) -> dict[str, int]:
    """The number of each place."""
    with reading(larder.engine) as session:
        return {place.name.lower(): number for number, place in places_in(session).items()}


def asks() -> list[Ask]:
    """Of every food one packing, as chance has it."""
    chance, found = random.Random(12), []
    foods, packed_in = (
        list(reference.foods().values()),
        [key for key, each in reference.containers().items() if each.is_packed_into],
    )
    # Every food in turn takes too long for every day; `make test-thorough` has them all.
    for food in foods if os.environ.get("YELLOW_LARDER_TESTS") == "thorough" else chance.sample(foods, 160):
        key = chance.choice(packed_in)
        closing = chance.choice(reference.containers()[key].closings)
        opened = chance.choice(list(Opened))
        found.append(Ask(line=f"300 g {food.name}", container=key, closing=closing, opened=opened, conditioned=True))
    return found


@pytest.mark.parametrize("ask", asks(), ids=lambda ask: f"{ask.line}, {ask.container}, {ask.closing}")
def test_the_shelf_shows_what_the_bench_promised_wherever_it_stands(
    larder: Larder, places: dict[str, int], ask: Ask
) -> None:
    """Packed here and carried there the same day, it lasts as long as if it had been packed there, or less."""
    planned = plan(larder, ask)
    override = "a law is being tried" if planned.verdict.severity is Severity.STOP else ""
    number = pack(larder, Ask(**{**_fields(ask), "override": override})).numbers[0]
    shown = card(larder, number)
    assert shown.best_by == planned.best_by.text
    move(larder, [number], place=places["loft"], shelf=1)
    there = plan(larder, Ask(**{**_fields(ask), "place": places["loft"]}))
    after = card(larder, number)
    assert _days(after.best_by) <= _days(there.best_by.text)
    assert _days(after.best_by) <= _days(shown.best_by)


def _fields(ask: Ask) -> dict[str, object]:
    return {name: getattr(ask, name) for name in ("line", "container", "closing", "opened", "conditioned")}


def _days(text: str) -> int:
    if text == "keeps":
        return 10**9
    *_, month, year = text.split()
    months = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"]
    return int(year) * 12 + months.index(month)


def test_a_pouch_that_is_moved_goes_on_with_what_is_left_of_its_vacuum(
    larder: Larder, places: dict[str, int], clock: Clock
) -> None:
    """Half of what keeps the air out is used up here; in the warmth the other half goes faster."""
    ask = Ask(line="900 g white rice", container="pouch-quart", closing=Closing.VACUUM, place=places["freezer"])
    number = pack(larder, ask).numbers[0]
    before = card(larder, number).best_by
    clock.now += timedelta(days=60)
    move(larder, [number], place=places["loft"], shelf=1)
    assert _days(card(larder, number).best_by) < _days(before)
    assert check(larder.engine) == []


def test_a_look_does_not_forbid_to_say_that_it_was_moved_before(
    larder: Larder, places: dict[str, int], clock: Clock
) -> None:
    ask = Ask(line="900 g white rice", container="jar-quart", closing=Closing.VACUUM)
    number = pack(larder, ask).numbers[0]
    packed = larder.today()
    clock.now += timedelta(days=8)
    look_over(larder, [Felt(number, Feel.FIRM)])
    move(larder, [number], place=places["loft"], shelf=1, on=packed + timedelta(days=3))
    shown = card(larder, number)
    assert [(each.place, each.days) for each in shown.ledger] == [("Pantry", 3), ("Loft", 5)]
    assert check(larder.engine) == []


@pytest.mark.parametrize("room_c", [-10, 0, 0.9, 46])
def test_nobody_packs_in_the_frost(larder: Larder, room_c: float) -> None:
    household = current_settings(larder)
    with refused() as found:
        settle(larder, Settings(**{**_settings(household), "room_c": room_c}))
    assert found.value.field == "room_c"


def _settings(household: Settings) -> dict[str, object]:
    return {name: getattr(household, name) for name in Settings.__dataclass_fields__}
