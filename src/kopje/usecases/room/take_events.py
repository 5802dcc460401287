"""Taking what happened in a class: events as devices send them, up to 500 at once, each answered for.

What is known already stays as it is; what cannot be taken is kept aside, whole, until the teacher settles it.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from datetime import date, datetime, time, timedelta
from typing import Any, Literal
from uuid import UUID

from kopje.core.errors import KopjeError
from kopje.core.ledger.events import dated
from kopje.core.ledger.held import BEGINS, part_of, part_values
from kopje.core.ledger.luck import as_heard
from kopje.core.planning.repertoire import Repertoire
from kopje.core.reasons import Reason, because, packed
from kopje.store import events, practice, privacy, sections
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.ledger.projections import keep_facts, keep_lessons, keep_standings
from kopje.usecases.lessons.known_lessons import KnownLesson, known_lessons

MOST = 500
OF_A_PART = frozenset(("ticked", "rated"))
OF_A_CHILD = frozenset(("marked", "absent", "passed", "judged"))
OF_A_CONCEPT = frozenset(("marked", "class_marked", "judged"))
STANDS = frozenset(("marked", "judged"))  # what a standing is made of
BY_HAND = STANDS | {"read", "round", "class_marked"}  # what may be told apart from any lesson
CHANGES_LESSON = frozenset(("started", "ticked", "ended", "reopened", "rated", "not_held", "noted", "absent"))
SAID = (
    "result",
    "broke",
    "tick",
    "note",
    "rating",
    "level",
    "count",
    "of",
    "asked",
    "exercise",
    "clean",
    "shown",
    "ask",
    "right",
)
SAME = ("kind", "section_id", "lesson_id", "child_id", "part_id", "target_id", "concept")

Outcome = Literal["taken", "known", "aside", "erased"]


@dataclass(frozen=True)
class ReportedEvent:
    """An event as a device tells it. `clock` is the device's own; `body` what its kind carries."""

    id: UUID
    kind: str
    section_id: UUID
    lesson_id: UUID
    clock: datetime
    device: UUID
    sequence: int
    child_id: UUID | None = None
    part_id: UUID | None = None
    target_id: UUID | None = None
    body: Mapping[str, Any] = field(default_factory=dict)


@dataclass(frozen=True)
class Answer:
    """What became of an event, and why where it was kept aside."""

    id: UUID
    outcome: Outcome
    reason: Reason | None = None


@dataclass(frozen=True)
class Taken:
    """The answers in the order asked, and the sections in which a lesson ended or opened again."""

    answers: tuple[Answer, ...]
    over: frozenset[UUID]


class _RefusedError(Exception):
    """The event cannot be taken; it goes aside with this reason."""

    def __init__(self, reason: Reason) -> None:
        super().__init__(reason.code)
        self.reason = reason


def _refuse(code: str, **params: Any) -> _RefusedError:
    return _RefusedError(because(f"aside_{code}", "bars", **params))


def take(ctx: Context, sent: datetime, reported: Sequence[ReportedEvent]) -> Taken:
    """Take a batch. `sent` is the device's clock as it sent it: what it is off by now puts right every
    moment in the batch.

    The sections and children it speaks of are held in the order of their ids, so that batches of two devices
    neither wait for each other for ever nor work out a standing from half of the marks."""
    reported = [replace(one, body=as_heard(one.body)) if one.kind == "marked" else one for one in reported]
    here = events.lock_sections(ctx.session, ctx.school_id, (one.section_id for one in reported))
    children = {one.child_id for one in reported if one.child_id}
    children_here = events.lock_children(ctx.session, ctx.school_id, children)
    batch = _Batch(ctx, ctx.now - sent.astimezone(ctx.now.tzinfo), here, children_here, reported)
    answers = {
        one.id: batch.answer(one) for one in sorted(reported, key=lambda x: (str(x.device), x.sequence))
    }
    batch.keep()
    return Taken(tuple(answers[one.id] for one in reported), frozenset(batch.over))


