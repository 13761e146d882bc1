from dataclasses import replace

import pytest

from tests.support.refusals import refused
from yellow_larder.core.planning import Activity, Body, Sex, energy_need
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder, settings, settle
from yellow_larder.features.household.people import Person, at_table, keep_person, need_of, people, remove_person
from yellow_larder.features.packing.planner import plan
from yellow_larder.features.packing.request import Ask
from yellow_larder.journal.database import reading
from yellow_larder.words.quantities import Units

GRANDMOTHER = Person("Grandmother", 1952, Sex.FEMALE, Activity.SITTING, "158 cm", "61 kg")
COUSINS = Person("Cousins", 1990, count=3, weeks=2)


def test_everybody_counts_in_the_appetite(larder: Larder) -> None:
    assert not people(larder).appetite.named
    keep_person(larder, GRANDMOTHER)
    keep_person(larder, replace(GRANDMOTHER, name="Her sisters", count=2))
    shown = people(larder)
    one = energy_need(age_years=74, sex=Sex.FEMALE, body=Body(158, 61), activity=Activity.SITTING).value
    assert shown.appetite.people == 3
    assert shown.appetite.kcal_day == pytest.approx(3 * one)
    assert shown.appetite.protein_day_g == pytest.approx(3 * 0.8 * 61)
    assert shown.people[0].need.kcal_working.startswith("woman: 354 − 6.91 × 74 years")


def test_the_bench_counts_who_eats(larder: Larder) -> None:
    before = plan(larder, Ask(line="10 kg pearl barley"))
    keep_person(larder, replace(GRANDMOTHER, kcal=1760))
    after = plan(larder, Ask(line="10 kg pearl barley"))
    assert before.person_days == pytest.approx(35_200 / 2200)
    assert after.person_days == after.household_days == pytest.approx(35_200 / 1760)


def test_guests_sit_down_for_their_weeks_only(larder: Larder) -> None:
    keep_person(larder, GRANDMOTHER)
    keep_person(larder, COUSINS)
    assert people(larder).appetite.people == 1
    with reading(larder.engine) as session:
        assert at_table(session, 28) == pytest.approx(1 + 3 / 2)
        assert at_table(session, 7) == pytest.approx(4), "they are here all of a shorter time"


def test_what_is_not_said_is_taken_from_the_table_and_said_so(larder: Larder) -> None:
    keep_person(larder, COUSINS)
    need = people(larder).people[0].need
    assert need.assumed == "height and weight not said: the usual for the age"
    assert need.kcal_working.startswith("mean of woman: ")
    assert need.kcal == need_of(larder, COUSINS).kcal


def test_a_us_house_is_told_what_the_kilograms_of_the_sums_are(larder: Larder) -> None:
    """The equations are published in kilograms and metres; 70 kg and 1.77 m are 154 lb and 69.7 in."""
    someone = Person(name="Ada", birth_year=1990, height="177 cm", weight="70 kg")
    assert need_of(larder, someone).measures_working == ""
    with reading(larder.engine) as session:
        settle(larder, replace(settings(session), units=Units.US))
    need = need_of(larder, someone)
    assert "70 kg" in need.kcal_working
    assert need.measures_working == "70 kg are 154 lb, 1.77 m are 69.7 in"
    keep_person(larder, someone)
    assert people(larder).people[0].need == need


@pytest.mark.parametrize(
    ("units", "height", "weight", "cm", "kg"),
    [
        (Units.METRIC, "158", "61", 158, 61),
        (Units.US, "62", "134 lb", 157.5, 60.8),
        (Units.METRIC, "5 ft 2 in", "9 st 8 lb", 157.5, 60.8),
        (Units.US, "5'2\"", "134", 157.5, 60.8),
    ],
)
def test_heights_and_weights_in_any_units(
    larder: Larder, units: Units, height: str, weight: str, cm: float, kg: float
) -> None:
    settle(larder, Settings(units=units))
    need = need_of(larder, replace(GRANDMOTHER, height=height, weight=weight))
    expected = energy_need(age_years=74, sex=Sex.FEMALE, body=Body(cm, kg), activity=Activity.SITTING)
    assert need.kcal == pytest.approx(expected.value, rel=0.001)


def test_shown_as_they_can_be_typed_again(larder: Larder) -> None:
    number = keep_person(larder, GRANDMOTHER)
    settle(larder, Settings(units=Units.US))
    shown = people(larder).people[0]
    keep_person(larder, shown.person, number)
    assert people(larder).people[0].need.kcal == pytest.approx(shown.need.kcal, rel=0.01)


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"name": " "}, "name"),
        ({"birth_year": 2031}, "birth_year"),
        ({"birth_year": 1850}, "birth_year"),
        ({"count": 0}, "count"),
        ({"count": 5000}, "count"),
        ({"weeks": 0.0}, "weeks"),
        ({"kcal": 90.0}, "kcal_per_person_day"),
        ({"height": "tall"}, "height"),
        ({"height": "9 m"}, "height"),
        ({"weight": "2 cups"}, "weight"),
        ({"weight": "0.4 kg"}, "weight"),
    ],
)
def test_nobody_is_like_that(larder: Larder, change: dict[str, object], field: str) -> None:
    with refused() as refusal:
        keep_person(larder, replace(GRANDMOTHER, **change))
    assert refusal.value.field == field
    assert not people(larder).people


def test_leaving_and_coming_back(larder: Larder) -> None:
    number = keep_person(larder, GRANDMOTHER)
    remove_person(larder, number)
    assert people(larder).people == []
    with refused():
        remove_person(larder, number)
    take_back(larder)
    assert people(larder).people[0].person.name == "Grandmother"
