"""Looking a package over after a day and after a week: what it feels like, and what that means."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum

from yellow_larder.core.containers import Closing, Kind
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


class Eye(StrEnum):
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


@dataclass(frozen=True, slots=True)
class Advice:
    """What a look means.

    Attributes:
        doing: what is to be done.
        says: in a sentence.
        why: the reason.
        source: where it comes from.
    """

    doing: Doing
    says: str
    why: str
    source: str


def advise(feel: Feel, eye: Eye, *, day: int, food: Food, closing: Closing, kind: Kind, draws_in: bool) -> Advice:
    """What a look at a package means.

    Args:
        feel: how it feels.
        eye: colour of the absorbers' eye.
        day: days since it was closed, 0–3,650.
        food: what is in it.
        closing: what was done about the air.
        kind: what sort of container it is.
        draws_in: whether it was expected to feel firm.

    Returns:
        What to do, and why.

    Raises:
        OutOfRange: the day is outside the range above.

    Example:
        >>> from yellow_larder.core.food import Composition
        >>> barley = Food("b", "barley", "grains", "grain", "#ddbb77", "hard grain",
        ...               Composition(352, 9.9, 1.2, 77.7, 15.6, 10.1), 0.78, 0.83, 1.40)
        >>> look = dict(food=barley, closing=Closing.ABSORBER, kind=Kind.BAG, draws_in=True)
        >>> advise(Feel.LOOSE, Eye.UNSEEN, day=1, **look).doing.value
        'look again'
        >>> advise(Feel.PUFFED, Eye.UNSEEN, day=7, **look).doing.value
        'throw out'

    Source: common practice; each says its own.
    """
    check_range("day", day, 0, 3650, "days")
    if feel is Feel.PUFFED:
        return Advice(
            Doing.OUT,
            "Puffed up: do not open it indoors, do not taste it, throw it out",
            "Nothing dry makes gas. What puffs a package up is alive in it, and without oxygen that may be botulism. A "
            "bag that was closed in the cold and swells a little in a warm room goes down again there: when in doubt, "
            "throw it out, and ask your local food-safety authority.",
            "common practice",
        )
    if feel is Feel.LEAKS:
        anew = "draw the vacuum anew" if closing is Closing.VACUUM else "repack it with fresh packets"
        return _repack(food, f"The seal leaks: open it, look at the food, and {anew}")
    if eye is Eye.GREY and closing is Closing.ABSORBER:
        return _repack(food, "The eye has met oxygen: packets spent, or a leak. Repack it with fresh ones")
    if feel is Feel.FIRM:
        return Advice(
            Doing.NOTHING,
            "Holds" if day < LOOK_DAYS[-1] else "Holds after a week: put it away for years",
            "The packets took a fifth of the air, and the wall keeps the rest out."
            if closing is Closing.ABSORBER
            else "The vacuum stands.",
            "common practice",
        )
    if kind is Kind.JAR:
        return _repack(food, "The lid has not drawn in: wipe the rim, take another lid, close it anew")
    if closing is Closing.VACUUM:
        return _repack(food, "The film does not cling: the vacuum is gone. Look for the hole, and draw it anew")
    if not draws_in:
        return Advice(
            Doing.NOTHING if day >= LOOK_DAYS[-1] else Doing.AGAIN,
            "Loose, as it should be",
            "Airy food and a stiff wall leave nothing to draw in: four fifths of air are nitrogen and stay.",
            "common practice",
        )
    if day < LOOK_DAYS[-1]:
        return Advice(
            Doing.AGAIN,
            "Loose still: look again on the seventh day",
            "Packets work for days, slower in the cold. Press it: if air goes in and out, it leaks.",
            "common practice",
        )
    return Advice(
        Doing.AGAIN,
        "Loose after a week: press it under water, or weigh it down overnight",
        "It may be fine, since four fifths of air stay. If it gives air when it is pressed, the seal leaks: repack it.",
        "common practice",
    )


def _repack(food: Food, says: str) -> Advice:
    """A package to be opened and closed anew; home-dried and freeze-dried food drank the room's damp meanwhile."""
    if Trait.FREEZE_DRIED in food.traits:
        why = "Freeze-dried food absorbs the room's moisture within hours: weigh a little, dry it again, repack."
    elif Trait.HOME_DRIED in food.traits:
        why = "It was as good as open. Feel it: if it is not as crisp as when it was packed, dry it again first."
    else:
        why = "It was as good as open, as in its own packet: dry food takes no harm in a week. Repack it today."
    return Advice(Doing.REPACK, says, why, "common practice")
