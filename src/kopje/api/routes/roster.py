"""Rosters from tables, children on the roll, the next school year."""

from __future__ import annotations

from uuid import UUID

from fastapi import APIRouter, UploadFile

from kopje.api.deps import Provided, Work
from kopje.api.schemas.roster import ChildBody, ChildDetail, KeptRead, RosterBody, RosterRead, StepRead
from kopje.formats.roster import MOST_BYTES as ROSTER_BYTES
from kopje.formats.roster import read_roster
from kopje.usecases.setup import bring_roster, roll_over

router = APIRouter(tags=["roster"])


@router.post(
    "/roster/look", operation_id="lookAtRoster", summary="Look at a table of the school; nothing is kept"
)
def post_look(files: list[UploadFile], ctx: Work, services: Provided) -> RosterRead:
    """A table or a OneRoster zip as it is understood; nothing is kept yet."""
    data = files[0].file.read(ROSTER_BYTES + 1)
    return RosterRead.of(services.read(read_roster, data), ctx.words)


@router.post(
    "/roster", status_code=201, operation_id="bringRoster", summary="Bring in the school from a table"
)
def post_roster(body: RosterBody, ctx: Work) -> list[KeptRead]:
    return [
        KeptRead.model_validate(one)
        for one in bring_roster.bring(ctx, [one.value() for one in body.sections])
    ]


@router.get("/sections/{section_id}/gone", operation_id="goneChildren", summary="Who left a section")
def get_gone(section_id: UUID, ctx: Work) -> list[ChildDetail]:
    return [ChildDetail.model_validate(one) for one in bring_roster.gone(ctx, section_id)]


@router.put(
    "/children/{child_id}", operation_id="changeChild", summary="Change a child's name, section or leaving"
)
def put_child(child_id: UUID, body: ChildBody, ctx: Work) -> ChildDetail:
    return ChildDetail.model_validate(
        bring_roster.change_child(ctx, child_id, body.name.strip(), body.section_id, body.left)
    )


@router.get(
    "/roll-over", operation_id="previewRollOver", summary="What going into the next school year would do"
)
def get_roll_over(ctx: Work) -> list[StepRead]:
    return [StepRead.model_validate(step) for step in roll_over.preview(ctx)]


@router.post("/roll-over", operation_id="rollOver", summary="Go into the next school year")
def post_roll_over(ctx: Work) -> list[StepRead]:
    return [StepRead.model_validate(step) for step in roll_over.roll_over(ctx)]
