"""A song looked at: worked out from its bytes and the teacher's word, as it is or recast, all of it or one
part."""

from __future__ import annotations

import json
from dataclasses import dataclass, field, replace
from functools import lru_cache

from kopje.core.analysis.analysis import Analysis, Minor, analyse
from kopje.core.analysis.annotations import Annotations, annotations_of
from kopje.core.analysis.recast import How, other_home, recast
from kopje.core.analysis.tonality import Tonality
from kopje.core.errors import FileTooLargeError, TuneError
from kopje.core.music.degree import between, plain_do
from kopje.core.music.score import Score, as_round
from kopje.core.music.tune import transposed
from kopje.core.songs.singing_together import apart, beside
from kopje.formats.limits import MAX_BARS_OF_SONG
from kopje.formats.read import read_scores
from kopje.store import tables


@dataclass(frozen=True)
class Source:
    """A song's bytes, told apart by their hash alone, and the teacher's word on them."""

    content_hash: str
    annotations: str
    filename: str = field(compare=False)
    data: bytes = field(compare=False, repr=False)


@lru_cache(maxsize=512)
def _score(source: Source) -> Score:
    return read_scores(source.data, source.filename)[0]


def short_enough(source: Source) -> Source:
    """FileTooLargeError for what no class sings; the rest is worked out in a moment."""
    bars = len(_score(source).tune.bars)
    if bars > MAX_BARS_OF_SONG:
        raise FileTooLargeError("song_too_long", bars=bars, most=MAX_BARS_OF_SONG)
    return source


@lru_cache(maxsize=4096)
def analysed(source: Source, minor: Minor = "la") -> Analysis:
    """The lead of a song."""
    score = _score(replace(source, annotations="{}"))
    return analyse(score.tune, minor, annotations_of(json.loads(source.annotations)))


def source_of(song: tables.Song) -> Source:
    """What its analysis is made from."""
    return Source(
        song.content_hash, json.dumps(song.annotations or {}, sort_keys=True), song.filename, song.source
    )


def analysis_of(song: tables.Song, minor: Minor = "la") -> Analysis:
    """`minor`: how the school reads minor; judgements about songs are always made from la."""
    return analysed(source_of(song), minor)


def own_analysis(song: tables.Song, minor: Minor = "la") -> Analysis:
    """What Kopje says when the teacher says nothing."""
    return analysed(replace(source_of(song), annotations="{}"), minor)


def score_of(song: tables.Song) -> Score:
    """Its parts as they came."""
    return _score(replace(source_of(song), annotations="{}"))


@dataclass(frozen=True, slots=True)
class Variant:
    """How a song is looked at: as it is, in the parallel tonality (or half of it), with which letter as do,
    and which part of it, counted from 1; None means the lead. `voices` and `after`: as a round in which each
    voice enters so many bars later. `beside`: with another song as its partner."""

    recast: How | None = None
    do: str | None = None
    part: int | None = None
    voices: int = 1
    after: int = 0
    beside: tables.Song | None = None

    @property
    def as_it_is(self) -> bool:
        return self.recast is None and self.do is None


AS_IT_IS = Variant()


def laid_out(song: tables.Song, variant: Variant) -> Score:
    """Its parts as they came; or as a round; or with its partner. TuneError where that cannot be."""
    if variant.beside is not None:
        lead, other = analysis_of(song), analysis_of(variant.beside)
        why = apart(lead, other)
        if why is not None:
            raise TuneError("song_no_partner", why=why, value=None)
        return beside(lead, other)
    if variant.voices > 1:
        tune = analysis_of(song).tune
        if not 0 < variant.after < tune.bars[-1].number:
            raise TuneError("song_no_round", bars=tune.bars[-1].number, value=variant.after)
        return as_round(tune, variant.voices, variant.after)
    return score_of(song)


def focus(song: tables.Song, variant: Variant) -> int:
    """Index of the part that is looked at. TuneError for a part that the song has not."""
    score = laid_out(song, variant)
    if variant.part is None:
        return score.lead
    if not 1 <= variant.part <= len(score.parts):
        raise TuneError("song_no_such_part", part=variant.part, parts=len(score.parts), value=variant.part)
    return variant.part - 1


def seen(song: tables.Song, variant: Variant, minor: Minor = "la") -> Analysis:
    """The song, or a part of it, as asked for, analysed. TuneError where it cannot be recast."""
    return _seen_part(song, focus(song, variant), variant, minor)


def home_of(song: tables.Song, a: Analysis, variant: Variant) -> Tonality:
    """The home of what is looked at, with its reasons: of a part that is not the lead those of the lead, for
    home is decided there."""
    lead = variant.as_it_is and focus(song, variant) != laid_out(song, variant).lead
    return analysis_of(song).tonality if lead else a.tonality


def parts_seen(song: tables.Song, variant: Variant, minor: Minor = "la") -> tuple[Analysis, ...]:
    """Every part as asked for."""
    return tuple(_seen_part(song, n, variant, minor) for n in range(len(laid_out(song, variant).parts)))


def score_seen(song: tables.Song, variant: Variant) -> Score:
    """All parts as asked for, for writing and engraving."""
    return laid_out(song, variant).with_tunes(a.tune for a in parts_seen(song, variant))


def _seen_part(song: tables.Song, index: int, variant: Variant, minor: Minor) -> Analysis:
    score = laid_out(song, variant)
    lead, said = analysis_of(song), annotations_of(song.annotations or {})
    if score is score_of(song) and index == score.lead:
        return _varied(analysis_of(song, minor) if variant.as_it_is else lead, said, variant, minor)
    # home is decided for the whole piece: a low part has too few tones to tell
    home = replace(
        said, do=lead.tonality.do, resting=lead.tonality.resting, phrases=(), labels=(), repairs=()
    )
    a = analyse(score.parts[index].tune, minor if variant.as_it_is else "la", home)
    return _varied(a, home, variant, minor)


def _varied(a: Analysis, annotations: Annotations, variant: Variant, minor: Minor) -> Analysis:
    if variant.as_it_is:
        return a
    tune = a.tune
    if variant.recast is not None:
        home = other_home(a, variant.recast) if variant.recast != "half" else None
        tune = recast(a, variant.recast)
        annotations = (
            replace(annotations, do=home[0], resting=home[1])
            if home
            else replace(annotations, do=a.tonality.do, resting=a.tonality.resting)
        )
    if variant.do is not None and a.tonality.do is not None:
        steps, semitones = between(annotations.do or a.tonality.do, plain_do(variant.do))
        tune = transposed(tune, steps, semitones)
        annotations = replace(annotations, do=plain_do(variant.do)) if annotations.do else annotations
    return analyse(tune, minor, annotations)


def as_sung(song: tables.Song, minor: Minor = "la", variant: Variant = AS_IT_IS) -> Analysis:
    """The song in the key the teacher says it is sung in; printed is another matter. What is recast or moved
    already sounds as it is seen."""
    if not variant.as_it_is:
        return seen(song, variant, minor)
    return seen(song, replace(variant, do=(song.annotations or {}).get("sung")), minor)
