"""Reading what people type, and saying figures back in the household's units.

US cups, pints, quarts and gallons are meant, since those are what recipes and jars use.
"""

from __future__ import annotations

import math
import re
from dataclasses import dataclass
from enum import StrEnum
from functools import lru_cache

from yellow_larder.core import units as units_of
from yellow_larder.words.errors import Refused
from yellow_larder.words.numbers import COUNT, NUMBER, plain_numbers, read_count


class Units(StrEnum):
    """The measures a household thinks in."""

    METRIC = "metric"
    US = "US"


MOST_KG = 5_000
"""More than this on one bench is a slip of the pen: two people eat it for ten years."""

_MASS = {
    **dict.fromkeys(("g", "gr", "gram", "grams", "grammes"), 1.0),
    **dict.fromkeys(("kg", "kgs", "kilo", "kilos", "kilogram", "kilograms"), 1e3),
    **dict.fromkeys(("tonne", "tonnes"), 1e6),
    **dict.fromkeys(("oz", "ounce", "ounces"), units_of.G_PER_OUNCE),
    **dict.fromkeys(("lb", "lbs", "pound", "pounds"), units_of.G_PER_POUND),
    **dict.fromkeys(("st", "stone"), units_of.G_PER_STONE),
}
"""Grams in each weight that people write."""

_VOLUME = {
    "ml": 1.0,
    **dict.fromkeys(("l", "litre", "litres", "liter", "liters"), 1e3),
    **dict.fromkeys(("tsp", "teaspoon", "teaspoons"), units_of.ML_PER_TEASPOON),
    **dict.fromkeys(("tbsp", "tablespoon", "tablespoons"), units_of.ML_PER_TABLESPOON),
    **dict.fromkeys(("cup", "cups"), units_of.ML_PER_CUP),
    **dict.fromkeys(("pt", "pint", "pints"), units_of.ML_PER_PINT),
    **dict.fromkeys(("qt", "quart", "quarts"), units_of.ML_PER_QUART),
    **dict.fromkeys(("gal", "gallon", "gallons"), units_of.ML_PER_GALLON),
    **dict.fromkeys(("bushel", "bushels"), units_of.ML_PER_BUSHEL),
    **dict.fromkeys(("peck", "pecks"), units_of.ML_PER_BUSHEL / 4),
}
"""Millilitres in each measure that people write."""

_LENGTH = {
    "mm": 1.0,
    "cm": 10.0,
    "m": 1e3,
    **dict.fromkeys(("in", "inch", "inches", '"', "″"), units_of.MM_PER_INCH),
    "ft": units_of.MM_PER_FOOT,
}
"""Millimetres in each length that people write."""

_HOLDERS = "bags?|sacks?|packets?|packs?|boxes|box|tins?|tubs?|pails?|buckets?|jars?|bottles?"


def _unit_pattern(table: dict[str, float]) -> str:
    return "|".join(sorted((re.escape(unit) for unit in table), key=len, reverse=True))


_AMOUNT_UNITS = _MASS | _VOLUME
_PART = rf"-?{COUNT}\s*-?(?:{_unit_pattern(_AMOUNT_UNITS)})\b\.?"
_AMOUNT = rf"{_PART}(?:\s*(?:and|,)?\s*{_PART})*"
_LINE = re.compile(
    rf"^(?:(?!\d+\s+\d+/\d+)(?P<count>{COUNT})\s*(?:[x×*]\s*|\s(?!\s*(?:{_unit_pattern(_AMOUNT_UNITS)})\b)))?"
    rf"(?P<amount>{_AMOUNT})(?:\s+(?:{_HOLDERS})\b)?(?:\s+of\b)?\s*(?P<food>.*)$",
    re.IGNORECASE,
)
_TRAILING = re.compile(rf"^(?P<food>.*?\S)[\s,:]+(?P<amount>{_AMOUNT})$", re.IGNORECASE)
_ONE_PART = re.compile(rf"(?P<number>-?{COUNT})\s*-?(?P<unit>{_unit_pattern(_AMOUNT_UNITS)})\b", re.IGNORECASE)


