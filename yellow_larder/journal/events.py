"""Events: typed, versioned facts. The journal keeps each as a name, a version and JSON, and knows no more of it.

A feature says what can happen to its subjects by registering a frozen dataclass for it. What an older version wrote is
lifted to today's shape when it is read; the file is never rewritten. What nobody registered is an error that says so.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, fields, is_dataclass
from typing import Any, TypeVar

from pydantic import TypeAdapter, ValidationError

Facts = dict[str, Any]
"""An event as JSON has it."""

GONE = "removed"
"""The act that takes a subject away; its journal stays."""

REREAD = "read anew"
"""The act that reads a record's words anew, once somebody has said what they mean: nobody has written in it."""

RESERVED = "reserved"
"""The act that keeps a number for something that is not there yet: a label printed before the bag is filled."""


class Event:
    """Something that happened to one subject: figures, keys and codes, never a sentence."""

    __slots__ = ()

    @property
    def attachment(self) -> int | None:
        """The number of what came with it and is too large for the journal; most have none."""
        return None


@dataclass(frozen=True, slots=True)
class Removed(Event):
    """A subject is taken away; what happened to it stays in the journal."""

    of_kind: str


@dataclass(frozen=True, slots=True)
class Reserved(Event):
    """A number is kept for a subject that is still to come."""

    of_kind: str


class UnknownEvent(Exception):
    """The journal tells of something that this version knows nothing of: it was written by a newer one."""

    def __init__(self, kind: str, act: str, version: int, why: str = "") -> None:
        self.kind, self.act, self.version = kind, act, version
        because = f"; {why}" if why else "; a newer one wrote it"
        super().__init__(f"{kind}: “{act}”, version {version}, is nothing that this version knows of{because}")


@dataclass(frozen=True, slots=True)
class EventType:
    """How one class of events is kept.

    Attributes:
        of: the class.
        kind: the kind of subject it happens to.
        acts: what it can be: one thing, or several that are told alike.
        version: of its facts.
    """

    of: type[Event]
    kind: str
    acts: tuple[str, ...]
    version: int


Lift = Callable[[Facts], Facts]
"""Takes the facts of one version to those of the next."""

_BY_CLASS: dict[type[Event], EventType] = {}
_BY_NAME: dict[tuple[str, str], EventType] = {}
_LIFTS: dict[tuple[str, str, int], Lift] = {}

_E = TypeVar("_E", bound=Event)


def event(kind: str, *acts: str, version: int = 1) -> Callable[[type[_E]], type[_E]]:
    """Register a frozen dataclass as what can happen to a kind of subject.

    Args:
        kind: the kind of subject.
        acts: the name of the act; several where they are told alike.
        version: of its facts; one more whenever their shape changes, with a lift from the one before.
    """

    def register(of: type[_E]) -> type[_E]:
        if not is_dataclass(of):
            raise TypeError(f"{of.__name__} is no dataclass")
        known = EventType(of, kind, acts, version)
        twice = [act for act in acts if (kind, act) in _BY_NAME]
        if twice:
            raise TypeError(f"{kind}: “{twice[0]}” is registered twice")
        _BY_CLASS[of] = known
        _BY_NAME.update({(kind, act): known for act in acts})
        return of

    return register


def lift(kind: str, *acts: str, version: int) -> Callable[[Lift], Lift]:
    """Register what takes the facts of a version of an event to the next one."""

    def register(lifted: Lift) -> Lift:
        for act in acts:
            _LIFTS[kind, act, version] = lifted
        return lifted

    return register


def event_types() -> list[EventType]:
    """Every class of events that is registered."""
    return list(_BY_CLASS.values())


def type_of(happened: Event) -> EventType:
    """How an event is kept."""
    if isinstance(happened, Removed):
        return EventType(Removed, happened.of_kind, (GONE,), 1)
    if isinstance(happened, Reserved):
        return EventType(Reserved, happened.of_kind, (RESERVED,), 1)
    return _BY_CLASS[type(happened)]


def written(happened: Event) -> Facts:
    """An event as the journal keeps it."""
    return {} if isinstance(happened, Removed | Reserved) else as_json(happened)


def read_event(kind: str, act: str, version: int, facts: Facts) -> Event:
    """An event as the journal kept it, lifted to today's shape.

    Raises:
        UnknownEvent: nobody knows what that is, or its facts are not what they should be.
    """
    if act == GONE:
        return Removed(kind)
    if act == RESERVED:
        return Reserved(kind)
    known = _BY_NAME.get((kind, act))
    if known is None:
        raise UnknownEvent(kind, act, version)
    if version > known.version:
        raise UnknownEvent(kind, act, version, f"it knows up to version {known.version}")
    for step in range(version, known.version):
        facts = _LIFTS[kind, act, step](facts)
    beyond = facts.keys() - _names_of(known.of)
    if beyond:
        raise UnknownEvent(kind, act, version, f"it has no “{min(beyond)}”")
    try:
        return from_json(known.of, facts)
    except ValidationError as error:
        first = error.errors()[0]
        where = ".".join(str(part) for part in first["loc"])
        raise UnknownEvent(kind, act, version, f"{where}: {first['msg']}") from error


_T = TypeVar("_T")


def as_json(value: object) -> Facts:
    """A dataclass as JSON keeps it: days and moments as text, codes as theirs."""
    found: Facts = _adapter(type(value)).dump_python(value, mode="json")
    return found


def from_json(of: type[_T], facts: Facts) -> _T:
    """A dataclass from what JSON kept.

    Raises:
        ValidationError: the facts are not of its shape.
    """
    found: _T = _adapter(of).validate_python(facts)
    return found


_ADAPTERS: dict[type[Any], TypeAdapter[Any]] = {}
_NAMES: dict[type[Any], frozenset[str]] = {}


def _adapter(of: type[Any]) -> TypeAdapter[Any]:
    # Made when it is first wanted: sixty of them would hold up the start.
    if of not in _ADAPTERS:
        _ADAPTERS[of] = TypeAdapter(of)
    return _ADAPTERS[of]


def _names_of(of: type[Any]) -> frozenset[str]:
    if of not in _NAMES:
        _NAMES[of] = frozenset(each.name for each in fields(of))
    return _NAMES[of]
