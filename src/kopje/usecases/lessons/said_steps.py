"""The steps of an activity as they are said to a class."""

from __future__ import annotations

from collections.abc import Mapping

from kopje.core.planning.activities import Activity
from kopje.core.planning.steps import spoken_of
from kopje.core.sequence.concepts import Concept
from kopje.words import Words


def spoken(
    item: Activity,
    titles: Mapping[str, str | None],
    concept: Concept | None,
    purpose: str | None,
    section: str,
    words: Words,
) -> list[str]:
    """The steps with names filled in; before a concept is presented its name is not used."""
    filling = {
        "song": f"“{titles['song']}”" if titles.get("song") else words.word("the_song"),
        "piece": f"“{titles['piece']}”" if titles.get("piece") else words.word("the_piece"),
        "section": section,
        "it": words.say(spoken_of(concept, purpose)) if concept else words.word("the_thing_learned"),
        "concept": concept.name if concept else "",
        "shown": concept.shown if concept else "",
    }
    return [words.sequence.wording.step(step).format(**filling) for step in item.steps]
