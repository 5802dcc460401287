"""What there is to teach each concept with: songs, recorded pieces, activities in each phase, ways of being
heard; and where there is too little. Source: docs/sources.md#coverage."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from typing import Literal

from kopje.core.planning.activities import Activity
from kopje.core.reasons import Reason, because
from kopje.core.recordings.piece import PieceCard
from kopje.core.sequence.concepts import Concept
from kopje.core.sequence.concepts import Sequence as Taught
from kopje.core.sequence.grades import outside
from kopje.core.songs.contents import SongCard

Supply = Literal["songs", "clear", "pieces", "prepare", "present", "practise", "heard"]
ENOUGH: dict[Supply, int] = {"songs": 4, "clear": 1, "prepare": 3, "present": 1, "practise": 4, "heard": 1}


@dataclass(frozen=True, slots=True)
class Covered:
    """One concept with how many songs have it in a range for its grade (`songs`), how many show it clearly
    enough to name it (`clear`), recorded pieces, activities by phase, and activities in which a child alone
    is heard with it (`heard`)."""

    concept: Concept
    supply: Mapping[Supply, int]

    @property
    def thin(self) -> tuple[Supply, ...]:
        """Of what there is too little; a concept that any song will do for needs no songs of its own, and one
        that is not met in music is not sung."""
        asked = dict(ENOUGH)
        if self.concept.found_by == "any_song" or not self.concept.found_in_music:
            asked.pop("songs")
            asked.pop("clear")
        return tuple(key for key, least in asked.items() if self.supply[key] < least)

    @property
    def fills(self) -> tuple[Reason, ...]:
        """What would help, one sentence for each thing that is thin."""
        return tuple(
            because(f"thin_{key}", "against", self.concept.key, count=self.supply[key], enough=ENOUGH[key])
            for key in self.thin
        )


def coverage(
    sequence: Taught, activities: Sequence[Activity], songs: Iterable[SongCard], pieces: Iterable[PieceCard]
) -> tuple[Covered, ...]:
    """Every concept in the order of the sequence."""
    book, shelf = tuple(songs), tuple(pieces)
    return tuple(_covered(concept, activities, book, shelf) for concept in sequence.concepts)


def _covered(
    concept: Concept, activities: Sequence[Activity], songs: Sequence[SongCard], pieces: Sequence[PieceCard]
) -> Covered:
    inside = [song for song in songs if (keys := song.keys_for(concept.grade)) and keys[0].cost == 0]
    found = [content for song in inside if (content := song.content(concept.key)) is not None]
    fitting = [item for item in activities if item.fits(concept) and _of_age(item, concept)]

    def phase(purpose: str) -> int:
        return sum(purpose in item.purposes for item in fitting)

    return Covered(
        concept,
        {
            "songs": len(found),
            "clear": sum(content.plain for content in found),
            "pieces": sum(card.piece.has(concept) for card in pieces),
            "prepare": phase("prepare"),
            "present": phase("present"),
            "practise": phase("practise"),
            "heard": sum(item.hears > 0 and item.voices == "alone" for item in fitting),
        },
    )


def _of_age(item: Activity, concept: Concept) -> bool:
    """Made for the grade in which it is learned, or the next."""
    return any(outside(grade, grade, item.grades) == 0 for grade in (concept.grade, concept.grade + 1))
