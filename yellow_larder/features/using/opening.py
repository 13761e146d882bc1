"""Opening packages, taking from them, closing them again."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import date, timedelta

from sqlalchemy.orm import Session

from yellow_larder.core.air import fill, need_by_air_ml
from yellow_larder.core.containers import Closing, Container
from yellow_larder.core.finding import Severity
from yellow_larder.core.keeping import Course
from yellow_larder.core.packing import LOOK_DAYS, AdviceCode, Case, judge
from yellow_larder.features.catalog.containers import called, cut_shorter
from yellow_larder.features.household.larder import Larder, places_in
from yellow_larder.features.household.people import appetite
from yellow_larder.features.lots.lots import wants_proof
from yellow_larder.features.packages.contained import Contained
from yellow_larder.features.packages.events import (
    PackageClosed,
    PackageGone,
    PackageOpened,
    PackageSealLost,
    PackageTaken,
    PackageWeighed,
)
from yellow_larder.features.packages.life import used_shares
from yellow_larder.features.packing.container_fill import Packer, oxygen_in_room_ml
from yellow_larder.features.packing.request import Ask, Opened, Pull
from yellow_larder.features.packing.sizing_methods import asks_ml
from yellow_larder.features.shelves.carrying import title_of
from yellow_larder.features.supplies.stock import Stock
from yellow_larder.features.using.in_hand import InHand, in_hand, without_absorbers
from yellow_larder.journal import log
from yellow_larder.journal.database import writing
from yellow_larder.words.articles import a_or_an
from yellow_larder.words.dates import check_day, say_day
from yellow_larder.words.errors import Refused
from yellow_larder.words.findings import in_units
from yellow_larder.words.quantities import read_amount, read_length_mm, say_mass

CRUMBS_G = 1.0
"""A rest smaller than this is none."""

SCALES_DIFFER = 0.01
"""How far two kitchen scales may differ. Source: our judgement."""

SEAL_LOST = Opened.DAILY
"""How often the air is new in what has lost its seal: within a day it is the room's. Source: our judgement."""

PARTS = {
    **dict.fromkeys(("half", "a half", "1/2", "½"), 1 / 2),
    **dict.fromkeys(("third", "a third", "1/3", "⅓"), 1 / 3),
    **dict.fromkeys(("two thirds", "2/3", "⅔"), 2 / 3),
    **dict.fromkeys(("quarter", "a quarter", "1/4", "¼"), 1 / 4),
    **dict.fromkeys(("three quarters", "3/4", "¾"), 3 / 4),
}
"""Parts of what there is that people take, as they say them."""

_ALL = frozenset({"all", "all of it", "the rest", "rest", "everything"})


@dataclass(frozen=True, slots=True)
class Taken:
    """What came of taking some.

    Attributes:
        taken: what was taken, in words.
        left: what is left, in words; empty if nothing is.
        gone: whether it is used up.
    """

    taken: str
    left: str
    gone: bool


@dataclass(frozen=True, slots=True)
class Reclosing:
    """How a package is closed again.

    Attributes:
        closing: what is done about the air.
        cut: how much shorter a bag is that was cut open, as typed; empty if it is as long as it was.
        pressed: whether the air above the food is pressed out of film.
        pull: what draws a vacuum.
        conditioned: that food dried at home, which never stood without air before, was conditioned in a jar.
    """

    closing: Closing
    cut: str = ""
    pressed: bool = True
    pull: Pull = Pull.MACHINE
    conditioned: bool = False


def open_packages(
    larder: Larder, numbers: Sequence[int], *, often: Opened = Opened.WEEKLY, on: date | None = None
) -> None:
    """Packages are opened, and are in use from now on.

    Args:
        larder: the larder.
        numbers: which.
        often: how often they are opened from now on.
        on: the day; none means today.

    Raises:
        Refused: one is open already, or gone, or it is not to be opened.
    """
    if often is Opened.NEVER:
        raise Refused("often", "What is opened is opened again: weekly, or daily")
    with writing(larder.engine) as session:
        held = in_hand(session, larder, numbers, on)
        for each in held:
            refuse_puffed(each)
            if each.package.open_since is not None:
                raise Refused(
                    "number", f"Number {each.package.number} is open since {say_day(each.package.open_since)}"
                )
        acts = [log.Act(each.package.number, PackageOpened(each.day, opened(each, often))) for each in held]
        log.record(
            session,
            title_of("package.opened", "package.opened-many", [each.package for each in held]),
            acts,
            at=larder.clock(),
        )


