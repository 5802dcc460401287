"""What a songbook keeps of each song so that it can be asked: sequence-free facts, small enough for a row of
a table.

Source: docs/sources.md#songs.
"""

from __future__ import annotations

import re
from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.annotations import NOTHING, Annotations
from kopje.core.analysis.key_choice import KeyFit, key_fit
from kopje.core.analysis.traits import DETECTORS, traits
from kopje.core.choir.reads import READ_BY, levels_of
from kopje.core.instruments.recorder import needed_level
from kopje.core.sequence.concepts import Concept, Sequence
from kopje.core.songs.singing_together import round_entry

RECORDER = {1: "recorder_three", 2: "recorder_five", 3: "recorder_eight"}  # by level of the usual order
TRAITS = (*DETECTORS, "parts", "three_parts", "round", *RECORDER.values(), *READ_BY.values())
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


_ROLE = re.compile(r"(?:prepares|presents|practises) ([\w-]+)")


def tags_of(role: str) -> frozenset[str]:
    """The concepts that a song's own facts say it is for. They count as a teacher's tag where nothing in the
    music could tell.

    >>> sorted(tags_of("presents half; practises partner-songs"))
    ['half', 'partner-songs']
    """
    return frozenset(_ROLE.findall(role))


def tagged(tags: Iterable[str], sequence: Sequence) -> frozenset[str]:
    """Those of them that only a tag can tell."""
    known = (sequence.by_key.get(key) for key in tags)
    return frozenset(concept.key for concept in known if concept and concept.found_by == "tag")


def elements_of(concept: Concept) -> frozenset[str]:
    """What stands for a concept in a song."""
    tones = (f"tone:{degree}" for degree in concept.degrees)
    figures = (f"figure:{element}" for element in concept.elements)
    return frozenset((*tones, *figures, f"concept:{concept.key}"))


def features_of(concept: Concept) -> frozenset[str]:
    found = [f"trait:{trait}" for trait in concept.traits]
    found += [f"meter:{meter}" for meter in concept.meters] + [f"set:{name}" for name in concept.tone_sets]
    return frozenset([*found, f"rests:{concept.resting}"] if concept.resting else found)


def nameable(concepts: Iterable[Concept], sequence: Sequence) -> frozenset[str]:
    """The things that somebody who can name these concepts can name; signs that no concept has are read with
    others."""
    free = {f"figure:{key}" for key in READ_WITH_OTHERS if key not in sequence.of_element}
    return frozenset(free.union(*(elements_of(concept) for concept in concepts)))


def found_traits(a: Analysis, parts: int = 1) -> dict[str, tuple[int, ...]]:
    """What the detectors find, and what only parts together tell."""
    found = traits(a)
    if parts > 1:
        found["parts"] = (1,)
    if parts > 2:
        found["three_parts"] = (1,)
    if parts == 1 and (entry := round_entry(a)) is not None:
        found["round"] = (entry + 1,)
    if parts == 1:
        found |= levels_of(a)
    level = needed_level(sound.pitch for sound in a.attacks if sound.pitch)
    if a.range is not None and level in RECORDER:
        found[RECORDER[level]] = (1,)
    return found


def song_facts(
    a: Analysis,
    sequence: Sequence,
    annotations: Annotations = NOTHING,
    found: Iterable[str] | None = None,
    tags: Iterable[str] = (),
) -> SongFacts:
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
    elements |= {f"concept:{key}": 1 for key in annotations.has | tagged(tags, sequence) - annotations.lacks}
    features = {f"meter:{bar.meter}" for bar in a.tune.bars}
    features |= {f"set:{a.tone_set_name}"} if a.tone_set_name else set()
    features |= {f"rests:{a.tonality.resting}"} if a.tonality.resting else set()
    features |= {f"trait:{trait}" for trait in (found_traits(a) if found is None else found)}
    return SongFacts(elements, frozenset(features - lacks), _keys(a))


def _keys(a: Analysis) -> tuple[KeyFit, ...]:
    do = a.tonality.do
    return tuple(key_fit(keys, do) for keys in a.keys_by_grade) if do is not None else ()
