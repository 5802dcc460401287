"""Wires everything: settings, database, engraver, routes, the shipped page."""

from __future__ import annotations

import asyncio
import gc
from collections.abc import AsyncIterator, Callable
from contextlib import asynccontextmanager
from datetime import datetime
from typing import Any

import structlog
from fastapi import APIRouter, Depends, FastAPI, Response
from fastapi.concurrency import run_in_threadpool
from fastapi.middleware.gzip import GZipMiddleware
from fastapi.responses import FileResponse, HTMLResponse
from fastapi.staticfiles import StaticFiles
from sqlalchemy.exc import SQLAlchemyError
from starlette.datastructures import MutableHeaders
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from kopje import logs
from kopje.api import operating, problems
from kopje.api.deps import Services, Teacher, same_origin
from kopje.api.doors import Bodies, Hosts
from kopje.api.operating import Traced
from kopje.api.problems import words_of
from kopje.api.routes import (
    activities,
    adults,
    asked,
    children,
    events,
    exercises,
    instruments,
    keeping,
    lesson_sets,
    lessons,
    lines,
    people,
    practice,
    privacy,
    projectors,
    recordings,
    roster,
    rules,
    seats,
    sections,
    sequence,
    songbook,
    songs,
    year,
)
from kopje.engraving.printing import Printer
from kopje.engraving.render import Engraver
from kopje.settings import Settings
from kopje.store.notices import Notices
from kopje.store.places import backups_folder
from kopje.store.work import UnitOfWork
from kopje.usecases.setup.backups import Backups
from kopje.usecases.setup.privacy import keep_to_times
from kopje.usecases.setup.start_up import bring_up_to_date, readers_loaded, solvers_loaded
from kopje.workers import Worker

FIRST_LOOK_AT_BACKUPS, LOOK_AT_BACKUPS = 10, 300  # seconds
READING_SECONDS, READING_MEMORY = 4, 1 << 30  # of processor time; bytes of address space
log = structlog.get_logger()
SECURITY = {
    "Content-Security-Policy": "default-src 'self'; img-src 'self' data:; media-src 'self' blob:; "
    "object-src 'none'; "
    "base-uri 'none'; frame-ancestors 'none'; form-action 'self'",
    "X-Content-Type-Options": "nosniff",
    "Referrer-Policy": "same-origin",
    "Cross-Origin-Opener-Policy": "same-origin",
}


OFFLINE = {  # what keeps the page going without a network; asked for anew each time
    "sw.js": "text/javascript",
    "manifest.webmanifest": "application/manifest+json",
}


def create_app(
    settings: Settings,
    work: UnitOfWork,
    engraver: Engraver | None = None,
    printer: Printer | None = None,
    solver: Worker | None = None,
    daily: Backups | None = None,
    reader: Worker | None = None,
    first_code: str | None = None,
) -> FastAPI:
    """The application on a database; the workers that draw and solve start with it, the one that prints when
    it is needed. `daily`: backups that are made by themselves; `first_code` is asked for on the first run."""
    logs.configure(settings.log_level)
    drawing, printing = engraver or Engraver(), printer or Printer(settings.web / "assets")
    solving, reading = solver or Worker(), reader or Worker(READING_SECONDS, READING_MEMORY)

    notices = Notices(work)

    @asynccontextmanager
    async def lifespan(_: FastAPI) -> AsyncIterator[None]:
        drawing.start()
        solving.warm(solvers_loaded)
        reading.warm(readers_loaded)
        bring_up_to_date(work, settings.now())
        gc.collect()
        gc.freeze()  # what is loaded now stays; fewer and shorter pauses in long grids
        gc.set_threshold(50_000, 20, 50)
        looking = asyncio.create_task(_day_by_day(daily, settings.now)) if daily else None
        listening = asyncio.create_task(notices.listen())
        yield
        listening.cancel()
        if looking:
            looking.cancel()
        drawing.stop()
        printing.stop()
        solving.stop()
        reading.stop()

    app = FastAPI(
        title="Kopje",
        version="0.1.0",
        lifespan=lifespan,
        docs_url=None,
        redoc_url=None,
        openapi_url=None,
        separate_input_output_schemas=False,
    )
    backups = daily or Backups(work, backups_folder(settings.data))
    app.state.services = Services(
        settings, work, drawing, printing, solving, backups, reading, notices, first_code
    )
    app.add_middleware(GZipMiddleware, minimum_size=600, compresslevel=6)
    words = words_of(settings)

    def refuse(status: int, code: str) -> Response:
        return problems.problem(status, code, words.word(code))

    app.add_middleware(Bodies, refuse=refuse)
    app.add_middleware(Hosts, names=settings.known_as, refuse=refuse)
    app.add_middleware(Secured)
    app.add_middleware(Traced)
    api = APIRouter(prefix="/api", dependencies=[Depends(same_origin)])
    for module in (
        people,
        adults,
        sections,
        asked,
        children,
        practice,
        instruments,
        songbook,
        songs,
        recordings,
        lessons,
        lesson_sets,
        activities,
        events,
        year,
        roster,
        rules,
        exercises,
        lines,
        seats,
        sequence,
        keeping,
        privacy,
        projectors,
    ):
        api.include_router(module.router)
    api.include_router(asked.exports)
    app.include_router(api)
    app.include_router(operating.router)
    problems.install(app)

    @app.get("/api/openapi.json", include_in_schema=False, operation_id="schema")
    def schema(_: Teacher) -> dict[str, Any]:
        """For those who are signed in."""
        return app.openapi()

    _serve_page(app, settings)
    return app


