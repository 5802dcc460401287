"""What the events of a section add up to: taught, sung, done, left over. Each rule stands here once.

Source: docs/sources.md#facts.
"""

from __future__ import annotations

import json
from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass, field, replace
from datetime import date, time, timedelta
from functools import cached_property, lru_cache
from typing import Any

from kopje.core.ledger.held import HeldLesson, State, TaughtPart, part_of, part_values
from kopje.core.planning.repertoire import SHIPPED_ACTIVITIES, Repertoire
from kopje.core.sequence.concepts import ConceptKey
from kopje.core.songs.suitability import Met

CARRIED = 3  # left-over parts that go into the next lesson
NOT_CARRIED = ("opening", "closing")
LENGTHS = 5  # of the last times an activity was done its minutes are remembered
TOLD = 2  # so often it must have taken another time before that is its usual one
RECENT = 11  # lessons that are looked back on: with the next one a dozen


@dataclass(frozen=True, slots=True)
class Recent:
    """What was done in one lesson: songs and recorded pieces by id, activities by key."""

    things: frozenset[str]
    activities: frozenset[str]


@dataclass(frozen=True, slots=True)
class TaughtConcept:
    """A concept that was really taught in a lesson, by purpose."""

    day: date
    starts: time
    concept: ConceptKey
    purpose: str


@dataclass(frozen=True, slots=True)
class LessonHeld:
    """A lesson that began, in short."""

    id: str
    day: date
    starts: time
    minutes: int
    state: State
    note: str


