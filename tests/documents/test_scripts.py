"""Names in other scripts on labels and papers: printed whole, joined and in order, or said at once."""

from io import BytesIO

import numpy as np
import pypdfium2
import pytest
import uharfbuzz as hb
from hypothesis import given
from hypothesis import strategies as st
from reportlab.pdfbase import pdfmetrics
from reportlab.pdfgen.canvas import Canvas

from yellow_larder.documents.hand import _runs, _shape, draw, draw_right, lines_of, width_of
from yellow_larder.documents.labels import label_sheet
from yellow_larder.documents.layouts import layout_by_key
from yellow_larder.features.household.larder import tidy_name
from yellow_larder.features.shelves.labels import Label
from yellow_larder.reference.faces import BOLD, NAME, TEXT, cannot_be_printed, face
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import Units

NAMES = {
    "Cyrillic": "Перловая крупа",
    "Ukrainian": "Горох лущений",
    "Greek": "Φακές ψιλές",
    "Hebrew": "עדשים אדומות",
    "Arabic": "عدس أحمر",
    "Devanagari": "मसूर की दाल",
    "Chinese": "绿豆 大米",
    "Vietnamese": "Đậu xanh",
    "Turkish": "Yeşil mercimek, ığ",
    "mixed": "Dal मसूर (red) عدس 5 kg",
}


def inked(text: str, font: str, size: float = 40, right: bool = False) -> np.ndarray:
    """Where ink is on a page with one line on it."""
    out = BytesIO()
    page = Canvas(out, pagesize=(900, 90))
    if right:
        draw_right(page, text, 880, 30, font, size)
    else:
        draw(page, text, 20, 30, font, size)
    page.save()
    picture = pypdfium2.PdfDocument(out.getvalue())[0].render(scale=1).to_numpy()
    return np.asarray(picture[:, :, 0] < 128)


@pytest.mark.parametrize("text", NAMES.values(), ids=NAMES)
@pytest.mark.parametrize("font", [NAME, TEXT, BOLD])
def test_every_name_leaves_its_ink_where_it_should(text: str, font: str) -> None:
    """As wide as it is said to be, from the left and from the right; and no sign is a blank or an empty box."""
    assert cannot_be_printed(text) == ""
    ink = inked(text, font)
    columns = np.flatnonzero(ink.any(axis=0))
    wide = width_of(text, font, 40)
    assert columns.min() == pytest.approx(20, abs=6)
    assert columns.max() == pytest.approx(20 + wide, abs=6)
    from_right = np.flatnonzero(inked(text, font, right=True).any(axis=0))
    assert from_right.max() == pytest.approx(880, abs=6)
    assert inked("").sum() == 0 if not text else ink.sum() > 40 * len(text.replace(" ", ""))


def test_what_the_house_face_can_draw_is_drawn_with_it() -> None:
    for text in ("Pearl barley", "Bärlauch, ½ Tasse", "No. 17"):
        for font in (NAME, TEXT, BOLD):
            assert [run.face for run in _runs(text, font)] == [font]
            assert width_of(text, font, 11) == pytest.approx(pdfmetrics.stringWidth(text, font, 11))


def _glyphs(text: str, name: str) -> list[int]:
    return [info.codepoint for info in _shape(name, text, name in ("NotoSansArabic", "NotoSansHebrew"))[0]]


def test_arabic_letters_join() -> None:
    """A letter between others is drawn otherwise than alone. Source: The Unicode Standard, 9.2, cursive joining."""
    alone = [_glyphs(letter, "NotoSansArabic")[0] for letter in "سدع"]
    joined = _glyphs("عدس", "NotoSansArabic")
    assert len(joined) == 3
    assert joined[2] != alone[2], "the first letter, which stands at the right, joins the next"


def test_devanagari_vowels_go_before_their_consonant() -> None:
    """कि is read k-i and written i-k. Source: The Unicode Standard, 12.1, reordrant vowel signs."""
    buffer = hb.Buffer()
    buffer.add_str("कि")
    buffer.guess_segment_properties()
    hb.shape(hb.Font(face("NotoSansDevanagari")), buffer)
    assert [info.cluster for info in buffer.glyph_infos] == [0, 0]
    (run,) = _runs("कि", TEXT)
    assert (run.face, run.text) == ("NotoSansDevanagari", "कि")


def test_a_name_from_right_to_left_begins_at_the_right() -> None:
    """UAX #9: in a line of Hebrew the numbers still run from left to right, and stand where they are read."""
    runs = _runs("עדשים 12 קילו", TEXT)
    assert [run.text.strip() for run in runs] == ["קילו", "12", "עדשים"]
    assert [run.backwards for run in runs] == [True, False, True]
    assert [run.text.strip() for run in _runs("Red עדשים lentils", TEXT)] == ["Red", "עדשים", "lentils"]


@given(
    st.text(st.characters(codec="utf-8", exclude_categories=["Cs", "Cc"]), max_size=30), st.sampled_from([NAME, TEXT])
)
def test_any_text_has_a_width_and_lines_that_hold_it(text: str, font: str) -> None:
    assert width_of(text, font, 10) >= 0
    lines = lines_of(text, font, 10, 60)
    assert "".join("".join(lines).split()) == "".join(text.split())
    assert all(width_of(line, font, 10) <= 60 for line in lines if len(line) > 1)
    draw(Canvas(BytesIO()), text, 0, 0, font, 10)


def test_a_sign_that_no_face_has_is_said_when_the_name_is_given() -> None:
    for name, sign in (("Garlic 🧄", "🧄"), ("ꦧꦼꦫꦱ꧀", "ꦧ")):
        with pytest.raises(Refused, match=f"No label can print “{sign}"):
            tidy_name(name, "name")
    with pytest.raises(Refused, match="a control sign"):
        tidy_name("beans\u202egnorw", "name")
    for name in NAMES.values():
        assert tidy_name(name, "name") == name


@pytest.mark.parametrize("layout", ["plain", "roll-large", "roll-small"])
@pytest.mark.parametrize("text", NAMES.values(), ids=NAMES)
def test_labels_carry_the_name(text: str, layout: str) -> None:
    """A label with the name has more ink in the name's place than one with a blank."""

    def ink(food: str) -> int:
        label = Label(
            7, food, "2.5 kg", "8,000 kcal", "Packed 1 May 2026", "Best by May 2040", "", "jar", "YELLOW LARDER 7"
        )
        try:
            lies = layout_by_key(layout, Units.METRIC)
        except Refused:
            pytest.skip("no such layout")
        page = pypdfium2.PdfDocument(label_sheet([label], lies))[0].render(scale=3).to_numpy()
        return int((page[:, :, 0] < 128).sum())

    assert ink(text) > ink(".") + 60
