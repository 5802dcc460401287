"""Which songs sing well as a round, and which two fit together as partner songs.

Both are tried out: the parts are laid over each other as they would be sung and held against each other by
the rules of `kopje.core.analysis.together`. Source: docs/sources.md#parts.
"""

from __future__ import annotations

from dataclasses import dataclass, replace
from itertools import combinations

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.timeline import sounds
from kopje.core.analysis.together import Kind, Remark, meetings, remarks
from kopje.core.exact import Fraction
from kopje.core.music.degree import between
from kopje.core.music.score import MOST_PARTS, Part, Score, as_round
from kopje.core.music.tune import Bar, Tune, numbered, transposed
from kopje.core.reasons import Listed, Reason, because

SAME = Fraction(2, 5)  # above this share of equal tones the voices only double each other
SIDE_BY_SIDE = Fraction(1, 4)  # of the bars; beyond, one part only shadows the other
LONGEST_ROUND = 96  # bars; what is longer is not tried as one


@dataclass(frozen=True, slots=True)
class Fit:
    """How parts fit: of all bars those in which they clash (a half step) or rub (a whole step on a strong
    beat), those in which they move side by side in fifths or octaves, and the share of time in which they
    sing the same tone."""

    bars: int
    clashes: tuple[int, ...]
    rubs: tuple[int, ...]
    parallels: tuple[int, ...]
    same: Fraction

    @property
    def well(self) -> bool:
        """Fit to be sung by children as it is."""
        shadows = len(self.parallels) > SIDE_BY_SIDE * self.bars
        return not self.clashes and len(self.rubs) <= 1 and self.same <= SAME and not shadows

    @property
    def said(self) -> Reason:
        """What happens where the voices meet, the worst first."""
        for what, bars in (("clash", self.clashes), ("rub", self.rubs), ("parallel", self.parallels)):
            if bars and (what != "parallel" or not self.well):
                return because(f"meet_{what}", bars=Listed(tuple(map(str, bars)), most=6), count=len(bars))
        return because("meet_well" if self.well else "meet_same")

    @property
    def order(self) -> tuple[int, int, int, Fraction]:
        return len(self.clashes), len(self.rubs), len(self.parallels), self.same


@dataclass(frozen=True, slots=True)
class Round:
    """A song as a round: each of `voices` enters `after` bars behind the one before."""

    voices: int
    after: int
    fit: Fit


def fit_of(score: Score) -> Fit:
    found = remarks(score)
    lines = [tuple(s for s in sounds(part.tune) if s.pitch) for part in score.parts]
    total = equal = Fraction(0)
    for one, other in combinations(lines, 2):
        for met in meetings(one, other):
            total += met.beats
            equal += met.beats if met.semitones % 12 == 0 else 0
    return Fit(
        len(score.tune.bars),
        _bars(found, "clash"),
        _bars(found, "rub"),
        _bars(found, "parallel_fifths", "parallel_octaves"),
        equal / total if total else Fraction(0),
    )


def _bars(found: tuple[Remark, ...], *kinds: Kind) -> tuple[int, ...]:
    return tuple(sorted({bar for one in found if one.kind in kinds for bar in one.bars}))


def rounds(a: Analysis) -> tuple[Round, ...]:
    """All ways to sing it as a round in which each voice enters where a phrase begins, best first; none for a
    song of one phrase or of bars that do not add up. More voices before fewer where they fit as well."""
    bars = a.tune.bars[-1].number
    found = [
        Round(voices, after, fit_of(as_round(a.tune, voices, after)))
        for after in _entries(a)
        for voices in range(2, MOST_PARTS + 1)
        if after * voices <= bars
    ]
    return tuple(sorted(found, key=lambda one: (not one.fit.well, one.fit.order[:2], -one.voices, one.after)))


def round_entry(a: Analysis) -> int | None:
    """After how many bars a second voice can enter so that it sings well as a round; None if nowhere."""
    return next((after for after in _entries(a) if fit_of(as_round(a.tune, 2, after)).well), None)


def _entries(a: Analysis) -> list[int]:
    """After how many bars a voice may enter: where a phrase begins, and the song comes out even."""
    full = [bar for bar in a.tune.bars if bar.number > 0]
    whole = all(bar.length == bar.meter.length and bar.meter == full[0].meter for bar in full[:-1])
    if not full or not whole or a.problems or a.range is None or len(full) > LONGEST_ROUND:
        return []
    starts = {a.timeline[phrase.first].bar for phrase in a.phrases} - {0, 1}
    return sorted(
        start - 1 for start in starts if len(full) % (start - 1) == 0 and 2 * (start - 1) <= len(full)
    )


@dataclass(frozen=True, slots=True)
class Partners:
    """Two songs laid over each other: the second moved to the first one's do, the shorter sung again until
    the longer ends. `score` is None where they cannot, and `why` says so."""

    score: Score | None
    fit: Fit | None
    why: Reason | None = None


def partners(a: Analysis, b: Analysis) -> Partners:
    """How two songs fit, or why they cannot be laid over each other."""
    why = apart(a, b)
    if why is not None:
        return Partners(None, None, why)
    score = beside(a, b)
    return Partners(score, fit_of(score))


def apart(a: Analysis, b: Analysis) -> Reason | None:
    """Why two songs are no partners: both must have one meter, the same resting tone, and lengths of which
    one goes into the other."""
    one, other = _full(a.tune), _full(b.tune)
    if {str(bar.meter) for bar in one} != {str(bar.meter) for bar in other} or not one:
        return because("partners_meter")
    if a.tonality.do is None or b.tonality.do is None or a.tonality.resting != b.tonality.resting:
        return because("partners_home")
    long, short = max(len(one), len(other)), min(len(one), len(other))
    if long % short:
        return because("partners_length", first=len(one), second=len(other))
    return None


def beside(a: Analysis, b: Analysis) -> Score:
    """The second song in the first one's key beside it, each as often as it takes; upbeats are left out. A
    song without a home stands alone."""
    home, others = a.tonality.do, b.tonality.do
    if home is None or others is None:
        return Score.solo(a.tune)
    moved = transposed(b.tune, *between(others, home))
    one, other = _full(a.tune), _full(moved)
    bars = max(len(one), len(other))
    parts = (
        Part(a.tune.title, _sung(a.tune, one, bars // len(one))),
        Part(b.tune.title, _sung(moved, other, bars // len(other))),
    )
    return Score(a.tune.title, parts)


def _full(tune: Tune) -> list[Bar]:
    return [bar for bar in tune.bars if bar.number > 0]


def _sung(tune: Tune, bars: list[Bar], times: int) -> Tune:
    plain = [replace(bar, left="single", right="single", ending="", signs=()) for bar in bars]
    return replace(tune, bars=numbered(plain * times), problems=())
