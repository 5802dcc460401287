"""Phrases of real songs as exercises: whole bars of a song, from the beginning of a phrase to the end of one.

Source: docs/sources.md#made-exercises.
"""

from __future__ import annotations

from bisect import bisect_right
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import groupby, pairwise

from kopje.core.analysis.analysis import Analysis, analyse
from kopje.core.analysis.annotations import Annotations
from kopje.core.analysis.key_choice import Voice
from kopje.core.music.degree import Degree, Do, plain_do
from kopje.core.music.tune import Bar, Tune
from kopje.core.practice.reading.figures import BESIDE, TIE
from kopje.core.practice.reading.given import DOS, FEW_SIGNS, SHARE, Offer, Wish
from kopje.core.practice.reading.ground import Motion
from kopje.core.practice.reading.levels import ReadingTask, voices_of
from kopje.core.practice.reading.make import Made
from kopje.core.practice.reading.news import new_enough
from kopje.core.practice.reading.spots import Event
from kopje.core.songs.contents import Outline, outline

LAST = "~"  # after every key


@dataclass(frozen=True)
class Excerpt:
    """Bars of a song, counted as they are printed from `first` on, as an exercise; `outline` is what they are
    judged by, as songs are."""

    first: int
    bars: int
    made: Made
    outline: Outline
    ties: bool = False

    @property
    def degrees(self) -> list[Degree]:
        return [event.degree for event in self.made.voices[0] if event.degree is not None]


def excerpts(a: Analysis, bars: int) -> Iterator[Excerpt]:
    """Every stretch of so many bars that begins with a phrase on a bar line and ends with one, in one meter,
    without a tie over a bar line. Nothing of a song whose do is not known."""
    if a.tonality.do is None:
        return
    by_number = {number: list(pieces) for number, pieces in groupby(a.tune.bars, key=lambda bar: bar.number)}
    begins = _begins(a)
    ends = {*begins, a.tune.bars[-1].number + 1}
    for first in sorted(begins):
        if first + bars not in ends or first < 1:
            continue
        pieces = [by_number.get(number, []) for number in range(first, first + bars)]
        if all(len(one) == 1 for one in pieces):
            found = _excerpt(a, [one[0] for one in pieces], first)
            if found is not None:
                yield found


def _begins(a: Analysis) -> set[int]:
    """The bars at whose line a phrase begins."""
    sounds = (a.timeline[phrase.first] for phrase in a.phrases)
    return {sound.bar for sound in sounds if sound.place == 0}


def _excerpt(a: Analysis, bars: Sequence[Bar], first: int) -> Excerpt | None:
    whole = all(bar.length == bar.meter.length and bar.meter == bars[0].meter for bar in bars)
    notes = [note for bar in bars for note in bar.notes]
    if not whole or notes[0].kind != "note" or notes[0].tie_in or notes[-1].tie_out:
        return None
    resting = a.tonality.resting or "do"
    plain = tuple(
        replace(
            bar,
            number=n,
            notes=tuple(replace(note, syllables=(), marks=(), border=False) for note in bar.notes),
            left="single",
            right="final" if n == len(bars) else "single",
            line_end=False,
            ending="",
            signs=(),
        )
        for n, bar in enumerate(bars, 1)
    )
    if any(s.place + s.duration > s.meter.length for s in a.timeline if first <= s.bar < first + len(bars)):
        return None  # a tie over a bar line
    part = analyse(Tune("", plain), "la", Annotations(do=a.tonality.do, resting=resting))
    do = part.tonality.do
    if do is None or len(part.attacks) < 2:
        return None
    made = Made(bars[0].meter, do, resting, (tuple(_events(part)),))
    ties = any(figure.key == TIE for figure in part.figures)
    return Excerpt(first, len(bars), made, outline(part), ties)


