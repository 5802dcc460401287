"""A line of letters from elsewhere held against the tune: what is more, less or another one, and where.

Octaves are left aside, as letters under words mostly are. Source: docs/sources.md#letters.
"""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Literal

from kopje.core.errors import TextureError
from kopje.core.reasons import Reason, because

Kind = Literal["more", "less", "other"]
MOST_LETTERS = 600
_LETTER = re.compile(r"([A-Ga-g])(##?|bb?|♯|♭)?['’,]*\d?")
_APART = re.compile(r"[\s,;|/–—-]+")


@dataclass(frozen=True, slots=True)
class Written:
    """A letter as it was given: its line and its place in the line, both from 1."""

    name: str
    line: int
    place: int


@dataclass(frozen=True, slots=True)
class Difference:
    """`more`: a letter without a tone; `less`: a tone without a letter, which would stand before `place`;
    `other`: another letter. `tone` is the index of the tune's attack, `given` and `wanted` are names."""

    kind: Kind
    line: int
    place: int
    tone: int
    given: str | None
    wanted: str | None


def read_letters(text: str) -> tuple[Written, ...]:
    """Letters with their signs, line by line; bar lines, commas and hyphens stand between. TextureError for
    anything else.

    >>> [one.name for one in read_letters("G A Bb | f#")]
    ['G', 'A', 'Bb', 'F#']
    """
    found: list[Written] = []
    lines = [line for line in text.splitlines() if line.strip()]
    for number, line in enumerate(lines, 1):
        for place, token in enumerate(filter(None, _APART.split(line)), 1):
            match = _LETTER.fullmatch(token)
            if match is None:
                raise TextureError("letters_unreadable", token=token, line=number, value=token)
            sign = (match[2] or "").replace("♯", "#").replace("♭", "b")
            found.append(Written(match[1].upper() + sign, number, place))
    if not found:
        raise TextureError("letters_none", value=text)
    if len(found) > MOST_LETTERS:
        raise TextureError("letters_many", most=MOST_LETTERS, value=len(found))
    return tuple(found)


def differences(given: Sequence[Written], tune: Sequence[str]) -> tuple[Difference, ...]:
    """The fewest changes that turn the letters into those of the tune, in order; an exchange counts as one.

    >>> [(d.kind, d.place) for d in differences(read_letters("G A A B"), ["G", "A", "B"])]
    [('more', 3)]
    """
    cost = _costs([one.name for one in given], tune)
    return tuple(_walk(given, tune, cost))


def _costs(given: Sequence[str], tune: Sequence[str]) -> list[list[int]]:
    """Fewest changes between what is left of both from each place on."""
    rows = [[0] * (len(tune) + 1) for _ in range(len(given) + 1)]
    for i in range(len(given), -1, -1):
        for j in range(len(tune), -1, -1):
            left, right = len(given) - i, len(tune) - j
            if not left or not right:
                rows[i][j] = left + right
                continue
            same = given[i] == tune[j]
            rows[i][j] = min(rows[i + 1][j + 1] + (not same), rows[i + 1][j] + 1, rows[i][j + 1] + 1)
    return rows


def _walk(given: Sequence[Written], tune: Sequence[str], cost: list[list[int]]) -> Iterator[Difference]:
    i = j = 0
    while i < len(given) or j < len(tune):
        here = cost[i][j]
        if i < len(given) and j < len(tune):
            same = given[i].name == tune[j]
            if here == cost[i + 1][j + 1] + (not same):
                if not same:
                    yield Difference("other", given[i].line, given[i].place, j, given[i].name, tune[j])
                i, j = i + 1, j + 1
                continue
        if i < len(given) and here == cost[i + 1][j] + 1:
            yield Difference(
                "more", given[i].line, given[i].place, min(j, len(tune) - 1), given[i].name, None
            )
            i += 1
            continue
        line, place = _before(given, i)
        yield Difference("less", line, place, j, None, tune[j])
        j += 1


def _before(given: Sequence[Written], i: int) -> tuple[int, int]:
    """Where a letter that is not there would stand: before the next one, or after the last."""
    if i < len(given):
        return given[i].line, given[i].place
    return given[-1].line, given[-1].place + 1


def told(one: Difference, bar: int) -> Reason:
    """What is to be said of a difference in a bar of the tune."""
    shown = {"given": _shown(one.given), "wanted": _shown(one.wanted)}
    return because(f"letters_{one.kind}", "against", line=one.line, place=one.place, bar=bar, **shown)


def _shown(name: str | None) -> str:
    return (name or "–").replace("#", "♯").replace("b", "♭")
