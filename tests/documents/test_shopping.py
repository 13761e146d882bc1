from dataclasses import replace
from io import BytesIO

import pypdf

from yellow_larder.documents.shopping import shopping_sheet
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.planning.budget import set_budget
from yellow_larder.features.planning.meals import Meal, keep_meal
from yellow_larder.features.planning.prices import Seen, see_price
from yellow_larder.features.planning.shopping import ListView, week_list
from yellow_larder.words.quantities import Units


def shown(larder: Larder) -> ListView:
    keep_meal(larder, Meal("Barley broth", "200 g pearl barley", serves=2, per_month=10))
    see_price(larder, Seen("2.5 kg pearl barley", "3.60", "Harbour store"))
    set_budget(larder, "10")
    return week_list(larder)


def pages(pdf: bytes) -> list[str]:
    return [page.extract_text() for page in pypdf.PdfReader(BytesIO(pdf)).pages]


def test_a_line_says_what_where_and_for_how_much(larder: Larder) -> None:
    text = pages(shopping_sheet(shown(larder), "24 Nov 2026", Units.METRIC))[0]
    for said in ("Pearl barley", "1 × 2.5 kg", "Harbour store, 3.60 each on 24 Nov 2026", "6.40 is left over"):
        assert said in text
    assert "10 whole meals more: 10 × Barley broth" in text


def test_a_long_list_goes_over_pages_and_loses_nothing(larder: Larder) -> None:
    view = shown(larder)
    lines = [replace(view.lines[0], name=f"food {n}") for n in range(47)]
    text = pages(shopping_sheet(replace(view, lines=lines), "24 Nov 2026", Units.US))
    assert len(text) == 3
    assert [f"page {n} of 3" in page for n, page in enumerate(text, 1)] == [True] * 3
    assert "page" not in pages(shopping_sheet(view, "24 Nov 2026", Units.US))[0]
    assert all(f"Food {n}\n" in "\n".join(text) + "\n" for n in range(47))


def test_an_empty_list_says_why(larder: Larder) -> None:
    assert "Write a meal or keep the diary" in pages(shopping_sheet(week_list(larder), "24 Nov 2026", Units.METRIC))[0]


def test_paper_follows_the_measures(larder: Larder) -> None:
    """A4 is 210 × 297 mm (ISO 216); letter is 8.5 × 11 in."""
    for units, size in ((Units.METRIC, (595, 842)), (Units.US, (612, 792))):
        pdf = shopping_sheet(week_list(larder), "24 Nov 2026", units)
        box = pypdf.PdfReader(BytesIO(pdf)).pages[0].mediabox
        assert (round(box.width), round(box.height)) == size
