"""Into the next school year: classes go up a grade, the oldest leave, new ones begin.

Source: docs/sources.md#grades.
"""

from __future__ import annotations

import re
from collections.abc import Iterable
from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class ClassNow:
    """A section as it is at the end of a year. `upper`: its second grade, in a split class."""

    name: str
    grade: int
    upper: int
    children: int


@dataclass(frozen=True, slots=True)
class Step:
    """What becomes of one section. `becomes` empty: its children leave the school. `was` empty: it begins."""

    was: str
    becomes: str
    grade: int
    children: int
    upper: int


def next_name(name: str) -> str | None:
    """The name a grade up; None where a name does not say its grade (a choir stays what it is).

    >>> next_name("KA"), next_name("2B"), next_name("2/3A"), next_name("PK"), next_name("Choir")
    ('1A', '3B', '3/4A', 'K', None)
    """
    if re.fullmatch(r"PK[A-Z0-9]?", name):
        return name[1:]
    if re.fullmatch(r"K[A-Z0-9]?", name):
        return "1" + name[1:]
    split = re.match(r"(K|\d+)([/-])(\d+)", name)
    if split:
        lower = 1 if split[1] == "K" else int(split[1]) + 1
        return f"{lower}{split[2]}{int(split[3]) + 1}{name[split.end() :]}"
    match = re.search(r"\d+", name)
    return f"{name[: match.start()]}{int(match[0]) + 1}{name[match.end() :]}" if match else None


def steps(classes: Iterable[ClassNow]) -> tuple[Step, ...]:
    """What becomes of each section that goes up, youngest first; those of the lowest grade begin anew."""
    going = [one for one in classes if next_name(one.name)]
    top, low = max((x.grade for x in going), default=0), min((x.grade for x in going), default=0)
    found = [Step("", one.name, one.grade, 0, one.upper) for one in going if one.grade == low]
    for one in going:
        if one.grade == top:
            found.append(Step(one.name, "", one.grade, one.children, one.upper))
        else:
            name = next_name(one.name) or ""
            found.append(Step(one.name, name, one.grade + 1, one.children, one.upper + 1))
    return tuple(found)
