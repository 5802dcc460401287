"""Writing MIDI: a track for each part, with meter, key, tempo and words; ties joined."""

from __future__ import annotations

import io
from collections.abc import Iterator
from math import lcm
from typing import Any

import mido

from kopje.core.analysis.timeline import sounds
from kopje.core.errors import FileError
from kopje.core.exact import Fraction
from kopje.core.music.score import Score
from kopje.core.music.tune import Tune
from kopje.formats.midi import MAJORS, MINORS

TICKS = 480
Event = tuple[Fraction, int, Any]  # when, in quarters; what goes first at one time; the message


def write_midi(score: Score) -> bytes:
    """The piece once through as printed. One part: one track with everything; more: a track for what all
    share, then one for each part."""
    tunes = [part.tune for part in score.parts]
    ticks = lcm(
        TICKS, *(int(n.duration.denominator) for tune in tunes for bar in tune.bars for n in bar.notes)
    )
    if ticks > 32767:
        raise FileError("midi_too_fine")
    tune = score.tune
    lead = tune.bars[0].meter.length - tune.pickup if tune.pickup else Fraction(0)
    head: list[Event] = [(Fraction(0), 0, mido.MetaMessage("track_name", name=_latin(score.title)))]
    if tune.tempo:
        head.append((Fraction(0), 0, mido.MetaMessage("set_tempo", tempo=round(60_000_000 / tune.tempo))))
    head += _signatures(tune, lead)
    file = mido.MidiFile(type=0 if len(tunes) == 1 else 1, ticks_per_beat=ticks)
    end = lead + max(sum((bar.length for bar in one.bars), Fraction(0)) for one in tunes)
    if len(tunes) == 1:
        file.tracks.append(_track([*head, *_events(tune, lead)], ticks, end))
    else:
        file.tracks.append(_track(head, ticks, end))
        for part in score.parts:
            name: Event = (Fraction(0), 0, mido.MetaMessage("track_name", name=_latin(part.name)))
            file.tracks.append(_track([name, *_events(part.tune, lead)], ticks, end))
    stream = io.BytesIO()
    file.save(file=stream)
    return stream.getvalue()


def _events(tune: Tune, lead: Fraction) -> Iterator[Event]:
    for sound in sounds(tune):
        if sound.pitch is None:
            continue
        for syllable in sound.syllables[:1]:
            text = _latin(syllable.text) + ("-" if syllable.joins else "")
            yield lead + sound.onset, 1, mido.MetaMessage("lyrics", text=text)
        yield lead + sound.onset, 2, mido.Message("note_on", note=sound.pitch.midi, velocity=80)
        yield lead + sound.end, -1, mido.Message("note_off", note=sound.pitch.midi, velocity=0)


def _track(events: list[Event], ticks: int, end: Fraction) -> Any:
    track = mido.MidiTrack()
    clock = 0
    for when, _, event in sorted(events, key=lambda one: one[:2]):
        now = int(when * ticks)
        track.append(event.copy(time=now - clock))
        clock = now
    track.append(mido.MetaMessage("end_of_track", time=max(int(end * ticks) - clock, 0)))
    return track


def _signatures(tune: Tune, lead: Fraction) -> Iterator[tuple[Fraction, int, Any]]:
    names = {fifths: name for name, fifths in MAJORS.items()}
    minors = {fifths: name for name, fifths in MINORS.items()}
    clock, meter, key = Fraction(0), None, None
    for bar in tune.bars:
        at = Fraction(0) if clock == 0 else lead + clock
        if bar.meter != meter:
            yield (
                at,
                0,
                mido.MetaMessage("time_signature", numerator=bar.meter.upper, denominator=bar.meter.lower),
            )
        if bar.key != key and bar.key is not None:
            minor = bar.key.mode in ("minor", "aeolian")
            yield at, 0, mido.MetaMessage("key_signature", key=(minors if minor else names)[bar.key.fifths])
        clock, meter, key = clock + bar.length, bar.meter, bar.key


def _latin(text: str) -> str:
    """MIDI text is Latin-1; what it cannot say is left as a question mark."""
    return text.encode("latin-1", "replace").decode("latin-1")
