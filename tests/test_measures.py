"""What the web writes itself, and does not have from the larder, is there in both measures."""

from __future__ import annotations

import re

from tests.test_tokens import SOURCES

DEGREES = re.compile(r"\d ?°C")
EXAMPLE = re.compile(r'placeholder="[^"{]*\d ?(?:kg|g|mL|cm|mm)\b[^"{]*"')


def lacking(text: str) -> list[str]:
    """Lines with degrees in °C alone, or an example to type that a US house would not."""
    return [
        line.strip()
        for line in text.splitlines()
        if (DEGREES.search(line) and "°F" not in line) or EXAMPLE.search(line)
    ]


def test_no_page_speaks_metric_alone() -> None:
    assert {path.name: found for path in SOURCES if (found := lacking(path.read_text()))} == {}


def test_it_would_see_one() -> None:
    assert lacking('  text: "at 20 °C",\n  text: "at 20 °C (68 °F)",') == ['text: "at 20 °C",']
    assert lacking('<input placeholder="240 g" />') != []
    assert lacking('<input placeholder={larder.us ? "8 oz" : "240 g"} />') == []
