"""A meter written as a number over the note that is the beat: two over a quarter, two over a dotted quarter.

verovio draws two numbers; what it drew is drawn anew here, with the signs of the same font. Source:
docs/sources.md#meter."""

from __future__ import annotations

import re
from functools import cache
from importlib.util import find_spec
from pathlib import Path

from kopje.core.exact import Fraction
from kopje.core.music.meter import Meter

DIGIT = 0xE080  # the sign of nought; the others follow
NOTES = {4: "ECA2", 2: "ECA3", 1: "ECA5"}  # beats in quarters; else an eighth, then a sixteenth
EIGHTH, SIXTEENTH = "ECA7", "ECA9"
SMALL = 0.62  # of a number's size: a note with its stem is twice as tall
DROP = 330  # font units under the middle of the lower number, so that the head lies low
DOT_RADIUS, DOT_BESIDE = 55, 480  # font units
SIGN = re.compile(r'(<g id="[^"]*" class="meterSig">)(.*?)(</g>)', re.DOTALL)
USE = re.compile(r"translate\((-?\d+), (-?\d+)\) scale\(([\d.]+)")


@cache
def _shape(code: str) -> str:
    """The outline of a sign in the font that scores are drawn with."""
    package = find_spec("verovio")
    assert package is not None
    assert package.origin is not None
    drawn = (Path(package.origin).parent / "data" / "Leland" / f"{code}.xml").read_text("utf-8")
    found = re.search(r"<path[^>]*/>", drawn)
    assert found is not None
    return found[0]


def _note(beat: Fraction) -> tuple[str, bool]:
    """The sign of a beat, and whether it is dotted."""
    dotted = int(beat.numerator) % 3 == 0
    plain = beat * Fraction(2, 3) if dotted else beat
    if plain >= 1:
        return NOTES[int(plain)], dotted
    return EIGHTH if plain == Fraction(1, 2) else SIXTEENTH, dotted


def number_over_note(svg: str, meter: Meter) -> str:
    """The same score with each sign of its meter as a number of beats over the note that is one beat."""
    code, dotted = _note(meter.beat)
    dot = f'<circle cx="{DOT_BESIDE}" cy="0" r="{DOT_RADIUS}"/>' if dotted else ""

    def anew(sign: re.Match[str]) -> str:
        places = USE.findall(sign[2])
        if not places:
            return sign[0]
        left = min(int(x) for x, _, _ in places)
        top, foot = min(int(y) for _, y, _ in places), max(int(y) for _, y, _ in places)
        if top == foot:  # a single sign stands in the middle: common, cut
            top, foot = top - 180, foot + 180
        size = float(places[0][2])
        drawn = "".join(
            f'<g transform="translate({left + n * int(450 * size)}, {top}) scale({size}, {size})">'
            f"{_shape(f'{DIGIT + int(digit):X}')}</g>"
            for n, digit in enumerate(str(meter.beats))
        )
        small = size * SMALL
        below = foot + int(DROP * size)
        note = (
            f'<g transform="translate({left}, {below}) scale({small:g}, {small:g})">{_shape(code)}{dot}</g>'
        )
        return sign[1] + drawn + note + sign[3]

    return SIGN.sub(anew, svg)
