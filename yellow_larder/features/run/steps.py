"""The run, step by step: labels, setting out, filling, opening the packets, closing, putting away."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace
from datetime import datetime, timedelta

from sqlalchemy.orm import Session

from yellow_larder.core.containers import Closing
from yellow_larder.core.packing import LOOK_DAYS, OUT_MINUTES, batch_size, seconds_each
from yellow_larder.features.household.clock import day_of, on_the_wall
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.lots.lots import CRUMBS_G
from yellow_larder.features.lots.state import Lot
from yellow_larder.features.packages.events import PackagePacked
from yellow_larder.features.packing.pack import check_lot_holds, off_the_lot, stop_overridden
from yellow_larder.features.packing.planner import plan_in
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.run.draws import draws_for, held_after, with_back
from yellow_larder.features.run.events import (
    ContainerClosed,
    Fill,
    Filled,
    LineAdded,
    LineRemoved,
    PacketsOpened,
    PacketsPutBack,
    RunBegun,
    RunDone,
    StepDone,
    Ticked,
)
from yellow_larder.features.run.record import Run, RunPhase, current, is_over, the_run, usual_seconds
from yellow_larder.features.run.run_sheet import MOST_CONTAINERS, MOST_LINES, lay_out, sheet_of, weighed
from yellow_larder.features.run.state import Container
from yellow_larder.features.supplies.events import SupplyUsed
from yellow_larder.features.supplies.stock import Stock, spares_act
from yellow_larder.journal import log
from yellow_larder.journal.database import writing
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.quantities import read_amount

_LEAST_G = 1.0


def add_line(larder: Larder, ask: Ask) -> int:
    """Put what is on the bench on the run sheet; returns the run's number. See `add_lines`."""
    return add_lines(larder, [ask])


def add_lines(larder: Larder, asks: Sequence[Ask]) -> int:
    """Put what was planned on the run sheet, all of it or nothing; returns the run's number.

    Raises:
        Refused: one of them cannot be packed as it is, there are too many, or a run is on already.
    """
    with writing(larder.engine) as session:
        run = current(session)
        if run is not None and run.phase() is not RunPhase.SHEET:
            raise Refused("run", "A run is on: finish it first, then put this on the next sheet")
        lines = dict(run.record.lines) if run else {}
        number = run.number if run else log.next_number(session, "run")
        acts, plans = [], []
        for ask in asks:
            planned = plan_in(session, ask, now=larder.clock())
            stop_overridden(ask, planned)
            if len(lines) >= MOST_LINES:
                raise Refused("run", f"{MOST_LINES} lines are the most for one run: two days' work")
            check_lot_holds(session, ask, planned, promised_g=_promised_g(lines, ask.lot))
            line = max(lines, default=0) + 1
            lines[line] = replace(
                ask,
                line="",
                food=planned.food.key,
                amount=f"{planned.amount_g:.1f} g",
                container=planned.container,
                own_bag="",
                moisture=planned.food.moisture_pct,
            )
            acts.append(log.Act(number, LineAdded(line, lines[line])))
            plans.append(planned)
        first = plans[0]
        title = log.title(
            "run.line" if len(plans) == 1 else "run.lines",
            lines=len(plans),
            count=first.count,
            mass_g=first.full.mass_g,
            name=first.food.name,
        )
        log.record(session, title, acts, at=larder.clock())
    return number


def _promised_g(lines: Mapping[int, Ask], lot: int | None) -> float:
    """What the lines of a sheet take of a lot, g."""
    return sum(read_amount(ask.amount, "amount").mass_g for ask in lines.values() if ask.lot == lot)


def remove_line(larder: Larder, number: int, line: int) -> None:
    """Take a line off the run sheet."""
    with writing(larder.engine) as session:
        run = the_run(session, number)
        run.check(RunPhase.SHEET)
        if line not in run.record.lines:
            raise NotThere("line", "That line is not on the sheet any more")
        log.record(session, log.title("run.line-removed"), [log.Act(number, LineRemoved(line))], at=larder.clock())


def begin(larder: Larder, number: int) -> None:
    """Begin the run: its containers get their numbers, so that labels can be printed before anything is filled.

    Raises:
        Refused: there is nothing on the sheet, or packets must be bought first.
    """
    now = larder.clock()
    with writing(larder.engine) as session:
        run = the_run(session, number)
        run.check(RunPhase.SHEET)
        sheet = sheet_of(session, run.record, now)
        if not sheet.lines:
            raise Refused("run", "There is nothing on the sheet: plan a packing on the bench, and put it here")
        count = sum(line.plan.count for line in sheet.lines)
        if count > MOST_CONTAINERS:
            raise Refused("run", f"{count} containers are two days' work; {MOST_CONTAINERS} are the most for one run")
        if sheet.allotment and any(sheet.allotment.buy):
            raise Refused("packets", "There are not enough absorbers: buy what the sheet says, or count them anew")
        first = log.next_number(session, "package")
        laid = dict(enumerate(lay_out(session, sheet, first), start=1))
        acts = [log.Act(number, RunBegun(now, laid))]
        acts += [log.reserved("package", each.package) for each in laid.values()]
        log.record(session, log.title("run.begun", count=count), acts, at=now)


