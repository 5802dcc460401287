"""Sequences on the wire."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Any, Literal

from pydantic import Field

from kopje.api.schemas.base import Body, Read
from kopje.core.reasons import because
from kopje.core.sequence.concepts import STRANDS, Sequence, Way, strand_name
from kopje.core.sequence.grades import BELOW_KINDERGARTEN, CHOIR
from kopje.core.songs.facts import TRAITS
from kopje.formats.sequence_files import concept_values, sequence_of
from kopje.words import Words

Text = Annotated[str, Field(max_length=60)]
MonthDay = Annotated[str, Field(max_length=5, pattern=r"^(\d\d-\d\d)?$")]
Texts = Annotated[list[Text], Field(max_length=40)]


class ConceptBody(Body):
    """One concept as the editor sends it, and as it is read."""

    key: Annotated[str, Field(min_length=1, max_length=60, pattern=r"\S")] = Field(examples=["do"])
    name: Annotated[str, Field(min_length=1, max_length=120, pattern=r"\S")] = Field(examples=["do"])
    strand: Text = Field(examples=["melody"])
    grade: Annotated[int, Field(ge=BELOW_KINDERGARTEN, le=CHOIR)] = Field(examples=[2])
    sign: Annotated[str, Field(max_length=40)] = Field(examples=["do"])
    needs: Texts = Field(examples=[[]])
    elements: Texts = Field(examples=[[]])
    degrees: Texts = Field(examples=[["do"]])
    meters: Texts = Field(examples=[[]])
    tone_sets: Texts = Field(examples=[[]])
    resting: Text | None = Field(default=None, examples=[None])
    ways: list[Way] = Field(examples=[["sing"]])
    core: bool = Field(examples=[True])
    prompt: Annotated[str, Field(max_length=300)] = Field(examples=[""])
    not_before: MonthDay = Field(default="", examples=["10-01"])
    not_after: MonthDay = Field(default="", examples=[""])
    traits: Texts = Field(default=[], examples=[[]])
    any_song: bool = Field(default=False, examples=[False])
    shown: Annotated[str, Field(max_length=120)] = Field(default="", examples=[""])


class SequenceBody(Body):
    name: Annotated[str, Field(min_length=1, max_length=120, pattern=r"\S")] = Field(examples=["Ours"])
    concepts: Annotated[list[ConceptBody], Field(max_length=500)] = Field(
        examples=[
            [
                {
                    "key": "so-mi",
                    "name": "so and mi",
                    "strand": "melody",
                    "grade": 1,
                    "sign": "so mi",
                    "needs": [],
                    "elements": [],
                    "degrees": ["so", "mi"],
                    "meters": [],
                    "tone_sets": [],
                    "resting": None,
                    "ways": ["sing"],
                    "core": True,
                    "prompt": "",
                }
            ]
        ]
    )

    def value(self) -> Sequence:
        rows = [
            (because("at_row_named", number=n, name=one.name), one.model_dump())
            for n, one in enumerate(self.concepts, 1)
        ]
        return sequence_of(self.name.strip(), rows)


class StartBody(Body):
    """A shipped sequence to start from, or the number of an earlier version to go back to."""

    shipped: Literal["so-mi", "mi-re-do", "scale"] | None = Field(examples=["so-mi"])
    number: Annotated[int, Field(ge=1, le=2**31 - 1)] | None = Field(examples=[None])


class VersionRead(Read):
    number: int
    name: str
    made: datetime


class SequenceRead(Read):
    """`along`: what was added because it has been taught or heard."""

    name: str
    number: int
    concepts: list[ConceptBody]
    versions: list[VersionRead]
    strands: dict[str, str]
    traits: dict[str, str]
    along: list[str]

    @classmethod
    def of(
        cls,
        sequence: Sequence,
        number: int,
        versions: list[Any],
        words: Words,
        along: list[str] | None = None,
    ) -> SequenceRead:
        concepts = [ConceptBody(**concept_values(c)) for c in sequence.concepts]
        kept = [VersionRead.model_validate(one) for one in versions]
        return cls(
            name=sequence.name,
            number=number,
            concepts=concepts,
            versions=kept,
            strands={key: words.say(strand_name(key)) for key in STRANDS},
            traits={key: words.say(because(f"trait_{key}")) for key in TRAITS},
            along=along or [],
        )
