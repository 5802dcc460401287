"""A song seen through a sequence: which concepts are in it, how often, and how plainly."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable
from dataclasses import dataclass

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.elements import SPOKEN
from kopje.core.analysis.key_choice import VOICES, KeyChoice, best_keys, weights_of
from kopje.core.analysis.motion import move
from kopje.core.analysis.timeline import Sound
from kopje.core.analysis.told import NOTHING, Told
from kopje.core.exact import Fraction
from kopje.core.music.degree import Degree, Do
from kopje.core.sequence.concepts import ConceptKey, Sequence
from kopje.core.songs.facts import READ_WITH_OTHERS


@dataclass(frozen=True, slots=True)
class Content:
    """One thing in a song. `concept` is None when the sequence has no concept for it.

    `most_in_phrase`: the most times it comes in one phrase; `turns`: phrases that have it in the same place
    as another phrase; `tone`: a degree, not a figure; `aspect`: meter, tone set or resting tone, which colour a song but are no tone or figure in it.
    """

    concept: ConceptKey | None
    label: str
    count: int
    bars: tuple[int, ...]
    most_in_phrase: int
    turns: int
    on_strong: int = 0
    by_step: int = 0
    tone: bool = False
    aspect: bool = False


@dataclass(frozen=True)
class SongCard:
    """What planning needs to know of a song."""

    id: str
    title: str
    contents: tuple[Content, ...]
    bars: int
    do: Do | None
    keys: tuple[tuple[KeyChoice, ...], ...] = ()  # the best keys for grades 0, 1, 2 …

    def keys_for(self, grade: int) -> tuple[KeyChoice, ...]:
        return self.keys[min(grade, len(self.keys) - 1)] if self.keys else ()

    def content(self, key: ConceptKey) -> Content | None:
        return next((content for content in self.contents if content.concept == key), None)


def card(id_: str, analysis: Analysis, sequence: Sequence, told: Told = NOTHING) -> SongCard:
    """A song for planning; what the teacher says it has or lacks goes before what was found."""
    beats = weights_of(analysis.attacks)
    do = analysis.tonality.do
    return SongCard(
        id_,
        analysis.tune.title,
        tuple(said(contents(analysis, sequence), sequence, told)),
        analysis.tune.bars[-1].number,
        do,
        tuple(best_keys(beats, do, voice) for voice in VOICES.values()) if do else (),
    )


def said(found: Iterable[Content], sequence: Sequence, told: Told) -> list[Content]:
    """The contents with the teacher's word: what it lacks is out; what it has and was not found is plain in it."""
    kept = [content for content in found if content.concept not in told.lacks]
    there = {content.concept for content in kept}
    added = [c for c in sequence.concepts if c.key in told.has and c.key not in there]
    return kept + [Content(c.key, c.name, 2, (), 2, 2, 2, 1, tone=bool(c.degrees)) for c in added]


def contents(analysis: Analysis, sequence: Sequence) -> list[Content]:
    """Tones, figures, then meter and resting tone; merged where one concept covers several."""
    found = [*_tones(analysis, sequence), *_figures(analysis, sequence)]
    seen = {content.concept for content in found}
    found += [aspect for aspect in _aspects(analysis, sequence) if aspect.concept not in seen]
    return sorted(found, key=lambda c: (c.aspect, c.concept is None))


def _tones(analysis: Analysis, sequence: Sequence) -> Iterable[Content]:
    places: dict[tuple[ConceptKey | None, str], list[int]] = {}
    for index, sound in enumerate(analysis.attacks):
        degree = analysis.degree(sound)
        if degree is not None:
            places.setdefault(_tone_concept(degree, sequence), []).append(index)
    for (concept, label), indexes in places.items():
        sounds = [analysis.attacks[i] for i in indexes]
        most, turns = _in_phrases(analysis, [s.onset for s in sounds])
        by_step = sum(_approached_by_step(analysis.attacks, i) for i in indexes)
        yield Content(
            concept, label, len(indexes), _bars(s.bar for s in sounds), most, turns,
            sum(s.strong for s in sounds), by_step, tone=True,
        )  # fmt: skip


