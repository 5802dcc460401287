"""Movable-do degrees, octave-marked. Spelling decides: raised fa is fi, lowered so is se.

Source: docs/sources.md#solfa.
"""

from __future__ import annotations

import re
from dataclasses import dataclass
from functools import lru_cache

from kopje.core.errors import PitchError
from kopje.core.lazy import lazy
from kopje.core.music.pitch import LETTERS, NATURAL_SEMITONES, Pitch, pitch, spell

NATURAL = ("do", "re", "mi", "fa", "so", "la", "ti")
RAISED = {"do": "di", "re": "ri", "fa": "fi", "so": "si", "la": "li"}
LOWERED = {"re": "ra", "mi": "me", "so": "se", "la": "le", "ti": "te"}
_BY_NAME = (
    {name: (index, 0) for index, name in enumerate(NATURAL)}
    | {RAISED[name]: (index, 1) for index, name in enumerate(NATURAL) if name in RAISED}
    | {LOWERED[name]: (index, -1) for index, name in enumerate(NATURAL) if name in LOWERED}
)
_DEGREE = re.compile(r"([a-z]{2})([#b]*)([,']*)")


@dataclass(frozen=True)
class Degree:
    """A tone seen from do: letter steps above do (0..6), alteration, octave mark (0 plain, -1 low, 1 high).

    >>> str(Degree.parse("so,")), Degree.parse("fi").semitones
    ('so,', 6)
    """

    index: int
    alter: int
    octave: int

    @classmethod
    def parse(cls, text: str) -> Degree:
        match = _DEGREE.fullmatch(text)
        if not match or match[1] not in _BY_NAME:
            raise PitchError("not_a_syllable", text=text, value=text)
        index, alter = _BY_NAME[match[1]]
        octave = len(match[3]) if "'" in match[3] else -len(match[3])
        return cls(index, alter + match[2].count("#") - match[2].count("b"), octave)

    def __str__(self) -> str:
        return self.marked

    @lazy
    def marked(self) -> str:
        """With its octave mark: `so,` `do'`."""
        return self.syllable + ("'" * self.octave if self.octave > 0 else "," * -self.octave)

    @lazy
    def syllable(self) -> str:
        """Without octave mark; a tone that has no syllable of its own is written with its sign (`mi#`)."""
        natural = NATURAL[self.index]
        if self.alter == 0:
            return natural
        if self.alter == 1 and natural in RAISED:
            return RAISED[natural]
        if self.alter == -1 and natural in LOWERED:
            return LOWERED[natural]
        return spell(natural, self.alter)

    @property
    def semitones(self) -> int:
        """Above plain do."""
        return NATURAL_SEMITONES[self.index] + self.alter + 12 * self.octave

    @property
    def step(self) -> int:
        """Letters above plain do."""
        return self.index + 7 * self.octave

    def shifted(self, octaves: int) -> Degree:
        return degree(self.index, self.alter, self.octave + octaves)


@lru_cache(maxsize=1024)
def degree(index: int, alter: int, octave: int) -> Degree:
    """The one degree of this name: its syllable is worked out once."""
    return Degree(index, alter, octave)


@dataclass(frozen=True)
class Do:
    """Where do is: a spelled letter, and the octave whose do is written plain."""

    letter: str
    alter: int = 0
    octave: int = 4

    def __str__(self) -> str:
        return spell(self.letter, self.alter)

    @lazy
    def pitch(self) -> Pitch:
        return pitch(self.letter, self.alter, self.octave)

    def degree(self, pitch: Pitch) -> Degree:
        """The degree of a pitch; with `pitch` gives it back exactly (a law of the tests)."""
        octave, index = divmod(pitch.step - self.pitch.step, 7)
        alter = pitch.midi - self.pitch.midi - 12 * octave - NATURAL_SEMITONES[index]
        return degree(index, alter, octave)

    def sounding(self, degree: Degree) -> Pitch:
        return self.pitch.moved(degree.step, degree.semitones)

    def at(self, octave: int) -> Do:
        return Do(self.letter, self.alter, octave)

    @property
    def fifths(self) -> int:
        """The key signature of do as a major tonic."""
        return self.pitch.fifths


def plain_do(name: str) -> Do:
    """Do from its letter name: `F`, `Bb`, `F#`."""
    if not re.fullmatch(r"[A-G](#{0,2}|b{0,2})", name):
        raise PitchError("not_a_letter", text=name, value=name)
    return Do(name[0], name.count("#") - name.count("b"))


def between(old: Do, new: Do) -> tuple[int, int]:
    """(letters, semitones) from one do to the nearest octave of another, whatever octaves they are written
    in.

    >>> between(plain_do("F"), plain_do("C")), between(plain_do("C"), plain_do("A"))
    ((-3, -5), (-2, -3))
    """
    steps = new.at(4).pitch.step - old.at(4).pitch.step
    semitones = new.at(4).pitch.midi - old.at(4).pitch.midi
    if semitones > 6:
        return steps - 7, semitones - 12
    return (steps + 7, semitones + 12) if semitones < -6 else (steps, semitones)


__all__ = ["LETTERS", "LOWERED", "NATURAL", "RAISED", "Degree", "Do", "between", "degree", "plain_do"]
