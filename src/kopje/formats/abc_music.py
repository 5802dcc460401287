"""The music lines of ABC, built up token by token into a tune."""

from __future__ import annotations

import re
from dataclasses import dataclass, field, replace

from kopje.core.exact import Fraction
from kopje.core.music.marks import OF_ABC, Mark, in_order
from kopje.core.music.meter import Meter
from kopje.core.music.navigation import sign_of
from kopje.core.music.pitch import Pitch, pitch
from kopje.core.music.tune import Note, Problem, Tune, numbered
from kopje.core.reasons import because
from kopje.formats.abc_bars import BarBuilder
from kopje.formats.abc_fields import (
    SIGNS,
    default_unit,
    key_field,
    meter_field,
    tempo_field,
    unit_field,
)
from kopje.formats.abc_tokens import BREATHS, INSIDE, STRANGE, TOKEN, TUPLET_OF, multiple
from kopje.formats.abc_words import set_words, syllables
from kopje.formats.limits import (
    MAX_BARS,
    MAX_NOTES,
    MAX_NOTES_IN_BAR,
    MAX_PARTS,
    MAX_VERSES,
    check_count,
    clipped,
    length,
)


@dataclass
class TuneBuilder(BarBuilder):
    """Collects one tune. Accidentals hold to the bar line in all octaves unless the file says otherwise.
    `part`: which of its voices is read, counted from 1 in the order in which they have music."""

    facts: list[tuple[str, str]] = field(default_factory=list)
    propagate: str = "pitch"
    unit: Fraction | None = None
    tempo: Fraction | None = None
    problems: list[Problem] = field(default_factory=list)
    part: int | None = None
    voices: list[str | None] = field(default_factory=list)
    worded: set[str | None] = field(default_factory=set)
    names: dict[str | None, str] = field(default_factory=dict)
    started: bool = False
    unpitched: bool = False  # under a percussion clef no note has a pitch
    _strange: int = 0
    _broken: Fraction | None = None
    _tuplet: tuple[Fraction, int] = (Fraction(1), 0)
    _border: bool = False
    _marks: tuple[Mark, ...] = ()
    _in_body: bool = False
    _voice: str | None = None
    _lines: list[int] = field(default_factory=lambda: [0])
    _verse: int = 0
    _total: int = 0
    _words: list[tuple[int, int, str]] = field(default_factory=list)

    # --- fields -----------------------------------------------------------------------------
    def set_key(self, text: str) -> None:
        self.unpitched = "clef=perc" in text
        self.key = key_field(text)
        self._in_body = True

    def inline(self, letter: str, value: str) -> None:
        if letter == "M":
            self.meter = meter_field(value)
        elif letter == "L":
            self.unit = unit_field(value) or self.unit
        elif letter == "Q":
            self.tempo = tempo_field(value, self._unit)
        elif letter == "K":
            self.set_key(value)
        elif letter == "V":
            self._to_voice(value)

    def _to_voice(self, value: str) -> None:
        """On with another voice; a header only names it."""
        voice = (value.split() or [""])[0]
        name = re.search(r'(?:name|nm)="([^"]*)"', value)
        if name:
            self.names[voice] = clipped(name[1])
        if self._in_body:
            self._voice = voice

    @property
    def _muted(self) -> bool:
        """Only one voice is read: the one that was asked for, else that which starts the tune."""
        if not self.started:
            return False
        if self._voice not in self.voices:
            self.voices.append(self._voice)
            check_count(len(self.voices), MAX_PARTS, "parts")
        return self.voices.index(self._voice) != (self.part or 1) - 1

    @property
    def _unit(self) -> Fraction:
        return self.unit or default_unit(self.meter)

    # --- music ------------------------------------------------------------------------------
    def music_line(self, line: str) -> None:
        """Read one line of music; its end is a line end unless it says that it goes on."""
        goes_on = line.endswith("\\")
        opening = re.match(r"\[V:([^\]]*)\]", line)
        if opening:
            self.inline("V", opening[1])
        self.started = True
        if self._muted and self.part not in (None, 1):
            return  # what is strange in it was counted when the first voice was read
        tokens = list(TOKEN.finditer(line))
        self._strange += sum(bool(token["other"] and STRANGE.match(token["other"])) for token in tokens)
        if self._muted:
            return
        if self._verse:
            self._lines, self._verse = [self._total], 0
        overlay = False
        for token in tokens:
            if token["over"]:
                overlay = True
                self._note_once("voice_ignored", "read_second_voice_in_line")
            elif token["bar"] or token["field"] or not overlay:
                overlay = overlay and not token["bar"]
                if not overlay:
                    self._take(token)
            if self._muted:
                break
        if not goes_on:
            self._end_line()

    def _note_once(self, code: str, said: str) -> None:
        if not any(problem.code == code for problem in self.problems):
            self.problems.append(Problem(None, code, because(said)))

    def _take(self, token: re.Match[str]) -> None:
        if token["field"]:
            self._inline_field(token["field"])
        elif token["bar"]:
            self._bar_line(token["bar"], token["number"] or "")
        elif token["ending"] is not None:
            self._ending = token["ending"] or "1"
        elif token["chord"]:
            self._chord(token["chord"], token["chordlen"])
        elif token["note"]:
            self._note(token)
        elif token["tuplet"]:
            self._open_tuplet(token)
        elif token["broken"]:
            self._break(token["broken"])
        elif token["tie"]:
            self._tie_on()
        elif (token["text"] or token["other"] or "") in OF_ABC:
            self._marked(OF_ABC[token["text"] or token["other"]])
        elif token["text"] and token["text"].lower() in BREATHS:
            self._border = True
        elif token["text"] and (sign := sign_of(token["text"])) is not None:
            self._goes_on(sign)

    def _marked(self, mark: Mark) -> None:
        """A sign for the next note."""
        if mark not in self._marks:
            self._marks += (mark,)
        self._border = self._border or mark == "fermata"

    def _inline_field(self, text: str) -> None:
        letter, value = text[1], text[3:-1]
        if letter == "I":
            match = re.match(r"\s*propagate-accidentals\s+(not|octave|pitch)", value)
            self.propagate = match[1] if match else self.propagate
        else:
            self.inline(letter, value)

    def _note(self, token: re.Match[str]) -> None:
        letter, times = token["note"], multiple(token["len"])
        if letter == "Z":
            self._bar_rests(min(int(times), MAX_BARS + 1))
        elif letter in "zx":
            self._add("rest", times * self._unit, None)
        else:
            self._add("note", times * self._unit, self._pitch(token["acc"], letter, token["oct"]))

    def _bar_rests(self, count: int) -> None:
        meter = self.meter or Meter(4, 4)
        check_count(count + len(self.bars), MAX_BARS, "bars")
        for index in range(count):
            self.notes.append(Note("rest", meter.length, fills_bar=True))
            if index < count - 1:
                self._close_bar("single")

    def _chord(self, text: str, times: str) -> None:
        inside = [(self._pitch(a, n, o), multiple(ln)) for a, n, o, ln in INSIDE.findall(text)]
        if not inside:
            return
        if len(inside) > 1:
            self._note_once("chord_reduced", "read_top_of_chords")
        top = max(inside, key=lambda pair: pair[0].midi)[0]
        self._add("note", inside[0][1] * multiple(times) * self._unit, top)
        self._tie = "-" in text
        if self._tie:
            self.notes[-1] = replace(self.notes[-1], tie_out=True)

    def _pitch(self, sign: str | None, letter: str, octaves: str) -> Pitch:
        octave = (5 if letter.islower() else 4) + octaves.count("'") - octaves.count(",")
        octave = min(max(octave, 0), 9)
        name = letter.upper()
        place = (name, octave if self.propagate == "octave" else None)
        if sign:
            if self.propagate != "not":
                self._held[place] = SIGNS[sign]
            return pitch(name, SIGNS[sign], octave)
        tied = self.notes[-1].pitch if self.notes and self._tie else self._across()
        if self._tie and tied and (tied.letter, tied.octave) == (name, octave):
            return tied
        return pitch(name, self._held.get(place, self.key.alters.get(name, 0)), octave)

    def _across(self) -> Pitch | None:
        return self.bars[-1].notes[-1].pitch if self.bars and self.bars[-1].notes and not self.notes else None

    def _add(self, kind: str, duration: Fraction, pitch: Pitch | None) -> None:
        scale, left = self._tuplet
        if left:
            duration *= scale
            self._tuplet = (scale, left - 1)
        if self._broken is not None:
            duration *= self._broken
            self._broken = None
        self._total += kind == "note"
        if kind == "note" and self.unpitched:
            pitch = None
        check_count(self._total, MAX_NOTES, "notes")
        check_count(len(self.notes) + 1, MAX_NOTES_IN_BAR, "notes_in_bar")
        where = because("in_bar", bar=len(self.bars) + 1)
        tie_in = self._tie and kind == "note" and pitch == self._last_pitch()
        self.notes.append(
            Note(
                "rest" if kind == "rest" else "note" if pitch else "unpitched",
                length(duration, where),
                pitch,
                tie_in=tie_in,
                border=self._border,
                marks=in_order(self._marks),
            )
        )
        self._tie, self._border, self._marks = False, False, ()

    def _last_pitch(self) -> Pitch | None:
        return self.notes[-1].pitch if self.notes else self._across()

    def _open_tuplet(self, token: re.Match[str]) -> None:
        p = int(token["tuplet"])
        compound = self.meter is not None and self.meter.compound
        q = int(token["q"]) if token["q"] else TUPLET_OF.get(p, 3 if compound else 2)
        if p:
            self._tuplet = (Fraction(q, p), int(token["r"]) if token["r"] else p)

    def _break(self, signs: str) -> None:
        """`a>b` lengthens a by half of what b loses; each further sign halves again."""
        if not self.notes:
            return
        small = Fraction(1, 2 ** min(len(signs), 4))
        first, second = (2 - small, small) if signs[0] == ">" else (small, 2 - small)
        self.notes[-1] = replace(self.notes[-1], duration=self.notes[-1].duration * first)
        self._broken = second

    # --- lines ------------------------------------------------------------------------------
    def _end_line(self) -> None:
        """A line that ends on a full bar ends the bar too, though no bar line is written."""
        if self.meter is not None and sum(note.duration for note in self.notes) == self.meter.length:
            self._close_bar("single")
        if self.notes:
            self.notes[-1] = replace(self.notes[-1], border=True)
        elif self.bars:
            self.bars[-1] = replace(self.bars[-1], line_end=True)
        self._lines.append(self._total)

    def words_line(self, text: str) -> None:
        """Words for the music since the last words; a second w: line is the second verse."""
        self.worded.add(self._voice)
        if self._muted:
            return
        self._verse += 1
        first = self._lines[-2] if len(self._lines) > 1 else 0
        self._words.append((first, self._verse, text))
        check_count(self._verse, MAX_VERSES, "verses")

    def tune(self, name: str) -> Tune | None:
        """The finished tune; None if the lines hold no music."""
        self._close_bar("single")
        tones = sum(note.kind != "rest" for bar in self.bars for note in bar.notes)
        if not tones or self._strange > tones:  # a letter to somebody has a few letters that are notes
            return None
        bars = tuple(self.bars)
        bars = set_words(bars, [(first, syllables(text, verse)) for first, verse, text in self._words])
        if self.meter is None and all(bar.meter == Meter(4, 4) for bar in bars):
            self._note_once("meter_missing", "read_without_meter")
        pitched = any(note.kind == "note" for bar in bars for note in bar.notes)
        if pitched and all(bar.key is None for bar in bars):
            self._note_once("key_unknown", "read_without_key")
        title = next((value for key, value in self.facts if key == "T"), "") or name or "Untitled"
        facts = tuple((key, clipped(value)) for key, value in self.facts)
        return Tune(clipped(title), numbered(bars), self.tempo, facts, tuple(self.problems))
