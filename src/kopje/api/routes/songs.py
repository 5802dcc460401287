"""The songbook."""

from __future__ import annotations

from typing import Annotated, Literal
from uuid import UUID

from fastapi import APIRouter, Depends, Query, Response, UploadFile

from kopje.api.deps import Provided, Work
from kopje.api.problems import answers
from kopje.api.schemas.song_insight import AboutBody, InsightRead, KeyRead
from kopje.api.schemas.song_parts import PartnerRead, RoundRead, SingTogetherRead
from kopje.api.schemas.song_words import OnBeatRead
from kopje.api.schemas.songs import (
    AnnotationsBody,
    DraftRead,
    ImportedRead,
    ImportRead,
    ProblemRead,
    RemovedSongRead,
    SongRead,
    TypedBody,
)
from kopje.core.analysis.analysis import analyse
from kopje.core.analysis.layers import Layer
from kopje.core.analysis.recast import How
from kopje.core.music.score import MOST_PARTS, Score
from kopje.core.music.tune import opening
from kopje.core.sequence.grades import BELOW_KINDERGARTEN, CHOIR
from kopje.core.songs.keys import Purpose, best_keys_for
from kopje.engraving.flat import printable
from kopje.engraving.mei import Under, mei
from kopje.engraving.printing import Paper
from kopje.formats.limits import MAX_BYTES
from kopje.formats.write import MEDIA, write_score
from kopje.usecases.songs import songbook
from kopje.usecases.songs.bring_shipped_songs import bring_shipped_songs
from kopje.usecases.songs.look import Variant, analysis_of, score_seen, seen
from kopje.usecases.songs.print_song import engraved, song_sheet, under
from kopje.usecases.songs.recordings import bring_shipped_pieces
from kopje.usecases.songs.sing_together import sing_together
from kopje.usecases.songs.songbook import import_files, keep_typed
from kopje.usecases.songs.words_on_beat import words_on_beat

router = APIRouter(tags=["songs"])
SVG = "image/svg+xml"
OPENING_BARS, OPENING_WIDTH = 2, 860
PICTURE = {"Cache-Control": "private, max-age=600", "Content-Security-Policy": "default-src 'none'"}


def look(
    ctx: Work,
    recast: Annotated[How | None, Query()] = None,
    do: Annotated[str | None, Query(max_length=2, pattern=r"^[A-G](#|b)?$")] = None,
    part: Annotated[int | None, Query(ge=1, le=MOST_PARTS)] = None,
    voices: Annotated[int, Query(ge=1, le=MOST_PARTS)] = 1,
    after: Annotated[int, Query(ge=0, le=64)] = 0,
    beside: UUID | None = None,
) -> Variant:
    """How a song is looked at: recast, with another do, one of its parts, as a round, beside a partner."""
    other = songbook.in_book(ctx, beside) if beside else None
    return Variant(recast, do, part, voices, after, other)


Look = Annotated[Variant, Depends(look)]


@router.post("/songs", status_code=201, operation_id="importSongs", summary="Bring in song files")
def post_songs(files: list[UploadFile], ctx: Work, services: Provided) -> ImportRead:
    given = ((file.filename or "song", file.file.read(MAX_BYTES + 1)) for file in files)
    return ImportRead.of(import_files(ctx, given, services.read), ctx.words)


@router.post("/songs/draft", operation_id="draftSong", summary="Look at a typed song; nothing is kept")
def post_draft(body: TypedBody, ctx: Work, services: Provided) -> DraftRead:
    """How a typed song looks so far; nothing is kept."""
    a = analyse(body.value().tune())
    svg = services.engraver.svg(mei(a.tune), 1700, True)
    without = sum(not sound.syllables for sound in a.attacks) if body.words.strip() else 0
    return DraftRead(
        svg=svg,
        problems=[ProblemRead.of(p, ctx.words) for p in a.problems],
        bars=a.tune.bars[-1].number,
        tones=[str(d) for d in a.tone_set],
        without_words=without,
        on_beat=OnBeatRead.of(words_on_beat(a), ctx.words),
    )


