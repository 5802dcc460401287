"""The only place that picks a status. Every refusal is answered as problem+json (RFC 9457)."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

import structlog
from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from sqlalchemy.exc import DataError, OperationalError
from starlette.exceptions import HTTPException

from kopje.api.schemas.base import Read
from kopje.core import errors

STATUS: dict[type[errors.KopjeError], int] = {
    errors.PitchError: 422,
    errors.MeterError: 422,
    errors.TuneError: 422,
    errors.SongQuestionError: 422,
    errors.PracticeError: 422,
    errors.ConceptError: 422,
    errors.SequenceError: 422,
    errors.CalendarError: 422,
    errors.MarkError: 409,
    errors.PlanError: 409,
    errors.LessonError: 409,
    errors.FileError: 422,
    errors.FileUnsafeError: 422,
    errors.FileTooLargeError: 413,
    errors.EngravingError: 422,
    errors.NotFoundError: 404,
    errors.SignInError: 401,
    errors.SignInSlowedError: 429,
    errors.SignedOutError: 401,
    errors.ForgedRequestError: 403,
    errors.SetUpError: 409,
    errors.RosterError: 422,
}
log = structlog.get_logger()


def problem(status: int, code: str, detail: str, reasons: Sequence[dict[str, Any]] = ()) -> JSONResponse:
    body = {
        "type": f"about:blank#{code}",
        "title": detail,
        "status": status,
        "code": code,
        "reasons": list(reasons),
    }
    return JSONResponse(body, status, media_type="application/problem+json")


async def _refused(_: Request, error: Exception) -> JSONResponse:
    if not isinstance(error, errors.KopjeError):
        raise error
    answer = problem(STATUS[type(error)], error.code, error.message)
    if isinstance(error, errors.SignInSlowedError):
        answer.headers["Retry-After"] = str(error.value)
    return answer


async def _invalid(_: Request, error: Exception) -> JSONResponse:
    if not isinstance(error, RequestValidationError):
        raise error
    reasons = [
        {"code": one["type"], "subject": ".".join(map(str, one["loc"])), "sentence": one["msg"]}
        for one in error.errors()
    ]
    return problem(
        422, "request_invalid", "Something in the request is not as it should be. Nothing was kept.", reasons
    )


async def _no_answer(request: Request, error: Exception) -> JSONResponse:
    log.error("database", path=request.url.path, exc_info=error)
    said = "Kopje's database did not answer. Nothing was changed; what you marked stays on this device and is sent again."
    return problem(503, "database_silent", said)


async def _unkeepable(_: Request, __: Exception) -> JSONResponse:
    said = "A text holds a sign that cannot be kept, or a number is out of all bounds. Nothing was kept."
    return problem(422, "unkeepable", said)


async def _unexpected(request: Request, error: Exception) -> JSONResponse:
    log.error("unexpected", path=request.url.path, exc_info=error)
    said = (
        "Something went wrong in Kopje. Nothing was changed; try again, and tell whoever looks after Kopje."
    )
    return problem(500, "unexpected", said)


async def _not_served(_: Request, error: Exception) -> JSONResponse:
    """What the framework itself refuses: no such address or method, a body that is no text."""
    if not isinstance(error, HTTPException):
        raise error
    return problem(error.status_code, "not_served", f"{error.detail}. Nothing was kept.")


def answers(*media: str) -> dict[int | str, dict[str, Any]]:
    """For routes that answer with a file: of which kinds it may be."""
    bytes_ = {"schema": {"type": "string", "format": "binary"}}
    return {200: {"content": {kind: {} if kind == "application/json" else bytes_ for kind in media}}}


def install(app: FastAPI) -> None:
    app.add_exception_handler(HTTPException, _not_served)
    app.add_exception_handler(errors.KopjeError, _refused)
    app.add_exception_handler(RequestValidationError, _invalid)
    app.add_exception_handler(OperationalError, _no_answer)
    app.add_exception_handler(DataError, _unkeepable)
    app.add_exception_handler(Exception, _unexpected)
    described = app.openapi
    app.openapi = lambda: _with_refusals(described())  # type: ignore[method-assign]  # FastAPI's own way to say more


class Refusal(Read):
    """Why something was refused, what was kept, what to do (RFC 9457)."""

    type: str
    title: str
    status: int
    code: str
    reasons: list[dict[str, Any]]


def _with_refusals(schema: dict[str, Any]) -> dict[str, Any]:
    """Every operation may answer with a problem; the framework's own word for it is not ours."""
    described = schema.setdefault("components", {}).setdefault("schemas", {})
    described["Refusal"] = Refusal.model_json_schema()
    for name in ("HTTPValidationError", "ValidationError"):
        described.pop(name, None)
    refused = {"schema": {"$ref": "#/components/schemas/Refusal"}}
    for operations in schema["paths"].values():
        for operation in operations.values():
            operation["responses"].pop("422", None)
            operation["responses"]["default"] = {
                "description": "Refused",
                "content": {"application/problem+json": refused},
            }
    return schema
