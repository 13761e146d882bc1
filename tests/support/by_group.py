"""The foods of the table in their groups: a law over every food is a test for each group, and not six hundred."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterable
from typing import TYPE_CHECKING

import pytest

if TYPE_CHECKING:
    from _pytest.mark import ParameterSet

    from yellow_larder.core.food import Food


def by_group(foods: Iterable[Food]) -> list[ParameterSet]:
    """A parameter for each group of the table: what is in it, in the order of the table."""
    groups: defaultdict[str, list[Food]] = defaultdict(list)
    for food in foods:
        groups[food.group].append(food)
    return [pytest.param(of, id=group) for group, of in groups.items()]