@router.post("/songs/typed", status_code=201, operation_id="keepTypedSong", summary="Keep a typed song")
def post_typed(body: TypedBody, ctx: Work) -> ImportedRead:
    return ImportedRead.of(keep_typed(ctx, body.value()), ctx.words)


@router.post(
    "/songs/shipped",
    status_code=201,
    operation_id="bringShippedSongs",
    summary="Bring in the songs and pieces that come with Kopje",
)
def post_shipped(ctx: Work, services: Provided) -> ImportRead:
    bring_shipped_pieces(ctx, services.settings.pieces)
    return ImportRead.of(bring_shipped_songs(ctx, services.settings.songs), ctx.words)


@router.get("/songs/{song_id}", operation_id="song", summary="One song, as it is or recast")
def get_song(song_id: UUID, ctx: Work, variant: Look) -> SongRead:
    """As it is; or in the parallel tonality, with another do, one of its parts, as a round, with a partner:
    everything said is of what one then sees."""
    return SongRead.of(songbook.in_book(ctx, song_id), ctx.words, variant)


@router.put(
    "/songs/{song_id}/annotations",
    operation_id="annotateSong",
    summary="Keep the teacher's word on a song's analysis",
)
def put_annotations(song_id: UUID, body: AnnotationsBody, ctx: Work) -> SongRead:
    return SongRead.of(songbook.annotate(ctx, song_id, body.model_dump()), ctx.words)


@router.put("/songs/{song_id}/about", operation_id="aboutSong", summary="Keep what is known about a song")
def put_about(song_id: UUID, body: AboutBody, ctx: Work) -> SongRead:
    return SongRead.of(songbook.about(ctx, song_id, body.title, body.facts), ctx.words)


@router.get(
    "/songs/{song_id}/insight",
    operation_id="songInsight",
    summary="A song looked into: words, phrases, turns, difficulty",
)
def get_insight(song_id: UUID, ctx: Work, variant: Look) -> InsightRead:
    song = songbook.in_book(ctx, song_id)
    a = seen(song, variant, ctx.sequence.wording.minor)
    return InsightRead.of(song, a, ctx.words, songbook.twins(ctx, song))


@router.get(
    "/songs/{song_id}/together",
    operation_id="singTogether",
    summary="As a round, and with which partner songs",
)
def get_together(song_id: UUID, ctx: Work) -> SingTogetherRead:
    """The ways to sing it as a round, and the songs of the book that fit over it, best first."""
    found, beside = sing_together(ctx, song_id)
    return SingTogetherRead(
        rounds=[RoundRead.of(one, ctx.words) for one in found],
        partners=[PartnerRead.of(one, ctx.words) for one in beside],
    )


@router.get(
    "/songs/{song_id}/keys", operation_id="songKeys", summary="The best keys for a grade and a purpose"
)
def get_keys(
    song_id: UUID,
    ctx: Work,
    grade: Annotated[int, Query(ge=BELOW_KINDERGARTEN, le=CHOIR)],
    purpose: Purpose = "voices",
    signs: Annotated[int, Query(ge=0, le=7)] = 1,
) -> list[KeyRead]:
    """The best keys for a grade and a purpose; `signs`: how many the class reads."""
    song = songbook.in_book(ctx, song_id)
    return [
        KeyRead.of(advice, ctx.words) for advice in best_keys_for(analysis_of(song), grade, purpose, signs)
    ]


@router.delete(
    "/songs/{song_id}", status_code=204, operation_id="removeSong", summary="Take a song out of the songbook"
)
def delete_song(song_id: UUID, ctx: Work) -> None:
    """Out of the songbook; `/removed-songs` lists it, and it can be taken back."""
    songbook.remove(ctx, song_id)


@router.get(
    "/removed-songs", operation_id="removedSongs", summary="Songs that were taken out and can be taken back"
)
def get_removed(ctx: Work) -> list[RemovedSongRead]:
    return [RemovedSongRead.model_validate(song) for song in songbook.removed(ctx)]


@router.post(
    "/songs/{song_id}/bring-back", operation_id="bringSongBack", summary="Take a song back into the songbook"
)
def post_back(song_id: UUID, ctx: Work) -> SongRead:
    return SongRead.of(songbook.bring_back(ctx, song_id), ctx.words)


