"""Reading what goes on the trays: "3 kg leeks", "12 leeks", "4 cans of black beans"."""

from __future__ import annotations

import re
from dataclasses import dataclass

from yellow_larder.core.drying import Produce
from yellow_larder.features.catalog.foods import find_named
from yellow_larder.features.catalog.names import Names
from yellow_larder.words.errors import Refused
from yellow_larder.words.numbers import COUNT, plain_numbers, read_count
from yellow_larder.words.quantities import MOST_KG, read_line

_COUNTED = re.compile(
    rf"^(?P<count>{COUNT})\s+(?:(?:large|medium|small|big|ripe|fresh)\s+)*(?P<can>(?:cans?|tins?)\s+(?:of\s+)?)?(?P<food>\D.*)$",
    re.IGNORECASE,
)
_DONE = re.compile(
    r"\s*(?:\(.*?\)|,.*|\b(?:sliced|chopped|diced|cubed|peeled|shredded|halved|cut|cored|pitted|stoned|blanched)\b.*)$",
    re.IGNORECASE,
)
"""What is done to it on its way to the trays; how thick it is cut has a field of its own."""


@dataclass(frozen=True, slots=True)
class Fresh:
    """A fresh food and how much of it; a count of 0 if it was weighed."""

    produce: Produce
    mass_g: float
    count: float


def find_produce(words: str, names: Names[Produce]) -> Produce:
    """The fresh food that is meant by some words, of those that can be dried.

    Raises:
        Refused: none is near enough; the nearest names go with it.

    Example:
        >>> from yellow_larder.features.catalog.fresh_produce import produce_names
        >>> from yellow_larder.reference.drying import produce
        >>> known = produce_names(produce())
        >>> find_produce("leek", known).key, find_produce("bell peppers, cored and sliced", known).key
        ('leeks', 'peppers')
    """
    called = re.sub(r"^(?:cans?|tins?) of ", "", words.strip(), flags=re.I)
    try:
        return find_named(called, names)
    except Refused:
        bare = _DONE.sub("", called)
        if bare in ("", called):
            raise
        return find_named(bare, names)


def read_fresh(line: str, names: Names[Produce]) -> Fresh:
    """Read what goes on the trays, weighed or counted, of what can be dried.

    Raises:
        Refused: there is no amount or no food in it, or it cannot be counted.

    Example:
        >>> from yellow_larder.features.catalog.fresh_produce import produce_names
        >>> from yellow_larder.reference.drying import produce
        >>> known = produce_names(produce())
        >>> read_fresh("4 cans of black beans", known).mass_g, read_fresh("1.2 kg mushrooms", known).mass_g
        (908.0, 1200.0)
    """
    try:
        read = read_line(line)
    except Refused as refused:
        counted = _COUNTED.match(" ".join(plain_numbers(line).split()))
        if counted is None:
            raise Refused("line", _for_fresh(refused.message)) from refused
        return _counted(counted, names)
    if read.amount.volume_ml:
        raise Refused("line", "Weigh it, or count it: the weight to dry it down to follows from that")
    return Fresh(find_produce(read.food, names), read.amount.mass_g, 0)


def _counted(found: re.Match[str], names: Names[Produce]) -> Fresh:
    count, each = read_count(found["count"]), find_produce(found["food"], names)
    if not each.unit_g or (found["can"] and each.unit != "can"):
        raise Refused("line", f"Weigh the {each.name}: nobody knows what one of them weighs")
    if count <= 0 or count * each.unit_g > MOST_KG * 1000:
        raise Refused("line", "Write how many there are, such as 12")
    return Fresh(each, count * each.unit_g, count)


def _for_fresh(message: str) -> str:
    return message.replace("10 kg pearl barley", "3 kg leeks").replace("5 cups oats", "12 leeks")
