from dataclasses import replace
from itertools import product

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.support.refusals import refused
from yellow_larder.core.containers import Closing, Held, Kind, Lid, Material, Mouth
from yellow_larder.core.finding import Severity
from yellow_larder.features.catalog.container_view import may_be, see_container
from yellow_larder.features.catalog.containers import container_by_key, drawing, key_of
from yellow_larder.features.catalog.events import OwnContainer
from yellow_larder.features.catalog.own_containers import (
    CLOSED_BY,
    MADE_OF,
    AskedContainer,
    add_container,
    all_containers,
    own_numbers,
    read_container,
    remove_container,
)
from yellow_larder.features.coming_in.put_away import put_away, read_lines
from yellow_larder.features.guide.tables import all_container_rows
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder, settle
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.planner import plan
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.shelves.card import card
from yellow_larder.features.supplies.events import Sort
from yellow_larder.features.supplies.supplies import NewSupply, add_supply
from yellow_larder.features.using.pouring import pour_options
from yellow_larder.journal.database import reading
from yellow_larder.reference.walls import walls_of
from yellow_larder.words.quantities import Units

TUB = AskedContainer(name="ice cream tub", kind=Kind.TOTE, volume="4 L", held=Held.FOOD)
ALL = [(kind, material, lid) for kind in MADE_OF for material, lid in product(MADE_OF[kind], CLOSED_BY[kind])]
CAN_BE = [each for each in ALL if each[2] is not Lid.PRESERVING or each[1] is Material.GLASS]

own_containers = st.builds(
    OwnContainer,
    name=st.text(min_size=1, max_size=60),
    kind=st.sampled_from(list(MADE_OF)),
    capacity_ml=st.floats(50, 250_000),
    height_mm=st.floats(30, 1000),
    top_mm=st.floats(20, 1000),
    base_mm=st.floats(20, 1000),
    is_square=st.booleans(),
    material=st.sampled_from(Material),
    lid=st.sampled_from(Lid),
    held=st.sampled_from(Held),
    wall_mm=st.floats(0, 20),
    mouth=st.none() | st.sampled_from(Mouth),
    see_through=st.none() | st.booleans(),
)


@settings(max_examples=200)
@given(own_containers)
def test_the_key_tells_all_that_was_said(own: OwnContainer) -> None:
    container = container_by_key(key_of(own))
    same = {
        each: getattr(container, each)
        for each in ("name", "kind", "capacity_ml", "height_mm", "top_mm", "base_mm", "is_square", "material", "lid")
    }
    same |= {each: getattr(container, each) for each in ("held", "wall_mm", "mouth", "see_through")}
    assert OwnContainer(**same) == own
    assert container.key == key_of(own)


@pytest.mark.parametrize("key", ["own:name=x", "own:name=x&kind=bag&capacity_ml=1", "own:=", "x=1"])
def test_keys_that_tell_no_container(key: str) -> None:
    with refused("not in the table"):
        container_by_key(key)


@pytest.mark.parametrize(("kind", "material", "lid"), CAN_BE)
def test_any_container_of_ones_own_is_planned_packed_and_shown(
    larder: Larder, kind: Kind, material: Material, lid: Lid
) -> None:
    asked = AskedContainer(name="of ours", kind=kind, volume="4 L", material=material, lid=lid)
    assert see_container(larder, asked).says
    own = add_container(larder, asked)
    assert drawing(own).kind is kind
    seen = plan(larder, Ask(line="2 kg pearl barley", container=own.key))
    assert seen.container_name == "of ours"
    assert set(seen.closings) == set(own.closings)
    for closing in own.closings:
        told = plan(larder, Ask(line="2 kg pearl barley", container=own.key, closing=closing))
        assert told.verdict.severity is not Severity.STOP
    (number,) = pack(larder, Ask(line="2 kg pearl barley", container=own.key, closing=own.closings[0])).numbers
    assert card(larder, number).container == "of ours"


@pytest.mark.parametrize(("kind", "material", "lid"), [each for each in ALL if each not in CAN_BE])
def test_a_preserving_lid_seals_on_glass_only(larder: Larder, kind: Kind, material: Material, lid: Lid) -> None:
    with refused("glass only") as told:
        read_container(larder, AskedContainer(name="x", kind=kind, volume="1 L", material=material, lid=lid))
    assert told.value.field == "lid"


def test_the_screen_offers_what_goes_together() -> None:
    assert {each.kind: (each.materials, each.lids) for each in may_be()} == {
        kind.value: (list(MADE_OF[kind]), list(CLOSED_BY[kind])) for kind in MADE_OF
    }


@pytest.mark.parametrize(
    ("change", "field", "says"),
    [
        ({"name": " "}, "name", "name"),
        ({"name": "quart jar"}, "name", "already"),
        ({"volume": ""}, "volume", "What does it hold"),
        ({"volume": "0 L"}, "volume", "amount"),
        ({"volume": "5 kg"}, "volume", "A volume"),
        ({"volume": "a lot"}, "volume", "amount"),
        ({"volume": "900 L"}, "volume", "50 mL to 250 L"),
        ({"volume": "10 mL"}, "volume", "50 mL to 250 L"),
        ({"volume": "", "full": "1 kg", "empty": "2 kg"}, "empty", "less than"),
        ({"volume": "", "full": "2 L", "empty": "100 g"}, "full", "A weight"),
        ({"volume": "", "full": "2 kg"}, "empty", "weigh empty"),
        ({"height": "3 m"}, "height", "measured inside"),
        ({"height": "tall"}, "height", "length"),
        ({"height": "200 cm"}, "height", "2 cm"),
        ({"height": "10 cm", "width": "5 cm"}, "volume", "Of that height and width"),
        ({"wall": "30"}, "wall", "thick"),
        ({"kind": Kind.BAG}, "kind", "flat size"),
        ({"material": Material.GLASS, "kind": Kind.PAIL}, "material", "No pail"),
        ({"lid": Lid.SEAM}, "lid", "No tote"),
    ],
)
def test_bad_input_is_told_at_its_field(larder: Larder, change: dict[str, object], field: str, says: str) -> None:
    with refused(says) as told:
        add_container(larder, replace(TUB, **change))  # type: ignore[arg-type]
    assert told.value.field == field
    with reading(larder.engine) as session:
        assert not own_numbers(session)


