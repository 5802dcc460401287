"""Parts held against each other: where one crosses another, moves in parallel with it, or rubs against it.

The rules are those by which made exercises are written; of a piece that somebody wrote they are remarks,
for good music breaks them on purpose. Source: docs/sources.md#parts.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import combinations, pairwise
from typing import Literal

from kopje.core.analysis.timeline import Sound, sounds
from kopje.core.exact import Fraction
from kopje.core.music.pitch import Pitch
from kopje.core.music.score import Score
from kopje.core.reasons import Listed, Reason, because

Kind = Literal["crossing", "parallel_fifths", "parallel_octaves", "clash", "rub"]
PARALLEL: dict[int, Kind] = {7: "parallel_fifths", 0: "parallel_octaves"}
HALF_STEP, WHOLE_STEP, OCTAVE = 1, 2, 12
SHORTEST_CLASH = Fraction(1, 2)  # beats; a shorter half step only passes


@dataclass(frozen=True, slots=True)
class Meeting:
    """A stretch in which two parts hold the same tones: `upper` and `lower` are indices of parts."""

    bar: int
    onset: Fraction
    beats: Fraction
    strong: bool
    upper: Sound
    lower: Sound
    pitches: tuple[Pitch, Pitch]

    @property
    def semitones(self) -> int:
        upper, lower = self.pitches
        return upper.midi - lower.midi


@dataclass(frozen=True, slots=True)
class Remark:
    """What two parts do together, and in which bars. `upper` and `lower` are indices of parts, the first lies
    higher on the whole."""

    kind: Kind
    upper: int
    lower: int
    bars: tuple[int, ...]

    def said_of(self, names: Sequence[str]) -> Reason:
        """The same as a sentence about parts of these names."""
        upper, lower = part_name(names, self.upper), part_name(names, self.lower)
        bars = Listed(tuple(str(bar) for bar in self.bars), most=8)
        return because(f"together_{self.kind}", upper=upper, lower=lower, bars=bars, count=len(self.bars))


def part_name(names: Sequence[str], index: int) -> Reason:
    """What a part is called, or its number."""
    said = names[index]
    return because("part_named", name=said) if said else because("part_number", number=index + 1)


def remarks(score: Score) -> tuple[Remark, ...]:
    """Everything worth a look, pair by pair from high to low."""
    lines = [tuple(s for s in sounds(part.tune) if s.kind != "rest") for part in score.parts]
    order = sorted(
        (n for n, line in enumerate(lines) if any(s.pitch for s in line)), key=lambda n: -_height(lines[n])
    )
    found: list[Remark] = []
    for upper, lower in combinations(order, 2):
        met = list(meetings(lines[upper], lines[lower]))
        bars: dict[Kind, list[int]] = {}
        for kind, bar in _remarked(met):
            bars.setdefault(kind, []).append(bar)
        found += [Remark(kind, upper, lower, tuple(sorted(set(at)))) for kind, at in sorted(bars.items())]
    return tuple(found)


def _height(line: Sequence[Sound]) -> Fraction:
    """Mean height, by how long each tone sounds."""
    heard = [(s.pitch.midi, s.duration) for s in line if s.pitch]
    total = sum((length for _, length in heard), Fraction(0))
    return sum((midi * length for midi, length in heard), Fraction(0)) / total if total else Fraction(0)


def meetings(upper: Sequence[Sound], lower: Sequence[Sound]) -> Iterator[Meeting]:
    """All stretches in which both sound, from one attack of either to the next."""
    one = [(s, pitch) for s in upper if (pitch := s.pitch) is not None]
    other = [(s, pitch) for s in lower if (pitch := s.pitch) is not None]
    i = j = 0
    while i < len(one) and j < len(other):
        (a, high), (b, low) = one[i], other[j]
        start, stop = max(a.onset, b.onset), min(a.end, b.end)
        if start < stop:
            late = a if a.onset == start else b
            strong = late.onset == start and late.strong
            yield Meeting(late.bar, start, (stop - start) / late.meter.beat, strong, a, b, (high, low))
        if a.end <= b.end:
            i += 1
        if b.end <= a.end:
            j += 1


def _remarked(met: Sequence[Meeting]) -> Iterator[tuple[Kind, int]]:
    for one in met:
        apart = abs(one.semitones) % OCTAVE
        close = min(apart, OCTAVE - apart)
        if one.semitones < 0:
            yield "crossing", one.bar
        if close == HALF_STEP and (one.strong or one.beats >= SHORTEST_CLASH):
            yield "clash", one.bar
        elif close == WHOLE_STEP and one.strong and one.beats >= 1:
            yield "rub", one.bar
    for before, now in pairwise(met):
        if _both_move(before, now):
            first, second = before.semitones % OCTAVE, now.semitones % OCTAVE
            if first == second and first in PARALLEL:
                yield PARALLEL[first], now.bar


def _both_move(before: Meeting, now: Meeting) -> bool:
    """Both parts go on to another tone at the same moment, without a silence between."""
    together = before.onset + before.beats * before.upper.meter.beat == now.onset
    new = now.upper.onset == now.onset == now.lower.onset
    return together and new and all(a != b for a, b in zip(before.pitches, now.pitches, strict=True))
