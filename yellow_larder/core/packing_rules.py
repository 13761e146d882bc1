"""The rules about the packing: its wall, what stands round it, the oxygen in it, how it will feel."""

from __future__ import annotations

from collections.abc import Iterator

from yellow_larder.core.case import Case
from yellow_larder.core.containers import Closing, Kind
from yellow_larder.core.days import DAYS_PER_YEAR
from yellow_larder.core.finding import Finding, Severity
from yellow_larder.core.shelf_life import THICK_MIL

BREATHING_YEARS = 2.0
"""Bare plastic lets oxygen back in within months to a few years. Source: common practice."""

AIRY_VOID = 0.6
"""Above this share of air among the pieces, a bag draws in softly rather than firm. Source: our judgement."""


def about_packing(case: Case) -> Iterator[Finding]:
    """Everything there is to say about how it is packed.

    Source: each finding names its own.
    """
    for rule in (_plastic, _wall, _outer, _oxygen, _pull_down):
        yield from rule(case)


def _plastic(case: Case) -> list[Finding]:
    """Plastic that food must not touch."""
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
        found.append(
            Finding(
                Severity.MIND,
                "film-thin",
                "Thin film",
                "Thin foil has pinholes, shows light through and splits at folds and sharp pieces.",
                "common practice",
                f"{container.film_mil:g} mil; {THICK_MIL:g} or more keeps for decades",
            )
        )
    if container.lets_light_in and not case.outer:
        found.append(
            Finding(
                Severity.MIND,
                "wall-clear",
                "Light gets in: keep it in the dark",
                "Light bleaches food and turns its oil, whatever was done about the oxygen.",
                "common practice",
            )
        )
    if case.closing is Closing.ABSORBER and breathes(case):
        found.append(
            Finding(
                Severity.MIND,
                "wall-breathes",
                _says_breathing(case),
                "Plastic lets oxygen through in months to a few years. A foil liner inside stops it.",
                "common practice; oxygen through walls, see the Guide",
            )
        )
    return found


def breathes(case: Case) -> bool:
    """Whether oxygen comes back before the food is wanted; by the sort of wall, where that is not reckoned.

    Source: see `BREATHING_YEARS`.
    """
    if case.holds_days is None:
        return not case.container.holds_without_air
    return 0 < case.holds_days < case.horizon_years * DAYS_PER_YEAR


def _says_breathing(case: Case) -> str:
    if case.holds_days is not None:
        months = case.holds_days / 30.44
        span = f"{months:.0f} months" if months < 18 else f"{months / 12:.0f} years"
        return f"The wall breathes: oxygen is back in about {span}"
    if case.horizon_years > BREATHING_YEARS:
        return f"Bare plastic breathes: good for about {BREATHING_YEARS:g} years, not {case.horizon_years:g}"
    return "Bare plastic breathes: the oxygen comes back over a year or two"


def _outer(case: Case) -> list[Finding]:
    """Whether a mouse can get at it."""
    if case.container.stops_rodents or case.outer:
        return []
    return [
        Finding(
            Severity.MIND,
            "no-outer",
            "Nothing here stops a mouse",
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
                f"Short of packets by {case.need_ml - case.packed_ml:,.0f} mL",
                "Less leaves oxygen behind; more does no harm.",
                "mass balance on dry air of 20.946 % oxygen; margin of 20 %, common practice",
                numbers,
            )
        ]
    return [
        Finding(
            Severity.GOOD,
            "packets-cover",
            "The packets cover the oxygen",
            "The air left among the food and above it is a fifth oxygen. The margin makes up for packets that "
            "fall short and for air that comes in.",
            "mass balance on dry air of 20.946 % oxygen; margin of 20 %, common practice",
            numbers,
        )
    ]


def draws_in(case: Case) -> bool:
    """Whether it can be felt that the air is gone: a bag that firms up, a jar whose lid dips.

    Source: common practice, see `AIRY_VOID`.
    """
    if case.closing is Closing.LID:
        return False
    if not case.container.is_flat:
        return case.container.kind is Kind.JAR
    return not _stays_loose(case) and not _is_airy(case)


def _is_airy(case: Case) -> bool:
    return case.fill.between_ml / case.fill.food_ml > AIRY_VOID


def _stays_loose(case: Case) -> bool:
    return case.fill.headspace_ml > case.fill.between_ml / 2


def _pull_down(case: Case) -> list[Finding]:
    """How the package will feel in a few days."""
    if case.closing is not Closing.ABSORBER:
        return []
    if not case.container.is_flat:
        says = "The lid will dip in a day or two" if case.container.kind is Kind.JAR else "The pail will look the same"
        if case.container.kind is Kind.LINED_PAIL:
            says = "The liner will draw in; the pail will look the same"
        if case.container.kind in (Kind.BOTTLE, Kind.CAN):
            says = "The wall may dent a little inwards"
    elif _stays_loose(case):
        says = "May stay loose: that is fine"
    elif _is_airy(case):
        says = "Will draw in and stay soft: airy food does"
    else:
        says = "Will feel firm in a day or two"
    why = "The packets take the oxygen, a fifth of the air; four fifths are nitrogen and stay."
    figures = f"{case.fill.void_ml:,.0f} mL of air, of which four fifths stay"
    return [Finding(Severity.GOOD, "pull-down", says, why, "common practice", figures)]
