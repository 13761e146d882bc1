import csv
from dataclasses import replace
from datetime import datetime, timedelta
from io import StringIO

import numpy as np
import pytest

from tests.conftest import NOON, Clock
from tests.support.refusals import refused
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder, NewPlace, add_place, settle
from yellow_larder.features.household.money import read_money
from yellow_larder.features.household.people import Person, keep_person
from yellow_larder.features.lots.lots import cupboard_g, set_cupboard
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.planner import plan
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.planning.budget import set_budget
from yellow_larder.features.planning.diary import Written, write_day
from yellow_larder.features.planning.events import Basis
from yellow_larder.features.planning.goal import Goal, read_days, set_goal, wanted_in
from yellow_larder.features.planning.master_list import StoreRow, mark_tried, master_csv, master_list
from yellow_larder.features.planning.meals import Meal, keep_meal
from yellow_larder.features.planning.prices import Seen, forget_price, prices, see_price
from yellow_larder.features.planning.shopping import buy, list_csv, week_list, weeks
from yellow_larder.features.rounds.overview import overview
from yellow_larder.features.shelves.carrying import throw_out
from yellow_larder.journal.database import reading
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.quantities import Units

BROTH = Meal("Barley broth", "200 g pearl barley\n100 g red lentils\n5 g salt", serves=2, per_month=4)


def row(larder: Larder, food: str) -> StoreRow:
    return next(each for each in master_list(larder).rows if each.food == food)


def in_cupboard(larder: Larder) -> dict[str, float]:
    with reading(larder.engine) as session:
        return cupboard_g(session)


def test_need_here_and_gap(larder: Larder) -> None:
    """Two people, a meal for two, four times a month, for a month; 200 g in store of 800."""
    keep_meal(larder, BROTH)
    pack(larder, Ask(line="150 g pearl barley", container="jar-quart"))
    set_cupboard(larder, "pearl-barley", "50 g")
    barley = row(larder, "pearl-barley")
    assert (barley.need_g, barley.shelves_g, barley.cupboard_g, barley.gap_g) == pytest.approx((800, 150, 50, 600))
    assert (barley.need, barley.here, barley.gap) == ("800 g", "200 g", "600 g")
    assert barley.need_cups == "4¼ cups"
    assert barley.share == pytest.approx(0.25)


@pytest.mark.parametrize(("people", "months", "times"), [(2, 1, 1), (10, 1, 5), (2, 3, 3), (10, 2, 10)])
def test_the_need_scales_with_people_and_time(larder: Larder, people: int, months: int, times: int) -> None:
    settle(larder, Settings(people=people))
    keep_meal(larder, BROTH)
    set_goal(larder, Goal(f"{months} months"))
    assert row(larder, "pearl-barley").need_g == pytest.approx(800 * times)


def test_guests_add_their_part(larder: Larder) -> None:
    keep_person(larder, Person("We", 1980, count=2))
    keep_person(larder, Person("Guests", 1980, count=2, weeks=2))
    keep_meal(larder, replace(BROTH, per_month=30))
    set_goal(larder, Goal("4 weeks"))
    assert row(larder, "pearl-barley").need_g == pytest.approx(28 * 200 * 3 / 2, rel=0.01)


def test_seasonings_are_left_out_unless_wanted(larder: Larder) -> None:
    keep_meal(larder, BROTH)
    assert "salt" not in {each.food for each in master_list(larder).rows}
    set_goal(larder, Goal(seasonings=True))
    assert row(larder, "salt").need_g == pytest.approx(20)


def test_some_meals_only(larder: Larder) -> None:
    broth = keep_meal(larder, BROTH)
    keep_meal(larder, replace(BROTH, name="Rice", text="300 g rice"))
    assert {each.food for each in master_list(larder).rows} == {"pearl-barley", "red-lentils", "white-rice"}
    set_goal(larder, Goal(meals=(broth,)))
    assert {each.food for each in master_list(larder).rows} == {"pearl-barley", "red-lentils"}


def test_what_is_thrown_out_is_not_here(larder: Larder) -> None:
    keep_meal(larder, BROTH)
    numbers = pack(larder, Ask(line="500 g pearl barley", container="jar-quart")).numbers
    throw_out(larder, numbers, why="Moths")
    assert row(larder, "pearl-barley").here == "none"


