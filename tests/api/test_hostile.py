"""What nobody sends: nothing of it breaks the larder, is half saved, or is answered without a sentence."""

import json
import logging
from collections.abc import Iterator
from datetime import timedelta
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient
from sqlalchemy import event
from starlette.types import Receive, Scope, Send

from tests.conftest import Clock
from tests.support.alone import alone
from tests.support.apps import client_of
from tests.support.fuzz import PATHS, Fuzzer
from yellow_larder.api.guard import LARGEST_REQUEST, Guard
from yellow_larder.features.household.larder import Larder
from yellow_larder.journal.checking import check

BARLEY = {"line": "2 kg pearl barley"}


@pytest.fixture(scope="module")
def web(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """Pages as they are built."""
    web = tmp_path_factory.mktemp("pages") / "web"
    (web / "_app").mkdir(parents=True)
    (web / "index.html").write_text("<script>start()</script>the page")
    return web


@pytest.fixture
def client(larder: Larder, web: Path) -> TestClient:
    return client_of(larder, web, raising=False)


@pytest.mark.parametrize("seed", [11, 12, 13])
def test_nothing_that_is_asked_breaks_it(client: TestClient, larder: Larder, clock: Clock, seed: int) -> None:
    """A small part of `make soak`."""
    fuzzer = Fuzzer(client, clock, seed)
    fuzzer.run(150)
    fuzzer.all_pages()
    assert fuzzer.broken == []
    assert check(larder.engine) == []
    assert fuzzer.statuses[200] > 20


def _parameters(client: TestClient) -> Iterator[tuple[str, dict[str, Any]]]:
    for path, methods in client.app.openapi()["paths"].items():  # type: ignore[attr-defined]
        for doing in methods.values():
            for each in doing.get("parameters", []):
                yield f"{path} {each['name']}", each["schema"]


def test_every_number_in_an_address_is_bounded(client: TestClient) -> None:
    """SQLite's integers end at 63 bits, and nothing in a household is numbered higher than a billion."""
    for name, schema in _parameters(client):
        for each in schema.get("anyOf", [schema]):
            inner = each.get("items", each)
            if inner.get("type") in ("integer", "number"):
                assert inner.get("maximum", 1e10) <= 1e9, name
                assert "minimum" in inner or "exclusiveMinimum" in inner, name


@pytest.mark.parametrize(
    ("body", "field"),
    [
        ('{"words": "\\ud800", "means": "seasoning"}', "words"),
        ('{"words": "a\\u0000b", "means": "seasoning"}', "words"),
        ('{"words": "\\u001b[2J", "means": "seasoning"}', "words"),
        ('{"words": "x", "means": ["\\udc00"]}', "means"),
        ('{"\\ud800": 1}', "request"),
        ('{"n": 1e400}', "n"),
        ('{"n": NaN}', "n"),
        ('{"n": 100000000000000000000}', "n"),
        ("[" * 5000, "request"),
        ('{"a":' * 30 + "1" + "}" * 30, "a"),
    ],
)
def test_bad_text_and_numbers_are_refused_when_they_are_read(client: TestClient, body: str, field: str) -> None:
    answer = client.post("/api/table/words", content=body, headers={"content-type": "application/json"})
    assert answer.status_code == 422
    assert answer.json()["errors"][0]["field"] == field


def test_a_whole_pair_and_every_script_may_be_written(client: TestClient) -> None:
    for name in ("Bärlauch 🧄", "горох", "φακές", "אורז", "عدس", "चावल", "大米", "tab\tand\nline"):
        assert client.post("/api/table/words", json={"words": name, "means": "seasoning"}).status_code == 204


@pytest.mark.parametrize("path", PATHS)
def test_odd_addresses(client: TestClient, path: str) -> None:
    assert client.get(path).status_code < 500


@pytest.mark.parametrize(
    "origin", ["http://[", "null", "", "http://127.0.0.1.evil.example", "//127.0.0.1", "http://127.0.0.1:1"]
)
def test_origins_that_are_not_here(client: TestClient, origin: str) -> None:
    assert client.post("/api/undo", headers={"origin": origin}).status_code == 403


def test_bytes_are_counted_as_they_come(client: TestClient) -> None:
    """A body without a length is cut off at the limit, not taken into memory."""
    taken = 0

    def endless() -> Iterator[bytes]:
        nonlocal taken
        while taken < 10 * LARGEST_REQUEST:
            taken += 1 << 20
            yield b"x" * (1 << 20)

    answer = client.post("/api/bench/plan", content=endless())
    assert answer.status_code == 413
    assert answer.json()["detail"] == "That is more than 8 MB"


def test_no_more_is_read_than_the_limit() -> None:
    """The rest of what is sent stays unread."""
    read = 0

    async def receive() -> dict[str, Any]:
        nonlocal read
        read += 1 << 20
        return {"type": "http.request", "body": b"x" * (1 << 20), "more_body": True}

    async def send(_message: Any) -> None:
        pass

    async def app(_scope: Scope, _receive: Receive, _send: Send) -> None:
        raise AssertionError("too large a body was passed on")

    scope = {"type": "http", "method": "POST", "path": "/", "headers": [], "query_string": b""}
    alone(lambda: Guard(app)(scope, receive, send))
    assert read <= LARGEST_REQUEST + (1 << 20)


HEADERS = {
    "cross-origin-resource-policy": "same-origin",
    "referrer-policy": "no-referrer",
    "x-content-type-options": "nosniff",
}


@pytest.mark.parametrize(
    "path", ["/", "/bench", "/api/overview", "/api/nothing", "/api/docs", "/api/labels.pdf?batch=9"]
)
def test_every_answer_keeps_other_pages_out(client: TestClient, path: str) -> None:
    """A page that frames this one could make a click undo a change."""
    headers = client.get(path).headers
    assert {name: headers.get(name) for name in HEADERS} == HEADERS
    assert "frame-ancestors 'none'" in headers["content-security-policy"]


def test_refusals_before_the_application_have_them_too(larder: Larder) -> None:
    elsewhere = client_of(larder, host="evil.example")
    assert "frame-ancestors 'none'" in elsewhere.get("/api/overview").headers["content-security-policy"]


def test_only_the_scripts_of_a_page_run_in_it(client: TestClient) -> None:
    """Source: CSP level 3, hashes of inline scripts; this one by `printf 'start()' | openssl dgst -sha256 -binary`."""
    policy = client.get("/bench").headers["content-security-policy"]
    assert "script-src 'self' 'sha256-DIm7WJS6ZKDYe5qFLPy+h4JFI9Bol5QmYC57mt3Fb00='" in policy
    assert "unsafe-inline" not in policy.partition("script-src")[2].partition(";")[0]


def test_the_documents_page_asks_nobody_else(client: TestClient) -> None:
    page = client.get("/api/docs").text
    assert "/_docs/swagger-ui-bundle.js" in page
    assert "http" not in page.replace("http://www.w3.org", "")


def test_a_mistake_of_the_larder_is_said_as_one(larder: Larder, monkeypatch: pytest.MonkeyPatch) -> None:
    def fail(*_: object) -> None:
        raise ZeroDivisionError

    monkeypatch.setattr("yellow_larder.api.household.overview", fail)
    answer = client_of(larder).get("/api/overview")
    assert answer.status_code == 500
    assert answer.headers["content-type"] == "application/problem+json"
    assert "The larder made a mistake, and nothing was saved" in answer.json()["detail"]


def test_a_full_disk_is_said_and_nothing_is_half_saved(client: TestClient, larder: Larder) -> None:
    """SQLite is told to take no more pages, which it reports as it does a full disk (sqlite.org/pragma.html)."""
    pages = 0

    def bound(connection: Any, _record: object) -> None:
        connection.execute(f"PRAGMA max_page_count = {pages or 2**30}")

    event.listen(larder.engine, "connect", bound)
    with larder.engine.connect() as connection:
        pages = int(connection.exec_driver_sql("PRAGMA page_count").scalar() or 0)
    larder.engine.dispose()
    answer = client.post("/api/bench/pack", json={"ask": {"line": "900 kg pearl barley"}})
    assert answer.status_code == 507
    assert answer.json()["errors"][0] == {
        "field": "request",
        "message": "The disk is full, and nothing was saved. Free some space",
        "nearest": [],
        "words": "",
        "code": "",
    }
    assert client.get("/api/overview").json()["kept"] == 0
    assert check(larder.engine) == []
    pages = 0
    larder.engine.dispose()
    assert client.post("/api/bench/pack", json={"ask": {"line": "900 kg pearl barley"}}).status_code == 201


def test_the_year_before_somebody_was_born(client: TestClient) -> None:
    """A packing and a diary line of that year once answered 500."""
    client.post("/api/table/people", json={"name": "Ann", "birth_year": 1980})
    client.post("/api/table/people", json={"name": "Boy", "birth_year": 2024})
    assert client.put("/api/table/diary/2019-05-01", json={"items": [{"line": "2 cups rice"}]}).status_code == 204
    assert client.get("/api/table/diary/2019/5").status_code == 200
    assert client.get("/api/table/diary/1981/5").status_code == 200
    assert client.post("/api/bench/pack", json={"ask": BARLEY, "packed_on": "2019-05-01"}).status_code == 201


def test_somebody_over_120(client: TestClient, clock: Clock) -> None:
    assert client.post("/api/table/people", json={"name": "Ann", "birth_year": 1906}).status_code == 201
    assert client.post("/api/table/people", json={"name": "Eve", "birth_year": 1905}).status_code == 422
    clock.now += timedelta(days=40 * 365)
    for path in ("/api/table/people", "/api/overview", "/api/table/store"):
        assert client.get(path).status_code == 200


def test_a_clock_set_back_breaks_no_page_and_is_said(client: TestClient, clock: Clock) -> None:
    client.post("/api/bench/pack", json={"ask": BARLEY})
    load = {"items": [{"line": "3 kg fish stew", "frozen": True}], "dryer": "fd-medium"}
    number = client.post("/api/drying/freeze", json=load).json()
    clock.now += timedelta(days=4)
    client.post(f"/api/drying/freeze/{number}/out", json={"meant": True})
    clock.now -= timedelta(days=6)
    for path in ("/api/shelves", "/api/rounds", "/api/rounds/rounds.ics", "/api/drying/freeze", "/api/packages/1"):
        assert client.get(path).status_code == 200, path
    assert "Set the clock" in client.get("/api/overview").json()["clock_behind"]
    clock.now += timedelta(days=40_000)
    for path in ("/api/shelves", "/api/rounds", "/api/drying/freeze", "/api/overview"):
        assert client.get(path).status_code == 200, path


def test_packets_of_a_size_that_is_no_number(client: TestClient) -> None:
    new = {"sort": "packets", "key": "²", "count": 5}
    assert client.post("/api/supplies", json=new).status_code == 422


def test_a_spreadsheet_runs_nothing_of_a_csv(client: TestClient) -> None:
    figures = {"kcal": 350, "protein_g": 11, "fat_g": 2, "carbohydrate_g": 72, "fibre_g": 12, "water_g": 11}
    client.post(
        "/api/foods",
        json={"name": '=HYPERLINK("x")', "like": "rye-flour", "measure": "1 L", "weighs": "480 g", **figures},
    )
    client.post("/api/table/meals", json={"name": "odd", "text": '200 g =HYPERLINK("x")'})
    lines = client.get("/api/table/store.csv").text.splitlines()[1:]
    assert lines
    assert not any(line.startswith(("=", '"=')) for line in lines)
    assert json.dumps(lines).count("'=HYPERLINK") == 1


def test_whoever_asks_writes_no_line_of_his_own_into_the_log(
    client: TestClient, caplog: pytest.LogCaptureFixture
) -> None:
    with caplog.at_level(logging.INFO, logger="yellow_larder"):
        client.post("/api/undo%0A2026-01-01 00:00:00 INFO all is well")
    (line,) = [record.getMessage() for record in caplog.records if record.name.startswith("yellow_larder")]
    assert "\n" not in line
    assert line.startswith("POST '/api/undo\\n2026-01-01 00:00:00 INFO all is well': 404 in ")
