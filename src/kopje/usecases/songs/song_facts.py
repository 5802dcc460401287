"""What is kept of a song beside its bytes, so that the songbook answers in one query."""

from __future__ import annotations

from typing import Any

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.annotations import annotations_of
from kopje.core.instruments.recorder import in_order
from kopje.core.sequence.concepts import Sequence
from kopje.core.songs.contents import outline, packed
from kopje.core.songs.facts import SongFacts, song_facts, tags_of
from kopje.core.songs.times import times_of
from kopje.store import tables as t

FACTS_VERSION = 9  # raise it when what is kept of a song changes; it is then worked out anew at the start
CONTOUR = 64


def work_out(song: t.Song, a: Analysis, sequence: Sequence, parts: int) -> None:
    """Put what can be asked of a song of so many parts into its columns."""
    tags = tags_of((song.facts or {}).get("role", ""))
    seen = outline(a, parts)
    facts = song_facts(a, sequence, annotations_of(song.annotations or {}), seen.traits, tags)
    song.elements, song.features = sorted(facts.elements), sorted(facts.features)
    song.fits = [grade for grade, key in enumerate(facts.keys) if key.comfortable]
    song.summary = _summary(a, facts, parts)
    song.search = _search(song, a)
    times = times_of(song.title, a.sung_words, (song.facts or {}).get("season", ""))
    song.card = {**packed(seen), "tags": sorted(tags), "times": sorted(times)}
    song.facts_version = FACTS_VERSION


def _summary(a: Analysis, facts: SongFacts, parts: int) -> dict[str, Any]:
    return {
        "tone_set": [str(degree) for degree in a.tone_set],
        "tone_set_name": a.tone_set_name,
        "meter": str(a.tune.bars[0].meter),
        "bars_long": a.tune.bars[-1].number,
        "contour": [sound.pitch.midi for sound in a.attacks if sound.pitch][:CONTOUR],
        "pitches": [str(pitch) for pitch in in_order(s.pitch for s in a.attacks if s.pitch)],
        "parts": parts,
        "problems": len(a.problems),
        "bars": dict(facts.elements),
        "keys": [[key.how, key.do] for key in facts.keys],
    }


def _search(song: t.Song, a: Analysis) -> str:
    facts = " ".join(
        str(value) for key, value in (song.facts or {}).items() if key in ("origin", "language", "kind")
    )
    tones = " ".join(degree.syllable for degree in a.tone_set)
    parts = (
        song.title,
        a.tone_set_name or "",
        str(a.tune.bars[0].meter),
        a.tonality.name,
        a.form,
        tones,
        facts,
    )
    return " ".join(parts).lower()
