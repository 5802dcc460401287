"""A late start: what a lesson does without when its minutes have become too few.

Source: docs/sources.md#late."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from kopje.core.planning.template import Template

_KEPT_LONGEST = ("play", "game", "voice", "second", "review", "repertoire", "opening", "focus")


@dataclass(frozen=True, slots=True)
class Running:
    """A part of a lesson that is not done yet."""

    key: str
    slot: str
    role: str
    purpose: str | None
    minutes: int
    new: bool = False
    left_over: bool = False
    pinned: bool = False


def gives_way(parts: Iterable[Running], template: Template) -> tuple[str, ...]:
    """The parts that may be left out, the first to go first: instruments and games before what is learned,
    what is old before what is new, what was left over once or is pinned last. Never the naming of something,
    the closing, and what is never to be dropped."""
    always = {slot.key for slot in template.keyed() if slot.always}
    free = [
        one for one in parts if one.purpose != "present" and one.role != "closing" and one.slot not in always
    ]
    return tuple(one.key for one in sorted(free, key=_worth))


def _worth(one: Running) -> tuple[bool, bool, int, bool]:
    rank = _KEPT_LONGEST.index(one.role) if one.role in _KEPT_LONGEST else len(_KEPT_LONGEST)
    return one.pinned, one.left_over, rank, one.new


def left_out(
    parts: Sequence[Running], order: Sequence[str], minutes: int, template: Template
) -> tuple[str, ...]:
    """Which of the parts not done yet are left out so that the others fit the minutes that are left, with
    the way from one to the next; empty where all fit. What is dropped for nothing is taken in again.

    >>> a, b = Running("a", "play-1", "play", None, 5), Running("b", "focus-1", "focus", None, 6)
    >>> left_out([a, b], ["a", "b"], 8, Template(()))
    ('a',)
    """
    length = {one.key: one.minutes for one in parts}
    gone: list[str] = []

    def fits(without: Sequence[str]) -> bool:
        stay = [key for key in length if key not in without]
        return sum(length[key] for key in stay) + template.between * max(len(stay) - 1, 0) <= minutes

    for key in order:
        if fits(gone):
            break
        if key in length:
            gone.append(key)
    for key in reversed(gone[:-1]):
        rest = [one for one in gone if one != key]
        if fits(rest):
            gone = rest
    return tuple(gone)
