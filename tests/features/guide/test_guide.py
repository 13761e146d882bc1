import math

import pytest

from yellow_larder import reference
from yellow_larder.features.catalog.events import NewFood
from yellow_larder.features.catalog.foods import add_food
from yellow_larder.features.guide.guide import guide
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder, settle
from yellow_larder.reference import drying
from yellow_larder.reference.seeds import seeds
from yellow_larder.reference.walls import lids, materials
from yellow_larder.words.quantities import Units


def test_every_row_of_every_table_is_shown_with_its_source(larder: Larder) -> None:
    shown = guide(larder)
    assert len(shown.foods) == len(reference.foods())
    assert len(shown.containers) == len(reference.containers())
    assert len(shown.packets) == len(reference.packets())
    assert sum(len(table.rows) for table in shown.lives) == len(reference.lives())
    assert all(food.source and food.density_source for food in shown.foods)
    assert all(row.source for row in [*shown.containers, *shown.packets, *shown.lives])
    assert all(row.source for table in shown.lives for row in table.rows)
    assert len(shown.kitchen) == len(reference.kitchen())
    assert len(shown.bodies) == len(reference.bodies())
    assert shown.thermal == list(reference.thermal().values())
    assert all(row.source for row in [*shown.kitchen, *shown.bodies])
    assert len(shown.drying) == len(drying.produce())
    assert len(shown.machines) == len(drying.machines()) + len(drying.freeze_dryers())
    assert len(shown.isotherms) == len(drying.isotherms())
    assert len(shown.powders) == len(drying.powders())
    assert [row.name for row in shown.walls] == [each.value for each in materials()]
    assert [row.name for row in shown.lids] == [each.value for each in lids()]
    assert all(row.source for row in [*shown.walls, *shown.lids])
    fresh = [life for life in reference.life_classes() if reference.ways_of(life)]
    assert [row.life for row in shown.not_dry] == fresh
    assert all({each.way for each in row.kept} == set(reference.ways_of(row.life)) for row in shown.not_dry)
    assert [row.key for row in shown.seeds] == list(seeds())
    assert all(row.source for row in [*shown.not_dry, *shown.seeds])
    assert all(row.source for row in [*shown.drying, *shown.machines, *shown.isotherms, *shown.powders])


def test_kitchen_measures_say_what_stands_for_them(larder: Larder) -> None:
    """2½ oz is 71 g (NIST Handbook 44); a can of beans dries to that (common practice)."""
    rows = {row.what: (row.stands_for, row.mass) for row in guide(larder).kitchen}
    assert rows["a can of black beans"] == ("black beans", "71 g")
    assert rows["one egg"] == ("whole egg powder", "12.3 g")
    settle(larder, Settings(units=Units.US))
    rows = {row.what: (row.stands_for, row.mass) for row in guide(larder).kitchen}
    assert rows["a can of black beans"] == ("black beans", "2.5 oz")
    assert [row.ages for row in guide(larder).bodies][-2:] == ["14–18 years", "19 years and older"]


def test_lives_are_shown_in_years(larder: Larder) -> None:
    tables = {table.life: table for table in guide(larder).lives}
    foil = tables["hard grain"].rows[-1]
    assert (foil.cautious, foil.customary, foil.hopeful) == (15, 25, 30)
    assert all(row.customary is None for row in tables["salt"].rows)
    for life, packing in reference.lives():
        shown = next(row for row in tables[life].rows if row.packing is packing)
        days = reference.lives()[life, packing].days.customary
        assert (shown.customary is None) is math.isinf(days)


@pytest.mark.parametrize(
    ("units", "size", "holds"),
    [(Units.METRIC, "25.4 cm × 35.6 cm, 7 mil", "4.59 L"), (Units.US, "10 in × 14 in, 7 mil", "4.85 qt")],
)
def test_sizes_follow_the_household(larder: Larder, units: Units, size: str, holds: str) -> None:
    """A litre is 1.0567 US quarts (NIST Handbook 44, appendix C)."""
    settle(larder, Settings(units=units))
    bag = next(row for row in guide(larder).containers if row.key == "bag-gallon")
    assert (bag.size, bag.holds) == (size, holds)


def test_ones_own_foods_stand_in_the_table(larder: Larder) -> None:
    add_food(larder, NewFood("bere meal", "rye-flour", 350, 11, 2, 72, 12, 11, 480))
    own = guide(larder).foods[-1]
    assert (own.name, own.group, own.form, own.kcal) == ("bere meal", "our own", "dust", 350)
    assert own.source == "the household's own figures"


def test_how_things_dry_follows_the_households_measures(larder: Larder) -> None:
    """52 °C is 125.6 °F; 6 mm is 0.24 in; an oven of 40 × 34 cm (by hand)."""
    leeks = next(row for row in guide(larder).drying if row.name == "mushrooms")
    assert (leeks.air, leeks.thick, leeks.hours, leeks.dry_when) == ("52 °C", "6 mm", "6–10", "it snaps")
    oven = next(row for row in guide(larder).machines if row.name.startswith("oven"))
    assert oven.trays == "3 of 40 cm × 34 cm"
    settle(larder, Settings(units=Units.US))
    leeks = next(row for row in guide(larder).drying if row.name == "mushrooms")
    assert (leeks.air, leeks.thick) == ("126 °F", "0.24 in")


def test_isotherms_are_shown_at_four_humidities(larder: Larder) -> None:
    wheat = next(row for row in guide(larder).isotherms if row.name == "hard wheat")
    assert (wheat.model, wheat.at_60) == ("modified Henderson", 13.1)
    assert wheat.at_20 < wheat.at_40 < wheat.at_60 < wheat.at_70


def test_the_estimates_stand_side_by_side_over_a_grid(larder: Larder) -> None:
    """By hand: macaroni in a gallon bag leaves more oxygen than the 400 mL of the rule by container, white rice less;
    the rule by kind covers both. Packet sizes: common practice.
    """
    rows = {(row.food, row.container): row for row in guide(larder).sizing}
    assert len(rows) == 55
    macaroni, rice = rows["macaroni", "1 gal foil bag"], rows["white rice", "1 gal foil bag"]
    assert (macaroni.by_container.asks_ml, macaroni.by_kind.asks_ml, rice.by_kind.asks_ml) == (400, 1000, 400)
    assert macaroni.by_container.over_ml < 0 < rice.by_container.over_ml
    for row in rows.values():
        assert row.by_air.asks_ml == pytest.approx(1.2 * row.oxygen_ml, abs=1.5)
        assert all(each.over_ml == each.asks_ml - row.oxygen_ml for each in (row.by_air, row.by_container, row.by_kind))
        assert row.by_kind.over_ml >= row.by_container.over_ml
