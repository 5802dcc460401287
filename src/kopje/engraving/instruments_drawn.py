"""Instruments drawn by us in one line style, on a square of 120 by 120. Source: docs/sources.md#cards."""

from __future__ import annotations

from collections.abc import Iterable
from html import escape
from math import cos, radians, sin

SIDE = 120
LINE = 'fill="#fff" stroke="#2a211b" stroke-width="2.6" stroke-linejoin="round" stroke-linecap="round"'


def _path(d: str, fill: str = "") -> str:
    return f'<path d="{d}"{f" fill={chr(34)}{fill}{chr(34)}" if fill else ""}/>'


def _open(d: str) -> str:
    return _path(d, "none")


def _circle(x: float, y: float, r: float, fill: str = "") -> str:
    inside = f' fill="{fill}"' if fill else ""
    return f'<circle cx="{x:.1f}" cy="{y:.1f}" r="{r:.1f}"{inside}/>'


def _oval(x: float, y: float, rx: float, ry: float, turn: float = 0) -> str:
    turned = f' transform="rotate({turn} {x} {y})"' if turn else ""
    return f'<ellipse cx="{x}" cy="{y}" rx="{rx}" ry="{ry}"{turned}/>'


def _box(x: float, y: float, w: float, h: float, r: float = 2, turn: float = 0) -> str:
    turned = f' transform="rotate({turn} {x + w / 2} {y + h / 2})"' if turn else ""
    return f'<rect x="{x}" y="{y}" width="{w}" height="{h}" rx="{r}"{turned}/>'


def _round(n: int, x: float, y: float, r: float, start: float = 0) -> Iterable[tuple[float, float]]:
    for k in range(n):
        at = radians(start + 360 * k / n)
        yield x + r * cos(at), y + r * sin(at)


def _barrel(top: float, bottom: float, rx: float, ry: float) -> str:
    """A drum seen from a little above."""
    return _path(f"M{60 - rx} {top} V{bottom} A{rx} {ry} 0 0 0 {60 + rx} {bottom} V{top}") + _oval(
        60, top, rx, ry
    )


def _bars(lengths: Iterable[float], first: float, width: float, middle: float) -> str:
    return "".join(
        _box(first + n * (width + 3), middle - length / 2, width, length) for n, length in enumerate(lengths)
    )


def _mallet(x1: float, y1: float, x2: float, y2: float) -> str:
    return _open(f"M{x1} {y1} L{x2} {y2}") + _circle(x2, y2, 4.5)


def _holes(points: Iterable[tuple[float, float]], r: float = 2.2) -> str:
    return "".join(_circle(x, y, r, "#2a211b") for x, y in points)


def _tube(d: str) -> str:
    """A pipe along a path."""
    return (
        f'<path d="{d}" fill="none" stroke-width="8.6" stroke-linecap="butt"/>'
        f'<path d="{d}" fill="none" stroke="#fff" stroke-width="3.4" stroke-linecap="butt"/>'
    )


def _turned(inside: str, by: float) -> str:
    return f'<g transform="rotate({by} 60 60)">{inside}</g>'


def _fiddle(x: float, y: float, size: float) -> str:
    """A body with a waist, strings, a neck with its scroll."""
    body = (
        "M0 -26 C11 -26 15 -17 12 -9 C9 -4 9 0 13 4 C21 12 17 27 0 27 "
        "C-17 27 -21 12 -13 4 C-9 0 -9 -4 -12 -9 C-15 -17 -11 -26 0 -26 Z"
    )
    inside = (
        _path(body)
        + _path("M-3 -26 L-2 -58 A3.5 3.5 0 1 1 2 -58 L3 -26 Z")
        + _open("M-5 8 H5 M-2 -26 V20 M2 -26 V20 M-9 2 q3 5 0 11 M9 2 q-3 5 0 11")
        + _open("M-5 -52 H-9 M5 -52 H9 M-5 -46 H-9 M5 -46 H9")
    )
    width = 2.6 / size
    return f'<g transform="translate({x} {y}) scale({size})" stroke-width="{width:.2f}">{inside}</g>'


def _jingles() -> str:
    pairs = "".join(_oval(x, y, 6.5, 3, 0) for x, y in _round(6, 60, 60, 42, 30))
    return _circle(60, 60, 46) + _circle(60, 60, 36) + pairs


