import json
from pathlib import Path

import pytest
from fastapi.testclient import TestClient

from tests.support.apps import client_of
from yellow_larder.api.app import make_app
from yellow_larder.features.household.larder import Larder
from yellow_larder.serving import HOST

BARLEY = {"line": "10 kg pearl barley", "container": "bag-gallon"}
WEB = Path(__file__).parents[2] / "web"


def test_from_a_line_to_a_shelf_and_back(client: TestClient) -> None:
    shown = client.post("/api/bench/plan", json=BARLEY).json()
    assert (shown["full"]["count"], shown["full"]["mass"]) == (4, "2.5 kg")
    done = client.post("/api/bench/pack", json={"ask": BARLEY, "packed_on": "2026-11-20"})
    assert (done.status_code, done.json()["numbers"]) == (201, [1, 2, 3, 4])
    assert client.get("/api/overview").json()["kept"] == 4
    pdf = client.get("/api/labels.pdf", params={"batch": done.json()["batch"]})
    assert (pdf.headers["content-type"], pdf.content[:5]) == ("application/pdf", b"%PDF-")
    assert client.post("/api/places", json={"name": "Cellar", "mean_c": 11, "warmest_c": 14}).json() == 2
    assert client.post("/api/shelves/move", json={"numbers": [1, 2], "place": 2, "shelf": 1}).status_code == 204
    assert client.get("/api/packages/1").json()["place_name"] == "Cellar"
    assert client.post("/api/shelves/throw-out", json={"numbers": [1], "why": "Puffed up"}).status_code == 204
    assert [each["number"] for each in client.get("/api/shelves").json()["packages"]] == [3, 4, 2]
    found = client.get("/api/shelves/find", params={"words": "YELLOW LARDER 3"}).json()
    assert found == [{"number": 3, "place": 1}]
    found = client.get("/api/shelves/find", params={"words": "barl"}).json()
    assert [(each["number"], each["place"]) for each in found] == [(3, 1), (4, 1), (2, 2)]
    for _ in range(3):
        assert client.post("/api/undo").status_code == 200
    assert client.get("/api/overview").json()["kept"] == 4
    assert client.post("/api/undo").json() == "Packed 4 × 2.5 kg pearl barley"
    assert client.post("/api/undo").status_code == 404


@pytest.mark.parametrize(
    ("method", "path", "body", "status", "field"),
    [
        ("POST", "/api/bench/plan", {"line": "10 kg unobtainium"}, 422, "line"),
        ("POST", "/api/bench/plan", {"line": "x" * 5_000_000}, 422, "line"),
        ("POST", "/api/bench/plan", {**BARLEY, "headspace_mm": "high"}, 422, "headspace_mm"),
        ("POST", "/api/bench/plan", {**BARLEY, "sizing": "by feel"}, 422, "sizing"),
        ("POST", "/api/bench/plan", {**BARLEY, "container": "own:axb"}, 404, "container"),
        ("POST", "/api/bench/plan", {**BARLEY, "container": "own:1e9x1x1"}, 422, "own_bag"),
        ("POST", "/api/bench/pack", {"ask": BARLEY, "packed_on": "2027-01-01"}, 422, "packed_on"),
        ("POST", "/api/bench/pack", {"ask": BARLEY, "packed_on": "yesterday"}, 422, "packed_on"),
        ("POST", "/api/bench/pack", {"ask": {**BARLEY, "closing": "absorber", "moisture": 20}}, 422, "verdict"),
        ("POST", "/api/foods", {"name": "n"}, 422, "like"),
        ("PUT", "/api/household", {"name": "<i>x</i>" * 700_000}, 422, "name"),
        ("POST", "/api/shelves/move", {"numbers": [], "place": 1, "shelf": 1}, 422, "numbers"),
        ("GET", "/api/packages/9", None, 404, "number"),
        ("GET", "/api/labels.pdf?batch=9", None, 404, "batch"),
    ],
)
def test_refusals_are_problem_details_by_field(
    client: TestClient, method: str, path: str, body: object, status: int, field: str
) -> None:
    """Source: RFC 9457."""
    answer = client.request(method, path, json=body)
    assert answer.status_code == status
    assert answer.headers["content-type"] == "application/problem+json"
    problem = answer.json()
    assert problem["status"] == status
    assert problem["errors"][0]["field"] == field
    assert len(answer.content) < 2000, "what was typed is not sent back"
    assert client.get("/api/overview").json()["kept"] == 0


