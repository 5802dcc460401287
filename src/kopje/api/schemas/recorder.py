"""The recorder with the school's songs, on the wire."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Annotated

from pydantic import Field

from kopje.api.schemas.base import Body, Read
from kopje.core.instruments.faults import LOOKS
from kopje.core.instruments.letters import Difference, told
from kopje.core.instruments.recorder import Advice
from kopje.usecases.instruments.recorder import ForSong
from kopje.words import Words


class RecorderToneRead(Read):
    """A tone of the recorder as it is written: its fingering, and the songs that it alone would open."""

    tone: str
    fingering: str
    songs: int
    titles: list[str]


class RecorderRead(Read):
    """What the school's songs ask of the recorder with the known tones."""

    tones: list[RecorderToneRead]
    playable: int
    titles: list[str]
    of: int
    next: list[RecorderToneRead]

    @classmethod
    def of_advice(cls, known: list[str], table: dict[str, str], found: Advice, most: int) -> RecorderRead:
        return cls(
            tones=[
                RecorderToneRead(tone=one, fingering=table[one], songs=0, titles=[])
                for one in known
                if one in table
            ],
            playable=len(found.playable),
            titles=list(found.playable[:most]),
            of=found.of,
            next=[
                RecorderToneRead(
                    tone=one.tone,
                    fingering=one.fingering,
                    songs=len(one.songs),
                    titles=list(one.songs[:most]),
                )
                for one in found.next
            ],
        )


class InKeyRead(Read):
    do: str
    playable: bool
    semitones: int | None


class SongRecorderRead(Read):
    """Written pitches, low first. `keys`: nearest first; `hardest`: the change at which most holes move."""

    title: str
    do: str | None
    needs: list[str]
    missing: list[str]
    fingerings: dict[str, str]
    keys: list[InKeyRead]
    hardest: list[str]
    holes: int

    @classmethod
    def of(cls, found: ForSong, table: dict[str, str]) -> SongRecorderRead:
        one, two, holes = found.hardest or ("", "", 0)
        return cls(
            title=found.title,
            do=found.do,
            needs=list(found.needs),
            missing=list(found.missing),
            fingerings={name: table[name] for name in found.needs if name in table},
            keys=[InKeyRead(do=str(k.do), playable=k.playable, semitones=k.moved) for k in found.keys],
            hardest=[one, two] if found.hardest else [],
            holes=holes,
        )


class LettersBody(Body):
    letters: Annotated[str, Field(min_length=1, max_length=4_000)] = Field(examples=["G A B"])


class LetterRead(Read):
    line: int
    place: int
    bar: int
    sentence: str


class LettersRead(Read):
    """How many tones the tune has, and each place where the letters differ."""

    of: int
    differences: list[LetterRead]

    @classmethod
    def of_found(cls, of: int, found: Iterable[tuple[Difference, int]], words: Words) -> LettersRead:
        return cls(
            of=of,
            differences=[
                LetterRead(line=d.line, place=d.place, bar=bar, sentence=words.say(told(d, bar)))
                for d, bar in found
            ],
        )


class LookRead(Read):
    """`look`: what to look at; `attempt`: the one thing to try where it is so; `holes`: which to watch."""

    cause: str
    look: str
    attempt: str
    holes: str


class FaultRead(Read):
    heard: str
    says: str
    looks: list[LookRead]

    @classmethod
    def every(cls, words: Words) -> list[FaultRead]:
        return [
            cls(
                heard=heard,
                says=words.word(f"heard_{heard}"),
                looks=[
                    LookRead(
                        cause=one.cause,
                        look=words.word(f"look_{one.cause}"),
                        attempt=words.word(f"try_{one.cause}"),
                        holes=one.holes,
                    )
                    for one in found
                ],
            )
            for heard, found in LOOKS.items()
        ]
