"""Bringing songs in, and what is known of them. The file's bytes are kept; the analysis is worked
out anew."""

from __future__ import annotations

import hashlib
import json
from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass, field
from functools import lru_cache
from typing import Any, Protocol
from uuid import UUID

from kopje.core.analysis.analysis import analyse
from kopje.core.analysis.annotations import annotations_of
from kopje.core.errors import KopjeError, TuneError
from kopje.core.music.degree import plain_do
from kopje.core.music.meter import Meter
from kopje.core.music.score import Score
from kopje.core.music.tune import Tune
from kopje.core.reasons import Reason, because
from kopje.core.sequence.concepts import Concept, Sequence
from kopje.core.sequence.section_state import SectionState
from kopje.core.songs.contents import SongCard, card_of, unpacked
from kopje.core.songs.facts import elements_of, features_of, nameable, tagged
from kopje.formats.abc_write import write_abc
from kopje.formats.limits import SMALL
from kopje.formats.read import pieces, read_scores
from kopje.formats.song_line import read_song_line
from kopje.store import songs, tables
from kopje.store.songs import CardRow, Likely
from kopje.usecases.context import Context
from kopje.usecases.songs.look import Source, analysed, analysis_of, own_analysis, score_of, short_enough
from kopje.usecases.songs.song_facts import work_out

FACT_NAMES = {
    "C": "composer",
    "A": "words",
    "O": "origin",
    "R": "kind",
    "S": "source",
    "Z": "rights",
    "N": "note",
    "B": "book",
}
OUR_FACTS = (
    "source",
    "language",
    "rights",
    "verified",
    "role",
    "signed",
    "game",
    "season",
    "culture",
    "care",
)
MAY_BE_SAID = frozenset((*FACT_NAMES.values(), *OUR_FACTS))


def in_book(ctx: Context, song_id: UUID) -> tables.Song:
    """A song of the songbook; NotFoundError for one that is not there or was taken out."""
    return songs.song(ctx.session, ctx.school_id, song_id)


def twins(ctx: Context, song: tables.Song) -> list[tables.Song]:
    """The songs of the same title, this one among them."""
    return list(songs.of_title(ctx.session, ctx.school_id, song.title))


def remove(ctx: Context, song_id: UUID) -> None:
    """Out of the songbook. Lessons that had it still name it, and it can be taken back."""
    in_book(ctx, song_id).removed = ctx.now
    ctx.session.flush()


def removed(ctx: Context) -> Iterable[tables.Song]:
    return songs.removed(ctx.session, ctx.school_id)


def bring_back(ctx: Context, song_id: UUID) -> tables.Song:
    """Into the songbook again, with everything the teacher had said about it."""
    found = songs.kept_or_removed(ctx.session, ctx.school_id, song_id)
    found.removed = None
    ctx.session.flush()
    return found


@dataclass(frozen=True)
class _Kept:
    """A card as it is kept, told apart by its own contents and by the sequence it is looked at through
    (versions of a school's sequence are kept as one object each)."""

    title: str
    annotations: str
    hash: int
    identity: int
    values: dict[str, Any] = field(compare=False, repr=False)
    sequence: Sequence = field(compare=False, repr=False)


@lru_cache(maxsize=8192)
def _card(kept: _Kept, song_id: str) -> SongCard:
    annotations = annotations_of(json.loads(kept.annotations))
    has = annotations.has | tagged(kept.values.get("tags", ()), kept.sequence)
    times = kept.values.get("times", ())
    return card_of(song_id, kept.title, unpacked(kept.values), kept.sequence, has, annotations.lacks, times)


def songs_by_id(ctx: Context, ids: Iterable[str | None]) -> dict[UUID, tables.Song]:
    """These songs with their bytes; what is not there any more is left out."""
    return songs.by_id(ctx.session, ctx.school_id, {UUID(one) for one in ids if one})


@dataclass(frozen=True, slots=True)
class Typed:
    """A song as typed by hand (docs/sources.md#typing)."""

    title: str
    do: str
    meter: str
    line: str
    words: str

    def tune(self) -> Tune:
        return read_song_line(self.title, plain_do(self.do), Meter.parse(self.meter), self.line, self.words)


def keep_typed(ctx: Context, typed: Typed) -> Imported:
    """A typed song goes into the songbook like any other: as a file, in ABC."""
    name = "".join(c if c.isalnum() else "-" for c in typed.title.strip().lower())[:60] or "song"
    return import_file(ctx, f"{name}.abc", write_abc(Score.solo(typed.tune())).encode())[0]


def annotate(ctx: Context, song_id: UUID, values: Mapping[str, Any]) -> tables.Song:
    """Keep the teacher's word on a song; empty values take it back. TuneError for what does not fit
    the song."""
    song = in_book(ctx, song_id)
    annotations = annotations_of(values)
    phrases = len(analyse(own_analysis(song).tune, annotations=annotations).phrases)
    if annotations.labels and len(annotations.labels) != phrases:
        given = list(annotations.labels)
        raise TuneError("song_letters", phrases=phrases, letters=len(given), value=given)
    song.annotations = {key: value for key, value in values.items() if value}
    work_out(song, analysis_of(song), ctx.sequence, len(score_of(song).parts))
    ctx.session.flush()
    return song


