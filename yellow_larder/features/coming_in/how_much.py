"""How much a line says there is: how many, of what weight, and what is counted weighs where nobody weighed it."""

from __future__ import annotations

import re
from dataclasses import dataclass

from yellow_larder.core.air import mass_that_fits_g
from yellow_larder.core.containers import Container, Kind, volume_below_ml
from yellow_larder.core.food import Food
from yellow_larder.features.catalog.portions import portion_of
from yellow_larder.features.coming_in.how_closed import STANDS_OPEN
from yellow_larder.features.coming_in.in_what import InWhat
from yellow_larder.features.coming_in.of_what import COUNTED
from yellow_larder.features.coming_in.rest import Rest
from yellow_larder.reference import ways_of
from yellow_larder.words.articles import a_or_an
from yellow_larder.words.errors import Refused
from yellow_larder.words.numbers import COUNT, plain_numbers, read_count
from yellow_larder.words.quantities import Amount, read_amount

SMALL_G = 300.0
"""What weighs less than this is not set down one by one: a dozen eggs are one box of them. Source: our judgement."""

_TRAILING_COUNT = re.compile(r"\s[x×]\s*(?P<count>\d{1,3})\s*$", re.IGNORECASE)
_COUNT_BEHIND = re.compile(
    r"(?:(?<=[a-z])|(?<=\)))[\s,:–-]*\b(?P<count>\d{1,3})\s*(?:ea|each|ct|count|of them)?\s*[,;.]*\s*$",
    re.IGNORECASE,
)
_POUNDS = re.compile(r"(?<![#\w])(\d+(?:\.\d+)?)\s?#(?!\s*\d)")
"""Pounds as Americans write them, "50#"; "#10" is a tin."""

_CASES = re.compile(
    r"\b(?:(?P<cases>\d+|an?|one|two|three)\s+)?(?:cases?|flats?|trays?)\s*(?:of\s+(?=\d)|\(\s*)(?P<each>\d+)\s*\)?\s*(?:[x×]\s*)?",
    re.IGNORECASE,
)
_HALF_SIZE = re.compile(r"(?<!\d)½\s*(?=(?:gal|pint|pt|lit|l\b|kg|lb|pound))", re.IGNORECASE)
"""Half of a measure is a size: four ½ pint jars are not four and a half."""

_BARE_MEASURE = re.compile(
    r"^(?:an?\s+)?(?=(?:gal(?:lon)?|quart|qt|pint|pt|lit(?:re|er)|bushel|peck)\s+(?:of\s+)?\w)", re.I
)
_WEIGHT = re.compile(
    rf"(?:(?P<times>\d+)\s*[x×]\s*)?(?P<amount>{COUNT}\s*-?(?:kg|kgs|kilos?|g|grams?|lbs?|pounds?|oz|ounces?|ml|l|lit(?:re|er)s?|"
    r"cups?|gal(?:lons?)?|quarts?|qts?|pints?|bushels?|pecks?)\b\.?(?:\s*\d+\s*(?:oz|ounces?|g)\b\.?)?)\s*(?:of\b\s*)?(?P<each>each|apiece)?",
    re.IGNORECASE,
)


@dataclass(frozen=True, slots=True)
class HowMuch:
    """How much a line says there is.

    Attributes:
        count: how many containers, or pieces.
        weight: where it says a weight or a volume; none if it says none.
    """

    count: int
    weight: re.Match[str] | None


def in_plain_measures(text: str) -> str:
    """A line with its pounds and cases written out, and its numbers plain.

    Example:
        >>> in_plain_measures("50# bag rice"), in_plain_measures("2 cases of 12 cans corn")
        ('50 lb bag rice', '24 cans corn')
    """
    text = plain_numbers(_HALF_SIZE.sub("half ", text))
    return _CASES.sub(_in_all, _POUNDS.sub(r"\1 lb", text))


