"""Do, resting tone and tonality, by evidence, with an honest confidence. Source: docs/sources.md#tonality."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from kopje.core.analysis.phrases import Phrase
from kopje.core.analysis.timeline import Sound
from kopje.core.exact import Fraction
from kopje.core.music.degree import NATURAL, Degree, Do
from kopje.core.music.pitch import from_fifths
from kopje.core.music.tune import Key
from kopje.core.reasons import Reason

RESTING_OF_MODE = {
    "major": "do", "ionian": "do", "minor": "la", "aeolian": "la", "dorian": "re", "phrygian": "mi",
    "lydian": "fa", "mixolydian": "so", "locrian": "ti",
}  # fmt: skip
TONALITY_OF = {
    "do": "major",
    "la": "minor",
    "re": "dorian",
    "mi": "phrygian",
    "fa": "lydian",
    "so": "mixolydian",
}
OWN_TONES = {"do": "mi", "la": "do", "re": "fa ti", "mi": "so fa", "fa": "la ti", "so": "ti fa"}
PLAIN_OCTAVE = {"la": -1, "so": -1, "ti": -1}
NOT_ESTABLISHED = "not_established"


@dataclass(frozen=True, slots=True)
class Tonality:
    """What a stretch of a tune rests on. `do` carries the octave that is written plain."""

    do: Do | None
    resting: str | None
    name: str
    confidence: Fraction
    reasons: tuple[Reason, ...]


def judge(
    timeline: Sequence[Sound], phrases: Sequence[Phrase], key: Key | None, told: Tonality | None = None
) -> Tonality:
    """The teacher's word first, then the table of docs/analysis.md#tonality."""
    pitched = [sound for sound in timeline if sound.pitch is not None]
    if not pitched:
        return Tonality(None, None, NOT_ESTABLISHED, Fraction(0), (_why("unpitched", "No pitched notes."),))
    do = (told and told.do) or (Do(*key.do) if key else _explaining(pitched))
    weights = _weights(timeline, phrases, do)
    degrees = [do.degree(sound.pitch) for sound in pitched if sound.pitch]
    resting: str | None
    if told and told.resting:
        resting, sure, why = told.resting, Fraction(1), _why("teacher", "You said so.")
    else:
        resting, sure, why = _resting(degrees, weights, key)
    if key is None and not told:
        sure = min(sure, Fraction(2, 5))
    if (
        resting == "la"
        and any(d.syllable == "fi" for d in degrees)
        and all(d.syllable != "fa" for d in degrees)
    ):
        do, resting, sure, why = _dorian(do, sure)
        degrees = [do.degree(sound.pitch) for sound in pitched if sound.pitch]
    name, also = _established(resting, {degree.syllable for degree in degrees})
    octave = _reference_octave(degrees, resting)
    return Tonality(do.at(do.octave + octave), resting, name, sure, tuple(r for r in (why, also) if r))


def _why(code: str, sentence: str) -> Reason:
    return Reason(code, "tonality", sentence, "note")


def _weights(timeline: Sequence[Sound], phrases: Sequence[Phrase], do: Do) -> Mapping[str, Fraction]:
    """Beats sounded from first beats of bars + 2 x beats of phrase-final tones, by syllable."""
    total: dict[str, Fraction] = defaultdict(Fraction)
    for sound in timeline:
        if sound.downbeat and sound.pitch:
            total[do.degree(sound.pitch).syllable] += sound.beats
    for phrase in phrases:
        last = next((s for s in reversed(timeline[phrase.first : phrase.stop]) if s.pitch is not None), None)
        if last is not None and last.pitch:
            total[do.degree(last.pitch).syllable] += 2 * last.beats
    return total


