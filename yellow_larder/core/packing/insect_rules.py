"""Insects that came with the food, and what is done against them."""

from __future__ import annotations

import math

from yellow_larder.core.containers import Closing
from yellow_larder.core.days import say_span
from yellow_larder.core.finding import Finding, Severity
from yellow_larder.core.food import Trait
from yellow_larder.core.packing.case import Case


def about_earth(case: Case) -> list[Finding]:
    """Diatomaceous earth with the food: it must be rinsed out again."""
    if not case.earth:
        return []
    if not case.earth_is_rinsed_off:
        return [
            Finding(
                Severity.STOP,
                "earth-in-fines",
                "Diatomaceous earth cannot be rinsed out of this",
                "It is for big hard pieces that are rinsed before they are cooked: whole grain, beans, rice. In flour, "
                "powder or flakes it stays, and is eaten. Freeze this through instead.",
                "common practice",
            )
        ]
    return [
        Finding(
            Severity.GOOD,
            "earth-rinse",
            "Diatomaceous earth dries insects out: rinse it off before cooking",
            "Food grade only, a gram for each kilogram, and a mask while it is dusted in: it is not to be breathed. "
            "The label says that it is to be rinsed.",
            "common practice",
        )
    ]


def about_eggs(case: Case) -> list[Finding]:
    """Insects that came with the food: what kills them, and how soon; or that nothing does."""
    if case.earth_is_rinsed_off or case.frozen or case.stands_frozen or not case.food.carries_insects:
        return []
    store_c = case.course.store_c
    if not math.isinf(case.course.kills_in_days):
        return [
            Finding(
                Severity.GOOD,
                "no-air-to-breathe",
                f"Eggs that came with it die within about {say_span(case.course.kills_in_days)}",
                "Without oxygen every stage of every insect dies, warm rooms faster than cold ones. The seal must hold "
                "until then: look at it after a day and a week.",
                "controlled-atmosphere storage of grain, FAO and Annis (1987), from memory",
                "at {store}, one per cent of oxygen or less, three if it is for longer",
            )
        ]
    vacuum = case.course.of.vacuum_share
    left = f"This vacuum leaves {vacuum * 100:.0f} % oxygen. " if vacuum is not None else ""
    cold = " At this place's cold they only sleep." if case.closing is Closing.ABSORBER and store_c < 10 else ""
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
