"""Sums of money, in the smallest coin so that they add up exactly."""

from __future__ import annotations

import re

from yellow_larder.features.household.events import Settings
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import say_coins

MOST_COINS = 10_000_000
_MONEY = re.compile(r"^\D{0,4}?(\d{1,3}(?:[ ,']\d{3})+|\d+)(?:[.,](\d{1,2}))?\s*\D{0,4}$")


def read_money(text: str, field: str) -> int:
    """A sum of money in the smallest coin, from "3.20", "£3.20" or "3,20".

    Example:
        >>> read_money("£3.20", "price"), read_money("12", "price"), read_money("1,250.5", "price")
        (320, 1200, 125050)

    Raises:
        Refused: it is not a sum of money.
    """
    found = _MONEY.match(text.strip())
    if found is None or "-" in text:
        raise Refused(field, "Write a sum such as 3.20")
    whole = int(re.sub(r"\D", "", found[1]))
    coins = whole * 100 + int((found[2] or "0").ljust(2, "0"))
    if coins > MOST_COINS:
        raise Refused(field, f"Maximum is {MOST_COINS // 100:,}")
    return coins


def say_money(coins: float, household: Settings) -> str:
    """A sum of money with the household's sign.

    Example:
        >>> say_money(1960, Settings(currency="£"))
        '£19.60'
    """
    return say_coins(coins, household.currency)
