"""What an exercise of a level must be: the rungs of the level, and what it brings beside the level before.

Source: docs/sources.md#made-exercises.
"""

from __future__ import annotations

from dataclasses import dataclass, replace
from functools import lru_cache

from kopje.core.analysis.key_choice import CHOIR_VOICES, Voice
from kopje.core.choir.rungs import TWELVE, Rung, rungs_of
from kopje.core.errors import PracticeError
from kopje.core.music.degree import Degree, Do, plain_do
from kopje.core.practice.reading.ground import Motion

FEWEST_TONES, FEWEST_AT_FIRST = 5, 3
FEWEST_KNOWN = 3  # of the level before, in each part
VOICES_OF: dict[int, tuple[str, ...]] = {
    1: ("treble_1",),
    2: ("treble_1", "treble_2"),
    3: ("treble_1", "treble_2", "alto"),
}
_CFG = ("C", "F", "G")
_DOS: dict[str, tuple[str, ...]] = {
    "reading-1": ("F",),
    "reading-2": ("F", "G"),
    "reading-7": (*_CFG, "D"),
    "reading-9": (*_CFG, "D", "Bb"),
    "reading-10": (*_CFG, "D", "Bb", "A", "Eb"),
    "reading-12": (*_CFG, "D", "Bb", "A", "Eb", "E", "Ab"),
}
_DOS_BY_PITCH: dict[str, tuple[str, ...]] = {"p1": ("F",), "p2": ("F", "G"), "p6": _DOS["reading-9"],
    "p7": _DOS["reading-10"], "p9": _DOS["reading-12"]}  # fmt: skip


@dataclass(frozen=True, slots=True)
class ReadingTask:
    """What an exercise must be, whoever asks for it.

    `tones` from low to high, octave-marked; `new_tones`, `new_figures`, `known` (the motion of the level
    before; None where motion is not raised) say what is new; `share`: of so many tones at most one is new
    (0: no bound), `least_new` of them come. `close`: the lowest part ends ti,-do or re-do."""

    parts: int
    dos: tuple[str, ...]
    meters: tuple[str, ...]
    figures: tuple[str, ...]
    tones: tuple[Degree, ...]
    motion: Motion
    resting: str
    falling: tuple[str, ...] = ()
    new_tones: frozenset[str] = frozenset()
    new_figures: tuple[str, ...] = ()
    known: Motion | None = None
    least_new: int = 0
    share: int = 0
    close: bool = False
    one_peak: bool = True
    fewest: int = FEWEST_TONES
    every_figure: bool = False

    @property
    def home(self) -> str:
        return "la" if self.resting == "la" else "do"

    def is_new_move(self, one: Degree, two: Degree) -> bool:
        return self.known is not None and one != two and not self.known.allows(one, two)


def in_order(tones: tuple[str, ...]) -> tuple[Degree, ...]:
    return tuple(sorted(map(Degree.parse, dict.fromkeys(tones)), key=lambda d: (d.semitones, d.step)))


@lru_cache(maxsize=128)
def task_of(level: str, before: str | None) -> ReadingTask:
    """The task of a level by its key, and the key of the level before it on the ladder."""
    pitch, rhythm, parts = _three(level)
    motion = Motion(pitch.skips, tuple(leap for leap in pitch.leaps if leap != "so, do"))
    plain = ReadingTask(
        parts.parts,
        _dos(level, pitch),
        rhythm.meters,
        rhythm.figures,
        in_order(pitch.tones),
        motion,
        pitch.resting,
        pitch.falling,
        close=parts.parts > 1 and pitch.key in ("p1", "p2", "p3", "p4", "p5", "p6"),
        fewest=FEWEST_AT_FIRST if pitch.key == "p1" else FEWEST_TONES,
    )
    return plain if before is None else _with_news(plain, before, (pitch, rhythm))


