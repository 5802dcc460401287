"""What happened in a class, on the wire: batches of events from a device, and the answer for each."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Any, Literal
from uuid import UUID

from pydantic import Field, TypeAdapter, model_validator

from kopje.api.schemas.base import Body, Day, Moment, Read
from kopje.api.schemas.lesson_parts import Tick
from kopje.core.choir.rungs import Broke
from kopje.core.ledger.marks import Help, Result, Voices
from kopje.core.practice.asks.rounds import ToldKind
from kopje.core.practice.reading.evidence import Helped, Shown
from kopje.core.sequence.concepts import Way
from kopje.core.sequence.phases import Purpose
from kopje.usecases.room.settle_events import Aside
from kopje.usecases.room.take_events import MOST, Answer, ReportedEvent
from kopje.words import Words

Id = Annotated[UUID, Field(strict=False)]
Key = Annotated[str, Field(min_length=1, max_length=60)]
Minutes = Annotated[int, Field(ge=1, le=180)]


class MaterialBody(Body):
    kind: Annotated[str, Field(max_length=20)]
    id: Annotated[str, Field(max_length=80)] | None = None


class PartBody(Body):
    """A part as the device saw it."""

    id: Id
    slot: Annotated[str, Field(max_length=40)]
    role: Annotated[str, Field(max_length=20)]
    activity: Key
    material: MaterialBody
    concept: Key | None = None
    purpose: Purpose | None = None
    minutes: Annotated[int, Field(ge=0, le=180)]
    new: Annotated[str, Field(max_length=20)] | None = None
    left_over: bool = False


class PlaceBody(Body):
    """When a lesson is, for one that may be planned no more when the event arrives."""

    day: Day
    starts: Annotated[str, Field(pattern=r"^([01]\d|2[0-3]):[0-5]\d$")]
    minutes: Annotated[int, Field(ge=10, le=180)]


class EventBody(Body):
    """What every event has. `clock` is the device's; `sequence` its own counting."""

    id: Id = Field(examples=["@new_id"])
    section_id: Id = Field(examples=["@section_id"])
    lesson_id: Id = Field(examples=["@lesson_id"])
    clock: Moment = Field(examples=["2026-11-24T09:12:00+00:00"])
    device: Id = Field(examples=["@device"])
    sequence: Annotated[int, Field(ge=0, le=2**53 - 1)] = Field(examples=["@sequence"])

    def reported(self) -> ReportedEvent:
        return ReportedEvent(
            self.id,
            self.kind,  # type: ignore[attr-defined]
            self.section_id,
            self.lesson_id,
            self.clock,
            self.device,
            self.sequence,
            getattr(self, "child_id", None),
            getattr(self, "part_id", None),
            getattr(self, "target_id", None),
            self._body(),
        )

    def _body(self) -> dict[str, Any]:
        shared = {*EventBody.model_fields, "kind", "child_id", "part_id", "target_id"}
        return self.model_dump(mode="json", exclude=shared, exclude_none=True)


class StartedBody(EventBody):
    kind: Literal["started"]
    lesson: PlaceBody | None = None
    parts: Annotated[list[PartBody], Field(max_length=40)] | None = None


class TickedBody(EventBody):
    kind: Literal["ticked"]
    part_id: Id
    tick: Tick
    part: PartBody | None = None


class AnswersBody(Body):
    """A game of choosing: `choices` to choose from, `asked` times, `right` of them; the game repeats an
    answer at most `in_a_row` times."""

    choices: Annotated[int, Field(ge=2, le=12)]
    asked: Annotated[int, Field(ge=1, le=40)]
    right: Annotated[int, Field(ge=0, le=40)]
    in_a_row: Annotated[int, Field(ge=1, le=40)] = 3

    @model_validator(mode="after")
    def _no_more_right_than_asked(self) -> AnswersBody:
        if self.right > self.asked:
            raise ValueError("no more can be right than were asked")
        return self


class MarkedBody(EventBody):
    """`broke`: of a level of reading that was not secure, in which strands it broke. `supersedes`: the mark
    that this one stands for, which is taken back beside it. `answers`: of a game with so many answers to
    choose from. `together`: everybody answered at once, in silence; `could_copy` whether they could see each
    other. `day`: for a mark told in the ledger, apart from any lesson; `lesson_id` is the section's id
    then."""

    kind: Literal["marked"]
    child_id: Id
    part_id: Id | None = None
    concept: Key
    way: Way
    voices: Voices
    help: Help
    result: Result
    activity: Key | None = None
    broke: Annotated[list[Broke], Field(max_length=3)] | None = None
    supersedes: Id | None = None
    answers: AnswersBody | None = None
    together: bool | None = None
    could_copy: bool | None = None
    day: Day | None = None


class ClassMarkedBody(EventBody):
    """How the whole class did in a concept: shown with the section, and part of no child's standing.
    `answers`: of a game of choosing. `day`: apart from any lesson; `lesson_id` is the section's id then."""

    kind: Literal["class_marked"]
    part_id: Id | None = None
    concept: Key
    way: Way
    help: Help
    result: Result
    answers: AnswersBody | None = None
    day: Day | None = None


