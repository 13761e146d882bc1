from dataclasses import replace
from datetime import date, timedelta

import pytest

from tests.conftest import Clock
from tests.support.refusals import refused
from yellow_larder import reference
from yellow_larder.features.catalog.events import NewFood
from yellow_larder.features.catalog.foods import add_food
from yellow_larder.features.catalog.ingredient_parser import Reading
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.planning.diary import Written, month, write_day
from yellow_larder.features.planning.events import MealKind
from yellow_larder.features.planning.meals import Meal, keep_meal, meals, read_meal, remember, remove_meal
from yellow_larder.words.errors import NotThere, Outdated

SOUP = Meal("Pea soup", "400 g split peas\n2 onions\nsalt", MealKind.LUNCH, serves=4, per_month=8)
PEAS = reference.foods()["green-split-peas"].composition


def test_what_a_meal_comes_to(larder: Larder) -> None:
    read = read_meal(larder, SOUP)
    onions = read.lines[1]
    assert [line.reading for line in read.lines] == [Reading.READ, Reading.READ, Reading.SEASONING]
    assert read.kcal == pytest.approx(4 * PEAS.kcal + onions.kcal)
    assert read.kcal_per_person == pytest.approx(read.kcal / 4)
    assert read.person_day_share == pytest.approx(read.kcal / 4 / 2200)
    assert read.protein_per_person_g == pytest.approx(PEAS.protein_g, rel=0.1)


def test_a_meal_is_kept_as_typed(larder: Larder) -> None:
    number = keep_meal(larder, SOUP)
    shown = meals(larder)[0]
    assert (shown.number, shown.meal) == (number, SOUP)
    assert shown.read == read_meal(larder, SOUP)


def test_lines_that_cannot_be_read_are_kept_and_marked(larder: Larder) -> None:
    keep_meal(larder, replace(SOUP, text="400 g split peas\na ham bone\nlove"))
    read = meals(larder)[0].read
    assert [line.text for line in read.lines] == ["400 g split peas", "a ham bone", "love"]
    assert read.unread == 2
    assert read.kcal == pytest.approx(4 * PEAS.kcal)


def test_words_are_asked_about_once_and_remembered(larder: Larder) -> None:
    keep_meal(larder, replace(SOUP, text="400 g tatties\n300 g tatties, mashed"))
    keep_meal(larder, replace(SOUP, name="Stovies", text="1 kg Tatties"))
    assert [shown.read.asks for shown in meals(larder)] == [2, 1]
    remember(larder, "tatties", "dried-potatoes")
    assert [shown.read.asks for shown in meals(larder)] == [1, 0]
    assert read_meal(larder, replace(SOUP, text="2 oz tatties")).lines[0].food == "dried-potatoes"
    take_back(larder)
    assert [shown.read.asks for shown in meals(larder)] == [2, 1]


def test_a_word_that_is_explained_is_no_change_of_the_meal_or_the_day(larder: Larder) -> None:
    """Who has the meal open while its words are explained saves it without being told of somebody else."""
    number = keep_meal(larder, replace(SOUP, text="400 g tatties"))
    write_day(larder, larder.today(), [Written(line="400 g tatties")])
    shown, day = meals(larder)[0], month(larder, 2026, 11).days[23]
    remember(larder, "tatties", "dried-potatoes")
    keep_meal(larder, replace(shown.meal, serves=3), number, based_on=shown.version)
    write_day(larder, larder.today(), [Written(line="300 g tatties")], based_on=day.version)
    with pytest.raises(Outdated):
        keep_meal(larder, replace(shown.meal, serves=2), number, based_on=shown.version)


def test_words_can_come_to_mean_another_food(larder: Larder) -> None:
    keep_meal(larder, replace(SOUP, text="400 g beans"))
    assert meals(larder)[0].read.lines[0].food == "pinto-beans"
    remember(larder, "beans", "black-beans")
    assert meals(larder)[0].read.lines[0].food == "black-beans"
    remember(larder, "beans", "elsewhere")
    assert meals(larder)[0].read.lines[0].reading is Reading.ELSEWHERE


def test_the_diary_waits_for_a_word_too(larder: Larder) -> None:
    write_day(larder, larder.today(), [Written(line="400 g tatties"), Written(line="100 g oats")])
    assert month(larder, 2026, 11).totals[0].mass_g == 100
    remember(larder, "tatties", "dried-potatoes")
    shown = month(larder, 2026, 11)
    assert [(each.food, each.mass_g) for each in shown.totals] == [("dried-potatoes", 400), ("rolled-oats", 100)]
    assert shown.days[23].waiting == 0


def test_a_food_of_ones_own_can_be_meant(larder: Larder) -> None:
    own = add_food(larder, NewFood("bere meal", "rye-flour", 350, 11, 2, 72, 12, 11, litre_g=480))
    remember(larder, "the old flour", own.key)
    line = read_meal(larder, replace(SOUP, text="200 g the old flour")).lines[0]
    assert (line.food_name, line.kcal) == ("bere meal", 700)


