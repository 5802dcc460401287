"""Writing ABC: header, music line by line with its words under it. Every sign that a reader could need is
written."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from itertools import groupby

from kopje.core.errors import FileError
from kopje.core.exact import Fraction
from kopje.core.music.marks import IN_ABC
from kopje.core.music.meter import Meter
from kopje.core.music.navigation import AT_HEAD
from kopje.core.music.note_values import tuplet
from kopje.core.music.pitch import Pitch, from_fifths, spell
from kopje.core.music.score import Part, Score
from kopje.core.music.tune import Bar, Key, Note, Tune
from kopje.formats.abc_fields import MODES

UNIT = Fraction(1, 2)  # L:1/8, in quarters
_SHIFTS = {name: (short, shift) for short, (name, shift) in MODES.items() if short}
_SIGNS = {2: "^^", 1: "^", 0: "=", -1: "_", -2: "__"}
_RIGHT = {"single": "|", "double": "||", "final": "|]", "repeat": ":|", "none": "|"}
_MOST_IN_TUPLET = 99


def write_abc(score: Score, number: int = 1) -> str:
    """The piece as ABC; reading it gives the same parts, bars, words and repeats again. FileError for what
    ABC cannot say."""
    tune = score.tune
    if not tune.bars:
        raise FileError("tune_empty")
    first = tune.bars[0]
    head = [f"X:{number}", f"T:{score.title}"]
    head += [f"{key}:{value}" for key, value in tune.facts if key not in ("T", "X")]
    head += [f"M:{_meter(first.meter)}", "L:1/8"]
    if tune.tempo:
        head.append(
            f"Q:1/4={int(tune.tempo)}" if tune.tempo.denominator == 1 else f"Q:1/4={round(tune.tempo)}"
        )
    together = len(score.parts) > 1
    if together:
        head += [_voice(n, part.name) for n, part in enumerate(score.parts, 1)]
    head.append(f"K:{_key(first.key)}{_clef(score.parts[0])}")
    body: list[str] = []
    for n, part in enumerate(score.parts, 1):
        body += [f"V:{n}", *_agreed(part.tune, first)] if together else []
        body += _lines(part.tune)
    return "\n".join([*head, *body]) + "\n"


def _voice(number: int, name: str) -> str:
    said = name.replace('"', "'")
    return f'V:{number} name="{said}"' if said else f"V:{number}"


def _clef(part: Part) -> str:
    """Only under a percussion clef ABC knows notes without pitch."""
    return "" if part.pitched else " clef=perc"


def _agreed(tune: Tune, first: Bar) -> Iterator[str]:
    """A part that begins after another one has changed key or meter says its own again."""
    yield f"M:{_meter(tune.bars[0].meter)}"
    yield f"K:{_key(tune.bars[0].key or first.key)}"


def _meter(meter: Meter) -> str:
    return {"common": "C", "cut": "C|"}.get(meter.symbol or "", str(meter))


def _key(key: Key | None) -> str:
    if key is None:
        return "none"
    short, shift = _SHIFTS.get(key.mode or "", ("", 0))
    return spell(*from_fifths(key.fifths - shift)) + short


def _lines(tune: Tune) -> Iterator[str]:
    """A line of music up to each line end, with a line of words for each verse."""
    start = 0
    for place, bar in enumerate(tune.bars):
        if bar.line_end or place == len(tune.bars) - 1:
            bars = tune.bars[start : place + 1]
            yield _music(bars, tune.bars[start - 1] if start else None)
            yield from _words(bars)
            start = place + 1


def _music(bars: Sequence[Bar], before: Bar | None) -> str:
    found: list[str] = ["|:"] if bars[0].left == "repeat" else []
    if bars[0].ending:
        found = [f"|{bars[0].ending} "]
    for bar, following in zip(bars, [*bars[1:], None], strict=True):
        if before is not None and before.meter != bar.meter:
            found.append(f"[M:{_meter(bar.meter)}]")
        if before is not None and before.key != bar.key:
            found.append(f"[K:{_key(bar.key)}]")
        found += [f"!{sign}!" for sign in bar.signs if sign in AT_HEAD]
        found.append(_notes(bar))
        found += [_SIGN_OF[sign] for sign in bar.signs if sign not in AT_HEAD]
        found.append(_bar_line(bar, following))
        before = bar
    return "".join(found).rstrip()


_SIGN_OF = {"fine": "!fine!", "to_coda": "!dacoda!", "da_capo": "!D.C.!", "dal_segno": "!D.S.!"}


def _bar_line(bar: Bar, following: Bar | None) -> str:
    right = _RIGHT[bar.right]
    if following is None:
        return f" {right}"
    if following.left == "repeat":
        right = "::" if bar.right == "repeat" else f"{right}:" if right != "|]" else "|] |:"
    return f" {right}{following.ending} "


def _notes(bar: Bar) -> str:
    """The notes of a bar, beat by beat; in a bar a sign is written where any reading of earlier ones could
    differ."""
    touched: set[str] = set()
    stated = bar.key.alters if bar.key and abs(bar.key.fifths) <= 7 else {}
    said: list[str] = []
    place = bar.offset
    for ratio, group in groupby(bar.notes, key=lambda note: tuplet(note.duration)):
        run = list(group)
        inside = ratio if ratio and ratio[0] <= 9 and len(run) <= _MOST_IN_TUPLET else None
        if inside:
            said.append(f" ({inside[0]}:{inside[1]}:{len(run)}")
        for note in run:
            space = " " if place % bar.meter.beat == 0 and not inside and said else ""
            said.append(space + _note(note, stated, touched, inside))
            place += note.duration
    return "".join(said).strip()


def _note(note: Note, stated: dict[str, int], touched: set[str], ratio: tuple[int, int] | None) -> str:
    written = note.duration * Fraction(*ratio) if ratio else note.duration
    if note.kind == "rest":
        return "Z" if note.fills_bar else f"z{_multiple(written)}"
    pitch = note.pitch or Pitch("B", 0, 4)  # where the percussion clef has its line
    sign = ""
    if not note.tie_in and (pitch.alter != stated.get(pitch.letter, 0) or pitch.letter in touched):
        sign = _SIGNS.get(pitch.alter, "")
        touched.add(pitch.letter)
    breath = "!breath!" if note.border and "fermata" not in note.marks else ""
    breath += "".join(IN_ABC[mark] for mark in note.marks)
    tie = "-" if note.tie_out else ""
    return f"{breath}{sign}{_letter(pitch)}{_multiple(written)}{tie}"


def _letter(pitch: Pitch) -> str:
    if pitch.octave >= 5:
        return pitch.letter.lower() + "'" * (pitch.octave - 5)
    return pitch.letter + "," * (4 - pitch.octave)


def _multiple(length: Fraction) -> str:
    units = length / UNIT
    if units.denominator == 1:
        return "" if units == 1 else str(units.numerator)
    above = "" if units.numerator == 1 else str(units.numerator)
    below = "" if units.denominator == 2 else str(units.denominator)
    return f"{above}/{below}"


def _words(bars: Sequence[Bar]) -> Iterator[str]:
    sung = [note for bar in bars for note in bar.notes if note.kind != "rest"]
    verses = max((one.verse for note in sung for one in note.syllables), default=0)
    for verse in range(1, verses + 1):
        said = "".join(_word_signs(sung, verse)).strip()
        yield f"w: {said}" if said.strip("* _") else "w: *"


def _word_signs(sung: Sequence[Note], verse: int) -> Iterator[str]:
    held = False
    for note in sung:
        one = next((syllable for syllable in note.syllables if syllable.verse == verse), None)
        if one is None:
            yield "_" if held else "* "
            continue
        text = "".join(f"\\{c}" if c in "-*_|\\" else "~" if c == " " else c for c in one.text)
        yield f" {text}{'-' if one.joins else ''}"
        held = not one.joins
