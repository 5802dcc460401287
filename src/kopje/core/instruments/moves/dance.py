"""The form of a song as it is performed becomes a map of moves.

What is alike in the tune is alike in the moves; where a part comes again the other hand or the other way is
taken, so that whoever travels is at the end where he began. Source: docs/sources.md#moves.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.bar_order import bars_played, notes_of
from kopje.core.analysis.phrases import Phrase
from kopje.core.analysis.timeline import Sound
from kopje.core.errors import TextureError
from kopje.core.exact import Fraction
from kopje.core.instruments.moves.vocabulary import (
    LADDER,
    MOVES,
    SECOND_WAY,
    WAYS,
    Busy,
    Formation,
    Side,
    Travel,
)

CUE = 4  # words by which a part is known
CALM, BUSY = Fraction(9, 10), Fraction(3, 2)  # sounds a beat, below and from
MOST_PARTS = 64
SIDES: tuple[Side, Side] = ("right", "left")


@dataclass(frozen=True, slots=True)
class Part:
    """A part of the dance, over one phrase as it is sung: its letter, first and last bar as printed, beats
    (from the start in `begins`), the words it begins with, and what is done in it. `own`: a child's idea has
    its place here."""

    label: str
    bars: tuple[int, int]
    begins: Fraction
    beats: Fraction
    cue: str
    move: str
    side: Side | None = None
    travel: Travel | None = None
    own: bool = False


@dataclass(frozen=True, slots=True)
class Dance:
    """The parts in the order in which they are danced."""

    formation: Formation
    parts: tuple[Part, ...]

    @property
    def touches(self) -> bool:
        return any(MOVES[one.move].touch for one in self.parts)

    @property
    def travels(self) -> bool:
        return any(one.travel is not None for one in self.parts)


def dance(a: Analysis, formation: Formation = "ring", own: bool = True, touch: bool = False) -> Dance:
    """A move for each part; with `touch` partners may touch. `own`: one part is left to the children.
    TextureError for a song without phrases, or with too many."""
    found = list(_parts(a))
    if not found or len(found) > MOST_PARTS:
        raise TextureError("moves_no_form", most=MOST_PARTS, value=len(found))
    ladder = [name for name in LADDER[formation] if touch or not MOVES[name].touch]
    moves = _moves_of(found, [_busy(a, one) for one in found], ladder)
    idea = _own_place(found) if own else None
    laid = _travelled(found, moves, formation, idea)
    parts = tuple(
        replace(one, move="own", own=True, side=None) if n == idea else one for n, one in enumerate(laid)
    )
    return Dance(formation, parts)


def _parts(a: Analysis) -> Iterator[Part]:
    """Each phrase as often as it is sung, as long as it is sung that time."""
    at = Fraction(0)
    for phrase, sung, last in _sung(a):
        beats = sum((one.beats for one in sung), Fraction(0))
        cue = _cue(a, phrase, sung[0].note)
        yield Part(phrase.label, (sung[0].bar, last), at, beats, cue, "still")
        at += beats


def _sung(a: Analysis) -> list[tuple[Phrase, list[Sound], int]]:
    """Phrases with their sounds and their last bar, in the order of performance; one that is begun again
    counts again."""
    of_note = {s.note: (p, s) for p in a.phrases for s in a.timeline[p.first : p.stop]}
    found: list[tuple[Phrase, list[Sound], int]] = []
    before, number = -1, 0
    for bar in bars_played(a.tune):
        for place, note in enumerate(notes_of(a.tune, bar)):
            if note not in of_note:  # tied to the one before
                if place == 0 and found:
                    number += 1
                    found[-1] = (*found[-1][:2], number)
                continue
            phrase, sound = of_note[note]
            number = sound.bar
            if not found or found[-1][0] != phrase or (place == 0 and bar <= before):
                found.append((phrase, [], number))
            found[-1][1].append(sound)
            found[-1] = (*found[-1][:2], number)
        before = bar
    return found


def _cue(a: Analysis, phrase: Phrase, first: int) -> str:
    """The words of its first verse from a note on."""
    words: list[str] = []
    joins = False
    for sound in a.attacks_in(phrase):
        for one in (one for one in sound.syllables if one.verse == 1 and sound.note >= first):
            if joins:
                words[-1] += one.text
            elif len(words) == CUE:
                return " ".join(words)
            else:
                words.append(one.text)
            joins = one.joins
    return " ".join(words).rstrip(",;.")


def _busy(a: Analysis, part: Part) -> Busy:
    """By the sounds a beat of the phrase that is danced."""
    phrase = next(one for one in a.phrases if one.label == part.label)
    sounds = a.timeline[phrase.first : phrase.stop]
    beats = sum((one.beats for one in sounds), Fraction(0))
    density = Fraction(len(a.attacks_in(phrase))) / beats if beats else Fraction(0)
    return "calm" if density < CALM else "busy" if density >= BUSY else "even"


def letter(label: str) -> str:
    """Of a phrase without its primes: parts that are related.

    >>> letter("a'"), letter("b")
    ('a', 'b')
    """
    return label.rstrip("'")


def _moves_of(parts: Sequence[Part], busy: Sequence[Busy], ladder: Sequence[str]) -> dict[str, str]:
    """A move for each letter: one that suits it and that no other letter has, in the order of the ladder."""
    found: dict[str, str] = {}
    for one, how in zip(parts, busy, strict=True):
        key = letter(one.label)
        if key in found:
            continue
        free = [name for name in ladder if name not in found.values()] or list(ladder)
        suits = [name for name in free if how in MOVES[name].suits]
        still = [name for name in suits if not MOVES[name].travels]
        travelling = sum(MOVES[name].travels for name in found.values())
        found[key] = (still if travelling >= 2 and still else suits or free)[0]
    return found


def _travelled(
    parts: Sequence[Part], moves: dict[str, str], formation: Formation, idea: int | None
) -> list[Part]:
    """Who travels comes back: first by the same move, else by another one that takes as long; a way that
    nothing leads back from is danced on the spot."""
    order = [name for name in dict.fromkeys(moves.values()) if MOVES[name].travels]
    done: list[Part] = []
    turns: dict[str, int] = {}
    for one in parts:
        move = moves[letter(one.label)]
        turn = turns[move] = turns.get(move, -1) + 1
        side: Side | None = SIDES[turn % 2] if MOVES[move].hand else None
        done.append(replace(one, move=move, side=side))
    left: list[int] = []
    for n, name in enumerate(order):
        pairs, alone = _pairs([k for k, one in enumerate(done) if one.move == name and k != idea], done)
        _go(done, pairs, (WAYS if n == 0 else SECOND_WAY)[formation])
        left += alone
    pairs, _ = _pairs(sorted(left), done)
    _go(done, pairs, SECOND_WAY[formation])
    return done


def _pairs(places: Sequence[int], parts: Sequence[Part]) -> tuple[list[tuple[int, int]], list[int]]:
    """Two and two that take as many beats, in order; and those that are left."""
    waiting: dict[Fraction, int] = {}
    found: list[tuple[int, int]] = []
    for n in places:
        other = waiting.pop(parts[n].beats, None)
        if other is None:
            waiting[parts[n].beats] = n
        else:
            found.append((other, n))
    return found, sorted(waiting.values())


def _go(parts: list[Part], pairs: Sequence[tuple[int, int]], ways: tuple[Travel, Travel]) -> None:
    for there, back in pairs:
        parts[there] = replace(parts[there], travel=ways[0])
        parts[back] = replace(parts[back], travel=ways[1])


def _own_place(parts: Sequence[Part]) -> int | None:
    """The last part that comes only once, else the last one; never the first."""
    letters = [letter(one.label) for one in parts]
    once = [n for n, one in enumerate(letters) if n and letters.count(one) == 1]
    return once[-1] if once else len(parts) - 1 or None
