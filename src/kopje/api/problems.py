"""The only place that picks a status. Every refusal is answered as problem+json (RFC 9457)."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from typing import Any

import structlog
from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from sqlalchemy.exc import DataError, IntegrityError, InterfaceError, OperationalError
from starlette.exceptions import HTTPException

from kopje.api.schemas.base import Read
from kopje.core import errors
from kopje.core.reasons import Reason, because
from kopje.core.rights import OPEN
from kopje.core.sequence.concepts import Sequence as Concepts
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from kopje.settings import Settings
from kopje.words import Words, catalogue

STATUS: dict[type[errors.KopjeError], int] = {
    errors.PitchError: 422,
    errors.MeterError: 422,
    errors.TuneError: 422,
    errors.SongQuestionError: 422,
    errors.RecordingError: 422,
    errors.PracticeError: 422,
    errors.TextureError: 422,
    errors.AskError: 422,
    errors.ReportError: 422,
    errors.LedgerRuleError: 422,
    errors.ConceptError: 422,
    errors.SequenceError: 422,
    errors.WordingError: 422,
    errors.CalendarError: 422,
    errors.MarkError: 409,
    errors.PlanError: 409,
    errors.LessonError: 409,
    errors.StaleError: 409,
    errors.StaleWriteError: 409,
    errors.BusyError: 409,
    errors.EventError: 409,
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
    errors.BackupError: 409,
    errors.NotAllowedError: 403,
}
DISK_FULL = "53100"  # SQLSTATE
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


def words_of(settings: Settings, sequence: Concepts = SO_MI_FIRST) -> Words:
    return Words(catalogue(settings.language, settings.locales), sequence)


def _words(request: Request) -> Words:
    """In the school's own words where it is known by now whose request it is."""
    settings: Settings = request.app.state.services.settings
    return words_of(settings, getattr(request.state, "sequence", SO_MI_FIRST))


def _said(request: Request, status: int, code: str, said: str) -> JSONResponse:
    return problem(status, code, _words(request).word(said))


async def _refused(request: Request, error: Exception) -> JSONResponse:
    if not isinstance(error, errors.KopjeError):
        raise error
    answer = problem(STATUS[_kind(error)], error.code, _words(request).refusal(error))
    if isinstance(error, errors.SignInSlowedError):
        answer.headers["Retry-After"] = str(error.value)
    return answer


def _kind(error: errors.KopjeError) -> type[errors.KopjeError]:
    """The class that the table names: a room's own refusal is a kind of one of the core's."""
    return next(one for one in type(error).__mro__ if one in STATUS)


async def _invalid(request: Request, error: Exception) -> JSONResponse:
    if not isinstance(error, RequestValidationError):
        raise error
    words, reasons = _words(request), []
    for one in error.errors():
        where = ".".join(map(str, one["loc"]))
        reasons.append(
            {
                "code": one["type"],
                "subject": where,
                "sentence": words.word("field_wrong", field=where, why=_why(one["type"], one.get("ctx", {}))),
            }
        )
    return problem(422, "request_invalid", words.word("request_invalid"), reasons)


def _why(kind: str, limits: Mapping[str, Any]) -> Reason:
    """What is wrong with a field, from what the schema's own check calls it; the page says the same at the
    field (web/src/api/rules.ts)."""
    least = limits.get("min_length", limits.get("ge", limits.get("gt")))
    most = limits.get("max_length", limits.get("le", limits.get("lt")))
    if kind == "missing" or (kind.endswith("too_short") and least == 1):
        return because("field_missing")
    if kind == "extra_forbidden":
        return because("field_unknown")
    if kind.endswith("too_long"):
        return because("field_long", most=int(most or 0))
    if kind.endswith("too_short"):
        return because("field_short", least=int(least or 0))
    if kind.startswith("greater"):
        return because("field_from", least=int(least or 0))
    if kind.startswith("less"):
        return because("field_to", most=int(most or 0))
    return because("field_form")


async def _no_answer(request: Request, error: Exception) -> JSONResponse:
    if _met(error):
        return await _meanwhile(request, error)
    log.error("database", path=request.url.path, exc_info=error)
    code = "disk_full" if _state(error) == DISK_FULL else "database_silent"
    answer = _said(request, 503, code, code)
    answer.headers["Retry-After"] = "2"
    return answer


