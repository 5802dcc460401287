"""What is made for the instruments of the room: layers, words that become a rhythm, the recorder."""

from __future__ import annotations

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Query, Response

from kopje.api.deps import Provided, Work
from kopje.api.problems import answers
from kopje.api.schemas.bars import BarsRead
from kopje.api.schemas.cards import CardSetRead
from kopje.api.schemas.moves import MovesRead
from kopje.api.schemas.recorder import FaultRead, LettersBody, LettersRead, RecorderRead, SongRecorderRead
from kopje.api.schemas.textures import (
    KeepTextureBody,
    LayersRead,
    SpeechBody,
    SpeechRead,
    TextureBody,
    TextureRead,
)
from kopje.core.instruments.cards.sounding import Sounding
from kopje.core.instruments.moves.room import Prop
from kopje.core.instruments.moves.vocabulary import Formation
from kopje.core.instruments.recorder import System, fingerings
from kopje.core.music.meter import Meter
from kopje.core.music.pitch import Pitch
from kopje.engraving.printing import Paper
from kopje.usecases.instruments import bars, cards, moves, recorder, textures

router = APIRouter(tags=["instruments"])
MOST_TITLES = 12


@router.post("/textures/look", operation_id="lookAtLayers", summary="Do these layers fit together?")
def look_at_layers(body: TextureBody, ctx: Work) -> LayersRead:
    """Nothing is kept."""
    return LayersRead.of(body.texture(), ctx.words)


@router.get("/textures", operation_id="textures", summary="Kept layers")
def get_textures(ctx: Work) -> list[TextureRead]:
    return [TextureRead.of(row) for row in textures.every(ctx)]


@router.post("/textures", status_code=201, operation_id="keepTexture", summary="Keep layers under a name")
def post_texture(body: KeepTextureBody, ctx: Work) -> TextureRead:
    """The same name again takes its place."""
    body.texture.texture()
    return TextureRead.of(textures.keep(ctx, body.name, body.texture.model_dump(mode="json")))


@router.delete(
    "/textures/{texture_id}", status_code=204, operation_id="dropTexture", summary="Drop kept layers"
)
def delete_texture(texture_id: UUID, ctx: Work) -> None:
    textures.drop(ctx, texture_id)


@router.post("/sections/{section_id}/speech", operation_id="speechRhythm", summary="Rhythms for a sentence")
def post_speech(section_id: UUID, body: SpeechBody, ctx: Work) -> SpeechRead:
    """Of figures that the class knows; the best first, each with its reasons."""
    meter = Meter.parse(body.meter)
    said, found = textures.to_rhythm(ctx, section_id, body.words, meter)
    return SpeechRead.of(list(said), list(found), meter, ctx.words)


@router.get(
    "/songs/{song_id}/bars", operation_id="songBars", summary="Bars off and on, borduns for two hands"
)
def get_bars(song_id: UUID, ctx: Work, do: Annotated[str | None, Query(max_length=2)] = None) -> BarsRead:
    """With do where the song has it, or elsewhere; every pitch as written."""
    return BarsRead.of(bars.bars_of(ctx, song_id, do), ctx)


@router.get("/recorder/faults", operation_id="recorderFaults", summary="What was heard, what to look at")
def get_faults(ctx: Work) -> list[FaultRead]:
    """Each with at most three looks, in the order in which they are most often right."""
    return FaultRead.every(ctx.words)


@router.get(
    "/songs/{song_id}/recorder", operation_id="songRecorder", summary="What a song asks of the recorder"
)
def get_song_recorder(
    song_id: UUID,
    ctx: Work,
    tones: Annotated[list[Annotated[str, Query(max_length=4)]], Query(max_length=40)] = [],  # noqa: B006  # FastAPI wants the default here
    system: System = "baroque",
) -> SongRecorderRead:
    """With these written tones."""
    known = [str(Pitch.parse(one)) for one in tones]
    return SongRecorderRead.of(recorder.for_song(ctx, song_id, known, system), fingerings(system))


@router.post(
    "/songs/{song_id}/letters", operation_id="checkLetters", summary="Letters from elsewhere beside the tune"
)
def post_letters(song_id: UUID, body: LettersBody, ctx: Work) -> LettersRead:
    """Line by line; octaves are left aside. Nothing is kept."""
    of, found = recorder.letters_of(ctx, song_id, body.letters)
    return LettersRead.of_found(of, found, ctx.words)


@router.get("/recorder", operation_id="recorderAdvice", summary="What can be played, which tone comes next")
def get_recorder(
    ctx: Work,
    tones: Annotated[list[Annotated[str, Query(max_length=4)]], Query(max_length=40)] = [],  # noqa: B006  # FastAPI wants the default here
    system: System = "baroque",
) -> RecorderRead:
    """Of all songs of the book as they are written, with these written tones."""
    known = [str(Pitch.parse(one)) for one in tones]
    found = recorder.next_tone(ctx, known, system)
    return RecorderRead.of_advice(known, fingerings(system), found, MOST_TITLES)


@router.get("/songs/{song_id}/moves", operation_id="songMoves", summary="A song as a dance")
def get_moves(
    song_id: UUID,
    ctx: Work,
    formation: Formation = "ring",
    children: Annotated[int, Query(ge=2, le=60)] = 24,
    prop: Prop | None = None,
    touch: bool = False,
    own: bool = True,
) -> MovesRead:
    """Its form as performed, a move for each part; without touch unless it is asked for."""
    found = moves.moves_of(ctx, song_id, formation, touch, own)
    return MovesRead.of(found, children, prop, ctx.words)


@router.get("/cards", operation_id="cardSet", summary="Cards of instruments")
def get_cards(
    ctx: Work, sounding: Sounding | None = None, seed: Annotated[int, Query(ge=0, le=2**31 - 1)] = 0
) -> CardSetRead:
    """Of all families, or of one by how it sounds; the same seed lays them the same."""
    return CardSetRead.of(cards.card_set(ctx, sounding, seed))


@router.get(
    "/cards/print",
    operation_id="printCards",
    summary="Cards of instruments as PDF",
    response_class=Response,
    responses=answers("application/pdf"),
)
def get_cards_print(
    ctx: Work,
    services: Provided,
    sounding: Sounding | None = None,
    parts: cards.Parts = "three",
    only: Annotated[int | None, Query(ge=1, le=99)] = None,
    paper: Paper = "A4",
) -> Response:
    """To cut, with the list by which a lost one is found; `only` one number, to print it anew."""
    sheets = cards.printed(ctx, sounding, parts, only)
    return Response(services.printer.pdf(sheets, paper), media_type="application/pdf")
