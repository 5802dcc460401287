"""Whom to hear in a part of a lesson, and what is listened for."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from typing import Literal
from uuid import UUID

from kopje.core.errors import NotFoundError
from kopje.core.ledger.events import ClassEvent, standing_events
from kopje.core.ledger.marks import Help, Voices
from kopje.core.ledger.rota import Place, Waiting, queue
from kopje.core.ledger.standing import NOT_HEARD, Standing, is_due
from kopje.core.planning.activities import Activity
from kopje.core.planning.left_out import KINDS, GameKind, goes_without, heard_with_others
from kopje.core.reasons import Reason, unpacked
from kopje.core.sequence.concepts import Concept, Way
from kopje.core.sequence.section_state import due
from kopje.store import events, ledger, sections
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.lessons.read_lesson import LessonView, PartView, lesson
from kopje.usecases.snapshot import Before, SectionNow

Order = Literal["rota", "seats"]


@dataclass(frozen=True, slots=True)
class Pace:
    """How quickly a round of hearing went: seconds for each child, how many, and when."""

    seconds: int
    children: int
    day: date


@dataclass(frozen=True, slots=True)
class KeptOut:
    """Children who are kept out of a kind of game that is in a part, and how it goes for them."""

    kind: GameKind
    form: Reason
    children: tuple[t.Child, ...]


@dataclass(frozen=True)
class Hearing:
    """What is listened for in a part, everybody still to be heard in their order, and the marks that were
    made in the lesson. `concept` is None where nothing can be judged in the part: then nobody is to be heard
    until the teacher says for what. `others`: what else the class could be heard in. `roll`: everybody, with
    how their names are said; `absent` of them. `with_others`: who is asked only in a pair or a group.
    `kept_out`: for whom the part goes otherwise. `best`: this class's quickest round so far."""

    concept: Concept | None
    way: Way
    voices: Voices
    help: Help
    queue: tuple[Place, ...]
    marks: tuple[ClassEvent, ...]
    others: tuple[Concept, ...]
    roll: tuple[t.Child, ...]
    absent: Mapping[str, str]  # the event that said so, by child
    seats: tuple[str, ...]
    best: Pace | None
    with_others: tuple[Place, ...]
    kept_out: tuple[KeptOut, ...]


def hearing(
    ctx: Context, lesson_id: UUID, part_id: UUID, asked: str | None = None, order: Order = "rota"
) -> Hearing:
    """Concept, way and help are set by the activity; `asked` is another concept that the teacher wants to
    hear in it."""
    return hearing_in(ctx, lesson(ctx, lesson_id), part_id, asked, order)


def hearing_in(
    ctx: Context, seen: LessonView, part_id: UUID, asked: str | None = None, order: Order = "rota"
) -> Hearing:
    """The same for a lesson that was read before."""
    part = next((one for one in seen.parts if one.id == part_id), None)
    if part is None:
        raise NotFoundError("no_such_part", value=str(part_id))
    item = seen.section.school.repertoire.known(part.choice.activity)
    own = _listened_for(seen, part, item)
    concept = ctx.sequence.concept(asked) if asked else own
    counting = standing_events(events.of_lessons(ctx.session, [seen.id]))
    marks = tuple(event for event in counting if event.kind == "marked")
    gone = {event.child or "" for event in counting if _was_asked(event, part_id, asked)}
    seats = sections.seats(ctx.session, seen.section.id)
    found = _queue(ctx, seen, concept, gone, set(seen.absent)) if concept else ()
    if order == "seats":
        found = _as_they_sit(found, seats)
    way, voices, help_ = _how(item, concept, concept == own)
    roll = tuple(sections.roll(ctx.session, seen.section.id, seen.day))
    shy = {str(one.id) for one in roll if heard_with_others(one.without, voices)}
    absent = {e.child: e.id for e in counting if e.kind == "absent" and e.child in seen.absent}
    best = _best(events.rounds(ctx.session, seen.section.id, LEAST_ROUND))
    return Hearing(
        concept,
        way,
        voices,
        help_,
        tuple(one for one in found if one.child not in shy),
        marks,
        _others(seen),
        roll,
        absent,
        seats,
        best,
        tuple(one for one in found if one.child in shy),
        _kept_out(item, roll),
    )


