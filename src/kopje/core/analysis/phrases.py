"""Where phrases begin and end, and how they are related. Source: docs/sources.md#phrases."""

from __future__ import annotations

from bisect import bisect_left
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Literal

from kopje.core.analysis.timeline import Sound, bar_starts
from kopje.core.exact import Fraction
from kopje.core.music.degree import Degree
from kopje.core.music.tune import Tune

LONGEST_SPAN = 8
RELATED = Fraction(3, 5)
REST, HELD = "r", "hold"


@dataclass(frozen=True, slots=True)
class Phrase:
    """Sounds `first` up to but not including `stop` of the timeline."""

    first: int
    stop: int
    label: str = ""


PhraseSource = Literal["told", "marks", "spans"]


def borders(
    tune: Tune, timeline: Sequence[Sound], teacher: Sequence[Fraction] = ()
) -> tuple[PhraseSource, tuple[Phrase, ...]]:
    """Phrases from the first source that gives at least two: the teacher's word, the marks, equal spans; and
    which it was."""
    sources: tuple[tuple[PhraseSource, list[Fraction]], ...] = (
        ("told", list(teacher)),
        ("marks", _marked(tune, timeline)),
    )
    for source, places in sources:
        found = _cut(timeline, places)
        if len(found) > 1:
            return source, _shortened(tune, timeline, found)
    return "spans", _cut(timeline, _spans(tune, timeline))


def begin_in(tune: Tune, timeline: Sequence[Sound], bars: Sequence[int]) -> list[Fraction]:
    """Borders for phrases that begin in these bars, each with its upbeat; bars that are not there are passed
    over."""
    starts = bar_starts(tune)
    return [_before_upbeat(tune, timeline, starts[bar]) for bar in bars if bar in starts]


def _marked(tune: Tune, timeline: Sequence[Sound]) -> list[Fraction]:
    """Breath marks, fermatas, double bars, repeat signs and line ends."""
    places = [sound.end for sound in timeline if sound.border]
    clock = Fraction(0)
    # Behind the last bar no phrase begins, nor an upbeat before it.
    for bar, following in pairwise(tune.bars):
        clock += bar.length
        if bar.line_end or bar.right in ("double", "final", "repeat") or following.left == "repeat":
            at_sign_inside = following.offset > 0
            places.append(clock if at_sign_inside else _before_upbeat(tune, timeline, clock))
    return places


def _spans(tune: Tune, timeline: Sequence[Sound]) -> list[Fraction]:
    starts = bar_starts(tune)
    last = max(starts, default=0)
    size = 4
    if last <= 4 and tune.bars and tune.bars[-1].meter.beats >= 4:
        size = 1
    elif last <= 8:
        size = 2
    numbers = range(1 + size, last + 1, size)
    return [_before_upbeat(tune, timeline, starts[number]) for number in numbers if number in starts]


def _before_upbeat(tune: Tune, timeline: Sequence[Sound], line: Fraction) -> Fraction:
    """A border lies the pickup's length before its bar line, if an attack starts there."""
    if not tune.pickup:
        return line
    early = line - tune.pickup
    at = bisect_left(timeline, early, key=_onset)
    return early if at < len(timeline) and timeline[at].onset == early and timeline[at].attack else line


def _onset(sound: Sound) -> Fraction:
    return sound.onset


def _cut(timeline: Sequence[Sound], places: Sequence[Fraction]) -> tuple[Phrase, ...]:
    """Phrases that begin at the first attack at or after each place; a phrase has at least one attack."""
    attacks = [i for i, sound in enumerate(timeline) if sound.attack]
    onsets = [timeline[i].onset for i in attacks]
    firsts = {
        0,
        *(attacks[at] for at in (bisect_left(onsets, place) for place in places) if 0 < at < len(attacks)),
    }
    edges = [*sorted(firsts), len(timeline)]
    return tuple(Phrase(a, b) for a, b in pairwise(edges) if b > a)


