import math
from dataclasses import replace
from datetime import date, timedelta
from typing import Any

import pytest

from tests.conftest import Clock
from tests.support.refusals import refused
from yellow_larder.core.containers import Closing
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder, NewPlace, add_place, settle
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.places.places import close_place
from yellow_larder.features.rounds.overview import overview
from yellow_larder.features.shelves.card import card
from yellow_larder.features.shelves.carrying import move, throw_out
from yellow_larder.features.shelves.labels import labels
from yellow_larder.features.shelves.shelves import Due, shelves
from yellow_larder.words.errors import NotThere

BARLEY = Ask(line="10 kg pearl barley", container="bag-gallon")
LEEKS = Ask(line="160 g dried leeks", container="jar-quart", closing=Closing.LID)
LOFT = NewPlace("Loft", "loft", 2, 1000, mean_c=25, warmest_c=35)


def ledger_by_hand(since: date, days: int, mean_c: float, swing_c: float, q10: float = 2.0) -> float:
    """Life used, summed day by day with the standard library; warmest in the middle of July."""
    total = 0.0
    for n in range(days):
        of_year = (since + timedelta(days=n)).timetuple().tm_yday - 0.5
        total += q10 ** ((mean_c + swing_c * math.cos(2 * math.pi * (of_year / 365.25 - 6.5 / 12)) - 21) / 10)
    return total


def test_packing_makes_numbered_containers(larder: Larder) -> None:
    batch = pack(larder, BARLEY)
    assert batch.numbers == [1, 2, 3, 4]
    assert batch.title == "Packed 4 × 2.5 kg pearl barley"
    view = shelves(larder)
    assert [package.number for package in view.packages] == [1, 2, 3, 4]
    assert {package.left for package in view.packages} == {1.0}
    assert view.places[0].kept == 4
    assert (view.places[0].foods[0].food, view.places[0].foods[0].mass) == ("pearl barley", "10 kg")
    assert pack(larder, BARLEY).numbers == [5, 6, 7, 8]


def test_things_stand_where_they_usually_do(larder: Larder) -> None:
    for container in ("jar-quart", "bag-gallon", "lined-5-gallon"):
        pack(larder, Ask(line="700 g pearl barley", container=container))
    assert [package.shelf for package in shelves(larder).packages] == [1, 2, 3]
    assert card(larder, pack(larder, BARLEY, shelf=3).numbers[0]).shelf == 3


def test_one_place_is_shown_and_begun_where_it_is_meant(larder: Larder, clock: Clock) -> None:
    empty = shelves(larder, fullest=True)
    assert (empty.place, empty.packages) == (1, [])
    loft = add_place(larder, LOFT)
    pack(larder, BARLEY)
    leeks = pack(larder, replace(LEEKS, place=loft)).numbers[0]

    def begun(**asked: int) -> tuple[int | None, set[int]]:
        view = shelves(larder, fullest=True, **asked)
        return view.place, {each.place for each in view.packages}

    assert begun() == begun(beside=1) == begun(place=1, beside=leeks) == (1, {1})
    assert begun(beside=leeks) == begun(place=loft) == begun(place=99, beside=leeks) == (loft, {loft})
    assert begun(place=99) == begun(place=99, beside=99) == begun(beside=99) == (1, {1})
    throw_out(larder, [each.number for each in shelves(larder, place=loft).packages], why="Puffed up")
    assert begun(beside=leeks) == (loft, set()), "where it stood last"
    close_place(larder, loft)
    assert begun(beside=leeks) == begun(place=loft) == (1, {1})
    assert (shelves(larder).place, len(shelves(larder).packages)) == (None, 4)
    assert shelves(larder, place=loft).packages == shelves(larder, place=99).packages == []


def test_a_stop_cannot_be_packed(larder: Larder) -> None:
    with refused() as refusal:
        pack(larder, Ask(line="5 kg brown sugar", closing=Closing.ABSORBER))
    assert refusal.value.field == "verdict"
    assert overview(larder).kept == 0


