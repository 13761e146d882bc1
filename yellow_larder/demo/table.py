"""What the Fennimore-Okoros eat, five weeks of their diary, and what the island's shops ask."""

from __future__ import annotations

from collections.abc import Callable
from datetime import timedelta

from yellow_larder.core.planning import Activity, Sex
from yellow_larder.demo.ago import Ago
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.household.people import Person, keep_person
from yellow_larder.features.lots.lots import set_cupboard
from yellow_larder.features.planning.budget import set_budget
from yellow_larder.features.planning.diary import Written, write_day
from yellow_larder.features.planning.events import Basis, MealKind
from yellow_larder.features.planning.goal import Goal, set_goal
from yellow_larder.features.planning.meals import Meal, keep_meal, remember
from yellow_larder.features.planning.prices import Seen, see_price
from yellow_larder.features.planning.shopping import buy

_BREAKFAST, _LUNCH, _SUPPER, _OTHER = MealKind

_MEALS = [
    Meal("Porridge", "2 cups rolled oats\n½ cup milk powder\nsalt", _BREAKFAST, 4, 16),
    Meal(
        "Drop scones",
        "1½ cups white flour\n⅓ cup milk powder\nan egg\n1 tbsp white sugar\nbaking soda",
        _BREAKFAST,
        4,
        4,
    ),
    Meal("Barley broth", "1 cup pearl barley\n2 carrots\na leek\n½ oz dulse\nsalt and pepper", _LUNCH, 4, 8),
    Meal("Lentil soup", "1½ cups red lentils\n2 onions\n1 carrot\n1 tsp cumin", _LUNCH, 4, 8),
    Meal("Pease pudding", "2 cups yellow split peas\nan onion\n1 oz butter\npepper", _LUNCH, 4, 4),
    Meal("Fish stew", "240 g fish stew\n4 potatoes\na leek\nthyme", _SUPPER, 4, 6),
    Meal("Mushroom barley", "1½ cups barley\n40 g dried mushrooms\n2 onions\nthyme", _SUPPER, 4, 5),
    Meal("Beans on toast", "2 cans of haricot beans\n2 cups bread flour\ndried yeast\n2 tomatoes", _SUPPER, 4, 6),
    Meal("Macaroni and leeks", "400 g macaroni\n2 leeks\n½ cup milk powder\n2 oz Skerrow cheese", _SUPPER, 4, 4),
    # Never cooked yet, as the diary will show.
    Meal(
        "Millet and chickpea pot", "1½ cups millet\n1 cup chickpeas\n2 onions\n2 carrots\n1 tsp paprika", _SUPPER, 4, 2
    ),
    Meal("Hazelnut biscuits", "100 g hazelnuts\n1½ cups white flour\n⅓ cup white sugar\n2 oz butter", _OTHER, 4, 2),
    Meal("Pear crumble", "120 g dried pears\n1 cup rolled oats\n¼ cup white sugar\n2 oz butter", _OTHER, 4, 4),
]

_PRICES = [
    # days ago, pack, price, where
    (61, "5 kg rolled oats", "6.90", "Harbour store"),
    (12, "5 kg rolled oats", "7.40", "Harbour store"),
    (12, "1 kg rolled oats", "1.75", "Harbour store"),
    (75, "10 kg pearl barley", "9.80", "mainland mill"),
    (19, "2.5 kg pearl barley", "3.60", "Harbour store"),
    (75, "25 kg white flour", "16.50", "mainland mill"),
    (12, "1.5 kg white flour", "1.45", "Harbour store"),
    (19, "1.5 kg bread flour", "1.65", "Harbour store"),
    (75, "16 kg bread flour", "13.90", "mainland mill"),
    (40, "2 kg red lentils", "2.60", "mainland mill"),
    (5, "2 kg red lentils", "5.20", "mainland mill"),
    (12, "500 g red lentils", "1.40", "Harbour store"),
    (40, "5 kg yellow split peas", "5.90", "mainland mill"),
    (12, "3 kg macaroni", "4.20", "Harbour store"),
    (40, "1 kg skimmed milk powder", "5.60", "mainland mill"),
    (40, "2 kg haricot beans", "4.40", "mainland mill"),
    (12, "1 kg white sugar", "1.10", "Harbour store"),
    (40, "500 g whole egg powder", "7.80", "mainland mill"),
    (5, "1 kg freeze-dried fish stew", "24.00", "the ferry stall"),
    (40, "500 g dried carrots", "5.10", "mainland mill"),
    (40, "500 g dried onions", "4.60", "mainland mill"),
    (40, "1 kg dried potato slices", "6.20", "mainland mill"),
    (40, "250 g dried leeks", "3.90", "mainland mill"),
    (40, "250 g dried tomatoes", "4.40", "mainland mill"),
    (5, "100 g dried mushrooms", "3.20", "the ferry stall"),
    (40, "1 kg millet", "2.90", "mainland mill"),
    (40, "1 kg chickpeas", "2.70", "mainland mill"),
    (40, "1 kg dried pears", "9.50", "mainland mill"),
]
_LENTILS = next(n for n, seen in enumerate(_PRICES, 1) if seen[1] == "2 kg red lentils")
"""The price they bought lentils at, before it doubled."""

