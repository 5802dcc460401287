"""A made exercise as a score: bars, key signature, parts from high to low."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import groupby

from kopje.core.music.score import Part, Score
from kopje.core.music.tune import Bar, Key, Note, Tune
from kopje.core.practice.reading.make import Made
from kopje.core.practice.reading.rhythm import PHRASE
from kopje.core.practice.reading.voice import Event


def as_score(made: Made, title: str, names: Sequence[str] = ()) -> Score:
    """`names` of the parts from high to low; one part has none."""
    key = Key(made.do.fifths, "minor" if made.resting == "la" else "major")
    parts = tuple(
        Part(names[n] if len(made.voices) > 1 and n < len(names) else "", _tune(made, voice, key, title))
        for n, voice in enumerate(made.voices)
    )
    return Score(title, parts)


def _tune(made: Made, voice: Sequence[Event], key: Key | None, title: str) -> Tune:
    bars = [list(events) for _, events in groupby(voice, key=lambda event: event.bar)]
    last = len(bars) - 1
    return Tune(
        title,
        tuple(
            Bar(
                tuple(_note(made, event) for event in bar),
                made.meter,
                key,
                bar[0].bar + 1,
                right="final" if n == last else "single",
                line_end=bar[0].bar >= 0 and (bar[0].bar + 1) % PHRASE == 0 and n != last,
            )
            for n, bar in enumerate(bars)
        ),
    )


def _note(made: Made, event: Event) -> Note:
    length = event.length * made.meter.beat
    if event.rest:
        return Note("rest", length, fills_bar=length == made.meter.length)
    if event.degree is None:
        return Note("unpitched", length)
    return Note("note", length, made.do.sounding(event.degree))
