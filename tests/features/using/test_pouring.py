"""Pouring over: split, gone down a size, put together; and what leaves the shelves or stays on them."""

from dataclasses import replace
from datetime import date, timedelta

import pytest
from sqlalchemy import select

from tests.conftest import Clock
from tests.features.using.seen import RICE, life, row
from tests.support.refusals import refused
from yellow_larder.core.containers import Closing
from yellow_larder.core.packing import Feel
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import Larder, NewPlace, add_place
from yellow_larder.features.packages.events import Taste
from yellow_larder.features.packages.state import Package
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.rounds.rounds import rounds
from yellow_larder.features.shelves.card import card
from yellow_larder.features.shelves.carrying import move
from yellow_larder.features.shelves.inspection import Felt, look_over
from yellow_larder.features.shelves.labels import labels
from yellow_larder.features.supplies.events import Sort
from yellow_larder.features.supplies.supplies import NewSupply, add_supply
from yellow_larder.features.supplies.view import see_supplies
from yellow_larder.features.using.leaving import Correction, Leaving, correct, keep_on, leave, taste
from yellow_larder.features.using.opening import open_packages, take
from yellow_larder.features.using.pouring import Pouring, pour
from yellow_larder.journal.database import reading

PAIL = Ask(line="12 kg pearl barley", container="lined-5-gallon", closing=Closing.ABSORBER)
WALNUTS = Ask(line="200 g walnuts", container="jar-quart", closing=Closing.LID)


def counts(larder: Larder) -> dict[str, int]:
    return {each.key: each.count for each in see_supplies(larder).supplies}


def kept(larder: Larder) -> list[int]:
    with reading(larder.engine) as session:
        return list(session.scalars(select(Package.number).where(Package.gone_on.is_(None)).order_by(Package.number)))


def test_a_pail_shared_out_at_once(larder: Larder, clock: Clock) -> None:
    """Opened once and not eighty times: jars of it, each with the pail's years behind it; the pail comes back."""
    add_supply(larder, NewSupply(sort=Sort.JARS, key="jar-half-gallon", count=12))
    add_supply(larder, NewSupply(sort=Sort.PAILS, key="pail-5-gallon", count=2))
    pack(larder, PAIL)
    clock.now += timedelta(days=1000)
    before = life(larder, 1)
    poured = pour(larder, Pouring(numbers=(1,), container="jar-half-gallon", closing=Closing.ABSORBER))
    assert len(poured.numbers) >= 7
    assert kept(larder) == poured.numbers
    assert counts(larder) == {"jar-half-gallon": 12 - len(poured.numbers), "pail-5-gallon": 3}
    assert sum(row(larder, n)["mass_g"] for n in poured.numbers) == pytest.approx(12_000)
    for number in poured.numbers:
        assert life(larder, number)[1] <= before[1] + 1e-9
        shown = card(larder, number)
        assert shown.journal[0].what == "Packed with absorbers, out of number 1"
        assert [line.days for line in shown.ledger] == [1000]
    assert card(larder, 1).gone == "Poured over on 20 Aug 2029"
    assert labels(larder, numbers=poured.numbers), "each gets its label"
    assert take_back(larder).startswith("Poured number 1 (pearl barley) into ")
    assert (kept(larder), counts(larder)["jar-half-gallon"]) == ([1], 12)
    assert life(larder, 1) == before


def test_down_a_size_and_some_of_it_only(larder: Larder) -> None:
    pack(larder, RICE)
    take(larder, 1, "400 g")
    (pint,) = pour(larder, Pouring(numbers=(1,), container="jar-pint")).numbers
    assert (kept(larder), row(larder, pint)["mass_g"]) == ([pint], 300)
    pack(larder, PAIL)
    (pail,) = [n for n in kept(larder) if n != pint]
    (jar,) = pour(larder, Pouring(numbers=(pail,), container="jar-quart", amount="700 g")).numbers
    assert (row(larder, pail)["mass_g"], row(larder, jar)["mass_g"]) == (11_300, 700)
    assert row(larder, pail)["open_since"] == larder.today()


def test_two_rests_into_one_are_as_old_as_the_older(larder: Larder, clock: Clock) -> None:
    pack(larder, RICE)
    clock.now += timedelta(days=900)
    pack(larder, RICE)
    clock.now += timedelta(days=100)
    for number in (1, 2):
        take(larder, number, "500 g")
    older = life(larder, 1)[1]
    (both,) = pour(larder, Pouring(numbers=(1, 2), container="jar-quart", closing=Closing.ABSORBER)).numbers
    assert (kept(larder), row(larder, both)["mass_g"]) == ([both], 400)
    assert life(larder, both)[1] == pytest.approx(older, abs=1e-3)
    assert card(larder, both).journal[0].what == "Packed with absorbers, out of number 1 and 2"


def test_what_is_put_together_from_two_places_stands_in_the_first(larder: Larder, clock: Clock) -> None:
    add_place(larder, NewPlace("Loft", "loft", 1, mean_c=28, warmest_c=35))
    pack(larder, RICE, shelf=3)
    pack(larder, replace(RICE, place=2))
    clock.now += timedelta(days=200)
    for number in (1, 2):
        take(larder, number, "500 g")
    (both,) = pour(larder, Pouring(numbers=(1, 2), container="jar-quart")).numbers
    assert row(larder, both)["place_id"] == 1
    assert [line.place for line in card(larder, both).ledger] == ["Loft"], "as old as the one out of the loft"


def test_an_open_one_is_looked_over_no_more(larder: Larder) -> None:
    pack(larder, RICE)
    look_over(larder, [Felt(1, Feel.LEAKS)])
    assert row(larder, 1)["trouble"]
    open_packages(larder, [1])
    assert (row(larder, 1)["trouble"], row(larder, 1)["look_due"]) == ("", None)


