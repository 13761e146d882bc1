"""The rules about the food: what it may be closed with, how dry it is, what lives in it, how long it may stand."""

from __future__ import annotations

from collections.abc import Iterator

from yellow_larder.core.containers import Closing
from yellow_larder.core.days import say_span
from yellow_larder.core.finding import Finding, Severity
from yellow_larder.core.food import Food, Trait
from yellow_larder.core.keeping import Ends
from yellow_larder.core.moisture import MOULD_GROWS, NOTHING_GROWS, POISONS_GROW, can_grow
from yellow_larder.core.packing.case import Case
from yellow_larder.core.packing.insect_rules import about_earth, about_eggs

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
    for rule in (_absorber, _gel, _moisture, _unproven, _gets_moist, _hard, about_earth, about_eggs, _meat, _oil, _raw):
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
    if case.moisture_pct > ABSORBER_MOISTURE_PCT:
        # Honey and the like: what is wrong with it first is its water.
        return []
    for trait, word in ((Trait.SUGAR_LIKE, "sugar"), (Trait.SALT_LIKE, "salt")):
        if trait in case.food.traits:
            return [
                Finding(
                    Severity.STOP,
                    f"absorber-with-{word}",
                    f"No absorber with {case.food.name}: it hardens into a brick",
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
                "Desiccant can't reach through powder",
                "Moisture moves through powder and flour in months; desiccant dries only what lies round it. Dry it "
                "well, close it tight, open it seldom.",
                "common practice",
            )
        ]
    return []


_SHOWS = {
    Ends.SOFT: ("Soft", "until its crack is gone"),
    Ends.CLUMPS: ("Clumps", "until it no longer pours"),
    Ends.MOULD: ("Mouldy", "until mould grows"),
}


def _gets_moist(case: Case) -> list[Finding]:
    """Moisture that is in it, or comes in through the wall or with each opening, before it is meant to be eaten."""
    ends, lasts = case.moisture_ends
    texture = case.course.of.texture
    if ends not in _SHOWS or lasts >= case.days or case.is_lively:
        return []
    word, until = _SHOWS[ends]
    source = f"sorption isotherms; water vapour through walls, see the Guide; {texture.source}"
    if lasts <= 0:
        says = "Soft already" if ends is Ends.SOFT else "Moist enough to clump already"
        figures = f"{case.water}; the line is {texture.limit:.2f}"
        why = "It is safe, but not as dry as food of its sort keeps best. Dry it further, or eat it soon."
        return [Finding(Severity.MIND, "already-moist", f"{says}: dry it further", why, source, figures)]
    opened = case.is_opened and case.if_never_opened.moisture_ends[1] >= case.days
    lets = "with each opening" if opened else "through the wall, past the lid and in with each opening"
    stretch = "Tighter packing, a drier place, fewer openings or gel stretch it."
    why = f"Dry food absorbs the moisture that comes {lets}, {until}. {stretch}"
    code = "moisture-comes-in" if ends is Ends.MOULD else "goes-soft"
    return [Finding(Severity.MIND, code, f"{word} in about {say_span(lasts)} here", why, source)]


def _hard(case: Case) -> list[Finding]:
    """What is sold moist, and is meant to stay so."""
    texture = case.course.of.texture
    if not texture.hard_below:
        return []
    lasts = float(case.course.hard_days[0])
    soft_again = "Hard is not spoilt: a slice of bread beside it for a day makes it soft again."
    if case.gel:
        return [
            Finding(
                Severity.MIND,
                "gel-sets-hard",
                "No gel with it: this one should stay moist",
                f"Gel takes the water that keeps its crystals apart, and it sets into a lump. {soft_again}",
                texture.source,
            )
        ]
    if lasts < case.days:
        return [
            Finding(
                Severity.MIND,
                "dries-hard",
                f"Dries out and is hard in about {say_span(lasts)} here",
                "It should stay moist, and the dry air of its place takes its water, through the wall and each time "
                f"it is opened. A tight jar or foil keeps it soft. {soft_again}",
                f"water vapour through walls, see the Guide; {texture.source}",
            )
        ]
    return [
        Finding(
            Severity.GOOD,
            "stays-moist",
            "Stays soft in here",
            "It should stay moist, and what little its wall lets out does not dry it before it is wanted.",
            f"water vapour through walls, see the Guide; {texture.source}",
        )
    ]


def is_moist(case: Case) -> bool:
    """Whether a food is too moist to be closed without air: sticky, above its line, or lively.

    Two customs: ten per cent for all that is dried at home, sugary or sticky; water activity for traded grain, pulses
    and pasta, which are sold at 10–13.5 % and are safe there if the store is cool enough. Either says so.

    Source: common practice, the ten-per-cent line; water activity (ICMSF), see `MOULD_GROWS`.
    """
    return case.moisture_pct > moisture_line_pct(case.food) or Trait.STICKY in case.food.traits or case.is_lively


