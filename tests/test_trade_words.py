"""What a person reads says the trade's words: none of those that were replaced by them comes back."""

import ast
import re
from collections.abc import Iterator
from functools import cache
from pathlib import Path

import pytest

ROOT = Path(__file__).parents[1]
NOT = {
    "reckoned": r"\breckon(s|ed|ing)?\b",
    "struck out": r"\b(struck|strike) (it )?out\b",
    "looked over": r"\blook(ed|s)? (it|them|these)? ?over\b",
    "thought-up": r"\bthought-up\b",
    "drinks": r"\b(drinks?|drunk|drank)\b(?! of)",
    "estimate": r"\bschools?\b",
    "guards": r"guards? (closed|open)\b",
    "eye of an absorber": r"\b(pink|grey|the|its|pill's) eye\b",
    "damp food": r"\b(damp piece|still damp|damp got in|damp is still|enough damp|the damp)\b",
    "packets for absorbers": r"\b(no|the|all|more|enough|your|fresh|closed) packets?\b(?! (of|from|with))",
    "take back": r"\btake(s|n)? (it |them |that )?back\b",
    "break off": r"\b(break|broke|broken) (it |the run )?off\b",
    "slip of the pen": r"\bslip of the pen\b",
    "still to come": r"\bis still to come\b",
    "damp enough": r"\bdamp enough\b",
    "proved dry": r"\b(proved? (it )?dry|(has|have) proved|jar proved|wants a jar|waiting for a jar)\b",
    "all the same": r"\ball the same\b",
    "against the stop": r"\bagainst the stop\b",
    "not kept here": r"\bnot kept here\b",
    "write it down": r"\b(write it down|keep it so|keep that)\b",
    "eat here": r"\beat here\b",
    "left free": r"\b(poured, |left free\b)",
    "shared out": r"\bshared out over\b",
}
"""Words of the *not* column, as they stand in a sentence."""


def _sentences_in_python() -> Iterator[tuple[str, str]]:
    for file in sorted((ROOT / "yellow_larder").rglob("*.py")):
        tree = ast.parse(file.read_text(encoding="utf-8"))
        texts = {
            id(node.value)
            for node in ast.walk(tree)
            if isinstance(node, ast.Expr) and isinstance(node.value, ast.Constant)
        }
        said = (node for node in ast.walk(tree) if isinstance(node, ast.Constant) and id(node) not in texts)
        for node in said:
            if isinstance(node.value, str) and node.value.count(" ") >= 2:
                yield f"{file.relative_to(ROOT)}:{node.lineno}", node.value


def _sentences_on_screen() -> Iterator[tuple[str, str]]:
    for file in sorted((ROOT / "web" / "src").rglob("*.svelte")):
        source = re.sub(r"<!--.*?-->|<style>.*?</style>", "", file.read_text(encoding="utf-8"), flags=re.DOTALL)
        script = re.search(r"<script.*?</script>", source, flags=re.DOTALL)
        markup = source.replace(script[0], "") if script else source
        for text in re.findall(r">([^<>{}]{6,})<", markup):
            yield str(file.relative_to(ROOT)), text
        code = re.sub(r"^\s*(//|/?\*).*$", "", script[0], flags=re.MULTILINE) if script else ""
        for text in re.findall(r'"([^"\n]{6,})"', code + " ".join(re.findall(r"\{.*?\}", markup))):
            if text.count(" ") >= 2 and not re.search(r"[{}]|===|=>", text):
                yield str(file.relative_to(ROOT)), text


@cache
def _sentences() -> list[tuple[str, str]]:
    return [*_sentences_in_python(), *_sentences_on_screen()]


@pytest.mark.parametrize("word", NOT)
def test_a_word_that_was_replaced_stays_so(word: str) -> None:
    found = [
        f"{where}: {text.strip()[:90]}" for where, text in _sentences() if re.search(NOT[word], text, re.IGNORECASE)
    ]
    assert found == []


def test_there_is_enough_to_look_at() -> None:
    files = [where.partition(":")[0] for where, _ in _sentences()]
    assert sum(file.endswith(".py") for file in files) > 700
    assert sum(file.endswith(".svelte") for file in files) > 300


_NAMES_NOT = re.compile(r"(?:^|_)(?:eaters?|vessels?|schools?|reckon\w*|purse)(?:_|$)", re.IGNORECASE)
"""Words of the *not* column in a name of the code; what the journal has called so since it began is a string there."""


def _names_in_python() -> Iterator[tuple[str, str]]:
    for file in sorted((ROOT / "yellow_larder").rglob("*.py")):
        if "migrations" in file.parts:
            continue
        for node in ast.walk(ast.parse(file.read_text(encoding="utf-8"))):
            match node:
                case (
                    ast.Name(id=name)
                    | ast.Attribute(attr=name)
                    | ast.arg(arg=name)
                    | ast.keyword(arg=str(name))
                    | ast.FunctionDef(name=name)
                    | ast.ClassDef(name=name)
                ):
                    yield f"{file.relative_to(ROOT)}", name


def _names_on_the_web() -> Iterator[tuple[str, str]]:
    for file in sorted((ROOT / "web" / "src").rglob("*")):
        if file.suffix in (".svelte", ".ts") and file.parent.name != "api":
            for name in {file.stem, *re.findall(r"[A-Za-z_]\w+", file.read_text(encoding="utf-8"))}:
                yield str(file.relative_to(ROOT)), name


def test_a_word_that_was_replaced_is_no_name_in_the_code() -> None:
    names = {*_names_in_python(), *_names_on_the_web()}
    assert len(names) > 10_000
    parts = [(where, re.sub(r"(?<=[a-z])(?=[A-Z])", "_", name)) for where, name in names]
    assert [each for each in parts if _NAMES_NOT.search(each[1])] == []