def _resting(
    degrees: Sequence[Degree], weights: Mapping[str, Fraction], key: Key | None
) -> tuple[str | None, Fraction, Reason]:
    last = degrees[-1].syllable
    if key is not None and key.strong:
        stated = RESTING_OF_MODE.get(key.mode or "", "do")
        if last == stated:
            return (
                stated,
                Fraction(95, 100),
                _why("stated", f"The file says {key.mode}, and it ends on ‹{stated}›."),
            )
        return (
            stated,
            Fraction(60, 100),
            _why("stated_differs", f"The file says {key.mode}, but it ends on ‹{last}›."),
        )
    heard = {degree.syllable for degree in degrees}
    if "do" not in heard and len(heard) <= 3:
        return None, Fraction(40, 100), _why("open", "Too few tones to rest on any of them.")
    do, la = weights.get("do", Fraction(0)), weights.get("la", Fraction(0))
    if last in ("do", "la"):
        mine, other, name = (do, la, "la") if last == "do" else (la, do, "do")
        if mine >= other:
            return last, Fraction(85, 100), _why("last_tone", f"It ends on ‹{last}›, which also weighs most.")
        return (
            last,
            Fraction(60, 100),
            _why("last_tone_light", f"It ends on ‹{last}›, but ‹{name}› weighs more."),
        )
    if last in ("re", "mi", "so") and weights.get(last, Fraction(0)) >= 2 * max(do, la):
        return (
            last,
            Fraction(60, 100),
            _why("last_tone_heavy", f"It ends on ‹{last}›, which weighs twice ‹do› and ‹la›."),
        )
    best = "do" if do >= la else "la"
    return (
        best,
        Fraction(40, 100),
        _why("weight", f"It ends on ‹{last}›; of ‹do› and ‹la›, ‹{best}› weighs more."),
    )


def _dorian(do: Do, sure: Fraction) -> tuple[Do, str, Fraction, Reason]:
    """Fi always and fa never in la-tonality: la is heard as re, so do moves a fifth up the line."""
    letter, alter = from_fifths(do.fifths + 1)
    why = _why("dorian", "‹fi› always and ‹fa› never over ‹la›: heard as dorian, resting on ‹re›.")
    return Do(letter, alter), "re", min(sure, Fraction(60, 100)), why


def _established(resting: str | None, heard: set[str]) -> tuple[str, Reason | None]:
    naturals = heard & set(NATURAL)
    needed = OWN_TONES.get(resting or "", "").split()
    if resting is None or not needed:
        return NOT_ESTABLISHED, None
    missing = [tone for tone in needed if tone not in naturals]
    if len(heard) < 4:
        return NOT_ESTABLISHED, _why("few_tones", "Fewer than four tones: no tonality yet.")
    if missing:
        return NOT_ESTABLISHED, _why("tone_missing", f"Without ‹{missing[0]}› the tonality stays open.")
    return TONALITY_OF[resting], None


def _reference_octave(degrees: Sequence[Degree], resting: str | None) -> int:
    """How many octaves to lift do so that the lowest resting tone reads plain (la, and so, read low)."""
    octaves = [d.octave for d in degrees if d.syllable == resting]
    if resting is not None and octaves:
        return min(octaves) - PLAIN_OCTAVE.get(resting, 0)
    counts: dict[int, int] = defaultdict(int)
    for degree in degrees:
        counts[degree.octave] += 1
    return min(counts, key=lambda octave: (-counts[octave], octave))


def _explaining(pitched: Sequence[Sound]) -> Do:
    """Without any key: the do that leaves the fewest tones altered, rests on do or la, with fewest signs."""
    fifths = [sound.pitch.fifths for sound in pitched if sound.pitch]
    last = fifths[-1]

    def cost(tonic: int) -> tuple[int, int, int, int]:
        outside = sum(1 for place in fifths if not -1 <= place - tonic <= 5)
        final = {0: 0, 3: 1}.get(last - tonic, 2)
        return outside, final, abs(tonic), tonic

    return Do(*from_fifths(min(range(-7, 8), key=cost)))
