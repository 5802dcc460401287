"""Everything Kopje says about a tune, worked out once. The printed form is in docs/analysis.md."""

from __future__ import annotations

from bisect import bisect_right
from collections import defaultdict
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from itertools import groupby, pairwise
from typing import Literal

from kopje.core.analysis import elements, phrases
from kopje.core.analysis.annotations import NOTHING, Annotations, counted
from kopje.core.analysis.bar_order import bars_played, notes_of, phrases_played
from kopje.core.analysis.heard_phrases import heard
from kopje.core.analysis.key_choice import VOICES, KeyChoice, best_keys, weights_of
from kopje.core.analysis.motion import motion
from kopje.core.analysis.phrases import Phrase, PhraseSource
from kopje.core.analysis.problems import problems
from kopje.core.analysis.timeline import Sound, sounds
from kopje.core.analysis.tonality import Tonality, in_phrase, judge
from kopje.core.analysis.tone_set import tone_set, tone_set_name
from kopje.core.exact import Fraction
from kopje.core.lazy import lazy
from kopje.core.music.degree import Degree, Do
from kopje.core.music.pitch import Pitch
from kopje.core.music.tune import Problem, Tune

Minor = Literal["la", "do"]


@dataclass(frozen=True)
class Analysis:
    """The facts of one tune. `areas` holds one tonality per stated key, `main` says which one leads; `homes`
    one per phrase.

    `moved` holds do for the notes of phrases in the parallel tonality.
    """

    tune: Tune
    timeline: tuple[Sound, ...]
    phrases: tuple[Phrase, ...]
    areas: tuple[Tonality, ...]
    main: int
    figures: tuple[elements.Figure, ...]
    motion: dict[str, int]
    problems: tuple[Problem, ...]
    homes: tuple[Tonality, ...] = ()
    moved: Mapping[int, Do] = field(default_factory=dict)
    known: Mapping[int, Degree] = field(default_factory=dict)  # degrees by the first printed note
    phrases_from: PhraseSource = "spans"

    @lazy
    def _leading(self) -> tuple[Tonality, frozenset[int]]:
        """Of the stretches with a do of their own (key areas, and phrases in the parallel tonality in them)
        the one with most beats, on a tie the last; and its notes."""
        beats: dict[tuple[int, Do | None, str | None], Fraction] = defaultdict(Fraction)
        notes: dict[tuple[int, Do | None, str | None], set[int]] = defaultdict(set)
        home: dict[tuple[int, Do | None, str | None], Tonality] = {}
        for phrase, own in zip(self.phrases, self.homes, strict=True):
            first = self.timeline[phrase.first].area
            for sound in self.timeline[phrase.first : phrase.stop]:
                here = own if sound.area == first else self.areas[sound.area]
                key = (sound.area, here.do, here.resting)
                beats[key] += sound.beats
                notes[key].add(sound.note)
                home[key] = here
        if not home:
            return self.areas[self.main], frozenset(sound.note for sound in self.timeline)
        order = list(home)
        best = max(order, key=lambda key: (beats[key], order.index(key)))
        return home[best], frozenset(notes[best])

    @property
    def tonality(self) -> Tonality:
        return self._leading[0]

    @lazy
    def attacks(self) -> tuple[Sound, ...]:
        return tuple(sound for sound in self.timeline if sound.attack)

    def degree(self, sound: Sound) -> Degree | None:
        return self.known.get(sound.note)

    @lazy
    def degrees(self) -> tuple[Degree, ...]:
        return tuple(d for d in map(self.degree, self.attacks) if d is not None)

    @lazy
    def tone_set(self) -> tuple[Degree, ...]:
        """Of the leading stretch, as its tonality is."""
        inside = self._leading[1]
        found = (self.degree(sound) for sound in self.attacks if sound.note in inside)
        return tone_set(tuple(degree for degree in found if degree is not None))

    @lazy
    def tone_set_name(self) -> str | None:
        return tone_set_name(self.tone_set, self.tonality.resting)

    @lazy
    def range(self) -> tuple[Pitch, Pitch] | None:
        pitches = [sound.pitch for sound in self.attacks if sound.pitch]
        if not pitches:
            return None
        return min(pitches, key=lambda p: (p.midi, p.step)), max(pitches, key=lambda p: (p.midi, p.step))

    @lazy
    def keys_by_grade(self) -> tuple[tuple[KeyChoice, ...], ...]:
        """The best keys for the voices of grades 0, 1, 2 …; empty without do."""
        do = self.tonality.do
        if do is None:
            return ()
        beats = weights_of(self.attacks)
        return tuple(best_keys(beats, do, voice) for voice in VOICES.values())

    @lazy
    def element_rows(self) -> tuple[tuple[str, int, tuple[int, ...]], ...]:
        return elements.summed(self.figures)

    @property
    def form(self) -> str:
        return " ".join(phrase.label for phrase in self.phrases)

    @lazy
    def form_played(self) -> str:
        """The form with repeats and endings followed."""
        played = phrases_played(self.tune, self.timeline, self.phrases)
        return " ".join(self.phrases[index].label for index in played)

    @lazy
    def final(self) -> Degree | None:
        """The last tone as sung."""
        by_note = {sound.note: sound for sound in self.attacks if sound.pitch}
        played = [
            note for bar in bars_played(self.tune) for note in notes_of(self.tune, bar) if note in by_note
        ]
        return self.degree(by_note[played[-1]]) if played else None

    @lazy
    def words(self) -> dict[str, tuple[str, ...]]:
        """Syllables of verse 1 by the degree of their first tone, in order of first singing."""
        found: dict[str, list[str]] = {}
        for sound in self.attacks:
            degree = self.degree(sound)
            for syllable in sound.syllables:
                text = "".join(c for c in syllable.text.lower() if c.isalnum() or c in "'’-").strip("'’-")
                if degree and syllable.verse == 1 and text and text not in found.setdefault(str(degree), []):
                    found[str(degree)].append(text)
        return {key: tuple(texts) for key, texts in found.items()}

    @lazy
    def sung_words(self) -> tuple[str, ...]:
        """The words as they are sung, verse after verse, with the marks that stand by them."""
        verses: dict[int, list[str]] = {}
        joined: set[int] = set()  # verses in which a word goes on
        for sound in self.attacks:
            for syllable in sound.syllables:
                words = verses.setdefault(syllable.verse, [])
                if syllable.verse in joined:
                    words[-1] += syllable.text
                else:
                    words.append(syllable.text)
                (joined.add if syllable.joins else joined.discard)(syllable.verse)
        return tuple(word for verse in sorted(verses) for word in verses[verse])

    @lazy
    def phrases_heard(self) -> tuple[Phrase, ...]:
        """The phrases that the tune itself suggests, whatever its file shows."""
        edges = (0, *heard(self.timeline), len(self.timeline))
        return tuple(Phrase(a, b) for a, b in pairwise(edges))

    def attacks_in(self, phrase: Phrase) -> tuple[Sound, ...]:
        return tuple(sound for sound in self.timeline[phrase.first : phrase.stop] if sound.attack)

    def phrase_of(self, onset: Fraction) -> int:
        """Index of the phrase that sounds at an onset."""
        return max(bisect_right(self._beginnings, onset) - 1, 0)

    @lazy
    def _beginnings(self) -> list[Fraction]:
        return [self.timeline[phrase.first].onset for phrase in self.phrases]


