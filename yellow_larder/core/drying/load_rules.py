"""What there is to say about a load before it is dried: what goes wrong, and what can hurt somebody."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from yellow_larder.core.drying.produce import Air, Produce, Treatment
from yellow_larder.core.finding import (
    MEAT_HEATED,
    POULTRY_HEATED,
    Amount,
    Finding,
    Severity,
    Unit,
    gravest_first,
    with_amounts,
)

THICK = 1.6
"""How many times thicker than usual a cut may be before its face dries long before its middle. Source: our judgement:
the time grows with the square."""


_SHORT_PCT = 0.2
"""So near to what an air leaves in it no food comes in days. Source: our judgement: drying all but stops there."""


def can_reach(floor_pct: float, wanted_pct: float) -> bool:
    """Whether an air that would leave so much moisture in a food in the end gets it down to another.

    Example:
        >>> can_reach(6.0, 7.0), can_reach(6.9, 7.0)
        (True, False)
    """
    return floor_pct < wanted_pct - _SHORT_PCT


@dataclass(frozen=True, slots=True)
class Laid:
    """One food of a load as it lies on the trays.

    Attributes:
        produce: the food and how it dries.
        thickness_mm: how thick it was cut.
        treatments: what was done to it.
        floor_pct: moisture this air would leave in it in the end, %.
        target_pct: moisture it should come to, %.
    """

    produce: Produce
    thickness_mm: float
    treatments: frozenset[Treatment]
    floor_pct: float
    target_pct: float

    @property
    def reaches(self) -> bool:
        """Whether this air gets it as dry as is wanted, in a time that anybody would wait."""
        return can_reach(self.floor_pct, self.target_pct)


def judge_load(load: Sequence[Laid], *, air: Air, air_c: float) -> list[Finding]:
    """Everything there is to say about a load, the gravest first.

    Args:
        load: what lies on the trays.
        air: what dries it.
        air_c: how warm the air is, °C.

    Returns:
        Findings, stops before minds.

    Source: each finding names its own.
    """
    found = [finding for laid in load for finding in _one(laid, air, air_c)]
    found += [*_not_together(load, air_c), *_smells(load, air)]
    if air is Air.SUN:
        found.append(_SUN)
    return with_amounts(gravest_first(found), {"air": Amount(air_c, Unit.CELSIUS), "meat": MEAT_HEATED})


_SUN = Finding(
    Severity.MIND,
    "sun",
    "Sun brings flies and eggs with it",
    "Net the screens, turn them, take them in at night and before dew. Afterwards hold the dry food in the freezer, or "
    "warm it to {meat} for half an hour, against eggs. Fruit only: its sugar and acid keep it; vegetables spoil first.",
    "US extension advice on sun drying, from memory",
)


def _one(laid: Laid, air: Air, air_c: float) -> list[Finding]:
    return [*_meat(laid, air), *_air(laid, air_c), *_skin_and_cut(laid), *_treatment(laid)]


def heated_to(produce: Produce) -> Amount:
    """How hot meat is made, through and through, before it dries.

    Source: US extension advice on dried meat (USDA), from memory: 160 °F, and 165 °F for poultry.
    """
    return POULTRY_HEATED if produce.animal == "poultry" else MEAT_HEATED


def _meat(laid: Laid, air: Air) -> list[Finding]:
    produce = laid.produce
    if not produce.animal:
        return []
    reach = {"reach": heated_to(produce)}
    source = "US extension advice on dried meat (USDA), from memory"
    if air in (Air.SUN, Air.HANGING):
        return [
            Finding(
                Severity.STOP,
                "meat-without-heat",
                f"No {produce.name} without a heated dryer",
                "It lies for days at the warmth germs like best.",
                source,
            )
        ]
    if Treatment.HEATED not in laid.treatments:
        return [
            Finding(
                Severity.STOP,
                "meat-unheated",
                f"Heat {produce.name} through to {{reach}}: drying alone does not kill germs",
                "Steam or roast it until the middle reaches that, before it goes on the trays or as soon as it comes "
                "off. A dryer's air does not get wet meat that hot. "
                "Your local food-safety authority has the last word.",
                source,
                amounts=reach,
            )
        ]
    return [
        Finding(
            Severity.MIND,
            "meat-lean-and-cold",
            f"Only lean {produce.name}, and afterwards into the fridge or freezer",
            "Fat does not dry and turns rancid. Dried meat keeps two weeks at the most in a cool room.",
            source,
            "heated to {reach}",
            reach,
        )
    ]


def _air(laid: Laid, air_c: float) -> list[Finding]:
    produce = laid.produce
    found = []
    if air_c > produce.high_c + 0.5:
        found.append(
            Finding(
                Severity.MIND,
                "too-hot",
                f"Too hot for {produce.name}: the face closes over a wet middle",
                "Case hardening: it feels dry, passes, and moulds a month or two later. Leaves lose their oil.",
                "common practice",
                "{air}; {most} is the most",
                {"most": Amount(produce.high_c, Unit.CELSIUS)},
            )
        )
    if air_c < produce.low_c - 0.5 and laid.reaches:
        found.append(
            Finding(
                Severity.MIND,
                "too-cool",
                f"Cool for {produce.name}: it may sour before it is dry",
                "Warm and wet for long is what moulds and yeasts like.",
                "common practice",
                "{air}; from {least}",
                {"least": Amount(produce.low_c, Unit.CELSIUS)},
            )
        )
    if not laid.reaches:
        found.append(
            Finding(
                Severity.MIND,
                "air-too-damp",
                f"This air does not get {produce.name} dry enough to store",
                "Food comes to rest with the air around it. Finish it in a warm dryer, or eat it soon.",
                "sorption isotherms, see the Guide",
                f"comes to rest at {laid.floor_pct:.1f} %; {laid.target_pct:g} % is wanted",
            )
        )
    return found


def _skin_and_cut(laid: Laid) -> list[Finding]:
    produce = laid.produce
    found = []
    if produce.skin and Treatment.PIERCED not in laid.treatments:
        found.append(
            Finding(
                Severity.MIND,
                "skin-closed",
                f"Pierce or open the skin of {produce.name}",
                "Water does not pass a whole skin: it takes three times as long and can stay wet inside.",
                "common practice",
            )
        )
    if laid.thickness_mm > THICK * produce.thickness_mm:
        found.append(
            Finding(
                Severity.MIND,
                "too-thick",
                f"Thick for {produce.name}: cut it thinner, or look for a wet middle",
                "Time grows with the square of the thickness, and the face is dry long before the middle.",
                "common practice; diffusion in a slab",
                "{cut}; {usual} is usual",
                {
                    "cut": Amount(laid.thickness_mm, Unit.MILLIMETRE),
                    "usual": Amount(produce.thickness_mm, Unit.MILLIMETRE),
                },
            )
        )
    return found


def _treatment(laid: Laid) -> list[Finding]:
    produce = laid.produce
    missing = produce.wants - laid.treatments
    found = []
    if Treatment.BLANCHED in missing:
        found.append(
            Finding(
                Severity.MIND,
                "not-blanched",
                f"Blanch {produce.name} first",
                "A few minutes of steam stop what browns it and turns its taste; it dries faster, too.",
                "US extension advice, from memory",
            )
        )
    if Treatment.LEMON in missing:
        found.append(
            Finding(
                Severity.MIND,
                "no-lemon",
                f"{produce.name.capitalize()} brown without lemon",
                "Lemon juice and water, ten minutes. It is for looks: brown ones keep as well.",
                "common practice",
            )
        )
    return found


def _not_together(load: Sequence[Laid], air_c: float) -> list[Finding]:
    """One air goes over all of them: what it does not suit dries another day."""
    apart = [laid.produce for laid in load if not laid.produce.low_c - 0.5 <= air_c <= laid.produce.high_c + 0.5]
    if not apart or len(apart) == len(load):
        return []
    foods = list(dict.fromkeys(apart))
    ranges = "; ".join(f"{food.name} {{low {n}}} to {{high {n}}}" for n, food in enumerate(foods))
    amounts = {f"low {n}": Amount(food.low_c, Unit.CELSIUS) for n, food in enumerate(foods)}
    amounts |= {f"high {n}": Amount(food.high_c, Unit.CELSIUS) for n, food in enumerate(foods)}
    return [
        Finding(
            Severity.MIND,
            "not-together",
            f"{_names(apart).capitalize()} should not dry with the rest",
            "One air goes over all trays, and {air} suits the others. Dry them on another day.",
            "common practice",
            ranges,
            amounts,
        )
    ]


def _smells(load: Sequence[Laid], air: Air) -> list[Finding]:
    found = []
    strong = [laid.produce for laid in load if laid.produce.strong]
    mild = [laid.produce for laid in load if not laid.produce.strong]
    if strong and mild:
        found.append(
            Finding(
                Severity.MIND,
                "smells-over",
                f"{_names(strong).capitalize()} will be smelt in {_names(mild)}",
                "One air goes over all trays. Dry them on different days.",
                "common practice",
            )
        )
    outside = [produce for produce in strong if produce.outdoors]
    if outside and air in (Air.MACHINE, Air.OVEN):
        found.append(
            Finding(
                Severity.MIND,
                "outdoors",
                f"{_names(outside).capitalize()}: put the dryer outdoors, under a roof",
                "Eyes and curtains remember it for days.",
                "common practice",
            )
        )
    return found


def _names(foods: Sequence[Produce]) -> str:
    return listed([food.name for food in foods])


def listed(words: Sequence[str]) -> str:
    """Words as people list them, each once.

    Example:
        >>> listed(["leeks", "kale", "leeks", "peas"]), listed(["leeks"])
        ('leeks, kale and peas', 'leeks')
    """
    once = list(dict.fromkeys(words))
    return once[0] if len(once) == 1 else f"{', '.join(once[:-1])} and {once[-1]}"
