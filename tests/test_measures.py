"""What the web writes itself, and does not have from the larder, is there in both measures."""

from __future__ import annotations

import re

from tests.test_tokens import SOURCES

DEGREES = re.compile(r"\d ?°C")
OFFERED = re.compile(r'"[\d.]+ (?:kg|g|mL|L|cm|mm) [a-z]')
FIGURE = re.compile(r"\} (?:g|kg|mm|cm)\b(?! protein| of gel)")
MEASURE = r"(?:kg|g|mm|cm|m|L)\b(?! protein| as it is packed| a kg|/mL)"
WRITTEN = re.compile(rf"(?<![\w·×.{{])(?<!In )\d(?:[\d.,]*\d)? {MEASURE}")
"""In a sentence; but for nutrients, of which all the world counts grams, and for the figures of a formula."""
OTHERWISE = re.compile(r" ?\([^)]*\b(?:oz|lb|in|ft|gal|qt)\b")
COMMENT = re.compile(r"<!--.*?-->|/\*.*?\*/|(?<![:\"'])//[^\n]*", re.DOTALL)
KINDS_OF_HOUSE = re.compile(r"\bus\b")
EXAMPLE = re.compile(r'placeholder="[^"{]*\d ?(?:kg|g|mL|cm|mm)\b[^"{]*"')


def lacking(text: str) -> list[str]:
    """Lines with degrees in °C alone, or an example to type that a US house would not."""
    return [
        line.strip()
        for line in text.splitlines()
        if (DEGREES.search(line) and "°F" not in line) or EXAMPLE.search(line)
    ]


def metric_alone(text: str) -> list[str]:
    """What is offered to press, or written, and is the same in a US house."""
    text = COMMENT.sub("", text)
    return [
        text[max(0, found.start() - 30) : found.end() + 10]
        for law in (OFFERED, FIGURE, WRITTEN)
        for found in law.finditer(text)
        if not KINDS_OF_HOUSE.search(text[max(0, found.start() - 250) : found.start()])
        and not OTHERWISE.match(text[found.end() : found.end() + 30])
    ]


def test_nothing_is_offered_in_metric_alone() -> None:
    told_so = {"OwnMix.svelte"}
    sources = [path for path in SOURCES if path.name not in told_so]
    assert {path.name: found for path in sources if (found := metric_alone(path.read_text()))} == {}


def test_no_page_speaks_metric_alone() -> None:
    assert {path.name: found for path in SOURCES if (found := lacking(path.read_text()))} == {}


def test_it_would_see_one() -> None:
    assert lacking('  text: "at 20 °C",\n  text: "at 20 °C (68 °F)",') == ['text: "at 20 °C",']
    assert lacking('<input placeholder="240 g" />') != []
    assert lacking('<input placeholder={larder.us ? "8 oz" : "240 g"} />') == []
    assert metric_alone('{#each ["3 kg apples"] as line}') != []
    assert metric_alone('{#each us ? ["6 lb apples"] : ["3 kg apples"] as line}') == []
    assert metric_alone("dry at about {Math.round(target)} g.") != []
    assert metric_alone("a can of beans stands for 71 g dry") != []
    assert metric_alone("a can of beans stands for 71 g (2½ oz) dry") == []