_CUPBOARD = {"rolled-oats": "1.3 kg", "white-sugar": "700 g", "macaroni": "350 g", "white-flour": "2 cups"}


def lay_the_table(larder: Larder, ago: Ago) -> None:
    """Name who eats, write the meals, keep the diary, see the prices, and set a goal."""

    def on(days: int) -> None:
        larder.clock = ago(days)

    on(90)
    _people(larder)
    numbers = [keep_meal(larder, meal) for meal in _MEALS]
    remember(larder, "butter", "elsewhere")
    remember(larder, "salt and pepper", "seasoning")
    _prices(larder, on)
    _diary(larder, on, numbers)
    on(20)
    set_goal(larder, Goal("3 months", basis=Basis.PLANNED, keep_years=3))
    for food, amount in (
        ("rolled-oats", "1.3 kg"),
        ("white-sugar", "700 g"),
        ("macaroni", "350 g"),
        ("white-flour", "2 cups"),
    ):
        set_cupboard(larder, food, amount)
    on(16)
    set_budget(larder, "14")
    on(9)
    buy(larder, _LENTILS, 3)
    on(2)
    set_cupboard(larder, "dried-carrots", "90 g")


def _people(larder: Larder) -> None:
    born = larder.today().year
    for person in (
        Person("Father", born - 44, Sex.MALE, Activity.ACTIVE, "180 cm", "82 kg"),
        Person("Mother", born - 39, Sex.FEMALE, Activity.LIGHT, "166 cm", "64 kg"),
        Person("Grandmother", born - 74, Sex.FEMALE, Activity.SITTING, "158 cm", "61 kg"),
        Person("The boy", born - 9, Sex.MALE, Activity.ACTIVE),
        Person("Cousins, in gales", born - 33, count=2, weeks=1.5),
    ):
        keep_person(larder, person)


def _prices(larder: Larder, on: Callable[[int], None]) -> None:
    for days, line, price, shop in _PRICES:
        on(days)
        see_price(larder, Seen(line, price, shop))


def _diary(larder: Larder, on: Callable[[int], None], meals: list[int]) -> None:
    """Five weeks, a day forgotten here and there, and a line that nobody can read yet."""
    porridge, scones, broth, lentils, pease, stew, mushrooms, beans, macaroni, _pot, biscuits, crumble = meals
    noons = [broth, lentils, beans, pease, lentils, broth, macaroni]
    evenings = [stew, mushrooms, macaroni, beans, stew, biscuits, crumble]
    for days in range(37, 0, -1):
        if days in (33, 24, 23, 11):
            continue
        on(days)
        eaten = [Written(scones if days % 7 == 2 else porridge)]
        if days % 3:
            eaten.append(Written(noons[days % 7]))
        if days == 18:
            eaten.append(Written(line="what was left of the pie"))
        elif days == 9:
            eaten.append(Written(line="2 cups white rice"))
        elif days % 8 != 5:
            eaten.append(Written(evenings[(days // 2) % 7], people=6 if days in (15, 16) else None))
        write_day(larder, larder.today(), eaten)
    on(7)
    write_day(larder, larder.today() - timedelta(days=4), [Written()])
