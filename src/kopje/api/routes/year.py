"""The calendar, the year of a section, a grade and the school, and the week."""

from __future__ import annotations

from datetime import time
from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Query, Response, UploadFile

from kopje.api.deps import AtDesk, Provided, Work
from kopje.api.problems import answers
from kopje.api.schemas.base import Day
from kopje.api.schemas.calendar import (
    CalendarRead,
    ConcertBody,
    ConcertRead,
    LessonChangeBody,
    LessonChangeRead,
    PeriodsBody,
    SpanRead,
)
from kopje.api.schemas.school_year import GradeRead, SchoolYearRead, WeekDayRead, WhereRead
from kopje.api.schemas.year import ArcOverridesBody, WayOutRead, YearRead
from kopje.core.sequence.grades import BELOW_KINDERGARTEN, CHOIR
from kopje.formats.ical import MOST_BYTES as ICAL_BYTES
from kopje.formats.ical import read_holidays
from kopje.usecases.setup import school_calendar
from kopje.usecases.year import plan_year, read_school_year, read_week, section_year, undo_year, whereabouts

router = APIRouter(tags=["year"])
Grade = Annotated[int, Query(ge=BELOW_KINDERGARTEN, le=CHOIR, examples=[2])]
OnDay = Annotated[Day | None, Query(examples=["2026-11-24"])]


@router.get("/calendar", operation_id="calendar", summary="Terms, holidays, changes and concerts")
def get_calendar(ctx: Work) -> CalendarRead:
    return CalendarRead.of(school_calendar.calendar(ctx))


@router.put("/calendar", operation_id="setCalendar", summary="Replace terms, holidays and the kind of cycle")
def put_calendar(body: PeriodsBody, desk: AtDesk) -> CalendarRead:
    terms, holidays = [one.value() for one in body.terms], [one.value() for one in body.holidays]
    with desk.keep() as ctx:
        found = school_calendar.set_periods(ctx, terms, holidays, body.cycle)
    plan_year.keep_up(desk)
    return CalendarRead.of(found)


@router.post("/changes", status_code=201, operation_id="addChange", summary="A lesson lost, or an extra one")
def post_change(body: LessonChangeBody, desk: AtDesk) -> list[LessonChangeRead]:
    starts = time.fromisoformat(body.starts) if body.starts else None
    why, ids = body.why.strip(), body.section_ids
    with desk.keep() as ctx:
        rows = school_calendar.add_change(ctx, body.kind, body.day, starts, why, ids)
    plan_year.keep_up(desk)
    return [LessonChangeRead.model_validate(row) for row in rows]


@router.delete(
    "/changes/{change_id}",
    status_code=204,
    operation_id="removeChange",
    summary="Take a lost or extra lesson back",
)
def delete_change(change_id: UUID, desk: AtDesk) -> None:
    with desk.keep() as ctx:
        school_calendar.remove_change(ctx, change_id)
    plan_year.keep_up(desk)


@router.post(
    "/concerts", status_code=201, operation_id="addConcert", summary="Add a concert and what it needs"
)
def post_concert(body: ConcertBody, ctx: Work) -> ConcertRead:
    row = school_calendar.add_concert(
        ctx, body.name.strip(), body.day, body.section_ids, body.concepts, body.songs
    )
    return ConcertRead.model_validate(row)


@router.delete(
    "/concerts/{concert_id}", status_code=204, operation_id="removeConcert", summary="Take a concert away"
)
def delete_concert(concert_id: UUID, ctx: Work) -> None:
    school_calendar.remove_concert(ctx, concert_id)


@router.get("/sections/{section_id}/year", operation_id="year", summary="The year of a section")
def get_year(section_id: UUID, ctx: Work) -> YearRead:
    return YearRead.of(section_year.section_year(ctx, section_id), ctx.words)


@router.post("/sections/{section_id}/year/fit", operation_id="fitYear", summary="Lay the year of a section")
def post_fit(section_id: UUID, desk: AtDesk) -> YearRead:
    plan_year.fit(desk, section_id)
    with desk.look() as ctx:
        return get_year(section_id, ctx)


@router.put(
    "/sections/{section_id}/year/overrides",
    operation_id="overrideYear",
    summary="The teacher's word on arcs of a year",
)
def put_wishes(section_id: UUID, body: ArcOverridesBody, desk: AtDesk) -> YearRead:
    plan_year.override(desk, section_id, [one.value() for one in body.overrides], body.reserve)
    with desk.look() as ctx:
        return get_year(section_id, ctx)


@router.post(
    "/sections/{section_id}/year/undo", operation_id="undoYear", summary="Take back the last change of a year"
)
def post_undo(section_id: UUID, desk: AtDesk) -> YearRead:
    """Take back the last change of the plan that the teacher made."""
    with desk.keep() as ctx:
        undo_year.undo(ctx, section_id)
    with desk.look() as ctx:
        return get_year(section_id, ctx)


@router.get(
    "/sections/{section_id}/year/ways", operation_id="waysOut", summary="Ways out of a year that is too full"
)
def get_ways(section_id: UUID, desk: AtDesk) -> list[WayOutRead]:
    found = plan_year.ways(desk, section_id)
    with desk.look() as ctx:
        return [WayOutRead.of(way, ctx.words) for way in found]


@router.get("/year", operation_id="schoolYear", summary="The school's year at a glance")
def get_school_year(ctx: Work) -> SchoolYearRead:
    return SchoolYearRead.of(read_school_year.school_year(ctx), ctx.words)


@router.get("/year/grade", operation_id="gradeYear", summary="Where the sections of a grade will be on a day")
def get_grade(grade: Grade, ctx: Work, day: OnDay = None) -> GradeRead:
    """Where the sections of a grade will be on a day (today without one)."""
    on = day or ctx.today
    found = whereabouts.whereabouts(ctx, grade, on)
    said = ctx.words.say(whereabouts.drift(found))
    rows = [WhereRead.of(where, ctx.words) for where in found]
    return GradeRead(grade=grade, day=on, sentence=said, sections=rows)


@router.get("/week", operation_id="week", summary="The week of a day")
def get_week(ctx: Work, day: OnDay = None) -> list[WeekDayRead]:
    """What meets when in the week of a day, what is due in each lesson, what changes in the room."""
    return [WeekDayRead.of(one, ctx.words) for one in read_week.week(ctx, day or ctx.today)]


@router.get(
    "/calendar.ics",
    operation_id="calendarFile",
    summary="Lessons and concerts as an iCalendar file",
    response_class=Response,
    responses=answers("text/calendar"),
)
def get_ics(ctx: Work) -> Response:
    """Lessons and concerts of the year, for any calendar program."""
    return Response(
        school_calendar.as_file(ctx),
        media_type="text/calendar",
        headers={"Content-Disposition": 'attachment; filename="kopje.ics"'},
    )


@router.post(
    "/calendar/holidays", operation_id="readHolidays", summary="Look at the holidays of a calendar file"
)
def post_holidays(files: list[UploadFile], ctx: Work, services: Provided) -> list[SpanRead]:  # noqa: ARG001
    """Holidays of a calendar file, to be looked at; nothing is kept yet."""
    return [
        SpanRead.model_validate(span)
        for file in files
        for span in services.read(read_holidays, file.file.read(ICAL_BYTES + 1))
    ]
