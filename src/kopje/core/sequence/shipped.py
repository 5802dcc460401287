"""The three sequences that ship: so-mi first, mi-re-do first, scale first. A school starts from one and
makes it its own.

The second and third are the first with another melodic line. Source: docs/sources.md#sequences.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import replace

from kopje.core.choir.ladders import out_of_the_ladder
from kopje.core.sequence.concepts import Concept, ConceptKey, Sequence
from kopje.core.sequence.so_mi_first import SO_MI_FIRST


def _tone(key: str, name: str, grade: int, degrees: str, needs: str, prompt: str) -> Concept:
    return Concept(
        ConceptKey(key), name, "melody", grade, degrees, tuple(map(ConceptKey, needs.split())),
        degrees=tuple(degrees.split()), ways=SO_MI_FIRST.concept("la").ways, prompt=prompt,
        shown=SO_MI_FIRST.concept("la").shown,
    )  # fmt: skip


def _changed(
    name: str, new: Iterable[Concept], dropped: str, instead: Mapping[str, str], grades: Mapping[str, int]
) -> Sequence:
    """Another melodic line: `new` concepts come first in their grade; needs of dropped ones are redirected."""
    gone = set(dropped.split())
    fresh = {concept.key: concept for concept in new}
    kept = [
        replace(
            c,
            grade=grades.get(c.key, c.grade),
            needs=tuple(dict.fromkeys(ConceptKey(instead.get(n, n)) for n in c.needs)),
        )
        for c in SO_MI_FIRST.concepts
        if c.key not in gone and c.key not in fresh
    ]
    every = [*fresh.values(), *kept]
    every.sort(key=lambda c: c.grade)  # stable: within a grade the new line, then the old order
    return Sequence.of(name, every)


MI_RE_DO_FIRST = _changed(
    "mi-re-do first",
    [
        _tone("mi-re-do", "mi, re and do", 1, "mi re do", "high-low contour", "Which word comes home?"),
        _tone("so", "so", 1, "so", "mi-re-do", "Do we skip from mi, or step?"),
        _tone("la", "la", 2, "la", "so", "Is the new tone higher than so?"),
    ],
    "so-mi do re",
    {"so-mi": "mi-re-do", "do": "mi-re-do", "re": "la"},
    {"do-pentatonic": 2},
)
SCALE_FIRST = _changed(
    "scale first",
    [
        _tone("do-so", "do and so", 1, "do so", "high-low contour", "Which of the two is home?"),
        _tone("mi", "mi", 1, "mi", "do-so", "What lies between do and so?"),
        _tone("re", "re", 2, "re", "mi", "Which tone lies between do and mi?"),
        _tone("fa", "fa and the half step", 2, "fa", "re", "How close are mi and fa?"),
        _tone("la", "la", 2, "la", "fa", "Is the new tone higher than so?"),
        Concept(ConceptKey("ti"), "ti", "melody", 3, "ti", (ConceptKey("la"),), degrees=("ti", "ti,"),
                ways=SO_MI_FIRST.concept("ti").ways, prompt="Where does this tone want to go?", shown=SO_MI_FIRST.concept("ti").shown),
    ],
    "so-mi do",
    {"so-mi": "mi", "do": "do-so"},
    {"do-pentatonic": 4, "low-la": 4, "low-so": 4, "la-pentatonic": 4, "high-do": 3},
)  # fmt: skip
SHIPPED = {"so-mi": SO_MI_FIRST, "mi-re-do": MI_RE_DO_FIRST, "scale": SCALE_FIRST}


def with_used(sequence: Sequence, used: Iterable[Concept]) -> tuple[Sequence, tuple[Concept, ...]]:
    """A sequence that keeps what has been taught or heard already: missing ones come along as optional; also
    which."""
    missing = tuple(c for c in used if c.key not in sequence.by_key)
    known = {*sequence.by_key, *(c.key for c in missing)}
    along = [
        replace(out_of_the_ladder(c), core=False, needs=tuple(n for n in c.needs if n in known))
        for c in missing
    ]
    return Sequence.of(sequence.name, [*sequence.concepts, *along]), missing
