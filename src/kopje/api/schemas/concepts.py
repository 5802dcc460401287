"""A concept on the wire."""

from __future__ import annotations

from kopje.api.schemas.base import Read
from kopje.core.sequence.concepts import Concept, strand_name
from kopje.words import Words


class ConceptRead(Read):
    key: str
    name: str
    strand: str
    sign: str
    prompt: str
    in_music: bool
    grade: int

    @classmethod
    def of(cls, c: Concept, words: Words) -> ConceptRead:
        strand = words.say(strand_name(c.strand))
        return cls(
            key=c.key,
            name=c.name,
            strand=strand,
            sign=c.sign,
            prompt=c.prompt,
            in_music=c.found_in_music,
            grade=c.grade,
        )
