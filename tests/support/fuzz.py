"""Requests that nobody sends: made from the interface's own description, with values that break programs."""

from __future__ import annotations

import json
import random
from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass, field
from datetime import timedelta
from typing import Any
from urllib.parse import quote

from fastapi.testclient import TestClient

from tests.conftest import Clock

PLAUSIBLE = [
    "10 kg pearl barley", "2 lb jerky", "500 g dried leeks", "two 7.5 lb bags of oats", "1½ cups barley", "12 leeks",
    "pearl-barley", "dried-leeks", "white-rice", "jar-quart", "bag-gallon", "lined-5-gallon", "cabinet", "fd-medium",
    "250 g", "2.5 kg", "3.20", "6 mm", "63 × 38 mm", "3 months", "25", "Puffed up", "2026-11-20", "roll-large",
    "packets", "bags", "lids", "500", "10", "seasoning", "elsewhere", "5 ft 6 in", "64 kg", "a trial until May", "kept",
]  # fmt: skip
HOSTILE_TEXT = [
    "", " ", "\x00", "\ud800", "x\udfffy", "\x1b[31m", "²", "١٢ kg", "½", "1e309 kg", "-3 kg", "NaN", "Infinity", "0",
    "0 kg", "1/0 kg", "9" * 400, "x" * 5000, "=1+1", "<script>", "'; DROP TABLE changes; --", "😀", "مرحبا", "中文",
    "0001-01-01", "9999-12-31", "2026-02-30", "own:axb", "own:1e9x1x1", "own:0x0x0", "\u202e", "a\u0300" * 50, "../..",
    "%s%n", "{}", "[]", "null", "1,000,000 kg", "10 kg 10 kg", "kg", "∞", "1e-300 g", "10^9 lb", "²",
]  # fmt: skip
BY_NAME: dict[str, Sequence[Any]] = {
    "line": [
        "10 kg pearl barley",
        "2 kg red lentils",
        "500 g dried leeks",
        "1 kg white sugar",
        "12 leeks",
        "3 kg peas",
    ],
    "food": ["pearl-barley", "red-lentils", "dried-leeks", "white-sugar", "milk-powder"],
    "container": ["bag-gallon", "jar-quart", "lined-5-gallon", "jar-half-gallon", "bottle-2-litre", "pail-5-gallon"],
    "jar": ["jar-quart", "jar-half-gallon"],
    "weight": ["250 g", "2.5 kg", "1 lb 3 oz", "64 kg"],
    "amount": ["250 g", "2 kg", "1 lb"],
    "text": ["2 cups split peas\n2 onions\nsalt", "1 kg pearl barley"],
    "height": ["166 cm", "5 ft 6 in", ""],
    "headspace": ["5 cm", "2 in", ""],
    "fill": ["", "2 kg"],
    "own_bag": ["", "", "25 × 35 cm"],
    "override": ["", "a trial until May"],
    "machine": ["cabinet"],
    "dryer": ["fd-medium"],
    "length": ["3 months", "6 weeks"],
    "weekly": ["25"],
    "price": ["3.20"],
    "birth_year": [1950, 1985, 2020],
}
"""What belongs into fields of that name, so that some of what is asked is done."""

INTEGERS = [0, 1, 1, 2, 3, 4, 5, 7, 17, 40, -1, 100, 1000, 2**31, 2**63, 10**30, 999_999_999]
FLOATS = [0, 0.5, 1, 2, 10, 12.5, 50, 75, 100, -1, 1e-300, 1e9, 1e308, float("nan"), float("inf"), -0.0]
DAYS = ["2026-11-20", "2026-11-24", "2020-02-29", "1900-01-01", "0001-01-01", "9999-12-31", "2200-12-31", "1980-01-01"]
PATHS = [
    "/%00", "/" + "a" * 300, "/" + "a/" * 200, "/..%2f..%2fetc%2fpasswd", "/api/", "/api/nothing", "/_app/%00", "//",
    "/%ff", "/_app/" + "b" * 300, "/api/packages/1e3", "/api/packages/-1", f"/api/packages/{10**30}", "/?a=%00",
    "/bench?x=%ED%A0%80",
]  # fmt: skip
HEADERS: list[dict[str, str]] = [
    {}, {}, {}, {}, {"origin": "http://["}, {"origin": "null"}, {"origin": ""}, {"if-match": "abc"}, {"if-match": "-1"},
    {"content-type": "text/plain"}, {"content-type": "image/jpeg"}, {"idempotency-key": "x" * 200},
    {"range": "bytes=-1"}, {"accept-encoding": "gzip;q=abc"}, {"content-length": "abc"},
]  # fmt: skip


