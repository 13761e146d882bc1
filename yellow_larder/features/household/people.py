"""Who eats from the larder, and what that asks for in a day."""

from __future__ import annotations

import re
from dataclasses import dataclass

from sqlalchemy.orm import Session

from yellow_larder.core.errors import check_range
from yellow_larder.core.planning import Activity, Body, Sex, WorkedFigure, energy_need, protein_need
from yellow_larder.features.household.events import PersonKept, Settings
from yellow_larder.features.household.larder import Larder, settings, tidy_name
from yellow_larder.features.household.versions import check_based_on
from yellow_larder.journal import log
from yellow_larder.journal.database import reading, writing
from yellow_larder.reference import usual_body
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.quantities import Units, read_amount, read_length_mm, say_length, say_mass

MOST_ALIKE = 100

OLDEST = 120
"""Years; the equations are asked for none older. Source: our judgement."""
_FEET = re.compile(
    r"^\s*(\d+)\s*(?:ft|feet|foot|')\s*(?:(\d+(?:\.\d+)?)\s*(?:in|inch|inches|\"|″)?)?\s*$", re.IGNORECASE
)

_OWN_FIGURE = "your own figure"


@dataclass(frozen=True, slots=True)
class Person:
    """Somebody who eats here, as typed.

    Attributes:
        name: a name or a role.
        birth_year: the year they were born.
        sex: whose energy equation holds; "not said" takes the mean.
        activity: how much they move.
        height: in any units; empty means what is usual for the age.
        weight: the same.
        count: how many there are of them, alike.
        weeks: guests: how many weeks of the time ahead they are here; none means always.
        kcal: a figure of their own for the day, say from a doctor; none means the equation's.
    """

    name: str
    birth_year: int
    sex: Sex = Sex.UNSAID
    activity: Activity = Activity.LIGHT
    height: str = ""
    weight: str = ""
    count: int = 1
    weeks: float | None = None
    kcal: float | None = None


@dataclass(frozen=True, slots=True)
class Need:
    """What one needs in a day, with the sums behind it."""

    kcal: float
    protein_g: float
    kcal_working: str
    protein_working: str
    assumed: str
    measures_working: str
    """What the kilograms and metres of the sums are in the household's own measures; empty where they are its own."""


@dataclass(frozen=True, slots=True)
class PersonView:
    """Somebody as shown, with their need in a day."""

    number: int
    version: int
    person: Person
    age: int
    need: Need


@dataclass(frozen=True, slots=True)
class Appetite:
    """What the household eats in a day; guests are counted only where the time ahead is known.

    Attributes:
        people: how many always eat here.
        kcal_day: what they eat together in a day, kcal.
        protein_day_g: protein they need together in a day; 0 as long as nobody is named.
        named: whether the figures are those of named people.
    """

    people: int
    kcal_day: float
    protein_day_g: float
    named: bool

    @property
    def kcal_per_person_day(self) -> float:
        """What one of them eats in a day, on average, kcal."""
        return self.kcal_day / self.people


@dataclass(frozen=True, slots=True)
class PeopleView:
    """Everybody who eats here, and the household together."""

    people: list[PersonView]
    appetite: Appetite


def appetite(session: Session, year: int) -> Appetite:
    """What the household eats in a day."""
    always = [
        (_need(each, year), each.count)
        for each in log.records(session, PersonKept).values()
        # Of a year before somebody was born, the others ate.
        if each.weeks is None and each.birth_year <= year
    ]
    if not always:
        household = settings(session)
        return Appetite(household.people, household.people * household.kcal_per_person_day, 0, named=False)
    return Appetite(
        people=sum(count for _, count in always),
        kcal_day=sum(need.kcal * count for need, count in always),
        protein_day_g=sum(need.protein_g * count for need, count in always),
        named=True,
    )


def at_table(session: Session, days: float) -> float:
    """How many sit down to a meal on average over the days ahead, guests counted for the weeks they stay."""
    people = log.records(session, PersonKept).values()
    always = sum(each.count for each in people if each.weeks is None)
    guests = sum(each.count * min(each.weeks * 7, days) for each in people if each.weeks is not None)
    return (always or settings(session).people) + (guests / days if days else 0)


def people(larder: Larder) -> PeopleView:
    """Everybody who eats here."""
    year = larder.today().year
    with reading(larder.engine) as session:
        units = settings(session).units
        versions = log.versions(session, "eater")
        rows = [
            PersonView(number, versions[number], _as_typed(each, units), _age(each, year), _need(each, year, units))
            for number, each in log.records(session, PersonKept).items()
        ]
        return PeopleView(rows, appetite(session, year))


def need_of(larder: Larder, person: Person) -> Need:
    """What somebody needs in a day, before they are kept."""
    with reading(larder.engine) as session:
        household = settings(session)
    return _need(_kept(person, household, larder.today().year), larder.today().year, household.units)