def test_the_list_rests_on_plan_or_diary_or_both(larder: Larder) -> None:
    """Cooked on 6 days of 10, and a kilogram of rice beside: over 30.44 days 19 broths and 3.04 kg."""
    broth = keep_meal(larder, BROTH)
    for ago in range(10):
        written = [Written(broth)] if ago < 6 else [Written()]
        write_day(
            larder, larder.today() - timedelta(days=ago), written + ([Written(line="1 kg rice")] if ago == 9 else [])
        )
    set_goal(larder, Goal("1 month", basis=Basis.DIARY))
    shown = master_list(larder)
    assert (shown.diary_days, shown.meals[0].wanted) == (10, 19)
    assert row(larder, "pearl-barley").need_g == pytest.approx(19 * 200)
    assert row(larder, "white-rice").need_g == pytest.approx(30.4375 / 10 * 1000)
    set_goal(larder, Goal("1 month", basis=Basis.PLANNED))
    assert master_list(larder).meals[0].wanted == 4
    keep_meal(larder, replace(BROTH, per_month=25), broth)
    set_goal(larder, Goal("1 month", basis=Basis.BOTH))
    assert master_list(larder).meals[0].wanted == 25
    assert row(larder, "white-rice").need_g == pytest.approx(3044, rel=0.01)


def test_whole_meals_are_counted_from_one_store(larder: Larder) -> None:
    keep_meal(larder, BROTH)
    keep_meal(larder, replace(BROTH, name="Lentils", text="150 g red lentils"))
    set_cupboard(larder, "pearl-barley", "450 g")
    set_cupboard(larder, "red-lentils", "650 g")
    shown = master_list(larder)
    assert {meal.name: meal.cooked for meal in shown.meals} == {"Barley broth": 2, "Lentils": 3}
    assert (shown.cooked_meals, shown.wanted_meals) == (5, 8)
    assert 0 < shown.covered < 1


def test_how_it_is_best_kept(larder: Larder) -> None:
    keep_meal(larder, replace(BROTH, text="200 g pearl barley\n100 g hazelnuts\n50 g sugar"))
    set_goal(larder, Goal(keep_years=26))
    kept = {each.food: (each.kept, each.reaches) for each in master_list(larder).rows}
    assert kept["pearl-barley"] == ("in foil with an absorber", True)
    assert kept["white-sugar"] == ("in its packet, in a pail", True)
    assert kept["hazelnuts"][1] is False
    add_place(larder, NewPlace("Cellar", "cellar", mean_c=10, warmest_c=12))
    assert row(larder, "hazelnuts").keeps != "", "the coolest place is what counts"


def test_try_one_first(larder: Larder) -> None:
    broth = keep_meal(larder, BROTH)
    assert not row(larder, "pearl-barley").new, "without a diary nothing is known"
    write_day(larder, larder.today(), [Written(line="1 kg rice")])
    assert row(larder, "pearl-barley").new
    mark_tried(larder, "pearl-barley")
    assert not row(larder, "pearl-barley").new
    assert row(larder, "red-lentils").new
    write_day(larder, larder.today(), [Written(broth)])
    assert not row(larder, "red-lentils").new
    with pytest.raises(NotThere):
        mark_tried(larder, "manna")


def test_the_cupboard_is_weighed(larder: Larder) -> None:
    set_cupboard(larder, "rolled-oats", "2 lb")
    assert in_cupboard(larder)["rolled-oats"] == pytest.approx(907.18, abs=0.1)
    set_cupboard(larder, "rolled-oats", "300 g")
    assert in_cupboard(larder)["rolled-oats"] == pytest.approx(300)
    set_cupboard(larder, "rolled-oats", "1 kg")
    assert in_cupboard(larder)["rolled-oats"] == pytest.approx(1000)
    set_cupboard(larder, "rolled-oats", "")
    assert in_cupboard(larder).get("rolled-oats", 0) == 0
    for amount, field in (("lots", "cupboard"), ("-1 kg", "cupboard"), ("", "cupboard")):
        with refused() as refusal:
            set_cupboard(larder, "rolled-oats", amount)
        assert refusal.value.field == field
    with pytest.raises(NotThere):
        set_cupboard(larder, "manna", "1 kg")


def test_days_of_everything_here(larder: Larder) -> None:
    pack(larder, Ask(line="10 kg pearl barley"))
    set_cupboard(larder, "pearl-barley", "2.5 kg")
    assert overview(larder).days == pytest.approx(12.5 * 3520 / 4400)


def test_the_list_in_an_open_format(larder: Larder) -> None:
    keep_meal(larder, BROTH)
    table = list(csv.DictReader(StringIO(master_csv(larder))))
    assert [(each["food"], each["need_g"], each["gap_g"]) for each in table] == [
        ("pearl barley", "800.0", "800.0"),
        ("red lentils", "400.0", "400.0"),
    ]


@pytest.mark.parametrize(
    ("length", "days"), [("6 weeks", 42), ("a year", 365.25), ("3 months", 91.3125), ("half a year", 182.6)]
)
def test_lengths_of_time(length: str, days: float) -> None:
    if length == "half a year":
        length = "half year"
    assert read_days(length) == pytest.approx(days, abs=0.1)


