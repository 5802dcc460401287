"""What a class reads: the next exercise, how it looks, its files, what was read."""

from __future__ import annotations

from typing import Annotated, Literal
from uuid import UUID

from fastapi import APIRouter, Query, Response

from kopje.api.deps import Provided, Work
from kopje.api.problems import answers
from kopje.api.schemas.reading import (
    ExerciseRead,
    FreshBody,
    PracticeRead,
    RoutineBody,
    RoutineRead,
    WishBody,
)
from kopje.api.schemas.rounds import QuestionsBody, QuestionsRead
from kopje.api.schemas.taps import ClicksBody, DelayRead, TappedRead, TapsBody
from kopje.core.music.clef import Clef
from kopje.core.music.meter import Meter
from kopje.core.planning.activities import Reads
from kopje.core.practice.reading.evidence import Shown
from kopje.core.practice.tapping import delay_of
from kopje.engraving.meter_sign import number_over_note
from kopje.engraving.practice_paper import FEWEST_LINES, MOST_LINES, NARROWEST, WIDEST, StaffPaper
from kopje.engraving.printing import Paper
from kopje.formats.write import MEDIA, write_score
from kopje.usecases.practice import exercises, in_lesson, on_paper, readings, rounds, tap
from kopje.usecases.practice.lines import line_at

router = APIRouter(tags=["practice"])
SVG = "image/svg+xml"


@router.get(
    "/sections/{section_id}/practice", operation_id="practice", summary="What a class can be given to read"
)
def get_practice(section_id: UUID, ctx: Work) -> PracticeRead:
    return PracticeRead.of(readings.practice_of(ctx, section_id), ctx)


@router.put(
    "/sections/{section_id}/routine", operation_id="setRoutine", summary="How a class goes about reading"
)
def put_routine(section_id: UUID, body: RoutineBody, ctx: Work) -> RoutineRead:
    return RoutineRead.of(readings.set_routine(ctx, section_id, body.value()))


@router.post(
    "/sections/{section_id}/exercises",
    status_code=201,
    operation_id="nextExercise",
    summary="An exercise that the class has not read",
)
def post_exercise(section_id: UUID, body: WishBody, ctx: Work) -> ExerciseRead:
    found = exercises.next_exercise(ctx, section_id, body.value(), body.change)
    return ExerciseRead.of(found.exercise, ctx, found.change)


@router.post(
    "/lessons/{lesson_id}/parts/{part_id}/exercise",
    operation_id="partExercise",
    summary="The exercise that a part of a lesson opens",
)
def post_part(lesson_id: UUID, part_id: UUID, body: FreshBody, ctx: Work) -> ExerciseRead | None:
    """Made for the class and the day when it is opened; the same again, until a fresh one is asked for.
    Nothing for a part that reads nothing new."""
    found = in_lesson.for_part(ctx, lesson_id, part_id, body.fresh, body.change)
    return ExerciseRead.of(found.exercise, ctx, found.change) if found else None


@router.get(
    "/lessons/{lesson_id}/parts/{part_id}/exercise",
    operation_id="openedExercise",
    summary="The exercise that a part of a lesson opened last",
)
def get_part(lesson_id: UUID, part_id: UUID, ctx: Work) -> ExerciseRead | None:
    """For a device without a network: nothing new is made."""
    row = in_lesson.opened(ctx, lesson_id, part_id)
    return ExerciseRead.of(row, ctx) if row else None


@router.get("/exercises/{exercise_id}", operation_id="exercise", summary="An exercise as it was made")
def get_exercise(exercise_id: UUID, ctx: Work) -> ExerciseRead:
    return ExerciseRead.of(exercises.of_school(ctx, exercise_id), ctx)


@router.get(
    "/exercises/{exercise_id}/score",
    operation_id="exerciseScore",
    summary="The engraved exercise",
    response_class=Response,
    responses=answers(SVG),
)
def get_score(
    exercise_id: UUID,
    ctx: Work,
    services: Provided,
    part: Annotated[int, Query(ge=0, le=3)] = 0,
    shown: Shown = "none",
    rhythm: bool = False,
    width: Annotated[int, Query(ge=600, le=4000)] = 1500,
    clef: Clef | None = None,
    lines: Annotated[int, Query(ge=1, le=5)] = 5,
    place: Annotated[int, Query(ge=-4, le=12)] | None = None,
    sticks: bool = False,
    over_note: bool = False,
    reads: Reads = "line",
    at: Annotated[int, Query(ge=0, le=10_000)] = 0,
) -> Response:
    """As SVG; `reads` it as cards or as a line that changes, `at` which one of them; `shown` is which notes
    keep their syllable, `rhythm` shows those of the rhythm instead. With a `place` for do (1 is line 1,
    2 space 1) on so many `lines`, without clef or signature; the meter as a number `over_note`, the beat."""
    row = exercises.of_school(ctx, exercise_id)
    if reads in ("cards", "change"):
        mei = line_at(ctx, exercise_id, reads, at, "sticks" if sticks else "notes")
    else:
        drawn = exercises.Drawn(part, shown, rhythm, clef, lines, place, sticks)
        mei = exercises.mei_of(ctx, row, drawn)
    svg = services.engraver.svg(mei, width)
    if over_note:
        svg = number_over_note(svg, Meter.parse(row.told["meter"]))
    return Response(svg, media_type=SVG, headers={"Cache-Control": "private, max-age=600"})


