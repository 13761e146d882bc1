"""The containers that are offered first: those the house has most of, or else those of its measures."""

from __future__ import annotations

from collections import Counter

from sqlalchemy.orm import Session

from yellow_larder.core.containers import Kind
from yellow_larder.features.catalog.containers import USUAL, container_by_key
from yellow_larder.features.household.larder import settings
from yellow_larder.features.supplies.state import SupplyRecord
from yellow_larder.features.supplies.stock import SORT_OF
from yellow_larder.journal import log

_FIRST = (Kind.BAG, Kind.JAR, Kind.LINED_PAIL)


def usual_containers(session: Session) -> tuple[str, ...]:
    """The keys of a bag, a jar and a pail with liner: of each sort what there is most of in the supplies."""
    units = settings(session).units
    there: Counter[str] = Counter()
    for supply in log.records(session, SupplyRecord).values():
        if supply.sort in SORT_OF.values():
            there[supply.key] += supply.count
    most: dict[Kind, str] = {}
    for key, count in there.most_common():
        if count:
            most.setdefault(container_by_key(key).kind, key)
    return tuple(most.get(kind, USUAL[kind][units]) for kind in _FIRST)


def usual_container(session: Session) -> str:
    """The key of the container that is meant where none is named."""
    return usual_containers(session)[0]
