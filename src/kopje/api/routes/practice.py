"""Echoes, rows and games from songs."""

from __future__ import annotations

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Query

from kopje.api.deps import Work
from kopje.api.schemas.practice import EchoRead, GuessingRead, MaskedRead, TonePatternsRead, TrialsRead
from kopje.core.analysis.analysis import Analysis
from kopje.core.errors import PracticeError
from kopje.core.music.degree import Degree, Do
from kopje.core.practice.drills import Ending, Kind, echo_phrases, tone_patterns
from kopje.core.practice.games import FEWEST_TRIALS, By, masked, trials
from kopje.store import songs
from kopje.usecases.context import Context
from kopje.usecases.songs.guess_songs import guessing
from kopje.usecases.songs.songbook import analysis_of

router = APIRouter(tags=["practice"])
Tone = Annotated[str, Query(max_length=6, pattern=r"^[a-z]{2}[,']{0,3}$")]
ANSWERS = ("as_written", "parallel", "half")
MOST = 9


def _pitched(ctx: Context, song_id: UUID) -> tuple[Analysis, Do]:
    a = analysis_of(songs.song(ctx.session, ctx.school_id, song_id))
    if a.tonality.do is None:
        raise PracticeError("song_unpitched")
    return a, a.tonality.do


@router.get("/songs/{song_id}/echoes", operation_id="songEchoes")
def get_echoes(
    song_id: UUID, ctx: Work, beats: Annotated[int, Query(ge=1, le=16)] = 4, ending: Ending = "any"
) -> list[EchoRead]:
    a, do = _pitched(ctx, song_id)
    return [EchoRead.of(one, do) for one in echo_phrases(a, beats, ending)]


@router.get("/songs/{song_id}/rows", operation_id="songRows")
def get_rows(
    song_id: UUID,
    ctx: Work,
    kind: Kind = "up_and_down",
    start: Tone | None = None,
    tempo: Annotated[int, Query(ge=20, le=300)] = 80,
) -> TonePatternsRead:
    a, do = _pitched(ctx, song_id)
    return TonePatternsRead.of(
        tone_patterns(a.tone_set, kind, Degree.parse(start) if start else None), do, tempo
    )


@router.get("/songs/{song_id}/masked", operation_id="maskedSong")
def get_masked(
    song_id: UUID,
    ctx: Work,
    tones: Annotated[list[Tone], Query(max_length=12)] = [],  # noqa: B006  # FastAPI wants the default here
    only: bool = False,
) -> list[list[MaskedRead]]:
    """The words with some tones sung only inside, or only these aloud."""
    a, _ = _pitched(ctx, song_id)
    return MaskedRead.every(masked(a, frozenset(Degree.parse(tone).syllable for tone in tones), only))


@router.get("/songs/{song_id}/trials", operation_id="songTrials")
def get_trials(
    song_id: UUID,
    ctx: Work,
    count: Annotated[int, Query(ge=FEWEST_TRIALS, le=MOST)] = 5,
    seed: Annotated[int, Query(ge=0, le=2**31 - 1)] = 0,
    half: bool = False,
) -> TrialsRead:
    """Which tonality is it: the order of answers; with `half` a song may change once in its middle."""
    a, _ = _pitched(ctx, song_id)
    if a.tonality.name not in ("major", "minor"):
        raise PracticeError("song_no_parallel")
    names = ANSWERS if half else ANSWERS[:2]
    return TrialsRead.of(trials(count, seed, len(names)), names)


@router.get("/sections/{section_id}/guess", operation_id="guessSongs")
def get_guess(section_id: UUID, ctx: Work, by: By = "rhythm") -> GuessingRead:
    return GuessingRead.of(guessing(ctx, section_id, by))
