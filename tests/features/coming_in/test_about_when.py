"""About when something was packed, as people write it."""

from __future__ import annotations

from datetime import date, timedelta

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.support.refusals import refused
from yellow_larder.features.coming_in.about_when import read_dates
from yellow_larder.words.dates import OLDEST, say_about, say_day
from yellow_larder.words.quantities import Units

TODAY = date(2026, 11, 28)


@pytest.mark.parametrize(
    ("text", "first", "last"),
    [
        ("rice, 2023-05-14", (2023, 5, 14), (2023, 5, 14)),
        ("rice, 14 May 2023", (2023, 5, 14), (2023, 5, 14)),
        ("rice, May 14th, 2023", (2023, 5, 14), (2023, 5, 14)),
        ("rice, 14/5/2023", (2023, 5, 14), (2023, 5, 14)),
        ("rice packed in May 2023", (2023, 5, 1), (2023, 5, 31)),
        ("rice, sept. 2023", (2023, 9, 1), (2023, 9, 30)),
        ("rice, May '23", (2023, 5, 1), (2023, 5, 31)),
        ("rice, 5/2023", (2023, 5, 1), (2023, 5, 31)),
        ("rice, 2023-02", (2023, 2, 1), (2023, 2, 28)),
        ("rice from 2021", (2021, 1, 1), (2021, 12, 31)),
        ("rice, about 2021", (2020, 1, 2), (2022, 12, 31)),
        ("rice, before 2019", (2009, 1, 3), (2019, 1, 1)),
        ("rice, last year", (2025, 1, 1), (2025, 12, 31)),
        ("rice, 3 years ago", (2023, 5, 31), (2024, 5, 29)),
        ("rice, this month", (2026, 11, 13), (2026, 11, 28)),
        ("rice, summer 2024", (2024, 5, 31), (2024, 8, 29)),
        ("rice, last summer", (2026, 5, 31), (2026, 8, 29)),
    ],
)
def test_days_months_years_and_less(text: str, first: tuple[int, int, int], last: tuple[int, int, int]) -> None:
    """Source: the calendar; what "about" and "before" mean is our judgement, said in the Guide."""
    dated = read_dates(text, TODAY, Units.METRIC)
    assert dated.when is not None
    assert abs((dated.when.first - date(*first)).days) <= 2
    assert abs((dated.when.last - date(*last)).days) <= 2
    assert dated.rest.strip() == "rice"
    assert dated.printed is None


def test_one_line_in_three_forms_is_one_day() -> None:
    forms = ("2023-05-14", "14 May 2023", "14/5/2023", "May 14, 2023")
    assert len({read_dates(f"rice, {form}", TODAY, Units.METRIC).when for form in forms}) == 1


def test_which_comes_first_goes_by_the_household_and_is_said() -> None:
    for units, day in ((Units.US, date(2023, 5, 6)), (Units.METRIC, date(2023, 6, 5))):
        dated = read_dates("rice 5/6/2023", TODAY, units)
        assert dated.when is not None
        assert dated.when.first == day
        assert dated.doubts
    assert not read_dates("rice 25/6/2023", TODAY, Units.US).doubts


@pytest.mark.parametrize("words", ["best by", "best before", "use by", "bb", "exp", "expires", "good until"])
def test_what_is_printed_on_it_is_not_when_it_was_packed(words: str) -> None:
    dated = read_dates(f"10 tins sardines, {words} 2028-03, bought 2024", TODAY, Units.METRIC)
    assert dated.printed == date(2028, 3, 31)
    assert dated.when is not None
    assert dated.when.first == date(2024, 1, 1)


@pytest.mark.parametrize(
    "text", ["rice, no idea when", "old, rice", "rice, date unknown", "rice ???", "rice, don't know"]
)
def test_nobody_knows_when(text: str) -> None:
    dated = read_dates(text, TODAY, Units.METRIC)
    assert dated.when is not None
    assert not dated.when.known
    assert dated.when.last == TODAY
    assert say_about(dated.when.middle, dated.when.unsure_days) == "some time ago"


def test_a_weight_is_no_year() -> None:
    assert read_dates("2000 g rice", TODAY, Units.METRIC).when is None
    assert read_dates("rice 2010 ml", TODAY, Units.METRIC).when is None


def test_days_that_cannot_be_are_refused() -> None:
    for text, why in (("rice, packed Feb 2031", "in the future"), ("rice, 1981-06-31", "no 1981-06-31")):
        with refused(why):
            read_dates(text, TODAY, Units.METRIC)
    with refused("in the future"):
        read_dates("rice, Feb 2031", TODAY, Units.METRIC).is_packed(TODAY)


def test_a_day_to_come_that_nobody_says_anything_of_may_stand_on_it() -> None:
    dated = read_dates("evaporated milk 2031", TODAY, Units.METRIC).is_best_by()
    assert (dated.printed, dated.when, dated.rest) == (date(2031, 12, 31), None, "evaporated milk")
    assert len(dated.doubts) == 1


@pytest.mark.parametrize(
    ("text", "first", "last"),
    [
        ("2020 or so", date(2019, 1, 1), date(2021, 12, 31)),
        ("2020ish", date(2019, 1, 1), date(2021, 12, 31)),
        ("2020 i think", date(2019, 1, 1), date(2021, 12, 31)),
        ("canned in September", date(2026, 9, 1), date(2026, 9, 30)),
        ("from December", date(2025, 12, 1), date(2025, 12, 31)),
        ("a couple years ago", date(2024, 5, 30), date(2025, 5, 29)),
        ("3 yrs ago", date(2023, 5, 31), date(2024, 5, 29)),
        ("4 days ago", date(2026, 11, 24), date(2026, 11, 24)),
    ],
)
def test_as_people_remember(text: str, first: date, last: date) -> None:
    when = read_dates(f"2 jars rice, {text}", TODAY, Units.US).when
    assert when is not None
    assert (when.first, when.last) == (first, last)


@pytest.mark.parametrize("text", ["best by 8/27", "exp 08/27", "BB 8-27", "use by: 8/27", "exp. 8/27"])
def test_a_best_by_as_it_stands_on_a_tin(text: str) -> None:
    for units in Units:
        assert read_dates(f"2 tins tuna, {text}", TODAY, units).printed == date(2027, 8, 31)


def test_when_it_was_opened_is_not_when_it_was_packed() -> None:
    dated = read_dates("bucket of oats, opened last month", TODAY, Units.US)
    assert (dated.when, dated.rest) == (None, "bucket of oats, opened")


@given(st.dates(OLDEST, TODAY))
def test_every_day_is_read_as_it_is_said(day: date) -> None:
    dated = read_dates(f"rice, {say_day(day)}", TODAY, Units.METRIC)
    assert dated.when is not None
    assert (dated.when.first, dated.when.last) == (day, day)


@given(st.dates(OLDEST + timedelta(days=800), TODAY - timedelta(days=800)))
def test_the_middle_of_a_year_is_called_that_year(day: date) -> None:
    for text, said in ((f"rice, {day.year}", str(day.year)), (f"rice, about {day.year}", f"about {day.year}")):
        dated = read_dates(text, TODAY, Units.METRIC)
        assert dated.when is not None
        assert say_about(dated.when.middle, dated.when.unsure_days) == said
