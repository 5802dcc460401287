"""Is this song right for preparing, presenting or practising a concept with this class?

Every rule gives its reason; whether the song is barred, and its place in the list, follow from them.
Source: docs/sources.md#songs.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from datetime import date

from kopje.core.analysis.key_choice import VOICES, KeyChoice, key_reason
from kopje.core.reasons import Reason, Verdict, counted, listed
from kopje.core.sequence.arcs import SectionState
from kopje.core.sequence.concepts import Concept, ConceptKey
from kopje.core.sequence.phases import Purpose
from kopje.core.songs.contents import Content, SongCard

# What each thing costs, in points; a barred song comes after all others.
UNKNOWN_TONE_OR_FIGURE = 6
UNKNOWN_ASPECT = 2
OUT_OF_RANGE = 8
MOVED_KEY = 1
THIN_TARGET = 4
WEAK_BEATS_ONLY = 2
LEAP_TO_TARGET = 1
LONG = 2
NEW_TO_THEM = 3
SUNG_LATELY = 3
LONG_SONG_BARS = 20
REST_DAYS = 21


@dataclass(frozen=True, slots=True)
class Met:
    """How a section has met a song: in how many lessons, and when last."""

    lessons: int = 0
    last: date | None = None


@dataclass(frozen=True)
class Fit:
    """A song against a class and a purpose. Lower `cost` comes first; barred songs come last."""

    song: SongCard
    purpose: Purpose
    concept: Concept
    verdict: Verdict
    cost: int
    unknown: tuple[Content, ...]
    key: KeyChoice | None
    met: Met

    @property
    def allowed(self) -> bool:
        return self.verdict.allowed

    @property
    def sentence(self) -> str:
        """The reasons in one breath."""
        said = [r.sentence.rstrip(".") for r in self.verdict.reasons]
        return "; ".join(s if i == 0 else s[0].lower() + s[1:] for i, s in enumerate(said)) + "."


def unknown(song: SongCard, state: SectionState, besides: ConceptKey | None = None) -> tuple[Content, ...]:
    """What is in the song minus what the class can name; never typed in. Source: docs/sources.md#songs."""
    return tuple(
        content
        for content in song.contents
        if content.concept != besides and (content.concept is None or not state.named(content.concept))
    )


def fit(
    song: SongCard,
    concept: Concept,
    purpose: Purpose,
    state: SectionState,
    met: Met = Met(),
    today: date | None = None,
) -> Fit:
    others = unknown(song, state, concept.key)
    keys = song.keys_for(state.grade)
    scored = [
        *_target(song, concept, purpose, state),
        *_others(others, concept, purpose, state),
        *_range(song, state, keys),
        *_length(song),
        *_acquaintance(purpose, met, today, state),
    ]
    verdict = Verdict(tuple(reason for reason, _ in scored))
    return Fit(
        song, purpose, concept, verdict, sum(c for _, c in scored), others, keys[0] if keys else None, met
    )


def ranked(fits: Iterable[Fit]) -> tuple[Fit, ...]:
    """Best first: allowed before barred, then cost, then title."""
    return tuple(sorted(fits, key=lambda f: (not f.allowed, f.cost, f.song.title, f.song.id)))


Scored = Iterator[tuple[Reason, int]]


def _target(song: SongCard, concept: Concept, purpose: Purpose, state: SectionState) -> Scored:
    if not concept.found_in_music:
        yield (
            Reason(
                "observed", concept.key, f"{concept.name.capitalize()} can be done with any song.", "note"
            ),
            0,
        )
        return
    content = song.content(concept.key)
    if content is None:
        yield Reason("target_missing", concept.key, f"Has no {concept.name}.", "bars"), 100
        return
    if purpose == "practise" and not state.named(concept.key):
        yield (
            Reason("target_unnamed", concept.key, f"{state.name} cannot name {concept.name} yet.", "bars"),
            50,
        )
    plain = content.aspect or content.most_in_phrase >= 2 or content.turns >= 2
    if purpose == "present" and not plain:
        said = f"Has {concept.name} only {_times(content.count)}, never twice in a phrase or in one place."
        yield Reason("target_thin", concept.key, said, "bars"), 40
        return
    said, cost = _plainness(content, concept)
    yield Reason("target", concept.key, said, "for"), cost if purpose != "practise" else cost // 2


