"""Bodies of requests made from the interface's own description, with something wrong in each place of them."""

import re
from collections.abc import Callable, Iterator
from typing import Any

from fastapi.testclient import TestClient

Wrong = Callable[[list[str]], dict[str, Any]]
"""What to send in a place that has fields of these names."""


def wrong_bodies(client: TestClient, wrong: Wrong) -> Iterator[tuple[str, str, Any]]:
    """Method, address and body: for every request, one for each place in its body in which fields have names."""
    document = client.app.openapi()  # type: ignore[attr-defined]
    for path, methods in document["paths"].items():
        for method, doing in methods.items():
            kinds = doing.get("requestBody", {}).get("content", {})
            if "application/json" in kinds:
                for body in _bodies(kinds["application/json"]["schema"], document["components"]["schemas"], wrong):
                    yield method, re.sub(r"\{.*?\}", "1", path), body


def _bodies(schema: dict[str, Any], named: dict[str, Any], wrong: Wrong) -> Iterator[Any]:
    if "$ref" in schema:
        yield from _bodies(named[schema["$ref"].rpartition("/")[2]], named, wrong)
    for each in schema.get("anyOf", []):
        yield from _bodies(each, named, wrong)
    if "items" in schema:
        yield from ([inner] for inner in _bodies(schema["items"], named, wrong))
    if isinstance(of_any_name := schema.get("additionalProperties"), dict):
        yield from ({"2026-11-24": inner} for inner in _bodies(of_any_name, named, wrong))
    if "properties" in schema:
        yield wrong([*schema["properties"]])
        for name, of in schema["properties"].items():
            yield from ({name: inner} for inner in _bodies(of, named, wrong))