def _tone_concept(degree: Degree, sequence: Sequence) -> tuple[ConceptKey | None, str]:
    """The concept of a tone; a tone in another octave than its concept's is a thing of its own."""
    name = str(degree)
    key = sequence.of_degree.get(name)
    return (key, sequence.concept(key).name) if key else (None, sequence.wording.tone(name))


def _approached_by_step(attacks: tuple[Sound, ...], index: int) -> bool:
    if index == 0:
        return False
    one, two = attacks[index - 1].pitch, attacks[index].pitch
    return one is not None and two is not None and move(one, two) in ("step", "repeat")


def _figures(analysis: Analysis, sequence: Sequence) -> Iterable[Content]:
    starts = {bar: onset for bar, onset in _bar_onsets(analysis)}
    places: dict[tuple[ConceptKey | None, str], list[tuple[int, Fraction]]] = {}
    for figure in analysis.figures:
        key = sequence.of_element.get(figure.key or "")
        label = (
            sequence.concept(key).name if key else SPOKEN.get(figure.key or "", f"the figure {figure.text}")
        )
        if figure.key in READ_WITH_OTHERS and key is None:
            continue  # silence of a bar and a tie are read with what they are made of
        onset = starts[figure.bar] + figure.beat * analysis.tune.bars[0].meter.beat
        if figure.key == "upbeat":
            places.setdefault((key, label), []).extend(_upbeats(analysis))
        else:
            places.setdefault((key, label), []).append((figure.bar, onset))
    for (key, label), found in places.items():
        most, turns = _in_phrases(analysis, [onset for _, onset in found])
        yield Content(key, label, len(found), _bars(bar for bar, _ in found), most, turns)


def _upbeats(analysis: Analysis) -> Iterable[tuple[int, Fraction]]:
    """(bar, onset) of the phrases that begin before a bar line: a tune has one pickup, but is lifted into each of these."""
    firsts = (analysis.timeline[phrase.first] for phrase in analysis.phrases)
    return ((first.bar, first.onset) for first in firsts if first.bar == 0 or first.place > 0)


def _bar_onsets(analysis: Analysis) -> Iterable[tuple[int, Fraction]]:
    clock, seen = Fraction(0), set()
    for bar in analysis.tune.bars:
        if bar.number not in seen:
            seen.add(bar.number)
            yield bar.number, clock
        clock += bar.length


def _in_phrases(analysis: Analysis, onsets: list[Fraction]) -> tuple[int, int]:
    """(most times in one phrase, phrases that have it in the same place as another one)."""
    phrases = [analysis.phrase_of(onset) for onset in onsets]
    starts = [analysis.timeline[phrase.first].onset for phrase in analysis.phrases]
    spots = {(phrase, onset - starts[phrase]) for phrase, onset in zip(phrases, onsets, strict=True)}
    shared = Counter(place for _, place in spots)
    turns = {phrase for phrase, place in spots if shared[place] > 1}
    return max(Counter(phrases).values(), default=0), len(turns)


def _aspects(analysis: Analysis, sequence: Sequence) -> Iterable[Content]:
    for meter in dict.fromkeys(str(bar.meter) for bar in analysis.tune.bars):
        key = sequence.of_meter.get(meter)
        name = sequence.concept(key).name if key else f"{meter} meter"
        yield Content(key, name, 1, (), 1, 0, aspect=True)
    for concept in sequence.concepts:
        rests = concept.resting is not None and concept.resting == analysis.tonality.resting
        if rests or analysis.tone_set_name in concept.tone_sets:
            yield Content(concept.key, concept.name, 1, (), 2, 0, aspect=True)


def _bars(numbers: Iterable[int]) -> tuple[int, ...]:
    return tuple(sorted(set(numbers)))
