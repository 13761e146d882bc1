"""What a look at a package means, in words."""

from __future__ import annotations

from datetime import date

from yellow_larder.core.containers import Closing
from yellow_larder.core.packing import Advice, AdviceCode, Doing, Exposed
from yellow_larder.features.packages.contained import PestMeasure, Pests
from yellow_larder.words.dates import say_day

_SAYS = {
    AdviceCode.PUFFED: "Puffed up: do not open it indoors, do not taste it, throw it out",
    AdviceCode.LEAKS: "The seal leaks: open it, look at the food, and repack it with fresh absorbers",
    AdviceCode.VACUUM_LEAKS: "The seal leaks: open it, look at the food, and draw the vacuum anew",
    AdviceCode.INDICATOR_GREY: "The indicator has met oxygen: absorbers spent, or a leak. Repack it with fresh ones",
    AdviceCode.HOLDS: "Holds",
    AdviceCode.HOLDS_A_WEEK: "Holds after a week: put it away for years",
    AdviceCode.LID_FLAT: "The lid has not drawn in: wipe the rim, take another lid, close it anew",
    AdviceCode.FILM_LOOSE: "The film does not cling: the vacuum is gone. Look for the hole, and draw it anew",
    AdviceCode.LOOSE_FINE: "Loose, as it should be",
    AdviceCode.LOOSE_YET: "Loose still: look again on the seventh day",
    AdviceCode.LOOSE_A_WEEK: "Loose after a week: press it under water, or weigh it down overnight",
}
_WHY = {
    AdviceCode.PUFFED: "Nothing dry makes gas. What puffs a package up is alive in it, and without oxygen that may be "
    "botulism. A bag that was closed in the cold and swells a little in a warm room goes down again there: when in "
    "doubt, throw it out, and ask your local food-safety authority.",
    AdviceCode.LOOSE_FINE: "Airy food and a stiff wall leave nothing to draw in: four fifths of air are nitrogen and "
    "stay.",
    AdviceCode.LOOSE_YET: "Absorbers work for days, slower in the cold. Press it: if air goes in and out, it leaks.",
    AdviceCode.LOOSE_A_WEEK: "It may be fine, since four fifths of air stay. If it gives air when it is pressed, the "
    "seal leaks: repack it.",
}
_EXPOSED = {
    Exposed.FREEZE_DRIED: "Freeze-dried food absorbs the room's moisture within hours: weigh a little, dry it again, "
    "repack.",
    Exposed.HOME_DRIED: "It was as good as open. Feel it: if it is not as crisp as when it was packed, dry it again "
    "first.",
    Exposed.DRY: "It was as good as open, as in its own packet: dry food takes no harm in a week. Repack it today.",
}

ADVICE_SOURCE = "common practice"
"""Where every advice comes from."""


def say_advice(code: AdviceCode) -> str:
    """What a look means, in a sentence."""
    return _SAYS[code]


def say_trouble(code: str) -> str:
    """What was wrong with a package at the last look, in a sentence; empty if nothing was."""
    return _SAYS[AdviceCode(code)] if code else ""


def say_gone(gone: str, on: date) -> str:
    """How a package left the shelves, by the act of the journal, and when.

    Example:
        >>> say_gone("used up", date(2026, 5, 3))
        'used up on 3 May 2026'
    """
    return f"{gone} on {say_day(on)}"


def say_why(advice: Advice) -> str:
    """The reason for an advice."""
    if advice.exposed is not None:
        return _EXPOSED[advice.exposed]
    if advice.doing is Doing.NOTHING and advice.code is not AdviceCode.LOOSE_FINE:
        absorbers = "The absorbers took a fifth of the air, and the wall keeps the rest out."
        return absorbers if advice.closing is Closing.ABSORBER else "The vacuum stands."
    return _WHY[advice.code]


def said_pests(pests: Pests) -> str:
    """What was done against insects, as a card and a label say it; empty if nothing was.

    Example:
        >>> said_pests(Pests((PestMeasure.BAY, PestMeasure.EARTH), frozen=True)), said_pests(Pests())
        ('bay leaves, diatomaceous earth (rinse it off), frozen first', '')
        >>> said_pests(Pests(frozen=True, frozen_on=date(2026, 11, 3)))
        'frozen until 3 Nov 2026'
    """
    said = [f"{each.value}{' (rinse it off)' if each is PestMeasure.EARTH else ''}" for each in pests.measures]
    if pests.frozen:
        said.append("frozen first" if pests.frozen_on is None else f"frozen until {say_day(pests.frozen_on)}")
    return ", ".join(said)
