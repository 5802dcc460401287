"""Which key puts a song into these voices. Source: docs/sources.md#voices."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from typing import Literal

from kopje.core.analysis.timeline import Sound
from kopje.core.exact import Fraction
from kopje.core.music.degree import Do
from kopje.core.music.pitch import Pitch, from_fifths
from kopje.core.reasons import Listed, Reason, Weight, because
from kopje.core.sequence.grades import CHOIR

MOST_SIGNS = 4


@dataclass(frozen=True, slots=True)
class Voice:
    """Comfortable range and, beyond it, the outer limits; written pitches."""

    grade: int
    low: Pitch
    high: Pitch
    lowest: Pitch
    highest: Pitch


def _voice(grade: int, text: str) -> Voice:
    return Voice(grade, *(Pitch.parse(part) for part in text.split()))


VOICES: dict[int, Voice] = {
    0: _voice(0, "D4 A4 C4 B4"),
    1: _voice(1, "D4 B4 C4 C5"),
    2: _voice(2, "D4 C5 C4 D5"),
    3: _voice(3, "C4 D5 B3 E5"),
    4: _voice(4, "C4 E5 A3 F5"),
    5: _voice(5, "C4 E5 A3 F5"),
}


CHOIR_VOICES: dict[str, Voice] = {
    "treble_1": _voice(CHOIR, "D4 F5 C4 A5"),
    "treble_2": _voice(CHOIR, "C4 D5 A3 F5"),
    "alto": _voice(CHOIR, "A3 C5 G3 D5"),
    "tenor": _voice(CHOIR, "C3 E4 B2 G4"),
    "bass": _voice(CHOIR, "G2 C4 E2 D4"),
}


def choir_voice(beats: Mapping[Pitch, Fraction]) -> tuple[str, tuple[Pitch, ...]] | None:
    """The choir voice for which a part lies best as written, on a tie the one whose middle is nearest, and
    the tones beyond that voice's outer limits; None without any tone."""
    if not beats:
        return None

    def beyond(name: str) -> list[Pitch]:
        voice = CHOIR_VOICES[name]
        return [p for p in beats if not voice.lowest.midi <= p.midi <= voice.highest.midi]

    heights = [pitch.midi for pitch in beats]
    middle = min(heights) + max(heights)

    def cost(name: str) -> tuple[Fraction, Fraction, int]:
        voice = CHOIR_VOICES[name]
        out = sum((beats[pitch] for pitch in beyond(name)), Fraction(0))
        strain = sum((count * _outside(p.midi, voice) for p, count in beats.items()), Fraction(0))
        return out, strain, abs(voice.low.midi + voice.high.midi - middle)

    best = min(CHOIR_VOICES, key=cost)
    return best, tuple(sorted(beyond(best), key=lambda pitch: pitch.midi))


def best_voice(attacks: Iterable[Sound]) -> Reason:
    """For which choir voice a part lies best, and its tones beyond that voice."""
    found = choir_voice(weights_of(attacks))
    if found is None:
        return because("part_without_tones")
    name, beyond = found
    voice = because(f"voice_{name}")
    if not beyond:
        return because("part_lies_for", voice=voice)
    return because("part_lies_beyond", voice=voice, tones=Listed(tuple(map(str, beyond))))


def voice_of(grade: int) -> Voice:
    """The voices of a grade; below kindergarten those of kindergarten, above grade 5 those of grade 5."""
    return VOICES[min(max(grade, min(VOICES)), max(VOICES))]


@dataclass(frozen=True, slots=True)
class KeyChoice:
    """One written key: how far to move the stored pitches, and what it costs (beats x semitones outside)."""

    do: Do
    semitones: int
    cost: Fraction
    low: Pitch
    high: Pitch

    @property
    def comfortable(self) -> bool:
        return self.cost == 0


def weights_of(sounds: Iterable[Sound]) -> dict[Pitch, Fraction]:
    """Beats on each pitch of the attacks of a tune."""
    return weights((sound.pitch, sound.beats) for sound in sounds if sound.attack and sound.pitch is not None)


def weights(sounding: Iterable[tuple[Pitch, Fraction]]) -> dict[Pitch, Fraction]:
    """Beats on each pitch."""
    total: dict[Pitch, Fraction] = defaultdict(Fraction)
    for pitch, beats in sounding:
        total[pitch] += beats
    return dict(total)


def best_keys(beats: Mapping[Pitch, Fraction], do: Do, voice: Voice, most: int = 3) -> tuple[KeyChoice, ...]:
    """The best written keys with at most 4 signs within an octave of the stored one; empty if none fits."""
    found = []
    for fifths in range(-MOST_SIGNS, MOST_SIGNS + 1):
        letter, alter = from_fifths(fifths)
        for octave in (do.octave - 1, do.octave, do.octave + 1):
            choice = _choice(beats, do, Do(letter, alter, octave), voice)
            if choice is not None:
                found.append(choice)
    middle = voice.low.midi + voice.high.midi

    def order(choice: KeyChoice) -> tuple[Fraction, int, int, int, int]:
        off = abs(choice.low.midi + choice.high.midi - middle)
        return choice.cost, off, abs(choice.do.fifths), abs(choice.semitones), choice.semitones

    return tuple(sorted(found, key=order)[:most])


def _choice(beats: Mapping[Pitch, Fraction], old: Do, new: Do, voice: Voice) -> KeyChoice | None:
    shift = new.pitch.midi - old.pitch.midi
    if not beats or abs(shift) > 12:
        return None
    steps = new.pitch.step - old.pitch.step
    pitches = sorted((pitch.moved(steps, shift) for pitch in beats), key=lambda p: p.midi)
    if pitches[0].midi < voice.lowest.midi or pitches[-1].midi > voice.highest.midi:
        return None
    cost = sum((count * _outside(pitch.midi + shift, voice) for pitch, count in beats.items()), Fraction(0))
    return KeyChoice(new, shift, cost, pitches[0], pitches[-1])


def _outside(midi: int, voice: Voice) -> int:
    return max(voice.low.midi - midi, midi - voice.high.midi, 0)


@dataclass(frozen=True, slots=True)
class KeyFit:
    """How a song lies in a range: as written, in another key, with tones outside, or in no key; and the do
    of that key."""

    how: Literal["written", "moved", "outside", "none"]
    do: str

    @property
    def comfortable(self) -> bool:
        return self.how in ("written", "moved")


def key_fit(choices: tuple[KeyChoice, ...], do: Do) -> KeyFit:
    """As written where that is comfortable, else the best other, else none."""
    written = next((choice for choice in choices if choice.semitones == 0), None)
    if written is not None and written.comfortable:
        return KeyFit("written", str(do))
    if not choices:
        return KeyFit("none", "")
    return KeyFit("moved" if choices[0].comfortable else "outside", str(choices[0].do))


def fit_reason(found: KeyFit, voice: Voice) -> Reason:
    """One sentence on the key."""
    weight: Weight = "for" if found.comfortable else "against"
    return because(f"range_{found.how}", weight, "key", do=found.do, grade=voice.grade)


def key_reason(choices: tuple[KeyChoice, ...], do: Do, voice: Voice) -> Reason:
    return fit_reason(key_fit(choices, do), voice)
