"""Repeats, steps, skips and leaps inside phrases, by letters. Source: docs/sources.md#motion."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator, Sequence

from kopje.core.analysis.phrases import Phrase
from kopje.core.analysis.timeline import Sound
from kopje.core.exact import Fraction
from kopje.core.music.pitch import Pitch

KINDS = ("repeat", "step", "skip", "leap", "half_step")


def move(one: Pitch, two: Pitch) -> str:
    """The kind of motion between two attacks; mi-so is a skip in every tone set."""
    letters = abs(two.step - one.step)
    if letters == 0:
        return "repeat" if one.midi == two.midi else "step"
    return {1: "step", 2: "skip"}.get(letters, "leap")


def neighbours(timeline: Sequence[Sound], phrase: Phrase) -> Iterator[tuple[Sound, Sound]]:
    """Consecutive attacks of one phrase; a rest of a bar or more breaks the chain."""
    last: Sound | None = None
    silence = Fraction(0)
    for sound in timeline[phrase.first : phrase.stop]:
        if not sound.attack:
            silence += sound.duration
            continue
        if last is not None and silence < sound.meter.length and last.area == sound.area:
            yield last, sound
        last, silence = sound, Fraction(0)


def motion(timeline: Sequence[Sound], phrases: Sequence[Phrase]) -> dict[str, int]:
    counts: Counter[str] = Counter()
    for phrase in phrases:
        for one, two in neighbours(timeline, phrase):
            if one.pitch is None or two.pitch is None:
                continue
            kind = move(one.pitch, two.pitch)
            counts[kind] += 1
            counts["half_step"] += kind == "step" and abs(one.pitch.midi - two.pitch.midi) == 1
    return {kind: counts[kind] for kind in KINDS}
