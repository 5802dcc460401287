"""Writing MusicXML 3.1: one to four parts, printed notes as they are, words, repeats and facts."""

from __future__ import annotations

from collections.abc import Iterator
from itertools import groupby
from math import lcm
from typing import Any

from lxml import etree
from lxml.builder import E  # type: ignore[import-not-found]  # its stubs leave it out

from kopje.core.exact import Fraction
from kopje.core.music.clef import Clef, clef_of
from kopje.core.music.marks import ARTICULATIONS, GROWING, LOUDNESS
from kopje.core.music.navigation import AT_HEAD, WRITTEN, Sign
from kopje.core.music.note_values import plain, symbols, tuplet
from kopje.core.music.score import Score
from kopje.core.music.tune import Bar, Key, Note, Tune

Element = Any  # lxml's element; its stubs leave it open
_TYPES = ("maxima", "long", "breve", "whole", "half", "quarter", "eighth", "16th", "32nd", "64th")
_TYPE_OF = {Fraction(32) / 2**n: name for n, name in enumerate(_TYPES)}
_CREATORS = {"C": "composer", "A": "lyricist"}
_STYLES = {"double": "light-light", "final": "light-heavy", "repeat": "light-heavy", "none": "none"}


def write_musicxml(score: Score) -> bytes:
    """The piece as a MusicXML file; reading it gives the same parts, bars, words, facts and repeats again."""
    lengths = [note.duration for part in score.parts for bar in part.tune.bars for note in bar.notes]
    divisions = lcm(*(int(plain_part.denominator) for one in lengths for plain_part in _sizes(one)), 1)
    listed, parts = E("part-list"), []
    for number, part in enumerate(score.parts, 1):
        writer, tune = _Writer(divisions, clef_of(part.tune)), part.tune
        measures = (writer.measure(bar, place, tune) for place, bar in enumerate(tune.bars))
        listed.append(E("score-part", E("part-name", part.name or "Voice"), id=f"P{number}"))
        parts.append(E.part(*measures, id=f"P{number}"))
    found = E(
        "score-partwise",
        E.work(E("work-title", score.title)),
        _identification(score.tune),
        listed,
        *parts,
        version="3.1",
    )
    written: bytes = etree.tostring(found, xml_declaration=True, encoding="UTF-8", pretty_print=True)
    return written


def _sizes(duration: Fraction) -> list[Fraction]:
    """The lengths, in quarters as they sound, of the symbols a duration is written with."""
    ratio = tuplet(duration)
    scale = Fraction(ratio[1], ratio[0]) if ratio else Fraction(1)
    return [size * scale for size, _, _ in symbols(plain(duration))]


def _identification(tune: Tune) -> Element:
    facts = list(tune.facts)
    found = E.identification()
    for letter, kind in _CREATORS.items():
        found.extend(E.creator(value, type=kind) for key, value in facts if key == letter)
    found.extend(E.rights(value) for key, value in facts if key == "Z")
    found.append(E.encoding(E.software("Kopje")))
    others = [(key, value) for key, value in facts if key not in ("T", "Z", *_CREATORS)]
    if others:
        found.append(
            E.miscellaneous(*(E("miscellaneous-field", value, name=f"kopje-{key}") for key, value in others))
        )
    return found


