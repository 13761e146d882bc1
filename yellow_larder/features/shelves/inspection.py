"""Looking packages over a day and a week after closing, and what follows from what is found."""

from __future__ import annotations

from collections import Counter
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from datetime import date, timedelta

from sqlalchemy import bindparam, or_, select
from sqlalchemy.orm import Session

from yellow_larder.core.containers import Closing, Container, Kind
from yellow_larder.core.packing import LOOK_DAYS, Advice, Doing, Feel, Indicator, advise
from yellow_larder.features.catalog.containers import called, container_by_key
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.household.larder import Larder, settings
from yellow_larder.features.lots.events import LotCame, TakenOut
from yellow_larder.features.packages.events import PackageEmptied, PackageLooked, PackagePacked
from yellow_larder.features.packages.state import Package
from yellow_larder.features.packages.text import ADVICE_SOURCE, say_advice, say_why
from yellow_larder.features.supplies.stock import Stock
from yellow_larder.journal import log
from yellow_larder.journal.database import reading, writing
from yellow_larder.words.dates import say_day
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.quantities import say_mass

AGAIN_DAYS = 7
"""When a package that is neither right nor wrong after a week is looked at again. Source: our judgement."""


_FELT = {Feel.FIRM: "Firm", Feel.LOOSE: "Loose", Feel.PUFFED: "Puffed up", Feel.LEAKS: "Leaks"}


@dataclass(frozen=True, slots=True)
class Felt:
    """What was found at one package."""

    number: int
    feel: Feel
    indicator: Indicator = Indicator.UNSEEN


@dataclass(frozen=True, slots=True)
class ToLook:
    """A package to be looked over."""

    number: int
    food: str
    form: str
    colour: str
    container: str
    closing: Closing
    mass: str
    due: date
    closed_on: str
    place: int
    shelf: int
    batch: int
    expected: str
    """How it should feel."""
    is_jar: bool


@dataclass(frozen=True, slots=True)
class Looked:
    """What a look at one package means."""

    number: int
    felt: str
    """What was found, in a word or two: the reason, if it is thrown out."""
    doing: Doing
    says: str
    why: str
    source: str


def to_look(larder: Larder, *, ahead_days: int = 0) -> list[ToLook]:
    """What is to be looked over, today or within some days, what is due first."""
    with reading(larder.engine) as session:
        units = settings(session).units
        found = []
        for package in packages_to_see_to(session, larder.today() + timedelta(days=ahead_days)).due:
            container = container_by_key(package.container_key)
            found.append(
                ToLook(
                    number=package.number,
                    food=package.food_name,
                    form=package.form,
                    colour=package.colour,
                    container=called(container, units),
                    closing=Closing(package.closing),
                    mass=say_mass(package.mass_g, units),
                    due=package.look_due or larder.today(),
                    closed_on=say_day(package.packed_on),
                    place=package.place_id,
                    shelf=package.shelf,
                    batch=package.batch,
                    expected=_expected(_draws_in(session, package.number), container),
                    is_jar=not container.is_flat,
                )
            )
        return found


def _expected(draws_in: bool, container: Container) -> str:
    if container.kind is Kind.LINED_PAIL:
        return "the liner should cling; the pail looks the same"
    if container.lid_dips:
        return "the lid should dip, and not come off to the fingers"
    if not container.is_flat:
        return "looks the same: a stiff wall; the wall of a bottle may dent"
    return "should be firm" if draws_in else "may be loose: airy food"


@dataclass(frozen=True, slots=True)
class ToSeeTo:
    """Packages that somebody has to see to: those whose look is due, and those that were not right."""

    due: list[Package]
    wrong: list[Package]


def packages_to_see_to(session: Session, until: date) -> ToSeeTo:
    """Packages whose look is due by a day, what is due first; and those that were not right at the last."""
    return log.once(session, ("see to", until), lambda: _to_see_to(session, until))


_TO_SEE_TO = (
    select(Package)
    # Above nothing, rather than not nothing: a range, which the index knows.
    .where(or_(Package.look_due <= bindparam("until"), Package.trouble > ""), Package.gone_on.is_(None))
    .order_by(Package.number)
)


def _to_see_to(session: Session, until: date) -> ToSeeTo:
    packages = session.scalars(_TO_SEE_TO, {"until": until}).all()
    due = [(each.look_due, each) for each in packages if each.look_due is not None and each.look_due <= until]
    return ToSeeTo(
        due=[each for _, each in sorted(due, key=lambda each: (each[0], each[1].number))],
        wrong=[each for each in packages if each.trouble],
    )


