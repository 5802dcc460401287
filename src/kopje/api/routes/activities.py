"""The shelf of activities, what is kept beside each, and the order of lessons."""

from __future__ import annotations

from typing import Annotated
from urllib.parse import quote
from uuid import UUID

from fastapi import APIRouter, Path, Response, UploadFile

from kopje.api.deps import Work
from kopje.api.problems import answers
from kopje.api.schemas.activities import (
    ActivityBody,
    ActivityDetail,
    ActivityRead,
    ActivityWordsRead,
    CoveredRead,
    NoteBody,
    TemplateBody,
    TemplateRead,
)
from kopje.core.planning.template import Band
from kopje.formats.attachments import ALLOWED, MOST_BYTES
from kopje.usecases.context import Context
from kopje.usecases.lessons import activity_shelf
from kopje.usecases.setup import school_habits
from kopje.usecases.songs.read_coverage import read_coverage

router = APIRouter(tags=["activities"])
Key = Annotated[str, Path(max_length=60)]


def _read(ctx: Context, key: str) -> ActivityDetail:
    return ActivityDetail.of(activity_shelf.look(ctx, key), ctx.words)


@router.get("/activities", operation_id="activities", summary="Every activity that may be proposed")
def get_activities(ctx: Work) -> list[ActivityRead]:
    """The teacher's own first."""
    own, noted = activity_shelf.marked(ctx)
    found = [
        ActivityRead.of(one, one.key in own, one.key in noted, ctx.words)
        for one in ctx.habits.repertoire.offered
    ]
    return sorted(found, key=lambda one: not one.own)


@router.get("/activity-words", operation_id="activityWords", summary="What may be said of an activity")
def get_words(ctx: Work) -> ActivityWordsRead:
    return ActivityWordsRead.of(ctx.habits, ctx.words)


@router.get("/activities/{activity_key}", operation_id="activity", summary="One activity, whole")
def get_activity(activity_key: Key, ctx: Work) -> ActivityDetail:
    return _read(ctx, activity_key)


@router.post("/activities", status_code=201, operation_id="writeActivity", summary="Write an activity")
def post_activity(body: ActivityBody, ctx: Work) -> ActivityDetail:
    """From nothing, or made from another one; it may be proposed at once."""
    key = activity_shelf.write(ctx, activity_shelf.from_values(body.values(), body.like, ctx))
    return _read(activity_shelf.as_changed(ctx), key)


@router.put("/activities/{activity_key}", operation_id="changeActivity", summary="Change an own activity")
def put_activity(activity_key: Key, body: ActivityBody, ctx: Work) -> ActivityDetail:
    item = activity_shelf.from_values(body.values(), activity_key, ctx)
    activity_shelf.change(ctx, activity_key, item)
    return _read(activity_shelf.as_changed(ctx), activity_key)


@router.delete(
    "/activities/{activity_key}", operation_id="putActivityAway", summary="Put an own activity away"
)
def delete_activity(activity_key: Key, ctx: Work) -> ActivityDetail:
    """It is proposed no more; where it lies planned or was done it is still known."""
    activity_shelf.put_away(ctx, activity_key)
    return _read(activity_shelf.as_changed(ctx), activity_key)


@router.post(
    "/activities/{activity_key}/bring-back",
    operation_id="bringActivityBack",
    summary="Take an activity out again",
)
def post_activity_back(activity_key: Key, ctx: Work) -> ActivityDetail:
    activity_shelf.bring_back(ctx, activity_key)
    return _read(activity_shelf.as_changed(ctx), activity_key)


@router.put(
    "/activities/{activity_key}/note", operation_id="noteActivity", summary="Keep a note beside an activity"
)
def put_note(activity_key: Key, body: NoteBody, ctx: Work) -> ActivityDetail:
    activity_shelf.keep_note(ctx, activity_key, body.note, body.links, [one.value() for one in body.dated])
    return _read(ctx, activity_key)


@router.post(
    "/activities/{activity_key}/files",
    status_code=201,
    operation_id="addActivityFile",
    summary="Keep a file beside an activity",
)
def post_file(activity_key: Key, files: list[UploadFile], ctx: Work) -> ActivityDetail:
    """A PDF, a PNG or JPEG picture, or a sound, at most 20 MB."""
    for one in files:
        activity_shelf.keep_file(ctx, activity_key, one.filename or "", one.file.read(MOST_BYTES + 1))
    return _read(ctx, activity_key)


@router.get(
    "/files/{file_id}",
    operation_id="activityFile",
    summary="A file that is kept beside an activity",
    response_class=Response,
    responses=answers(*ALLOWED.values()),
)
def get_file(file_id: UUID, ctx: Work) -> Response:
    """Always to be kept on disk, never shown inside the page."""
    found = activity_shelf.file(ctx, file_id)
    headers = {"Content-Disposition": f"attachment; filename*=UTF-8''{quote(found.name)}"}
    return Response(found.content, media_type=found.kind, headers=headers)


@router.delete(
    "/files/{file_id}", status_code=204, operation_id="deleteActivityFile", summary="Take a file away"
)
def delete_file(file_id: UUID, ctx: Work) -> None:
    activity_shelf.take_file_away(ctx, file_id)


@router.get("/coverage", operation_id="coverage", summary="What there is to teach each concept with")
def get_coverage(ctx: Work) -> list[CoveredRead]:
    return [CoveredRead.of(one, ctx.words) for one in read_coverage(ctx)]


@router.get("/templates", operation_id="templates", summary="The order of lessons by grades")
def get_templates(ctx: Work) -> list[TemplateRead]:
    return TemplateRead.every(ctx.habits, ctx.words)


@router.put("/templates/{band}", operation_id="setTemplate", summary="Change the order of lessons")
def put_template(band: Band, body: TemplateBody, ctx: Work) -> TemplateRead:
    habits = school_habits.set_template(ctx, band, body.value(band, ctx.habits))
    return TemplateRead.of(band, habits, ctx.words)


@router.delete(
    "/templates/{band}", operation_id="shippedTemplate", summary="The order that Kopje comes with, again"
)
def delete_template(band: Band, ctx: Work) -> TemplateRead:
    return TemplateRead.of(band, school_habits.as_shipped(ctx, band), ctx.words)
