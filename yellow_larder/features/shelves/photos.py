"""Photographs of packages: how the seal looked on the day, what mould looks like."""

from __future__ import annotations

from collections.abc import Iterable
from io import BytesIO

from PIL import Image, ImageOps

from yellow_larder.features.household.larder import Larder
from yellow_larder.features.packages.events import PackagePhotographed
from yellow_larder.features.packages.state import Package
from yellow_larder.journal import log
from yellow_larder.journal.database import reading, writing
from yellow_larder.journal.tables import Attachment
from yellow_larder.words.errors import NotThere, Refused

MOST_PIXELS = 50_000_000
"""A picture larger than this is not decoded. Source: our judgement; the largest telephones take as many."""

SIDE_PX = 1600
"""The longer side of a photograph as it is kept. Source: our judgement: a card shows no more of it."""

MOST_PHOTOS = 12


def keep_photo(larder: Larder, number: int, picture: bytes) -> int:
    """Keep a photograph of a package; returns its number.

    It is decoded and written anew: what is kept is a picture and nothing else, not where it was taken.

    Raises:
        Refused: it is no picture, too large, or one too many.
        NotThere: the package is not there.
    """
    jpeg = _written_anew(picture)
    with writing(larder.engine) as session:
        if session.get(Package, number) is None:
            raise NotThere("number", f"There is no number {number}")
        if len(photos_in(log.entries(session, "package", number))) >= MOST_PHOTOS:
            raise Refused("photo", f"{MOST_PHOTOS} of one package are enough")
        # A number that no picture ever had: one taken back is let go, and its address must not show another.
        photo = Attachment(id=log.next_entry(session), subject=number, content=jpeg)
        session.add(photo)
        session.flush()
        taken = log.Act(number, PackagePhotographed(larder.today(), photo.id))
        log.record(session, log.title("package.photographed", number=number), [taken], at=larder.clock())
        return photo.id


def _written_anew(picture: bytes) -> bytes:
    """A picture as a JPEG of a size that a card can show, upright, without what was written beside its pixels."""
    try:
        with Image.open(BytesIO(picture), formats=("JPEG", "PNG", "WEBP")) as found:
            if found.width * found.height > MOST_PIXELS:
                raise Image.DecompressionBombError
            found.draft("RGB", (SIDE_PX, SIDE_PX))
            upright = ImageOps.exif_transpose(found).convert("RGB")
    except Image.DecompressionBombError as error:
        raise Refused("photo", "That picture has more than 50 million dots: take a smaller one") from error
    except Exception as error:
        # Whatever a decoder finds wrong with bytes from outside, it is no picture.
        raise Refused("photo", "That cannot be read as a picture: take a JPEG, PNG or WebP") from error
    upright.thumbnail((SIDE_PX, SIDE_PX))
    written = BytesIO()
    upright.save(written, "JPEG", quality=85, optimize=True)
    return written.getvalue()


def photos_in(standing: Iterable[log.Happening]) -> list[int]:
    """The photographs of a package that still count, the first first."""
    return [each.event.photo for each in standing if isinstance(each.event, PackagePhotographed)]


def see_photo(larder: Larder, number: int, photo: int) -> bytes:
    """A photograph of a package.

    Raises:
        NotThere: there is none, or it was taken back.
    """
    with reading(larder.engine) as session:
        standing = photos_in(log.entries(session, "package", number))
        found = session.get(Attachment, photo) if photo in standing else None
        if found is None:
            raise NotThere("photo", "That picture is not there, or was undone")
        return found.content
