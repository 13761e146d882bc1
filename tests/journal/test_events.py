"""Events: named, typed, versioned; what nobody knows is an error that says so."""

from dataclasses import dataclass, fields, is_dataclass
from datetime import date
from typing import Any, get_type_hints

import pytest

from tests.support.old_files import PACKED
from yellow_larder.features.lots.events import LotCame, LotTaken, LotWeighed
from yellow_larder.features.packages.contained import Contained
from yellow_larder.features.packages.events import PackageMoved, PackagePacked
from yellow_larder.journal import events, log
from yellow_larder.journal.events import Event, UnknownEvent, event, event_types, read_event, written

REGISTERED = [known for known in event_types() if known.of.__module__.startswith("yellow_larder")]


def test_an_event_comes_back_as_it_was_written() -> None:
    came = LotCame("pearl-barley", 2500.0, date(2026, 11, 26), coins=420)
    assert read_event("lot", "came", 2, written(came)) == came
    assert written(came)["came_on"] == "2026-11-26"


@pytest.mark.parametrize(
    ("kind", "act", "version", "facts", "why"),
    [
        ("lot", "lent", 1, {}, "a newer one wrote it"),
        ("lot", "weighed", 2, {"mass_g": 1.0}, "it knows up to version 1"),
        ("lot", "weighed", 1, {"mass_g": 1.0, "to": "Anna"}, "it has no “to”"),
        ("lot", "weighed", 1, {}, "mass_g: Field required"),
        ("lot", "weighed", 1, {"mass_g": "a lot"}, "mass_g: Input should be a valid number"),
        ("spaceship", "launched", 1, {}, "a newer one wrote it"),
    ],
)
def test_what_nobody_knows_is_an_error_that_says_what(
    kind: str, act: str, version: int, facts: dict[str, Any], why: str
) -> None:
    with pytest.raises(UnknownEvent, match=why):
        read_event(kind, act, version, facts)


def test_of_what_is_told_alike_it_must_be_said_which() -> None:
    assert log.Act(1, LotTaken(5.0), "ground").name == "ground"
    with pytest.raises(ValueError, match="one of packed, ground"):
        _ = log.Act(1, LotTaken(5.0)).name
    with pytest.raises(ValueError, match="one of weighed"):
        _ = log.Act(1, LotWeighed(5.0), "eaten").name


def test_an_act_is_registered_once_and_by_a_dataclass() -> None:
    with pytest.raises(TypeError, match="twice"):

        @event("lot", "weighed")
        @dataclass(frozen=True, slots=True)
        class Again(Event):
            """A second one."""

    with pytest.raises(TypeError, match="no dataclass"):

        @event("lot", "sung to")
        class Sung(Event):
            """None at all."""


@pytest.mark.parametrize("known", REGISTERED, ids=lambda known: known.of.__name__)
def test_every_version_of_every_event_can_be_lifted_to_the_next(known: events.EventType) -> None:
    for act in known.acts:
        for version in range(1, known.version):
            assert (known.kind, act, version) in events._LIFTS


@pytest.mark.parametrize("known", REGISTERED, ids=lambda known: known.of.__name__)
def test_facts_are_typed_throughout(known: events.EventType) -> None:
    """Nothing in an event, however deep, is anything at all."""
    assert is_dataclass(known.of)
    seen: set[type] = set()

    def look(of: Any) -> None:
        hints = get_type_hints(of)
        for each in fields(of):
            assert "Any" not in str(hints[each.name]), f"{of.__name__}.{each.name}"
            for part in _parts(hints[each.name]):
                if is_dataclass(part) and isinstance(part, type) and part not in seen:
                    seen.add(part)
                    look(part)

    look(known.of)


def _parts(hint: Any) -> list[Any]:
    inside = getattr(hint, "__args__", ())
    return [hint, *(part for each in inside for part in _parts(each))]


def test_a_package_as_it_was_kept_before_is_lifted_whole() -> None:
    ageless = {"customary_days": None, "cautious_days": 3000.0, "packets": {"300": 1, "10 g gel": 2}}
    before = PACKED | ageless
    packed = read_event("package", "packed", 1, before)
    assert isinstance(packed, PackagePacked)
    what: Contained = packed.what
    assert [(each.food_key, each.mass_g) for each in what.contents] == [("pearl-barley", 2500.0)]
    assert what.packets == {"300": 1, "gel-10": 2}
    assert {estimate.value: (each.days, each.most) for estimate, each in what.lasts.items()} == {
        "cautious": (3000.0, 4000.0),
        "customary": (None, None),
        "hopeful": (10958.0, pytest.approx(14610.67, abs=0.01)),
    }
    assert (packed.batch, what.closed, what.override, what.draws_in) == (None, None, "", True)
    moved = read_event("package", "moved", 1, {"on": "2026-02-01", "place_id": 2, "shelf": 1})
    assert moved == PackageMoved(date(2026, 2, 1), 2, 1, None)
