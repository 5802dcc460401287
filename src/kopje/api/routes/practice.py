"""Echoes, rows and games from songs."""

from __future__ import annotations

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Query, Response

from kopje.api.deps import Provided, Work
from kopje.api.problems import answers
from kopje.api.schemas.practice import EchoRead, GuessingRead, MaskedRead, TonePatternsRead, TrialsRead
from kopje.core.practice.drills import Ending, Kind
from kopje.core.practice.games import FEWEST_TRIALS, By
from kopje.engraving.printing import Paper
from kopje.usecases.songs import practise_song, print_drills
from kopje.usecases.songs.guess_songs import guessing

router = APIRouter(tags=["practice"])
Tone = Annotated[str, Query(max_length=6, pattern=r"^[a-z]{2}[,']{0,3}$")]
MOST = 9


@router.get("/songs/{song_id}/echoes", operation_id="songEchoes", summary="Phrases of a song to echo")
def get_echoes(
    song_id: UUID, ctx: Work, beats: Annotated[int, Query(ge=1, le=16)] = 4, ending: Ending = "any"
) -> list[EchoRead]:
    found, do = practise_song.echoes(ctx, song_id, beats, ending)
    return [EchoRead.of(one, do) for one in found]


@router.get("/songs/{song_id}/rows", operation_id="songRows", summary="Patterns over the tones of a song")
def get_rows(
    song_id: UUID,
    ctx: Work,
    kind: Kind = "up_and_down",
    start: Tone | None = None,
    tempo: Annotated[int, Query(ge=20, le=300)] = 80,
) -> TonePatternsRead:
    found, do = practise_song.patterns(ctx, song_id, kind, start)
    return TonePatternsRead.of(found, do, tempo)


@router.get(
    "/songs/{song_id}/drills/print",
    operation_id="printDrills",
    summary="Drills and games of a song as PDF",
    response_class=Response,
    responses=answers("application/pdf"),
)
def get_drills(song_id: UUID, ctx: Work, services: Provided, paper: Paper = "A4") -> Response:
    sheet = print_drills.drill_sheet(ctx, song_id)
    return Response(services.printer.pdf([sheet], paper), media_type="application/pdf")


@router.get(
    "/songs/{song_id}/masked",
    operation_id="maskedSong",
    summary="The words of a song with some tones sung inside",
)
def get_masked(
    song_id: UUID,
    ctx: Work,
    tones: Annotated[list[Tone], Query(max_length=12)] = [],  # noqa: B006  # FastAPI wants the default here
    only: bool = False,
) -> list[list[MaskedRead]]:
    """The words with some tones sung only inside, or only these aloud."""
    return MaskedRead.every(practise_song.sung_inside(ctx, song_id, tones, only))


@router.get(
    "/songs/{song_id}/trials", operation_id="songTrials", summary="An order of answers for telling a tonality"
)
def get_trials(
    song_id: UUID,
    ctx: Work,
    count: Annotated[int, Query(ge=FEWEST_TRIALS, le=MOST)] = 5,
    seed: Annotated[int, Query(ge=0, le=2**31 - 1)] = 0,
    half: bool = False,
) -> TrialsRead:
    """Which tonality is it: the order of answers; with `half` a song may change once in its middle."""
    return TrialsRead.of(*practise_song.which_tonality(ctx, song_id, count, seed, half))


@router.get(
    "/sections/{section_id}/guess",
    operation_id="guessSongs",
    summary="Songs of a section to be guessed by a clue",
)
def get_guess(section_id: UUID, ctx: Work, by: By = "rhythm") -> GuessingRead:
    return GuessingRead.of(guessing(ctx, section_id, by))
