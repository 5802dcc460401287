"""A song seen through a sequence: which concepts are in it, how often, and how plainly."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from typing import Any

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.annotations import NOTHING, Annotations
from kopje.core.analysis.elements import ORDER, figure_name
from kopje.core.analysis.key_choice import KeyChoice
from kopje.core.analysis.motion import move
from kopje.core.analysis.timeline import Sound
from kopje.core.exact import Fraction, parsed
from kopje.core.music.degree import Do
from kopje.core.music.pitch import Pitch
from kopje.core.reasons import Named, Param, Tone, because
from kopje.core.sequence.concepts import ConceptKey, Sequence
from kopje.core.songs.facts import READ_WITH_OTHERS, found_traits, tagged


@dataclass(frozen=True, slots=True)
class Content:
    """One thing in a song. `concept` is None when the sequence has no concept for it.

    `most_in_phrase`: the most times it comes in one phrase; `turns`: phrases that have it in the same place
    as another phrase; `tone`: a degree, not a figure; `aspect`: meter, tone set or resting tone, which
    colour a song but are no tone or figure in it; `trait`: a form, a direction, a sign: nobody has to know it
    to sing it."""

    concept: ConceptKey | None
    label: Param
    count: int
    bars: tuple[int, ...]
    most_in_phrase: int
    turns: int
    on_strong: int = 0
    by_step: int = 0
    tone: bool = False
    aspect: bool = False
    trait: bool = False

    @property
    def plain(self) -> bool:
        """Clear enough to get its name by: twice in one phrase, or as a turn that comes back."""
        return self.aspect or self.most_in_phrase >= 2 or self.turns >= 2


@dataclass(frozen=True)
class SongCard:
    """What planning needs to know of a song."""

    id: str
    title: str
    contents: tuple[Content, ...]
    bars: int
    do: Do | None
    keys: tuple[tuple[KeyChoice, ...], ...] = ()  # the best keys for grades 0, 1, 2 …
    traits: Mapping[str, tuple[int, ...]] = field(default_factory=dict)
    times: frozenset[str] = frozenset()  # when it is sung (core/songs/times.py); none: at any time

    def keys_for(self, grade: int) -> tuple[KeyChoice, ...]:
        return self.keys[min(max(grade, 0), len(self.keys) - 1)] if self.keys else ()

    def content(self, key: ConceptKey) -> Content | None:
        return next((content for content in self.contents if content.concept == key), None)


@dataclass(frozen=True, slots=True)
class Spot:
    """Where a tone or a figure stands: its phrase, its place there (quarters from its start, as text), its
    bar; for a tone whether it is on a strong beat and approached by step."""

    phrase: int
    place: str
    bar: int
    strong: bool = False
    by_step: bool = False


@dataclass(frozen=True)
class Outline:
    """A song as planning needs it before any sequence looks at it; small enough to be kept beside the song.

    `tones` by degree, `figures` by element key (or its text in beats, after “?”), both in order of first
    coming."""

    bars: int
    do: Do | None
    tones: Mapping[str, tuple[Spot, ...]]
    figures: Mapping[str, tuple[Spot, ...]]
    meters: tuple[str, ...]
    resting: str | None
    tone_set: str | None
    keys: tuple[tuple[KeyChoice, ...], ...] = ()
    traits: Mapping[str, tuple[int, ...]] = field(default_factory=dict)


def card(
    id_: str,
    analysis: Analysis,
    sequence: Sequence,
    annotations: Annotations = NOTHING,
    parts: int = 1,
    tags: Iterable[str] = (),
) -> SongCard:
    """A song for planning; what the teacher says it has or lacks goes before what was found."""
    has = annotations.has | tagged(tags, sequence)
    seen = outline(analysis, parts)
    return card_of(id_, analysis.tune.title, seen, sequence, has, annotations.lacks)


def card_of(
    id_: str,
    title: str,
    song: Outline,
    sequence: Sequence,
    has: Iterable[str] = (),
    lacks: Iterable[str] = (),
    times: Iterable[str] = (),
) -> SongCard:
    """The same from an outline."""
    found = said(contents(song, sequence), sequence, frozenset(has) - frozenset(lacks), frozenset(lacks))
    return SongCard(id_, title, tuple(found), song.bars, song.do, song.keys, song.traits, frozenset(times))


def outline(a: Analysis, parts: int = 1) -> Outline:
    """What planning needs of a song of so many parts, without any sequence."""
    return Outline(
        a.tune.bars[-1].number,
        a.tonality.do,
        _tone_spots(a),
        _figure_spots(a),
        tuple(dict.fromkeys(str(bar.meter) for bar in a.tune.bars)),
        a.tonality.resting,
        a.tone_set_name,
        a.keys_by_grade,
        found_traits(a, parts),
    )


def _tone_spots(a: Analysis) -> dict[str, tuple[Spot, ...]]:
    found: dict[str, list[Spot]] = {}
    for index, sound in enumerate(a.attacks):
        degree = a.degree(sound)
        if degree is not None:
            by_step = _approached_by_step(a.attacks, index)
            spot = _spot(a, sound.onset, sound.bar, bool(sound.strong), by_step)
            found.setdefault(str(degree), []).append(spot)
    return {name: tuple(spots) for name, spots in found.items()}


def _approached_by_step(attacks: tuple[Sound, ...], index: int) -> bool:
    if index == 0:
        return False
    one, two = attacks[index - 1].pitch, attacks[index].pitch
    return one is not None and two is not None and move(one, two) == "step"


def _figure_spots(a: Analysis) -> dict[str, tuple[Spot, ...]]:
    starts = dict(_bar_onsets(a))
    found: dict[str, list[Spot]] = {}
    for figure in a.figures:
        spots = found.setdefault(figure.key or f"?{figure.text}", [])
        if figure.key == "upbeat":
            spots += (_spot(a, onset, bar) for bar, onset in _upbeats(a))
        else:
            onset = starts[figure.bar] + figure.beat * a.tune.bars[0].meter.beat
            spots.append(_spot(a, onset, figure.bar))
    return {name: tuple(spots) for name, spots in found.items()}


def _spot(a: Analysis, onset: Fraction, bar: int, strong: bool = False, by_step: bool = False) -> Spot:
    phrase = a.phrase_of(onset)
    return Spot(phrase, str(onset - a.timeline[a.phrases[phrase].first].onset), bar, strong, by_step)


def _upbeats(analysis: Analysis) -> Iterable[tuple[int, Fraction]]:
    """(bar, onset) of the phrases that begin before a bar line: a tune has one pickup, but is lifted into
    each of these."""
    firsts = (analysis.timeline[phrase.first] for phrase in analysis.phrases)
    return ((first.bar, first.onset) for first in firsts if first.bar == 0 or first.place > 0)


def _bar_onsets(analysis: Analysis) -> Iterable[tuple[int, Fraction]]:
    clock, seen = Fraction(0), set()
    for bar in analysis.tune.bars:
        if bar.number not in seen:
            seen.add(bar.number)
            yield bar.number, clock
        clock += bar.length


def said(
    found: Iterable[Content], sequence: Sequence, has: frozenset[str], lacks: frozenset[str]
) -> list[Content]:
    """The contents with the teacher's word: what it lacks is out; what it has and was not found is plain in
    it."""
    kept = [content for content in found if content.concept not in lacks]
    there = {content.concept for content in kept}
    added = [c for c in sequence.concepts if c.key in has and c.key not in there]
    return kept + [
        Content(
            c.key,
            Named(c.key),
            2,
            (),
            2,
            2,
            2,
            1,
            tone=bool(c.degrees),
            aspect=not c.named_in_music,
            trait=not c.named_in_music,
        )
        for c in added
    ]


def contents(song: Outline, sequence: Sequence) -> list[Content]:
    """Tones, figures, then meter and resting tone; merged where one concept covers several."""
    found = [*_tones(song, sequence), *_figures(song, sequence)]
    seen = {content.concept for content in found}
    found += [aspect for aspect in _aspects(song, sequence) if aspect.concept not in seen]
    seen = {content.concept for content in found}
    found += [trait for trait in _traits(song, sequence) if trait.concept not in seen]
    return sorted(found, key=lambda c: (c.aspect, c.concept is None))


def _tones(song: Outline, sequence: Sequence) -> Iterable[Content]:
    places: dict[tuple[ConceptKey | None, Param], list[Spot]] = {}
    for name, spots in song.tones.items():
        key = sequence.of_degree.get(
            name
        )  # a tone in another octave than its concept's is a thing of its own
        places.setdefault((key, Named(key) if key else Tone(name)), []).extend(spots)
    for (concept, label), every in places.items():
        most, turns = _in_phrases(every)
        yield Content(
            concept,
            label,
            len(every),
            _bars(every),
            most,
            turns,
            sum(one.strong for one in every),
            sum(one.by_step for one in every),
            tone=True,
        )


def _figures(song: Outline, sequence: Sequence) -> Iterable[Content]:
    places: dict[tuple[ConceptKey | None, Param], list[Spot]] = {}
    for name, spots in song.figures.items():
        key = sequence.of_element.get(name)
        if name in READ_WITH_OTHERS and key is None:
            continue  # silence of a bar and a tie are read with what they are made of
        places.setdefault((key, Named(key) if key else figure_label(name)), []).extend(spots)
    for (key, label), every in places.items():
        most, turns = _in_phrases(every)
        yield Content(key, label, len(every), _bars(every), most, turns)


def figure_label(name: str) -> Param:
    """An element by its name; what has none is written in beats."""
    return figure_name(name) if name in ORDER else because("figure_unnamed", figure=name.lstrip("?"))


def _in_phrases(spots: Iterable[Spot]) -> tuple[int, int]:
    """(most times in one phrase, phrases that have it in the same place as another one)."""
    every = list(spots)
    places = {(one.phrase, one.place) for one in every}
    shared = Counter(place for _, place in places)
    turns = {phrase for phrase, place in places if shared[place] > 1}
    return max(Counter(one.phrase for one in every).values(), default=0), len(turns)


def _aspects(song: Outline, sequence: Sequence) -> Iterable[Content]:
    for meter in song.meters:
        key = sequence.of_meter.get(meter)
        yield Content(key, Named(key) if key else because("meter_of", meter=meter), 1, (), 1, 0, aspect=True)
    for concept in sequence.concepts:
        rests = concept.resting is not None and concept.resting == song.resting
        if rests or song.tone_set in concept.tone_sets:
            yield Content(concept.key, Named(concept.key), 1, (), 2, 0, aspect=True)


def _traits(song: Outline, sequence: Sequence) -> Iterable[Content]:
    for concept in sequence.concepts:
        bars = sorted({bar for trait in concept.traits for bar in song.traits.get(trait, ())})
        if bars:
            yield Content(
                concept.key, Named(concept.key), len(bars), tuple(bars), len(bars), 0, aspect=True, trait=True
            )


def _bars(spots: Iterable[Spot]) -> tuple[int, ...]:
    return tuple(sorted({one.bar for one in spots}))


def packed(song: Outline) -> dict[str, Any]:
    """An outline as plain values that can be stored; `unpacked` gives it back."""
    return {
        "bars": song.bars,
        "do": _do(song.do),
        "meters": list(song.meters),
        "resting": song.resting,
        "tone_set": song.tone_set,
        "tones": [
            [name, [[s.phrase, s.place, s.bar, int(s.strong), int(s.by_step)] for s in spots]]
            for name, spots in song.tones.items()
        ],
        "figures": [
            [name, [[s.phrase, s.place, s.bar] for s in spots]] for name, spots in song.figures.items()
        ],
        "keys": [
            [[_do(k.do), k.semitones, str(k.cost), str(k.low), str(k.high)] for k in keys]
            for keys in song.keys
        ],
        "traits": {key: list(bars) for key, bars in song.traits.items()},
    }


def _do(do: Do | None) -> list[Any] | None:
    return [do.letter, do.alter, do.octave] if do else None


def unpacked(values: Mapping[str, Any]) -> Outline:
    pitch = Pitch.parse
    return Outline(
        values["bars"],
        Do(*values["do"]) if values["do"] else None,
        {
            name: tuple(Spot(p, at, bar, bool(s), bool(b)) for p, at, bar, s, b in spots)
            for name, spots in values["tones"]
        },
        {name: tuple(Spot(*spot) for spot in spots) for name, spots in values["figures"]},
        tuple(values["meters"]),
        values["resting"],
        values["tone_set"],
        tuple(
            tuple(
                KeyChoice(Do(*do), n, parsed(cost), pitch(low), pitch(high))
                for do, n, cost, low, high in keys
            )
            for keys in values["keys"]
        ),
        {key: tuple(bars) for key, bars in values.get("traits", {}).items()},
    )
