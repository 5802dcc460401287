"""MEI to SVG, by verovio in a worker process with limits on time and memory (docs/adr/0003-engraving.md)."""

from __future__ import annotations

import resource
from collections import OrderedDict
from concurrent.futures import TimeoutError as FutureTimeoutError
from dataclasses import dataclass, field
from functools import cache
from hashlib import sha256
from re import DOTALL, sub
from threading import Lock

from pebble import ProcessExpired, ProcessPool

from kopje.core.errors import EngravingError

SECONDS = 2  # with the start of a new worker a request is held no longer than three
MOST_NOTES = 6_000  # beyond, drawing is not tried
MEMORY = 2 << 30
KEPT = 512
OPTIONS: dict[str, object] = {
    "adjustPageHeight": True, "breaks": "encoded", "footer": "none", "header": "none", "font": "Leland",
    "pageMarginBottom": 30, "pageMarginLeft": 10, "pageMarginRight": 10, "pageMarginTop": 30, "scale": 50,
    "svgViewBox": True, "svgRemoveXlink": True, "xmlIdSeed": 7, "lyricSize": 5.0, "spacingLinear": 0.32,
    "justifyVertically": False, "pageHeight": 60000, "svgHtml5": False, "minLastJustification": 0,
}  # fmt: skip


def _limit_memory() -> None:
    resource.setrlimit(resource.RLIMIT_AS, (MEMORY, MEMORY))


@cache
def _toolkit() -> object:
    import verovio

    verovio.enableLog(verovio.LOG_OFF)
    return verovio.toolkit()


def _draw(mei: str, width: int, encoded: bool, wall: bool) -> str:
    """In the worker: one page of SVG."""
    toolkit = _toolkit()
    words = {"lyricSize": 7.2} if wall else {}
    toolkit.setOptions({**OPTIONS, **words, "pageWidth": width, "breaks": "encoded" if encoded else "auto"})  # type: ignore[attr-defined]
    toolkit.loadData(mei)  # type: ignore[attr-defined]
    return str(toolkit.renderToSVG(1))  # type: ignore[attr-defined]


def _cleaned(svg: str) -> str:
    """Without the style element (the page's policy allows none inline); styles/score.css stands in for it.

    What is left takes the colour of the text around it.
    """
    svg = sub(r"<style.*?</style>", "", svg, flags=DOTALL)
    svg = sub(r"<(desc|title)[^>]*>.*?</\1>", "", svg, flags=DOTALL)
    return svg.replace('color="black"', "").replace('fill="black"', "").replace('overflow="visible"', "")


@dataclass
class Engraver:
    """One worker, replaced when it takes too long; pictures are kept by their content."""

    _pool: ProcessPool | None = None
    _kept: OrderedDict[str, str] = field(default_factory=OrderedDict)
    _lock: Lock = field(default_factory=Lock)

    def start(self) -> None:
        self._pool = ProcessPool(max_workers=1, initializer=_limit_memory)
        self._pool.schedule(_toolkit)

    def svg(self, mei: str, width: int = 2100, encoded: bool = False, wall: bool = False) -> str:
        """Engrave; `width` in tenths of a millimetre of the page, `encoded` keeps the line ends of the source,
        `wall` makes the words large enough to be read from six metres.
        """
        key = sha256(f"{width}/{encoded}/{wall}/{mei}".encode()).hexdigest()
        with self._lock:
            if key in self._kept:
                self._kept.move_to_end(key)
                return self._kept[key]
        if mei.count("<note") > MOST_NOTES:
            raise EngravingError("This song is too large to draw. Everything else about it works.")
        drawn = self._drawn(mei, width, encoded, wall)
        with self._lock:
            self._kept[key] = drawn
            while len(self._kept) > KEPT:
                self._kept.popitem(last=False)
        return drawn

    def _drawn(self, mei: str, width: int, encoded: bool, wall: bool) -> str:
        if self._pool is None:
            self.start()
        try:
            svg = self._pool.schedule(_draw, args=(mei, width, encoded, wall), timeout=SECONDS).result()  # type: ignore[union-attr]
        except (FutureTimeoutError, ProcessExpired, MemoryError) as problem:
            raise EngravingError(
                "This song is too large to draw. Everything else about it works."
            ) from problem
        if "<svg" not in svg:
            raise EngravingError("The notation could not be drawn. Everything else about the song works.")
        return _cleaned(svg)

    def stop(self) -> None:
        if self._pool is not None:
            self._pool.stop()  # type: ignore[no-untyped-call]
            self._pool.join(timeout=5)
            self._pool = None