DRAWN: dict[str, str] = {
    "hand_drum": _barrel(52, 72, 44, 17) + _open("M16 58 h0 M30 66 v14 M60 70 v17 M90 66 v14"),
    "tambourine": _jingles(),
    "snare_drum": _barrel(48, 78, 40, 14)
    + _open("M20 54 L33 90 L46 60 L60 92 L74 60 L87 90 L100 54")
    + _open("M44 46 L14 20 M76 46 L106 20"),
    "bass_drum": _open("M34 96 L24 112 M86 96 L96 112")
    + _circle(60, 58, 44)
    + _circle(60, 58, 37)
    + _mallet(112, 96, 78, 66),
    "kettledrum": _open("M34 84 L26 110 M86 84 L94 110 M60 96 V110")
    + _path("M18 44 C18 84 42 98 60 98 C78 98 102 84 102 44")
    + _oval(60, 44, 42, 13)
    + _mallet(30, 8, 52, 38),
    "maracas": _box(36, 62, 6, 46, 3, 16) + _oval(48, 40, 17, 23, 16) + _box(80, 62, 6, 46, 3, -16)
    + _oval(74, 40, 17, 23, -16),
    "rainstick": _turned(
        _box(47, 4, 26, 112, 8)
        + _open("M47 18 H73 M47 102 H73")
        + _holes([(54, 30), (66, 38), (56, 48), (65, 58), (54, 68), (66, 78), (57, 90)], 1.8),
        34,
    ),
    "jingle_bells": _turned(
        _box(54, 8, 12, 96, 6)
        + "".join(
            _circle(x, y, 8.5) + _open(f"M{x - 4} {y + 2} h8") for y in (20, 42, 64) for x in (44, 76)
        ),
        18,
    ),
    "guiro": _turned(
        _path("M14 60 C18 38 34 40 52 44 C78 48 106 42 108 60 C106 78 78 72 52 76 C34 80 18 82 14 60 Z")
        + _open("".join(f"M{x} 48 V72 " for x in range(46, 98, 6))),
        -12,
    )
    + _open("M58 14 L84 44"),
    "claves": _box(12, 54, 96, 13, 6, 32) + _box(12, 54, 96, 13, 6, -32),
    "wood_block": _box(18, 58, 84, 34, 5) + _path("M28 66 H92 V73 H28 Z", "#2a211b") + _mallet(104, 12, 70, 50),
    "triangle": _circle(60, 12, 4)
    + _open("M44 98 H104 L60 20 L20 92")
    + '<path d="M44 98 H104 L60 20 L20 92" fill="none" stroke-width="5"/>'
    + _open("M92 34 L116 56"),
    "cymbals": _oval(40, 60, 14, 46, -14) + _oval(40, 60, 4, 13, -14) + _open("M36 60 L14 64")
    + _oval(80, 60, 14, 46, 14) + _oval(80, 60, 4, 13, 14) + _open("M84 60 L106 64"),
    "gong": _open("M14 112 V12 H106 V112 M6 112 H22 M98 112 H114 M44 12 V30 M76 12 V30")
    + _circle(60, 64, 36)
    + _circle(60, 64, 27)
    + _circle(60, 64, 10),
    "hand_bell": _box(54, 6, 12, 34, 6)
    + _circle(60, 100, 7)
    + _path("M44 42 C44 36 76 36 76 42 C76 70 84 84 96 96 H24 C36 84 44 70 44 42 Z"),
    "xylophone": _open("M8 34 L112 46 M8 86 L112 74")
    + _bars((84, 78, 72, 66, 60, 54, 48, 42), 10, 9.5, 60)
    + _mallet(20, 6, 46, 44) + _mallet(66, 6, 84, 46),
    "glockenspiel": _path("M8 24 L112 42 V82 L8 100 Z")
    + _bars((56, 52, 48, 44, 40, 36, 32), 14, 10, 62)
    + _holes([(19 + n * 13, 62) for n in range(7)], 1.6),
    "recorder": _turned(
        _path("M53 4 H67 L70 22 H50 Z")
        + _path("M50 22 H70 V34 H50 Z")
        + _path("M54 28 H66 V33 H54 Z", "#2a211b")
        + _path("M52 34 L54 96 H66 L68 34 Z")
        + _path("M51 96 H69 L71 116 H49 Z")
        + _holes([(60, 43 + 9 * n) for n in range(6)]),
        24,
    ),
    "flute": _turned(
        _box(4, 55, 112, 10, 5) + _oval(26, 55, 9, 4) + _holes([(52 + 11 * n, 60) for n in range(6)], 3), -24
    ),
    "clarinet": _turned(
        _path("M57 2 H63 L65 22 H55 Z", "#2a211b")
        + _path("M54 22 H66 V92 L76 116 H44 L54 92 Z")
        + _open("M54 34 H66 M54 60 H66")
        + _holes([(60, 41), (60, 50), (60, 68), (60, 77), (60, 86)], 2.6)
        + _open("M66 44 h7 v10 M66 72 h7 v12"),
        22,
    ),
    "panpipes": "".join(_box(14 + 13 * n, 22, 11, 84 - 9 * n, 5) for n in range(7))
    + _path("M10 40 H108 V50 H10 Z"),
    "trumpet": _open("M8 50 H18")
    + _path("M6 44 V56 L14 53 V47 Z")
    + _path("M84 46 C96 44 104 38 114 28 V76 C104 66 96 58 84 57 Z")
    + _box(14, 46, 72, 10, 3)
    + '<rect x="24" y="56" width="58" height="26" rx="12" fill="none"/>'
    + '<rect x="31" y="63" width="44" height="12" rx="6" fill="none"/>'
    + "".join(_box(40 + 11 * n, 34, 8, 46, 3) + _circle(44 + 11 * n, 30, 4) for n in range(3)),
    "trombone": _turned(
        _tube("M80 44 H26 A13 13 0 0 0 26 70 H104 A8 8 0 0 1 104 86 H26")
        + _path("M78 40 C94 38 104 30 112 18 V70 C104 58 94 50 78 48 Z")
        + _path("M26 82 L14 79 V93 L26 90 Z")
        + _tube("M52 70 V86"),
        -14,
    ),
    "horn": _circle(52, 58, 36) + _circle(52, 58, 28) + _circle(52, 58, 17)
    + _path("M66 84 C82 92 96 92 108 82 L112 114 C96 112 78 108 58 94 Z")
    + _open("M52 22 C60 8 80 8 92 16")
    + _path("M90 11 L98 14 L95 22 L88 19 Z"),
    "violin": _turned(_fiddle(60, 78, 1.15), 24) + _open("M6 74 L112 44") + _box(4, 71, 12, 6, 2, -16),
    "cello": _open("M56 104 V118") + _fiddle(56, 74, 1.2) + _open("M10 92 L110 80") + _box(8, 88, 12, 6, 2, -7),
    "guitar": _turned(
        _path(
            "M60 52 C74 52 78 62 74 70 C72 76 76 78 80 84 C88 98 78 114 60 114 "
            "C42 114 32 98 40 84 C44 78 48 76 46 70 C42 62 46 52 60 52 Z"
        )
        + _path("M55 56 V18 H52 V2 H68 V18 H65 V56 Z")
        + _circle(60, 78, 9)
        + _open("M50 98 H70 M58 20 V98 M62 20 V98 M52 7 H47 M52 13 H47 M68 7 H73 M68 13 H73"),
        28,
    ),
    "harp": _path("M28 14 C44 4 56 26 74 20 C84 16 92 14 98 22 L94 30 C82 26 72 36 58 34 C46 32 40 24 34 26 Z")
    + _path("M28 14 L20 106 H30 L36 24 Z")
    + _path("M98 22 L104 30 C96 66 66 96 30 106 V98 C62 86 86 60 94 30 Z")
    + _open("M44 30 L38 96 M54 34 L50 90 M64 34 L62 84 M74 30 L72 74 M84 27 L83 60"),
    "thumb_piano": _path("M22 30 C22 22 98 22 98 30 L92 106 C90 114 30 114 28 106 Z")
    + _open("M26 44 H94 M27 52 H93")
    + "".join(_box(32 + 8.6 * n, 34, 5, 32 + (8 - 2 * abs(n - 3)) * 3, 2) for n in range(7))
    + _circle(60, 102, 5),
    "piano": _box(12, 12, 96, 50, 3)
    + _path("M8 62 H112 V82 H8 Z")
    + _open("".join(f"M{x} 62 V82 " for x in range(18, 112, 10)))
    + "".join(_path(f"M{x} 62 h6 v12 h-6 Z", "#2a211b") for x in (15, 25, 45, 55, 65, 85, 95))
    + _open("M18 82 V112 M102 82 V112 M46 112 V98 H74 V112 M28 24 H92"),
    "accordion": _path("M34 20 L86 26 V94 L34 100 Z")
    + _open("M42 21 V99 M50 22 V98 M58 23 V97 M66 24 V96 M74 25 V95 M80 25 V95")
    + _path("M10 18 L34 20 V100 L10 104 Z")
    + _path("M86 24 L110 18 V104 L86 96 Z")
    + _open("M94 34 h10 M94 42 h10 M94 50 h10 M94 58 h10 M94 66 h10 M94 74 h10 M94 82 h10")
    + _holes([(18, 36 + 12 * n) for n in range(5)] + [(26, 36 + 12 * n) for n in range(5)], 2),
}  # fmt: skip


def instrument_svg(key: str, said: str) -> str:
    """The drawing, with what it is for those who hear it."""
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {SIDE} {SIDE}" role="img" aria-label="{escape(said)}">'
        f"<g {LINE}>{DRAWN[key]}</g></svg>"
    )
