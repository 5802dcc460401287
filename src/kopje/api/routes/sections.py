"""The day, sections, their songs and ledger."""

from __future__ import annotations

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Query, Response

from kopje.api.deps import AtDesk, Provided, Work
from kopje.api.problems import answers
from kopje.api.schemas.base import Day
from kopje.api.schemas.concepts import ConceptRead
from kopje.api.schemas.ledger import EvidenceRead, LedgerRead
from kopje.api.schemas.people import (
    DeclaredBody,
    DeclaredRead,
    KnownSongsBody,
    KnownSongsRead,
    SectionBody,
    SectionChangeBody,
    SectionDetail,
    SectionRead,
    SingerRead,
    SingersBody,
)
from kopje.api.schemas.sections import DayRead, EntryRead, FitRead, OverviewRead
from kopje.api.schemas.to_do import DayLikeBody, DayLikeRead, DayNeedsRead, RoomBody, RoomRead, ToDoRead
from kopje.core.sequence.phases import Purpose
from kopje.engraving.printing import Paper
from kopje.usecases.ledger import read_ledger
from kopje.usecases.lessons import day_like, read_day, read_fetch, read_lesson, read_to_do
from kopje.usecases.setup import change_section, known_songs, privacy, school_habits, set_up_school
from kopje.usecases.songs.songbook import songs_by_id
from kopje.usecases.year import read_section

router = APIRouter(tags=["sections"])
Key = Annotated[str, Query(max_length=60, examples=["re"])]


@router.get("/day", operation_id="day", summary="Today, or the next day with lessons")
def get_day(ctx: Work) -> DayRead:
    day = read_day.day(ctx)
    return DayRead(
        day=day.day,
        today=ctx.today,
        now=f"{ctx.now:%H:%M}",
        entries=[EntryRead.of(entry) for entry in day.entries],
        never=list(day.never),
    )


@router.get("/to-do", operation_id="toDo", summary="Lessons never opened, and what helps most next")
def get_to_do(ctx: Work) -> ToDoRead:
    return ToDoRead.of(read_to_do.to_do(ctx), ctx.words)


@router.get("/day/needs", operation_id="dayNeeds", summary="What to fetch for the lessons of a day")
def get_day_needs(ctx: Work, day: Annotated[Day | None, Query()] = None) -> list[DayNeedsRead]:
    """Of today, or of the day asked for."""
    return [DayNeedsRead.of(one, ctx.words) for one in read_fetch.day_needs(ctx, day or ctx.today)]


@router.get("/room", operation_id="room", summary="How many of each thing the room has")
def get_room(ctx: Work) -> RoomRead:
    return RoomRead.of(ctx.habits, ctx.words)


@router.put("/room", operation_id="setRoom", summary="Count what the room has")
def put_room(body: RoomBody, ctx: Work) -> RoomRead:
    """An activity that needs more than there is is not proposed any more."""
    kept = school_habits.set_room(ctx, body.counts, body.voice, body.hemisphere)
    return RoomRead.of(kept, ctx.words)


@router.get("/days/{day}", operation_id="dayLike", summary="What a day is like")
def get_day_like(day: Day, ctx: Work) -> DayLikeRead:
    return DayLikeRead.of(day_like.day_like(ctx, day), ctx.words)


@router.put("/days/{day}", operation_id="setDayLike", summary="Say what a day is like")
def put_day_like(day: Day, body: DayLikeBody, ctx: Work) -> DayLikeRead:
    """Lessons that are proposed from now on prefer songs that suit it."""
    changed = school_habits.set_day(ctx, day, body.times)
    return DayLikeRead.of(day_like.day_like(ctx, day, changed), ctx.words)


@router.get("/sections", operation_id="sections", summary="All sections, by grade and name")
def get_sections(ctx: Work) -> list[SectionRead]:
    return [SectionRead.model_validate(one) for one in set_up_school.sections_of_school(ctx)]


@router.post(
    "/sections",
    status_code=201,
    operation_id="addSection",
    summary="Add a section with its children and meetings",
)
def post_section(body: SectionBody, ctx: Work) -> SectionRead:
    return SectionRead.model_validate(set_up_school.add_section(ctx, body.value()))


@router.get(
    "/sections/{section_id}",
    operation_id="section",
    summary="One section: its next lesson, what is due, what is secure",
)
def get_section(section_id: UUID, ctx: Work) -> OverviewRead:
    found = read_section.overview(ctx, section_id)
    shown = [entry.lesson_id for _, entry in found.ahead if entry.lesson_id]
    shown += [found.now.open.id] if found.now.open else []
    shown += [UUID(found.last.id)] if found.last else []
    return OverviewRead.of(found, read_lesson.briefs(ctx, shown), ctx.words)


@router.get(
    "/sections/{section_id}/detail", operation_id="sectionDetail", summary="What can be changed of a section"
)
def get_detail(section_id: UUID, ctx: Work) -> SectionDetail:
    return SectionDetail.of(change_section.read(ctx, section_id))


