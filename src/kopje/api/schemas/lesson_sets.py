"""Lesson sets on the wire."""

from __future__ import annotations

from datetime import date, datetime
from typing import Annotated, Literal
from uuid import UUID

from pydantic import Field

from kopje.api.schemas.base import Body, Name, Read, ReasonRead
from kopje.api.schemas.lesson_parts import PartRead, Things
from kopje.api.schemas.people import SectionRead
from kopje.core.planning.focus_song import FocusStep
from kopje.core.planning.habits import Habits
from kopje.core.planning.lesson import Choice
from kopje.core.planning.lesson_set.prices import PRICES
from kopje.core.planning.lesson_set.question import SetStatus
from kopje.core.planning.template import Band, Template, band_of, slot_name
from kopje.core.reasons import Named, Reason, because
from kopje.core.sequence.concepts import ConceptKey
from kopje.core.sequence.grades import grade_name
from kopje.core.sequence.phases import Purpose
from kopje.store import tables
from kopje.usecases.lessons.change_set import Act, Change
from kopje.usecases.lessons.kept_sets import FocusPlan
from kopje.usecases.lessons.read_set import Box, SetCell, SetColumn, SetView
from kopje.words import Words
from kopje.workers import Progress

SAYS: dict[SetStatus, str] = {
    "best_possible": "set_says_best_possible",
    "teaching_best": "set_says_teaching_best",
    "best_found": "set_says_best_found",
    "impossible": "set_says_impossible",
}
Slot = Annotated[str, Field(max_length=40)]
Count = Annotated[int, Field(ge=1, le=6)]
Number = Annotated[int, Field(ge=0, le=2**31 - 1)]


def set_name(view: SetView) -> Reason:
    """The grade, or the section's own name."""
    sections = view.scope.sections
    if len(sections) > 1:
        return grade_name(view.scope.state.grade)
    return because("the_section", name=sections[0].name)


class BoxRead(Read):
    """A section's lesson in the set; `lesson_id` null where none is planned yet."""

    section: str
    section_id: UUID
    day: date
    starts: str
    number: int
    lesson_id: UUID | None

    @classmethod
    def of(cls, box: Box) -> BoxRead:
        return cls(
            section=box.section.name,
            section_id=box.section.id,
            day=box.at.day,
            starts=f"{box.at.starts:%H:%M}",
            number=box.at.number,
            lesson_id=box.lesson_id,
        )


class SetCellRead(Read):
    """A part, whose it is, how the song or activity has grown in words (“2nd time: join in”, empty the first
    time), and whether the last change put it there."""

    part: PartRead
    sections: list[str]
    everywhere: bool
    grows: str
    changed: bool

    @classmethod
    def of(cls, cell: SetCell, things: Things, words: Words, section: SectionRead, day: date) -> SetCellRead:
        part = PartRead.of(cell.part, things, words, section, cell.times, day)
        again = cell.sung if cell.part.choice.thing else cell.times
        form = part.forms[part.form].stage if part.form is not None else ""
        grows = because("set_grows", time=again + 1, stage=form, named=int(bool(form))) if again else None
        return cls(
            part=part,
            sections=list(cell.sections),
            everywhere=cell.everywhere,
            grows=words.say(grows) if grows else "",
            changed=cell.changed,
        )


class SetColumnRead(Read):
    """A lesson: `minutes` of the clock, `available` of them for parts, `planned` in parts, and how that is
    counted."""

    boxes: list[BoxRead]
    minutes: int
    available: int
    planned: int
    counted: str
    cells: list[SetCellRead]
    unmet: list[ReasonRead]

    @classmethod
    def of(
        cls, column: SetColumn, things: Things, words: Words, section: SectionRead, template: Template
    ) -> SetColumnRead:
        mine = [
            cell
            for cell in column.cells
            if cell.everywhere or cell.sections[0] == column.boxes[0].section.name
        ]
        counted = because(
            "set_minutes_counted",
            minutes=column.minutes,
            settle=template.settle_in,
            line_up=template.line_up,
            between=column.minutes - template.settle_in - template.line_up - column.available,
            left=column.available,
        )
        return cls(
            boxes=[BoxRead.of(box) for box in column.boxes],
            minutes=column.minutes,
            available=column.available,
            planned=sum(cell.part.minutes for cell in mine),
            counted=words.say(counted),
            cells=[
                SetCellRead.of(cell, things, words, section, column.boxes[0].at.day) for cell in column.cells
            ],
            unmet=ReasonRead.every(column.unmet, words),
        )


class RefusedRead(Read):
    """What is not to come in this set."""

    activity: str
    song_id: UUID | None
    says: str


class SetRead(Read):
    """`status` is null where the composer was not asked yet. `last`: the last change in words, `again`: the
    one that can be done again."""

    key: str
    name: str
    grade: int
    band: Band
    sections: list[SectionRead]
    version: int
    columns: list[SetColumnRead]
    status: SetStatus | None
    says: str
    unmet: list[ReasonRead]
    last: str | None
    again: str | None
    refused: list[RefusedRead]

    @classmethod
    def of(cls, view: SetView, things: Things, words: Words) -> SetRead:
        sections = [SectionRead.model_validate(one) for one in view.scope.sections]
        state = view.scope.state
        found = view.found or {}
        said = (
            because(SAYS[found["status"]], gap=found["gap"], looked_at=found["looked_at"])
            if found
            else because("set_says_nothing")
        )
        return cls(
            key=view.scope.key,
            name=words.say(set_name(view)),
            grade=state.grade,
            band=band_of(state.grade),
            sections=sections,
            version=view.version,
            columns=[
                SetColumnRead.of(one, things, words, sections[0], view.scope.template) for one in view.columns
            ],
            status=found.get("status"),
            says=words.say(said),
            unmet=ReasonRead.every(view.unmet, words),
            last=words.say(view.last) if view.last else None,
            again=words.say(view.again) if view.again else None,
            refused=[_refused(key, song, things) for key, song in view.refused],
        )


