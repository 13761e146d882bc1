"""This week's list as a sheet to take along: what to buy, how many packs, a box to tick."""

from __future__ import annotations

from io import BytesIO

from reportlab.lib.pagesizes import A4, LETTER
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from yellow_larder.documents.hand import FAINT, INK, YELLOW, Pages, draw, draw_right, fit, width_of
from yellow_larder.features.planning.shopping import ListView
from yellow_larder.reference.faces import BOLD, NAME, TEXT
from yellow_larder.words.quantities import Units

_ROW = 13 * mm
_MARGIN = 16 * mm


def shopping_sheet(shown: ListView, today: str, units: Units) -> bytes:
    """The list, a page of A4 or US letter for every eighteen lines."""
    width, height = A4 if units is Units.METRIC else LETTER
    out = BytesIO()
    page = Pages(out, pagesize=(width, height), invariant=True)
    page.setTitle("This week's list")
    page.setAuthor("Yellow Larder")
    top = _head(page, shown, today, width, height)
    for line in shown.lines:
        if top - _ROW < _MARGIN + 14 * mm:
            page.showPage()
            top = height - _MARGIN
        top -= _ROW
        page.setStrokeColor(INK)
        page.setLineWidth(1.1)
        page.rect(_MARGIN, top + 2 * mm, 6 * mm, 6 * mm)
        page.setFillColor(INK)
        packs = f"{line.packs} × {line.pack}"
        fit(page, line.name[:1].upper() + line.name[1:], _MARGIN + 11 * mm, top + 5 * mm, width - 98 * mm, NAME, 14)
        where = f"{line.shop}, {line.cost_each} each on {line.seen_on}"
        fit(page, where, _MARGIN + 11 * mm, top + 0.8 * mm, width - 98 * mm, TEXT, 9)
        draw_right(page, packs, width - _MARGIN - 28 * mm, top + 4 * mm, BOLD, 14)
        draw_right(page, line.cost, width - _MARGIN, top + 4 * mm, TEXT, 13)
        page.setStrokeColor(FAINT)
        page.setLineWidth(0.4)
        page.line(_MARGIN, top - 1 * mm, width - _MARGIN, top - 1 * mm)
    _foot(page, shown, top - 10 * mm, width)
    page.save()
    return out.getvalue()


def _head(page: Canvas, shown: ListView, today: str, width: float, height: float) -> float:
    top = height - _MARGIN - 8 * mm
    page.setFillColor(YELLOW)
    page.rect(_MARGIN, top - 3 * mm, width_of("This week's list", NAME, 24), 2 * mm, stroke=0, fill=1)
    page.setFillColor(INK)
    page.setFont(NAME, 24)
    page.drawString(_MARGIN, top, "This week's list")
    gained = shown.meals_then - shown.meals_now
    meals = f"{gained} whole meal{'' if gained == 1 else 's'} more: {', '.join(shown.gains)}"
    says = f"{today}. It makes {meals if gained else 'no meal whole yet, but fills a part of some'}"
    fit(page, says, _MARGIN, top - 10 * mm, width - 2 * _MARGIN, TEXT, 11)
    return float(top - 14 * mm)


def _foot(page: Canvas, shown: ListView, top: float, width: float) -> None:
    page.setFillColor(INK)
    draw_right(page, shown.cost, width - _MARGIN, top, BOLD, 14)
    left = f"{shown.left_over} is left over and carried to next week" if shown.lines else shown.says
    draw(page, left, _MARGIN, top, TEXT, 11)
