"""Borduns for two hands, rung by rung, held against the song they go with.

Source: docs/sources.md#borduns."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Literal, get_args

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.prosody import place_strength
from kopje.core.analysis.timeline import Sound
from kopje.core.exact import Fraction
from kopje.core.instruments.barred import bars_for
from kopje.core.music.degree import Degree, Do
from kopje.core.music.meter import Meter
from kopje.core.music.pitch import Pitch
from kopje.core.reasons import Reason, Tone, because, listed

Rung = Literal["chord", "broken", "level", "crossover", "moving"]
RUNGS: tuple[Rung, ...] = get_args(Rung)  # in the usual order
Hand = Literal["L", "R"]
HALF_STEP = (1, 11)  # semitones, in any octave
STRONG = Fraction(3)
MAJOR = ("do", "so", "do'", "la")  # home, its fifth, its octave, where the fifth moves to
MINOR = ("la,", "mi", "la", "re")
LEADS = ("fa", "ti")  # held on a strong beat they want another chord than do and so
MOST_NAMED = 4


@dataclass(frozen=True, slots=True)
class Stroke:
    """A bar struck: on which beat of the bar (from 0), by which hand, which tone."""

    beat: Fraction
    hand: Hand
    tone: Degree


@dataclass(frozen=True, slots=True)
class Clash:
    """A bar of the song in which its tone rubs against one of the bordun's; `chord`: it wants another
    chord."""

    bar: int
    tone: Degree
    against: Degree
    chord: bool


@dataclass(frozen=True, slots=True)
class Bordun:
    """One bar that is played over and over. `do`: where do of the bars lies. `times`: how often a verse
    holds it; the last one is struck once, on its first beat."""

    rung: Rung
    do: Do
    strokes: tuple[Stroke, ...]
    clashes: tuple[Clash, ...]
    times: int

    @property
    def fits(self) -> bool:
        return not self.clashes

    def pitch(self, stroke: Stroke) -> Pitch:
        return self.do.sounding(stroke.tone)


def borduns(a: Analysis) -> tuple[Bordun, ...]:
    """Those of the ladder that the set's bars hold, each checked; none for a song without a home or whose
    meter changes."""
    do = a.tonality.do
    meters = {bar.meter for bar in a.tune.bars}
    if do is None or len(meters) != 1 or not a.attacks:
        return ()
    (meter,) = meters
    home = MINOR if a.tonality.resting == "la" else MAJOR
    found = []
    for rung in RUNGS:
        strokes = tuple(_strokes(rung, home, meter))
        at = _lowest(do, strokes)
        if at is None:
            continue
        bars = max(sound.bar for sound in a.timeline)
        found.append(Bordun(rung, at, strokes, tuple(_clashes(a, at, strokes, meter)), bars))
    return tuple(found)


def _lowest(do: Do, strokes: Sequence[Stroke]) -> Do | None:
    """The lowest do at which every tone has a natural bar or a spare one on the set."""
    for octave in range(3, 6):
        here = do.at(octave)
        pitches = [here.sounding(one.tone) for one in strokes]
        set_up = bars_for(pitches)
        if set_up.playable:
            return here
    return None


def _strokes(rung: Rung, home: tuple[str, ...], meter: Meter) -> Iterator[Stroke]:
    low, fifth, high, near = (Degree.parse(name) for name in home)
    half = Fraction(max(meter.beats // 2, 1)) if meter.beats > 1 else Fraction(1, 2)
    if rung == "chord":
        for beat in _strong(meter):
            yield Stroke(beat, "L", low)
            yield Stroke(beat, "R", fifth)
    elif rung == "broken":
        for n in range(meter.beats):
            strong = n == 0 or (meter.beats == 4 and n == 2)
            yield Stroke(Fraction(n), "L" if strong else "R", low if strong else fifth)
    elif rung == "level":
        yield from (Stroke(Fraction(0), "L", low), Stroke(Fraction(0), "R", fifth))
        yield from (Stroke(half, "L", fifth), Stroke(half, "R", high))
    elif rung == "crossover":
        row: list[tuple[Hand, Degree]] = [("L", low), ("R", fifth), ("L", high), ("R", fifth)]
        for (hand, tone), beat in zip(row, _four(meter), strict=False):
            yield Stroke(beat, hand, tone)
    else:
        yield from (Stroke(Fraction(0), "L", low), Stroke(Fraction(0), "R", fifth))
        yield from (Stroke(half, "L", low), Stroke(half, "R", near))


def _strong(meter: Meter) -> tuple[Fraction, ...]:
    return tuple(Fraction(n) for n in range(meter.beats) if place_strength(meter, n * meter.beat) >= STRONG)


def _four(meter: Meter) -> tuple[Fraction, ...]:
    """Places for up to four strokes: on the beats, in a bar of two beats between them too."""
    if meter.beats >= 3:
        return tuple(Fraction(n) for n in range(min(meter.beats, 4)))
    inside = Fraction(2, 3) if meter.compound else Fraction(1, 2)
    return (Fraction(0), inside, Fraction(1), 1 + inside)


def _clashes(a: Analysis, do: Do, strokes: Sequence[Stroke], meter: Meter) -> Iterator[Clash]:
    """In each full bar what sounds when a bar is struck, and what is held over it; each rub of a bar once."""
    seen: set[tuple[int, Degree, Degree]] = set()
    for sound in a.timeline:
        degree = a.degree(sound)
        if not sound.attack or sound.pitch is None or degree is None or sound.bar < 1:
            continue
        for stroke in strokes:
            if not _sounds_at(sound, stroke.beat * meter.beat):
                continue
            rub = (sound.pitch.midi - do.sounding(stroke.tone).midi) % 12 in HALF_STEP
            leads = _leads(sound, degree, stroke, meter)
            key = (sound.bar, degree, stroke.tone)
            if (rub or leads) and key not in seen:
                seen.add(key)
                yield Clash(sound.bar, degree, stroke.tone, leads)


def _sounds_at(sound: Sound, place: Fraction) -> bool:
    """Whether a tone sounds at a place of its own bar, in quarters from the bar line."""
    return sound.place <= place < sound.place + sound.duration


def _leads(sound: Sound, degree: Degree, stroke: Stroke, meter: Meter) -> bool:
    strong = place_strength(meter, sound.place) >= STRONG and sound.duration >= meter.beat
    home = stroke.tone.syllable in ("do", "so")
    here = stroke.beat * meter.beat == sound.place
    return strong and home and here and degree.syllable in LEADS


def crosses(strokes: Sequence[Stroke], do: Do) -> bool:
    """Whether the left hand ever reaches above where the right one last was."""
    right: int | None = None
    for one in sorted(strokes, key=lambda stroke: (stroke.beat, stroke.hand == "L")):
        height = do.sounding(one.tone).midi
        if one.hand == "R":
            right = height
        elif right is not None and height > right:
            return True
    return False


def reach(bordun: Bordun) -> int:
    """The widest interval between what both hands strike at once, as intervals are counted (a fifth is 5);
    1 where they never do."""
    widest = 1
    for one in bordun.strokes:
        for other in bordun.strokes:
            if one.beat == other.beat and one.hand != other.hand:
                widest = max(widest, abs(one.tone.step - other.tone.step) + 1)
    return widest


def told(bordun: Bordun) -> Reason:
    """Whether it fits, else where it rubs."""
    if bordun.fits:
        return because("bordun_fits", "for", times=bordun.times)
    places = [
        because("bordun_rub", bar=one.bar, tone=Tone(str(one.tone)), against=Tone(str(one.against)))
        for one in bordun.clashes
    ]
    chord = any(one.chord for one in bordun.clashes)
    return because("bordun_clashes", "against", places=listed(places, MOST_NAMED), chord=int(chord))
