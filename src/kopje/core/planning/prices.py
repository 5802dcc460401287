"""What parts of a lesson cost beside each other. Source: docs/sources.md#composer."""

from __future__ import annotations

from collections.abc import Sequence

from kopje.core.planning.candidates import Candidate

SAME_KIND = 3
SAME_CONCEPT_TWICE = 4
STILL_SITTING = 1
SECOND_PIECE = 8  # to listen twice in one lesson is a wish nobody had
TOO_FEW_HEARD = 8
HEARD_A_LESSON = 4


def beside(chosen: Sequence[Candidate], candidate: Candidate) -> int:
    """What a candidate costs beside those already there."""
    cost = SAME_KIND * sum(c.activity.kind == candidate.activity.kind for c in chosen)
    concept = candidate.choice.concept
    if concept is not None:
        cost += SAME_CONCEPT_TWICE * sum(c.choice.concept == concept for c in chosen)
    if candidate.choice.piece:
        cost += SECOND_PIECE * sum(c.choice.piece is not None for c in chosen)
    if chosen and chosen[-1].activity.energy == candidate.activity.energy == "seated":
        cost += STILL_SITTING
    return cost


def hearing_cost(chosen: Sequence[Candidate]) -> int:
    return 0 if sum(c.activity.hears for c in chosen) >= HEARD_A_LESSON else TOO_FEW_HEARD


def too_still(chosen: Sequence[Candidate]) -> bool:
    """Whether less than a fifth of the usual minutes is moving."""
    usual = [(c.activity.minutes[1], c.activity.energy == "moving") for c in chosen]
    return 5 * sum(n for n, moves in usual if moves) < sum(n for n, _ in usual)
