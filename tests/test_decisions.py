"""Nothing is decided by what a sentence says: a sentence may be mended, and must not change what is done."""

import re
from collections.abc import Iterator
from pathlib import Path

import pytest

ROOT = Path(__file__).parents[1]
PATTERNS = {
    "a sentence is cut at its colon": r"""\.split\((?P<q>['"]): ?(?P=q)""",
    "a message is searched": (
        r"""(message|says|why|trouble|title|text)\??\.(includes|startsWith|endsWith|match|search)\("""
    ),
    "a sentence is compared": r"""(says|message|trouble|best_by|keeps|packets) ?(===?|!==?) ?(?P<q>['"])[a-zA-Z]""",
    "a message is searched in Python": r"""(message|says|trouble|title)\.(startswith|endswith|partition|split)\(""",
    "a message is looked into": r"""(['"][A-Za-z ]+['"]) in \w*\.?(message|says|trouble|title)\b""",
}
"""Where words decided once, and what would bring that back."""


def sources() -> Iterator[tuple[str, str]]:
    for folder, endings in (("yellow_larder", ("*.py",)), ("web/src", ("*.svelte", "*.ts"))):
        for ending in endings:
            for file in sorted((ROOT / folder).rglob(ending)):
                if not file.name.endswith((".test.ts", "schema.d.ts")):
                    yield str(file.relative_to(ROOT)), file.read_text(encoding="utf-8")


@pytest.mark.parametrize("what", PATTERNS)
def test_no_sentence_decides(what: str) -> None:
    found = [f"{name}: {match[0]}" for name, text in sources() for match in re.finditer(PATTERNS[what], text)]
    assert found == []


def test_the_patterns_find_what_they_are_for() -> None:
    once = """
        says.split(":")[0]; wrong.printer?.message.includes("roll"); card.trouble.startsWith("Puffed");
        card.best_by === "keeps"; packets != "no packets"; step.says.split(":")[0]; if "damp" in finding.says: pass
    """
    assert sum(len(list(re.finditer(pattern, once))) for pattern in PATTERNS.values()) >= 7
