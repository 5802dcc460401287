"""A whole plan for one song: what must really be learned of it, in which order, and what is done with it from
lesson to lesson until it is theirs. Source: docs/sources.md#focus-song."""

from __future__ import annotations

from collections import Counter
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, replace

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.relations import relations
from kopje.core.planning.activities import Activity
from kopje.core.planning.candidates import Candidate, Slots
from kopje.core.planning.catalogue.song_needs import SONG_NEEDS
from kopje.core.planning.growth import STAGES, Stage
from kopje.core.planning.lesson import LessonQuestion
from kopje.core.planning.lesson_set.laid_again import KeptPart
from kopje.core.planning.template import Slot
from kopje.core.reasons import Reason, because
from kopje.core.songs.contents import SongCard
from kopje.core.songs.suitability import Met

ONLY_BY_THEN = ("old_friend", "old_friend_last")  # how often they sang it is not known yet
_READING = frozenset({"rhythm reading", "melody reading", "staff work", "dictation"})
_CHANGING = frozenset({"improvising", "composing", "instrument", "barred", "body percussion"})
_FITS: dict[Stage, Callable[[Activity], bool]] = {
    "meet": lambda item: item.song == "new",
    "join": lambda item: item.energy == "moving" or item.kind in ("singing game", "echo"),
    "alone": lambda item: item.may_pass or item.grouping == "halves",
    "lead": lambda item: item.grouping in ("partners", "groups") or item.support == "child leads",
    "change": lambda item: item.kind in _CHANGING,
    "read": lambda item: item.kind in _READING,
    "open": lambda item: "opening" in item.roles,
}
# Which stages a plan of so many lessons goes through; a song that they know begins behind what they did.
_WAYS: dict[int, tuple[Stage, ...]] = {
    1: ("meet",),
    2: ("meet", "join"),
    3: ("meet", "join", "alone"),
    4: ("meet", "join", "alone", "read"),
    5: ("meet", "join", "alone", "change", "read"),
    6: ("meet", "join", "alone", "change", "read", "open"),
}


@dataclass(frozen=True, slots=True)
class FocusStep:
    """What is done with the song in a lesson (from 0); `part` None where no activity fits the stage, which
    then is told."""

    lesson: int
    stage: Stage
    part: KeptPart | None
    reasons: tuple[Reason, ...]


def to_learn(a: Analysis) -> tuple[Reason, ...]:
    """What must really be learned: each phrase once, what comes most often first; of one that is like
    another only what differs."""
    counts = Counter(phrase.label for phrase in a.phrases)
    first = {phrase.label: n for n, phrase in reversed(list(enumerate(a.phrases)))}
    family = {label: [one for one in counts if _letter(one) == _letter(label)] for label in counts}

    def place(label: str) -> tuple[int, int, int]:
        sung = sum(counts[one] for one in family[label])
        return -sung, min(first[one] for one in family[label]), first[label]

    order = sorted(counts, key=place)
    told = {one.phrase: one.reason for one in relations(a)}
    found = [
        because("focus_lines", lines=len(counts), all=len(a.phrases)),
        *(
            told.get(first[label])
            or because("focus_line", label=label, number=first[label] + 1, times=counts[label])
            for label in order
        ),
    ]
    return tuple(found)


def _letter(label: str) -> str:
    return label.rstrip("'")


def focus_steps(question: LessonQuestion, song: SongCard, lessons: int) -> tuple[FocusStep, ...]:
    """One step a lesson, each with another activity; of the slots that fit the one in which it serves what is
    due."""
    before = question.met.get(song.id, Met()).lessons
    stages = _stages(lessons, before)
    used: set[str] = set()
    found = []
    for number, stage in enumerate(stages):
        step = _step(question, song, number, stage, before + number, used)
        if step.part is not None:
            used.add(step.part.choice.activity)
        found.append(step)
    return tuple(found)


def _stages(lessons: int, before: int) -> tuple[Stage, ...]:
    """A song that they met goes on where it is."""
    if not before:
        return _WAYS[min(lessons, max(_WAYS))]
    return STAGES[min(before, len(STAGES) - 1) :][:lessons]


def _step(
    question: LessonQuestion, song: SongCard, number: int, stage: Stage, known: int, used: set[str]
) -> FocusStep:
    met = {key: one for key, one in question.met.items() if key != song.id}
    if known:
        met[song.id] = Met(known, question.today)
    slots = Slots(replace(question, songs=(song,), pieces=(), met=met))
    fitting = sorted(
        _fitting(slots, song, stage, known, used), key=lambda pair: (pair[1].cost, pair[1].activity.title)
    )
    if not fitting:
        return FocusStep(number, stage, None, (because("focus_nothing", stage=because(f"stage_{stage}")),))
    slot, best = fitting[0]
    part = KeptPart(slot.key, slot.role, best.choice, best.activity.minutes[1])
    said = tuple(reason for reason in best.reasons if reason.code not in ONLY_BY_THEN)
    return FocusStep(number, stage, part, said)


def _fitting(
    slots: Slots, song: SongCard, stage: Stage, known: int, used: set[str]
) -> Iterator[tuple[Slot, Candidate]]:
    for slot in slots.slots:
        for one in slots.fitting(slot):
            able = SONG_NEEDS.get(one.activity.key, 0) <= known
            if (
                one.choice.song == song.id
                and able
                and one.activity.key not in used
                and _FITS[stage](one.activity)
            ):
                yield slot, one


def as_lessons(steps: Sequence[FocusStep], lessons: int) -> list[list[KeptPart]]:
    """The same lesson by lesson, to be laid."""
    return [[step.part for step in steps if step.lesson == n and step.part] for n in range(lessons)]
