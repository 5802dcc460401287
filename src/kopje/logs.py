"""Logs: one JSON object a line, with the request's id, and never what a person is called or has typed."""

from __future__ import annotations

import logging
import sys
import traceback
from logging.handlers import RotatingFileHandler
from pathlib import Path
from types import TracebackType
from typing import Any

import structlog
from structlog.typing import EventDict, Processor

FILE, LONGEST, OLDER = "kopje.log", 2_000_000, 5
SHARED: tuple[Processor, ...] = (
    structlog.contextvars.merge_contextvars,
    structlog.stdlib.add_log_level,
    structlog.processors.TimeStamper("iso", utc=True),
)


def frames_only(_: Any, __: str, event: EventDict) -> EventDict:
    """An exception as its kind and the places it came through. Its own text is left out: what a database or
    a parser says of a row holds the row, and so a child's name."""
    given = event.pop("exc_info", None)
    error = sys.exc_info()[1] if given is True else given[1] if isinstance(given, tuple) else given
    if isinstance(error, BaseException):
        event["error"] = " < ".join(_kinds(error))
        event["frames"] = _frames(error.__traceback__)
    return event


def _kinds(error: BaseException) -> list[str]:
    found: list[str] = []
    link: BaseException | None = error
    while link is not None and len(found) < 5:
        found.append(type(link).__qualname__)
        link = link.__cause__ or link.__context__
    return found


def _frames(trace: TracebackType | None) -> list[str]:
    return [f"{one.filename}:{one.lineno} {one.name}" for one in traceback.extract_tb(trace)][-25:]


def configure(level: str = "warning") -> None:
    """For the whole process: our own log, and what the server and its libraries say."""
    structlog.configure(
        processors=[*SHARED, structlog.stdlib.ProcessorFormatter.wrap_for_formatter],
        wrapper_class=structlog.make_filtering_bound_logger(getattr(logging, level.upper())),
        logger_factory=structlog.stdlib.LoggerFactory(),
        cache_logger_on_first_use=False,
    )


def to_stderr(level: str, folder: Path | None = None) -> None:
    """Where the process is ours: everything goes out as JSON lines, and into a file of a folder, if one is
    told. The file is begun anew when it is long; so many older ones stay."""
    configure(level)
    lines = structlog.stdlib.ProcessorFormatter(
        foreign_pre_chain=list(SHARED),
        processors=[
            frames_only,
            structlog.stdlib.ProcessorFormatter.remove_processors_meta,
            structlog.processors.JSONRenderer(ensure_ascii=False),
        ],
    )
    handlers: list[logging.Handler] = [logging.StreamHandler(sys.stderr)]
    if folder is not None:
        folder.mkdir(mode=0o700, parents=True, exist_ok=True)
        handlers.append(RotatingFileHandler(folder / FILE, maxBytes=LONGEST, backupCount=OLDER, delay=True))
    for handler in handlers:
        handler.setFormatter(lines)
    root = logging.getLogger()
    root.handlers = handlers
    root.setLevel(level.upper())
    for name in ("uvicorn", "uvicorn.error", "uvicorn.access"):
        logging.getLogger(name).handlers = []
        logging.getLogger(name).propagate = True