@dataclass(frozen=True, slots=True)
class Amount:
    """An amount of food as typed: a weight, a volume, or both added up."""

    mass_g: float
    volume_ml: float

    def weighs_g(self, bulk_g_ml: float) -> float:
        """Its weight, grams, volumes taken as poured loose."""
        return self.mass_g + self.volume_ml * bulk_g_ml


@dataclass(frozen=True, slots=True)
class Line:
    """A line such as "two 7.5 lb bags of oats": an amount, and the words for the food."""

    amount: Amount
    food: str


def read_line(text: str) -> Line:
    """Read "10 kg pearl barley", "two 7.5 lb bags of oats", "pearl barley 10 kg".

    Raises:
        Refused: there is no amount, no food, or no sense in it.

    Example:
        >>> line = read_line("two 7.5 lb bags of oats")
        >>> round(line.amount.mass_g), line.food
        (6804, 'oats')
    """
    tidy = _tidy(text, "line")
    found = _LINE.match(tidy) or _TRAILING.match(tidy)
    if found is None:
        if re.match(rf"^-?{NUMBER}", tidy):
            raise Refused("line", "Say what it is measured in, and of what: “10 kg pearl barley”, “5 cups oats”")
        food = _short(tidy)
        raise Refused("line", f"How much {food}? Start with an amount: “10 kg {food}”, “5 cups {food}”")
    food = found["food"].strip(" ,.:")
    if not food:
        raise Refused("line", "And of what? Put the food behind it: “5 cups oats”")
    amount = _read_amount(found["amount"], "line")
    count = read_count(found["count"]) if "count" in found.groupdict() and found["count"] else 1
    return Line(Amount(amount.mass_g * count, amount.volume_ml * count), food)


def read_amount(text: str, field: str = "amount") -> Amount:
    """Read an amount alone: "10 kg", "2 lb 4 oz", "1½ cups", "2 × 5 kg".

    Raises:
        Refused: it is not an amount.

    Example:
        >>> round(read_amount("2 lb 4 oz").mass_g)
        1021
    """
    tidy = _tidy(text, field)
    found = _LINE.match(tidy)
    if found is None or found["food"]:
        raise Refused(field, "Write an amount such as 2.5 kg, 5 lb 8 oz or 3 cups")
    amount = _read_amount(found["amount"], field)
    count = read_count(found["count"]) if found["count"] else 1
    return Amount(amount.mass_g * count, amount.volume_ml * count)


def read_length_mm(text: str, field: str, *, units: Units) -> float:
    """Read a length, a bare number being cm or inches as the household thinks.

    Example:
        >>> read_length_mm("2 in", "headspace", units=Units.METRIC)
        50.8
    """
    found = re.match(rf"^(?P<number>-?{NUMBER})\s*(?P<unit>{_unit_pattern(_LENGTH)})?$", _tidy(text, field), re.I)
    if found is None:
        raise Refused(field, "Write a length such as 5 cm or 2 in")
    unit = _LENGTH[found["unit"].lower()] if found["unit"] else _bare_length(units)
    return read_count(found["number"]) * unit


def read_size_mm(text: str, field: str, *, units: Units) -> tuple[float, float]:
    """Read a flat size, "25 x 35 cm" or "10 × 14 in".

    Example:
        >>> read_size_mm("25 x 35 cm", "own_bag", units=Units.METRIC)
        (250.0, 350.0)
    """
    unit = rf"\s*({_unit_pattern(_LENGTH)})?\s*"
    found = re.match(rf"^(-?{NUMBER}){unit}(?:x|×|by)\s*(-?{NUMBER}){unit}$", _tidy(text, field), re.I)
    if found is None:
        raise Refused(field, "Write width by length, such as 25 × 35 cm or 10 × 14 in")
    last = _LENGTH[found[4].lower()] if found[4] else _bare_length(units)
    first = _LENGTH[found[2].lower()] if found[2] else last
    return read_count(found[1]) * first, read_count(found[3]) * last


