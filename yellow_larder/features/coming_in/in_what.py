"""Words for containers, as they are typed: which sort, how many, and as big as it is sold."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass

from yellow_larder.core.air import mass_that_fits_g
from yellow_larder.core.containers import Container, Kind, closed_volume_ml
from yellow_larder.core.food import Food
from yellow_larder.core.keeping import Way, usual_way
from yellow_larder.core.units import ML_PER_CUP, ML_PER_GALLON, ML_PER_PINT, ML_PER_QUART
from yellow_larder.features.catalog.containers import USUAL
from yellow_larder.reference import containers, ways_of
from yellow_larder.words.articles import a_or_an
from yellow_larder.words.errors import Refused
from yellow_larder.words.numbers import COUNT, read_count
from yellow_larder.words.quantities import Units

_VOLUME_SIZE = r"gal(?:lons?)?|qts?|quarts?|pts?|pints?|lit(?:re|er)s?|l|ml|cups?|oz|lbs?|pounds?|kg|kilos?|g|grams?"
_SIZE = (
    rf"(?:(?P<half>half|½|1/2)[\s-]*(?P<half_of>gal(?:lons?)?|pints?|lit(?:re|er)s?|l|kg|lb|pound)\b|#\s*(?P<ten>10)\b"
    rf"|no\.?\s*(?P<number_ten>10)\b|(?P<size>{COUNT})[\s-]*(?P<unit>{_VOLUME_SIZE})\b\.?"
    rf"|(?P<bare>gal(?:lon)?|qt|quart|pt|pint|lit(?:re|er))\b)"
)
_AS_IT_GREW = r"(?:crates?|baskets?|nets?|braids?|bunch(?:es)?|strings?)"
"""What holds food as it was harvested."""

_PIECES = r"(?:loaf|loaves|heads?|bulbs?|sticks?|blocks?|slabs?|bars?|fillets?|sachets?)"
"""What is no container, but one of the thing itself."""

_AS_SOLD = (
    r"(?:still\s+)?in\s+(?:its|their|the)\s+(?:(?:own|original|paper|plastic|shop|store|maker['’]?s)\s+)*"
    r"(?:bags?|packets?|packs?|packag(?:es?|ing)|box(?:es)?|cartons?|sacks?|wrapp(?:ers?|ings?))"
)
"""Food as it came from the shop."""

_SORTS: dict[str, tuple[Kind, ...]] = {
    _AS_SOLD: (Kind.PACKET,),
    r"(?:mason |preserving |canning |glass )?jars?|crocks?": (Kind.JAR,),
    r"(?:(?:foil|mylar|aluminium)[\s-]*)?zip(?:per|[\s-]?lock)?(?:[\s-]*(?:foil|mylar))?[\s-]*bags?": (Kind.ZIP_BAG,),
    r"(?:vacuum|vac)[\s-]*(?:sealer\s*)?(?:pouch(?:es)?|bags?)|pouch(?:es)?": (Kind.POUCH,),
    r"(?:foil|mylar|aluminium)[\s-]*bags?|mylars?|bags?": (Kind.BAG,),
    r"(?:buckets?|pails?)\s*(?:with|\+|and)\s*(?:a\s*)?(?:mylar|foil|bag|liners?)(?:\s*liners?|\s*bags?)?"
    r"|(?:lined|mylar[\s-]*lined)\s*(?:buckets?|pails?)": (Kind.LINED_PAIL,),
    r"(?:square |food[\s-]*grade |plastic )?(?:buckets?|pails?)": (Kind.PAIL,),
    r"(?:soda |pop |pet |plastic |glass )?(?:bottles?|jugs?)": (Kind.BOTTLE, Kind.SHOP_JAR),
    r"(?:tins?|cans?)": (Kind.TIN,),
    r"(?:packets?|pkts?|packs?|pks?|packages?|pkgs?|box(?:es)?|sacks?|cartons?|tubs?|rolls?|containers?|bricks?|sleeves?|"
    r"canisters?)": (Kind.PACKET,),
    _AS_IT_GREW: (Kind.BOX,),
    _PIECES: (Kind.BOX,),
    r"(?:totes?|trays?|freezer (?:boxes|box|bags?))": (Kind.BOX,),
}
_SORT = "|".join(f"(?P<sort{n}>{words})" for n, words in enumerate(_SORTS))
_CONTAINER = re.compile(
    rf"(?:(?<![\w.,/])(?P<count>{COUNT}|a|an|some)\s*(?:x|×|of)?[\s-]+)?(?:{_SIZE}[\s-]*)?\b(?:{_SORT})\b(?:\s+of\b)?",
    re.IGNORECASE,
)
_SIZES_ML = {"gal": ML_PER_GALLON, "pt": ML_PER_PINT, "pin": ML_PER_PINT, "cup": ML_PER_CUP, "ml": 1.0}
_SIZES_ML |= {"qt": ML_PER_QUART, "qua": ML_PER_QUART, "lit": 1000.0, "l": 1000.0}
"""Millilitres in each measure that containers are sold by, by how the word begins."""


@dataclass(frozen=True, slots=True)
class InWhat:
    """What a line says that its food is in.

    Attributes:
        kinds: the kinds of container that the word may mean.
        count: how many; none if it does not say.
        size_ml: the volume that they are sold as, mL; none if it does not say.
        holds: what is in each, if they are told by its weight, as typed; empty if not.
        is_ten: whether it is the large tin that is called number ten.
        is_piece: whether it is no container, but one of the thing itself: a loaf, a head, a stick.
        is_as_it_grew: whether it holds food as it was harvested.
        start: where in the line the words begin.
        end: where they end.
        own: the container of the household's own that it names; none if it names none.
    """

    kinds: tuple[Kind, ...]
    count: float | None
    size_ml: float | None
    holds: str
    is_ten: bool
    is_piece: bool
    start: int
    end: int
    own: Container | None = None
    is_as_it_grew: bool = False

    @property
    def is_sized(self) -> bool:
        """Whether the line says how big they are."""
        return self.size_ml is not None or self.is_ten or self.own is not None


def in_own(text: str, own: Mapping[str, Container]) -> InWhat | None:
    """The containers of the household's own that a line says its food is in, by their names.

    Example:
        >>> from yellow_larder.reference import containers, ways_of
        >>> found = in_own("3 ice cream tubs of oats", {"ice cream tub": containers()["pail-1-gallon"]})
        >>> found.count, found.own.key, in_own("oats", {})
        (3.0, 'pail-1-gallon', None)
    """
    for name in sorted(own, key=len, reverse=True):
        words = r"[\s-]+".join(map(re.escape, name.split()))
        pattern = rf"(?:(?P<count>{COUNT})\s*[x×]?\s+)?(?<![\w-]){words}(?:e?s)?(?![\w-])(?:\s+of\b)?"
        found = re.search(pattern, text, re.IGNORECASE)
        if found is not None:
            count = read_count(found["count"]) if found["count"] else None
            return InWhat((own[name].kind,), count, None, "", False, False, found.start(), found.end(), own[name])
    return None


def in_what(text: str) -> InWhat | None:
    """What a line says that its food is in: of several such words the one that is counted or measured.

    Example:
        >>> found = in_what("2 five-gallon buckets hard wheat")
        >>> found.count, [kind.value for kind in found.kinds], round(found.size_ml)
        (2.0, ['pail'], 18927)
        >>> in_what("hard wheat")
    """
    found = [_in_what(each) for each in _CONTAINER.finditer(text)]
    told = [each for each in found if each.count is not None or each.is_sized or each.holds]
    return next(iter(told or found), None)


def _in_what(found: re.Match[str]) -> InWhat:
    n = next(n for n in range(len(_SORTS)) if found[f"sort{n}"])
    kinds = list(_SORTS.values())[n]
    counted = found["count"] and found["count"].lower() != "some"
    unit = (found["half_of"] or found["unit"] or found["bare"] or "").lower()
    number = 0.5 if found["half"] else read_count(found["size"]) if found["size"] else 1.0
    # "6 qt jars" are six of a quart; "5 gal bucket" is one of five gallons, and so are pails, which are that big.
    is_size = counted and found["bare"] and (not found[f"sort{n}"].lower().endswith("s") or kinds[0] in _PAILS)
    if is_size and read_count(found["count"]) != 1:
        counted, number = False, read_count(found["count"])
    ml = None if unit in ("lb", "lbs") else next((ml for name, ml in _SIZES_ML.items() if unit.startswith(name)), None)
    return InWhat(
        kinds,
        read_count(found["count"]) if counted else None,
        None if ml is None else ml * number,
        f"{number:g} {unit}" if unit and ml is None else "",
        bool(found["ten"] or found["number_ten"]),
        list(_SORTS)[n] == _PIECES,
        found.start(),
        found.end(),
        is_as_it_grew=list(_SORTS)[n] == _AS_IT_GREW,
    )


VACUUM_BAG = InWhat((Kind.POUCH,), None, None, "", is_ten=False, is_piece=False, start=0, end=0)
"""What is under vacuum is in if nobody says in what."""

_PAILS = frozenset({Kind.PAIL, Kind.LINED_PAIL})

_LIQUID = frozenset({"oils and fats", "tins and jars"})


def _kinds(found: InWhat | None, food: Food, *, lined: bool) -> tuple[Kind, ...]:
    """Which kinds of container are meant: what the shop sells in jars and bottles comes in the shop's."""
    if found is None:
        return _unsaid(food, lined=lined)
    kinds = found.kinds
    if lined and kinds == (Kind.PAIL,):
        return (Kind.LINED_PAIL,)
    if kinds == (Kind.BOTTLE, Kind.SHOP_JAR):
        return (Kind.SHOP_JAR,) if food.group in _LIQUID or food.form == "syrup" else (Kind.BOTTLE,)
    if kinds == (Kind.TIN,) and found.is_ten and food.group not in ("tins and jars", "fresh and frozen"):
        return (Kind.CAN,)
    if found.is_piece and not ways_of(food.life):
        return (Kind.PACKET,)
    if len(kinds) == 1:
        return (_INSTEAD.get((food.group, kinds[0]), kinds[0]),)
    return kinds


