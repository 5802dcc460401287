"""A question to the songbook that reads like a sentence: what a song must have, for whom, and how long it rested.

Every part of the sentence that a song meets is a reason; one that it does not meet leaves it out. Source: docs/sources.md#songs.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date

from kopje.core.analysis.key_choice import VOICES, key_reason
from kopje.core.reasons import Reason, Verdict, counted, listed
from kopje.core.sequence.arcs import SectionState
from kopje.core.sequence.concepts import ConceptKey
from kopje.core.songs.contents import SongCard
from kopje.core.songs.fit import Met, unknown


@dataclass(frozen=True, slots=True)
class SongQuestion:
    """`has`: concepts that must be in it; `known`: all else can be named; `fits`: lies in their range in some key;
    `rested`: not sung for so many weeks; `new`: never sung by them."""

    has: tuple[ConceptKey, ...] = ()
    known: bool = False
    fits: bool = False
    rested: int | None = None
    new: bool = False


def answer(song: SongCard, asked: SongQuestion, state: SectionState, met: Met, today: date) -> Verdict:
    """Why a song answers the question, or what keeps it out."""
    return Verdict(
        (
            *_has(song, asked, state),
            *_known(song, asked, state),
            *_fits(song, asked, state),
            *_rested(asked, met, today),
        )
    )


def _has(song: SongCard, asked: SongQuestion, state: SectionState) -> Iterator[Reason]:
    for key in asked.has:
        name, content = state.sequence.concept(key).name, song.content(key)
        if content is None:
            yield Reason("target_missing", key, f"Has no {name}.", "bars")
        elif content.aspect:
            yield Reason("target", key, f"Is a song with {name}.", "for")
        else:
            said = f"Has {name} in {counted(len(content.bars), 'bar')}."
            yield Reason("target", key, said, "for")


def _known(song: SongCard, asked: SongQuestion, state: SectionState) -> Iterator[Reason]:
    if not asked.known:
        return
    others = [c for c in unknown(song, state) if c.concept not in asked.has and not c.aspect]
    if others:
        said = f"Also has {listed((c.label for c in others), 3)}, which {state.name} cannot name yet."
        yield Reason("unknown", "contents", said, "bars")
    else:
        yield Reason("all_known", "contents", f"Else only what {state.name} knows.", "for")


def _fits(song: SongCard, asked: SongQuestion, state: SectionState) -> Iterator[Reason]:
    if not asked.fits or song.do is None:
        return
    reason = key_reason(song.keys_for(state.grade), song.do, VOICES[min(state.grade, 5)])
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
