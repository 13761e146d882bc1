"""Looking a package over after a day and after a week: what it feels like, and what that means."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum

from yellow_larder.core.containers import Closing
from yellow_larder.core.errors import check_range
from yellow_larder.core.food import Food, Trait

LOOK_DAYS = (1, 7)
"""Days after closing on which a package is looked at. Source: common practice: after 24 hours, to 7 days."""


class Feel(StrEnum):
    """How a package feels."""

    FIRM = "firm"
    """Drawn in; of a jar: the lid dips and cannot be lifted."""
    LOOSE = "loose"
    """As it was; of a jar: the lid is flat."""
    PUFFED = "puffed"
    LEAKS = "leaks"
    """Air goes in and out when it is pressed; of a jar: the lid comes off."""


class Indicator(StrEnum):
    """Colour of the pill packed with absorbers, where one can be seen."""

    UNSEEN = "not seen"
    PINK = "pink"
    GREY = "grey or blue"


class Doing(StrEnum):
    """What is to be done with it."""

    NOTHING = "nothing"
    AGAIN = "look again"
    REPACK = "repack"
    OUT = "throw out"


class AdviceCode(StrEnum):
    """What a look means."""

    PUFFED = "puffed"
    LEAKS = "leaks"
    VACUUM_LEAKS = "vacuum-leaks"
    INDICATOR_GREY = "indicator-grey"
    HOLDS = "holds"
    HOLDS_A_WEEK = "holds-a-week"
    LID_FLAT = "lid-flat"
    FILM_LOOSE = "film-loose"
    LOOSE_FINE = "loose-fine"
    LOOSE_YET = "loose-yet"
    LOOSE_A_WEEK = "loose-a-week"


class Exposed(StrEnum):
    """What open air did to food whose package let it in."""

    FREEZE_DRIED = "freeze-dried"
    """It absorbs the room's moisture within hours."""
    HOME_DRIED = "home-dried"
    """It may have."""
    DRY = "dry"
    """It takes no harm in a week."""


@dataclass(frozen=True, slots=True)
class Advice:
    """What a look means.

    Attributes:
        code: which advice it is.
        doing: what is to be done.
        exposed: of a package that is to be repacked, what the air did to its food.
        closing: what was done about the air.
    """

    code: AdviceCode
    doing: Doing
    closing: Closing
    exposed: Exposed | None = None


def advise(
    feel: Feel, indicator: Indicator, *, day: int, food: Food, closing: Closing, lid_dips: bool, draws_in: bool
) -> Advice:
    """What a look at a package means.

    Args:
        feel: how it feels.
        indicator: colour of the absorbers' indicator.
        day: days since it was closed, 0–3,650.
        food: what is in it.
        closing: what was done about the air.
        lid_dips: whether it is a jar whose lid dips as the air goes.
        draws_in: whether it was expected to feel firm.

    Returns:
        What to do, and why.

    Raises:
        OutOfRange: the day is outside the range above.

    Example:
        >>> from yellow_larder.core.food import Composition
        >>> barley = Food("b", "barley", "grains", "grain", "#ddbb77", "hard grain",
        ...               Composition(352, 9.9, 1.2, 77.7, 15.6, 10.1), 0.78, 0.83, 1.40)
        >>> look = dict(food=barley, closing=Closing.ABSORBER, lid_dips=False, draws_in=True)
        >>> advise(Feel.LOOSE, Indicator.UNSEEN, day=1, **look).doing.value
        'look again'
        >>> advise(Feel.PUFFED, Indicator.UNSEEN, day=7, **look).doing.value
        'throw out'

    Source: common practice.
    """
    check_range("day", day, 0, 3650, "days")
    a_week = day >= LOOK_DAYS[-1]
    if feel is Feel.PUFFED:
        return Advice(AdviceCode.PUFFED, Doing.OUT, closing)
    if feel is Feel.LEAKS:
        leaks = AdviceCode.VACUUM_LEAKS if closing is Closing.VACUUM else AdviceCode.LEAKS
        return Advice(leaks, Doing.REPACK, closing, _exposed(food))
    if indicator is Indicator.GREY and closing is Closing.ABSORBER:
        return Advice(AdviceCode.INDICATOR_GREY, Doing.REPACK, closing, _exposed(food))
    if feel is Feel.FIRM:
        return Advice(AdviceCode.HOLDS_A_WEEK if a_week else AdviceCode.HOLDS, Doing.NOTHING, closing)
    if lid_dips:
        return Advice(AdviceCode.LID_FLAT, Doing.REPACK, closing, _exposed(food))
    if closing is Closing.VACUUM:
        return Advice(AdviceCode.FILM_LOOSE, Doing.REPACK, closing, _exposed(food))
    if not draws_in:
        return Advice(AdviceCode.LOOSE_FINE, Doing.NOTHING if a_week else Doing.AGAIN, closing)
    return Advice(AdviceCode.LOOSE_A_WEEK if a_week else AdviceCode.LOOSE_YET, Doing.AGAIN, closing)


def _exposed(food: Food) -> Exposed:
    """What the room's air does to a food: home-dried and freeze-dried food absorb its moisture."""
    if Trait.FREEZE_DRIED in food.traits:
        return Exposed.FREEZE_DRIED
    return Exposed.HOME_DRIED if Trait.HOME_DRIED in food.traits else Exposed.DRY
