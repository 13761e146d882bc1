"""The run on paper, for a table without a screen: what to set out, what goes where, a box to tick for each."""

from __future__ import annotations

from io import BytesIO

from reportlab.lib.pagesizes import A4, LETTER
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from yellow_larder.documents.hand import FAINT, INK, YELLOW, Pages, draw, fit, lines_of, width_of
from yellow_larder.features.run.view import RunView
from yellow_larder.reference.faces import BOLD, NAME, TEXT
from yellow_larder.words.quantities import Units

_MARGIN = 15 * mm
_ROW = 9.5 * mm
_RULE = (
    "Absorbers stay closed until everything above is ready. Once they are open: fifteen minutes, no pause. If the "
    "telephone rings, all absorbers go into the jar, lid on. Absorbers are not food."
)
_HEADS = (
    ("No.", 0.0),
    ("food and weight", 18.0),
    ("packets", 84.0),
    ("filled", 122.0),
    ("closed", 140.0),
    ("at", 158.0),
)


def run_sheet(run: RunView, today: str, units: Units) -> bytes:
    """The run sheet, as many pages as it takes."""
    width, height = A4 if units is Units.METRIC else LETTER
    out = BytesIO()
    page = Pages(out, pagesize=(width, height), invariant=True)
    page.setTitle("Run sheet")
    page.setAuthor("Yellow Larder")
    top = _head(page, f"{len(run.containers)} to pack, {today}", width, height)
    for each in run.ready:
        page.setStrokeColor(INK)
        page.setLineWidth(1)
        page.rect(_MARGIN, top - 1 * mm, 4.2 * mm, 4.2 * mm)
        page.setFillColor(INK)
        fit(page, each.says, _MARGIN + 7 * mm, top, width - 2 * _MARGIN - 7 * mm, BOLD, 11.5)
        top -= 6.6 * mm
    top = _paragraph(page, _RULE, top - 2 * mm, width)
    for caution in run.cautions:
        top = _paragraph(page, caution, top, width)
    top = _columns(page, top - 4 * mm, width)
    for mine in run.containers:
        if top - _ROW < _MARGIN:
            page.showPage()
            top = _columns(page, height - _MARGIN - 4 * mm, width)
        top -= _ROW
        page.setFillColor(INK)
        page.setFont(NAME, 15)
        page.drawString(_MARGIN, top + 2 * mm, str(mine.number))
        fit(page, f"{mine.planned} {mine.food}", _MARGIN + 18 * mm, top + 4 * mm, 63 * mm, BOLD, 11)
        fit(page, mine.container, _MARGIN + 18 * mm, top + 0.6 * mm, 63 * mm, TEXT, 8)
        fit(page, mine.packets or "none", _MARGIN + 84 * mm, top + 2.5 * mm, 36 * mm, TEXT, 11)
        page.setStrokeColor(INK)
        page.setLineWidth(1)
        for at in (122, 140):
            page.rect(_MARGIN + at * mm, top + 1 * mm, 5.6 * mm, 5.6 * mm)
        page.setStrokeColor(FAINT)
        page.setLineWidth(0.4)
        page.line(_MARGIN + 158 * mm, top + 1.5 * mm, width - _MARGIN, top + 1.5 * mm)
        page.line(_MARGIN, top - 1 * mm, width - _MARGIN, top - 1 * mm)
    page.save()
    return out.getvalue()


def _head(page: Canvas, title: str, width: float, height: float) -> float:
    top = height - _MARGIN - 7 * mm
    page.setFillColor(YELLOW)
    page.rect(_MARGIN, top - 2.6 * mm, width_of(title, NAME, 21), 1.8 * mm, stroke=0, fill=1)
    page.setFillColor(INK)
    fit(page, title, _MARGIN, top, width - 2 * _MARGIN, NAME, 21)
    return float(top - 12 * mm)


def _paragraph(page: Canvas, text: str, top: float, width: float) -> float:
    page.setFillColor(INK)
    for line in lines_of(text, TEXT, 10.5, width - 2 * _MARGIN):
        draw(page, line, _MARGIN, top, TEXT, 10.5)
        top -= 4.8 * mm
    return top


def _columns(page: Canvas, top: float, width: float) -> float:
    page.setFont(TEXT, 8.5)
    page.setFillColor(INK)
    for text, at in _HEADS:
        page.drawString(_MARGIN + at * mm, top, text)
    page.setStrokeColor(INK)
    page.setLineWidth(1.2)
    page.line(_MARGIN, top - 1.5 * mm, width - _MARGIN, top - 1.5 * mm)
    return float(top - 1.5 * mm)