@lru_cache(maxsize=4096)
def say_mass(mass_g: float, units: Units) -> str:
    """A weight in words and figures, to about three figures.

    Example:
        >>> say_mass(2500, Units.METRIC), say_mass(2500, Units.US), say_mass(96, Units.METRIC)
        ('2.5 kg', '5 lb 8 oz', '96 g')
    """
    if units is Units.METRIC:
        if mass_g < 999.5:
            return f"{_three_figures(mass_g)} g"
        return f"{_three_figures(mass_g / 1000)} kg"
    ounces = mass_g / units_of.G_PER_OUNCE
    if ounces < 15.95:
        return f"{_three_figures(ounces)} oz"
    if ounces >= 20 * 16:
        return f"{_three_figures(ounces / 16)} lb"
    pounds, rest = divmod(round(ounces), 16)
    return f"{pounds} lb {rest} oz" if rest else f"{pounds} lb"


def type_mass(mass_g: float, units: Units) -> str:
    """A mass as one would type it, to half a gram, and never more than there is.

    Example:
        >>> type_mass(10_000, Units.METRIC), type_mass(350, Units.METRIC), type_mass(10_000, Units.US)
        ('10 kg', '350 g', '22.046 lb')
    """
    if units is Units.US:
        return f"{math.floor(mass_g / units_of.G_PER_POUND * 1000) / 1000:.10g} lb"
    whole_g = math.floor(mass_g + 1e-6)
    return f"{whole_g} g" if whole_g < 1000 else f"{whole_g / 1000:.10g} kg"


def say_off(mass_g: float, wanted_g: float, units: Units) -> str:
    """How far a weight is off what was wanted; empty if nobody would mind: half a per cent, or 2 g.

    Example:
        >>> say_off(2540, 2500, Units.METRIC), say_off(2495, 2500, Units.METRIC)
        ('over by 40 g', '')
    """
    by = mass_g - wanted_g
    if abs(by) <= max(2.0, wanted_g * 0.005):
        return ""
    return f"{'over' if by > 0 else 'under'} by {say_mass(abs(by), units)}"


def say_length(length_mm: float, units: Units) -> str:
    """A length, cm or inches, to a tenth.

    Example:
        >>> say_length(50, Units.METRIC), say_length(50.8, Units.US)
        ('5 cm', '2 in')
    """
    if units is Units.METRIC:
        return f"{round(length_mm / 10, 1):g} cm"
    return f"{round(length_mm / units_of.MM_PER_INCH, 1):g} in"


def say_thickness(thickness_mm: float, units: Units) -> str:
    """How thick a slice is, mm or inches.

    Example:
        >>> say_thickness(6, Units.METRIC), say_thickness(6.35, Units.US)
        ('6 mm', '0.25 in')
    """
    return f"{thickness_mm:.2g} mm" if units is Units.METRIC else f"{thickness_mm / units_of.MM_PER_INCH:.2g} in"


def say_volume(volume_ml: float, units: Units) -> str:
    """What a container holds.

    Example:
        >>> say_volume(3785, Units.US), say_volume(3785, Units.METRIC), say_volume(250, Units.METRIC)
        ('4 qt', '3.79 L', '250 mL')
    """
    if units is Units.US:
        return f"{_three_figures(volume_ml / units_of.ML_PER_QUART)} qt"
    return f"{_three_figures(volume_ml)} mL" if volume_ml < 999.5 else f"{_three_figures(volume_ml / 1000)} L"


