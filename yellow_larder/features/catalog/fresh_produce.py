"""Fresh food that is dried: that of the table, and the household's own."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import lru_cache

from sqlalchemy.orm import Session

from yellow_larder.core.drying import KNOWN_OF_PRODUCE, Produce, likened
from yellow_larder.core.errors import Refusal
from yellow_larder.core.food import Food, dried_mass_g
from yellow_larder.core.units import G_PER_POUND
from yellow_larder.features.catalog.events import NewFood, NewProduce
from yellow_larder.features.catalog.foods import all_foods, names_of, own_food
from yellow_larder.features.catalog.names import Names, plain
from yellow_larder.features.catalog.weighed import only_mass_g
from yellow_larder.features.household.larder import Larder, settings, tidy_name
from yellow_larder.features.household.versions import check_based_on
from yellow_larder.journal import log
from yellow_larder.journal.database import reading, writing
from yellow_larder.reference.drying import produce as table
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.quantities import (
    Units,
    read_amount,
    read_length_mm,
    say_mass,
    say_temperature,
    say_thickness,
)
from yellow_larder.words.refusals import in_words

DRIED = "dried "
"""What a food is called when it is dry."""


@dataclass(frozen=True, slots=True, kw_only=True)
class AskedProduce:
    """A fresh food of one's own as it is typed: a figure that is not known is none, or empty.

    Attributes:
        name: what it is called, fresh.
        like: key of the fresh food in the table of drying that it is most like.
        cut: how it is cut; empty for as what it is like.
        water: water in it, %.
        thickness: how thick it is cut.
        air_c: air that suits it, °C.
        hours_low: the shortest it takes.
        hours_high: the longest.
        weighs: what one piece weighs, peeled.
        dried: key of the food it becomes; empty for the one that is called so, or a new one.
    """

    name: str
    like: str
    cut: str = ""
    water: float | None = None
    thickness: str = ""
    air_c: float | None = None
    hours_low: float | None = None
    hours_high: float | None = None
    weighs: str = ""
    dried: str = ""


@dataclass(frozen=True, slots=True)
class ProduceView:
    """What a fresh food comes to: its figures in the household's units, and which of them were taken.

    Attributes:
        cut: how it is cut.
        water_pct: water in it, %.
        thickness: how thick it is cut.
        air: air that suits it.
        hours_low: the shortest it takes, cut so and dried so.
        hours_high: the longest.
        becomes: the food it becomes.
        is_new: whether that food comes into the table with it.
        gives: what a measure of it dries down to.
        taken: names of the figures that are those of what it is like.
    """

    cut: str
    water_pct: float
    thickness: str
    air: str
    hours_low: str
    hours_high: str
    becomes: str
    is_new: bool
    gives: str
    taken: list[str]


@dataclass(frozen=True, slots=True)
class ProduceName:
    """A fresh food of the table of drying, to pick from."""

    key: str
    name: str
    aliases: list[str]


def all_produce(session: Session) -> dict[str, Produce]:
    """Every fresh food that is dried, of the table and of the household's own, by key."""
    return log.once(session, "produce", lambda: table() | _own(session))


def _own(session: Session) -> dict[str, Produce]:
    return {f"own-{n}": own_produce(f"own-{n}", own) for n, own in log.records(session, NewProduce).items()}


def produce_names(known: Mapping[str, Produce]) -> Names[Produce]:
    """Fresh foods by every name that each has."""
    return _names(tuple(each for key, each in known.items() if key not in table()))


@lru_cache(maxsize=8)
def _names(own: tuple[Produce, ...]) -> Names[Produce]:
    # Of two that share a name, the first of the table is meant.
    every = (*reversed(table().values()), *own)
    return Names({plain(name): each for each in every for name in (each.name, *each.aliases)})


def own_produce(key: str, own: NewProduce) -> Produce:
    """A fresh food of one's own: what is not known of it is taken from what it is like.

    Raises:
        Refused: it is like nothing in the table.
        OutOfRange: its figures cannot be those of a food.
    """
    like = _likeness(own.like)
    known = {figure: value for figure in KNOWN_OF_PRODUCE if (value := getattr(own, figure)) is not None}
    return likened(like, known, key=key, name=own.name, cut=own.cut, dried=own.dried)


def _likeness(key: str) -> Produce:
    like = table().get(key)
    if like is None:
        raise Refused("like", "Pick the fresh food that it is most like when it is cut and dried")
    return like


def see_own_produce(larder: Larder, asked: AskedProduce) -> ProduceView:
    """What a fresh food as it is typed comes to; nothing is written down.

    Raises:
        Refused: a field cannot be read, or its figures cannot be those of a food.
    """
    with reading(larder.engine) as session:
        units = settings(session).units
        read = _read(asked, asked.name, all_foods(session), units)
        return _view(read, units)


def add_own_produce(larder: Larder, asked: AskedProduce) -> Produce:
    """Add a fresh food of one's own to what can be dried, and the dried food it becomes if there is none yet.

    Raises:
        Refused: a field cannot be read, its figures cannot be those of a food, or one is called so.
    """
    name = tidy_name(asked.name, "name")
    with writing(larder.engine) as session:
        _check_name(session, name)
        read = _read(asked, name, all_foods(session), settings(session).units)
        fresh, acts = read.fresh, []
        if read.becomes is not None:
            number = log.next_number(session, "food")
            acts.append(log.Act(number, read.becomes, "added"))
            fresh = replace(fresh, dried=f"own-{number}")
        number = log.next_number(session, "produce")
        acts.append(log.Act(number, fresh, "added"))
        log.record(session, log.title("produce.added", name=name), acts, at=larder.clock())
        return own_produce(f"own-{number}", fresh)


