"""The run as the screen shows it: one large step at a time."""

from __future__ import annotations

from collections import Counter
from dataclasses import dataclass
from datetime import datetime, timedelta

from sqlalchemy.orm import Session

from yellow_larder.core.air import MARGIN
from yellow_larder.core.containers import Closing, Kind, Mouth
from yellow_larder.core.errors import Refusal
from yellow_larder.core.finding import Severity
from yellow_larder.core.packing import OUT_MINUTES, RunForecast, batch_size, seconds_each
from yellow_larder.features.catalog.containers import Drawing, called, container_by_key, drawing
from yellow_larder.features.household.clock import Moment
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder, settings
from yellow_larder.features.household.state import Place
from yellow_larder.features.packing.plan import PacketShape
from yellow_larder.features.run.allotment import packs_of, say_ways, to_buy
from yellow_larder.features.run.draws import draws_for
from yellow_larder.features.run.record import Run, RunPhase, current, is_over, the_run, usual_seconds
from yellow_larder.features.run.run_sheet import Sheet, by_size, packets_of, sheet_of, short_of_containers
from yellow_larder.features.run.state import Container
from yellow_larder.features.supplies.stock import Stock, say_packs
from yellow_larder.journal import log
from yellow_larder.journal.database import reading
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import say_dial, say_mass, say_off
from yellow_larder.words.refusals import in_words

_IRON_C = 175.0
"""How hot an iron seals film. Source: common practice, 350 °F."""

_IRON = "Hot irons burn: keep the cable out of the way and children off the table."
_NOT_FOOD = "Absorbers are not food. Keep them from children and animals."


@dataclass(frozen=True, slots=True)
class RunLine:
    """A line of the sheet."""

    number: int
    food: str
    form: str
    colour: str
    says: str
    packets: str
    place: str
    draw: Drawing
    level: float
    count: int
    stop: str
    """The stop that was overridden for it; empty if there was none."""


@dataclass(frozen=True, slots=True)
class Ready:
    """Something that must lie ready before a packet is opened."""

    code: str
    says: str
    why: str
    done: bool


@dataclass(frozen=True, slots=True)
class RunContainer:
    """A container of the run."""

    n: int
    number: int
    food: str
    form: str
    colour: str
    container: str
    draw: Drawing
    level: float
    planned_g: float
    planned: str
    filled_g: float | None
    filled: str
    off: str
    """How far it is off what was planned; empty if it is not."""
    packets: str
    packet_sizes: list[PacketShape]
    short: str
    """What its packets lack since it was filled otherwise than planned; empty if nothing."""
    closed: bool
    closed_at: Moment | None
    late: bool
    note: str
    out: bool
    """Whether packets are out for it."""
    place: str


@dataclass(frozen=True, slots=True)
class Clock:
    """The clock: packets are out."""

    opened_at: Moment
    out_s: float
    left_s: float
    over: bool
    closed: int
    of: int
    next: int | None
    each_s: float
    put_back: int
    done_at: Moment
    says: str
    tone: Severity


@dataclass(frozen=True, slots=True)
class NextOpening:
    """What the next opening is for."""

    waiting: int
    suggested: int
    each_s: float
    says: str
    open: list[str]
    """What to open, for the suggested number."""


@dataclass(frozen=True, slots=True)
class RunView:
    """Everything the run shows."""

    number: int
    phase: RunPhase
    now: Moment
    lines: list[RunLine]
    containers: list[RunContainer]
    packs: list[str]
    """What the packets of the whole sheet take from the supplies."""
    buy: list[str]
    short: list[str]
    """Containers that the supplies are short of."""
    wrong: str
    """Why it cannot begin; empty if it can."""
    ready: list[Ready]
    batch: NextOpening | None
    clock: Clock | None
    spares: list[str]
    cautions: list[str]
    closed: int
    last_change: int
    """The newest change of this run: what “undo the last one” means, whatever else was done since."""


def see_run(larder: Larder) -> RunView | None:
    """The run that is on, or the sheet that waits; none if there is none."""
    with reading(larder.engine) as session:
        run = current(session)
        return _view(session, run, larder.clock()) if run else None


def see_that_run(larder: Larder, number: int) -> RunView:
    """A run by its number, done or not."""
    with reading(larder.engine) as session:
        return _view(session, the_run(session, number), larder.clock())


