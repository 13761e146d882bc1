"""Reading an ingredient as people write it: what it is, how much, and what stands for it in the larder.

Nothing is dropped and nothing is guessed in silence: what cannot be read stays as typed, and says why.
"""

from __future__ import annotations

import re
from collections.abc import Callable, Mapping
from dataclasses import dataclass, replace
from enum import StrEnum
from typing import NamedTuple, TypeGuard

from yellow_larder.core.food import Food, Trait
from yellow_larder.features.catalog.foods import find_named, names_of
from yellow_larder.features.catalog.names import plain
from yellow_larder.features.catalog.portions import portion_of
from yellow_larder.features.catalog.recipe_words import in_plain_words
from yellow_larder.reference import KitchenMeasure, kitchen
from yellow_larder.words.errors import Refused
from yellow_larder.words.numbers import COUNT, read_count
from yellow_larder.words.quantities import Amount, read_line

CAN_G = 425.0
"""A can of beans as it is sold, 15 oz. Source: common practice."""

LONGEST_LINE = 200

SEASONING, ELSEWHERE = "seasoning", "elsewhere"
"""What words can mean besides a food: left out of the counting, and not kept in the larder at all."""

_CAN = re.compile(
    rf"^(?:(?P<count>{COUNT})\s+(?:[x×]\s*)?)?(?:(?P<size>{COUNT}\s*-?\s*(?:oz|ounces?|lbs?|pounds?|g|grams?|kg|ml)\b\.?)\s+)?"
    r"(?:cans?|tins?)\b(?:\s+of\b)?\s+(?P<food>.+)$",
    re.IGNORECASE,
)
_COUNTED = re.compile(
    rf"^(?P<count>{COUNT})\s+(?:(?:large|medium|small|big|whole|fresh|ripe)\s+)*(?P<thing>.+)$", re.IGNORECASE
)
_ASIDE = re.compile(r"\s*(?:\(.*?\)|,.*)\s*$")
_SORT_OF = re.compile(
    r"^(?:(?:dry|dried|raw|uncooked|large|small|medium|big|whole|ripe|heaping|level|packed|boiling|warm|chopped|diced|"
    r"sliced|minced|grated|shredded|crushed|peeled|boneless|skinless|unsalted|salted)\s+)+",
    re.IGNORECASE,
)
"""How food is said to be that is that food all the same, if nothing is found with it. Source: our judgement."""

_ONE_OF = re.compile(
    r"^(?:cloves?|heads?|bulbs?|bunch(?:es)?|sprigs?|stalks?|sticks?|cubes?|leaves|leaf|slices?|loaf|loaves|blocks?|"
    r"bars?|knobs?|fillets?|(?P<pack>packages?|pkgs?|packets?|packs?|pkts?|sachets?|boxe?s?|tubs?|cartons?|bags?))"
    r"\s+(?:of\s+)?",
    re.IGNORECASE,
)
"""What one of is said before food that is counted, or sold in packs."""


class Reading(StrEnum):
    """What became of an ingredient as typed."""

    READ = "read"
    SEASONING = "seasoning"
    """Left out of the counting, unless the household counts seasonings."""
    ELSEWHERE = "elsewhere"
    """Not kept in the larder: water, what is bought fresh."""
    ASK = "ask"
    """There is an amount, but the food is not known yet; asked once, then remembered."""
    UNREAD = "unread"
    """Stays as typed, and says why."""


@dataclass(frozen=True, slots=True)
class Ingredient:
    """An ingredient as typed, and what was understood.

    Attributes:
        text: as typed.
        reading: what became of it.
        food: key of the food in store; empty if none is known.
        mass_g: weight in store that stands for it; 0 if not known.
        words: the words for the food, as typed; of one that is asked about, what will be remembered.
        says: what would be right, or how it was understood.
        nearest: names of foods that were perhaps meant.
        each_g: of things counted, the weight in store that one stands for; else 0.
    """

    text: str
    reading: Reading
    food: str = ""
    mass_g: float = 0
    words: str = ""
    says: str = ""
    nearest: tuple[str, ...] = ()
    each_g: float = 0


