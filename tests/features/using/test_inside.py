"""What went on inside a package, and will: its curves agree with its card, and with one another."""

from collections.abc import Callable
from contextlib import suppress
from dataclasses import replace
from datetime import date, timedelta
from itertools import pairwise

import numpy as np
import pytest
from scipy.integrate import solve_ivp

from tests.conftest import Clock
from tests.support.doings import newest
from tests.support.refusals import refused
from yellow_larder.core.containers import Closing
from yellow_larder.features.household.larder import Larder, NewPlace, add_place, places_in
from yellow_larder.features.packages.state import Package, row_of, stretches_of
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.package_course import course_elsewhere
from yellow_larder.features.packing.request import Ask, Opened
from yellow_larder.features.places.places import change_place
from yellow_larder.features.shelves.card import card
from yellow_larder.features.shelves.carrying import move, throw_out
from yellow_larder.features.shelves.inside import Inside, InsidePoint, inside_plan, story_in
from yellow_larder.features.using.in_hand import in_hand
from yellow_larder.features.using.inside import WhatIf, see_inside
from yellow_larder.features.using.leaving import Correction, Leaving, correct, leave
from yellow_larder.features.using.opening import Reclosing, close_again, lose_seal, open_packages, take, weigh
from yellow_larder.features.using.pouring import Pouring, pour
from yellow_larder.journal.database import reading
from yellow_larder.reference import foods
from yellow_larder.words.errors import Refused

RICE = Ask(line="700 g white rice", container="jar-quart", closing=Closing.VACUUM)
APPLES = Ask(line="200 g dried apples", container="bag-gallon-thin", closing=Closing.ABSORBER, conditioned=True)
POWDER = Ask(line="150 g onion powder", container="jar-pint", closing=Closing.LID)
SUGAR = Ask(line="700 g white sugar", container="jar-quart", closing=Closing.LID)
HOT = NewPlace("Loft", "loft", mean_c=22, warmest_c=36, humidity=0.7)
HOTTER = replace(HOT, warmest_c=38)

Act = Callable[[Larder, Clock, int], object]


def _into_a_pint(number: int) -> Pouring:
    return Pouring(numbers=(number,), container="jar-pint", closing=Closing.ABSORBER, conditioned=True)


def _sealed(larder: Larder, _clock: Clock, number: int) -> None:
    """Closed under vacuum, if it has no seal yet that it could lose."""
    if card(larder, number).closing == Closing.LID:
        close_again(larder, number, Reclosing(Closing.VACUUM, conditioned=True))


STORIES: dict[str, list[Act]] = {
    "left alone": [],
    "moved": [lambda larder, _, n: move(larder, [n], place=2, shelf=1)],
    "moved to and fro": [
        lambda larder, _, n: move(larder, [n], place=2, shelf=1),
        lambda larder, _, n: move(larder, [n], place=1, shelf=1),
    ],
    "opened and eaten from": [
        lambda larder, _, n: open_packages(larder, [n], often=Opened.WEEKLY),
        lambda larder, _, n: take(larder, n, "a third"),
        lambda larder, _, n: take(larder, n, "50 g"),
    ],
    "opened and closed again": [
        lambda larder, _, n: take(larder, n, "half"),
        lambda larder, _, n: close_again(larder, n, Reclosing(Closing.ABSORBER, conditioned=True)),
        lambda larder, _, n: move(larder, [n], place=2, shelf=1),
    ],
    "without its seal": [
        lambda larder, _, n: move(larder, [n], place=2, shelf=1),
        _sealed,
        lambda larder, clock, n: lose_seal(larder, n, since=(clock.now - timedelta(days=40)).date()),
        lambda larder, _, n: weigh(larder, n, "120 g"),
    ],
    "written wrong": [
        lambda larder, _, n: correct(larder, n, Correction(amount="140 g")),
        lambda larder, _, __: change_place(larder, 1, NewPlace("Pantry", mean_c=25, warmest_c=30)),
    ],
    "carried on, and found out later": [
        lambda larder, _, n: move(larder, [n], place=2, shelf=1),
        lambda larder, _, n: move(larder, [n], place=1, shelf=2),
        lambda larder, _, n: correct(larder, n, Correction(amount="130 g")),
        lambda larder, _, n: move(larder, [n], place=2, shelf=1),
        lambda larder, _, __: change_place(larder, 2, HOTTER),
        lambda larder, _, n: weigh(larder, n, "120 g"),
    ],
    "carried on without its seal": [
        _sealed,
        lambda larder, _, n: move(larder, [n], place=2, shelf=1),
        lambda larder, _, n: move(larder, [n], place=1, shelf=2),
        lambda larder, clock, n: lose_seal(larder, n, since=(clock.now - timedelta(days=150)).date()),
    ],
    "poured over": [
        lambda larder, _, n: pour(larder, _into_a_pint(n)),
    ],
}