def take(larder: Larder, number: int, amount: str, *, on: date | None = None) -> Taken:
    """Some of a package is taken; one that was closed is open from then on.

    Args:
        larder: the larder.
        number: which.
        amount: a weight, a measure, "half", "a third", or "the rest".
        on: the day; none means today.

    Raises:
        Refused: there is not so much in it, or it is not to be opened.
    """
    with writing(larder.engine) as session:
        (held,) = in_hand(session, larder, [number], on)
        refuse_puffed(held)
        units, there_g = held.household.units, held.package.mass_g
        taken_g = read_taken_g(amount, held, "amount")
        left_g = there_g - taken_g
        title = log.title("package.taken", number=number, mass_g=taken_g, name=held.package.food_name)
        acts = used_up(session, held, "used up") if left_g < CRUMBS_G else taken(held, taken_g)
        log.record(session, title, acts, at=larder.clock())
        left = say_mass(left_g, units) if left_g >= CRUMBS_G else ""
        return Taken(say_mass(taken_g, units), left, not left)


def read_taken_g(amount: str, held: InHand, field: str) -> float:
    """What is taken of a package, g.

    Raises:
        Refused: it cannot be read, or there is not so much in it.
    """
    there_g, units = held.package.mass_g, held.household.units
    words = re.sub(r"\s+", " ", amount).strip().lower().removesuffix(" of it")
    if words in _ALL:
        return there_g
    if words in PARTS:
        return there_g * PARTS[words]
    taken_g = read_amount(amount, field).weighs_g(held.food.loose_g_ml)
    # What a scale and what was rounded in typing may differ by is not too much.
    if taken_g > there_g * (1 + SCALES_DIFFER) + CRUMBS_G:
        raise Refused(field, f"There is {say_mass(there_g, units)} in it. Take that, or weigh what is there first")
    return min(taken_g, there_g)


def taken(held: InHand, taken_g: float) -> list[log.Act]:
    """Some is taken of a package, and some stays in it."""
    number, left_g = held.package.number, held.package.mass_g - taken_g
    acts = []
    often = Opened.WEEKLY
    if held.package.open_since is None:
        acts.append(log.Act(number, PackageOpened(held.day, opened(held, often))))
    elif held.what.closed is not None and held.what.closed.opened_a_day >= 1:
        often = Opened.DAILY
    acts.append(log.Act(number, PackageTaken(held.day, opened(held, often, left_g), taken_g)))
    return acts


def opened(held: InHand, often: Opened, mass_g: float | None = None) -> Contained:
    """What a package is once it is open: its air is the room's, and its absorbers are spent."""
    ask = Ask(container=held.package.container_key, opened=often, pressed=False)
    left_g = held.package.mass_g if mass_g is None else mass_g
    return held.as_closed(ask, Closing.LID, left_g)[0]


def used_up(session: Session, held: InHand, how: str, note: str = "") -> list[log.Act]:
    """Nothing of a package is left; what it was in comes back to the supplies."""
    package = held.package
    gone = log.Act(package.number, PackageGone(held.day, package.mass_g, note), how)
    return [gone, *Stock(session).gives_back(package.container_key, lid_holds=not package.trouble)]


def close_again(larder: Larder, number: int, how: Reclosing, *, on: date | None = None) -> str:
    """A package that was open is closed again.

    Args:
        larder: the larder.
        number: which.
        how: how.
        on: the day; none means today.

    Returns:
        What it took from the supplies, in words.

    Raises:
        Refused: it is closed already, cannot be closed so, or must not be.
    """
    with writing(larder.engine) as session:
        (held,) = in_hand(session, larder, [number], on)
        package = held.package
        if package.open_since is None and not package.trouble and held.what.closing is not Closing.LID:
            raise Refused("number", f"Number {number} is closed. Open it first, if it is to be closed otherwise")
        container = recut(held, how.cut)
        what, course = closed_in(session, larder, held, container, how, package.mass_g)
        check_safe(held, course, what, conditioned=how.conditioned)
        first_look = held.day + timedelta(days=LOOK_DAYS[0]) if how.closing is not Closing.LID else None
        stock = Stock(session)
        took = stock.opens([replace(what, packets=_absorbers(what))], held.day) if held.day == larder.today() else []
        acts = [log.Act(number, PackageClosed(held.day, what, first_look)), *took]
        title = log.title("package.closed-again", number=number, name=package.food_name, closing=how.closing.value)
        log.record(session, title, acts, at=larder.clock())
        return stock.say_taken(took)


def closed_in(
    session: Session,
    larder: Larder,
    held: InHand,
    container: Container,
    how: Reclosing,
    mass_g: float,
) -> tuple[Contained, Course]:
    """What a package is once it is closed, with fresh absorbers for the air that is in it now; and what becomes of it.

    Raises:
        Refused: it cannot be closed so, or the absorbers that are kept are too small.
    """
    if how.closing not in container.closings:
        raise Refused("closing", f"Nobody closes {a_or_an(called(container, held.household.units))} that way")
    ask = Ask(container=container.key, pressed=how.pressed, pull=how.pull)
    chosen: dict[int, int] = {}
    packed_ml = 0.0
    if how.closing is Closing.ABSORBER:
        eating = appetite(session, larder.today().year)
        at_hand = [each for _, each in Stock(session).packets(larder.clock())]
        packer = Packer(ask, held.food, container, how.closing, held.household, eating, at_hand)
        filled = fill(container, held.food, min(mass_g, held.most_in_g(container)), pressed=how.pressed)
        oxygen = oxygen_in_room_ml(filled.void_ml, held.household)
        chosen, packed_ml = packer.choose(asks_ml(ask.sizing, held.food, container, oxygen), 1)
    what, course = held.as_closed(ask, how.closing, mass_g, packed_ml=packed_ml)
    fresh = {str(size): n for size, n in chosen.items()}
    return replace(what, packets=fresh | without_absorbers(held.what), draws_in=True), course


