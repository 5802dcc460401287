"""One part of a MusicXML score as bars: staff 1, its lowest voice, the top tone of chords."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass, field, replace
from typing import Any

from lxml import etree

from kopje.core.errors import FileError
from kopje.core.exact import Fraction, parsed
from kopje.core.music.meter import Meter
from kopje.core.music.pitch import Pitch
from kopje.core.music.tune import Bar, BarLine, Key, Note, Problem, Syllable
from kopje.formats.limits import MAX_DIVISIONS, MAX_NOTES, MAX_NOTES_IN_BAR, check_count, clipped, length

Element = Any  # lxml's element; its stubs leave it open
_BORDERS = ("fermata", "breath-mark", "caesura", "end-line", "end-paragraph")
_MODES = ("major", "minor", "dorian", "phrygian", "lydian", "mixolydian", "aeolian", "ionian", "locrian")


def direct(element: Element, name: str) -> Iterator[Element]:
    return (child for child in element if isinstance(child.tag, str) and etree.QName(child).localname == name)


def _text(element: Element, path: str) -> str | None:
    found = element.findtext("/".join("{*}" + step for step in path.split("/")))
    return found.strip() if found is not None else None


def _integer(text: str | None, low: int, high: int, what: str) -> int:
    if (
        text is None
        or not re.fullmatch(r"-?\d{1,7}(\.0*)?", text)
        or not low <= int(text.split(".")[0]) <= high
    ):
        raise FileError(f"{what} must be a number from {low} to {high}. Nothing was kept.", value=text)
    return int(text.split(".")[0])


@dataclass
class _Placed:
    onset: Fraction
    note: Note


@dataclass
class PartReader:
    """Reads the measures of one part in order; `bars` may be called once."""

    measures: list[Element]
    problems: list[Problem] = field(default_factory=list)
    tempo: Fraction | None = None
    divisions: int = 1
    meter: Meter | None = None
    key: Key | None = None
    _count: int = 0

    def bars(self) -> list[Bar]:
        self.voice = self._lowest_voice()
        done = [self._bar(measure, index) for index, measure in enumerate(self.measures)]
        if self.meter is None:
            self._once(None, "meter_missing", "The file gives no meter; it was read in 4/4.")
        if all(bar.key is None for bar in done):
            self._once(None, "key_unknown", "The file gives no key; do was worked out from the tones.")
        return [bar for bar in done if bar.notes]

    def _once(self, bar: int | None, code: str, message: str) -> None:
        if not any(problem.code == code for problem in self.problems):
            self.problems.append(Problem(bar, code, message))

    def _lowest_voice(self) -> str:
        voices = set()
        for measure in self.measures:
            for note in direct(measure, "note"):
                if self._staff(note) == 1 and note.find("{*}rest") is None and not _left_out(note):
                    voices.add(_text(note, "voice") or "1")
        if len(voices) > 1:
            self._once(None, "voice_ignored", f"Of {len(voices)} voices the first was read.")
        return min(voices, key=lambda voice: (not voice.isdigit(), voice.zfill(6)), default="1")

    @staticmethod
    def _staff(note: Element) -> int:
        text = _text(note, "staff")
        return int(text) if text and text.isdigit() else 1

    def _bar(self, measure: Element, index: int) -> Bar:
        placed: list[_Placed] = []
        clock = Fraction(0)
        left: BarLine = "single"
        right: BarLine = "single"
        ending = ""
        for child in measure:
            tag = etree.QName(child).localname if isinstance(child.tag, str) else ""
            if tag == "attributes":
                self._attributes(child)
            elif tag == "note":
                clock = self._note(child, clock, placed, index)
            elif tag in ("backup", "forward"):
                shift = self._duration(child, index)
                clock = max(clock - shift, Fraction(0)) if tag == "backup" else clock + shift
            elif tag == "barline":
                left, right, ending = _bar_line(child, left, right, ending)
            elif tag in ("sound", "direction"):
                self._sound(child)
        check_count(len(placed), MAX_NOTES_IN_BAR, "notes in one bar")
        meter = self.meter or Meter(4, 4)
        notes = _filled(placed)
        return Bar(notes, meter, self.key, left=left, right=right, ending=ending)

    def _attributes(self, element: Element) -> None:
        for child in element:
            tag = etree.QName(child).localname if isinstance(child.tag, str) else ""
            if tag == "divisions":
                self.divisions = _integer((child.text or "").strip(), 1, MAX_DIVISIONS, "Divisions")
            elif tag == "key":
                self.key = _key(child)
            elif tag == "time":
                self.meter = _meter(child) or self.meter

    def _sound(self, element: Element) -> None:
        sound = element if element.get("tempo") else element.find("{*}sound")
        text = sound.get("tempo") if sound is not None else None
        if self.tempo is None and text and re.fullmatch(r"\d{1,3}(\.\d{1,4})?", text):
            self.tempo = parsed(text) or None

    def _duration(self, element: Element, index: int) -> Fraction:
        text = _text(element, "duration")
        if text is None or not re.fullmatch(r"\d{1,7}(\.\d{1,4})?", text):
            raise FileError(f"A duration in bar {index + 1} is not a number. Nothing was kept.", value=text)
        return length(parsed(text) / self.divisions, f"in bar {index + 1}")

    def _note(self, element: Element, clock: Fraction, placed: list[_Placed], index: int) -> Fraction:
        """Take one <note>; returns the place after it."""
        if element.find("{*}grace") is not None:
            return clock
        duration = self._duration(element, index)
        chord = element.find("{*}chord") is not None
        ours = self._staff(element) == 1 and (_text(element, "voice") or "1") == self.voice
        if ours and element.find("{*}cue") is None:
            self._count += 1
            check_count(self._count, MAX_NOTES, "notes")
            note = _note_of(element, duration)
            if chord and placed:
                self._once(index, "chord_reduced", "Of each chord only the top tone was read.")
                placed[-1].note = _top(placed[-1].note, note)
            else:
                placed.append(_Placed(clock, note))
        return clock if chord else clock + duration


def _left_out(note: Element) -> bool:
    return note.find("{*}grace") is not None or note.find("{*}cue") is not None


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


def _note_of(element: Element, duration: Fraction) -> Note:
    rest = element.find("{*}rest")
    if rest is not None:
        return Note("rest", duration, fills_bar=rest.get("measure") == "yes")
    ties = {tie.get("type") for tie in direct(element, "tie")}
    border = any(next(element.iter("{*}" + tag), None) is not None for tag in _BORDERS)
    pitch = element.find("{*}pitch")
    return Note(
        "unpitched" if pitch is None else "note",
        duration,
        None if pitch is None else _pitch(pitch),
        tie_in="stop" in ties,
        tie_out="start" in ties,
        syllables=tuple(_syllables(element)),
        border=border,
    )


def _pitch(element: Element) -> Pitch:
    letter, alter = _text(element, "step") or "", _text(element, "alter") or "0"
    if letter not in tuple("CDEFGAB"):
        raise FileError("A pitch has no letter from A to G. Nothing was kept.", value=letter)
    octave = _integer(_text(element, "octave"), 0, 9, "Octave")
    if re.fullmatch(r"-?\d+\.[1-9]\d*", alter):
        raise FileError(
            "The file holds quarter tones, which have no syllable. Nothing was kept.", value=alter
        )
    return Pitch(letter, _integer(alter, -3, 3, "Alteration"), octave)


def _syllables(element: Element) -> Iterator[Syllable]:
    for place, lyric in enumerate(direct(element, "lyric"), start=1):
        number = re.search(r"\d{1,2}", lyric.get("number") or "")
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
    return Key(_integer(text, -7, 7, "Key signature"), mode if mode in _MODES else None)


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


def _bar_line(element: Element, left: BarLine, right: BarLine, ending: str) -> tuple[BarLine, BarLine, str]:
    repeat = element.find("{*}repeat")
    direction = repeat.get("direction") if repeat is not None else None
    style = _text(element, "bar-style") or ""
    found = element.find("{*}ending")
    if found is not None and found.get("type") == "start":
        ending = clipped(found.get("number") or "")
    if direction == "forward":
        return "repeat", right, ending
    if direction == "backward":
        return left, "repeat", ending
    if element.get("location", "right") == "right":
        right = {"light-light": "double", "light-heavy": "final"}.get(style, right)  # type: ignore[assignment]
    return left, right, ending