Follows = Callable[[Session, Felt, Package, date], Sequence[log.Act]]
"""What else follows from a look at a package on a day."""


def look_over(
    larder: Larder, looks: Sequence[Felt], *, on: date | None = None, follows: Follows = lambda *_: ()
) -> list[Looked]:
    """Packages were looked over: what that means for each, and when it is looked at again.

    Args:
        larder: the larder.
        looks: how each felt.
        on: the day; none means today.
        follows: what else follows from a look.

    Raises:
        Refused: there is nothing to write, or a package is gone.
    """
    if not looks:
        raise Refused("looks", "Say how at least one of them feels")
    twice = [number for number, times in Counter(look.number for look in set(looks)).items() if times > 1]
    if twice:
        raise Refused("looks", f"Number {twice[0]} is told twice, each time otherwise")
    looks = list(dict.fromkeys(looks))
    today = on or larder.today()
    with writing(larder.engine) as session:
        known = all_foods(session)
        acts, found = [], []
        for look in looks:
            package = session.get(Package, look.number)
            if package is None or package.gone_on is not None:
                raise NotThere("number", f"Number {look.number} is not kept any more")
            day = max(0, (today - package.packed_on).days)
            container = container_by_key(package.container_key)
            advice = advise(
                look.feel,
                look.indicator,
                day=min(day, 3650),
                food=known[package.food_key],
                closing=Closing(package.closing),
                lid_dips=container.lid_dips,
                draws_in=_draws_in(session, look.number),
            )
            acts.append(log.Act(look.number, _looked(look, advice, day, today, package)))
            acts += follows(session, look, package, today)
            says, why = say_advice(advice.code), say_why(advice)
            found.append(Looked(look.number, _FELT[look.feel], advice.doing, says, why, ADVICE_SOURCE))
        bad = sum(each.doing in (Doing.REPACK, Doing.OUT) for each in found)
        title = log.title("package.checked-wrong" if bad else "package.checked", count=len(found), wrong=bad)
        log.record(session, title, acts, at=larder.clock())
    return found


def _looked(look: Felt, advice: Advice, day: int, today: date, package: Package) -> PackageLooked:
    wrong = advice.doing in (Doing.REPACK, Doing.OUT)
    later = [package.packed_on + timedelta(days=each) for each in LOOK_DAYS if each > day]
    if wrong:
        again = None
    elif later:
        again = later[0]
    else:
        again = today + timedelta(days=AGAIN_DAYS) if advice.doing is Doing.AGAIN else None
    return PackageLooked(today, look.feel, look.indicator, advice.code, wrong, again)


def is_puffed(standing: Sequence[log.Happening]) -> bool:
    """Whether a package was found puffed up when it was last looked over, by what happened to it."""
    looks = [each.event for each in standing if isinstance(each.event, PackageLooked)]
    return bool(looks) and looks[-1].feel is Feel.PUFFED


def empty_out(larder: Larder, number: int) -> int:
    """A package is opened to be packed anew: what was in it is a lot again; returns the lot's number.

    Raises:
        Refused: it is gone already, or it is to be thrown out rather than eaten.
    """
    today = larder.today()
    with writing(larder.engine) as session:
        package = session.get(Package, number)
        if package is None or package.gone_on is not None:
            raise NotThere("number", f"Number {number} is not kept any more")
        if is_puffed(log.entries(session, "package", number)):
            raise Refused("number", "Puffed up: throw it out, do not open it")
        lot = log.next_number(session, "lot")
        came = LotCame(
            package.food_key,
            package.mass_g,
            today,
            moisture_pct=package.moisture_pct,
            history=(TakenOut(number, package.packed_on, package.trouble),),
        )
        acts = [
            log.Act(number, PackageEmptied(today)),
            log.Act(lot, came),
            *Stock(session).gives_back(package.container_key, lid_holds=not package.trouble),
        ]
        log.record(session, log.title("package.emptied", number=number), acts, at=larder.clock())
    return lot


def _draws_in(session: Session, number: int) -> bool:
    """Whether it was expected to draw in; so it was, if nobody said."""
    happenings = log.entries(session, "package", number)
    packed = next((each.event for each in happenings if isinstance(each.event, PackagePacked)), None)
    return packed is None or packed.what.draws_in
