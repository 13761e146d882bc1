"""Pouring over: a pail shared out into jars, a half-empty jar into a smaller one, two rests into one."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import date, timedelta

from sqlalchemy.orm import Session

from yellow_larder.core.containers import Closing
from yellow_larder.core.keeping import Estimate
from yellow_larder.core.packing import LOOK_DAYS
from yellow_larder.features.catalog.containers import Drawing, called, container_by_key, drawing
from yellow_larder.features.catalog.own_containers import all_containers
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.packages.contained import Contained, Stretch
from yellow_larder.features.packages.events import PackageGone, PackagePacked
from yellow_larder.features.packages.state import row_of, stretches_of
from yellow_larder.features.packing.pack import usual_shelf
from yellow_larder.features.packing.request import MOST_CONTAINERS, Pull, ways_to_close
from yellow_larder.features.shelves.carrying import title_of
from yellow_larder.features.supplies.stock import Stock
from yellow_larder.features.using.in_hand import InHand, in_hand
from yellow_larder.features.using.opening import (
    CRUMBS_G,
    Reclosing,
    check_safe,
    closed_in,
    read_taken_g,
    refuse_puffed,
    taken,
)
from yellow_larder.journal import log
from yellow_larder.journal.database import reading, writing
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import say_mass


@dataclass(frozen=True, slots=True, kw_only=True)
class Pouring:
    """What is poured over, and into what.

    Attributes:
        numbers: the packages that it comes out of.
        container: what it goes into.
        count: how many of them; none means as few as hold it.
        closing: how they are closed.
        amount: how much, as typed; empty means all there is. Only out of one.
        pull: what draws a vacuum.
        shelf: where they stand; none means the shelf that suits them.
        conditioned: that food dried at home, which never stood without air before, was conditioned in a jar.
    """

    numbers: tuple[int, ...]
    container: str
    count: int | None = None
    closing: Closing = Closing.LID
    amount: str = ""
    pull: Pull = Pull.MACHINE
    shelf: int | None = None
    conditioned: bool = False


@dataclass(frozen=True, slots=True)
class Poured:
    """What came of it.

    Attributes:
        numbers: of the new packages.
        says: what there is now, in words.
        took: what it took from the supplies, in words; empty if nothing.
    """

    numbers: list[int]
    says: str
    took: str


LEAST_FILLED = 0.05
"""Share of what a container holds below which nobody would close it. Source: our judgement."""

MOST_OFFERED = 24
"""More of a container than this is another size of it. Source: our judgement."""


@dataclass(frozen=True, slots=True)
class PourInto:
    """A container that some packages could be poured into.

    Attributes:
        container: its key.
        name: what it is called.
        count: how many of them hold it all.
        there: how many of them there are, in words; empty if they are not counted.
        closings: how it can be closed, the usual way first.
        draw: how it is drawn.
    """

    container: str
    name: str
    count: int
    there: str
    closings: list[Closing]
    draw: Drawing


def pour_options(larder: Larder, numbers: Sequence[int]) -> list[PourInto]:
    """What some packages could be poured into: what there is enough of in the supplies, then the fewest containers.

    Raises:
        Refused: they are not of one food, or one is gone.
    """
    with reading(larder.engine) as session:
        held = in_hand(session, larder, numbers, None)
        _check_alike(held)
        first, stock = held[0], Stock(session)
        total_g = sum(each.package.mass_g for each in held)
        found, enough = [], {}
        for container in all_containers(session).values():
            count = math.ceil(total_g / first.most_in_g(container) - 1e-6)
            if container.from_the_shop or count > MOST_OFFERED:
                continue
            supply = stock.container(container)
            found.append(
                PourInto(
                    container.key,
                    called(container, first.household.units),
                    max(1, count),
                    f"{supply[1].count} there" if supply else "",
                    ways_to_close(first.food, container),
                    drawing(container),
                )
            )
            enough[container.key] = supply is not None and supply[1].count >= count
        return sorted(found, key=lambda each: (not enough[each.container], each.count))


def pour(larder: Larder, asked: Pouring, *, on: date | None = None) -> Poured:
    """What is in some packages goes into others: split, gone down a size, put together.

    The new ones have behind them what their food has been through: what was used of its life stays used. Of several
    that are put together the one with the least life left counts.

    Raises:
        Refused: they are not of one food, it does not fit, cannot be closed so, or must not be.
    """
    with writing(larder.engine) as session:
        held = in_hand(session, larder, asked.numbers, on)
        first, units = held[0], held[0].household.units
        _check_alike(held)
        total_g = sum(each.package.mass_g for each in held)
        poured_g = _poured_g(asked, held, total_g)
        count = _how_many(asked, first, poured_g)
        each_g = poured_g / count
        oldest = max(held, key=lambda each: each.used[Estimate.CUSTOMARY])
        mixed = _mixed(held, oldest, total_g)
        container = container_by_key(asked.container)
        what, course = closed_in(session, larder, mixed, container, Reclosing(asked.closing, pull=asked.pull), each_g)
        check_safe(mixed, course, what, conditioned=asked.conditioned)
        shelf = usual_shelf(container.kind, first.place.shelves) if asked.shelf is None else asked.shelf
        if not 1 <= shelf <= first.place.shelves:
            raise Refused("shelf", f"{first.place.name} has shelves 1 to {first.place.shelves}")
        what = replace(what, place_id=first.place.id, shelf=shelf)
        acts, took = _acts(session, larder, held, what, oldest, poured_g, total_g, count)
        title = title_of("package.poured", "package.poured-many", [each.package for each in held], jars=count)
        log.record(session, title, acts, at=larder.clock())
        numbers = [act.subject for act in acts if isinstance(act.event, PackagePacked)]
        says = f"{count} × {called(container, units)}, {say_mass(each_g, units)} each"
        return Poured(numbers, says, Stock(session).say_taken(took))


def _acts(
    session: Session,
    larder: Larder,
    held: Sequence[InHand],
    what: Contained,
    oldest: InHand,
    poured_g: float,
    total_g: float,
    count: int,
) -> tuple[list[log.Act], list[log.Act]]:
    """What happens to the old ones, the new ones and the supplies; and of that, what is taken from the supplies."""
    first, stock = held[0], Stock(session)
    number = log.next_number(session, "package")
    look = first.day + timedelta(days=LOOK_DAYS[0]) if what.closing is not Closing.LID else None
    packed = PackagePacked(
        what,
        first.day,
        look_due=look,
        out_of=tuple(each.package.number for each in held),
        past=tuple(been_through(oldest)),
    )
    news = [log.Act(number + n, packed) for n in range(count)]
    all_gone = total_g - poured_g < CRUMBS_G
    olds = [] if all_gone else taken(first, poured_g)
    if all_gone:
        for each in held:
            package = each.package
            olds.append(log.Act(package.number, PackageGone(each.day, package.mass_g), "poured over"))
            olds += stock.gives_back(package.container_key, lid_holds=not package.trouble)
    new = [what] * count
    took = [*stock.takes(new), *stock.opens(new, first.day)] if first.day == larder.today() else []
    return [*olds, *news, *took], took


def been_through(held: InHand) -> list[Stretch]:
    """What the food of a package has been through by now."""
    return [each for each in stretches_of(row_of(held.package), held.day) if each.since < each.until]


def _mixed(held: Sequence[InHand], oldest: InHand, total_g: float) -> InHand:
    """Several packages as one: as old as the oldest, and as moist as they are on the mean."""
    moisture = sum(each.moisture_pct * each.package.mass_g for each in held) / total_g
    mixed = replace(oldest, place=held[0].place)
    # What is worked out of a package when it is first asked for is said here instead.
    mixed.__dict__["moisture_pct"] = moisture
    return mixed


def _check_alike(held: Sequence[InHand]) -> None:
    first = held[0]
    for each in held:
        refuse_puffed(each)
        if each.package.trouble:
            raise Refused("numbers", f"Number {each.package.number} was not right at its last look: see to it first")
        if each.package.food_key != first.package.food_key:
            names = f"{first.package.food_name} and {each.package.food_name}"
            raise Refused("numbers", f"{names} do not go into one container")


def _poured_g(asked: Pouring, held: Sequence[InHand], total_g: float) -> float:
    if not asked.amount.strip():
        return total_g
    if len(held) > 1:
        raise Refused("amount", "Out of several, all of it is poured over; or take them one by one")
    return read_taken_g(asked.amount, held[0], "amount")


def _how_many(asked: Pouring, first: InHand, poured_g: float) -> int:
    container = container_by_key(asked.container)
    holds_g = first.most_in_g(container)
    fewest = max(1, math.ceil(poured_g / holds_g - 1e-6))
    count = fewest if asked.count is None else asked.count
    if not 1 <= count <= MOST_CONTAINERS:
        raise Refused("count", f"1 to {MOST_CONTAINERS} of them")
    if count < fewest:
        units = first.household.units
        raise Refused(
            "count",
            f"{count} × {called(container, units)} hold {say_mass(count * holds_g, units)}; "
            f"{say_mass(poured_g, units)} needs {fewest}",
        )
    if count > fewest and poured_g / count < LEAST_FILLED * holds_g:
        units = first.household.units
        raise Refused("count", f"{say_mass(poured_g / count, units)} in each is hardly anything: take fewer of them")
    return count
