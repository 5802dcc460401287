"""Layers and words that become a rhythm, on the wire."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated
from uuid import UUID

from pydantic import Field

from kopje.api.schemas.base import Body, Read, ReasonRead
from kopje.core.instruments.speech.rhythm import Laid, why
from kopje.core.instruments.speech.spoken import Said
from kopje.core.instruments.texture import Family, Stroke, Texture, written
from kopje.core.instruments.told import told
from kopje.core.music.meter import Meter
from kopje.formats.textures import MOST_BARS, MOST_VALUES, LayerFile, TextureFile
from kopje.store import tables
from kopje.words import Words

Value = Annotated[str, Field(min_length=1, max_length=12)]
MeterText = Annotated[str, Field(max_length=8)]


class LayerBody(Body):
    name: Annotated[str, Field(min_length=1, max_length=80, pattern=r"\S")] = Field(examples=["Shakers"])
    family: Family = Field(examples=["shaken"])
    rhythm: Annotated[list[Value], Field(min_length=1, max_length=MOST_VALUES)] = Field(
        examples=[["1", "1", "r2"]]
    )
    strokes: Annotated[list[Stroke], Field(max_length=MOST_VALUES)] = Field(default=[], examples=[["high"]])
    enters_bar: Annotated[int, Field(ge=1, le=999)] = Field(default=1, examples=[1])
    words: Annotated[list[Annotated[str, Field(max_length=40)]], Field(max_length=MOST_VALUES)] = Field(
        default=[], examples=[["rain", "drop"]], description="Syllables to think, one for each sound."
    )


class TextureBody(Body):
    meter: MeterText = Field(examples=["4/4"])
    phrase_bars: Annotated[int, Field(ge=1, le=MOST_BARS)] = Field(examples=[4])
    layers: Annotated[list[LayerBody], Field(min_length=1, max_length=16)] = Field(
        examples=[[{"name": "Shakers", "family": "shaken", "rhythm": ["1", "1", "r2"]}]]
    )

    def texture(self) -> Texture:
        """TextureError or MeterError for what cannot be one."""
        layers = [LayerFile.model_validate(one.model_dump()) for one in self.layers]
        return TextureFile(meter=self.meter, phrase_bars=self.phrase_bars, layers=layers).texture()


class LayerRead(Read):
    """A loop as it was understood: its beats, its onsets per beat, whether it closes on the phrase."""

    name: str
    beats: str
    density: str
    fits: bool


class LayersRead(Read):
    """Answers about a texture; beats of the meter, counted from 1."""

    layers: list[LayerRead]
    together_after: str
    all_in: int
    silent_beats: list[int]
    entry_order: list[str]
    sum: list[str]
    reasons: list[ReasonRead]

    @classmethod
    def of(cls, t: Texture, words: Words) -> LayersRead:
        return cls(
            layers=[
                LayerRead(
                    name=one.name,
                    beats=str(one.beats),
                    density=str(one.density),
                    fits=one not in t.does_not_fit,
                )
                for one in t.layers
            ],
            together_after=str(t.together_after),
            all_in=t.all_in,
            silent_beats=list(t.silent_beats),
            entry_order=[one.name for one in t.entry_order],
            sum=written(t.sum),
            reasons=ReasonRead.every(told(t), words),
        )


class KeepTextureBody(Body):
    name: Annotated[str, Field(min_length=1, max_length=80, pattern=r"\S")] = Field(
        examples=["Rain on the roof"]
    )
    texture: TextureBody = Field(
        examples=[
            {
                "meter": "4/4",
                "phrase_bars": 4,
                "layers": [{"name": "Shakers", "family": "shaken", "rhythm": ["1", "1", "r2"]}],
            }
        ]
    )


class TextureRead(Read):
    id: UUID
    name: str
    texture: TextureBody
    changed: datetime

    @classmethod
    def of(cls, row: tables.KeptTexture) -> TextureRead:
        texture = TextureBody.model_validate(row.texture, strict=False)
        return cls(id=row.id, name=row.name, texture=texture, changed=row.changed)


class SpeechBody(Body):
    words: Annotated[str, Field(min_length=1, max_length=400)] = Field(examples=["Rain is on the roof"])
    meter: MeterText = Field(examples=["4/4"])


class SyllableRead(Read):
    text: str
    stressed: bool
    guessed: bool


class ProposalRead(Read):
    rhythm: list[str]
    bars: int
    why: str


class SpeechRead(Read):
    """A sentence as it is spoken, and rhythms for it, the best first."""

    syllables: list[SyllableRead]
    proposals: list[ProposalRead]

    @classmethod
    def of(cls, said: list[Said], found: list[Laid], meter: Meter, words: Words) -> SpeechRead:
        return cls(
            syllables=[
                SyllableRead(text=one.text, stressed=one.stressed, guessed=one.guessed) for one in said
            ],
            proposals=[
                ProposalRead(
                    rhythm=written(laid.values), bars=laid.bars, why=words.say(why(said, laid, meter))
                )
                for laid in found
            ],
        )
