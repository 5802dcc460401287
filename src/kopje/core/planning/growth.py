"""How an activity grows from lesson to lesson. Source: docs/sources.md#growth."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from typing import Literal, get_args

Stage = Literal["meet", "join", "alone", "lead", "change", "read", "open"]
GROWN = frozenset(("lead", "change", "read", "open"))
STAGES: tuple[Stage, ...] = get_args(Stage)


@dataclass(frozen=True, slots=True)
class Form:
    """A further form of an activity: its stage, and what is different now."""

    stage: Stage
    says: str


def form_for(forms: Sequence[Form], lessons: int) -> Form | None:
    """The form that is due for a class that did the activity in so many lessons before: none the first time,
    then one after the other; after the last, those in which children lead, change or read it take turns.

    >>> forms = (Form("join", "Join in."), Form("lead", "A child leads."), Form("change", "Change it."))
    >>> [form_for(forms, n) and form_for(forms, n).stage for n in range(6)]
    [None, 'join', 'lead', 'change', 'lead', 'change']
    """
    if not lessons or not forms:
        return None
    if lessons <= len(forms):
        return forms[lessons - 1]
    grown = [form for form in forms if form.stage in GROWN] or [forms[-1]]
    return grown[(lessons - len(forms) - 1) % len(grown)]


@dataclass(frozen=True, slots=True)
class Dated:
    """What is different from a day on for some grades, as the teacher says."""

    day: date
    low: int
    high: int
    says: str


def grown_by(day: date, grade: int, dated: Sequence[Dated]) -> str:
    """What holds on a day for a grade: the latest that has begun; empty where none has.

    >>> soon = Dated(date(2027, 1, 7), 0, 2, "With eyes shut.")
    >>> [grown_by(date(2027, 1, day), grade, [soon]) for day, grade in ((7, 2), (6, 2), (31, 3))]
    ['With eyes shut.', '', '']
    """
    begun = [one for one in dated if one.day <= day and one.low <= grade <= one.high]
    return max(begun, key=lambda one: one.day).says if begun else ""