@pytest.mark.parametrize(
    ("field", "how"),
    [
        ("packed_on", {"packed_on": date(2026, 11, 25)}),
        ("packed_on", {"packed_on": date(1850, 1, 1)}),
        ("shelf", {"shelf": 9}),
        ("shelf", {"shelf": 0}),
    ],
)
def test_packing_that_cannot_be(larder: Larder, field: str, how: dict[str, Any]) -> None:
    with refused() as refusal:
        pack(larder, BARLEY, **how)
    assert refusal.value.field == field
    assert shelves(larder).packages == []


def test_a_year_goes_by(larder: Larder, clock: Clock) -> None:
    """The ledger by hand: every day in the pantry costs what its season's warmth makes it."""
    pack(larder, LEEKS)
    clock.now += timedelta(days=300)
    used = ledger_by_hand(date(2026, 11, 24), 300, 18, 4)
    shown = card(larder, 1)
    assert shown.left == pytest.approx(1 - used / 365.25, abs=0.002)
    assert [stretch.days for stretch in shown.ledger] == [300]
    clock.now += timedelta(days=200)
    assert card(larder, 1).due is Due.PAST


def test_the_loft_costs_life(larder: Larder, clock: Clock) -> None:
    pack(larder, LEEKS)
    add_place(larder, LOFT)
    clock.now += timedelta(days=30)
    move(larder, [1], place=2, shelf=1)
    clock.now += timedelta(days=60)
    moved, stayed = (card(larder, number) for number in (1, 2))
    assert moved.left < stayed.left
    assert [(stretch.place, stretch.days) for stretch in moved.ledger] == [("Pantry", 30), ("Loft", 60)]
    expected = ledger_by_hand(date(2026, 11, 24), 30, 18, 4) + ledger_by_hand(date(2026, 12, 24), 60, 25, 10)
    assert 1 - moved.left == pytest.approx(expected / 365.25, abs=0.002)
    assert [line.what for line in moved.journal] == ["Packed with room air", "Moved to Loft"]
    assert stayed.ledger[0].days == 90


def test_a_summer_in_the_loft_costs_more_than_a_winter(larder: Larder, clock: Clock) -> None:
    add_place(larder, LOFT)
    pack(larder, replace(LEEKS, place=2))
    seasons = []
    for days in (90, 90, 90, 90):
        before = card(larder, 1).left
        clock.now += timedelta(days=days)
        seasons.append(before - card(larder, 1).left)
    winter, _spring, summer, _autumn = seasons
    assert summer == 0 or summer > 1.5 * winter
    assert card(larder, 1).due is Due.PAST


def test_in_the_south_the_summer_is_in_january(larder: Larder, clock: Clock) -> None:
    add_place(larder, LOFT)
    add_place(larder, replace(LOFT, name="Loft in the south", warmest_month=1))
    for place in (2, 3):
        pack(larder, replace(LEEKS, place=place))
    clock.now += timedelta(days=90)
    assert card(larder, 3).left < card(larder, 1).left


def test_due_soon_then_past(larder: Larder, clock: Clock) -> None:
    pack(larder, LEEKS)
    seen = set()
    for _ in range(24):
        seen.add(due := card(larder, 1).due)
        clock.now += timedelta(days=30)
    assert seen == {Due.FINE, Due.SOON, Due.PAST}
    assert due is Due.PAST


def test_throwing_out_leaves_the_story(larder: Larder, clock: Clock) -> None:
    pack(larder, BARLEY)
    clock.now += timedelta(days=10)
    throw_out(larder, [2], why="Puffed up")
    assert [package.number for package in shelves(larder).packages] == [1, 3, 4]
    assert card(larder, 2).gone_on == "4 Dec 2026"
    assert card(larder, 2).journal[-1].detail == "Puffed up"
    left = card(larder, 2).left
    clock.now += timedelta(days=1000)
    assert card(larder, 2).left == left, "what is thrown out ages no more"
    with refused("was thrown out on 4 Dec 2026"):
        move(larder, [2], place=1, shelf=1)
    with refused("was thrown out"):
        throw_out(larder, [1, 2], why="again")
    assert card(larder, 1).gone_on is None, "half of a refused change is never saved"


