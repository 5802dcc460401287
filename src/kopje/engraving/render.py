"""MEI to SVG, by verovio in a worker process with limits on time and memory (docs/adr/0003-engraving.md)."""

from __future__ import annotations

from collections import OrderedDict
from dataclasses import dataclass, field
from functools import cache
from hashlib import sha256
from re import DOTALL, sub
from threading import Lock

from kopje.core.errors import EngravingError
from kopje.workers import Worker, WorkerLimitError

SECONDS = 2  # of processor time; with the start of a new worker a request is held no longer than three
MOST_NOTES = 6_000  # beyond, drawing is not tried
MEMORY = 2 << 30
KEPT = 512
OPTIONS: dict[str, object] = {
    "adjustPageHeight": True,
    "breaks": "encoded",
    "footer": "none",
    "header": "none",
    "font": "Leland",
    "pageMarginBottom": 30,
    "pageMarginLeft": 10,
    "pageMarginRight": 10,
    "pageMarginTop": 30,
    "scale": 50,
    "svgViewBox": True,
    "svgRemoveXlink": True,
    "xmlIdSeed": 7,
    "lyricSize": 5.0,
    "spacingLinear": 0.32,
    # words touch neither beams nor each other
    "justifyVertically": False,
    "lyricTopMinMargin": 3.0,
    "lyricWordSpace": 1.8,
    "pageHeight": 60000,
    "svgHtml5": False,
    "minLastJustification": 0,
}


CLOSE = {"pageMarginTop": 0, "pageMarginBottom": 0, "pageMarginLeft": 0, "pageMarginRight": 0}


@cache
def _toolkit() -> object:
    import verovio

    verovio.enableLog(verovio.LOG_OFF)
    return verovio.toolkit()


def _warmed() -> None:
    _toolkit()


@dataclass(frozen=True, slots=True)
class _Format:
    """`height` 0: one page as tall as it gets."""

    width: int
    encoded: bool
    wall: bool
    height: int = 0
    close: bool = False  # without margins, as small as it gets


def _draw(mei: str, how: _Format) -> tuple[str, ...]:
    """In the worker: pages of SVG."""
    toolkit = _toolkit()
    words = {"lyricSize": 7.2} if how.wall else {}
    breaks = "none" if how.close else "encoded" if how.encoded else "auto"
    page = {"pageHeight": how.height, "pageMarginLeft": 40} if how.height else CLOSE if how.close else {}
    toolkit.setOptions({**OPTIONS, **words, **page, "pageWidth": how.width, "breaks": breaks})  # type: ignore[attr-defined]
    toolkit.loadData(mei)  # type: ignore[attr-defined]
    return tuple(str(toolkit.renderToSVG(page)) for page in range(1, toolkit.getPageCount() + 1))  # type: ignore[attr-defined]


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

    _worker: Worker = field(default_factory=lambda: Worker(SECONDS, MEMORY))
    _kept: OrderedDict[str, tuple[str, ...]] = field(default_factory=OrderedDict)
    _lock: Lock = field(default_factory=Lock)

    def start(self) -> None:
        self._worker.warm(_warmed)

    def svg(self, mei: str, width: int = 2100, encoded: bool = False, wall: bool = False) -> str:
        """Engrave on one page; `width` in tenths of a millimetre of the page, `encoded` keeps the line ends
        of the source, `wall` makes the words large enough to be read from six metres."""
        return self._looked_up(mei, _Format(width, encoded, wall))[0]

    def strip(self, mei: str, width: int) -> str:
        """Engrave in one line without margins."""
        return self._looked_up(mei, _Format(width, False, False, close=True))[0]

    def pages(self, mei: str, width: int, height: int, encoded: bool = False) -> tuple[str, ...]:
        """Engrave on as many pages as are needed, none taller than `height`."""
        return self._looked_up(mei, _Format(width, encoded, False, height))

    def _looked_up(self, mei: str, how: _Format) -> tuple[str, ...]:
        key = sha256(f"{how}/{mei}".encode()).hexdigest()
        with self._lock:
            if key in self._kept:
                self._kept.move_to_end(key)
                return self._kept[key]
        if mei.count("<note") > MOST_NOTES:
            raise EngravingError("song_too_large_to_draw")
        drawn = self._drawn(mei, how)
        with self._lock:
            self._kept[key] = drawn
            while len(self._kept) > KEPT:
                self._kept.popitem(last=False)
        return drawn

    def _drawn(self, mei: str, how: _Format) -> tuple[str, ...]:
        try:
            pages = self._worker.run(_draw, mei, how)
        except WorkerLimitError as problem:
            raise EngravingError("song_too_large_to_draw") from problem
        if not pages or any("<svg" not in page for page in pages):
            raise EngravingError("engraving_failed")
        return tuple(map(_cleaned, pages))

    def stop(self) -> None:
        self._worker.stop()
