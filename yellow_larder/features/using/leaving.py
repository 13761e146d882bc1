"""Packages that are used up, given away or kept on; what somebody thought of one; and what was written down wrong."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import date, timedelta
from enum import StrEnum

from yellow_larder.core.food import Food, nutrients
from yellow_larder.core.keeping import Best, Estimate
from yellow_larder.features.catalog.foods import all_foods, find_food
from yellow_larder.features.household.larder import Larder, find_place, places_in
from yellow_larder.features.household.state import Place
from yellow_larder.features.packages.contained import Closed, Contained, Life, Portion
from yellow_larder.features.packages.events import PackageCorrected, PackageKeptOn, PackageTasted, Taste
from yellow_larder.features.packages.life import limit_days
from yellow_larder.features.packages.state import row_of
from yellow_larder.features.packing.package_course import bests_of, course_as_closed
from yellow_larder.features.packing.plan import Lasts
from yellow_larder.features.shelves.ageing import SOON_DAYS, lives_left
from yellow_larder.features.shelves.carrying import title_of
from yellow_larder.features.shelves.moving import lasts_anew
from yellow_larder.features.supplies.stock import Stock
from yellow_larder.features.using.in_hand import InHand, in_hand
from yellow_larder.features.using.opening import recut, refuse_puffed, used_up
from yellow_larder.journal import log
from yellow_larder.journal.database import writing
from yellow_larder.reference import life_class
from yellow_larder.words.dates import check_day, say_day
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import read_amount

LONGEST_NOTE = 200

LONGEST_ON = timedelta(days=2 * 366)
"""What is kept on is looked at again within two years. Source: our judgement."""


class Leaving(StrEnum):
    """How food leaves the shelves, but for being thrown out: that has its reason."""

    USED_UP = "used up"
    GIVEN_AWAY = "given away"
    TO_ANIMALS = "fed to animals"


_TITLES = {
    Leaving.USED_UP: ("package.used-up", "package.used-up-many"),
    Leaving.GIVEN_AWAY: ("package.given-away", "package.given-away-many"),
    Leaving.TO_ANIMALS: ("package.fed", "package.fed-many"),
}


def leave(
    larder: Larder, numbers: Sequence[int], how: Leaving, *, note: str = "", cut: str = "", on: date | None = None
) -> None:
    """Packages leave the shelves; jars, lids, pails and bags that are cut shorter come back to the supplies.

    Args:
        larder: the larder.
        numbers: which.
        how: how they leave.
        note: what is to be known of it.
        cut: how much shorter their bags come back, as typed; empty if they do not.
        on: the day; none means today.

    Raises:
        Refused: one is gone already, or is not to be eaten by anybody.
    """
    with writing(larder.engine) as session:
        held = in_hand(session, larder, numbers, on)
        for each in held:
            refuse_puffed(each)
        acts = [act for each in held for act in used_up(session, each, how.value, check_note(note))]
        if cut.strip():
            if len(held) > 1:
                raise Refused("cut", "One bag at a time is cut down")
            acts.append(Stock(session).takes_in(session, recut(held[0], cut)))
        log.record(session, title_of(*_TITLES[how], [each.package for each in held]), acts, at=larder.clock())


def taste(larder: Larder, number: int, verdict: Taste, *, note: str = "", on: date | None = None) -> None:
    """Somebody tasted it, or looked at it and smelled it.

    Raises:
        Refused: it is gone, or is not to be tasted.
    """
    with writing(larder.engine) as session:
        (held,) = in_hand(session, larder, [number], on)
        refuse_puffed(held)
        act = log.Act(number, PackageTasted(held.day, verdict, check_note(note)))
        title = log.title("package.tasted", number=number, name=held.package.food_name, verdict=verdict.value)
        log.record(session, title, [act], at=larder.clock())


def keep_on(larder: Larder, number: int, *, until: date | None, note: str = "", on: date | None = None) -> None:
    """A package whose best-by is over was looked at, smelled and tasted, and is kept until it is looked at again.

    Raises:
        Refused: its best-by is not over, it was not right at its last look, or the day does not fit.
    """
    with writing(larder.engine) as session:
        (held,) = in_hand(session, larder, [number], on)
        if held.package.trouble:
            raise Refused("number", "It was not right at its last look: that comes first")
        left, _, _ = lives_left([row_of(held.package)], places_in(session), held.household.estimate, larder.today())
        if left[0] > SOON_DAYS:
            raise Refused("number", "Its best-by is not near: it is kept anyway")
        if until is None or not held.day < until <= held.day + LONGEST_ON:
            last = say_day(held.day + LONGEST_ON)
            raise Refused("until", f"A day to look at it again, after {say_day(held.day)} and up to {last}")
        act = log.Act(number, PackageKeptOn(held.day, until, check_note(note)))
        title = log.title("package.kept-on", number=number, name=held.package.food_name, until=until.isoformat())
        log.record(session, title, [act], at=larder.clock())


def check_note(note: str) -> str:
    """A note as it is kept.

    Raises:
        Refused: it is too long.
    """
    words = " ".join(note.split())
    if len(words) > LONGEST_NOTE:
        raise Refused("note", f"{len(words):,} characters; {LONGEST_NOTE} is the most for a note")
    return words


@dataclass(frozen=True, slots=True, kw_only=True)
class Correction:
    """What was written down wrong about a package, as it should have been; what is empty was right.

    Attributes:
        food: what it is.
        amount: how much is in it now.
        packed_on: the day it was packed.
        place: where it stands.
        shelf: on which shelf.
    """

    food: str = ""
    amount: str = ""
    packed_on: date | None = None
    place: int | None = None
    shelf: int | None = None


def correct(larder: Larder, number: int, right: Correction) -> None:
    """What was written down wrong about a package is put right; the journal shows that it was.

    Raises:
        Refused: nothing is different, or it cannot have been so: what it is and when it was packed can be put right
            until something else has happened to it.
    """
    today = larder.today()
    with writing(larder.engine) as session:
        (held,) = in_hand(session, larder, [number], None)
        package = held.package
        untouched = package.past is None and package.open_since is None and package.closed_on == package.packed_on
        known = all_foods(session)
        food = _food_named(right.food, known) if right.food.strip() else held.food
        day = package.packed_on if right.packed_on is None else check_day(right.packed_on, today, "packed_on")
        place = held.place if right.place is None else find_place(session, right.place)
        for field, other in (("food", food.key != package.food_key), ("packed_on", day != package.packed_on)):
            if other and not untouched:
                raise Refused(field, "Something else has happened to it since: empty it, and pack it anew")
        typed = right.amount.strip()
        mass_g = read_amount(typed, "amount").weighs_g(food.loose_g_ml) if typed else package.mass_g
        shelf = package.shelf if right.shelf is None else right.shelf
        if not 1 <= shelf <= place.shelves:
            raise Refused("shelf", f"{place.name} has shelves 1 to {place.shelves}")
        so = held.with_mass(mass_g, "amount")
        if food.key != package.food_key:
            so = _of_food(held, food, place, mass_g)
        elif place.id != package.place_id:
            so = replace(so, lasts=_lasts_in(held, place, known, places_in(session)))
        what = replace(so, place_id=place.id, shelf=shelf)
        if what == held.what and day == package.packed_on:
            raise Refused("request", "That is what is written already")
        act = log.Act(number, PackageCorrected(today, what, day))
        title = log.title("package.corrected", number=number, name=food.name)
        log.record(session, title, [act], at=larder.clock())


def _food_named(words: str, known: dict[str, Food]) -> Food:
    try:
        return find_food(words, known)
    except Refused as refused:
        raise refused.at("food") from refused


def _closed_of(held: InHand) -> Closed:
    if held.what.closed is None:
        raise Refused("request", "Nobody wrote down how it was closed: empty it and pack it anew")
    return held.what.closed


def _lasts_in(held: InHand, place: Place, known: dict[str, Food], places: dict[int, Place]) -> dict[Estimate, Life]:
    """How long a package lasts that stands, and stood all along, elsewhere than was written down."""
    _closed_of(held)
    return lasts_anew([held.package], known, places, held.place, place)[held.package.number]


def _of_food(held: InHand, food: Food, place: Place, mass_g: float) -> Contained:
    """What a package to which nothing has happened is, had its right food been written down."""
    moisture = food.composition.water_g
    right = replace(held, food=food).with_mass(mass_g, "amount")
    course = course_as_closed(
        food, held.container, right.closing, place, _closed_of(held), mass_g=mass_g, moisture_pct=moisture
    )
    return replace(
        right,
        contents=(Portion(food.key, food.name, food.form, food.colour, mass_g),),
        kcal=nutrients(food.composition, mass_g).kcal,
        moisture_pct=moisture,
        q10=life_class(food.life).q10,
        lasts={estimate: _limited(held, estimate, best) for estimate, best in bests_of(food, course).items()},
    )


def _limited(held: InHand, estimate: Estimate, best: Best) -> Life:
    return Lasts.of(replace(best, most_days=min(best.most_days, limit_days(held.package, estimate)))).life
