"""What is kept of children: taken out, erased, for how long, and who looked."""

from __future__ import annotations

from typing import Literal
from uuid import UUID

from fastapi import APIRouter, Response

from kopje.api.deps import AtDesk, Provided, Work
from kopje.api.problems import answers
from kopje.api.schemas.privacy import (
    ChildFile,
    EraseSchoolBody,
    GoneRead,
    PrivacyRead,
    SchoolGoneRead,
    TimesBody,
)
from kopje.usecases.setup import child_export, privacy

router = APIRouter(tags=["privacy"])


@router.get("/privacy", operation_id="privacy", summary="How long data are kept, who looked, who was erased")
def get_privacy(ctx: Work, services: Provided) -> PrivacyRead:
    return PrivacyRead.of(privacy.kept(ctx, services.backups))


@router.put("/privacy", operation_id="setRetention", summary="Say how long data are kept")
def put_privacy(body: TimesBody, ctx: Work, services: Provided) -> PrivacyRead:
    privacy.set_times(ctx, body.value())
    ctx.session.flush()
    ctx.session.expire_all()
    return PrivacyRead.of(privacy.kept(ctx, services.backups))


@router.get(
    "/children/{child_id}/everything",
    operation_id="exportChild",
    summary="Everything that is kept of one child",
    response_class=Response,
    responses=answers("application/json", "text/html"),
)
def get_everything(
    child_id: UUID, ctx: Work, services: Provided, kind: Literal["json", "html"] = "json"
) -> Response:
    """As JSON, or as a page to be read; that it was taken out is in the list of who looked."""
    found = child_export.everything_of(ctx, child_id)
    privacy.looked(services.work, ctx, "child_taken_out", child_id)
    name = f"child-{str(child_id)[:8]}-{ctx.today.isoformat()}.{kind}"
    headers = {"Content-Disposition": f'attachment; filename="{name}"'}
    if kind == "html":
        return Response(child_export.page_of(ctx, found), media_type="text/html", headers=headers)
    text = ChildFile.of(found, ctx.words).model_dump_json(indent=1)
    return Response(text, media_type="application/json", headers=headers)


@router.delete("/children/{child_id}", operation_id="eraseChild", summary="Erase a child for good")
def delete_child(child_id: UUID, desk: AtDesk, services: Provided) -> GoneRead:
    """Its marks go with it. An id without a name stays, so that nothing of it comes back from a device or a
    backup."""
    with desk.keep() as ctx:
        gone = privacy.erase_child(ctx, child_id, services.backups)
    privacy.list_erased(services.work, services.backups)
    return GoneRead.of(gone)


@router.post("/school/erase", operation_id="eraseSchool", summary="Erase the school for good")
def post_erase(body: EraseSchoolBody, desk: AtDesk, services: Provided) -> SchoolGoneRead:
    """Everything, and the backups that were made here."""
    with desk.keep() as ctx:
        privacy.erase_school(ctx, body.name)
    return SchoolGoneRead(backups=privacy.erase_its_backups(services.work, ctx.school_id, services.backups))
