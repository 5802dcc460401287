"""Do the words sit on the beat? Heavy syllables want strong places; where one does not get it, it is said.

A remark is a question to the ear, never a fault: songs bend words on purpose, and some are the better for
it. Source: docs/sources.md#words-on-the-beat.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import groupby
from typing import Literal

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.stress import HEAVY, LIGHT, MIDDLE, NONE, article, opens_question, small_word, stress
from kopje.core.analysis.timeline import Sound
from kopje.core.exact import Fraction
from kopje.core.music.meter import Meter
from kopje.core.music.tune import Syllable

Kind = Literal["turned", "light", "article", "weak", "top", "hint"]
DOUBTFUL: tuple[Kind, ...] = ("turned", "light", "article", "weak", "top")
_HALF_BEAT, _FINER = Fraction(1), Fraction(0)
_BEATS = {2: (4, Fraction(5, 2)), 3: (4, 2, 2), 4: (4, 2, Fraction(7, 2), 2)}
_COMPOUND = {2: (4, 3), 3: (4, 2, 2), 4: (4, 2, Fraction(7, 2), 2)}


@dataclass(frozen=True, slots=True)
class Spoken:
    """A sung syllable: its weight as it is spoken, the strength of its place as it is sung."""

    text: str
    word: str
    verse: int
    bar: int
    note: int
    phrase: int
    weight: Fraction
    strength: Fraction
    duration: Fraction
    on_beat: bool
    main: bool
    inside: bool  # an unstressed syllable of a longer word
    first: bool  # of its word
    guessed: bool
    midi: int
    ends: bool  # punctuation follows


@dataclass(frozen=True, slots=True)
class Place:
    """A place worth a look: bar and verse, the syllable and its word, and what is odd about it."""

    kind: Kind
    verse: int
    bar: int
    note: int
    text: str
    word: str
    guessed: bool


def place_strength(meter: Meter, place: Fraction) -> Fraction:
    """How strong a place of a bar is, in quarters from its bar line.

    >>> from kopje.core.music.meter import Meter
    >>> [str(place_strength(Meter(4, 4), Fraction(n))) for n in range(4)]
    ['4', '2', '7/2', '2']
    """
    beat, inside = divmod(place / meter.beat, 1)
    table = (_COMPOUND if meter.compound else _BEATS).get(meter.beats)
    if inside == 0:
        return Fraction(table[int(beat) % len(table)]) if table else Fraction(4 if beat == 0 else 2)
    plain = (inside * 3).denominator == 1 or inside == Fraction(1, 2)
    return _HALF_BEAT if plain else _FINER


def spoken(a: Analysis, dictionary: Mapping[str, str]) -> tuple[Spoken, ...]:
    """Every syllable of every verse, verse by verse, in order."""
    verses = sorted({s.verse for sound in a.attacks for s in sound.syllables})
    return tuple(one for verse in verses for one in _verse(a, verse, dictionary))


def _verse(a: Analysis, verse: int, dictionary: Mapping[str, str]) -> list[Spoken]:
    sung = _sung(a, verse)
    words = _words([syllable for _, _, syllable, _ in sung])
    places = [_strength(sound, length) for sound, length, _, _ in sung]
    found: list[Spoken] = []
    for (sound, length, syllable, phrase), (word, index, count), strength in zip(
        sung, words, places, strict=True
    ):
        heard = stress(word, count, dictionary)
        weight = heard.weights[index]
        found.append(
            Spoken(
                text=syllable.text,
                word=word,
                verse=verse,
                bar=sound.bar,
                note=sound.note,
                phrase=phrase,
                weight=weight,
                strength=strength,
                duration=length,
                on_beat=(sound.place / sound.meter.beat).denominator == 1,
                main=count > 1 and weight == max(heard.weights),
                inside=count > 1 and weight == NONE,
                first=index == 0,
                guessed=heard.guessed,
                midi=sound.pitch.midi if sound.pitch else 0,
                ends=syllable.text.rstrip("”“\"'’)")[-1:] in tuple(".,;:!?…–—"),
            )
        )
    return _lengthened(found)


def _sung(a: Analysis, verse: int) -> list[tuple[Sound, Fraction, Syllable, int]]:
    """Sounds with a syllable of a verse; one that is held over more tones is as long as all of them."""
    found: list[tuple[Sound, Fraction, Syllable, int]] = []
    for number, phrase in enumerate(a.phrases):
        for sound in a.timeline[phrase.first : phrase.stop]:
            own = next((s for s in sound.syllables if s.verse == verse), None)
            if own is not None:
                found.append((sound, sound.duration, own, number))
            elif sound.attack and found and found[-1][3] == number:
                held, length, syllable, at = found[-1]
                found[-1] = (held, length + sound.duration, syllable, at)
    return found


def _words(syllables: Sequence[Syllable]) -> Iterator[tuple[str, int, int]]:
    """For each syllable its whole word, which syllable of it it is, and how many it is sung in."""
    start = 0
    for at, syllable in enumerate(syllables):
        if not syllable.joins or at == len(syllables) - 1:
            word = "".join(s.text for s in syllables[start : at + 1])
            yield from ((word, n, at + 1 - start) for n in range(at + 1 - start))
            start = at + 1


def _strength(sound: Sound, length: Fraction) -> Fraction:
    """Of its place, or of a stronger beat that it sounds into."""
    meter, strongest = sound.meter, place_strength(sound.meter, sound.place)
    on_beat = (sound.place / meter.beat).denominator == 1
    if on_beat:
        return strongest
    beat = (sound.place // meter.beat + 1) * meter.beat
    while beat < sound.place + length:
        strongest = max(strongest, place_strength(meter, beat % meter.length))
        beat += meter.beat
    return strongest


def _lengthened(found: list[Spoken]) -> list[Spoken]:
    """A tone longer than both its neighbours is strong by its length."""
    done = []
    for at, one in enumerate(found):
        around = [found[n] for n in (at - 1, at + 1) if 0 <= n < len(found) and found[n].phrase == one.phrase]
        longer = bool(around) and all(one.duration > other.duration for other in around)
        least = Fraction(3 if one.on_beat else 2)
        done.append(replace(one, strength=max(one.strength, least)) if longer else one)
    return done


def odd_places(a: Analysis, dictionary: Mapping[str, str]) -> tuple[Place, ...]:
    """Places where a word does not sit: doubtful ones and hints; of each bar of a verse the gravest."""
    every = spoken(a, dictionary)
    tops = _alone_on_top(a)
    found = []
    for at, one in enumerate(every):
        before = _beside(every, at, -1)
        after = _beside(every, at, 1)
        kind = _kind(one, before, after, every, at, tops)
        if kind is not None:
            found.append(Place(kind, one.verse, one.bar, one.note, one.text, one.word, one.guessed))
    order = (*DOUBTFUL, "hint")
    by_bar = groupby(
        sorted(found, key=lambda p: (p.verse, p.bar, order.index(p.kind))), key=lambda p: (p.verse, p.bar)
    )
    return tuple(next(group) for _, group in by_bar)


def _beside(every: Sequence[Spoken], at: int, by: int) -> Spoken | None:
    other = every[at + by] if 0 <= at + by < len(every) else None
    same = other is not None and (other.verse, other.phrase) == (every[at].verse, every[at].phrase)
    return other if same else None


def _kind(
    one: Spoken,
    before: Spoken | None,
    after: Spoken | None,
    every: Sequence[Spoken],
    at: int,
    tops: frozenset[int],
) -> Kind | None:
    around = [other for other in (before, after) if other is not None]
    if one.inside and _turned(one, before, after):
        return "turned"
    if article(one.word) and one.strength >= 3:
        return "article"
    if one.weight <= LIGHT and not one.inside and one.on_beat and _light(one, every, at):
        return "light"
    asked = before is not None and _asks(before, _beside(every, at - 1, -1))
    if one.weight == HEAVY and len(around) == 2 and not asked and _weak(one, around) and not _own(every, at):
        return "weak"
    if one.note in tops and one.on_beat and (one.inside or article(one.word)):
        return "top"
    if (
        not one.ends
        and small_word(one.word)
        and not one.main
        and one.strength == 4
        and one.on_beat
        and not _asks(one, before)
    ):
        return "hint"
    return None


def _turned(one: Spoken, before: Spoken | None, after: Spoken | None) -> bool:
    """An unstressed syllable stronger than the main one beside it, which is no longer."""
    mine = [other for other in (before if not one.first else None, after) if other is not None]
    return any(
        other.main
        and other.word == one.word
        and one.strength > other.strength
        and other.duration <= one.duration
        for other in mine
    )


def _light(one: Spoken, every: Sequence[Spoken], at: int) -> bool:
    """A light word on a beat beside a heavy one in a weaker place that is no longer. Before punctuation a
    light word may be leant on; and of two heavy words side by side the first may stand back."""
    if one.ends or _asks(one, _beside(every, at, -1)):
        return False
    for by in (-1, 1):
        other = _beside(every, at, by)
        if (
            other is None
            or other.weight != HEAVY
            or other.strength >= one.strength
            or other.duration > one.duration
        ):
            continue
        beyond = _beside(every, at + by, by)
        if beyond is None or beyond.weight != HEAVY or beyond.strength <= other.strength:
            return True
    return False


def _asks(one: Spoken, before: Spoken | None) -> bool:
    """A question may open on the beat: who, what, can, is."""
    return before is None and opens_question(one.word)


def _weak(one: Spoken, around: Sequence[Spoken]) -> bool:
    """A heavy syllable between two of less weight, one of them stronger and no shorter, neither weaker."""
    return all(other.weight <= MIDDLE and other.strength >= one.strength for other in around) and any(
        other.strength > one.strength and other.duration >= one.duration for other in around
    )


def _own(every: Sequence[Spoken], at: int) -> bool:
    """Part of a longer word's own stress is judged as turned, not here."""
    return any(
        other is not None and other.word == every[at].word and other.inside
        for other in (_beside(every, at, -1), _beside(every, at, 1))
    )


def _alone_on_top(a: Analysis) -> frozenset[int]:
    """The note of the highest tone, if it sounds once only."""
    heights = [(sound.pitch.midi, sound.note) for sound in a.attacks if sound.pitch]
    top = max((midi for midi, _ in heights), default=0)
    notes = [note for midi, note in heights if midi == top]
    return frozenset(notes) if len(notes) == 1 else frozenset()