_COLD = (
    "Cold keeping is the way out: the fridge for days, the freezer for months. If in doubt, ask your local food-safety "
    "authority."
)
_LADDER = (
    "water activity: nothing grows below 0.60, mould from 0.65, germs that poison above 0.85, C. botulinum above 0.94 "
    "(ICMSF; FDA 21 CFR 113 and 114, from memory)"
)


def _moisture(case: Case) -> list[Finding]:
    """Whether the food is dry enough to be closed at all, and without air: one ladder, by water activity."""
    activity = case.water_activity
    grows = "" if activity is None else can_grow(activity)
    perishable = activity is not None and activity > POISONS_GROW
    airless = case.closing is not Closing.LID
    if case.stands_frozen and (perishable or is_moist(case)):
        return [
            Finding(
                Severity.MIND if perishable else Severity.GOOD,
                "kept-frozen",
                "Keeps as long as it stays frozen",
                f"Nothing grows in the freezer; thawed, it is what it was. {grows} Use it at once when it is thawed.",
                _LADDER,
                case.water,
            )
        ]
    if perishable:
        return [
            Finding(
                Severity.STOP,
                "too-wet",
                "Too wet to be closed up: it is perishable",
                f"{grows} Food above a water activity of {POISONS_GROW:.2f} is perishable however it is closed, and "
                f"without air it is worse. Dry it further. {_COLD}",
                _LADDER,
                case.water,
            )
        ]
    if airless and is_moist(case):
        absorber = case.closing is Closing.ABSORBER
        return [
            Finding(
                Severity.STOP,
                "absorber-with-moist" if absorber else "vacuum-with-moist",
                f"Too moist for {'an absorber' if absorber else 'a vacuum'}",
                f"{grows} One piece wetter than the rest, and no oxygen, is what botulism needs. Dry it further, or "
                f"close it with its air. {_COLD}".strip(),
                f"common practice, the ten-per-cent line; traded grain, pulses and pasta to 13.5 %; {_LADDER}",
                f"{case.water}; {_line(case)}",
            )
        ]
    if case.is_lively or (activity is None and is_moist(case)):
        return [
            Finding(
                Severity.MIND,
                "moist-in-closed",
                "Moist for a closed container",
                f"{grows} Food above its line can mould or clump on the shelf. Dry it further, or eat it soon. {_COLD}",
                f"common practice; {_LADDER}",
                f"{case.water}; {_line(case)}",
            )
        ]
    if is_moist(case) and case.course.of.isotherm is not None:
        return [
            Finding(
                Severity.GOOD,
                "dry-enough-with-air",
                "Dry enough for a lid, too moist for packing without air",
                f"{grows} With air in it no botulism germ grows, and it is too dry for mould. An absorber or a vacuum "
                "needs it drier.",
                _LADDER,
                f"{case.water}; {_line(case)}",
            )
        ]
    return [
        Finding(
            Severity.GOOD,
            "dry-enough",
            "Dry enough to close",
            "Below its line a food does not mould, and an absorber is safe with it."
            if case.oxygen_harms
            else f"{grows} It needs neither absorber nor vacuum.".strip(),
            "common practice; ASABE D245 and GAB isotherms, see the Guide",
            f"{case.water}; {_line(case)}" if case.oxygen_harms else f"a water activity of {activity:.2f}",
        )
    ]


def _line(case: Case) -> str:
    """The line that a food's moisture is held against."""
    if Trait.STICKY in case.food.traits:
        return "and sticky"
    if case.is_lively:
        return f"mould grows above {MOULD_GROWS:.2f}"
    line = moisture_line_pct(case.food)
    if case.moisture_pct <= line and case.water_activity is not None and case.water_activity <= NOTHING_GROWS:
        return f"nothing grows below {NOTHING_GROWS:.2f}"
    return f"the line is {line:g} %"


def _unproven(case: Case) -> list[Finding]:
    """Food dried at home of which nothing says that a jar has proved it dry."""
    if not case.unproven or case.stands_frozen:
        return []
    why = (
        "Weight and touch speak for the mean; one case-hardened piece can be wet inside, and mould a month later. A "
        "jar shaken daily shows it."
    )
    if case.closing is not Closing.LID:
        done = "absorber" if case.closing is Closing.ABSORBER else "vacuum"
        return [
            Finding(
                Severity.STOP,
                f"{done}-unconditioned",
                f"Not conditioned yet: no {done} with it",
                f"{why} One wet piece without oxygen is what botulism needs. If it was conditioned in a jar, say so.",
                "common practice; published advice on conditioning",
            )
        ]
    return [
        Finding(
            Severity.MIND,
            "unconditioned",
            "Not conditioned yet: a wet piece would go unnoticed",
            why,
            "common practice; published advice on conditioning",
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
            "Lean, and heated through to {meat} (poultry {poultry}), it still keeps only a week or two in a cool room. "
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
            "Drying does not kill germs. Meat must reach {meat}, poultry {poultry}. "
            "Your local food-safety authority has the last word.",
            "US extension advice on dried meat, from memory",
        )
    ]
