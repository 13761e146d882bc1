"""What is opened again and again: what openings cost, and what one size smaller would do."""

import pytest

from yellow_larder.core.containers import Closing, closed_volume_ml
from yellow_larder.core.finding import Finding
from yellow_larder.features.household.larder import Larder, NewPlace, add_place
from yellow_larder.features.packing.planner import plan
from yellow_larder.features.packing.request import Ask, Opened
from yellow_larder.features.packing.smaller import next_smaller
from yellow_larder.reference import containers

POWDER = Ask(
    line="400 g onion powder", container="jar-quart", closing=Closing.ABSORBER, horizon_years=5, conditioned=True
)


def of_openings(larder: Larder, ask: Ask) -> list[Finding]:
    found = plan(larder, ask).verdict.findings
    return [each for each in found if each.figures.startswith("at that pace a ")]


@pytest.mark.parametrize("container", containers().values(), ids=list(containers()))
def test_one_size_smaller_is_smaller_and_closed_alike(container) -> None:  # type: ignore[no-untyped-def]
    smaller = next_smaller(container)
    if smaller is None:
        return
    assert closed_volume_ml(smaller) < closed_volume_ml(container)
    assert (smaller.kind, smaller.closings, smaller.mouth) == (container.kind, container.closings, container.mouth)


@pytest.mark.parametrize("opened", [Opened.WEEKLY, Opened.DAILY])
def test_what_openings_cost_is_told_with_what_a_smaller_one_would_do(larder: Larder, opened: Opened) -> None:
    place = add_place(larder, NewPlace("Kitchen", mean_c=21, warmest_c=24, humidity=0.7))
    shut = Ask(
        line=POWDER.line,
        container="jar-quart",
        closing=Closing.ABSORBER,
        horizon_years=5,
        conditioned=True,
        place=place,
    )
    asked = Ask(**{name: getattr(shut, name) for name in shut.__slots__} | {"opened": opened})
    assert of_openings(larder, shut) == []
    found = of_openings(larder, asked)
    assert found, [each.says for each in plan(larder, asked).verdict.findings]
    assert all("pint jar is empty in " in each.figures for each in found)


def test_openings_change_oxygen_moisture_and_best_by(larder: Larder) -> None:
    """Daily is worse than weekly, and weekly than never: for each of the curves and for the best-by."""
    place = add_place(larder, NewPlace("Kitchen", mean_c=21, warmest_c=24, humidity=0.75))
    plans = [
        plan(
            larder,
            Ask(line="400 g onion powder", container="jar-quart", closing=Closing.ABSORBER, place=place, opened=opened),
        )
        for opened in Opened
    ]
    days = [each.best_by.chosen for each in plans]
    assert all(day is not None for day in days)
    assert days[0] > days[1] >= days[2]  # type: ignore[operator]
    oxygen = [next(point.likely for point in each.air.course if point.days > 300) for each in plans if each.air]
    assert oxygen[0] < oxygen[1] <= oxygen[2]
    moist = [each.moisture.course[-1].likely for each in plans if each.moisture]
    assert moist[0] < moist[1] < moist[2]
