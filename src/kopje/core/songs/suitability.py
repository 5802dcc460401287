"""Is this song right for preparing, presenting or practising a concept with this class?

Every rule gives its reason; whether the song is barred, and its place in the list, follow from them.
Source: docs/sources.md#songs.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from datetime import date

from kopje.core.analysis.key_choice import KeyChoice, key_reason, voice_of
from kopje.core.reasons import Listed, Named, Reason, Verdict, because, listed
from kopje.core.sequence.concepts import Concept, ConceptKey
from kopje.core.sequence.phases import Purpose
from kopje.core.sequence.section_state import SectionState
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
LAST_STAGE = 7
NAMES_FROM = 1  # before grade 1 everything is sung by ear, and what has no name yet counts for nothing


@dataclass(frozen=True, slots=True)
class Met:
    """How a section has met a song: in how many lessons, and when last."""

    lessons: int = 0
    last: date | None = None

    @property
    def stage(self) -> int:
        """How far the song grew there, 1 (met) to 7; it never falls."""
        return min(self.lessons, LAST_STAGE)


SAID_KNOWN = Met(3)  # never sung here, yet well known: the teacher said so


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


def unknown(song: SongCard, state: SectionState, besides: ConceptKey | None = None) -> tuple[Content, ...]:
    """What is in the song minus what the class can name; never typed in. Source: docs/sources.md#songs."""
    return tuple(
        content
        for content in song.contents
        if (besides is None or content.concept != besides)
        and not content.trait
        and (content.concept is None or not state.named(content.concept))
    )


def readable(song: SongCard, state: SectionState) -> bool:
    """Whether the class can read it: every tone and figure in it has its name there."""
    return all(content.aspect for content in unknown(song, state))


def fit(
    song: SongCard,
    concept: Concept,
    purpose: Purpose,
    state: SectionState,
    met: Met = Met(),
    today: date | None = None,
) -> Fit:
    others = unknown(song, state, concept.key) if state.grade >= NAMES_FROM else ()
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
    if concept.found_by == "any_song":
        yield because("observed", "note", concept.key, concept=Named(concept.key)), 0
        return
    content = song.content(concept.key)
    if content is None:
        yield because("target_missing", "bars", concept.key, what=Named(concept.key)), 100
        return
    if purpose == "practise" and concept.named_in_music and not state.named(concept.key):
        unnamed = because(
            "target_unnamed", "bars", concept.key, section=state.name, concept=Named(concept.key)
        )
        yield unnamed, 50
    if purpose == "present" and not content.plain:
        thin = because("target_thin", "bars", concept.key, concept=Named(concept.key), count=content.count)
        yield thin, 40
        return
    reason, cost = _plainness(content, concept)
    yield reason, cost if purpose != "practise" else cost // 2


def _plainness(content: Content, concept: Concept) -> tuple[Reason, int]:
    """How plainly a song has a concept, and what it costs where it could be plainer."""
    name = Named(concept.key)
    if content.aspect:
        return because("target_aspect", "for", concept.key, concept=name), 0
    cost = 0 if content.most_in_phrase >= 2 or content.turns >= 2 else THIN_TARGET
    strong = False
    if concept.degrees:
        strong, mostly_by_step = bool(content.on_strong), 2 * content.by_step >= content.count
        cost += WEAK_BEATS_ONLY * (not strong) + LEAP_TO_TARGET * (not mostly_by_step)
    same_place = int(content.turns >= 2)
    reason = because(
        "target",
        "for",
        concept.key,
        concept=name,
        count=content.count,
        same_place=same_place,
        strong=int(strong),
        by_step=_how_often(content.by_step, content.count),
    )
    return reason, cost


def _how_often(some: int, every: int) -> Reason:
    """Of several times some, in words: never, so many of them, always."""
    return because("times_none" if not some else "times_all" if some == every else "times_some", count=some)


def _others(others: tuple[Content, ...], concept: Concept, purpose: Purpose, state: SectionState) -> Scored:
    strict = purpose != "prepare" and concept.named_in_music
    elements = [content for content in others if not content.aspect]
    barring = [content for content in elements if strict and not _by_rote(content, state)]
    rest = [content for content in elements if content not in barring]
    if barring:
        reason = because("unknown", "bars", "contents", others=_labels(barring), section=state.name)
        yield reason, UNKNOWN_TONE_OR_FIGURE * len(barring)
    if rest:
        reason = because("by_rote", "note", "contents", others=_labels(rest), section=state.name)
        yield reason, UNKNOWN_TONE_OR_FIGURE * len(rest)
    if not others:
        yield because("all_known", "for", "contents"), 0
    aspects = [content for content in others if content.aspect]
    if aspects:
        reason = because("unknown_aspect", "against", "contents", others=_labels(aspects))
        yield reason, UNKNOWN_ASPECT * len(aspects)


def _labels(contents: Iterable[Content]) -> Listed:
    return listed(content.label for content in contents)


def _by_rote(content: Content, state: SectionState) -> bool:
    """Before a class can name any tone (or any figure) at all, it sings those by ear, and they bar
    nothing."""
    return not (state.names_tones if content.tone else state.names_figures)


def _range(song: SongCard, state: SectionState, keys: tuple[KeyChoice, ...]) -> Scored:
    if song.do is None:
        return
    reason = key_reason(keys, song.do, voice_of(state.grade))
    if reason.weight == "against":
        yield reason, OUT_OF_RANGE
    else:
        yield reason, 0 if reason.code == "range_written" else MOVED_KEY


def _length(song: SongCard) -> Scored:
    if song.bars > LONG_SONG_BARS:
        yield because("long", "against", "length", bars=song.bars), LONG


def _acquaintance(purpose: Purpose, met: Met, today: date | None, state: SectionState) -> Scored:
    if not met.lessons:
        if purpose == "present":
            yield because("new_song_twice_new", "against", "song"), NEW_TO_THEM
        else:
            yield because("new_song", "note", "song", section=state.name), 0
        return
    if met.last is None:
        yield because("said_known", "for", "song"), 0
    else:
        yield because("known_song", "for", "song", lessons=met.lessons), 0
    if purpose == "practise" and met.last and today and (today - met.last).days < REST_DAYS:
        yield because("sung_lately", "against", "song", day=met.last), SUNG_LATELY
