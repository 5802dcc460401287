"""Places on a staff: their names, where a tone lies once do has its place, letters, how two tones lie.

A place counts lines and spaces from the bottom: 1 is line 1, 2 space 1, 3 line 2; 0 is below line 1, -1 the
first ledger line under it. Source: docs/sources.md#staff.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from typing import Literal, TypeVar

from kopje.core.errors import PracticeError
from kopje.core.music.clef import Clef
from kopje.core.music.degree import Degree
from kopje.core.music.pitch import LETTERS, Pitch
from kopje.core.practice.asks.question import Choice, Head, Question, Staff, fair_row, placed
from kopje.core.practice.reading.chance import Chance
from kopje.core.reasons import Reason, Tone, because

T = TypeVar("T")
Lines = Literal[1, 2, 3, 5]
LINE_ONE: dict[Clef, int] = {"G": Pitch.parse("E4").step, "F": Pitch.parse("G2").step}
MOST_CHOICES = 4
ALIKE = ("lines", "spaces", "each")


def top(lines: int) -> int:
    """The place above the highest line."""
    return 2 * lines


def is_line(place: int) -> bool:
    return place % 2 == 1


def place_name(place: int, lines: int) -> Reason:
    """`line 2`, `space 1`, `above line 5`, `below line 1`, `the first ledger line below`."""
    if place < 0:
        return because("place_ledger_below", n=(1 - place) // 2)
    if place > top(lines):
        return because("place_ledger_above", n=(place - top(lines) + 1) // 2)
    if place == 0:
        return because("place_below", n=1)
    if place == top(lines):
        return because("place_above", n=lines)
    return because("place_line" if is_line(place) else "place_space", n=(place + 1) // 2)


def letter_at(place: int, clef: Clef) -> str:
    """The letter of a place.

    >>> letter_at(1, "G"), letter_at(-1, "G"), letter_at(9, "F")
    ('E', 'C', 'A')
    """
    return pitch_at(place, clef).letter


def pitch_at(place: int, clef: Clef) -> Pitch:
    """The natural tone that is written at a place."""
    octave, index = divmod(LINE_ONE[clef] + place - 1, 7)
    return Pitch(LETTERS[index], 0, octave)


def how_they_lie(one: int, two: int) -> str:
    """`lines` or `spaces` for both, `each` for one on a line and one in a space.

    >>> how_they_lie(1, 3), how_they_lie(2, 4), how_they_lie(1, 2)
    ('lines', 'spaces', 'each')
    """
    if is_line(one) != is_line(two):
        return "each"
    return "lines" if is_line(one) else "spaces"


def name_places(lines: Lines, count: int, chance: Chance) -> Iterator[Question]:
    """Name the line or the space where a note lies."""
    pool = range(top(lines) + 1)
    for at, place in zip(*_answers(pool, count, chance, _size(pool)), strict=True):
        yield Question(
            because("ask_place"),
            placed(_at(place, lines), _others(place, pool, lines, chance), at),
            at,
            because("ask_place_why", place=place_name(place, lines)),
            Staff(lines, (Head(place),)),
        )


def find_tones(tones: Sequence[Degree], lines: Lines, count: int, chance: Chance) -> Iterator[Question]:
    """Do has a place: where is another tone?"""
    pool = range(top(lines) + 1)
    pairs = [
        (do, tone) for do in pool for tone in tones if tone.step and not tone.alter and do + tone.step in pool
    ]
    if len(pairs) < 2:
        raise PracticeError("round_few_tones", value=len(pairs))
    for at, (do, tone) in zip(*_answers(pairs, count, chance, _size(pool)), strict=True):
        place = do + tone.step
        away = [p for p in pool if p != place and (p != do or len(pool) <= MOST_CHOICES)]
        yield Question(
            because("ask_find", tone=Tone(str(tone)), do=place_name(do, lines)),
            placed(_at(place, lines), _others(place, away, lines, chance), at),
            at,
            because(
                "ask_find_why", tone=Tone(str(tone)), n=abs(tone.step), place=place_name(place, lines),
                side=because("side_up" if tone.step > 0 else "side_down"),
            ),
            Staff(lines, (), do, reveal=(Head(place, str(tone)),)),
        )  # fmt: skip


def name_letters(clef: Clef, count: int, chance: Chance) -> Iterator[Question]:
    """Letter names with a clef."""
    pool = range(-1 if clef == "G" else 0, 11 if clef == "G" else 12)
    for at, place in zip(*_answers(pool, count, chance, MOST_CHOICES), strict=True):
        right = letter_at(place, clef)
        others = _some([letter for letter in LETTERS if letter != right], chance, MOST_CHOICES - 1)
        yield Question(
            because("ask_letter"),
            placed(_letter(right), [_letter(one) for one in others], at),
            at,
            because("ask_letter_why", place=place_name(place, 5), letter=right),
            Staff(5, (Head(place),), None, clef),
        )


def tell_lie(tones: Sequence[Degree], lines: Lines, count: int, chance: Chance) -> Iterator[Question]:
    """How two tones lie: both on lines, both in spaces, or one on each; so it is wherever do is."""
    pool = range(top(lines) + 1)
    found: dict[str, list[tuple[int, Degree, Degree]]] = {kind: [] for kind in ALIKE}
    for do in pool:
        for one in tones:
            for two in tones:
                low, high = do + one.step, do + two.step
                if one != two and not (one.alter or two.alter) and low in pool and high in pool:
                    found[how_they_lie(low, high)].append((do, one, two))
    kinds = [kind for kind in ALIKE if found[kind]]
    if len(kinds) < 2:
        raise PracticeError("round_few_tones", value=kinds)
    for answer in fair_row(count, len(kinds), chance):
        do, one, two = chance.pick(found[kinds[answer]])
        apart = abs(two.step - one.step)
        yield Question(
            because("ask_lie", one=Tone(str(one)), two=Tone(str(two))),
            tuple(Choice(because(f"lie_{kind}")) for kind in kinds),
            answer,
            because("ask_lie_why_each" if apart % 2 else "ask_lie_why_alike", n=apart),
            Staff(lines, (Head(do + one.step, str(one)), Head(do + two.step, str(two))), do),
        )


def _answers(pool: Sequence[T], count: int, chance: Chance, choices: int) -> tuple[tuple[int, ...], list[T]]:
    """Where the right choice stands, and what is asked: nothing twice before all has been asked."""
    asked: list[T] = []
    while len(asked) < count:
        asked += _some(pool, chance, len(pool))
    return fair_row(count, choices, chance), asked[:count]


def _size(pool: Sequence[object]) -> int:
    return min(MOST_CHOICES, len(pool))


def _some(items: Sequence[T], chance: Chance, count: int) -> list[T]:
    """So many of them, each once, in an order of chance."""
    rest = list(items)
    return [rest.pop(chance.below(len(rest))) for _ in range(min(count, len(rest)))]


def _others(place: int, pool: Sequence[int], lines: int, chance: Chance) -> list[Choice]:
    """The wrong places that are likeliest taken for it: its neighbours first."""
    others = [p for p in _some(pool, chance, len(pool)) if p != place]
    near = sorted(others, key=lambda p: abs(p - place))
    return [_at(p, lines) for p in near[: min(MOST_CHOICES, top(lines) + 1) - 1]]


def _at(place: int, lines: int) -> Choice:
    return Choice(place_name(place, lines))


def _letter(letter: str) -> Choice:
    return Choice(because("says_letter", letter=letter))
