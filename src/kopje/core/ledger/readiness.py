"""Is the class ready to move on, or have too few been heard? Source: docs/sources.md#readiness."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from math import ceil
from typing import Literal

from kopje.core.exact import Fraction
from kopje.core.ledger.standing import Standing
from kopje.core.reasons import counted

Answer = Literal["ready", "teach_again", "split", "hear_more", "nobody_heard"]
THRESHOLD = Fraction(4, 5)
Z_SQUARED = Fraction(16424, 10000)  # of the one-sided 90 % bound


@dataclass(frozen=True, slots=True)
class Readiness:
    """The answer with its numbers: `roll` children, `heard`, of them `secure`; `more` to be heard."""

    answer: Answer
    roll: int
    heard: int
    secure: int
    more: int
    sentence: str


def readiness(standings: Iterable[Standing]) -> Readiness:
    """Read from the standings of everybody on the roll."""
    every = list(standings)
    heard = [one for one in every if one.level != "not_heard"]
    return judge(len(every), len(heard), sum(one.counts_as_secure for one in heard))


def judge(roll: int, heard: int, secure: int, threshold: Fraction = THRESHOLD) -> Readiness:
    """
    >>> judge(24, 8, 7).answer, judge(24, 8, 6).more, judge(28, 28, 22).answer
    ('ready', 2, 'split')
    """
    answer = _answer(roll, heard, secure, threshold)
    more = 0
    if answer in ("hear_more", "nobody_heard"):
        more = next(
            (
                k
                for k in range(1, roll - heard + 1)
                if _answer(roll, heard + k, secure + k, threshold) != "hear_more"
                or _answer(roll, heard + k, secure, threshold) != "hear_more"
            ),
            roll - heard,
        )
    return Readiness(answer, roll, heard, secure, more, _sentence(answer, roll, heard, secure, more))


def _answer(roll: int, heard: int, secure: int, threshold: Fraction) -> Answer:
    if heard == 0:
        return "nobody_heard"
    least = min(roll, max(6, ceil(Fraction(roll, 3))))
    share = Fraction(secure, heard)
    if heard < least:
        return "hear_more"
    if share >= threshold and _above(roll, heard, share, threshold - Fraction(1, 5)):
        return "ready"
    surely_below = heard == roll or _distance(roll, heard, threshold - share) > _needed(threshold)
    if share < threshold and surely_below:
        return "split" if 2 * secure >= roll and heard - secure >= 3 else "teach_again"
    return "hear_more"


def _above(roll: int, heard: int, share: Fraction, floor: Fraction) -> bool:
    return share >= floor and (heard == roll or _distance(roll, heard, share - floor) >= _needed(floor))


def _distance(roll: int, heard: int, gap: Fraction) -> Fraction:
    """Squared gap with the correction for a small class."""
    return gap * gap * heard * (roll - 1) / (roll - heard)


def _needed(floor: Fraction) -> Fraction:
    return Z_SQUARED * floor * (1 - floor)


def _sentence(answer: Answer, roll: int, heard: int, secure: int, more: int) -> str:
    if answer == "nobody_heard":
        return "Nobody heard yet." if roll else "Nobody is on the roll yet."
    base = f"{secure} of {heard} heard are secure ({roll} on the roll)"
    return {
        "ready": f"Ready: {base}.",
        "teach_again": f"Teach again: {base}.",
        "split": f"{secure} ready, {heard - secure} not: teach the smaller group again.",
        "hear_more": f"Hear {counted(more, 'more child', 'more children')}: {base}.",
    }[answer]
