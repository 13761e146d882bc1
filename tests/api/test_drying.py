from datetime import timedelta

from fastapi.testclient import TestClient
from icalendar import Calendar

from tests.conftest import Clock
from tests.support.apps import client_of
from tests.support.scripts import Script
from yellow_larder.api.devices import Devices
from yellow_larder.devices.hygrometer import Hygrometer
from yellow_larder.devices.label_printer import LabelPrinter
from yellow_larder.devices.scale import TARE, Scale
from yellow_larder.features.household.larder import Larder

LEEKS = {"items": [{"line": "2 kg leeks"}]}


def test_a_load_over_the_wire(client: TestClient, clock: Clock) -> None:
    planned = client.post("/api/drying/plan", json=LEEKS).json()
    assert planned["measured"]
    assert len(planned["lying"]) == 6
    number = client.post("/api/drying/loads", json=LEEKS).json()
    clock.now += timedelta(hours=3)
    weighed = client.post(f"/api/drying/loads/{number}/weigh", json={"tray": 2, "weight": "160 g"})
    assert weighed.status_code == 204
    (load,) = client.get("/api/drying/loads").json()
    assert load["trays"][1]["last"] == "160 g"
    assert client.post(f"/api/drying/loads/{number}/loosen", json={"item": 0}).status_code == 204
    clock.now += timedelta(hours=5)
    tested = client.post(f"/api/drying/loads/{number}/test", json={"item": 0, "feels_dry": True, "weight": "365 g"})
    assert tested.json()["take_out"]
    out = client.post(f"/api/drying/loads/{number}/out", json={"trays": [1, 2, 3, 4, 5, 6], "weight": "365 g"}).json()
    jar = client.post("/api/drying/jars", json={"lot": out["lot"], "days": 5}).json()
    clock.now += timedelta(days=1)
    assert client.post(f"/api/drying/jars/{jar}/look", json={"look": "stuck"}).json() == "back in the dryer"
    assert client.post(f"/api/drying/jars/{jar}/back").status_code == 204
    assert client.post(f"/api/drying/lots/{out['lot']}/grind", json={"amount": "50 g"}).json()["line"] == (
        "50 g leek powder"
    )
    assert [each["food"] for each in client.get("/api/drying/lots").json()] == ["leek powder", "dried leeks"]
    assert client.post(f"/api/drying/jars/{jar}/empty").status_code == 204


def test_refusals_stand_by_their_field(client: TestClient) -> None:
    wrong = client.post("/api/drying/plan", json={"items": [{"line": "2 kg leeks"}, {"line": "3 kg gravel"}]})
    assert (wrong.status_code, wrong.json()["errors"][0]["field"]) == (422, "line.1")
    assert client.get("/api/drying/loads").json() == []
    gone = client.post("/api/drying/loads/9/weigh", json={"tray": 1, "weight": "100 g"})
    assert gone.status_code == 404
    raw = client.post("/api/drying/loads", json={"items": [{"line": "1 kg lean beef"}]})
    assert raw.json()["errors"][0]["field"] == "stop"
    assert client.post("/api/drying/jars", json={"lot": 1, "days": "soon"}).status_code == 422
    assert client.post("/api/drying/jars/1/look", json={"look": "odd"}).status_code == 422


def test_a_freeze_load_over_the_wire(client: TestClient, clock: Clock) -> None:
    ask = {"items": [{"line": "3 kg fish stew"}]}
    assert client.post("/api/drying/freeze/plan", json=ask).json()["water"] == "2.43 kg"
    number = client.post("/api/drying/freeze", json=ask).json()
    clock.now += timedelta(hours=20)
    for _ in range(2):
        assert client.post(f"/api/drying/freeze/{number}/weigh", json={"weight": "580 g"}).status_code == 204
        clock.now += timedelta(hours=2)
    assert client.get("/api/drying/freeze").json()[0]["stage"] == "dry"
    assert len(client.post(f"/api/drying/freeze/{number}/out").json()) == 1
    assert client.post(f"/api/drying/freeze/{number}/closed").status_code == 204
    assert client.get("/api/drying/freeze-dryers").json()[0]["key"] == "fd-small"


def test_the_round_and_its_calendar(client: TestClient) -> None:
    client.post("/api/drying/loads", json=LEEKS)
    assert [task["kind"] for task in client.get("/api/rounds").json()["due"]] == ["weigh"]
    feed = client.get("/api/rounds/rounds.ics")
    assert feed.headers["content-type"] == "text/calendar; charset=utf-8"
    assert len(Calendar.from_ical(feed.content).walk("VEVENT")) == 1
    assert client.get("/api/overview").json()["under_way"] == 1


def test_the_simulated_instruments(client: TestClient) -> None:
    there = dict.fromkeys(("scale", "scale_simulated", "hygrometer", "label_printer"), True)
    assert client.get("/api/overview").json()["connected"] == there
    client.put("/api/devices/scale/pan", json={"grams": 412})
    states = {client.get("/api/devices/scale").json()["state"] for _ in range(3)}
    assert states == {"moving"}
    client.put("/api/devices/trouble", params={"scale": "sends nothing", "hygrometer": "sends nonsense"})
    assert client.get("/api/devices/scale").json() | {"says": ""} == {
        "state": "no reading",
        "grams": None,
        "text": "",
        "off": "",
        "right": False,
        "says": "",
    }
    assert client.get("/api/devices/room").json()["reads"] is False
    planned = client.post("/api/drying/plan", json=LEEKS).json()
    assert (planned["measured"], planned["room"]) == (False, "20 °C, 50 % humidity")
    client.put("/api/devices/trouble")
    assert client.get("/api/devices/room").json()["reads"] is True
    assert client.put("/api/devices/scale/pan", json={"grams": -5}).status_code == 422


def test_a_device_of_ones_own_hangs_on_the_same_wire(larder: Larder) -> None:
    wire, probe = Script(*[b"14.5 oz\r\n"] * 4), Script(b"68 F 70 %\r\n")
    real = Devices(Scale(wire), Hygrometer(probe), LabelPrinter(Script(b"OK 7\r\n")))
    client = client_of(larder, instruments=real)
    looks = [client.get("/api/devices/scale").json() for _ in range(3)]
    assert [look["state"] for look in looks] == ["moving", "settled", "no reading"]
    assert looks[1]["text"] == "411 g"
    assert client.get("/api/overview").json()["connected"]["scale_simulated"] is False
    assert client.post("/api/devices/scale/tare").status_code == 204
    assert wire.told == [TARE]
    assert client.get("/api/devices/room").json()["text"] == "20 °C, 70 % humidity"
    assert client.put("/api/devices/scale/pan", json={"grams": 1}).status_code == 404
    assert client.put("/api/devices/labels/roll").status_code == 404
    number = client.post("/api/bench/pack", json={"ask": {"line": "2 kg pearl barley"}}).json()["numbers"][0]
    printed = client.post(f"/api/devices/labels?number={number}", json={}).json()
    assert (printed["left"], printed["simulated"]) == (7, False)
    assert client.put("/api/devices/trouble", params={"scale": "sends nothing"}).status_code == 404


def test_a_dryer_of_ones_own(client: TestClient) -> None:
    key = client.post("/api/drying/machines", json={"name": "Rack", "trays": 3, "width": "40 cm"}).json()
    assert client.get("/api/drying/machines").json()[0]["key"] == key
