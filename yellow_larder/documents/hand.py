"""The hand that everything on paper is drawn in: the colours, the letters, and lines that fit."""

from __future__ import annotations

from pathlib import Path

from reportlab.lib.colors import HexColor
from reportlab.pdfbase import pdfmetrics
from reportlab.pdfbase.ttfonts import TTFont
from reportlab.pdfgen.canvas import Canvas

INK, FAINT, YELLOW = HexColor("#1f2f2a"), HexColor("#8a8f86"), HexColor("#f2b71f")
NAME, TEXT, BOLD = "Bitter-ExtraBold", "AtkinsonHyperlegibleNext-Regular", "AtkinsonHyperlegibleNext-Bold"

for _font in (NAME, TEXT, BOLD):
    pdfmetrics.registerFont(TTFont(_font, Path(__file__).parent / "fonts" / f"{_font}.ttf"))


def fit(page: Canvas, text: str, x: float, y: float, room: float, font: str, size: float) -> None:
    """Write a line as large as asked, or as small as it takes to fit the room."""
    page.setFont(font, min(size, size * room / max(1.0, pdfmetrics.stringWidth(text, font, size))))
    page.drawString(x, y, text)