@router.get(
    "/songs/{song_id}/file",
    operation_id="songFile",
    summary="The file of a song, as it came or in another format",
    response_class=Response,
    responses=answers("application/octet-stream", *MEDIA.values()),
)
def get_file(
    song_id: UUID,
    ctx: Work,
    variant: Look,
    kind: Annotated[Literal["musicxml", "abc", "mid"] | None, Query()] = None,
) -> Response:
    """The file as it came, or written anew in another open format: all parts, or one alone."""
    song = songbook.in_book(ctx, song_id)
    title = "".join(c if c.isalnum() or c in "-_." else "-" for c in song.filename).rsplit(".", 1)
    name = f"{title[0]}.{kind or title[-1]}"
    score = score_seen(song, variant) if variant.part is None else Score.solo(seen(song, variant).tune)
    data = write_score(score, name) if kind else song.source
    headers = {"Content-Disposition": f'attachment; filename="{name.encode("ascii", "replace").decode()}"'}
    media = MEDIA[f".{kind}"] if kind else "application/octet-stream"
    return Response(data, media_type=media, headers=headers)


@router.get(
    "/songs/{song_id}/score",
    operation_id="score",
    summary="The engraved song",
    response_class=Response,
    responses=answers(SVG),
)
def get_score(
    song_id: UUID,
    ctx: Work,
    services: Provided,
    variant: Look,
    width: Annotated[int, Query(ge=600, le=4000)] = 2000,
    lines: bool = True,
    wall: bool = False,
    layers: Annotated[list[Layer], Query(max_length=8)] = [],  # noqa: B006  # FastAPI wants the default here
    words: bool = True,
    alone: bool = False,
) -> Response:
    """The engraved song as SVG, on wish with another do; `lines` keeps one line of text on one line of music.

    `wall` has larger words; `layers` stand as lines of text between the staff and the words of the part that
    is looked at; `alone` leaves the other parts out.
    """
    song = songbook.in_book(ctx, song_id)
    a = seen(song, variant, ctx.sequence.wording.minor)
    encoded = lines and any(bar.line_end for bar in a.tune.bars)
    shown = under(a, layers, words, ctx.sequence.wording)
    svg = services.engraver.svg(engraved(song, variant, shown, alone), width, encoded, wall)
    return Response(svg, media_type=SVG, headers={"Cache-Control": "private, max-age=600"})


@router.get(
    "/songs/{song_id}/opening",
    operation_id="songOpening",
    summary="The first bars as a small picture",
    response_class=Response,
    responses=answers(SVG),
)
def get_opening(song_id: UUID, ctx: Work, services: Provided) -> Response:
    """The first bars as a small picture that stands by itself, for the rows of the songbook."""
    tune = analysis_of(songbook.in_book(ctx, song_id)).tune
    music = mei(opening(tune, OPENING_BARS), Under(words=False))
    picture = printable(services.engraver.strip(music, OPENING_WIDTH))
    return Response(picture, media_type=SVG, headers=PICTURE)


@router.get(
    "/songs/{song_id}/print",
    operation_id="printSong",
    summary="The song as PDF",
    response_class=Response,
    responses=answers("application/pdf"),
)
def get_print(
    song_id: UUID,
    ctx: Work,
    services: Provided,
    variant: Look,
    layers: Annotated[list[Layer], Query(max_length=8)] = [],  # noqa: B006  # FastAPI wants the default here
    words: bool = True,
    facts: bool = True,
    mirrored: bool = True,
    paper: Paper = "A4",
    alone: bool = False,
) -> Response:
    """The song as PDF, as it is seen on the screen; without `facts` only what children read."""
    song = songbook.in_book(ctx, song_id)
    wording = ctx.sequence.wording
    shown = under(seen(song, variant, wording.minor), layers, words, wording)
    sheet = song_sheet(song, variant, shown, ctx.words, services.engraver, facts, mirrored, alone)
    return Response(services.printer.pdf([sheet], paper), media_type="application/pdf")
