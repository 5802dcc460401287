"""What choirs learn: the ladder of reading that ships first, and how parts are sung.

Source: docs/sources.md#reading-ladder.
"""

from __future__ import annotations

from kopje.core.choir.ladders import PARTS_BEFORE_SKIPS, steps
from kopje.core.sequence.concepts import Concept, ConceptKey
from kopje.core.sequence.grades import CHOIR

CHOIR_READING = (
    *steps(PARTS_BEFORE_SKIPS),
    Concept(ConceptKey("blend"), "one vowel, one sound", "voice", CHOIR, "blend", any_song=True, shown="one open mouth for all", core=False, prompt="Whose voice can you not hear alone?"),
    Concept(ConceptKey("holding-a-part"), "holding a part", "ensemble", CHOIR, "parts", (ConceptKey("reading-2"),), traits=("parts",), shown="two lines side by side", core=False,
            prompt="Can you hear the other part and keep yours?"),
    Concept(ConceptKey("three-parts"), "three parts", "ensemble", CHOIR, "3 parts", (ConceptKey("holding-a-part"),), traits=("three_parts",), shown="three lines, one above the other", core=False,
            prompt="Which part has the resting tone?"),
)  # fmt: skip
