"""Mixes of one's own as they are typed: what is in them, and what that comes to."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass, replace

from sqlalchemy.orm import Session

from yellow_larder.core.errors import Refusal, check_range
from yellow_larder.core.food import Food
from yellow_larder.core.keeping import REFERENCE_C, Packing
from yellow_larder.features.catalog.events import MixPart, NewMix
from yellow_larder.features.catalog.foods import all_foods, check_name, find_food, mix_of, read_food_line
from yellow_larder.features.catalog.own_foods import OwnFoodView, read_litre_g, seen_of, typed_litre
from yellow_larder.features.household.larder import Larder, settings, tidy_name
from yellow_larder.features.household.versions import check_based_on
from yellow_larder.journal import log
from yellow_larder.journal.database import reading, writing
from yellow_larder.reference import DAYS_PER_YEAR, lives_of, ways_of
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.numbers import read_count
from yellow_larder.words.quantities import Units, say_mass, say_temperature
from yellow_larder.words.refusals import in_words

MOST_PARTS = 40
"""Foods in one mix: more is a stew, not a recipe."""

_SHARE = re.compile(r"^(?P<share>\d+(?:[.,]\d+)?)\s*%\s*(?:of\s+)?(?P<food>\S.*)$")
_MIX = re.compile(r"mix-(\d+)$")
_OFF_PCT = 1.0
"""How far shares may be off a hundred in all: thirds are typed as 33 %."""


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
        comes_to: what is read of it makes this; none if nothing is read.
        keeps: what sets how long it keeps; empty if not all of it was read.
    """

    lines: list[MixLine]
    wrong: str
    comes_to: OwnFoodView | None = None
    keeps: str = ""


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
        return MixView(lines, wrong)
    try:
        mix = mix_of(_mix(asked.name or "mix", known, read_litre_g(asked.measure, asked.weighs)), foods)
    except Refusal as refusal:
        return MixView(lines, in_words(refusal, units).message)
    return MixView(lines, wrong, seen_of(mix, units), "" if wrong else _keeps(known, units))


def add_mix(larder: Larder, asked: AskedMix) -> Food:
    """Add a mix of one's own to the table.

    Raises:
        Refused: a line cannot be read, shares do not come to a hundred, it has no name, or a food is called so.
    """
    with writing(larder.engine) as session:
        foods = all_foods(session)
        mix = _as_told(asked, foods, settings(session).units)
        check_name(session, mix.name)
        number = log.next_number(session, "mix")
        log.record(session, log.title("mix.added", name=mix.name), [log.Act(number, mix, "added")], at=larder.clock())
        return mix_of(mix, foods, f"mix-{number}")


@dataclass(frozen=True, slots=True)
class MixAsTyped:
    """A mix of one's own as it is typed, and the version of its record."""

    mix: AskedMix
    version: int


def mix_as_typed(larder: Larder, number: int) -> MixAsTyped:
    """A mix of one's own as it is typed: in shares of the weight.

    Raises:
        NotThere: it is not in the table.
    """
    with reading(larder.engine) as session:
        asked = _as_typed(_mix_record(session, number), all_foods(session))
        return MixAsTyped(asked, log.version(session, "mix", number))


def change_mix(larder: Larder, number: int, asked: AskedMix, *, based_on: int | None = None) -> Food:
    """A mix is put right: it is so from now on, in other mixes too; what is packed keeps what it was packed with.

    Raises:
        NotThere: it is not in the table.
        Refused: as by `add_mix`, it would be in itself, or that is what is written already.
        Outdated: somebody else changed it meanwhile.
    """
    with writing(larder.engine) as session:
        before, foods = _mix_record(session, number), all_foods(session)
        check_based_on(session, "mix", number, based_on)
        mix = _as_told(asked, foods, settings(session).units)
        check_name(session, mix.name, but=f"mix-{number}")
        _check_not_in_itself(number, mix, foods)
        was, now = _as_typed(before, foods), _as_typed(mix, foods)
        if now == was:
            raise Refused("request", "That is what is written already")
        if now.lines == was.lines:
            # What was measured is known better than the shares it is shown in.
            mix = replace(mix, parts=before.parts)
        title = log.title("mix.changed", name=mix.name)
        log.record(session, title, [log.Act(number, mix, "changed")], at=larder.clock())
        return mix_of(mix, foods, f"mix-{number}")


def _check_not_in_itself(number: int, mix: NewMix, foods: Mapping[str, Food]) -> None:
    """What came into the table later may have this one in it: so no mix is in itself, by whatever way round."""
    for part in mix.parts:
        other = _MIX.match(part.food_key)
        if other is None or int(other[1]) < number:
            continue
        if int(other[1]) == number:
            raise Refused("lines", "A mix cannot be in itself")
        called = foods[part.food_key].name
        raise Refused(
            "lines", f"“{called}” came into the table after this mix: only what was there before can be in it"
        )


def _mix_record(session: Session, number: int) -> NewMix:
    found = log.record_of(session, NewMix, number)
    if found is None:
        raise NotThere("number", "That mix is not in the table any more")
    return found


def _as_typed(mix: NewMix, foods: Mapping[str, Food]) -> AskedMix:
    return AskedMix(
        name=mix.name,
        lines="\n".join(f"{part.share * 100:.4g} % {foods[part.food_key].name}" for part in mix.parts),
        **typed_litre(mix.litre_g),
    )


def _as_told(asked: AskedMix, foods: Mapping[str, Food], units: Units) -> NewMix:
    name = tidy_name(asked.name, "name")
    read = _lines(asked.lines, foods, units)
    if not read:
        raise Refused("lines", "Write what is in it, a line each: “2 cups red lentils”")
    wrong = next((each.wrong for each in read if each.wrong is not None), None)
    if wrong is not None:
        raise Refused("lines", wrong.message, words=wrong.words, nearest=wrong.nearest)
    if together := _wrong(read):
        raise Refused("lines", together)
    return _mix(name, read, read_litre_g(asked.measure, asked.weighs))


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
