"""The typefaces that ship: which signs can be printed, and which face draws a sign.

Two faces are the house's own; the rest, Noto Sans in bold, are for names in other scripts. All are under the SIL
Open Font License; the Noto faces are the subsets that the fontsource packages publish, without their hinting.
"""

from __future__ import annotations

from functools import cache
from pathlib import Path

import uharfbuzz as hb

FOLDER = Path(__file__).parent

NAME, TEXT, BOLD = "Bitter-ExtraBold", "AtkinsonHyperlegibleNext-Regular", "AtkinsonHyperlegibleNext-Bold"
"""The house's own: for names, for text, for what must be read at arm's length."""

OTHERS = (
    "NotoSans-LatinExt",
    "NotoSans-Vietnamese",
    "NotoSans-Cyrillic",
    "NotoSans-CyrillicExt",
    "NotoSans-Greek",
    "NotoSansHebrew",
    "NotoSansArabic",
    "NotoSansDevanagari",
    "NotoSansSC",
)
"""For other scripts, in the order in which they are asked."""


def face_file(name: str) -> Path:
    """The file of a face."""
    return FOLDER / f"{name}.ttf"


@cache
def face(name: str) -> hb.Face:
    """A face, as HarfBuzz has it."""
    return hb.Face(hb.Blob.from_file_path(str(face_file(name))))


@cache
def signs_of(name: str) -> frozenset[int]:
    """The code points that a face has signs for."""
    return frozenset(face(name).unicodes)


@cache
def face_for(sign: str, own: str) -> str | None:
    """The face that draws a sign: the house's own one if it can; none if none can.

    Example:
        >>> face_for("ä", TEXT), face_for("щ", TEXT), face_for("🧄", TEXT)
        ('AtkinsonHyperlegibleNext-Regular', 'NotoSans-Cyrillic', None)
    """
    return next((name for name in (own, *OTHERS) if ord(sign) in signs_of(name)), None)


def cannot_be_printed(text: str) -> str:
    """The signs of a text that no face has, each once.

    Example:
        >>> cannot_be_printed("чечевица 🧄 大米 🧄")
        '🧄'
    """
    lacking = (sign for sign in text if not sign.isspace() and sign not in JOINS and face_for(sign, NAME) is None)
    return "".join(dict.fromkeys(lacking))


JOINS = "\u200c\u200d\u200e\u200f\ufe0e\ufe0f"
"""Signs that are not drawn, and say how others join."""
