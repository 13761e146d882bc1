"""Refusals as problem details (RFC 9457), each by the field it belongs to."""

from __future__ import annotations

import sqlite3
from typing import Any

from fastapi import FastAPI, Request
from fastapi.encoders import jsonable_encoder
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from pydantic import BaseModel, Field
from sqlalchemy.exc import DBAPIError
from starlette.exceptions import HTTPException

from yellow_larder.core.errors import Refusal
from yellow_larder.features.household.larder import current_settings
from yellow_larder.words.errors import NotThere, Outdated, Refused
from yellow_larder.words.refusals import in_words, plain_number


class FieldProblem(BaseModel):
    """What is wrong with one field, and what would be right."""

    field: str = Field(examples=["line"])
    message: str = Field(examples=["“perl barlee” is not in the table"])
    words: str = Field(default="", examples=["perl barlee"])
    nearest: list[str] = Field(default=[], examples=[["pearl barley", "hulled barley"]])
    code: str = Field(default="", examples=["unknown-food"])


class Problem(BaseModel):
    """A refusal; nothing was saved.

    If what was to be changed was changed since, `now` is what it is now, and `version` what a change of it is based on.
    """

    type: str = Field(default="about:blank")
    title: str = Field(examples=["That can't be done"])
    status: int = Field(examples=[422])
    detail: str
    errors: list[FieldProblem] = []
    now: Any = None
    version: int | None = None


REFUSALS: dict[int | str, dict[str, object]] = {
    code: {"model": Problem, "description": text, "content": {"application/problem+json": {}}}
    for code, text in (
        (404, "Not found"),
        (409, "It was changed since it was shown"),
        (422, "Something typed cannot be done"),
    )
}

_IN_WORDS = {
    "missing": "This is needed",
    "string_too_long": "That is too long",
    "enum": "Choose one of these",
    "literal_error": "Choose one of these",
    "string_type": "Write it as text",
    "bool_type": "Say true or false",
    "bool_parsing": "Say true or false",
    "list_type": "That is to be a list",
    "tuple_type": "That is to be a list",
    "dict_type": "That has fields, each with a name",
    "dataclass_type": "That has fields, each with a name",
    "json_invalid": "The request is not JSON",
    "json_type": "The request is not JSON",
}

_LIMITS = (
    ("ge", "The least is"),
    ("gt", "It must be more than"),
    ("le", "The most is"),
    ("lt", "It must be less than"),
    ("max_length", "At the most"),
    ("min_length", "At the least"),
)

_DISK: dict[int, tuple[int, str, str]] = {
    sqlite3.SQLITE_FULL: (507, "The disk is full", "The disk is full, and nothing was saved. Free some space"),
    sqlite3.SQLITE_IOERR: (507, "The disk does not answer", "The disk cannot be written, and nothing was saved"),
    sqlite3.SQLITE_READONLY: (507, "The disk is read-only", "The larder’s file cannot be written: nothing was saved"),
    sqlite3.SQLITE_CANTOPEN: (507, "The file is gone", "The larder’s file cannot be opened: nothing was saved"),
    sqlite3.SQLITE_CORRUPT: (
        500,
        "The larder’s file is damaged",
        "The larder’s file is damaged, and nothing was saved. Stop it, and restore the newest copy",
    ),
    sqlite3.SQLITE_BUSY: (503, "The larder is busy", "Another program holds the larder’s file: nothing was saved"),
}
"""What a person is told when the disk is the trouble, by SQLite's primary result code (sqlite.org/rescode.html)."""


def add_problem_handlers(app: FastAPI) -> None:
    """Answer every refusal as problem details."""
    app.add_exception_handler(Refusal, _refused)
    app.add_exception_handler(RequestValidationError, _not_valid)
    app.add_exception_handler(HTTPException, _not_found)
    app.add_exception_handler(DBAPIError, _disk)


def problem(
    status: int,
    title: str,
    detail: str,
    errors: list[FieldProblem] | None = None,
    *,
    now: object = None,
    version: int | None = None,
) -> JSONResponse:
    """A problem-details answer."""
    body = Problem(title=title, status=status, detail=detail, errors=errors or [], now=now, version=version)
    return JSONResponse(jsonable_encoder(body), status_code=status, media_type="application/problem+json")


async def _refused(request: Request, error: Exception) -> JSONResponse:
    assert isinstance(error, Refusal)
    if not isinstance(error, Refused):
        error = in_words(error, current_settings(request.app.state.larder).units)
    field = FieldProblem(
        field=error.field, message=error.message, words=error.words, nearest=list(error.nearest), code=error.code
    )
    if isinstance(error, Outdated):
        return problem(409, "Changed since", error.message, [field], now=error.now, version=error.version)
    status, title = (404, "Not found") if isinstance(error, NotThere) else (422, "That can't be done")
    return problem(status, title, error.message, [field])


async def _not_found(_request: Request, error: Exception) -> JSONResponse:
    """What the framework itself refuses: an address that is none, a way of asking that does not exist."""
    assert isinstance(error, HTTPException)
    detail = {404: "There is nothing at this address", 405: "That cannot be done at this address"}
    return problem(error.status_code, "Not found", detail.get(error.status_code, "The request cannot be read"))


async def _disk(_request: Request, error: Exception) -> JSONResponse:
    assert isinstance(error, DBAPIError)
    code = getattr(error.orig, "sqlite_errorcode", 0) & 0xFF
    if code not in _DISK:
        raise error
    status, title, detail = _DISK[code]
    return problem(status, title, detail, [FieldProblem(field="request", message=detail)])


async def _not_valid(_request: Request, error: Exception) -> JSONResponse:
    assert isinstance(error, RequestValidationError)
    # Only the place and the kind of each mistake: what was typed may be megabytes.
    errors = []
    for each in error.errors():
        names = [str(part) for part in each["loc"] if part not in ("body", "query", "path", "header", "ask")]
        errors.append(FieldProblem(field=(names[0] if names else "request")[:80], message=_in_words(each)))
    return problem(422, "That can't be done", errors[0].message if errors else "It cannot be read", errors)


def _in_words(mistake: dict[str, Any]) -> str:
    """What is wrong with a field, and what would be right."""
    kind, limits = str(mistake["type"]), mistake.get("ctx", {})
    if kind in _IN_WORDS:
        return _IN_WORDS[kind]
    if kind.startswith("date"):
        return "Write a day such as 2026-11-24"
    for name, words in _LIMITS:
        if name in limits:
            limit = limits[name]
            return f"{words} {plain_number(limit) if isinstance(limit, int | float) else limit}"
    if kind.startswith("int"):
        return "Write a whole number, such as 12"
    return "Write a number, such as 2.5" if kind.startswith("float") else "That cannot be read"
