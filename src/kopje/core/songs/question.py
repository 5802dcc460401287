"""A question to the songbook that reads like a sentence: what a song must have, for whom, and how long it
rested.

Every part of the sentence that a song meets is a reason; one that it does not meet leaves it out. Source:
docs/sources.md#songs."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, replace
from datetime import date

from kopje.core.analysis.key_choice import fit_reason, voice_of
from kopje.core.reasons import Named, Param, Reason, Tone, Verdict, because, listed
from kopje.core.sequence.concepts import Sequence
from kopje.core.sequence.section_state import SectionState
from kopje.core.songs.contents import figure_label
from kopje.core.songs.facts import SongFacts, elements_of, features_of, nameable
from kopje.core.songs.suitability import Met

METER = "meter:"


@dataclass(frozen=True, slots=True)
class SongQuestion:
    """`has`: concepts that must be in it, or what the songbook itself calls a thing (`meter:6/8`,
    `figure:upbeat`, `tone:fa`); `known`: all else can be named; `fits`: lies in their range in some key;
    `rested`: not sung for so many weeks; `new`: never sung by them."""

    has: tuple[str, ...] = ()
    known: bool = False
    fits: bool = False
    rested: int | None = None
    new: bool = False


def answer(song: SongFacts, asked: SongQuestion, state: SectionState, met: Met, today: date) -> Verdict:
    """Why a song answers the question, or what keeps it out."""
    return Verdict(
        (
            *_has(song, asked, state),
            *_known(song, asked, state),
            *_fits(song, asked, state),
            *_rested(asked, met, today),
        )
    )


def meant_by(key: str, sequence: Sequence) -> tuple[frozenset[str], frozenset[str]]:
    """The things and aspects of which one must be in a song that has this."""
    if ":" in key:
        return frozenset((key,)), frozenset((key,))
    concept = sequence.concept(key)
    return elements_of(concept), features_of(concept)


def called(key: str, sequence: Sequence) -> Param:
    """A concept's name, or what a thing or an aspect is called."""
    if ":" not in key:
        return Named(sequence.concept(key).key)
    kind, _, name = key.partition(":")
    if kind == "tone":
        return Tone(name)
    if kind == "rests":
        return because("tone_as_home", tone=Tone(name))
    if kind == "figure":
        return figure_label(name)
    if kind == "trait":
        return because(f"trait_{name}")
    return because("meter_of", meter=name) if kind == "meter" else tone_set_words(name)


def tone_set_words(name: str) -> Reason:
    """A set of tones by its name, which may end in “+chromatic”."""
    plain, _, more = name.partition("+")
    return because("tone_set", name=plain, more=int(bool(more)))


def known_to(state: SectionState, asked: SongQuestion) -> frozenset[str]:
    """The things that may be in a song that has “else only what they know”."""
    sequence = state.sequence
    named = [c for c in sequence.concepts if c.key in asked.has or state.named(c.key)]
    return nameable(named, sequence) | {key for key in asked.has if ":" in key}


def known_meters(state: SectionState, asked: SongQuestion) -> frozenset[str] | None:
    """The meters such a song may be in. None while a class can name no meter at all: until then it sings in
    all of them."""
    metric = [c for c in state.sequence.concepts if c.meters]
    if not any(state.named(c.key) for c in metric):
        return None
    named = (c for c in metric if c.key in asked.has or state.named(c.key))
    asked_for = frozenset(key for key in asked.has if key.startswith(METER))
    return asked_for.union(*(features_of(concept) for concept in named))


def _has(song: SongFacts, asked: SongQuestion, state: SectionState) -> Iterator[Reason]:
    for key in asked.has:
        elements, features = meant_by(key, state.sequence)
        name = called(key, state.sequence)
        bars = [song.elements[element] for element in elements if element in song.elements]
        if bars:
            yield because("target_in_bars", "for", key, what=name, bars=max(bars))
        elif features & song.features:
            yield because("target_aspect", "for", key, concept=name)
        else:
            yield because("target_missing", "bars", key, what=name)


def _known(song: SongFacts, asked: SongQuestion, state: SectionState) -> Iterator[Reason]:
    if not asked.known:
        return
    others = sorted(set(song.elements) - known_to(state, asked))
    meters = known_meters(state, asked)
    if meters is not None:
        others += sorted(aspect for aspect in song.features - meters if aspect.startswith(METER))
    if others:
        names = dict.fromkeys(_named(element, state) for element in others)
        yield because("unknown_unnamed", "bars", "contents", others=listed(names, 3), section=state.name)
    else:
        yield because("else_known", "for", "contents", section=state.name)


def _named(element: str, state: SectionState) -> Param:
    """What a class would call it: its concept's name, else the tone or figure itself."""
    kind, _, name = element.partition(":")
    sequence = state.sequence
    of_kind = {"tone": sequence.of_degree, "figure": sequence.of_element, "meter": sequence.of_meter}
    key = of_kind.get(kind, {}).get(name, name)
    if key in sequence.by_key:
        return Named(key)
    if kind == "meter":
        return because("meter_of", meter=name)
    return Tone(name) if kind == "tone" else figure_label(name)


def _fits(song: SongFacts, asked: SongQuestion, state: SectionState) -> Iterator[Reason]:
    found = song.key_for(state.grade)
    if not asked.fits or found is None:
        return
    reason = fit_reason(found, voice_of(state.grade))
    weight = "bars" if reason.weight == "against" else "for"
    yield replace(reason, weight=weight)  # type: ignore[arg-type]


def _rested(asked: SongQuestion, met: Met, today: date) -> Iterator[Reason]:
    if asked.new:
        if met.lessons:
            yield because("known_song", "bars", "song", lessons=met.lessons)
        else:
            yield because("new_to_them", "for", "song")
    if asked.rested is None:
        return
    if met.last is None:
        yield because("not_sung_yet", "for", "song")
        return
    weeks = (today - met.last).days // 7
    yield because("last_sung", "for" if weeks >= asked.rested else "bars", "song", day=met.last)
