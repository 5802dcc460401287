"""How the steps of an activity speak of what is learned. Source: docs/sources.md#activities."""

from __future__ import annotations

from kopje.core.reasons import Named, Reason, because
from kopje.core.sequence.concepts import Concept

COUNTED = frozenset({"figure"})  # one speaks of the half note, but of la, of syncopation, of 6/8
NO_ARTICLE = frozenset({"syncopation"})
SHORT = {
    "quarter-eighths": "said_two_eighths",
    "eighth-sixteenths": "said_eighth_sixteenths",
    "eighth-rest": "said_eighth_rest",
    "fa": "said_fa",
    "recorder-bag": "said_recorder_bag",
    "recorder-five": "said_recorder_five",
    "recorder-eight": "said_recorder_eight",
    "loudness-words": "said_loudness_word",
    "tempo-words": "said_tempo_word",
}  # names that say two things are too long inside a sentence


def spoken_of(concept: Concept, purpose: str | None) -> Reason:
    """The thing as it stands in the middle of a sentence: before its name “the new tone”, then its name, with
    an article where one says one."""
    if purpose == "prepare":
        return because(f"new_{concept.nature.replace('-', '_')}")
    if concept.key in SHORT:
        return because(SHORT[concept.key], concept=Named(concept.key))
    if concept.nature in COUNTED and concept.key not in NO_ARTICLE:
        return because("the_thing", concept=Named(concept.key))
    return because("a_thing", concept=Named(concept.key))
