"""A made exercise as a score: bars, key signature, parts from high to low."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import replace
from itertools import groupby

from kopje.core.music.score import Part, Score
from kopje.core.music.tune import Bar, Key, Note, Tune
from kopje.core.practice.reading.make import Made
from kopje.core.practice.reading.rhythm import PHRASE
from kopje.core.practice.reading.spots import Event


def as_score(made: Made, title: str, names: Sequence[str] = (), ties: bool = False) -> Score:
    """`names` of the parts from high to low; one part has none. `ties`: the first tone of two beats or more
    is written as two with a tie."""
    key = Key(made.do.fifths, "minor" if made.resting == "la" else "major") if made.pitched else None
    parts = tuple(
        Part(
            names[n] if len(made.voices) > 1 and n < len(names) else "", _tune(made, voice, key, title, ties)
        )
        for n, voice in enumerate(made.voices)
    )
    return Score(title, parts)


def _tune(made: Made, voice: Sequence[Event], key: Key | None, title: str, ties: bool) -> Tune:
    bars = [list(events) for _, events in groupby(voice, key=lambda event: event.bar)]
    last = len(bars) - 1
    tied = next((e.start for e in voice if ties and not e.rest and e.length >= 2), None)
    return Tune(
        title,
        tuple(
            Bar(
                tuple(note for event in bar for note in _notes(made, event, event.start == tied)),
                made.meter,
                key,
                bar[0].bar + 1,
                right="final" if n == last else "single",
                line_end=bar[0].bar >= 0 and (bar[0].bar + 1) % PHRASE == 0 and n != last,
            )
            for n, bar in enumerate(bars)
        ),
    )


def _notes(made: Made, event: Event, tied: bool) -> Iterator[Note]:
    length = event.length * made.meter.beat
    if event.rest:
        yield Note("rest", length, fills_bar=length == made.meter.length)
        return
    pitch = made.do.sounding(event.degree) if event.degree is not None else None
    whole = Note("note" if pitch else "unpitched", length, pitch)
    if not tied:
        yield whole
        return
    yield replace(whole, duration=made.meter.beat, tie_out=True)
    yield replace(whole, duration=length - made.meter.beat, tie_in=True)
