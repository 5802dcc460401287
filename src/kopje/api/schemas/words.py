"""What the school calls things, on the wire."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from kopje.api.schemas.base import Body, Read
from kopje.core.music.rhythm_syllables import (
    FIGURES,
    RESTS,
    SYSTEMS,
    RhythmSystem,
    checked_own,
    sounding,
    spoken,
)
from kopje.core.sequence.phases import MODELS
from kopje.core.sequence.section_state import PURPOSES
from kopje.core.sequence.wording import TERMS, Clock, Dates, Names, Wording
from kopje.words import Words

Term = Literal["resting_tone", "phrase", "phrases", "rest", "rests", "home"]
ModelKey = Literal["prepare-present-practise", "join-make-say", "listen-to-create"]


class WordsBody(Body):
    """`phase_words`: the school's own words by phase key; what is not named keeps the model's word."""

    so: Literal["so", "sol"] = Field(examples=["sol"])
    ti: Literal["ti", "si"] = Field(examples=["ti"])
    names: Names = Field(examples=["solfa"])
    rhythm: RhythmSystem = Field(examples=["ta-titi"])
    minor: Literal["la", "do"] = Field(examples=["la"])
    model: ModelKey = Field(examples=["listen-to-create"])
    phase_words: dict[
        Annotated[str, Field(max_length=40)],
        Annotated[str, Field(min_length=1, max_length=40, pattern=r"\S")],
    ] = Field(examples=[{"echo": "sing back"}], max_length=20)

    terms: dict[Term, Annotated[str, Field(max_length=40)]] = Field(
        default={}, max_length=6, examples=[{"phrase": "breath", "phrases": "breaths"}]
    )
    own_rhythm: dict[Annotated[str, Field(max_length=40)], Annotated[str, Field(max_length=40)]] = Field(
        default={}, max_length=60, examples=[{"two_eighths": "ti ti", "beat_rest": "sh"}]
    )

    name_after: Annotated[str, Field(max_length=40)] = Field(default="", examples=[""])
    dates: Dates = Field(default="day_first", examples=["day_first"])
    clock: Clock = Field(default="24", examples=["24"])

    def value(self) -> Wording:
        """WordingError for syllables that do not fit their figure."""
        known = {phase.key for phase in MODELS[self.model].phases}
        own = {key: word.strip() for key, word in self.phase_words.items() if key in known}
        told: dict[str, str] = {
            key: word.strip() for key, word in self.terms.items() if word.strip() not in ("", TERMS[key])
        }
        plain = self.model_dump(exclude={"phase_words", "terms", "own_rhythm"})
        return Wording(**plain, phase_words=own, terms=told, own_rhythm=checked_own(self.own_rhythm))


class FigureWords(Read):
    """A figure with the syllables of each system; `own` is the school's, empty where it has none. `notes`:
    how many syllables it takes; a rest takes one, or none where it is silent."""

    key: str
    name: str
    notes: int
    rest: bool
    systems: dict[str, str]
    own: str


class TermRead(Read):
    """What children are told: as shipped, and the school's own word, empty where it has none."""

    key: str
    usual: str
    own: str


class ModelPhase(Read):
    key: str
    word: str
    purpose: str
    usual: int


class ModelRead(Read):
    key: str
    name: str
    phases: list[ModelPhase]
    name_after: list[str]


class WordsRead(Read):
    """`phases`: the word for each stretch of an arc, as the page shows it: prepare, present, practise, warm,
    assess."""

    so: str
    ti: str
    names: Names
    rhythm: RhythmSystem
    minor: str
    model: str
    phase_words: dict[str, str]
    phases: dict[str, str]
    models: list[ModelRead]
    name_after: str
    dates: Dates
    clock: Clock
    terms: list[TermRead]
    figures: list[FigureWords]

    @classmethod
    def of(cls, w: Wording, words: Words) -> WordsRead:
        models = [
            ModelRead(
                key=m.key,
                name=m.name,
                phases=[
                    ModelPhase(key=p.key, word=p.word, purpose=p.purpose, usual=p.lessons[1])
                    for p in m.phases
                ],
                name_after=list(m.places_for_name),
            )
            for m in MODELS.values()
        ]
        return cls(
            so=w.so,
            ti=w.ti,
            names=w.names,
            rhythm=w.rhythm,
            minor=w.minor,
            model=w.model,
            phase_words=dict(w.phase_words),
            phases={p: w.phases.word(p) for p in PURPOSES},
            models=models,
            name_after=w.name_after,
            dates=w.dates,
            clock=w.clock,
            terms=[
                TermRead(key=key, usual=words.catalogue.terms[f"word_{key}"], own=w.terms.get(key, ""))
                for key in TERMS
            ],
            figures=[
                FigureWords(
                    key=key,
                    name=words.word(f"figure_{key}"),
                    notes=sounding(key),
                    rest=key in RESTS,
                    systems={system: spoken(key, system) for system in SYSTEMS},
                    own=w.own_rhythm.get(key, ""),
                )
                for key in (*FIGURES, *RESTS)
            ],
        )


Bar = Literal["C", "D", "E", "F", "F#", "G", "A", "Bb", "B"]
Colour = Annotated[str, Field(pattern=r"^#[0-9a-f]{6}$")]


class BarColoursBody(Body):
    """The colours of the room's bars; a letter that is left out has none."""

    colours: dict[Bar, Colour] = Field(max_length=9, examples=[{"C": "#a63a12"}])