@dataclass(slots=True)
class Fuzzer:
    """Asks a larder what nobody asks, and remembers what it could not stand.

    Attributes:
        client: the larder's web interface.
        clock: its clock, which is set about.
        seed: what all chance follows from.
    """

    client: TestClient
    clock: Clock
    seed: int = 1
    statuses: Counter[int] = field(default_factory=Counter)
    broken: list[str] = field(default_factory=list)
    _chance: random.Random = field(init=False)
    _document: dict[str, Any] = field(init=False)

    def __post_init__(self) -> None:
        self._chance = random.Random(self.seed)
        self._document = self.client.app.openapi()  # type: ignore[attr-defined]

    def run(self, requests: int) -> None:
        """Ask so many times."""
        doings = [
            (method, path, doing)
            for path, methods in self._document["paths"].items()
            for method, doing in methods.items()
        ]
        now = self.clock.now
        for n in range(requests):
            if n % 50 == 0:
                self.clock.now = now + timedelta(days=self._chance.choice([0, 0, 0, -2, -400, 30, 365, 3650, 36500]))
            if self._chance.random() < 0.04:
                self._ask("GET", self._chance.choice(PATHS), None, {})
            else:
                self._ask(*self._request(*self._chance.choice(doings)))
        self.clock.now = now

    def all_pages(self) -> None:
        """Ask for all that can be looked at, by a clock that is right or wrong: what was let in must break no page."""
        now = self.clock.now
        for days in (0, -2, -1000, 40_000):
            self.clock.now = now + timedelta(days=days)
            for path, methods in self._document["paths"].items():
                if "get" in methods and "{" not in path:
                    self._ask("GET", path, None, {})
        self.clock.now = now

    def _ask(self, method: str, path: str, body: bytes | None, headers: dict[str, str]) -> None:
        try:
            answer = self.client.request(method, path, content=body, headers=headers)
        except (UnicodeError, ValueError, LookupError):
            return  # what the client itself cannot send
        self.statuses[answer.status_code] += 1
        if answer.status_code >= 500:
            self.broken.append(f"{answer.status_code} {method} {path} {headers} {body!r} at {self.clock.now}")

    def _request(self, method: str, path: str, doing: dict[str, Any]) -> tuple[str, str, bytes | None, dict[str, str]]:
        query = []
        for each in doing.get("parameters", []):
            if each["in"] == "path":
                path = path.replace("{" + each["name"] + "}", _quoted(self._path_value(each["schema"])))
            elif each["in"] == "query" and self._chance.random() < 0.7:
                value = self._value(each["schema"], 0)
                values = value if isinstance(value, list) else [value]
                query += [f"{each['name']}={_quoted(one)}" for one in values]
        headers = dict(self._chance.choice(HEADERS)) if self._chance.random() < 0.1 else {}
        body = None
        content = doing.get("requestBody", {}).get("content", {})
        if "application/json" in content:
            said = self._value(content["application/json"]["schema"], 0)
            body = json.dumps(said).encode("utf-8", "surrogatepass")
            headers.setdefault("content-type", "application/json")
            if self._chance.random() < 0.02:
                body = self._chance.choice([b"", b"{", b"[" * 100_000, b"nul", b"\xff\xfe", b'{"a":1e999}', body[:-1]])
        elif content:
            body = self._chance.choice([b"", b"\xff\xd8\xff", bytes(self._chance.randbytes(200)), b"GIF89a"])
        return method.upper(), path + ("?" + "&".join(query) if query else ""), body, headers

    def _path_value(self, schema: dict[str, Any]) -> object:
        if self._chance.random() < 0.8 and schema.get("type") == "integer":
            return self._chance.choice([1, 1, 2, 3, 2026, 11])
        return self._value(schema, 0)

    def _value(self, schema: dict[str, Any], depth: int) -> Any:  # noqa: C901
        if "$ref" in schema:
            return self._value(self._document["components"]["schemas"][schema["$ref"].rsplit("/", 1)[1]], depth)
        if self._chance.random() < 0.01:
            return self._chance.choice([None, [], {}, "x", -1, True, [[[]]]])
        if (examples := schema.get("examples")) and self._chance.random() < 0.6:
            return self._near(self._chance.choice(examples))
        for name in ("anyOf", "oneOf", "allOf"):
            if name in schema:
                return self._value(self._chance.choice(schema[name]), depth)
        if "enum" in schema:
            return self._chance.choice(schema["enum"])
        match schema.get("type"):
            case "object":
                required = set(schema.get("required", ()))
                return {
                    name: self._named(name, each, depth)
                    for name, each in schema.get("properties", {}).items()
                    if name in required or self._chance.random() < 0.4
                }
            case "array":
                many = self._chance.choice([0, 1, 1, 2, 3, 5]) if depth < 4 else 0
                return [self._value(schema.get("items", {}), depth + 1) for _ in range(many)]
            case "integer":
                return self._chance.choice(INTEGERS)
            case "number":
                return self._chance.choice(FLOATS)
            case "boolean":
                return self._chance.random() < 0.5
            case "string" if schema.get("format") in ("date", "date-time"):
                return self._chance.choice(DAYS)
            case "string":
                return self._chance.choice(PLAUSIBLE if self._chance.random() < 0.75 else HOSTILE_TEXT)
        return None

    def _named(self, name: str, schema: dict[str, Any], depth: int) -> Any:
        if name in BY_NAME and self._chance.random() < 0.8:
            return self._chance.choice(BY_NAME[name])
        if name == "name":
            return f"name {self._chance.randrange(10_000)}"
        return self._value(schema, depth + 1)

    def _near(self, example: Any) -> Any:
        """An example as it is described, or with one of its parts spoilt."""
        if not isinstance(example, dict) or self._chance.random() < 0.5:
            return example
        return example | {
            self._chance.choice(list(example)): self._chance.choice([*HOSTILE_TEXT, *INTEGERS, *FLOATS, None])
        }


def _quoted(value: object) -> str:
    return quote(str(value).encode("utf-8", "surrogatepass"), safe="")
