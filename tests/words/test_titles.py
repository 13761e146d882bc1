"""What changes are called: every one of them, in both systems of measures, for nothing, one and two of a thing."""

import re
from pathlib import Path
from string import Formatter

import pytest

import yellow_larder
from yellow_larder import features  # noqa: F401  (registers the titles)
from yellow_larder.words.quantities import Units
from yellow_larder.words.titles import say_title, titles

SAMPLES = {"mass": 2500.0, "length": 300.0, "money": 420, "day": "2026-11-26", "and": ["leeks", "pears"]}
METRIC_ONLY = re.compile(r"\d ?(kg|g|mm|cm|mL|°C)\b")
REGISTERED = sorted(code for code in titles() if not code.startswith("test."))
NOT = re.compile(
    r"\b(packets?|struck|strike|wrote down|written down|looked over|broke|gave|taken? back|eyes?|damp|schools?)\b", re.I
)
"""Words that were replaced by those of the trade."""


def _figures(code: str, n: int) -> dict[str, object]:
    found: dict[str, object] = {}
    for _, name, spec, _ in Formatter().parse(titles()[code]):
        if name:
            counted = n if name in ("count", "wrong", "lines", "minutes", "jars", "number", "tray", "shelf") else "rice"
            found[name] = SAMPLES.get(spec or "", counted)
    return found


@pytest.mark.parametrize("n", [0, 1, 2])
@pytest.mark.parametrize("units", list(Units))
def test_every_title_is_said(units: Units, n: int) -> None:
    for code in REGISTERED:
        said = say_title(code, _figures(code, n), units, "£")
        assert "{" not in said
        assert not NOT.search(said), said
        assert not re.search(r"\b1 \w+s\b", said.replace("1 × ", "")), said
        assert not re.search(r"\b[02] (jar|line|container|package|minute)\b", said), said
        if units is Units.US:
            assert not METRIC_ONLY.search(said), said


def _codes() -> set[str]:
    """The codes that the source gives changes, as far as they are written out."""
    kinds = {code.split(".")[0] for code in REGISTERED}
    files = Path(yellow_larder.__file__).parent.joinpath("features").rglob("*.py")
    written = re.compile(r'"([a-z-]+)\.([a-z-]+)"')
    return {
        f"{kind}.{what}"
        for file in files
        if file.name != "text.py"
        for kind, what in written.findall(file.read_text(encoding="utf-8"))
        if kind in kinds
    }


def test_every_code_has_words() -> None:
    assert len(_codes()) > 50
    assert _codes() <= set(REGISTERED)


def test_every_words_are_of_a_code() -> None:
    put_together = {"load.loosened", "load.tested", "package.moved-many", "package.thrown-out-many"}
    put_together |= {"supply.spent", "supply.restored"}
    assert set(REGISTERED) - _codes() <= put_together
