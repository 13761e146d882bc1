"""What is sent under a name that nobody asks for is refused, in every request and as deep as it goes."""

import re
from collections.abc import Iterator
from typing import Any

import pytest
from fastapi.testclient import TestClient

MISSPELT = "misspelt_field"


def _bodies(schema: dict[str, Any], named: dict[str, Any]) -> Iterator[Any]:
    """Bodies with a field that nobody asks for: one for each place of a schema in which fields have names."""
    if "$ref" in schema:
        yield from _bodies(named[schema["$ref"].rpartition("/")[2]], named)
    for each in schema.get("anyOf", []):
        yield from _bodies(each, named)
    if "items" in schema:
        yield from ([inner] for inner in _bodies(schema["items"], named))
    if isinstance(of_any_name := schema.get("additionalProperties"), dict):
        yield from ({"2026-11-24": inner} for inner in _bodies(of_any_name, named))
    if "properties" in schema:
        yield {MISSPELT: 1}
        for name, of in schema["properties"].items():
            yield from ({name: inner} for inner in _bodies(of, named))


def _asked(client: TestClient) -> list[tuple[str, str, Any]]:
    document = client.app.openapi()  # type: ignore[attr-defined]
    named = document["components"]["schemas"]
    return [
        (method, path, body)
        for path, methods in document["paths"].items()
        for method, doing in methods.items()
        for kind, of in doing.get("requestBody", {}).get("content", {}).items()
        if kind == "application/json"
        for body in _bodies(of["schema"], named)
    ]


def test_a_name_that_nobody_asks_for_is_refused_at_any_depth(client: TestClient) -> None:
    asked = _asked(client)
    assert len({(method, path) for method, path, _ in asked}) > 90
    assert max(str(body).count("[") + str(body).count("{") for *_, body in asked) >= 3
    for method, path, body in asked:
        answer = client.request(method, re.sub(r"\{.*?\}", "1", path), json=body)
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
