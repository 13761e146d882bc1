"""The run, step by step: labels, setting out, filling, opening the packets, closing, putting away."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Sequence
from dataclasses import asdict, dataclass, replace
from datetime import datetime, timedelta
from typing import Any

from sqlalchemy.orm import Session

from yellow_larder.core.containers import Closing
from yellow_larder.core.packing import LOOK_DAYS, OUT_MINUTES, batch_size, seconds_each
from yellow_larder.features.household.clock import day_of, on_the_wall
from yellow_larder.features.household.larder import Larder, settings
from yellow_larder.features.lots.lots import CRUMBS_G
from yellow_larder.features.packing.pack import check_lot_holds, off_the_lot, stop_overridden
from yellow_larder.features.packing.planner import plan_in
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.run.record import Run, RunPhase, current, is_over, the_run, usual_seconds
from yellow_larder.features.run.run_sheet import MOST_CONTAINERS, MOST_LINES, lay_out, read_ask, sheet_of, weighed
from yellow_larder.features.supplies.stock import EXTRAS_MINUTES, Stock, spares_act
from yellow_larder.journal import log
from yellow_larder.journal.database import writing
from yellow_larder.journal.projections import LASTS
from yellow_larder.journal.tables import Lot
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.quantities import read_amount, say_mass

_LEAST_G = 1.0

_NO_END = dict.fromkeys(LASTS)
"""Of food that keeps without end, whose days a patch leaves out."""


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
        lines = dict(run.facts.get("lines", {})) if run else {}
        number = run.number if run else log.next_number(session, "run")
        acts, said = [], []
        for ask in asks:
            planned = plan_in(session, ask, now=larder.clock())
            stop_overridden(ask, planned)
            if len(lines) >= MOST_LINES:
                raise Refused("run", f"{MOST_LINES} lines are the most for one run: two days' work")
            check_lot_holds(session, ask, planned, promised_g=_promised_g(lines, ask.lot))
            line = str(max((int(n) for n in lines), default=0) + 1)
            asked = asdict(replace(ask, line="", food=planned.food.key, amount=f"{planned.amount_g:.1f} g"))
            asked["moisture"] = planned.food.moisture_pct
            lines[line] = _kept(asked)
            acts.append(log.Act("run", number, "line", {"lines": {line: lines[line]}}))
            said.append(f"{planned.count} × {planned.full.mass} {planned.food.name}")
        title = said[0] if len(said) == 1 else f"{len(said)} lines, {said[0]} first"
        log.record(session, f"On the run sheet: {title}", acts, at=larder.clock())
    return number


def _promised_g(lines: dict[str, Any], lot: int | None) -> float:
    """What the lines of a sheet take of a lot, g."""
    asked = [dict(line["ask"]) for line in lines.values()]
    return sum(read_amount(each["amount"], "amount").mass_g for each in asked if each.get("lot") == lot)


def _kept(asked: dict[str, Any]) -> dict[str, Any]:
    """An ask for the record: what is not said stays said so, though a patch cannot hold nothing."""
    return {"ask": [[name, value] for name, value in asked.items()]}


def remove_line(larder: Larder, number: int, line: int) -> None:
    """Take a line off the run sheet."""
    with writing(larder.engine) as session:
        run = the_run(session, number)
        run.check(RunPhase.SHEET)
        if str(line) not in run.facts.get("lines", {}):
            raise NotThere("line", "That line is not on the sheet any more")
        acts = [log.Act("run", number, "line off", {"lines": {str(line): None}})]
        log.record(session, "Took a line off the run sheet", acts, at=larder.clock())


def begin(larder: Larder, number: int) -> None:
    """Begin the run: its containers get their numbers, so that labels can be printed before anything is filled.

    Raises:
        Refused: there is nothing on the sheet, or packets must be bought first.
    """
    now = larder.clock()
    with writing(larder.engine) as session:
        run = the_run(session, number)
        run.check(RunPhase.SHEET)
        sheet = sheet_of(session, run.facts, now)
        if not sheet.lines:
            raise Refused("run", "There is nothing on the sheet: plan a packing on the bench, and put it here")
        count = sum(line.plan.count for line in sheet.lines)
        if count > MOST_CONTAINERS:
            raise Refused("run", f"{count} containers are two days' work; {MOST_CONTAINERS} are the most for one run")
        if sheet.allotment and any(sheet.allotment.buy):
            raise Refused("packets", "There are not enough packets: buy what the sheet says, or count them anew")
        first = log.next_number(session, "package")
        containers = lay_out(session, sheet, now, first)
        laid = {str(n): each for n, each in enumerate(containers, start=1)}
        acts = [log.Act("run", number, "begun", {"began": now.isoformat(), "containers": laid})]
        acts += [log.Act("package", each["package"], log.RESERVED, {}) for each in containers]
        log.record(session, f"Began a run of {count} containers", acts, at=now)


def labelled(larder: Larder, number: int) -> None:
    """The labels are printed and stuck on."""
    _step(larder, number, RunPhase.LABELS, "labelled", "Labels stuck on")


def tick(larder: Larder, number: int, code: str, *, on: bool) -> None:
    """Something of the set-out list lies ready, or no longer does."""
    with writing(larder.engine) as session:
        run = the_run(session, number)
        run.check(RunPhase.SET_OUT)
        if len(code) > 30:
            raise Refused("code", "That is not on the list")
        acts = [log.Act("run", number, "ticked", {"ticks": {code: True if on else None}})]
        log.record(session, "Set out for the run", acts, at=larder.clock())


def set_out(larder: Larder, number: int) -> None:
    """Everything lies ready."""
    _step(larder, number, RunPhase.SET_OUT, "set_out", "All is set out")


def _step(larder: Larder, number: int, phase: RunPhase, name: str, title: str) -> None:
    now = larder.clock()
    with writing(larder.engine) as session:
        the_run(session, number).check(phase)
        acts = [log.Act("run", number, name, {name: now.isoformat()})]
        log.record(session, title, acts, at=now)


def fill_one(larder: Larder, number: int, container: int, weight: str) -> None:
    """A container is filled and half-sealed: it holds so much.

    Raises:
        Refused: it is full already, the weight cannot be read, or more than fits.
    """
    with writing(larder.engine) as session:
        run = the_run(session, number)
        run.check(RunPhase.FILL)
        mine = _container(run, container)
        if "filled_g" in mine:
            raise Refused("container", f"Number {mine['package']} is full already; take that back to weigh it anew")
        grams = read_amount(weight, "weight").mass_g
        if grams < _LEAST_G:
            raise Refused("weight", "Write a weight, such as 2.5 kg")
        facts, need = _anew(session, run, mine, grams, larder.clock())
        patch = {"filled_g": grams, "facts": facts, "need_ml": need}
        said = say_mass(grams, settings(session).units)
        acts = [log.Act("run", number, "filled", {"containers": {str(container): patch}})]
        log.record(session, f"Filled number {mine['package']}: {said}", acts, at=larder.clock())


def _anew(
    session: Session, run: Run, mine: dict[str, Any], grams: float, now: datetime
) -> tuple[dict[str, Any], float]:
    ask = read_ask(run.facts["lines"][str(mine["line"])])
    return weighed(session, ask, mine["facts"]["food_key"], grams, now)


def fill_rest(larder: Larder, number: int) -> None:
    """All that are not filled yet hold what was planned."""
    with writing(larder.engine) as session:
        run = the_run(session, number)
        run.check(RunPhase.FILL)
        rest = {str(n): {"filled_g": each["planned_g"]} for n, each in run.containers.items() if "filled_g" not in each}
        acts = [log.Act("run", number, "filled", {"containers": rest})]
        log.record(session, f"Filled {len(rest)} as planned", acts, at=larder.clock())


@dataclass(frozen=True, slots=True)
class Draw:
    """Packets that an opening takes: from the jar of this run, from stock's spares, from fresh packs."""

    supply: int
    size_ml: int
    from_held: int
    from_spares: int
    packs: int
    extras: int


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
        before = max((held[draw.supply]["minutes"] for draw in draws if draw.from_held), default=0.0)
        opening = {"at": now.isoformat(), "for": chosen, "before_min": before, "usual_s": usual}
        patch: dict[str, Any] = {"openings": {str(len(run.openings) + 1): opening}, "held": _held_after(run, draws)}
        acts = [log.Act("run", number, "opened", patch)]
        acts += [
            log.Act("supply", draw.supply, "used", {"count": draw.packs, "spares": draw.from_spares})
            for draw in draws
            if draw.packs or draw.from_spares
        ]
        log.record(session, f"Opened packets for {len(chosen)} containers", acts, at=now)