def _events(part: Analysis) -> Iterator[Event]:
    figures = [(f.bar, f.beat, f.key or "") for f in part.figures if f.key not in BESIDE]
    for sound in part.timeline:
        beat = sound.meter.beat
        at = max(bisect_right(figures, (sound.bar, sound.place / beat, LAST)) - 1, 0)
        yield Event(
            sound.bar - 1,
            sound.place / beat,
            sound.onset / beat,
            sound.duration / beat,
            part.degree(sound) if sound.attack else None,
            not sound.attack,
            at,
            figures[at][2],
        )


def suits(excerpt: Excerpt, offer: Offer, wish: Wish) -> bool:
    """Whether it is what was wished for, apart from what the class can name: its meter, how far it moves, how
    much of it is due."""
    made = excerpt.made
    meters = (wish.meter,) if wish.meter else offer.meters
    toneless = any(event.degree is None and not event.rest for event in made.voices[0])
    if str(made.meter) not in meters or excerpt.bars != wish.bars or toneless:
        return False
    if offer.sort == "rhythm":
        return True
    degrees = excerpt.degrees
    motion = Motion(kind=wish.motion)
    if not all(one == two or motion.allows(one, two) for one, two in pairwise(degrees)):
        return False
    new = set(offer.new_tones)
    if new >= {str(degree) for degree in degrees}:
        return True
    due = sum(str(degree) in new for degree in degrees)
    return 0 < due <= max(len(degrees) // SHARE[wish.dose], 1)


def of_level(excerpt: Excerpt, task: ReadingTask, wish: Wish) -> bool:
    """Whether it is a reading of a level: of one part, in its meters, of its tones, figures and moves, at
    home where the level is, with something of what it brings on each axis, no more than an exercise has."""
    made = excerpt.made
    voice = made.voices[0]
    sung = [event for event in voice if not event.rest]
    if task.parts > 1 or excerpt.bars != wish.bars or made.resting != task.resting:
        return False
    if str(made.meter) not in ((wish.meter,) if wish.meter in task.meters else task.meters):
        return False
    tones, figures = set(map(str, task.tones)), set(task.figures)
    if any(str(event.degree) not in tones for event in sung):
        return False
    if any(event.key not in figures for event in voice) or (excerpt.ties and TIE not in figures):
        return False
    moves = pairwise(excerpt.degrees)
    return all(one == two or task.motion.allows(one, two) for one, two in moves) and new_enough(
        task, made.voices
    )


def laid_for_level(excerpt: Excerpt, task: ReadingTask, wish: Wish, section: Voice | None) -> Made | None:
    """In a key of the level in which it lies well, the song's own if that is one of them; None for no key."""
    (voice,) = voices_of(1, section)
    letters = (
        [wish.do]
        if wish.do in task.dos
        else [*(d for d in [str(excerpt.made.do)] if d in task.dos), *task.dos]
    )
    return _in_key(excerpt, letters, voice)


def laid_for(excerpt: Excerpt, offer: Offer, wish: Wish, voice: Voice | None) -> Made | None:
    """As it is given to a class: its rhythm alone, or its tones where they lie well for the voice, in the
    song's own key if that is so and has few signs; None where they lie nowhere well."""
    made = excerpt.made
    if offer.sort == "rhythm":
        bare = tuple(replace(event, degree=None) for event in made.voices[0])
        return replace(made, voices=(bare,))
    if voice is None and not wish.do:
        return made
    own = str(made.do)
    gladly = [own] if abs(made.do.fifths) <= FEW_SIGNS else []
    letters = [wish.do] if wish.do else [*gladly, *DOS, own]
    return _in_key(excerpt, letters, voice)


def _in_key(excerpt: Excerpt, letters: Sequence[str], voice: Voice | None) -> Made | None:
    """With do on the first of these letters on which all tones lie well."""
    made = excerpt.made
    for letter in letters:
        for octave in (made.do.octave, 3, 4, 5):
            do = plain_do(letter).at(octave)
            if voice is None or _lies(do, excerpt.degrees, voice):
                return replace(made, do=do)
    return None


def _lies(do: Do, degrees: Sequence[Degree], voice: Voice) -> bool:
    heights = [do.sounding(degree).midi for degree in degrees]
    return voice.low.midi <= min(heights) and max(heights) <= voice.high.midi
