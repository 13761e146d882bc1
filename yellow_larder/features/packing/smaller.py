"""What one size smaller would do: what is opened again and again keeps better in less at a time."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace

from yellow_larder.core.containers import Container, closed_volume_ml
from yellow_larder.core.days import say_span
from yellow_larder.core.finding import Finding
from yellow_larder.core.keeping import Course
from yellow_larder.core.packing import Case
from yellow_larder.features.catalog.containers import called
from yellow_larder.reference import containers
from yellow_larder.words.articles import a_or_an
from yellow_larder.words.quantities import Units

_OF_OPENINGS = frozenset({"opened-too-often", "never-without", "vacuum-goes", "goes-soft", "moisture-comes-in"})
"""What openings bring about, by the code of the finding."""


def next_smaller(container: Container) -> Container | None:
    """The next smaller container of its kind that is closed in the same ways; none if it is the smallest.

    Example:
        >>> from yellow_larder.reference import containers
        >>> next_smaller(containers()["jar-quart"]).key
        'jar-pint'

    Source: table of containers.
    """
    volume = closed_volume_ml(container)
    alike = [
        each
        for each in containers().values()
        if (each.kind, each.closings, each.film_mil, each.mouth)
        == (container.kind, container.closings, container.film_mil, container.mouth)
    ]
    smaller = [each for each in alike if closed_volume_ml(each) < 0.9 * volume]
    return max(smaller, key=closed_volume_ml, default=None)


def with_smaller(finding: Finding, case: Case, units: Units, smaller: Callable[[Container], Course | None]) -> Finding:
    """A finding; that which openings bring about says what one size smaller would do.

    Args:
        finding: what was found.
        case: the packing.
        units: the household's measures.
        smaller: what becomes of a container of another size, filled as full and opened as often; none if it cannot be.
    """
    if finding.code not in _OF_OPENINGS or not case.is_opened or finding.figures:
        return finding
    container = next_smaller(case.container)
    course = None if container is None else smaller(container)
    if container is None or course is None:
        return finding
    there = replace(case, course=course)
    # At the pace at which this one is to be emptied by the time it is wanted for.
    empty = case.days * course.of.mass_g / case.course.of.mass_g
    holds = there.moisture_ends[1] if finding.code in ("goes-soft", "moisture-comes-in") else there.oxygen_back_days
    does = (
        "which it holds for" if holds >= empty else f"but it holds for {say_span(holds)}" if holds > 0 else "no better"
    )
    return replace(
        finding, figures=f"at that pace {a_or_an(called(container, units))} is empty in {say_span(empty)}, {does}"
    )
