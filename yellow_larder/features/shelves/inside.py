"""Inside a package, kept or only planned: oxygen, moisture and life over its whole story and on into the future."""

from __future__ import annotations

import math
from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, fields, replace
from datetime import date, timedelta
from typing import Any

import numpy as np
from sqlalchemy.orm import Session

from yellow_larder.core.arrays import Numbers
from yellow_larder.core.days import DAYS_PER_YEAR
from yellow_larder.core.keeping import Ends, Estimate
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.household.larder import Larder, places_in, settings
from yellow_larder.features.packages.events import (
    PackageClosed,
    PackageMoved,
    PackageOpened,
    PackagePacked,
    PackageSealLost,
)
from yellow_larder.features.packages.life import costs_in_all, used_before
from yellow_larder.features.packages.state import PACKAGE, Package
from yellow_larder.features.packing.best_by import WHY
from yellow_larder.features.packing.moisture_course import ABOVE
from yellow_larder.features.packing.pack import contained
from yellow_larder.features.packing.package_course import bests_of, course_elsewhere
from yellow_larder.features.packing.planner import plan_in
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.shelves.ageing import lives_left
from yellow_larder.features.shelves.happenings import SAYS_CLOSED, happening
from yellow_larder.features.shelves.moving import looking_up
from yellow_larder.features.shelves.story import Chapter, Story, chapters_of
from yellow_larder.journal import log
from yellow_larder.journal.database import reading
from yellow_larder.journal.kinds import Happened
from yellow_larder.reference.drying import texture_of
from yellow_larder.words.dates import say_best_by, say_day
from yellow_larder.words.quantities import say_share

_POINTS = 160
_ROUND = np.array([-0.01, 0.0, 0.05, 0.3, 1.0, 2.0, 4.0, 8.0])
"""Days round each beginning on which it is looked at: what is opened has air at once, and packets work within a day."""

_SHORTEST_DAYS, _LONGEST_DAYS = 365.0, 40 * DAYS_PER_YEAR
_BEYOND = 1.12
"""How far the picture goes on: so far beyond its best-by, a year at the least, forty years at the most."""

_TRACE = 0.001
_NOTHING = 0.005
"""A cost smaller than this share is none."""


@dataclass(frozen=True, slots=True)
class InsidePoint:
    """A moment of the story: likely, and the ends of what walls let through and what estimates allow."""

    day: float
    oxygen: float | None
    oxygen_low: float | None
    oxygen_high: float | None
    activity: float | None
    activity_low: float | None
    activity_high: float | None
    left: float
    left_low: float
    left_high: float


@dataclass(frozen=True, slots=True)
class InsideMark:
    """Something that happened, and made it another."""

    day: int
    what: str
    on: str


@dataclass(frozen=True, slots=True)
class Inside:
    """What went on inside a package, and will."""

    says: str
    """What it is like now."""
    cost: str
    """What cost it how much; empty if nothing did yet."""
    then: str
    """What becomes of it."""
    today: int
    points: list[InsidePoint]
    marks: list[InsideMark]
    limit: float | None
    """Water activity at which moisture shows; none where nothing tells."""
    above: str
    """What it does above that."""


def story_in(session: Session, number: int) -> tuple[Story, list[InsideMark]] | None:
    """The story of a package, and what happened in it; none if its food is known no more."""
    places, household = places_in(session), settings(session)
    standing = log.entries(session, "package", number)
    chapters = chapters_of(standing, number, looking_up(places))
    food = all_foods(session).get(chapters[-1].row["food_key"])
    if food is None:
        return None
    makes = (PackagePacked, PackageMoved, PackageOpened, PackageClosed, PackageSealLost)
    marks = []
    for each in standing:
        if isinstance(each.event, makes):
            line = happening(each, places, household.units)
            told = each.event
            day = told.packed_on if isinstance(told, PackagePacked) else told.on
            marks.append(InsideMark(day.toordinal(), line.what, line.on))
    return Story(chapters, food, places, household.estimate), marks


def inside_of(story: Story, marks: Sequence[InsideMark], today: date, *, is_now: Story | None = None) -> Inside:
    """What a story is like in a picture, and in words.

    Args:
        story: the story.
        marks: what happened in it.
        today: the day.
        is_now: what it is in truth, if the story supposes something; none if it does not.
    """
    last = story.chapters[-1].row
    gone = last["gone_on"]
    ends, why = _ends(story, today)
    to = gone.toordinal() if gone else today.toordinal() + min(max(ends * _BEYOND, _SHORTEST_DAYS), _LONGEST_DAYS)
    truth = is_now or story
    left = float(truth.left(np.array([float((gone or today).toordinal())]))[story.estimate][0])
    days = _days(story, today.toordinal(), to)
    texture = texture_of(story.food)
    activity = story.activity(days)
    tells = bool(np.isfinite(activity).any())
    return Inside(
        says=_says(truth, left, today),
        cost=_cost(truth, left, today),
        then="" if gone else _then(story, ends, why, today),
        today=today.toordinal(),
        points=_points(days, story.oxygen(days) * 100, activity, story.left(days), story.estimate),
        marks=list(marks),
        limit=texture.limit if tells else None,
        above=ABOVE[texture.spoils] if tells else "",
    )


