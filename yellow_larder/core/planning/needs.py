"""What the people at the table need in a day: energy and protein, with the sum that gives them."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum
from typing import TypeVar

from yellow_larder.core.errors import check_range

_Step = TypeVar("_Step")


class Sex(StrEnum):
    """Which of the two sets of equations holds for a person; their mean if it is not said."""

    FEMALE = "female"
    MALE = "male"
    UNSAID = "not said"


class Activity(StrEnum):
    """How much a person moves, as the equations tell it apart."""

    SITTING = "sitting"
    """Only what daily living asks for."""
    LIGHT = "light"
    """As much as walking 3 km a day besides."""
    ACTIVE = "active"
    """As much as walking 12 km a day besides."""
    HARD = "hard"
    """As much as walking 27 km a day besides."""


@dataclass(frozen=True, slots=True)
class Body:
    """A height, cm, and a weight, kg."""

    height_cm: float
    weight_kg: float


@dataclass(frozen=True, slots=True)
class WorkedFigure:
    """A figure and the sum it came from, in words and signs a person can follow."""

    value: float
    working: str


@dataclass(frozen=True, slots=True)
class _Equation:
    """Energy = base + per_year · age + factor · (per_kg · weight + per_m · height) + what growing costs."""

    who: str
    base: float
    per_year: float
    per_kg: float
    per_m: float
    factors: tuple[float, float, float, float]
    growing: float = 0

    def kcal(self, age_years: float, body: Body, activity: Activity) -> float:
        moved = self.per_kg * body.weight_kg + self.per_m * body.height_cm / 100
        return self.base + self.per_year * age_years + self._factor(activity) * moved + self.growing

    def working(self, age_years: float, body: Body, activity: Activity) -> str:
        moved = f"{self.per_kg:g} × {body.weight_kg:g} kg"
        if self.per_m:
            moved += f" + {self.per_m:g} × {body.height_cm / 100:g} m"
        aged = f" {_sign(self.per_year)} {abs(self.per_year):g} × {age_years:g} years" if self.per_year else ""
        factor = self._factor(activity)
        terms = f"({moved})" if factor == 1 else f"{factor:g} × ({moved})"
        grown = f" + {self.growing:g}" if self.growing else ""
        return f"{self.who}: {self.base:g}{aged} + {terms}{grown}".replace(": -", ": −")

    def _factor(self, activity: Activity) -> float:
        return self.factors[list(Activity).index(activity)]


_NONE = (1.0, 1.0, 1.0, 1.0)
_GIRL, _BOY = (1.0, 1.16, 1.31, 1.56), (1.0, 1.13, 1.26, 1.42)
# From which age on each holds.
_EQUATIONS: dict[Sex, list[tuple[float, _Equation]]] = {
    Sex.FEMALE: [
        (0, _Equation("infant", -100, 0, 89, 0, _NONE, growing=22)),
        (1, _Equation("toddler", -100, 0, 89, 0, _NONE, growing=20)),
        (3, _Equation("girl", 135.3, -30.8, 10.0, 934, _GIRL, growing=20)),
        (9, _Equation("girl", 135.3, -30.8, 10.0, 934, _GIRL, growing=25)),
        (19, _Equation("woman", 354, -6.91, 9.36, 726, (1.0, 1.12, 1.27, 1.45))),
    ],
    Sex.MALE: [
        (0, _Equation("infant", -100, 0, 89, 0, _NONE, growing=22)),
        (1, _Equation("toddler", -100, 0, 89, 0, _NONE, growing=20)),
        (3, _Equation("boy", 88.5, -61.9, 26.7, 903, _BOY, growing=20)),
        (9, _Equation("boy", 88.5, -61.9, 26.7, 903, _BOY, growing=25)),
        (19, _Equation("man", 662, -9.53, 15.91, 539.6, (1.0, 1.11, 1.25, 1.48))),
    ],
}
"""Estimated energy requirements. Source: Institute of Medicine (2005), chapter 5; under a year the equation
for 7–12 months stands for all, since a birth year tells no months."""

_PROTEIN_G_PER_KG = [(0, 1.2), (1, 1.05), (4, 0.95), (14, 0.85), (19, 0.80)]
"""Recommended protein by age, g a day per kg of weight. Source: Institute of Medicine (2005), chapter 10."""


def energy_need(*, age_years: float, sex: Sex, body: Body, activity: Activity) -> WorkedFigure:
    """Energy a healthy person needs in a day to keep their weight, or to grow as they should.

    Args:
        age_years: age in whole years, 0–120.
        sex: whose equation; the mean of both if it is not said.
        body: height, 40–230 cm, and weight, 2–300 kg.
        activity: how much they move; it does not matter under three years.

    Returns:
        kcal a day, with its working.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        >>> need = energy_need(age_years=30, sex=Sex.MALE, body=Body(177, 70), activity=Activity.LIGHT)
        >>> round(need.value)
        2672
        >>> need.working
        'man: 662 − 9.53 × 30 years + 1.11 × (15.91 × 70 kg + 539.6 × 1.77 m)'

    Source: Institute of Medicine (2005), Dietary Reference Intakes, chapter 5: EER equations.
    """
    check_range("age_years", age_years, 0, 120, "years")
    _check(body)
    sexes = (Sex.FEMALE, Sex.MALE) if sex is Sex.UNSAID else (sex,)
    equations = list(dict.fromkeys(_at(_EQUATIONS[each], age_years) for each in sexes))
    value = sum(equation.kcal(age_years, body, activity) for equation in equations) / len(equations)
    working = "; ".join(equation.working(age_years, body, activity) for equation in equations)
    return WorkedFigure(value, f"mean of {working}" if len(equations) > 1 else working)


def protein_need(*, age_years: float, weight_kg: float) -> WorkedFigure:
    """Protein that is enough for nearly everybody of an age and weight.

    Args:
        age_years: age in whole years, 0–120.
        weight_kg: weight, 2–300 kg.

    Returns:
        Grams a day, with its working.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        >>> need = protein_need(age_years=30, weight_kg=70)
        >>> round(need.value, 1), need.working
        (56.0, '0.8 g × 70 kg')

    Source: Institute of Medicine (2005), Dietary Reference Intakes, chapter 10: recommended allowances.
    """
    check_range("age_years", age_years, 0, 120, "years")
    check_range("weight_kg", weight_kg, 2, 300, "kg")
    per_kg = _at(_PROTEIN_G_PER_KG, age_years)
    return WorkedFigure(per_kg * weight_kg, f"{per_kg:g} g × {weight_kg:g} kg")


def _check(body: Body) -> None:
    check_range("height_cm", body.height_cm, 40, 230, "cm")
    check_range("weight_kg", body.weight_kg, 2, 300, "kg")


def _at(steps: Sequence[tuple[float, _Step]], age_years: float) -> _Step:
    """The step that an age stands on."""
    return next(value for since, value in reversed(steps) if age_years >= since)


def _sign(number: float) -> str:
    return "−" if number < 0 else "+"
