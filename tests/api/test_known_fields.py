"""What is sent under a name that nobody asks for is refused, in every request and as deep as it goes."""

import re
from typing import Any

import pytest
from fastapi.testclient import TestClient

from tests.support.bodies import wrong_bodies

MISSPELT = "misspelt_field"
DEEP = b"[" * 600 + b"]" * 600


def test_a_name_that_nobody_asks_for_is_refused_at_any_depth(client: TestClient) -> None:
    asked = list(wrong_bodies(client, lambda _names: {MISSPELT: 1}))
    assert len({(method, path) for method, path, _ in asked}) > 90
    assert any(isinstance(body, dict) and "ask" in body for *_, body in asked), "as deep as it goes"
    for method, path, body in asked:
        answer = client.request(method, path, json=body)
        assert answer.status_code == 422, (method, path, body, answer.text)
        (error,) = answer.json()["errors"]
        assert (error["field"], error["code"]) == (MISSPELT, "unknown-field"), (method, path, body)


@pytest.mark.parametrize(
    ("sent", "meant"),
    [
        ({"name": "Broth", "text": "1 cup barley", "server": 2}, "did you mean “serves”?"),
        (
            {"name": "Broth", "text": "1 cup barley", "xyz": 2},
            "there are “name”, “text”, “kind”, “serves”",
        ),
    ],
)
def test_what_was_meant_is_named_and_nothing_is_saved(client: TestClient, sent: dict[str, Any], meant: str) -> None:
    answer = client.post("/api/table/meals", json=sent)
    assert answer.status_code == 422
    assert answer.json()["detail"].partition(": ")[2].startswith(meant)
    assert client.get("/api/table/meals").json() == []


_OF_THE_LIBRARY = re.compile(
    r"\b(input|should|instance|validation|valid|none|null|tuple|dictionary|boolean)\b|\d\.0\b", re.IGNORECASE
)


@pytest.mark.parametrize("sent", [None, "x", -1, [[]] * 101])
def test_what_is_of_another_kind_is_refused_in_our_own_words(client: TestClient, sent: object) -> None:
    answers = [
        client.request(method, path, json=body)
        for method, path, body in wrong_bodies(client, lambda names: dict.fromkeys(names, sent))
    ]
    said = {error["message"] for each in answers if each.status_code == 422 for error in each.json()["errors"]}
    assert len(said) >= 4
    assert [words for words in said if _OF_THE_LIBRARY.search(words)] == []


@pytest.mark.parametrize("kind", ["application/json", "text/plain", "multipart/form-data", "image/jpeg", ""])
def test_what_is_no_json_is_refused_whatever_it_is_called(client: TestClient, kind: str) -> None:
    for path in ("/api/table/meals", "/api/bench/plan", "/api/packages/leave", "/api/drying/lots/mix"):
        for body in (b"", b"no json", b"[1, 2", b"\xff\xfe", b"null", b"3", b"[]", b'{"a": NaN}', b"[" * 100_000, DEEP):
            answer = client.post(path, content=body, headers={"content-type": kind})
            assert (answer.status_code, bool(answer.json()["detail"])) == (422, True), (path, body[:20], answer.text)
