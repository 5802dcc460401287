"""An exercise to read, made from its task and a seed. Source: docs/sources.md#made-exercises."""

from __future__ import annotations

from dataclasses import dataclass, replace

from kopje.core.analysis.key_choice import Voice
from kopje.core.errors import PracticeError
from kopje.core.music.degree import Do
from kopje.core.music.meter import Meter
from kopje.core.practice.reading.chance import Chance
from kopje.core.practice.reading.figures import UPBEAT
from kopje.core.practice.reading.ground import Motion
from kopje.core.practice.reading.levels import Key, ReadingTask, keys_of, voices_of
from kopje.core.practice.reading.news import new_enough, news_for
from kopje.core.practice.reading.parts import ending, ground_for, sing_together
from kopje.core.practice.reading.rhythm import RhythmTask, make_rhythm
from kopje.core.practice.reading.spots import Event, VoiceTask, laid
from kopje.core.practice.reading.together import chord_beats
from kopje.core.practice.reading.voice import sing
from kopje.core.reasons import because

FEWEST_BARS, MOST_BARS = 2, 16
TRIES = 200
SOFTER = 12  # attempts without a rule, to see whether it stood in the way
LATER = 2  # attempts after which another do is tried
SHARPS = (1, 2, 2, 3)  # how closely an exercise keeps to what tunes do


@dataclass(frozen=True, slots=True)
class Made:
    """An exercise: its parts from high to low."""

    meter: Meter
    do: Do
    resting: str
    voices: tuple[tuple[Event, ...], ...]

    @property
    def pitched(self) -> bool:
        return any(event.degree is not None for voice in self.voices for event in voice)


def make(task: ReadingTask, meter: Meter, bars: int, seed: int, section: Voice | None = None) -> Made:
    """The exercise of a seed; PracticeError naming the rule that stood in the way of every try."""
    _checked(task, meter, bars)
    keys = keys_of(task, voices_of(task.parts, section))
    chance = Chance(seed)
    room = [_room(task, key) for key in keys]
    key = chance.pick(keys, room)
    for attempt in range(TRIES):
        voices = _attempt(task, meter, bars, key, chance, attempt)
        if voices is not None and new_enough(task, voices):
            return Made(meter, key.do, task.resting, voices)
        if attempt % LATER == LATER - 1:
            key = chance.pick(keys, room)
    rule = _in_the_way(task, meter, bars, keys, chance)
    raise PracticeError("reading_no_line", rule=because(rule), value=[str(tone) for tone in task.tones])


def _in_the_way(task: ReadingTask, meter: Meter, bars: int, keys: tuple[Key, ...], chance: Chance) -> str:
    """The rule without which there would be an exercise."""
    free = replace(task, one_peak=False)
    softer = (
        ("rule_news", replace(task, share=0)),
        ("rule_high_place", free),
        ("rule_motion", replace(free, motion=Motion(kind="leaps"))),
    )
    for rule, other in softer:
        for attempt in range(SOFTER):
            found = _attempt(other, meter, bars, chance.pick(keys), chance, attempt)
            if found is not None and (rule != "rule_news" or task.share):
                return rule
    return "rule_end"


def _room(task: ReadingTask, key: Key) -> int:
    """How gladly do lies there: the highest part needs most tones, and most of those that it knows."""
    known = sum(str(degree) not in task.new_tones for degree in key.tones[0])
    return max(known - 2, 1) ** 3


def _checked(task: ReadingTask, meter: Meter, bars: int) -> None:
    if str(meter) not in task.meters:
        raise PracticeError("reading_meter", meter=str(meter), meters=" ".join(task.meters), value=str(meter))
    if not FEWEST_BARS <= bars <= MOST_BARS:
        raise PracticeError("reading_bars", fewest=FEWEST_BARS, most=MOST_BARS, value=bars)


def rhythm_task(
    task: ReadingTask, meter: Meter, bars: int, upbeat: bool, most: int | None = None
) -> RhythmTask:
    """What the figures of a part must be."""
    figures = tuple(key for key in task.figures if key != UPBEAT and _stands_in(key, meter))
    new = tuple(key for key in task.new_figures if key in figures or (key == UPBEAT and upbeat))
    room = task.share + int(task.parts > 1 and bool(task.new_tones)) if task.share else 0
    needs = int(bool(new) and task.parts == 1)
    sounding = chord_beats(meter) if task.parts > 1 else ()
    return RhythmTask(
        meter, bars, figures, new, needs, room, task.every_figure, upbeat, most=most, sounding=sounding
    )


def _stands_in(key: str, meter: Meter) -> bool:
    return not (key == "whole" and meter.beats < 4)


def _attempt(
    task: ReadingTask, meter: Meter, bars: int, key: Key, chance: Chance, attempt: int
) -> tuple[tuple[Event, ...], ...] | None:
    upbeat = UPBEAT in task.figures and chance.percent(35)
    figures = rhythm_task(task, meter, bars, upbeat, _most_tones(task, bars, attempt))
    lowest = make_rhythm(figures, chance)
    sharp = chance.pick(SHARPS)
    if task.parts > 1:
        return sing_together(task, key, figures, lowest, sharp, chance)
    tones = key.tones[0]
    budget = lowest.attacks // task.share if task.share else 0
    wanted = bool(task.new_tones), task.known is not None
    events = laid(lowest)
    voice = VoiceTask(
        ground_for(task, tones, sharp),
        task.home,
        task.resting,
        ending(task, tones),
        news_for(task, tones, events, budget, chance, wanted),
        one_peak=task.one_peak,
    )
    sung = sing(voice, lowest, events, chance)
    return None if sung is None else (sung.events,)


def _most_tones(task: ReadingTask, bars: int, attempt: int) -> int | None:
    """Few tones carry a short line only, where a highest tone comes once and none four times in a row."""
    if task.one_peak and len(task.tones) <= 3:
        return max(3 * (2 * len(task.tones) - 1), 4) * max(bars // 4, 1) - attempt // 10
    return None
