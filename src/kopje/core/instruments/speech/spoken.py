"""A sentence as syllables, each stressed or not, as it is spoken.

Source: docs/sources.md#words-on-the-beat."""

from __future__ import annotations

import re
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass

from kopje.core.analysis.stress import (
    LIGHT,
    PARTICLE,
    article,
    opens_question,
    patterns_of,
    plain,
    stress,
)
from kopje.core.errors import TextureError
from kopje.core.exact import Fraction

MOST_SYLLABLES = 64
_GROUP = re.compile(r"[aeiouy]+")
_SILENT = re.compile(r"(?<=[^aeiouy])(e|es|ed)$")
_SOUNDED = re.compile(r"([td]ed|(?:[sxz]|ch|sh|ce|ge|se|ze)es|[^aeiouylr]le|[^aeiouy]les)$")
_ONE = re.compile(r"(ire|ires|ired|our|ours|oured)$")  # fire, our: spoken as one
_PAUSE = tuple(".,;:!?…–—")
Split = Callable[[str, int], Sequence[str]]


@dataclass(frozen=True, slots=True)
class Said:
    """A syllable as it is spoken: its weight (see words on the beat), whether it is stressed, whether its
    word is over, whether one may breathe after it, and whether its stress was guessed."""

    text: str
    word: str
    weight: Fraction
    stressed: bool
    last: bool
    pause: bool
    guessed: bool = False


def spoken(words: str, dictionary: Mapping[str, str], split: Split) -> tuple[Said, ...]:
    """The syllables of a sentence. `split` cuts a word into so many, into what it likes for 0. TextureError
    where nothing can be spoken, a figure is written, or there are too many.

    >>> [one.stressed for one in spoken("A lit-bird", {}, lambda word, n: word.split("-"))]
    [False, True, True]
    """
    found: list[Said] = []
    opens = True
    for token in words.replace("-", "- ").split():
        word = plain(token).strip("-")
        if not word:
            continue
        if not any(letter.isalpha() for letter in word) or any(letter.isdigit() for letter in word):
            raise TextureError("speech_word", word=token, value=token)
        pause = token.rstrip("”“\"'’)")[-1:] in _PAUSE
        count = syllables_in(word, dictionary, split)
        heard = stress(word, count, dictionary)
        parts = split(word, count) if count > 1 else (word,)
        shown = _as_written(token, parts)
        for n, (text, weight) in enumerate(zip(shown, heard.weights, strict=True)):
            stressed = weight >= PARTICLE or (count == 1 and _heavier(word, opens))
            found.append(
                Said(text, word, weight, stressed, n == count - 1, pause and n == count - 1, heard.guessed)
            )
        opens = pause
    if not found:
        raise TextureError("speech_empty", value=words)
    if len(found) > MOST_SYLLABLES:
        raise TextureError("speech_long", most=MOST_SYLLABLES, count=len(found), value=len(found))
    return tuple(found)


def _heavier(word: str, opens: bool) -> bool:
    """Light as it is, it takes a beat: no, what is denied, the opening of a question."""
    return word == "no" or word.endswith("n't") or (opens and opens_question(word))


def syllables_in(word: str, dictionary: Mapping[str, str], split: Split) -> int:
    """How many syllables a word is spoken in: by the dictionary, else by its vowels; where the dictionary
    has several, as it is hyphened.

    >>> [syllables_in(word, {}, lambda word, n: [word]) for word in ("fire", "splashed", "wanted")]
    [1, 1, 2]
    """
    if _ONE.search(word) and len(_GROUP.findall(word)) <= 2:
        return 1
    known = patterns_of(word, dictionary)
    if known:
        hyphened = len(split(word, 0))
        return hyphened if hyphened in map(len, known) else len(known[0])
    return _vowels(word)


def _vowels(word: str) -> int:
    groups = len(_GROUP.findall(word))
    stem = word.removesuffix("'s")
    silent = groups > 1 and _SILENT.search(stem) and not _SOUNDED.search(stem)
    return max(groups - bool(silent), 1)


def _as_written(token: str, parts: Sequence[str]) -> list[str]:
    """The parts with the capital letters of the word."""
    bare, at, found = token.strip(" .,;:!?…–—\"“”„()*'’-"), 0, []
    for part in parts:
        found.append(bare[at : at + len(part)])
        at += len(part)
    return found


def small(one: Said) -> bool:
    """A function syllable: it would rather not take a beat."""
    return not one.stressed and (one.weight <= LIGHT or article(one.word))
