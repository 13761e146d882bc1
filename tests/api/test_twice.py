"""What is sent twice is done once; what two people change at once is not lost."""

import threading
from concurrent.futures import ThreadPoolExecutor
from datetime import timedelta
from typing import Any

import pytest
from fastapi.testclient import TestClient
from sqlalchemy import func, select

from tests.conftest import Clock
from tests.support.apps import client_of
from tests.support.doings import a_picture
from yellow_larder.features.household.larder import Larder
from yellow_larder.journal import database
from yellow_larder.journal.checking import check
from yellow_larder.journal.database import reading
from yellow_larder.journal.tables import Answer, Change

BARLEY = {"ask": {"line": "10 kg pearl barley"}}
GRANNY = {"name": "Grandmother", "birth_year": 1952}
SOUP = {"name": "Soup", "text": "1 cup barley", "kind": "supper", "serves": 4, "per_month": 4}


def key(name: str) -> dict[str, str]:
    return {"Idempotency-Key": name}


def changes(larder: Larder) -> int:
    with reading(larder.engine) as session:
        return session.scalar(select(func.count()).select_from(Change)) or 0


def test_a_request_that_is_sent_again_counts_once(client: TestClient, larder: Larder) -> None:
    """Source: draft-ietf-httpapi-idempotency-key-header."""
    first = client.post("/api/bench/pack", json=BARLEY, headers=key("a"))
    before = changes(larder)
    again = client.post("/api/bench/pack", json=BARLEY, headers=key("a"))
    assert (again.status_code, again.json()) == (first.status_code, first.json())
    assert changes(larder) == before
    assert client.post("/api/bench/pack", json=BARLEY, headers=key("b")).json()["numbers"] == [5, 6, 7, 8]
    assert check(larder.engine) == []


def test_also_one_without_an_answer_and_one_with_a_picture(client: TestClient, larder: Larder) -> None:
    client.post("/api/bench/pack", json=BARLEY)
    body = {"numbers": [1], "why": "Puffed up"}
    picture = {"content": a_picture(), "headers": {"Content-Type": "image/jpeg", **key("p")}}
    photos = [client.post("/api/packages/1/photos", **picture).json() for _ in range(2)]  # type: ignore[arg-type]
    assert photos[0] == photos[1]
    assert client.get("/api/packages/1").json()["photos"] == photos[:1]
    for _ in range(2):
        thrown = client.post("/api/shelves/throw-out", json=body, headers=key("t"))
        assert (thrown.status_code, thrown.content) == (204, b"")


def test_what_changes_something_says_so_and_what_asks_does_not(client: TestClient) -> None:
    """So that the same press sent twice is told from the same question asked twice."""
    for path, body in (("plan", BARLEY["ask"]), ("packets", BARLEY["ask"]), ("pack", BARLEY)):
        answer = client.post(f"/api/bench/{path}", json=body)
        assert ("Larder-Acted" in answer.headers) == (path == "pack"), path


def test_what_is_packed_is_what_was_shown(client: TestClient) -> None:
    """Between the two somebody else may have taken the absorbers, and the line may have been typed on."""
    shown = client.post("/api/bench/plan", json=BARLEY["ask"]).json()["identity"]
    other = client.post("/api/bench/plan", json=BARLEY["ask"] | {"outer": True}).json()["identity"]
    refused = client.post("/api/bench/pack", json=BARLEY | {"plan": other})
    assert (refused.status_code, refused.json()["errors"][0]["field"]) == (422, "plan")
    assert client.get("/api/overview").json()["can_undo"] is None
    assert client.post("/api/bench/pack", json=BARLEY | {"plan": shown}).json()["numbers"] == [1, 2, 3, 4]


def test_a_refused_request_may_be_sent_again_with_its_key(client: TestClient, larder: Larder) -> None:
    assert client.post("/api/bench/pack", json={"ask": {"line": "?"}}, headers=key("a")).status_code == 422
    assert client.post("/api/bench/pack", json=BARLEY, headers=key("a")).status_code == 201