@router.put(
    "/sections/{section_id}",
    operation_id="changeSection",
    summary="Change a section's name, grades, minutes and meetings",
)
def put_section(section_id: UUID, body: SectionChangeBody, desk: AtDesk) -> SectionDetail:
    """Its name, grades, minutes and meetings; the plan of its year follows."""
    meetings = [one.value() for one in body.meetings]
    grades = (body.grade, body.upper)
    found = change_section.change(desk, section_id, body.name.strip(), grades, body.minutes, meetings)
    return SectionDetail.of(found)


@router.get(
    "/sections/{section_id}/songs-for",
    operation_id="songsFor",
    summary="Songs for a concept and a purpose, the best first",
)
def get_songs_for(section_id: UUID, concept: Key, purpose: Purpose, ctx: Work) -> list[FitRead]:
    fits = read_section.songs_for(ctx, section_id, concept, purpose)
    by_id = songs_by_id(ctx, (fit.song.id for fit in fits))
    return [FitRead.of(fit, by_id[UUID(fit.song.id)], ctx.words) for fit in fits]


@router.get(
    "/sections/{section_id}/declared",
    operation_id="declared",
    summary="What earlier years brought to a section",
)
def get_declared(section_id: UUID, ctx: Work) -> DeclaredRead:
    return DeclaredRead(concepts=set_up_school.declared(ctx, section_id))


@router.put(
    "/sections/{section_id}/declared",
    operation_id="declare",
    summary="Set what earlier years brought to a section",
)
def put_declared(section_id: UUID, body: DeclaredBody, ctx: Work) -> DeclaredRead:
    set_up_school.declare(ctx, section_id, body.concepts)
    return DeclaredRead(concepts=body.concepts)


@router.get(
    "/sections/{section_id}/known-songs",
    operation_id="knownSongs",
    summary="Songs that a section knows from elsewhere",
)
def get_known_songs(section_id: UUID, ctx: Work) -> KnownSongsRead:
    return KnownSongsRead(song_ids=known_songs.known_songs(ctx, section_id))


@router.put(
    "/sections/{section_id}/known-songs",
    operation_id="setKnownSongs",
    summary="Set which songs a section knows from elsewhere",
)
def put_known_songs(section_id: UUID, body: KnownSongsBody, ctx: Work) -> KnownSongsRead:
    return KnownSongsRead(song_ids=known_songs.set_known_songs(ctx, section_id, body.song_ids))


@router.get(
    "/sections/{section_id}/singers",
    operation_id="singers",
    summary="Who of the classes may sing in a choir, and who does",
)
def get_singers(section_id: UUID, ctx: Work) -> list[SingerRead]:
    return [SingerRead(**one) for one in set_up_school.may_sing(ctx, section_id)]


@router.put(
    "/sections/{section_id}/singers",
    operation_id="setSingers",
    summary="Set who of the classes sings in a choir",
)
def put_singers(section_id: UUID, body: SingersBody, ctx: Work) -> list[SingerRead]:
    set_up_school.set_singers(ctx, section_id, body.child_ids)
    return [SingerRead(**one) for one in set_up_school.may_sing(ctx, section_id)]


@router.get("/concepts", operation_id="concepts", summary="Every concept of the school's sequence")
def get_concepts(ctx: Work) -> list[ConceptRead]:
    return [ConceptRead.of(concept, ctx.words) for concept in ctx.sequence.concepts]


@router.get(
    "/sections/{section_id}/ledger",
    operation_id="ledger",
    summary="The ledger of a section as a grid",
    response_model=LedgerRead,
)
def get_ledger(section_id: UUID, ctx: Work) -> Response:
    """Written out here: a grid need not be checked a second time on its way."""
    read = LedgerRead.of(read_ledger.grid(ctx, section_id), ctx.words)
    return Response(read.model_dump_json(), media_type="application/json")


@router.get(
    "/sections/{section_id}/ledger/print",
    operation_id="printLedger",
    summary="The whole ledger of a section as PDF, in black and white",
    response_class=Response,
    responses=answers("application/pdf"),
)
def get_ledger_print(section_id: UUID, ctx: Work, services: Provided, paper: Paper = "A4") -> Response:
    """That it was taken out is in the list of who looked."""
    sheet = read_ledger.sheet(ctx, read_ledger.grid(ctx, section_id))
    privacy.looked(services.work, ctx, "ledger_taken_out")
    return Response(services.printer.pdf([sheet], paper), media_type="application/pdf")


@router.get(
    "/sections/{section_id}/ledger/{child_id}/{concept}",
    operation_id="evidence",
    summary="The evidence of one child in one concept",
)
def get_evidence(
    section_id: UUID, child_id: UUID, concept: str, ctx: Work, services: Provided
) -> EvidenceRead:
    """That it was looked at is in the list of who looked."""
    found = read_ledger.evidence(ctx, section_id, child_id, concept)
    privacy.looked(services.work, ctx, "child_looked_at", child_id)
    return EvidenceRead.of(found, ctx.words)
