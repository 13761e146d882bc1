"""Labels over HTTP: sheets, a layout of one's own, and single labels through the printer."""

import pytest
from fastapi.testclient import TestClient


@pytest.fixture
def batch(client: TestClient) -> int:
    return int(client.post("/api/bench/pack", json={"ask": {"line": "10 kg pearl barley"}}).json()["batch"])


def test_every_layout_prints(client: TestClient, batch: int) -> None:
    for layout in client.get("/api/labels/layouts").json():
        answer = client.get(f"/api/labels.pdf?batch={batch}&layout={layout['key']}")
        assert answer.content.startswith(b"%PDF"), layout["name"]
    own = "layout=own&columns=2&rows=6&size=80 x 40 mm&gap=4 mm"
    assert client.get(f"/api/labels.pdf?batch={batch}&{own}").content.startswith(b"%PDF")
    assert client.get("/api/labels/own?columns=2&rows=6&size=80 x 40 mm").json()["size_mm"] == [80, 40]


@pytest.mark.parametrize(
    ("query", "expected"),
    [
        ("layout=hat", (404, "layout")),
        ("layout=own&columns=3&rows=7&size=75 x 38 mm", (422, "size")),
        ("layout=own&columns=2&rows=2", (422, "size")),
    ],
)
def test_a_layout_that_cannot_be(client: TestClient, batch: int, query: str, expected: tuple[int, str]) -> None:
    answer = client.get(f"/api/labels.pdf?batch={batch}&{query}")
    assert (answer.status_code, answer.json()["errors"][0]["field"]) == expected


def test_single_labels_off_the_roll(client: TestClient, batch: int) -> None:
    assert client.get("/api/devices/labels.pdf").status_code == 404
    done = client.post(f"/api/devices/labels?batch={batch}", json={"roll": "roll-small"}).json()
    assert (done["printed"], done["left"], done["simulated"]) == (4, 56, True)
    assert client.get("/api/devices/labels.pdf").content.startswith(b"%PDF")
    for _ in range(14):
        assert client.post(f"/api/devices/labels?batch={batch}", json={}).status_code == 200
    empty = client.post(f"/api/devices/labels?batch={batch}", json={})
    assert "roll is empty" in empty.json()["errors"][0]["message"]
    assert client.put("/api/devices/labels/roll").status_code == 204
    assert client.put("/api/devices/trouble?label_printer=sends nothing").status_code == 204
    gone = client.post(f"/api/devices/labels?batch={batch}", json={})
    assert (gone.status_code, gone.json()["errors"][0]["field"]) == (422, "printer")
    sheet = client.post(f"/api/devices/labels?batch={batch}", json={"roll": "plain"})
    assert sheet.json()["errors"][0]["field"] == "roll"


def test_the_run_sheet(client: TestClient) -> None:
    number = client.post("/api/run/lines", json={"asks": [{"line": "5 kg red lentils"}]}).json()
    client.post(f"/api/run/{number}/begin")
    assert client.get(f"/api/run/{number}/sheet.pdf").content.startswith(b"%PDF")
    assert client.get(f"/api/labels.pdf?run={number}").content.startswith(b"%PDF")
