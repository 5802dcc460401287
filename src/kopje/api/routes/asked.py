"""Questions with blanks, answered exactly; everything behind the answers, out and in."""

from __future__ import annotations

import json
from typing import Annotated, Literal
from uuid import UUID

from fastapi import APIRouter, Query, Response, UploadFile

from kopje.api.deps import Provided, Work
from kopje.api.problems import answers
from kopje.api.schemas.asked import (
    BroughtRead,
    DriftRead,
    FadingRead,
    GroupRead,
    LeftOutRead,
    LeftOverRead,
    MissingForRead,
    NeedsRead,
    NotHeardRead,
    RefreshedRead,
)
from kopje.api.schemas.base import Day
from kopje.formats.marks_table import MOST_BYTES, read_marks
from kopje.formats.tables import write_table
from kopje.usecases.ledger import ask_ledger, bring_marks, export_ledger
from kopje.usecases.ledger.export_ledger import What
from kopje.usecases.lessons.left_out import left_out
from kopje.usecases.setup import privacy
from kopje.usecases.year import whereabouts

router = APIRouter(tags=["ledger"])
Since = Annotated[Day, Query(examples=["2026-10-01"])]
Key = Annotated[str, Query(min_length=1, max_length=60, examples=["re"])]
Grade = Annotated[int, Query(ge=0, le=13, examples=[2])]


@router.get("/asked/not-heard", operation_id="askNotHeard", summary="Who was not heard alone since a day")
def get_not_heard(since: Since, ctx: Work) -> list[NotHeardRead]:
    """In the whole school, whoever waits longest first."""
    return [NotHeardRead.of(one) for one in ask_ledger.not_heard_since(ctx, since)]


@router.get(
    "/sections/{section_id}/asked/fading",
    operation_id="askFading",
    summary="Which concepts fade in a section",
)
def get_fading(section_id: UUID, ctx: Work) -> list[FadingRead]:
    return [FadingRead.of(one) for one in ask_ledger.fading(ctx, section_id)]


@router.get(
    "/sections/{section_id}/asked/refresh",
    operation_id="askRefresh",
    summary="The fewest songs they know that refresh the most",
)
def get_refresh(section_id: UUID, ctx: Work) -> RefreshedRead:
    return RefreshedRead.of(ask_ledger.refresh(ctx, section_id), ctx.words)


@router.get(
    "/sections/{section_id}/asked/missing",
    operation_id="askMissing",
    summary="What keeps a section from a concept",
)
def get_missing(section_id: UUID, concept: Key, ctx: Work) -> MissingForRead:
    return MissingForRead.of(ask_ledger.missing_for(ctx, section_id, concept), ctx.words)


@router.get(
    "/sections/{section_id}/asked/group",
    operation_id="askGroup",
    summary="Whom to teach a concept again, and what is behind it",
)
def get_group(section_id: UUID, concept: Key, ctx: Work) -> GroupRead:
    return GroupRead.of(ask_ledger.group(ctx, section_id, concept), ctx.words)


@router.get("/asked/drift", operation_id="askDrift", summary="Where the sections of a grade differ on a day")
def get_drift(grade: Grade, day: Since, ctx: Work) -> list[DriftRead]:
    return [DriftRead.of_section(one) for one in whereabouts.whereabouts(ctx, grade, day)]


@router.get(
    "/sections/{section_id}/asked/left-over",
    operation_id="askLeftOver",
    summary="What a section is still owed",
)
def get_left_over(section_id: UUID, ctx: Work) -> list[LeftOverRead]:
    return [LeftOverRead.of(one) for one in ask_ledger.left_over(ctx, section_id)]


@router.get("/asked/needs", operation_id="askNeeds", summary="Who needs a concept again, in the whole school")
def get_needs(concept: Key, ctx: Work) -> list[NeedsRead]:
    return [NeedsRead.of(one) for one in ask_ledger.who_needs(ctx, concept)]


@router.get(
    "/asked/left-out",
    operation_id="askLeftOut",
    summary="Who is kept out of touch or of singing alone, and today's games without it",
)
def get_left_out(ctx: Work) -> list[LeftOutRead]:
    """In the whole school, by class. Why a child is kept out is asked by nobody."""
    return [LeftOutRead.of(one, ctx.words) for one in left_out(ctx)]


exports = APIRouter(tags=["ledger"])
MIME = {"json": "application/json", "csv": "text/csv"}


@exports.get(
    "/export/{what}",
    operation_id="exportLedger",
    summary="Everything behind the ledger, as CSV or JSON",
    response_class=Response,
    responses=answers("text/csv", "application/json"),
)
def get_export(what: What, ctx: Work, services: Provided, kind: Literal["csv", "json"] = "json") -> Response:
    """`kopje export` prints the same, a record a line. That it was taken out is in the list of who looked."""
    privacy.looked(services.work, ctx, "ledger_taken_out")
    name = f"{what}-{ctx.today.isoformat()}.{kind}"
    headers = {"Content-Disposition": f'attachment; filename="{name}"'}
    if kind == "csv":
        return Response(write_table(*export_ledger.table(ctx, what)), media_type="text/csv", headers=headers)
    text = json.dumps(list(export_ledger.export(ctx, what)), ensure_ascii=False)
    return Response(text, media_type="application/json", headers=headers)


@exports.post("/marks", status_code=201, operation_id="bringMarks", summary="Bring in marks from a table")
def post_marks(files: list[UploadFile], ctx: Work, services: Provided) -> BroughtRead:
    """Rows that cannot be taken are said; the others are kept, once however often they are brought."""
    data = files[0].file.read(MOST_BYTES + 1)
    return BroughtRead.of(bring_marks.bring(ctx, services.read(read_marks, data)), ctx.words)
