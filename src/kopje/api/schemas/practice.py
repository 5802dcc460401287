"""Echoes, rows and games on the wire."""

from __future__ import annotations

from uuid import UUID

from kopje.api.schemas.base import Read
from kopje.core.music.degree import Degree, Do
from kopje.core.practice.drills import EchoPhrase, counted_tones
from kopje.core.practice.games import Masked, least_right, luck
from kopje.usecases.songs.guess_songs import Guessing


class PlayedRead(Read):
    """A tone to sing or play; null for a rest. `beats` may be parts."""

    degree: str | None
    pitch: str | None
    midi: int | None
    beats: float

    @classmethod
    def of(cls, degree: Degree | None, beats: float, do: Do) -> PlayedRead:
        pitch = do.sounding(degree) if degree else None
        return cls(
            degree=str(degree) if degree else None,
            pitch=str(pitch) if pitch else None,
            midi=pitch.midi if pitch else None,
            beats=beats,
        )


class EchoRead(Read):
    tones: list[PlayedRead]
    bar: int
    home: bool

    @classmethod
    def of(cls, phrase: EchoPhrase, do: Do) -> EchoRead:
        return cls(
            tones=[PlayedRead.of(t.degree, float(t.beats), do) for t in phrase.tones],
            bar=phrase.bar,
            home=phrase.home,
        )


class TonePatternsRead(Read):
    """Rows of tones with their number and the seconds they take at the tempo asked for."""

    tone_patterns: list[list[PlayedRead]]
    tones: int
    seconds: int

    @classmethod
    def of(cls, tone_patterns: tuple[tuple[Degree, ...], ...], do: Do, tempo: int) -> TonePatternsRead:
        tones, minutes = counted_tones(tone_patterns, tempo)
        found = [[PlayedRead.of(degree, 1.0, do) for degree in row] for row in tone_patterns]
        return cls(tone_patterns=found, tones=tones, seconds=round(minutes * 60))


class MaskedRead(Read):
    text: str
    joins: bool
    degree: str | None
    aloud: bool

    @classmethod
    def every(cls, lines: tuple[tuple[Masked, ...], ...]) -> list[list[MaskedRead]]:
        return [
            [cls(text=s.text, joins=s.joins, degree=s.degree, aloud=s.aloud) for s in line] for line in lines
        ]


class TrialsRead(Read):
    """Answers in order: `as_written`, `parallel` or `half`. `luck`: the share of clever guessers with all
    right; `least`: right answers from which luck is under 5 %, null where even all are not."""

    answers: list[str]
    luck: float
    least: int | None

    @classmethod
    def of(cls, found: tuple[int, ...], names: tuple[str, ...]) -> TrialsRead:
        count = len(found)
        return cls(
            answers=[names[one] for one in found],
            luck=round(float(luck(count, count, len(names))), 4),
            least=least_right(count, len(names)),
        )


class ClueRead(Read):
    song_id: UUID
    title: str
    clue: list[str]
    alike: list[str]


class GuessingRead(Read):
    songs: list[ClueRead]

    @classmethod
    def of(cls, found: Guessing) -> GuessingRead:
        other: dict[str, list[str]] = {}
        for group in found.alike:
            for key in group:
                other[key] = [found.titles[one] for one in group if one != key]
        songs = [
            ClueRead(song_id=UUID(key), title=title, clue=list(found.clues[key]), alike=other.get(key, []))
            for key, title in found.titles.items()
        ]
        return cls(songs=songs)
