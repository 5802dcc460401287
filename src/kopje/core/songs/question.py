"""A question to the songbook that reads like a sentence: what a song must have, for whom, and how long it rested.

Every part of the sentence that a song meets is a reason; one that it does not meet leaves it out. Source: docs/sources.md#songs.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date

from kopje.core.analysis.elements import SPOKEN
from kopje.core.analysis.key_choice import VOICES, fit_reason
from kopje.core.reasons import Reason, Verdict, counted, listed
from kopje.core.sequence.arcs import SectionState
from kopje.core.sequence.concepts import Sequence
from kopje.core.songs.facts import SongFacts, aspects_of, nameable, things_of
from kopje.core.songs.fit import Met


@dataclass(frozen=True, slots=True)
class SongQuestion:
    """`has`: concepts that must be in it, or what the songbook itself calls a thing (`meter:6/8`, `figure:upbeat`, `tone:fa`); `known`: all else can be named; `fits`: lies in their range in some key;
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
    return things_of(concept), aspects_of(concept)


def called(key: str, sequence: Sequence) -> str:
    """A concept's name, or what a thing or an aspect is called."""
    if ":" not in key:
        return sequence.concept(key).name
    kind, _, name = key.partition(":")
    if kind in ("tone", "rests"):
        return sequence.wording.tone(name) + (" as home" if kind == "rests" else "")
    if kind == "figure":
        return SPOKEN.get(name, f"the figure {name.lstrip('?')}")
    return f"{name} meter" if kind == "meter" else name


def known_to(state: SectionState, asked: SongQuestion) -> frozenset[str]:
    """The things that may be in a song that has “else only what they know”."""
    sequence = state.sequence
    named = [c for c in sequence.concepts if c.key in asked.has or state.named(c.key)]
    return nameable(named, sequence) | {key for key in asked.has if ":" in key}


def _has(song: SongFacts, asked: SongQuestion, state: SectionState) -> Iterator[Reason]:
    for key in asked.has:
        things, aspects = meant_by(key, state.sequence)
        name = called(key, state.sequence)
        bars = [song.things[thing] for thing in things if thing in song.things]
        if bars:
            yield Reason("target", key, f"Has {name} in {counted(max(bars), 'bar')}.", "for")
        elif aspects & song.aspects:
            yield Reason("target", key, f"Is a song with {name}.", "for")
        else:
            yield Reason("target_missing", key, f"Has no {name}.", "bars")


def _known(song: SongFacts, asked: SongQuestion, state: SectionState) -> Iterator[Reason]:
    if not asked.known:
        return
    others = sorted(set(song.things) - known_to(state, asked))
    if others:
        names = dict.fromkeys(_named(thing, state) for thing in others)
        said = f"Also has {listed(names, 3)}, which {state.name} cannot name yet."
        yield Reason("unknown", "contents", said, "bars")
    else:
        yield Reason("all_known", "contents", f"Else only what {state.name} knows.", "for")


def _named(thing: str, state: SectionState) -> str:
    """What a class would call it: its concept's name, else the tone or figure itself."""
    kind, _, name = thing.partition(":")
    sequence = state.sequence
    key = {"tone": sequence.of_degree, "figure": sequence.of_element}.get(kind, {}).get(name, name)
    if key in sequence.by_key:
        return sequence.concept(key).name
    return (
        sequence.wording.tone(name) if kind == "tone" else SPOKEN.get(name, f"the figure {name.lstrip('?')}")
    )


def _fits(song: SongFacts, asked: SongQuestion, state: SectionState) -> Iterator[Reason]:
    found = song.key_for(state.grade)
    if not asked.fits or found is None:
        return
    reason = fit_reason(found, VOICES[min(state.grade, 5)])
    weight = "bars" if reason.weight == "against" else "for"
    yield Reason(reason.code, reason.subject, reason.sentence, weight)  # type: ignore[arg-type]


def _rested(asked: SongQuestion, met: Met, today: date) -> Iterator[Reason]:
    if asked.new:
        said = "New to them." if not met.lessons else f"They sang it in {counted(met.lessons, 'lesson')}."
        yield Reason("new_song", "song", said, "bars" if met.lessons else "for")
    if asked.rested is None:
        return
    if met.last is None:
        yield Reason("rested", "song", "Not sung yet.", "for")
        return
    weeks = (today - met.last).days // 7
    said = f"Last sung on {met.last:%-d %b}."
    yield Reason("rested", "song", said, "for" if weeks >= asked.rested else "bars")
