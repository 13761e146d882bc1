import pytest

from tests.support.refusals import refused
from yellow_larder import reference
from yellow_larder.core.containers import Container, Kind
from yellow_larder.features.catalog.containers import container_by_key, drawing, own_bag
from yellow_larder.words.quantities import Units


@pytest.mark.parametrize("container", reference.containers().values(), ids=lambda each: each.key)
def test_drawn_at_its_own_size(container: Container) -> None:
    drawn = drawing(container)
    assert drawn.width_mm == (container.width_mm if container.is_flat else max(container.top_mm, container.base_mm))
    assert drawn.height_mm == (container.length_mm if container.is_flat else container.height_mm)
    assert drawn.inner_mm + drawn.seal_mm == drawn.height_mm
    assert drawn.kind is container.kind


def test_food_shows_through_glass_and_not_through_foil_or_paper() -> None:
    clear = {each.kind for each in reference.containers().values() if drawing(each).clear}
    assert clear == {Kind.JAR, Kind.BOTTLE, Kind.CLEAR_BAG, Kind.POUCH, Kind.SHOP_JAR, Kind.CANNED_JAR}


def test_a_bag_of_ones_own_is_told_by_its_key_alone() -> None:
    """So that a package keeps its drawing with nothing stored but the key."""
    bag = own_bag("10 x 14 in", 7, Units.METRIC)
    assert container_by_key(bag.key) == bag
    assert (bag.width_mm, bag.length_mm, bag.film_mil) == (254, 356, 7)


@pytest.mark.parametrize("width_cm", [12, 18, 25, 40])
def test_a_bag_of_ones_own_is_sized_by_what_it_holds(width_cm: int) -> None:
    """The by-container rule needs a size in quarts; it is the volume with the usual room left to seal."""
    bag = own_bag(f"{width_cm} x {width_cm * 1.4:.0f} cm", 7, Units.METRIC)
    larger = own_bag(f"{width_cm + 5} x {width_cm * 1.4:.0f} cm", 7, Units.METRIC)
    assert 0.1 <= bag.nominal_qt < larger.nominal_qt


@pytest.mark.parametrize("key", ["own:1x2", "own:axbxc", "own:", "bag", "", "own:nanxnanx7", "own:infx300x7"])
def test_keys_that_are_none(key: str) -> None:
    with refused():
        container_by_key(key)


@pytest.mark.parametrize(
    ("size", "says"),
    [("10 x 2 cm", "Too short to close"), ("10 × 5.4 cm", "Too short to close"), ("-10 x 30 cm", "width")],
)
def test_bags_smaller_than_their_seal(size: str, says: str) -> None:
    with refused(says):
        own_bag(size, 7, Units.METRIC)
    assert own_bag("10 × 5.5 cm", 7, Units.METRIC).length_mm == 55
