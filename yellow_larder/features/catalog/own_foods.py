"""Foods and mixes of one's own as they are typed: what is known of them, and what that comes to."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass

from yellow_larder.core.errors import Refusal, check_range
from yellow_larder.core.food import Food, Trait
from yellow_larder.core.keeping import REFERENCE_C, Packing
from yellow_larder.features.catalog.events import MixPart, NewFood, NewMix
from yellow_larder.features.catalog.foods import (
    add_food,
    all_foods,
    change_food,
    check_name,
    find_food,
    mix_of,
    own_food,
    own_record,
    read_food_line,
)
from yellow_larder.features.catalog.weighed import only_mass_g
from yellow_larder.features.household.larder import Larder, settings, tidy_name
from yellow_larder.journal import log
from yellow_larder.journal.database import reading, writing
from yellow_larder.reference import DAYS_PER_YEAR, lives_of, ways_of
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import Units, read_amount, read_count, say_mass, say_temperature
from yellow_larder.words.refusals import in_words

MOST_PARTS = 40
"""Foods in one mix: more is a stew, not a recipe."""

_LITRE_ML = 1000.0
_SHARE = re.compile(r"^(?P<share>\d+(?:[.,]\d+)?)\s*%\s*(?:of\s+)?(?P<food>\S.*)$")
_OFF_PCT = 1.0
"""How far shares may be off a hundred in all: thirds are typed as 33 %."""


@dataclass(frozen=True, slots=True, kw_only=True)
class AskedFood:
    """A food of one's own as it is typed: a figure that is not known is none.

    Attributes:
        name: what it is called.
        like: key of the food in the table that it is most like.
        kcal: energy of 100 g.
        protein_g: protein in 100 g.
        fat_g: fat in 100 g.
        carbohydrate_g: carbohydrate in 100 g, fibre included.
        fibre_g: fibre in 100 g.
        water_g: water in 100 g.
        measure: how much of it was weighed, poured loosely: "1 cup", "1 L".
        weighs: what that weighs: "185 g"; empty if nobody weighed it.
        traits: what the rules need to know; none means as what it is like.
        fresh_water_g: water in 100 g of what it was dried from; none means as what it is like.
    """

    name: str
    like: str
    kcal: float | None = None
    protein_g: float | None = None
    fat_g: float | None = None
    carbohydrate_g: float | None = None
    fibre_g: float | None = None
    water_g: float | None = None
    measure: str = "1 cup"
    weighs: str = ""
    traits: tuple[Trait, ...] | None = None
    fresh_water_g: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class AskedMix:
    """A mix as it is typed.

    Attributes:
        name: what it is called.
        lines: what is in it, a line each: "2 cups red lentils", "300 g rice"; or shares, "40 % red lentils".
        measure: how much of it was weighed, poured loosely: "1 cup", "1 L".
        weighs: what that weighs; empty if nobody weighed it.
    """

    name: str
    lines: str
    measure: str = "1 cup"
    weighs: str = ""


@dataclass(frozen=True, slots=True)
class MixLine:
    """A line of a mix as it was read.

    Attributes:
        text: as it was typed.
        food: the food; empty if it could not be read.
        form: how its pieces are drawn.
        colour: their colour.
        mass: its weight, if it was not typed as a share.
        share: its share of the weight, 0–1.
        wrong: why it could not be read; empty if it was.
        nearest: what was perhaps meant.
    """

    text: str
    food: str
    form: str
    colour: str
    mass: str
    share: float
    wrong: str
    nearest: list[str]


@dataclass(frozen=True, slots=True)
class MixView:
    """What a mix comes to.

    Attributes:
        lines: its lines as they were read.
        wrong: what is wrong with all of them together; empty if nothing is.
        kcal: energy of 100 g.
        protein_g: protein in 100 g.
        fat_g: fat in 100 g.
        carbohydrate_g: carbohydrate in 100 g, fibre included.
        fibre_g: fibre in 100 g.
        water_g: water in 100 g.
        cup: what a cup of it weighs.
        keeps: what sets how long it keeps; empty if not all of it was read.
        traits: what the rules know it as.
    """

    lines: list[MixLine]
    wrong: str
    kcal: int
    protein_g: float
    fat_g: float
    carbohydrate_g: float
    fibre_g: float
    water_g: float
    cup: str
    keeps: str
    traits: list[str]


def add_own_food(larder: Larder, asked: AskedFood) -> Food:
    """Add a food of one's own to the table, of which only so much is known.

    Raises:
        Refused: a field cannot be read, its figures cannot be those of a food, or one is called so.
    """
    return add_food(larder, _as_told(asked))


@dataclass(frozen=True, slots=True)
class FoodAsTyped:
    """A food of one's own as it is typed, and the version of its record."""

    food: AskedFood
    version: int


