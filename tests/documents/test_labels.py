from dataclasses import replace
from io import BytesIO

import pypdf
import pypdfium2
import pytest
import zxingcpp
from hypothesis import given
from hypothesis import strategies as st

from yellow_larder.core.containers import Closing
from yellow_larder.documents.labels import label_sheet
from yellow_larder.documents.layouts import LEAST_MM, Layout, layout_by_key, layouts, own_layout
from yellow_larder.documents.run_sheet import run_sheet
from yellow_larder.features.catalog.events import NewFood
from yellow_larder.features.catalog.foods import add_food
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder, settings, settle
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.run import steps
from yellow_larder.features.run.view import see_run
from yellow_larder.features.shelves.labels import Label, labels, read_code, run_labels
from yellow_larder.journal.database import reading
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.quantities import Units


def sheet(larder: Larder, **of: object) -> bytes:
    with reading(larder.engine) as session:
        units = settings(session).units
    return label_sheet(labels(larder, **of), layout_by_key("plain", units))  # type: ignore[arg-type]


def read_back(pdf: bytes) -> tuple[list[str], list[str]]:
    """Text of each page, and what the codes on all pages say, read as a scanner would."""
    text = [page.extract_text() for page in pypdf.PdfReader(BytesIO(pdf)).pages]
    codes = []
    for page in pypdfium2.PdfDocument(pdf):
        codes += [each.text for each in zxingcpp.read_barcodes(page.render(scale=3).to_pil())]
    return text, codes


def test_a_label_for_each_container(larder: Larder) -> None:
    batch = pack(larder, Ask(line="30 kg pearl barley"))
    text, codes = read_back(sheet(larder, batch=batch.batch))
    assert len(batch.numbers) == 10
    assert len(text) == 1
    assert text[0].count("Pearl barley") == 10
    for line in ("3 kg", "10,600 kcal", "Packed 24 Nov 2026", "Best by", "absorbers: not food"):
        assert text[0].count(line) == 10, line
    assert sorted(read_code(code) or 0 for code in codes) == batch.numbers


def test_a_run_has_its_labels_before_anything_is_filled(larder: Larder) -> None:
    number = steps.add_line(larder, Ask(line="10 kg pearl barley"))
    with pytest.raises(NotThere, match="begin it first"):
        run_labels(larder, number)
    steps.begin(larder, number)
    before = run_labels(larder, number)
    text, codes = read_back(label_sheet(before, layout_by_key("plain", Units.METRIC)))
    assert sorted(read_code(code) or 0 for code in codes) == [1, 2, 3, 4]
    assert "1 × 300 mL + 1 × 100 mL absorbers: not food" in text[0]
    for step in (steps.labelled, steps.set_out, steps.fill_rest, steps.open_packets):
        step(larder, number)
    for n in range(1, 5):
        steps.close_one(larder, number, n)
    # What was printed before is what stands there after, word for word.
    assert labels(larder, numbers=[1, 2, 3, 4]) == before


def test_an_eleventh_label_starts_a_page(larder: Larder) -> None:
    batch = pack(larder, Ask(line="33 kg pearl barley"))
    text, codes = read_back(sheet(larder, batch=batch.batch))
    assert len(text) == 2
    assert len(codes) == 11
    assert text[1].count("Pearl barley") == 1


@pytest.mark.parametrize(
    "name", ["<b>bold</b> & sharp", "Žemlovka s hruškami, usušená a nastrouhaná na jemno", "x" * 80, "Ærtesuppe ½"]
)
def test_any_name_fits_its_label(larder: Larder, name: str) -> None:
    add_food(larder, NewFood(name, "spelt", 338, 14, 2.5, 70, 9, 11, 700))
    pack(larder, Ask(line=f"2 kg {name}"))
    text, codes = read_back(sheet(larder, numbers=[1]))
    shown = text[0].replace("\n", "").replace(" ", "")
    assert name.replace(" ", "")[1:25] in shown
    assert codes == ["YELLOW LARDER 1"]


ALL_LAYOUTS = [(units, layout) for units in Units for layout in layouts(units)]


