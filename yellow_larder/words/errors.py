"""What a person is told when something cannot be done: which field, and what would be right."""

from __future__ import annotations

from collections.abc import Iterable

from yellow_larder.core.errors import OutOfRange
from yellow_larder.core.finding import Finding, Severity

UNKNOWN_FOOD = "unknown-food"
"""Nobody has told the larder of such a food: it can be added."""

ROLL_EMPTY = "roll-empty"
"""The label printer's roll is empty: a new one can be put in."""


class Refused(Exception):
    """Something a person asked for cannot be done; nothing was saved.

    Attributes:
        field: the field it stands by.
        message: a sentence in the trade's words.
        nearest: names that were perhaps meant.
        code: which refusal it is, where a screen offers a way out of it; else empty.
    """

    def __init__(self, field: str, message: str, *, nearest: tuple[str, ...] = (), code: str = "") -> None:
        self.field, self.message, self.nearest, self.code = field, message, nearest, code
        super().__init__(f"{field}: {message}")


class NotThere(Refused):
    """What was asked for does not exist, or no longer."""


class Outdated(Refused):
    """What was to be changed is no longer what it was when it was shown; nothing was saved.

    Attributes:
        now: what it is now, as it is typed; none if it is gone, or if there is nothing to compare.
        version: what a change of that is based on; none if there is nothing to compare.
    """

    def __init__(self, field: str, message: str, *, now: object = None, version: int | None = None) -> None:
        self.now, self.version = now, version
        super().__init__(field, message)


def refuse_stops(findings: Iterable[Finding]) -> None:
    """Refuse what a finding stops, with its reason.

    Raises:
        Refused: one of them is a stop.
    """
    for finding in findings:
        if finding.severity is Severity.STOP:
            raise Refused("stop", f"{finding.says}. {finding.why}")


_WORDS = {
    "kcal": ("kcal", "Energy"),
    "protein_g": ("protein_g", "Protein"),
    "fat_g": ("fat_g", "Fat"),
    "carbohydrate_g": ("carbohydrate_g", "Carbohydrate"),
    "fibre_g": ("fibre_g", "Fibre"),
    "water_g": ("water_g", "Water"),
    "water_pct": ("water_g", "Water"),
    "moisture_pct": ("moisture", "Moisture"),
    "horizon_years": ("horizon_years", "The time to keep it"),
    "headspace_mm": ("headspace", "The headspace"),
    "width_mm": ("own_bag", "The bag's width"),
    "length_mm": ("own_bag", "The bag's length"),
    "film_mil": ("own_bag", "The film's thickness"),
    "altitude_m": ("altitude_m", "The height above the sea"),
    "temperature_c": ("room_c", "The room's temperature"),
    "humidity": ("humidity", "The humidity"),
    "kcal_per_person_day": ("kcal_per_person_day", "What one person eats in a day"),
    "height_cm": ("height", "The height"),
    "weight_kg": ("weight", "The weight"),
    "age_years": ("birth_year", "The age"),
    "eaters": ("eaters", "How many it is for"),
    "per_month": ("per_month", "How often it is cooked in a month"),
    "keep_years": ("keep_years", "How long it should keep"),
    "freezer_c": ("freezer_c", "To kill eggs the freezer"),
    "air_c": ("air_c", "The air of this dryer"),
    "thickness_mm": ("thickness", "The thickness"),
    "start_pct": ("water", "The water in it"),
    "target_pct": ("water", "The water it should come to"),
    "days": ("days", "The days it is shaken"),
    "weeks": ("weeks", "The weeks guests stay"),
    "left_kpa": ("left_kpa", "The pressure left"),
    "mean_c": ("mean_c", "The mean temperature"),
    "swing_c": ("warmest_c", "The warmest above the mean"),
    "settled_g_ml": ("settled_g_ml", "The weight of a litre shaken down"),
    "loose_g_ml": ("loose_g_ml", "The weight of a litre poured"),
    "particle_g_ml": ("particle_g_ml", "The density of the pieces"),
}


def in_words(error: OutOfRange) -> Refused:
    """A core refusal as a person reads it, by the field it was typed in."""
    field, words = _WORDS.get(error.field, (error.field, error.field))
    scale, unit = (100, "%") if error.field == "humidity" else (1, error.unit)
    low, high, value = (number * scale for number in (error.low, error.high, error.value))
    if low > high:
        return Refused(field, f"{words} leaves no room for the rest: together they pass 100 g")
    says = f"{words} must lie between {_plain(low)} and {_plain(high)} {unit}; {_plain(value)} does not"
    return Refused(field, says.replace("  ", " "))


def _plain(number: float) -> str:
    """A number as people write it, however large.

    Example:
        >>> _plain(384400000.0), _plain(0.25), _plain(-500.0)
        ('384,400,000', '0.25', '−500')
    """
    said = f"{number:,.0f}" if abs(number) >= 1e5 else f"{number:,.6g}"
    return said.replace("-", "−")
