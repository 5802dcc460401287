"""What choirs learn: twelve reading levels, each obeyed exactly by the exercises of its name, and how parts
are sung.

Source: docs/sources.md#sight-singing.
"""

from __future__ import annotations

from kopje.core.sequence.concepts import Concept, ConceptKey
from kopje.core.sequence.grades import CHOIR

_LEVELS = (
    "do re mi in steps", "do to so, two eighths, beat rest", "ti below to la, three beats", "two parts in steps",
    "two parts, an octave from low so", "dotted quarter, skips in do-mi-so", "two parts with skips", "three parts in steps",
    "three parts, four sixteenths, skips in so-ti-re", "syncopation, upbeat, leaps do-so", "resting tone la, with si",
    "fi, te and di by step, dotted eighth",
)  # fmt: skip


def _level(number: int, what: str) -> Concept:
    before = (ConceptKey(f"reading-{number - 1}"),) if number > 1 else ()
    return Concept(
        ConceptKey(f"reading-{number}"), f"reading {number}: {what}", "sight-singing", CHOIR, f"R{number}", before,
        ways=("read",), any_song=True, shown="the line to read", prompt="Which tone do we start from, and where is the hardest place?",
    )  # fmt: skip


CHOIR_READING = (
    *(_level(number, what) for number, what in enumerate(_LEVELS, 1)),
    Concept(ConceptKey("blend"), "one vowel, one sound", "voice", CHOIR, "blend", any_song=True, shown="one open mouth for all", core=False, prompt="Whose voice can you not hear alone?"),
    Concept(ConceptKey("holding-a-part"), "holding a part", "ensemble", CHOIR, "parts", (ConceptKey("reading-2"),), traits=("parts",), shown="two lines side by side", core=False,
            prompt="Can you hear the other part and keep yours?"),
    Concept(ConceptKey("three-parts"), "three parts", "ensemble", CHOIR, "3 parts", (ConceptKey("holding-a-part"),), traits=("three_parts",), shown="three lines, one above the other", core=False,
            prompt="Which part has the resting tone?"),
)  # fmt: skip
