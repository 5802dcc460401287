"""What a songbook keeps of each song so that it can be asked: sequence-free facts, small enough for a row of a table.

Source: docs/sources.md#songs.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.key_choice import KeyFit, key_fit
from kopje.core.analysis.told import NOTHING, Told
from kopje.core.sequence.concepts import Concept, Sequence

READ_WITH_OTHERS = ("bar_rest", "tie")  # read with what they are made of


@dataclass(frozen=True, slots=True)
class SongFacts:
    """`things`: tones, figures and concepts named by the teacher, with the number of bars they come in. `aspects`: meter,
    tone set, resting tone. `keys`: for grades 0, 1, 2 … how it lies in their range, and with which do."""

    things: Mapping[str, int]
    aspects: frozenset[str]
    keys: tuple[KeyFit, ...] = ()

    def key_for(self, grade: int) -> KeyFit | None:
        return self.keys[min(grade, len(self.keys) - 1)] if self.keys else None


def things_of(concept: Concept) -> frozenset[str]:
    """What stands for a concept in a song."""
    tones = (f"tone:{degree}" for degree in concept.degrees)
    figures = (f"figure:{element}" for element in concept.elements)
    return frozenset((*tones, *figures, f"concept:{concept.key}"))


def aspects_of(concept: Concept) -> frozenset[str]:
    found = [f"meter:{meter}" for meter in concept.meters] + [f"set:{name}" for name in concept.tone_sets]
    return frozenset([*found, f"rests:{concept.resting}"] if concept.resting else found)


def nameable(concepts: Iterable[Concept], sequence: Sequence) -> frozenset[str]:
    """The things that somebody who can name these concepts can name; signs that no concept has are read with others."""
    free = {f"figure:{key}" for key in READ_WITH_OTHERS if key not in sequence.of_element}
    return frozenset(free.union(*(things_of(concept) for concept in concepts)))


def song_facts(a: Analysis, sequence: Sequence, told: Told = NOTHING) -> SongFacts:
    """The facts of a song; what the teacher says it has or lacks goes before what was found."""
    bars: dict[str, set[int]] = {}
    for sound in a.attacks:
        degree = a.degree(sound)
        if degree is not None:
            bars.setdefault(f"tone:{degree}", set()).add(sound.bar)
    for figure in a.figures:
        bars.setdefault(f"figure:{figure.key or '?' + figure.text}", set()).add(figure.bar)
    lacking = [sequence.by_key[key] for key in told.lacks if key in sequence.by_key]
    lacks = frozenset[str]().union(*(things_of(concept) | aspects_of(concept) for concept in lacking))
    things = {thing: len(found) for thing, found in bars.items() if thing not in lacks}
    things |= {f"concept:{key}": 1 for key in told.has}
    aspects = {f"meter:{bar.meter}" for bar in a.tune.bars}
    aspects |= {f"set:{a.tone_set_name}"} if a.tone_set_name else set()
    aspects |= {f"rests:{a.tonality.resting}"} if a.tonality.resting else set()
    return SongFacts(things, frozenset(aspects - lacks), _keys(a))


def _keys(a: Analysis) -> tuple[KeyFit, ...]:
    do = a.tonality.do
    return tuple(key_fit(keys, do) for keys in a.keys_by_grade) if do is not None else ()
