"""A lesson as it was held, read from its events. Source: docs/sources.md#events."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace
from datetime import date, datetime, time
from typing import Any, Literal

from kopje.core.ledger.events import ClassEvent, Rating, Tick, standing_events
from kopje.core.planning.material import Material
from kopje.core.sequence.concepts import ConceptKey
from kopje.core.sequence.phases import Purpose

State = Literal["running", "done", "not_held"]
BEGINS = frozenset(("started", "ticked", "marked", "ended", "not_held"))
SHORTEST, LONGEST = 1, 45  # minutes of a part; what is ticked faster or later says nothing of its length


@dataclass(frozen=True, slots=True)
class TaughtPart:
    """A part as it was when the lesson began (or when it was ticked, if it came in later), and what became
    of it. `took`: the minutes it really took, where its ticks tell. `why`: what was said of its rating."""

    id: str
    slot: str
    role: str
    activity: str
    material: Material
    concept: ConceptKey | None
    purpose: Purpose | None
    minutes: int
    new: str | None = None
    left_over: bool = False
    tick: Tick | None = None
    rating: Rating | None = None
    took: int | None = None
    why: str = ""


@dataclass(frozen=True, slots=True)
class HeldLesson:
    """`absent` are children; `marks` the events of kind “marked” that count."""

    id: str
    section: str
    day: date
    starts: time
    minutes: int
    state: State
    parts: tuple[TaughtPart, ...]
    note: str = ""
    started: datetime | None = None
    ended: datetime | None = None
    absent: frozenset[str] = frozenset()
    marks: tuple[ClassEvent, ...] = ()


def held_lesson(events: Iterable[ClassEvent]) -> HeldLesson | None:
    """The lesson that these events of it tell; None where nothing that counts says that it began.

    A tick or a mark says so as well as “started”: two devices may send in any order. A mark of a child that
    was told absent before takes the absence back. Whichever event came first brought all parts along; that
    stays true where what it said is taken back."""
    every = sorted(events, key=lambda event: event.order)
    counting = standing_events(every)
    begin = next((event for event in counting if event.kind in BEGINS and not event.by_hand), None)
    if begin is None:
        return None
    place = begin.body["lesson"]
    state, started, ended = _state(counting)
    found = _brought(every, counting)
    note, absent = "", set[str]()
    for event in counting:
        part = found.get(event.part or "")
        if event.kind == "ticked" and part is not None:
            found[part.id] = replace(part, tick=event.body.get("tick"))
        elif event.kind == "rated" and part is not None:
            why = str(event.body.get("note", ""))
            found[part.id] = replace(part, rating=event.body.get("rating"), why=why)
        elif event.kind == "noted":
            note = str(event.body.get("note", ""))
        elif event.kind == "absent" and event.child:
            absent.add(event.child)
        elif event.kind == "marked" and event.child:
            absent.discard(event.child)
    for key, minutes in _took(counting).items():
        if key in found:
            found[key] = replace(found[key], took=minutes)
    return HeldLesson(
        begin.lesson,
        begin.section,
        begin.day,
        time.fromisoformat(place["starts"]),
        int(place["minutes"]),
        state,
        tuple(found.values()),
        note,
        started,
        ended,
        frozenset(absent),
        tuple(event for event in counting if event.kind == "marked"),
    )


def told_of_class(events: Iterable[ClassEvent]) -> tuple[ClassEvent, ...]:
    """How the whole class did, and shows of hands, as far as they stand: kept with the lesson, no child's."""
    return tuple(event for event in standing_events(events) if event.kind in ("class_marked", "hands"))


def _took(events: Iterable[ClassEvent]) -> dict[str, int]:
    """Minutes from one tick to the next, of what was done to its end, by part. What was ticked on another day
    than its lesson's, or twice, or all at once at the end, tells nothing."""
    since: datetime | None = None
    found, twice = dict[str, int](), set[str]()
    for event in events:
        if event.kind == "started" and since is None:
            since = event.moment
        if event.kind != "ticked" or event.part is None:
            continue
        if since is not None and not event.off_day and event.body.get("tick") == "done":
            minutes = round((event.moment - since).total_seconds() / 60)
            if event.part in found:
                twice.add(event.part)
            if SHORTEST <= minutes <= LONGEST:
                found[event.part] = minutes
        since = event.moment
    return {key: minutes for key, minutes in found.items() if key not in twice}


def _brought(every: Iterable[ClassEvent], counting: Iterable[ClassEvent]) -> dict[str, TaughtPart]:
    """The parts by id: as first brought, in the order of the event that began the lesson."""
    stands = {event.id for event in counting}
    bring = [event for event in every if event.id in stands or "parts" in event.body]
    parts = {key: value for event in reversed(bring) for key, value in _parts(event).items()}
    # Sorting is stable: among equals the earlier event stays in front.
    begun_first = sorted(bring, key=lambda event: (event.kind != "started", "parts" not in event.body))
    return {key: parts[key] for event in begun_first for key in _parts(event)}


def _state(events: Iterable[ClassEvent]) -> tuple[State, datetime | None, datetime | None]:
    state: State = "running"
    started: datetime | None = None
    ended: datetime | None = None
    for event in events:
        if event.kind == "not_held":
            state = "not_held"
        elif event.kind == "ended":
            state, ended = "done", event.moment
        elif event.kind == "reopened":
            state, ended = "running", None
        elif event.kind == "started":
            started = started or event.moment
    return state, started, ended


def _parts(event: ClassEvent) -> dict[str, TaughtPart]:
    """The parts that an event brings along: all of them when the lesson begins with it, and its own."""
    begin = [*event.body.get("parts", ()), *([event.body["part"]] if event.body.get("part") else ())]
    return {part.id: part for part in map(part_of, begin)}


def part_of(values: Mapping[str, Any]) -> TaughtPart:
    """A part from plain values, as events carry it; `part_values` gives them back."""
    material = values.get("material") or {}
    return TaughtPart(
        values["id"],
        values.get("slot", ""),
        values.get("role", ""),
        values["activity"],
        Material(material.get("kind", "none"), material.get("id")),
        values.get("concept"),
        values.get("purpose"),
        int(values.get("minutes", 0)),
        values.get("new"),
        bool(values.get("left_over", False)),
    )


def part_values(part: TaughtPart) -> dict[str, Any]:
    return {
        "id": part.id,
        "slot": part.slot,
        "role": part.role,
        "activity": part.activity,
        "material": {"kind": part.material.kind, "id": part.material.id},
        "concept": part.concept,
        "purpose": part.purpose,
        "minutes": part.minutes,
        "new": part.new,
        "left_over": part.left_over,
    }
