"""What went on inside a package, and will: its oxygen, water activity and life, over all that happened to it."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import date
from functools import cached_property

import numpy as np

from yellow_larder.core.arrays import Numbers
from yellow_larder.core.food import Food
from yellow_larder.core.keeping import Course, Estimate
from yellow_larder.features.household.state import Place
from yellow_larder.features.packages.events import PackageCalculated, PackageCorrected, PackageSealLost, PackageWeighed
from yellow_larder.features.packages.state import PACKAGE, Package
from yellow_larder.features.packing.package_course import carried, course_elsewhere
from yellow_larder.features.shelves.ageing import lives_left
from yellow_larder.journal import log
from yellow_larder.journal.kinds import Happened, LookUp, Row

WALLS = 3
"""Rows of a course: the middle of what a wall lets through, the tightest, the leakiest."""


@dataclass(frozen=True, slots=True)
class Chapter:
    """A time from a day on in which a package stood in one place, closed in one way.

    Attributes:
        since: the day it began, as a day number.
        row: the package as it stood then.
    """

    since: int
    row: Row


def chapters_of(standing: Iterable[log.Happening], number: int, look_up: LookUp) -> list[Chapter]:
    """What a package was, from each day on that made it another; what was found out later counts from when it was."""
    found: list[Chapter] = []
    row: Row | None = None
    for each in standing:
        told = each.event
        new = PACKAGE.step(row, Happened(0, each.act, told), number, look_up)
        if row is None:
            found = [Chapter(new["packed_on"].toordinal(), new)]
        elif isinstance(told, PackageSealLost | PackageCorrected | PackageWeighed):
            found = _found_out(found, new)
        elif not isinstance(told, PackageCalculated) and any(row[name] != new[name] for name in _MAKES_ANOTHER):
            since = getattr(told, "on").toordinal()  # noqa: B009
            found = [*(chapter for chapter in found if chapter.since < since), Chapter(since, new)]
        else:
            found[-1] = replace(found[-1], row=new)
        row = new
    return found


_MAKES_ANOTHER = ("place_id", "closing", "closed", "closed_on", "container_key")
_OF_THE_PLACE = ("place_id", "shelf")
_OF_ITS_LIFE = tuple(f"{estimate.value}_{what}" for estimate in Estimate for what in ("days", "most", "had"))


def _found_out(found: Sequence[Chapter], new: Row) -> list[Chapter]:
    """What was found out later was so since it was closed as it is, wherever it has stood since then."""
    since = new["closed_on"].toordinal()
    if new["packed_on"] != found[-1].row["packed_on"]:
        # Only what nothing else has happened to can have been packed on another day.
        return [Chapter(since, new)]
    before = [chapter for chapter in found if chapter.since < since]
    after = found[len(before) :]
    if before and (not after or after[0].since > since):
        after = [Chapter(since, before[-1].row), *after]
    # Without its seal it has another life; with less in it than was thought it has the one that it had in each place.
    lost = new["closed_on"] != found[-1].row["closed_on"]
    own = _OF_THE_PLACE if lost else (*_OF_THE_PLACE, *_OF_ITS_LIFE)
    there = [replace(each, row=new | {name: each.row[name] for name in own}) for each in after[:-1]]
    return [*before, *there, replace(after[-1], row=new)]


@dataclass(frozen=True)
class Story:
    """All that went on and will go on in a package.

    Attributes:
        chapters: what it was and will be, the first first.
        food: what is in it.
        places: the places of the household.
        estimate: the household's.
    """

    chapters: Sequence[Chapter]
    food: Food
    places: dict[int, Place]
    estimate: Estimate

    @cached_property
    def courses(self) -> list[tuple[int, Course | None]]:
        """What becomes of it in each chapter, and the day from which that is counted; none if nobody wrote it down."""
        found: list[tuple[int, Course | None]] = []
        for chapter in self.chapters:
            row, place = chapter.row, self.places[chapter.row["place_id"]]
            course = course_elsewhere(Package(**row), self.food, place)
            begun = int(row["closed_on"].toordinal())
            since, before = found[-1] if found else (begun, None)
            if course is not None and before is not None and begun < chapter.since:
                course = carried(course, before, chapter.since - since)
                begun = chapter.since
            found.append((begun, course))
        return found

    def _parts(self, days: Numbers) -> Iterable[tuple[int, slice]]:
        """Which of some days, in order, lie in which chapter."""
        starts = np.searchsorted(days, [chapter.since for chapter in self.chapters], side="left")
        ends = [*starts[1:].tolist(), len(days)]
        for n, (start, end) in enumerate(zip(starts.tolist(), ends, strict=True)):
            yield n, slice(0 if n == 0 else start, end)

    def oxygen(self, days: Numbers) -> Numbers:
        """Share of oxygen on some days, in order: a row for each wall; not a number where nothing tells."""
        found = np.full((WALLS, len(days)), np.nan)
        for n, part in self._parts(days):
            begun, course = self.courses[n]
            if course is not None:
                found[:, part] = course.oxygen(np.maximum(days[part] - begun, 0.0))
        return found

    def activity(self, days: Numbers) -> Numbers:
        """Water activity on some days, in order: a row for each wall; not a number where nothing tells."""
        found = np.full((WALLS, len(days)), np.nan)
        for n, part in self._parts(days):
            begun, course = self.courses[n]
            if course is not None and course.moisture is not None:
                found[:, part] = course.moisture.after(np.maximum(days[part] - begun, 0.0))
        return found

    def left(self, days: Numbers) -> Mapping[Estimate, Numbers]:
        """The share of its life that it has left on some days, in order, by estimate: what its card says then."""
        rows = [_on(self.chapters[n].row, int(day)) for n, part in self._parts(days) for day in days[part]]
        today = date.fromordinal(int(days[-1]))
        return {estimate: lives_left(rows, self.places, estimate, today)[1] for estimate in Estimate}


def _on(row: Row, day: int) -> Row:
    """A package as it stood on a day: nothing that came later counts."""
    past = [each | {"until": min(each["until"], day)} for each in row["past"] or () if each["since"] < day]
    return row | {"past": past or None, "gone_on": date.fromordinal(max(day, 1))}