def _kept_out(item: Activity | None, roll: Iterable[t.Child]) -> tuple[KeptOut, ...]:
    if item is None:
        return ()
    found = [
        KeptOut(kind, form, tuple(child for child in roll if kind in child.without))
        for kind, form in goes_without(item, KINDS)
    ]
    return tuple(one for one in found if one.children)


LEAST_ROUND = 8  # children, so that a round says something of the pace


def _was_asked(event: ClassEvent, part_id: UUID, asked: str | None) -> bool:
    """Marked in this lesson (where another concept was asked for, in that one), or did not want to in this
    part."""
    if event.kind == "marked":
        return asked is None or event.body["concept"] == asked
    return event.kind == "passed" and event.part == str(part_id)


def _how(item: Activity | None, concept: Concept | None, own: bool) -> tuple[Way, Voices, Help]:
    """As the activity has it; for another concept alone and without help, in a way that counts for it."""
    if item is not None and own:
        return item.way, item.voices, item.help
    ways: tuple[Way, ...] = concept.ways if concept else ()
    if item is not None and (item.way in ways or not ways):
        return item.way, "alone", "none"
    return next(iter(ways), "sing"), "alone", "none"


def _best(rounds: Iterable[tuple[date, int, float]]) -> Pace | None:
    found = [Pace(round(seconds / (children - 1)), children, day) for day, children, seconds in rounds]
    return min(found, key=lambda one: (one.seconds, -one.children, one.day), default=None)


def _as_they_sit(found: tuple[Place, ...], seats: tuple[str, ...]) -> tuple[Place, ...]:
    """Those without a seat at the end."""
    place = {child: number for number, child in enumerate(seats)}
    return tuple(sorted(found, key=lambda one: place.get(one.child, len(place))))


def _others(seen: LessonView) -> tuple[Concept, ...]:
    """What is at work, then what has its name here, the newest first."""
    now = seen.section
    at_work = [one.concept for one in due(now.state, now.laid_in(seen.day, seen.starts))]
    named = [c for c in reversed(now.sequence.concepts) if now.state.named(c.key)]
    return tuple(dict.fromkeys([*at_work, *named]))


def _listened_for(seen: LessonView, part: PartView, item: Activity | None) -> Concept | None:
    """The part's own; a part in which nobody can be judged has none."""
    if item is None or not item.hears:
        return None
    return seen.section.sequence.by_key.get(part.choice.concept or "")


def _queue(
    ctx: Context, seen: LessonView, concept: Concept, heard: set[str], absent: set[str]
) -> tuple[Place, ...]:
    """The whole roll, four by four, so that the next name is up at once."""
    now = seen.section
    roll = sections.roll(ctx.session, now.id, seen.day)
    last = ledger.last_heard_alone(ctx.session, now.id, seen.day)
    standings = ledger.standings_in(ctx.session, now.id, concept.key, seen.day)
    before = Before(ctx, [now.row])
    days = [x.day for x in now.facts.over]
    waiting = [
        _waiting(now, child, last.get(child.id), standings.get(child.id), before, days) for child in roll
    ]
    order: list[Place] = []
    while four := queue(waiting, absent, heard | {place.child for place in order}):
        order += four
    return tuple(order)


def _waiting(
    now: SectionNow,
    child: t.Child,
    last: date | None,
    row: t.StandingRow | None,
    before: Before,
    days: Sequence[date],
) -> Waiting:
    found = standing_of(row)
    due_now = is_due(found.level, found.last_full, before.child(str(child.id), now.id))
    since = last or child.joined
    return Waiting(str(child.id), child.name, last, found, due_now, sum(day > since for day in days))


def standing_of(row: t.StandingRow | None) -> Standing:
    """A standing as it is kept."""
    if row is None:
        return NOT_HEARD
    reasons = tuple(map(unpacked, row.reasons))
    return Standing(row.counts, reasons, row.partly and not row.word, row.fades_from)  # type: ignore[arg-type]  # a level as it was stored
