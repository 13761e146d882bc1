"""Photographs of packages: how the seal looked on the day, what mould looks like."""

from __future__ import annotations

from collections.abc import Iterable

from yellow_larder.larder.larder import Larder
from yellow_larder.larder.refusals import NotThere, Refused
from yellow_larder.store import journal
from yellow_larder.store.database import reading, writing
from yellow_larder.store.models import Change, Entry, Package, Photo

MOST_BYTES = 2_000_000
"""More than this is no photograph for a card. Source: our judgement; the screen makes them smaller before."""

MOST_PHOTOS = 12

_JPEG = b"\xff\xd8\xff"


def keep_photo(larder: Larder, number: int, jpeg: bytes) -> int:
    """Keep a photograph of a package; returns its number.

    Raises:
        Refused: it is no JPEG, too large, or one too many.
        NotThere: the package is not there.
    """
    if not jpeg.startswith(_JPEG):
        raise Refused("photo", "That is no photograph this larder can show: a JPEG, please")
    if len(jpeg) > MOST_BYTES:
        raise Refused("photo", "That is more than 2 MB: a smaller picture, please")
    with writing(larder.engine) as session:
        if session.get(Package, number) is None:
            raise NotThere("number", f"There is no number {number}")
        if len(photos_in(journal.entries(session, "package", number))) >= MOST_PHOTOS:
            raise Refused("photo", f"{MOST_PHOTOS} of one package are enough")
        photo = Photo(package=number, jpeg=jpeg)
        session.add(photo)
        session.flush()
        facts = {"on": larder.today().isoformat(), "photo": photo.id}
        acts = [journal.Act("package", number, "photographed", facts)]
        journal.record(session, f"A picture of number {number}", acts, at=larder.clock())
        return photo.id


def photos_in(entries: Iterable[tuple[Entry, Change]]) -> list[int]:
    """The photographs that the standing entries of a package tell of, the first first."""
    return [entry.facts["photo"] for entry, _ in entries if entry.act == "photographed"]


def see_photo(larder: Larder, number: int, photo: int) -> bytes:
    """A photograph of a package.

    Raises:
        NotThere: there is none, or it was taken back.
    """
    with reading(larder.engine) as session:
        standing = photos_in(journal.entries(session, "package", number))
        found = session.get(Photo, photo) if photo in standing else None
        if found is None:
            raise NotThere("photo", "That picture is not there, or was taken back")
        return found.jpeg
