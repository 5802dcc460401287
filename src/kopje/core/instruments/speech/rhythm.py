"""A rhythm for a sentence, of figures that a class knows: stressed syllables on beats, the small ones
between.

Every way to lay the syllables on figures is weighed; the best few are told, each with its reasons. Costs are
integers, so that the answer is the same on every machine. Source: docs/sources.md#words-on-the-beat.
"""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass

from kopje.core.analysis.prosody import place_strength
from kopje.core.errors import TextureError
from kopje.core.exact import Fraction
from kopje.core.instruments.speech.spoken import Said, small
from kopje.core.instruments.texture import Beat
from kopje.core.music.meter import Meter
from kopje.core.practice.reading.figures import Shape, bar_rest, shapes_of
from kopje.core.reasons import Listed, Reason, because, listed

SIMPLE = ("quarter", "two_eighths", "beat_rest")
COMPOUND = ("dotted_quarter", "three_eighths", "quarter_eighth", "compound_beat_rest")
MOST_PROPOSALS, FEWEST = 5, 3
KEPT = 12  # of each place the best so many are followed
MOST_NAMED = 4
MOST_BARS = 16
MORE_BARS = 2  # beyond the fewest that hold the words
HALF = Fraction(1, 2)
# What is wrong for an ear, in tenths of a small flaw. From WRONG on it breaks a rule of the section above.
WRONG = 1000
OFF_BEAT = WRONG  # a stressed syllable inside a figure
NO_REST_FIRST = WRONG  # a light beginning on the first beat
TORN = WRONG  # a rest inside a clause
WEAK_PLACE = 4  # a heavy syllable, per degree of strength that is missing
SMALL_ON_BEAT = 5  # a small one, per degree of strength
LIGHT_ON_BEAT = 3
DRAWN_OUT = 30  # an unstressed syllable longer than a beat
AS_LONG = 6  # one of a whole beat
QUICK = 6  # a stressed syllable shorter than half a beat
WAITING = 5  # a beat of rest before or inside
LATE = 15  # a stressed beginning that is not on the first beat
IDLE = 5  # a beat of rest after the end, beyond the first
BUSY_END = 25  # more than one sound in the last beat
SOFT_END = 12  # two of them for a falling end, equally long; a long and a short one are fine
LONGER = 7  # a bar more than needed
ODD = 9  # neither one, two, four nor eight bars


@dataclass(frozen=True, slots=True)
class Laid:
    """A proposal: its values, which beat of the bar each syllable's tone begins on (None: between beats),
    how many beats it has, and what speaks against it."""

    values: tuple[Beat, ...]
    places: tuple[Fraction, ...]
    bars: int
    cost: int

    @property
    def sound(self) -> bool:
        """Whether it keeps every rule."""
        return self.cost < WRONG


@dataclass(frozen=True, slots=True)
class _Way:
    cost: int
    values: tuple[Beat, ...]
    places: tuple[Fraction, ...]


def why(said: Sequence[Said], laid: Laid, meter: Meter) -> Reason:
    """Why a proposal is as it is: what stands on strong beats, which small ones take a beat, how it begins
    and ends."""
    strong = Fraction(7, 2)
    both = list(zip(said, laid.places, strict=True))
    on_strong = [
        one for one, place in both if one.stressed and place_strength(meter, place * meter.beat) >= strong
    ]
    off = [one for one, place in both if one.stressed and place.denominator != 1]
    leant = [one for one, place in both if not one.stressed and place.denominator == 1]
    found = []
    if on_strong:
        found.append(because("speech_strong", "for", words=_quoted(on_strong)))
    if laid.values[0].rest:
        found.append(because("speech_waits", "for" if not said[0].stressed else "note"))
    if off:
        found.append(because("speech_off_beat", "against", words=_quoted(off)))
    if leant:
        found.append(because("speech_small", "against", words=_quoted(leant)))
    silent = sum((one.length for one in _tail(laid.values)), Fraction(0))
    found.append(because("speech_end_silent" if silent >= 1 else "speech_end_held"))
    return because("speech_why", found[0].weight, said=Listed(tuple(found), by="semicolon"))


def _quoted(every: Sequence[Said]) -> Listed:
    return listed((f"“{one.text}”" for one in every), MOST_NAMED)


def _tail(values: Sequence[Beat]) -> Iterator[Beat]:
    for one in reversed(values):
        if not one.rest:
            return
        yield one


def usual_figures(meter: Meter) -> tuple[str, ...]:
    return COMPOUND if meter.compound else SIMPLE


def proposals(said: Sequence[Said], meter: Meter, figures: Sequence[str] = ()) -> tuple[Laid, ...]:
    """Up to five rhythms in whole bars, the best first. PracticeError for a figure that the meter has not;
    TextureError where these figures hold the words in no way."""
    shapes = _shapes(figures or usual_figures(meter), meter)
    most = max((shape.attacks for shape in shapes if shape.beats <= meter.beats), default=0)
    if most == 0:
        raise TextureError("speech_no_figures", value=list(figures))
    fewest: int | None = None
    found: dict[tuple[Beat, ...], Laid] = {}
    for bars in range(1, MOST_BARS + 1):
        if fewest is not None and bars > fewest + MORE_BARS:
            break
        for way in _ways(said, meter, shapes, bars):
            if _idle(way.values, meter):
                continue
            fewest = bars if fewest is None else fewest
            uneven = 0 if bars in (1, 2, 4, 8) else ODD
            cost = way.cost + (bars - fewest) * LONGER + uneven
            values = _joined(way.values, meter)
            if values not in found or cost < found[values].cost:
                found[values] = Laid(values, way.places, bars, cost)
    if not found:
        raise TextureError("speech_not_held", most=MOST_BARS, value=list(figures))
    every = sorted(found.values(), key=lambda one: (one.cost, one.bars, [b.length for b in one.values]))
    good = [one for one in every if one.sound]
    return tuple((good if len(good) >= FEWEST else every[: max(FEWEST, len(good))])[:MOST_PROPOSALS])


