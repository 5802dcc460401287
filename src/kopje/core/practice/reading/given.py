"""What a class can be given to read: for every concept it can name, of what it knows; for a choir its levels.

Source: docs/sources.md#made-exercises.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache
from itertools import pairwise
from typing import Literal, get_args

from kopje.core.analysis.key_choice import Voice
from kopje.core.choir.rungs import is_level
from kopje.core.errors import PracticeError
from kopje.core.music.degree import Degree, plain_do
from kopje.core.music.meter import Meter
from kopje.core.practice.reading.figures import UPBEAT, shapes_of
from kopje.core.practice.reading.ground import Motion
from kopje.core.practice.reading.levels import ReadingTask, in_order, task_of
from kopje.core.practice.reading.make import Made, make
from kopje.core.practice.reading.own import Kind, rhythm_line
from kopje.core.practice.reading.rhythm import RhythmTask, can_end
from kopje.core.sequence.concepts import Concept

Sort = Literal["rhythm", "melody", "level"]
Dose = Literal["little", "some", "much"]
SORTS: tuple[Sort, ...] = get_args(Sort)
HOMES = ("do", "la,")  # where a line ends, else on its lowest tone
MOTIONS: tuple[Kind, ...] = ("steps", "skips", "leaps")
LENGTHS = (2, 4, 8)
SHARE: dict[Dose, int] = {"little": 5, "some": 3, "much": 2}
DOS = ("F", "G", "D", "C", "A", "Bb", "Eb")  # where do lies, in the order in which it is offered
PLAIN_FIGURES = ("quarter", "two_eighths")  # what a class speaks before it reads tones
FEW_SIGNS = 1
FEWEST_SUNG = 5  # of many tones, where not all lie well for a voice
FEWEST_FOR_PEAK = 4  # tones; with fewer a single highest tone would be all there is


@dataclass(frozen=True, slots=True)
class Offer:
    """Something to read: `due` is the concept or level, `tones` and `figures` all that may come, `new_tones`
    and `new_figures` those of the concept; `before` the level before; `home` where a line ends, where that is
    not as usual."""

    sort: Sort
    due: str
    tones: tuple[str, ...] = ()
    figures: tuple[str, ...] = ()
    meters: tuple[str, ...] = ()
    new_tones: tuple[str, ...] = ()
    new_figures: tuple[str, ...] = ()
    before: str | None = None
    home: str = ""


@dataclass(frozen=True, slots=True)
class Wish:
    """How one exercise is to be. What is empty is chosen by what is usual."""

    sort: Sort
    due: str
    bars: int = 4
    meter: str = ""
    do: str = ""
    motion: Kind = "leaps"
    dose: Dose = "some"
    plain: bool = False  # only the figures that every class speaks


def offers(named: Sequence[Concept], choir: bool) -> tuple[Offer, ...]:
    """Everything to be read by who can name these concepts, in their order: what a concept is read with is
    what came before it. A level is offered to a choir."""
    levels = [concept.key for concept in named if is_level(concept.key)]
    figures, meters = _figures(named), _meters(named)
    tones: list[str] = []
    had: list[str] = []
    found: list[Offer] = []
    for concept in named:
        if is_level(concept.key):
            if choir:
                at = levels.index(concept.key)
                found.append(Offer("level", concept.key, before=levels[at - 1] if at else None))
            continue
        own = tuple(key for key in concept.elements if key in figures)
        had += own
        room = tuple(meter for meter in meters if _stands_in(own, Meter.parse(meter)))
        if own and room:
            found.append(Offer("rhythm", concept.key, (), tuple(dict.fromkeys(had)), room, (), own))
        tones += concept.degrees
        if concept.degrees and len(set(tones)) > 1:
            known, new = tuple(dict.fromkeys(tones)), tuple(dict.fromkeys(concept.degrees))
            read = figures or PLAIN_FIGURES
            ends = tuple(meter for meter in meters if _ends_in(read, Meter.parse(meter)))
            found.append(Offer("melody", concept.key, known, read, ends or meters[:1], new))
    return tuple(found)


def _stands_in(figures: tuple[str, ...], meter: Meter) -> bool:
    """Whether a bar is long enough for some of these figures."""
    return any(shape.beats <= meter.beats for key in figures for shape in shapes_of(key, meter.compound))


@lru_cache(maxsize=256)
def _ends_in(figures: tuple[str, ...], meter: Meter) -> bool:
    """Whether a line of these figures can come to its end there."""
    return can_end(RhythmTask(meter, LENGTHS[1], figures))


def _figures(named: Iterable[Concept]) -> tuple[str, ...]:
    """The figures of simple meter; ties and upbeats are taken up by themselves."""
    simple = []
    for concept in named:
        for key in concept.elements:
            if key in (UPBEAT, "tie", "bar_rest"):
                continue
            try:
                shapes_of(key, compound=False)
            except PracticeError:
                continue  # of compound meter
            simple.append(key)
    return tuple(dict.fromkeys(simple))


def _meters(named: Iterable[Concept]) -> tuple[str, ...]:
    known = [m for concept in named for m in concept.meters if m in ("2/4", "3/4", "4/4")]
    return tuple(dict.fromkeys(["2/4", *known]))


def made_of(offer: Offer, wish: Wish, seed: int, voice: Voice | None = None) -> Made:
    """The exercise of a seed; PracticeError naming what stands in the way."""
    if offer.sort == "level":
        task = task_of(offer.due, offer.before)
        if wish.do:
            task = replace(task, dos=(wish.do,)) if wish.do in task.dos else task
        asked = wish.meter if wish.meter in task.meters else task.meters[-1]
        return make(task, Meter.parse(asked), wish.bars, seed, voice if task.parts == 1 else None)
    meter = Meter.parse(wish.meter if wish.meter in offer.meters else offer.meters[0])
    if offer.sort == "rhythm":
        figures = _some_figures(offer, meter, wish)
        return rhythm_line(figures, meter, wish.bars, seed, offer.new_figures, _share(offer, wish))
    return make(_melody_task(offer, wish, meter, voice), meter, wish.bars, seed, voice)


def _share(offer: Offer, wish: Wish) -> int:
    """The quarter is in everything: what comes with it has no bound."""
    return 0 if set(PLAIN_FIGURES) & set(offer.new_figures) else SHARE[wish.dose] - 1


def _some_figures(offer: Offer, meter: Meter, wish: Wish) -> tuple[str, ...]:
    """The concept's figures, and those that are read beside them: all, or only the plain ones."""
    beside = [key for key in offer.figures if not wish.plain or key in PLAIN_FIGURES]
    return tuple(
        key
        for key in dict.fromkeys([*offer.new_figures, *beside])
        if min(shape.beats for shape in shapes_of(key, meter.compound)) <= meter.beats
    )


