"""The rules about the packing: its wall, what stands round it, the oxygen in it, how it will feel."""

from __future__ import annotations

from collections.abc import Iterator

from yellow_larder.core.containers import Closing, Container, Held, Kind, Material
from yellow_larder.core.days import say_span
from yellow_larder.core.finding import Finding, Severity
from yellow_larder.core.food import Trait
from yellow_larder.core.keeping import THICK_MIL
from yellow_larder.core.packing.case import Case
from yellow_larder.core.packing.protections import Gap, oxygen_gap

_SOON_DAYS = 2.5
"""Oxygen that is down by then is felt in a day or two."""

_MUCH = 4.0
"""So many times what the air asks for is worth a word. Source: our judgement."""

AIRY_VOID = 0.6
"""Above this share of air among the pieces, a bag draws in softly rather than firm. Source: our judgement."""


def about_packing(case: Case) -> Iterator[Finding]:
    """Everything there is to say about how it is packed.

    Source: each finding names its own.
    """
    for rule in (_plastic, _wall, _outer, _oxygen, _oxygen_over_time, _pull_down):
        yield from rule(case)


_HELD_NO_FOOD = Finding(
    Severity.STOP,
    "held-no-food",
    "It held something other than food",
    "What it held, or what its wall was never kept free of, goes into the food, and washing does not take it out. "
    "Keep food in its own packet in it, or put a foil bag in as a liner; or take what is made for food.",
    "common practice; food-safety authorities",
)
_SMELLS_OF_IT = Finding(
    Severity.MIND,
    "smells-of-it",
    "Plastic smells of what it held",
    "Pickles, sauce and spices go into plastic and come back out into the food. Wash it, leave it open for a week or "
    "two with baking soda in it, smell it; or put a foil bag in as a liner.",
    "common practice",
)


def _plastic(case: Case) -> list[Finding]:
    """Plastic that food must not touch, and what smells of what it held."""
    held = case.container.held
    if held is Held.OTHER:
        return [_HELD_NO_FOOD]
    if held is Held.STRONG and case.container.made_of.is_plastic:
        return [_SMELLS_OF_IT]
    if case.food_grade or case.container.kind is not Kind.PAIL:
        return []
    return [
        Finding(
            Severity.STOP,
            "not-food-grade",
            "Only food-grade plastic touches food",
            "What a pail for paint or builders' stuff gives off or held before goes into the food. Leave the food in "
            "its own packet, or put a foil bag into the pail as a liner. Food-grade pails say that they are.",
            "common practice; food-safety authorities",
        )
    ]


def _wall(case: Case) -> list[Finding]:
    """What the wall lets through."""
    found = []
    container = case.container
    if container.has_film and container.kind is not Kind.PACKET and container.film_mil < THICK_MIL:
        foil = not container.lets_light_in
        found.append(
            Finding(
                Severity.MIND,
                "film-thin",
                "Thin foil" if foil else "Thin film",
                "Thin foil has pinholes, shows light through and splits at folds and sharp pieces."
                if foil
                else "Clear film lets light through, and more air and moisture than foil; sharp pieces split it.",
                "common practice",
                f"{container.film_mil:g} mil; {THICK_MIL:g} or more of foil keeps for decades",
            )
        )
    if container.lets_light_in and not case.outer and not case.dark and case.oxygen_harms:
        oily = Trait.OIL_RICH in case.food.traits
        found.append(
            Finding(
                Severity.MIND,
                "wall-clear",
                "Light gets in: keep it in the dark",
                f"Light bleaches food{' and turns its oil' if oily else ''}, whatever was done about the oxygen.",
                "common practice",
            )
        )
    return found


def _oxygen_over_time(case: Case) -> list[Finding]:
    """Whether the oxygen that was taken stays away until the food is wanted."""
    back = case.oxygen_back_days
    if case.closing is Closing.LID or not case.oxygen_harms or (back > 0 and back >= case.days):
        return []
    source = "oxygen through walls, see the Guide"
    gap = oxygen_gap(case)
    if case.closing is Closing.VACUUM:
        half = case.course.little_oxygen_days
        if half >= case.days:
            return []
        opened = gap is Gap.OPENINGS
        return [
            Finding(
                Severity.MIND,
                "vacuum-goes",
                f"The air is back in about {say_span(half)}" if half > 0 else "This vacuum leaves most of the air",
                "Each opening lets the air in again. Close it with its pump each time, or in smaller ones."
                if opened
                else "What the wall lets in fills a vacuum again. Foil or glass holds it for years.",
                source,
            )
        ]
    if back <= 0:
        words = {
            Gap.PACKETS: "there is more of it than they can take",
            Gap.OPENINGS: "each opening brings more",
        }
        return [
            Finding(
                Severity.MIND,
                "never-without",
                "The oxygen never gets down to 1 %",
                f"The absorbers work, but {words.get(gap, 'this wall lets it in faster than they take it')}.",
                source,
            )
        ]
    opened = gap is Gap.OPENINGS
    return [
        Finding(
            Severity.MIND,
            "opened-too-often" if opened else "wall-breathes",
            f"{'Its absorbers are spent' if opened else 'The wall lets oxygen in: it is back'} in about "
            f"{say_span(back)}",
            "Each opening brings new air, and absorbers take only so much. Open it seldom, or pack it smaller."
            if opened
            else "Plastic lets oxygen through in months to a few years. A foil liner inside stops it.",
            f"common practice; {source}",
        )
    ]


