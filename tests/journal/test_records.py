"""What is read of records is kept while the program runs: so nothing of it may be changed by whoever holds it."""

import dataclasses
from collections.abc import Iterator
from typing import Any, get_args, get_origin, get_type_hints

import yellow_larder.api.app  # noqa: F401 - registers every kind
from yellow_larder.journal.kinds import all_kinds


def parts(of: Any, seen: set[Any]) -> Iterator[Any]:
    """Every type that a type is made of."""
    if of in seen:
        return
    seen.add(of)
    yield of
    inner = get_type_hints(of).values() if dataclasses.is_dataclass(of) else get_args(of)
    for each in inner:
        yield from parts(each, seen)


def test_what_a_record_holds_is_frozen() -> None:
    held = [kind.record for kind in all_kinds().values() if kind.record]
    found = {each for record in held for each in parts(record, set())}
    classes = {each for each in found if dataclasses.is_dataclass(each)}
    assert len(classes) >= len(held) > 10
    assert [each for each in classes if not each.__dataclass_params__.frozen] == []  # type: ignore[attr-defined]
    assert [each for each in found if (get_origin(each) or each) in (list, set, bytearray)] == []