def _shapes(figures: Sequence[str], meter: Meter) -> list[Shape]:
    found: list[Shape] = []
    for key in dict.fromkeys(figures):
        if key == "bar_rest":
            found.append(bar_rest(meter))
        elif key not in ("upbeat", "tie"):
            found += shapes_of(key, meter.compound)
    return found


def _ways(said: Sequence[Said], meter: Meter, shapes: Sequence[Shape], bars: int) -> Iterator[_Way]:
    """The cheapest ways to lay all syllables on so many bars."""
    end = bars * meter.beats
    rows: list[dict[int, list[_Way]]] = [defaultdict(list) for _ in range(end + 1)]
    rows[0][0].append(_Way(0, (), ()))
    for at in range(end):
        beat = at % meter.beats
        for done, ways in rows[at].items():
            best = sorted(ways, key=lambda way: (way.cost, [b.length for b in way.values]))[:KEPT]
            for shape in shapes:
                if beat + shape.beats > meter.beats or done + shape.attacks > len(said):
                    continue
                cost = _cost(said, done, shape, at, end, meter)
                values = tuple(Beat(n, rest) for n, rest in zip(shape.lengths, shape.rests, strict=True))
                places = _places(shape, beat)
                rows[at + shape.beats][done + shape.attacks] += [
                    _Way(way.cost + cost, way.values + values, way.places + places) for way in best
                ]
    yield from sorted(rows[end].get(len(said), []), key=lambda way: way.cost)[:KEPT]


def _idle(values: Sequence[Beat], meter: Meter) -> bool:
    """Whether the first or the last bar is silent."""

    def silent(row: Iterable[Beat]) -> bool:
        left = Fraction(meter.beats)
        for one in row:
            if left <= 0:
                break
            if not one.rest:
                return False
            left -= one.length
        return True

    return silent(values) or silent(reversed(values))


def _places(shape: Shape, beat: int) -> tuple[Fraction, ...]:
    start, found = Fraction(beat), []
    for length, rest in zip(shape.lengths, shape.rests, strict=True):
        if not rest:
            found.append(start)
        start += length
    return tuple(found)


def _cost(said: Sequence[Said], done: int, shape: Shape, at: int, end: int, meter: Meter) -> int:
    """What it costs to lay the next syllables on this figure here."""
    cost, place, now = 0, Fraction(0), done
    for length, rest in zip(shape.lengths, shape.rests, strict=True):
        if rest:
            cost += _rest(said, now, length, at, place, end)
        else:
            strength = place_strength(meter, (at % meter.beats + place) * meter.beat)
            cost += _sound(said, now, length, place, strength)
            now += 1
        place += length
    if done == 0 and shape.attacks:
        if at == 0 and not said[0].stressed and not shape.rests[0]:
            cost += NO_REST_FIRST
        if at > 0 and said[0].stressed:
            cost += LATE
    return cost + (_end(said, shape, now) if at + shape.beats == end else 0)


def _sound(said: Sequence[Said], now: int, length: Fraction, place: Fraction, strength: Fraction) -> int:
    one = said[now]
    if one.stressed:
        cost = int((4 - strength) * WEAK_PLACE) + (OFF_BEAT if place else 0)
        return cost + (QUICK if length < HALF else 0)
    cost = 0
    if place.denominator == 1:
        cost += int(strength * (SMALL_ON_BEAT if small(one) else LIGHT_ON_BEAT))
    if length > 1:
        cost += DRAWN_OUT
    elif length == 1:
        cost += AS_LONG
    return cost


def _rest(said: Sequence[Said], now: int, length: Fraction, at: int, place: Fraction, end: int) -> int:
    if now == 0:
        return int(length * WAITING)
    if now == len(said):
        last = at + place + length == end
        return int(max(length - (1 if last else 0), Fraction(0)) * IDLE)
    return int(length * WAITING) + (0 if said[now - 1].pause else TORN)


def _end(said: Sequence[Said], shape: Shape, now: int) -> int:
    """The last beat is held or silent."""
    starts = _places(shape, 0)
    inside = [place for place in starts if place >= shape.beats - 1]
    if len(inside) < 2:
        return 0
    falling = len(inside) == 2 and now >= 2 and said[now - 2].stressed and not said[now - 1].stressed
    if not falling:
        return BUSY_END
    first = inside[1] - inside[0]
    return 0 if first > shape.beats - inside[1] else SOFT_END


def _joined(values: Sequence[Beat], meter: Meter) -> tuple[Beat, ...]:
    """Rests beside each other in one bar are one."""
    found: list[Beat] = []
    at = Fraction(0)
    for one in values:
        if found and one.rest and found[-1].rest and at % meter.beats:
            found[-1] = Beat(found[-1].length + one.length, True)
        else:
            found.append(one)
        at += one.length
    return tuple(found)