def say_temperature(temperature_c: float, units: Units) -> str:
    """A temperature to the degree.

    Example:
        >>> say_temperature(11, Units.METRIC), say_temperature(21, Units.US)
        ('11 °C', '70 °F')
        >>> say_temperature(-18, Units.US), say_temperature(-0.4, Units.METRIC)
        ('0 °F', '0 °C')
    """
    degrees = round(temperature_c if units is Units.METRIC else temperature_c * 1.8 + 32)
    sign = "−" if degrees < 0 else ""
    return f"{sign}{abs(degrees)} °{'C' if units is Units.METRIC else 'F'}"


def say_dial(temperature_c: float, units: Units) -> str:
    """A temperature as a dial is set: to five degrees, or ten.

    Example:
        >>> say_dial(175, Units.METRIC), say_dial(175, Units.US)
        ('175 °C', '350 °F')
    """
    if units is Units.METRIC:
        return f"{round(temperature_c / 5) * 5} °C"
    return f"{round((temperature_c * 1.8 + 32) / 10) * 10} °F"


def say_share(share: float, decimals: int = 0) -> str:
    """A part of a whole.

    Example:
        >>> say_share(0.65), say_share(0.0372, 1)
        ('65 %', '3.7 %')
    """
    return f"{share * 100:.{decimals}f} %"


@lru_cache(maxsize=4096)
def say_kcal(kcal: float) -> str:
    """Energy to three figures: no food table is truer than that.

    Example:
        >>> say_kcal(35234), say_kcal(1_934_000)
        ('35,200', '1.93 million')
    """
    if kcal >= 1e6:
        return f"{_three_figures(kcal / 1e6)} million"
    return f"{said_kcal(kcal):,.0f}"


def said_kcal(kcal: float) -> int:
    """Energy below a million as it is said of one container: what is said of several together is the sum of that."""
    return round(float(_three_figures(kcal).replace(",", "")))


def say_coins(coins: float, currency: str) -> str:
    """A sum of the smallest coin, with the sign that money has.

    Example:
        >>> say_coins(1960, "£"), say_coins(125000, "")
        ('£19.60', '1,250.00')
    """
    return f"{currency}{coins / 100:,.2f}"


def _three_figures(value: float) -> str:
    if value == 0:
        return "0"
    after = 2 - math.floor(math.log10(abs(value)))
    return f"{round(value, after):,.{after}f}".rstrip("0").rstrip(".") if after > 0 else f"{round(value, after):,.0f}"


def _bare_length(units: Units) -> float:
    """Millimetres in what a length without a unit is meant in."""
    return _LENGTH["cm" if units is Units.METRIC else "in"]


def _tidy(text: str, field: str) -> str:
    if len(text) > 200:
        raise Refused(field, f"That is {len(text):,} characters; 200 is the most for one line")
    tidy = re.sub(r"\s+", " ", plain_numbers(text)).strip()
    if not tidy:
        try_it = "Nothing is written here yet: try “10 kg pearl barley” or “5 cups oats”"
        raise Refused(field, try_it if field == "line" else "Write it in")
    return tidy


def _short(text: str) -> str:
    return text if len(text) <= 40 else f"{text[:40]}…"


def _read_amount(text: str, field: str) -> Amount:
    mass_g = volume_ml = 0.0
    for part in _ONE_PART.finditer(text):
        value, unit = read_count(part["number"]), part["unit"].lower()
        if value < 0:
            raise Refused(field, "The amount is below zero; write how much there is, such as 10 kg")
        if unit in _MASS:
            mass_g += value * _MASS[unit]
        else:
            volume_ml += value * _VOLUME[unit]
    if not mass_g and not volume_ml:
        raise Refused(field, "The amount is zero; write how much there is, such as 10 kg")
    if mass_g + volume_ml > MOST_KG * 1000:
        raise Refused(field, f"That is more than {MOST_KG:,} kg; plan it in parts, or mend the slip")
    return Amount(mass_g, volume_ml)
