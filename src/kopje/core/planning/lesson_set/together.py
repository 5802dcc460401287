"""One plan for several sections: what all of them know, and where the one furthest behind stands; and what
one of them still has to catch up. Source: docs/sources.md#composer."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import replace
from datetime import date, timedelta
from functools import reduce

from kopje.core.ledger.readiness import Readiness
from kopje.core.planning.facts import Recent, SectionFacts
from kopje.core.planning.habits import AS_SHIPPED, Habits
from kopje.core.planning.lesson import Choice, LeftOver, Part
from kopje.core.planning.lesson_set.question import RETURNS
from kopje.core.reasons import Reason, because
from kopje.core.sequence.concepts import ConceptKey
from kopje.core.sequence.section_state import SectionState, Taught
from kopje.core.songs.suitability import Met

ANSWERS = ("teach_again", "split", "hear_more", "nobody_heard", "ready")  # the gravest first
FRESH = 2  # lessons in which what was named is practised for certain
MOST_AHEAD = 3  # lessons by which sections of one plan may be apart
WARM_EACH = 3  # lessons
WARM_BEFORE = timedelta(weeks=6)
OWED_FROM = 8  # lessons back in which a first meeting counts as late
CAUGHT_UP: tuple[str, ...] = ("review", "play", "game", "second", "repertoire")


def state_together(states: Sequence[SectionState]) -> SectionState:
    """Of each concept what every section was taught; declared only where it is for all."""
    if len(states) == 1:
        return states[0]
    keys = {key for state in states for key in state.taught}
    return replace(
        states[0],
        name=", ".join(state.name for state in states),
        grade=min(state.grade for state in states),
        upper=max(state.oldest for state in states),
        declared=frozenset.intersection(*(state.declared for state in states)),
        taught={key: reduce(_less, (state.taught_counts(key) for state in states)) for key in sorted(keys)},
        readiness=_gravest(states),
    )


def _less(one: Taught, other: Taught) -> Taught:
    return Taught(
        min(one.prepared, other.prepared),
        min(one.presented, other.presented),
        min(one.practised, other.practised),
    )


def _gravest(states: Sequence[SectionState]) -> dict[ConceptKey, Readiness]:
    found: dict[ConceptKey, Readiness] = {}
    for state in states:
        for key, readiness in state.readiness.items():
            there = found.get(key)
            if there is None or ANSWERS.index(readiness.answer) < ANSWERS.index(there.answer):
                found[key] = readiness
    return found


def met_by_all(maps: Sequence[Mapping[str, Met]]) -> dict[str, Met]:
    """What every section met: as often as the one that met it least, last when any did."""
    return {
        key: Met(
            min(one[key].lessons for one in maps), max((d for m in maps if (d := m[key].last)), default=None)
        )
        for key in maps[0]
        if all(key in one for one in maps)
    }


def done_by_all(maps: Sequence[Mapping[str, int]]) -> dict[str, int]:
    return {key: min(one[key] for one in maps) for key in maps[0] if all(key in one for one in maps)}


def named_lately(facts: Iterable[SectionFacts]) -> dict[ConceptKey, int]:
    """Concepts named in a section's last two lessons, with the number of coming lessons in which they have to
    be practised."""
    found: dict[ConceptKey, int] = {}
    for one in facts:
        held = [(lesson.day, lesson.starts) for lesson in one.over[-FRESH:]]
        for ago, when in enumerate(reversed(held)):
            for taught in one.taught_concepts:
                if (taught.day, taught.starts) == when and taught.purpose == "present":
                    found[taught.concept] = max(found.get(taught.concept, 0), FRESH - ago)
    return found


def still_owed(facts: Iterable[SectionFacts]) -> dict[str, int]:
    """Songs and pieces met for the first time of late that came again too seldom."""
    found: dict[str, int] = {}
    for one in facts:
        since = one.over[-OWED_FROM].day if len(one.over) >= OWED_FROM else None
        for key, met in {**one.songs, **one.pieces}.items():
            missing = RETURNS + 1 - met.lessons
            if missing > 0 and (since is None or (met.last is not None and met.last >= since)):
                found[key] = max(found.get(key, 0), missing)
    return found


def minutes_of_all(facts: Sequence[SectionFacts]) -> dict[str, int]:
    """Usual minutes where any section was timed: of several the longest."""
    keys = {key for one in facts for key in one.usual_minutes}
    return {key: max(one.usual_minutes.get(key, 0) for one in facts) for key in sorted(keys)}


def rated_by_all(facts: Sequence[SectionFacts]) -> dict[str, tuple[int, int]]:
    """How often each activity went well and fell flat, of all sections together."""
    found: dict[str, tuple[int, int]] = {}
    for one in facts:
        for key, (well, flat) in one.rated.items():
            before = found.get(key, (0, 0))
            found[key] = (before[0] + well, before[1] + flat)
    return found


def said_by_any(facts: Sequence[SectionFacts]) -> dict[str, str]:
    """What was said of each activity when it was rated, in whichever section."""
    return {key: why for one in reversed(facts) for key, why in one.why.items() if why}


def kept_warm(concerts: Iterable[tuple[date, Sequence[str]]], first: date, lessons: int) -> dict[str, int]:
    """How often the songs of coming concerts are sung in so many lessons from a day on: in the six weeks
    before a concert in every third.

    >>> concert = [(date(2026, 12, 17), ("a",))]
    >>> [kept_warm(concert, date(2026, month, 20), n) for month, n in ((11, 6), (11, 1), (10, 6), (12, 6))]
    [{'a': 2}, {'a': 1}, {}, {}]
    """
    near = (songs for day, songs in concerts if first <= day <= first + WARM_BEFORE)
    return {song: -(-lessons // WARM_EACH) for songs in near for song in songs}


def recent_of_all(histories: Sequence[Sequence[Recent]]) -> tuple[Recent, ...]:
    """Lesson by lesson from the last one back what any of the sections did."""
    length = max(map(len, histories), default=0)
    found = []
    for ago in range(length, 0, -1):
        here = [one[-ago] for one in histories if len(one) >= ago]
        found.append(
            Recent(
                frozenset().union(*(one.things for one in here)),
                frozenset().union(*(one.activities for one in here)),
            )
        )
    return tuple(found)


def steps_ahead(plans: Sequence[Sequence[frozenset[Choice]]]) -> tuple[int, ...]:
    """How many lessons of a shared plan each section has had that the one furthest behind still has to come,
    from what lies planned before each, lesson by lesson. 0 for all where nothing is shared.

    >>> steps_ahead([[], []])
    (0, 0)
    """
    best, found = 0, tuple(0 for _ in plans)
    for behind in range(len(plans)):
        ahead = tuple(0 if n == behind else _ahead(plan, plans[behind]) for n, plan in enumerate(plans))
        shared = sum(_shared(plan, plans[behind], by) for plan, by in zip(plans, ahead, strict=True))
        if shared > best:
            best, found = shared, ahead
    return found


def _ahead(plan: Sequence[frozenset[Choice]], behind: Sequence[frozenset[Choice]]) -> int:
    return max(range(MOST_AHEAD + 1), key=lambda by: (_shared(plan, behind, by), -by))


def _shared(plan: Sequence[frozenset[Choice]], behind: Sequence[frozenset[Choice]], by: int) -> int:
    """Parts that are the same where a plan is laid so many lessons later beside another."""
    return sum(len(one & other) for one, other in zip(plan, behind[by:], strict=False))


def caught_up(
    parts: Sequence[Part], owed: Sequence[LeftOver], pinned: frozenset[str], habits: Habits = AS_SHIPPED
) -> tuple[tuple[Part, ...], tuple[Reason, ...]]:
    """A section's own lesson: what it alone left over takes the place of a part of its kind, after the
    opening. What finds no place is named."""
    kept, front, no_place = list(parts), list[Part](), list[Reason]()
    for number, item in enumerate(owed, 1):
        item_activity = habits.repertoire.activity(item.choice.activity)
        things = {p.choice.thing for p in (*kept, *front)} - {None}
        place = next(
            (p for role in (item.role, *CAUGHT_UP) for p in kept if _gives_way(p, role, pinned)), None
        )
        there = item.choice.activity in {p.choice.activity for p in (*kept, *front)}
        if place is None or there or item.choice.thing in things - {place.choice.thing if place else None}:
            no_place.append(because("no_place", "against", item_activity.key, activity=item_activity.title))
            continue
        kept.remove(place)
        least, _, most = item_activity.minutes
        said = because("left_over", "for", "part", day=item.day, state=item.tick or "not_reached")
        minutes = min(max(place.minutes, least), most)
        front.append(
            Part(f"left-{number}", item.role, item.choice, item_activity, minutes, None, True, (said,))
        )
    opening = [part for part in kept if part.role == "opening"]
    return (*opening, *front, *(part for part in kept if part not in opening)), tuple(no_place)


def _gives_way(part: Part, role: str, pinned: frozenset[str]) -> bool:
    """Of its role, not pinned, and neither naming something nor new to them."""
    return part.role == role and part.slot not in pinned and not part.new and part.role != "opening"
