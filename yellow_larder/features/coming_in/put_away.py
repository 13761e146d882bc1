"""What is in the house already is put away: its lines read and shown, then all of them in one go."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from datetime import date, timedelta

from sqlalchemy.orm import Session

from yellow_larder.core.air import fill, mass_that_fits_g, need_by_air_ml, oxygen_left, oxygen_ml, pressure_kpa
from yellow_larder.core.containers import Closing, closed_volume_ml
from yellow_larder.core.errors import Refusal
from yellow_larder.core.finding import Severity
from yellow_larder.core.food import nutrients
from yellow_larder.core.keeping import Estimate, Way, usual_way
from yellow_larder.core.packing import Case, judge
from yellow_larder.features.catalog.containers import called, drawing
from yellow_larder.features.catalog.foods import all_foods, names_of
from yellow_larder.features.catalog.names import plain
from yellow_larder.features.catalog.own_containers import own_containers
from yellow_larder.features.coming_in.line import Named, Read, read_stock_line
from yellow_larder.features.coming_in.views import CameIn, LinesView, LineView, Reading, StockView
from yellow_larder.features.coming_in.where import CALLED
from yellow_larder.features.household.changes import say_called
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import COLD_SORTS, Larder, places_in_use, settings
from yellow_larder.features.household.state import Place
from yellow_larder.features.packages.contained import Closed, Contained, Life, Pests, Portion
from yellow_larder.features.packages.events import Found, PackagePacked
from yellow_larder.features.packages.life import HOME_CANNED_DAYS
from yellow_larder.features.packages.state import PACKAGE
from yellow_larder.features.packing.pack import usual_shelf
from yellow_larder.features.packing.package_course import bests_of, course_as_closed, room_of
from yellow_larder.features.packing.plan import Lasts
from yellow_larder.features.packing.request import LEAVES_KPA, Pull
from yellow_larder.features.shelves.ageing import best_by, lives_left
from yellow_larder.features.shelves.happenings import SAYS_CLOSED
from yellow_larder.features.shelves.moving import looking_up
from yellow_larder.journal import log
from yellow_larder.journal.database import reading, writing
from yellow_larder.journal.kinds import Happened, Row
from yellow_larder.reference import life_class, lives_of, ways_of
from yellow_larder.words.dates import say_about, say_day
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import say_kcal, say_mass
from yellow_larder.words.refusals import in_words

MYSTERY = "mystery"
"""Key of the food that nobody knows what it is: it counts for nothing."""

MOST_LINES = 300
"""Lines that come in at once: more than an evening."""


@dataclass(frozen=True, slots=True)
class _Entry:
    """What a line comes to."""

    read: Read
    place: Place
    packed: PackagePacked
    lacks: str
    doubts: tuple[str, ...]
    taken_as: tuple[str, ...]


def read_lines(larder: Larder, text: str) -> LinesView:
    """What lines about what is in the house mean, one by one.

    Raises:
        Refused: there are too many of them.
    """
    lines = _lines(text)
    with reading(larder.engine) as session:
        entries = _entries(session, larder, lines)
        household, places = settings(session), places_in_use(session)
    today, look_up = larder.today(), looking_up(places)
    shown = [
        _shown(line, each, household, PACKAGE.step(None, Happened(0, "packed", each.packed), n, look_up), places, today)
        if isinstance(each, _Entry)
        else _unread(line, each, household)
        for n, (line, each) in enumerate(zip(lines, entries, strict=True))
    ]
    whole = sum(each.packed.what.kcal * each.read.count for each in entries if isinstance(each, _Entry))
    return LinesView(
        shown,
        sum(each.stock.count for each in shown if each.stock),
        say_kcal(whole),
        sum(each.reading is Reading.UNREAD for each in shown),
    )


def put_away(larder: Larder, text: str) -> CameIn:
    """Put away all that some lines say is there; it takes nothing from the supplies.

    Raises:
        Refused: a line cannot be read, by its field `line.0`, `line.1`…; nothing is saved.
    """
    lines = _lines(text)
    if not lines:
        raise Refused("text", "Write a line about what is there: “6 quart jars white rice, absorbers, May 2023”")
    with writing(larder.engine) as session:
        entries = _entries(session, larder, lines)
        units = settings(session).units
        for n, each in enumerate(entries):
            if not isinstance(each, _Entry):
                raise in_words(each, units).at(f"line.{n}")
        packed = [each.packed for each in entries if isinstance(each, _Entry) for _ in range(each.read.count)]
        first = log.next_number(session, "package")
        names = list(dict.fromkeys(each.what.contents[0].food_name for each in packed))
        title = log.title("package.came-in", count=len(packed), names=names)
        change = log.record(
            session, title, [log.Act(first + n, each) for n, each in enumerate(packed)], at=larder.clock()
        )
        return CameIn(change.id, list(range(first, first + len(packed))), say_called(title, settings(session)))


def _lines(text: str) -> list[str]:
    lines = [line for line in text.splitlines() if line.strip()]
    if len(lines) > MOST_LINES:
        raise Refused(
            "text", f"{len(lines):,} lines; {MOST_LINES} is the most at once: put the first away, then the rest"
        )
    return lines


def _entries(session: Session, larder: Larder, lines: list[str]) -> list[_Entry | Refusal]:
    """What each line comes to, or why it cannot be read."""
    household, places, today = settings(session), places_in_use(session), larder.today()
    own = {plain(each.name): each for each in own_containers(session).values()}
    named = Named(names_of(all_foods(session)), _names(places), own)

    def entry(text: str) -> _Entry | Refusal:
        try:
            return _made(read_stock_line(text, named, household.units, today), places, household, today)
        except Refusal as refusal:
            return refusal

    return [entry(line) for line in lines]


def _names(places: dict[int, Place]) -> dict[str, int]:
    """The places by what they may be called: by their names, and by their sort if only one is of it."""
    names = {
        word: alike[0].id
        for sort, words in CALLED.items()
        if len(alike := [each for each in places.values() if each.sort == sort]) == 1
        for word in words
    }
    return names | {plain(each.name): each.id for each in places.values()}


def _made(read: Read, places: dict[int, Place], household: Settings, today: date) -> _Entry:
    food, container = read.food, read.container
    place, lacks, taken_as = _place_for(read, places)
    # A place that is named and not there was told of already.
    doubts = () if not lacks or read.lacks_place else (f"there is no {lacks} yet: add the place, or say where it is",)
    mass_g = min(read.each_g, mass_that_fits_g(closed_volume_ml(container), food.settled_g_ml))
    filled = fill(container, food, mass_g, pressed=False)
    room = room_of(household)
    oxygen = oxygen_ml(
        filled.void_ml,
        pressure_kpa=room.pressure_kpa,
        temperature_c=room.temperature_c,
        humidity=room.humidity,
    )
    closed = Closed(
        void_ml=filled.void_ml,
        packed_ml=need_by_air_ml(oxygen) if read.closing is Closing.ABSORBER else 0.0,
        opened_a_day=0.0,
        gel_g=0.0,
        waxed=False,
        room_c=room.temperature_c,
        room_humidity=room.humidity,
        room_kpa=room.pressure_kpa,
        vacuum_share=oxygen_left(LEAVES_KPA[Pull.MACHINE], pressure_kpa(household.altitude_m))
        if read.closing is Closing.VACUUM
        else None,
    )
    moisture = food.composition.water_g
    course = course_as_closed(food, container, read.closing, place, closed, mass_g=mass_g, moisture_pct=moisture)
    lives = {estimate: Lasts.of(best).life for estimate, best in bests_of(food, course).items()}
    day, unsure, undated = _packed_on(read, lives[household.estimate], today)
    kcal = nutrients(food.composition, mass_g).kcal
    what = Contained(
        contents=(Portion(food.key, read.called, food.form, food.colour, mass_g),),
        container_key=container.key,
        closing=read.closing,
        outer=False,
        kcal=kcal,
        packets={},
        moisture_pct=moisture,
        level=max(0.0, 1 - filled.headspace_mm / container.inner_height_mm),
        place_id=place.id,
        shelf=min(usual_shelf(container.kind, place.shelves), place.shelves),
        q10=life_class(food.life).q10,
        lasts={estimate: _as_known(life, estimate, read, day, unsure) for estimate, life in lives.items()},
        closed=closed,
        draws_in=False,
        pests=Pests(read.pest_measures),
    )
    case = Case(
        food=food,
        course=course,
        outer=False,
        horizon_years=1.0,
        fill=filled,
        need_ml=closed.packed_ml,
        gel=False,
        dark=place.dark,
    )
    return _Entry(
        read,
        place,
        # Of what nobody knows what it is, somebody looks today.
        PackagePacked(what, day, look_due=today if food.key == MYSTERY else None, found=Found(unsure, read.printed)),
        lacks,
        (*read.doubts, *doubts, *_cautions(case, is_told=bool(lacks))),
        (*read.taken_as, *taken_as, *undated),
    )


def _cautions(case: Case, *, is_told: bool) -> tuple[str, ...]:
    """What the Bench would stop: it is there all the same, and is put away, but nobody is left in the dark.

    Args:
        case: what was put away.
        is_told: whether it was told already that there is no cold place for it.
    """
    if case.course.of.is_as_it_was_made:
        return ()
    if ways_of(case.food.life):
        stands_cold = case.course.of.climate.mean_c <= _COLD_C
        return () if is_told or stands_cold else ("it is not shelf-stable: check how it is kept",)
    return tuple(f"{each.says}. {each.why}" for each in judge(case) if each.severity is Severity.STOP)


_COLD_C = 16.0
"""The warmest mean, °C, at which fresh food is meant to stand. Source: a cellar, see `FREEZER_C`."""


_STANDS = {
    Way.FREEZER: ("freezer", "fridge"),
    Way.FRIDGE: ("fridge", "freezer"),
    Way.CELLAR: ("cellar", "fridge"),
}
"""The sorts of place that food which is not dry stands in, the best first."""


def _place_for(read: Read, places: dict[int, Place]) -> tuple[Place, str, tuple[str, ...]]:
    """Where it goes, which sort of place it lacks, and what was taken for where it is."""
    if read.place is not None:
        return places[read.place], "", ()
    ways = ways_of(read.food.life)
    wanted = () if not ways or read.container.closed_by_maker else _STANDS[usual_way(ways)]
    for sort in wanted:
        for place in places.values():
            if place.sort == sort:
                return place, "", (f"in the {place.name}",)
    dry = [each for each in places.values() if each.sort not in COLD_SORTS] or list(places.values())
    there = {each.sort for each in places.values()}
    lacks = next((sort for sort in (read.lacks_place, *wanted[:1]) if sort and sort not in there), "")
    return dry[0], lacks, (f"in the {dry[0].name}",)


def _packed_on(read: Read, life: Life, today: date) -> tuple[date, int, tuple[str, ...]]:
    """The day that its life is counted from, how far off that may be, and what was taken for it."""
    if read.when is not None:
        return read.when.middle, read.when.unsure_days, ()
    if read.printed is not None:
        # What its maker promises is about its life: it was made so long before.
        lasts = lives_of(read.food.life)
        base = next(iter(lasts.values())).customary
        back = 365.0 if math.isinf(base) or life.days is None else base
        day = min(today, read.printed - timedelta(days=round(back)))
        return day, 0, ()
    return today, 0, ("as of today: say when if it is older",)


def _as_known(life: Life, estimate: Estimate, read: Read, day: date, unsure: int) -> Life:
    """A life as far as it is known: the cautious count from the earliest day it may be from, the hopeful from the last.

    Until when its maker says that it is good counts when that comes first.
    """
    off = {Estimate.CAUTIOUS: -unsure, Estimate.CUSTOMARY: 0, Estimate.HOPEFUL: unsure}[estimate]
    shifted = replace(
        life,
        days=None if life.days is None else max(1.0, life.days + off),
        most=None if life.most is None else max(0.0, life.most + off),
    )
    if read.canned_at_home:
        longest = HOME_CANNED_DAYS[estimate]
        shifted = replace(shifted, most=longest if shifted.most is None else min(shifted.most, longest))
    if read.printed is None:
        return shifted
    printed = float(max(0, (read.printed - day).days))
    return replace(shifted, most=printed if shifted.most is None else min(shifted.most, printed))


def _shown(text: str, entry: _Entry, household: Settings, row: Row, places: dict[int, Place], today: date) -> LineView:
    (days,), _, band = lives_left([row], places, household.estimate, today)
    read, what, units = entry.read, entry.packed.what, household.units
    stock = StockView(
        food=read.called,
        food_name="" if read.called == read.food.name else read.food.name,
        container=called(read.container, units),
        count=read.count,
        mass=say_mass(what.mass_g, units),
        kcal=say_kcal(what.kcal * read.count),
        closing=_say_closing(read),
        place_name=entry.place.name,
        packed=_say_packed(entry),
        best_by=best_by(row, float(days), today),
        ages=math.isfinite(days),
        band=band if math.isfinite(days) else "",
        taken_as=entry.taken_as,
        doubts=entry.doubts,
        draw=drawing(read.container),
        form=read.food.form,
        colour=read.food.colour,
        level=round(what.level, 3),
        lacks=entry.lacks,
    )
    return LineView(text, Reading.DOUBTFUL if entry.doubts else Reading.READ, stock, "", "", ())


def _say_closing(read: Read) -> str:
    if read.canned_at_home:
        return "canned at home"
    return "as its maker closed it" if read.container.closed_by_maker else SAYS_CLOSED[read.closing]


def _say_packed(entry: _Entry) -> str:
    """What is known of when it was packed; empty if nobody said anything."""
    found, printed = entry.packed.found, entry.read.printed
    if entry.read.when is not None:
        return say_about(entry.packed.packed_on, 0 if found is None else found.unsure_days)
    return "" if printed is None else f"best by {say_day(printed)} on it"


def _unread(text: str, refusal: Refusal, household: Settings) -> LineView:
    told = in_words(refusal, household.units)
    return LineView(text, Reading.UNREAD, None, told.message, told.words, told.nearest)
