"""Words under ABC music: syllables in order, set under the notes they belong to."""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from dataclasses import replace

from kopje.core.music.tune import Bar, Syllable
from kopje.formats.limits import MAX_SYLLABLES, check_count, clipped

Sign = Syllable | str  # a syllable, "_" held, "*" left out, "|" on to the next bar

_PART = re.compile(r"\\-|[^\s|*_\-\\]+|\\.|[-_*|]|\s+")


def syllables(text: str, verse: int) -> list[Sign]:
    """
    >>> [s.text if not isinstance(s, str) else s for s in syllables("liz-ard on_ the*stone |", 1)]
    ['liz', 'ard', 'on', '_', 'the', '*', 'stone', '|']
    """
    found: list[Sign] = []
    word = ""

    def close(joins: bool) -> None:
        nonlocal word
        if word:
            found.append(Syllable(clipped(word.replace("~", " ")), verse, joins))
        word = ""

    for part in _PART.findall(text):
        if part == "\\-":
            word += "-"
        elif part == "-":
            if not word and found and found[-1] != "|":
                found.append("_")
            close(True)
        elif part in "_*|":
            close(False)
            found.append(part)
        elif part.isspace():
            close(False)
        else:
            word += part.lstrip("\\")
    close(False)
    return found


def set_words(bars: tuple[Bar, ...], lines: Sequence[tuple[int, Sequence[Sign]]]) -> tuple[Bar, ...]:
    """Set lines of syllables, each under the notes from its first sung note on; rests are passed over."""
    places = [(b, n) for b, bar in enumerate(bars) for n, note in enumerate(bar.notes) if note.kind != "rest"]
    check_count(sum(len(signs) for _, signs in lines), MAX_SYLLABLES, "syllables")
    changed: dict[int, dict[int, tuple[Syllable, ...]]] = {}
    for first, signs in lines:
        for (bar, note), syllable in _placed(places, first, signs):
            under = changed.setdefault(bar, {})
            under[note] = (*under.get(note, ()), syllable)
    return tuple(
        replace(
            bar,
            notes=tuple(
                replace(note, syllables=(*note.syllables, *changed[b][n])) if n in changed[b] else note
                for n, note in enumerate(bar.notes)
            ),
        )
        if b in changed
        else bar
        for b, bar in enumerate(bars)
    )


def _placed(
    places: Sequence[tuple[int, int]], first: int, signs: Sequence[Sign]
) -> Iterator[tuple[tuple[int, int], Syllable]]:
    at = first
    for sign in signs:
        if sign == "|":
            while first < at < len(places) and places[at][0] == places[at - 1][0]:
                at += 1
            continue
        if at >= len(places):
            return
        if isinstance(sign, Syllable):
            yield places[at], sign
        at += 1
