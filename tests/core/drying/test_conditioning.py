from datetime import date, timedelta

import pytest
from hypothesis import given
from hypothesis import strategies as st

from yellow_larder.core.drying import GUIDELINES, OURS, Event, JarPhase, Look, standing
from yellow_larder.core.errors import OutOfRange

DAY = date(2026, 3, 1)


def looks(*seen: tuple[int, Look | None]) -> list[Event]:
    return [Event(DAY + timedelta(days=n), look) for n, look in seen]


def free(*days: int) -> list[Event]:
    return looks(*((n, Look.FREE) for n in days))


def on(day: int) -> date:
    return DAY + timedelta(days=day)


def test_the_guidelines_are_those_of_the_trade() -> None:
    """Source: common practice five days, others five to seven; published advice seven to ten."""
    assert [each.days for each in GUIDELINES] == [5, 7, 10]
    assert OURS.days == 7


def test_five_free_days_and_it_is_done() -> None:
    assert standing(DAY, 5, free(1, 2, 3, 4), on(5)).phase is JarPhase.SHAKING
    done = standing(DAY, 5, free(1, 2, 3, 4, 5), on(5))
    assert (done.phase, done.free_days, done.due) == (JarPhase.DONE, 5, None)


def test_the_first_shake_is_the_day_after() -> None:
    now = standing(DAY, 5, [], on(0))
    assert (now.due, now.overdue_days) == (on(1), 0)
    assert standing(DAY, 5, free(0), on(0)).free_days == 0


def test_two_looks_a_day_are_one() -> None:
    assert standing(DAY, 5, free(1, 1, 1), on(1)).free_days == 1


def test_a_missed_day_does_not_count_and_does_no_harm() -> None:
    now = standing(DAY, 5, free(1, 2), on(6))
    assert (now.free_days, now.due, now.overdue_days) == (2, on(3), 3)


@pytest.mark.parametrize("look", [Look.CLUMPED, Look.STUCK, Look.DROPLETS])
def test_anything_but_free_starts_again(look: Look) -> None:
    seen = free(1, 2, 3) + looks((4, look))
    wet = standing(DAY, 5, seen, on(4))
    assert (wet.phase, wet.free_days, wet.due) == (JarPhase.DRYER, 0, None)
    back = standing(DAY, 5, [*seen, *looks((5, None))], on(5))
    assert (back.phase, back.free_days, back.due, back.counted_from) == (JarPhase.SHAKING, 0, on(6), on(5))
    assert standing(DAY, 5, [*seen, *looks((5, None)), *free(6, 7, 8, 9, 10)], on(10)).phase is JarPhase.DONE


def test_a_look_while_it_is_in_the_dryer_counts_for_nothing() -> None:
    assert standing(DAY, 5, looks((1, Look.STUCK)) + free(2), on(2)).free_days == 0


def test_a_jar_that_was_done_can_still_clump() -> None:
    late = standing(DAY, 5, free(1, 2, 3, 4, 5) + looks((9, Look.CLUMPED)), on(9))
    assert late.phase is JarPhase.DRYER


@given(
    wanted=st.integers(1, 12),
    seen=st.lists(st.tuples(st.integers(0, 3), st.sampled_from([*Look, None])), max_size=30),
)
def test_it_is_done_only_after_enough_free_days(wanted: int, seen: list[tuple[int, Look | None]]) -> None:
    day, events = 0, []
    for step, look in seen:
        day += step
        events.append(Event(on(day), look))
    now = standing(DAY, wanted, events, on(day))
    if now.phase is JarPhase.DONE:
        last_bad = max((n for n, event in enumerate(events) if event.look is not Look.FREE), default=-1)
        assert len({event.on for event in events[last_bad + 1 :]}) >= wanted
    assert 0 <= now.free_days <= wanted


def test_a_guideline_of_no_days() -> None:
    with pytest.raises(OutOfRange):
        standing(DAY, 0, [], DAY)
