"""How likely a guesser is to do as well in a game of choosing. Source: docs/sources.md#guessing."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from functools import lru_cache
from typing import Any

from kopje.core.exact import Fraction
from kopje.core.ledger.marks import Result

MOST_LUCK = Fraction(1, 20)


def luck(choices: int, asked: int, right: int, in_a_row: int = 3) -> Fraction:
    """The chance that somebody who knows nothing, but knows how the game makes its rows and hears after each
    answer whether it was right, has at least so many right. Every row that the game can make is as likely: no
    answer more than `in_a_row` times running, and of two answers never one and the other in turn throughout.

    >>> [float(round(luck(2, *game), 3)) for game in ((5, 5), (9, 8), (10, 9), (3, 3))]
    [0.042, 0.034, 0.02, 0.167]
    """
    every = _won(choices, asked, 0, in_a_row, 0, True, asked)
    if every == 0:
        return Fraction(1)  # no such game can be played, so it shows nothing
    return Fraction(_won(choices, asked, 0, in_a_row, 0, True, asked - right), every)


@lru_cache(maxsize=65536)
def _won(choices: int, asked: int, made: int, most: int, run: int, turns: bool, wrong: int) -> int:
    """Of the rows that go on from here, in how many the best guesser makes at most `wrong` mistakes more.
    `run`: how often the last answer came running; `turns`: whether every answer so far was another than the
    one before."""
    if wrong < 0:
        return 0
    if made == asked:
        return int(not (turns and choices == 2 and asked > 2))
    again = run > 0 and run < most

    def after(same: bool, mistake: bool) -> int:
        goes_on = turns and (not same or made == 0)
        return _won(choices, asked, made + 1, most, run + 1 if same else 1, goes_on, wrong - mistake)

    others = choices - 1 if run else choices
    guess_other = (
        after(False, False) + (others - 1) * after(False, True) + (after(True, True) if again else 0)
    )
    guess_same = after(True, False) + others * after(False, True) if again else 0
    return max(guess_other, guess_same)


def luck_over(rows: Sequence[tuple[int, ...]], choices: int, right: int) -> Fraction:
    """The same where the rows that a game makes are told one by one, all of one length and as likely."""
    return Fraction(_guessed(rows, choices, 0, len(rows[0]) - right), len(rows))


def _guessed(rows: Sequence[tuple[int, ...]], choices: int, at: int, wrong: int) -> int:
    if wrong < 0 or not rows:
        return 0
    if at == len(rows[0]) or len(rows[0]) - at <= wrong:
        return len(rows)
    after = [[row for row in rows if row[at] == answer] for answer in range(choices)]
    missed = [_guessed(some, choices, at + 1, wrong - 1) for some in after]
    hit = [_guessed(some, choices, at + 1, wrong) for some in after]
    return max(sum(missed) - missed[guess] + hit[guess] for guess in range(choices))


def result_of(choices: int, asked: int, right: int, in_a_row: int = 3) -> Result:
    """A game is one mark: secure where luck hardly explains it, nearly where more than half was right, for
    which a guesser needs luck as well.

    >>> result_of(2, 5, 5), result_of(2, 8, 7), result_of(2, 5, 2)
    ('secure', 'nearly', 'not_yet')
    """
    if luck(choices, asked, right, in_a_row) < MOST_LUCK:
        return "secure"
    return "nearly" if 2 * right > asked else "not_yet"


def as_heard(body: Mapping[str, Any]) -> dict[str, Any]:
    """What a mark says, put as evidence: what a game shows is reckoned from its answers, and where all
    answered at once and could copy, they had a model."""
    found = dict(body)
    if game := found.get("answers"):
        found["result"] = result_of(game["choices"], game["asked"], game["right"], game["in_a_row"])
    if found.get("together") and found.get("could_copy") and found["help"] == "none":
        found["help"] = "model"
    return found
