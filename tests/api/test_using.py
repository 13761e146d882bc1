"""Using food up over the API: addresses that have a word where others have a number."""

from fastapi.testclient import TestClient

from tests.conftest import NOON


def test_a_day_a_jar_and_what_they_became(client: TestClient) -> None:
    ask = {"line": "700 g white rice", "container": "jar-quart"}
    assert client.post("/api/bench/pack", json={"ask": ask}).status_code == 201
    assert client.get("/api/packages/pour-into", params={"numbers": [1]}).json()[0]["count"] == 1
    day = NOON.date().isoformat()
    assert client.get(f"/api/table/diary/{day}/shelf").json() == {"lines": [], "lacking": [], "taken": ""}
    client.put(f"/api/table/diary/{day}", json={"items": [{"line": "200 g white rice"}]})
    (line,) = client.get(f"/api/table/diary/{day}/shelf").json()["lines"]
    took = client.post(f"/api/table/diary/{day}/shelf", json={"takes": [{"number": 1, "amount": line["amount"]}]})
    assert took.json() == "200 g white rice"
    closed = client.post("/api/packages/1/close", json={"closing": "vacuum"})
    assert closed.status_code == 200
    poured = client.post("/api/packages/pour", json={"pouring": {"numbers": [1], "container": "jar-quart"}})
    assert poured.json()["numbers"] == [2]
    gone = client.post("/api/packages/1/take", json={"amount": "1 g"})
    assert gone.status_code == 422
    assert gone.json()["errors"][0]["message"] == "Number 1 was poured over on 24 Nov 2026"
    (next_,) = client.get("/api/shelves/next").json()
    assert next_["number"] == 2
    place = client.get("/api/places/1").json()
    changed = place["place"] | {"name": "Scullery"}
    assert client.put("/api/places/1", json=changed, headers={"If-Match": str(place["version"])}).status_code == 204
    stale = client.put("/api/places/1", json=changed | {"name": "Larder"}, headers={"If-Match": str(place["version"])})
    assert stale.status_code == 409
    assert stale.json()["now"]["name"] == "Scullery"