def _view(session: Session, run: Run, now: datetime) -> RunView:
    household, phase = settings(session), run.phase()
    places = {place.id: place.name for place in session.query(Place)}
    sheet, wrong = _sheet(session, run, now) if phase is RunPhase.SHEET else (Sheet([], [], None), "")
    out = run.clock[1].containers if run.clock else ()
    containers = [_container(n, mine, n in out, household, places) for n, mine in run.containers.items()]
    return RunView(
        number=run.number,
        phase=phase,
        now=now,
        lines=_lines(sheet),
        containers=containers,
        packs=packs_of(sheet),
        buy=to_buy(sheet),
        short=short_of_containers(session, sheet.lines, household.units),
        wrong=wrong,
        ready=_ready(session, run) if phase in (RunPhase.LABELS, RunPhase.SET_OUT) else [],
        batch=_batch(session, run) if phase is RunPhase.OPEN else None,
        clock=_clock(run, now),
        spares=[f"{held.count} × {held.size_ml} mL, {held.minutes:.0f} min out" for held in run.held.values()],
        cautions=_cautions(run),
        closed=sum(each.closed for each in containers),
        last_change=log.version(session, "run", run.number),
    )


def _sheet(session: Session, run: Run, now: datetime) -> tuple[Sheet, str]:
    try:
        return sheet_of(session, run.record, now), ""
    except Refusal as error:
        return Sheet([], [], None), in_words(error, settings(session).units).message


def _lines(sheet: Sheet) -> list[RunLine]:
    shared = packets_of(sheet)
    return [
        RunLine(
            number=line.number,
            food=line.plan.food.name,
            form=line.plan.food.form,
            colour=line.plan.food.colour,
            says=" + ".join(f"{group.count} × {group.mass}" for group in line.groups) + f", {line.plan.container_name}",
            packets=say_ways([each for group in line.groups for each in shared.get((line.number, id(group)), [])])
            or line.plan.closing.value,
            place=line.plan.place_name,
            draw=line.plan.draw,
            level=line.plan.full.food_height_mm / line.plan.draw.inner_mm,
            count=line.plan.count,
            stop=line.plan.verdict.says if line.plan.verdict.severity is Severity.STOP else "",
        )
        for line in sheet.lines
    ]


def _container(n: int, mine: Container, out: bool, household: Settings, places: dict[int, str]) -> RunContainer:
    container, food = container_by_key(mine.what.container_key), mine.what.contents[0]
    filled, planned = mine.filled_g, mine.planned.planned_g
    sizes = by_size([mine.packets])
    packed = sum(size * count for size, count in sizes.items())
    lacks = mine.need_ml / (1 + MARGIN) - packed if mine.packets else 0.0
    return RunContainer(
        n=n,
        number=mine.package,
        food=food.food_name,
        form=food.form,
        colour=food.colour,
        container=called(container, household.units),
        draw=drawing(container),
        level=mine.what.level,
        planned_g=planned,
        planned=say_mass(planned, household.units),
        filled_g=filled,
        filled="" if filled is None else say_mass(filled, household.units),
        off="" if filled is None else say_off(filled, planned, household.units),
        packets=" + ".join(f"{count} × {size} mL" for size, count in sizes.items()),
        packet_sizes=[PacketShape.of(size, count) for size, count in sizes.items()],
        short=f"{lacks:.0f} mL short since it holds less: one more absorber" if lacks > 0 else "",
        closed=mine.closed is not None,
        closed_at=mine.closed,
        late=mine.late,
        note=mine.note,
        out=out,
        place=f"{places.get(mine.what.place_id, '')}, shelf {mine.what.shelf}",
    )


def _ready(session: Session, run: Run) -> list[Ready]:
    """What must lie ready, in the order it is looked for."""
    whats = [each.what for each in run.containers.values()]
    empty = [container_by_key(each.container_key) for each in whats]
    kinds = Counter(each.name for each in empty)
    sorts = {each.kind for each in empty}
    mouths = Counter(each.mouth for each in empty if each.mouth is not None)
    closings = {each.closing for each in whats}
    film = sorts & {Kind.BAG, Kind.ZIP_BAG, Kind.CLEAR_BAG, Kind.LINED_PAIL, Kind.POUCH}
    found = [("containers", ", ".join(f"{n} × {name}" for name, n in kinds.items()), "clean, dry, labelled, in a row")]
    if Kind.LINED_PAIL in sorts:
        found.append(("liners", "Liners standing in their pails", "soft, so that they settle to its shape"))
    found.append(("scale", "Scale, scoop and funnel", "set to nothing with an empty container on it"))
    if film:
        found.append(
            (
                "iron",
                f"Iron hot, about {say_dial(_IRON_C, settings(session).units)}",
                f"straight iron, clothes iron on a board, or jaw sealer. {_IRON}",
            )
        )
        found.append(("strip", "A test strip sealed", "on a scrap: too hot melts it, too cool peels"))
    if mouths:
        lids = f"{_say_lids(session, mouths)} wiped, rims clean"
        found.append(("lids", lids, "a crumb on the rim is a leak; never a used lid for canning"))
    if Closing.VACUUM in closings:
        cap = f"its jar cap ({' and '.join(mouths)} mouth)" if mouths else "its pouches' bar clean"
        found.append(("vacuum", f"Vacuum sealer with {cap}, or the hand pump", "tried on an empty jar or a scrap"))
    if Closing.ABSORBER in closings:
        opened = _all_packs(session, run)
        found.append(("packets", f"Absorbers, still closed: {opened}", f"indicator pink through the wrap. {_NOT_FOOD}"))
        found.append(("jar", "A small jar with its lid", "for the spares, at once"))
        found.append(("helper", "Somebody to help, and the telephone off", "once absorbers are open there is no pause"))
    if any(each.outer for each in whats):
        found.append(("outer", "Pails, totes or bins for the bags", "rodents chew film in seconds"))
    return [Ready(code, says, why, code in run.record.ticks) for code, says, why in found]


