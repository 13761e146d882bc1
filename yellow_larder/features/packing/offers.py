"""What there is to put food into when containers are proposed, and what each costs."""

from __future__ import annotations

from dataclasses import dataclass

from yellow_larder.core.containers import Container, Kind, closed_volume_ml
from yellow_larder.features.catalog.containers import container_by_key, is_own
from yellow_larder.features.supplies.events import Sort
from yellow_larder.features.supplies.stock import SORT_OF, Stock
from yellow_larder.reference import containers

_PACKET_COINS_PER_ML = 0.08
"""What absorbers cost where nobody wrote it down. Source: our judgement: a 500 mL packet at two fifths."""

_USUAL_COINS = {
    Kind.BAG: (25.0, 8.0),
    Kind.ZIP_BAG: (30.0, 10.0),
    Kind.CLEAR_BAG: (30.0, 10.0),
    Kind.POUCH: (20.0, 10.0),
    Kind.JAR: (90.0, 70.0),
    Kind.PAIL: (300.0, 20.0),
    Kind.LINED_PAIL: (380.0, 28.0),
    Kind.BOTTLE: (15.0, 5.0),
    Kind.CAN: (120.0, 60.0),
    Kind.TOTE: (300.0, 20.0),
}
"""What a container costs where nobody wrote it down: so much, and so much a litre. Source: our judgement."""


@dataclass(frozen=True, slots=True)
class Offer:
    """A kind of container that is offered."""

    container: Container
    stock: int
    price: float
    guessed: bool
    buyable: bool


def offers_of(stock: Stock) -> list[Offer]:
    """What there is to put food into: the table's containers, and of one's own those that are in stock."""
    tried = [each for each in containers().values() if not each.from_the_shop]
    counted = [each.key for each in stock.records.values() if each.sort in SORT_OF.values() and each.count]
    own = [each for each in map(container_by_key, counted) if is_own(each)]
    found = []
    for container in [*tried, *own]:
        supply = stock.container(container)
        count, coins = (supply[1].count, supply[1].coins) if supply else (0, None)
        once, litre = _USUAL_COINS[container.kind]
        price = float(coins) if coins is not None else once + litre * closed_volume_ml(container) / 1000
        bought = not is_own(container)
        found.append(Offer(container, count, price, coins is None and bought, bought))
    return found


def packet_coins_per_ml(stock: Stock) -> float:
    """What a millilitre of packet costs: the mean of what was paid, or the usual."""
    paid = [
        each.coins / (each.per_pack * int(each.key))
        for each in stock.records.values()
        if each.sort is Sort.PACKETS and each.coins
    ]
    return sum(paid) / len(paid) if paid else _PACKET_COINS_PER_ML
