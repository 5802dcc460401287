"""Guess the song by clues that say more and more: its rhythm, its line, its syllables, some of its words.

Source: docs/sources.md#rounds.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from kopje.core.errors import PracticeError
from kopje.core.practice.asks.question import Choice, Question, fair_row, placed
from kopje.core.practice.reading.chance import Chance
from kopje.core.reasons import because

CHOICES = 4


@dataclass(frozen=True, slots=True)
class Clues:
    """A song that a class has sung, and what its first phrase is told by; what it lacks is empty."""

    title: str
    rhythm: str
    line: str
    syllables: str
    words: str

    @property
    def all(self) -> tuple[str, ...]:
        return tuple(clue for clue in (self.rhythm, self.line, self.syllables, self.words) if clue)


def guess(songs: Sequence[Clues], count: int, chance: Chance) -> tuple[Question, ...]:
    """Questions of four songs each (or of as many as there are, at least two), no song asked twice before
    all were. PracticeError where the class has sung too few that can be told apart."""
    told = {song.all: song for song in songs if song.all}
    pool = list(told.values())
    if len(pool) < 2:
        raise PracticeError("round_few_songs", value=len(pool))
    asked: list[Clues] = []
    while len(asked) < count:
        rest = list(pool)
        asked += [rest.pop(chance.below(len(rest))) for _ in range(len(rest))]
    places = fair_row(count, min(CHOICES, len(pool)), chance)
    return tuple(_question(song, pool, at, chance) for song, at in zip(asked, places, strict=False))


def _question(song: Clues, pool: Sequence[Clues], at: int, chance: Chance) -> Question:
    others = [one for one in pool if one is not song]
    wrong = [others.pop(chance.below(len(others))) for _ in range(min(CHOICES, len(pool)) - 1)]
    return Question(
        because("ask_song"),
        placed(_title(song), [_title(one) for one in wrong], at),
        at,
        because("ask_song_why", title=song.title),
        clues=tuple(because("said", text=clue) for clue in song.all),
    )


def _title(song: Clues) -> Choice:
    return Choice(because("said", text=song.title))
