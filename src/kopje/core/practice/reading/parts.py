"""Parts that are read together: phrase by phrase, in each the lowest part first, then those above it.

Source: docs/sources.md#made-exercises.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

from kopje.core.exact import Fraction
from kopje.core.music.degree import Degree
from kopje.core.practice.reading.chance import Chance
from kopje.core.practice.reading.ground import Ground, ground_of
from kopje.core.practice.reading.levels import Key, ReadingTask, home_tone
from kopje.core.practice.reading.news import NEWS_TRIES, budget_for, news_for, still_wanted
from kopje.core.practice.reading.rhythm import PHRASE, Rhythm, RhythmTask, make_rhythm
from kopje.core.practice.reading.spots import Event, VoiceTask, laid
from kopje.core.practice.reading.together import TONIC, Chord, chords_under, for_chords, laid_over
from kopje.core.practice.reading.voice import Sung, may_be_sung, sing

AGAIN = 3  # chords that are tried under one lowest part
PHRASE_TRIES = 12  # of one phrase, before the whole is begun anew
FIRST_TRIES = 3  # of the first one: to begin anew costs little there
CLOSE = frozenset({"ti,", "re"})  # before the last tone of the lowest part
TURNS = 25  # in how many of a hundred a turn comes back in a part


@dataclass(frozen=True, slots=True)
class Phrase:
    """Bars that are made together: their figures in the lowest part, the number of the first, the beats
    before it, and whether the exercise ends with them."""

    rhythm: Rhythm
    first: int
    start: Fraction
    last: bool


@dataclass(frozen=True, slots=True)
class Setting:
    """What holds for the whole exercise."""

    task: ReadingTask
    key: Key
    figures: RhythmTask
    sharp: int


def ground_for(task: ReadingTask, tones: tuple[Degree, ...], sharp: int) -> Ground:
    return ground_of(tones, task.motion, task.home, task.falling, sharp)


def ending(task: ReadingTask, tones: tuple[Degree, ...]) -> frozenset[str]:
    """The last tone of the lowest part."""
    return frozenset(str(tone) for tone in (home_tone(task, tones),) if tone is not None)


def phrases_of(rhythm: Rhythm) -> Iterator[Phrase]:
    size = PHRASE if len(rhythm.bars) % PHRASE == 0 else len(rhythm.bars)
    start = Fraction(0)
    for first in range(0, len(rhythm.bars), size):
        bars = rhythm.bars[first : first + size]
        pickup = rhythm.pickup if first == 0 else ()
        like = tuple(None if n is None or n < first else n - first for n in rhythm.like[first : first + size])
        yield Phrase(Rhythm(rhythm.meter, bars, pickup, like), first, start, first + size >= len(rhythm.bars))
        start += sum(shape.beats for bar in (pickup, *bars) for shape in bar)


def sing_together(
    task: ReadingTask, key: Key, figures: RhythmTask, lowest: Rhythm, sharp: int, chance: Chance
) -> tuple[tuple[Event, ...], ...] | None:
    """The parts from high to low; None where a phrase was not found."""
    setting = Setting(task, key, figures, sharp)
    made: list[list[Sung]] = [[] for _ in range(task.parts)]  # from low to high, phrase by phrase
    for phrase in phrases_of(lowest):
        tries = PHRASE_TRIES if phrase.first else FIRST_TRIES
        tried = (_phrase(setting, phrase, made, chance) for _ in range(tries))
        found = next((one for one in tried if one is not None), None)
        if found is None:
            return None
        for part, sung in zip(made, found, strict=True):
            part.append(sung)
    return tuple(_joined(part) for part in reversed(made))


def _joined(part: Sequence[Sung]) -> tuple[Event, ...]:
    return tuple(event for sung in part for event in sung.events)


def _phrase(
    setting: Setting, phrase: Phrase, made: Sequence[Sequence[Sung]], chance: Chance
) -> list[Sung] | None:
    bass = _lowest(setting, phrase, made[0], chance)
    if bass is None:
        return None
    task = setting.task
    for _ in range(AGAIN):
        chords = chords_under(bass.events, setting.figures.meter, task.home, chance, phrase.last)
        if chords is None:
            return None
        sung = [bass]
        for _part in range(1, task.parts):
            above = _above(setting, phrase, made, sung, chords, chance)
            if above is None:
                break
            sung.append(above)
        if len(sung) == task.parts:
            return sung
    return None


def _lowest(setting: Setting, phrase: Phrase, before: Sequence[Sung], chance: Chance) -> Sung | None:
    task, tones = setting.task, setting.key.tones[-1]
    ground = ground_for(task, tones, setting.sharp)
    events = laid(phrase.rhythm, phrase.first, phrase.start)
    budget = phrase.rhythm.attacks * chance.pick((1, 2, 3)) // (2 * task.share) if task.share else 0
    close = CLOSE if task.close and task.resting == "do" and phrase.last else frozenset[str]()
    voice = VoiceTask(
        ground,
        task.home,
        task.resting,
        ending(task, tones) if phrase.last else frozenset(map(str, tones)),
        news_for(task, tones, events, budget, chance),
        TURNS,
        task.one_peak,
        close,
    )
    over = for_chords(events, setting.figures.meter, ground, task.home)
    return sing(voice, phrase.rhythm, events, chance, over, before[-1] if before else None)


def _above(
    setting: Setting,
    phrase: Phrase,
    made: Sequence[Sequence[Sung]],
    below: Sequence[Sung],
    chords: Sequence[Chord],
    chance: Chance,
) -> Sung | None:
    task, number = setting.task, len(below)
    tones = setting.key.tones[task.parts - 1 - number]
    rhythm = _beside_rhythm(setting, phrase, chance)
    events = laid(rhythm, phrase.first, phrase.start)
    ground = ground_for(task, tones, chance.pick((setting.sharp, 1)))
    there = [(*_joined(made[n]), *sung.events) for n, sung in enumerate(below)]
    here = [sung.events for sung in below]
    triad = _may_end(task, phrase, tones, below)
    every = [_joined(part) for part in made]
    wanted = still_wanted(task, here, [*every, *here]) if phrase.last else (False, False)
    before = made[number][-1] if made[number] else None
    over = laid_over(events, ground.degrees, there, chords)
    bare = VoiceTask(ground, task.home, task.resting, triad, None, TURNS, task.one_peak)
    if not may_be_sung(bare, rhythm, events, over):
        return None
    for attempt in range(NEWS_TRIES if task.share else 1):
        budget = budget_for(task, here, rhythm.attacks, attempt)
        news = news_for(task, tones, events, budget, chance, wanted)
        sung = sing(replace(bare, news=news), rhythm, events, chance, over, before)
        if sung is not None:
            return sung
    return None


def _beside_rhythm(setting: Setting, phrase: Phrase, chance: Chance) -> Rhythm:
    """The figures of the lowest part in half of the parts; else others with the same end."""
    lowest = phrase.rhythm
    if chance.percent(50):
        return lowest
    figures = replace(
        setting.figures,
        bars=len(lowest.bars),
        new=(),
        least_new=0,
        most_new_share=0,
        upbeat=False,
        ends=False,
    )
    own = make_rhythm(figures, chance)
    bars = (*own.bars[:-1], lowest.bars[-1])
    if bars[-1][0].rests[0] and bars[-2][-1].rests[-1]:
        return lowest
    return Rhythm(lowest.meter, bars, lowest.pickup, (*own.like[:-1], None))


THIRD = {"do": "mi", "la": "do"}


def _may_end(
    task: ReadingTask, phrase: Phrase, tones: tuple[Degree, ...], below: Sequence[Sung]
) -> frozenset[str]:
    """On what a part above may end: at the very end tones of the home triad, and the third where no part
    below has it and none comes above."""
    if not phrase.last:
        return frozenset(map(str, tones))
    last = len(below) == task.parts - 1
    third = task.parts > 2 and last and not _third_sounds(below, task.home)
    names = {THIRD[task.home]} if third else TONIC[task.home]
    return frozenset(str(tone) for tone in tones if tone.syllable in names)


def _third_sounds(parts: Sequence[Sung], home: str) -> bool:
    return any(_last(part.events).syllable == THIRD[home] for part in parts)


def _last(voice: Sequence[Event]) -> Degree:
    return next(event.degree for event in reversed(voice) if event.degree is not None)