def _outer(case: Case) -> list[Finding]:
    """Whether a mouse can get at it."""
    if case.container.stops_rodents or case.outer:
        return []
    return [
        Finding(
            Severity.MIND,
            "no-outer",
            "No protection from mice",
            "Rodents chew through film and thin plastic in seconds. Bags stand in a pail, a tote or a bin.",
            "common practice",
        )
    ]


def _oxygen(case: Case) -> list[Finding]:
    """Whether the packets cover the oxygen that is there."""
    if case.closing is not Closing.ABSORBER:
        return []
    numbers = f"{case.packed_ml:,.0f} mL in each; the air asks for {case.need_ml:,.0f} mL, margin included"
    if case.packed_ml < case.need_ml:
        return [
            Finding(
                Severity.MIND,
                "packets-short",
                f"Short of absorbers by {case.need_ml - case.packed_ml:,.0f} mL",
                "Less leaves oxygen behind; more does no harm.",
                "mass balance on dry air of 20.946 % oxygen; margin of 20 %, common practice",
                numbers,
            )
        ]
    if case.packed_ml >= _MUCH * case.need_ml > 0:
        return [
            Finding(
                Severity.GOOD,
                "packets-many",
                f"The absorbers cover the oxygen {case.packed_ml / case.need_ml:.0f} times over",
                "More does no harm, but absorbers cost money and take room. Sizing them by the air asks for fewer.",
                "mass balance on dry air of 20.946 % oxygen; margin of 20 %, common practice",
                numbers,
            )
        ]
    return [
        Finding(
            Severity.GOOD,
            "packets-cover",
            "The absorbers cover the oxygen",
            "The air left among the food and above it is a fifth oxygen. The margin makes up for absorbers that "
            "fall short and for air that comes in.",
            "mass balance on dry air of 20.946 % oxygen; margin of 20 %, common practice",
            numbers,
        )
    ]


def draws_in(case: Case) -> bool:
    """Whether it can be felt that the air is gone: a bag that firms up, a jar whose lid dips.

    Source: common practice, see `AIRY_VOID`.
    """
    if case.closing is Closing.LID or (case.closing is Closing.ABSORBER and case.oxygen_back_days <= 0):
        return False
    if not case.container.is_flat:
        return case.container.lid_dips
    return not _stays_loose(case) and not _is_airy(case)


def _is_airy(case: Case) -> bool:
    return case.fill.between_ml / case.fill.food_ml > AIRY_VOID


def _stays_loose(case: Case) -> bool:
    return case.fill.headspace_ml > case.fill.between_ml / 2


def _stiff_says(container: Container, soon: str) -> str:
    """How a stiff container will look once the oxygen is gone."""
    if container.lid_dips:
        return f"The lid will dip {soon}"
    if container.kind is Kind.LINED_PAIL:
        return "The liner will draw in; the pail will look the same"
    if container.kind in (Kind.BOTTLE, Kind.CAN) and container.made_of is not Material.GLASS:
        return "The wall may dent a little inwards"
    return f"The {container.kind.value} will look the same"


def _pull_down(case: Case) -> list[Finding]:
    """How the package will feel in a few days."""
    if case.closing is not Closing.ABSORBER or case.oxygen_back_days <= 0:
        return []
    soon = "in a day or two" if case.course.down_days < _SOON_DAYS else f"in about {say_span(case.course.down_days)}"
    if not case.container.is_flat:
        says = _stiff_says(case.container, soon)
    elif _stays_loose(case):
        says = "May stay loose: that is fine"
    elif _is_airy(case):
        says = "Will draw in and stay soft: airy food does"
    else:
        says = f"Will feel firm {soon}"
    why = "The absorbers take the oxygen, a fifth of the air; four fifths are nitrogen and stay."
    figures = f"{case.fill.void_ml:,.0f} mL of air, of which four fifths stay"
    return [Finding(Severity.GOOD, "pull-down", says, why, "common practice", figures)]
