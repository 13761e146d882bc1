import pytest
from fastapi.testclient import TestClient

from tests.larder.test_run import filled
from yellow_larder.larder import run_acts
from yellow_larder.larder.asking import Ask
from yellow_larder.larder.larder import Larder, take_back
from yellow_larder.larder.packing import pack
from yellow_larder.larder.photos import MOST_BYTES, MOST_PHOTOS, keep_photo, see_photo
from yellow_larder.larder.refusals import NotThere, Refused
from yellow_larder.larder.shelves import card

JPEG = b"\xff\xd8\xff\xe0" + bytes(range(256))


def test_a_picture_stands_on_the_card_until_it_is_taken_back(larder: Larder) -> None:
    pack(larder, Ask(line="2 kg pearl barley"))
    photo = keep_photo(larder, 1, JPEG)
    assert (card(larder, 1).photos, see_photo(larder, 1, photo)) == ([photo], JPEG)
    assert card(larder, 1).journal[-1].what == "A picture taken"
    take_back(larder)
    assert card(larder, 1).photos == []
    with pytest.raises(NotThere):
        see_photo(larder, 1, photo)
    assert keep_photo(larder, 1, JPEG) != photo


@pytest.mark.parametrize("data", [b"", b"%PDF-1.7", b"\x89PNG", JPEG + bytes(MOST_BYTES)])
def test_what_is_no_picture_is_refused(larder: Larder, data: bytes) -> None:
    pack(larder, Ask(line="2 kg pearl barley"))
    with pytest.raises(Refused) as refused:
        keep_photo(larder, 1, data)
    assert refused.value.field == "photo"
    assert card(larder, 1).photos == []


def test_of_nothing_and_one_too_many(larder: Larder) -> None:
    with pytest.raises(NotThere):
        keep_photo(larder, 1, JPEG)
    pack(larder, Ask(line="2 kg pearl barley"))
    for _ in range(MOST_PHOTOS):
        keep_photo(larder, 1, JPEG)
    with pytest.raises(Refused, match="enough"):
        keep_photo(larder, 1, JPEG)


def test_over_http(client: TestClient) -> None:
    client.post("/api/bench/pack", json={"ask": {"line": "2 kg pearl barley"}})
    photo = client.post("/api/packages/1/photos", content=JPEG, headers={"Content-Type": "image/jpeg"}).json()
    shown = client.get(f"/api/packages/1/photos/{photo}")
    assert (shown.content, shown.headers["content-type"]) == (JPEG, "image/jpeg")
    assert client.get("/api/packages/1").json()["photos"] == [photo]
    assert client.post("/api/packages/1/photos", content=b"no").json()["errors"][0]["field"] == "photo"
    assert client.get("/api/packages/2/photos/1").status_code == 404


def test_what_was_said_of_a_seal_stands_on_the_card(larder: Larder) -> None:
    number = filled(larder, Ask(line="5 kg red lentils"))
    run_acts.open_packets(larder, number)
    run_acts.close_one(larder, number, 1, note="a crease in the seal")
    assert card(larder, 1).journal[0].detail.endswith("a crease in the seal")