@dataclass(frozen=True)
class SectionFacts:
    """`lessons` in order of time; `done`: activities by the lessons they were done in; `lately`: those of
    the last lesson; `recent`: the last lessons, the latest at the end;
    `left_over`: parts of the last lesson that are still owed, of which `carried` gives
    those that come next time. `lengths`: minutes that activities really took, the latest at the end;
    `rated`: how often each went well and fell flat; `open`: day and slot of what was not done in the last
    lessons; `why`: what was said of an activity when it was rated last."""

    lessons: tuple[LessonHeld, ...] = ()
    taught_concepts: tuple[TaughtConcept, ...] = ()
    songs: Mapping[str, Met] = field(default_factory=dict)
    pieces: Mapping[str, Met] = field(default_factory=dict)
    done: Mapping[str, int] = field(default_factory=dict)
    lately: frozenset[str] = frozenset()
    left_over: tuple[TaughtPart, ...] = ()
    recent: tuple[Recent, ...] = ()
    lengths: Mapping[str, tuple[int, ...]] = field(default_factory=dict)
    rated: Mapping[str, tuple[int, int]] = field(default_factory=dict)
    open: tuple[tuple[date, str], ...] = ()
    why: Mapping[str, str] = field(default_factory=dict)

    @cached_property
    def over(self) -> tuple[LessonHeld, ...]:
        return tuple(lesson for lesson in self.lessons if lesson.state == "done")

    @property
    def running(self) -> LessonHeld | None:
        return next((lesson for lesson in reversed(self.lessons) if lesson.state == "running"), None)

    @cached_property
    def weeks(self) -> tuple[date, ...]:
        """The Monday of each week in which a lesson was held."""
        return tuple(sorted({monday(lesson.day) for lesson in self.over}))

    @cached_property
    def taught(self) -> Mapping[ConceptKey, Mapping[str, int]]:
        """By concept and purpose, the number of lessons."""
        lessons: dict[ConceptKey, dict[str, set[tuple[date, time]]]] = {}
        for taught_concept in self.taught_concepts:
            by_purpose = lessons.setdefault(taught_concept.concept, {})
            by_purpose.setdefault(taught_concept.purpose, set()).add(
                (taught_concept.day, taught_concept.starts)
            )
        return {
            key: {purpose: len(when) for purpose, when in found.items()} for key, found in lessons.items()
        }

    @property
    def named(self) -> tuple[tuple[int, int], ...]:
        """Lessons in which each concept that was prepared and named here was prepared, and practised."""
        every = self.taught.values()
        return tuple(
            (n["prepare"], n.get("practise", 0)) for n in every if n.get("present") and n.get("prepare")
        )

    @cached_property
    def usual_minutes(self) -> Mapping[str, int]:
        """The median of the minutes that an activity really took, where it was timed often enough."""
        return {
            key: sorted(found)[len(found) // 2] for key, found in self.lengths.items() if len(found) >= TOLD
        }

    @property
    def carried(self) -> tuple[TaughtPart, ...]:
        return self.left_over[:CARRIED]


def monday(day: date) -> date:
    return day - timedelta(days=day.weekday())


def counts_as_taught(part: TaughtPart) -> bool:
    """Done; or done partly, except that a concept is named only when its part was done."""
    named = part.concept is not None and part.purpose is not None
    return named and (part.tick == "done" or (part.tick == "partly" and part.purpose != "present"))


def counts_as_sung(part: TaughtPart) -> bool:
    return was_done(part.tick)


def was_done(tick: str | None) -> bool:
    """At least in part."""
    return tick in ("done", "partly")


def is_left_over(part: TaughtPart, repertoire: Repertoire = SHIPPED_ACTIVITIES) -> bool:
    """Not reached, done partly or skipped; routines, openings and closings come again anyway, and nothing is
    carried twice."""
    routine = (item := repertoire.known(part.activity)) is None or item.routine
    return part.tick != "done" and not part.left_over and not routine and part.role not in NOT_CARRIED


def facts_of(held: Iterable[HeldLesson], repertoire: Repertoire = SHIPPED_ACTIVITIES) -> SectionFacts:
    """The same from lessons as they were held; one that did not happen teaches nothing."""
    lessons = sorted(held, key=lambda lesson: (lesson.day, lesson.starts, lesson.id))
    real = [lesson for lesson in lessons if lesson.state != "not_held"]
    over = [lesson for lesson in real if lesson.state == "done"]
    last = over[-1].parts if over else ()
    return SectionFacts(
        tuple(LessonHeld(x.id, x.day, x.starts, x.minutes, x.state, x.note) for x in lessons),
        tuple(_taught_concepts(real)),
        _met(real, lambda part: part.material.song),
        _met(real, lambda part: part.material.recording),
        _done(real),
        frozenset(part.activity for part in last if part.tick == "done"),
        tuple(part for part in last if is_left_over(part, repertoire)),
        tuple(_recent(lesson) for lesson in over[-RECENT:]),
        _lengths(over),
        _rated(real),
        tuple((x.day, part.slot) for x in over[-RECENT:] for part in x.parts if not was_done(part.tick)),
        _why(real),
    )


def _lengths(over: Sequence[HeldLesson]) -> dict[str, tuple[int, ...]]:
    found: dict[str, tuple[int, ...]] = {}
    for lesson in over:
        for part in lesson.parts:
            if part.took is not None:
                found[part.activity] = (*found.get(part.activity, ()), part.took)[-LENGTHS:]
    return found


def _rated(lessons: Sequence[HeldLesson]) -> dict[str, tuple[int, int]]:
    found: dict[str, tuple[int, int]] = {}
    for part in (part for lesson in lessons for part in lesson.parts if part.rating is not None):
        well, flat = found.get(part.activity, (0, 0))
        found[part.activity] = (well + (part.rating == "well"), flat + (part.rating == "flat"))
    return found


def _why(lessons: Sequence[HeldLesson]) -> dict[str, str]:
    """What was said of an activity the last time it was rated; a rating without a word takes it away."""
    rated = (part for lesson in lessons for part in lesson.parts if part.rating is not None)
    last = {part.activity: part.why for part in rated}
    return {key: why for key, why in last.items() if why}


def _recent(lesson: HeldLesson) -> Recent:
    done = [part for part in lesson.parts if counts_as_sung(part)]
    things = [thing for part in done for thing in (part.material.song, part.material.recording)]
    return Recent(
        frozenset(thing for thing in things if thing is not None), frozenset(part.activity for part in done)
    )


def _taught_concepts(lessons: Sequence[HeldLesson]) -> Iterable[TaughtConcept]:
    for lesson in lessons:
        found = ((part.concept, part.purpose) for part in lesson.parts if counts_as_taught(part))
        for concept, purpose in dict.fromkeys(found):
            if concept is not None and purpose is not None:
                yield TaughtConcept(lesson.day, lesson.starts, concept, purpose)


def _met(lessons: Sequence[HeldLesson], thing: Callable[[TaughtPart], str | None]) -> dict[str, Met]:
    """In how many lessons each thing was sung or heard, and when last."""
    days: dict[str, list[date]] = {}
    for lesson in lessons:
        met = (thing(part) for part in lesson.parts if counts_as_sung(part))
        for one in dict.fromkeys(one for one in met if one is not None):
            days.setdefault(one, []).append(lesson.day)
    return {one: Met(len(found), max(found)) for one, found in days.items()}


def _done(lessons: Sequence[HeldLesson]) -> dict[str, int]:
    counts: dict[str, int] = {}
    for lesson in lessons:
        for key in dict.fromkeys(part.activity for part in lesson.parts if counts_as_sung(part)):
            counts[key] = counts.get(key, 0) + 1
    return counts


def packed(facts: SectionFacts) -> dict[str, Any]:
    """Facts as plain values that can be stored; `unpacked` gives them back."""
    return {
        "lessons": [
            [x.id, x.day.isoformat(), f"{x.starts:%H:%M}", x.minutes, x.state, x.note] for x in facts.lessons
        ],
        "touches": [
            [x.day.isoformat(), f"{x.starts:%H:%M}", x.concept, x.purpose] for x in facts.taught_concepts
        ],
        "named": [list(pair) for pair in facts.named],
        "songs": _packed_met(facts.songs),
        "pieces": _packed_met(facts.pieces),
        "done": dict(facts.done),
        "lately": sorted(facts.lately),
        "recent": [[sorted(x.things), sorted(x.activities)] for x in facts.recent],
        "lengths": {key: list(minutes) for key, minutes in facts.lengths.items()},
        "rated": {key: list(counts) for key, counts in facts.rated.items()},
        "why": dict(facts.why),
        "open": [[day.isoformat(), slot] for day, slot in facts.open],
        "left_over": [{**part_values(part), "tick": part.tick} for part in facts.left_over],
    }


def _packed_met(met: Mapping[str, Met]) -> dict[str, list[Any]]:
    return {key: [one.lessons, one.last and one.last.isoformat()] for key, one in met.items()}


def _met_again(values: Mapping[str, Any]) -> dict[str, Met]:
    return {key: Met(lessons, date.fromisoformat(last)) for key, (lessons, last) in values.items()}


@lru_cache(maxsize=256)
def read(text: str) -> SectionFacts:
    """From packed facts in JSON. Many pages ask for the same ones, which change only when something
    happens."""
    return unpacked(json.loads(text))


def unpacked(values: Mapping[str, Any]) -> SectionFacts:
    day, clock = date.fromisoformat, time.fromisoformat
    return SectionFacts(
        tuple(
            LessonHeld(key, day(d), clock(at), n, state, note)
            for key, d, at, n, state, note in values["lessons"]
        ),
        tuple(TaughtConcept(day(d), clock(at), key, purpose) for d, at, key, purpose in values["touches"]),
        _met_again(values["songs"]),
        _met_again(values.get("pieces", {})),
        values["done"],
        frozenset(values["lately"]),
        tuple(replace(part_of(part), tick=part["tick"]) for part in values["left_over"]),
        tuple(Recent(frozenset(things), frozenset(keys)) for things, keys in values.get("recent", ())),
        {key: tuple(minutes) for key, minutes in values.get("lengths", {}).items()},
        {key: (well, flat) for key, (well, flat) in values.get("rated", {}).items()},
        tuple((day(d), slot) for d, slot in values.get("open", ())),
        values.get("why", {}),
    )


NO_FACTS = SectionFacts()