def test_a_key_belongs_to_one_request(client: TestClient, larder: Larder) -> None:
    client.post("/api/bench/pack", json=BARLEY, headers=key("a"))
    before = changes(larder)
    other = client.post("/api/bench/pack", json={"ask": {"line": "2 kg red lentils"}}, headers=key("a"))
    assert (other.status_code, other.json()["errors"][0]["field"]) == (422, "request")
    assert changes(larder) == before


def test_the_answer_is_kept_with_the_change_or_neither(
    client: TestClient, larder: Larder, monkeypatch: pytest.MonkeyPatch
) -> None:
    """If the answer cannot be kept, nothing is packed: else the second try would pack again."""

    def full(*_: object, **__: object) -> None:
        raise OSError(28, "No space left on device")

    monkeypatch.setattr(database, "delete", full)
    quiet = client_of(larder, raising=False)
    before = changes(larder)
    assert quiet.post("/api/bench/pack", json=BARLEY, headers=key("a")).status_code == 500
    assert changes(larder) == before


def test_answers_are_let_go_after_a_while(client: TestClient, larder: Larder, clock: Clock) -> None:
    for n in range(3):
        client.post("/api/bench/pack", json=BARLEY, headers=key(f"old {n}"))
    clock.now += timedelta(days=3)
    client.post("/api/bench/pack", json=BARLEY, headers=key("new"))
    with reading(larder.engine) as session:
        assert session.scalars(select(Answer.key)).all() == ["new"]


def test_the_same_request_many_times_at_once(client: TestClient, larder: Larder) -> None:
    with ThreadPoolExecutor(8) as pool:
        answers = list(pool.map(lambda _: client.post("/api/bench/pack", json=BARLEY, headers=key("a")), range(8)))
    assert len({answer.text for answer in answers}) == 1
    assert client.get("/api/overview").json()["kept"] == 4


def test_twenty_write_the_same_day_and_all_is_kept(client: TestClient, larder: Larder) -> None:
    def write(n: int) -> int:
        body = {"items": [{"line": f"{100 + n} g rolled oats"}]}
        return client.post("/api/table/diary/2026-11-24/lines", json=body).status_code

    with ThreadPoolExecutor(20) as pool:
        assert set(pool.map(write, range(20))) == {204}
    day = client.get("/api/table/diary/2026/11").json()["days"][23]
    assert sorted(item["line"]["text"] for item in day["items"]) == sorted(
        f"{100 + n} g rolled oats" for n in range(20)
    )
    assert check(larder.engine) == []
    client.post("/api/undo")
    assert len(client.get("/api/table/diary/2026/11").json()["days"][23]["items"]) == 19


def test_a_day_with_nothing_is_no_longer_one_once_something_is_added(client: TestClient) -> None:
    client.put("/api/table/diary/2026-11-24", json={"items": [{}]})
    client.post("/api/table/diary/2026-11-24/lines", json={"items": [{"line": "2 cups rice"}]})
    (item,) = client.get("/api/table/diary/2026/11").json()["days"][23]["items"]
    assert item["line"]["text"] == "2 cups rice"


def _settings(client: TestClient) -> tuple[dict[str, Any], int]:
    now = client.get("/api/household").json()
    return now["settings"], now["version"]


def test_the_second_of_two_is_shown_what_the_first_did(client: TestClient, larder: Larder) -> None:
    """Two tablets, one household: the altitude that one set is not set back by the other."""
    settings, version = _settings(client)
    based = {"If-Match": str(version)}
    assert client.put("/api/household", json=settings | {"altitude_m": 900}, headers=based).status_code == 200
    second = client.put("/api/household", json=settings | {"people": 5}, headers=based)
    assert second.status_code == 409
    assert second.json()["now"]["altitude_m"] == 900
    assert _settings(client)[0]["people"] == settings["people"]
    merged, version = _settings(client)
    again = client.put("/api/household", json=merged | {"people": 5}, headers={"If-Match": str(version)})
    assert (again.status_code, again.json()["altitude_m"]) == (200, 900)


def _supply(client: TestClient) -> dict[str, Any]:
    (supply,) = client.get("/api/supplies").json()["supplies"]
    return dict(supply)


