"""The grades of a section: one, or two neighbours in a split class; choirs lie beside them.

What a class sings, how long it sits and how it is spoken to follows its youngest; what is to be learned
reaches up to its oldest. Source: docs/sources.md#grades.
"""

from __future__ import annotations

from kopje.core.reasons import Reason, because

BELOW_KINDERGARTEN, KINDERGARTEN, OLDEST = -1, 0, 12
CHOIR = 13  # the grade of choirs: beyond the grades of classes, which lie side by side with it
PARTS_FROM = 3  # the first grade that sings in two parts (rounds and what moves under a held tone)
CHOIR_AWAY = 4  # as many grades is what is made for classes from choirs, and the other way round


def may_span(grade: int, upper: int) -> bool:
    """Whether a section may hold these grades: the same, or two neighbours of classes.

    >>> may_span(2, 2), may_span(2, 3), may_span(2, 4), may_span(12, 13)
    (True, True, False, False)
    """
    return upper == grade or (upper == grade + 1 and upper <= OLDEST)


def outside(grade: int, upper: int, made_for: tuple[int, int]) -> int:
    """By how many grades the farthest of a section's children lie outside those that something is made for.

    >>> outside(1, 1, (3, 8)), outside(2, 3, (3, 8)), outside(4, 4, (3, 8)), outside(CHOIR, CHOIR, (1, 8))
    (2, 1, 0, 4)
    """
    first, last = made_for
    if (grade == CHOIR) != (last == CHOIR):
        return CHOIR_AWAY
    return max(first - grade, upper - last, 0)


def reads_one_line(grade: int) -> bool:
    """Whether a class is shown one part of a score at first, because it does not sing in parts yet.

    >>> reads_one_line(2), reads_one_line(3), reads_one_line(CHOIR)
    (True, False, False)
    """
    return grade < PARTS_FROM


def grade_name(grade: int, upper: int | None = None) -> Reason:
    """The term for kindergarten, a grade, two grades, or a choir."""
    if upper is not None and upper != grade:
        return because("grades_name", low=grade_name(grade), high=grade_name(upper))
    return because("grade_name", grade=grade)
