"""Which words are sung on which tones, verse by verse, with the syllables that are held over several tones.

A syllable belongs to its first tone; it goes on over the tones without one of their own, up to a rest.
Verses may split or join tones differently, so each is told on its own. Source: docs/sources.md#words."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.timeline import Sound
from kopje.core.music.degree import Degree
from kopje.core.music.tune import Syllable
from kopje.core.reasons import Listed, Reason, because

LONGEST_WORD = 12  # syllables; a file may join all it has
PUNCTUATION = ' .,;:!?“”"„()'


@dataclass(frozen=True, slots=True)
class SungSyllable:
    """A syllable with its tones; `before` and `after` are the rest of its word. `note`: its first printed
    note."""

    verse: int
    text: str
    before: str
    after: str
    bar: int
    note: int
    tones: tuple[Degree, ...]

    @property
    def melisma(self) -> bool:
        return len(self.tones) > 1


@dataclass(frozen=True, slots=True)
class VerseSum:
    """How the syllables of a verse lie on the tones. `bars`: where they lie otherwise than in verse 1."""

    verse: int
    syllables: int
    tones: int
    reason: Reason
    bars: tuple[int, ...] = ()


def sung_syllables(a: Analysis) -> tuple[SungSyllable, ...]:
    """Every syllable in order of verses, then of singing."""
    return tuple(one for verse in verses(a) for one in _verse(a, verse))


def verses(a: Analysis) -> tuple[int, ...]:
    return tuple(sorted({syllable.verse for sound in a.attacks for syllable in sound.syllables}))


def sums(a: Analysis) -> tuple[VerseSum, ...]:
    """Syllables beside tones for each verse. Syllables = attacks less those that a syllable is held over."""
    found = []
    first: dict[int, int] = {}
    for verse in verses(a):
        words = _verse(a, verse)
        tones = sum(len(one.tones) for one in words)
        begins = {one.note: one.bar for one in words}
        first = first or begins
        other = {bar for note, bar in (begins | first).items() if (note in begins) != (note in first)}
        found.append(
            VerseSum(verse, len(words), tones, _sum_said(words, tones, sorted(other)), tuple(sorted(other)))
        )
    return tuple(found)


def _sum_said(words: Sequence[SungSyllable], tones: int, other: Sequence[int]) -> Reason:
    held = list(dict.fromkeys(one.bar for one in words if one.melisma))
    return because(
        "verse_sum",
        syllables=len(words),
        tones=tones,
        held=len(held),
        held_bars=_bars(held),
        other=len(other),
        other_bars=_bars(other),
    )


def _bars(numbers: Iterable[int]) -> Listed:
    return Listed(tuple(map(str, numbers)), by="comma")


def _verse(a: Analysis, verse: int) -> tuple[SungSyllable, ...]:
    words = _held(a, verse)
    return tuple(_whole(words, index) for index in range(len(words)))


def _held(a: Analysis, verse: int) -> list[tuple[SungSyllable, bool]]:
    """The syllables of one verse with all their tones, each with whether its word goes on."""
    found: list[tuple[Sound, Syllable, list[Degree]]] = []
    sounding = False
    for sound in a.timeline:
        syllable = _of(sound, verse)
        if syllable is not None:
            found.append((sound, syllable, []))
        sounding = sound.attack and (sounding or syllable is not None)
        degree = a.degree(sound)
        if sounding and degree is not None:
            found[-1][2].append(degree)
    return [
        (SungSyllable(verse, s.text.strip(PUNCTUATION), "", "", sound.bar, sound.note, tuple(tones)), s.joins)
        for sound, s, tones in found
    ]


def _of(sound: Sound, verse: int) -> Syllable | None:
    return next((s for s in sound.syllables if s.verse == verse and s.text.strip(PUNCTUATION)), None)


def _whole(words: Sequence[tuple[SungSyllable, bool]], index: int) -> SungSyllable:
    """A syllable with the rest of its word, as far as words go, on both sides."""
    start = stop = index
    while start > max(index - LONGEST_WORD, 0) and words[start - 1][1]:
        start -= 1
    while words[stop][1] and stop + 1 < min(index + LONGEST_WORD, len(words)):
        stop += 1
    before = "".join(one.text for one, _ in words[start:index])
    after = "".join(one.text for one, _ in words[index + 1 : stop + 1])
    return replace(words[index][0], before=before, after=after)
