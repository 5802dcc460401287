"""Spelled pitch: F sharp is not G flat. Source: docs/sources.md#pitch."""

from __future__ import annotations

import re
from dataclasses import dataclass
from functools import lru_cache

from kopje.core.errors import PitchError
from kopje.core.lazy import lazy

LETTERS = "CDEFGAB"
NATURAL_SEMITONES = (0, 2, 4, 5, 7, 9, 11)
_PITCH = re.compile(r"([A-G])(#{1,3}|b{1,3}|)(-?\d)")


@dataclass(frozen=True)
class Pitch:
    """A written pitch: letter C..B, alteration in semitones (-3..3), octave with C4 = middle C.

    >>> str(Pitch.parse("F#4")), Pitch.parse("Bb4").midi
    ('F#4', 70)
    """

    letter: str
    alter: int
    octave: int

    @classmethod
    def parse(cls, text: str) -> Pitch:
        """Read `F#4`, `Bb3`; PitchError otherwise."""
        match = _PITCH.fullmatch(text)
        if not match:
            raise PitchError("not_a_pitch", text=text, value=text)
        letter, sign, octave = match.groups()
        return cls(letter, len(sign) if "#" in sign else -len(sign), int(octave))

    def __str__(self) -> str:
        return f"{spell(self.letter, self.alter)}{self.octave}"

    @lazy
    def step(self) -> int:
        """Letters above C0."""
        return self.octave * 7 + LETTERS.index(self.letter)

    @lazy
    def midi(self) -> int:
        return (self.octave + 1) * 12 + NATURAL_SEMITONES[LETTERS.index(self.letter)] + self.alter

    @property
    def name(self) -> str:
        """Letter and alteration without the octave, in ASCII: `Bb`, `F#`."""
        return spell(self.letter, self.alter)

    @property
    def letter_name(self) -> str:
        """Letter and alteration as they are printed: `B♭`, `F♯`."""
        return self.name.replace("#", "♯").replace("b", "♭")

    @property
    def fifths(self) -> int:
        """Place on the line of fifths, C = 0, G = 1, F = -1."""
        return "FCGDAEB".index(self.letter) - 1 + 7 * self.alter

    def moved(self, steps: int, semitones: int) -> Pitch:
        """The pitch `steps` letters and `semitones` away (an exact interval, either direction)."""
        octave, index = divmod(self.step + steps, 7)
        natural = (octave + 1) * 12 + NATURAL_SEMITONES[index]
        return pitch(LETTERS[index], self.midi + semitones - natural, octave)


@lru_cache(maxsize=4096)
def pitch(letter: str, alter: int, octave: int) -> Pitch:
    """The one pitch of this name: a tune has few, so what was worked out about one need not be worked out
    again."""
    return Pitch(letter, alter, octave)


def spell(letter: str, alter: int) -> str:
    return letter + ("#" * alter if alter > 0 else "b" * -alter)


def from_fifths(fifths: int) -> tuple[str, int]:
    """The letter and alteration at a place on the line of fifths.

    >>> from_fifths(-2), from_fifths(6)
    (('B', -1), ('F', 1))
    """
    alter, index = divmod(fifths + 1, 7)
    return "FCGDAEB"[index], alter


def signature_alters(fifths: int) -> dict[str, int]:
    """Which letters a key signature alters: {'F': 1, 'C': 1} for two sharps."""
    if fifths >= 0:
        return {letter: 1 for letter in "FCGDAEB"[:fifths]}
    return {letter: -1 for letter in "BEADGCF"[:-fifths]}