def _held_after(run: Run, draws: list[Draw]) -> dict[str, Any]:
    held = run.held
    found: dict[str, Any] = {}
    for draw in draws:
        there = held.get(draw.supply, {"count": 0, "minutes": 0.0, "size_ml": draw.size_ml})
        left = there["count"] - draw.from_held + draw.extras
        minutes = max(
            there["minutes"] if there["count"] > draw.from_held else 0.0, EXTRAS_MINUTES if draw.extras else 0.0
        )
        if left or there["count"]:
            found[str(draw.supply)] = {"count": left, "minutes": minutes, "size_ml": draw.size_ml}
    return found


def draws_for(session: Session, run: Run, chosen: list[int]) -> list[Draw]:
    """Where the packets for some containers come from.

    Raises:
        Refused: there are not enough left.
    """
    wanted: dict[tuple[int, int, bool], int] = defaultdict(int)
    containers = run.containers
    for n in chosen:
        for supply, size, count, spare in containers[n]["packets"]:
            if supply is not None:
                wanted[supply, size, spare] += count
    supplies, held = Stock(session).records, run.held
    found: dict[int, Draw] = {}
    for (supply, size, spare), count in sorted(wanted.items()):
        facts = supplies.get(supply)
        if facts is None:
            raise NotThere("packets", f"The {size} mL packets are not among the supplies any more")
        before = found.get(supply, Draw(supply, size, 0, 0, 0, 0))
        jar = held.get(supply, {"count": 0, "minutes": 0.0})
        # What has been out for too long is not used again.
        usable = jar["count"] - before.from_held if jar["minutes"] < OUT_MINUTES else 0
        from_held = min(count, max(0, usable))
        from_spares = min(count - from_held, facts["spares"] - before.from_spares) if spare else 0
        fresh = count - from_held - from_spares
        packs = -(-fresh // facts["per_pack"])
        if packs > facts["count"] - before.packs:
            raise Refused("packets", f"Out of {size} mL packets: count them anew under Supplies, or buy more")
        extras = packs * facts["per_pack"] - fresh
        found[supply] = Draw(
            supply,
            size,
            before.from_held + from_held,
            before.from_spares + from_spares,
            before.packs + packs,
            before.extras + extras,
        )
    return list(found.values())


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
        if "closed" in mine:
            at = datetime.fromisoformat(mine["closed"])
            raise Refused(
                "container",
                f"Number {mine['package']} was closed already, at {on_the_wall(at):%H:%M:%S}; it counts once",
            )
        run.check(RunPhase.CLOCK, RunPhase.PLAIN)
        if container not in run.to_close():
            raise Refused("container", f"No packets are out for number {mine['package']}")
        clock = run.clock
        patch: dict[str, Any] = {"closed": now.isoformat(), "note": said or None}
        change: dict[str, Any] = {"containers": {str(container): patch}}
        late = False
        if clock is not None:
            late = is_over(clock.out_s(now))
            patch |= {"took_s": run.since_last(now), "late": late or None}
            if run.to_close() == [container]:
                change["openings"] = {str(clock.number): {"ended": now.isoformat()}}
        remark = "; ".join(each for each in (said, "closed late" if late else "") if each)
        acts = [log.Act("run", number, "closed", change), _packed(session, run, mine, now, remark)]
        acts += _off_the_lot(session, mine)
        acts += Stock(session).takes([mine["facts"]])
        title = f"Closed number {mine['package']}, {mine['facts']['food_name']}"
        log.record(session, title + (" (late)" if late else ""), acts, at=now)


def _packed(session: Session, run: Run, mine: dict[str, Any], now: datetime, note: str) -> log.Act:
    """The package that a closed container is."""
    begun = next(entry for entry, _ in log.entries(session, "run", run.number) if entry.act == "begun")
    facts = _NO_END | mine["facts"] | {"packed_on": day_of(now).isoformat(), "batch": begun.change_id}
    if note:
        facts["note"] = note
    if facts["closing"] in (Closing.ABSORBER, Closing.VACUUM):
        facts["look_due"] = (day_of(now) + timedelta(days=LOOK_DAYS[0])).isoformat()
    return log.Act("package", mine["package"], "packed", facts)


def _off_the_lot(session: Session, mine: dict[str, Any]) -> list[log.Act]:
    """What it takes off its lot; a lot that gave out a little early stops nobody who stands there with the iron."""
    lot = session.get(Lot, mine["lot"]) if "lot" in mine else None
    if lot is None or lot.mass_g < CRUMBS_G:
        return []
    return off_the_lot(session, lot.id, mine["facts"]["food_key"], mine["facts"]["mass_g"])


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
        clock = run.clock
        if clock is None:
            raise Refused("phase", "No packets are out")
        left = run.to_close()
        if count is not None and not 1 <= count <= len(left):
            raise Refused("count", f"Packets are out for {len(left)} containers")
        back = left[-count:] if count is not None else left
        if len(back) == len(left):
            opening: dict[str, Any] = {"ended": now.isoformat()}
        else:
            opening = {"for": [n for n in clock.for_ if n not in back]}
        patch = {"openings": {str(clock.number): opening}, "held": _with_back(run, back, clock.out_s(now) / 60)}
        title = f"Packets for {len(back)} back into the jar"
        log.record(session, title, [log.Act("run", number, "put back", patch)], at=now)


def _with_back(run: Run, containers: list[int], minutes: float) -> dict[str, Any]:
    """The jar of this run once the packets of some containers are back in it, after so many minutes out."""
    held: dict[str, Any] = {}
    laid, before = run.containers, run.held
    for n in containers:
        for supply, size, count, _ in laid[n]["packets"]:
            if supply is None:
                continue
            there = held.get(str(supply)) or before.get(supply) or {"count": 0, "minutes": 0.0}
            most = max(there["minutes"], minutes)
            held[str(supply)] = {"count": there["count"] + count, "minutes": most, "size_ml": size}
    return held


def finish(larder: Larder, number: int) -> None:
    """The spares are in the jar and everything is put away: the run is done."""
    now = larder.clock()
    with writing(larder.engine) as session:
        run = the_run(session, number)
        run.check(RunPhase.LAST)
        acts = [log.Act("run", number, "done", {"done": now.isoformat()})]
        acts += _spares(run, now)
        log.record(session, f"Packed {len(run.containers)} containers in a run", acts, at=now)


def abandon(larder: Larder, number: int) -> None:
    """The run ends here: what is closed is packed, the rest is not.

    Raises:
        Refused: packets are out; they go back first.
    """
    now = larder.clock()
    with writing(larder.engine) as session:
        run = the_run(session, number)
        if run.phase() is RunPhase.CLOCK:
            raise Refused("phase", "Packets are out: put them back into the jar first")
        if run.phase() is RunPhase.DONE:
            raise Refused("phase", "That run is over already")
        acts = [log.Act("run", number, "done", {"done": now.isoformat(), "broken_off": True})]
        acts += _spares(run, now)
        log.record(session, "Broke the run off", acts, at=now)


def _spares(run: Run, now: datetime) -> list[log.Act]:
    """What is left over goes to the spares, if it has not been out for too long."""
    return [
        spares_act(supply, held["size_ml"], held["count"], held["minutes"], day_of(now))
        for supply, held in run.held.items()
        if held["minutes"] <= OUT_MINUTES
    ]


def _container(run: Run, container: int) -> dict[str, Any]:
    mine = run.containers.get(container)
    if mine is None:
        raise NotThere("container", f"There is no container {container} in this run")
    return mine
