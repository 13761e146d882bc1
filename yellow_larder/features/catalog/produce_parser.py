"""Reading what goes on the trays: "3 kg leeks", "12 leeks", "4 cans of black beans"."""

from __future__ import annotations

import re
from dataclasses import dataclass
from functools import lru_cache

from yellow_larder.core.drying import Produce
from yellow_larder.features.catalog.foods import find_named
from yellow_larder.features.catalog.names import Names, plain
from yellow_larder.reference.drying import produce
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import COUNT, MOST_KG, read_count, read_line

_COUNTED = re.compile(
    rf"^(?P<count>{COUNT})\s+(?:(?:large|medium|small|big|ripe|fresh)\s+)*(?P<can>(?:cans?|tins?)\s+(?:of\s+)?)?(?P<food>\D.*)$",
    re.IGNORECASE,
)


@dataclass(frozen=True, slots=True)
class Fresh:
    """A fresh food and how much of it; a count of 0 if it was weighed."""

    produce: Produce
    mass_g: float
    count: float


@lru_cache
def _names() -> Names[Produce]:
    return Names({plain(name): each for each in reversed(produce().values()) for name in (each.name, *each.aliases)})


def find_produce(words: str) -> Produce:
    """The fresh food that is meant by some words.

    Raises:
        Refused: none is near enough; the nearest names go with it.

    Example:
        >>> find_produce("leek").key, find_produce("bell peppers").key
        ('leeks', 'peppers')
    """
    return find_named(re.sub(r"^(?:cans?|tins?) of ", "", words.strip(), flags=re.I), _names())


def read_fresh(line: str) -> Fresh:
    """Read what goes on the trays, weighed or counted.

    Raises:
        Refused: there is no amount or no food in it, or it cannot be counted.

    Example:
        >>> read_fresh("4 cans of black beans").mass_g, read_fresh("1.2 kg mushrooms").mass_g
        (908.0, 1200.0)
    """
    counted = _COUNTED.match(" ".join(line.split()))
    try:
        read = read_line(line)
    except Refused as refused:
        if counted is None:
            raise Refused("line", _for_fresh(refused.message)) from refused
        return _counted(counted)
    if read.amount.volume_ml:
        raise Refused("line", "Weigh it, or count it: the weight to dry it down to follows from that")
    return Fresh(find_produce(read.food), read.amount.mass_g, 0)


def _counted(found: re.Match[str]) -> Fresh:
    count, each = read_count(found["count"]), find_produce(found["food"])
    if not each.unit_g or (found["can"] and each.unit != "can"):
        raise Refused("line", f"Weigh the {each.name}: nobody knows what one of them weighs")
    if count <= 0 or count * each.unit_g > MOST_KG * 1000:
        raise Refused("line", "Write how many there are, such as 12")
    return Fresh(each, count * each.unit_g, count)


def _for_fresh(message: str) -> str:
    return message.replace("10 kg pearl barley", "3 kg leeks").replace("5 cups oats", "12 leeks")
