"""The run's clock and pace, and what packets are worth after lying out."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from yellow_larder.core.errors import OutOfRange
from yellow_larder.core.packing import (
    LEAST_TRUST,
    OUT_MINUTES,
    batch_size,
    run_forecast,
    seconds_each,
    worth_after,
    worth_in_jar,
)

seconds = st.floats(1, 600)
paces = st.lists(seconds, max_size=30)


def test_fifteen_minutes() -> None:
    """Common practice: absorbers may lie out for a quarter of an hour."""
    assert OUT_MINUTES == 15
    assert run_forecast([], 1, out_s=0, since_last_s=0).left_s == 900


@pytest.mark.parametrize(("each_s", "many"), [(30, 24), (45, 16), (60, 12), (90, 8), (800, 1)])
def test_batches_leave_time_for_a_slip(each_s: float, many: int) -> None:
    assert batch_size(each_s) == many
    assert many == 1 or many * each_s <= OUT_MINUTES * 60 * 0.8


@given(paces, seconds)
def test_the_pace_lies_between_what_was_and_what_is_usual(took: list[float], usual: float) -> None:
    each = seconds_each(took, usual_s=usual)
    assert min([usual, *took]) - 1e-9 <= each <= max([usual, *took]) + 1e-9


def test_what_was_left_lying_for_hours_is_no_pace() -> None:
    """A batch can be planned after any interruption."""
    assert seconds_each([3 * 3600.0]) == seconds_each([1800.0])
    assert batch_size(seconds_each([86_400.0] * 50)) == 1


@given(paces, st.integers(0, 60), st.floats(0, 1200), st.floats(0, 600))
def test_put_back_just_what_will_not_be_closed(took: list[float], to_close: int, out: float, since: float) -> None:
    """What is not put back is closed by the time the clock runs out, at this pace; one more would not be."""
    seen = run_forecast(took, to_close, out_s=out, since_last_s=since)
    assert 0 <= seen.put_back <= to_close
    first = max(0.0, seen.each_s - since)
    in_time = to_close - seen.put_back
    if in_time:
        assert first + (in_time - 1) * seen.each_s <= seen.left_s + 1e-6
    if seen.put_back:
        assert first + in_time * seen.each_s > seen.left_s - 1e-6


@given(paces, st.integers(1, 60), st.floats(0, 1200), st.floats(0, 600))
def test_later_is_never_better(took: list[float], to_close: int, out: float, more: float) -> None:
    now = run_forecast(took, to_close, out_s=out, since_last_s=0)
    then = run_forecast(took, to_close, out_s=out + more, since_last_s=0)
    assert then.put_back >= now.put_back


def test_a_long_wait_is_not_counted_twice() -> None:
    """Somebody who has stood a minute at a bag is taken to close it any moment, not to begin it anew."""
    fresh = run_forecast([40] * 5, 3, out_s=200, since_last_s=0)
    waiting = run_forecast([40] * 5, 3, out_s=260, since_last_s=60)
    assert fresh.done_in_s == pytest.approx(3 * fresh.each_s)
    assert waiting.done_in_s == pytest.approx(2 * fresh.each_s)


def test_a_packet_left_out_over_an_evening_is_spent() -> None:
    """Common practice: hours in the open use it up; the quarter of an hour does little."""
    assert worth_after(OUT_MINUTES) > 0.9
    assert worth_after(59) > LEAST_TRUST > worth_after(65)
    assert worth_after(6 * 60) == 0


@given(st.floats(0, 1), st.floats(10, 20_000), st.floats(0, 2000), st.integers(0, 20))
def test_a_jar_costs_just_its_oxygen(worth: float, rating: float, jar: float, opened: int) -> None:
    """Mass balance: what spares lose is the oxygen of the air shut in with them, and never more than they have."""
    after = worth_in_jar(worth, rating_ml=rating, jar_ml=jar, opened=opened)
    assert after == pytest.approx(max(0.0, worth - opened * jar * 0.20946 / rating), abs=1e-4)


def test_absurd_figures_are_refused() -> None:
    for wrong in (
        lambda: seconds_each([], usual_s=0),
        lambda: batch_size(0),
        lambda: batch_size(45, minutes=0),
        lambda: worth_after(-1),
        lambda: run_forecast([], -1, out_s=0, since_last_s=0),
        lambda: worth_in_jar(2, rating_ml=100, jar_ml=200),
    ):
        with pytest.raises(OutOfRange):
            wrong()
