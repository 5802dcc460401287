"""One part of a MusicXML score as bars: staff 1, its lowest voice, the top tone of chords."""

from __future__ import annotations

import re
from dataclasses import dataclass, field, replace

from kopje.core.errors import FileError
from kopje.core.exact import Fraction, parsed
from kopje.core.music.marks import Mark, in_order
from kopje.core.music.meter import Meter
from kopje.core.music.navigation import Sign
from kopje.core.music.tune import Bar, BarLine, Key, Note, Problem
from kopje.core.reasons import Reason, because
from kopje.formats.limits import MAX_DIVISIONS, MAX_NOTES, MAX_NOTES_IN_BAR, check_count, length
from kopje.formats.musicxml_elements import (
    Element,
    Kids,
    bar_line_of,
    child_of,
    direct,
    integer_of,
    key_of,
    kids_of,
    loudness_of,
    meter_of,
    note_of,
    said_in,
    signs_of,
    text_of,
)

_DURATION = re.compile(r"\d{1,7}(\.\d{1,4})?")


@dataclass
class _Placed:
    onset: Fraction
    note: Note


@dataclass
class PartReader:
    """Reads the measures of one part in order; `bars` may be called once. `staff` and `voice`: which line of
    it, else the first with notes."""

    measures: list[Element]
    staff: int = 1
    voice: str = ""
    problems: list[Problem] = field(default_factory=list)
    tempo: Fraction | None = None
    divisions: int = 1
    meter: Meter | None = None
    key: Key | None = None
    filled: dict[tuple[int, str], int] = field(default_factory=dict)
    _count: int = 0

    def bars(self) -> list[Bar]:
        if not self.voice:
            lines = self.lines()
            self.staff, self.voice = lines[0] if lines else (1, "1")
            inside = sum(staff == self.staff for staff, _ in lines)
            if inside > 1:
                self._once(None, "voice_ignored", because("read_first_of_voices", count=inside))
        done = [self._bar(measure, index) for index, measure in enumerate(self.measures)]
        if self.meter is None:
            self._once(None, "meter_missing", because("read_without_meter"))
        if all(bar.key is None for bar in done):
            self._once(None, "key_unknown", because("read_without_key"))
        return [bar for bar in done if bar.notes]

    def _once(self, bar: int | None, code: str, reason: Reason) -> None:
        if not any(problem.code == code for problem in self.problems):
            self.problems.append(Problem(bar, code, reason))

    def lines(self) -> list[tuple[int, str]]:
        """The voices of each staff that have notes, lowest numbers first."""
        found: dict[tuple[int, str], set[int]] = {}
        for index, measure in enumerate(self.measures):
            for note in direct(measure, "note"):
                kids = kids_of(note)
                if not kids.keys() & {"rest", "grace", "cue"}:
                    line = self._staff(kids), said_in(kids, "voice") or "1"
                    found.setdefault(line, set()).add(index)
        order = sorted(found, key=lambda line: (line[0], not line[1].isdigit(), line[1].zfill(6)))
        self.filled = {line: len(found[line]) for line in order}
        return order

    def parts(self) -> list[tuple[int, str]]:
        """The lines that are parts of their own: the first one, and each that sings in half of the bars or
        more. A line that only splits off for a moment is none."""
        lines = self.lines()
        least = len(self.measures) / 2
        return [line for n, line in enumerate(lines) if n == 0 or self.filled[line] >= least]

    @staticmethod
    def _staff(kids: Kids) -> int:
        text = said_in(kids, "staff")
        return int(text) if text and text.isdigit() else 1

    def _bar(self, measure: Element, index: int) -> Bar:
        placed: list[_Placed] = []
        clock = Fraction(0)
        left: BarLine = "single"
        right: BarLine = "single"
        ending = ""
        signs: list[Sign] = []
        louder: list[Mark] = []
        for child in measure:
            tag = child.tag if isinstance(child.tag, str) else ""
            if tag == "attributes":
                self._attributes(child)
            elif tag == "note":
                count = len(placed)
                clock = self._note(child, clock, placed, index)
                if len(placed) > count and louder and placed[-1].note.kind != "rest":
                    last = placed[-1]
                    last.note = replace(last.note, marks=in_order((*last.note.marks, *louder)))
                    louder = []
            elif tag in ("backup", "forward"):
                clock = self._moved(clock, child, index)
            elif tag == "barline":
                left, right, ending = bar_line_of(child, left, right, ending)
            elif tag in ("sound", "direction"):
                self._sound(child)
                louder += loudness_of(child)
                signs += [sign for sign in signs_of(child) if sign not in signs]
        check_count(len(placed), MAX_NOTES_IN_BAR, "notes_in_bar")
        meter = self.meter or Meter(4, 4)
        notes = _filled(placed)
        return Bar(notes, meter, self.key, left=left, right=right, ending=ending, signs=tuple(signs))

    def _moved(self, clock: Fraction, element: Element, index: int) -> Fraction:
        """Back, at most to the bar line (some files write a far too long way back), or on."""
        said = text_of(element, "duration")
        if element.tag == "forward":
            return clock + self._duration(said, index)
        return max(clock - self._quarters(said, index), Fraction(0))

    def _attributes(self, element: Element) -> None:
        for child in element:
            tag = child.tag if isinstance(child.tag, str) else ""
            if tag == "divisions":
                self.divisions = integer_of((child.text or "").strip(), 1, MAX_DIVISIONS, "divisions")
            elif tag == "key":
                self.key = key_of(child)
            elif tag == "time":
                self.meter = meter_of(child) or self.meter

    def _sound(self, element: Element) -> None:
        sound = element if element.get("tempo") else child_of(element, "sound")
        text = sound.get("tempo") if sound is not None else None
        if self.tempo is None and text and re.fullmatch(r"\d{1,3}(\.\d{1,4})?", text):
            self.tempo = parsed(text) or None

    def _duration(self, text: str | None, index: int) -> Fraction:
        return length(self._quarters(text, index), because("in_bar", bar=index + 1))

    def _quarters(self, text: str | None, index: int) -> Fraction:
        if text is None or not _DURATION.fullmatch(text):
            raise FileError("duration_no_number", bar=index + 1, value=text)
        whole = Fraction(int(text)) if text.isdigit() else parsed(text)
        return whole / self.divisions

    def _note(self, element: Element, clock: Fraction, placed: list[_Placed], index: int) -> Fraction:
        """Take one <note>; returns the place after it."""
        kids = kids_of(element)
        if "grace" in kids:
            return clock
        duration = self._duration(said_in(kids, "duration"), index)
        chord = "chord" in kids
        in_this_voice = self._staff(kids) == self.staff and (said_in(kids, "voice") or "1") == self.voice
        if in_this_voice and "cue" not in kids:
            self._count += 1
            check_count(self._count, MAX_NOTES, "notes")
            note = note_of(element, kids, duration)
            if chord and placed:
                self._once(index, "chord_reduced", because("read_top_of_chords"))
                placed[-1].note = _top(placed[-1].note, note)
            else:
                placed.append(_Placed(clock, note))
        return clock if chord else clock + duration


def _top(one: Note, two: Note) -> Note:
    if one.pitch is None or two.pitch is None or one.pitch.midi >= two.pitch.midi:
        return replace(one, border=one.border or two.border)
    return replace(two, syllables=one.syllables or two.syllables, border=one.border or two.border)


def _filled(placed: list[_Placed]) -> tuple[Note, ...]:
    """Notes in order of onset; what is skipped over is silence."""
    notes: list[Note] = []
    clock = Fraction(0)
    for item in sorted(placed, key=lambda item: item.onset):
        if item.onset > clock:
            notes.append(Note("rest", item.onset - clock))
        notes.append(item.note)
        clock = max(clock, item.onset) + item.note.duration
    return tuple(note for note in notes if note.duration > 0)
