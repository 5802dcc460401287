"""For whoever runs it: request ids, one log line a request, and whether it lives and is ready."""

from __future__ import annotations

import re
import time
import uuid

import structlog
from fastapi import APIRouter, Request
from fastapi.responses import JSONResponse
from sqlalchemy.exc import SQLAlchemyError
from starlette.datastructures import Headers, MutableHeaders
from starlette.types import ASGIApp, Message, Receive, Scope, Send

HEADER = "X-Request-ID"
SANE = re.compile(r"[A-Za-z0-9._-]{8,64}")
log = structlog.get_logger()
router = APIRouter(include_in_schema=False)


@router.get("/healthz")
def healthz() -> JSONResponse:
    """The process answers."""
    return JSONResponse({"ok": True})


@router.get("/readyz")
def readyz(request: Request) -> JSONResponse:
    """The database answers too: requests may be sent here."""
    try:
        request.app.state.services.work.ask()
    except SQLAlchemyError as problem:
        log.error("not_ready", exc_info=problem)
        return JSONResponse({"ok": False, "database": "silent"}, 503)
    return JSONResponse({"ok": True, "database": "answers"})


class Traced:
    """Gives every request an id (a proxy's, where it sends a sane one), says it back, and writes one line
    when it is over.

    Of the address only the path is written: what is typed into a search is not.
    """

    def __init__(self, app: ASGIApp) -> None:
        self.app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        given = Headers(scope=scope).get(HEADER, "")
        key = given if SANE.fullmatch(given) else uuid.uuid4().hex
        structlog.contextvars.bind_contextvars(request_id=key)
        start, status = time.perf_counter(), 500

        async def traced(message: Message) -> None:
            nonlocal status
            if message["type"] == "http.response.start":
                status = message["status"]
                MutableHeaders(scope=message)[HEADER] = key
            await send(message)

        try:
            await self.app(scope, receive, traced)
        finally:
            took = round(1000 * (time.perf_counter() - start), 1)
            log.info("request", method=scope["method"], path=scope["path"], status=status, ms=took)
            structlog.contextvars.clear_contextvars()
