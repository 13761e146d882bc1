"""Whatever is said of a packing or a load is said in the household's own measures."""

import re
from collections.abc import Iterator
from itertools import chain

import pytest

from tests.support.packages import case
from yellow_larder import reference
from yellow_larder.core.containers import Closing
from yellow_larder.core.drying import Air, Laid, Treatment, judge_freeze_load, judge_load
from yellow_larder.core.drying.freeze_drying import Tray
from yellow_larder.core.finding import Amount, Finding, Severity, Unit
from yellow_larder.core.packing import judge
from yellow_larder.reference.drying import produce
from yellow_larder.words.findings import in_units
from yellow_larder.words.quantities import Units

METRIC = re.compile(r"\d ?(°C|mm|cm|m|kg|g|L|litres?)\b")
US = re.compile(r"\d ?(°F|in|lb|oz|qt|gal)\b")


def packings() -> Iterator[tuple[str, list[Finding]]]:
    """What is said of every food, packed in ways that have something said of them."""
    for food in reference.foods():
        for closing in (Closing.LID, Closing.ABSORBER, Closing.VACUUM):
            for moisture in (5.0, 14.0, 70.0):
                container = "pouch-quart" if closing is Closing.VACUUM else "jar-quart"
                packed = case(food, container, closing, moisture=moisture, outer=False, unproven=True)
                yield f"{food}, {closing}, {moisture} %", list(judge(packed))


def loads() -> Iterator[Finding]:
    """What is said of everything that is dried."""
    foods = list(produce().values())
    for n, each in enumerate(foods):
        for air_c, air in ((25.0, Air.SUN), (52.0, Air.MACHINE), (95.0, Air.OVEN)):
            load = [Laid(one, one.thickness_mm * 3, frozenset[Treatment](), 40.0, 8.0) for one in (each, foods[n - 1])]
            yield from judge_load(load, air=air, air_c=air_c)
            heated = [Laid(each, each.thickness_mm, frozenset({Treatment.HEATED}), 5.0, 8.0)]
            yield from judge_load(heated, air=air, air_c=air_c)
    wet = Tray(9000.0, 75.0, 3.0, frozen=True, name="chicken", raw=True)
    yield from judge_freeze_load([wet], ice_g=2000)


@pytest.fixture(scope="module")
def packed() -> dict[str, list[Finding]]:
    return dict(packings())


@pytest.fixture(scope="module")
def found(packed: dict[str, list[Finding]]) -> list[Finding]:
    return [*chain.from_iterable(packed.values()), *loads()]


@pytest.mark.parametrize(("units", "foreign"), [(Units.METRIC, US), (Units.US, METRIC)])
def test_every_finding_speaks_the_households_measures(
    found: list[Finding], units: Units, foreign: re.Pattern[str]
) -> None:
    wrong = set()
    for finding in in_units(found, units):
        for text in (finding.says, finding.why, finding.figures):
            if foreign.search(text) or "{" in text:
                wrong.add(f"{finding.code}: {text}")
    assert wrong == set()
    named = {name for finding in found for name in finding.amounts}
    assert {"warmest", "air", "meat", "cut", "ice"} <= named


def test_nothing_is_said_twice_of_a_packing(packed: dict[str, list[Finding]]) -> None:
    """The bench tells its lines apart by their codes."""
    codes = {how: [finding.code for finding in findings] for how, findings in packed.items()}
    assert {how: said for how, said in codes.items() if len(said) != len(set(said))} == {}


def test_a_name_with_braces_stays_a_name() -> None:
    amounts = {"air": Amount(52, Unit.CELSIUS)}
    finding = Finding(Severity.MIND, "x", "Too hot for {my} beans", "{air} suits", "s", "{air", amounts)
    (said,) = in_units([finding], Units.US)
    assert (said.says, said.why, said.figures) == ("Too hot for {my} beans", "126 °F suits", "{air")
