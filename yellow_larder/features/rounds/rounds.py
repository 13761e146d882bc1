"""The round: what is due today, what is late, and what comes next, over everything in the house."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import date, datetime, timedelta

import numpy as np
from sqlalchemy.orm import Session

from yellow_larder.core.drying import JarPhase
from yellow_larder.core.food import Food
from yellow_larder.core.packing import LOOK_DAYS
from yellow_larder.features.catalog.events import NewFood, NewMix, NewProduce
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.drying.conditioning import jar_standing
from yellow_larder.features.drying.events import JarRecord, LoadRecord, MachineAdded
from yellow_larder.features.drying.load_state import LoadState, Step
from yellow_larder.features.freeze_drying.events import FreezeLoadRecord
from yellow_larder.features.freeze_drying.loads import Stage, freeze_loads
from yellow_larder.features.freezer.contents import Phase, freezings
from yellow_larder.features.freezer.events import Freezing
from yellow_larder.features.household.backups import SafeCopy, safe_copy
from yellow_larder.features.household.clock import day_of
from yellow_larder.features.household.events import Alarm, Settings
from yellow_larder.features.household.larder import Larder, settings
from yellow_larder.features.lots.lots import CRUMBS_G, LotLeft, lots_left
from yellow_larder.features.packages.state import Package
from yellow_larder.features.packages.text import say_trouble
from yellow_larder.features.places.alarms import SAYS, all_alarms, say_first
from yellow_larder.features.rounds.tasks import Task, TaskKind, When, by_day, by_hour, whole_day
from yellow_larder.features.seeds.germinating import LEAST_TO_SEE, seeds_to_test
from yellow_larder.features.seeds.state import SeedRecord
from yellow_larder.features.shelves.ageing import due_soon
from yellow_larder.features.shelves.inspection import packages_to_see_to
from yellow_larder.features.supplies.state import SupplyRecord
from yellow_larder.features.supplies.view import low_supplies
from yellow_larder.journal import log
from yellow_larder.journal.database import reading
from yellow_larder.words.dates import say_day
from yellow_larder.words.quantities import Units, say_mass
from yellow_larder.words.titles import say_names


@dataclass(frozen=True, slots=True)
class Rounds:
    """Everything that is due, what is late first."""

    day: date
    due: list[Task]
    late: int
    today: int
    ahead: int
    to_do: int
    """What is late, or due today and can be done now: the one figure, along the top and on the page."""


RECORDS = (
    Settings,
    NewFood,
    NewMix,
    NewProduce,
    SupplyRecord,
    MachineAdded,
    Freezing,
    LoadRecord,
    JarRecord,
    FreezeLoadRecord,
    SeedRecord,
)
"""Records that a round looks at."""


def rounds(larder: Larder) -> Rounds:
    """What is due, what is late first."""
    now = larder.clock()
    with reading(larder.engine) as session:
        log.read_records(session, *RECORDS)
        found = _found(session, now, safe_copy(larder, session))
    order = {when: n for n, when in enumerate(When)}
    found.sort(key=lambda it: (order[it.when], it.on, it.at or whole_day(it.on), it.kind, it.number))
    late, today, ahead = (sum(each.when is when for each in found) for when in When)
    return Rounds(day_of(now), found, late, today, ahead, _to_do(found))


def due_now(session: Session, now: datetime, copy: SafeCopy | None) -> int:
    """How many things are late, or due today and can be done now."""
    return _to_do(_found(session, now, copy))


def _to_do(found: Sequence[Task]) -> int:
    return sum(each.when is When.LATE or (each.when is When.TODAY and each.now) for each in found)


def _found(session: Session, now: datetime, copy: SafeCopy | None) -> list[Task]:
    known, units = all_foods(session), settings(session).units
    jars = log.records(session, JarRecord)
    lots = {number: lot for number, lot in lots_left(session).items() if lot.mass_g >= CRUMBS_G}
    seen_to = packages_to_see_to(session, day_of(now) + timedelta(days=LOOK_DAYS[-1]))
    return [
        *_loads(session, now),
        *_freezer(session, now),
        *_freeze_dryer(session, now),
        *_jars(jars, lots, known, units, now),
        *_waiting(jars, lots, known, units, now),
        *_looks(seen_to.due, now),
        *_trouble(seen_to.wrong, now),
        *_alarms(session, now),
        *_supplies(session, now),
        *_seeds(session, now),
        *_eat(session, now),
        *_copy(copy, now),
    ]


def _loads(session: Session, now: datetime) -> Iterator[Task]:
    kinds = {Step.WEIGH: TaskKind.WEIGH, Step.LOOSEN: TaskKind.LOOSEN, Step.TEST: TaskKind.TEST}
    for number, load in log.records(session, LoadRecord).items():
        running = LoadState(session, number, load, now)
        for step in running.to_do():
            food = running.lying[step.item].food
            when = by_hour(step.due, now, timedelta(hours=1))
            yield Task(
                kinds[step.step],
                number,
                step.item,
                step.title,
                f"{running.machine.name}, {running.lying[step.item].produce.cut}",
                day_of(step.due),
                step.due,
                when,
                step.due <= now,
                food.form,
                food.colour,
            )


def _freezer(session: Session, now: datetime) -> Iterator[Task]:
    for each in freezings(session, now):
        out = each.phase in (Phase.COOLING, Phase.HOLDING, Phase.DONE)
        due = each.out_at if out else each.open_at or each.out_at
        yield Task(
            TaskKind.FREEZER_OUT if out else TaskKind.FREEZER_OPEN,
            each.number,
            0,
            f"Take the {each.food} out of the freezer, closed" if out else f"Open the {each.food}, and pack it dry",
            each.says,
            day_of(due),
            due,
            by_hour(due, now, timedelta(days=2)),
            each.phase in (Phase.DONE, Phase.READY),
            each.form,
            each.colour,
        )


def _freeze_dryer(session: Session, now: datetime) -> Iterator[Task]:
    for each in freeze_loads(session, now):
        first = each.items[0]
        names = " and ".join(item.name for item in each.items)
        title = {
            Stage.DRY: f"Take the {names} out of the freeze dryer, and close it at once",
            Stage.OPEN: f"Close up the {names}: it is absorbing moisture from the room",
        }.get(each.stage, f"Weigh the {names} in the freeze dryer{' again' if each.weighed else ''}")
        open_now = each.stage is Stage.OPEN
        yield Task(
            TaskKind.CLOSE_UP if open_now else TaskKind.FREEZE_DRYER,
            each.number,
            0,
            title,
            each.says,
            day_of(each.due),
            each.due,
            by_hour(each.due, now, timedelta(0) if open_now else timedelta(hours=6)),
            open_now or each.due <= now,
            first.form,
            first.colour,
        )


def _jars(
    records: dict[int, JarRecord], lots: dict[int, LotLeft], known: dict[str, Food], units: Units, now: datetime
) -> Iterator[Task]:
    today = day_of(now)
    for number, jar in records.items():
        lot = lots.get(jar.lot)
        if lot is None:
            continue
        food, stands = known[lot.food_key], jar_standing(jar, today)
        jars = f"{jar.jars} jars" if jar.jars > 1 else "a jar"
        detail = f"{say_mass(lot.mass_g, units)} in {jars}"
        if stands.phase is JarPhase.DRYER:
            due = stands.counted_from
            when = by_day(due, today)
            title = f"Dry the {_plain(food)} again: back on the trays"
            yield Task(TaskKind.REDRY, number, 0, title, detail, due, None, when, True, food.form, food.colour)
        elif stands.due is not None:
            due = stands.due
            said = f"{detail}, day {stands.free_days + 1} of {stands.wanted}"
            when = by_day(due, today)
            more = stands.wanted - stands.free_days - 1
            can = stands.due <= today
            title = f"Shake the {_plain(food)}"
            yield Task(
                TaskKind.SHAKE, number, 0, title, said, due, None, when, can, food.form, food.colour, more_days=more
            )


def _waiting(
    records: dict[int, JarRecord], lots: dict[int, LotLeft], known: dict[str, Food], units: Units, now: datetime
) -> Iterator[Task]:
    """What was dried and is in no jar yet."""
    held = {jar.lot for jar in records.values()}
    for number, lot in lots.items():
        if not lot.wants_jar or number in held:
            continue
        food = known[lot.food_key]
        yield Task(
            TaskKind.CONDITION,
            number,
            0,
            f"Put the {_plain(food)} into a jar to condition",
            say_mass(lot.mass_g, units),
            lot.came_on,
            None,
            by_day(lot.came_on, day_of(now)),
            True,
            food.form,
            food.colour,
        )


def _eat(session: Session, now: datetime) -> Iterator[Task]:
    """What has passed its best-by, or will soon: a line for each food."""
    soon = due_soon(session, day_of(now))
    of_food = [np.flatnonzero(soon.food == n) for n in range(len(soon.foods))]
    for food, mine in zip(soon.foods, of_food, strict=True):
        if not len(mine):
            continue
        soonest = mine[np.argmin(soon.days[mine])]
        number = int(soon.number[soonest])
        end = day_of(now) + timedelta(days=int(np.floor(soon.days[soonest])))
        past = bool((soon.days[mine] < 0).any())
        count = f"{len(mine)} package{'s' if len(mine) > 1 else ''}, number {number} first"
        yield Task(
            TaskKind.EAT,
            number,
            0,
            f"Look at the {food.name}: past best-by" if past else f"Eat the {food.name} next",
            count,
            end,
            None,
            by_day(end, day_of(now)),
            end <= day_of(now),
            food.form,
            food.colour,
        )


def _looks(due: Sequence[Package], now: datetime) -> Iterator[Task]:
    """Packages to be looked over, those of one food and one run together."""
    together: dict[tuple[int, str, date], list[Package]] = defaultdict(list)
    for package in due:
        together[package.batch, package.food_name, package.look_due or day_of(now)].append(package)
    for (_, food, day), packages in together.items():
        first = packages[0]
        after = (day - first.packed_on).days
        count = f"{len(packages)} packages" if len(packages) > 1 else "1 package"
        yield Task(
            TaskKind.LOOK,
            first.number,
            0,
            f"Look at the {food}: firm, loose or puffed?",
            f"{count}, number {first.number} first, {after} day{'' if after == 1 else 's'} after closing",
            day,
            None,
            by_day(day, day_of(now)),
            day <= day_of(now),
            first.form,
            first.colour,
        )


def _trouble(wrong: Sequence[Package], now: datetime) -> Iterator[Task]:
    """Packages that were not right when they were looked over: to be seen to on that day."""
    for package in wrong:
        yield Task(
            TaskKind.TROUBLE,
            package.number,
            0,
            f"Number {package.number}, {package.food_name}: not right",
            say_trouble(package.trouble),
            package.stands_since,
            None,
            by_day(package.stands_since, day_of(now)),
            True,
            package.form,
            package.colour,
        )


def _alarms(session: Session, now: datetime) -> Iterator[Task]:
    """Mice, insects or water in a place: a line for each, until it is seen to."""
    for place, seen in all_alarms(session):
        title = f"{place.name}: {SAYS[seen.what]} seen"
        when = by_day(seen.on, day_of(now))
        nth = list(Alarm).index(seen.what)
        yield Task(TaskKind.ALARM, place.id, nth, title, say_first(seen.first), seen.on, None, when, True)


def _supplies(session: Session, now: datetime) -> Iterator[Task]:
    """What to pack with is running low: one line for all."""
    low = low_supplies(session)
    if not low:
        return
    names = ", ".join(f"{name} ({count})" for _, name, count in low[:3]) + (", and more" if len(low) > 3 else "")
    yield Task(TaskKind.SUPPLY, low[0][0], 0, "Running low", names, day_of(now), None, When.TODAY, True)


def _seeds(session: Session, now: datetime) -> Iterator[Task]:
    """Seeds that nobody has tested for a year: one line for all, since all lie on damp paper at once."""
    untested = seeds_to_test(session, day_of(now))
    if not untested:
        return
    names = say_names([record.name for record in untested.values()], most=4)
    detail = f"{names}: {LEAST_TO_SEE} of each on damp paper, in the warmth"
    yield Task(
        TaskKind.SEEDS, next(iter(untested)), 0, "Test what germinates", detail, day_of(now), None, When.TODAY, True
    )


def _copy(copy: SafeCopy | None, now: datetime) -> Iterator[Task]:
    """The newest safe copy is old, or the last could not be kept."""
    if copy is None or not (copy.old or copy.trouble):
        return
    newest = f"The newest is of {say_day(copy.on)}, {copy.days} days old" if copy.on else "There is none yet"
    detail = f"{newest}. {copy.trouble[0].upper()}{copy.trouble[1:]}" if copy.trouble else newest
    yield Task(TaskKind.COPY, 0, 0, "Keep a safe copy of the larder", detail, day_of(now), None, When.TODAY, True)


def _plain(food: Food) -> str:
    """What a dried food is called at the jar, where nobody thinks of it fresh."""
    return food.name.removeprefix("dried ")