def test_volume_by_water_as_typed(larder: Larder) -> None:
    by_water = read_container(larder, replace(TUB, volume="", full="10.33 lb", empty="2 lb"))
    assert by_water.capacity_ml == pytest.approx(3785, rel=2e-3)


def test_a_wall_twice_as_thick_lets_half_as_much_through(larder: Larder) -> None:
    thin, thick = (walls_of(read_container(larder, replace(TUB, wall=wall))) for wall in ("1", "2 mm"))
    assert thick.oxygen[0].face_ml == pytest.approx(thin.oxygen[0].face_ml / 2)
    assert thick.oxygen[0].closure_ml == thin.oxygen[0].closure_ml


@pytest.mark.parametrize("lid", [Lid.PRESSED])
def test_absorbers_are_no_use_under_a_lid_that_is_pressed_on(larder: Larder, lid: Lid) -> None:
    """Source: common practice: an absorber in a tin without a gasket is spent in days."""
    tin = add_container(larder, AskedContainer(name="biscuit tin", kind=Kind.CAN, volume="5 L", lid=lid))
    seen = plan(larder, Ask(line="3 kg white rice", container=tin.key, closing=Closing.ABSORBER))
    assert seen.closings[0] is Closing.LID
    assert seen.verdict.severity is Severity.MIND
    assert (seen.air.holds_days or 0) < 7


def test_what_held_no_food_is_a_stop_and_pickles_a_caution(larder: Larder) -> None:
    codes = {}
    for held in Held:
        asked = AskedContainer(name=held.value, kind=Kind.PAIL, volume="12 L", held=held)
        own = add_container(larder, asked)
        seen = plan(larder, Ask(line="5 kg white rice", container=own.key))
        codes[held] = {each.code for each in seen.verdict.findings} & {"held-no-food", "smells-of-it"}
        assert (seen.verdict.severity is Severity.STOP) == (held is Held.OTHER)
    assert codes == {
        Held.NOTHING: set(),
        Held.FOOD: set(),
        Held.STRONG: {"smells-of-it"},
        Held.OTHER: {"held-no-food"},
    }
    jar = add_container(larder, AskedContainer(name="pickle jar", volume="1 L", held=Held.STRONG))
    assert "smells-of-it" not in {
        each.code for each in plan(larder, Ask(line="500 g rice", container=jar.key)).verdict.findings
    }


def test_it_stands_in_every_list_of_containers(larder: Larder) -> None:
    own = add_container(larder, TUB)
    (row,) = [each for each in all_container_rows(larder) if each.own is not None]
    assert (row.key, row.name, row.kind) == (own.key, "ice cream tub", Kind.TOTE)
    (number,) = pack(larder, Ask(line="2 kg pearl barley", container="pail-1-gallon")).numbers
    assert own.key in {each.container for each in pour_options(larder, [number])}


def test_counted_among_the_supplies_it_is_taken_and_comes_back(larder: Larder) -> None:
    own = add_container(larder, TUB)
    add_supply(larder, NewSupply(sort=Sort.PAILS, key=own.key, count=3))
    packed = pack(larder, Ask(line="2 kg pearl barley", container=own.key))
    assert "ice cream tub" in packed.took


def test_lines_name_it(larder: Larder) -> None:
    add_container(larder, TUB)
    read = read_lines(larder, "3 ice cream tubs rolled oats, May 2024\nice cream tub of white rice")
    assert [(each.count, each.container) for each in (line.stock for line in read.lines) if each] == [
        (3, "ice cream tub"),
        (1, "ice cream tub"),
    ]
    assert len(put_away(larder, "3 ice cream tubs rolled oats, May 2024").numbers) == 3


def test_taken_off_the_table_what_is_packed_keeps_it(larder: Larder) -> None:
    own = add_container(larder, TUB)
    (number,) = pack(larder, Ask(line="2 kg pearl barley", container=own.key)).numbers
    with reading(larder.engine) as session:
        (at,) = own_numbers(session).values()
    remove_container(larder, at)
    with reading(larder.engine) as session:
        assert own.key not in all_containers(session)
    assert card(larder, number).container == "ice cream tub"
    take_back(larder)
    with reading(larder.engine) as session:
        assert own.key in all_containers(session)
    with refused("any more"):
        remove_container(larder, 999)


def test_in_us_measures(larder: Larder) -> None:
    settle(larder, Settings(units=Units.US))
    seen = see_container(larder, AskedContainer(name="x", kind=Kind.PAIL, volume="2 gal", height="9 in", wall="0.1 in"))
    assert seen.size.startswith("holds 8 qt")
    assert "9 in high" in seen.inside
