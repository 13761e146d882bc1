"""Mixes of one's own: what is in them, what that comes to, and what becomes of it when they are put right."""

from dataclasses import replace

import pytest

from tests.support.by_group import by_group
from tests.support.refusals import refused
from yellow_larder import reference
from yellow_larder.core.containers import Closing
from yellow_larder.core.finding import Severity
from yellow_larder.core.food import Food
from yellow_larder.core.keeping import Estimate, Packing
from yellow_larder.features.catalog.foods import all_foods, find_food
from yellow_larder.features.catalog.own_mixes import AskedMix, add_mix, change_mix, mix_as_typed, see_mix
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.planner import plan
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.shelves.card import card
from yellow_larder.journal.checking import check
from yellow_larder.journal.database import reading
from yellow_larder.reference import life_class, lives_of, ways_of
from yellow_larder.words.errors import NotThere, Outdated

TABLE = reference.foods()
DRY = [food for food in TABLE.values() if not ways_of(food.life) and food.group not in ("tins and jars", "unknown")]
SOUP = AskedMix(name="red soup mix", lines="2 cups red lentils\n1 cup white rice\n2 tbsp salt\n50 g dried onions")


def test_a_mix_by_amounts(larder: Larder) -> None:
    """Weights by the cup weights of the table, added up by hand."""
    parts = {"red-lentils": 2 * 236.588, "white-rice": 236.588, "salt": 2 * 14.787}
    grams = {key: ml * TABLE[key].loose_g_ml for key, ml in parts.items()} | {"dried-onions": 50.0}
    seen, mix = see_mix(larder, SOUP), add_mix(larder, SOUP)
    total = sum(grams.values())
    assert [line.food for line in seen.lines] == ["red lentils", "white rice", "salt", "dried onions"]
    assert [line.share for line in seen.lines] == pytest.approx([g / total for g in grams.values()], rel=1e-3)
    kcal = sum(TABLE[key].composition.kcal * g for key, g in grams.items()) / total
    assert seen.comes_to is not None
    assert (seen.comes_to.kcal, mix.composition.kcal) == (round(kcal), pytest.approx(kcal, rel=1e-3))
    assert mix.name == "red soup mix"
    assert mix.like == "red-lentils"


def test_a_mix_without_energy_comes_to_something(larder: Larder) -> None:
    seen = see_mix(larder, AskedMix(name="x", lines="100 % salt")).comes_to
    assert seen is not None
    assert (seen.kcal, seen.water_g) == (0, round(TABLE["salt"].composition.water_g, 1))


def test_a_mix_keeps_as_long_as_the_shortest_part(larder: Larder) -> None:
    mix = add_mix(larder, AskedMix(name="rice and nuts", lines="50 % white rice\n50 % walnuts"))
    for packing in Packing:
        both = [lives_of(TABLE[key].life)[packing] for key in ("white-rice", "walnuts")]
        for estimate in Estimate:
            assert lives_of(mix.life)[packing].by(estimate) == min(each.by(estimate) for each in both)
    assert life_class(mix.life).q10 == max(life_class(TABLE[key].life).q10 for key in ("white-rice", "walnuts"))
    assert "as long as its walnut halves" in see_mix(larder, AskedMix(name="x", lines="50 % rice\n50 % walnuts")).keeps


@pytest.mark.parametrize("group", by_group(DRY))
def test_any_dry_food_goes_into_a_mix_that_can_be_planned(larder: Larder, group: list[Food]) -> None:
    for food in group:
        name = f"pearls and {food.key}"
        mix = add_mix(larder, AskedMix(name=name, lines=f"60 % pearl barley\n40 % {food.name}"))
        assert set(mix.lives) == {"hard grain", food.life}
        with reading(larder.engine) as session:
            assert find_food(name, all_foods(session)).key == mix.key
        seen = plan(larder, Ask(line=f"1 kg {name}", container="jar-quart", closing=Closing.LID, conditioned=True))
        assert seen.food.name == name


def test_what_is_not_dry_does_not(larder: Larder) -> None:
    for food in TABLE.values():
        if food in DRY or food.group == "unknown":
            continue
        seen = see_mix(larder, AskedMix(name="x", lines=f"100 g {food.name}"))
        assert "is not dry" in seen.lines[0].wrong


def test_a_mix_with_much_salt_meets_no_absorber(larder: Larder) -> None:
    add_mix(larder, AskedMix(name="seasoned salt", lines="80 % salt\n20 % onion powder"))
    seen = plan(larder, Ask(line="1 kg seasoned salt", container="jar-quart", closing=Closing.ABSORBER))
    assert seen.verdict.severity is Severity.STOP
    assert plan(larder, Ask(line="1 kg seasoned salt", container="jar-quart")).closing is Closing.LID


