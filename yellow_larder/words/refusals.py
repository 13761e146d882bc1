"""Refusals of the core as a person reads them: by the field it was typed in, in the household's measures."""

from __future__ import annotations

from yellow_larder.core.errors import OutOfRange, Refusal
from yellow_larder.core.units import G_PER_POUND, MM_PER_FOOT, MM_PER_INCH
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import Units

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
    "serves": ("serves", "How many it serves"),
    "people": ("people", "How many eat"),
    "per_month": ("per_month", "How often it is cooked in a month"),
    "keep_years": ("keep_years", "The shelf life wanted"),
    "freezer_c": ("freezer_c", "To kill eggs the cold"),
    "air_c": ("air_c", "The air of the dryer"),
    "thickness_mm": ("thickness", "The thickness"),
    "start_pct": ("water", "The water in it"),
    "fresh_water_g": ("water", "The water in it before it was dried"),
    "fresh_water_pct": ("water", "The water in it"),
    "unit_g": ("weighs", "What one weighs"),
    "hours_low": ("hours_low", "The shortest it takes"),
    "hours_high": ("hours_high", "The longest it takes"),
    "target_pct": ("water", "The water it should come to"),
    "days": ("days", "The days it is shaken"),
    "weeks": ("weeks", "The weeks guests stay"),
    "left_kpa": ("left_kpa", "The pressure left"),
    "mean_c": ("mean_c", "The mean temperature"),
    "swing_c": ("warmest_c", "The warmest above the mean"),
    "settled_g_ml": ("settled_g_ml", "The weight of a litre shaken down"),
    "loose_g_ml": ("loose_g_ml", "The weight of a litre, loose"),
    "particle_g_ml": ("particle_g_ml", "The density of the pieces"),
}


def in_words(error: Refusal, units: Units) -> Refused:
    """A refusal as a person reads it, by the field it was typed in."""
    if isinstance(error, Refused):
        return error
    if not isinstance(error, OutOfRange):
        return Refused("request", f"{error}", code=error.code)
    field, words = _WORDS.get(error.field, (error.field, error.field))
    if error.low > error.high:
        return Refused(field, f"{words} leaves no room for the rest: together they pass 100 g", code=error.code)
    scale, shift, unit = _scale(error, units)
    low, high, value = (plain_number(_whole(number * scale + shift)) for number in (error.low, error.high, error.value))
    says = f"{words} must lie between {low} and {high} {unit}; {value} does not"
    return Refused(field, says.replace("  ", " "), code=error.code)


_US = {
    "°C": (1.8, 32.0, "°F"),
    "mm": (1 / MM_PER_INCH, 0.0, "in"),
    "cm": (10 / MM_PER_INCH, 0.0, "in"),
    "m": (1e3 / MM_PER_FOOT, 0.0, "ft"),
    "kg": (1e3 / G_PER_POUND, 0.0, "lb"),
}
"""What a US house reads in place of a unit: times, plus, its name."""


def _scale(error: OutOfRange, units: Units) -> tuple[float, float, str]:
    if error.field == "humidity":
        return 100.0, 0.0, "%"
    return _US.get(error.unit, (1.0, 0.0, error.unit)) if units is Units.US else (1.0, 0.0, error.unit)


def _whole(number: float) -> float:
    """As an end of a range is read: to a tenth; coarser from a hundred on, finer below one."""
    if abs(number) >= 1:
        return round(number, 1 if abs(number) < 100 else 0)
    return float(f"{number:.2g}")


def plain_number(number: float) -> str:
    """A number as people write it, however large.

    Example:
        >>> plain_number(384400000.0), plain_number(0.25), plain_number(-500.0)
        ('384,400,000', '0.25', '−500')
    """
    said = f"{number:,.0f}" if abs(number) >= 1e5 else f"{number:,.6g}"
    return said.replace("-", "−")
