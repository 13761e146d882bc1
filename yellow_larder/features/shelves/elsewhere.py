"""What if a package stood elsewhere: how long it would last from today in each of the other places."""

from __future__ import annotations

import math
from dataclasses import dataclass
from datetime import timedelta

from yellow_larder.core.days import say_span
from yellow_larder.features.household.larder import Larder, places_in, places_in_use, settings
from yellow_larder.features.packages.find import find_kept
from yellow_larder.features.packages.state import row_of
from yellow_larder.features.shelves.ageing import lives_left
from yellow_larder.features.shelves.moving import row_there
from yellow_larder.journal.database import reading
from yellow_larder.words.dates import say_best_by

SAME_DAYS = 7
"""A difference of less than this is none. Source: our judgement."""


@dataclass(frozen=True, slots=True)
class Elsewhere:
    """How long a package would last in another place.

    Attributes:
        place: which.
        name: what it is called.
        best_by: until when, in words.
        difference: how much longer or less long than where it stands, in words.
        longer: whether it is longer.
    """

    place: int
    name: str
    best_by: str
    difference: str
    longer: bool


def elsewhere(larder: Larder, number: int) -> list[Elsewhere]:
    """How long a package would last from today in each of the other places, longest first.

    Raises:
        NotThere: there never was one.
        Refused: it has left the shelves.
    """
    today = larder.today()
    with reading(larder.engine) as session:
        package = find_kept(session, number)
        places, estimate = places_in(session), settings(session).estimate
        here, found = row_of(package), []
        stays = float(lives_left([here], places, estimate, today)[0][0])
        for place in places_in_use(session).values():
            if place.id == package.place_id:
                continue
            there = row_there(session, here, place, today)
            days = float(lives_left([there], places, estimate, today)[0][0])
            by = say_best_by(None if math.isinf(days) else today + timedelta(days=days), package.packed_on)
            found.append((days, Elsewhere(place.id, place.name, by, _difference(days, stays), days > stays)))
    return [each for _, each in sorted(found, key=lambda each: -each[0])]


def _difference(days: float, stays: float) -> str:
    if days == stays or abs(days - stays) < SAME_DAYS:
        return "as long as here"
    if math.isinf(days) or math.isinf(stays):
        return "longer than here" if days > stays else "less long than here"
    return f"{say_span(abs(days - stays))} {'longer' if days > stays else 'less'}"
