"""What a part of a lesson reads: an activity that reads something new opens an exercise for the class.

Source: docs/sources.md#made-exercises.
"""

from __future__ import annotations

from kopje.core.choir.rungs import is_level
from kopje.core.planning.activities import Activity, Reads
from kopje.core.practice.reading.given import Sort
from kopje.core.sequence.concepts import Concept


def reads_as(activity: Activity, concept: Concept | None) -> Reads:
    """How the part reads it: only a rhythm changes figure by figure; nothing where nothing new is read."""
    found = to_read(activity, concept)
    if found is None:
        return ""
    return "cards" if activity.reads == "change" and found[0] != "rhythm" else activity.reads


def to_read(activity: Activity, concept: Concept | None) -> tuple[Sort, str] | None:
    """The kind of exercise and the concept it is made for; None where nothing new is read."""
    if not activity.reads or concept is None:
        return None
    if is_level(concept.key):
        return "level", concept.key
    if concept.degrees:
        return "melody", concept.key
    return ("rhythm", concept.key) if concept.elements else None