async def _day_by_day(backups: Backups, now: Callable[[], datetime]) -> None:
    """Whether a backup is due, and whose time is over, is looked at again and again: a laptop sleeps, and its
    clock jumps. A child is erased before the day's backup is made."""
    await asyncio.sleep(FIRST_LOOK_AT_BACKUPS)
    while True:
        try:
            await run_in_threadpool(keep_to_times, backups.work, backups, now())
            await run_in_threadpool(backups.daily)
        except SQLAlchemyError as problem:
            log.error("backup_not_looked_at", exc_info=problem)
        await asyncio.sleep(LOOK_AT_BACKUPS)


class Secured:
    """Adds the safety headers to every answer, and says what may be kept."""

    def __init__(self, app: ASGIApp) -> None:
        self.app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        async def secured(message: Message) -> None:
            if message["type"] == "http.response.start":
                headers = MutableHeaders(scope=message)
                for name, value in SECURITY.items():
                    headers.setdefault(name, value)
                if scope["path"].startswith("/api/"):
                    headers.setdefault("Cache-Control", "no-store")
                elif scope["path"].startswith("/assets/"):
                    headers["Cache-Control"] = "public, max-age=31536000, immutable"
            await send(message)

        await self.app(scope, receive, secured if scope["type"] == "http" else send)


def _serve_page(app: FastAPI, settings: Settings) -> None:
    if not settings.web.exists():
        return
    app.mount("/assets", StaticFiles(directory=settings.web / "assets"), name="assets")
    if (settings.web / "sounds").exists():
        app.mount("/sounds", StaticFiles(directory=settings.web / "sounds"), name="sounds")

    # The page learns from its own first line which language this Kopje speaks.
    spoken = (
        (settings.web / "index.html")
        .read_text("utf-8")
        .replace('lang="en"', f'lang="{settings.language}"', 1)
    )

    @app.get("/{path:path}", include_in_schema=False, response_model=None)
    def page(path: str) -> Response:
        if path.startswith("api/"):
            return problems.problem(404, "not_served", words_of(settings).word("no_such_address"))
        if path in ("favicon.svg", "NOTICES.txt"):
            return FileResponse(settings.web / path)
        if path in OFFLINE and (settings.web / path).exists():
            return FileResponse(
                settings.web / path, media_type=OFFLINE[path], headers={"Cache-Control": "no-cache"}
            )
        if path == "locales/page.ftl":
            return FileResponse(
                settings.locales / settings.language / "page.ftl", media_type="text/plain; charset=utf-8"
            )
        return HTMLResponse(spoken, headers={"Cache-Control": "no-cache"})
