"""Lesson sets: the next lessons of a grade's sections, or of one section."""

from __future__ import annotations

import json
from typing import Annotated, Literal
from urllib.parse import quote
from uuid import UUID

from fastapi import APIRouter, Path, Query, Response

from kopje.api.deps import AtDesk, Provided, Work
from kopje.api.problems import answers
from kopje.api.schemas.base import ReasonRead
from kopje.api.schemas.lesson_parts import Things
from kopje.api.schemas.lesson_sets import (
    ChangeBody,
    ComposeBody,
    FocusBody,
    FocusRead,
    KeepSetBody,
    KeptSetRead,
    LaidRead,
    LaySetBody,
    PriceRead,
    SetProgressRead,
    SetRead,
    SetSeenBody,
    set_name,
)
from kopje.api.schemas.lessons import AlternativeRead
from kopje.api.set_json import planned_json
from kopje.core.planning.material import Material
from kopje.engraving.printing import Paper
from kopje.usecases.context import Context
from kopje.usecases.lessons import change_set, compose_set, export_set, kept_sets, print_lessons, read_set

router = APIRouter(tags=["lesson sets"])
Key = Annotated[str, Path(max_length=40, description="`grade-2`, or the id of a section")]
FILES = {"ics": "text/calendar", "csv": "text/csv; charset=utf-8", "json": "application/json"}
Lessons = Annotated[int, Query(ge=1, le=6)]


def _read(ctx: Context, key: str, count: int) -> SetRead:
    view = read_set.read(ctx, key, count)
    materials = [cell.part.material for column in view.columns for cell in column.cells]
    materials += [Material.of_song(song) for _, song in view.refused]
    return SetRead.of(view, Things.of(ctx, materials), ctx.words)


@router.get("/sets/{set_key}", operation_id="lessonSet", summary="The next lessons as a table")
def get_set(set_key: Key, ctx: Work, lessons: Lessons = 6) -> SetRead:
    return _read(ctx, set_key, lessons)


@router.post("/sets/{set_key}/compose", operation_id="composeSet", summary="Compose the rest around the pins")
def post_compose(set_key: Key, body: ComposeBody, desk: AtDesk) -> SetRead:
    """What is pinned stays; of the rest as little as can be is changed, or all is thought out `anew`."""
    compose_set.compose(desk, set_key, body.lessons, body.version, body.anew)
    with desk.look() as ctx:
        return _read(ctx, set_key, body.lessons)


@router.get(
    "/sets/{set_key}/progress", operation_id="setProgress", summary="How far the composing of a set is"
)
def get_progress(set_key: Key, ctx: Work, services: Provided) -> SetProgressRead | None:
    """Null where nothing is composed, or it waits for its turn."""
    found = services.solver.progress(compose_set.ticket_of(ctx, set_key))
    return SetProgressRead.of(found) if found else None


@router.post(
    "/sets/{set_key}/stop", status_code=204, operation_id="stopSet", summary="Be content with the best so far"
)
def post_stop(set_key: Key, ctx: Work, services: Provided) -> None:
    services.solver.ask_to_stop(compose_set.ticket_of(ctx, set_key))


@router.post("/sets/{set_key}/change", operation_id="changeSet", summary="Change one thing of a set")
def post_change(set_key: Key, body: ChangeBody, desk: AtDesk) -> SetRead:
    change_set.change(desk, set_key, body.lessons, body.version, body.value())
    with desk.look() as ctx:
        return _read(ctx, set_key, body.lessons)


@router.post("/sets/{set_key}/undo", operation_id="undoSet", summary="Take the last change of a set back")
def post_undo(set_key: Key, body: SetSeenBody, ctx: Work) -> SetRead:
    change_set.undo(ctx, set_key, body.lessons, body.version)
    return _read(ctx, set_key, body.lessons)


@router.post("/sets/{set_key}/redo", operation_id="redoSet", summary="Do again what was taken back")
def post_redo(set_key: Key, body: SetSeenBody, ctx: Work) -> SetRead:
    change_set.redo(ctx, set_key, body.lessons, body.version)
    return _read(ctx, set_key, body.lessons)


@router.get(
    "/sets/{set_key}/alternatives",
    operation_id="setAlternatives",
    summary="What would fit instead in a set",
)
def get_alternatives(
    set_key: Key,
    ctx: Work,
    lesson: Annotated[int, Query(ge=0, le=5)],
    slot: Annotated[str, Query(max_length=40, examples=["focus-1"])],
    lessons: Lessons = 6,
) -> list[AlternativeRead]:
    found = change_set.offers(ctx, set_key, lessons, lesson, slot)
    things = Things.of(ctx, (part.choice.material for part in found))
    return [AlternativeRead.of(part, things, ctx.words) for part in found]


