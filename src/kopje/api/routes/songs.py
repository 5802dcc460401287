"""The songbook."""

from __future__ import annotations

from typing import Annotated, Literal
from uuid import UUID

from fastapi import APIRouter, Query, Response, UploadFile

from kopje.api.deps import Provided, Work
from kopje.api.problems import answers
from kopje.api.schemas.song_insight import AboutBody, InsightRead, KeyRead
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
from kopje.core.music.tune import opening
from kopje.core.sequence.grades import BELOW_KINDERGARTEN, CHOIR
from kopje.core.songs.keys import Purpose, best_keys_for
from kopje.engraving.flat import printable
from kopje.engraving.mei import Under, mei
from kopje.engraving.printing import Paper
from kopje.formats.limits import MAX_BYTES
from kopje.formats.write import MEDIA, write_tune
from kopje.usecases.songs import songbook
from kopje.usecases.songs.bring_shipped_songs import bring_shipped_songs
from kopje.usecases.songs.print_song import song_sheet, under
from kopje.usecases.songs.songbook import Variant, analysis_of, import_files, keep_typed, seen

router = APIRouter(tags=["songs"])
SVG = "image/svg+xml"
OPENING_BARS, OPENING_WIDTH = 2, 860
PICTURE = {"Cache-Control": "private, max-age=600", "Content-Security-Policy": "default-src 'none'"}
Recast = Annotated[How | None, Query()]
DoLetter = Annotated[str | None, Query(max_length=2, pattern=r"^[A-G](#|b)?$")]


@router.post("/songs", status_code=201, operation_id="importSongs", summary="Bring in song files")
def post_songs(files: list[UploadFile], ctx: Work) -> ImportRead:
    given = ((file.filename or "song", file.file.read(MAX_BYTES + 1)) for file in files)
    return ImportRead.of(import_files(ctx, given), ctx.words)


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
    )


@router.post("/songs/typed", status_code=201, operation_id="keepTypedSong", summary="Keep a typed song")
def post_typed(body: TypedBody, ctx: Work) -> ImportedRead:
    return ImportedRead.of(keep_typed(ctx, body.value()), ctx.words)


@router.post(
    "/songs/shipped",
    status_code=201,
    operation_id="bringShippedSongs",
    summary="Bring in the songs that come with Kopje",
)
def post_shipped(ctx: Work, services: Provided) -> ImportRead:
    return ImportRead.of(bring_shipped_songs(ctx, services.settings.songs), ctx.words)


@router.get("/songs/{song_id}", operation_id="song", summary="One song, as it is or recast")
def get_song(song_id: UUID, ctx: Work, recast: Recast = None, do: DoLetter = None) -> SongRead:
    """As it is; or in the parallel tonality, and with another do: everything said is of what one
    then sees."""
    song = songbook.in_book(ctx, song_id)
    return SongRead.of(song, ctx.words, Variant(recast, do))


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
def get_insight(song_id: UUID, ctx: Work, recast: Recast = None, do: DoLetter = None) -> InsightRead:
    song = songbook.in_book(ctx, song_id)
    a = seen(song, Variant(recast, do), ctx.sequence.wording.minor)
    return InsightRead.of(song, a, ctx.words, songbook.twins(ctx, song))


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
    kind: Annotated[Literal["musicxml", "abc", "mid"] | None, Query()] = None,
    recast: Recast = None,
    do: DoLetter = None,
) -> Response:
    """The file as it came, or written anew in another open format."""
    song = songbook.in_book(ctx, song_id)
    title = "".join(c if c.isalnum() or c in "-_." else "-" for c in song.filename).rsplit(".", 1)
    name = f"{title[0]}.{kind or title[-1]}"
    data = write_tune(seen(song, Variant(recast, do)).tune, name) if kind else song.source
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
    width: Annotated[int, Query(ge=600, le=4000)] = 2000,
    do: DoLetter = None,
    recast: Recast = None,
    lines: bool = True,
    wall: bool = False,
    layers: Annotated[list[Layer], Query(max_length=8)] = [],  # noqa: B006  # FastAPI wants the default here
    words: bool = True,
) -> Response:
    """The engraved song as SVG, on wish with another do; `lines` keeps one line of text on one line of music.

    `wall` has larger words; `layers` stand as lines of text between the staff and the words.
    """
    song = songbook.in_book(ctx, song_id)
    a = seen(song, Variant(recast, do), ctx.sequence.wording.minor)
    tune = a.tune
    encoded = lines and any(bar.line_end for bar in tune.bars)
    svg = services.engraver.svg(
        mei(tune, under(a, layers, words, ctx.sequence.wording)), width, encoded, wall
    )
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
    do: DoLetter = None,
    recast: Recast = None,
    layers: Annotated[list[Layer], Query(max_length=8)] = [],  # noqa: B006  # FastAPI wants the default here
    words: bool = True,
    facts: bool = True,
    mirrored: bool = True,
    paper: Paper = "A4",
) -> Response:
    """The song as PDF, as it is seen on the screen; without `facts` only what children read."""
    song = songbook.in_book(ctx, song_id)
    variant, wording = Variant(recast, do), ctx.sequence.wording
    shown = under(seen(song, variant, wording.minor), layers, words, wording)
    sheet = song_sheet(song, variant, shown, ctx.words, services.engraver, facts, mirrored)
    return Response(services.printer.pdf([sheet], paper), media_type="application/pdf")
