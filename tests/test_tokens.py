"""The web draws with what the theme names: no size and no colour of its own."""

from __future__ import annotations

import re
from pathlib import Path

import pytest

SOURCES = sorted((Path(__file__).parents[1] / "web" / "src").rglob("*.svelte"))

OWN = {
    "a size beside the scale": r"\btext-\[[\d.]+(rem|px)\]",
    "a colour beside the tokens": r"""["'(:\[ ]#[0-9a-fA-F]{3,8}\b|\brgba?\(|\b(?:text|bg|border)-(?:white|black)\b""",
}


@pytest.mark.parametrize("own", OWN)
def test_sizes_and_colours_are_the_themes(own: str) -> None:
    found = [f"{path.name}: {each[0]}" for path in SOURCES for each in re.finditer(OWN[own], path.read_text())]
    assert found == []


def test_it_would_see_one() -> None:
    assert re.search(OWN["a size beside the scale"], 'class="text-[0.9rem]"')
    assert re.search(OWN["a colour beside the tokens"], 'fill="#1f2f2a"')