class _Weighed(NamedTuple):
    """What an amount comes to in store, how that was understood, and what one of the things counted stands for."""

    mass_g: float
    says: str = ""
    each_g: float = 0


class Kitchen:
    """Reads ingredients with the foods of the table and what the household said its words mean."""

    def __init__(self, foods: dict[str, Food], meanings: Mapping[str, str]) -> None:
        self._foods = foods
        self._names = names_of(foods)
        self._meanings = meanings
        self._pieces = {plain(words): row for row in kitchen() if row.measure == "piece" for words in row.words}
        self._dried_pieces = {words: row for words, row in self._pieces.items() if row.fresh_g}
        self._cans = {row.food: row for row in kitchen() if row.measure == "can"}
        self._said = {
            plain(words): row.measure
            for row in kitchen()
            if row.measure in (SEASONING, ELSEWHERE)
            for words in row.words
        }

    def read(self, text: str) -> Ingredient:
        """What an ingredient is, how much of it, and what stands for it in the larder."""
        tidy = " ".join(text.split()).lstrip("-–•*· ").strip()
        if len(tidy) > LONGEST_LINE:
            return Ingredient(
                text, Reading.UNREAD, says=f"{len(tidy):,} characters; {LONGEST_LINE} is the most for one line"
            )
        plainly = in_plain_words(tidy)
        attempts = (self._can, self._weighed, self._counted)
        found = next(filter(None, (attempt(plainly) for attempt in attempts)), None)
        return replace(found or self._without_amount(plainly), text=tidy)

    def _can(self, text: str) -> Ingredient | None:
        found = _CAN.match(text)
        if found is None:
            return None

        def weigh(food: Food) -> _Weighed:
            can = self._cans.get(food.key)
            if can is None and food.group != "tins and jars":
                raise Refused("line", f"What a can of {food.name} gives dry is not known: write its weight in store")
            holds_g = CAN_G
            if found["size"]:
                amount = read_line(f"{found['size']} x").amount
                holds_g = amount.mass_g or amount.volume_ml
            each_g = holds_g if can is None else holds_g / CAN_G * can.stored_g
            return _Weighed(read_count(found["count"] or "one") * each_g, each_g=each_g)

        return self._settle(text, found["food"], weigh)

    def _weighed(self, text: str) -> Ingredient | None:
        try:
            line = read_line(text)
        except Refused:
            return None
        words = line.food.removeprefix("fresh ").removeprefix("Fresh ")
        piece = self._dried_pieces.get(plain(words))
        # What is counted in pieces is fresh, weighed or not, and stands for what was dried of it.
        fresh = words != line.food or piece is not None
        if fresh and not self._is_dried(words):
            words, fresh = line.food, False

        def weigh(food: Food) -> _Weighed:
            return _in_store(food, line.amount, fresh=fresh)

        return self._settle(text, words, weigh)

    def _is_dried(self, words: str) -> bool:
        """Whether words that are said of something fresh mean what was dried of it."""
        meant = self._meaning(words)
        return isinstance(meant, Food) and meant.fresh_water_g > meant.composition.water_g

    def _counted(self, text: str) -> Ingredient | None:
        found = _COUNTED.match(text)
        if found is None:
            return None
        thing = plain(_ASIDE.sub("", found["thing"]))
        piece: KitchenMeasure | None = self._pieces.get(thing)
        if piece is None:
            return self._as_sold(text, read_count(found["count"]), found["thing"])
        food = self._foods[piece.food]
        each_g = piece.mass_g(food)
        return Ingredient(text, Reading.READ, food.key, read_count(found["count"]) * each_g, thing, each_g=each_g)

    def _as_sold(self, text: str, count: float, thing: str) -> Ingredient | None:
        """What is counted, or sold in packs, and weighs what one usually weighs."""
        one_of = _ONE_OF.match(thing)
        words = thing[one_of.end() :] if one_of else thing
        meant = self._meaning(words)
        if isinstance(meant, Refused):
            return None
        if isinstance(meant, Reading):
            return Ingredient(text, meant, words=words)
        if _seasons(meant):
            return Ingredient(text, Reading.SEASONING, meant.key, 0, words)
        portion = portion_of(meant, _ASIDE.sub("", words))
        each_g = 0.0 if portion is None else portion.pack_g if one_of and one_of["pack"] else portion.piece_g
        if not each_g:
            return None
        return Ingredient(text, Reading.READ, meant.key, count * each_g, words, each_g=each_g)

    def _settle(self, text: str, words: str, weigh: Callable[[Food], _Weighed]) -> Ingredient:
        """An ingredient whose amount was read, once its food is found."""
        meant = self._meaning(words)
        if isinstance(meant, Reading):
            return Ingredient(text, meant, words=words)
        if isinstance(meant, Refused):
            return Ingredient(text, Reading.ASK, words=words, says=meant.message, nearest=meant.nearest)
        try:
            weighed = weigh(meant)
        except Refused as refusal:
            return Ingredient(text, Reading.UNREAD, words=words, says=refusal.message)
        reading = Reading.SEASONING if Trait.SEASONING in meant.traits else Reading.READ
        return Ingredient(text, reading, meant.key, weighed.mass_g, words, weighed.says, each_g=weighed.each_g)

    def _meaning(self, words: str) -> Food | Reading | Refused:
        """What words mean: first what the household said, then what the table says; without asides if need be."""
        refusal: Refused | None = None
        bare = _ASIDE.sub("", words)
        for candidate in dict.fromkeys((words, bare, _SORT_OF.sub("", bare))):
            said = self._meanings.get(plain(candidate)) or self._said.get(plain(candidate))
            piece = self._dried_pieces.get(plain(candidate))
            if said is None and piece is not None:
                return self._foods[piece.food]
            if said in (SEASONING, ELSEWHERE):
                return Reading(said)
            if said in self._foods:
                return self._foods[said]
            try:
                return find_named(candidate, self._names)
            except Refused as error:
                refusal = refusal or error
        return refusal or Refused("line", "There is no food in that line")

    def _without_amount(self, text: str) -> Ingredient:
        words = re.sub(
            r"\s+to taste$|^(?:a )?(?:pinch|dash|some|little|handful)(?: of)? ", "", text, flags=re.IGNORECASE
        )
        parts = [self._meaning(each) for each in words.split(" and ")]
        several = len(parts) > 1 and all(each is Reading.SEASONING or _seasons(each) for each in parts)
        meant = Reading.SEASONING if several else self._meaning(words)
        if isinstance(meant, Reading):
            return Ingredient(text, meant, words=words)
        if _seasons(meant):
            return Ingredient(text, Reading.SEASONING, meant.key, 0, words)
        return Ingredient(text, Reading.UNREAD, words=words, says=_what_is_missing(words))


def _seasons(meant: Food | Reading | Refused) -> TypeGuard[Food]:
    return isinstance(meant, Food) and Trait.SEASONING in meant.traits


def _what_is_missing(text: str) -> str:
    """Why a line cannot be read, and what would be right."""
    short = text if len(text) <= 40 else f"{text[:40]}…"
    if not text[:1].isdigit() and text[:1] not in "-½¼¾⅓⅔":
        return f"How much {short}? Start with an amount: “1½ cups {short}”"
    try:
        read_line(text)
    except Refused as refusal:
        if any(word in refusal.message for word in ("zero", "more than")):
            return refusal.message
    return "Say what it is measured in, and of what: “300 g oats”, “1½ cups barley”, “a can of beans”"


def _in_store(food: Food, amount: Amount, *, fresh: bool) -> _Weighed:
    """What stands in store for an amount of a food, and how that was understood."""
    mass_g = amount.weighs_g(food.loose_g_ml)
    if fresh:
        return _Weighed(food.stored_g(mass_g), f"{food.name}, by their solids: the water of the fresh ones is gone")
    return _Weighed(mass_g)