def _absorbers(what: Contained) -> dict[str, int]:
    kept = without_absorbers(what)
    return {code: n for code, n in what.packets.items() if code not in kept}


def recut(held: InHand, cut: str) -> Container:
    """What a package is in, cut open under its seal; as it was, if nothing is cut.

    Raises:
        Refused: it is no bag, or too short after that.
    """
    if not cut.strip():
        return held.container
    if not held.container.is_flat:
        raise Refused("cut", "Only a bag is cut open")
    return cut_shorter(held.container, read_length_mm(cut, "cut", units=held.household.units))


def check_safe(held: InHand, course: Course, what: Contained, *, conditioned: bool) -> None:
    """Refuse to close a food in a way that can make somebody ill.

    Args:
        held: the package that it comes out of.
        course: what becomes of it.
        what: what it is then.
        conditioned: that somebody says it was conditioned; what once stood without air was let through as that before.

    Raises:
        Refused: the rules of the bench stop it.
    """
    case = Case(
        food=held.food,
        course=course,
        outer=what.outer,
        horizon_years=1,
        fill=fill(course.of.container, held.food, course.of.mass_g, pressed=False),
        need_ml=need_by_air_ml(oxygen_in_room_ml(course.of.void_ml, held.household)),
        unproven=wants_proof(held.food) and not conditioned and not held.stood_without_air,
    )
    stops = [each for each in in_units(judge(case), held.household.units) if each.severity is Severity.STOP]
    if stops:
        raise Refused("closing", f"{stops[0].says}. Put it back under its lid, and eat it first")


def lose_seal(larder: Larder, number: int, *, since: date | None = None, on: date | None = None) -> None:
    """A seal was found loose: from the last day that it was known to be good it counts as closed with air.

    Args:
        larder: the larder.
        number: which.
        since: the last day on which it was known to be tight; none means the day it was found.
        on: the day it was found; none means today.

    Raises:
        Refused: it is open anyway, or the day does not fit.
    """
    with writing(larder.engine) as session:
        (held,) = in_hand(session, larder, [number], on)
        package = held.package
        if package.open_since is not None or held.what.closing is Closing.LID:
            raise Refused("number", f"Number {number} has no seal to lose: it is closed with room air")
        last_good = check_day(since or held.day, held.day, "since", earliest=package.closed_on)
        act = seal_lost(session, held, last_good)
        title = log.title("package.seal-lost", number=number, name=package.food_name)
        log.record(session, title, [act], at=larder.clock())


def seal_lost(session: Session, held: InHand, last_good: date) -> log.Act:
    """A package has lost its seal, since the last day on which it was known to be good."""
    then = replace(held, day=last_good, used=used_shares(held.package, last_good, places_in(session)))
    return log.Act(held.package.number, PackageSealLost(held.day, opened(then, SEAL_LOST), last_good))


def weigh(larder: Larder, number: int, weight: str, *, on: date | None = None) -> str:
    """What is in a package was weighed, without what it is in; the difference is written off.

    Returns:
        The difference, in words; empty if there is none.

    Raises:
        Refused: the weight cannot be read, or does not go into it.
    """
    with writing(larder.engine) as session:
        (held,) = in_hand(session, larder, [number], on)
        package, units = held.package, held.household.units
        now_g = read_amount(weight, "weight").weighs_g(held.food.loose_g_ml)
        if not now_g >= CRUMBS_G:
            raise Refused("weight", "If nothing is left in it, it is used up")
        if abs(now_g - package.mass_g) < 0.5:
            raise Refused("weight", f"{say_mass(now_g, units)} is what is written already")
        what = held.with_mass(now_g, "weight")
        title = log.title("package.weighed", number=number, mass_g=now_g, name=package.food_name)
        act = log.Act(number, PackageWeighed(held.day, what, package.mass_g))
        off = now_g - package.mass_g
        log.record(session, title, [act], at=larder.clock())
        return f"{say_mass(abs(off), units)} {'more' if off > 0 else 'less'} than was written"


def refuse_puffed(held: InHand) -> None:
    """Refuse whatever opens a package that was found puffed up.

    Raises:
        Refused: it was.
    """
    if held.package.trouble == AdviceCode.PUFFED:
        raise Refused("number", "Puffed up: throw it out, do not open it")