NO_SUGAR = ("opened and closed again", "poured over")
"""Where sugar would be closed with an absorber."""


def tell(larder: Larder, clock: Clock, ask: Ask, story: str) -> int:
    """A package that all of a story happened to, two months apart; its number, or that of what came of it."""
    add_place(larder, HOT)
    pack(larder, ask)
    for act in STORIES[story]:
        clock.now += timedelta(days=60)
        act(larder, clock, newest(larder, 0))
    clock.now += timedelta(days=60)
    return newest(larder, 0)


def on(inside: Inside, day: date) -> InsidePoint:
    return min(inside.points, key=lambda each: abs(each.day - day.toordinal()))


@pytest.mark.parametrize("ask", [RICE, APPLES, POWDER], ids=["rice", "apples", "powder"])
@pytest.mark.parametrize("story", STORIES)
def test_the_curves_agree_with_the_card_and_run_without_a_break(
    larder: Larder, clock: Clock, story: str, ask: Ask
) -> None:
    number = tell(larder, clock, ask, story)
    inside, shown = see_inside(larder, number).inside, card(larder, number)
    now = on(inside, larder.today())
    assert now.day == inside.today
    assert now.left == pytest.approx(shown.left, abs=1e-3)
    days = [each.day for each in inside.points]
    assert days == sorted(set(days))
    for each in inside.points:
        assert each.left_low <= each.left <= each.left_high
        assert each.oxygen is None or each.oxygen_low <= each.oxygen <= each.oxygen_high  # type: ignore[operator]
        assert each.activity is None or each.activity_low <= each.activity <= each.activity_high  # type: ignore[operator]
    # What was used stays used; but closing it well again may give back what oxygen and moisture would have cost.
    anew = [each.day for each in inside.marks if each.what.startswith("Closed again")]
    for earlier, later in pairwise(inside.points):
        assert later.left <= earlier.left + (0.01 if later.day in anew else 2e-3)
    # Its life is over on the day its card says.
    if shown.ages:
        over = [each for each in inside.points if each.left <= 0]
        assert not over or min(each.day for each in over) >= inside.today or shown.due in ("past", "wrong")
    # Moisture has no jumps: nobody pours water in. The same water is a higher activity where it is warmer.
    moist = [(each.day, each.activity) for each in inside.points if each.activity is not None]
    carried = [each.day for each in inside.marks if each.what.startswith("Moved to")]
    for (earlier, before), (later, after) in pairwise(moist):
        assert abs(after - before) < (0.05 if later in carried else 0.005) + 0.002 * (later - earlier)


@pytest.mark.parametrize("ask", [RICE, APPLES, POWDER], ids=["rice", "apples", "powder"])
@pytest.mark.parametrize("story", STORIES)
def test_it_stood_where_its_life_was_spent(larder: Larder, clock: Clock, story: str, ask: Ask) -> None:
    """The chapters of its story are the stretches of its life, one after the other, whatever was found out later."""
    number = tell(larder, clock, ask, story)
    with reading(larder.engine) as session:
        found = story_in(session, number)
        stretches = stretches_of(row_of(session.get_one(Package, number)), larder.today())
    assert found is not None
    chapters = found[0].chapters
    starts = [each.since for each in chapters]
    assert starts == sorted(set(starts))
    for day in range(starts[0], larder.today().toordinal()):
        chapter = next(each for each in reversed(chapters) if each.since <= day)
        stretch = next((each for each in stretches if each.since <= day < each.until), None)
        if stretch is not None:
            assert (chapter.row["place_id"], chapter.row["closing"]) == (stretch.place_id, stretch.closing), day


