"""Labels as PDF sheets: what is in the container, to be read at arm's length, and a code to find it by."""

from __future__ import annotations

from collections.abc import Sequence
from io import BytesIO
from pathlib import Path

import segno
from reportlab.lib.colors import HexColor
from reportlab.lib.pagesizes import A4, LETTER
from reportlab.lib.units import mm
from reportlab.lib.utils import simpleSplit
from reportlab.pdfbase import pdfmetrics
from reportlab.pdfbase.ttfonts import TTFont
from reportlab.pdfgen.canvas import Canvas

from yellow_larder.larder.labels import Label
from yellow_larder.larder.quantities import Units

_COLUMNS, _ROWS = 2, 5
_PAD = 4 * mm
_CODE = 25 * mm
_INK, _FAINT, _YELLOW = HexColor("#1f2f2a"), HexColor("#8a8f86"), HexColor("#f2b71f")

_FONTS = Path(__file__).parent / "fonts"
_NAME, _TEXT, _BOLD = "Bitter-ExtraBold", "AtkinsonHyperlegibleNext-Regular", "AtkinsonHyperlegibleNext-Bold"
for _font in (_NAME, _TEXT, _BOLD):
    pdfmetrics.registerFont(TTFont(_font, _FONTS / f"{_font}.ttf"))


def label_sheet(labels: Sequence[Label], units: Units) -> bytes:
    """Labels, ten to a page of A4 or US letter, with fine lines to cut along."""
    width, height = A4 if units is Units.METRIC else LETTER
    margin_x, margin_y = 10 * mm, 11 * mm
    step_x, step_y = (width - 2 * margin_x) / _COLUMNS, (height - 2 * margin_y) / _ROWS
    out = BytesIO()
    page = Canvas(out, pagesize=(width, height), invariant=True)
    page.setTitle("Labels")
    page.setAuthor("Yellow Larder")
    for n, label in enumerate(labels):
        place = n % (_COLUMNS * _ROWS)
        if n and not place:
            page.showPage()
        row, column = divmod(place, _COLUMNS)
        x, y = margin_x + column * step_x, height - margin_y - (row + 1) * step_y
        _draw(page, label, x, y, step_x, step_y)
    page.save()
    return out.getvalue()


def _draw(page: Canvas, label: Label, x: float, y: float, width: float, height: float) -> None:
    page.setStrokeColor(_FAINT)
    page.setLineWidth(0.3)
    page.setDash(1.5, 2)
    page.rect(x, y, width, height)
    page.setDash()
    left, top = x + _PAD, y + height - _PAD
    room = width - 2 * _PAD - _CODE - 3 * mm
    top -= _name(page, label.food, left, top, room)
    page.setFillColor(_YELLOW)
    page.rect(left, top - 2.2 * mm, 14 * mm, 1.1 * mm, stroke=0, fill=1)
    top -= 9 * mm
    page.setFillColor(_INK)
    for font, size, text in (
        (_BOLD, 15, label.mass),
        (_TEXT, 11, label.energy),
        (_TEXT, 11, label.packed),
        (_BOLD, 13, label.best_by),
        (_TEXT, 9.5, label.packets),
    ):
        _fit(page, text, left, top, room, font, size)
        top -= 5.4 * mm
    _code(page, label, x + width - _PAD - _CODE, y + height - _PAD - _CODE)
    page.setFillColor(_INK)
    page.setFont(_NAME, 17)
    page.drawRightString(x + width - _PAD, y + _PAD + 5.5 * mm, f"No. {label.number}")
    page.setFont(_TEXT, 7.5)
    page.drawRightString(x + width - _PAD, y + _PAD + 1 * mm, label.container)


def _name(page: Canvas, name: str, x: float, top: float, room: float) -> float:
    """The food's name in at most two lines, as large as it fits; returns the height taken."""
    size = 17.0
    while size > 7 and (
        len(lines := simpleSplit(name, _NAME, size, room)) > 2
        or any(pdfmetrics.stringWidth(line, _NAME, size) > room for line in lines)
    ):
        size -= 0.5
    page.setFillColor(_INK)
    page.setFont(_NAME, size)
    for n, line in enumerate(simpleSplit(name, _NAME, size, room)[:2]):
        page.drawString(x, top - size * (0.85 + 1.1 * n), line)
    return size * (0.95 + 1.1 * (min(2, len(lines)) - 1))


def _fit(page: Canvas, text: str, x: float, y: float, room: float, font: str, size: float) -> None:
    page.setFont(font, min(size, size * room / max(1.0, pdfmetrics.stringWidth(text, font, size))))
    page.drawString(x, y, text)


def _code(page: Canvas, label: Label, x: float, y: float) -> None:
    """The code, drawn as filled squares so that it prints sharp at any size."""
    rows = list(segno.make(label.code, error="m", micro=False).matrix)
    cell = _CODE / len(rows)
    page.setFillColor(_INK)
    for r, row in enumerate(rows):
        for c, dark in enumerate(row):
            if dark:
                # A hair of overlap keeps white seams out of the dark parts.
                page.rect(x + c * cell, y + _CODE - (r + 1) * cell, cell * 1.02, cell * 1.02, stroke=0, fill=1)