@pytest.mark.parametrize(
    ("change", "field", "says"),
    [
        ({"name": ""}, "name", "name"),
        ({"name": "pearl barley"}, "name", "already"),
        ({"lines": " \n "}, "lines", "a line each"),
        ({"lines": "60 % rice\n30 % lentils"}, "lines", "these come to 90 %"),
        ({"lines": "60 % rice\n300 g lentils"}, "lines", "all of it as shares"),
        ({"lines": "60 % rice\n40 % moon dust"}, "lines", "moon dust"),
        ({"lines": "rice"}, "lines", "How much"),
        ({"lines": "0 g rice"}, "lines", "zero"),
        ({"lines": "100 g tinned tuna"}, "lines", "not dry"),
        ({"lines": "\n".join(["1 g rice"] * 41)}, "lines", "40 are the most"),
        ({"lines": "1 g " + "x" * 10_000}, "lines", "characters"),
        ({"weighs": "9 kg"}, "weighs", "litre would weigh"),
    ],
)
def test_a_mix_that_cannot_be(larder: Larder, change: dict[str, str], field: str, says: str) -> None:
    with refused(says) as told:
        add_mix(larder, replace(SOUP, **change))
    assert told.value.field == field
    with reading(larder.engine) as session:
        assert not [key for key in all_foods(session) if key.startswith("mix-")]


def test_thirds_are_near_enough(larder: Larder) -> None:
    mix = add_mix(larder, AskedMix(name="thirds", lines="33 % rice\n33 % barley\n33 % red lentils"))
    assert mix.composition.kcal > 300


def test_a_mix_may_be_in_another(larder: Larder) -> None:
    first = add_mix(larder, SOUP)
    second = add_mix(larder, AskedMix(name="rich soup mix", lines="90 % red soup mix\n10 % whole milk powder"))
    assert second.composition.kcal == pytest.approx(
        0.9 * first.composition.kcal + 0.1 * TABLE["whole-milk-powder"].composition.kcal, rel=1e-4
    )
    take_back(larder)
    with refused("not in the table"):
        plan(larder, Ask(line="1 kg rich soup mix"))


def test_a_mix_is_put_right(larder: Larder) -> None:
    """In what it is in as well; what is packed keeps what it was packed with."""
    add_mix(larder, SOUP)
    add_mix(larder, AskedMix(name="rich soup mix", lines="90 % red soup mix\n10 % whole milk powder"))
    pack(larder, Ask(line="1 kg red soup mix", container="jar-half-gallon", conditioned=True))
    typed, before = mix_as_typed(larder, 1), card(larder, 1).kcal_text
    assert typed.mix.name == "red soup mix"
    changed = change_mix(
        larder, 1, AskedMix(name="red soup", lines="60 % red lentils\n40 % rice"), based_on=typed.version
    )
    hundred = 0.6 * TABLE["red-lentils"].composition.kcal + 0.4 * TABLE["white-rice"].composition.kcal
    assert (changed.key, changed.name) == ("mix-1", "red soup")
    assert changed.composition.kcal == pytest.approx(hundred, rel=1e-6)
    with reading(larder.engine) as session:
        rich = find_food("rich soup mix", all_foods(session))
    assert rich.composition.kcal == pytest.approx(
        0.9 * hundred + 0.1 * TABLE["whole-milk-powder"].composition.kcal, rel=1e-4
    )
    assert card(larder, 1).kcal_text == before
    with pytest.raises(Outdated):
        change_mix(larder, 1, SOUP, based_on=typed.version)
    assert take_back(larder) == "Put the mix red soup right"
    with reading(larder.engine) as session:
        assert all_foods(session)["mix-1"].name == "red soup mix"
    assert check(larder.engine) == []


@pytest.mark.parametrize("weighs", ["", "6.5 oz", "185 g"])
def test_what_is_not_touched_stays_as_it_was_weighed(larder: Larder, weighs: str) -> None:
    """As it is typed again it reads as before: only the name, and nothing drifts."""
    mix = add_mix(larder, replace(SOUP, weighs=weighs))
    typed = mix_as_typed(larder, 1).mix
    with refused("That is what is written already"):
        change_mix(larder, 1, typed)
    named = change_mix(larder, 1, replace(typed, name="soup for two"))
    assert replace(named, name=mix.name, short=mix.short) == mix


def test_no_mix_is_in_itself(larder: Larder) -> None:
    add_mix(larder, SOUP)
    add_mix(larder, AskedMix(name="rich soup mix", lines="90 % red soup mix\n10 % whole milk powder"))
    for line, why in (("red soup mix", "cannot be in itself"), ("rich soup mix", "came into the table after this mix")):
        with refused(why) as told:
            change_mix(larder, 1, replace(SOUP, lines=f"50 % rice\n50 % {line}"))
        assert told.value.field == "lines"
    change_mix(larder, 2, AskedMix(name="rich soup mix", lines="80 % red soup mix\n20 % rice"))


def test_a_mix_is_not_called_as_another_food(larder: Larder) -> None:
    add_mix(larder, SOUP)
    add_mix(larder, replace(SOUP, name="soup for guests"))
    for name in ("pearl barley", "soup for guests"):
        with refused("is in the table already"):
            change_mix(larder, 1, replace(SOUP, name=name))
    for act in (lambda: mix_as_typed(larder, 9), lambda: change_mix(larder, 9, SOUP)):
        with pytest.raises(NotThere):
            act()
