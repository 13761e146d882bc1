"""Labels as PDF: what is in the container, to be read at arm's length, and a code to find it by."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from io import BytesIO

import segno
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from yellow_larder.documents.hand import FAINT, INK, LEAST_PT, YELLOW, cut, draw, draw_right, fit, lines_of, width_of
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
    code = _Code(label, 25 * mm, box)
    room = code.left - box.left
    top = box.top - _name(page, label.food, box.left, box.top, room, 17)
    page.setFillColor(YELLOW)
    page.rect(box.left, top - 2.2 * mm, 14 * mm, 1.1 * mm, stroke=0, fill=1)
    # What it was packed against is to be read whole: the other lines make room for it.
    close = 0.85 if label.override else 1.0
    top -= 9 * mm * close
    page.setFillColor(INK)
    for font, size, text in (
        (BOLD, 15, label.mass),
        (TEXT, 11, label.energy),
        (TEXT, 11, label.packed),
        (BOLD, 13, label.best_by),
    ):
        fit(page, text, box.left, top, room, font, size)
        top -= 5.4 * mm * close
    if label.override:
        fine = [(TEXT, label.packets), (BOLD, label.override)]
        top += 3.4 * mm
        _fine(page, [each for each in fine if each[1]], box.left, top, room, top - box.foot + 1 * mm)
    else:
        fit(page, label.packets, box.left, top, room, TEXT, 9.5)
    code.draw(page)
    page.setFillColor(INK)
    draw_right(page, f"No. {label.number}", box.right, box.foot + 5.5 * mm, NAME, 17)
    draw_right(page, cut(label.container, TEXT, 7.5, box.right - code.left), box.right, box.foot + 1 * mm, TEXT, 7.5)


def _draw_small(page: Canvas, label: Label, box: _Box) -> None:
    """The same in little room: what must be read at arm's length stays as large as it can be."""
    code = _Code(label, min(box.height - 2 * box.pad - 6 * mm, 0.32 * box.width), box)
    room = code.left - box.left
    code.draw(page)
    page.setFillColor(INK)
    number = f"No. {label.number}"
    fit_right = min(13.0, 13.0 * (box.right - code.left) / max(1.0, width_of(number, NAME, 13)))
    draw_right(page, number, box.right, box.foot + 0.4 * mm, NAME, fit_right)
    top = box.top - _name(page, label.food, box.left, box.top, room, 13)
    # Lines stand as far apart as the label lets them.
    line = min(1.2, (top - box.foot) / (15.5 * mm)) * mm
    top -= 3.9 * line
    for size, text, step in ((11.5, f"{label.mass}, {label.energy}", 4.4), (10.5, label.best_by, 1.2)):
        fit(page, text, box.left, top, room, BOLD, size)
        top -= step * line
    fine = [(TEXT, label.packed), (TEXT, label.packets), (BOLD, label.override)]
    _fine(page, [each for each in fine if each[1]], box.left, top, room, top - box.foot + 1.4 * mm)


_LEAST_NAME_PT = 8.0


def _name(page: Canvas, name: str, x: float, top: float, room: float, size: float) -> float:
    """The food's name in at most two lines, as large as it fits; returns the height taken."""
    lines = lines_of(name, NAME, size, room)
    while size > _LEAST_NAME_PT and (len(lines) > 2 or " ".join(lines) != " ".join(name.split())):
        size -= 0.5
        lines = lines_of(name, NAME, size, room)
    if len(lines) > 2:
        lines = [lines[0], cut(" ".join(lines[1:]), NAME, size, room)]
    page.setFillColor(INK)
    for n, line in enumerate(lines):
        draw(page, line, x, top - size * (0.85 + 1.1 * n), NAME, size)
    return size * (0.95 + 1.1 * (len(lines) - 1))


def _fine(page: Canvas, texts: Sequence[tuple[str, str]], x: float, top: float, room: float, high: float) -> None:
    """What is read close by, in as many lines as there is room for; cut where it would be too small to read."""
    size = 8.0
    lines = _broken(texts, size, room)
    while size > LEAST_PT and len(lines) * size * _LEADING > high:
        size -= 0.25
        lines = _broken(texts, size, room)
    most = max(1, int(high / (size * _LEADING)))
    if len(lines) > most:
        font = lines[most - 1][0]
        last = " ".join(text for _, text in lines[most - 1 :])
        lines = [*lines[: most - 1], (font, cut(last, font, size, room))]
    for n, (font, text) in enumerate(lines):
        draw(page, text, x, top - size * (0.85 + _LEADING * n), font, size)


def _broken(texts: Sequence[tuple[str, str]], size: float, room: float) -> list[tuple[str, str]]:
    return [(font, line) for font, text in texts for line in lines_of(text, font, size, room)]


_LEADING = 1.1
"""From line to line, of the size of the letters."""


_QUIET = 4
"""White modules on every side of a code. Source: ISO/IEC 18004, QR Code, quiet zone of 4 X."""


class _Code:
    """The code in the upper right corner of a label, as large as can be with its quiet zone kept white."""

    def __init__(self, label: Label, size: float, box: _Box) -> None:
        self._rows = list(segno.make(label.code, error="m", micro=False).matrix)
        # The margin of the label is white too, and part of the zone.
        self.cell = (size + box.pad) / (len(self._rows) + 2 * _QUIET)
        self.size = self.cell * len(self._rows)
        edge = max(box.pad, _QUIET * self.cell)
        self.x = box.right + box.pad - edge - self.size
        self.y = box.top + box.pad - edge - self.size

    @property
    def left(self) -> float:
        """Where other things must end."""
        return self.x - _QUIET * self.cell

    def draw(self, page: Canvas) -> None:
        """Draw it as filled squares, so that it prints sharp at any size."""
        page.setFillColor(INK)
        for r, row in enumerate(self._rows):
            for c, dark in enumerate(row):
                if dark:
                    # A hair of overlap keeps white seams out of the dark parts.
                    x, y = self.x + c * self.cell, self.y + self.size - (r + 1) * self.cell
                    page.rect(x, y, self.cell * 1.02, self.cell * 1.02, stroke=0, fill=1)