def test_other_sites_pages_may_not_write(client: TestClient) -> None:
    for origin, status in (("http://evil.example", 403), ("http://127.0.0.1", 404)):
        assert client.post("/api/undo", headers={"origin": origin}).status_code == status


def test_other_names_for_this_machine_are_refused(larder: Larder) -> None:
    """A name that another site points at 127.0.0.1 must not reach the larder."""
    assert client_of(larder, host="evil.example").get("/api/overview").status_code == 400
    assert HOST == "127.0.0.1"


def test_too_much_at_once(client: TestClient) -> None:
    assert client.post("/api/bench/plan", content=b"x" * (9 * 1024 * 1024)).status_code == 413


def test_the_written_client_is_not_stale(client: TestClient) -> None:
    written = json.loads((WEB / "src/lib/api/openapi.json").read_text())
    assert written == json.loads(json.dumps(client.app.openapi()))  # type: ignore[attr-defined]


def test_every_answer_and_question_is_described(client: TestClient) -> None:
    document = client.app.openapi()  # type: ignore[attr-defined]
    for path, doings in document["paths"].items():
        for doing in doings.values():
            assert doing["description"], path
            assert "422" in doing["responses"]
            if "requestBody" in doing and path == "/api/bench/plan":
                assert doing["requestBody"]["content"]["application/json"]["schema"]["examples"]


def test_pages_are_served_and_nothing_beside_them(larder: Larder, tmp_path: Path) -> None:
    web = tmp_path / "web"
    (web / "_app" / "immutable").mkdir(parents=True)
    (web / "_app" / "immutable" / "start.7f3a.js").write_text("start()")
    (web / "_app" / "version.json").write_text("{}")
    (web / "index.html").write_text("the page")
    (tmp_path / "secret").write_text("secret")
    client = TestClient(make_app(larder, web), base_url="http://127.0.0.1")
    assert client.get("/bench").text == "the page"
    assert client.get("/..%2fsecret").text == "the page"
    assert client.get("/api/nothing").status_code == 404
    assert client.get("/_app/immutable/start.7f3a.js").headers["cache-control"].endswith("immutable")
    assert client.get("/_app/immutable/nothing.js").status_code == 404
    for changes in ("/_app/version.json", "/bench"):
        assert "immutable" not in client.get(changes).headers.get("cache-control", "")


def test_the_household_is_changed_and_everything_is_shown_its_way(client: TestClient) -> None:
    now = client.get("/api/overview").json()["settings"]
    assert client.put("/api/household", json=now | {"units": "US", "people": 4}).json()["people"] == 4
    assert client.post("/api/bench/plan", json=BARLEY).json()["amount"] == "22 lb"
    assert client.get("/api/reference/containers").json()[3]["size"] == "10 in × 14 in, 7 mil"
    client.post("/api/undo")
    assert client.get("/api/overview").json()["settings"] == now


def test_a_food_is_added_once(client: TestClient) -> None:
    figures = {"kcal": 350, "protein_g": 11, "fat_g": 2, "carbohydrate_g": 72, "fibre_g": 12, "water_g": 11}
    food = {"name": "bere meal", "like": "rye-flour", "measure": "1 L", "weighs": "480 g", **figures}
    assert client.post("/api/foods", json=food).json() == {"key": "own-1", "name": "bere meal"}
    again = client.post("/api/foods", json=food)
    assert (again.status_code, again.json()["errors"][0]["field"]) == (422, "name")


def test_labels_of_numbers_and_in_a_gzip(client: TestClient) -> None:
    client.post("/api/bench/pack", json={"ask": BARLEY})
    pdf = client.get("/api/labels.pdf", params={"number": [4, 2]})
    assert pdf.status_code == 200
    assert pdf.headers["cache-control"] == "no-store"
    assert client.get("/api/reference").headers["content-encoding"] == "gzip"
    assert "app;dur=" in client.get("/api/overview").headers["server-timing"]
