"""What a class does with a line beside reading it: cards, changes, writing, signs."""

from __future__ import annotations

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Query

from kopje.api.deps import Provided, Work
from kopje.api.schemas.lines import (
    CardsRead,
    ChangedRead,
    ChangingRead,
    CheckedRead,
    DictationRead,
    SignsBody,
    SignsRead,
    WrittenBody,
)
from kopje.api.schemas.songs import ImportedRead
from kopje.core.practice.lines.dictation import Stage
from kopje.usecases.practice import lines
from kopje.usecases.practice.kept import keep_in_book

router = APIRouter(tags=["practice"])
Part = Annotated[int, Query(ge=0, le=3)]
CARD = 500  # tenths of a millimetre


@router.get("/exercises/{exercise_id}/cards", operation_id="exerciseCards", summary="Each bar as a card")
def get_cards(
    exercise_id: UUID, ctx: Work, services: Provided, part: Part = 0, sticks: bool = False
) -> CardsRead:
    found = lines.cards(ctx, exercise_id, part, "sticks" if sticks else "notes")
    return CardsRead(cards=[services.engraver.svg(mei, CARD) for mei in found])


@router.get(
    "/exercises/{exercise_id}/changes",
    operation_id="changingLine",
    summary="A rhythm that changes one figure at a time",
)
def get_changes(
    exercise_id: UUID,
    ctx: Work,
    services: Provided,
    seed: Annotated[int, Query(ge=0, le=2**31 - 1)] = 1,
    sticks: bool = False,
) -> ChangingRead:
    """Of what its class can name; no line comes twice. Refused for a line with pitches."""
    found = lines.changed(ctx, exercise_id, seed)
    written: lines.Written = "sticks" if sticks else "notes"
    return ChangingRead(
        beats=found[0].made.meter.beats,
        lines=[ChangedRead.of(line, ctx, services.engraver, written) for line in found],
    )


@router.get(
    "/exercises/{exercise_id}/dictation",
    operation_id="dictation",
    summary="The line as something to write down",
)
def get_dictation(exercise_id: UUID, ctx: Work, stage: Stage = "write", part: Part = 0) -> DictationRead:
    """`copy`: the line is seen; `complete`: every second bar stands there; `write`: by ear alone."""
    task = lines.to_write(ctx, exercise_id, stage, part)
    return DictationRead.of(task, lines.tones_to_write(ctx, exercise_id, task), ctx)


@router.post(
    "/exercises/{exercise_id}/dictation", operation_id="checkWritten", summary="What was written, checked"
)
def post_dictation(exercise_id: UUID, body: WrittenBody, ctx: Work) -> CheckedRead:
    """Nothing of it is kept."""
    return CheckedRead.of_writing(lines.written(ctx, exercise_id, body.stage, body.bars, body.part))


@router.post(
    "/exercises/{exercise_id}/keep", operation_id="keepExercise", summary="Keep it in the school's book"
)
def post_keep(exercise_id: UUID, ctx: Work) -> ImportedRead:
    """As a song like any other. A phrase of a song is there already, in its song."""
    return ImportedRead.of(keep_in_book(ctx, exercise_id), ctx.words)


@router.post(
    "/sections/{section_id}/signs", operation_id="nextSigns", summary="The next row to sing from signs"
)
def post_signs(section_id: UUID, body: SignsBody, ctx: Work) -> SignsRead:
    """From two tones on, one more each time the row was clean. Nothing of it is kept."""
    return SignsRead.of(lines.signs(ctx, section_id, body.size, body.went, body.seed), ctx)
