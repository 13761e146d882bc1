"""All that the demo tells on screen and on paper, in either measure: one thing is not many, no figure is foreign.

What is read as it was typed, what a source says, and what something is sold as, keeps its own measures.
"""

import re
import shutil
from collections import Counter
from collections.abc import Callable, Iterator
from dataclasses import replace
from io import BytesIO
from pathlib import Path
from typing import Any

import httpx
import pypdf
import pytest
from fastapi.testclient import TestClient

from tests.support.apps import client_of
from tests.support.plurals import MANY_OF_ONE, ONE_OF_MANY
from yellow_larder import reference
from yellow_larder.features.household.larder import open_larder, settings, settle
from yellow_larder.journal.database import reading
from yellow_larder.reference.drying import produce
from yellow_larder.words.quantities import Units

FOREIGN = {
    Units.METRIC: re.compile(r"\d ?(°F|in|lb|oz|qt|gal|ft)\b"),
    Units.US: re.compile(r"\d ?(°C|mm|cm|m|kg|g|L|litres?)\b"),
}
SOLD_AS = re.compile(
    r"[\d.½]+ (gal|litre|L|qt|quart)( zip| drinks)?( foil)? (bag|pail|jar|bottle)s?|\d+ g of gel|shop packet, \d kg"
    r"|silica gel, \d+ g|“[^”]+”"
)
"""What containers and gel are called in the shop: it stands on them. So do the mL of absorbers, in every
country. What is quoted is an example, or was typed."""

TYPED_OR_SOURCE = re.compile(
    r"source|isotherms|walls|_working|meal\.text|lines\.text|lines\.words|\.note$|containers\.name|\.key$"
)
PERCENT = re.compile(r"\d%")
"""A space before the sign, as before every unit."""

NO_ZONE = re.compile(r"^\d{4}-\d\d-\d\dT[\d:.]+$")
"""A moment of which nobody knows whose clock showed it."""

NO_TEXT = re.compile(r"[{}]|\bNone\b|\bnan\b|\binf\b|  |\bTrue\b")


def texts(answer: object, where: str = "") -> Iterator[tuple[str, str]]:
    """All strings in an answer, each with where it stands."""
    if isinstance(answer, str):
        yield where, answer
    elif isinstance(answer, dict):
        for name, value in answer.items():
            yield from texts(value, f"{where}.{name}")
    elif isinstance(answer, list):
        for value in answer:
            yield from texts(value, where)


def pages(client: TestClient) -> Iterator[tuple[str, Any]]:
    """Everything that can be looked at, on screen, on paper, in a calendar or a table, and what it says."""
    document = client.app.openapi()  # type: ignore[attr-defined]
    for path, methods in document["paths"].items():
        of = re.findall(r"\{(\w+)\}", path)
        if "get" not in methods or of not in ([], ["number"], ["year", "month"]):
            continue
        missing = 0
        for n in range(1, 80) if of == ["number"] else range(9, 12) if of else [0]:
            answer = client.get(path.format(number=n, year=2026, month=n), params=PAPER.get(path))
            if answer.status_code == 200 and (read := READ.get(answer.headers["content-type"].partition(";")[0])):
                yield path, read(answer)
            # Numbers are given one after the other: beyond the last of them there is nothing.
            missing = missing + 1 if answer.status_code == 404 else 0
            if missing == 8:
                break


PAPER = {"/api/labels.pdf": {"number": [1, 9, 35, 49, 66]}}
"""What is asked for, where something has to be."""


def on_paper(answer: httpx.Response) -> list[str]:
    """The lines of the pages of a document."""
    return [line for page in pypdf.PdfReader(BytesIO(answer.content)).pages for line in page.extract_text().split("\n")]


READ: dict[str, Callable[[httpx.Response], Any]] = {
    "application/json": lambda answer: answer.json(),
    "application/pdf": on_paper,
    "text/calendar": lambda answer: answer.text.replace("\r\n ", "").splitlines(),
    "text/csv": lambda answer: answer.text.splitlines(),
}


def plans(client: TestClient) -> Iterator[tuple[str, Any]]:
    """Foods packed, frozen and found absorbers for; everything that is dried, of one, of two and by weight."""
    containers = list(reference.containers())
    asked: list[tuple[str, dict[str, Any]]] = []
    for n, food in enumerate(list(reference.foods().values())[::6]):
        packed = {"line": f"{(1, 10)[n % 2]} lb {food.name}", "container": containers[n % len(containers)]}
        asked.append(("/api/bench/plan", packed))
        asked.append(("/api/freezer/plan", {"line": f"2 kg {food.name}", "container": "bag-gallon"}))
        asked.append(("/api/bench/packets", {"line": f"2 kg {food.name}"}))
    for each in produce().values():
        for amount in ("1", "2", "800 g"):
            line = f"{amount} {each.name}"
            asked.append(("/api/table/meals/read", {"name": "Supper", "text": line}))
            asked.append(("/api/drying/plan", {"items": [{"line": line}]}))
    for food in reference.foods().values():
        if food.name.startswith("freeze-dried "):
            line = f"9 kg {food.name.removeprefix('freeze-dried ')}"
            asked.append(("/api/drying/freeze/plan", {"items": [{"line": line, "frozen": True}]}))
    cans = "1 can of black beans\n2 cans of black beans\n1 cup rice\nhalf an onion\n0.5 oz salt"
    asked.append(("/api/table/meals/read", {"name": "Supper", "text": cans}))
    asked.append(("/api/bench/propose", {"lines": [{"line": "10 kg pearl barley"}]}))
    done: Counter[str] = Counter()
    for path, body in asked:
        answer = client.post(path, json=body)
        done[path] += answer.status_code == 200
        yield path, answer.json()
    # Not every fruit is counted, and nothing else is refused.
    assert all(done[path] > 0.6 * n for path, n in Counter(path for path, _ in asked).items()), done


@pytest.mark.parametrize("units", [Units.METRIC, Units.US])
def test_every_text_is_right_in_either_measure(furnished: Path, tmp_path: Path, units: Units) -> None:
    wrong, seen, looked_at = set(), 0, set()
    with open_larder(Path(shutil.copy(furnished, tmp_path / "demo.db"))) as larder:
        with reading(larder.engine) as session:
            household = settings(session)
        settle(larder, replace(household, units=units))
        client = client_of(larder)
        for path, answer in (*pages(client), *plans(client)):
            looked_at.add(path)
            for where, text in texts(answer):
                seen += 1
                if TYPED_OR_SOURCE.search(where):
                    continue
                laws = (MANY_OF_ONE, ONE_OF_MANY, PERCENT, NO_ZONE, NO_TEXT)
                if FOREIGN[units].search(SOLD_AS.sub("", text)) or any(law.search(text) for law in laws):
                    wrong.add(f"{path}{where}: {text}")
    assert sorted(wrong) == []
    assert seen > 15_000
    assert {path.rpartition("/")[2] for path in looked_at if "." in path} == {
        *("labels.pdf", "list.csv", "list.pdf", "log.csv", "rounds.ics", "sheet.pdf", "store.csv")
    }
