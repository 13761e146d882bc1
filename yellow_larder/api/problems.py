"""Refusals as problem details (RFC 9457), each by the field it belongs to."""

from __future__ import annotations

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from pydantic import BaseModel, Field

from yellow_larder.larder.refusals import NotThere, Refused


class FieldProblem(BaseModel):
    """What is wrong with one field, and what would be right."""

    field: str = Field(examples=["line"])
    message: str = Field(examples=["“perl barlee” is not in the table"])
    nearest: list[str] = Field(default=[], examples=[["pearl barley", "hulled barley"]])


class Problem(BaseModel):
    """A refusal; nothing was saved."""

    type: str = Field(default="about:blank")
    title: str = Field(examples=["That does not go"])
    status: int = Field(examples=[422])
    detail: str
    errors: list[FieldProblem] = []


REFUSALS: dict[int | str, dict[str, object]] = {
    code: {"model": Problem, "description": text, "content": {"application/problem+json": {}}}
    for code, text in ((404, "It is not there, or no longer"), (422, "Something typed cannot be done"))
}

_IN_WORDS = {
    "missing": "This is needed",
    "string_too_long": "That is too long",
    "enum": "Pick one of those on offer",
    "literal_error": "Pick one of those on offer",
    "json_invalid": "The request is not JSON",
}


def add_problem_handlers(app: FastAPI) -> None:
    """Answer every refusal as problem details."""
    app.add_exception_handler(Refused, _refused)
    app.add_exception_handler(RequestValidationError, _not_valid)


def problem(status: int, title: str, detail: str, errors: list[FieldProblem] | None = None) -> JSONResponse:
    """A problem-details answer."""
    body = Problem(title=title, status=status, detail=detail, errors=errors or [])
    return JSONResponse(body.model_dump(), status_code=status, media_type="application/problem+json")


async def _refused(_request: Request, error: Exception) -> JSONResponse:
    assert isinstance(error, Refused)
    status = 404 if isinstance(error, NotThere) else 422
    field = FieldProblem(field=error.field, message=error.message, nearest=list(error.nearest))
    return problem(status, "That does not go", error.message, [field])


async def _not_valid(_request: Request, error: Exception) -> JSONResponse:
    assert isinstance(error, RequestValidationError)
    # Only the place and the kind of each mistake: what was typed may be megabytes.
    errors = []
    for each in error.errors():
        names = [str(part) for part in each["loc"] if part not in ("body", "query", "path", "ask")]
        kind = str(each["type"])
        words = _IN_WORDS.get(kind) or (
            "Write a number" if kind.startswith(("float", "int")) else str(each["msg"])[:120]
        )
        if kind.startswith("date"):
            words = "Write a day such as 2026-11-24"
        errors.append(FieldProblem(field=names[0] if names else "request", message=words))
    return problem(422, "That does not go", errors[0].message if errors else "It cannot be read", errors)
