"""One part of a MusicXML score as bars: staff 1, its lowest voice, the top tone of chords."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass, field, replace
from typing import Any

from kopje.core.errors import FileError
from kopje.core.exact import Fraction, parsed
from kopje.core.music.marks import GROWING, LOUDNESS, Mark, in_order
from kopje.core.music.meter import Meter
from kopje.core.music.navigation import Sign, sign_of
from kopje.core.music.pitch import Pitch, pitch
from kopje.core.music.tune import Bar, BarLine, Key, Note, Problem, Syllable
from kopje.core.reasons import Reason, because
from kopje.formats.limits import MAX_DIVISIONS, MAX_NOTES, MAX_NOTES_IN_BAR, check_count, clipped, length

Element = Any  # lxml's element; its stubs leave it open
_DURATION, _INTEGER = re.compile(r"\d{1,7}(\.\d{1,4})?"), re.compile(r"-?\d{1,7}(\.0*)?")
_VERSES = frozenset("123456789")
_BREATHS, _LINE_ENDS = ("fermata", "breath-mark", "caesura"), ("end-line", "end-paragraph")
_MODES = ("major", "minor", "dorian", "phrygian", "lydian", "mixolydian", "aeolian", "ionian", "locrian")


def plain_tags(root: Element) -> None:
    """Take the namespace off every tag, so that what follows looks for plain names, which is much quicker."""
    for element in root.iter("{*}*"):
        if element.tag[0] == "{":
            element.tag = element.tag.rpartition("}")[2]


def direct(element: Element, name: str) -> Iterator[Element]:
    return element.iterchildren(name)  # type: ignore[no-any-return]


def _child(element: Element, name: str) -> Element | None:
    return next(element.iterchildren(name), None)


Kids = dict[Any, Element]


def _kids(element: Element) -> Kids:
    """The first child of each name, in one pass: a note is asked for many."""
    found: Kids = {}
    for child in element:
        found.setdefault(child.tag, child)
    return found


def _said(kids: Kids, name: str) -> str | None:
    return (kids[name].text or "").strip() if name in kids else None


def _text(element: Element, name: str) -> str | None:
    found = _child(element, name)
    return (found.text or "").strip() if found is not None else None


def _integer(text: str | None, low: int, high: int, what: str) -> int:
    if text is None or not _INTEGER.fullmatch(text) or not low <= int(text.split(".")[0]) <= high:
        raise FileError("number_between", what=because(f"what_{what}"), low=low, high=high, value=text)
    return int(text.split(".")[0])


_SOUNDED: dict[str, Sign] = {
    "fine": "fine",
    "dacapo": "da_capo",
    "dalsegno": "dal_segno",
    "segno": "segno",
    "tocoda": "to_coda",
    "coda": "coda",
}


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
                kids = _kids(note)
                if not kids.keys() & {"rest", "grace", "cue"}:
                    line = self._staff(kids), _said(kids, "voice") or "1"
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
        text = _said(kids, "staff")
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
                left, right, ending = _bar_line(child, left, right, ending)
            elif tag in ("sound", "direction"):
                self._sound(child)
                louder += _loudness(child)
                signs += [sign for sign in _signs(child) if sign not in signs]
        check_count(len(placed), MAX_NOTES_IN_BAR, "notes_in_bar")
        meter = self.meter or Meter(4, 4)
        notes = _filled(placed)
        return Bar(notes, meter, self.key, left=left, right=right, ending=ending, signs=tuple(signs))

    def _moved(self, clock: Fraction, element: Element, index: int) -> Fraction:
        """Back, at most to the bar line (some files write a far too long way back), or on."""
        said = _text(element, "duration")
        if element.tag == "forward":
            return clock + self._duration(said, index)
        return max(clock - self._quarters(said, index), Fraction(0))

    def _attributes(self, element: Element) -> None:
        for child in element:
            tag = child.tag if isinstance(child.tag, str) else ""
            if tag == "divisions":
                self.divisions = _integer((child.text or "").strip(), 1, MAX_DIVISIONS, "divisions")
            elif tag == "key":
                self.key = _key(child)
            elif tag == "time":
                self.meter = _meter(child) or self.meter

    def _sound(self, element: Element) -> None:
        sound = element if element.get("tempo") else _child(element, "sound")
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
        kids = _kids(element)
        if "grace" in kids:
            return clock
        duration = self._duration(_said(kids, "duration"), index)
        chord = "chord" in kids
        in_this_voice = self._staff(kids) == self.staff and (_said(kids, "voice") or "1") == self.voice
        if in_this_voice and "cue" not in kids:
            self._count += 1
            check_count(self._count, MAX_NOTES, "notes")
            note = _note_of(element, kids, duration)
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


def _note_of(element: Element, kids: Kids, duration: Fraction) -> Note:
    if "rest" in kids:
        return Note("rest", duration, fills_bar=kids["rest"].get("measure") == "yes")
    ties = {tie.get("type") for tie in direct(element, "tie")} if "tie" in kids else ()
    border = "notations" in kids and next(kids["notations"].iter(*_BREATHS), None) is not None
    marks = in_order(_marks(kids["notations"])) if "notations" in kids else ()
    if not border and "lyric" in kids:
        border = next(kids["lyric"].iterchildren(*_LINE_ENDS), None) is not None
    pitch = kids.get("pitch")
    return Note(
        "unpitched" if pitch is None else "note",
        duration,
        None if pitch is None else _pitch(_kids(pitch)),
        tie_in="stop" in ties,
        tie_out="start" in ties,
        syllables=tuple(_syllables(element)) if "lyric" in kids else (),
        border=border,
        marks=marks,
    )


def _marks(notations: Element) -> Iterator[Mark]:
    """Fermata and articulations of a note."""
    for one in notations.iter("fermata", "staccato", "accent", "tenuto"):
        yield one.tag


def _loudness(element: Element) -> Iterator[Mark]:
    """What a direction says of loudness; it holds from the next note on."""
    for one in element.iter("dynamics", "wedge"):
        if one.tag == "wedge":
            kind = one.get("type")
            if kind in GROWING:
                yield kind
        else:
            yield from (child.tag for child in one if child.tag in LOUDNESS)


def _pitch(kids: Kids) -> Pitch:
    letter, alter = _said(kids, "step") or "", _said(kids, "alter") or "0"
    if letter not in tuple("CDEFGAB"):
        raise FileError("pitch_no_letter", value=letter)
    octave = _integer(_said(kids, "octave"), 0, 9, "octave")
    if "." in alter and re.fullmatch(r"-?\d+\.[1-9]\d*", alter):
        raise FileError("quarter_tones", value=alter)
    return pitch(letter, _integer(alter, -3, 3, "alteration"), octave)


def _syllables(element: Element) -> Iterator[Syllable]:
    for place, lyric in enumerate(direct(element, "lyric"), start=1):
        said = lyric.get("number") or ""
        number = [said] if said in _VERSES else re.search(r"\d{1,2}", said)
        texts = [clipped(text.text or "") for text in direct(lyric, "text")]
        joins = [(syllabic.text or "").strip() for syllabic in direct(lyric, "syllabic")]
        text = " ".join(filter(None, texts))
        if text:
            yield Syllable(text, int(number[0]) if number else place, joins[-1:] in (["begin"], ["middle"]))


def _key(element: Element) -> Key | None:
    text = _text(element, "fifths")
    if text is None:
        return None
    mode = (_text(element, "mode") or "").lower()
    return Key(_integer(text, -7, 7, "key_signature"), mode if mode in _MODES else None)


def _meter(element: Element) -> Meter | None:
    uppers = [(_child.text or "").replace(" ", "") for _child in direct(element, "beats")]
    lowers = [(_child.text or "").strip() for _child in direct(element, "beat-type")]
    if not uppers or len(uppers) != len(lowers):
        return None
    symbol = element.get("symbol")
    if len(set(lowers)) == 1:
        meter = Meter.parse(f"{'+'.join(uppers)}/{lowers[0]}")
        return replace(meter, symbol=symbol) if symbol in ("common", "cut") else meter
    lower = max(int(text) for text in lowers if text.isdigit())
    upper = sum(sum(map(int, u.split("+"))) * lower // int(w) for u, w in zip(uppers, lowers, strict=True))
    return Meter.parse(f"{upper}/{lower}")


def _signs(element: Element) -> Iterator[Sign]:
    """From what a direction sounds, else from what it says or draws."""
    sound = element if element.tag == "sound" else _child(element, "sound")
    sounded = [sign for name, sign in _SOUNDED.items() if sound is not None and sound.get(name)]
    yield from sounded
    for kind in element.iter("words", "segno", "coda") if not sounded else ():
        sign = sign_of(kind.text or "") if kind.tag == "words" else sign_of(str(kind.tag))
        if sign is not None:
            yield sign


def _bar_line(element: Element, left: BarLine, right: BarLine, ending: str) -> tuple[BarLine, BarLine, str]:
    repeat = _child(element, "repeat")
    direction = repeat.get("direction") if repeat is not None else None
    style = _text(element, "bar-style") or ""
    found = _child(element, "ending")
    if found is not None and found.get("type") == "start":
        ending = clipped(found.get("number") or "")
    if direction == "forward":
        return "repeat", right, ending
    if direction == "backward":
        return left, "repeat", ending
    if element.get("location", "right") == "right":
        right = {"light-light": "double", "light-heavy": "final"}.get(style, right)  # type: ignore[assignment]
    return left, right, ending
