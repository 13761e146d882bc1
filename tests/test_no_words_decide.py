"""The screens decide on codes and figures: no sentence is taken apart, and no figure of the trade is written there."""

import re
from collections.abc import Iterator
from pathlib import Path

import pytest

WEB = Path(__file__).parents[1] / "web" / "src"
_SEARCH = r"\.(includes|startsWith|endsWith|indexOf|match|search)"
PATTERNS = {
    "a sentence is searched": _SEARCH + r"""\(["'/][^"'/)]*[A-Z ][^"'/)]*["'/]""",
    "a sentence is cut": r"""\.split\(["']: ?["']\)""",
    "something is picked out of a sentence": r"\\d[^/\n]*/[gi]*\.exec\([\w.]*\.(says|title|text|name|message)\b",
    "a sentence is compared": r"""[!=]== "[A-Z][a-z]+ [a-z]""",
    "an amount is read": r"""\b(kg|lbs?|oz|cups\?)\|""",
    "a name is shortened": r"""\.replace\(/[^/]*(dried|whole|brown)""",
    "what was typed is read without its signs": r"""(?<!place: )\bNumber\(\w+(\.\w+)*\.(value|count|per|low|rows)\b""",
    "degrees are converted": r"\* 1\.8 \+ 32|- 32\) / 1\.8",
    "measures are asked for anew": r"""units === "US\"""",
}
ALLOWED = {"degrees are converted": "format/degrees.ts", "measures are asked for anew": "larder.svelte.ts"}
"""Where the one place of it is."""


def lines() -> Iterator[tuple[str, str]]:
    for file in sorted((*WEB.rglob("*.svelte"), *WEB.rglob("*.ts"))):
        if file.name.endswith((".test.ts", "schema.d.ts")):
            continue
        for n, line in enumerate(file.read_text(encoding="utf-8").splitlines(), 1):
            yield f"{file.relative_to(WEB)}:{n}", line


@pytest.mark.parametrize("what", PATTERNS)
def test_nothing_is_decided_on_words(what: str) -> None:
    found = [
        f"{where}: {line.strip()[:100]}"
        for where, line in lines()
        if re.search(PATTERNS[what], line) and ALLOWED.get(what, "nowhere") not in where
    ]
    assert found == []


@pytest.mark.parametrize(
    ("what", "line"),
    [
        ("a sentence is searched", 'if (verdict.startsWith("Puffed up"))'),
        ("a sentence is cut", 'const [what, why] = step.says.split(": ");'),
        ("something is picked out of a sentence", r"Number(/tray (\d+)/.exec(step.says)?.[1])"),
        ("a sentence is compared", 'life.text === "Keeps for decades"'),
        ("an amount is read", r"/^(.*?\d\S*\s*(?:kg|g|lbs?|oz|cups?)\b)/i.exec(line)"),
        ("a name is shortened", 'name.replace(/^freeze-dried /, "")'),
        ("what was typed is read without its signs", "count: Number(form.count) || 0"),
        ("degrees are converted", "Math.round(celsius * 1.8 + 32)"),
        ("measures are asked for anew", 'settings.units === "US"'),
    ],
)
def test_it_would_be_found(what: str, line: str) -> None:
    assert re.search(PATTERNS[what], line)
