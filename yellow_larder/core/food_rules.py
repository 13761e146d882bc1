"""The rules about the food: what it may be closed with, how dry it is, what lives in it, how long it may stand."""

from __future__ import annotations

import math
from collections.abc import Iterator

from yellow_larder.core.case import Case
from yellow_larder.core.containers import Closing
from yellow_larder.core.days import DAYS_PER_YEAR
from yellow_larder.core.finding import Finding, Severity
from yellow_larder.core.foods import Food, Trait
from yellow_larder.core.moisture import MOULD_GROWS, NOTHING_GROWS

ABSORBER_MOISTURE_PCT = 10.0
"""Moisture above which no absorber goes in. Source: common practice, the ten-per-cent line."""

COMMODITY_MOISTURE_PCT = 13.5
"""Moisture up to which traded grain, pulses and pasta may pass, if their water activity lets them. Source: what they
are traded at; modified Henderson isotherms, ASABE D245, from memory."""

YEARS_OF_OIL = 1.0
"""Oily food turns within about a year, sealed or not. Source: common practice."""


def about_food(case: Case) -> Iterator[Finding]:
    """Everything there is to say about a food that is packed so.

    Source: each finding names its own.
    """
    for rule in (_absorber, _gel, _moisture, _unproven, _damp, _eggs, _meat, _oil, _raw):
        yield from rule(case)


def moisture_line_pct(food: Food) -> float:
    """The moisture above which no absorber may go in with a food.

    Args:
        food: the food.

    Returns:
        Moisture, wet basis, %.

    Source: see `ABSORBER_MOISTURE_PCT` and `COMMODITY_MOISTURE_PCT`.
    """
    return COMMODITY_MOISTURE_PCT if Trait.COMMODITY in food.traits else ABSORBER_MOISTURE_PCT


def _absorber(case: Case) -> list[Finding]:
    """Food that an absorber must not meet, whatever its moisture."""
    if case.closing is not Closing.ABSORBER:
        return []
    for trait, word in ((Trait.SUGAR_LIKE, "sugar"), (Trait.SALT_LIKE, "salt")):
        if trait in case.food.traits:
            return [
                Finding(
                    Severity.STOP,
                    f"absorber-with-{word}",
                    f"No absorber with {case.food.name}: it sets like brick",
                    f"An absorber holds water, and {word} crystals knit together round it. "
                    f"{word.capitalize()} does not need one: nothing lives in it while it is dry.",
                    "common practice",
                )
            ]
    return []


def _gel(case: Case) -> list[Finding]:
    """Where silica gel does not belong."""
    if not case.gel:
        return []
    if case.closing is Closing.ABSORBER:
        return [
            Finding(
                Severity.STOP,
                "gel-with-absorber",
                "Never an absorber and a desiccant together",
                "The iron in an absorber needs a little moisture to work, and the gel takes it: neither does its work. "
                "Absorbers for dry staples kept for years, gel for home-dried food that is opened often.",
                "common practice",
            )
        ]
    if Trait.POWDERY in case.food.traits:
        return [
            Finding(
                Severity.MIND,
                "gel-in-powder",
                "Gel does not reach through powder",
                "Damp moves through powder and flour in months; a packet dries only what lies round it. Dry it well, "
                "close it tight, open it seldom.",
                "common practice",
            )
        ]
    return []


def _damp(case: Case) -> list[Finding]:
    """Damp that comes in through the wall or with each opening, before it is meant to be eaten."""
    days = case.horizon_years * DAYS_PER_YEAR
    if case.softens_days is not None and 0 < case.softens_days < days:
        return [
            Finding(
                Severity.MIND,
                "goes-soft",
                f"Soft in about {_say_months(case.softens_days)} here",
                "Dry food drinks what comes through the wall, past the lid and in with each opening, until its "
                "crack is gone and powder clumps. Tighter packing, a drier place, fewer openings or gel stretch it.",
                "sorption isotherms; water vapour through walls, see the Guide; Katz and Labuza (1981), from memory",
            )
        ]
    if case.moulds_days is not None and 0 < case.moulds_days < days:
        return [
            Finding(
                Severity.MIND,
                "damp-comes-in",
                f"Damp enough for mould in about {_say_months(case.moulds_days)} here",
                "This place is damp, and this wall lets it in. Foil or glass keeps it out.",
                "sorption isotherms; water vapour through walls, see the Guide",
            )
        ]
    return []


def _say_months(days: float) -> str:
    months = days / 30.44
    if months < 1.5:
        return f"{max(1, round(days / 7))} week{'' if round(days / 7) <= 1 else 's'}"
    return f"{months:.0f} months" if months < 36 else f"{months / 12:.0f} years"