def analyse(tune: Tune, minor: Minor = "la", annotations: Annotations = NOTHING) -> Analysis:
    """Analyse a tune; `annotations` is the teacher's word and wins over the evidence."""
    tune = counted(tune, annotations)
    timeline = sounds(tune)
    source, cut = phrases.borders(tune, timeline, phrases.begin_in(tune, timeline, annotations.phrases))
    areas = _areas(timeline, cut, annotations)
    homes = tuple(in_phrase(timeline[p.first : p.stop], areas[timeline[p.first].area]) for p in cut)
    if minor == "do":
        areas, homes = tuple(map(_do_based, areas)), tuple(map(_do_based, homes))
    moved = _moved(timeline, cut, areas, homes)

    known = dict(_degrees(timeline, areas, moved))
    found = phrases.labelled(cut, timeline, lambda sound: known.get(sound.note))
    if len(annotations.labels) == len(found):
        found = tuple(
            replace(phrase, label=label) for phrase, label in zip(found, annotations.labels, strict=True)
        )
    return Analysis(
        tune=tune,
        timeline=timeline,
        phrases=found,
        areas=areas,
        main=_leading(timeline, len(areas)),
        figures=elements.figures(tune),
        motion=motion(timeline, cut),
        problems=problems(tune),
        homes=homes,
        moved=moved,
        known=known,
        phrases_from=source,
    )


def _degrees(
    timeline: Sequence[Sound], areas: Sequence[Tonality], moved: Mapping[int, Do]
) -> Iterator[tuple[int, Degree]]:
    for sound in timeline:
        do = moved.get(sound.note, areas[sound.area].do)
        if do is not None and sound.pitch is not None:
            yield sound.note, do.degree(sound.pitch)


def _moved(
    timeline: Sequence[Sound], cut: Sequence[Phrase], areas: Sequence[Tonality], homes: Sequence[Tonality]
) -> dict[int, Do]:
    """Do of the notes whose phrase has another one than its key area."""
    return {
        sound.note: home.do
        for phrase, home in zip(cut, homes, strict=True)
        for sound in timeline[phrase.first : phrase.stop]
        if home.do is not None and home.do != areas[timeline[phrase.first].area].do
    }


def _areas(
    timeline: Sequence[Sound], cut: Sequence[Phrase], annotations: Annotations
) -> tuple[Tonality, ...]:
    """One tonality for each stretch under one stated key; the teacher's word is for the first."""
    found, base = [], 0
    for area, group in groupby(timeline, key=lambda sound: sound.area):
        part = tuple(group)
        inside = [
            Phrase(max(phrase.first - base, 0), min(phrase.stop - base, len(part)))
            for phrase in cut
            if phrase.first < base + len(part) and phrase.stop > base
        ]
        found.append(judge(part, inside, part[0].key, annotations if area == 0 else NOTHING))
        base += len(part)
    return tuple(found)


def _leading(timeline: Sequence[Sound], count: int) -> int:
    """The key area with most beats; on a tie the last."""
    beats = [sum((s.beats for s in timeline if s.area == area), Fraction(0)) for area in range(count)]
    return max(range(count), key=lambda area: (beats[area], area))


def _do_based(tonality: Tonality) -> Tonality:
    """Minor read from its own resting tone: do re me fa so le te."""
    if tonality.name != "minor" or tonality.do is None:
        return tonality
    home = tonality.do.sounding(Degree.parse("la,"))
    return replace(tonality, do=Do(home.letter, home.alter, home.octave), resting="do")
