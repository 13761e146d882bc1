"""A line about something that is in the house already: how many, in what, of what, how closed, where, since when."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import date

from yellow_larder.core.containers import Closing, Container
from yellow_larder.core.food import Food
from yellow_larder.features.catalog.names import Names
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
from yellow_larder.features.coming_in.how_much import (
    SMALL_G,
    each_g,
    in_plain_measures,
    say_unsaid,
    sold_g_of,
    take_how_much,
    with_a_number,
)
from yellow_larder.features.coming_in.in_what import VACUUM_BAG, InWhat, choose, in_own, in_what, that_holds
from yellow_larder.features.coming_in.of_what import (
    doubts_about,
    find_meant,
    food_words,
    names_with_such_words,
    what_it_is_called,
)
from yellow_larder.features.coming_in.rest import Rest
from yellow_larder.features.coming_in.where import take_place
from yellow_larder.features.packages.contained import PestMeasure
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import Units

LONGEST_LINE = 200
"""Letters that a line may have: more is a paragraph."""

MOST_ALIKE = 500
"""Containers that one line may stand for; more is a slip of the pen."""


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
_IN_SAND = re.compile(r",?\s*\bin (?:damp )?(?:sand|sawdust|straw|peat)\b", re.IGNORECASE)
"""How roots are stored as they grew."""

_MADE_AT_HOME = re.compile(r"\bhome[\s-]?made\b", re.IGNORECASE)


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
    dated = read_dates(in_plain_measures(_OLD.sub("old, ", tidy)), today, units)
    line = Rest(with_a_number(dated.rest))
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
    much = take_how_much(line, found)
    in_sand = line.take(_IN_SAND) is not None
    left = food_words(line.text)
    words = left if own is None else own[0]
    bare = in_sand or (found is None and much.weight is None)
    food = find_meant(line, words, names, found, at_home=bool(canned), bare=bare)
    if own is not None and left:
        line.doubts.append(f"“{left}” is not understood: taken as {food.name}")
    at_home = bool(canned) or (food.group == "tins and jars" and _MADE_AT_HOME.search(tidy) is not None)
    line.doubts += doubts_about(food, words, tidy, names, at_home=at_home)
    sold_g = sold_g_of(food, words, found, much)
    weighed = much.weight is not None or bool(found and found.holds) or sold_g > 0
    if found is None and closing is Closing.VACUUM:
        found = VACUUM_BAG
    chosen = choose(found, food, units, lined=lined, is_weighed=weighed, at_home=at_home)
    container = chosen.container
    line.taken_as += filter(None, [chosen.taken_as])
    line.doubts += filter(None, [chosen.doubt])
    mass_g, count = sold_g or each_g(line, found, food, container, much), much.count
    if sold_g:
        line.taken_as.append("as it usually grows or is sold: weigh one to know better")
        if sold_g < SMALL_G and count > 1 and (found is None or found.is_piece):
            mass_g, count = sold_g * count, 1
    elif found is not None and found.is_piece and much.weight is None:
        line.doubts.append("nobody knows what one of them weighs: write what all weigh")
    container = that_holds(container, food, mass_g, is_sized=found is not None and found.is_sized)
    if found is None:
        say_unsaid(line, container, much)
    dated = dated.is_best_by() if container.from_the_shop else dated.is_packed(today)
    line.doubts += dated.doubts
    if not 1 <= count <= MOST_ALIKE:
        raise Refused("line", f"{count:,} of one kind cannot be right: {MOST_ALIKE} is the most for one line")
    return Read(
        food,
        " ".join(f"{canned} {words}".lower().split()) if canned else what_it_is_called(words, food, names),
        container,
        count,
        mass_g,
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


def _take_container(line: Rest, own: Mapping[str, Container]) -> InWhat | None:
    """What the food is in: of several such words the one that is counted or measured: "tea bags, 2 boxes"."""
    found = in_own(line.text, own) or in_what(line.text)
    if found is not None:
        line.text = f"{line.text[: found.start]} {line.text[found.end :]}"
    return found
