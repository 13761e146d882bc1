import itertools
from datetime import timedelta

import pytest

from tests.conftest import Clock
from tests.support.refusals import refused
from yellow_larder.core.seeds import germination_after, spread_years
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import Larder, NewPlace, add_place
from yellow_larder.features.rounds.rounds import rounds
from yellow_larder.features.rounds.tasks import TaskKind
from yellow_larder.features.seeds.events import Store
from yellow_larder.features.seeds.seeds import (
    AskedSeed,
    count_seeds,
    keep_seeds,
    record_test,
    remove_seeds,
    store_seeds,
)
from yellow_larder.features.seeds.views import SeedView, see_seeds, seed_kinds
from yellow_larder.journal.checking import check
from yellow_larder.reference.seeds import seeds

CARROT = AskedSeed(name="carrot, long red", harvested="2024", amount="1 g")


def only(larder: Larder) -> SeedView:
    (seed,) = see_seeds(larder)
    return seed


@pytest.mark.parametrize("kind", seeds().values(), ids=lambda each: each.key)
def test_every_kind_is_known_by_each_of_its_names(larder: Larder, kind: object) -> None:
    of = seeds()[kind.key]  # type: ignore[attr-defined]
    for name in (of.name, *of.aliases):
        keep_seeds(larder, AskedSeed(name=f"{name}, Early Wonder", harvested="2025", amount="50"))
    assert {each.kind for each in see_seeds(larder)} == {of.key}
    assert len(seed_kinds()) == len(seeds())


def test_they_are_counted_by_their_weight(larder: Larder) -> None:
    """Source: the table: 800 carrot seeds in a gram."""
    keep_seeds(larder, CARROT)
    assert only(larder).count == 800
    assert only(larder).amount == "800 seeds"


def test_new_seed_goes_down_as_its_kind_does_where_it_is_kept(larder: Larder, clock: Clock) -> None:
    """By hand from the equation and Harrington's rules, in a place that is as warm all year."""
    place = add_place(larder, NewPlace("Drawer", "cupboard", mean_c=18, warmest_c=18, humidity=0.5))
    keep_seeds(larder, AskedSeed(name="carrot", harvested="2024", amount="800", place=place))
    kind, seed = seeds()["carrot"], only(larder)
    expected = germination_after(kind.new, seed.years, spread_years(kind.years, kind.new))
    assert seed.germination == pytest.approx(expected, abs=0.003)
    assert seed.moisture_pct == round(kind.moisture_pct(0.5), 1)
    clock.now += timedelta(days=365)
    assert only(larder).germination < seed.germination


@pytest.mark.parametrize("store", Store)
def test_cooler_and_drier_is_longer(larder: Larder, clock: Clock, store: Store) -> None:
    cold = add_place(larder, NewPlace("Fridge", "fridge", mean_c=4, warmest_c=5, humidity=0.5))
    for place in (1, cold):
        keep_seeds(larder, AskedSeed(name="onion", harvested="2025", amount="50", store=store, place=place))
    clock.now += timedelta(days=3 * 365)
    warm, cool = (next(each for each in see_seeds(larder) if each.place == place) for place in (1, cold))
    assert warm.germination < cool.germination


def test_silica_gel_keeps_them_longest(larder: Larder, clock: Clock) -> None:
    for store in Store:
        keep_seeds(larder, AskedSeed(name="leek", harvested="2025", amount="50", store=store))
    clock.now += timedelta(days=2 * 365)
    by = {each.store: each.germination for each in see_seeds(larder)}
    assert by[Store.GEL] == max(by.values())
    assert by[Store.GEL] > by[Store.PACKET]


def test_a_test_counts_more_than_the_table(larder: Larder, clock: Clock) -> None:
    keep_seeds(larder, CARROT)
    before = only(larder)
    record_test(larder, before.number, 100, 90)
    seed = only(larder)
    assert seed.count == before.count - 100
    assert 0.8 < seed.germination < 0.9
    assert seed.says == f"About {seed.germination * 100:.0f} % come, by the test of {seed.tests[0].on}."
    assert seed.tests[0].says == "90 of 100 came: between 84 % and 94 % do"
    record_test(larder, seed.number, 10, 0)
    assert only(larder).germination < 0.3
    take_back(larder)
    assert only(larder).germination == seed.germination
    clock.now += timedelta(days=200)
    assert only(larder).germination < seed.germination
    assert check(larder.engine) == []


@pytest.mark.parametrize(
    ("came", "says"),
    [(100, "Sow as thick as new seed"), (40, "times as thick as new seed"), (5, "Grow it out for new seed this year")],
)
def test_how_thick_to_sow(larder: Larder, came: int, says: str) -> None:
    """Source: common practice: under half twice as thick, under a fifth grown out or let go."""
    keep_seeds(larder, AskedSeed(name="pea", harvested="2025", amount="500"))
    record_test(larder, 1, 100, came)
    seed = only(larder)
    assert says in seed.sow
    assert seed.is_let_go is (came == 5)
    for sentence in (seed.says, seed.sow, seed.half_by, seed.lives):
        assert sentence == "" or (sentence[0].isupper() and sentence.endswith("."))