def _shortened(tune: Tune, timeline: Sequence[Sound], found: tuple[Phrase, ...]) -> tuple[Phrase, ...]:
    """Spans over 8 bars are cut equally."""
    starts = bar_starts(tune)
    places: list[Fraction] = []
    for phrase in found:
        places.append(timeline[phrase.first].onset)
        low, high = max(timeline[phrase.first].bar, 1), timeline[phrase.stop - 1].bar
        parts = -(-(high - low + 1) // LONGEST_SPAN)
        for part in range(1, parts):
            number = low + (high - low + 1) * part // parts
            if number in starts:
                places.append(_before_upbeat(tune, timeline, starts[number]))
    return _cut(timeline, places)


Cells = dict[int, list[tuple[Fraction | int, Degree | str | None]]]


Course = tuple[tuple[Fraction, Fraction, int], ...]


@dataclass(frozen=True, slots=True)
class _Labelled:
    """A phrase with what others are held against."""

    phrase: Phrase
    cells: Cells
    course: Course


def labelled(
    phrases: Sequence[Phrase], timeline: Sequence[Sound], degree: Callable[[Sound], Degree | None]
) -> tuple[Phrase, ...]:
    """Letters and primes: equal phrases share a label, related ones a letter (docs/analysis.md#form)."""
    done: list[_Labelled] = []
    primes: dict[str, int] = {}
    for phrase in phrases:
        part = timeline[phrase.first : phrase.stop]
        cells, course = _cells(part, degree), _course(part)
        label = _label(cells, course, done, primes)
        done.append(_Labelled(Phrase(phrase.first, phrase.stop, label), cells, course))
    return tuple(one.phrase for one in done)


def _label(cells: Cells, course: Course, done: Sequence[_Labelled], primes: dict[str, int]) -> str:
    best: tuple[Fraction, str] | None = None
    for earlier in done:
        if earlier.cells == cells:
            return earlier.phrase.label
        share = _share(cells, earlier.cells)
        moved = course != () and course == earlier.course
        if (share >= RELATED or moved) and (best is None or share > best[0]):
            best = (share, earlier.phrase.label.rstrip("'"))
    if best is None:
        letter = _letter(len(primes))
        primes[letter] = 0
        return letter
    primes[best[1]] += 1
    return best[1] + "'" * primes[best[1]]


def _letter(number: int) -> str:
    return chr(ord("a") + number) if number < 26 else _letter(number // 26 - 1) + _letter(number % 26)


def _share(one: Cells, other: Cells) -> Fraction:
    equal = sum(1 for beat, cell in one.items() if other.get(beat) == cell)
    return Fraction(equal, max(len(one), len(other), 1))


def _cells(part: Sequence[Sound], degree: Callable[[Sound], Degree | None]) -> Cells:
    """Each beat, counted from the phrase's first bar line, with what starts, holds or rests in it."""
    found: Cells = {}
    if not part:
        return found
    beat = part[0].meter.beat
    place = (part[0].onset - first_bar_line(part)) / beat
    for sound in part:
        what = degree(sound) if sound.attack else REST
        index = place.numerator // place.denominator
        cell = found.setdefault(index, [])
        if sound.attack or not (cell and cell[-1][1] == REST):
            cell.append((0 if place.denominator == 1 else place - index, what))
        place += sound.duration / beat
        held = index + 1
        while held < place:
            found.setdefault(held, []).append((0, HELD if sound.attack else REST))
            held += 1
    return found


def first_bar_line(part: Sequence[Sound]) -> Fraction:
    """Where the first bar line of a phrase lies, in quarters from the start of the tune."""
    first = part[0]
    if first.place == 0 and first.bar > 0:
        return first.onset
    return next((s.onset - s.place for s in part if s.bar > first.bar), first.onset)


def _course(part: Sequence[Sound]) -> Course:
    """When each tone begins and how long it lasts, and how many letters it lies from the first: the same for
    phrases of which one is the other moved up or down. Empty where something has no pitch."""
    tones = [sound for sound in part if sound.attack]
    if not tones or any(tone.pitch is None for tone in tones):
        return ()
    first = tones[0]
    return tuple(
        (tone.onset - first.onset, tone.duration, tone.pitch.step - first.pitch.step)  # type: ignore[union-attr]
        for tone in tones
    )
