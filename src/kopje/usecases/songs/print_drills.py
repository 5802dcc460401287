"""Drills and games of a song on paper: to echo, to sing inside, patterns over its tones, its game."""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from uuid import UUID

from kopje.core.analysis.analysis import Analysis
from kopje.core.errors import PracticeError
from kopje.core.music.degree import Degree
from kopje.core.practice.drills import EchoPhrase, Kind, echo_phrases, tone_patterns
from kopje.core.practice.games import Masked, masked
from kopje.core.reasons import Tone
from kopje.engraving.drill_paper import DrillBlock, DrillSheet
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.songs.practise_song import pitched
from kopje.usecases.songs.songbook import in_book
from kopje.words import Words

BEATS = 4  # of a call
ECHOES, ROWS = 8, 9  # at most, so that all stands on a page or two
HIDDEN = 3  # tones that take turns in being sung inside
HOLE = "▁▁"
KINDS: tuple[Kind, ...] = ("up_and_down", "thirds")


def drill_sheet(ctx: Context, song_id: UUID) -> DrillSheet:
    """PracticeError for a song without pitches: nothing can be made from it."""
    (a, _), song, words = pitched(ctx, song_id), in_book(ctx, song_id), ctx.words
    blocks = [*_told(song, words), _echoes(a, words), *_inside(a, words), *_rows(a, words)]
    title = words.word("drills_title", title=song.title)
    return DrillSheet(title, words.word("drills_lead"), tuple(one for one in blocks if one.lines))


def _told(song: t.Song, words: Words) -> Iterator[DrillBlock]:
    for key in ("game", "care"):
        if text := (song.facts or {}).get(key):
            yield DrillBlock(words.word(f"paper_{key}"), "", (text,))


def _tones(tones: Iterable[Degree | None], words: Words) -> str:
    """In the school's syllables; a rest is a dash."""
    return " ".join("–" if tone is None else words.term(Tone(str(tone))) for tone in tones)


def _echoes(a: Analysis, words: Words) -> DrillBlock:
    found = echo_phrases(a, BEATS)
    first = [one for one in found if not one.home] + [one for one in found if one.home]
    lines = tuple(_echo(one, words) for one in first[:ECHOES])
    return DrillBlock(words.word("drills_echo"), words.word("drills_echo_how"), lines)


def _echo(one: EchoPhrase, words: Words) -> str:
    line = _tones((tone.degree for tone in one.tones), words)
    return words.word("drills_call", tones=line, bar=one.bar, home=int(one.home))


def _inside(a: Analysis, words: Words) -> Iterator[DrillBlock]:
    """Tone after tone is sung inside, the rarest first: where it comes seldom there is most to keep."""
    counts: dict[str, int] = {}
    for sound in a.attacks:
        degree = a.degree(sound)
        if degree is not None:
            counts[degree.syllable] = counts.get(degree.syllable, 0) + 1
    rarest = sorted(counts, key=lambda one: (counts[one], one))[:HIDDEN]
    for syllable in rarest:
        lines = tuple(_with_holes(line, words) for line in masked(a, frozenset({syllable}), only=False))
        name = words.word("drills_inside", tone=Tone(syllable))
        yield DrillBlock(name, words.word("drills_inside_how"), lines)


def _with_holes(line: Iterable[Masked], words: Words) -> str:
    text = "".join(_sung(one, words) + ("" if one.joins else " ") for one in line)
    return text.strip()


def _sung(one: Masked, words: Words) -> str:
    if not one.aloud:
        return HOLE
    return one.text or (words.term(Tone(one.degree)) if one.degree else "")


def _rows(a: Analysis, words: Words) -> Iterator[DrillBlock]:
    for kind in KINDS:
        try:
            rows = tone_patterns(a.tone_set, kind)
        except PracticeError:
            continue  # too few tones for it
        lines = tuple(_tones(row, words) for row in rows[:ROWS])
        yield DrillBlock(words.word(f"drills_{kind}"), "", lines)
