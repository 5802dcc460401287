"""What a songbook keeps of each song so that it can be asked: sequence-free facts, small enough for a row of
a table.

Source: docs/sources.md#songs.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.annotations import NOTHING, Annotations
from kopje.core.analysis.key_choice import KeyFit, key_fit
from kopje.core.sequence.concepts import Concept, Sequence

READ_WITH_OTHERS = ("bar_rest", "tie")  # read with what they are made of


@dataclass(frozen=True, slots=True)
class SongFacts:
    """`elements`: tones, figures and concepts named by the teacher, with the number of bars they come in.
    `features`: meter, tone set, resting tone. `keys`: for grades 0, 1, 2 … how it lies in their range, and
    with which do."""

    elements: Mapping[str, int]
    features: frozenset[str]
    keys: tuple[KeyFit, ...] = ()

    def key_for(self, grade: int) -> KeyFit | None:
        return self.keys[min(max(grade, 0), len(self.keys) - 1)] if self.keys else None


def elements_of(concept: Concept) -> frozenset[str]:
    """What stands for a concept in a song."""
    tones = (f"tone:{degree}" for degree in concept.degrees)
    figures = (f"figure:{element}" for element in concept.elements)
    return frozenset((*tones, *figures, f"concept:{concept.key}"))


def features_of(concept: Concept) -> frozenset[str]:
    found = [f"meter:{meter}" for meter in concept.meters] + [f"set:{name}" for name in concept.tone_sets]
    return frozenset([*found, f"rests:{concept.resting}"] if concept.resting else found)


def nameable(concepts: Iterable[Concept], sequence: Sequence) -> frozenset[str]:
    """The things that somebody who can name these concepts can name; signs that no concept has are read with
    others."""
    free = {f"figure:{key}" for key in READ_WITH_OTHERS if key not in sequence.of_element}
    return frozenset(free.union(*(elements_of(concept) for concept in concepts)))


def song_facts(a: Analysis, sequence: Sequence, annotations: Annotations = NOTHING) -> SongFacts:
    """The facts of a song; what the teacher says it has or lacks goes before what was found."""
    bars: dict[str, set[int]] = {}
    for sound in a.attacks:
        degree = a.degree(sound)
        if degree is not None:
            bars.setdefault(f"tone:{degree}", set()).add(sound.bar)
    for figure in a.figures:
        bars.setdefault(f"figure:{figure.key or '?' + figure.text}", set()).add(figure.bar)
    lacking = [sequence.by_key[key] for key in annotations.lacks if key in sequence.by_key]
    lacks = frozenset[str]().union(*(elements_of(concept) | features_of(concept) for concept in lacking))
    elements = {element: len(found) for element, found in bars.items() if element not in lacks}
    elements |= {f"concept:{key}": 1 for key in annotations.has}
    features = {f"meter:{bar.meter}" for bar in a.tune.bars}
    features |= {f"set:{a.tone_set_name}"} if a.tone_set_name else set()
    features |= {f"rests:{a.tonality.resting}"} if a.tonality.resting else set()
    return SongFacts(elements, frozenset(features - lacks), _keys(a))


def _keys(a: Analysis) -> tuple[KeyFit, ...]:
    do = a.tonality.do
    return tuple(key_fit(keys, do) for keys in a.keys_by_grade) if do is not None else ()
