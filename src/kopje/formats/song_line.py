"""A song typed by hand, in a line of our own: one beat between two spaces, its tones side by side.

`s m | sl s` is so on one beat, mi on the next, a bar line, so and la sharing a beat, so again. `-` holds on,
`.` is silence; they share a beat like tones do (`s -l`: dotted quarter and eighth). Tones are `d r m f s l
t` or their full syllables (`fi`, `si`, `te` too), with `,` for low and `'` for high; or letters, `C` to `B`,
as the key signature has them (`F#`, `Bb`, `Fn` say otherwise), plain from do up to the next do. A new line
is a new phrase. A line `=1` is the first line again, `=` the one before; `=1 r d -` is the first line with
other last beats; lines of words come again in the same way. Words: one line each, syllables by spaces and
hyphens, `_` where a syllable goes on; an empty line begins the next verse."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass, replace

from kopje.core.errors import FileError
from kopje.core.exact import Fraction
from kopje.core.music.degree import LETTERS, LOWERED, NATURAL, RAISED, Degree, Do
from kopje.core.music.meter import Meter
from kopje.core.music.tune import Bar, Key, Note, Tune, numbered
from kopje.formats.abc_words import set_words, syllables
from kopje.formats.limits import MAX_BARS, MAX_NOTES, check_count, clipped

MOST_IN_BEAT = 12
MOST_VERSES = 9
_SHORT = {name[0]: name for name in NATURAL}
_KNOWN = {*NATURAL, *RAISED.values(), *LOWERED.values()}
_AGAIN = re.compile(r"\s*=\s*(\d{0,3})(?=\s|$)")
_PART = re.compile(
    r"(?:(?P<tone>sol|[drmfslt][aeiou]?)|(?P<letter>[A-G])(?P<sign>[#bn])?)(?P<octave>,+|'+)?|(?P<hold>-)|(?P<rest>\.)|(?P<other>.)"
)
_SIGNS = {"#": 1, "b": -1, "n": 0}


@dataclass(frozen=True, slots=True)
class _Sign:
    """One share of a beat: a tone, a hold or silence."""

    kind: str
    degree: Degree | None
    length: Fraction


def read_song_line(title: str, do: Do, meter: Meter, line: str, words: str = "") -> Tune:
    """The typed song as a tune, plain do from C4 to G4, for A and B below. FileError says where a sign
    cannot be read. Bars that do not add up are told by the analysis."""
    do = do.at(3 if do.letter in "AB" else 4)  # so that it lies in children's voices
    bars: list[Bar] = []
    for row, text in enumerate(_repeated(line), 1):
        found = list(_bars(text, row, do, meter))
        if found:
            found[-1] = replace(found[-1], line_end=True)
        bars += found
        check_count(len(bars), MAX_BARS, "bars")
    bars = _joined([bar for bar in bars if bar.notes])
    if not any(note.kind == "note" for bar in bars for note in bar.notes):
        raise FileError("line_no_tone")
    check_count(sum(len(bar.notes) for bar in bars), MAX_NOTES, "notes")
    bars[-1] = replace(bars[-1], right="final")
    return Tune(clipped(title) or "Untitled", _worded(numbered(bars), words))


def _repeated(text: str) -> list[str]:
    """The lines that have something in them, each `=` replaced by the line it stands for."""
    lines: list[str] = []
    for row, line in enumerate(filter(str.strip, text.splitlines()), 1):
        again = _AGAIN.match(line)
        if again is None:
            lines.append(line)
            continue
        number = int(again[1]) if again[1] else len(lines)
        if not 1 <= number <= len(lines):
            raise FileError("line_no_repeat", text=again[0].strip(), row=row, value=line)
        lines.append(_with_end(lines[number - 1], line[again.end() :].split()))
    return lines


def _with_end(line: str, end: list[str]) -> str:
    """A line whose last beats are others."""
    tokens = line.replace("|", " | ").split()
    beats = [index for index, token in enumerate(tokens) if token != "|"]
    for index, token in zip(
        reversed(beats), reversed([token for token in end if token != "|"]), strict=False
    ):
        tokens[index] = token
    return " ".join(tokens)


def _bars(text: str, row: int, do: Do, meter: Meter) -> Iterator[Bar]:
    """The bars of one line: cut at bar lines, and where a bar is full."""
    key, notes, filled = Key(do.fifths), list[Note](), Fraction(0)
    for token in text.replace("|", " | ").split():
        if token == "|":
            if notes:
                yield Bar(tuple(notes), meter, key)
            notes, filled = [], Fraction(0)
            continue
        if filled == meter.length:
            yield Bar(tuple(notes), meter, key)
            notes, filled = [], Fraction(0)
        for sign in _beat(token, row, meter.beat, do):
            _add(notes, sign, do)
        filled += meter.beat
    if notes:
        yield Bar(tuple(notes), meter, key)


def _beat(token: str, row: int, beat: Fraction, do: Do) -> list[_Sign]:
    """The shares of one beat, all of the same length."""
    parts = list(_PART.finditer(token))
    if len(parts) > MOST_IN_BEAT:
        raise FileError("line_too_many_signs", text=token[:20], row=row, most=MOST_IN_BEAT)
    length = beat / len(parts)
    return [_sign(part, token, row, length, do) for part in parts]


def _sign(part: re.Match[str], token: str, row: int, length: Fraction, do: Do) -> _Sign:
    if part["hold"]:
        return _Sign("hold", None, length)
    if part["rest"]:
        return _Sign("rest", None, length)
    if part["letter"]:
        return _Sign("note", _lettered(part, do), length)
    said = (part["tone"] or "").replace("sol", "so")
    name = _SHORT.get(said, said)
    if part["other"] or name not in _KNOWN:
        raise FileError(
            "line_no_sign",
            sign=part[0],
            text=token[:20],
            row=row,
            value=token,
        )
    return _Sign("note", Degree.parse(name + (part["octave"] or "")), length)


def _lettered(part: re.Match[str], do: Do) -> Degree:
    """The degree of a letter as the key signature has it, from plain do up."""
    letter, marks = part["letter"], part["octave"] or ""
    index = (LETTERS.index(letter) - LETTERS.index(do.letter)) % 7
    natural = do.sounding(Degree(index, 0, 0))
    alter = _SIGNS[part["sign"]] - natural.alter if part["sign"] else 0
    return Degree(index, alter, len(marks) if "'" in marks else -len(marks))


def _add(notes: list[Note], sign: _Sign, do: Do) -> None:
    """A hold makes what was before longer; over a bar line it is tied (a first sign that holds nothing is
    silence)."""
    if sign.kind == "hold" and notes:
        notes[-1] = replace(notes[-1], duration=notes[-1].duration + sign.length)
    elif sign.kind == "hold":
        notes.append(Note("note", sign.length, None, tie_in=True))  # its pitch comes from the bar before
    elif sign.degree is None:
        notes.append(Note("rest", sign.length))
    else:
        notes.append(Note("note", sign.length, do.sounding(sign.degree)))


def _joined(bars: list[Bar]) -> list[Bar]:
    """Holds at the start of a bar take the pitch of the bar before and are tied to it; where there is none
    they are silence."""
    done: list[Bar] = []
    for bar in bars:
        first = bar.notes[0]
        if first.tie_in:
            last = done[-1].notes[-1] if done else None
            if last is None or last.pitch is None:
                first = Note("rest", first.duration)
            else:
                done[-1] = replace(done[-1], notes=(*done[-1].notes[:-1], replace(last, tie_out=True)))
                first = replace(first, pitch=last.pitch)
            bar = replace(bar, notes=(first, *bar.notes[1:]))
        done.append(bar)
    return done


def _worded(bars: tuple[Bar, ...], words: str) -> tuple[Bar, ...]:
    """The words, line after line, under the tones, verses divided by an empty line; what is held is passed
    over by itself."""
    held = [note.tie_in for bar in bars for note in bar.notes if note.kind == "note"]
    verses = [verse for verse in re.split(r"\n\s*\n", words) if verse.strip()]
    lines = []
    for number, verse in enumerate(verses[:MOST_VERSES], 1):
        signs = (sign for line in _repeated(verse) for sign in syllables(line, number) if sign != "|")
        lines.append((0, ["_" if is_held else next(signs, "*") for is_held in held]))
    return set_words(bars, lines)