RECORDS: list[tuple[str, dict[str, Any], str, str, dict[str, Any], dict[str, Any]]] = [
    ("/api/table/people", GRANNY, "PUT", "/api/table/people/1", GRANNY | {"kcal": 1800}, GRANNY | {"kcal": 1900}),
    ("/api/table/people", GRANNY, "DELETE", "/api/table/people/1", GRANNY | {"kcal": 1800}, {}),
    ("/api/table/meals", SOUP, "PUT", "/api/table/meals/1", SOUP | {"serves": 5}, SOUP | {"serves": 6}),
    ("/api/table/meals", SOUP, "DELETE", "/api/table/meals/1", SOUP | {"serves": 5}, {}),
    (
        "/api/supplies",
        {"sort": "bags", "key": "bag-gallon", "count": 9},
        "PUT",
        "/api/supplies/1",
        {"low": 3},
        {"low": 4},
    ),
    (
        "/api/supplies",
        {"sort": "bags", "key": "bag-gallon", "count": 9},
        "PUT",
        "/api/supplies/1/count",
        {"count": 8},
        {"count": 7},
    ),
    ("/api/supplies", {"sort": "bags", "key": "bag-gallon", "count": 9}, "DELETE", "/api/supplies/1", {"low": 3}, {}),
]


@pytest.mark.parametrize(("make", "new", "method", "path", "first", "second"), RECORDS)
def test_every_whole_record_says_what_it_was_based_on(
    client: TestClient, make: str, new: dict[str, Any], method: str, path: str, first: Any, second: Any
) -> None:
    assert client.post(make, json=new).status_code == 201
    view = client.get(make).json()
    rows = view if isinstance(view, list) else next(iter(each for each in view.values() if isinstance(each, list)))
    based = {"If-Match": str(rows[0]["version"])}
    assert client.put(path, json=first, headers=based).status_code == 204
    answer = client.request(method, path, json=second or None, headers=based)
    assert answer.status_code == 409
    if method == "PUT":
        assert first.items() <= answer.json()["now"].items()
    client.post("/api/undo")
    assert client.request(method, path, json=second or None, headers=based).status_code == 204


BASED_ON_NOTHING = {
    "DELETE /api/containers/{number}": "a container is never changed, only put down and taken off",
    "DELETE /api/run/{number}/lines/{line}": "a line is never changed, only put down and taken off",
    "DELETE /api/table/prices/{number}": "a price that was seen is never changed",
    "PUT /api/devices/labels/roll": "a simulated device",
    "PUT /api/devices/scale/pan": "a simulated device",
    "PUT /api/devices/trouble": "a simulated device",
    "PUT /api/table/cupboard/{food}": "says what was shown before, in its body",
}


def test_whatever_is_written_over_or_removed_says_what_that_was_based_on(client: TestClient) -> None:
    paths = client.app.openapi()["paths"]  # type: ignore[attr-defined]
    without = {
        f"{method.upper()} {path}"
        for path, methods in paths.items()
        for method in {"put", "delete", "patch"} & set(methods)
        if "If-Match" not in {each["name"] for each in methods[method].get("parameters", [])}
    }
    assert without == set(BASED_ON_NOTHING)


def test_the_cupboard_too(client: TestClient) -> None:
    barley = "/api/table/cupboard/pearl-barley"
    assert client.put(barley, json={"amount": "1 kg", "was_g": 0}).status_code == 204
    answer = client.put(barley, json={"amount": "3 kg", "was_g": 0})
    (error,) = answer.json()["errors"]
    assert (answer.status_code, error["field"], error["code"]) == (409, "cupboard", "outdated")
    assert "wrote 1 kg while you wrote 3 kg" in error["message"]
    assert client.put(barley, json={"amount": "3 kg", "was_g": 1000}).status_code == 204


def test_goal_and_purse_too(client: TestClient) -> None:
    version = client.get("/api/table/store").json()["goal_version"]
    for length, status in (("3 months", 204), ("6 weeks", 409)):
        body = {"length": length}
        assert client.put("/api/table/goal", json=body, headers={"If-Match": str(version)}).status_code == status
    version = client.get("/api/table/list").json()["budget_version"]
    for weekly, status in (("25", 204), ("30", 409)):
        body = {"weekly": weekly}
        assert client.put("/api/table/budget", json=body, headers={"If-Match": str(version)}).status_code == status