def test_what_does_not_go_together(larder: Larder) -> None:
    pack(larder, RICE)
    pack(larder, WALNUTS)
    with refused("white rice and walnut halves do not go into one container") as refusal:
        pour(larder, Pouring(numbers=(1, 2), container="jar-half-gallon"))
    assert refusal.value.field == "numbers"
    with refused("needs 2") as refusal:
        pour(larder, Pouring(numbers=(1,), container="jar-pint", count=1))
    assert refusal.value.field == "count"
    with refused("hardly anything") as refusal:
        pour(larder, Pouring(numbers=(1,), container="jar-pint", count=200))
    assert refusal.value.field == "count"
    with refused("Nobody closes") as refusal:
        pour(larder, Pouring(numbers=(1,), container="bag-gallon", closing=Closing.VACUUM))
    assert refusal.value.field == "closing"
    with refused("has shelves 1 to 3"):
        pour(larder, Pouring(numbers=(1,), container="jar-quart", shelf=9))
    pack(larder, RICE)
    with refused("one by one"):
        pour(larder, Pouring(numbers=(1, 3), container="jar-quart", amount="1 g"))
    assert kept(larder) == [1, 2, 3]


def test_what_is_kept_on_is_not_due_until_it_is_looked_at_again(larder: Larder, clock: Clock) -> None:
    def due() -> list[str]:
        return [task.title for task in rounds(larder).due if "walnut" in task.title]

    pack(larder, WALNUTS)
    with refused("not near"):
        keep_on(larder, 1, until=larder.today() + timedelta(days=30))
    clock.now += timedelta(days=600)
    assert due() == ["Look at the walnut halves: past best-by"]
    with refused("A day to look at it again") as refusal:
        keep_on(larder, 1, until=larder.today())
    assert refusal.value.field == "until"
    keep_on(larder, 1, until=larder.today() + timedelta(days=200), note="smells as new")
    assert due() == []
    assert card(larder, 1).journal[-1].detail == "smells as new"
    clock.now += timedelta(days=200)
    assert due() == ["Look at the walnut halves: past best-by"]


def test_tasting_is_written_down_and_changes_nothing(larder: Larder) -> None:
    pack(larder, RICE)
    before = row(larder, 1)
    taste(larder, 1, Taste.GOOD, note="like new")
    assert row(larder, 1) == before
    assert (card(larder, 1).journal[-1].what, card(larder, 1).journal[-1].detail) == ("Tasted: good", "like new")


def test_given_away_several_at_once(larder: Larder) -> None:
    pack(larder, Ask(line="10 kg pearl barley"))
    leave(larder, [1, 2, 2], Leaving.GIVEN_AWAY, note="to the neighbours")
    assert kept(larder) == [3, 4]
    assert card(larder, 1).journal[-1].what == "Given away"
    assert take_back(larder) == "Given away: 2 packages (pearl barley)"
    with refused("Choose at least one"):
        leave(larder, [], Leaving.USED_UP)


def test_a_bag_comes_back_shorter(larder: Larder) -> None:
    pack(larder, Ask(line="5 kg pearl barley"))
    leave(larder, [1], Leaving.USED_UP, cut="5 cm")
    leave(larder, [2], Leaving.USED_UP, cut="5 cm")
    assert list(counts(larder).values()) == [2]
    assert take_back(larder) == "Used up number 2 (pearl barley)"
    assert list(counts(larder).values()) == [1]
    pack(larder, RICE)
    with refused("Only a bag") as refusal:
        leave(larder, [3], Leaving.USED_UP, cut="5 cm")
    assert refusal.value.field == "cut"


def test_what_was_written_wrong_is_put_right(larder: Larder, clock: Clock) -> None:
    add_place(larder, NewPlace("Cellar", "cellar", 4, mean_c=10, warmest_c=13))
    pack(larder, RICE)
    meant = Ask(line="650 g brown rice", container="jar-quart", closing=Closing.ABSORBER, place=2)
    pack(larder, meant, packed_on=larder.today() - timedelta(days=100), shelf=4)
    day = larder.today() - timedelta(days=100)
    correct(larder, 1, Correction(food="brown rice", amount="650 g", packed_on=day, place=2, shelf=4))
    same = ("food_key", "mass_g", "kcal", "place_id", "shelf", "packed_on", "stands_since", "q10", "customary_days")
    wrong, right = row(larder, 1), row(larder, 2)
    assert {name: wrong[name] for name in same} == {name: right[name] for name in same}
    assert wrong["level"] == pytest.approx(right["level"])
    assert life(larder, 1) == pytest.approx(life(larder, 2), rel=0.02)
    assert card(larder, 1).journal[-1].what == "Corrected"
    with refused("what is written already"):
        correct(larder, 1, Correction(amount="650 g"))
    open_packages(larder, [1])
    clock.now += timedelta(days=5)
    move(larder, [1], place=1, shelf=1)
    for wrong_now in (Correction(food="oats"), Correction(packed_on=date(2026, 1, 1))):
        with refused("Something else has happened to it since"):
            correct(larder, 1, wrong_now)
    correct(larder, 1, Correction(amount="600 g"))
    assert card(larder, 1).mass_g == 600
    with refused("at the most") as refusal:
        correct(larder, 1, Correction(amount="60 kg"))
    assert refusal.value.field == "amount"
    with refused("in the future"):
        correct(larder, 2, Correction(packed_on=larder.today() + timedelta(days=1)))
    with refused() as refusal:
        correct(larder, 2, Correction(food="zzzz"))
    assert refusal.value.field == "food"