def about(ctx: Context, song_id: UUID, title: str, facts: Mapping[str, str]) -> tables.Song:
    """Keep what is known about a song beside its notes; what is empty is taken away. TuneError for a fact of
    no kind."""
    song = in_book(ctx, song_id)
    strange = sorted(set(facts) - MAY_BE_SAID)
    if strange:
        raise TuneError("song_no_such_fact", name=strange[0], value=strange[0])
    song.title = title.strip()
    song.facts = {key: value.strip() for key, value in facts.items() if value.strip()}
    work_out(song, analysis_of(song), ctx.sequence, len(score_of(song).parts))
    ctx.session.flush()
    return song


ALL_UP_TO = 500  # songs; of a larger book only those that may come into question are read
MOST_LIKELY = 60  # for each concept at work, and besides


def cards(
    ctx: Context, state: SectionState, concepts: Iterable[Concept], met: Iterable[str]
) -> tuple[SongCard, ...]:
    """The songs of the school as the planner sees them; of a large book those that the section has met, and
    those with the fewest unknown things that have a concept at work or none of them."""
    if songs.count(ctx.session, ctx.school_id) <= ALL_UP_TO:
        found = songs.cards(ctx.session, ctx.school_id)
    else:
        wanted = tuple((elements_of(concept), features_of(concept)) for concept in concepts)
        named = nameable((c for c in ctx.sequence.concepts if state.named(c.key)), ctx.sequence)
        which = Likely(named, wanted, frozenset(map(UUID, met)), MOST_LIKELY)
        found = songs.likely(ctx.session, ctx.school_id, which)
    return tuple(_card(_kept(song, ctx.sequence), str(song.id)) for song in found)


def _kept(song: CardRow, sequence: Sequence) -> _Kept:
    annotations = json.dumps(song.annotations or {}, sort_keys=True)
    return _Kept(song.title, annotations, hash(json.dumps(song.card)), id(sequence), song.card, sequence)


@dataclass(frozen=True, slots=True)
class Imported:
    """What became of one song in a file. `song_id` is None when it was refused; `said` says why."""

    filename: str
    title: str
    song_id: UUID | None
    already: bool
    said: Reason | None
    problems: int


AT_ONCE = 300  # songs of one request, so that nobody waits; the page sends a larger book in lots


class Tried(Protocol):
    """Runs a reader where it may take no more time and memory than a file is worth."""

    def __call__(self, reader: Callable[..., Any], data: bytes, /, *more: Any) -> object: ...


def import_files(
    ctx: Context, files: Iterable[tuple[str, bytes]], tried: Tried | None = None
) -> list[Imported]:
    """Bring in files as far as one request goes; what was not read any more is reported. `tried`: where a
    long one is read first; those that ship need none."""
    found: list[Imported] = []
    for filename, data in files:
        found += import_file(ctx, filename, data, most=AT_ONCE - len(found), tried=tried)
    return found


def import_file(
    ctx: Context,
    filename: str,
    data: bytes,
    shipped: bool = False,
    most: int = AT_ONCE,
    tried: Tried | None = None,
) -> list[Imported]:
    """Bring in every song of a file; one that cannot be read is reported and does not hold up the others."""
    try:
        parts = pieces(data, filename)
    except KopjeError as problem:
        return [Imported(filename, filename, None, False, problem.reason, 0)]
    found = [_import_piece(ctx, filename, part, shipped, tried) for part in parts[: max(most, 0)]]
    left = len(parts) - len(found)
    if left:
        said = because("import_not_read", count=left, most=AT_ONCE)
        found.append(Imported(filename, filename, None, False, said, 0))
    return found


def _import_piece(ctx: Context, filename: str, data: bytes, shipped: bool, tried: Tried | None) -> Imported:
    digest = hashlib.sha256(data).hexdigest()
    there = songs.by_hash(ctx.session, ctx.school_id, digest)
    if there is not None and there.removed is not None:
        bring_back(ctx, there.id)
        return Imported(filename, there.title, there.id, False, because("import_back"), 0)
    if there is not None:
        return Imported(filename, there.title, there.id, True, because("import_already"), 0)
    try:
        if tried is not None and len(data) > SMALL:
            tried(read_scores, data, filename)
        analysis = analysed(short_enough(Source(digest, "{}", filename, data)))
    except KopjeError as problem:
        return Imported(filename, filename, None, False, problem.reason, 0)
    song = tables.Song(
        id=ctx.new_id(),
        school_id=ctx.school_id,
        title=analysis.tune.title,
        filename=filename[:200],
        source=data,
        content_hash=digest,
        facts=_facts(analysis.tune.facts),
        added=ctx.now,
        shipped=shipped,
    )
    ctx.session.add(song)
    work_out(song, analysis, ctx.sequence, len(score_of(song).parts))
    ctx.session.flush()
    return Imported(filename, song.title, song.id, False, None, len(analysis.problems))


def _facts(given: Iterable[tuple[str, str]]) -> dict[str, str]:
    """Facts by name; a note like `game: …` is the fact it names."""
    facts: dict[str, str] = {}
    for key, value in given:
        name = FACT_NAMES.get(key)
        if key == "N" and ":" in value and value.split(":")[0] in OUR_FACTS:
            name, value = value.split(":", 1)
        if name and value.strip():
            facts[name] = f"{facts[name]}; {value.strip()}" if name in facts else value.strip()
    return facts
