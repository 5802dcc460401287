"""The school's sequence: reading, changing, starting over, files."""

from __future__ import annotations

from typing import Annotated, Literal
from uuid import UUID

from fastapi import APIRouter, Query, Response, UploadFile

from kopje.api.deps import Provided, Work
from kopje.api.problems import answers
from kopje.api.schemas.ladder import LadderBody, LadderNowRead, LadderRead
from kopje.api.schemas.sequence import SequenceBody, SequenceRead, StartBody
from kopje.api.schemas.words import BarColoursBody, WordsBody, WordsRead
from kopje.core.errors import NotFoundError
from kopje.core.sequence.concepts import STRANDS, strand_name
from kopje.formats.sequence_files import MOST_BYTES, read_sequence, write_case, write_csv
from kopje.usecases.context import Context
from kopje.usecases.ledger import read_ladder
from kopje.usecases.setup import reading_ladder, school_sequence, set_up_school

router = APIRouter(tags=["sequence"])


def _read(ctx: Context, changed: school_sequence.Changed) -> SequenceRead:
    versions = school_sequence.versions(ctx)
    along = [concept.name for concept in changed.along]
    return SequenceRead.of(changed.sequence, changed.number, versions, ctx.words, along)


def _strands(ctx: Context) -> dict[str, str]:
    return {key: ctx.words.say(strand_name(key)) for key in STRANDS}


@router.get("/words", operation_id="words", summary="What the school calls things")
def get_words(ctx: Work) -> WordsRead:
    return WordsRead.of(ctx.sequence.wording, ctx.words)


@router.get("/bar-colours", operation_id="barColours", summary="The colours of the room's bars")
def get_colours(ctx: Work) -> BarColoursBody:
    return BarColoursBody.model_validate({"colours": set_up_school.school(ctx).bar_colours})


@router.put("/bar-colours", operation_id="setBarColours", summary="Set the colours of the room's bars")
def put_colours(body: BarColoursBody, ctx: Work) -> BarColoursBody:
    set_up_school.set_bar_colours(ctx, {str(bar): colour for bar, colour in body.colours.items()})
    return body


@router.put("/words", operation_id="setWords", summary="Set what the school calls things")
def put_words(body: WordsBody, ctx: Work) -> WordsRead:
    wording = body.value()
    return WordsRead.of(wording, school_sequence.set_words(ctx, wording))


@router.get("/sequence", operation_id="sequence", summary="The school's sequence")
def get_sequence(ctx: Work) -> SequenceRead:
    versions = school_sequence.versions(ctx)
    return SequenceRead.of(ctx.sequence, versions[0].number if versions else 0, versions, ctx.words)


@router.put("/sequence", operation_id="keepSequence", summary="Keep a changed sequence as a new version")
def put_sequence(body: SequenceBody, ctx: Work) -> SequenceRead:
    return _read(ctx, school_sequence.keep(ctx, body.value()))


@router.post(
    "/sequence/start",
    operation_id="startSequence",
    summary="Start from a shipped sequence or an earlier version",
)
def post_start(body: StartBody, ctx: Work) -> SequenceRead:
    if body.shipped is not None:
        return _read(ctx, school_sequence.start_from(ctx, body.shipped))
    if body.number is None:
        raise NotFoundError("sequence_which")
    return _read(ctx, school_sequence.back_to(ctx, body.number))


@router.get("/ladder", operation_id="ladder", summary="The choir's ladder of reading")
def get_ladder(ctx: Work) -> LadderRead:
    return LadderRead.of(ctx.sequence, school_sequence.number(ctx), ctx.words)


@router.put("/ladder", operation_id="setLadder", summary="Set the ladder of reading, or take a shipped one")
def put_ladder(body: LadderBody, ctx: Work) -> LadderRead:
    changed = reading_ladder.set_ladder(ctx, body.keys())
    along = [concept.name for concept in changed.along]
    return LadderRead.of(changed.sequence, changed.number, ctx.words, along)


@router.get(
    "/sections/{section_id}/ladder",
    operation_id="ladderNow",
    summary="Where a choir stands on the ladder, by level and by rung",
)
def get_ladder_now(section_id: UUID, ctx: Work) -> LadderNowRead:
    return LadderNowRead.of(read_ladder.ladder_now(ctx, section_id), ctx.words)


@router.get(
    "/sequence/file",
    operation_id="sequenceFile",
    summary="The sequence as CSV or CASE",
    response_class=Response,
    responses=answers("text/csv", "application/json"),
)
def get_file(ctx: Work, kind: Annotated[Literal["csv", "case"], Query()] = "csv") -> Response:
    text, media, ending = (
        (write_csv(ctx.sequence), "text/csv", "csv")
        if kind == "csv"
        else (write_case(ctx.sequence, _strands(ctx)), "application/json", "json")
    )
    return Response(
        text, media_type=media, headers={"Content-Disposition": f'attachment; filename="sequence.{ending}"'}
    )


@router.post(
    "/sequence/look", operation_id="lookAtSequence", summary="Look at a sequence from a file; nothing is kept"
)
def post_look(files: list[UploadFile], ctx: Work, services: Provided) -> SequenceRead:
    """A file as it is understood; nothing is kept yet."""
    data = files[0].file.read(MOST_BYTES + 1)
    sequence = services.read(read_sequence, data, files[0].filename or "")
    return SequenceRead.of(sequence, 0, [], ctx.words)
