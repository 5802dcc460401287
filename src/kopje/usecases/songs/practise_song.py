"""Practice made from one song: what it is made from is its analysis, and a song without pitches has none."""

from __future__ import annotations

from uuid import UUID

from kopje.core.analysis.analysis import Analysis
from kopje.core.errors import PracticeError
from kopje.core.music.degree import Degree, Do
from kopje.core.practice.drills import EchoPhrase, Ending, Kind, echo_phrases, tone_patterns
from kopje.core.practice.games import Masked, masked, trials
from kopje.usecases.context import Context
from kopje.usecases.songs.look import analysis_of
from kopje.usecases.songs.songbook import in_book

ANSWERS = ("as_written", "parallel", "half")


def pitched(ctx: Context, song_id: UUID) -> tuple[Analysis, Do]:
    """A song with its do; PracticeError for one without pitches."""
    a = analysis_of(in_book(ctx, song_id))
    if a.tonality.do is None:
        raise PracticeError("song_unpitched")
    return a, a.tonality.do


def echoes(ctx: Context, song_id: UUID, beats: int, ending: Ending) -> tuple[tuple[EchoPhrase, ...], Do]:
    a, do = pitched(ctx, song_id)
    return echo_phrases(a, beats, ending), do


def patterns(
    ctx: Context, song_id: UUID, kind: Kind, start: str | None
) -> tuple[tuple[tuple[Degree, ...], ...], Do]:
    a, do = pitched(ctx, song_id)
    return tone_patterns(a.tone_set, kind, Degree.parse(start) if start else None), do


def sung_inside(ctx: Context, song_id: UUID, tones: list[str], only: bool) -> tuple[tuple[Masked, ...], ...]:
    """The words with some tones sung only inside, or only these aloud."""
    a, _ = pitched(ctx, song_id)
    return masked(a, frozenset(Degree.parse(tone).syllable for tone in tones), only)


def which_tonality(
    ctx: Context, song_id: UUID, count: int, seed: int, half: bool
) -> tuple[tuple[int, ...], tuple[str, ...]]:
    """An order of answers, and what may be answered; PracticeError for a song without a parallel tonality."""
    a, _ = pitched(ctx, song_id)
    if a.tonality.name not in ("major", "minor"):
        raise PracticeError("song_no_parallel")
    names = ANSWERS if half else ANSWERS[:2]
    return trials(count, seed, len(names)), names
