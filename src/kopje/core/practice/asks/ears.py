"""Questions for the ear about two tones or a few: up or down, step or skip, same or not.

Source: docs/sources.md#rounds.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import combinations, permutations

from kopje.core.analysis.key_choice import Voice
from kopje.core.analysis.motion import move
from kopje.core.analysis.tonic import MAJOR, MINOR
from kopje.core.errors import PracticeError
from kopje.core.exact import Fraction
from kopje.core.music.degree import Degree, Do
from kopje.core.practice.asks.question import Choice, Question, Row, fair_row, row_of
from kopje.core.practice.reading.chance import Chance
from kopje.core.reasons import Tone, because

DIRECTIONS = ("up", "down", "same")
MOVES = ("repeat", "step", "skip", "leap")
ROW = 4  # tones of a short row
OF_A_SET = 3


@dataclass(frozen=True, slots=True)
class Ear:
    """What is played with: the tones that a class can name, from low to high, where do lies, its home, its
    figures, meters and voice."""

    tones: tuple[Degree, ...]
    do: Do
    home: str
    figures: tuple[str, ...]
    meters: tuple[str, ...]
    voice: Voice

    def row(self, degrees: Sequence[Degree], beats: Fraction = Fraction(1)) -> Row:
        return row_of(degrees, [self.do.sounding(degree).midi for degree in degrees], beats)

    def orient(self, home: str = "") -> Row:
        """The tonic pattern."""
        names = MINOR if (home or self.home) == "la" else MAJOR
        return self.row([Degree.parse(name) for name in names], Fraction(1, 2))

    def pairs(self) -> dict[str, list[tuple[Degree, Degree]]]:
        """Two tones one after the other, by how one moves to the other."""
        found: dict[str, list[tuple[Degree, Degree]]] = {}
        for tone in self.tones:
            found.setdefault("repeat", []).append((tone, tone))
        for one, two in permutations(self.tones, 2):
            kind = move(self.do.sounding(one), self.do.sounding(two))
            found.setdefault(kind, []).append((one, two))
        return found


def directions(ear: Ear, count: int, chance: Chance) -> Iterator[Question]:
    """Up, down or the same?"""
    enough(ear, 2)
    by = {
        "same": [(tone, tone) for tone in ear.tones],
        "up": list(combinations(ear.tones, 2)),
        "down": [(two, one) for one, two in combinations(ear.tones, 2)],
    }
    for answer in fair_row(count, len(DIRECTIONS), chance):
        one, two = chance.pick(by[DIRECTIONS[answer]])
        yield Question(
            because("ask_direction"),
            tuple(Choice(because(f"says_{kind}")) for kind in DIRECTIONS),
            answer,
            because("ask_direction_why", one=Tone(str(one)), two=Tone(str(two))),
            heard=(ear.row((one, two)),),
        )


def moves(ear: Ear, count: int, chance: Chance) -> Iterator[Question]:
    """A step, a skip, a leap, or the same again, as far as these tones have them."""
    found = ear.pairs()
    kinds = [kind for kind in MOVES if found.get(kind)]
    if len(kinds) < 2:
        raise PracticeError("round_few_tones", value=kinds)
    for answer in fair_row(count, len(kinds), chance):
        one, two = chance.pick(found[kinds[answer]])
        yield Question(
            because("ask_move"),
            tuple(Choice(because(f"says_{kind}")) for kind in kinds),
            answer,
            because(f"ask_move_why_{kinds[answer]}", one=Tone(str(one)), two=Tone(str(two))),
            orient=ear.orient(),
            heard=(ear.row((one, two)),),
        )


def same_or_not(ear: Ear, count: int, chance: Chance) -> Iterator[Question]:
    """A short row twice, the second time perhaps with one other tone."""
    enough(ear, 2)
    for answer in fair_row(count, 2, chance):
        row = _short(ear, chance)
        again, at = row, None
        if answer:
            at = chance.below(len(row))
            again = [*row[:at], other_tone(ear, row[at], chance), *row[at + 1 :]]
        why = (
            because("ask_same_why")
            if at is None
            else because("ask_other_why", n=at + 1, one=Tone(str(row[at])), two=Tone(str(again[at])))
        )
        yield Question(
            because("ask_same"),
            (Choice(because("says_same_row")), Choice(because("says_other_row"))),
            answer,
            why,
            orient=ear.orient(),
            heard=(ear.row(row), ear.row(again)),
        )


def _short(ear: Ear, chance: Chance) -> list[Degree]:
    """A row that moves: neighbours of the class's own tones are likelier than far ones."""
    row = [chance.pick(ear.tones)]
    while len(row) < ROW:
        here = ear.tones.index(row[-1])
        weights = [(1, 4, 3, 1)[min(abs(n - here), 3)] for n in range(len(ear.tones))]
        row.append(chance.pick(ear.tones, weights))
    return row


def other_tone(ear: Ear, tone: Degree, chance: Chance) -> Degree:
    """A tone near it: that is what must be told apart."""
    here = ear.tones.index(tone)
    return chance.pick([t for n, t in enumerate(ear.tones) if n != here and abs(n - here) <= 2])


def enough(ear: Ear, fewest: int) -> None:
    if len(ear.tones) < fewest:
        raise PracticeError("round_few_tones", value=len(ear.tones))
