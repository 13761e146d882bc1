"""Stocktake: along the shelves of a place, what is there is tapped, and what is not is asked about."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum

from sqlalchemy.orm import Session

from yellow_larder.features.household.events import PlaceCounted
from yellow_larder.features.household.larder import Larder, find_place
from yellow_larder.features.household.state import Place
from yellow_larder.features.packages.events import PackageWeighed
from yellow_larder.features.packages.find import all_kept
from yellow_larder.features.packages.state import Package
from yellow_larder.features.shelves.carrying import carried, thrown_out
from yellow_larder.features.using.in_hand import InHand, in_hand
from yellow_larder.features.using.opening import CRUMBS_G, refuse_puffed, used_up
from yellow_larder.journal import log
from yellow_larder.journal.database import writing
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import read_amount

SAME_G = 0.5


class Whereabouts(StrEnum):
    """What became of a package that is not where it was written to be."""

    USED_UP = "used up"
    GIVEN_AWAY = "given away"
    TO_ANIMALS = "fed to animals"
    THROWN_OUT = "thrown out"
    ELSEWHERE = "in another place"


class Guess(StrEnum):
    """How full an open container is, at a glance."""

    FULL = "full"
    THREE_QUARTERS = "¾"
    HALF = "½"
    QUARTER = "¼"
    LITTLE = "a little"


_SHARES = {Guess.FULL: 1.0, Guess.THREE_QUARTERS: 0.75, Guess.HALF: 0.5, Guess.QUARTER: 0.25, Guess.LITTLE: 0.1}


@dataclass(frozen=True, slots=True)
class Missing:
    """A package that is not there.

    Attributes:
        number: which.
        where: what became of it.
        place: the place it stands in, if it is in another.
    """

    number: int
    where: Whereabouts
    place: int | None = None


@dataclass(frozen=True, slots=True)
class LeftIn:
    """What is left in one that is open.

    Attributes:
        number: which.
        guess: how full it is; none if it was weighed.
        weight: what was weighed, without the container, as typed; empty if it was guessed.
    """

    number: int
    guess: Guess | None = None
    weight: str = ""


@dataclass(frozen=True, slots=True)
class Counted:
    """What came of it: how many are there, have gone, were moved, and hold another weight than was written."""

    there: int
    gone: int
    moved: int
    weighed: int


def take_stock(
    larder: Larder,
    place: int,
    there: Sequence[int],
    *,
    missing: Sequence[Missing] = (),
    left_in: Sequence[LeftIn] = (),
) -> Counted:
    """What somebody found who went along the shelves of a place; all of it is one change.

    Args:
        larder: the larder.
        place: which place.
        there: the packages that are there; one that was written to stand elsewhere stands here from now on.
        missing: what became of those that are not; of those that are in neither nothing is known, and nothing changes.
        left_in: what is left in those that are open.

    Raises:
        NotThere: a place or a package is not there.
        Refused: a package is gone already, is said to be there and missing, or an amount cannot be.
    """
    today = larder.today()
    with writing(larder.engine) as session:
        here = find_place(session, place)
        found = all_kept(session, there)
        _check_once("missing", [each.number for each in missing])
        _check_once("left_in", [each.number for each in left_in])
        both = {each.number for each in missing} & {each.number for each in found}
        if both:
            raise Refused("missing", f"Number {min(both)} is there and not there: say which")
        if not found and not missing:
            raise Refused("there", "Tap what is there, or say what became of what is not")
        came = [each for each in found if each.place_id != place]
        acts = carried(session, came, here, {each.number: min(each.shelf, here.shelves) for each in came}, today)
        went = _went(session, larder, missing, place)
        weighed = [act for each in left_in for act in _weighed(session, larder, each, {one.number for one in found})]
        gone = [each for each in missing if each.where is not Whereabouts.ELSEWHERE]
        moved = len(came) + len(missing) - len(gone)
        counted = Counted(len(found), len(gone), moved, len(weighed))
        title = log.title("place.counted", name=here.name, count=len(found), gone=len(gone), moved=moved)
        log.record(
            session,
            title,
            [log.Act(place, PlaceCounted(today, len(found))), *acts, *went, *weighed],
            at=larder.clock(),
        )
        return counted


def _check_once(field: str, numbers: Sequence[int]) -> None:
    for n, number in enumerate(numbers):
        if number in numbers[:n]:
            raise Refused(field, f"Number {number} is said twice: say it once")


def _went(session: Session, larder: Larder, missing: Sequence[Missing], here: int) -> list[log.Act]:
    acts = []
    for each in missing:
        if each.where is Whereabouts.ELSEWHERE:
            if each.place is None or each.place == here:
                raise Refused("missing", f"Say in which other place number {each.number} stands")
            target = find_place(session, each.place, "missing")
            packages = all_kept(session, [each.number])
            acts += carried(session, packages, target, {each.number: _shelf(packages[0], target)}, larder.today())
        elif each.where is Whereabouts.THROWN_OUT:
            acts += thrown_out(session, all_kept(session, [each.number]), "not there when counted", larder.today())
        else:
            (held,) = in_hand(session, larder, [each.number], None)
            refuse_puffed(held)
            acts += used_up(session, held, each.where.value)
    return acts


def _shelf(package: Package, target: Place) -> int:
    return min(package.shelf, target.shelves)


def _weighed(session: Session, larder: Larder, left: LeftIn, there: set[int]) -> list[log.Act]:
    """What is in an open one from now on; nothing if that is what was written."""
    if left.number not in there:
        raise Refused("left_in", f"Number {left.number} is not there: nothing can be left in it")
    (held,) = in_hand(session, larder, [left.number], None)
    if held.package.open_since is None:
        raise Refused("left_in", f"Number {left.number} is closed: what is in it is what went in")
    now_g = _left_g(held, left)
    if now_g < CRUMBS_G:
        raise Refused("left_in", f"If nothing is left in number {left.number}, it is used up")
    if abs(now_g - held.package.mass_g) < SAME_G:
        return []
    return [log.Act(left.number, PackageWeighed(held.day, held.with_mass(now_g, "left_in"), held.package.mass_g))]


def _left_g(held: InHand, left: LeftIn) -> float:
    if left.weight.strip():
        return read_amount(left.weight, "left_in").weighs_g(held.food.loose_g_ml)
    if left.guess is None:
        raise Refused("left_in", f"Weigh number {left.number}, or guess how full it is")
    return _SHARES[left.guess] * held.most_in_g(held.container)
