"""Prices seen: what a pack cost where and when, and what that makes a kilogram and a thousand kcal."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date

from sqlalchemy import select
from sqlalchemy.orm import Session

from yellow_larder.core.food import Food
from yellow_larder.core.units import G_PER_POUND
from yellow_larder.features.catalog.foods import all_foods, find_food
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder, settings, tidy_name
from yellow_larder.features.household.money import read_money, say_money
from yellow_larder.features.planning.events import PriceSeen
from yellow_larder.features.planning.state import Price
from yellow_larder.journal import log
from yellow_larder.journal.database import reading, writing
from yellow_larder.words.dates import check_day, say_day
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.quantities import Units, read_line, say_mass

"""Source: NIST Handbook 44, appendix C."""


@dataclass(frozen=True, slots=True)
class Seen:
    """A price as seen in a shop.

    Attributes:
        line: the pack and what is in it, "2.5 kg pearl barley".
        price: what it costs, "3.20".
        shop: where.
        seen_on: when; none means today.
    """

    line: str
    price: str
    shop: str = ""
    seen_on: date | None = None


@dataclass(frozen=True, slots=True)
class PriceView:
    """A price as shown."""

    number: int
    pack: str
    price: str
    shop: str
    seen_on: str
    per_weight: str
    per_1000_kcal: str
    coins_per_kg: float
    newest: bool
    """Whether it is the newest for that pack in that shop: the list buys at no other."""


@dataclass(frozen=True, slots=True)
class FoodPrices:
    """The prices of one food, the cheapest a kilogram first."""

    food: str
    name: str
    form: str
    colour: str
    lowest: str
    latest: str
    above_lowest: float
    """How many times the lowest ever seen the cheapest of now is."""
    says: str
    prices: list[PriceView]


@dataclass(frozen=True, slots=True)
class PricesView:
    """All prices, by food."""

    per: str
    foods: list[FoodPrices]


def see_price(larder: Larder, seen: Seen) -> int:
    """Write down a price; returns its number."""
    day = check_day(seen.seen_on or larder.today(), larder.today(), "seen_on")
    shop = tidy_name(seen.shop, "shop") if seen.shop.strip() else "the shop"
    coins = read_money(seen.price, "price")
    if not coins:
        raise Refused("price", "Enter a price above 0; what is given belongs in the cupboard")
    with writing(larder.engine) as session:
        line = read_line(seen.line)
        food = find_food(line.food, all_foods(session))
        number = log.next_number(session, "price")
        price = PriceSeen(food.key, shop, line.amount.weighs_g(food.loose_g_ml), coins, day)
        title = log.title("price.seen", name=food.name, coins=coins, shop=shop)
        log.record(session, title, [log.Act(number, price)], at=larder.clock())
    return number


def forget_price(larder: Larder, number: int) -> None:
    """Strike a price out, say one written down wrongly."""
    with writing(larder.engine) as session:
        if session.get(Price, number) is None:
            raise NotThere("number", "That price is not there any more")
        log.record(session, log.title("price.removed"), [log.removed("price", number)], at=larder.clock())


def prices(larder: Larder) -> PricesView:
    """All prices seen, by food."""
    with reading(larder.engine) as session:
        household, foods = settings(session), all_foods(session)
        rows = session.scalars(select(Price).order_by(Price.seen_on, Price.id)).all()
        newest = {row.id for row in newest_prices(session)}
    by_food: dict[str, list[Price]] = {}
    for row in rows:
        if row.food_key in foods:
            by_food.setdefault(row.food_key, []).append(row)
    found = [_of_food(foods[key], of_food, newest, household) for key, of_food in by_food.items()]
    per = "a kg" if household.units is Units.METRIC else "a lb"
    return PricesView(per, sorted(found, key=lambda each: each.name))


def newest_prices(session: Session) -> list[Price]:
    """Of every pack in every shop the price seen last, and so the one to buy at."""
    rows = session.scalars(select(Price).order_by(Price.seen_on, Price.id))
    newest = {(row.food_key, row.shop.casefold(), round(row.pack_g)): row for row in rows}
    return list(newest.values())


def _of_food(food: Food, rows: list[Price], newest: set[int], household: Settings) -> FoodPrices:
    views = sorted((_view(row, food, newest, household) for row in rows), key=lambda each: each.coins_per_kg)
    now = [each for each in views if each.newest]
    lowest, cheapest = views[0], now[0]
    times = cheapest.coins_per_kg / lowest.coins_per_kg
    if times < 1.05:
        says = "lowest seen" if len(rows) > len(now) else ""
    else:
        says = f"{round((times - 1) * 100)} % above the lowest seen, {lowest.per_weight} on {lowest.seen_on}"
    return FoodPrices(
        food.key, food.name, food.form, food.colour, lowest.per_weight, cheapest.per_weight, times, says, views
    )


def _view(row: Price, food: Food, newest: set[int], household: Settings) -> PriceView:
    per_kg = row.coins / row.pack_g * 1000
    kcal = food.composition.kcal * row.pack_g / 100
    per_unit = per_kg if household.units is Units.METRIC else per_kg * G_PER_POUND / 1000
    return PriceView(
        number=row.id,
        pack=say_mass(row.pack_g, household.units),
        price=say_money(row.coins, household),
        shop=row.shop,
        seen_on=say_day(row.seen_on),
        per_weight=say_money(per_unit, household),
        per_1000_kcal=say_money(row.coins / kcal * 1000, household) if kcal else "none",
        coins_per_kg=per_kg,
        newest=row.id in newest,
    )
