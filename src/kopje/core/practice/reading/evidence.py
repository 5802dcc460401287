"""What readings say: which help a class still needs, whether a level is done, what to do after an error, and
which intervals fail.

Source: docs/sources.md#reading-evidence.
"""

from __future__ import annotations

from collections.abc import Container, Iterable
from dataclasses import dataclass
from datetime import datetime
from typing import Literal, get_args

from kopje.core.exact import Fraction
from kopje.core.music.degree import Degree
from kopje.core.reasons import Reason, because

Shown = Literal["every", "skips", "first", "none"]
SHOWN: tuple[Shown, ...] = get_args(Shown)
Helped = Literal["from_bar", "hold", "two_tones", "turned", "octave", "model"]
HELPED: tuple[Helped, ...] = get_args(Helped)  # after an error, the least help first
FADES_AFTER = 2  # clean readings in a row
LATELY = 40  # readings of which the interval log speaks
HALF_LIFE = 20  # readings after which one counts half


@dataclass(frozen=True, slots=True)
class Reading:
    """One exercise read by a class. `shown`: which syllables stood there; `modelled`: somebody sang, signed
    or played along; `again`: read a second time, as practice; `failed`: the move that went wrong; `met`: all
    moves of the exercise; `helped`: what helped after the error."""

    moment: datetime
    due: str
    clean: bool
    shown: Shown = "none"
    modelled: bool = False
    again: bool = False
    failed: tuple[str, str] | None = None
    met: tuple[tuple[str, str], ...] = ()
    helped: Helped | None = None

    @property
    def alone(self) -> bool:
        """Unseen and without any help."""
        return self.shown == "none" and not self.modelled and not self.again


def help_now(readings: Iterable[Reading], due: str) -> Shown:
    """Every note at first; a step less after two clean readings with the same help, a step more after two
    that were not.

    >>> help_now([], "re")
    'every'
    """
    stage, row = 0, 0
    for one in sorted((r for r in readings if r.due == due and not r.again), key=lambda r: r.moment):
        if one.modelled or SHOWN.index(one.shown) < stage:
            continue  # more help than was needed says nothing
        row = row + 1 if one.clean and row >= 0 else 1 if one.clean else row - 1 if row <= 0 else -1
        if row >= FADES_AFTER and stage < len(SHOWN) - 1:
            stage, row = stage + 1, 0
        elif row <= -FADES_AFTER and stage > 0:
            stage, row = stage - 1, 0
    return SHOWN[stage]


Advice = Literal["read", "again", "up", "isolate"]


def advice(readings: Iterable[Reading], due: str) -> tuple[Advice, Reason]:
    """What to do next: two clean readings of unseen exercises without help go up; an error is isolated, and
    another exercise of the same kind follows."""
    mine = sorted((r for r in readings if r.due == due and r.alone), key=lambda r: r.moment)
    if not mine:
        return "read", because("reading_none_yet")
    last = mine[-1]
    if not last.clean:
        if last.failed:
            return "isolate", because("reading_broke_at", one=last.failed[0], two=last.failed[1])
        return "isolate", because("reading_broke")
    if len(mine) >= FADES_AFTER and all(one.clean for one in mine[-FADES_AFTER:]):
        return "up", because("reading_two_clean", count=FADES_AFTER)
    return "again", because("reading_one_clean")


@dataclass(frozen=True, slots=True)
class Weak:
    """An interval as it fails: from a tone to the next, how often it was met and failed lately, and when it
    failed last. `share` counts late readings more."""

    one: str
    two: str
    met: int
    failed: int
    last: datetime
    share: Fraction


def interval_log(readings: Iterable[Reading]) -> tuple[Weak, ...]:
    """The moves that failed, the weakest first: by their share of failures, later readings counting more, as
    if each had been met twice more without failing."""
    lately = sorted((r for r in readings if not r.again), key=lambda r: r.moment)[-LATELY * 10 :]
    total = len(lately)
    met: dict[tuple[str, str], list[int]] = {}
    failed: dict[tuple[str, str], list[int]] = {}
    last: dict[tuple[str, str], datetime] = {}
    for at, one in enumerate(lately):
        weight = 2 ** max(10 - (total - 1 - at) // HALF_LIFE, 0)
        for move in dict.fromkeys(one.met):
            met.setdefault(move, []).append(weight)
        if one.failed:
            failed.setdefault(one.failed, []).append(weight)
            last[one.failed] = one.moment
    found = [
        Weak(
            *move,
            len(met.get(move, ())),
            len(weights),
            last[move],
            Fraction(sum(weights), sum(met.get(move, weights)) + 2 * 2**10),
        )
        for move, weights in failed.items()
    ]
    return tuple(sorted(found, key=lambda w: (-w.share, -w.failed, w.one, w.two)))


def warm_up(one: str, two: str, known: Container[str] | None = None) -> tuple[tuple[str, ...], ...]:
    """Rows to sing for an interval: filled by steps where the class knows these tones, then bare, then the
    other way round, then to and fro.

    >>> warm_up("do", "mi")
    (('do', 're', 'mi'), ('do', 'mi', 'do'), ('mi', 'do', 'mi'), ('do', 'mi', 'do', 'mi', 'do'))
    """
    low, high = sorted(map(Degree.parse, (one, two)), key=lambda d: d.semitones)
    between = [Degree((low.step + n) % 7, 0, (low.step + n) // 7) for n in range(1, high.step - low.step)]
    up = tuple(map(str, (low, *between, high)))
    filled = up if one == str(low) else tuple(reversed(up))
    bare = ((one, two, one), (two, one, two), (one, two, one, two, one))
    return (filled, *bare) if known is None or all(tone in known for tone in filled) else bare
