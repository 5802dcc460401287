"""Do, resting tone and tonality, by evidence, with an honest confidence. Source: docs/sources.md#tonality."""

from __future__ import annotations

from collections import Counter, defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from kopje.core.analysis.annotations import NOTHING, Annotations
from kopje.core.analysis.phrases import Phrase
from kopje.core.analysis.timeline import Sound
from kopje.core.analysis.tonic_model import SHARES, scores, sureness, traces
from kopje.core.analysis.tonic_weights import SCALE
from kopje.core.exact import Fraction
from kopje.core.music.degree import NATURAL, Degree, Do
from kopje.core.music.pitch import Pitch, from_fifths
from kopje.core.music.tune import Key
from kopje.core.reasons import Param, Reason, Tone, because

RESTING_OF_MODE = {
    "major": "do",
    "ionian": "do",
    "minor": "la",
    "aeolian": "la",
    "dorian": "re",
    "phrygian": "mi",
    "lydian": "fa",
    "mixolydian": "so",
    "locrian": "ti",
}
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
FIFTHS_ABOVE_DO = {"do": 0, "so": 1, "re": 2, "la": 3, "mi": 4, "fa": -1}
PRIOR = {"do": 0, "la": 0, "re": -2, "so": -2, "mi": -4}  # church modes need more evidence than do and la
ENOUGH_TONES = 4  # for the weighed evidence, and for a tonality at all


@dataclass(frozen=True, slots=True)
class Tonality:
    """What a stretch of a tune rests on. `do` carries the octave that is written plain."""

    do: Do | None
    resting: str | None
    name: str
    confidence: Fraction
    reasons: tuple[Reason, ...]


def judge(
    timeline: Sequence[Sound], phrases: Sequence[Phrase], key: Key | None, annotations: Annotations = NOTHING
) -> Tonality:
    """The teacher's word first, then the table of docs/analysis.md#tonality, then what all the tones do."""
    pitched = [sound for sound in timeline if sound.pitch is not None]
    if not pitched:
        return Tonality(None, None, NOT_ESTABLISHED, Fraction(0), (_why("unpitched"),))
    resting: str | None
    if key is None and annotations.do is None:
        do, resting, sure, why = _without_key(timeline, phrases, pitched)
    else:
        do = annotations.do or (Do(*key.do) if key else _explaining(pitched))
        degrees = [do.degree(sound.pitch) for sound in pitched if sound.pitch]
        resting, sure, why = _resting(
            timeline, phrases, degrees, do, key if key and annotations.do in (None, Do(*key.do)) else None
        )
    if annotations.resting:
        resting, sure, why = annotations.resting, Fraction(1), _why("teacher")
    degrees = [do.degree(sound.pitch) for sound in pitched if sound.pitch]
    always_fi = (
        annotations.do is None
        and annotations.resting is None
        and any(d.syllable == "fi" for d in degrees)
        and all(d.syllable != "fa" for d in degrees)
    )
    if resting == "la" and always_fi:
        do, resting, sure, why = _dorian(do, sure)
        degrees = [do.degree(sound.pitch) for sound in pitched if sound.pitch]
    name, also = _established(resting, {degree.syllable for degree in degrees})
    octave = _reference_octave(degrees, resting)
    return Tonality(do.at(do.octave + octave), resting, name, sure, tuple(r for r in (why, also) if r))


def in_phrase(part: Sequence[Sound], area: Tonality) -> Tonality:
    """The tonality of a phrase: its area's, or the parallel one where it has me and no mi (in minor: di and
    no do)."""
    if area.do is None or area.resting not in ("do", "la"):
        return area
    pitches = [sound.pitch for sound in part if sound.pitch]
    other = (area.do.pitch.midi + (3 if area.resting == "do" else 1)) % 12  # me, or di
    if not any(pitch.midi % 12 == other for pitch in pitches):
        return area
    heard = {area.do.degree(pitch).syllable for pitch in pitches}
    if area.resting == "do" and "me" in heard and "mi" not in heard:
        do, resting, tone = area.do.sounding(Degree.parse("me")), "la", "me"
    elif area.resting == "la" and "di" in heard and "do" not in heard:
        do, resting, tone = area.do.sounding(Degree.parse("la,")), "do", "di"
    else:
        return area
    moved = Do(do.letter, do.alter, do.octave)
    name, also = _established(resting, {moved.degree(pitch).syllable for pitch in pitches})
    why = _why("parallel", tone=Tone(tone), instead=Tone("mi" if tone == "me" else "do"))
    return Tonality(moved, resting, name, area.confidence, tuple(r for r in (why, also) if r))


