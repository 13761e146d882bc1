import pytest

from yellow_larder.features.catalog.fresh_produce import produce_names
from yellow_larder.features.catalog.produce_parser import find_produce, read_fresh
from yellow_larder.features.drying.load_plan import Item, LoadAsk, plan_load
from yellow_larder.features.drying.machines import NewMachine, add_machine, see_machines
from yellow_larder.features.household.larder import Larder
from yellow_larder.reference.drying import produce
from yellow_larder.words.errors import Refused

NAMES = produce_names(produce())


@pytest.mark.parametrize(
    ("line", "key", "grams"),
    [
        ("12 leeks", "leeks", 12 * 89),
        ("a leek", "leeks", 89),
        ("6 large apples", "apples", 6 * 140),
        ("4 cans of black beans", "cooked-beans", 4 * 227),
        ("two tins kidney beans", "cooked-beans", 2 * 227),
        ("1.5 kg mushrooms", "mushrooms", 1500),
        ("2 lb 4 oz bell peppers", "peppers", 1020.6),
        ("mushrooms 800 g", "mushrooms", 800),
        ("3 kg apples, peeled and cored", "apples", 3000),
        ("5 lb bananas sliced 1/4 inch", "bananas", 5 * 453.59237),
        ("half a dozen leeks", "leeks", 6 * 89),
    ],
)
def test_weighed_or_counted(line: str, key: str, grams: float) -> None:
    """A leek of 89 g, a pound of 453.59 g (USDA household measures from memory; NIST Handbook 44)."""
    found = read_fresh(line, NAMES)
    assert (found.produce.key, found.mass_g) == (key, pytest.approx(grams, abs=0.1))


def test_a_slip_of_the_pen_and_the_nearest_names() -> None:
    assert find_produce("mushroms", NAMES).key == "mushrooms"
    with pytest.raises(Refused) as found:
        read_fresh("2 kg leaks and ham", NAMES)
    assert "leeks" in found.value.nearest


@pytest.mark.parametrize("line", ["", "leeks", "0 leeks", "-3 kg leeks", "9 kales", "99999999 apples", "x" * 300])
def test_what_cannot_be_read(line: str) -> None:
    with pytest.raises(Refused) as found:
        read_fresh(line, NAMES)
    assert found.value.field == "line"
    assert "barley" not in found.value.message


def test_a_dryer_of_ones_own(larder: Larder) -> None:
    key = add_machine(larder, NewMachine("The Rayburn rack", 4, "45 cm", "30 cm", watts=0, high_c=60))
    assert see_machines(larder)[0].name == "The Rayburn rack"
    shown = plan_load(larder, LoadAsk(items=(Item(line="1 kg leeks"),), machine=key))
    assert (shown.machine_name, shown.trays.count, shown.energy) == ("The Rayburn rack", 4, "")
    # 0.45 × 0.30 m carry 351 g of leeks in one layer (by hand): three trays.
    assert len(shown.lying) == 3


@pytest.mark.parametrize(
    ("new", "field"),
    [
        (NewMachine("", 4, "40 cm"), "name"),
        (NewMachine("Cabinet dryer with a fan", 4, "40 cm"), "name"),
        (NewMachine("Mine", 0, "40 cm"), "trays"),
        (NewMachine("Mine", 4, "4 m"), "width"),
        (NewMachine("Mine", 4, "40 cm", "wide"), "depth"),
        (NewMachine("Mine", 4, "40 cm", watts=-5), "watts"),
        (NewMachine("Mine", 4, "40 cm", low_c=60, high_c=40), "high_c"),
    ],
)
def test_a_dryer_that_cannot_be(larder: Larder, new: NewMachine, field: str) -> None:
    with pytest.raises(Refused) as found:
        add_machine(larder, new)
    assert found.value.field == field