class _Batch:
    """One batch while it is looked through: what is there already, what will be added, what goes aside."""

    def __init__(
        self,
        ctx: Context,
        offset: timedelta,
        here: set[UUID],
        children: set[UUID],
        reported: Sequence[ReportedEvent],
    ) -> None:
        self.ctx, self.offset, self.here, self.children = ctx, offset, here, children
        self.known = events.known(ctx.session, (one.id for one in reported))
        pairs = [(one.device, one.sequence) for one in reported]
        self.taken = events.sequences_taken(ctx.session, ctx.teacher_id, pairs)
        self.waiting = events.aside_ids(ctx.session, (one.id for one in reported))
        self.lessons = known_lessons(ctx, (one.lesson_id for one in reported))
        self.members = sections.members(ctx.session, children)
        named = {one.child_id for one in reported if one.child_id}
        self.erased = privacy.erased_among(ctx.session, named - children)
        self.rows: list[dict[str, Any]] = []
        self.new: dict[UUID, dict[str, Any]] = {}
        self.aside: list[dict[str, Any]] = []
        self.over: set[UUID] = set()
        self.begun: set[UUID] = (
            set()
        )  # lessons that a mark says something new of: that they began, or that a child is there

    def answer(self, one: ReportedEvent) -> Answer:
        if one.child_id in self.erased:
            return Answer(one.id, "erased")
        there = self.known.get(one.id) or self.new.get(one.id)
        try:
            if there is not None:
                return self._again(one, there)
            if (one.device, one.sequence) in self.taken:
                raise _refuse("sequence_taken")
            self._add(one)
        except _RefusedError as refused:
            if one.id not in self.waiting:
                self.waiting.add(one.id)
                self.aside.append(self._aside_row(one, refused.reason))
            return Answer(one.id, "aside", refused.reason)
        return Answer(one.id, "taken")

    def _again(self, one: ReportedEvent, there: t.Event | dict[str, Any]) -> Answer:
        """The same once more changes nothing; another event under the same id is kept aside, the first one
        stands."""
        kept = (
            there
            if isinstance(there, dict)
            else {name: getattr(there, name) for name in (*SAME, "school_id", "body")}
        )
        mine = {
            "kind": one.kind,
            "section_id": one.section_id,
            "lesson_id": one.lesson_id,
            "child_id": one.child_id,
            "part_id": one.part_id,
            "target_id": one.target_id,
            "concept": one.body.get("concept"),
        }
        said = [name for name in SAID if name in one.body]
        same = all(kept[name] == mine[name] for name in SAME)
        same = same and all(kept["body"].get(name) == one.body[name] for name in said)
        if kept["school_id"] != self.ctx.school_id or not same:
            raise _refuse("id_taken")
        return Answer(one.id, "known")

    def _add(self, one: ReportedEvent) -> None:
        lesson = self._lesson_of(one)
        when = dated(one.clock, self.offset, self.ctx.now, lesson.day)
        body = {**self._body(one, lesson), "lesson": lesson.place}
        if (
            one.kind in BEGINS and not lesson.begun and one.lesson_id != one.section_id
        ):  # whichever comes first keeps the lesson as it was planned
            known = self.lessons[one.lesson_id]
            body.setdefault("parts", list(known.parts.values()))
            self.lessons[one.lesson_id] = replace(known, begun=True)
            self.begun.add(one.lesson_id)
        if one.kind == "marked" and str(one.child_id) in lesson.absent:
            self.begun.add(one.lesson_id)
        concept = body.pop("concept", None)
        row = {
            "id": one.id,
            "school_id": self.ctx.school_id,
            "kind": one.kind,
            "section_id": one.section_id,
            "lesson_id": one.lesson_id,
            "day": when.day,
            "moment": when.moment,
            "clock": one.clock,
            "off_day": when.off_day,
            "received": self.ctx.now,
            "teacher_id": self.ctx.teacher_id,
            "device": one.device,
            "sequence": one.sequence,
            "child_id": one.child_id,
            "part_id": one.part_id,
            "target_id": one.target_id,
            "concept": concept,
            "body": body,
        }
        self.rows.append(row)
        self.new[one.id] = row
        self.taken.add((one.device, one.sequence))
        if one.kind in ("ended", "reopened", "not_held"):
            self.over.add(one.section_id)

    def _lesson_of(self, one: ReportedEvent) -> KnownLesson:
        if one.section_id not in self.here:
            raise _refuse("section")
        lesson = self._by_hand(one) or self.lessons.get(one.lesson_id) or _reported_lesson(one)
        if lesson is None:
            raise _refuse("lesson")
        if lesson.section_id != one.section_id:
            raise _refuse("section")
        if not self.ctx.room.takes(lesson.section_id, lesson.day, self.ctx.today):
            raise _refuse("room")
        if one.lesson_id != one.section_id:
            self.lessons[one.lesson_id] = lesson
        return lesson

    def _by_hand(self, one: ReportedEvent) -> KnownLesson | None:
        """What was told in the ledger lies on a day, in no lesson."""
        if one.lesson_id != one.section_id:
            if one.kind == "judged":
                raise _refuse("lesson")
            return None
        if self.ctx.room.walled:
            raise _refuse("room")
        if one.target_id:
            return KnownLesson(one.section_id, self.ctx.today, time(0), 0, {})
        if one.kind not in BY_HAND or "day" not in one.body:
            return None
        day = date.fromisoformat(one.body["day"])
        if day > self.ctx.today:
            raise _refuse("day")
        return KnownLesson(one.section_id, day, time(0), 0, {})

    def _body(self, one: ReportedEvent, lesson: KnownLesson) -> dict[str, Any]:
        """What is kept of an event's body, checked against what there is; parts are kept as they are at this
        moment."""
        body = dict(one.body)
        if one.kind in OF_A_CHILD:
            self._check_child(one)
        if one.kind in OF_A_CONCEPT and body["concept"] not in self.ctx.sequence.by_key:
            raise _refuse("concept", concept=body["concept"])
        if one.kind == "marked":
            part = lesson.parts.get(str(one.part_id)) if one.part_id else None
            body.pop("day", None)
            return {**body, **({"part": part} if part else {})}
        if one.kind == "started":
            parts = [self._clean(part) for part in body.get("parts") or lesson.parts.values()]
            self.lessons[one.lesson_id] = replace(lesson, parts={part["id"]: part for part in parts})
            return {"parts": parts}
        if one.kind in OF_A_PART:
            part = lesson.parts.get(str(one.part_id)) or (
                self._clean(body["part"]) if body.get("part") else None
            )
            if part is None or part["id"] != str(one.part_id):
                raise _refuse("part")
            return {**{name: body[name] for name in ("tick", "rating", "note") if name in body}, "part": part}
        if one.kind == "read" and not practice.is_of(self.ctx.session, body["exercise"], one.section_id):
            raise _refuse("exercise")
        return {name: value for name, value in body.items() if name not in ("lesson", "day")}

    def _clean(self, part: Mapping[str, Any]) -> dict[str, Any]:
        return _clean(part, self.ctx.habits.repertoire)

    def _check_child(self, one: ReportedEvent) -> None:
        if one.child_id not in self.children:
            raise _refuse("child")
        if one.section_id not in self.members.get(one.child_id, ()):
            raise _refuse("child_elsewhere")

    def _aside_row(self, one: ReportedEvent, reason: Reason) -> dict[str, Any]:
        return {
            "id": one.id,
            "school_id": self.ctx.school_id,
            "teacher_id": self.ctx.teacher_id,
            "event": _values(one, self.offset),
            "reason": packed(reason),
            "received": self.ctx.now,
            "settled": None,
        }

    def keep(self) -> None:
        """Write everything, then work out again what depends on it."""
        events.add(self.ctx.session, self.rows)
        events.put_aside(self.ctx.session, self.aside)
        lessons = {row["lesson_id"] for row in self.rows if row["kind"] in CHANGES_LESSON}
        pairs = {(row["child_id"], row["concept"]) for row in self.rows if row["kind"] in STANDS}
        backs = {row["target_id"] for row in self.rows if row["kind"] == "taken_back" and row["target_id"]}
        pairs |= (
            events.pairs_of(self.ctx.session, events.ends_of_chains(self.ctx.session, backs))
            if backs
            else set()
        )
        lessons |= {row["lesson_id"] for row in self.rows if row["kind"] == "taken_back"}
        lessons |= self.begun
        keep_standings(self.ctx, pairs)
        if lessons:
            keep_lessons(self.ctx, lessons)
            keep_facts(self.ctx, {row["section_id"] for row in self.rows if row["lesson_id"] in lessons})