def keep_person(larder: Larder, person: Person, number: int | None = None, *, based_on: int | None = None) -> int:
    """Add somebody, or change the one of that number from the version it was shown in; returns the number."""
    with writing(larder.engine) as session:
        kept = _kept(person, settings(session), larder.today().year)
        if number is None:
            number, title = log.next_number(session, "eater"), log.title("eater.kept", name=kept.name)
        else:
            old = _person(session, number)
            units = settings(session).units
            check_based_on(session, "eater", number, based_on, lambda: _as_typed(old, units))
            title = log.title("eater.changed", name=old.name)
        log.record(session, title, [log.Act(number, kept)], at=larder.clock())
    return number


def remove_person(larder: Larder, number: int, *, based_on: int | None = None) -> None:
    """Somebody eats here no longer."""
    with writing(larder.engine) as session:
        name = _person(session, number).name
        check_based_on(session, "eater", number, based_on)
        log.record(session, log.title("eater.removed", name=name), [log.removed("eater", number)], at=larder.clock())


def _person(session: Session, number: int) -> PersonKept:
    kept = log.record_of(session, PersonKept, number)
    if kept is None:
        raise NotThere("number", "That person is not there any more")
    return kept


def _kept(person: Person, household: Settings, year: int) -> PersonKept:
    """What is kept of somebody who eats here, checked; heights and weights in cm and kg."""
    if not year - OLDEST <= person.birth_year <= year:
        raise Refused("birth_year", f"The year they were born lies between {year - OLDEST} and {year}")
    if not 1 <= person.count <= MOST_ALIKE:
        raise Refused("count", f"Between 1 and {MOST_ALIKE} people can be counted alike; with nobody there is no need")
    if person.weeks is not None:
        check_range("weeks", person.weeks, 0.1, 520, "weeks")
    if person.kcal is not None:
        check_range("kcal_per_person_day", person.kcal, 500, 8000, "kcal")
    height = _read_height_cm(person.height, household.units)
    weight = _read_weight_kg(person.weight, household.units)
    usual = usual_body(year - person.birth_year, person.sex)
    body = Body(height or usual.height_cm, weight or usual.weight_kg)
    energy_need(age_years=year - person.birth_year, sex=person.sex, body=body, activity=person.activity)
    return PersonKept(
        name=tidy_name(person.name, "name"),
        birth_year=person.birth_year,
        sex=person.sex,
        activity=person.activity,
        height_cm=height,
        weight_kg=weight,
        count=person.count,
        weeks=person.weeks,
        kcal=person.kcal,
    )


def _age(kept: PersonKept, year: int) -> int:
    """Age in a year, within the ages that the equations are asked for."""
    return min(max(year - kept.birth_year, 0), OLDEST)


def _need(kept: PersonKept, year: int, units: Units = Units.METRIC) -> Need:
    age = _age(kept, year)
    usual = usual_body(age, kept.sex)
    body = Body(kept.height_cm or usual.height_cm, kept.weight_kg or usual.weight_kg)
    energy = energy_need(age_years=age, sex=kept.sex, body=body, activity=kept.activity)
    if kept.kcal is not None:
        energy = WorkedFigure(kept.kcal, _OWN_FIGURE)
    protein = protein_need(age_years=age, weight_kg=body.weight_kg)
    own = _in_own_measures(body) if units is Units.US else ""
    return Need(energy.value, protein.value, energy.working, protein.working, _assumed(kept), own)


def _in_own_measures(body: Body) -> str:
    mass, height = say_mass(body.weight_kg * 1000, Units.US), say_length(body.height_cm * 10, Units.US)
    return f"{body.weight_kg:g} kg are {mass}, {body.height_cm / 100:g} m are {height}"


def _assumed(kept: PersonKept) -> str:
    missing = [part for part, said in (("height", kept.height_cm), ("weight", kept.weight_kg)) if not said]
    if not missing:
        return ""
    return f"{' and '.join(missing)} not said: the usual for the age"


def _as_typed(kept: PersonKept, units: Units) -> Person:
    return Person(
        name=kept.name,
        birth_year=kept.birth_year,
        sex=kept.sex,
        activity=kept.activity,
        height=say_length(kept.height_cm * 10, units) if kept.height_cm else "",
        weight=say_mass(kept.weight_kg * 1000, units) if kept.weight_kg else "",
        count=kept.count,
        weeks=kept.weeks,
        kcal=kept.kcal,
    )


def _read_height_cm(text: str, units: Units) -> float | None:
    if not text.strip():
        return None
    feet = _FEET.match(text)
    if feet:
        return round((int(feet[1]) * 12 + float(feet[2] or 0)) * 2.54, 1)
    return round(read_length_mm(text, "height", units=units) / 10, 1)


def _read_weight_kg(text: str, units: Units) -> float | None:
    if not text.strip():
        return None
    bare = re.fullmatch(r"\s*\d+(?:[.,]\d+)?\s*", text)
    if bare:
        text += " kg" if units is Units.METRIC else " lb"
    amount = read_amount(text, "weight")
    if amount.volume_ml:
        raise Refused("weight", "Write a weight such as 64 kg or 140 lb")
    return round(amount.mass_g / 1000, 1)
