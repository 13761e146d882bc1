"""The food that a line means, by the words that are left when all else is taken out of it."""

from __future__ import annotations

import re
from functools import lru_cache

from yellow_larder.core.containers import Kind
from yellow_larder.core.food import Food
from yellow_larder.features.catalog.foods import not_in_the_table
from yellow_larder.features.catalog.names import Names, plain
from yellow_larder.features.coming_in.how_closed import CURED, FULL, LINED, NO_PACKETS, PACKETS, SEALED, VACUUM
from yellow_larder.features.coming_in.in_what import InWhat, in_what
from yellow_larder.features.coming_in.rest import Rest
from yellow_larder.reference import ways_of
from yellow_larder.words.errors import Refused
from yellow_larder.words.numbers import COUNT

COUNTED = re.compile(rf"^\s*(?P<count>{COUNT})\s*(?:x|×)?\s+(?=\D)", re.IGNORECASE)

_HOME_CANNING = (
    "canned at home: a year, eighteen months at the most, if it was by a tested recipe. A lid that is up, a jar that "
    "spurts or smells is thrown out, never tasted"
)
_SAYS_HOW = re.compile(
    r"\b(?:dried|dry|dehydrated|dehydrate|flakes?|powder|jerky|chips|leather|rings?|slices)\b", re.IGNORECASE
)
_EACH = re.compile(r"\b(?:each|apiece|per (?:jar|bag|pail|bucket|tin|can|packet))\b", re.IGNORECASE)
_FILLER = re.compile(
    r"^(?:of|in|full of|with|and|a|an|the|some|our|my|home|home[\s-]?made)\s+"
    r"|\s+(?:in|of|with|and|from|each|x|hanging|inside|home[\s-]?made)$",
    re.IGNORECASE,
)
_TIDY = re.compile(r"[,;:()]+")


def food_words(rest: str) -> str:
    """The words that are left for the food."""
    words = " ".join(_TIDY.sub(" ", _EACH.sub(" ", rest)).split()).strip(" -–.")
    while (shorter := _FILLER.sub("", words)) != words:
        words = shorter.strip(" -–.")
    return words


def find_meant(line: Rest, words: str, names: Names[Food], found: InWhat | None, *, at_home: bool, bare: bool) -> Food:
    """The food that some words mean, in what it is in.

    Args:
        line: the line, for what is doubtful.
        words: the words for the food.
        names: the foods by name.
        found: what it is in; none if the line does not say.
        at_home: whether the household canned it.
        bare: whether it is counted as it grew, in no container and not weighed: four squashes are no dried ones.

    Raises:
        Refused: there are no words, or none that is a food.
    """
    if not words:
        raise Refused("line", "Of what? Write the food: “6 quart jars white rice”")
    tinned = found is not None and found.kinds == (Kind.TIN,) and not found.is_ten
    fresh = bare or (found is not None and found.is_as_it_grew)
    for state, is_so in (("tinned", tinned or at_home), ("fresh", fresh)):
        if is_so and (food := names.find(f"{state} {words}")) is not None:
            return food
    food = names.find(words) or _said_dry(words, names)
    if food is not None:
        return food
    known = _known_part(words, "tinned " if tinned else "", names)
    if known is None:
        raise not_in_the_table(words, names)
    food, left = known
    line.doubts.append(f"“{left}” is not understood: taken as {food.name}")
    return food


def _said_dry(words: str, names: Names[Food]) -> Food | None:
    """What is said to be dry that is never anything else: dry kidney beans, dehydrated potato flakes."""
    food = names.find(_DRY.sub(" ", words).strip()) if _DRY.search(words) else None
    return food if food is not None and not ways_of(food.life) and food.group != "tins and jars" else None


_DRY = re.compile(r"\b(?:dried|dry|dehydrated)\b", re.IGNORECASE)

_LEAST_BEFORE_LEFT = 2
"""Words that a food must have for what stands behind them to be left out: coconut is not coconut aminos."""


def _known_part(words: str, state: str, names: Names[Food]) -> tuple[Food, str] | None:
    """The food in some words, and those that nobody knows, which are no word of any food: a maker's, or a slip."""
    each = words.split()
    counts = {word for word in each if word.lower() in _TURNS_IT or names.knows(word)}
    parts = [(each[n:], each[:n]) for n in range(1, len(each))]
    parts += [(each[:-n], each[-n:]) for n in range(1, len(each) - _LEAST_BEFORE_LEFT + 1)]
    for part, left in sorted(parts, key=lambda each: -len(each[0])):
        if not counts.isdisjoint(left):
            continue
        food = names.called.get(plain(state + " ".join(part))) or names.called.get(plain(" ".join(part)))
        if food is not None:
            return food, " ".join(left)
    return None


_TURNS_IT = frozenset("no not non without free mock fake imitation substitute like style flavoured flavored".split())  # noqa: SIM905
"""Words that make something else of a food."""


def doubts_about(food: Food, words: str, text: str, names: Names[Food], *, at_home: bool) -> list[str]:
    """What about a food is not taken in silence: what was canned at home, and what may be anything but dried."""
    if at_home:
        return [_HOME_CANNING]
    if not food.name.startswith("dried ") or _SAYS_HOW.search(text):
        return []
    others = [names.find(f"{state} {words}") for state in ("fresh", "tinned", "frozen")]
    if all(other in (None, food) for other in others):
        return []
    return [f"taken as {food.name}: write “canned”, “fresh” or “frozen” if it is"]


@lru_cache(maxsize=8)
def names_with_such_words(names: Names[Food]) -> re.Pattern[str]:
    """Names of foods that have words in them which say something else of any other food: "tea bags", "full cream"."""
    words = (CURED, FULL, SEALED, NO_PACKETS, PACKETS, VACUUM, LINED)
    such = [
        name
        for name in {spoken for food in names.called.values() for spoken in (food.name, *food.aliases)}
        if in_what(name) is not None or COUNTED.match(name) or any(each.search(name) for each in words)
    ]
    found = "|".join(re.escape(name) for name in sorted(such, key=len, reverse=True))
    return re.compile(rf"(?<![\w-])(?:{found})(?![\w-])", re.IGNORECASE) if found else re.compile(r"(?!)")


def what_it_is_called(words: str, food: Food, names: Names[Food]) -> str:
    """The household's own word stays, if it is one that the table knows: of what is in tins, with that."""
    if len(words) > 60:
        return food.name
    if names.called.get(plain(words)) == food:
        return words.lower()
    if plain(words) not in names.called:
        return food.name
    if names.find(f"fresh {words}") == food:
        return words.lower()
    tinned = f"tinned {words.lower()}"
    return tinned if names.find(tinned) == food else food.name