@pytest.mark.parametrize("ask", [RICE, APPLES, POWDER, SUGAR], ids=["rice", "apples", "powder", "sugar"])
@pytest.mark.parametrize("story", STORIES)
def test_what_it_lost_and_what_is_left_make_a_whole(larder: Larder, clock: Clock, story: str, ask: Ask) -> None:
    """Whatever took it: warmth, oxygen, or damp that makes sugar clump in an open jar and never age."""
    if ask is SUGAR and story in NO_SUGAR:
        with refused("hardens into a brick"):
            tell(larder, clock, ask, story)
        return
    number, lost = tell(larder, clock, ask, story), []
    for days in (0, 100, 1000, 9000):
        clock.now += timedelta(days=days)
        shown = card(larder, number)
        lost.append([each.share for each in shown.ledger])
        assert sum(lost[-1]) == pytest.approx(1 - shown.left, abs=1e-3) or shown.left == 0 < sum(lost[-1]) - 1
    if story in ("opened and eaten from", "opened and closed again", "poured over"):
        # What it had lost by then it had lost, whatever becomes of it afterwards.
        for later in lost:
            assert later[:-1] == pytest.approx(lost[0][:-1], abs=1e-6)


@pytest.mark.parametrize("ask", [RICE, APPLES, POWDER], ids=["rice", "apples", "powder"])
@pytest.mark.parametrize("story", STORIES)
def test_carrying_it_makes_it_no_drier(larder: Larder, clock: Clock, story: str, ask: Ask) -> None:
    """What it takes along when it is opened is what it has come to in all the places it has stood in."""
    number = tell(larder, clock, ask, story)

    def moisture_pct() -> float:
        with reading(larder.engine) as session:
            (held,) = in_hand(session, larder, [number], None)
        return held.moisture_pct

    for place in (2, 1, 2):
        clock.now += timedelta(days=45)
        before = moisture_pct()
        with suppress(Refused):
            move(larder, [number], place=place, shelf=1)
        assert moisture_pct() == before
        clock.now += timedelta(days=1)
        assert moisture_pct() == pytest.approx(before, abs=0.05)


@pytest.mark.parametrize("ask", [RICE, APPLES, POWDER], ids=["rice", "apples", "powder"])
def test_its_best_by_is_where_its_life_ends(larder: Larder, clock: Clock, ask: Ask) -> None:
    number = tell(larder, clock, ask, "opened and eaten from")
    inside = see_inside(larder, number).inside
    ends = next(each.day for each in inside.points if each.left <= 0.001)
    before = max(each.day for each in inside.points if each.left > 0.001)
    clock.now += timedelta(days=before - inside.today - 1)
    assert card(larder, number).left > 0
    clock.now += timedelta(days=ends - before + 2)
    assert card(larder, number).left == 0


def test_moving_it_is_what_moving_it_would_have_been(larder: Larder, clock: Clock) -> None:
    """What is shown of the future is what the card says once it is done."""
    number = tell(larder, clock, RICE, "left alone")
    for place, what_if, act in (
        (2, WhatIf.NOTHING, lambda: move(larder, [number], place=2, shelf=1)),
        (None, WhatIf.WEEKLY, lambda: open_packages(larder, [number], often=Opened.WEEKLY)),
        (None, WhatIf.VACUUM, lambda: close_again(larder, number, Reclosing(Closing.VACUUM))),
    ):
        before, would = (
            see_inside(larder, number).inside,
            see_inside(larder, number, place=place, what_if=what_if).inside,
        )
        assert would.then != before.then
        assert would.says == before.says
        act()
        done = see_inside(larder, number).inside
        assert done.then == would.then
        assert [each.left for each in done.points][-20:] == pytest.approx(
            [each.left for each in would.points][-20:], abs=1e-3
        )