def _melody_task(offer: Offer, wish: Wish, meter: Meter, voice: Voice | None) -> ReadingTask:
    tones = in_order(offer.tones)
    figures = offer.figures if not wish.plain else tuple(k for k in offer.figures if k in PLAIN_FIGURES)
    figures = figures or PLAIN_FIGURES
    figures = tuple(dict.fromkeys([*figures, *(("half",) if "half" in offer.figures else ())]))
    there = {str(tone) for tone in tones}
    resting = next((home for home in HOMES if home in there), None)
    resting = offer.home or (resting.rstrip(",") if resting else tones[0].syllable)
    new = frozenset(offer.new_tones)
    all_new = all(str(tone) in new for tone in tones)
    return ReadingTask(
        1,
        (wish.do,) if wish.do else _dos(tones, voice),
        (str(meter),),
        figures,
        tones,
        Motion(kind=wish.motion),
        resting,
        new_tones=frozenset() if all_new else new,
        least_new=0 if all_new else 2,
        share=0 if all_new else SHARE[wish.dose],
        one_peak=len(tones) >= FEWEST_FOR_PEAK,
        fewest=min(len(tones), FEWEST_SUNG),
    )


def _dos(tones: tuple[Degree, ...], voice: Voice | None) -> tuple[str, ...]:
    """Where all tones lie well for the voice, gladly with few signs; where there is no such do, where most of
    them do."""
    if voice is None:
        return DOS[:4]
    low, high = tones[0], tones[-1]
    fits = [
        letter
        for letter in DOS
        for octave in (3, 4, 5)
        if voice.low.midi <= plain_do(letter).at(octave).sounding(low).midi
        and plain_do(letter).at(octave).sounding(high).midi <= voice.high.midi
    ]
    plain = [letter for letter in dict.fromkeys(fits) if abs(plain_do(letter).fifths) <= FEW_SIGNS]
    return tuple(plain) or tuple(dict.fromkeys(fits))[:2] or DOS


Change = Literal["bars", "motion", "figures", "dose", "meter", "do", "level"]


def harder(offer: Offer, wish: Wish, following: str | None = None) -> tuple[Wish, Change] | None:
    """One thing harder, and which; None where nothing is left. `following`: the next level."""
    if wish.bars < LENGTHS[-1]:
        return replace(wish, bars=min(n for n in LENGTHS if n > wish.bars)), "bars"
    if offer.sort == "level":
        return (replace(wish, due=following, bars=4), "level") if following else None
    if wish.plain and len(offer.figures) > len(PLAIN_FIGURES):
        return replace(wish, plain=False), "figures"
    if offer.sort == "melody" and wish.motion != MOTIONS[-1]:
        return replace(wish, motion=MOTIONS[MOTIONS.index(wish.motion) + 1]), "motion"
    if wish.meter != offer.meters[-1] and len(offer.meters) > 1:
        at = offer.meters.index(wish.meter) if wish.meter in offer.meters else 0
        return replace(wish, meter=offer.meters[at + 1]), "meter"
    if offer.sort == "melody" and wish.dose != "much":
        return replace(wish, dose="much"), "dose"
    return None


def easier(offer: Offer, wish: Wish, preceding: str | None = None) -> tuple[Wish, Change] | None:
    """One thing easier, and which; None where nothing is left. `preceding`: the level before."""
    if wish.bars > LENGTHS[1]:
        return replace(wish, bars=max(n for n in LENGTHS if n < wish.bars)), "bars"
    if offer.sort == "level":
        return (replace(wish, due=preceding, bars=4), "level") if preceding else None
    if wish.dose == "much":
        return replace(wish, dose="some"), "dose"
    if offer.sort == "melody" and wish.motion != MOTIONS[0] and _steps_reach(offer):
        return replace(wish, motion=MOTIONS[MOTIONS.index(wish.motion) - 1]), "motion"
    if not wish.plain and len(offer.figures) > len(PLAIN_FIGURES):
        return replace(wish, plain=True), "figures"
    if wish.bars > LENGTHS[0]:
        return replace(wish, bars=LENGTHS[0]), "bars"
    return None


def _steps_reach(offer: Offer) -> bool:
    """Whether the tones lie side by side, so that steps lead from each to the next."""
    tones = in_order(offer.tones)
    return all(two.step - one.step == 1 for one, two in pairwise(tones))