@router.get(
    "/sets/{set_key}/print",
    operation_id="printSet",
    summary="A lesson set as PDF",
    response_class=Response,
    responses=answers("application/pdf"),
)
def get_set_print(
    set_key: Key, ctx: Work, services: Provided, lessons: Lessons = 6, paper: Paper = "A4"
) -> Response:
    view = read_set.read(ctx, set_key, lessons)
    name = ctx.words.say(set_name(view))
    sheet = print_lessons.set_sheet(ctx, view, name)
    return Response(services.printer.pdf([sheet], paper), media_type="application/pdf")


@router.get(
    "/sets/{set_key}/file",
    operation_id="setFile",
    summary="A lesson set for other programs",
    response_class=Response,
    responses=answers(*FILES.values()),
)
def get_set_file(
    set_key: Key, ctx: Work, lessons: Lessons = 6, kind: Literal["ics", "csv", "json"] = "json"
) -> Response:
    """As a calendar, as a table, or in the shape that `kopje compose --json` prints."""
    view = read_set.read(ctx, set_key, lessons)
    name = ctx.words.say(set_name(view))
    if kind == "ics":
        content = export_set.as_calendar(ctx, view, name)
    elif kind == "csv":
        content = export_set.as_table(ctx, view)
    else:
        content = json.dumps(planned_json(view, export_set.titles_in(ctx, view), ctx), indent=1).encode()
    headers = {"Content-Disposition": f"attachment; filename*=UTF-8''{quote(name)}.{kind}"}
    return Response(content, media_type=FILES[kind], headers=headers)


@router.get("/kept-sets", operation_id="keptSets", summary="Lesson sets kept under a name")
def get_kept(ctx: Work) -> list[KeptSetRead]:
    return [KeptSetRead.of(row) for row in kept_sets.kept_sets(ctx)]


@router.post(
    "/sets/{set_key}/keep", status_code=201, operation_id="keepSet", summary="Keep a set under a name"
)
def post_keep(set_key: Key, body: KeepSetBody, ctx: Work) -> KeptSetRead:
    """To be laid again in another grade or next year; the same name again replaces what was kept."""
    return KeptSetRead.of(kept_sets.keep_set(ctx, set_key, body.lessons, body.name.strip()))


@router.post("/sets/{set_key}/lay", operation_id="laySet", summary="Lay a kept set over the next lessons")
def post_lay(set_key: Key, body: LaySetBody, desk: AtDesk) -> LaidRead:
    """What holds for these classes stands there pinned, the rest is composed around it."""
    found = kept_sets.lay_set(desk, set_key, body.lessons, body.kept_id, body.version)
    with desk.look() as ctx:
        read = _read(ctx, set_key, body.lessons)
        return LaidRead(set=read, dropped=ReasonRead.every(found.dropped, ctx.words))


@router.get("/sets/{set_key}/focus", operation_id="focusSong", summary="A whole plan for one song")
def get_focus(
    set_key: Key, ctx: Work, song_id: Annotated[UUID, Query(examples=["@song_id"])], lessons: Lessons = 6
) -> FocusRead:
    """What must really be learned of it, and what is done with it from lesson to lesson; nothing is kept."""
    plan = kept_sets.focus_plan(ctx, set_key, lessons, song_id)
    grade = read_set.read(ctx, set_key, 1).scope.state.grade
    return FocusRead.of(plan, ctx.habits, ctx.words, grade)


@router.post("/sets/{set_key}/focus", operation_id="layFocusSong", summary="Lay a song's plan over a set")
def post_focus(set_key: Key, body: FocusBody, desk: AtDesk) -> SetRead:
    """Its steps stand pinned, the rest is composed around them."""
    kept_sets.lay_focus(desk, set_key, body.lessons, body.song_id, body.version)
    with desk.look() as ctx:
        return _read(ctx, set_key, body.lessons)


@router.delete("/kept-sets/{kept_id}", status_code=204, operation_id="forgetSet", summary="Forget a kept set")
def delete_kept(kept_id: UUID, ctx: Work) -> None:
    kept_sets.forget_set(ctx, kept_id)


@router.get("/prices", operation_id="prices", summary="What each wish costs where it is not kept")
def get_prices(ctx: Work) -> list[PriceRead]:
    return PriceRead.every(ctx.words)
