"""What is sent under a name that nobody asks for is refused: misspelt, it would be left out and nobody would know."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import fields, is_dataclass
from difflib import get_close_matches
from functools import cache
from typing import Annotated, Any, get_args, get_origin, get_type_hints

from fastapi import Request
from pydantic import BaseModel

from yellow_larder.words.errors import Refused


async def only_known_fields(request: Request) -> None:
    """Refuse a body that holds a field which the route knows nothing of.

    Raises:
        Refused: it does; the nearest of those that are known are named.
    """
    asked = getattr(request.scope["route"], "body_field", None)
    if asked is None or not await request.body():
        return
    try:
        said = await request.json()
    except (ValueError, RecursionError):
        return  # no JSON at all: whoever reads it next says so
    for name, known in unknown_fields(said, asked.field_info.annotation):
        near = get_close_matches(name, known, 3, 0.5)
        others = f"did you mean {_listed(near)}?" if near else f"there are {_listed(known)}"
        raise Refused(name[:80], f"Nothing here is called “{name[:80]}”: {others}", code="unknown-field")


def unknown_fields(said: Any, hint: Any) -> Iterator[tuple[str, list[str]]]:
    """Names in what was sent that its type has no field for, at any depth, each with those that it has.

    Args:
        said: what was sent, as JSON has it.
        hint: the type that it is read as.

    Example:
        >>> from yellow_larder.features.planning.diary import Written
        >>> list(unknown_fields([{"meal": 1, "eaters": 2}], list[Written]))
        [('eaters', ['meal', 'people', 'line'])]
        >>> list(unknown_fields({"2026-11-24": 3.5}, dict[str, float]))
        []
    """
    if hint is Any:
        return
    if isinstance(said, list):
        inner = next((get_args(each)[0] for each in _alternatives(hint) if get_args(each)), Any)
        for one in said:
            yield from unknown_fields(one, inner)
    elif isinstance(said, dict):
        for each in _alternatives(hint):
            known = _fields_of(each)
            if known is not None:
                yield from ((name, [*known]) for name in said if name not in known)
            for name, value in said.items():
                yield from unknown_fields(value, _any_name(each) if known is None else known.get(name, Any))


def _alternatives(hint: Any) -> list[Any]:
    """A type, or those that it may be one of."""
    if get_origin(hint) is Annotated:
        return _alternatives(get_args(hint)[0])
    if get_origin(hint) in (list, tuple, dict) or not get_args(hint):
        return [hint]
    return [one for each in get_args(hint) for one in _alternatives(each)]


@cache
def _fields_of(hint: Any) -> dict[str, Any] | None:
    """The fields that a type has, and their types; none for what takes any name."""
    if is_dataclass(hint):
        hints = get_type_hints(hint, include_extras=True)
        return {each.name: hints[each.name] for each in fields(hint)}
    if isinstance(hint, type) and issubclass(hint, BaseModel):
        return {each.alias or name: each.annotation for name, each in hint.model_fields.items()}
    return None


def _any_name(hint: Any) -> Any:
    """What stands under each name of what takes any."""
    return get_args(hint)[1] if get_origin(hint) is dict else Any


def _listed(names: list[str]) -> str:
    return ", ".join(f"“{name}”" for name in names) or "no fields"
