"""Is the class ready to move on, or have too few been heard? Source: docs/sources.md#readiness."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import lru_cache
from math import ceil
from typing import Literal

from kopje.core.exact import Fraction
from kopje.core.ledger.standing import counts_as_secure
from kopje.core.reasons import Reason, because

Answer = Literal["ready", "teach_again", "split", "hear_more", "nobody_heard"]
THRESHOLD = Fraction(4, 5)
Z_SQUARED = Fraction(16424, 10000)  # of the one-sided 90 % bound


@dataclass(frozen=True, slots=True)
class Counts:
    """Of the children on the roll: how many were heard, are good enough, and of these only showed it once."""

    heard: int = 0
    secure: int = 0
    once: int = 0


def counts(stones: Mapping[tuple[str, bool], int]) -> Counts:
    """From the number of children by (level, due); who was not heard may be left out."""
    heard = secure = once = 0
    for (level, due), children in stones.items():
        if level != "not_heard":
            heard += children
            if counts_as_secure(level, due):
                secure += children
                once += children * (level == "once")
    return Counts(heard, secure, once)


@dataclass(frozen=True, slots=True)
class Readiness:
    """The answer with its numbers: `roll` children, `heard`, of them `secure`, of these `once`; `more` to be
    heard."""

    answer: Answer
    roll: int
    heard: int
    secure: int
    more: int
    reason: Reason


@lru_cache(maxsize=4096)
def judge(roll: int, counted: Counts, threshold: Fraction = THRESHOLD) -> Readiness:
    """
    >>> judge(24, Counts(8, 7)).answer, judge(24, Counts(8, 6)).more, judge(28, Counts(28, 22)).answer
    ('ready', 2, 'split')
    """
    heard, secure = counted.heard, counted.secure
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
    reason = because(
        f"readiness_{answer}",
        roll=roll,
        heard=heard,
        showed=secure,
        secure=secure - counted.once,
        once=counted.once,
        rest=heard - secure,
        more=more,
    )
    return Readiness(answer, roll, heard, secure, more, reason)


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
        return "split" if 2 * secure >= roll else "teach_again"
    return "hear_more"


def _above(roll: int, heard: int, share: Fraction, floor: Fraction) -> bool:
    return share >= floor and (heard == roll or _distance(roll, heard, share - floor) >= _needed(floor))


def _distance(roll: int, heard: int, gap: Fraction) -> Fraction:
    """Squared gap with the correction for a small class."""
    return gap * gap * heard * (roll - 1) / (roll - heard)


def _needed(floor: Fraction) -> Fraction:
    return Z_SQUARED * floor * (1 - floor)