def _why(code: str, **params: Param) -> Reason:
    return because(f"tonality_{code}", "note", "tonality", **params)


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
    timeline: Sequence[Sound], phrases: Sequence[Phrase], degrees: Sequence[Degree], do: Do, key: Key | None
) -> tuple[str | None, Fraction, Reason]:
    last = degrees[-1].syllable
    if key is not None and key.strong:
        stated = RESTING_OF_MODE.get(key.mode or "", "do")
        if last == stated:
            return stated, Fraction(95, 100), _why("stated", mode=_mode_term(key), tone=Tone(stated))
        return stated, Fraction(60, 100), _why("stated_differs", mode=_mode_term(key), tone=Tone(last))
    heard = {degree.syllable for degree in degrees}
    if "do" not in heard and len(heard) <= 3:
        return None, Fraction(40, 100), _why("open")
    weights = _weights(timeline, phrases, do)
    do_weight, la_weight = weights.get("do", Fraction(0)), weights.get("la", Fraction(0))
    mine, other = (do_weight, la_weight) if last == "do" else (la_weight, do_weight)
    if last in ("do", "la") and mine >= other:
        return last, Fraction(85, 100), _why("last_tone", tone=Tone(last))
    if len(heard) >= ENOUGH_TONES:
        return _weighed(timeline, phrases, do, last)
    if last in ("do", "la"):
        name = "la" if last == "do" else "do"
        return last, Fraction(60, 100), _why("last_tone_light", tone=Tone(last), other=Tone(name))
    best = "do" if do_weight >= la_weight else "la"
    return (
        best,
        Fraction(40, 100),
        _why("weight", tone=Tone(last), best=Tone(best), do=Tone("do"), la=Tone("la")),
    )


def _mode_term(key: Key) -> Reason:
    return because("mode", mode=key.mode or "major")


def _weighed(
    timeline: Sequence[Sound], phrases: Sequence[Phrase], do: Do, last: str
) -> tuple[str, Fraction, Reason]:
    """Among do, la, re, so and mi the one that all tones together speak for; modes need more than
    do and la."""
    found = scores(traces(timeline, phrases))
    among = {
        tone: found[do.sounding(Degree.parse(tone)).midi % 12] + PRIOR[tone] * SCALE * SHARES
        for tone in PRIOR
    }
    best = max(PRIOR, key=lambda tone: (among[tone], -list(PRIOR).index(tone)))
    sure = sureness(among[best], among.values())
    return best, sure, _why("weighed", tone=Tone(last), best=Tone(best), same=int(best == last))


def _without_key(
    timeline: Sequence[Sound], phrases: Sequence[Phrase], pitched: Sequence[Sound]
) -> tuple[Do, str | None, Fraction, Reason]:
    """Without any key: the tone that all tones speak for, then the mode its third and its own tones make."""
    pitches = [sound.pitch for sound in pitched if sound.pitch]
    classes = {pitch.midi % 12 for pitch in pitches}
    if len(classes) < ENOUGH_TONES:
        do = _explaining(pitched)
        degrees = [do.degree(pitch) for pitch in pitches]
        resting, sure, why = _resting(timeline, phrases, degrees, do, None)
        return do, resting, min(sure, Fraction(40, 100)), why
    found = scores(traces(timeline, phrases))
    tonic = max(range(12), key=lambda pc: (found[pc], -pc))
    resting = _mode(tonic, timeline)
    spelled = Counter(pitch.fifths for pitch in pitches if pitch.midi % 12 == tonic)
    fifths = min(spelled, key=lambda f: (-spelled[f], abs(f))) if spelled else _near(tonic, pitches)
    do = Do(*from_fifths(fifths - FIFTHS_ABOVE_DO[resting]))
    return do, resting, sureness(found[tonic], found), _why("weighed_without_key", best=Tone(resting))


def _mode(tonic: int, timeline: Sequence[Sound]) -> str:
    """The resting syllable that the tones above a tonic make: by its third, then by what only a mode has."""
    length = [Fraction(0)] * 12
    for sound in timeline:
        if sound.pitch:
            length[(sound.pitch.midi - tonic) % 12] += sound.beats
    if length[4] >= length[3]:
        if length[10] and not length[11]:
            return "so"
        return "fa" if length[6] and not length[5] and length[11] else "do"
    if length[9] and not length[8]:
        return "re"
    return "mi" if length[1] and not length[2] else "la"


def _near(tonic: int, pitches: Sequence[Pitch]) -> int:
    """A tone that never sounds, spelled nearest to those that do."""
    middle = sum(pitch.fifths for pitch in pitches) // len(pitches)
    return min((f for f in range(-8, 12) if (7 * f - tonic) % 12 == 0), key=lambda f: (abs(f - middle), f))


def _dorian(do: Do, sure: Fraction) -> tuple[Do, str, Fraction, Reason]:
    """Fi always and fa never in la-tonality: la is heard as re, so do moves a fifth up the line."""
    letter, alter = from_fifths(do.fifths + 1)
    why = _why("dorian", fi=Tone("fi"), fa=Tone("fa"), la=Tone("la"), re=Tone("re"))
    return Do(letter, alter), "re", min(sure, Fraction(60, 100)), why


def _established(resting: str | None, heard: set[str]) -> tuple[str, Reason | None]:
    naturals = heard & set(NATURAL)
    needed = OWN_TONES.get(resting or "", "").split()
    if resting is None or not needed:
        return NOT_ESTABLISHED, None
    missing = [tone for tone in needed if tone not in naturals]
    if len(heard) < ENOUGH_TONES:
        return NOT_ESTABLISHED, _why("few_tones")
    if missing:
        return NOT_ESTABLISHED, _why("tone_missing", tone=Tone(missing[0]))
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
