"""The soprano recorder as it is written (it sounds an octave higher): fingerings, the usual order of tones.
Source: docs/sources.md#recorder."""

from __future__ import annotations

from collections.abc import Collection, Iterable, Mapping, Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Literal

from kopje.core.music.degree import Do, between
from kopje.core.music.pitch import Pitch, from_fifths
from kopje.core.reasons import Reason, because, listed

FINGERINGS = {
    "B4": "T1",
    "A4": "T12",
    "G4": "T123",
    "E4": "T123 45",
    "D4": "T123 456",
    "C4": "T123 4567",
    "C5": "T2",
    "D5": "2",
    "Bb4": "T13 4",
    "E5": "/123 45",
    "F4": "T123 4 67",
    "F#4": "T123 56",
}  # T thumb, / half; F and F sharp for the baroque kind, check the maker's chart
GERMAN = {"F4": "T123 4", "F#4": "T123 567"}
System = Literal["baroque", "german"]
MOST_SIGNS = 4
OCTAVE = 12  # semitones
USUAL_ORDER = (("B4", "A4", "G4"), ("E4", "D4"), ("C5", "D5", "F#4"))


def fingerings(system: System) -> dict[str, str]:
    """Written pitch to its fingering."""
    return FINGERINGS | (GERMAN if system == "german" else {})


@dataclass(frozen=True, slots=True)
class InKey:
    """A key of a tune, by its do: whether the tune lies on the tones there in some octave, and how many
    semitones that is from where it is written (the nearest way, the lower of two; None where it does not)."""

    do: Do
    moved: int | None

    @property
    def playable(self) -> bool:
        return self.moved is not None


def in_order(pitches: Iterable[Pitch]) -> tuple[Pitch, ...]:
    """Each once, low first; of two that sound alike by their letters."""
    return tuple(sorted(set(pitches), key=lambda pitch: (pitch.midi, pitch.step)))


def keys_for(pitches: Collection[Pitch], do: Do, tones: Collection[str]) -> tuple[InKey, ...]:
    """The nine keys of at most four signs, nearest to the stored one first, of two as near the lower; each
    with whether the tune lies on the tones at most an octave from where it is stored."""
    found = []
    for fifths in range(-MOST_SIGNS, MOST_SIGNS + 1):
        to = Do(*from_fifths(fifths))
        steps, semitones = between(do, to)
        ways = sorted(
            (abs(semitones + OCTAVE * n), semitones + OCTAVE * n, steps + 7 * n) for n in (-2, -1, 0, 1, 2)
        )
        near = (ways[0][0], ways[0][1])
        moved = next(
            (
                by
                for far, by, letters in ways
                if far <= OCTAVE and all(str(pitch.moved(letters, by)) in tones for pitch in pitches)
            ),
            None,
        )
        found.append((near, InKey(to, moved)))
    return tuple(one for _, one in sorted(found, key=lambda pair: pair[0]))


def fingers_moved(one: str, other: str) -> int:
    """How many holes, the thumb's among them, change between two fingerings; a half hole is another one."""
    return len(_holes(one) ^ _holes(other))


def _holes(fingering: str) -> frozenset[str]:
    return frozenset(fingering.replace(" ", ""))


def hardest_change(tones: Sequence[str], table: Mapping[str, str]) -> tuple[str, str, int] | None:
    """(tone, next tone, holes that change) where most change; the first of several; None without one."""
    pairs = [
        (fingers_moved(table[one], table[two]), one, two)
        for one, two in pairwise(tones)
        if one in table and two in table and one != two
    ]
    if not pairs:
        return None
    most = max(count for count, _, _ in pairs)
    return next((one, two, count) for count, one, two in pairs if count == most)


@dataclass(frozen=True, slots=True)
class Opens:
    """A tone that may come next: its fingering, and the titles that would then be playable."""

    tone: str
    fingering: str
    songs: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Advice:
    """Titles that can be played now, how many songs there are, and the tones that may come next, the one that
    opens most first."""

    playable: tuple[str, ...]
    of: int
    next: tuple[Opens, ...]


def advice(
    songs: Iterable[tuple[str, Collection[str]]], known: Collection[str], table: Mapping[str, str]
) -> Advice:
    """What songs (title, written pitches) need beyond the known tones: nothing, or just one that has a
    fingering. On a tie the tone of the usual order, then of the table."""
    there = frozenset(known)
    playable: list[str] = []
    opened: dict[str, list[str]] = {tone: [] for tone in table if tone not in there}
    count = 0
    for title, needs in songs:
        count += 1
        missing = set(needs) - there
        if not missing:
            playable.append(title)
        elif len(missing) == 1:
            (only,) = missing
            if only in opened:
                opened[only].append(title)
    usual = [tone for step in USUAL_ORDER for tone in step]
    every = [*usual, *table]
    ranked = sorted(opened, key=lambda tone: (-len(opened[tone]), every.index(tone)))
    return Advice(
        tuple(playable), count, tuple(Opens(tone, table[tone], tuple(opened[tone])) for tone in ranked)
    )


def recorder_reason(pitches: Iterable[Pitch]) -> Reason:
    """How much of the usual order a tune needs, or the tones that no fingering is given for."""
    needed = sorted({str(pitch) for pitch in pitches})
    beyond = [name for name in needed if name not in FINGERINGS]
    if beyond:
        return because("recorder_no_fingering", "against", "key", tones=listed(map(_shown, beyond), 3))
    taught: list[str] = []
    for tones in USUAL_ORDER:
        taught += tones
        if set(needed) <= set(taught):
            return because("recorder_playable", "for", "key", count=len(taught))
    extra = [name for name in needed if name not in taught]
    return because("recorder_needs", "note", "key", tones=listed(map(_shown, extra), 3), count=len(taught))


def needed_level(pitches: Iterable[Pitch]) -> int:
    """How many steps of the usual order a tune needs; beyond the order 9, without a fingering 99."""
    names = {str(pitch) for pitch in pitches}
    if not names <= set(FINGERINGS):
        return 99
    known: set[str] = set()
    for level, tones in enumerate(USUAL_ORDER, 1):
        known |= set(tones)
        if names <= known:
            return level
    return 9


def _shown(name: str) -> str:
    pitch = Pitch.parse(name)
    return f"{pitch.letter_name}{pitch.octave}"