@pytest.mark.parametrize(
    ("change", "field", "says"),
    [
        ({"text": ""}, "text", "nothing in it yet"),
        ({"text": " \n \n"}, "text", "nothing in it yet"),
        ({"text": "1 cup oats\n" * 5000}, "text", "5,000 lines"),
        ({"text": "x" * 5_000_000}, "text", "5,000,000 characters"),
        ({"text": "1 cup oats\n" + "x" * 300}, "text", "Line 2 has 300 characters"),
        ({"serves": 0}, "serves", "nobody"),
        ({"serves": -3}, "serves", "between 0.5 and 200"),
        ({"per_month": 500}, "per_month", "between 0 and 150"),
        ({"name": ""}, "name", "Give it a name"),
        ({"name": "x" * 5_000_000}, "name", "5,000,000 characters"),
    ],
)
def test_meals_that_are_none(larder: Larder, change: dict[str, object], field: str, says: str) -> None:
    with refused(says) as refusal:
        keep_meal(larder, replace(SOUP, **change))
    assert refusal.value.field == field
    assert not meals(larder)


def test_names_are_not_used_twice_and_numbers_not_again(larder: Larder) -> None:
    number = keep_meal(larder, SOUP)
    with refused("already"):
        keep_meal(larder, replace(SOUP, name="pea  SOUP"))
    keep_meal(larder, replace(SOUP, per_month=2), number)
    remove_meal(larder, number)
    with pytest.raises(NotThere):
        keep_meal(larder, SOUP, number)
    assert keep_meal(larder, SOUP) == number + 1


@pytest.mark.parametrize(("words", "means"), [("", "salt"), ("x", "no-such-food"), ("x" * 999, "salt")])
def test_words_that_cannot_be_remembered(larder: Larder, words: str, means: str) -> None:
    with refused():
        remember(larder, words, means)


def test_a_month_of_the_diary(larder: Larder, clock: Clock) -> None:
    soup = keep_meal(larder, SOUP)
    for ago in (0, 2, 5):
        write_day(larder, larder.today() - timedelta(days=ago), [Written(soup, people=2)])
    write_day(larder, date(2026, 11, 1), [Written()])
    write_day(larder, date(2026, 10, 31), [Written(line="1 kg rice")])
    shown = month(larder, 2026, 11)
    assert (shown.kept, shown.kept_ever, shown.name) == (4, 5, "November 2026")
    peas = shown.totals[0]
    assert (peas.food, peas.mass_g, peas.average, peas.days) == ("green-split-peas", 600, "150 g a day", 3)
    assert shown.days[0].says == "nothing from the larder"
    assert shown.days[0].kept
    assert not shown.days[1].kept
    assert shown.days[23].says == "Pea soup"
    assert [(each.name, each.times) for each in shown.to_pick] == [("Pea soup", 3)]


def test_what_was_eaten_stays_eaten_when_the_meal_changes(larder: Larder) -> None:
    soup = keep_meal(larder, SOUP)
    write_day(larder, larder.today(), [Written(soup, people=4)])
    keep_meal(larder, replace(SOUP, text="10 g split peas"), soup)
    assert month(larder, 2026, 11).totals[0].mass_g == 400
    remove_meal(larder, soup)
    assert month(larder, 2026, 11).days[23].says == "Pea soup"


def test_a_day_is_written_anew_and_taken_out(larder: Larder) -> None:
    write_day(larder, larder.today(), [Written(line="1 kg rice")])
    write_day(larder, larder.today(), [Written(line="2 kg rice")])
    assert [each.mass_g for each in month(larder, 2026, 11).totals] == [2000]
    write_day(larder, larder.today(), [])
    assert month(larder, 2026, 11).kept == 0
    with pytest.raises(NotThere):
        write_day(larder, larder.today(), [])
    take_back(larder)
    take_back(larder)
    assert [each.mass_g for each in month(larder, 2026, 11).totals] == [1000]


@pytest.mark.parametrize(
    ("day", "items", "field"),
    [
        (date(2026, 11, 25), [Written(line="1 cup rice")], "day"),
        (date(1850, 1, 1), [Written(line="1 cup rice")], "day"),
        (date(2026, 11, 24), [Written(line="x" * 5_000_000)], "line"),
        (date(2026, 11, 24), [Written(meal=9)], "items"),
        (date(2026, 11, 24), [Written(line="1 cup rice")] * 50, "items"),
    ],
)
def test_days_that_cannot_be_written(larder: Larder, day: date, items: list[Written], field: str) -> None:
    with refused() as refusal:
        write_day(larder, day, items)
    assert refusal.value.field == field
    assert month(larder, 2026, 11).kept_ever == 0


def test_nobody_ate_of_it(larder: Larder) -> None:
    soup = keep_meal(larder, SOUP)
    with refused("people"):
        write_day(larder, larder.today(), [Written(soup, people=0)])


@pytest.mark.parametrize(("year", "number"), [(2026, 13), (2026, 0), (99, 1)])
def test_months_that_are_none(larder: Larder, year: int, number: int) -> None:
    with refused():
        month(larder, year, number)
