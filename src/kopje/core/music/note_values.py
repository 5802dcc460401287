"""How a length is written: note values, dots and tuplets. Source: docs/sources.md#note-values."""

from __future__ import annotations

from collections.abc import Iterator

from kopje.core.exact import Fraction

VALUES = tuple(Fraction(32) / 2**n for n in range(10))  # maxima to sixty-fourth, in quarters
_DOTTED = ((Fraction(7, 4), 2), (Fraction(3, 2), 1), (Fraction(1), 0))


def tuplet(duration: Fraction) -> tuple[int, int] | None:
    """(3, 2) for triplets and so on, from what is odd in the denominator; None for plain lengths.

    >>> tuplet(Fraction(1, 3)), tuplet(Fraction(2, 5)), tuplet(Fraction(3, 4))
    ((3, 2), (5, 4), None)
    """
    odd = int(duration.denominator)
    while odd % 2 == 0:
        odd //= 2
    if odd == 1:
        return None
    base = 1
    while base * 2 < odd:
        base *= 2
    return odd, base


def plain(duration: Fraction) -> Fraction:
    """The length as written inside its tuplet."""
    ratio = tuplet(duration)
    return duration * Fraction(*ratio) if ratio else duration


def symbols(length: Fraction) -> Iterator[tuple[Fraction, Fraction, int]]:
    """A plain length as tied symbols, longest first, at most two dots each: (length, note value, dots).

    >>> [(str(size), str(value), dots) for size, value, dots in symbols(Fraction(5, 2))]
    [('2', '2', 0), ('1/2', '1/2', 0)]
    """
    rest, most = length, 12
    while rest > 0 and most:
        most -= 1
        for value in VALUES:
            fits = [(value * factor, dots) for factor, dots in _DOTTED if value * factor <= rest]
            exact = next(((size, dots) for size, dots in fits if size == rest), None)
            if exact or fits:
                size, dots = exact or fits[-1]
                yield size, value, dots
                rest -= size
                break
        else:
            return
