"""The header fields of ABC: key, meter, unit length, tempo."""

from __future__ import annotations

import re
from dataclasses import dataclass

from kopje.core.errors import FileError, MeterError
from kopje.core.exact import Fraction
from kopje.core.music.meter import Meter
from kopje.core.music.pitch import Pitch
from kopje.core.music.tune import Key

MODES = {
    "": ("major", 0),
    "maj": ("major", 0),
    "ion": ("ionian", 0),
    "m": ("minor", -3),
    "min": ("minor", -3),
    "aeo": ("aeolian", -3),
    "dor": ("dorian", -2),
    "phr": ("phrygian", -4),
    "lyd": ("lydian", 1),
    "mix": ("mixolydian", -1),
    "loc": ("locrian", -5),
}
_KEY = re.compile(r"([A-G])([#b]?)\s*([A-Za-z]*)(.*)", re.DOTALL)
_ACCIDENTAL = re.compile(r"(\^\^|\^|__|_|=)([A-Ga-g])")
SIGNS = {"^^": 2, "^": 1, "=": 0, "_": -1, "__": -2}


@dataclass(frozen=True, slots=True)
class KeyField:
    """A K: field: the stated key (None if there is none), and accidentals that hold throughout."""

    key: Key | None
    alters: dict[str, int]


def key_field(text: str) -> KeyField:
    """Read `Gm`, `D mix`, `F#dor`, `none`, `D exp _b ^f`; what cannot be read means no key."""
    text = re.sub(r"(clef|transpose|octave|middle|m|staffscale|stafflines|name|nm|snm)=\S+", "", text).strip()
    if text.startswith(("HP", "Hp")):
        return KeyField(Key(2, None), {"F": 1, "C": 1})
    match = _KEY.match(text)
    extra = {letter.upper(): SIGNS[sign] for sign, letter in _ACCIDENTAL.findall(text)}
    if not match:
        return KeyField(None, extra)
    letter, sign, mode, rest = match.groups()
    if mode.lower() == "exp" or "exp" in rest.split():
        return KeyField(None, extra)
    short = mode.lower()[:3]
    if short not in MODES:
        short, mode = "", ""
    name, shift = MODES[short]
    fifths = Pitch(letter, {"#": 1, "b": -1, "": 0}[sign], 4).fifths + shift
    if not -7 <= fifths <= 7:
        raise FileError("key_too_many_signs", text=text, value=text)
    key = Key(fifths, name if mode else None)
    return KeyField(key, key.alters | extra)


def meter_field(text: str) -> Meter | None:
    text = text.strip()
    if text.lower() in ("none", "free", ""):
        return None
    try:
        return Meter.parse(text)
    except MeterError:
        found = re.match(r"[\d+]+/\d+", text)
        return Meter.parse(found[0]) if found else None


def unit_field(text: str) -> Fraction | None:
    """L: in quarters."""
    match = re.fullmatch(r"\s*(\d{1,3})(?:/(\d{1,4}))?\s*", text)
    if not match or int(match[2] or 1) == 0 or int(match[1]) == 0:
        return None
    return Fraction(4 * int(match[1]), int(match[2] or 1))


def default_unit(meter: Meter | None) -> Fraction:
    """A sixteenth below 3/4, else an eighth, in quarters."""
    if meter is not None and Fraction(meter.upper, meter.lower) < Fraction(3, 4):
        return Fraction(1, 4)
    return Fraction(1, 2)


def tempo_field(text: str, unit: Fraction) -> Fraction | None:
    """Q: in quarters a minute."""
    match = re.search(r"(\d{1,3})/(\d{1,3})\s*=\s*(\d{1,4})", text)
    if match and int(match[2]):
        return Fraction(4 * int(match[1]), int(match[2])) * int(match[3])
    match = re.search(r"=\s*(\d{1,4})", text) or re.fullmatch(r'\s*(?:"[^"]*")?\s*(\d{1,4})\s*', text)
    return unit * int(match[1]) if match else None