class HandsBody(EventBody):
    """A show of hands: so many of so many, to what was asked. Never a mark."""

    kind: Literal["hands"]
    part_id: Id | None = None
    asked: Annotated[str, Field(max_length=120)]
    count: Annotated[int, Field(ge=0, le=400)]
    of: Annotated[int, Field(ge=0, le=400)]


class PassedBody(EventBody):
    """A child did not want to now: no mark, and it is not asked again in this part."""

    kind: Literal["passed"]
    child_id: Id
    part_id: Id | None = None


class JudgedBody(EventBody):
    """The teacher's own word on how far a child is in a concept, kept beside what the marks say; without a
    level the word is dropped. Apart from any lesson: `lesson_id` is the section's id."""

    kind: Literal["judged"]
    child_id: Id
    concept: Key
    day: Day
    level: Literal["not_yet", "nearly", "once", "secure"] | None = None
    note: Annotated[str, Field(max_length=200)] = ""


class ReadBody(EventBody):
    """The class read an exercise. `shown`: which syllables stood under it; `modelled`: somebody sang or
    signed along; `again`: a second time, as practice. Where it was not clean, `bar` and `note` (index of the
    printed note in its part, from 0) say where, `helped` what helped. `day`: apart from any lesson;
    `lesson_id` is the section's id then."""

    kind: Literal["read"]
    exercise: Id
    clean: bool
    shown: Shown = "none"
    modelled: bool = False
    again: bool = False
    part: Annotated[int, Field(ge=0, le=3)] = 0
    bar: Annotated[int, Field(ge=0, le=600)] | None = None
    note: Annotated[int, Field(ge=0, le=2000)] | None = None
    helped: Helped | None = None
    day: Day | None = None


class RoundToldBody(EventBody):
    """A round of questions was played: `right` of so many `asked` with so many `choices` each, in so many
    seconds; `station`: by somebody alone. Of lines that were read there `concept` says what was due, and who
    read them judged. It is practice, and no mark."""

    kind: Literal["round"]
    ask: ToldKind
    asked: Annotated[int, Field(ge=1, le=40)]
    right: Annotated[int, Field(ge=0, le=40)]
    choices: Annotated[int, Field(ge=2, le=12)]
    seconds: Annotated[int, Field(ge=0, le=36_000)]
    station: bool = False
    concept: Key | None = None
    day: Day | None = None


class TakenBackBody(EventBody):
    kind: Literal["taken_back"]
    target_id: Id


class AbsentBody(EventBody):
    kind: Literal["absent"]
    child_id: Id


class NotedBody(EventBody):
    kind: Literal["noted"]
    note: Annotated[str, Field(max_length=300)]


class RatedBody(EventBody):
    """A part went well, or fell flat; `note` says why, where somebody said so."""

    kind: Literal["rated"]
    part_id: Id
    rating: Literal["well", "flat"]
    note: Annotated[str, Field(max_length=200)] | None = None


class OverBody(EventBody):
    kind: Literal["ended", "reopened"]


class NotHeldBody(EventBody):
    """The lesson did not happen."""

    kind: Literal["not_held"]
    lesson: PlaceBody | None = None


OneEvent = Annotated[
    StartedBody
    | TickedBody
    | MarkedBody
    | TakenBackBody
    | AbsentBody
    | NotedBody
    | RatedBody
    | OverBody
    | NotHeldBody
    | ClassMarkedBody
    | HandsBody
    | PassedBody
    | JudgedBody
    | ReadBody
    | RoundToldBody,
    Field(discriminator="kind"),
]
ONE_EVENT: TypeAdapter[Any] = TypeAdapter(OneEvent)


class BatchBody(Body):
    """Events in the order they were made. `sent`: the device's clock now, against which all of its moments
    are put right."""

    sent: Moment = Field(examples=["2026-11-24T09:12:05+00:00"])
    events: Annotated[list[OneEvent], Field(max_length=MOST)] = Field(examples=[["@event"]])


class AnswerRead(Read):
    """`taken`, `known` already, or kept `aside` until the teacher settles it; then `sentence` says why.
    `erased`: it speaks of a child that was erased, and nothing of it is kept."""

    id: UUID
    outcome: Literal["taken", "known", "aside", "erased"]
    code: str
    sentence: str

    @classmethod
    def of(cls, answer: Answer, words: Words) -> AnswerRead:
        reason = answer.reason
        return cls(
            id=answer.id,
            outcome=answer.outcome,
            code=reason.code if reason else "",
            sentence=words.say(reason) if reason else "",
        )


class AsideRead(Read):
    """An event that waits to be settled; `child` is a name."""

    id: UUID
    kind: str
    section_id: UUID
    lesson_id: UUID
    child: str | None
    clock: datetime
    sentence: str
    body: dict[str, Any]

    @classmethod
    def of(cls, one: Aside, words: Words) -> AsideRead:
        reported = one.reported
        return cls(
            id=one.id,
            kind=reported.kind,
            section_id=reported.section_id,
            lesson_id=reported.lesson_id,
            child=one.child,
            clock=reported.clock,
            sentence=words.say(one.reason),
            body=dict(reported.body),
        )
