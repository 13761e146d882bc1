"""The house stays one that can be lived in: short files, tests where the code is."""

from pathlib import Path

import pytest

ROOT = Path(__file__).parents[1]
GENERATED = {"schema.d.ts"}
MOST_LINES = 400
ENDINGS = {"yellow_larder": ".py", "tests": ".py", "tools": ".py", "web/src": ".svelte .ts"}
SOURCES = sorted(
    file
    for folder, endings in ENDINGS.items()
    for file in (ROOT / folder).rglob("*")
    if file.suffix in endings.split() and file.name not in GENERATED
)
FEATURES = sorted(each.parent.name for each in (ROOT / "yellow_larder" / "features").glob("*/__init__.py"))


def test_no_file_is_longer_than_can_be_read_at_once() -> None:
    assert len(SOURCES) > 350
    lines = {str(file.relative_to(ROOT)): file.read_text(encoding="utf-8").count("\n") for file in SOURCES}
    assert {name: count for name, count in lines.items() if count > MOST_LINES} == {}


@pytest.mark.parametrize("feature", FEATURES)
def test_a_feature_has_its_tests_beside_it(feature: str) -> None:
    assert list((ROOT / "tests" / "features" / feature).glob("test_*.py"))


@pytest.mark.parametrize("feature", FEATURES)
def test_what_can_happen_in_a_feature_and_how_that_folds_stand_together(feature: str) -> None:
    folder = ROOT / "yellow_larder" / "features" / feature
    assert (folder / "state.py").exists() == (folder / "events.py").exists()
