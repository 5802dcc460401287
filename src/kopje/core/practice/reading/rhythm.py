"""A line of figures that fills its bars: what comes back is planned, each other bar is drawn among all that
the rules leave there, and what concerns the whole line is tried for so many times.

Source: docs/sources.md#made-exercises.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from functools import lru_cache
from itertools import accumulate

from kopje.core.errors import PracticeError
from kopje.core.exact import Fraction
from kopje.core.music.meter import Meter
from kopje.core.practice.reading.chance import Chance
from kopje.core.practice.reading.figures import TIE, UPBEAT, Shape, bar_rest, shapes_of, usual

PHRASE = 4  # bars
TRIES = 400
CADENCE = 3  # a long tone is so many times as likely at the end of a phrase


@dataclass(frozen=True, slots=True)
class RhythmTask:
    """What a line must be. `new`: figures of which one must come; `most_new` tones in new figures, at most;
    `every`: each figure has to come, as far as the bars hold them; `ends`: the last tone begins on a strong
    beat, is at least a beat and the longest of its bar; `most`: tones at most, None for any
    number; `sounding`: beats of a bar (from 0) on which no rest may stand."""

    meter: Meter
    bars: int
    figures: tuple[str, ...]
    new: tuple[str, ...] = ()
    least_new: int = 0
    most_new_share: int = 0  # attacks for one new one; 0: as many as come
    every: bool = False
    upbeat: bool = False
    ends: bool = True
    most: int | None = None
    sounding: tuple[int, ...] = ()


Bar = tuple[Shape, ...]


@dataclass(frozen=True, slots=True)
class Rhythm:
    """Bars of figures; `pickup` is the bar before the first, if there is one."""

    meter: Meter
    bars: tuple[Bar, ...]
    pickup: Bar = ()
    like: tuple[int | None, ...] = ()  # for each bar, the earlier one whose figures it has

    @property
    def attacks(self) -> int:
        return sum(shape.attacks for bar in (self.pickup, *self.bars) for shape in bar)

    @property
    def figures(self) -> Iterator[str]:
        for bar in self.bars:
            yield from (shape.key for shape in bar)


def last_beats(meter: Meter) -> tuple[int, ...]:
    """Where a last tone may begin, beats from 0: the first, and in 2 and 4 beats also the middle one."""
    return (0, meter.beats // 2) if meter.beats in (2, 4) else (0,)


def make_rhythm(task: RhythmTask, chance: Chance) -> Rhythm:
    """A line of the task; PracticeError naming the rule that cannot be met."""
    _checked(task)
    tried = (_drawn(task, chance, attempt) for attempt in range(TRIES))
    found = next((one for one in tried if one is not None and _kept(one, task)), None)
    if found is None:
        raise PracticeError("no_such_rhythm", value=task.figures)
    return found


def _checked(task: RhythmTask) -> None:
    if not _bars(task, task.meter.beats, ""):
        raise PracticeError("figures_do_not_fill", meter=str(task.meter), value=task.figures)
    if task.ends and not can_end(task):
        raise PracticeError("figures_do_not_end", meter=str(task.meter), value=task.figures)


def can_end(task: RhythmTask) -> bool:
    """Whether some bar of these figures may be the last."""
    return bool(_closing(task, _last_length(task)))


def _last_length(task: RhythmTask) -> int:
    return task.meter.beats - (1 if task.upbeat else 0)


@lru_cache(maxsize=128)
def _shapes(figures: tuple[str, ...], compound: bool) -> tuple[Shape, ...]:
    names = [key for key in figures if key not in (UPBEAT, TIE, "bar_rest")]
    return tuple(shape for key in names for shape in shapes_of(key, compound))


def _bars(task: RhythmTask, beats: int, before: str) -> tuple[tuple[Bar, int], ...]:
    """Every bar of so many beats with how usual it is; `before` is "rest" where it must not begin with one,
    "start" where nothing has sounded yet."""
    return _every_bar(task.figures, task.meter, beats, before, task.sounding)


MISSING = 40  # so many times as welcome is what has not come yet, where it has to come
MOST_WAYS = 6_000


@lru_cache(maxsize=128)
def _every_bar(
    figures: tuple[str, ...], meter: Meter, beats: int, before: str, sounding: tuple[int, ...]
) -> tuple[tuple[Bar, int], ...]:
    shapes = _shapes(figures, meter.compound)
    found: list[tuple[Bar, int]] = []

    def grow(bar: Bar, at: int, weight: int) -> None:
        if len(found) >= MOST_WAYS:
            return
        if at == beats:
            found.append((bar, weight))
            return
        for shape in shapes:
            fits = at + shape.beats <= beats and not (shape.rests[0] and at in sounding)
            if fits and _may_follow(bar, shape, before):
                grow((*bar, shape), at + shape.beats, weight * usual(shape, at, meter, bool(sounding)))

    grow((), 0, 1)
    if "bar_rest" in figures and before == "":
        found.append(((bar_rest(meter),), 1))
    return tuple(found)


def _may_follow(bar: Bar, shape: Shape, before: str) -> bool:
    """A rest is never first and never twice in a row."""
    silent = bar[-1].rests[-1] if bar else before != ""
    return not (silent and shape.rests[0])


def _closing(task: RhythmTask, beats: int) -> tuple[tuple[Bar, int], ...]:
    """Every last bar: its last tone on a strong beat, at least a beat, the longest, then only rests."""
    return tuple((bar, weight) for bar, weight in _bars(task, beats, "rest") if closes(bar, task.meter))


def closes(bar: Bar, meter: Meter) -> bool:
    tones = [(start, length) for start, length, rest in _laid(bar) if not rest]
    if not tones:
        return False
    start, length = tones[-1]
    longest = max(length for _, length in tones)
    return start in last_beats(meter) and length >= 1 and length == longest


def _laid(bar: Bar) -> Iterator[tuple[Fraction, Fraction, bool]]:
    at = Fraction(0)
    for shape in bar:
        for length, rest in zip(shape.lengths, shape.rests, strict=True):
            yield at, length, rest
            at += length


def _drawn(task: RhythmTask, chance: Chance, attempt: int) -> Rhythm | None:
    """What is new comes in one or two bars, and again where these come again."""
    like = _plan(task.bars, chance) if attempt < TRIES // 2 else (None,) * task.bars
    carriers = {chance.below(task.bars) for _ in range(1 if attempt % 2 else 2)} if task.new else set[int]()
    bars: list[Bar] = []
    for number in range(task.bars):
        last = number == task.bars - 1
        source = like[number]
        before = "start" if not bars and not task.upbeat else "rest" if _ends_silent(bars) else ""
        if source is not None and not (bars[source][0].rests[0] and before) and not (last and task.ends):
            bars.append(bars[source])
            continue
        options = _options(task, last, before, number in carriers)
        if not options.bars:
            return None
        missing = frozenset(task.figures).difference(*([s.key for s in bar] for bar in bars))
        bars.append(_pick(options, task, number % 2 == 1, attempt, missing, chance))
    pickup = _pickup(task, chance) if task.upbeat else ()
    told = tuple(
        source if source is not None and bars[source] == bars[number] else None
        for number, source in enumerate(like)
    )
    return Rhythm(task.meter, tuple(bars), pickup, told)


def _options(task: RhythmTask, last: bool, before: str, carries: bool) -> _Choice:
    """The bars that may stand here; with just one new figure where one is to come, else with none."""
    return _choice(
        task.figures,
        task.meter,
        _last_length(task) if last else task.meter.beats,
        before,
        task.sounding,
        last and task.ends,
        task.new,
        carries,
    )


@dataclass(frozen=True, slots=True)
class _Choice:
    """Bars with the sums of how usual they are, plainly and at the end of a phrase."""

    bars: tuple[Bar, ...]
    usual: tuple[int, ...]
    plain: tuple[int, ...]
    cadence: tuple[int, ...]


@lru_cache(maxsize=128)
def _choice(
    figures: tuple[str, ...],
    meter: Meter,
    beats: int,
    before: str,
    sounding: tuple[int, ...],
    closing: bool,
    new: tuple[str, ...],
    carries: bool,
) -> _Choice:
    found = _every_bar(figures, meter, beats, before, sounding)
    if closing:
        found = tuple(one for one in found if closes(one[0], meter))
    if new:
        kept = tuple(one for one in found if sum(shape.key in new for shape in one[0]) == int(carries))
        found = kept or found
    usual = tuple(weight for _, weight in found)
    late = (weight * (CADENCE if _long_end(bar) else 1) for bar, weight in found)
    return _Choice(tuple(bar for bar, _ in found), usual, tuple(accumulate(usual)), tuple(accumulate(late)))


def _pick(
    options: _Choice, task: RhythmTask, cadence: bool, attempt: int, missing: frozenset[str], chance: Chance
) -> Bar:
    """Fewer tones the longer nothing was found, where the number of tones is bounded; what has not come yet,
    where every figure has to."""
    if task.most is None and not task.every:
        return options.bars[chance.summed(options.cadence if cadence else options.plain)]
    thin = min(attempt // 20, 8) if task.most is not None else 0
    weights = [
        max(16 * usual >> (sum(shape.attacks for shape in bar) * thin), 1)
        * (MISSING ** len(missing & {shape.key for shape in bar}) if task.every else 1)
        for bar, usual in zip(options.bars, options.usual, strict=True)
    ]
    return chance.pick(options.bars, weights)


def _long_end(bar: Bar) -> bool:
    return bar[-1].beats > 1 or bar[-1].rests[-1]


def _ends_silent(bars: Sequence[Bar]) -> bool:
    return bool(bars) and bars[-1][-1].rests[-1]


def _pickup(task: RhythmTask, chance: Chance) -> Bar:
    options = [shape for shape in _shapes(task.figures, task.meter.compound) if shape.beats == 1]
    options = [s for s in options if not any(s.rests) and s.attacks <= 2 and s.key not in task.new]
    if not options:
        raise PracticeError("figures_no_upbeat", value=task.figures)
    return (chance.pick(options),)


# For each bar of four, the earlier bar whose figures come back in it, and how often.
_FOUR: tuple[tuple[tuple[int | None, ...], int], ...] = (
    ((None, None, 0, None), 9),
    ((None, 0, None, None), 3),
    ((None, None, 0, 1), 2),
    ((None, None, 1, None), 2),
    ((None, None, None, None), 4),
)


def _plan(bars: int, chance: Chance) -> tuple[int | None, ...]:
    """Which bars have the figures of an earlier one: two phrases that ask and answer begin alike."""
    plan: list[int | None] = []
    while len(plan) < bars:
        shape = chance.pick([one for one, _ in _FOUR], [often for _, often in _FOUR])
        start = len(plan)
        alike = chance.pick((0, 1, 2, 3), (3, 2, 4, 2)) if start else 0
        plan += [start - PHRASE + n if n < alike else _moved(shape[n], start) for n in range(PHRASE)]
    return tuple(plan[:bars])


def _moved(place: int | None, by: int) -> int | None:
    return None if place is None else place + by


def _kept(found: Rhythm, task: RhythmTask) -> bool:
    """What concerns the whole line."""
    total = found.attacks
    if task.most is not None and total > task.most:
        return False
    new = [shape for bar in found.bars for shape in bar if shape.key in task.new]
    fresh = sum(shape.attacks for shape in new) + (
        sum(s.attacks for s in found.pickup) if UPBEAT in task.new else 0
    )
    if task.new and len(new) + bool(found.pickup and UPBEAT in task.new) < task.least_new:
        return False
    if task.most_new_share and max(fresh, len(new)) * task.most_new_share > total:
        return False
    return not task.every or _has_every(found, task)


def _has_every(found: Rhythm, task: RhythmTask) -> bool:
    there = set(found.figures)
    wanted = [key for key in task.figures if key not in (UPBEAT, TIE)]
    room = task.bars * task.meter.beats
    least = {shape.key: shape.beats for shape in _shapes(task.figures, task.meter.compound)}
    needed = sum(least.get(key, task.meter.beats) for key in wanted)
    if needed > room:
        return len(there) >= min(len(wanted), 2)
    return all(key in there for key in wanted)
