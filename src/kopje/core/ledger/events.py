"""What happened in a class: events that are only ever added, their order, and which of them still count.

An event is made on a device, so a device's clock and its own counting order it. Source:
docs/sources.md#events."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from datetime import date, datetime, timedelta
from typing import Any, Literal, get_args

Kind = Literal[
    "started", "ticked", "marked", "taken_back", "absent", "noted", "ended", "reopened", "rated", "not_held",
    "class_marked", "hands", "passed", "judged", "read", "round",
]  # fmt: skip
KINDS: tuple[str, ...] = get_args(Kind)
Tick = Literal["done", "partly", "skipped"]
Rating = Literal["well", "flat"]
SLACK = timedelta(minutes=2)  # of two clocks after they were compared


@dataclass(frozen=True, slots=True)
class ClassEvent:
    """One thing that happened.

    `moment` is the device's clock put right by the offset measured when it was sent; `day` is the day of its
    lesson, which it takes even where its moment lies elsewhere (`off_day`). `part` is the part of the lesson
    it speaks of, `target` the event that is taken back, `body` what its kind carries
    (docs/sources.md#events)."""

    id: str
    kind: Kind
    section: str
    lesson: str
    day: date
    moment: datetime
    device: str
    sequence: int
    child: str | None = None
    part: str | None = None
    target: str | None = None
    body: Mapping[str, Any] = field(default_factory=dict)
    off_day: bool = False

    @property
    def by_hand(self) -> bool:
        """Told in the ledger, apart from any lesson: its lesson is the section itself."""
        return self.lesson == self.section

    @property
    def order(self) -> tuple[date, datetime, str, int]:
        return self.day, self.moment, self.device, self.sequence


@dataclass(frozen=True, slots=True)
class Dated:
    """The moment an event is kept with, its day, and whether it had to take its lesson's day."""

    moment: datetime
    day: date
    off_day: bool


def dated(clock: datetime, offset: timedelta, now: datetime, lesson_day: date) -> Dated:
    """Put a device's clock right. What lies in the future, or off its lesson's day, is kept and takes the
    lesson's day.

    `now` is the school's local time; days are days of its time zone.
    """
    moment = (clock + offset).astimezone(now.tzinfo)
    off = moment > now + SLACK or moment.date() != lesson_day
    return Dated(moment, lesson_day, off)


def standing_events(events: Iterable[ClassEvent]) -> tuple[ClassEvent, ...]:
    """In order, without what was taken back; “taken back” may itself be taken back, and may come before its
    target."""
    every = sorted(events, key=lambda event: event.order)
    void = voided(every)
    return tuple(event for event in every if event.id not in void and event.kind != "taken_back")


def voided(events: Iterable[ClassEvent]) -> set[str]:
    """Ids of what does not count: an event is void when a “taken back” that is not void itself names it."""
    backs: dict[str, list[ClassEvent]] = {}
    for event in events:
        if event.kind == "taken_back" and event.target:
            backs.setdefault(event.target, []).append(event)
    known: dict[str, bool] = {}

    def void(key: str) -> bool:
        if key not in known:
            known[key] = False  # two that take each other back both stand
            known[key] = any(not void(back.id) for back in backs.get(key, ()))
        return known[key]

    return {key for key in backs if void(key)}
