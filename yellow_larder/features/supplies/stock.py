"""What there is to pack with, as a packing sees it: what is at hand, what it costs, what goes and what comes back."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Mapping, Sequence
from datetime import date, datetime

from sqlalchemy.orm import Session

from yellow_larder.core.air import Kept
from yellow_larder.core.containers import Container, Kind, Mouth
from yellow_larder.core.packing import KEEPS_DAYS, LEAST_TRUST, absorber_ml, gel_g, worth_after, worth_in_jar
from yellow_larder.features.catalog.containers import called, container_by_key
from yellow_larder.features.packages.contained import Contained
from yellow_larder.features.supplies.events import (
    Said,
    Sort,
    SparesKept,
    SupplyBack,
    SupplyCame,
    SupplySet,
    SupplyUsed,
)
from yellow_larder.features.supplies.state import SupplyRecord
from yellow_larder.journal import log
from yellow_larder.reference import containers
from yellow_larder.words.quantities import Units

JAR_ML = 240.0
"""The small jar that spares wait in, unless another is named. Source: common practice, a half-pint jar."""

EXTRAS_MINUTES = 1.0
"""How long packets lie out that go from a fresh pack straight into the jar. Source: our judgement."""

_USUAL_GEL_G = 10.0
"""Gel in one packet, g. Source: common practice."""

_COME_BACK = frozenset({Kind.JAR, Kind.PAIL, Kind.BOTTLE, Kind.TOTE})
"""What is washed and used again once it is empty; film is cut down or thrown away. Source: common practice."""


SORT_OF = {
    Kind.BAG: Sort.BAGS,
    Kind.ZIP_BAG: Sort.BAGS,
    Kind.CLEAR_BAG: Sort.BAGS,
    Kind.POUCH: Sort.POUCHES,
    Kind.JAR: Sort.JARS,
    Kind.PAIL: Sort.PAILS,
    Kind.LINED_PAIL: Sort.PAILS,
    Kind.BOTTLE: Sort.BOTTLES,
    Kind.CAN: Sort.BOTTLES,
    Kind.TOTE: Sort.PAILS,
}

Numbered = tuple[int, SupplyRecord]
"""A supply, with its number."""


class Stock:
    """The supplies, read once."""

    def __init__(self, session: Session) -> None:
        self.records = log.records(session, SupplyRecord)
        self._by_key = {(each.sort, each.key): n for n, each in self.records.items() if each.key}

    def find(self, sort: Sort, key: str) -> Numbered | None:
        """A supply by its sort and key; none if it is not written down."""
        number = self._by_key.get((sort, key))
        return None if number is None else (number, self.records[number])

    def container(self, container: Container) -> Numbered | None:
        """The supply that a container comes from; none if it is not counted."""
        sort = SORT_OF.get(container.kind)
        return None if sort is None else self.find(sort, container.key)

    def lids(self, mouth: Mouth | None) -> Numbered | None:
        """The supply of lids for a mouth; none if they are not counted, or it has no mouth."""
        return None if mouth is None else self.find(Sort.LIDS, mouth.value)

    @property
    def gel_each_g(self) -> float:
        """Gel in the smallest packets there are, g."""
        gel = [float(each.key) for each in self.records.values() if each.sort is Sort.DESICCANT]
        return min(gel, default=_USUAL_GEL_G)

    def packets(self, now: datetime) -> list[tuple[int, Kept]]:
        """The packets at hand, spares first, each with the number of its supply."""
        found = []
        for number, each in self.records.items():
            if each.sort is not Sort.PACKETS:
                continue
            size = int(each.key)
            if each.spares and is_trusted(each, now):
                found.append((number, Kept(size, size * each.worth, each.spares)))
            found.append((number, Kept(size, size, each.count, each.per_pack, buyable=True)))
        return found

    def say_at_hand(self, sizes: Iterable[int]) -> str:
        """How many packets there are of some ratings, spares included; empty if none is counted."""
        found = [(size, self.find(Sort.PACKETS, str(size))) for size in sorted(sizes, reverse=True)]
        there = {size: each[1].count * each[1].per_pack + each[1].spares for size, each in found if each}
        if len(there) == 1:
            return f"you have {next(iter(there.values()))}"
        return "you have " + ", ".join(f"{n} × {size}" for size, n in there.items()) if there else ""

    def cost(self, container: Container, count: int, packets: Mapping[int, int]) -> float | None:
        """What some containers alike, their lids and packets cost together; none if a price is not written down.

        Lids cost nothing where none are counted, for jars are sold with theirs; nor do lids that were used before.
        """
        coins = 0.0
        wanted = [(self.container(container), count)]
        wanted += [(self.find(Sort.PACKETS, str(size)), n) for size, n in packets.items()]
        for supply, n in wanted:
            if supply is None or supply[1].coins is None:
                return None
            coins += supply[1].coins / supply[1].per_pack * n
        lids = self.lids(container.mouth)
        if lids is not None:
            coins += (lids[1].coins or 0.0) * max(0, count - lids[1].again)
        return coins

    def short_of(self, wanted: Counter[str], units: Units) -> list[str]:
        """Containers, by their keys, and lids of which there are fewer than are wanted, in words."""
        short = []
        lids: Counter[Mouth] = Counter()
        for key, count in wanted.items():
            container = container_by_key(key)
            supply = self.container(container)
            if supply is not None and supply[1].count < count:
                short.append(f"{count} × {called(container, units)} ({supply[1].count} there)")
            if container.mouth is not None:
                lids[container.mouth] += count
        for mouth, count in lids.items():
            supply = self.lids(mouth)
            there = supply[1].count + supply[1].again if supply else count
            if there < count:
                short.append(f"{count} × {mouth}-mouth lid ({there} there)")
        return short

    def takes(self, packages: Sequence[Contained]) -> list[log.Act]:
        """What closing some packages takes: containers, lids, gel. Lids that were used before go first."""
        counted: Counter[int] = Counter()
        lids: Counter[Mouth] = Counter()
        for package in packages:
            container = container_by_key(package.container_key)
            found = [(self.container(container), 1)]
            gel = [(gel_g(code), n) for code, n in package.packets.items()]
            found += [(self.find(Sort.DESICCANT, f"{grams:g}"), n) for grams, n in gel if grams is not None]
            counted.update({supply[0]: n for supply, n in found if supply is not None})
            if container.mouth is not None:
                lids[container.mouth] += 1
        acts = [log.Act(number, SupplyUsed(count=n, uses=n)) for number, n in counted.items()]
        for mouth, n in lids.items():
            supply = self.lids(mouth)
            if supply is not None:
                again = min(n, supply[1].again)
                acts.append(log.Act(supply[0], SupplyUsed(count=n - again, again=again, uses=n)))
        return acts

    def opens(self, packages: Sequence[Contained], on: date) -> list[log.Act]:
        """The packets that some packages took which were closed without a run: whole packs, the rest into the jar."""
        sizes: Counter[str] = Counter()
        for package in packages:
            sizes.update({code: n for code, n in package.packets.items() if absorber_ml(code) is not None})
        acts = []
        for size, n in sizes.items():
            supply = self.find(Sort.PACKETS, size)
            if supply is None:
                continue
            number, there = supply
            packs = min(-(-n // there.per_pack), there.count)
            extras = packs * there.per_pack - n
            spares = min(max(0, -extras), there.spares)
            acts.append(log.Act(number, SupplyUsed(count=packs, spares=spares)))
            if extras > 0:
                acts.append(spares_act(number, int(size), extras, EXTRAS_MINUTES, on))
        return acts

    def say_taken(self, acts: Iterable[log.Act]) -> str:
        """What some acts take from the supplies, in words; empty if they take nothing."""
        said = []
        for act in acts:
            used = act.event
            if not isinstance(used, SupplyUsed):
                continue
            of, count = self.records[act.subject], used.count + used.again
            if count:
                packed = of.sort is Sort.PACKETS
                said.append(say_packs(count, of.per_pack, int(of.key)) if packed else f"{count} × {of.name}")
            if used.spares:
                said.append(f"{used.spares} spare {of.key} mL")
        return ", ".join(said)

    def gives_back(self, container_key: str, *, lid_holds: bool) -> list[log.Act]:
        """What comes back, washed, once a package is empty: a jar and its lid, a pail without its liner, a bottle.

        A lid that let go does not come back.
        """
        container = _without_liner(container_by_key(container_key))
        if container.kind not in _COME_BACK:
            return []
        supply, lids = self.container(container), self.lids(container.mouth)
        acts = [] if supply is None else [log.Act(supply[0], SupplyBack(count=1))]
        if lids is not None and lid_holds:
            acts.append(log.Act(lids[0], SupplyBack(again=1)))
        return acts

    def takes_in(self, session: Session, shorter: Container) -> log.Act:
        """A bag that was cut down comes to the supplies: to others of its size, or as a new sort."""
        there = self.find(Sort.BAGS, shorter.key)
        if there is not None:
            return log.Act(there[0], SupplyCame(1))
        said: Said = {"sort": Sort.BAGS, "key": shorter.key, "name": shorter.name, "count": 1, "note": "cut down"}
        return log.Act(log.next_number(session, "supply"), SupplySet(said))


def _without_liner(container: Container) -> Container:
    """A container as it comes back: of a pail whose liner was cut open, the bare pail."""
    if container.kind is not Kind.LINED_PAIL:
        return container
    bare = (each for each in containers().values() if each.kind is Kind.PAIL)
    return next((each for each in bare if each.capacity_ml == container.capacity_ml), container)


def say_packs(n: int, per_pack: int, size_ml: int) -> str:
    """Closed packs, in words."""
    return f"{n} pack{'s' if n > 1 else ''} of {per_pack} × {size_ml} mL"


def spares_act(number: int, size_ml: int, count: int, minutes: float, on: date) -> log.Act:
    """Packets that go into the jar of spares after lying out: what they are still worth."""
    worth = worth_in_jar(worth_after(minutes), rating_ml=size_ml * count, jar_ml=JAR_ML)
    return log.Act(number, SparesKept(count, worth, on))


def is_trusted(supply: SupplyRecord, now: datetime) -> bool:
    """Whether the spares of a supply are still counted on."""
    age = 0 if supply.since is None else (now.date() - supply.since).days
    return supply.worth >= LEAST_TRUST and age <= KEEPS_DAYS


def is_low(supply: SupplyRecord) -> bool:
    """Whether a supply is running low."""
    return bool(supply.low) and supply.count + supply.again <= supply.low


def say_count(supply: SupplyRecord) -> str:
    """How many there are of a supply, in words."""
    count, again = supply.count, supply.again
    if supply.sort is Sort.PACKETS:
        return f"{count} closed pack{'' if count == 1 else 's'} of {supply.per_pack}"
    if supply.sort is Sort.LIDS and again:
        return f"{count} new, {again} used before"
    return f"{count}"


def say_short(short: Sequence[str]) -> str:
    """That there is less than is wanted of some things.

    Example:
        >>> say_short(["9 × quart jar (8 there)"])
        'More than your supplies hold: 9 × quart jar (8 there)'
    """
    return f"More than your supplies hold: {'; '.join(short)}"