def labelled(larder: Larder, number: int) -> None:
    """The labels are printed and stuck on."""
    _step(larder, number, RunPhase.LABELS, "labelled", log.title("run.labelled"))


def tick(larder: Larder, number: int, code: str, *, on: bool) -> None:
    """Something of the set-out list lies ready, or no longer does."""
    with writing(larder.engine) as session:
        run = the_run(session, number)
        run.check(RunPhase.SET_OUT)
        if len(code) > 30:
            raise Refused("code", "That is not on the list")
        log.record(session, log.title("run.ticked"), [log.Act(number, Ticked(code, on))], at=larder.clock())


def set_out(larder: Larder, number: int) -> None:
    """Everything lies ready."""
    _step(larder, number, RunPhase.SET_OUT, "set_out", log.title("run.set-out"))


def _step(larder: Larder, number: int, phase: RunPhase, name: str, title: log.Title) -> None:
    now = larder.clock()
    with writing(larder.engine) as session:
        the_run(session, number).check(phase)
        log.record(session, title, [log.Act(number, StepDone(now), name)], at=now)


def fill_one(larder: Larder, number: int, container: int, weight: str) -> None:
    """A container is filled and half-sealed: it holds so much.

    Raises:
        Refused: it is full already, the weight cannot be read, or more than fits.
    """
    with writing(larder.engine) as session:
        run = the_run(session, number)
        run.check(RunPhase.FILL)
        mine = _container(run, container)
        if mine.filled_g is not None:
            raise Refused("container", f"Number {mine.package} is full already; undo that to weigh it anew")
        grams = read_amount(weight, "weight").mass_g
        if grams < _LEAST_G:
            raise Refused("weight", "Write a weight, such as 2.5 kg")
        ask, (food,) = run.record.lines[mine.planned.line], mine.what.contents
        fill = weighed(session, ask, food.food_key, grams, larder.clock())
        acts = [log.Act(number, Filled({container: fill}))]
        log.record(session, log.title("run.filled", number=mine.package, mass_g=grams), acts, at=larder.clock())


def fill_rest(larder: Larder, number: int) -> None:
    """All that are not filled yet hold what was planned."""
    with writing(larder.engine) as session:
        run = the_run(session, number)
        run.check(RunPhase.FILL)
        rest = {n: Fill(each.planned.planned_g) for n, each in run.containers.items() if each.filled_g is None}
        log.record(
            session, log.title("run.filled-rest", count=len(rest)), [log.Act(number, Filled(rest))], at=larder.clock()
        )


def open_packets(larder: Larder, number: int, count: int | None = None) -> None:
    """The packets are opened: the clock starts.

    Args:
        larder: the larder.
        number: the run.
        count: for how many containers; none means as many as can be closed in the time at this pace.

    Raises:
        Refused: there is nothing left to open packets for, or no packets are left.
    """
    now = larder.clock()
    with writing(larder.engine) as session:
        run = the_run(session, number)
        run.check(RunPhase.OPEN)
        usual = usual_seconds(session)
        most = count if count is not None else batch_size(seconds_each(run.took_s(), usual_s=usual))
        if most < 1:
            raise Refused("count", "For one container at the least")
        chosen = run.waiting()[:most]
        draws = draws_for(session, run, chosen)
        held = run.held
        opened = PacketsOpened(
            opening=len(run.record.openings) + 1,
            at=now,
            containers=tuple(chosen),
            before_min=max((held[draw.supply].minutes for draw in draws if draw.from_held), default=0.0),
            usual_s=usual,
            held=held_after(run, draws),
        )
        acts = [log.Act(number, opened)]
        acts += [
            log.Act(draw.supply, SupplyUsed(count=draw.packs, spares=draw.from_spares))
            for draw in draws
            if draw.packs or draw.from_spares
        ]
        log.record(session, log.title("run.opened", count=len(chosen)), acts, at=now)


