"""The freezer over HTTP, as its screen calls it."""

from datetime import timedelta

import pytest
from fastapi.testclient import TestClient

from tests.conftest import Clock

RICE = {"line": "10 kg white rice", "container": "bag-gallon"}


def test_in_out_and_open(client: TestClient, clock: Clock) -> None:
    plan = client.post("/api/freezer/plan", json=RICE).json()
    number = client.post("/api/freezer", json=RICE).json()
    assert client.get("/api/overview").json()["under_way"] == 1
    early = client.post(f"/api/freezer/{number}/out", json={})
    assert (early.status_code, early.json()["errors"][0]["field"]) == (422, "early")
    clock.now += timedelta(hours=plan["out_hours"] + 0.1)
    assert client.get("/api/freezer").json()[0]["phase"] == "done"
    assert client.post(f"/api/freezer/{number}/out", json={}).status_code == 204
    assert client.post(f"/api/freezer/{number}/open", json={}).json()["errors"][0]["field"] == "early"
    clock.now += timedelta(hours=plan["thaw_hours"] + 0.1)
    lot = client.post(f"/api/freezer/{number}/open", json={}).json()
    shown = client.post("/api/bench/plan", json={"line": "10 kg white rice", "lot": lot}).json()
    assert shown["frozen"] is True
    assert client.post("/api/bench/plan", json={"line": "10 kg white rice"}).json()["frozen"] is False


@pytest.mark.parametrize(
    ("change", "expected"),
    [
        ({"freezer_c": 5}, (422, "freezer_c")),
        ({"freezer_c": "cold"}, (422, "freezer_c")),
        ({"line": "rice"}, (422, "line")),
        ({"container": "hat"}, (404, "container")),
    ],
)
def test_refused_at_the_field(client: TestClient, change: dict[str, object], expected: tuple[int, str]) -> None:
    for path in ("", "/plan"):
        answer = client.post(f"/api/freezer{path}", json=RICE | change)
        assert (answer.status_code, answer.json()["errors"][0]["field"]) == expected
    assert client.get("/api/freezer").json() == []
