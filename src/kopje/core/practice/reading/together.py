"""Other parts over the lowest: chords by half bars, no crossing, no fifths or octaves in parallel.

The lowest part is made first, then its chords, then each part above against those below. Source:
docs/sources.md#made-exercises.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from kopje.core.exact import Fraction
from kopje.core.music.degree import Degree
from kopje.core.music.meter import Meter
from kopje.core.practice.reading.chance import Chance
from kopje.core.practice.reading.ground import Ground
from kopje.core.practice.reading.spots import Event, Laid, attacks

CONTRARY, OBLIQUE, SIMILAR = 16, 4, 3  # how welcome, where the other part moves too
LANE = {"do": 2, "la": -1}  # the lowest part stays gladly below mi, or below do
LOW_LANE = 8  # half as gladly with each tone above
FIFTH, OCTAVE = 7, 0  # half steps within an octave
NEAR = Fraction(2)  # beats within which a tone and its altered form follow one another
_TRIADS = {
    "do": ("do mi so", "re fa la", "mi so ti", "fa la do", "so ti re", "la do mi"),
    "la": ("la do mi", "re fa la", "mi si ti", "fa la do", "do mi so"),
}
_LEADING = ("ti", "re", "fa")  # only with re lowest
TONIC = {"do": frozenset(["do", "mi", "so"]), "la": frozenset(["la", "do", "mi"])}
DOMINANT = {"do": "so", "la": "mi"}


@dataclass(frozen=True, slots=True)
class Chord:
    """A triad from a moment on, in beats."""

    start: Fraction
    tones: frozenset[str]
    root: str


def chord_beats(meter: Meter) -> tuple[int, ...]:
    """The beats on which all parts sound one triad: half bars, in three beats the first."""
    return (0, meter.beats // 2) if meter.beats % 2 == 0 and meter.beats > 2 else (0,)


def for_chords(events: Sequence[Event], meter: Meter, ground: Ground, home: str) -> Mapping[int, Laid]:
    """What the lowest part has to keep so that it can carry chords: what comes by step between two chords
    goes on by step, and is a beat long at most."""
    sung = attacks(events)
    beats = chord_beats(meter)
    steps = np.array([degree.step for degree in ground.degrees])
    came = (ground.repeats == 1) & (ground.before >= 0)
    came &= np.abs(steps[ground.tone] - steps[ground.before]) == 1
    moved = steps[ground.tones] - steps[ground.tone][:, None]
    by_step = np.abs(moved) == 1
    low = np.array(
        [LOW_LANE >> max(0, degree.step - LANE[home]) or 1 for degree in ground.degrees], dtype=np.int64
    )
    carries = np.array([any(True for _ in _options(d.syllable, home, False)) for d in ground.degrees])
    found: dict[int, Laid] = {}
    for order, n in enumerate(sung):
        edges = np.ones_like(ground.tones)
        over = any(0 <= beat - events[n].place < events[n].length for beat in beats)
        if order and events[sung[order - 1]].place not in beats:
            edges = np.where(came[:, None] & ~by_step, 0, edges)
        if order and events[n].place not in beats and events[n].length > 1:
            edges = np.where(by_step, 0, edges)
        found[n] = Laid(low * carries if over else low, None, edges)
    return found


def chords_under(
    events: Sequence[Event], meter: Meter, home: str, chance: Chance, last: bool = True
) -> tuple[Chord, ...] | None:
    """A triad for each of these beats with the lowest part's tone as its root or third; None where some tone
    between them could not come and go by step."""
    beats = chord_beats(meter)
    tones = [e for e in events if not e.rest]
    moments = sorted({e.start - e.place + beat for e in events for beat in beats if e.bar >= 0})
    end = events[-1].start + events[-1].length
    moments = [moment for moment in moments if moment < end]
    found: list[Chord] = []
    for moment, until in zip(moments, [*moments[1:], end], strict=True):
        here = next((e for e in tones if e.start <= moment < e.start + e.length), None)
        if here is None or here.degree is None:
            if moment >= tones[-1].start:
                break  # only rests follow the last tone
            return None
        options = [
            (root, triad)
            for root, triad in _options(here.degree.syllable, home, last and moment >= tones[-1].start)
            if all(
                _comes_and_goes(tones, n, triad)
                for n, tone in enumerate(tones)
                if moment < tone.start < until
            )
        ]
        if not options:
            return None
        weights = [_usual(found[-1].root if found else None, root, home) for root, _ in options]
        root, triad = chance.pick(options, weights)
        found.append(Chord(moment, triad, root))
    return tuple(found)


def _options(lowest: str, home: str, last: bool) -> Iterator[tuple[str, frozenset[str]]]:
    if last:
        if lowest == home:
            yield home, TONIC[home]
        return
    for triad in _TRIADS[home]:
        names = triad.split()
        if lowest in names[:2]:
            yield names[0], frozenset(names)
    if lowest == "re" and home == "do":
        yield "ti", frozenset(_LEADING)


def _usual(before: str | None, root: str, home: str) -> int:
    """The main chords first; from one to another root rather than the same; after the dominant home."""
    dominant = DOMINANT[home]
    weight = {home: 6, dominant: 5, "fa" if home == "do" else "re": 4, "ti": 4}.get(root, 2)
    if before is None:
        return weight * (3 if root == home else 1)
    if before == root:
        weight = max(weight // 2, 1)
    if before in (dominant, "ti"):
        weight *= 3 if root == home else 1
    return weight


def _in_force(chords: Sequence[Chord], moment: Fraction) -> Chord | None:
    return next((chord for chord in reversed(chords) if chord.start <= moment), None)


def _comes_and_goes(tones: Sequence[Event], n: int, triad: frozenset[str]) -> bool:
    """A tone of the triad, or a stranger that comes and goes by step and is a beat long at most."""
    here = tones[n]
    if here.degree is None or here.degree.syllable in triad:
        return True
    near = [tones[k].degree for k in (n - 1, n + 1) if 0 <= k < len(tones)]
    steps = all(d is not None and abs(d.step - here.degree.step) == 1 for d in near)
    return len(near) == 2 and steps and here.length <= 1


def _stranger(event: Event, degree: Degree, chords: Sequence[Chord]) -> bool:
    """A tone that is not of the chord in force where it begins."""
    chord = _in_force(chords, event.start)
    return chord is not None and degree.syllable not in chord.tones


def _may_sound(event: Event, degree: Degree, chords: Sequence[Chord]) -> bool:
    """Where a chord begins under a tone, it is of that chord; a stranger is a beat long at most."""
    until = event.start + event.length
    if any(event.start <= c.start < until and degree.syllable not in c.tones for c in chords):
        return False
    return event.length <= 1 or not _stranger(event, degree, chords)


def laid_over(
    events: Sequence[Event],
    degrees: Sequence[Degree],
    below: Sequence[Sequence[Event]],
    chords: Sequence[Chord],
) -> Mapping[int, Laid]:
    """What the parts below and their chords ask of each attack of the next part."""
    sung = attacks(events)
    size = len(degrees)
    stranger = {n: [_stranger(events[n], d, chords) for d in degrees] for n in sung}
    steps = np.array([[abs(a.step - b.step) == 1 for b in degrees] for a in degrees])
    found: dict[int, Laid] = {}
    for order, n in enumerate(sung):
        event = events[n]
        ends = order == len(sung) - 1
        clear = _open_tones(event, degrees, below)
        may = np.array(
            [
                free and _may_sound(event, d, chords) and not (strange and (ends or not order))
                for d, strange, free in zip(degrees, stranger[n], clear, strict=True)
            ],
            dtype=np.int64,
        )
        pairs = np.full((size, size), OBLIQUE, dtype=np.int64)
        if order:
            before = sung[order - 1]
            by_step = np.array(stranger[n])[None, :] | np.array(stranger[before])[:, None]
            pairs = np.where(by_step & ~steps, 0, pairs)
        for part in below:
            pairs = pairs * _beside(event, degrees, part) // OBLIQUE
        found[n] = Laid(may, pairs)
    return found


def _open_tones(event: Event, degrees: Sequence[Degree], below: Sequence[Sequence[Event]]) -> list[bool]:
    """Which tones lie neither under a lower part nor near their altered form in another part."""
    until = event.start + event.length
    floor, near = -99, set[Degree]()
    for part in below:
        for other in part:
            over = other.start + other.length
            if other.degree is None or other.start >= until + NEAR or over <= event.start - NEAR:
                continue
            near.add(other.degree)
            if other.start < until and over > event.start:
                floor = max(floor, other.degree.semitones)
    altered = {(d.index, d.alter) for d in near}
    return [
        d.semitones >= floor and not any(index == d.index and alter != d.alter for index, alter in altered)
        for d in degrees
    ]


def _beside(
    event: Event, degrees: Sequence[Degree], part: Sequence[Event]
) -> np.ndarray[tuple[int, int], np.dtype[np.int64]]:
    """How welcome each move is beside the move of a lower part at the same moment; 0 for parallels."""
    tones = [e for e in part if e.degree is not None]
    at = next((n for n, e in enumerate(tones) if e.start == event.start), None)
    size = len(degrees)
    if not at:
        return np.full((size, size), OBLIQUE, dtype=np.int64)
    old, new = tones[at - 1].degree, tones[at].degree
    if old is None or new is None or old == new:
        return np.full((size, size), OBLIQUE, dtype=np.int64)
    heights = np.array([d.semitones for d in degrees])
    moves = heights[None, :] - heights[:, None]
    before = (heights[:, None] - old.semitones) % 12
    after = (heights[None, :] - new.semitones) % 12
    parallel = (before == after) & ((after == FIFTH) | (after == OCTAVE)) & (moves != 0)
    rising = new.semitones > old.semitones
    contrary = (moves < 0) if rising else (moves > 0)
    welcome = np.where(contrary, CONTRARY, np.where(moves == 0, OBLIQUE, SIMILAR))
    return np.where(parallel, 0, welcome).astype(np.int64)