@pytest.mark.parametrize(
    ("field", "act"),
    [
        ("place", lambda larder: move(larder, [1], place=9, shelf=1)),
        ("shelf", lambda larder: move(larder, [1], place=1, shelf=9)),
        ("shelf", lambda larder: move(larder, [1], place=1, shelf=2)),
        ("number", lambda larder: move(larder, [99], place=1, shelf=1)),
        ("on", lambda larder: move(larder, [1], place=1, shelf=1, on=date(2027, 1, 1))),
        ("on", lambda larder: move(larder, [1], place=1, shelf=1, on=date(2026, 1, 1))),
        ("why", lambda larder: throw_out(larder, [1], why=" ")),
        ("why", lambda larder: throw_out(larder, [1], why="x" * 5_000_000)),
        ("name", lambda larder: add_place(larder, NewPlace("pantry".title()))),
        ("warmest_c", lambda larder: add_place(larder, NewPlace("Oven", mean_c=20, warmest_c=200))),
        ("mean_c", lambda larder: add_place(larder, NewPlace("Oven", mean_c=200, warmest_c=200))),
        ("warmest_month", lambda larder: add_place(larder, NewPlace("Shed", warmest_month=13))),
        ("shelves", lambda larder: add_place(larder, NewPlace("Shed", shelves=0))),
        ("sort", lambda larder: add_place(larder, NewPlace("Shed", sort="castle"))),
        ("width_mm", lambda larder: add_place(larder, NewPlace("Shed", width_mm=5))),
        ("altitude_m", lambda larder: settle(larder, Settings(altitude_m=384_400_000))),
        ("people", lambda larder: settle(larder, Settings(people=0))),
        ("kcal_per_person_day", lambda larder: settle(larder, Settings(kcal_per_person_day=0))),
        ("humidity", lambda larder: settle(larder, Settings(humidity=1.4))),
        ("packet_sizes", lambda larder: settle(larder, Settings(packet_sizes=()))),
        ("packet_sizes", lambda larder: settle(larder, Settings(packet_sizes=(123,)))),
    ],
)
def test_refused_at_its_field_and_nothing_saved(larder: Larder, field: str, act: Any) -> None:
    pack(larder, BARLEY)
    before = (shelves(larder), overview(larder))
    with refused() as refusal:
        act(larder)
    assert refusal.value.field == field
    assert len(refusal.value.message) < 200
    assert (shelves(larder), overview(larder)) == before


def test_there_is_an_end_to_undo(larder: Larder) -> None:
    with pytest.raises(NotThere, match="nothing to undo"):
        take_back(larder)


def test_numbers_are_never_used_twice(larder: Larder) -> None:
    """A label may have been printed for a packing that was taken back."""
    pack(larder, BARLEY)
    take_back(larder)
    assert pack(larder, BARLEY).numbers == [5, 6, 7, 8]


SUGAR = Ask(line="2 kg white sugar", container="bag-gallon", closing=Closing.ABSORBER)


def test_a_stop_is_overridden_only_by_saying_why(larder: Larder) -> None:
    for why, field in (("", "verdict"), ("  ", "verdict"), ("ok", "override"), ("x" * 200, "override")):
        with refused() as found:
            pack(larder, replace(SUGAR, override=why))
        assert found.value.field == field
    assert shelves(larder).packages == []
    numbers = pack(larder, replace(SUGAR, override=" a trial,  to be opened in May ")).numbers
    said = card(larder, numbers[0]).override
    assert said.startswith("No absorber with white sugar: it hardens into a brick")
    assert said.endswith("Packed anyway: a trial, to be opened in May")
    (label,) = labels(larder, numbers=numbers)
    assert label.override == said


def test_where_there_is_no_stop_nothing_is_overridden(larder: Larder) -> None:
    numbers = pack(larder, Ask(line="2 kg pearl barley", override="because I say so")).numbers
    assert card(larder, numbers[0]).override == ""
