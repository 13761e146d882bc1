"""Labels as PDF sheets: what is in the container, to be read at arm's length, and a code to find it by."""

from __future__ import annotations

from collections.abc import Sequence
from io import BytesIO

import segno
from reportlab.lib.pagesizes import A4, LETTER
from reportlab.lib.units import mm
from reportlab.lib.utils import simpleSplit
from reportlab.pdfbase import pdfmetrics
from reportlab.pdfgen.canvas import Canvas

from yellow_larder.documents.hand import BOLD, FAINT, INK, NAME, TEXT, YELLOW, fit
from yellow_larder.larder.labels import Label
from yellow_larder.larder.quantities import Units

_COLUMNS, _ROWS = 2, 5
_PAD = 4 * mm
_CODE = 25 * mm


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
    page.setStrokeColor(FAINT)
    page.setLineWidth(0.3)
    page.setDash(1.5, 2)
    page.rect(x, y, width, height)
    page.setDash()
    left, top = x + _PAD, y + height - _PAD
    room = width - 2 * _PAD - _CODE - 3 * mm
    top -= _name(page, label.food, left, top, room)
    page.setFillColor(YELLOW)
    page.rect(left, top - 2.2 * mm, 14 * mm, 1.1 * mm, stroke=0, fill=1)
    top -= 9 * mm
    page.setFillColor(INK)
    for font, size, text in (
        (BOLD, 15, label.mass),
        (TEXT, 11, label.energy),
        (TEXT, 11, label.packed),
        (BOLD, 13, label.best_by),
        (TEXT, 9.5, label.packets),
    ):
        fit(page, text, left, top, room, font, size)
        top -= 5.4 * mm
    if label.against:
        _against(page, label.against, left, y + _PAD + 10.5 * mm, room)
    _code(page, label, x + width - _PAD - _CODE, y + height - _PAD - _CODE)
    page.setFillColor(INK)
    page.setFont(NAME, 17)
    page.drawRightString(x + width - _PAD, y + _PAD + 5.5 * mm, f"No. {label.number}")
    page.setFont(TEXT, 7.5)
    page.drawRightString(x + width - _PAD, y + _PAD + 1 * mm, label.container)


def _name(page: Canvas, name: str, x: float, top: float, room: float) -> float:
    """The food's name in at most two lines, as large as it fits; returns the height taken."""
    size = 17.0
    while size > 7 and (
        len(lines := simpleSplit(name, NAME, size, room)) > 2
        or any(pdfmetrics.stringWidth(line, NAME, size) > room for line in lines)
    ):
        size -= 0.5
    page.setFillColor(INK)
    page.setFont(NAME, size)
    for n, line in enumerate(simpleSplit(name, NAME, size, room)[:2]):
        page.drawString(x, top - size * (0.85 + 1.1 * n), line)
    return size * (0.95 + 1.1 * (min(2, len(lines)) - 1))


def _against(page: Canvas, text: str, x: float, top: float, room: float) -> None:
    """The stop that was overridden, in as many lines as there is room for, small enough to be whole."""
    size = 8.0
    while size > 4.5 and len(simpleSplit(text, BOLD, size, room)) * size * 1.1 > 11 * mm:
        size -= 0.5
    page.setFont(BOLD, size)
    for n, line in enumerate(simpleSplit(text, BOLD, size, room)):
        page.drawString(x, top - size * (0.85 + 1.1 * n), line)


def _code(page: Canvas, label: Label, x: float, y: float) -> None:
    """The code, drawn as filled squares so that it prints sharp at any size."""
    rows = list(segno.make(label.code, error="m", micro=False).matrix)
    cell = _CODE / len(rows)
    page.setFillColor(INK)
    for r, row in enumerate(rows):
        for c, dark in enumerate(row):
            if dark:
                # A hair of overlap keeps white seams out of the dark parts.
                page.rect(x + c * cell, y + _CODE - (r + 1) * cell, cell * 1.02, cell * 1.02, stroke=0, fill=1)
