"""Which oxygen absorber packets to drop in."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from functools import lru_cache
from itertools import combinations, product

import numpy as np
import scipy  # its parts are loaded when they are first used
from numpy.typing import NDArray

from yellow_larder.core.errors import CoreError, check_range

MOST_PACKETS = 60
"""More packets than this in one container is a wrong size of packet, not a plan. Source: our judgement."""


_NONE = MOST_PACKETS + 1
"""Stands for a total that no packets make up."""

_MOST_KINDS = 3
"""Kinds of packet put together into one container. Source: our judgement: more is a muddle at the table."""

_MOST_WAYS = 300
"""Ways of covering one need that are looked at, the least wasteful first. Source: our judgement."""

_BUYING_COSTS = 1e5
"""What a packet that must be bought weighs beside any waste, mL. Source: our judgement: what is there goes first."""

SPARE_LOSES = 0.25
"""Share of its rating that a packet loses which is out of its pack and waits in the jar for another day. Source: our
judgement: it takes up the jar's air, and some are never used."""


class NoPacketFits(CoreError):
    """No choice of the absorbers at hand covers the need."""


@lru_cache(maxsize=4096)
def choose_packets(need_ml: float, sizes_ml: tuple[int, ...]) -> dict[int, int]:
    """Whole packets that cover a need: fewest millilitres wasted, then fewest packets.

    Args:
        need_ml: millilitres of oxygen to take up, 0–1,000,000.
        sizes_ml: ratings of the absorbers at hand, mL each, 1–10,000.

    Returns:
        How many of each size, largest first; sizes not used are left out.

    Raises:
        OutOfRange: an argument is outside the range above.
        NoPacketFits: there are no packets, or it would take more than 60 of them.

    Example:
        >>> choose_packets(389, (100, 200, 2000))
        {200: 2}
        >>> choose_packets(0, (100,))
        {}

    Source: the coin-change recurrence; the least total at or above the need is the least waste.
    """
    check_range("need_ml", need_ml, 0, 1e6, "mL")
    for size in sizes_ml:
        check_range("sizes_ml", size, 1, 10_000, "mL")
    if not sizes_ml:
        raise NoPacketFits("there are no absorbers at hand")
    # Counting up in steps of the sizes' common measure: fewest packets for every total, as coins are counted.
    step = math.gcd(*sizes_ml)
    sizes = sorted({size // step for size in sizes_ml}, reverse=True)
    target = -(-math.ceil(need_ml) // step)
    fewest, last = [0], [0]
    for total in range(1, target + sizes[-1]):
        count, size = (
            min((fewest[total - s] + 1, -s) for s in sizes if s <= total) if total >= sizes[-1] else (_NONE, 0)
        )
        fewest.append(count)
        last.append(-size)
    total = next((t for t in range(target, len(fewest)) if fewest[t] <= MOST_PACKETS), -1)
    if total < 0:
        raise NoPacketFits(f"{need_ml:.0f} mL takes more than {MOST_PACKETS} of the absorbers at hand")
    chosen: dict[int, int] = {}
    while total:
        chosen[last[total] * step] = chosen.get(last[total] * step, 0) + 1
        total -= last[total]
    return dict(sorted(chosen.items(), reverse=True))


@dataclass(frozen=True, slots=True)
class Kept:
    """Packets of one kind at hand.

    Attributes:
        size_ml: their rating, mL, 1–10,000.
        worth_ml: what one of them still takes up, mL; below the rating for spares that have been out.
        packs: inner packs at hand; for loose ones, how many there are.
        per_pack: packets in one inner pack, all of which meet the air when it is opened; 1 for loose ones.
        buyable: whether more can be bought.

    Raises:
        OutOfRange: a figure is outside the range above, or a packet is worth more than its rating.
    """

    size_ml: int
    worth_ml: float
    packs: int
    per_pack: int = 1
    buyable: bool = False

    def __post_init__(self) -> None:
        """Check the figures."""
        check_range("size_ml", self.size_ml, 1, 10_000, "mL")
        check_range("worth_ml", self.worth_ml, 1e-3, self.size_ml, "mL")
        check_range("packs", self.packs, 0, 1e6, "")
        check_range("per_pack", self.per_pack, 1, 1000, "")

    @property
    def loses_ml(self) -> float:
        """What one of them loses that is out of its pack and goes into no container, mL; loose ones are out already."""
        return SPARE_LOSES * self.worth_ml if self.per_pack > 1 else 0.0

    @property
    def buying_costs_ml(self) -> float:
        """What buying one inner pack weighs beside waste, mL: what is in the house goes first."""
        return _BUYING_COSTS * self.per_pack if self.buyable else 0.0

    @property
    def is_loose(self) -> bool:
        """Whether they are loose ones, which nobody sells."""
        return self.per_pack == 1 and not self.buyable


@dataclass(frozen=True, slots=True)
class Allotment:
    """Packets shared out over containers.

    Attributes:
        ways: for each need, the ways its containers are packed: how many of each kind, and in how many containers.
        opened: inner packs opened of each kind, those to buy included.
        buy: inner packs to buy of each kind.
        spares: packets of each kind that are out and go into no container.
        waste_ml: what goes into containers beyond their needs, and what spares out of fresh packs lose, mL.
    """

    ways: tuple[tuple[tuple[tuple[int, ...], int], ...], ...]
    opened: tuple[int, ...]
    buy: tuple[int, ...]
    spares: tuple[int, ...]
    waste_ml: float


def allot(needs: Sequence[tuple[float, int]], kept: Sequence[Kept]) -> Allotment:
    """Share packets out over all containers of a packing at once, never below a need.

    Fewest millilitres wasted come first: what goes in beyond the need, and what packets lose that are out of their pack
    and find no container. Then fewest packets, then fewest inner packs opened.

    Args:
        needs: for each sort of container, the millilitres that one of them needs and how many there are.
        kept: the packets at hand, each kind once.

    Returns:
        The packets of each container, inner packs to open and to buy, and spares.

    Raises:
        NoPacketFits: the packets at hand do not suffice and no more can be bought, or a need takes too many.
        OutOfRange: a need is below zero or beyond 1,000,000 mL, or there are no containers of a sort.

    Example:
        Two inner packs of five at 200 mL and four loose ones of 100 for four bags of 300 mL:

        >>> found = allot([(300, 4)], [Kept(200, 200, 2, 5), Kept(100, 100, 4)])
        >>> found.ways, found.opened, found.spares
        (((((1, 1), 4),),), (1, 4), (1, 0))

    Source: an integer program over the ways a need can be covered, solved exactly (`scipy.optimize.milp`).
    """
    for need, count in needs:
        check_range("need_ml", need, 0, 1e6, "mL")
        check_range("count", count, 1, 100_000, "")
    ways = [_ways(need, tuple(kept)) for need, _ in needs]
    if any(not each for each in ways):
        raise NoPacketFits("the absorbers at hand are too small, or there are none")
    program = _Program(needs, kept, ways)
    program.least(program.waste)
    program.least(program.packets)
    return program.shared_out(program.least(program.packs))


def alike(need_ml: float, count: int, kept: Sequence[Kept]) -> tuple[int, ...]:
    """Packets for containers that are all packed alike: by what `allot` goes by, but one way for all of them.

    Args:
        need_ml: millilitres that one container needs, 0–1,000,000.
        count: containers, 1–100,000.
        kept: the packets at hand, each kind once.

    Returns:
        How many of each kind go into each container.

    Raises:
        NoPacketFits: the packets at hand do not suffice and no more can be bought, or the need takes too many.
        OutOfRange: a figure is outside the range above.

    Example:
        A pail opens no pack of a hundred for the last 290 mL; once there are loose 500s, it takes a big one:

        >>> big, small = Kept(2000, 2000, 10), Kept(100, 100, 1, 100)
        >>> alike(2790, 1, [big, Kept(500, 500, 2, 10), small]), alike(2790, 1, [big, Kept(500, 500, 9), small])
        ((0, 6, 0), (1, 2, 0))

    Source: every way is weighed.
    """
    check_range("need_ml", need_ml, 0, 1e6, "mL")
    check_range("count", count, 1, 100_000, "")
    ways = _ways(need_ml, tuple(kept))
    weighed = [(weight, way) for way in ways if (weight := _weigh(need_ml, count, way, kept))]
    if not weighed:
        raise NoPacketFits("there are not enough absorbers at hand")
    return min(weighed)[1]


def _weigh(need_ml: float, count: int, way: Sequence[int], kept: Sequence[Kept]) -> tuple[float, ...]:
    """What `allot` brings to its least, one after the other, for one way in all containers; nothing if they run out."""
    waste = count * (sum(n * each.worth_ml for n, each in zip(way, kept, strict=True)) - need_ml)
    packs = 0.0
    for n, each in zip(way, kept, strict=True):
        opened = -(-count * n // each.per_pack)
        buy = max(0, opened - each.packs)
        if buy and not each.buyable:
            return ()
        waste += each.buying_costs_ml * buy + each.loses_ml * (opened * each.per_pack - count * n)
        packs += opened if each.per_pack > 1 else 0
    return round(waste, 6), count * sum(way), packs


@lru_cache(maxsize=256)
def _ways(need_ml: float, kept: tuple[Kept, ...]) -> tuple[tuple[int, ...], ...]:
    """Ways to cover a need from which no packet can be taken away, the least wasteful first."""
    if need_ml <= 0:
        return ((0,) * len(kept),)
    found: set[tuple[int, ...]] = set()
    usable = [k for k, each in enumerate(kept) if each.packs or each.buyable]
    for kinds in range(1, min(_MOST_KINDS, len(usable)) + 1):
        for chosen in combinations(usable, kinds):
            found.update(_covers(need_ml, kept, chosen))

    def waste(way: tuple[int, ...]) -> tuple[float, int]:
        return round(sum(n * each.worth_ml for n, each in zip(way, kept, strict=True)) - need_ml, 6), sum(way)

    ordered = sorted(found, key=waste)
    # However many are left out, what a single kind does is looked at: it may be all there is.
    return (*ordered[:_MOST_WAYS], *(way for way in ordered[_MOST_WAYS:] if sum(n > 0 for n in way) == 1))


def _covers(need_ml: float, kept: Sequence[Kept], chosen: tuple[int, ...]) -> Iterator[tuple[int, ...]]:
    """Covers of a need by just these kinds, each of them used."""
    *first, last = sorted(chosen, key=lambda k: -kept[k].worth_ml)
    at_most = [min(MOST_PACKETS, _at_hand(kept[k]), math.ceil(need_ml / kept[k].worth_ml)) for k in first]
    for counts in product(*(range(1, most + 1) for most in at_most)):
        rest = need_ml - sum(n * kept[k].worth_ml for n, k in zip(counts, first, strict=True))
        more = math.ceil(rest / kept[last].worth_ml - 1e-9)
        if more < 1 or more > _at_hand(kept[last]) or sum(counts) + more > MOST_PACKETS:
            continue
        way = [0] * len(kept)
        for n, k in zip((*counts, more), (*first, last), strict=True):
            way[k] = n
        yield tuple(way)


def _at_hand(kind: Kept) -> int:
    return MOST_PACKETS if kind.buyable else kind.packs * kind.per_pack


class _Program:
    """The integer program: containers per way, then packs opened and packs bought per kind."""

    def __init__(
        self, needs: Sequence[tuple[float, int]], kept: Sequence[Kept], ways: list[tuple[tuple[int, ...], ...]]
    ) -> None:
        self._kept, self._ways = kept, ways
        flat = np.array([way for of_need in ways for way in of_need], dtype=np.float64).reshape(-1, len(kept))
        columns, kinds = len(flat), len(kept)
        per_pack = np.array([each.per_pack for each in kept], dtype=np.float64)
        packs = np.array([each.packs for each in kept], dtype=np.float64)
        need_of = np.repeat([need for need, _ in needs], [len(of_need) for of_need in ways])
        worth = np.array([each.worth_ml for each in kept])
        none = np.zeros(kinds)
        loses = np.array([each.loses_ml for each in kept])
        bought = np.array([each.buying_costs_ml for each in kept])
        self.waste = np.concatenate([flat @ worth - need_of - flat @ loses, loses * per_pack, bought])
        self.packets = np.concatenate([flat.sum(axis=1), none, none])
        self.packs = np.concatenate([np.zeros(columns), np.where(per_pack > 1, 1.0, 1e-3), none])
        owner = np.repeat(np.arange(len(needs)), [len(of_need) for of_need in ways])
        each_once = np.hstack(
            [(owner == np.arange(len(needs))[:, None]).astype(float), np.zeros((len(needs), 2 * kinds))]
        )
        enough = np.hstack([-flat.T, np.diag(per_pack), np.zeros((kinds, kinds))])
        in_house = np.hstack([np.zeros((kinds, columns)), np.eye(kinds), -np.eye(kinds)])
        counts = np.array([count for _, count in needs], dtype=np.float64)
        rule = scipy.optimize.LinearConstraint
        self._rules = [
            rule(each_once, counts, counts),
            rule(enough, 0, np.inf),
            rule(in_house, -np.inf, packs),
        ]
        most = np.concatenate(
            [np.full(columns + kinds, np.inf), np.where([each.buyable for each in kept], np.inf, 0.0)]
        )
        self._bounds = scipy.optimize.Bounds(0, most)

    def least(self, weigh: NDArray[np.float64]) -> NDArray[np.float64]:
        """Bring one thing down to its least, and hold it there for what comes after; the answer that does."""
        done = scipy.optimize.milp(
            weigh,
            constraints=self._rules,
            bounds=self._bounds,
            integrality=np.ones(len(weigh), dtype=int),
            # To the very least: a gap of its own accord is a share of the cost, and costs are in thousands.
            options={"mip_rel_gap": 0.0},
        )
        if done.x is None:
            raise NoPacketFits("there are not enough absorbers at hand")
        answer: NDArray[np.float64] = np.round(done.x)
        self._rules.append(scipy.optimize.LinearConstraint(weigh[None, :], -np.inf, float(weigh @ answer) + 1e-6))
        return answer

    def shared_out(self, answer: NDArray[np.float64]) -> Allotment:
        """What an answer says."""
        kinds, columns = len(self._kept), len(self.waste) - 2 * len(self._kept)
        opened, buy = (
            tuple(int(n) for n in part) for part in (answer[columns : columns + kinds], answer[columns + kinds :])
        )
        ways, at, used = [], 0, [0] * kinds
        for of_need in self._ways:
            chosen = [(way, int(n)) for way, n in zip(of_need, answer[at : at + len(of_need)], strict=True) if n]
            ways.append(tuple(chosen))
            for way, n in chosen:
                used = [u + n * w for u, w in zip(used, way, strict=True)]
            at += len(of_need)
        out = [n * each.per_pack for n, each in zip(opened, self._kept, strict=True)]
        spares = tuple(o - u for o, u in zip(out, used, strict=True))
        waste = float(self.waste[: columns + kinds] @ answer[: columns + kinds])
        return Allotment(tuple(ways), opened, buy, spares, max(0.0, waste))
