import re
from dataclasses import replace
from datetime import timedelta

import pytest

from tests.conftest import NOON, Clock
from tests.support.drying import dried
from yellow_larder.core.containers import Closing
from yellow_larder.core.drying import JarPhase, Look, Treatment
from yellow_larder.core.finding import Severity
from yellow_larder.features.drying.conditioning import Jar, back_in_jar, empty_jar, fill_jar, look_at_jar, see_jars
from yellow_larder.features.drying.finished_lots import made_here
from yellow_larder.features.drying.load_plan import Item
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.lots.grinding import grind
from yellow_larder.features.lots.lots import lots_left, set_cupboard
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.planner import plan
from yellow_larder.features.packing.request import Ask
from yellow_larder.journal.database import reading
from yellow_larder.words.errors import NotThere, Refused


def only(larder: Larder) -> Jar:
    (jar,) = see_jars(larder).jars
    return jar


def shake(larder: Larder, clock: Clock, number: int, *looks: Look) -> list[JarPhase]:
    found = []
    for look in looks:
        clock.now += timedelta(days=1)
        found.append(look_at_jar(larder, number, look))
    return found


def test_what_comes_out_waits_for_its_jar(larder: Larder, clock: Clock) -> None:
    out = dried(larder, clock)
    waiting = see_jars(larder).waiting
    assert [(each.lot, each.mass) for each in waiting] == [(out.lot, "365 g")]
    fill_jar(larder, out.lot)
    assert see_jars(larder).waiting == []
    jar = only(larder)
    # 365 g at 0.08 g/mL are 4.56 L: eight quart jars of 0.97 L, none fuller than two thirds (by hand).
    assert (jar.jars, jar.title) == (8, "8 × quart jar")
    assert jar.level <= 2 / 3


def test_a_week_of_free_days_and_the_bench_knows(larder: Larder, clock: Clock) -> None:
    out = dried(larder, clock)
    number = fill_jar(larder, out.lot)
    ask = Ask(line=out.line, container="jar-quart", closing=Closing.ABSORBER, lot=out.lot)
    stop = plan(larder, ask).verdict
    assert (stop.severity, stop.findings[0].code) == (Severity.STOP, "absorber-unconditioned")
    with pytest.raises(Refused, match="Not conditioned yet"):
        pack(larder, ask)
    assert any(each.code == "unconditioned" for each in plan(larder, replace(ask, closing=None)).verdict.findings) or (
        plan(larder, replace(ask, closing=Closing.LID)).verdict.severity is Severity.MIND
    )
    phases = shake(larder, clock, number, *[Look.FREE] * 7)
    assert phases == [JarPhase.SHAKING] * 6 + [JarPhase.DONE]
    after = plan(larder, ask)
    assert "absorber-unconditioned" not in {each.code for each in after.verdict.findings}
    assert after.story[-1] == "1 Dec 2026: conditioned, 7 days free"
    assert only(larder).says == "Done: it is conditioned."


def test_a_clump_starts_the_count_again(larder: Larder, clock: Clock) -> None:
    out = dried(larder, clock)
    number = fill_jar(larder, out.lot, days=5)
    assert shake(larder, clock, number, Look.FREE, Look.FREE, Look.CLUMPED)[-1] is JarPhase.DRYER
    jar = only(larder)
    assert (jar.phase, jar.free_days) == (JarPhase.DRYER, 0)
    assert "Back into the dryer" in jar.says
    assert [dot.look for dot in jar.dots] == ["free", "free", "clumped"]
    for days, told in ((0, False), (1, False), (2, True), (400, True)):
        today = clock.now
        clock.now += timedelta(days=days)
        assert (f"these {days} days, look first: at any mould" in only(larder).says) is told
        clock.now = today
    with pytest.raises(Refused, match="back in the dryer"):
        look_at_jar(larder, number, Look.FREE)
    back_in_jar(larder, number)
    assert shake(larder, clock, number, *[Look.FREE] * 5)[-1] is JarPhase.DONE
    story = made_here(larder)[0].story
    assert [line.split(": ")[1] for line in story[1:]] == [
        "clumped in its jar, back to the dryer",
        "dried again",
        "conditioned, 5 days free",
    ]


def test_a_jar_that_was_done_and_clumps_is_not_conditioned_any_more(larder: Larder, clock: Clock) -> None:
    out = dried(larder, clock)
    number = fill_jar(larder, out.lot, days=5)
    shake(larder, clock, number, *[Look.FREE] * 5)
    assert made_here(larder)[0].conditioned
    shake(larder, clock, number, Look.DROPLETS)
    assert not made_here(larder)[0].conditioned
    take_back(larder)
    assert made_here(larder)[0].conditioned


