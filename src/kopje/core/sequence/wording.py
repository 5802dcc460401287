"""What a school calls things: its phases, its syllables, its names for degrees and figures. Stored keys
never change.

Source: docs/sources.md#solfa, docs/sources.md#arcs.
"""

from __future__ import annotations

import re
from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from functools import cached_property
from typing import Literal

from kopje.core.music.degree import Degree
from kopje.core.music.rhythm_syllables import RhythmSystem
from kopje.core.sequence.phases import MODELS, PREPARE_PRESENT_PRACTISE, PhaseModel

Names = Literal["solfa", "numbers", "letters"]
Dates = Literal["day_first", "month_first", "iso"]
Clock = Literal["24", "12"]
TERMS = {
    "resting_tone": "resting tone",
    "phrase": "phrase",
    "phrases": "phrases",
    "rest": "rest",
    "rests": "rests",
    "home": "home",
}  # what children are told, by key, as the shipped sequence and activities say it
IN_STEPS = ("resting_tone", "phrase", "phrases", "home")  # “the rest of you” is no silence
_SO, _TI = re.compile(r"(?<![\w-])(so|sol)(?![\w-])"), re.compile(r"(?<![\w-])ti(?![\w-])")


@dataclass(frozen=True)
class Wording:
    """`so` and `ti` are spellings; with `ti` = "si" the raised so is written so♯. `phase_words`: own words
    by phase key. `terms`: own words for what children are told, by key of TERMS. `own_rhythm`: own syllables
    by figure, and a word for a rest where it is spoken."""

    so: Literal["so", "sol"] = "so"
    ti: Literal["ti", "si"] = "ti"
    names: Names = "solfa"
    rhythm: RhythmSystem = "ta-titi"
    minor: Literal["la", "do"] = "la"
    model: str = PREPARE_PRESENT_PRACTISE.key
    phase_words: Mapping[str, str] = field(default_factory=dict)
    terms: Mapping[str, str] = field(default_factory=dict)
    own_rhythm: Mapping[str, str] = field(default_factory=dict)
    dates: Dates = "day_first"
    clock: Clock = "24"
    name_after: str = ""  # the phase of the model after which a concept gets its name; empty: as it ships

    @cached_property
    def phases(self) -> PhaseModel:
        model = MODELS.get(self.model, PREPARE_PRESENT_PRACTISE)
        return model.with_name_after(self.name_after).named(self.phase_words)

    def syllable(self, key: str) -> str:
        """A stored degree in this school's spelling, octave marks kept.

        >>> Wording(so="sol", ti="si").syllable("si,"), Wording(ti="si").syllable("ti")
        ('sol♯,', 'si')
        """
        tone = key.rstrip(",'")
        marks = key[len(tone) :]
        shown = {"so": self.so, "ti": self.ti}.get(tone, tone)
        if tone == "si" and self.ti == "si":
            shown = f"{self.so}♯"
        return shown + marks

    def tone(self, key: str) -> str:
        """A degree by the school's names. Letters depend on a song's do, so words alone fall back to
        syllables.

        >>> Wording(names="numbers").tone("so,"), Wording(names="numbers").tone("fi")
        ('5,', '♯4')
        """
        if self.names != "numbers":
            return self.syllable(key)
        degree = Degree.parse(key)
        sign = "♯" * degree.alter if degree.alter > 0 else "♭" * -degree.alter
        return f"{sign}{degree.index + 1}" + (
            "'" * degree.octave if degree.octave > 0 else "," * -degree.octave
        )

    def concept(self, name: str) -> str:
        """A concept's name, sign or question, in which so and ti are always tones.

        >>> Wording(so="sol").concept("so and mi"), Wording(terms={"rest": "silence"}).concept("beat rest")
        ('sol and mi', 'beat silence')
        """
        said = _SO.sub(self.so, name)
        return self.children(_TI.sub(self.ti, said))

    def children(self, text: str) -> str:
        """What children are told, in the school's words."""
        return self._termed(text, TERMS)

    def step(self, text: str) -> str:
        """What a teacher says in an activity, in the school's words."""
        return self._termed(text, IN_STEPS)

    def _termed(self, text: str, keys: Iterable[str]) -> str:
        for key in keys:
            if key in self.terms:
                text = re.sub(rf"\b{TERMS[key]}\b", self.terms[key].replace("\\", r"\\"), text)
        return text


OURS = Wording()