def _with_news(plain: ReadingTask, before: str, here: tuple[Rung, Rung]) -> ReadingTask:
    """What is raised is what the level before does not have; a level that only adds parts raises nothing."""
    pitch, rhythm, _ = _three(before)
    tones = frozenset(here[0].tones) - frozenset(pitch.tones)
    figures = tuple(key for key in here[1].figures if key not in rhythm.figures)
    known = Motion(pitch.skips, tuple(leap for leap in pitch.leaps if leap != "so, do"))
    raised = not {*plain.motion.skips, *plain.motion.leaps} <= {*known.skips, *known.leaps}
    if not tones and not figures and not raised:
        return plain
    return replace(
        plain,
        new_tones=tones,
        new_figures=figures,
        known=known if raised else None,
        least_new=2,
        share=3,
    )


def _three(level: str) -> tuple[Rung, Rung, Rung]:
    found = rungs_of(level)
    if len(found) < 3:
        raise PracticeError("reading_no_level", value=level)
    return found[0], found[1], found[2]


def _dos(level: str, pitch: Rung) -> tuple[str, ...]:
    return _DOS.get(level) or (_CFG if level in TWELVE else _DOS_BY_PITCH.get(pitch.key, _CFG))


def numbered_level(number: int) -> ReadingTask:
    """One of the twelve, by its number; PracticeError for another number."""
    keys = tuple(TWELVE)
    if not 1 <= number <= len(keys):
        raise PracticeError("reading_no_level", value=number)
    return task_of(keys[number - 1], keys[number - 2] if number > 1 else None)


@dataclass(frozen=True, slots=True)
class Key:
    """Where do lies, and which tones each part has there, from high to low."""

    do: Do
    tones: tuple[tuple[Degree, ...], ...]


def keys_of(task: ReadingTask, voices: tuple[Voice, ...]) -> tuple[Key, ...]:
    """Every do of the task with the octave in which most of its tones lie well for all voices; a do that
    leaves too few is dropped. PracticeError where none is left."""
    found = [key for key in (_best(task, letter, voices) for letter in task.dos) if key is not None]
    if not found:
        raise PracticeError("reading_no_key", value=task.dos)
    return tuple(found)


def _best(task: ReadingTask, letter: str, voices: tuple[Voice, ...]) -> Key | None:
    fewest = min(task.fewest, len(task.tones))
    every = (_key(task, plain_do(letter).at(octave), voices) for octave in range(2, 7))
    kept = [k for k in every if min(map(len, k.tones)) >= fewest and home_tone(task, k.tones[-1]) is not None]
    best = max(kept, key=lambda k: (min(map(len, k.tones)), -k.do.octave), default=None)
    return best if best is not None and _can_show(task, best) else None


def _key(task: ReadingTask, do: Do, voices: tuple[Voice, ...]) -> Key:
    def lies(degree: Degree, voice: Voice) -> bool:
        return voice.low.midi <= do.sounding(degree).midi <= voice.high.midi

    return Key(do, tuple(tuple(d for d in task.tones if lies(d, voice)) for voice in voices))


def _can_show(task: ReadingTask, key: Key) -> bool:
    """Some part has a tone that is new, and each part enough that are not."""
    if not task.new_tones:
        return True
    known = (sum(str(degree) not in task.new_tones for degree in tones) for tones in key.tones)
    new = any(str(degree) in task.new_tones for tones in key.tones for degree in tones)
    return new and min(known) >= min(FEWEST_KNOWN, len(task.tones) - len(task.new_tones))


def home_tone(task: ReadingTask, tones: tuple[Degree, ...]) -> Degree | None:
    """The lowest tone of the resting name."""
    return next((degree for degree in tones if degree.syllable == task.resting), None)


def voices_of(parts: int, section: Voice | None = None) -> tuple[Voice, ...]:
    """From high to low; one part is read in the section's own voice, where it is known."""
    if parts == 1 and section is not None:
        return (section,)
    return tuple(CHOIR_VOICES[name] for name in VOICES_OF[parts])
