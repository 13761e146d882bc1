"""A line that names a food nobody knows: the answer says which of its words that was, and what else to put there."""

from typing import Any

import pytest
from fastapi.testclient import TestClient

LINES = ["3 kg {}", "two 1.5 kg bags of {}", "{}, 3 kg", "½ kg  of {}"]


def one(line: str) -> dict[str, Any]:
    return {"line": line}


def several(line: str) -> dict[str, Any]:
    return {"items": [{"line": line}]}


@pytest.mark.parametrize("line", LINES)
@pytest.mark.parametrize(
    ("path", "words", "body"),
    [
        ("/bench/plan", "perl barlly", one),
        ("/bench/propose", "perl barlly", lambda line: {"lines": [one(line)]}),
        ("/drying/plan", "mushrms", several),
        ("/drying/freeze/plan", "stawbry fruit", several),
        ("/freezer/plan", "perl barlly", one),
        ("/table/prices", "perl barlly", lambda line: {"line": line, "shop": "harbour", "price": "3.20"}),
    ],
)
def test_the_words_that_are_no_food_are_told(client: TestClient, path: str, words: str, body: Any, line: str) -> None:
    typed = line.format(words)
    refused = client.post(f"/api{path}", json=body(typed))
    assert refused.status_code == 422, refused.text
    (problem,) = refused.json()["errors"]
    assert problem["field"].startswith("line")
    assert problem["words"] == words
    for name in problem["nearest"]:
        again = client.post(f"/api{path}", json=body(typed.replace(problem["words"], name)))
        assert name in again.text or again.status_code < 300
        assert "is not in the table" not in again.text
    assert problem["nearest"]


def test_the_bench_tells_what_it_read_as_the_name(client: TestClient) -> None:
    plan = client.post("/api/bench/plan", json={"line": "two 5 kg bags of Pearl barley"}).json()
    assert plan["food"]["words"] == "Pearl barley"
