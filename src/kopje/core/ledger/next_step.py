"""What a child needs next, by a rule that can be read aloud. Source: docs/sources.md#next-step."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from kopje.core.reasons import Named, Reason, because
from kopje.core.sequence.concepts import Concept, ConceptKey, Sequence

LACKING = ("not_yet", "nearly")


@dataclass(frozen=True, slots=True)
class StandsNow:
    """How far a child is in a concept today."""

    level: str
    due: bool = False


@dataclass(frozen=True, slots=True)
class NextStep:
    concept: ConceptKey
    reason: Reason


def next_step(
    sequence: Sequence,
    at_work: Iterable[ConceptKey],
    named: Iterable[ConceptKey],
    now: Mapping[ConceptKey, StandsNow],
) -> NextStep | None:
    """The first of: something it does not have yet, and before that what it rests on and is not there
    either; something it nearly has; something it showed once; something with a name that nobody has listened
    to it in; something that is to be heard again. What the class works on comes before what it has named.
    None where nothing is left."""
    keys = dict.fromkeys((*at_work, *named))
    order = [sequence.concept(key) for key in keys]
    for level in (*LACKING, "once"):
        for concept in order:
            if _level(now, concept.key) == level:
                return _step(sequence, concept, now)
    for concept in order:
        if _level(now, concept.key) == "not_heard":
            return NextStep(concept.key, because("step_not_heard", concept=Named(concept.key)))
    due = next((c for c in order if c.key in now and now[c.key].due), None)
    return NextStep(due.key, because("step_due", concept=Named(due.key))) if due else None


def _level(now: Mapping[ConceptKey, StandsNow], key: ConceptKey) -> str:
    return now[key].level if key in now else "not_heard"


def _step(sequence: Sequence, concept: Concept, now: Mapping[ConceptKey, StandsNow]) -> NextStep:
    level = _level(now, concept.key)
    rests_on = next((ConceptKey(key) for key in concept.needs if _level(now, key) in LACKING), None)
    if level in LACKING and rests_on is not None:
        below = sequence.concept(rests_on)
        return NextStep(below.key, because("step_first", concept=Named(below.key), later=Named(concept.key)))
    return NextStep(concept.key, because(f"step_{level}", concept=Named(concept.key)))