def test_missed_days_are_late_and_do_no_harm(larder: Larder, clock: Clock) -> None:
    number = fill_jar(larder, dried(larder, clock).lot, days=5)
    shake(larder, clock, number, Look.FREE)
    clock.now += timedelta(days=3)
    jar = only(larder)
    assert (jar.overdue_days, jar.free_days) == (2, 1)
    assert jar.says == "Shake it: 2 days late. 4 to go."
    assert [dot.look for dot in jar.dots] == ["free", "missed", "missed", "due", "to come", "to come", "to come"]


def test_once_a_day(larder: Larder, clock: Clock) -> None:
    number = fill_jar(larder, dried(larder, clock).lot)
    with pytest.raises(Refused, match="the next time is tomorrow"):
        look_at_jar(larder, number, Look.FREE)
    shake(larder, clock, number, Look.FREE)
    with pytest.raises(Refused, match="shaken today"):
        look_at_jar(larder, number, Look.FREE)
    assert look_at_jar(larder, number, Look.STUCK) is JarPhase.DRYER


def test_what_does_not_belong_in_a_jar(larder: Larder, clock: Clock) -> None:
    out = dried(larder, clock)
    for change, words in (({"jar": "bag-gallon"}, "pick a jar"), ({"days": 3}, "5, 7 or 10")):
        with pytest.raises(Refused, match=words):
            fill_jar(larder, out.lot, **change)  # type: ignore[arg-type]
    fill_jar(larder, out.lot)
    with pytest.raises(Refused, match="nothing else goes in"):
        fill_jar(larder, out.lot)
    with pytest.raises(NotThere):
        fill_jar(larder, 99)
    set_cupboard(larder, "pearl-barley", "2 kg")
    with pytest.raises(Refused, match="dried here"):
        fill_jar(larder, out.lot + 1)


def test_meat_is_not_conditioned(larder: Larder, clock: Clock) -> None:
    beef = dried(larder, clock, Item(line="1 kg lean beef", treatments=(Treatment.HEATED,)), "315 g")
    assert not beef.conditions
    with pytest.raises(Refused, match="fridge or freezer"):
        fill_jar(larder, beef.lot)
    shown = plan(larder, Ask(line=beef.line, container="jar-pint", lot=beef.lot))
    assert "meat-keeps-cold" in {each.code for each in shown.verdict.findings}


def test_an_emptied_jar_leaves_its_lot(larder: Larder, clock: Clock) -> None:
    out = dried(larder, clock)
    number = fill_jar(larder, out.lot)
    empty_jar(larder, number)
    assert see_jars(larder).jars == []
    assert [each.lot for each in see_jars(larder).waiting] == [out.lot]
    with pytest.raises(NotThere):
        look_at_jar(larder, number, Look.FREE)


def test_packed_away_the_jar_is_gone(larder: Larder, clock: Clock) -> None:
    out = dried(larder, clock)
    fill_jar(larder, out.lot)
    pack(larder, Ask(line="365 g dried leeks", container="bag-gallon", closing=Closing.LID, lot=out.lot))
    assert see_jars(larder).jars == []


def test_powder_is_a_new_lot_that_keeps_for_less_long(larder: Larder, clock: Clock) -> None:
    """Source: common practice: powder 6–9 months, pieces about a year; a tablespoon stands for about a cup of fresh."""
    out = dried(larder, clock)
    ground = grind(larder, out.lot, "150 g")
    powder, pieces = made_here(larder)
    assert (powder.food, powder.mass, powder.made) == ("leek powder", "150 g", "ground")
    assert pieces.mass == "215 g"
    assert powder.gives.wet_g == pytest.approx(2000 * 150 / 365)
    assert ground.gives.spoon.startswith("a tablespoon stands for 34")
    assert powder.wants_conditioning
    assert powder.story[-1] == "24 Nov 2026: ground"
    months = [int(word) for word in re.findall(r"\d+", ground.keeps)]
    assert months[0] < months[1]
    take_back(larder)
    assert [each.mass for each in made_here(larder)] == ["365 g"]


def test_what_cannot_be_ground(larder: Larder, clock: Clock) -> None:
    out = dried(larder, clock)
    with pytest.raises(Refused, match="There is 365 g"):
        grind(larder, out.lot, "2 kg")
    wet = dried(larder, clock, weight="420 g")
    with pytest.raises(Refused, match="smears"):
        grind(larder, wet.lot)
    set_cupboard(larder, "white-sugar", "1 kg")
    with reading(larder.engine) as session:
        sugar = next(number for number, each in lots_left(session).items() if each.food_key == "white-sugar")
    with pytest.raises(Refused, match="not ground"):
        grind(larder, sugar)


def test_the_day_is_the_day_here(larder: Larder, clock: Clock) -> None:
    number = fill_jar(larder, dried(larder, clock).lot)
    assert only(larder).due == (NOON + timedelta(days=1)).date()
    assert number == 1
