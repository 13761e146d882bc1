"""The table over HTTP: each use case once, as the screens call it."""

import csv
from io import BytesIO, StringIO

import pypdf
import pytest
from fastapi.testclient import TestClient

GRANDMOTHER = {"name": "Grandmother", "birth_year": 1952, "sex": "female", "height": "158 cm", "weight": "61 kg"}
BROTH = {"name": "Barley broth", "text": "200 g pearl barley\n2 onions\nsalt", "serves": 2, "per_month": 4}


def refusal(client: TestClient, method: str, path: str, body: object) -> tuple[int, str, str]:
    """Status, field and message of what is refused."""
    answer = client.request(method, f"/api/table/{path}", json=body)
    assert answer.headers["content-type"] == "application/problem+json"
    error = answer.json()["errors"][0]
    return answer.status_code, error["field"], error["message"]


def test_people_come_change_and_go(client: TestClient) -> None:
    typed = client.post("/api/table/people/need", json=GRANDMOTHER).json()
    number = client.post("/api/table/people", json=GRANDMOTHER).json()
    client.put(f"/api/table/people/{number}", json=GRANDMOTHER | {"count": 2}).raise_for_status()
    shown = client.get("/api/table/people").json()
    assert shown["people"][0]["need"] == typed
    assert shown["appetite"]["kcal_day"] == pytest.approx(2 * typed["kcal"])
    assert client.get("/api/overview").json()["appetite"]["people"] == 2
    assert client.delete(f"/api/table/people/{number}").status_code == 204
    assert client.delete(f"/api/table/people/{number}").status_code == 404


def test_a_meal_is_read_kept_changed_and_dropped(client: TestClient) -> None:
    read = client.post("/api/table/meals/read", json=BROTH).json()
    assert [line["reading"] for line in read["lines"]] == ["read", "read", "seasoning"]
    number = client.post("/api/table/meals", json=BROTH).json()
    client.put(f"/api/table/meals/{number}", json=BROTH | {"text": "1 cup bere"}).raise_for_status()
    assert client.get("/api/table/meals").json()[0]["read"]["asks"] == 1
    assert client.post("/api/table/words", json={"words": "bere", "means": "rye-flour"}).status_code == 204
    assert client.get("/api/table/meals").json()[0]["read"]["asks"] == 0
    assert client.delete(f"/api/table/meals/{number}").status_code == 204
    assert client.get("/api/table/meals").json() == []


def test_the_diary_of_a_month(client: TestClient) -> None:
    number = client.post("/api/table/meals", json=BROTH).json()
    written = {"items": [{"meal": number}, {"line": "2 cups rice"}]}
    assert client.put("/api/table/diary/2026-11-24", json=written).status_code == 204
    shown = client.get("/api/table/diary/2026/11").json()
    assert shown["days"][23]["says"] == "Barley broth, 2 cups rice"
    assert {each["name"] for each in shown["totals"]} == {"white rice", "pearl barley", "dried onions"}


def test_from_the_goal_to_the_list_to_the_bench(client: TestClient) -> None:
    client.post("/api/table/meals", json=BROTH).raise_for_status()
    assert client.put("/api/table/goal", json={"length": "2 months", "keep_years": 5}).status_code == 204
    assert client.put("/api/table/cupboard/pearl-barley", json={"amount": "100 g"}).status_code == 204
    assert client.post("/api/table/tried/pearl-barley").status_code == 204
    barley = client.get("/api/table/store").json()["rows"][0]
    assert (barley["need_g"], barley["gap_g"], barley["new"]) == (1600, 1500, False)
    price = {"line": "1 kg barley", "price": "2", "shop": "mill"}
    client.post("/api/table/prices", json=price | {"line": "500 g dried onions"}).raise_for_status()
    number = client.post("/api/table/prices", json=price).json()
    assert len(client.get("/api/table/prices").json()["foods"]) == 2
    assert client.put("/api/table/budget", json={"weekly": "6"}).status_code == 204
    shown = client.get("/api/table/list").json()
    assert {line["name"]: line["packs"] for line in shown["lines"]} == {"pearl barley": 2, "dried onions": 1}
    assert client.get("/api/table/weeks").json()["weeks_needed"] == 1
    lot = client.post("/api/table/buy", json={"price": number, "packs": 2}).json()
    plan = client.post("/api/bench/plan", json={"line": "2 kg pearl barley", "lot": lot}).json()
    assert plan["cost"] == "4.00"
    assert client.delete(f"/api/table/prices/{number}").status_code == 204


def test_open_formats(client: TestClient) -> None:
    test_from_the_goal_to_the_list_to_the_bench(client)
    rows = list(csv.DictReader(StringIO(client.get("/api/table/store.csv").text)))
    assert [each["food"] for each in rows] == ["pearl barley", "dried onions"]
    answer = client.get("/api/table/list.csv")
    assert answer.headers["content-type"].startswith("text/csv")
    assert [each["food"] for each in csv.DictReader(StringIO(answer.text))] == ["dried onions"]
    pdf = client.get("/api/table/list.pdf").content
    text = "".join(page.extract_text() for page in pypdf.PdfReader(BytesIO(pdf)).pages)
    for said in ("This week's list", "24 Nov 2026", "Dried onions", "1 × 500 g", "2.00", "is left over"):
        assert said in text


@pytest.mark.parametrize(
    ("method", "path", "body", "expected"),
    [
        ("POST", "people", GRANDMOTHER | {"birth_year": 2100}, (422, "birth_year")),
        ("POST", "people", GRANDMOTHER | {"count": 0}, (422, "count")),
        ("POST", "meals", BROTH | {"serves": 0}, (422, "serves")),
        ("POST", "meals", BROTH | {"text": ""}, (422, "text")),
        ("POST", "meals", BROTH | {"text": "1 cup oats\n" * 5000}, (422, "text")),
        ("POST", "meals/read", BROTH | {"text": "1 cup oats\n" * 5000}, (422, "text")),
        ("PUT", "diary/2026-11-25", {"items": [{"line": "1 cup rice"}]}, (422, "day")),
        ("PUT", "diary/soon", {"items": []}, (422, "day")),
        ("PUT", "goal", {"length": "for ever"}, (422, "length")),
        ("PUT", "cupboard/manna", {"amount": "1 kg"}, (404, "food")),
        ("POST", "prices", {"line": "1 kg rice", "price": "0"}, (422, "price")),
        ("POST", "prices", {"line": "1 kg perl barlee", "price": "1"}, (422, "line")),
        ("PUT", "budget", {"weekly": "plenty"}, (422, "weekly")),
        ("POST", "buy", {"price": 9, "packs": 1}, (404, "price")),
        ("GET", "weeks", None, (422, "weekly")),
    ],
)
def test_refused_at_the_field_with_nothing_saved(
    client: TestClient, method: str, path: str, body: object, expected: tuple[int, str]
) -> None:
    status, field, message = refusal(client, method, path, body)
    assert (status, field) == expected
    assert 10 < len(message) < 200
    assert client.get("/api/overview").json()["can_undo"] is None
