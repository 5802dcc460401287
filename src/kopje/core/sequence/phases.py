"""How a school phases learning: three shipped models as data. Each fills the same roles: before the name,
the name, after it.

Before a concept is named its name and sign are not used; after it they are. Source: docs/sources.md#arcs.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Literal

Purpose = Literal["prepare", "present", "practise"]


@dataclass(frozen=True, slots=True)
class Phase:
    """One phase of an arc. `lessons` is (least, usual, most); `kinds` of activities fit it best (none named:
    any)."""

    key: str
    word: str
    purpose: Purpose
    lessons: tuple[int, int, int]
    kinds: frozenset[str] = frozenset()


@dataclass(frozen=True, slots=True)
class PhaseModel:
    """Phases in order; those of one purpose follow each other."""

    key: str
    name: str
    phases: tuple[Phase, ...]

    def of(self, purpose: Purpose) -> tuple[Phase, ...]:
        return tuple(phase for phase in self.phases if phase.purpose == purpose)

    def lessons(self, purpose: Purpose) -> tuple[int, int, int]:
        """(least, usual, most) lessons of a purpose, all its phases together."""
        least, usual, most = zip(*(phase.lessons for phase in self.of(purpose)), strict=True)
        return sum(least), sum(usual), sum(most)

    def at(self, purpose: Purpose, held: int) -> Phase:
        """The phase of the next lesson of a purpose, when `held` lessons of it are over; beyond the usual:
        the last.

        >>> LISTEN_TO_CREATE.at("prepare", 2).word
        'echo'
        """
        left = held
        phases = self.of(purpose)
        for phase in phases:
            if left < phase.lessons[1]:
                return phase
            left -= phase.lessons[1]
        return phases[-1]

    def word(self, purpose: Purpose) -> str:
        """All the words of a purpose: `listen, echo`."""
        return ", ".join(dict.fromkeys(phase.word for phase in self.of(purpose)))

    def named(self, words: Mapping[str, str]) -> PhaseModel:
        """The same with a school's own words for phases, by their keys."""
        own = tuple(
            replace(one, word=words[one.key]) if words.get(one.key, one.word) != one.word else one
            for one in self.phases
        )
        return replace(self, phases=own)


def _phase(
    key: str, purpose: Purpose, lessons: tuple[int, int, int], kinds: str = "", word: str = ""
) -> Phase:
    return Phase(
        key, word or key, purpose, lessons, frozenset(kind.strip() for kind in kinds.split(",") if kind)
    )


_READING = "rhythm reading, melody reading, staff work, dictation, sight-singing"
_MAKING = "improvising, composing, instrument, barred, partner work"
PREPARE_PRESENT_PRACTISE = PhaseModel(
    "prepare-present-practise",
    "prepare, present, practise",
    (
        _phase("prepare", "prepare", (3, 4, 6)),
        _phase("present", "present", (1, 1, 1)),
        _phase("practise", "practise", (4, 6, 8)),
    ),
)
MAKE_INVENT_UNDERSTAND = PhaseModel(
    "make-invent-understand",
    "make, invent, understand",
    (
        _phase(
            "make",
            "prepare",
            (2, 3, 4),
            "singing, movement, body percussion, instrument, barred, singing game",
        ),
        _phase("invent", "prepare", (1, 2, 3), f"{_MAKING}, body percussion, movement, song story"),
        _phase("understand", "present", (1, 1, 1)),
        _phase("understand", "practise", (4, 5, 7), f"{_READING}, {_MAKING}"),
    ),
)
LISTEN_TO_CREATE = PhaseModel(
    "listen-to-create",
    "listen, echo, name, read, create",
    (
        _phase("listen", "prepare", (1, 2, 3), "listening, movement, song story"),
        _phase(
            "echo", "prepare", (2, 2, 3), "echo, singing, body percussion, vocal exploration, singing game"
        ),
        _phase("name", "present", (1, 1, 1)),
        _phase("read", "practise", (3, 4, 5), _READING),
        _phase("create", "practise", (1, 2, 3), _MAKING),
    ),
)
MODELS = {one.key: one for one in (PREPARE_PRESENT_PRACTISE, MAKE_INVENT_UNDERSTAND, LISTEN_TO_CREATE)}