def _state(error: Exception) -> str:
    """What PostgreSQL calls it (SQLSTATE); empty where the server said nothing."""
    return getattr(getattr(error, "orig", None), "sqlstate", None) or ""


def _met(error: Exception) -> bool:
    """Whether two transactions met, so that one of them has to come again."""
    return _state(error) in ("40001", "40P01")


async def _meanwhile(request: Request, _: Exception) -> JSONResponse:
    """Somebody else did the same at this moment: a key that is there by now, or two that waited for each
    other."""
    return _said(request, 409, "changed_meanwhile", "changed_meanwhile")


async def _unkeepable(request: Request, __: Exception) -> JSONResponse:
    return _said(request, 422, "unkeepable", "unkeepable")


async def _unexpected(request: Request, error: Exception) -> JSONResponse:
    log.error("unexpected", path=request.url.path, exc_info=error)
    return _said(request, 500, "unexpected", "unexpected")


async def _not_served(request: Request, error: Exception) -> JSONResponse:
    """What the framework itself refuses: no such address or method, a body that is no text."""
    if not isinstance(error, HTTPException):
        raise error
    return _said(request, error.status_code, "not_served", "request_not_served")


def answers(*media: str) -> dict[int | str, dict[str, Any]]:
    """For routes that answer with a file: of which kinds it may be."""
    bytes_ = {"schema": {"type": "string", "format": "binary"}}
    return {200: {"content": {kind: {} if kind == "application/json" else bytes_ for kind in media}}}


def install(app: FastAPI) -> None:
    app.add_exception_handler(HTTPException, _not_served)
    app.add_exception_handler(errors.KopjeError, _refused)
    app.add_exception_handler(RequestValidationError, _invalid)
    app.add_exception_handler(IntegrityError, _meanwhile)
    app.add_exception_handler(OperationalError, _no_answer)
    app.add_exception_handler(InterfaceError, _no_answer)
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


REFUSED = {
    401: "Nobody is signed in",
    403: "The request does not come from Kopje's own page, or whoever is signed in may not do this",
    404: "There is no such thing in this school",
    409: "It collides with what is there, or with what changed meanwhile; nothing was changed",
    413: "The file is too large; nothing was kept",
    422: "Something in the request is not as it should be; nothing was kept",
    429: "Too many wrong tries; wait as `Retry-After` says",
    503: "The database does not answer",
}
SIGNING_IN = "signIn"
WAIT = (SIGNING_IN, "newProjector")  # may be asked to wait
LOOKS_UP = ("projectorFrame", "pairProjector")  # by what is not in the path


def _refused_with(method: str, operation: dict[str, Any]) -> Iterator[int]:
    """The statuses an operation may be refused with, from what it is given."""
    where = {parameter["in"] for parameter in operation.get("parameters", ())}
    sent = operation.get("requestBody", {}).get("content", {})
    if operation["operationId"] not in OPEN or operation["operationId"] == SIGNING_IN:
        yield 401
    if operation["operationId"] not in OPEN or method != "get":
        yield 403
    if method != "get":
        yield 409
    if "path" in where or operation["operationId"] in LOOKS_UP:
        yield 404
    if "multipart/form-data" in sent:
        yield 413
    if where or sent:
        yield 422
    if operation["operationId"] in WAIT:
        yield 429
    yield 503


def _with_refusals(schema: dict[str, Any]) -> dict[str, Any]:
    """Every operation says how it may be refused; the framework's own word for it is not ours."""
    described = schema.setdefault("components", {}).setdefault("schemas", {})
    described["Refusal"] = Refusal.model_json_schema()
    for name in ("HTTPValidationError", "ValidationError"):
        described.pop(name, None)
    content = {"application/problem+json": {"schema": {"$ref": "#/components/schemas/Refusal"}}}
    for operations in schema["paths"].values():
        for method, operation in operations.items():
            operation["responses"].pop("422", None)
            for status in _refused_with(method, operation):
                operation["responses"][str(status)] = {"description": REFUSED[status], "content": content}
            operation["responses"]["default"] = {"description": "Refused", "content": content}
    return schema
