from io import BytesIO

import pypdf
import pypdfium2
import pytest
import zxingcpp

from yellow_larder.core.containers import Closing
from yellow_larder.documents.labels import label_sheet
from yellow_larder.larder import run_acts
from yellow_larder.larder.asking import Ask
from yellow_larder.larder.foods import NewFood, add_food
from yellow_larder.larder.labels import labels, read_code, run_labels
from yellow_larder.larder.larder import Larder, Settings, settle, take_back
from yellow_larder.larder.packing import pack
from yellow_larder.larder.quantities import Units
from yellow_larder.larder.refusals import NotThere


def sheet(larder: Larder, **of: object) -> bytes:
    wanted, units = labels(larder, **of)  # type: ignore[arg-type]
    return label_sheet(wanted, units)


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
    for line in ("3 kg", "10,600 kcal", "Packed 24 Nov 2026", "Best by", "packets: not food"):
        assert text[0].count(line) == 10, line
    assert sorted(read_code(code) or 0 for code in codes) == batch.numbers


def test_a_run_has_its_labels_before_anything_is_filled(larder: Larder) -> None:
    number = run_acts.add_line(larder, Ask(line="10 kg pearl barley"))
    with pytest.raises(NotThere, match="begin it first"):
        run_labels(larder, number)
    run_acts.begin(larder, number)
    before, units = run_labels(larder, number)
    text, codes = read_back(label_sheet(before, units))
    assert sorted(read_code(code) or 0 for code in codes) == [1, 2, 3, 4]
    assert "1 × 300 mL + 1 × 100 mL packets: not food" in text[0]
    for step in (run_acts.labelled, run_acts.set_out, run_acts.fill_rest, run_acts.open_packets):
        step(larder, number)
    for n in range(1, 5):
        run_acts.close_one(larder, number, n)
    # What was printed before is what stands there after, word for word.
    assert labels(larder, numbers=[1, 2, 3, 4]) == (before, units)


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
    ask = Ask(line="2 kg white sugar", container="bag-gallon", closing=Closing.ABSORBER, against=why)
    text, codes = read_back(sheet(larder, numbers=pack(larder, ask).numbers))
    shown = " ".join(text[0].split())
    assert "it sets like brick. Packed all the same:" in shown
    assert why in shown
    assert codes == ["YELLOW LARDER 1"]
