"""Words on the beat, on the wire."""

from __future__ import annotations

from kopje.api.schemas.base import Read
from kopje.core.analysis.prosody import Place
from kopje.core.reasons import because
from kopje.usecases.songs.words_on_beat import doubtful
from kopje.words import Words


class OddWordRead(Read):
    """A place where a word may not sit: bar, verse, first printed note, and what is odd, in a sentence."""

    kind: str
    verse: int
    bar: int
    note: int
    message: str


class OnBeatRead(Read):
    """Whether the words sit, in one sentence, and the places to look at."""

    sentence: str
    places: list[OddWordRead]

    @classmethod
    def of(cls, found: tuple[Place, ...] | None, words: Words) -> OnBeatRead | None:
        """None where nothing can be said."""
        if found is None:
            return None
        said = (
            because("words_sit")
            if not found
            else because("words_look", count=doubtful(found), all=len(found))
        )
        return cls(
            sentence=words.say(said),
            places=[
                OddWordRead(
                    kind=one.kind,
                    verse=one.verse,
                    bar=one.bar,
                    note=one.note,
                    message=words.say(
                        because(
                            f"word_{one.kind}", word=one.word.strip(".,;:!?"), text=one.text, bar=one.bar,
                            verse=one.verse, guessed=int(one.guessed),
                        )
                    ),
                )
                for one in found
            ],
        )  # fmt: skip
