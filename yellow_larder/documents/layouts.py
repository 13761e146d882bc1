"""How labels lie on a sheet or a roll, by plain dimensions."""

from __future__ import annotations

from dataclasses import dataclass

from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.quantities import Units, read_length_mm, read_size_mm, say_length

A4_MM, LETTER_MM = (210.0, 297.0), (215.9, 279.4)
"""Sizes of paper. Source: ISO 216; ANSI/ASME Y14.1, 8.5 × 11 in."""

LEAST_MM = (50.0, 30.0)
"""A label smaller than this cannot be read at arm's length. Source: our judgement."""

_EDGE_MM = 4.0
"""What a household's printer leaves white at the edge. Source: common practice."""


@dataclass(frozen=True, slots=True)
class Layout:
    """Labels on a page.

    Attributes:
        key: its key.
        name: what it is called.
        page_mm: width and height of the page; of a roll, those of one label.
        columns: labels side by side.
        rows: labels below one another.
        size_mm: width and height of one.
        gap_mm: what lies between two of them, across and down.
        cut: whether lines are drawn to cut along, as on plain paper.
    """

    key: str
    name: str
    page_mm: tuple[float, float]
    columns: int
    rows: int
    size_mm: tuple[float, float]
    gap_mm: tuple[float, float] = (0.0, 0.0)
    cut: bool = False

    @property
    def on_page(self) -> int:
        """Labels on one page."""
        return self.columns * self.rows

    @property
    def is_roll(self) -> bool:
        """Whether it is one label after the other."""
        return self.on_page == 1

    def corner_mm(self, n: int) -> tuple[float, float]:
        """The lower left corner of the label in a place of the page, counted from its upper left, mm.

        Example:
            >>> Layout("x", "two", (100, 50), 2, 1, (40, 30), (10, 0)).corner_mm(1)
            (55.0, 10.0)
        """
        row, column = divmod(n, self.columns)
        (page_w, page_h), (w, h), (gap_x, gap_y) = self.page_mm, self.size_mm, self.gap_mm
        left = (page_w - self.columns * w - (self.columns - 1) * gap_x) / 2
        top = (page_h - self.rows * h - (self.rows - 1) * gap_y) / 2
        return left + column * (w + gap_x), page_h - top - row * (h + gap_y) - h


def layouts(units: Units) -> list[Layout]:
    """The layouts offered where that paper is used; the first is the one that plain paper is cut into."""
    if units is Units.METRIC:
        return [
            Layout("plain", "ten to cut out of plain A4", A4_MM, 2, 5, (95, 55), cut=True),
            Layout("8", "eight of 99 × 67 mm", A4_MM, 2, 4, (99, 67), (2, 0)),
            Layout("14", "fourteen of 99 × 38 mm", A4_MM, 2, 7, (99, 38), (2, 0)),
            Layout("21", "twenty-one of 63 × 38 mm", A4_MM, 3, 7, (63, 38), (3, 0)),
            Layout("roll-large", "a roll, 100 × 60 mm", (100, 60), 1, 1, (100, 60)),
            Layout("roll-small", "a roll, 62 × 40 mm", (62, 40), 1, 1, (62, 40)),
        ]
    return [
        Layout("plain", "ten to cut out of plain letter paper", LETTER_MM, 2, 5, (97.9, 51.4), cut=True),
        Layout("10", "ten of 4 × 2 in", LETTER_MM, 2, 5, (101.6, 50.8), (4, 0)),
        Layout("6", "six of 4 × 3⅓ in", LETTER_MM, 2, 3, (101.6, 84.7), (4, 0)),
        Layout("18", "eighteen of 2⅝ × 1½ in", LETTER_MM, 3, 6, (66.7, 38.1), (3, 0)),
        Layout("roll-large", "a roll, 4 × 2⅜ in", (101.6, 60.3), 1, 1, (101.6, 60.3)),
        Layout("roll-small", "a roll, 2½ × 1½ in", (63.5, 38.1), 1, 1, (63.5, 38.1)),
    ]


def layout_by_key(key: str, units: Units) -> Layout:
    """One of the layouts offered."""
    # One that was kept before the household changed its measures is still one.
    offered = [*layouts(units), *(each for other in Units for each in layouts(other))]
    found = next((each for each in offered if each.key == key), None)
    if found is None:
        raise NotThere("layout", "That layout of labels is not among ours")
    return found


def own_layout(columns: int, rows: int, size: str, gap: str, units: Units) -> Layout:
    """A layout of labels bought elsewhere, in the middle of the page.

    Args:
        columns: labels side by side.
        rows: labels below one another.
        size: width by height of one, "63 × 38 mm".
        gap: what lies between two of them; nothing if it is left out.
        units: what bare numbers mean, and which paper it is.

    Raises:
        Refused: it cannot be read, the labels overlap or leave the page, or they are too small to be read.
    """
    if not 1 <= columns <= 6:
        raise Refused("columns", "Labels side by side: 1 to 6")
    if not 1 <= rows <= 12:
        raise Refused("rows", "Labels below one another: 1 to 12")
    size_mm = read_size_mm(size, "size", units=units)
    between = read_length_mm(gap, "gap", units=units) if gap.strip() else 0.0
    if between < 0:
        raise Refused("gap", "Less than nothing between them: they would overlap")
    if size_mm[0] < LEAST_MM[0] or size_mm[1] < LEAST_MM[1]:
        least = f"{say_length(LEAST_MM[0], units)} × {say_length(LEAST_MM[1], units)}"
        raise Refused("size", f"Too small to be read at arm's length: {least} at the least")
    page = A4_MM if units is Units.METRIC else LETTER_MM
    for n, each, room, says in (
        (columns, size_mm[0], page[0], "side by side"),
        (rows, size_mm[1], page[1], "below one another"),
    ):
        takes = n * each + (n - 1) * between
        if takes > room - _EDGE_MM:
            raise Refused(
                "size",
                f"{n} {says} take {say_length(takes, units)}, and the page has {say_length(room - _EDGE_MM, units)}: "
                "they would overlap, or leave it",
            )
    return Layout("own", "our own", page, columns, rows, size_mm, (between, between))
