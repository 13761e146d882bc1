"""A line about something that is in the house already: how many, in what, of what, how closed, where, since when."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import date
from functools import lru_cache

from yellow_larder.core.air import mass_that_fits_g
from yellow_larder.core.containers import Closing, Container, Kind, volume_below_ml
from yellow_larder.core.food import Food
from yellow_larder.features.catalog.foods import find_named
from yellow_larder.features.catalog.names import Names, plain
from yellow_larder.features.coming_in.about_when import When, read_dates
from yellow_larder.features.coming_in.in_what import InWhat, choose, in_own, in_what, that_holds
from yellow_larder.reference import kitchen
from yellow_larder.words.articles import a_or_an
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import COUNT, Amount, Units, read_amount, read_count

LONGEST_LINE = 200
"""Letters that a line may have: more is a paragraph."""

MOST_ALIKE = 500
"""Containers that one line may stand for; more is a slip of the pen."""

EGG_G = 50.0
"""What an egg weighs without its shell, g. Source: USDA household measures, from memory."""


LOAF_G = 500.0
"""What a loaf of bread weighs, g. Source: common practice, 1 lb to 800 g."""


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


@dataclass(slots=True)
class _Line:
    """A line while it is read: what is left of it, and what was found."""

    rest: str
    taken_as: list[str] = field(default_factory=list)
    doubts: list[str] = field(default_factory=list)

    def take(self, pattern: re.Pattern[str]) -> re.Match[str] | None:
        """Take the first match out of the line."""
        found = pattern.search(self.rest)
        if found is not None:
            self.rest = f"{self.rest[: found.start()]} {self.rest[found.end() :]}"
        return found


_NO_PACKETS = re.compile(
    r",?\s*\b(?:no|without|w/o)\s+(?:any\s+)?(?:oxygen\s+|o2\s+)?(?:absorbers?|oas?|packets?|vacuum)\b"
    r"|,?\s*\b(?:just|only)\s+(?:the\s+|a\s+)?lids?\b|,?\s*\b(?:lid|screw top|zip)\s+only\b|,?\s*\bclosed with air\b",
    re.IGNORECASE,
)
_PACKETS = re.compile(
    r",?\s*(?:\b(?:with|and|w/|plus|\+)\s*)?(?:\b\d+\s*[x×]?\s*)?(?:\d+\s*(?:cc|ml)\s*)?"
    r"\b(?:(?:oxygen|o2|oxy)[\s-]*(?:absorbers?|packets?|scavengers?)|absorbers?|oas?\b|o2a)(?:\s+in(?:side)?)?\b",
    re.IGNORECASE,
)
_VACUUM = re.compile(
    r",?\s*\b(?:under\s+vacuum|vac(?:uum)?(?:[\s-]*(?:sealed|packed|pack|closed))?)\b(?!\s*pouch)", re.IGNORECASE
)
_SEALED = re.compile(r",?\s*\b(?:heat[\s-]*)?(?:sealed|unopened|closed)\b", re.IGNORECASE)
_OLD = re.compile(r"^\s*(?:old|found|pantry|shelf)\s*:\s*", re.IGNORECASE)
_FULL = re.compile(r",?\s*\bfull\b", re.IGNORECASE)
_EACH = re.compile(r"\b(?:each|apiece|per (?:jar|bag|pail|bucket|tin|can|packet))\b", re.IGNORECASE)

_LINED = re.compile(
    r",?\s*\b(?:with|in|\+|and|w/)\s*(?:a\s*)?(?:mylar|foil|liners?)(?:\s*(?:bags?|liners?))?\b(?!\s*\w*\s*(?:bags?|pails?))",
    re.IGNORECASE,
)
_TRAILING_COUNT = re.compile(r"\s[x×]\s*(?P<count>\d{1,3})\s*$", re.IGNORECASE)
_CANNED_AT_HOME = re.compile(
    r",?\s*\b(?:home[\s-]*(?:canned|bottled|tinned)|canned at home|we canned|pressure[\s-]*canned|water[\s-]*bathed)\b",
    re.IGNORECASE,
)
_JARS_OF = re.compile(r"\b((?:half[\s-]*)?(?:pint|pt|quart|qt))s?\b(?!\s*jars?)", re.IGNORECASE)
_HOME_CANNING = (
    "canned at home: a year, eighteen months at the most, if it was by a tested recipe. A lid that is up, a jar that "
    "spurts or smells is thrown out, never tasted"
)
_SAYS_HOW = re.compile(
    r"\b(?:dried|dry|dehydrated|dehydrate|flakes?|powder|jerky|chips|leather|rings?|slices)\b", re.IGNORECASE
)
_CURED = re.compile(r",?\s*\bcured\b", re.IGNORECASE)
_COUNTED = re.compile(rf"^\s*(?P<count>{COUNT})\s*(?:x|×)?\s+(?P<dozen>dozen\s+)?(?=\D)", re.IGNORECASE)
_WEIGHT = re.compile(
    rf"(?:(?P<times>\d+)\s*[x×]\s*)?(?P<amount>{COUNT}\s*-?(?:kg|kgs|kilos?|g|grams?|lbs?|pounds?|oz|ounces?|ml|l|lit(?:re|er)s?|"
    r"cups?|gal(?:lons?)?|quarts?|qts?|pints?)\b\.?(?:\s*\d+\s*(?:oz|ounces?|g)\b\.?)?)\s*(?:of\b\s*)?(?P<each>each|apiece)?",
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
    dated = read_dates(_OLD.sub("old, ", tidy), today, units)
    line = _Line(dated.rest, doubts=list(dated.doubts))
    names = named.foods
    place = _place(line, named.places)
    canned = line.take(_CANNED_AT_HOME)
    at_home = canned is not None
    own = line.take(_names_with_such_words(names))
    if at_home:
        # Who cans says pints and means jars.
        line.rest = _JARS_OF.sub(r"\1 jars", line.rest)
    closing = _closing(line)
    line.take(_FULL)
    line.take(_CURED)
    lined = line.take(_LINED) is not None
    found = _take_container(line, named.containers)
    trailing = line.take(_TRAILING_COUNT)
    times = line.take(_WEIGHT)
    count = int(trailing["count"]) if trailing else _count(line, found)
    if times is not None and times["times"] and count == 1:
        count = int(times["times"])
    words = own[0] if own is not None else _food_words(line.rest)
    food = _food(f"canned {words}" if at_home else words, names, found)
    line.doubts += _doubts_about(food, tidy, at_home=at_home)
    weighed = times is not None or bool(found and found.holds)
    chosen = choose(found, food, units, lined=lined, is_weighed=weighed, at_home=at_home)
    container = chosen.container
    line.taken_as += filter(None, [chosen.taken_as])
    line.doubts += filter(None, [chosen.doubt])
    each_g = _each_g(line, found, food, container, times, count, words)
    if found is None and times is None and count > 1 and _piece_g(words):
        # A dozen eggs are one box of them.
        each_g, count = each_g * count, 1
    container = that_holds(container, food, each_g, is_sized=found is not None and found.is_sized)
    if not 1 <= count <= MOST_ALIKE:
        raise Refused("line", f"{count:,} of one kind cannot be right: {MOST_ALIKE} is the most for one line")
    closing = _closed(line, closing, container)
    return Read(
        food,
        _called(words, food, names) if canned is None else " ".join(f"{canned[0].strip(' ,')} {words}".lower().split()),
        container,
        count,
        each_g,
        closing,
        place,
        dated.when,
        dated.printed,
        at_home,
        tuple(line.taken_as),
        tuple(line.doubts),
    )


CALLED = {
    "cellar": ("cellar", "basement", "root cellar"),
    "cupboard": ("pantry", "cupboard", "kitchen", "larder", "closet"),
    "freezer": ("freezer", "deep freeze", "chest freezer", "deep freezer"),
    "fridge": ("fridge", "refrigerator"),
    "loft": ("loft", "attic"),
}
"""What people call a place of some sort, besides its own name. Source: common practice."""

SORTS_CALLED = frozenset(word for words in CALLED.values() for word in words)

_SAYS = {Closing.ABSORBER: "with absorbers", Closing.VACUUM: "under vacuum", Closing.LID: "with a lid"}


def _closed(line: _Line, closing: Closing | None, container: Container) -> Closing:
    """How it is closed: as it says, if it can be closed so; else as such a container usually is."""
    if closing is not None and closing not in container.closings:
        line.doubts.append(f"{a_or_an(container.name)} is not closed {_SAYS[closing]}: taken as a lid")
        closing = Closing.LID
    if closing is None and container.kind is Kind.CAN:
        closing = Closing.ABSORBER
        line.taken_as.append("with absorbers, as such cans are sold: say “no absorbers” if not")
    if closing is None:
        closing = Closing.LID
        if not container.from_the_shop:
            line.taken_as.append("closed with air: say “absorbers” or “vacuum” if it was")
    return closing


def _doubts_about(food: Food, text: str, *, at_home: bool) -> list[str]:
    """What about a food is not taken in silence: what was canned at home, and what may be anything but dried."""
    if at_home:
        return [_HOME_CANNING]
    if food.name.startswith("dried ") and not _SAYS_HOW.search(text):
        return [f"taken as {food.name}: write “canned”, “fresh” or “frozen” if it is"]
    return []


@lru_cache(maxsize=8)
def _names_with_such_words(names: Names[Food]) -> re.Pattern[str]:
    """Names of foods that have words in them which say something else of any other food: "tea bags", "full cream"."""
    words = (_CURED, _FULL, _SEALED, _NO_PACKETS, _PACKETS, _VACUUM, _LINED)
    such = [
        name
        for name in {spoken for food in names.called.values() for spoken in (food.name, *food.aliases)}
        if in_what(name) is not None or _COUNTED.match(name) or any(each.search(name) for each in words)
    ]
    found = "|".join(re.escape(name) for name in sorted(such, key=len, reverse=True))
    return re.compile(rf"(?<![\w-])(?:{found})(?![\w-])", re.IGNORECASE) if found else re.compile(r"(?!)")


def _place(line: _Line, places: Mapping[str, int]) -> int | None:
    for name in sorted({*places, *SORTS_CALLED}, key=len, reverse=True):
        words = r"[\s-]+".join(map(re.escape, name.split()))
        found = line.take(
            re.compile(
                rf"(?:^|,|;|\bin\b|\bfrom\b|\bat\b|\bon\b|(?<=\w))\s*(?:the\s+|our\s+)?\b{words}\b\s*:?\s*(?=$|,|;|\s)",
                re.I,
            )
        )
        if found is not None and name in places:
            return places[name]
        if found is not None:
            line.doubts.append(f"there is no {name} yet, or more than one: say which place")
            return None
    return None


def _closing(line: _Line) -> Closing | None:
    for closing, pattern in ((Closing.LID, _NO_PACKETS), (Closing.ABSORBER, _PACKETS), (Closing.VACUUM, _VACUUM)):
        if line.take(pattern) is not None:
            line.take(_SEALED)
            return closing
    line.take(_SEALED)
    return None


def _take_container(line: _Line, own: Mapping[str, Container]) -> InWhat | None:
    """What the food is in: of several such words the one that is counted or measured: "tea bags, 2 boxes"."""
    found = in_own(line.rest, own) or in_what(line.rest)
    if found is not None:
        line.rest = f"{line.rest[: found.start]} {line.rest[found.end :]}"
    return found


def _count(line: _Line, found: InWhat | None) -> int:
    """How many: what stands before the container, or before the food."""
    if found is not None and found.count is not None:
        return max(1, round(found.count))
    counted = line.take(_COUNTED)
    if counted is None:
        return 1
    return max(1, round(read_count(counted["count"]) * (12 if counted["dozen"] else 1)))


_FILLER = re.compile(r"^(?:of|in|full of|with|and|a|an|the)\s+|\s+(?:in|of|with|and|from|each|x)$", re.IGNORECASE)
_TIDY = re.compile(r"[,;:()]+")


def _food_words(rest: str) -> str:
    words = " ".join(_TIDY.sub(" ", _EACH.sub(" ", rest)).split()).strip(" -–.")
    while (shorter := _FILLER.sub("", words)) != words:
        words = shorter.strip(" -–.")
    return words


def _food(words: str, names: Names[Food], found: InWhat | None) -> Food:
    if not words:
        raise Refused("line", "Of what? Write the food: “6 quart jars white rice”")
    tinned = found is not None and found.kinds == (Kind.TIN,) and not found.is_ten
    return (names.find(f"tinned {words}") if tinned else None) or find_named(words, names)


def _called(words: str, food: Food, names: Names[Food]) -> str:
    """The household's own word stays, if it is one that the table knows as it is."""
    return words.lower() if names.called.get(plain(words)) == food and len(words) <= 60 else food.name


def _each_g(
    line: _Line,
    found: InWhat | None,
    food: Food,
    container: Container,
    weight: re.Match[str] | None,
    count: int,
    words: str,
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
    piece_g = _piece_g(words) if found is None else LOAF_G if found.is_loaf else 0.0
    if piece_g:
        return piece_g
    most_g = mass_that_fits_g(volume_below_ml(container, container.headspace_mm), food.settled_g_ml)
    line.taken_as.append("full")
    return most_g


def _piece_g(words: str) -> float:
    if plain(words).removesuffix("s").endswith("egg"):
        return EGG_G
    return next((row.fresh_g for row in kitchen() if row.measure == "piece" and plain(words) in row.words), 0.0)
