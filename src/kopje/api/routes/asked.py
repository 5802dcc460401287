"""Questions with blanks, answered exactly."""

from __future__ import annotations

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Query

from kopje.api.deps import Work
from kopje.api.schemas.asked import (
    DriftRead,
    FadingRead,
    GroupRead,
    LeftOverRead,
    MissingForRead,
    NeedsRead,
    NotHeardRead,
    RefreshedRead,
)
from kopje.api.schemas.base import Day
from kopje.usecases.ledger import ask_ledger
from kopje.usecases.year import whereabouts

router = APIRouter(tags=["ledger"], prefix="/asked")
Since = Annotated[Day, Query(examples=["2026-10-01"])]
Key = Annotated[str, Query(min_length=1, max_length=60, examples=["re"])]
Grade = Annotated[int, Query(ge=0, le=13, examples=[2])]


@router.get("/not-heard", operation_id="askNotHeard", summary="Who was not heard alone since a day")
def get_not_heard(since: Since, ctx: Work) -> list[NotHeardRead]:
    """In the whole school, whoever waits longest first."""
    return [NotHeardRead.of(one) for one in ask_ledger.not_heard_since(ctx, since)]


@router.get("/fading", operation_id="askFading", summary="Which concepts fade in a section")
def get_fading(section: UUID, ctx: Work) -> list[FadingRead]:
    return [FadingRead.of(one) for one in ask_ledger.fading(ctx, section)]


@router.get("/refresh", operation_id="askRefresh", summary="The fewest songs they know that refresh the most")
def get_refresh(section: UUID, ctx: Work) -> RefreshedRead:
    return RefreshedRead.of(ask_ledger.refresh(ctx, section), ctx.words)


@router.get("/missing", operation_id="askMissing", summary="What keeps a section from a concept")
def get_missing(section: UUID, concept: Key, ctx: Work) -> MissingForRead:
    return MissingForRead.of(ask_ledger.missing_for(ctx, section, concept), ctx.words)


@router.get("/group", operation_id="askGroup", summary="Whom to teach a concept again, and what is behind it")
def get_group(section: UUID, concept: Key, ctx: Work) -> GroupRead:
    return GroupRead.of(ask_ledger.group(ctx, section, concept), ctx.words)


@router.get("/drift", operation_id="askDrift", summary="Where the sections of a grade differ on a day")
def get_drift(grade: Grade, day: Since, ctx: Work) -> list[DriftRead]:
    return [DriftRead.of_section(one) for one in whereabouts.whereabouts(ctx, grade, day)]


@router.get("/left-over", operation_id="askLeftOver", summary="What a section is still owed")
def get_left_over(section: UUID, ctx: Work) -> list[LeftOverRead]:
    return [LeftOverRead.of(one) for one in ask_ledger.left_over(ctx, section)]


@router.get("/needs", operation_id="askNeeds", summary="Who needs a concept again, in the whole school")
def get_needs(concept: Key, ctx: Work) -> list[NeedsRead]:
    return [NeedsRead.of(one) for one in ask_ledger.who_needs(ctx, concept)]
