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

    @property
    def places_for_name(self) -> tuple[str, ...]:
        """The phases after which the name may fall: all but the last that are not the naming itself."""
        return tuple(phase.key for phase in self._without_name)[:-1]

    @property
    def _without_name(self) -> tuple[Phase, ...]:
        return tuple(phase for phase in self.phases if phase.purpose != "present")

    def with_name_after(self, key: str) -> PhaseModel:
        """The same with the name in another place: what lies before it prepares, what comes after it
        practises. A key that is no such place changes nothing.

        >>> [p.purpose for p in LISTEN_TO_CREATE.with_name_after("read").phases]
        ['prepare', 'prepare', 'prepare', 'present', 'practise']
        """
        if key not in self.places_for_name:
            return self
        rest = self._without_name
        at = [phase.key for phase in rest].index(key) + 1
        before = tuple(replace(phase, purpose="prepare") for phase in rest[:at])
        after = tuple(replace(phase, purpose="practise") for phase in rest[at:])
        return replace(self, phases=(*before, *self.of("present"), *after))

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
JOIN_MAKE_SAY = PhaseModel(
    "join-make-say",
    "join in, make it yours, say how it works",
    (
        _phase(
            "join-in",
            "prepare",
            (2, 3, 4),
            "singing, movement, body percussion, instrument, barred, singing game",
            "join in",
        ),
        _phase(
            "make-yours",
            "prepare",
            (1, 2, 3),
            f"{_MAKING}, body percussion, movement, song story",
            "make it yours",
        ),
        _phase("say-how", "present", (1, 1, 1), word="say how it works"),
        _phase("say-how", "practise", (4, 5, 7), f"{_READING}, {_MAKING}", "say how it works"),
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
MODELS = {one.key: one for one in (PREPARE_PRESENT_PRACTISE, JOIN_MAKE_SAY, LISTEN_TO_CREATE)}