def _plainness(content: Content, concept: Concept) -> tuple[str, int]:
    if content.aspect:
        return f"Is a song with {concept.name}", 0
    said = [f"Has {concept.name} {_times(content.count)}"]
    cost = 0 if content.most_in_phrase >= 2 or content.turns >= 2 else THIN_TARGET
    if content.turns >= 2:
        said.append("in the same place of its phrases")
    if concept.degrees:
        if content.on_strong:
            said.append("on strong beats")
        else:
            cost += WEAK_BEATS_ONLY
        if 2 * content.by_step >= content.count:
            said.append("approached by step")
        else:
            cost += LEAP_TO_TARGET
    return ", ".join(said), cost


def _times(count: int) -> str:
    return {1: "once", 2: "twice"}.get(count, f"{count} times")


def _others(others: tuple[Content, ...], concept: Concept, purpose: Purpose, state: SectionState) -> Scored:
    strict = purpose != "prepare" and concept.found_in_music
    elements = [content for content in others if not content.aspect]
    barring = [content for content in elements if strict and not _by_rote(content, state)]
    rest = [content for content in elements if content not in barring]
    if barring:
        said = f"Also has {listed(content.label for content in barring)}, unknown to {state.name}."
        yield Reason("unknown", "contents", said, "bars"), UNKNOWN_TONE_OR_FIGURE * len(barring)
    if rest:
        said = f"Also has {listed(content.label for content in rest)}, which {state.name} cannot name yet."
        yield Reason("by_rote", "contents", said, "note"), UNKNOWN_TONE_OR_FIGURE * len(rest)
    if not elements:
        yield Reason("all_known", "contents", "All else known.", "for"), 0
    aspects = [content for content in others if content.aspect]
    if aspects:
        said = f"Not named yet: {listed(content.label for content in aspects)}."
        yield Reason("unknown_aspect", "contents", said, "against"), UNKNOWN_ASPECT * len(aspects)


def _by_rote(content: Content, state: SectionState) -> bool:
    """Before a class can name any tone (or any figure) at all, it sings those by ear, and they bar nothing."""
    return not (state.names_tones if content.tone else state.names_figures)


def _range(song: SongCard, state: SectionState, keys: tuple[KeyChoice, ...]) -> Scored:
    if song.do is None:
        return
    reason = key_reason(keys, song.do, VOICES[min(state.grade, 5)])
    if reason.weight == "against":
        yield reason, OUT_OF_RANGE
    else:
        yield reason, 0 if reason.code == "range_written" else MOVED_KEY


def _length(song: SongCard) -> Scored:
    if song.bars > LONG_SONG_BARS:
        yield Reason("long", "length", f"It is long: {counted(song.bars, 'bar')}.", "against"), LONG


def _acquaintance(purpose: Purpose, met: Met, today: date | None, state: SectionState) -> Scored:
    if not met.lessons:
        if purpose == "present":
            yield (
                Reason("new_song", "song", "New to them, so two things would be new at once.", "against"),
                NEW_TO_THEM,
            )
        else:
            yield Reason("new_song", "song", f"New to {state.name}.", "note"), 0
        return
    yield Reason("known_song", "song", f"They sang it in {counted(met.lessons, 'lesson')}.", "for"), 0
    if purpose == "practise" and met.last and today and (today - met.last).days < REST_DAYS:
        yield Reason("lately", "song", f"Sung lately, on {met.last:%-d %b}.", "against"), SUNG_LATELY
