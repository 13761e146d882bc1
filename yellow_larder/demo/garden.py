"""The Fennimore-Okoros' seed tin."""

from __future__ import annotations

from yellow_larder.demo.ago import Ago
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.seeds.events import Store
from yellow_larder.features.seeds.seeds import AskedSeed, keep_seeds, record_test, store_seeds


def save_seeds(larder: Larder, ago: Ago, *, cupboard: int, cellar: int) -> None:
    """What was saved and bought over the years, and tested one wet Sunday in February."""

    def keep(
        name: str, harvested: str, amount: str, place: int, store: Store = Store.PACKET, *, own: bool = False
    ) -> int:
        asked = AskedSeed(name=name, harvested=harvested, amount=amount, own=own, store=store, place=place)
        return keep_seeds(larder, asked)

    larder.clock = ago(300)
    year = larder.today().year
    carrots = keep("carrot, long red", f"{year - 3}", "2 g", cupboard)
    beans = keep("broad bean, Skerrow black", f"Sep {year - 2}", "140", cupboard, own=True)
    kale = keep("kale", f"about {year - 4}", "1.5 g", cupboard)
    record_test(larder, carrots, 20, 9)
    record_test(larder, beans, 10, 8)
    record_test(larder, kale, 20, 13)
    larder.clock = ago(60)
    keep("leek, saved", f"{larder.today().year}", "3 g", cellar, Store.GEL, own=True)
    store_seeds(larder, beans, Store.GEL, cellar)
