"""The verdict on a packing: findings, each with its numbers, its reason and its source."""

from __future__ import annotations

import math
from collections.abc import Iterable
from dataclasses import dataclass
from enum import StrEnum

from yellow_larder.core.containers import Closing, Container, Kind
from yellow_larder.core.errors import check_range
from yellow_larder.core.foods import Food, Trait
from yellow_larder.core.low_oxygen import days_to_kill
from yellow_larder.core.moisture import MOULD_GROWS, NOTHING_GROWS
from yellow_larder.core.oxygen import Fill
from yellow_larder.core.shelf_life import THICK_MIL

ABSORBER_MOISTURE_PCT = 10.0
"""Moisture above which no absorber goes in. Source: common practice, the ten-per-cent line."""

COMMODITY_MOISTURE_PCT = 13.5
"""Moisture up to which traded grain, pulses and pasta may pass, if their water activity lets them. Source: what they
are traded at; modified Henderson isotherms, ASABE D245, from memory."""

YEARS_OF_OIL = 1.0
"""Oily food turns within about a year, sealed or not. Source: common practice."""

BREATHING_YEARS = 2.0
"""Bare plastic lets oxygen back in within months to a few years. Source: common practice."""

AIRY_VOID = 0.6
"""Above this share of air among the pieces, a bag draws in softly rather than firm. Source: our judgement."""


DAYS_A_YEAR = 365.25


class Severity(StrEnum):
    """How much a finding weighs."""

    STOP = "stop"
    MIND = "mind"
    GOOD = "good"


@dataclass(frozen=True, slots=True)
class Finding:
    """One thing to know about a packing.

    Attributes:
        severity: stop, mind or good.
        code: stable name of the rule.
        says: one sentence.
        figures: the numbers it rests on, in short; may be empty.
        why: the reason behind it.
        source: where the rule comes from.
    """

    severity: Severity
    code: str
    says: str
    why: str
    source: str
    figures: str = ""


@dataclass(frozen=True, slots=True)
class Case:
    """A packing to be judged.

    Attributes:
        food: what is packed.
        moisture_pct: its moisture, wet basis, %, 0–100.
        container: what it is packed in.
        closing: what is done about the air.
        outer: whether the container stands in a rodent-proof outer.
        horizon_years: how long it is meant to keep, years, 0.1–40.
        fill: the food and air in one container.
        need_ml: packet millilitres the air asks for.
        packed_ml: packet millilitres that go in.
        frozen: whether the food was held cold long enough to kill insects.
        unproven: whether it was dried here and has not been conditioned.
        water_activity: of the food at the store's warmest, 0–1; none if it is not known or does not apply.
        warmest_c: the store's warmest, °C.
        holds_days: days until oxygen is back above one per cent; infinite if it never is, none if it is not known.
        gel: whether silica gel goes in with it.
        softens_days: days until it goes soft, infinite if it never does, none if that is no harm or not known.
        moulds_days: days until mould could grow, infinite if it never could, none if it is not known.
        store_c: the store's mean, °C.
        food_grade: whether a bare pail is of plastic made for food.
        oxygen_left: share of oxygen that a vacuum left, 0–0.21.

    Raises:
        OutOfRange: moisture or horizon lie outside the range above.
    """

    food: Food
    moisture_pct: float
    container: Container
    closing: Closing
    outer: bool
    horizon_years: float
    fill: Fill
    need_ml: float
    packed_ml: float
    frozen: bool = False
    unproven: bool = False
    water_activity: float | None = None
    warmest_c: float = 21
    holds_days: float | None = None
    gel: bool = False
    softens_days: float | None = None
    moulds_days: float | None = None
    store_c: float = 21
    oxygen_left: float = 0.0
    food_grade: bool = True

    def __post_init__(self) -> None:
        """Check the numbers that people type."""
        check_range("moisture_pct", self.moisture_pct, 0, 100, "%")
        check_range("horizon_years", self.horizon_years, 0.1, 40, "years")
        if self.water_activity is not None:
            check_range("water_activity", self.water_activity, 0, 1, "")

    @property
    def kills_in_days(self) -> float:
        """Days until insects that came with the food have died for want of oxygen; infinite if they do not."""
        if self.closing is Closing.LID or (self.closing is Closing.ABSORBER and self.packed_ml < self.need_ml):
            return math.inf
        days = days_to_kill(self.store_c, self.oxygen_left if self.closing is Closing.VACUUM else 0.0)
        return days if self.holds_days is None or self.holds_days > days else math.inf

    @property
    def is_lively(self) -> bool:
        """Whether mould can grow in it at the store's warmest, as far as is known."""
        return self.water_activity is not None and self.water_activity > MOULD_GROWS

    @property
    def water(self) -> str:
        """Its moisture and water activity in words."""
        has = f"{self.moisture_pct:.1f} % moisture"
        if self.water_activity is None:
            return has
        return f"{has}, a water activity of {self.water_activity:.2f} at {self.warmest_c:.0f} °C, the store's warmest"


def moisture_line_pct(food: Food) -> float:
    """The moisture above which no absorber may go in with a food.

    Args:
        food: the food.

    Returns:
        Moisture, wet basis, %.

    Source: see `ABSORBER_MOISTURE_PCT` and `COMMODITY_MOISTURE_PCT`.
    """
    return COMMODITY_MOISTURE_PCT if Trait.COMMODITY in food.traits else ABSORBER_MOISTURE_PCT


def judge(case: Case) -> list[Finding]:
    """Everything there is to say about a packing, the gravest first.

    Args:
        case: the packing.

    Returns:
        Findings, stops before minds before goods.

    Source: each finding names its own.
    """
    about_food = (_absorber, _gel, _moisture, _unproven, _damp, _eggs, _meat)
    about_packing = (_plastic, _wall, _outer, _oil, _raw, _oxygen, _pull_down)
    return gravest_first(finding for rule in (*about_food, *about_packing) for finding in rule(case))


def gravest_first(found: Iterable[Finding]) -> list[Finding]:
    """Findings in the order they are read in: stops before minds before goods."""
    order = list(Severity)
    return sorted(found, key=lambda finding: order.index(finding.severity))


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
    days = case.horizon_years * DAYS_A_YEAR
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
    if container.lets_light_in:
        found.append(
            Finding(
                Severity.MIND,
                "wall-clear",
                "Light gets in: keep it in the dark",
                "Light bleaches food and turns its oil, whatever was done about the oxygen.",
                "common practice",
            )
        )
    if case.closing is Closing.ABSORBER and _breathes(case):
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


def _breathes(case: Case) -> bool:
    """Whether oxygen comes back before the food is wanted; by the sort of wall, where that is not reckoned."""
    if case.holds_days is None:
        return not case.container.holds_without_air
    return 0 < case.holds_days < case.horizon_years * 365.25


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