@pytest.mark.parametrize("came", [0, 9, 20])
def test_the_curve_goes_straight_to_what_a_test_told(larder: Larder, clock: Clock, came: int) -> None:
    """On the day of the test, and not on the way from the quarter before to the quarter after."""
    keep_seeds(larder, CARROT)
    clock.now += timedelta(days=100)
    expected = only(larder).germination
    record_test(larder, 1, 20, came)
    seed = only(larder)
    then = [at.germination for at in seed.curve if at.years == seed.tests[0].years]
    assert then == [pytest.approx(expected, abs=1e-2), pytest.approx(seed.germination, abs=1e-4)]
    years = [at.years for at in seed.curve]
    assert years == sorted(years)
    by_years = {at.years: at.germination for at in seed.curve}
    falls = list(by_years.values())
    assert all(later <= one for one, later in itertools.pairwise(falls[falls.index(then[1]) :]))


def test_kept_otherwise_counts_from_that_day(larder: Larder, clock: Clock) -> None:
    cold = add_place(larder, NewPlace("Freezer", "freezer", mean_c=-18, warmest_c=-17, humidity=0.6))
    keep_seeds(larder, AskedSeed(name="onion", harvested="2025", amount="50"))
    clock.now += timedelta(days=200)
    before = only(larder)
    store_seeds(larder, 1, Store.GEL, cold)
    assert only(larder).germination == pytest.approx(before.germination)
    clock.now += timedelta(days=2000)
    assert only(larder).germination == pytest.approx(before.germination, abs=0.05)
    with refused("kept so already"):
        store_seeds(larder, 1, Store.GEL, cold)


def test_moist_seed_is_cautioned(larder: Larder) -> None:
    cold = add_place(larder, NewPlace("Freezer", "freezer", mean_c=-18, warmest_c=-17, humidity=0.6))
    keep_seeds(larder, AskedSeed(name="bean", harvested="2025", amount="50", moisture_pct=14, place=cold))
    said = " ".join(only(larder).cautions)
    for words in ("Never with an absorber", "Too moist to freeze", "Paper in a freezer"):
        assert words in said
    keep_seeds(larder, AskedSeed(name="lettuce", harvested="2025", amount="50", store=Store.GEL))
    assert not next(each for each in see_seeds(larder) if each.kind == "lettuce").cautions


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"name": ""}, "name"),
        ({"name": "unicorn"}, "kind"),
        ({"kind": "moon"}, "kind"),
        ({"harvested": ""}, "harvested"),
        ({"harvested": "once"}, "harvested"),
        ({"harvested": "2031"}, "harvested"),
        ({"amount": ""}, "amount"),
        ({"amount": "a lot"}, "amount"),
        ({"amount": "2 cups"}, "amount"),
        ({"amount": "9" * 40}, "amount"),
        ({"amount": "90 kg"}, "amount"),
        ({"moisture_pct": 80.0}, "moisture"),
        ({"place": 99}, "place"),
    ],
)
def test_bad_input(larder: Larder, change: dict[str, object], field: str) -> None:
    given = {"name": "carrot", "harvested": "2024", "amount": "100"} | change
    with refused() as told:
        keep_seeds(larder, AskedSeed(**given))  # type: ignore[arg-type]
    assert told.value.field == field
    assert not see_seeds(larder)


@pytest.mark.parametrize(
    ("sown", "came", "field"), [(0, 0, "sown"), (10, 11, "came"), (10, -1, "came"), (20_000, 1, "sown")]
)
def test_tests_that_cannot_be(larder: Larder, sown: int, came: int, field: str) -> None:
    keep_seeds(larder, CARROT)
    with refused() as told:
        record_test(larder, 1, sown, came)
    assert told.value.field == field
    with refused("future"):
        record_test(larder, 1, 10, 5, on=larder.today() + timedelta(days=2))


def test_counted_and_gone(larder: Larder) -> None:
    keep_seeds(larder, CARROT)
    count_seeds(larder, 1, "120")
    assert only(larder).count == 120
    remove_seeds(larder, 1)
    assert see_seeds(larder) == []
    with refused("not there any more"):
        count_seeds(larder, 1, "5")
    take_back(larder)
    assert only(larder).count == 120
    assert check(larder.engine) == []


def asked_for(larder: Larder) -> list[str]:
    return [task.detail for task in rounds(larder).due if task.kind is TaskKind.SEEDS]


def test_rounds_ask_for_a_test_once_a_year(larder: Larder, clock: Clock) -> None:
    this_year = f"{larder.today().year}"
    carrot = keep_seeds(larder, CARROT)
    keep_seeds(larder, AskedSeed(name="leek, saved", harvested=this_year, amount="200"))
    few = keep_seeds(larder, AskedSeed(name="giant pumpkin", harvested="2019", amount="9"))
    before = rounds(larder).to_do
    assert asked_for(larder) == ["carrot, long red: 10 of each on damp paper, in the warmth"]
    assert [each.wants_test for each in see_seeds(larder) if each.number in (carrot, few)].count(True) == 1
    record_test(larder, carrot, 20, 9)
    assert not asked_for(larder)
    assert rounds(larder).to_do == before - 1
    clock.now += timedelta(days=364)
    assert asked_for(larder) == ["leek, saved: 10 of each on damp paper, in the warmth"]
    clock.now += timedelta(days=1)
    assert asked_for(larder) == ["leek, saved and carrot, long red: 10 of each on damp paper, in the warmth"]
    remove_seeds(larder, carrot)
    count_seeds(larder, few, "30")
    assert asked_for(larder) == ["giant pumpkin and leek, saved: 10 of each on damp paper, in the warmth"]