@pytest.mark.parametrize(
    ("goal", "field"),
    [
        (Goal("soon"), "length"),
        (Goal("0 weeks"), "length"),
        (Goal("900 years"), "length"),
        (Goal(keep_years=0), "keep_years"),
        (Goal(meals=(7,)), "meals"),
    ],
)
def test_goals_that_are_none(larder: Larder, goal: Goal, field: str) -> None:
    with refused() as refusal:
        set_goal(larder, goal)
    assert refusal.value.field == field
    with reading(larder.engine) as session:
        assert wanted_in(session, larder.today()).goal == Goal()


def test_prices_a_kilogram_and_a_thousand_kcal(larder: Larder) -> None:
    """2.5 kg at 3.60 is 1.44 a kg; pearl barley has 3,520 kcal a kg, so 0.41 a thousand."""
    settle(larder, Settings(currency="£"))
    see_price(larder, Seen("2.5 kg pearl barley", "3.60", "Harbour store"))
    see_price(larder, Seen("10 kg barley", "9.80", "the mill"))
    shown = prices(larder).foods[0]
    assert [each.per_weight for each in shown.prices] == ["£0.98", "£1.44"]
    assert shown.prices[1].per_1000_kcal == "£0.41"
    settle(larder, Settings(currency="£", units=Units.US))
    assert prices(larder).foods[0].prices[1].per_weight == "£0.65"


def test_the_latest_against_the_lowest(larder: Larder, clock: Clock) -> None:
    """The same sack can swing fourfold in a week (common practice)."""
    see_price(larder, Seen("2 kg red lentils", "2.60", "mill"))
    clock.now += timedelta(days=7)
    see_price(larder, Seen("2 kg red lentils", "10.40", "Mill"))
    shown = prices(larder).foods[0]
    assert shown.above_lowest == pytest.approx(4)
    assert shown.says == "300 % above the lowest seen, 1.30 on 24 Nov 2026"
    assert [each.newest for each in shown.prices] == [False, True]


def test_a_price_is_struck_out(larder: Larder) -> None:
    number = see_price(larder, Seen("1 kg rice", "2"))
    forget_price(larder, number)
    assert prices(larder).foods == []
    with pytest.raises(NotThere):
        forget_price(larder, number)


@pytest.mark.parametrize(
    ("seen", "field"),
    [
        (Seen("1 kg rice", "0"), "price"),
        (Seen("1 kg rice", "-3"), "price"),
        (Seen("1 kg rice", "dear"), "price"),
        (Seen("1 kg rice", "999999999"), "price"),
        (Seen("rice", "3"), "line"),
        (Seen("1 kg manna from above", "3"), "line"),
        (Seen("1 kg rice", "3", "x" * 200), "shop"),
        (Seen("1 kg rice", "3", "shop", (NOON + timedelta(days=2)).date()), "seen_on"),
    ],
)
def test_prices_that_are_none(larder: Larder, seen: Seen, field: str) -> None:
    with refused() as refusal:
        see_price(larder, seen)
    assert refusal.value.field == field
    assert prices(larder).foods == []


@pytest.mark.parametrize(
    ("text", "coins"),
    [("3.20", 320), ("£3.20", 320), ("3,2", 320), ("12", 1200), ("1,250.50", 125_050), ("4.05 kr", 405), ("0", 0)],
)
def test_sums_as_people_write_them(text: str, coins: int) -> None:
    assert read_money(text, "price") == coins


def stocked(larder: Larder, weekly: str = "10") -> None:
    keep_meal(larder, BROTH)
    see_price(larder, Seen("1 kg pearl barley", "2.00", "shop"))
    see_price(larder, Seen("500 g red lentils", "1.50", "shop"))
    set_budget(larder, weekly)


def test_this_weeks_list(larder: Larder) -> None:
    stocked(larder)
    shown = week_list(larder)
    assert [(each.packs, each.pack, each.name, each.cost) for each in shown.lines] == [
        (1, "1 kg", "pearl barley", "2.00"),
        (1, "500 g", "red lentils", "1.50"),
    ]
    assert (shown.cost, shown.left_over) == ("3.50", "6.50")
    assert (shown.meals_now, shown.meals_then, shown.meals_wanted) == (0, 4, 4)
    assert shown.gains == ["4 × Barley broth"]
    assert shown.proven
    assert list(csv.reader(StringIO(list_csv(larder))))[1] == [
        "pearl barley",
        "1",
        "1 kg",
        "2.00",
        "shop",
        "24 Nov 2026",
    ]