class _Writer:
    """Walks through the bars; remembers which words are open, verse by verse."""

    def __init__(self, divisions: int, clef: Clef) -> None:
        self.divisions, self.clef = divisions, clef
        self.open: dict[int, bool] = {}

    def measure(self, bar: Bar, place: int, tune: Tune) -> Element:
        before = tune.bars[place - 1] if place else None
        following = tune.bars[place + 1] if place + 1 < len(tune.bars) else None
        found = E.measure(number=str(bar.number) if not bar.offset else f"X{bar.number}")
        if bar.number == 0 or bar.offset or bar.length < bar.meter.length:
            found.set("implicit", "yes")
        if before is not None and before.line_end:
            found.append(E.print(**{"new-system": "yes"}))
        found.extend(self._attributes(bar, before))
        if place == 0 and tune.tempo:
            found.append(_tempo(tune.tempo))
        if bar.left == "repeat" or bar.ending:
            found.append(_bar_line(bar, "left"))
        found.extend(_direction(sign) for sign in bar.signs if sign in AT_HEAD)
        found.extend(self._notes(bar))
        found.extend(_direction(sign) for sign in bar.signs if sign not in AT_HEAD)
        if bar.right != "single":
            found.append(_bar_line(bar, "right", closes=_closes(bar, following)))
        return found

    def _attributes(self, bar: Bar, before: Bar | None) -> Iterator[Element]:
        found = E.attributes()
        if before is None:
            found.append(E.divisions(str(self.divisions)))
        if bar.key is not None and (before is None or before.key != bar.key):
            found.append(_key(bar.key))
        if before is None or before.meter != bar.meter:
            time = E.time(E.beats(str(bar.meter.upper)), E("beat-type", str(bar.meter.lower)))
            if bar.meter.symbol:
                time.set("symbol", bar.meter.symbol)
            found.append(time)
        if before is None:
            found.append(E.clef(E.sign(self.clef), E.line("2" if self.clef == "G" else "4")))
        if len(found):
            yield found

    def _notes(self, bar: Bar) -> Iterator[Element]:
        for ratio, group in groupby(enumerate(bar.notes), key=lambda pair: tuplet(pair[1].duration)):
            run = list(group)
            for place, (index, note) in enumerate(run):
                ends = ("start",) * (place == 0) + ("stop",) * (place == len(run) - 1)
                last = bar.line_end and index == len(bar.notes) - 1
                yield from map(_loudness, (mark for mark in note.marks if mark in LOUDNESS + GROWING))
                yield from self._symbols(note, ratio, ends if ratio and len(run) > 1 else (), last)

    def _symbols(
        self, note: Note, ratio: tuple[int, int] | None, ends: tuple[str, ...], line_end: bool
    ) -> Iterator[Element]:
        parts = list(zip(symbols(plain(note.duration)), _sizes(note.duration), strict=True))
        for place, ((_, value, dots), size) in enumerate(parts):
            first, last = place == 0, place == len(parts) - 1
            found = E.note(_head(note), E.duration(str(int(size * self.divisions))))
            ties = []
            if note.kind != "rest":
                ties = ["stop"] * (note.tie_in or not first) + ["start"] * (note.tie_out or not last)
            found.extend(E.tie(type=kind) for kind in ties)
            found.append(E.voice("1"))
            if not note.fills_bar:
                found.append(E.type(_TYPE_OF[value]))
                found.extend(E.dot() for _ in range(dots))
            if ratio:
                normal = E("normal-notes", str(ratio[1]))
                found.append(E("time-modification", E("actual-notes", str(ratio[0])), normal))
            notations = E.notations(*(E.tied(type=kind) for kind in ties))
            notations.extend(E.tuplet(type=kind) for kind in ends)
            if "fermata" in note.marks and last:
                notations.append(E.fermata())
            drawn = [E(mark) for mark in note.marks if mark in ARTICULATIONS] if first else []
            if note.border and last and "fermata" not in note.marks:
                drawn.append(E("breath-mark"))
            if drawn:
                notations.append(E.articulations(*drawn))
            if len(notations):
                found.append(notations)
            if first:
                found.extend(self._lyrics(note, line_end))
            yield found

    def _lyrics(self, note: Note, line_end: bool) -> Iterator[Element]:
        for one in note.syllables:
            goes_on = self.open.get(one.verse, False)
            names = {
                (False, False): "single",
                (False, True): "begin",
                (True, True): "middle",
                (True, False): "end",
            }
            lyric = E.lyric(E.syllabic(names[goes_on, one.joins]), E.text(one.text), number=str(one.verse))
            if line_end:
                lyric.append(E("end-line"))
            self.open[one.verse] = one.joins
            yield lyric


def _head(note: Note) -> Element:
    if note.kind == "rest":
        return E.rest(measure="yes") if note.fills_bar else E.rest()
    if note.pitch is None:
        return E.unpitched()
    alter = [E.alter(str(note.pitch.alter))] if note.pitch.alter else []
    return E.pitch(E.step(note.pitch.letter), *alter, E.octave(str(note.pitch.octave)))


def _key(key: Key) -> Element:
    found = E.key(E.fifths(str(key.fifths)))
    if key.mode:
        found.append(E.mode(key.mode))
    return found


def _tempo(tempo: Fraction) -> Element:
    said = f"{float(tempo):.4f}".rstrip("0").rstrip(".")
    mark = E.metronome(E("beat-unit", "quarter"), E("per-minute", said))
    return E.direction(E("direction-type", mark), E.sound(tempo=said), placement="above")


def _loudness(mark: str) -> Element:
    """A sign of loudness in front of the note from which it holds."""
    said = E.wedge(type=mark) if mark in GROWING else E.dynamics(E(mark))
    return E.direction(E("direction-type", said), placement="below")


def _closes(bar: Bar, following: Bar | None) -> bool:
    """Whether an ending that began in this bar ends with it."""
    return bool(bar.ending) and (following is None or bool(following.ending) or bar.right == "repeat")


def _direction(sign: Sign) -> Element:
    """A sign in words, and for players that follow it."""
    names: dict[Sign, tuple[str, str]] = {
        "fine": ("fine", "yes"),
        "da_capo": ("dacapo", "yes"),
        "dal_segno": ("dalsegno", "1"),
        "segno": ("segno", "1"),
        "to_coda": ("tocoda", "1"),
        "coda": ("coda", "1"),
    }
    name, value = names[sign]
    said = E("direction-type", E.words(WRITTEN[sign]))
    return E.direction(said, E.sound(**{name: value}), placement="above")


def _bar_line(bar: Bar, side: str, closes: bool = False) -> Element:
    found = E.barline(location=side)
    if side == "left":
        if bar.left == "repeat":
            found.append(E("bar-style", "heavy-light"))
        if bar.ending:
            found.append(E.ending(number=_numbers(bar.ending), type="start"))
        if bar.left == "repeat":
            found.append(E.repeat(direction="forward"))
        return found
    found.append(E("bar-style", _STYLES[bar.right]))
    if closes:
        found.append(E.ending(number=_numbers(bar.ending), type="stop"))
    if bar.right == "repeat":
        found.append(E.repeat(direction="backward"))
    return found


def _numbers(ending: str) -> str:
    """As the schema wants them: `1`, `1, 2`."""
    digits = [digit for digit in ending if digit.isdigit() and digit != "0"]
    return ", ".join(digits) or "1"