def _moisture(case: Case) -> list[Finding]:
    """Whether the food is dry enough to be closed at all, and without oxygen.

    Two schools: ten per cent for all that is dried at home, sugary or sticky; water activity for traded grain, pulses
    and pasta, which are sold at 10–13.5 % and are safe there if the store is cool enough.
    """
    line = moisture_line_pct(case.food)
    sticky = Trait.STICKY in case.food.traits
    wet = case.moisture_pct > line or sticky or (case.moisture_pct > ABSORBER_MOISTURE_PCT and case.is_lively)
    told = f"the line is {line:g} %"
    if sticky:
        told = "and sticky"
    elif case.is_lively:
        told = f"mould grows above {MOULD_GROWS:.2f}"
    elif not wet and case.water_activity is not None and case.water_activity <= NOTHING_GROWS:
        told = f"nothing grows below {NOTHING_GROWS:.2f}"
    if wet and case.closing is Closing.ABSORBER:
        return [
            Finding(
                Severity.STOP,
                "absorber-with-moist",
                "Too moist for an absorber",
                "No oxygen and some moisture is what botulism needs. Dry it further, or keep it cold. "
                "If in doubt, ask your local food-safety authority.",
                "common practice, the ten-per-cent line; traded grain, pulses and pasta to 13.5 % "
                "by water activity (ASABE D245)",
                case.water
                + (", and sticky" if sticky else f"; {told}" if case.is_lively else f"; the line is {line:g} %"),
            )
        ]
    if wet or case.is_lively:
        return [
            Finding(
                Severity.MIND,
                "moist-in-closed",
                "Moist for a closed container",
                "Food above its line can mould or clump on the shelf, and a vacuum does not stop what "
                "grows without air. Dry it further, or eat it soon.",
                "common practice; sorption isotherms",
                f"{case.water}; {told}",
            )
        ]
    return [
        Finding(
            Severity.GOOD,
            "dry-enough",
            "Dry enough to close",
            "Below its line a food does not mould, and an absorber is safe with it.",
            "common practice; ASABE D245 and GAB isotherms, see the Guide",
            f"{case.water}; {told}",
        )
    ]


def _unproven(case: Case) -> list[Finding]:
    """Food dried here whose jar has not proved it dry."""
    if not case.unproven:
        return []
    why = (
        "Weight and touch speak for the mean; one case-hardened piece can be wet inside, and mould a month later. A "
        "jar shaken daily shows it."
    )
    if case.closing is Closing.ABSORBER:
        return [
            Finding(
                Severity.STOP,
                "absorber-unconditioned",
                "Not conditioned yet: no absorber with it",
                f"{why} One wet piece without oxygen is what botulism needs.",
                "common practice; published advice on conditioning",
            )
        ]
    return [
        Finding(
            Severity.MIND,
            "unconditioned",
            "Not conditioned yet: a wet piece would not show in here",
            why,
            "common practice; published advice on conditioning",
        )
    ]


def _eggs(case: Case) -> list[Finding]:
    """Insects that came with traded grain: what kills them, and how soon; or that nothing does."""
    if case.frozen or Trait.COMMODITY not in case.food.traits:
        return []
    if not math.isinf(case.kills_in_days):
        return [
            Finding(
                Severity.GOOD,
                "no-air-to-breathe",
                f"Eggs that came with it die within about {_say_months(case.kills_in_days)}",
                "Without oxygen every stage of every insect dies, warm rooms faster than cold ones. The seal must hold "
                "until then: look at it after a day and a week.",
                "controlled-atmosphere storage of grain, FAO and Annis (1987), from memory",
                f"at {case.store_c:.0f} °C, one per cent of oxygen or less",
            )
        ]
    left = f"This vacuum leaves {case.oxygen_left:.0%} oxygen. " if case.closing is Closing.VACUUM else ""
    cold = " At this place's cold they only sleep." if case.closing is Closing.ABSORBER and case.store_c < 10 else ""
    earth = (
        "Diatomaceous earth, food grade, a gram for each kilogram, dries soft-bodied ones out among big pieces that "
        "will be rinsed: wear a mask while you dust it in, it is not to be breathed. "
        if Trait.RINSEABLE in case.food.traits
        else "Diatomaceous earth does not belong into flour, powder or flakes. "
    )
    return [
        Finding(
            Severity.MIND,
            "not-freeze-killed",
            "Insects' eggs may be in it: freeze it through first",
            f"{left}Eggs that came with it hatch while there is air. Cold through to the middle kills them.{cold} "
            f"{earth}A bay leaf on top keeps newcomers off by its smell, and kills nothing.",
            "common practice; controlled-atmosphere storage of grain (FAO), from memory",
        )
    ]


def _meat(case: Case) -> list[Finding]:
    """Lean meat dried at home."""
    if Trait.MEAT not in case.food.traits:
        return []
    return [
        Finding(
            Severity.MIND,
            "meat-keeps-cold",
            "Dried meat: fridge or freezer",
            "Lean, and heated through to 71 °C (poultry 74 °C), it still keeps only a week or two in a cool room. "
            "Your local food-safety authority has the last word.",
            "US extension advice on dried meat, from memory",
        )
    ]


def _oil(case: Case) -> list[Finding]:
    """Oily food that is meant to last."""
    if Trait.OIL_RICH not in case.food.traits or case.horizon_years <= YEARS_OF_OIL:
        return []
    return [
        Finding(
            Severity.MIND,
            "oily-for-years",
            f"Oily food for {case.horizon_years:g} years: it will turn long before",
            "Oil goes rancid in months to a year or so; no oxygen "
            "slows that, and does not stop it. Keep it cold, in small packs, and eat it within the year.",
            "common practice",
            f"{case.food.composition.fat_g:.0f} % fat",
        )
    ]


def _raw(case: Case) -> list[Finding]:
    """Raw meat and egg stay raw when dried."""
    if Trait.RAW_ANIMAL not in case.food.traits:
        return []
    return [
        Finding(
            Severity.MIND,
            "still-raw",
            "Still raw: cook it through before anybody eats it",
            "Drying does not kill germs. Meat must reach 71 °C (160 °F), poultry 74 °C (165 °F). "
            "Your local food-safety authority has the last word.",
            "US extension advice on dried meat, from memory",
        )
    ]