def test_its_words_name_what_cost_most(larder: Larder, clock: Clock) -> None:
    number = tell(larder, clock, RICE, "moved")
    inside = see_inside(larder, number).inside
    assert inside.says.startswith("Inside now: ")
    assert "of its life left." in inside.says
    assert "in the Loft" in inside.cost
    assert inside.cost.index("Pantry") < inside.cost.index("Loft"), "the dearest first"
    assert inside.then.startswith("Best by ")
    assert [each.what for each in inside.marks] == ["Packed under vacuum", "Moved to Loft"]


def test_what_is_gone_is_told_to_its_last_day(larder: Larder, clock: Clock) -> None:
    number = tell(larder, clock, RICE, "left alone")
    leave(larder, [number], Leaving.GIVEN_AWAY)
    gone_on = larder.today()
    clock.now += timedelta(days=400)
    seen = see_inside(larder, number)
    assert seen.asks == [WhatIf.NOTHING]
    assert seen.inside.points[-1].day == gone_on.toordinal()
    assert seen.inside.says.startswith("Inside on its last day: ")
    assert seen.inside.then == ""


def test_what_cannot_be(larder: Larder, clock: Clock) -> None:
    number = tell(larder, clock, RICE, "left alone")
    with refused("not there"):
        see_inside(larder, number, place=9)
    with refused("There is no package"):
        see_inside(larder, 99)
    pack(larder, Ask(line="1 kg white flour", container="packet-1-kg"))
    assert WhatIf.ABSORBERS not in see_inside(larder, number + 1).asks
    with refused("not closed that way"):
        see_inside(larder, number + 1, what_if=WhatIf.ABSORBERS)
    throw_out(larder, [number], why="mice")
    assert see_inside(larder, number, what_if=WhatIf.DAILY).asks == [WhatIf.NOTHING]


def test_oxygen_after_opening_and_closing_again_is_that_of_the_equation(larder: Larder, clock: Clock) -> None:
    """Against an independent solution of the same balance by `scipy.integrate.solve_ivp`, over both closings."""
    number = tell(larder, clock, APPLES, "opened and closed again")
    inside = see_inside(larder, number).inside
    with reading(larder.engine) as session:
        package = session.get_one(Package, number)
        course = course_elsewhere(package, foods()["dried-apples"], places_in(session)[1])
    assert course is not None
    air = course.air
    void, leak = float(air.void_ml), float(air.ingress_ml_day[0, 0]) / (0.20946 * float(air.void_ml))
    closed_on = package.closed_on.toordinal()
    moved_on = next(each.day for each in inside.marks if each.what == "Moved to Loft")

    def balance(_day: float, inside_now: list[float]) -> list[float]:
        share, left = inside_now
        takes = share * 1.4 ** ((air.temperature_c - 20) / 10) / 0.35 if left > 0 else 0.0
        return [leak * (0.20946 - share) - takes, -takes * void]

    days = [1.0, 5.0, 20.0, 50.0]
    begins = [float(air.share), float(air.packed_ml)]
    solved = solve_ivp(balance, (0, 60), begins, t_eval=days, max_step=0.05, rtol=1e-8)
    for day, share in zip(days, solved.y[0], strict=True):
        assert closed_on + day < moved_on
        assert float(course.oxygen(np.array([day]))[0, 0]) == pytest.approx(share, abs=2e-5)


def test_a_plan_is_told_as_what_comes_of_it_is(larder: Larder) -> None:
    for ask in (RICE, APPLES, POWDER):
        planned = inside_plan(larder, ask)
        (number,) = pack(larder, ask).numbers
        kept = see_inside(larder, number).inside
        assert planned.then == kept.then
        assert planned.points == kept.points