def _refused(key: str, song: str | None, things: Things) -> RefusedRead:
    item, found = things.repertoire.known(key), things.songs.get(UUID(song)) if song else None
    title = item.title if item else key
    return RefusedRead(
        activity=key, song_id=UUID(song) if song else None, says=f"{title}: {found.title}" if found else title
    )


class ComposeBody(Body):
    """`anew`: think everything out again but what is pinned; else as little as can be is changed."""

    lessons: Count = Field(default=6, examples=[3])
    version: Number = Field(examples=["@set_version"])
    anew: bool = Field(default=False, examples=[False])


class SetSeenBody(Body):
    lessons: Count = Field(default=6, examples=[3])
    version: Number = Field(examples=["@set_version"])


class ChangeBody(Body):
    """One change: `lesson` from 0 and `slot` say where; `activity` with its song or piece, concept and
    purpose what is put there or lifted; `to_lesson` and `to_slot` where it is moved."""

    act: Act = Field(examples=["pin"])
    lessons: Count = Field(default=6, examples=[3])
    version: Number = Field(examples=["@set_version"])
    lesson: Annotated[int, Field(ge=0, le=5)] = Field(default=0, examples=[0])
    slot: Slot = Field(default="", examples=["focus-1"])
    activity: Annotated[str, Field(max_length=60)] | None = Field(default=None, examples=[None])
    song_id: Annotated[UUID, Field(strict=False)] | None = Field(default=None, examples=[None])
    recording_id: Annotated[UUID, Field(strict=False)] | None = Field(default=None, examples=[None])
    concept: Annotated[str, Field(max_length=60)] | None = Field(default=None, examples=[None])
    purpose: Purpose | None = Field(default=None, examples=[None])
    to_lesson: Annotated[int, Field(ge=0, le=5)] | None = Field(default=None, examples=[None])
    to_slot: Slot | None = Field(default=None, examples=[None])

    def value(self) -> Change:
        choice = (
            Choice(
                self.activity,
                str(self.song_id) if self.song_id else None,
                ConceptKey(self.concept) if self.concept else None,
                self.purpose,
                str(self.recording_id) if self.recording_id else None,
            )
            if self.activity
            else None
        )
        to = (self.to_lesson, self.to_slot) if self.to_lesson is not None and self.to_slot else None
        return Change(self.act, self.lesson, self.slot, choice, to)


class PriceRead(Read):
    """What a wish costs where it is not kept; `rule` 0 is no must-rule."""

    key: str
    says: str
    points: int
    tier: Literal["must", "teaching", "taste"]

    @classmethod
    def every(cls, words: Words) -> list[PriceRead]:
        return [
            cls(key=key, says=words.say(because(f"set_{key}")), points=one.points, tier=one.tier)
            for key, one in PRICES.items()
        ]


class KeepSetBody(Body):
    lessons: Count = Field(default=6, examples=[3])
    name: Name = Field(examples=["After the holidays"])


class LaySetBody(Body):
    kept_id: Annotated[UUID, Field(strict=False)] = Field(examples=["@kept_id"])
    lessons: Count = Field(default=6, examples=[3])
    version: Number = Field(examples=["@set_version"])


class KeptSetRead(Read):
    id: UUID
    name: str
    grade: int
    lessons: int
    made: datetime

    @classmethod
    def of(cls, row: tables.KeptSet) -> KeptSetRead:
        return cls(id=row.id, name=row.name, grade=row.grade, lessons=len(row.lessons), made=row.made)


class LaidRead(Read):
    """The set as it is now, and what of the kept one does not hold here."""

    set: SetRead
    dropped: list[ReasonRead]


class SetProgressRead(Read):
    """Of composing: `done` from 0 to 1, what the best so far costs, and by how many points at most it may be
    bettered."""

    done: float
    cost: int
    gap: int

    @classmethod
    def of(cls, found: Progress) -> SetProgressRead:
        return cls(done=found.done, cost=found.cost, gap=max(found.cost - found.bound, 0))


class FocusBody(Body):
    song_id: Annotated[UUID, Field(strict=False)] = Field(examples=["@song_id"])
    lessons: Count = Field(default=6, examples=[3])
    version: Number = Field(examples=["@set_version"])


class FocusStepRead(Read):
    """A lesson from 1; `activity` empty where nothing fits the stage."""

    lesson: int
    stage: str
    slot: str
    activity: str
    concept: str
    says: list[str]


class FocusRead(Read):
    """What must be learned of a song, in order, and what is done with it lesson by lesson."""

    title: str
    learn: list[str]
    steps: list[FocusStepRead]

    @classmethod
    def of(cls, plan: FocusPlan, habits: Habits, words: Words, grade: int) -> FocusRead:
        return cls(
            title=plan.song.title,
            learn=[words.say(reason) for reason in plan.learn],
            steps=[_focus_step(step, habits, words, grade) for step in plan.steps],
        )


def _focus_step(step: FocusStep, habits: Habits, words: Words, grade: int) -> FocusStepRead:
    part = step.part
    concept = part.choice.concept if part else None
    return FocusStepRead(
        lesson=step.lesson + 1,
        stage=words.say(because(f"stage_{step.stage}")),
        slot=words.say(slot_name(part.slot, grade)) if part else "",
        activity=habits.repertoire.activity(part.choice.activity).title if part else "",
        concept=words.term(Named(concept)) if concept else "",
        says=[words.say(reason) for reason in step.reasons],
    )
