"""What a person would have been told."""

from __future__ import annotations

import re
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass

import pytest

from yellow_larder.core.errors import Refusal
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import Units
from yellow_larder.words.refusals import in_words


@dataclass(slots=True)
class Told:
    """What was refused, once it was."""

    value: Refused = None  # type: ignore[assignment]


@contextmanager
def refused(match: str = "", units: Units = Units.METRIC) -> Iterator[Told]:
    """Expect a refusal, of the core or of a field, as a person would read it."""
    told = Told()
    with pytest.raises(Refusal) as caught:
        yield told
    told.value = in_words(caught.value, units)
    assert re.search(match, str(told.value)), f"{told.value} does not say {match}"
