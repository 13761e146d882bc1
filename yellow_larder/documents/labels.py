"""Labels as PDF: what is in the container, to be read at arm's length, and a code to find it by."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from io import BytesIO

import segno
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from yellow_larder.documents.hand import FAINT, INK, YELLOW, draw, draw_right, fit, lines_of, width_of
from yellow_larder.documents.layouts import Layout
from yellow_larder.features.shelves.labels import Label
from yellow_larder.reference.faces import BOLD, NAME, TEXT

_WHOLE_MM = (88.0, 50.0)
"""From this size on a label has room for everything."""


@dataclass(frozen=True, slots=True)
class _Box:
    """Where a label lies, points."""

    x: float
    y: float
    width: float
    height: float
    pad: float

    @property
    def left(self) -> float:
        return self.x + self.pad

    @property
    def right(self) -> float:
        return self.x + self.width - self.pad

    @property
    def top(self) -> float:
        return self.y + self.height - self.pad

    @property
    def foot(self) -> float:
        return self.y + self.pad


def label_sheet(labels: Sequence[Label], layout: Layout) -> bytes:
    """Labels on pages of a layout."""
    page_w, page_h = (each * mm for each in layout.page_mm)
    width, height = (each * mm for each in layout.size_mm)
    whole = layout.size_mm[0] >= _WHOLE_MM[0] and layout.size_mm[1] >= _WHOLE_MM[1]
    out = BytesIO()
    page = Canvas(out, pagesize=(page_w, page_h), invariant=True)
    page.setTitle("Labels")
    page.setAuthor("Yellow Larder")
    for n, label in enumerate(labels):
        place = n % layout.on_page
        if n and not place:
            page.showPage()
        x, y = (each * mm for each in layout.corner_mm(place))
        if layout.cut:
            _cut(page, x, y, width, height)
        (_draw_whole if whole else _draw_small)(page, label, _Box(x, y, width, height, (4 if whole else 2.2) * mm))
    page.save()
    return out.getvalue()


def _cut(page: Canvas, x: float, y: float, width: float, height: float) -> None:
    """A fine line to cut along."""
    page.setStrokeColor(FAINT)
    page.setLineWidth(0.3)
    page.setDash(1.5, 2)
    page.rect(x, y, width, height)
    page.setDash()


def _draw_whole(page: Canvas, label: Label, box: _Box) -> None:
    code = 25 * mm
    room = box.width - 2 * box.pad - code - 3 * mm
    top = box.top - _name(page, label.food, box.left, box.top, room, 17)
    page.setFillColor(YELLOW)
    page.rect(box.left, top - 2.2 * mm, 14 * mm, 1.1 * mm, stroke=0, fill=1)
    top -= 9 * mm
    page.setFillColor(INK)
    for font, size, text in (
        (BOLD, 15, label.mass),
        (TEXT, 11, label.energy),
        (TEXT, 11, label.packed),
        (BOLD, 13, label.best_by),
        (TEXT, 9.5, label.packets),
    ):
        fit(page, text, box.left, top, room, font, size)
        top -= 5.4 * mm
    if label.override:
        _against(page, label.override, box.left, top + 3.4 * mm, room, top + 3.4 * mm - box.foot + 1 * mm)
    _code(page, label, box.right - code, box.top - code, code)
    page.setFillColor(INK)
    draw_right(page, f"No. {label.number}", box.right, box.foot + 5.5 * mm, NAME, 17)
    draw_right(page, label.container, box.right, box.foot + 1 * mm, TEXT, 7.5)


def _draw_small(page: Canvas, label: Label, box: _Box) -> None:
    """The same in little room: what must be read at arm's length stays as large as it can be."""
    code = min(box.height - 2 * box.pad - 6 * mm, 0.32 * box.width)
    room = box.width - 2 * box.pad - code - 2 * mm
    _code(page, label, box.right - code, box.top - code, code)
    page.setFillColor(INK)
    fit_right = min(13.0, 13.0 * code / max(1.0, width_of(f"No. {label.number}", NAME, 13)))
    draw_right(page, f"No. {label.number}", box.right, box.foot + 0.4 * mm, NAME, fit_right)
    top = box.top - _name(page, label.food, box.left, box.top, room, 13)
    # Lines stand as far apart as the label lets them.
    line = min(1.2, (top - box.foot) / (15.5 * mm)) * mm
    top -= 3.9 * line
    for font, size, text, step in (
        (BOLD, 11.5, f"{label.mass}, {label.energy}", 4.4),
        (BOLD, 10.5, label.best_by, 3.6),
        (TEXT, 7.5, label.packed, 3.0),
    ):
        fit(page, text, box.left, top, room, font, size)
        top -= step * line
    fit(page, label.packets, box.left, top, room, TEXT, 7.5)
    if label.override:
        _against(page, label.override, box.left, top - 0.8 * mm, room, top - 0.8 * mm - box.foot + 1.4 * mm)


def _name(page: Canvas, name: str, x: float, top: float, room: float, size: float) -> float:
    """The food's name in at most two lines, as large as it fits; returns the height taken."""
    lines = lines_of(name, NAME, size, room)
    while size > 6 and (len(lines) > 2 or any(width_of(line, NAME, size) > room for line in lines)):
        size -= 0.5
        lines = lines_of(name, NAME, size, room)
    page.setFillColor(INK)
    for n, line in enumerate(lines[:2]):
        draw(page, line, x, top - size * (0.85 + 1.1 * n), NAME, size)
    return size * (0.95 + 1.1 * (min(2, len(lines)) - 1))


def _against(page: Canvas, text: str, x: float, top: float, room: float, high: float) -> None:
    """The stop that was overridden, in as many lines as there is room for, small enough to be whole."""
    size = 8.0
    while size > 2.5 and len(lines_of(text, BOLD, size, room)) * size * 1.1 > high:
        size -= 0.25
    for n, line in enumerate(lines_of(text, BOLD, size, room)):
        draw(page, line, x, top - size * (0.85 + 1.1 * n), BOLD, size)


def _code(page: Canvas, label: Label, x: float, y: float, width: float) -> None:
    """The code, drawn as filled squares so that it prints sharp at any size."""
    rows = list(segno.make(label.code, error="m", micro=False).matrix)
    cell = width / len(rows)
    page.setFillColor(INK)
    for r, row in enumerate(rows):
        for c, dark in enumerate(row):
            if dark:
                # A hair of overlap keeps white seams out of the dark parts.
                page.rect(x + c * cell, y + width - (r + 1) * cell, cell * 1.02, cell * 1.02, stroke=0, fill=1)