def _days(story: Story, today: float, to: float) -> Numbers:
    first = min(story.chapters[0].since, today)
    begins = np.concatenate([chapter.since + _ROUND for chapter in story.chapters])
    days = np.unique(np.concatenate([np.linspace(first, max(to, first + 1), _POINTS), begins, [today]]))
    return days[(days >= first) & (days <= max(to, first + 1))]


def _points(
    days: Numbers, oxygen: Numbers, activity: Numbers, left: Mapping[Estimate, Numbers], estimate: Estimate
) -> list[InsidePoint]:
    lives = np.stack([left[each] for each in (estimate, Estimate.CAUTIOUS, Estimate.HOPEFUL)])
    # The ends of a band are its least and its most, whichever wall or word they come from.
    rows = [days.round(2)]
    for each, digits in ((oxygen, 3), (activity, 4), (lives, 4)):
        rows += [each[0].round(digits), each.min(axis=0).round(digits), each.max(axis=0).round(digits)]
    names = [each.name for each in fields(InsidePoint)]
    found: list[dict[str, Any]] = [
        {name: None if math.isnan(value) else value for name, value in zip(names, row, strict=True)}
        for row in np.stack(rows, axis=1).tolist()
    ]
    return [InsidePoint(**each) for each in found]


def _ends(story: Story, today: date) -> tuple[float, Ends]:
    """In how many days it is over where it stands, as its card says, and what ends it."""
    row = story.chapters[-1].row
    left = float(lives_left([row], story.places, story.estimate, today)[0][0])
    _, course = story.courses[-1]
    if course is None:
        return left, Ends.AGE
    anew = course_elsewhere(Package(**row), story.food, story.places[row["place_id"]])
    assert anew is not None
    used = used_before(Package(**row), story.places)
    return left, bests_of(story.food, anew, used)[story.estimate].ends


def _says(story: Story, left: float, today: date) -> str:
    gone = story.chapters[-1].row["gone_on"]
    now = np.array([float((gone or today).toordinal())])
    oxygen, activity = float(story.oxygen(now)[0, 0]), float(story.activity(now)[0, 0])
    told = []
    if not math.isnan(oxygen):
        told.append(
            f"{say_share(oxygen, 1)} oxygen" if oxygen >= _TRACE else f"less than {say_share(_TRACE, 1)} oxygen"
        )
    if not math.isnan(activity):
        told.append(f"water activity {activity:.2f}")
    life = f"{say_share(left)} of its life left" if _ages(story) else "it does not age while it is dry"
    return f"{'Inside on its last day' if gone else 'Inside now'}: {', '.join([*told, life])}."


def _ages(story: Story) -> bool:
    return story.chapters[-1].row[f"{story.estimate.value}_days"] is not None


def _cost(story: Story, left: float, today: date) -> str:
    """What cost it how much: by place, and apart from that the time that it was open."""
    row = story.chapters[-1].row
    by: dict[tuple[str, bool], list[float]] = defaultdict(lambda: [0.0, 0.0])
    for each, _, share in costs_in_all(row, left, story.estimate, story.places, today):
        found = by[story.places[each.place_id].name, each.opened]
        found[0] += share
        found[1] += each.until - each.since
    told = sorted(((share, days, *where) for where, (share, days) in by.items()), reverse=True)
    said = [
        f"{say_share(share)} {f'open for {days:.0f} days ' if opened else ''}in the {name}"
        for share, days, name, opened in told
        if share >= _NOTHING
    ]
    return f"What it cost: {', '.join(said)}." if said else ""


def _then(story: Story, days: float, ends: Ends, today: date) -> str:
    row = story.chapters[-1].row
    if math.isinf(days):
        return f"It has no end: {WHY[Ends.NOTHING]}."
    by = say_best_by(today + timedelta(days=days), row["packed_on"])
    if days < 0:
        return f"Its best-by is over: {by}."
    return f"Best by {by}: {WHY[ends]}."


def inside_plan(larder: Larder, ask: Ask) -> Inside:
    """What would go on inside one container of a plan, from today on.

    Raises:
        Refused: a field is wrong.
    """
    today = larder.today()
    with reading(larder.engine) as session:
        planned = plan_in(session, ask, now=larder.clock())
        what = contained(session, ask, planned, planned.full, shelf=1, override="")
        places = places_in(session)
        packed = Happened(0, "packed", PackagePacked(what, today))
        row = PACKAGE.step(None, packed, 0, looking_up(places))
        food = all_foods(session)[planned.food.key]
        story = Story([Chapter(today.toordinal(), row)], food, places, settings(session).estimate)
        mark = InsideMark(today.toordinal(), f"Packed {SAYS_CLOSED[what.closing]}", say_day(today))
        return replace(inside_of(story, [mark], today), says="", cost="")
