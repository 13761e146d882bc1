"""The hand that everything on paper is drawn in: the colours, the letters of any script, and lines that fit."""

from __future__ import annotations

import unicodedata
from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache
from itertools import groupby
from typing import Any

import uharfbuzz as hb
from bidi import get_base_level, get_display
from reportlab.lib.colors import HexColor
from reportlab.lib.units import mm
from reportlab.pdfbase import pdfmetrics
from reportlab.pdfbase.ttfonts import TTFont
from reportlab.pdfgen.canvas import Canvas
from reportlab.pdfgen.pathobject import PDFPathObject

from yellow_larder.reference.faces import BOLD, NAME, TEXT, face, face_file, face_for

INK, FAINT, YELLOW = HexColor("#1f2f2a"), HexColor("#8a8f86"), HexColor("#f2b71f")

for _own in (NAME, TEXT, BOLD):
    pdfmetrics.registerFont(TTFont(_own, face_file(_own)))


@dataclass(frozen=True, slots=True)
class _Run:
    """Signs that one face draws, one after the other.

    Attributes:
        face: the face; the house's own one, or one for another script.
        text: the signs, in the order in which they are read.
        backwards: whether they run from right to left.
        width: how wide they are at a size of 1.
    """

    face: str
    text: str
    backwards: bool
    width: float


def width_of(text: str, font: str, size: float) -> float:
    """How wide a line is, in whatever scripts it is written."""
    return size * sum(run.width for run in _runs(text, font))


def draw(page: Canvas, text: str, x: float, y: float, font: str, size: float) -> None:
    """Write a line from the left; signs that the house's face lacks are drawn with the face that has them."""
    for run in _runs(text, font):
        if run.face == font:
            page.setFont(font, size)
            page.drawString(x, y, run.text)
        else:
            _draw_shaped(page, run, x, y, size)
        x += run.width * size


def draw_right(page: Canvas, text: str, x: float, y: float, font: str, size: float) -> None:
    """Write a line that ends at the right."""
    draw(page, text, x - width_of(text, font, size), y, font, size)


class Pages(Canvas):  # type: ignore[misc]  # reportlab has no types
    """Pages of a list: where there are several, each says which it is and of how many."""

    def __init__(self, *args: Any, **more: Any) -> None:
        super().__init__(*args, **more)
        self._done: list[dict[str, Any]] = []

    def showPage(self) -> None:  # noqa: N802
        """End a page; it is written when it is known how many there are."""
        self._done.append(dict(self.__dict__))
        self._startPage()

    def save(self) -> None:
        """Write all pages."""
        self._done.append(dict(self.__dict__))
        pages = self._done
        for n, page in enumerate(pages, 1):
            self.__dict__.update(page)
            if len(pages) > 1:
                self.setFillColor(INK)
                draw_right(self, f"page {n} of {len(pages)}", self._pagesize[0] - 16 * mm, 9 * mm, TEXT, 9)
            super().showPage()
        super().save()


LEAST_PT = 6.0
"""Nothing on paper is smaller. Source: common practice for labels of food; smaller is not read by most."""


def fit(page: Canvas, text: str, x: float, y: float, room: float, font: str, size: float) -> None:
    """Write a line as large as asked, or as small as it takes to fit the room; cut where even that is too small."""
    size = min(size, max(LEAST_PT, size * room / max(1.0, width_of(text, font, size))))
    draw(page, cut(text, font, size, room), x, y, font, size)


def cut(text: str, font: str, size: float, room: float) -> str:
    """A line as long as there is room for it, with … where it goes on.

    Example:
        >>> cut("pearl barley", TEXT, 10, 40), cut("rye", TEXT, 10, 40)
        ('pearl b…', 'rye')
    """
    if width_of(text, font, size) <= room + 0.01:
        return text
    return f"{_first_that_fit(text, font, size, room - width_of('…', font, size)).rstrip()}…"


def _first_that_fit(text: str, font: str, size: float, room: float) -> str:
    """As many of the first signs as there is room for, at least one; a mark stays with its letter."""
    low, high = 1, max(1, len(text))
    while low < high:
        middle = (low + high + 1) // 2
        if width_of(text[:middle], font, size) <= room:
            low = middle
        else:
            high = middle - 1
    while 1 < low < len(text) and unicodedata.combining(text[low]):
        low -= 1
    return text[:low]


def lines_of(text: str, font: str, size: float, room: float) -> list[str]:
    """A text in lines that fit the room, broken between words, and within a word that is wider than a line.

    Example:
        >>> lines_of("hard red wheat", TEXT, 10, 45), lines_of("x" * 8, TEXT, 10, 25)
        (['hard red', 'wheat'], ['xxxxx', 'xxx'])
    """
    lines: list[str] = []
    for word in text.split():
        longer = f"{lines[-1]} {word}" if lines else word
        if lines and width_of(longer, font, size) <= room:
            lines[-1] = longer
            continue
        while width_of(word, font, size) > room and len(word) > 1:
            first = _first_that_fit(word, font, size, room)
            lines.append(first)
            word = word[len(first) :]
        if word:
            lines.append(word)
    return lines or [""]