_INSTEAD = {
    ("oils and fats", Kind.JAR): Kind.SHOP_JAR,
    ("tins and jars", Kind.JAR): Kind.SHOP_JAR,
    ("tins and jars", Kind.PACKET): Kind.SHOP_JAR,
    ("fresh and frozen", Kind.PACKET): Kind.BOX,
    ("fresh and frozen", Kind.TIN): Kind.BOX,
    ("fresh and frozen", Kind.BAG): Kind.BOX,
}
"""What a word for a container means of some foods: nobody's jar of jam is a preserving jar with an absorber."""


def _unsaid(food: Food, *, lined: bool) -> tuple[Kind, ...]:
    """What food comes in of which nobody says what it is in."""
    if lined:
        return (Kind.BAG,)
    if food.group == "tins and jars" and food.form != "syrup":
        return (Kind.TIN,)
    if food.group == "fresh and frozen":
        return (Kind.BOX,)
    return (Kind.SHOP_JAR,) if food.group in _LIQUID or food.form == "syrup" else (Kind.PACKET,)


_FOR_THE_FREEZER = "box-small"
"""The container in which nothing stands that is not frozen."""

_NEAR_ENOUGH = 0.15
"""How far the size that was typed may be off that of a container, as a share. Source: our judgement."""


@dataclass(frozen=True, slots=True)
class Chosen:
    """The container that is meant, what was taken for it, and what is doubtful about that."""

    container: Container
    taken_as: str = ""
    doubt: str = ""