def close_one(larder: Larder, number: int, container: int, *, note: str = "") -> None:
    """A container is closed: from here on it exists, and its number is taken.

    Raises:
        Refused: it is closed already, perhaps by another screen, or its packets are not out.
    """
    now = larder.clock()
    said = " ".join(note.split())[:120]
    with writing(larder.engine) as session:
        run = the_run(session, number)
        mine = _container(run, container)
        if mine.closed is not None:
            raise Refused(
                "container",
                f"Number {mine.package} was closed already, at {on_the_wall(mine.closed):%H:%M:%S}; it counts once",
            )
        run.check(RunPhase.CLOCK, RunPhase.PLAIN)
        if container not in run.to_close():
            raise Refused("container", f"No absorbers are out for number {mine.package}")
        closed = ContainerClosed(container, now, said)
        if run.clock is not None:
            _, clock = run.clock
            closed = replace(
                closed,
                took_s=run.since_last(now),
                late=is_over(clock.out_s(now)),
                ends=run.to_close() == [container],
            )
        late = closed.late
        remark = "; ".join(each for each in (said, "closed late" if late else "") if each)
        acts = [log.Act(number, closed), _packed(session, run, mine, now, remark)]
        acts += _off_the_lot(session, mine)
        acts += Stock(session).takes([mine.what])
        code = "run.closed-late" if late else "run.closed"
        title = log.title(code, number=mine.package, name=mine.what.contents[0].food_name)
        log.record(session, title, acts, at=now)


def _packed(session: Session, run: Run, mine: Container, now: datetime, note: str) -> log.Act:
    """The package that a closed container is."""
    happenings = log.entries(session, "run", run.number)
    batch = next(each.change_id for each in happenings if isinstance(each.event, RunBegun))
    day = day_of(now)
    looked_over = mine.what.closing in (Closing.ABSORBER, Closing.VACUUM)
    look_due = day + timedelta(days=LOOK_DAYS[0]) if looked_over else None
    return log.Act(mine.package, PackagePacked(mine.what, day, batch, look_due, note))


def _off_the_lot(session: Session, mine: Container) -> list[log.Act]:
    """What it takes off its lot; a lot that gave out a little early stops nobody who stands there with the iron."""
    lot = session.get(Lot, mine.planned.lot) if mine.planned.lot is not None else None
    if lot is None or lot.mass_g < CRUMBS_G:
        return []
    return off_the_lot(session, lot.id, mine.what.contents[0].food_key, mine.what.mass_g)


def put_back(larder: Larder, number: int, count: int | None = None) -> None:
    """What is out goes back into the jar, lid on.

    Args:
        larder: the larder.
        number: the run.
        count: the packets of how many containers, the last first; none means all, and the clock stands.

    Raises:
        Refused: no packets are out, or not for so many.
    """
    now = larder.clock()
    with writing(larder.engine) as session:
        run = the_run(session, number)
        run.check(RunPhase.CLOCK)
        if run.clock is None:
            raise Refused("phase", "No absorbers are out")
        opening, clock = run.clock
        left = run.to_close()
        if count is not None and not 1 <= count <= len(left):
            raise Refused("count", f"Absorbers are out for {len(left)} containers")
        back = left[-count:] if count is not None else left
        stops = now if len(back) == len(left) else None
        on = tuple(n for n in clock.containers if n not in back)
        put = PacketsPutBack(opening, stops, on, with_back(run, back, clock.out_s(now) / 60))
        log.record(session, log.title("run.put-back", count=len(back)), [log.Act(number, put)], at=now)


def finish(larder: Larder, number: int) -> None:
    """The spares are in the jar and everything is put away: the run is done."""
    now = larder.clock()
    with writing(larder.engine) as session:
        run = the_run(session, number)
        run.check(RunPhase.LAST)
        acts = [log.Act(number, RunDone(now))]
        acts += _spares(run, now)
        log.record(session, log.title("run.done", count=len(run.containers)), acts, at=now)


def abandon(larder: Larder, number: int) -> None:
    """The run ends here: what is closed is packed, the rest is not.

    Raises:
        Refused: packets are out; they go back first.
    """
    now = larder.clock()
    with writing(larder.engine) as session:
        run = the_run(session, number)
        if run.phase() is RunPhase.CLOCK:
            raise Refused("phase", "Absorbers are out: put them back into the jar first")
        if run.phase() is RunPhase.DONE:
            raise Refused("phase", "That run is over already")
        acts = [log.Act(number, RunDone(now, broken_off=True))]
        acts += _spares(run, now)
        log.record(session, log.title("run.broken-off"), acts, at=now)


def _spares(run: Run, now: datetime) -> list[log.Act]:
    """What is left over goes to the spares, if it has not been out for too long."""
    return [
        spares_act(supply, held.size_ml, held.count, held.minutes, day_of(now))
        for supply, held in run.held.items()
        if held.minutes <= OUT_MINUTES
    ]


def _container(run: Run, container: int) -> Container:
    mine = run.containers.get(container)
    if mine is None:
        raise NotThere("container", f"There is no container {container} in this run")
    return mine
