"""What goes on inside a package that is kept, and would, if something were done with it now."""

from __future__ import annotations

from dataclasses import dataclass, replace
from enum import StrEnum

from sqlalchemy.orm import Session

from yellow_larder.core.containers import Closing
from yellow_larder.features.catalog.containers import container_by_key
from yellow_larder.features.household.larder import Larder, find_place, settings
from yellow_larder.features.household.state import Place
from yellow_larder.features.packages.events import PackageClosed, PackageOpened
from yellow_larder.features.packages.find import find_package
from yellow_larder.features.packages.state import PACKAGE, Package
from yellow_larder.features.packing.request import Opened
from yellow_larder.features.shelves.inside import Inside, InsideMark, inside_of, story_in
from yellow_larder.features.shelves.moving import looking_up, row_there
from yellow_larder.features.shelves.story import Chapter, Story
from yellow_larder.features.using.in_hand import held_on
from yellow_larder.features.using.opening import Reclosing, check_safe, closed_in, opened
from yellow_larder.journal.database import reading
from yellow_larder.journal.kinds import Happened, Row
from yellow_larder.words.errors import NotThere, Refused


class WhatIf(StrEnum):
    """What could be done with a package now."""

    NOTHING = "as it is"
    WEEKLY = "opened once a week"
    DAILY = "opened every day"
    ABSORBERS = "closed with fresh absorbers"
    VACUUM = "closed under vacuum"


@dataclass(frozen=True, slots=True)
class InsideIf:
    """What goes on inside a package, and would.

    Attributes:
        inside: the picture.
        asks: what could be done with it, the first nothing; only that if it is gone.
    """

    inside: Inside
    asks: list[WhatIf]


_CLOSES = {WhatIf.ABSORBERS: Closing.ABSORBER, WhatIf.VACUUM: Closing.VACUUM}
_OPENS = {WhatIf.WEEKLY: Opened.WEEKLY, WhatIf.DAILY: Opened.DAILY}


def see_inside(larder: Larder, number: int, *, place: int | None = None, what_if: WhatIf = WhatIf.NOTHING) -> InsideIf:
    """What went on inside a package, and will, if it stays as it is or something is done with it today.

    Args:
        larder: the larder.
        number: which.
        place: where it would stand from today; none means where it is.
        what_if: what would be done with it.

    Raises:
        NotThere: there never was one, its food is known no more, or the place is not there.
        Refused: it is gone, or must not be closed so.
    """
    with reading(larder.engine) as session:
        package = find_package(session, number)
        found = story_in(session, number)
        if found is None:
            raise NotThere("number", f"The table knows no {package.food_name} any more")
        story, marks = found
        today = larder.today()
        if package.gone_on is not None:
            return InsideIf(inside_of(story, marks, today), [WhatIf.NOTHING])
        row, supposed = _row_then(session, larder, story, place, what_if), story
        if row is not story.chapters[-1].row:
            before = [each for each in story.chapters if each.since < today.toordinal()]
            supposed = replace(story, chapters=[*before, Chapter(today.toordinal(), row)])
            marks = [*marks, InsideMark(today.toordinal(), _says(what_if, place, story.places), "today, if")]
        container = container_by_key(row["container_key"])
        asks = [each for each in WhatIf if each not in _CLOSES or _CLOSES[each] in container.closings]
        return InsideIf(inside_of(supposed, marks, today, is_now=story), asks)


def _row_then(session: Session, larder: Larder, story: Story, place: int | None, what_if: WhatIf) -> Row:
    """The package as it would be if it were carried to a place, and something were done with it there."""
    row, today = story.chapters[-1].row, larder.today()
    if place is not None and place != row["place_id"]:
        row = row_there(session, row, find_place(session, place), today)
    if what_if is WhatIf.NOTHING:
        return row
    held = held_on(Package(**row), story.food, story.places, settings(session), today)
    if what_if in _OPENS:
        happened = Happened(0, "opened", PackageOpened(today, opened(held, _OPENS[what_if])))
    else:
        closing = _CLOSES[what_if]
        if closing not in held.container.closings:
            raise Refused("what_if", "It is not closed that way")
        what, course = closed_in(session, larder, held, held.container, Reclosing(closing), held.package.mass_g)
        check_safe(held, course, what, conditioned=True)
        happened = Happened(0, "closed again", PackageClosed(today, what))
    return PACKAGE.step(row, happened, row["number"], looking_up(story.places))


def _says(what_if: WhatIf, place: int | None, places: dict[int, Place]) -> str:
    where = f"moved to {places[place].name}" if place is not None else ""
    told = [each for each in (where, "" if what_if is WhatIf.NOTHING else what_if.value) if each]
    says = ", ".join(told)
    return f"{says[0].upper()}{says[1:]}"
