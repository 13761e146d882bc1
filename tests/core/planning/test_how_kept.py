import pytest

from yellow_larder import reference
from yellow_larder.core.errors import OutOfRange
from yellow_larder.core.keeping import Estimate, Life, Packing
from yellow_larder.core.planning import best_kept, may_meet_absorber


def kept(food: str, years: float, rate: float = 1.0, estimate: Estimate = Estimate.CUSTOMARY) -> tuple[Packing, bool]:
    wanted = reference.foods()[food]
    lives: dict[Packing, Life] = {each: reference.lives()[wanted.life, each].days for each in Packing}
    frozen = reference.life_classes()[wanted.life].frozen
    keeping = best_kept(wanted, lives, frozen, wanted_days=years * 365, rate=rate, estimate=estimate)
    return keeping.packing, keeping.reaches


@pytest.mark.parametrize(
    ("food", "years", "packing"),
    [
        ("white-rice", 1, Packing.SHOP),
        ("white-rice", 4, Packing.AIR),
        ("white-rice", 12, Packing.GLASS),
        ("white-rice", 24, Packing.FOIL),
        ("white-sugar", 30, Packing.SHOP),
        ("salt", 30, Packing.SHOP),
    ],
)
def test_the_least_trouble_that_reaches(food: str, years: float, packing: Packing) -> None:
    """A shop packet for about two years, foil for decades; sugar and salt keep anyhow (common practice)."""
    assert kept(food, years) == (packing, True)


def test_nothing_keeps_nuts_for_ten_years() -> None:
    assert kept("hazelnuts", 10)[1] is False


def test_no_absorber_for_sticky_or_sweet() -> None:
    """Brown sugar and sticky dried fruit never meet an absorber (common practice)."""
    without = {Packing.SHOP, Packing.AIR, Packing.VACUUM}
    for food in reference.foods().values():
        if not may_meet_absorber(food):
            assert kept(food.key, 40)[0] in without, food.name
    assert not may_meet_absorber(reference.foods()["brown-sugar"])
    assert may_meet_absorber(reference.foods()["pearl-barley"])


def test_a_warm_place_asks_for_better_packing() -> None:
    cool, warm = kept("white-rice", 4, rate=0.9), kept("white-rice", 4, rate=3)
    order = list(Packing)
    assert order.index(warm[0]) > order.index(cool[0])


def test_a_cautious_estimate_asks_for_better_packing() -> None:
    assert kept("white-rice", 2)[0] is Packing.SHOP
    assert kept("white-rice", 2, estimate=Estimate.CAUTIOUS)[0] is not Packing.SHOP


def test_an_endless_wish_is_refused() -> None:
    with pytest.raises(OutOfRange, match="wanted_days"):
        kept("white-rice", 100)