def with_a_number(text: str) -> str:
    """A line that begins with a measure and no number: one of it is meant.

    Example:
        >>> with_a_number("gallon vegetable oil"), with_a_number("gallons of it")
        ('1 gallon vegetable oil', 'gallons of it')
    """
    return _BARE_MEASURE.sub("1 ", text)


def _in_all(found: re.Match[str]) -> str:
    """How many there are in so many cases."""
    return f"{round((read_count(found['cases']) if found['cases'] else 1) * int(found['each']))} "


def take_how_much(line: Rest, found: InWhat | None) -> HowMuch:
    """Take out of a line how many there are, and what they weigh.

    Args:
        line: the line.
        found: what it is in; none if the line does not say.
    """
    trailing = line.take(_TRAILING_COUNT)
    weight = line.take(_WEIGHT)
    count = int(trailing["count"]) if trailing else _count(line, found)
    if weight is not None and weight["times"] and count == 1:
        count = int(weight["times"])
    if count == 1 and (behind := line.take(_COUNT_BEHIND)) is not None:
        count = int(behind["count"])
    return HowMuch(count, weight)


def say_unsaid(line: Rest, container: Container, much: HowMuch) -> None:
    """Say what was taken for what food is in that the line tells only the measure of: who says quarts may mean jars."""
    if much.weight is None or container.kind is not Kind.PACKET:
        return
    jars = _JARS.search(much.weight["amount"])
    if jars:
        line.doubts.append(f"taken as a shop packet: say “{jars[0]} jars” if that is what it is in")
    else:
        line.taken_as.append(f"in {a_or_an(container.name)}: the line does not say in what")


_JARS = re.compile(r"pint|quart|pt|qt", re.IGNORECASE)


def _count(line: Rest, found: InWhat | None) -> int:
    """How many: what stands before the container, or before the food."""
    if found is not None and found.count is not None:
        if 0 < found.count < 1 and not found.is_piece:
            line.doubts.append(STANDS_OPEN)
        elif found.count % 1 and not found.is_piece:
            raise Refused("line", "Write what is full on one line, and what stands open on one of its own")
        return _whole(found.count)
    counted = line.take(COUNTED)
    if counted is None:
        return 1
    return _whole(read_count(counted["count"]))


def _whole(count: float) -> int:
    """How many containers there are: half a bucket is in one, and none is none."""
    return max(1, round(count)) if count else 0


def each_g(
    line: Rest,
    found: InWhat | None,
    food: Food,
    container: Container,
    much: HowMuch,
) -> float:
    """What is in each, g: as it says, or as much as goes in."""
    weight, count = much.weight, much.count
    if found is not None and found.holds:
        return read_amount(found.holds, "line").weighs_g(food.loose_g_ml)
    if weight is not None:
        amount: Amount = read_amount(weight["amount"], "line")
        total = amount.weighs_g(food.loose_g_ml)
        shared = (
            count > 1
            and not weight["each"]
            and not weight["times"]
            and found is not None
            and weight.start() < found.start
        )
        return total / count if shared else total
    most_g = mass_that_fits_g(volume_below_ml(container, container.headspace_mm), food.settled_g_ml)
    line.taken_as.append("full")
    return most_g


def sold_g_of(food: Food, words: str, found: InWhat | None, much: HowMuch) -> float:
    """What one weighs that is counted, or a pack that nobody says the size of, g; 0 if nobody knows, or it is said."""
    portion = portion_of(food, words)
    if portion is None or much.weight is not None or (found is not None and (found.is_sized or found.holds)):
        return 0.0
    is_counted = found.is_piece if found is not None else much.count > 1 or bool(ways_of(food.life))
    if is_counted and portion.piece_g:
        return portion.piece_g
    packs = {Kind.PACKET, Kind.BOX} | ({Kind.BAG} if ways_of(food.life) else set())
    return portion.pack_g if found is None or packs.issuperset(found.kinds) else 0.0
