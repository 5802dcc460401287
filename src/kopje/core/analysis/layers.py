"""What can stand under the notes of a song, one line of text a layer: degrees, numbers, letters, rhythm
syllables, steps and skips; hand signs stand at their heights; phrases are drawn above the staff.

Keys of a layer are the indexes of printed notes. Source: docs/sources.md#solfa,
docs/sources.md#rhythm-syllables."""

from __future__ import annotations

from dataclasses import dataclass, replace
from itertools import pairwise
from typing import Literal

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.motion import move
from kopje.core.analysis.timeline import Sound, bar_starts
from kopje.core.exact import Fraction
from kopje.core.music.rhythm_syllables import RESTS, syllables
from kopje.core.music.tune import Tune
from kopje.core.sequence.wording import Wording

TextLayer = Literal["degrees", "numbers", "letters", "rhythm", "motion", "marks"]
Layer = Literal[TextLayer, "hands", "phrases"]
Line = dict[int, str]


def line(a: Analysis, layer: TextLayer, words: Wording) -> Line:
    """The texts of one layer in a school's words."""
    if layer == "rhythm":
        return _rhythm(a, words)
    if layer == "motion":
        return _motion(a)
    if layer == "marks":
        return {sound.note: words.tone(str(a.degree(sound))) for sound in marked(a)}
    if layer == "letters":
        return letters(a.tune)
    said = words if layer == "degrees" else replace(words, names="numbers")
    said = said if layer == "numbers" else replace(words, names="solfa")
    found = ((sound, a.degree(sound)) for sound in a.attacks)
    return {sound.note: said.tone(str(degree)) for sound, degree in found if degree is not None}


@dataclass(frozen=True, slots=True)
class Hand:
    """A hand sign: its tone, and how many letters below the highest of the song it is shown."""

    tone: str
    below: int


def hands(a: Analysis) -> dict[int, Hand]:
    """The hand sign of each attack at its height."""
    tones = [(sound.note, degree) for sound in a.attacks if (degree := a.degree(sound)) is not None]
    top = max((degree.step for _, degree in tones), default=0)
    return {note: Hand(str(degree), top - degree.step) for note, degree in tones}


def phrase_marks(a: Analysis) -> tuple[tuple[int, int, str], ...]:
    """(first printed note, last, letter) of each phrase."""
    found = ((phrase.label, a.attacks_in(phrase)) for phrase in a.phrases)
    return tuple((inside[0].note, inside[-1].note, label) for label, inside in found if inside)


def marked(a: Analysis) -> tuple[Sound, ...]:
    """The few tones that a reader wants named: the first one, one after a rest of a bar or more, every
    arrival by skip or leap, every chromatic tone; no repeats, no steps."""
    found: list[Sound] = []
    last: Sound | None = None
    silence = Fraction(0)
    for sound in a.timeline:
        if not sound.attack:
            silence += sound.duration
        elif sound.pitch is not None:
            degree = a.degree(sound)
            chromatic = degree is not None and degree.alter != 0
            kind = move(last.pitch, sound.pitch) if last is not None and last.pitch is not None else "first"
            rested = silence >= sound.meter.length
            if degree is not None and (
                rested or kind in ("first", "skip", "leap") or (chromatic and kind != "repeat")
            ):
                found.append(sound)
            last, silence = sound, Fraction(0)
    return tuple(found)


def letters(tune: Tune) -> Line:
    """The letter names of a tune in whatever key it is printed."""
    printed = ((index, note) for index, (_, _, note) in enumerate(tune.notes()))
    return {index: note.pitch.letter_name for index, note in printed if note.pitch and not note.tie_in}


def _rhythm(a: Analysis, words: Wording) -> Line:
    """Each named figure's syllables under its sounding notes; what has no name is left without."""
    starts, found = bar_starts(a.tune), dict[int, str]()
    placed = [
        (starts[f.bar] + f.beat * a.tune.bars[0].meter.beat, f)
        for f in a.figures
        if f.key and f.bar in starts
    ]
    for (start, figure), (stop, _) in pairwise([*placed, (a.timeline[-1].end if a.timeline else 0, None)]):
        if figure is None:
            continue
        inside = [s for s in a.attacks if start <= s.onset < stop]
        rests_first = not any(s.onset == start for s in inside)
        said = syllables(figure.key or "", words.rhythm, int(figure.beat) + 1, rests_first, words.own_rhythm)
        found.update({sound.note: one for sound, one in zip(inside, said, strict=False)})
    return found


def spoken_rests(a: Analysis, words: Wording) -> Line:
    """The school's word for a rest under the first rest of each figure that is one; none where rests are
    silent."""
    if not any(figure in words.own_rhythm for figure in RESTS):
        return {}
    starts, found = bar_starts(a.tune), dict[int, str]()
    silent = {sound.onset: sound.note for sound in a.timeline if not sound.attack}
    for f in a.figures:
        said = words.own_rhythm.get(f.key or "") if f.key in RESTS else None
        onset = starts[f.bar] + f.beat * a.tune.bars[0].meter.beat if f.bar in starts else None
        if said and onset in silent:
            found[silent[onset]] = said
    return found


def _motion(a: Analysis) -> Line:
    """How each tone is reached from the one before in its phrase."""
    found: Line = {}
    for phrase in a.phrases:
        inside = [s for s in a.timeline[phrase.first : phrase.stop] if s.attack and s.pitch]
        for one, two in pairwise(inside):
            found[two.note] = _said(one, two)
    return found


def _said(one: Sound, two: Sound) -> str:
    if one.pitch is None or two.pitch is None:
        return ""
    kind = move(one.pitch, two.pitch)
    half = kind == "step" and abs(one.pitch.midi - two.pitch.midi) == 1
    return {"repeat": "same", "step": "half" if half else "step"}.get(kind, kind)