def choose(
    found: InWhat | None, food: Food, units: Units, *, lined: bool, is_weighed: bool, at_home: bool = False
) -> Chosen:
    """The container of the table that a line means.

    Args:
        found: what it says of it; none if it says nothing.
        food: what is in it.
        units: the household's measures.
        lined: whether there is a foil bag in it, or round it.
        is_weighed: whether the line says what is in it: then the smallest that holds so much is meant.
        at_home: whether it was canned at home.
    """
    if found is not None and found.own is not None:
        return Chosen(found.own)
    kinds = (Kind.CANNED_JAR,) if at_home else _kinds(found, food, lined=lined)
    frozen = bool(ways_of(food.life)) and usual_way(ways_of(food.life)) is Way.FREEZER
    of_kind = sorted(
        (each for each in containers().values() if each.kind in kinds and (frozen or each.key != _FOR_THE_FREEZER)),
        key=closed_volume_ml,
    )
    if found is not None and found.is_ten:
        return Chosen(next((each for each in of_kind if each.key in ("can-10", "tin-10")), of_kind[-1]))
    size = None if found is None else found.size_ml
    if size is not None:
        nearest = min(of_kind, key=lambda each: abs(each.nominal_qt * ML_PER_QUART / size - 1))
        off = abs(nearest.nominal_qt * ML_PER_QUART / size - 1)
        return Chosen(
            nearest, doubt=f"the nearest to that size is {a_or_an(nearest.name)}" if off > _NEAR_ENOUGH else ""
        )
    if is_weighed:
        return Chosen(of_kind[0])
    usual = containers().get(USUAL.get(kinds[0], {}).get(units, ""))
    if usual is not None:
        return Chosen(
            usual, taken_as="" if usual.key == "tin" else f"{a_or_an(usual.name)}: the line does not say how big"
        )
    return Chosen(of_kind[(len(of_kind) - 1) // 2])


_OR_ELSE = {
    Kind.SHOP_JAR: (Kind.SHOP_JAR, Kind.BOTTLE),
    Kind.POUCH: (Kind.POUCH, Kind.BAG),
}
"""What else it may be in, if there is more of it than goes into the usual: a gallon of oil is in a bottle."""


def that_holds(container: Container, food: Food, each_g: float, *, is_sized: bool) -> Container:
    """The container, or the smallest of its kind that holds so much, if nobody said how big it is.

    Raises:
        Refused: it does not hold so much, or none of its kind does.
    """

    def holds(each: Container) -> bool:
        return mass_that_fits_g(closed_volume_ml(each), food.settled_g_ml) * 1.05 >= each_g

    if holds(container):
        return container
    if is_sized:
        raise Refused("line", f"That much {food.name} does not go into {a_or_an(container.name)}")
    kinds = _OR_ELSE.get(container.kind, (container.kind,))
    larger = [each for each in containers().values() if each.kind in kinds and holds(each)]
    if not larger:
        raise Refused("line", f"No {container.kind.value} holds that much {food.name}: write how many there are")
    return min(larger, key=closed_volume_ml)