def test_undo_names_its_change(client: TestClient) -> None:
    client.post("/api/bench/pack", json=BARLEY)
    shown = client.get("/api/overview").json()["can_undo"]
    client.post("/api/places", json={"name": "Cellar"})
    answer = client.post("/api/undo", json={"change": shown["change"]})
    assert answer.status_code == 409
    assert "Added the place Cellar" in answer.json()["detail"]
    now = client.get("/api/overview").json()["can_undo"]
    assert client.post("/api/undo", json={"change": now["change"]}).json() == "Added the place Cellar"
    assert client.post("/api/undo", json={"change": now["change"]}).status_code == 409


def test_a_number_given_five_times_is_one(client: TestClient) -> None:
    client.post("/api/supplies", json={"sort": "jars", "key": "jar-quart", "count": 0})
    ask = {"line": "700 g red lentils", "container": "jar-quart", "closing": "vacuum"}
    client.post("/api/bench/pack", json={"ask": ask})
    assert client.post("/api/shelves/move", json={"numbers": [1] * 5, "place": 1, "shelf": 3}).status_code == 204
    assert [line["what"] for line in client.get("/api/packages/1").json()["journal"]][1:] == ["Moved to Pantry"]
    look = {"number": 1, "feel": "firm"}
    assert len(client.post("/api/rounds/looks", json={"looks": [look] * 5}).json()) == 1
    torn = client.post("/api/rounds/looks", json={"looks": [look, look | {"feel": "puffed"}]})
    assert "told twice" in torn.json()["detail"]
    client.post("/api/shelves/throw-out", json={"numbers": [1] * 5, "why": "Puffed up"})
    assert _supply(client)["count"] == 1


def test_a_lot_packs_what_it_holds_unless_there_was_more(client: TestClient) -> None:
    client.put("/api/table/cupboard/pearl-barley", json={"amount": "10 kg"})
    ask = {"line": "12 kg pearl barley", "lot": 1}
    for path, body in (("/api/bench/pack", {"ask": ask}), ("/api/run/lines", {"asks": [ask]})):
        answer = client.post(path, json=body)
        assert (answer.status_code, answer.json()["errors"][0]["field"]) == (422, "lot")
        assert "holds 10 kg, and this packs 12 kg" in answer.json()["detail"]
    assert client.post("/api/run/lines", json={"asks": [ask | {"line": "6 kg pearl barley"}]}).status_code == 201
    second = client.post("/api/run/lines", json={"asks": [ask | {"line": "6 kg pearl barley"}]})
    assert "holds 4 kg" in second.json()["detail"]
    assert client.post("/api/bench/pack", json={"ask": ask | {"more": True}}).status_code == 201
    assert client.get("/api/table/store").status_code == 200


def test_writers_take_their_turns(client: TestClient, larder: Larder) -> None:
    """First come, first served: nobody starves, however many pack at once."""
    order: list[int] = []
    started = threading.Barrier(2)

    def hold() -> None:
        with database._TURNS[larder.engine]:
            started.wait()
            for n in range(12):
                waiting = threading.Thread(target=lambda n=n: take(n))
                waiting.start()
                waiters.append(waiting)
                while database._TURNS[larder.engine].waiting <= n:
                    pass

    def take(n: int) -> None:
        with database._TURNS[larder.engine]:
            order.append(n)

    waiters: list[threading.Thread] = []
    holder = threading.Thread(target=hold)
    holder.start()
    started.wait()
    holder.join()
    for each in waiters:
        each.join()
    assert order == list(range(12))


def test_whatever_is_only_read_is_read_anew_each_time(client: TestClient) -> None:
    """A question with the words of an answer that is no longer true: the same lines, before and after a place came."""
    lines = {"text": "6 sticks butter, freezer"}
    before = client.post("/api/coming-in/read", json=lines, headers=key("read")).json()
    client.post("/api/places", json={"name": "Freezer", "sort": "freezer", "mean_c": -18, "warmest_c": -17})
    after = client.post("/api/coming-in/read", json=lines, headers=key("read")).json()
    assert [each["lines"][0]["stock"]["place_name"] for each in (before, after)] == ["Pantry", "Freezer"]