def _reported_lesson(one: ReportedEvent) -> KnownLesson | None:
    """A lesson that is not planned here any more, as the device that began it tells it."""
    place = one.body.get("lesson")
    if one.kind not in ("started", "not_held") or not place:
        return None
    return KnownLesson(
        one.section_id,
        date.fromisoformat(place["day"]),
        time.fromisoformat(place["starts"]),
        place["minutes"],
        {},
    )


def _clean(part: Mapping[str, Any], repertoire: Repertoire) -> dict[str, Any]:
    """A part as a device tells it, with nothing but what a part has."""
    try:
        values = part_values(part_of(part))
    except KopjeError as error:
        raise _RefusedError(error.reason) from error
    if repertoire.known(values["activity"]) is None:
        raise _refuse("activity", activity=values["activity"])
    return values


def _values(one: ReportedEvent, offset: timedelta) -> dict[str, Any]:
    """An event as it is kept aside: as told, its clock put right already."""
    return {
        "kind": one.kind,
        "section_id": str(one.section_id),
        "lesson_id": str(one.lesson_id),
        "clock": (one.clock + offset).isoformat(),
        "device": str(one.device),
        "sequence": one.sequence,
        "child_id": one.child_id and str(one.child_id),
        "part_id": one.part_id and str(one.part_id),
        "target_id": one.target_id and str(one.target_id),
        "body": dict(one.body),
    }
