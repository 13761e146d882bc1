"""On the screens a number and what it counts come from one place, `counted`, which knows one from many."""

import re

import pytest

from tests.test_tokens import SOURCES

THINGS = (
    r"hour|day|week|month|year|minute|jar|bag|tray|bucket|packet|absorber|cup|lid|bottle|label|thing|meal|lot|package|look"
    r"|container|food|line|seed|tin|pack|place|round|note"
)
BY_HAND = re.compile(
    rf"\}}(?:</b>)? (?:{THINGS})s\b(?!=)|=== 1 \? \"(?:{THINGS})\"|\}}(?: (?:{THINGS}))?\{{[^}}]*\? \"s\""
)
"""A figure with a word behind it that is always that of many, or is chosen on the spot."""

TENTHS = re.compile(r"\{few\([^}]*\}(?:</b>)? days|toFixed\(1\)\} days")
"""Days to a tenth are many, whatever they are: "1.0 days"."""


def by_hand(text: str) -> list[str]:
    text = TENTHS.sub("", text)
    return [text[found.start() - 40 : found.end()] for found in BY_HAND.finditer(text)]


def test_one_place_knows_one_from_many() -> None:
    assert len(SOURCES) > 90
    assert [found for each in SOURCES for found in by_hand(each.read_text(encoding="utf-8"))] == []


@pytest.mark.parametrize(
    "text", ["for {days} days", "<b>{n}</b> jars", '{n === 1 ? "day" : "days"}', 'on {n} tray{n > 1 ? "s" : ""}']
)
def test_it_would_see_one(text: str) -> None:
    assert len(by_hand(" " * 40 + text)) == 1