@pytest.mark.parametrize(("units", "layout"), ALL_LAYOUTS, ids=lambda each: getattr(each, "key", str(each)))
def test_every_layout_is_read_back(larder: Larder, units: Units, layout: Layout) -> None:
    """Every code and every line, on its own label; what counts is as tall as can be read at arm's length.

    Source: a character seen at 70 cm must be 16 minutes of arc, ISO 9241-303: 3.3 mm to the line, 2.1 mm to a capital
    (from memory); we hold capitals to 2.2 mm.
    """
    settle(larder, Settings(units=units))
    numbers = pack(larder, Ask(line="12.5 kg freeze-dried fish stew", container="bag-3-litre")).numbers[:9]
    pdf = label_sheet(labels(larder, numbers=numbers), layout)
    text, codes = read_back(pdf)
    assert len(text) == -(-len(numbers) // layout.on_page)
    assert sorted(read_code(code) or 0 for code in codes) == numbers
    for line in ("kcal", "Best by", "Packed", "not food", "No."):
        assert sum(page.count(line) for page in text) == len(numbers), line
    shown = pypdfium2.PdfDocument(pdf)[0].get_textpage()
    for line in ("Best by", "kcal"):
        at, _ = shown.search(line).get_next() or (0, 0)
        _, low, _, high = shown.get_charbox(at)
        assert (high - low) / 72 * 25.4 >= 2.2, (line, (high - low) / 72 * 25.4)


LEAST_PT = 6
"""Less is not read by most; source: common practice."""

SMALLEST = own_layout(3, 7, "50 × 30 mm", "", Units.METRIC)
AWKWARD = {
    "without a space": "x" * 80,
    "two long words": "Donaudampfschifffahrtsgesellschaft Kapitänsmützenfabrikant",
    "long": "a soup of barley, leeks, carrots, peas, onions and whatever else there was in the cellar",
}
WHY = "it hardens into a brick. Packed anyway: goes into the freezer today, and is eaten by the end of the week"


@pytest.mark.parametrize("why", ["", WHY], ids=["as it should be", "against advice"])
@pytest.mark.parametrize("name", AWKWARD.values(), ids=AWKWARD)
@pytest.mark.parametrize("layout", [*(each for _, each in ALL_LAYOUTS), SMALLEST], ids=lambda each: each.name)
def test_nothing_lies_over_the_code_or_outside_or_is_too_small(layout: Layout, name: str, why: str) -> None:
    """Read back from the page: the size of every sign, where it lies, and the code with its quiet zone.

    Source: ISO/IEC 18004, QR Code: a quiet zone of four modules on all sides (from memory).
    """
    packets = "5 absorbers of 300 mL, not food"
    label = Label(7, name, "12.5 kg", "8,000 kcal", "Packed 1 May 2026", "Best by May 2040", packets, "5 gal pail", "")
    label = replace(label, code="YELLOW LARDER 7", override=why)
    pdf = pypdfium2.PdfDocument(label_sheet([label], layout))
    page = pdf[0]
    text = page.get_textpage()
    left, low, right, high = (each * 72 / 25.4 for each in _label_mm(layout))
    # The label alone is drawn: a whole page of white paper takes ten times as long to look at.
    edges = (left, low, page.get_width() - right, page.get_height() - high)
    (code,) = zxingcpp.read_barcodes(page.render(scale=4, crop=edges).to_pil())
    at = code.position
    module = (at.top_right.x - at.top_left.x) / 4 / 21
    quiet = (left + at.top_left.x / 4 - 4 * module, high - at.bottom_left.y / 4 - 4 * module)
    for n in range(text.count_chars()):
        sign = text.get_text_range(n, 1)
        if not sign.strip():
            continue
        x0, y0, x1, y1 = text.get_charbox(n)
        assert left - 0.5 <= x0 <= x1 <= right + 0.5, sign
        assert low - 0.5 <= y0 <= y1 <= high + 0.5, sign
        assert not (x1 > quiet[0] + 0.5 and y1 > quiet[1] + 0.5), f"{sign} lies over the code"
    assert left + at.top_right.x / 4 + 4 * module <= right + 0.5
    assert high - at.top_left.y / 4 + 4 * module <= high + 0.5
    sizes = [pypdfium2.raw.FPDFText_GetFontSize(text, n) for n in range(text.count_chars())]
    assert min(size for size in sizes if size > 1) >= LEAST_PT - 0.01


def _label_mm(layout: Layout) -> tuple[float, float, float, float]:
    x, y = layout.corner_mm(0)
    return x, y, x + layout.size_mm[0], y + layout.size_mm[1]


@pytest.mark.parametrize("layout", [each for _, each in ALL_LAYOUTS], ids=lambda each: each.name)
def test_no_two_labels_touch(layout: Layout) -> None:
    corners = [layout.corner_mm(n) for n in range(layout.on_page)]
    (width, height), (page_w, page_h) = layout.size_mm, layout.page_mm
    for n, (x, y) in enumerate(corners):
        assert -0.01 <= x <= page_w - width + 0.01
        assert -0.01 <= y <= page_h - height + 0.01
        for other_x, other_y in corners[:n]:
            assert abs(x - other_x) >= width - 0.01 or abs(y - other_y) >= height - 0.01


@pytest.mark.parametrize(
    ("columns", "rows", "size", "gap", "field"),
    [
        (3, 7, "75 × 38 mm", "", "size"),
        (2, 8, "95 × 38 mm", "", "size"),
        (3, 5, "66 × 38 mm", "1 cm", "size"),
        (2, 5, "49 × 38 mm", "", "size"),
        (2, 5, "90 × 29 mm", "", "size"),
        (2, 5, "wide", "", "size"),
        (2, 5, "90 × 50 mm", "-2 mm", "gap"),
        (0, 5, "90 × 50 mm", "", "columns"),
        (2, 40, "90 × 50 mm", "", "rows"),
    ],
)
def test_labels_that_overlap_are_refused(columns: int, rows: int, size: str, gap: str, field: str) -> None:
    with pytest.raises(Refused) as refused:
        own_layout(columns, rows, size, gap, Units.METRIC)
    assert refused.value.field == field


@given(
    st.integers(1, 6),
    st.integers(1, 12),
    st.floats(30, 120),
    st.floats(20, 120),
    st.floats(0, 20),
    st.sampled_from(Units),
)
def test_a_layout_that_is_taken_never_overlaps(
    columns: int, rows: int, width: float, height: float, gap: float, units: Units
) -> None:
    try:
        layout = own_layout(columns, rows, f"{width:.1f} × {height:.1f} mm", f"{gap:.1f} mm", units)
    except Refused:
        wide, high = columns * (width + gap), rows * (height + gap)
        assert width < LEAST_MM[0] + 0.1 or height < LEAST_MM[1] + 0.1 or wide > 190 or high > 150
        return
    test_no_two_labels_touch(layout)


def test_the_run_on_paper(larder: Larder) -> None:
    number = steps.add_line(larder, Ask(line="60 kg pearl barley"))
    steps.begin(larder, number)
    run = see_run(larder)
    assert run is not None
    pages = [page.extract_text() for page in pypdf.PdfReader(BytesIO(run_sheet(run, "24 Nov 2026", Units.US))).pages]
    assert len(pages) == 2
    assert "to pack, 24 Nov 2026" in pages[0]
    assert "A test strip sealed" in pages[0]
    assert "fifteen minutes, no pause" in " ".join(pages[0].split())
    assert sum(page.count("1 gal foil bag") for page in pages) == len(run.containers) + 1


def test_us_paper_for_us_units(larder: Larder) -> None:
    """Source: US letter is 8.5 × 11 in, ISO 216 A4 is 210 × 297 mm; a point is 1/72 in."""
    pack(larder, Ask(line="2 kg pearl barley"))
    sizes = []
    for units in Units:
        settle(larder, Settings(units=units))
        box = pypdf.PdfReader(BytesIO(sheet(larder, numbers=[1]))).pages[0].mediabox
        sizes.append((round(float(box.width)), round(float(box.height))))
    assert sizes == [(595, 842), (612, 792)]


def test_no_labels_for_what_was_taken_back(larder: Larder) -> None:
    batch = pack(larder, Ask(line="2 kg pearl barley"))
    take_back(larder)
    with pytest.raises(NotThere):
        labels(larder, batch=batch.batch)
    with pytest.raises(NotThere):
        labels(larder, numbers=[1])


@pytest.mark.parametrize("text", ["", "barley", "YELLOW LARDER", "17 jars", "9" * 40])
def test_not_every_text_is_a_code(text: str) -> None:
    assert read_code(text) is None


@pytest.mark.parametrize("why", ["a trial till May", "goes into the freezer today, and " + "is eaten by the " * 4])
def test_a_label_says_what_it_was_packed_against(larder: Larder, why: str) -> None:
    """All of it, however long, and nothing of it over the code."""
    why = why.strip()
    ask = Ask(line="2 kg white sugar", container="bag-gallon", closing=Closing.ABSORBER, override=why)
    text, codes = read_back(sheet(larder, numbers=pack(larder, ask).numbers))
    shown = " ".join(text[0].split())
    assert "it hardens into a brick. Packed anyway:" in shown
    assert why in shown
    assert codes == ["YELLOW LARDER 1"]


def test_a_layout_that_was_kept_is_one_in_either_measure() -> None:
    """A household that changes its measures still has the labels it bought."""
    for units, layout in ALL_LAYOUTS:
        for now in Units:
            assert layout_by_key(layout.key, now).key == layout.key
        assert layout_by_key(layout.key, units) == layout
