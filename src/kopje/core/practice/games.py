"""Guessing games made from songs, and how far a right answer may be luck. Source:
docs/sources.md#guessing."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from functools import cache
from itertools import groupby, pairwise, product
from typing import Literal

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.timeline import Sound
from kopje.core.errors import PracticeError
from kopje.core.exact import Fraction
from kopje.core.ledger.luck import MOST_LUCK, luck_over

By = Literal["rhythm", "contour", "words"]
Clue = tuple[str, ...]
MOST_TRIALS, FEWEST_TRIALS = 10, 3
MOST_SEQUENCES = 1024
RUN = 3  # equal answers in a row
WORDS_SHOWN = 3


def clue(a: Analysis, by: By) -> Clue:
    """What is heard or seen of a song's first phrase: beats from one clap to the next, its ups and downs, or
    nothing where it has none. A clap has no end, so a rest behind a tone and a longer tone are the same
    rhythm."""
    phrase = a.phrases[0]
    part = a.timeline[phrase.first : phrase.stop]
    if by == "rhythm":
        claps = [sound for sound in part if sound.attack]
        return tuple(str((two.onset - one.onset) / one.meter.beat) for one, two in pairwise(claps))
    if by == "contour":
        pitches = [sound.pitch.midi for sound in part if sound.attack and sound.pitch]
        return tuple("=" if one == two else "↗" if two > one else "↘" for one, two in pairwise(pitches))
    return tuple(dict.fromkeys(_words(a)))


def _words(a: Analysis) -> Iterable[str]:
    """Whole words of verse 1, lower case."""
    word = ""
    for sound in a.attacks:
        for syllable in sound.syllables:
            if syllable.verse == 1:
                word += "".join(c for c in syllable.text.lower() if c.isalnum() or c in "'’")
                if not syllable.joins:
                    if word:
                        yield word
                    word = ""


def confused(clues: Mapping[str, Clue]) -> tuple[tuple[str, ...], ...]:
    """Groups of songs that cannot be told apart by their clues; keys in the order given. Songs without a
    clue are left out."""
    same: dict[Clue, list[str]] = {}
    for key, found in clues.items():
        if found:
            same.setdefault(found, []).append(key)
    return tuple(tuple(keys) for keys in same.values() if len(keys) > 1)


def telling_words(words: Mapping[str, Clue]) -> dict[str, Clue]:
    """For each song up to three of its words that the fewest other songs have, in the order they are sung.

    Two songs with the same three words would be confused; `confused` names them.
    """
    spread = Counter(word for found in words.values() for word in set(found))
    chosen: dict[str, Clue] = {}
    for key, found in words.items():
        ranked = sorted(set(found), key=lambda word: (spread[word], -len(word), found.index(word)))
        best = set(ranked[:WORDS_SHOWN])
        chosen[key] = tuple(word for word in found if word in best)
    return chosen


@dataclass(frozen=True, slots=True)
class Masked:
    """A syllable with its tone; `aloud` says whether it is sung or only thought."""

    text: str
    joins: bool
    degree: str | None
    aloud: bool


def masked(a: Analysis, tones: frozenset[str], only: bool) -> tuple[tuple[Masked, ...], ...]:
    """The words of verse 1, phrase by phrase: all but the chosen tones aloud, or only these. Tones count in
    every octave; a melisma belongs to its first tone; in a phrase without words each tone is shown by its
    name."""
    return tuple(
        tuple(_masked(a, a.timeline[phrase.first : phrase.stop], tones, only)) for phrase in a.phrases
    )


def _masked(a: Analysis, part: Sequence[Sound], tones: frozenset[str], only: bool) -> Iterator[Masked]:
    worded = any(s.verse == 1 for sound in part for s in sound.syllables)
    for sound in part:
        said = next((s for s in sound.syllables if s.verse == 1), None)
        if not sound.attack or (worded and said is None):
            continue
        degree = a.degree(sound)
        chosen = degree is not None and degree.syllable in tones
        name = str(degree) if degree else None
        yield Masked(said.text if said else "", bool(said and said.joins), name, chosen == only)


@cache
def sequences(count: int, answers: int = 2) -> tuple[tuple[int, ...], ...]:
    """Every sequence of answers the game can give: at most three equal in a row, and never strictly
    in turn."""
    if not FEWEST_TRIALS <= count <= MOST_TRIALS or not 2 <= answers <= 3 or answers**count > MOST_SEQUENCES:
        most = MOST_TRIALS if answers == 2 else 6
        raise PracticeError("game_questions", fewest=FEWEST_TRIALS, most=most, value=count)

    def fair(found: tuple[int, ...]) -> bool:
        longest = max(len(list(run)) for _, run in groupby(found))
        return longest <= RUN and not _in_turn(found, answers)

    return tuple(found for found in product(range(answers), repeat=count) if fair(found))


def _in_turn(found: tuple[int, ...], answers: int) -> bool:
    """Two answers, or all of them, one after the other in the same order all along."""
    turns = (n for n in range(2, answers + 1) if n < len(found))
    return any(
        len(set(found[:n])) == n and all(one == found[at % n] for at, one in enumerate(found)) for n in turns
    )


def trials(count: int, seed: int, answers: int = 2) -> tuple[int, ...]:
    """One of these sequences, by a seed."""
    every = sequences(count, answers)
    return every[(seed * 2_654_435_761 + 12_345) % len(every)]


@cache
def luck(count: int, right: int, answers: int = 2) -> Fraction:
    """How often somebody who hears nothing but guesses as cleverly as can be has so many right, over the
    sequences the game can give.

    >>> luck(5, 5), luck(3, 3)
    (Fraction(1, 24), Fraction(1, 6))
    """
    return luck_over(sequences(count, answers), answers, right)


def least_right(count: int, answers: int = 2) -> int | None:
    """How many right answers are evidence (luck under 5 %); None where even all of them are not."""
    if luck(count, count, answers) >= MOST_LUCK:
        return None
    right = count
    while right > 1 and luck(count, right - 1, answers) < MOST_LUCK:
        right -= 1
    return right