@router.get(
    "/exercises/{exercise_id}/file",
    operation_id="exerciseFile",
    summary="The exercise as a file",
    response_class=Response,
    responses=answers(*MEDIA.values()),
)
def get_file(exercise_id: UUID, ctx: Work, kind: Literal["musicxml", "abc", "mid"] = "musicxml") -> Response:
    row = exercises.of_school(ctx, exercise_id)
    name = f"exercise-{row.number}.{kind}"
    headers = {"Content-Disposition": f'attachment; filename="{name}"'}
    return Response(write_score(exercises.score_of(row), name), media_type=MEDIA[f".{kind}"], headers=headers)


@router.post(
    "/sections/{section_id}/exercises/print",
    operation_id="printExercises",
    summary="A set of different exercises with a key, as PDF",
    response_class=Response,
    responses=answers("application/pdf"),
)
def post_print(
    section_id: UUID,
    body: WishBody,
    ctx: Work,
    services: Provided,
    count: Annotated[int, Query(ge=1, le=on_paper.MOST)] = 6,
    paper: Paper = "A4",
    form: on_paper.Form = "sheet",
) -> Response:
    """None of them was read by the class, and none will be given to it again. As a sheet to read, cards to
    cut, bars to complete, or a line to write as it sounds."""
    sheets = on_paper.printed_set(ctx, section_id, body.value(), count, form, services.engraver)
    return Response(services.printer.pdf(sheets, paper), media_type="application/pdf")


@router.post(
    "/sections/{section_id}/rounds/print",
    operation_id="printRound",
    summary="A worksheet of places with its key, as PDF",
    response_class=Response,
    responses=answers("application/pdf"),
)
def post_worksheet(
    section_id: UUID, body: QuestionsBody, ctx: Work, services: Provided, paper: Paper = "A4"
) -> Response:
    sheets = on_paper.worksheet(ctx, section_id, body.value(), services.engraver)
    return Response(services.printer.pdf(sheets, paper), media_type="application/pdf")


@router.get(
    "/staff-paper",
    operation_id="staffPaper",
    summary="Empty staves, as PDF",
    response_class=Response,
    responses=answers("application/pdf"),
)
def get_staff_paper(
    ctx: Work,
    services: Provided,
    lines: Annotated[int, Query(ge=FEWEST_LINES, le=MOST_LINES)] = 5,
    gap: Annotated[float, Query(ge=NARROWEST, le=WIDEST)] = 4.0,
    paper: Paper = "A4",
) -> Response:
    """So many lines, `gap` millimetres apart."""
    sheet = StaffPaper(ctx.words.word("staff_paper_title"), lines, gap, paper)
    return Response(services.printer.pdf([sheet], paper), media_type="application/pdf")


@router.post(
    "/sections/{section_id}/rounds", operation_id="playRound", summary="A round of questions for a class"
)
def post_round(section_id: UUID, body: QuestionsBody, ctx: Work, services: Provided) -> QuestionsRead:
    """Of what it can name and has sung. Nothing of it is kept; what was answered is told as an event."""
    return QuestionsRead.of(rounds.play(ctx, section_id, body.value()), ctx, services.engraver)


@router.post("/exercises/{exercise_id}/taps", operation_id="judgeTaps", summary="A tapped line judged")
def post_taps(exercise_id: UUID, body: TapsBody, ctx: Work) -> TappedRead:
    """Early, late, on time or missed, onset by onset. Nothing of it is kept."""
    return TappedRead.of(*tap.judged(ctx, exercise_id, body.value()))


@router.post("/tap-delay", operation_id="tapDelay", summary="How late this device tells a tap")
def post_delay(body: ClicksBody, _: Work) -> DelayRead:
    """Measured by tapping along with clicks."""
    return DelayRead(delay=delay_of(body.clicks, body.taps))