@lru_cache(maxsize=4096)
def _runs(text: str, font: str) -> tuple[_Run, ...]:
    """A line as runs from left to right."""
    if all(face_for(sign, font) == font for sign in text):
        return (_Run(font, text, False, pdfmetrics.stringWidth(text, font, 1)),) if text else ()
    # The Unicode bidirectional algorithm puts the signs in the order in which they stand, from left to right.
    shown = str(get_display(text, base_dir="R" if get_base_level(text) else "L"))
    found = []
    for (name, backwards), signs in groupby(_of_faces(shown, font), key=lambda each: each[1:]):
        standing = "".join(sign for sign, _, _ in signs)
        read = standing[::-1] if backwards else standing
        width = (
            pdfmetrics.stringWidth(read, font, 1)
            if name == font
            else sum(each.x_advance for each in _shape(name, read, backwards)[1]) / face(name).upem
        )
        found.append(_Run(name, read, backwards, width))
    return tuple(found)


_BACKWARDS = {"NotoSansHebrew", "NotoSansArabic"}


def _of_faces(shown: str, font: str) -> Iterator[tuple[str, str, bool]]:
    """Each sign with its face, and whether it runs backwards; blanks and marks go with what stands before them."""
    last = font
    for sign in shown:
        name = face_for(sign, font)
        if name is None or (sign.isspace() and last != font):
            name = last
        last = name
        yield sign, name, name in _BACKWARDS


@lru_cache(maxsize=1024)
def _shape(name: str, text: str, backwards: bool) -> tuple[list[hb.GlyphInfo], list[hb.GlyphPosition]]:
    """The glyphs that a text is drawn with: letters that join, vowels that stand above or before."""
    buffer = hb.Buffer()
    buffer.add_str(text)
    buffer.guess_segment_properties()
    buffer.direction = "rtl" if backwards else "ltr"
    hb.shape(_font(name), buffer)
    return list(buffer.glyph_infos), list(buffer.glyph_positions)


@lru_cache(maxsize=32)
def _font(name: str) -> hb.Font:
    return hb.Font(face(name))


def _draw_shaped(page: Canvas, run: _Run, x: float, y: float, size: float) -> None:
    """Draw a run as outlines: any script prints, whatever the reader of the page knows of it."""
    infos, positions = _shape(run.face, run.text, run.backwards)
    font, scale = _font(run.face), size / face(run.face).upem
    path = page.beginPath()
    for info, position in zip(infos, positions, strict=True):
        pen = _Pen(path, x + position.x_offset * scale, y + position.y_offset * scale, scale)
        font.draw_glyph(info.codepoint, _FUNCS, pen)
        x += position.x_advance * scale
    page.drawPath(path, stroke=0, fill=1, fillMode=1)


@dataclass(slots=True)
class _Pen:
    """Draws outlines into a path at a place."""

    path: PDFPathObject
    x: float
    y: float
    scale: float
    at: tuple[float, float] = (0.0, 0.0)

    def to(self, x: float, y: float) -> tuple[float, float]:
        return self.x + x * self.scale, self.y + y * self.scale


def _move(x: float, y: float, pen: _Pen) -> None:
    pen.at = (x, y)
    pen.path.moveTo(*pen.to(x, y))


def _line(x: float, y: float, pen: _Pen) -> None:
    pen.at = (x, y)
    pen.path.lineTo(*pen.to(x, y))


def _cubic(x1: float, y1: float, x2: float, y2: float, x: float, y: float, pen: _Pen) -> None:
    pen.at = (x, y)
    pen.path.curveTo(*pen.to(x1, y1), *pen.to(x2, y2), *pen.to(x, y))


def _quadratic(cx: float, cy: float, x: float, y: float, pen: _Pen) -> None:
    (x0, y0) = pen.at
    # PDF has cubic curves only; a quadratic one is raised to one exactly.
    first, second = (x0 + 2 / 3 * (cx - x0), y0 + 2 / 3 * (cy - y0)), (x + 2 / 3 * (cx - x), y + 2 / 3 * (cy - y))
    _cubic(*first, *second, x, y, pen)


def _close(pen: _Pen) -> None:
    pen.path.close()


_FUNCS = hb.DrawFuncs()
_FUNCS.set_move_to_func(_move)
_FUNCS.set_line_to_func(_line)
_FUNCS.set_cubic_to_func(_cubic)
_FUNCS.set_quadratic_to_func(_quadratic)
_FUNCS.set_close_path_func(_close)
