"""What helps most next, where nothing presses: from an empty school to lessons that lie planned."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Literal

from kopje.core.reasons import Reason, because
from kopje.core.sequence.grades import grade_name

Where = Literal["set-up", "songs", "knows", "year", "set"]
FEW_AHEAD = 2  # lessons of a section that should lie planned at least


@dataclass(frozen=True, slots=True)
class Brief:
    """A section in short: does it meet, how many songs and concepts it brings or learned, lessons held,
    lessons planned ahead, whether its year is laid."""

    key: str
    name: str
    grade: int
    meets: bool
    knows: int
    held: int
    ahead: int
    laid: bool


@dataclass(frozen=True, slots=True)
class NextThing:
    """A sentence, and the page where it is done: of a section or a grade where `key` is not empty."""

    says: Reason
    where: Where
    key: str = ""


def next_thing(songs: int, sections: Sequence[Brief]) -> NextThing | None:
    """The first of these that is missing: sections, songs, meeting times, what a new class knows, lessons
    ahead, a year. None when all is there.

    >>> next_thing(0, ()).where
    'set-up'
    """
    if not sections:
        return NextThing(because("next_sections"), "set-up")
    if not songs:
        return NextThing(because("next_songs"), "songs")
    asked: tuple[tuple[Callable[[Brief], bool], Callable[[Brief], NextThing]], ...] = (
        (lambda one: not one.meets, lambda one: NextThing(because("next_meets", name=one.name), "set-up")),
        (
            lambda one: one.meets and not one.knows and not one.held,
            lambda one: NextThing(because("next_knows", name=one.name), "knows", one.key),
        ),
        (
            lambda one: one.meets and one.ahead < FEW_AHEAD,
            lambda one: NextThing(
                because("next_set", grade=grade_name(one.grade)), "set", f"grade-{one.grade}"
            ),
        ),
        (
            lambda one: one.meets and not one.laid,
            lambda one: NextThing(because("next_year", name=one.name), "year", one.key),
        ),
    )
    for missing, thing in asked:
        found = next((one for one in sections if missing(one)), None)
        if found is not None:
            return thing(found)
    return None
