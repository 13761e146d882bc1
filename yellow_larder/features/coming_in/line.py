"""A line about something that is in the house already: how many, in what, of what, how closed, where, since when."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import date

from yellow_larder.core.air import mass_that_fits_g
from yellow_larder.core.containers import Closing, Container, Kind, volume_below_ml
from yellow_larder.core.food import Food
from yellow_larder.features.catalog.names import Names, told_apart
from yellow_larder.features.coming_in.about_when import When, read_dates
from yellow_larder.features.coming_in.how_closed import (
    CURED,
    FULL,
    LINED,
    closed,
    take_canned_at_home,
    take_closing,
    take_foil,
    take_pest_measures,
)
from yellow_larder.features.coming_in.in_what import VACUUM_BAG, InWhat, choose, in_own, in_what, that_holds
from yellow_larder.features.coming_in.of_what import (
    COUNTED,
    doubts_about,
    find_meant,
    food_words,
    names_with_such_words,
    what_it_is_called,
)
from yellow_larder.features.coming_in.rest import Rest
from yellow_larder.features.coming_in.where import take_place
from yellow_larder.features.packages.contained import PestMeasure
from yellow_larder.reference import ways_of
from yellow_larder.reference.portions import Portion, portions
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import COUNT, Amount, Units, read_amount, read_count

LONGEST_LINE = 200
"""Letters that a line may have: more is a paragraph."""

MOST_ALIKE = 500
"""Containers that one line may stand for; more is a slip of the pen."""

_SMALL_G = 300.0
"""What weighs less than this is not set down one by one: a dozen eggs are one box of them. Source: our judgement."""


@dataclass(frozen=True, slots=True)
class Read:
    """What a line was read as.

    Attributes:
        food: the food.
        called: what the household calls it.
        container: what it is in.
        count: how many of them.
        each_g: what is in each, g.
        closing: what was done about the air.
        place: key of the place it names; none if it names none.
        when: when it was packed; none if it does not say.
        printed: until when it says it is good; none if it does not say.
        canned_at_home: whether the household bottled or canned it itself.
        taken_as: what it does not say, and what was taken for it.
        doubts: what could be meant otherwise.
        lacks_place: the sort of place that it names and that is not there; empty if it names none such.
        pest_measures: what is in with it against insects.
    """

    food: Food
    called: str
    container: Container
    count: int
    each_g: float
    closing: Closing
    place: int | None
    when: When | None
    printed: date | None
    canned_at_home: bool
    taken_as: tuple[str, ...]
    doubts: tuple[str, ...]
    lacks_place: str = ""
    pest_measures: tuple[PestMeasure, ...] = ()


_OLD = re.compile(r"^\s*(?:old|found|pantry|shelf)\s*:\s*", re.IGNORECASE)
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
_IN_SAND = re.compile(r",?\s*\bin (?:damp )?(?:sand|sawdust|straw|peat)\b", re.IGNORECASE)
"""How roots are stored as they grew."""

_MADE_AT_HOME = re.compile(r"\bhome[\s-]?made\b", re.IGNORECASE)
_BARE_MEASURE = re.compile(
    r"^(?:an?\s+)?(?=(?:gal(?:lon)?|quart|qt|pint|pt|lit(?:re|er)|bushel|peck)\s+(?:of\s+)?\w)", re.I
)
_WEIGHT = re.compile(
    rf"(?:(?P<times>\d+)\s*[x×]\s*)?(?P<amount>{COUNT}\s*-?(?:kg|kgs|kilos?|g|grams?|lbs?|pounds?|oz|ounces?|ml|l|lit(?:re|er)s?|"
    r"cups?|gal(?:lons?)?|quarts?|qts?|pints?|bushels?|pecks?)\b\.?(?:\s*\d+\s*(?:oz|ounces?|g)\b\.?)?)\s*(?:of\b\s*)?(?P<each>each|apiece)?",
    re.IGNORECASE,
)


@dataclass(frozen=True, slots=True)
class Named:
    """What the household has names for.

    Attributes:
        foods: the foods by name.
        places: the places by what they may be called, as `plain` has it.
        containers: its own containers by name.
    """

    foods: Names[Food]
    places: Mapping[str, int]
    containers: Mapping[str, Container] = field(default_factory=dict)


def read_stock_line(text: str, named: Named, units: Units, today: date) -> Read:
    """What a line about something in the house means.

    Args:
        text: the line as it was typed.
        named: what the household has names for.
        units: the household's measures.
        today: today.

    Raises:
        Refused: the line says nothing that can be read as food, or something that cannot be.
    """
    tidy = " ".join(text.split()).lstrip("-–•*· ").strip()
    if len(tidy) > LONGEST_LINE:
        raise Refused("line", f"{len(tidy):,} characters; {LONGEST_LINE} is the most for one line")
    dated = read_dates(_CASES.sub(_in_all, _POUNDS.sub(r"\1 lb", _OLD.sub("old, ", tidy))), today, units)
    line = Rest(_BARE_MEASURE.sub("1 ", dated.rest))
    names = named.foods
    place = take_place(line, named.places)
    pests = take_pest_measures(line)
    canned = take_canned_at_home(line)
    own = line.take(names_with_such_words(names))
    closing = take_closing(line)
    line.take(FULL)
    line.take(CURED)
    lined = line.take(LINED) is not None
    found = _take_container(line, named.containers)
    lined = lined or take_foil(line, found)
    trailing = line.take(_TRAILING_COUNT)
    times = line.take(_WEIGHT)
    count = int(trailing["count"]) if trailing else _count(line, found)
    if times is not None and times["times"] and count == 1:
        count = int(times["times"])
    if count == 1 and (behind := line.take(_COUNT_BEHIND)) is not None:
        count = int(behind["count"])
    in_sand = line.take(_IN_SAND) is not None
    left = food_words(line.text)
    words = left if own is None else own[0]
    bare = in_sand or (found is None and times is None)
    food = find_meant(line, words, names, found, at_home=bool(canned), bare=bare)
    if own is not None and left:
        line.doubts.append(f"“{left}” is not understood: taken as {food.name}")
    at_home = bool(canned) or (food.group == "tins and jars" and _MADE_AT_HOME.search(tidy) is not None)
    line.doubts += doubts_about(food, words, tidy, names, at_home=at_home)
    sold_g = _sold_g(food, words, found, count) if times is None else 0.0
    weighed = times is not None or bool(found and found.holds) or sold_g > 0
    if found is None and closing is Closing.VACUUM:
        found = VACUUM_BAG
    chosen = choose(found, food, units, lined=lined, is_weighed=weighed, at_home=at_home)
    container = chosen.container
    line.taken_as += filter(None, [chosen.taken_as])
    line.doubts += filter(None, [chosen.doubt])
    each_g = sold_g or _each_g(line, found, food, container, times, count)
    if found is not None and found.is_piece and not (sold_g or times):
        line.doubts.append("nobody knows what one of them weighs: write what all weigh")
    if sold_g:
        line.taken_as.append("as it usually grows or is sold: weigh one to know better")
    if sold_g and count > 1 and each_g < _SMALL_G and (found is None or found.is_piece):
        each_g, count = each_g * count, 1
    container = that_holds(container, food, each_g, is_sized=found is not None and found.is_sized)
    dated = dated.is_best_by() if container.from_the_shop else dated.is_packed(today)
    line.doubts += dated.doubts
    if not 1 <= count <= MOST_ALIKE:
        raise Refused("line", f"{count:,} of one kind cannot be right: {MOST_ALIKE} is the most for one line")
    return Read(
        food,
        " ".join(f"{canned} {words}".lower().split()) if canned else what_it_is_called(words, food, names),
        container,
        count,
        each_g,
        closed(line, closing, container),
        place,
        dated.when,
        dated.printed,
        at_home,
        tuple(line.taken_as),
        tuple(line.doubts),
        line.lacks_place,
        pests,
    )


def _in_all(found: re.Match[str]) -> str:
    """How many there are in so many cases."""
    return f"{round((read_count(found['cases']) if found['cases'] else 1) * int(found['each']))} "


def _take_container(line: Rest, own: Mapping[str, Container]) -> InWhat | None:
    """What the food is in: of several such words the one that is counted or measured: "tea bags, 2 boxes"."""
    found = in_own(line.text, own) or in_what(line.text)
    if found is not None:
        line.text = f"{line.text[: found.start]} {line.text[found.end :]}"
    return found


def _count(line: Rest, found: InWhat | None) -> int:
    """How many: what stands before the container, or before the food."""
    if found is not None and found.count is not None:
        return _whole(found.count)
    counted = line.take(COUNTED)
    if counted is None:
        return 1
    return _whole(read_count(counted["count"]) * (12 if counted["dozen"] else 1))


def _whole(count: float) -> int:
    """How many containers there are: half a bucket is in one, and none is none."""
    return max(1, round(count)) if count else 0


def _each_g(
    line: Rest,
    found: InWhat | None,
    food: Food,
    container: Container,
    weight: re.Match[str] | None,
    count: int,
) -> float:
    """What is in each, g: as it says, or as much as goes in."""
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


def _sold_g(food: Food, words: str, found: InWhat | None, count: int) -> float:
    """What one weighs that is counted, or a pack that nobody says the size of, g; 0 if nobody knows."""
    portion = portion_of(food, words)
    if portion is None or (found is not None and (found.is_sized or found.holds)):
        return 0.0
    is_counted = found.is_piece if found is not None else count > 1 or bool(ways_of(food.life))
    if is_counted and portion.piece_g:
        return portion.piece_g
    packs = {Kind.PACKET, Kind.BOX} | ({Kind.BAG} if ways_of(food.life) else set())
    return portion.pack_g if found is None or packs.issuperset(found.kinds) else 0.0


def portion_of(food: Food, words: str) -> Portion | None:
    """What a food weighs as it is counted or sold, by the words for it; none if nobody knows."""
    called = told_apart(words)
    return next(
        (
            each
            for each in portions()
            if each.food == food.in_table and (not each.words or called in {told_apart(word) for word in each.words})
        ),
        None,
    )
