"""A part for a few children beside the class: where it is ready and some are not, these come to the small
table, and the class is not taught again. Source: docs/sources.md#beside."""

from __future__ import annotations

from dataclasses import dataclass

from kopje.core.reasons import Named, Reason, because
from kopje.core.sequence.concepts import Concept
from kopje.core.sequence.section_state import SectionState

ACTIVITY = "beside-the-class"
AT_THE_TABLE = 4


@dataclass(frozen=True, slots=True)
class Beside:
    """What a small group works on; `children`: of those who were heard so many do not have it yet."""

    concept: Concept
    children: int


def beside(state: SectionState, lesson: int) -> Beside | None:
    """For a lesson, counted from 0: what most children lack first, another thing in each lesson. None where
    no class is divided."""
    divided = [
        Beside(concept, readiness.heard - readiness.secure)
        for concept in state.sequence.concepts
        if (readiness := state.readiness.get(concept.key)) is not None
        and readiness.answer == "split"
        and state.named(concept.key)
    ]
    divided.sort(key=lambda one: (-one.children, one.concept.key))
    return divided[lesson % len(divided)] if divided else None


def beside_said(one: Beside) -> Reason:
    return because(
        "beside", concept=Named(one.concept.key), children=one.children, table=min(one.children, AT_THE_TABLE)
    )