def test_bought_is_a_lot_and_the_bench_takes_it(larder: Larder) -> None:
    """One press from the list to the bench; packing takes it off the cupboard, and undo brings it back."""
    stocked(larder)
    line = week_list(larder).lines[0]
    lot = buy(larder, line.price, 2)
    assert in_cupboard(larder) == {"pearl-barley": 2000}
    shown = week_list(larder)
    assert shown.bought[0].line == "2 kg pearl barley"
    assert (shown.budget.spent, shown.budget.at_hand) == ("4.00", "6.00")
    ask = Ask(line=shown.bought[0].line, container="jar-quart", lot=lot)
    assert (plan(larder, ask).cost, plan(larder, ask).cost_per_1000_kcal) == ("4.00", "0.57")
    batch = pack(larder, replace(ask, line="1.5 kg pearl barley"))
    assert in_cupboard(larder)["pearl-barley"] == pytest.approx(500)
    assert row(larder, "pearl-barley").shelves_g == pytest.approx(1500)
    assert batch.numbers == [1, 2, 3]
    take_back(larder)
    assert in_cupboard(larder) == {"pearl-barley": 2000}
    pack(larder, ask)
    with pytest.raises(NotThere, match="Nothing is left"):
        pack(larder, ask)


def test_a_lot_of_another_food_is_not_touched(larder: Larder) -> None:
    stocked(larder)
    lot = buy(larder, week_list(larder).lines[0].price, 1)
    ask = Ask(line="1 kg red lentils", container="jar-quart", lot=lot)
    assert plan(larder, ask).cost == ""
    pack(larder, ask)
    assert in_cupboard(larder) == {"pearl-barley": 1000}


def test_unspent_money_is_carried_over(larder: Larder, clock: Clock) -> None:
    stocked(larder)
    buy(larder, 1, 1)
    clock.now = NOON + timedelta(days=8)
    budget = week_list(larder).budget
    assert (budget.carried, budget.spent, budget.at_hand) == ("8.00", "", "18.00")
    set_budget(larder, "20")
    assert week_list(larder).budget.at_hand == "28.00"
    clock.now = NOON + timedelta(days=15)
    buy(larder, 1, 100)
    assert week_list(larder).budget.at_hand == "0.00"
    clock.now = NOON + timedelta(days=22)
    assert week_list(larder).budget.at_hand == "20.00", "a debt is not carried"


def test_the_weeks_until_the_goal(larder: Larder) -> None:
    stocked(larder, weekly="1.80")
    shown = weeks(larder)
    assert shown.reached
    assert [each.meals for each in shown.weeks] == [0, 0, 4]
    assert (shown.weeks_needed, shown.cost_to_goal) == (2, "3.50")
    assert np.all(np.diff([each.days for each in shown.weeks]) >= 0)
    assert shown.says == "2 weeks to the goal at this pace."


def test_weeks_that_cannot_be_told(larder: Larder) -> None:
    keep_meal(larder, BROTH)
    with refused("spend in a week"):
        weeks(larder)
    see_price(larder, Seen("1 kg pearl barley", "2.00"))
    set_budget(larder, "5")
    assert "no price yet" in weeks(larder).says
    assert week_list(larder).not_on_offer == ["red lentils"]


def test_why_the_list_is_empty(larder: Larder) -> None:
    says = []
    says.append(week_list(larder).says)
    keep_meal(larder, BROTH)
    says.append(week_list(larder).says)
    set_budget(larder, "2")
    says.append(week_list(larder).says)
    see_price(larder, Seen("10 kg rice", "1.00"))
    see_price(larder, Seen("25 kg pearl barley", "7.00"))
    says.append(week_list(larder).says)
    set_cupboard(larder, "pearl-barley", "3 kg")
    set_cupboard(larder, "red-lentils", "3 kg")
    says.append(week_list(larder).says)
    for said, part in zip(
        says,
        ["Write a meal", "spend in a week", "Write down a price", "wait 3 weeks", "All that the goal asks for is here"],
        strict=True,
    ):
        assert part in said


@pytest.mark.parametrize(("packs", "price", "error"), [(0, 1, Refused), (5000, 1, Refused), (1, 99, NotThere)])
def test_buying_that_is_none(larder: Larder, packs: int, price: int, error: type[Refused]) -> None:
    stocked(larder)
    with pytest.raises(error):
        buy(larder, price, packs)
    assert in_cupboard(larder) == {}


def test_bought_some_days_ago_but_not_tomorrow(larder: Larder) -> None:
    stocked(larder)
    buy(larder, 1, 1, datetime(2026, 11, 20).date())
    with refused("in the future"):
        buy(larder, 1, 1, datetime(2026, 11, 30).date())