@dataclass(frozen=True, slots=True)
class ProduceAsTyped:
    """A fresh food of one's own as it is typed, and the version of its record."""

    produce: AskedProduce
    version: int


def produce_as_typed(larder: Larder, number: int) -> ProduceAsTyped:
    """A fresh food of one's own as it is typed.

    Raises:
        NotThere: it is not in the table.
    """
    with reading(larder.engine) as session:
        told = _produce_record(session, number)
        asked = AskedProduce(
            name=told.name,
            like=told.like,
            cut=told.cut,
            water=told.fresh_water_pct,
            thickness="" if told.thickness_mm is None else f"{told.thickness_mm:.10g} mm",
            air_c=told.air_c,
            hours_low=told.hours_low,
            hours_high=told.hours_high,
            weighs="" if told.unit_g is None else f"{told.unit_g:.10g} g",
            dried=told.dried,
        )
        return ProduceAsTyped(asked, log.version(session, "produce", number))


def change_own_produce(larder: Larder, number: int, asked: AskedProduce, *, based_on: int | None = None) -> Produce:
    """A fresh food of one's own is known better: loads that are on are calculated so as well.

    What it becomes stays what it becomes; of its own dried food the water that was in it fresh is put right too.

    Raises:
        NotThere: it is not in the table.
        Refused: as by `add_own_produce`, or that is what is written already.
        Outdated: somebody else changed it meanwhile.
    """
    name = tidy_name(asked.name, "name")
    with writing(larder.engine) as session:
        before = _produce_record(session, number)
        check_based_on(session, "produce", number, based_on)
        _check_name(session, name, but=f"own-{number}")
        fresh = _read(replace(asked, dried=before.dried), name, all_foods(session), settings(session).units).fresh
        if fresh == before:
            raise Refused("request", "That is what is written already")
        acts = [log.Act(number, fresh, "changed"), *_wetter(session, before, fresh)]
        log.record(session, log.title("produce.changed", name=name), acts, at=larder.clock())
        return own_produce(f"own-{number}", fresh)


def _check_name(session: Session, name: str, *, but: str = "") -> None:
    called_so = produce_names(all_produce(session)).called.get(plain(name))
    if called_so is not None and called_so.key != but:
        raise Refused("name", f"“{name}” can be dried already: it is in the table")


def _wetter(session: Session, before: NewProduce, fresh: NewProduce) -> list[log.Act]:
    """What changes of the dried food of one's own that says of itself how much water was in it fresh."""
    was, now = (own_produce("own", each).fresh_water_pct for each in (before, fresh))
    number = fresh.dried.removeprefix("own-")
    dried = log.record_of(session, NewFood, int(number)) if number.isdigit() else None
    if dried is None or dried.fresh_water_g != was or was == now:
        return []
    return [log.Act(int(number), replace(dried, fresh_water_g=now), "changed")]


def _produce_record(session: Session, number: int) -> NewProduce:
    found = log.record_of(session, NewProduce, number)
    if found is None:
        raise NotThere("number", "That fresh food is not in the table any more")
    return found


def fresh_to_pick() -> list[ProduceName]:
    """Every fresh food of the table, to be like."""
    return [ProduceName(each.key, each.name, list(each.aliases)) for each in table().values()]


@dataclass(frozen=True, slots=True)
class _Read:
    """A fresh food as it was read, with the dried food that comes into the table with it, if one does."""

    fresh: NewProduce
    becomes: NewFood | None
    dried: Food
    """What it becomes."""


def _read(asked: AskedProduce, name: str, foods: Mapping[str, Food], units: Units) -> _Read:
    like = _likeness(asked.like)
    called = name if plain(name).startswith(plain(DRIED)) else DRIED + name
    there = foods.get(asked.dried) or names_of(foods).called.get(plain(called))
    water = like.fresh_water_pct if asked.water is None else asked.water
    becomes = NewFood(name=called, like=like.dried, fresh_water_g=water)
    fresh = NewProduce(
        name=name,
        like=like.key,
        cut=" ".join(asked.cut.split())[:40],
        dried=there.key if there else "",
        fresh_water_pct=asked.water,
        thickness_mm=read_length_mm(asked.thickness, "thickness", units=units) if asked.thickness.strip() else None,
        # As finely as it is shown in either degrees: what is typed again as it was is the same.
        air_c=None if asked.air_c is None else round(asked.air_c, 2),
        hours_low=asked.hours_low,
        hours_high=asked.hours_high,
        unit_g=_weighs_g(asked.weighs),
    )
    try:
        own_produce("own", fresh)
        dried = there or own_food("own", becomes)
    except Refusal as refusal:
        raise in_words(refusal, units) from refusal
    return _Read(fresh, None if there else becomes, dried)


def _weighs_g(typed: str) -> float | None:
    if not typed.strip():
        return None
    return only_mass_g(read_amount(typed, "weighs"), "weighs", "140 g or 5 oz")


def _view(read: _Read, units: Units) -> ProduceView:
    fresh = own_produce("own", read.fresh)
    whole_g = 1000.0 if units is Units.METRIC else 2 * G_PER_POUND
    dry_g = dried_mass_g(whole_g, fresh.fresh_water_pct, read.dried.composition.water_g)
    return ProduceView(
        cut=fresh.cut,
        water_pct=fresh.fresh_water_pct,
        thickness=say_thickness(fresh.thickness_mm, units),
        air=say_temperature(fresh.air_c, units),
        hours_low=f"{fresh.hours_low:.3g}",
        hours_high=f"{fresh.hours_high:.3g}",
        becomes=read.dried.name,
        is_new=read.becomes is not None,
        gives=f"{say_mass(whole_g, units)} becomes about {say_mass(dry_g, units)}",
        taken=sorted(fresh.taken),
    )
