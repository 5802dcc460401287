"""The day, sections, their songs and ledger."""

from __future__ import annotations

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Query, Response

from kopje.api.deps import Work
from kopje.api.schemas.ledger import EvidenceRead, LedgerRead
from kopje.api.schemas.lessons import (
    ConceptRead,
    DayRead,
    EntryRead,
    FitRead,
    OverviewRead,
)
from kopje.api.schemas.people import (
    DeclaredBody,
    DeclaredRead,
    SectionBody,
    SectionRead,
    SingerRead,
    SingersBody,
)
from kopje.core.sequence.phases import Purpose
from kopje.store import sections
from kopje.usecases.ledger import read_ledger
from kopje.usecases.lessons import read_day, read_lesson
from kopje.usecases.setup import set_up_school
from kopje.usecases.songs.songbook import songs_by_id
from kopje.usecases.year import read_section

router = APIRouter(tags=["sections"])
Key = Annotated[str, Query(max_length=60, examples=["re"])]


@router.get("/day", operation_id="day")
def get_day(call: Work) -> DayRead:
    day = read_day.day(call)
    return DayRead(
        day=day.day,
        today=call.today,
        now=f"{call.now:%H:%M}",
        entries=[EntryRead.of(entry) for entry in day.entries],
        never=list(day.never),
    )


@router.get("/sections", operation_id="sections")
def get_sections(call: Work) -> list[SectionRead]:
    return [SectionRead.model_validate(one) for one in sections.sections(call.session, call.school_id)]


@router.post("/sections", status_code=201, operation_id="addSection")
def post_section(body: SectionBody, call: Work) -> SectionRead:
    return SectionRead.model_validate(set_up_school.add_section(call, body.value()))


@router.get("/sections/{section_id}", operation_id="section")
def get_section(section_id: UUID, call: Work) -> OverviewRead:
    found = read_section.overview(call, section_id)
    shown = [entry.lesson_id for _, entry in found.ahead if entry.lesson_id]
    shown += [found.now.open.id] if found.now.open else []
    shown += [UUID(found.last.id)] if found.last else []
    return OverviewRead.of(found, read_lesson.briefs(call, shown), call.words)


@router.get("/sections/{section_id}/songs-for", operation_id="songsFor")
def get_songs_for(section_id: UUID, concept: Key, purpose: Purpose, call: Work) -> list[FitRead]:
    fits = read_section.songs_for(call, section_id, concept, purpose)
    by_id = songs_by_id(call, (fit.song.id for fit in fits))
    return [FitRead.of(fit, by_id[UUID(fit.song.id)], call.words) for fit in fits]


@router.get("/sections/{section_id}/declared", operation_id="declared")
def get_declared(section_id: UUID, call: Work) -> DeclaredRead:
    section = sections.section(call.session, call.school_id, section_id)
    return DeclaredRead(concepts=list(sections.declared(call.session, section.id)))


@router.put("/sections/{section_id}/declared", operation_id="declare")
def put_declared(section_id: UUID, body: DeclaredBody, call: Work) -> DeclaredRead:
    set_up_school.declare(call, section_id, body.concepts)
    return DeclaredRead(concepts=body.concepts)


@router.get("/sections/{section_id}/singers", operation_id="singers")
def get_singers(section_id: UUID, call: Work) -> list[SingerRead]:
    return [SingerRead(**one) for one in set_up_school.may_sing(call, section_id)]


@router.put("/sections/{section_id}/singers", operation_id="setSingers")
def put_singers(section_id: UUID, body: SingersBody, call: Work) -> list[SingerRead]:
    set_up_school.set_singers(call, section_id, body.child_ids)
    return [SingerRead(**one) for one in set_up_school.may_sing(call, section_id)]


@router.get("/concepts", operation_id="concepts")
def get_concepts(call: Work) -> list[ConceptRead]:
    return [ConceptRead.of(concept, call.words) for concept in call.sequence.concepts]


@router.get("/sections/{section_id}/ledger", operation_id="ledger", response_model=LedgerRead)
def get_ledger(section_id: UUID, call: Work) -> Response:
    """Written out here: a grid need not be checked a second time on its way."""
    read = LedgerRead.of(read_ledger.grid(call, section_id), call.words)
    return Response(read.model_dump_json(), media_type="application/json")


@router.get("/sections/{section_id}/ledger/{child_id}/{concept}", operation_id="evidence")
def get_evidence(section_id: UUID, child_id: UUID, concept: str, call: Work) -> EvidenceRead:
    return EvidenceRead.of(read_ledger.evidence(call, section_id, child_id, concept), call.words)
