"""How an activity grows from lesson to lesson. Source: docs/sources.md#growth."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal, get_args

Stage = Literal["meet", "join", "alone", "lead", "change", "read", "open"]
STAGES: tuple[Stage, ...] = get_args(Stage)


@dataclass(frozen=True, slots=True)
class Form:
    """A further form of an activity: its stage, and what is different now."""

    stage: Stage
    says: str


def form_for(forms: Sequence[Form], lessons: int) -> Form | None:
    """The form that is due for a class that did the activity in so many lessons before: none the first time,
    then one after the other; at the end the last one stays.

    >>> forms = (Form("lead", "A child leads."), Form("change", "Change it."))
    >>> [form_for(forms, n) and form_for(forms, n).stage for n in range(4)]
    [None, 'lead', 'change', 'change']
    """
    return forms[min(lessons, len(forms)) - 1] if lessons and forms else None
