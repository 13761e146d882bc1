"""Supplies, the run and the looks over HTTP, as their screens call them."""

from __future__ import annotations

from datetime import timedelta
from typing import Any

import pytest
from fastapi.testclient import TestClient

from tests.conftest import Clock

PACKETS = {"sort": "packets", "key": "500", "count": 2, "per_pack": 10, "cost": "3.20", "low": 1}
LENTILS = {"asks": [{"line": "5 kg red lentils"}]}


def refusal(answer: Any) -> tuple[int, str]:
    return answer.status_code, answer.json()["errors"][0]["field"]


def test_a_whole_run(client: TestClient, clock: Clock) -> None:
    assert client.get("/api/run").json() is None
    supply = client.post("/api/supplies", json=PACKETS).json()
    number = client.post("/api/run/lines", json=LENTILS).json()
    client.post("/api/run/lines", json=LENTILS)
    assert client.delete(f"/api/run/{number}/lines/2").status_code == 200
    for step in ("begin", "labelled"):
        assert client.post(f"/api/run/{number}/{step}").status_code == 200
    assert client.post(f"/api/run/{number}/tick", json={"code": "iron", "on": True}).status_code == 200
    assert client.post(f"/api/run/{number}/set-out").status_code == 200
    assert client.post(f"/api/run/{number}/fill", json={"container": 1, "weight": "2.54 kg"}).status_code == 200
    assert client.post(f"/api/run/{number}/fill-rest").status_code == 200
    assert client.post(f"/api/run/{number}/open", json={}).status_code == 200
    clock.now += timedelta(seconds=50)
    shown = client.get("/api/run").json()
    assert (shown["phase"], shown["clock"]["left_s"], shown["clock"]["next"]) == ("against the clock", 850, 1)
    assert client.post(f"/api/run/{number}/close", json={"container": 1}).status_code == 200
    twice = client.post(f"/api/run/{number}/close", json={"container": 1})
    assert refusal(twice) == (422, "container")
    assert "it counts once" in twice.json()["errors"][0]["message"]
    assert client.post(f"/api/run/{number}/back", json={}).status_code == 200
    assert client.post(f"/api/run/{number}/open", json={"count": 1}).status_code == 200
    assert client.post(f"/api/run/{number}/close", json={"container": 2, "note": "a crease"}).status_code == 200
    assert client.post(f"/api/run/{number}/finish").status_code == 200
    assert client.get("/api/run").json() is None
    done = client.get(f"/api/run/{number}").json()
    assert (done["phase"], done["containers"][1]["note"]) == ("done", "a crease")
    seen = client.get("/api/supplies").json()
    assert (seen["low"], [each["spares"] for each in seen["supplies"]]) == (1, [8])
    assert seen["supplies"][0]["number"] == supply
    assert len(client.get("/api/shelves").json()["packages"]) == 2


def test_looks(client: TestClient, clock: Clock) -> None:
    number = client.post("/api/run/lines", json=LENTILS).json()
    for step in ("begin", "labelled", "set-out", "fill-rest"):
        client.post(f"/api/run/{number}/{step}")
    client.post(f"/api/run/{number}/open", json={})
    for n in (1, 2):
        client.post(f"/api/run/{number}/close", json={"container": n})
    client.post(f"/api/run/{number}/finish")
    assert client.get("/api/rounds/looks").json() == []
    assert len(client.get("/api/rounds/looks?ahead_days=1").json()) == 2
    clock.now += timedelta(days=1)
    looks = [{"number": 1, "feel": "firm"}, {"number": 2, "feel": "leaks", "indicator": "pink"}]
    found = client.post("/api/rounds/looks", json={"looks": looks}).json()
    assert [each["doing"] for each in found] == ["nothing", "repack"]
    lot = client.post("/api/rounds/looks/2/empty").json()
    assert client.post("/api/bench/plan", json={"line": "2.5 kg red lentils", "lot": lot}).status_code == 200
    assert client.post("/api/rounds/looks/2/empty").status_code == 404
    assert refusal(client.post("/api/rounds/looks", json={"looks": []})) == (422, "looks")
    assert client.post("/api/rounds/looks", json={"looks": [{"number": 1, "feel": "odd"}]}).status_code == 422


def test_supplies_are_kept(client: TestClient) -> None:
    packets = client.post("/api/supplies", json=PACKETS).json()
    bags = client.post("/api/supplies", json={"sort": "bags", "key": "bag-gallon", "count": 4}).json()
    gel = client.post("/api/supplies", json={"sort": "desiccant", "key": "10", "count": 9}).json()
    for method, path, sent in (
        ("put", f"/{packets}/count", {"count": 5, "spares": 3}),
        ("put", f"/{packets}", {"low": 6, "note": "by the door"}),
        ("post", f"/{packets}/came", {"count": 1, "cost": "3.40"}),
        ("post", f"/{packets}/spares", {"count": 2, "minutes": 6}),
        ("post", f"/{gel}/desiccant", {"count": 4, "restored": False}),
    ):
        answer = client.request(method, f"/api/supplies{path}", json=sent)
        assert answer.status_code == 204, answer.text
    assert client.post(f"/api/supplies/{bags}/cut", json={}).status_code == 201
    shown = {each["number"]: each for each in client.get("/api/supplies").json()["supplies"]}
    assert (shown[packets]["count"], shown[packets]["spares"], shown[packets]["cost"]) == (6, 5, "3.40")
    assert (shown[gel]["count"], shown[gel]["spent"]) == (5, 4)
    assert len(shown) == 4
    assert client.delete(f"/api/supplies/{bags}").status_code == 204
    assert client.delete(f"/api/supplies/{bags}").status_code == 404


@pytest.mark.parametrize(
    ("method", "path", "sent", "expected"),
    [
        ("post", "/supplies", PACKETS | {"key": "250"}, (422, "key")),
        ("post", "/supplies", PACKETS | {"sort": "hats"}, (422, "sort")),
        ("post", "/supplies", PACKETS | {"count": "many"}, (422, "count")),
        ("put", "/supplies/7/count", {"count": 5}, (404, "number")),
        ("post", "/run/lines", {"asks": [{"line": "barley"}]}, (422, "line")),
        ("post", "/run/lines", {"asks": [{"line": "1 kg barley", "container": "hat"}]}, (404, "container")),
        ("post", "/run/9/begin", None, (404, "number")),
        ("get", "/run/9", None, (404, "number")),
    ],
)
def test_refused_at_the_field(
    client: TestClient, method: str, path: str, sent: dict[str, Any] | None, expected: tuple[int, str]
) -> None:
    assert refusal(client.request(method, f"/api{path}", json=sent)) == expected
    assert client.get("/api/supplies").json()["supplies"] == []
    assert client.get("/api/run").json() is None
