"""Asking the songbook."""

from __future__ import annotations

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Query

from kopje.api.deps import Work
from kopje.api.schemas.songbook import Kind, KindRead, QuestionBody, QuestionRead, SongPage
from kopje.core.songs.question import SongQuestion
from kopje.usecases.songs.ask_songbook import ask, drop_question, keep_question, kept_questions, kinds

router = APIRouter(tags=["songs"])


@router.get("/songs", operation_id="songs", summary="Ask the songbook")
def get_songs(
    ctx: Work,
    text: Annotated[str, Query(max_length=80)] = "",
    section: UUID | None = None,
    has: Annotated[list[Kind], Query(max_length=8)] = [],  # noqa: B006  # FastAPI wants the default here
    known: bool = False,
    fits: bool = False,
    rested: Annotated[int | None, Query(ge=0, le=60)] = None,
    new: bool = False,
    offset: Annotated[int, Query(ge=0, le=1_000_000)] = 0,
    limit: Annotated[int, Query(ge=1, le=200)] = 100,
) -> SongPage:
    """Songs by title that answer a question, a page at a time. `known`, `fits`, `rested` and `new` are about
    a section."""
    asked = SongQuestion(tuple(has), known, fits, rested, new)
    return SongPage.of(*ask(ctx, asked, section, text, offset, limit), ctx.words)


@router.get("/song-kinds", operation_id="songKinds", summary="Everything that songs of the songbook have")
def get_kinds(ctx: Work) -> list[KindRead]:
    return KindRead.every(kinds(ctx), ctx.words)


@router.get("/song-questions", operation_id="songQuestions", summary="Kept sentences")
def get_questions(ctx: Work) -> list[QuestionRead]:
    return [QuestionRead.of(row) for row in kept_questions(ctx)]


@router.post(
    "/song-questions",
    status_code=201,
    operation_id="keepSongQuestion",
    summary="Keep a sentence under a name",
)
def post_question(body: QuestionBody, ctx: Work) -> QuestionRead:
    return QuestionRead.of(keep_question(ctx, body.name, body.asked.model_dump(mode="json")))


@router.delete(
    "/song-questions/{question_id}",
    status_code=204,
    operation_id="dropSongQuestion",
    summary="Drop a kept sentence",
)
def delete_question(question_id: UUID, ctx: Work) -> None:
    drop_question(ctx, question_id)
