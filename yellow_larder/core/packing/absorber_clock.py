"""The run against the clock: how long packets may lie out, how fast it goes, and what packets are worth after."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from yellow_larder.core.air import OXYGEN_SHARE_DRY
from yellow_larder.core.errors import check_range

OUT_MINUTES = 15.0
"""How long absorbers may lie out in the room. Source: common practice."""

SPENT_MINUTES = 240.0
"""How long in the open uses an absorber up. Source: our judgement from packets spent after two to six hours out (common
practice); the fifteen minutes then cost 6 %, well inside the margin."""

LEAST_TRUST = 0.75
"""Share of its rating below which a spare is thrown away. Source: our judgement: the margin is used up there."""

KEEPS_DAYS = 182.0
"""How long a spare in its small jar is trusted. Source: our judgement; common practice says months in a jar that has
pulled down."""

USUAL_SECONDS = 45.0
"""Time from one container closed to the next, before there is a pace to go by. Source: our judgement."""

_USUAL_WEIGHS = 2.0
"""How many containers' worth of evidence the usual pace stands for. Source: our judgement."""

_LONGEST_S = 1800.0
"""What took longer was left lying for something else, and says nothing of the pace. Source: our judgement."""

_SAFE_SHARE = 0.8
"""Share of the time that a batch is planned to fill. Source: our judgement: somebody will ring at the door."""


def seconds_each(took_s: Sequence[float], *, usual_s: float = USUAL_SECONDS) -> float:
    """Time from one container closed to the next, by the pace so far and what is usual.

    Args:
        took_s: what each container closed so far took, s, 0 or more; longer than half an hour counts as that.
        usual_s: what is usual, s, 1–1,800.

    Returns:
        Seconds.

    Raises:
        OutOfRange: the usual pace is outside the range above.

    Example:
        Three bags at half a minute each, where three quarters were usual:

        >>> seconds_each([30, 30, 30])
        36.0

    Source: a mean that leans on what is usual until there is evidence (shrinkage).
    """
    check_range("usual_s", usual_s, 1, 1800, "s")
    paced = sum(min(took, _LONGEST_S) for took in took_s)
    return (usual_s * _USUAL_WEIGHS + paced) / (_USUAL_WEIGHS + len(took_s))


def batch_size(each_s: float, *, minutes: float = OUT_MINUTES) -> int:
    """How many containers to open packets for at a time, at a pace.

    Args:
        each_s: seconds for one container, 1–3,600.
        minutes: how long packets may lie out, 1–60.

    Returns:
        Containers, 1 or more.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        >>> batch_size(45), batch_size(120), batch_size(1200)
        (16, 6, 1)

    Source: four fifths of the fifteen minutes, so that there is time for a slip.
    """
    check_range("each_s", each_s, 1, 3600, "s")
    return max(1, math.floor(check_range("minutes", minutes, 1, 60, "min") * 60 * _SAFE_SHARE / each_s))


@dataclass(frozen=True, slots=True)
class RunForecast:
    """How a batch will go.

    Attributes:
        each_s: seconds for one container, as it goes.
        left_s: seconds left on the clock, below zero once it has run out.
        done_in_s: seconds until the last of the batch is closed.
        put_back: containers that will not be closed in time: their packets belong back in the jar.
    """

    each_s: float
    left_s: float
    done_in_s: float
    put_back: int


def run_forecast(
    took_s: Sequence[float], to_close: int, *, out_s: float, since_last_s: float, usual_s: float = USUAL_SECONDS
) -> RunForecast:
    """How a batch will go at the pace so far.

    Args:
        took_s: what each container closed so far took, s.
        to_close: containers still open, 0 or more.
        out_s: how long the packets have been out, s, 0 or more.
        since_last_s: how long ago the last one was closed, or the packets were opened, s, 0 or more.
        usual_s: what is usual, s, 1–1,800.

    Returns:
        The pace, the time left, and what will not be done in time.

    Raises:
        OutOfRange: an argument is below zero, or the usual pace is outside the range above.

    Example:
        Seven of twelve closed after eleven minutes: five more take longer than the four minutes left.

        >>> seen = run_forecast([94] * 7, 5, out_s=660, since_last_s=2)
        >>> round(seen.each_s), round(seen.left_s), seen.put_back
        (83, 240, 3)

    Source: see `seconds_each`; one that takes longer than the pace is taken to be closed any moment now.
    """
    for name, value in (("to_close", to_close), ("out_s", out_s), ("since_last_s", since_last_s)):
        check_range(name, value, 0, math.inf, "s")
    each = seconds_each(took_s, usual_s=usual_s)
    left = OUT_MINUTES * 60 - out_s
    if not to_close:
        return RunForecast(each, left, 0.0, 0)
    first = max(0.0, each - since_last_s)
    in_time = 0 if left < first else min(to_close, 1 + math.floor((left - first) / each))
    return RunForecast(each, left, first + (to_close - 1) * each, to_close - in_time)


def worth_after(minutes: float) -> float:
    """Share of its rating that an absorber still takes up after lying out.

    Args:
        minutes: how long it lay out in all, 0–100,000.

    Returns:
        Share, 0–1.

    Raises:
        OutOfRange: the time is outside the range above.

    Example:
        >>> worth_after(0), worth_after(15), worth_after(600)
        (1.0, 0.9375, 0.0)

    Source: see `SPENT_MINUTES`.
    """
    return max(0.0, 1 - check_range("minutes", minutes, 0, 100_000, "min") / SPENT_MINUTES)


def worth_in_jar(worth: float, *, rating_ml: float, jar_ml: float, opened: int = 1) -> float:
    """Share of their rating that spares keep when they take up the air of the jar they wait in.

    Args:
        worth: share they had when they went in, 0–1.
        rating_ml: rating of all of them together, mL, above 0.
        jar_ml: the jar, mL, 0–20,000.
        opened: how often it was closed on them with fresh air in it, 0–1,000.

    Returns:
        Share, 0–1.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        Five spares of 200 mL in a jar of 240 mL:

        >>> round(worth_in_jar(0.96, rating_ml=1000, jar_ml=240), 2)
        0.91

    Source: mass balance on dry air of 20.946 % oxygen.
    """
    check_range("worth", worth, 0, 1, "")
    check_range("rating_ml", rating_ml, 1e-3, 1e6, "mL")
    check_range("jar_ml", jar_ml, 0, 20_000, "mL")
    check_range("opened", opened, 0, 1000, "")
    return max(0.0, worth - opened * jar_ml * OXYGEN_SHARE_DRY / rating_ml)