def _say_lids(session: Session, mouths: Counter[Mouth]) -> str:
    """The lids that jars take, by mouth; how many of them were used before, where lids are counted."""
    stock, said = Stock(session), []
    for mouth, n in mouths.items():
        lids = stock.lids(mouth)
        again = min(n, lids[1].again) if lids is not None else 0
        before = f" ({again} of them used before)" if again else ""
        said.append(f"{n} {mouth}-mouth lid{'' if n == 1 else 's'}{before}")
    return ", ".join(said)


def _all_packs(session: Session, run: Run) -> str:
    return ", ".join(_say_opened(session, run, run.waiting()))


def _say_opened(session: Session, run: Run, chosen: list[int]) -> list[str]:
    """What is opened for some containers: from where, or just how many, if nothing is counted."""
    containers = run.containers
    sizes = by_size(containers[n].packets for n in chosen)
    plainly = ", ".join(f"{count} × {size} mL" for size, count in sizes.items())
    return _say_draws(session, run, chosen) or [plainly]


def _say_draws(session: Session, run: Run, chosen: list[int]) -> list[str]:
    supplies = Stock(session).records
    try:
        draws = draws_for(session, run, chosen)
    except Refused as error:
        return [error.message]
    said = []
    for draw in draws:
        parts = []
        if draw.from_held + draw.from_spares:
            parts.append(f"{draw.from_held + draw.from_spares} × {draw.size_ml} mL from the jar")
        if draw.packs:
            per = supplies[draw.supply].per_pack
            extras = f", {draw.extras} of them straight into the jar" if draw.extras else ""
            parts.append(f"{say_packs(draw.packs, per, draw.size_ml)}{extras}")
        said += parts
    return said


def _batch(session: Session, run: Run) -> NextOpening:
    waiting = run.waiting()
    each_s = seconds_each(run.took_s(), usual_s=usual_seconds(session))
    suggested = min(len(waiting), batch_size(each_s))
    chosen = waiting[:suggested]
    pace = f"At {each_s:.0f} seconds each, {batch_size(each_s)} are closed well inside the {OUT_MINUTES:.0f} minutes."
    if suggested == len(waiting):
        says = f"{pace} Open for all {suggested}." if suggested > 1 else pace
    else:
        says = f"{pace} Open for {suggested} now, and for the other {len(waiting) - suggested} after that."
    return NextOpening(len(waiting), suggested, each_s, says, _say_opened(session, run, chosen))


def _clock(run: Run, now: datetime) -> Clock | None:
    seen = run.forecast(now)
    if run.clock is None or seen is None:
        return None
    _, clock = run.clock
    left = run.to_close()
    over = is_over(clock.out_s(now))
    says, tone = _says(seen, over=over, left=len(left))
    return Clock(
        opened_at=clock.at,
        out_s=clock.out_s(now),
        left_s=seen.left_s,
        over=over,
        closed=len(clock.containers) - len(left),
        of=len(clock.containers),
        next=left[0] if left else None,
        each_s=seen.each_s,
        put_back=seen.put_back,
        done_at=now + timedelta(seconds=seen.done_in_s),
        says=says,
        tone=tone,
    )


def _says(seen: RunForecast, *, over: bool, left: int) -> tuple[str, Severity]:
    if over:
        return (
            "Past the fifteen minutes. Close what has its absorber; look at the indicator: pink is good still.",
            Severity.STOP,
        )
    if seen.put_back:
        n = seen.put_back
        what = "the absorbers of the last one" if n == 1 else f"the absorbers of the last {n}"
        return f"Too slow for all {left}: put {what} back into the jar now.", Severity.MIND
    return f"At this pace you are done {_minutes(seen.left_s - seen.done_in_s)} before the time is up.", Severity.GOOD


def _minutes(seconds: float) -> str:
    minutes = seconds / 60
    return f"{minutes:.0f} minutes" if minutes >= 1.5 else f"{max(0, round(seconds / 5) * 5)} seconds"


def _cautions(run: Run) -> list[str]:
    return sorted({each.what.override for each in run.containers.values() if each.what.override})
