"""How heavy a syllable is when it is spoken. Source: docs/sources.md#words-on-the-beat."""

from __future__ import annotations

import re
from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from itertools import product

from kopje.core.exact import Fraction

NONE, LIGHT, MIDDLE, HEAVY = Fraction(0), Fraction(1), Fraction(2), Fraction(3)
PARTICLE = Fraction(5, 2)
ARTICLES = frozenset({"a", "an", "the"})
PREPOSITIONS = frozenset(
    "at as by for from in into of on onto per than through till to toward towards with like past since "
    "under until upon within without across among around behind below beside between beyond before "
    "after about above along against".split()
)
CONJUNCTIONS = frozenset("and but or nor if so because though while when where that whether yet".split())
_LIGHT = PREPOSITIONS | CONJUNCTIONS | frozenset(
    "am is are was were be been being can could will would shall should may might must let lets "
    "it him them his its us who whom whose what which why how where when no it's he'd she'd they'd we'd i'd "
    "you'd it'll there's that's what's who's where's how's don't won't can't didn't doesn't isn't wasn't "
    "couldn't wouldn't shouldn't aren't weren't hasn't haven't hadn't mustn't needn't".split()
)  # fmt: skip
QUESTIONS = frozenset(
    "who whom whose what which why how where when can could will would shall should may might is are was "
    "were "
    "do does did has have who's what's where's how's".split()
)
_MIDDLE = frozenset(
    "i you he she we they me my your our her their this these those all not there here have has had do does "
    "did some too then i'm i've i'll you're you've you'll he's he'll she's she'll we're we've we'll they're "
    "they've they'll just each both such".split()
)
_PARTICLES = frozenset("up down out off over back".split())
_FIXED = {
    "sometimes": "12",
    "inside": "01",
    "outside": "01",
    "hello": "01",
    "goodbye": "01",
    "good-bye": "01",
}
_BODY = re.compile(r"(any|every|some|no)(body|thing|one|where)$")
_LATE = ("be", "re", "a", "de", "un")  # first syllables that are seldom stressed


@dataclass(frozen=True, slots=True)
class Stress:
    """The weight of each syllable of a word as it is sung. `guessed`: no dictionary said so."""

    weights: tuple[Fraction, ...]
    guessed: bool = False


def plain(word: str) -> str:
    """
    >>> plain("“Moth’s,"), plain("good-bye!")
    ("moth's", 'good-bye')
    """
    return word.lower().replace("’", "'").strip(" .,;:!?…–—\"“”„()*'")


def article(word: str) -> bool:
    return plain(word) in ARTICLES


def small_word(word: str) -> bool:
    """A preposition or conjunction."""
    return plain(word) in PREPOSITIONS | CONJUNCTIONS


def opens_question(word: str) -> bool:
    return plain(word) in QUESTIONS


def patterns_of(word: str, dictionary: Mapping[str, str]) -> tuple[str, ...]:
    """How a word may be stressed: our own list, else the dictionary, else nothing."""
    said = plain(word)
    own = _own(said).get(said, "")
    return tuple(filter(None, (own or dictionary.get(said, "")).split("/")))


def stress(word: str, count: int, dictionary: Mapping[str, str]) -> Stress:
    """The weights of a word sung in `count` syllables: our own list, the dictionary, its stem, its
    halves, else a guess that says so."""
    said = plain(word)
    if count == 1:
        return Stress((_single(said),))
    for source in (_own(said), dictionary):
        pattern = _sung(source.get(said, ""), count)
        if pattern:
            return Stress(_weights(said, pattern))
    for pattern in (_of_stem(said, count, dictionary), _of_halves(said, count, dictionary)):
        if pattern:
            return Stress(_weights(said, pattern))
    first = 1 if said.startswith(_LATE) and count == 2 and len(said) > 3 else 0
    return Stress(_weights(said, "".join("1" if n == first else "0" for n in range(count))), guessed=True)


def _single(said: str) -> Fraction:
    if said in ARTICLES:
        return NONE
    if said in _LIGHT:
        return LIGHT
    return PARTICLE if said in _PARTICLES else MIDDLE if said in _MIDDLE else HEAVY


def _own(said: str) -> Mapping[str, str]:
    match = _BODY.match(said)
    if match:
        return {said: "1" + "0" * (match[1] in ("any", "every")) + "0" + "0" * (match[2] == "body")}
    return _FIXED


def _sung(patterns: str, count: int) -> str:
    """Of several pronunciations the one with so many syllables."""
    return next((one for one in patterns.split("/") if len(one) == count), "")


_ENDINGS = (("'s", 0), ("s'", 0), ("ing", 1), ("ly", 1), ("er", 1), ("ed", 0), ("es", 0), ("s", 0), ("y", 1))


def _of_stem(said: str, count: int, dictionary: Mapping[str, str]) -> str:
    """The pattern of a word without its ending; an ending of a syllable of its own is light."""
    for ending, own in _ENDINGS:
        stem = said.removesuffix(ending)
        if stem != said and len(stem) > 1:
            for one, extra in product((stem, stem + "e", stem + "y", stem[:-1]), (own, 1)):
                pattern = "1" if count - extra == 1 else _sung(dictionary.get(one, ""), count - extra)
                if pattern and extra < count:
                    return pattern + "0" * extra
    return ""


def _of_halves(said: str, count: int, dictionary: Mapping[str, str]) -> str:
    """A word put together with a hyphen: both halves keep their stress, the first one's leads."""
    one, hyphen, two = said.partition("-")
    if hyphen:
        for first, second in product(_patterns(one, dictionary), _patterns(two, dictionary)):
            if len(first) + len(second) == count:
                return first + second.replace("1", "2")
    return ""


def _patterns(word: str, dictionary: Mapping[str, str]) -> Iterator[str]:
    yield from filter(None, dictionary.get(word, "").split("/"))
    if word not in dictionary:
        yield "1"


def _weights(said: str, pattern: str) -> tuple[Fraction, ...]:
    """A second stress beside the main one is none."""
    main = pattern.find("1")
    full = PARTICLE if said in _PARTICLES else LIGHT if said in _LIGHT else HEAVY
    return tuple(
        full if n == main else MIDDLE if c in "12" and abs(n - main) > 1 else NONE
        for n, c in enumerate(pattern)
    )
