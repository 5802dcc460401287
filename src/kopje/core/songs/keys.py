"""The best keys of a song for a class and a purpose, with reasons. Source: docs/sources.md#voices."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.key_choice import KeyChoice, best_keys, voice_of, weights_of
from kopje.core.exact import Fraction
from kopje.core.instruments.barred import bars_for, bars_reason
from kopje.core.instruments.recorder import needed_level, recorder_reason
from kopje.core.music.degree import Do
from kopje.core.music.pitch import Pitch
from kopje.core.reasons import Reason, because

Purpose = Literal["voices", "bars", "recorder", "reading"]
EVERY = 24  # more keys than there are
MOST = 3


@dataclass(frozen=True, slots=True)
class KeyAdvice:
    """One key: its do, the range it gives, and why."""

    do: Do
    low: Pitch
    high: Pitch
    written: bool
    reasons: tuple[Reason, ...]


def best_keys_for(a: Analysis, grade: int, purpose: Purpose, signs_read: int = 1) -> tuple[KeyAdvice, ...]:
    """The best three. Comfort decides first, then what the purpose needs; on the recorder, which is not
    sung, the tones come first. `signs_read`: how many signs the class reads."""
    do = a.tonality.do
    pitches = {sound.pitch for sound in a.attacks if sound.pitch is not None}
    if do is None or not pitches:
        return ()
    voice = voice_of(grade)
    beats = weights_of(a.attacks)
    every = best_keys(beats, do, voice, EVERY)
    ranked = sorted(
        every, key=lambda choice: _cost(choice, do, pitches, purpose, signs_read)
    )  # stable: the voices come first
    return tuple(
        KeyAdvice(
            choice.do,
            choice.low,
            choice.high,
            choice.semitones == 0,
            _reasons(choice, do, pitches, purpose, signs_read),
        )
        for choice in ranked[:MOST]
    )


def _moved(choice: KeyChoice, do: Do, pitches: set[Pitch]) -> set[Pitch]:
    steps = choice.do.pitch.step - do.pitch.step
    return {pitch.moved(steps, choice.semitones) for pitch in pitches}


def _cost(
    choice: KeyChoice, do: Do, pitches: set[Pitch], purpose: Purpose, signs: int
) -> tuple[Fraction, int, int]:
    if purpose == "reading":
        return choice.cost, max(abs(choice.do.fifths) - signs, 0), 0
    moved = _moved(choice, do, pitches)
    if purpose == "recorder":
        return Fraction(needed_level(moved)), 0, 0
    if purpose == "bars":
        bars = bars_for(moved)
        return choice.cost, 0 if bars.playable else 1, len(bars.off) + len(bars.on)
    return choice.cost, 0, 0


def _reasons(
    choice: KeyChoice, do: Do, pitches: set[Pitch], purpose: Purpose, signs: int
) -> tuple[Reason, ...]:
    moved = _moved(choice, do, pitches)
    found = [_voices(choice)]
    if purpose == "bars":
        bars = bars_for(moved)
        found.append(bars_reason(bars))
    if purpose == "recorder":
        found.append(recorder_reason(moved))
    if purpose == "reading":
        count = abs(choice.do.fifths)
        more = int(count > signs)
        found.append(because("signs", "against" if more else "for", "key", count=count, more=more))
    return tuple(found)


def _voices(choice: KeyChoice) -> Reason:
    low, high = (f"{pitch.letter_name}{pitch.octave}" for pitch in (choice.low, choice.high))
    if choice.comfortable:
        return because("voices_comfortable", "for", "key", low=low, high=high)
    return because("voices_outside", "against", "key", low=low, high=high)