def own_food_as_typed(larder: Larder, number: int) -> FoodAsTyped:
    """A food of one's own as it is typed.

    Raises:
        NotThere: it is not in the table.
    """
    with reading(larder.engine) as session:
        told = own_record(session, number)
        asked = AskedFood(
            name=told.name,
            like=told.like,
            kcal=told.kcal,
            protein_g=told.protein_g,
            fat_g=told.fat_g,
            carbohydrate_g=told.carbohydrate_g,
            fibre_g=told.fibre_g,
            water_g=told.water_g,
            measure="1 cup" if told.litre_g is None else "1 L",
            weighs="" if told.litre_g is None else f"{told.litre_g:.10g} g",
            traits=told.traits,
            fresh_water_g=told.fresh_water_g,
        )
        return FoodAsTyped(asked, log.version(session, "food", number))


def change_own_food(larder: Larder, number: int, asked: AskedFood, *, based_on: int | None = None) -> Food:
    """A food of one's own is known better.

    Raises:
        Refused: a field cannot be read, its figures cannot be those of a food, or another is called so.
        Outdated: somebody else changed it meanwhile.
    """
    return change_food(larder, number, _as_told(asked), based_on=based_on)


def see_own_food(asked: AskedFood) -> Food:
    """What a food as it is typed comes to; nothing is written down.

    Raises:
        Refused: a field cannot be read, or its figures cannot be those of a food.
    """
    return own_food("own", _as_told(asked))


def _as_told(asked: AskedFood) -> NewFood:
    return NewFood(
        name=asked.name,
        like=asked.like,
        kcal=asked.kcal,
        protein_g=asked.protein_g,
        fat_g=asked.fat_g,
        carbohydrate_g=asked.carbohydrate_g,
        fibre_g=asked.fibre_g,
        water_g=asked.water_g,
        litre_g=read_litre_g(asked.measure, asked.weighs),
        traits=asked.traits,
        fresh_water_g=asked.fresh_water_g,
    )


def read_litre_g(measure: str, weighs: str) -> float | None:
    """What a litre weighs, g, from a measure of it that was weighed; none if nobody weighed it.

    Raises:
        Refused: it cannot be read, or nothing weighs that.

    Example:
        >>> round(read_litre_g("1 cup", "185 g")), read_litre_g("1 cup", "")
        (782, None)
    """
    if not weighs.strip():
        return None
    of, mass = read_amount(measure, "measure"), read_amount(weighs, "weighs")
    if of.mass_g or not of.volume_ml:
        raise Refused("measure", "A measure, such as 1 cup or 1 L")
    litre_g = only_mass_g(mass, "weighs", "185 g or 6.5 oz") / of.volume_ml * _LITRE_ML
    if not 10 <= litre_g <= 3000:
        raise Refused("weighs", f"Then a litre would weigh {litre_g:,.0f} g: 10 to 3,000 is what food weighs")
    return litre_g


def see_mix(larder: Larder, asked: AskedMix) -> MixView:
    """What a mix comes to as it is typed; nothing is written down."""
    with reading(larder.engine) as session:
        foods, units = all_foods(session), settings(session).units
    read = _lines(asked.lines, foods, units)
    known = [each for each in read if each.food is not None]
    total = sum(each.amount for each in known)
    wrong = _wrong(read)
    lines = [each.shown(total, units) for each in read]
    if not known or total <= 0:
        return MixView(lines, wrong, 0, 0, 0, 0, 0, 0, "", "", [])
    try:
        mix = mix_of(_mix(asked.name or "mix", known, read_litre_g(asked.measure, asked.weighs)), foods)
    except Refusal as refusal:
        return MixView(lines, in_words(refusal, units).message, 0, 0, 0, 0, 0, 0, "", "", [])
    of = mix.composition
    return MixView(
        lines=lines,
        wrong=wrong,
        kcal=round(of.kcal),
        protein_g=round(of.protein_g, 1),
        fat_g=round(of.fat_g, 1),
        carbohydrate_g=round(of.carbohydrate_g, 1),
        fibre_g=round(of.fibre_g, 1),
        water_g=round(of.water_g, 1),
        cup=say_mass(mix.loose_g_ml * read_amount("1 cup").volume_ml, units),
        keeps="" if wrong else _keeps(known, units),
        traits=sorted(trait.value for trait in mix.traits),
    )


