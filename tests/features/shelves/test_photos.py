from io import BytesIO

import pytest
from fastapi.testclient import TestClient
from PIL import Image

from tests.support.doings import a_picture
from tests.support.runs import filled
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.run import steps
from yellow_larder.features.shelves.card import card
from yellow_larder.features.shelves.photos import MOST_PHOTOS, keep_photo, see_photo
from yellow_larder.journal.database import reading
from yellow_larder.journal.tables import Attachment
from yellow_larder.words.errors import NotThere, Refused

JPEG = a_picture()


def test_a_picture_stands_on_the_card_until_it_is_taken_back(larder: Larder) -> None:
    pack(larder, Ask(line="2 kg pearl barley"))
    photo = keep_photo(larder, 1, JPEG)
    assert card(larder, 1).photos == [photo]
    assert Image.open(BytesIO(see_photo(larder, 1, photo))).size == (40, 30)
    assert card(larder, 1).journal[-1].what == "A picture taken"
    take_back(larder)
    assert card(larder, 1).photos == []
    with pytest.raises(NotThere):
        see_photo(larder, 1, photo)
    with reading(larder.engine) as session:
        assert session.query(Attachment).count() == 0, "its pixels are let go"
    assert keep_photo(larder, 1, JPEG) != photo


@pytest.mark.parametrize("form", ["JPEG", "PNG", "WEBP"])
def test_it_is_written_anew_smaller_and_without_where_it_was_taken(larder: Larder, form: str) -> None:
    pack(larder, Ask(line="2 kg pearl barley"))
    exif = Image.Exif()
    exif[0x0112] = 6  # lies on its side: Exif 2.3, Orientation
    exif[0x010F] = "secret maker"
    written = BytesIO()
    Image.new("RGB", (3000, 2000), "#3a5").save(written, form, exif=exif)
    kept = see_photo(larder, 1, keep_photo(larder, 1, written.getvalue()))
    with Image.open(BytesIO(kept)) as shown:
        assert (shown.format, shown.size) == ("JPEG", (1067, 1600))
        assert not shown.getexif()
    assert b"secret" not in kept


def test_a_picture_that_would_fill_the_memory_is_not_decoded(larder: Larder) -> None:
    """A few kilobytes that unfold to 400 million dots."""
    pack(larder, Ask(line="2 kg pearl barley"))
    bomb = BytesIO()
    Image.new("1", (20_000, 20_000)).save(bomb, "PNG")
    assert len(bomb.getvalue()) < 100_000
    with pytest.raises(Refused, match="million dots"):
        keep_photo(larder, 1, bomb.getvalue())


@pytest.mark.parametrize("data", [b"", b"%PDF-1.7", b"\x89PNG", JPEG[:300], b"GIF89a" + bytes(90)])
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
    assert (shown.content[:3], shown.headers["content-type"]) == (b"\xff\xd8\xff", "image/jpeg")
    assert client.get("/api/packages/1").json()["photos"] == [photo]
    assert client.post("/api/packages/1/photos", content=b"no").json()["errors"][0]["field"] == "photo"
    assert client.get("/api/packages/2/photos/1").status_code == 404


def test_what_was_said_of_a_seal_stands_on_the_card(larder: Larder) -> None:
    number = filled(larder, Ask(line="5 kg red lentils"))
    steps.open_packets(larder, number)
    steps.close_one(larder, number, 1, note="a crease in the seal")
    assert card(larder, 1).journal[0].detail.endswith("a crease in the seal")