def add_mix(larder: Larder, asked: AskedMix) -> Food:
    """Add a mix of one's own to the table.

    Raises:
        Refused: a line cannot be read, shares do not come to a hundred, it has no name, or a food is called so.
    """
    name = tidy_name(asked.name, "name")
    with writing(larder.engine) as session:
        foods, units = all_foods(session), settings(session).units
        check_name(session, name)
        read = _lines(asked.lines, foods, units)
        if not read:
            raise Refused("lines", "Write what is in it, a line each: “2 cups red lentils”")
        wrong = next((each.wrong for each in read if each.wrong is not None), None)
        if wrong is not None:
            raise Refused("lines", wrong.message, words=wrong.words, nearest=wrong.nearest)
        if together := _wrong(read):
            raise Refused("lines", together)
        mix = _mix(name, read, read_litre_g(asked.measure, asked.weighs))
        number = log.next_number(session, "mix")
        log.record(session, log.title("mix.added", name=name), [log.Act(number, mix)], at=larder.clock())
        return mix_of(mix, foods, f"mix-{number}")


@dataclass(frozen=True, slots=True)
class _Line:
    """A line of a mix: its food with how much of it there is, or why it cannot be read."""

    text: str
    food: Food | None
    amount: float
    is_share: bool
    wrong: Refused | None = None

    def shown(self, total: float, units: Units) -> MixLine:
        food = self.food
        return MixLine(
            self.text,
            food.name if food else "",
            food.form if food else "",
            food.colour if food else "",
            say_mass(self.amount, units) if food and not self.is_share else "",
            self.amount / total if food and total else 0.0,
            self.wrong.message if self.wrong else "",
            list(self.wrong.nearest) if self.wrong else [],
        )


def _lines(text: str, foods: Mapping[str, Food], units: Units) -> list[_Line]:
    lines = [" ".join(line.split()) for line in text.splitlines() if line.strip()]
    if len(lines) > MOST_PARTS:
        raise Refused("lines", f"{len(lines):,} lines; {MOST_PARTS} are the most in one mix")
    return [_line(each, foods, units) for each in lines]


def _line(text: str, foods: Mapping[str, Food], units: Units) -> _Line:
    share = _SHARE.match(text)
    try:
        if len(text) > 200:
            raise Refused("lines", f"{len(text):,} characters; 200 is the most for one line")
        if share is not None:
            food, amount = find_food(share["food"], foods), read_count(share["share"])
        else:
            food, amount = read_food_line(text, dict(foods))
        if ways_of(food.life) or food.group == "tins and jars":
            raise Refused("lines", f"{food.name.capitalize()} is not dry: a mix is of dry food")
        check_range("mass_g", amount, 1e-3, 1e6, "g")
    except Refusal as refusal:
        return _Line(text, None, 0.0, is_share=share is not None, wrong=in_words(refusal, units))
    return _Line(text, food, amount, is_share=share is not None)


def _wrong(read: list[_Line]) -> str:
    """What is wrong with the lines of a mix together; empty if nothing is."""
    if any(each.wrong for each in read):
        return ""
    shares = [each for each in read if each.is_share]
    if not shares:
        return ""
    if len(shares) < len(read):
        return "Write all of it as shares, or all of it as amounts"
    total = sum(each.amount for each in shares)
    return "" if abs(total - 100) <= _OFF_PCT else f"Shares come to 100 %; these come to {total:.4g} %"


def _mix(name: str, read: list[_Line], litre_g: float | None) -> NewMix:
    total = sum(each.amount for each in read)
    shares: dict[str, float] = {}
    for each in read:
        if each.food is not None:
            shares[each.food.key] = shares.get(each.food.key, 0.0) + each.amount / total
    return NewMix(name, tuple(MixPart(key, share) for key, share in shares.items()), litre_g)


def _keeps(parts: list[_Line], units: Units) -> str:
    """Which part sets how long a mix keeps in foil without oxygen."""
    days = {each.food.name: lives_of(each.food.life)[Packing.FOIL].customary for each in parts if each.food is not None}
    first = min(days, key=days.__getitem__)
    if days[first] == float("inf"):
        return "Nothing in it ages."
    years = days[first] / DAYS_PER_YEAR
    keeps = f"{years:.0f} years" if years >= 2 else f"{years * 12:.0f} months"
    warm = say_temperature(REFERENCE_C, units)
    return f"It keeps as long as its {first}: about {keeps} in foil without oxygen, at {warm}."
