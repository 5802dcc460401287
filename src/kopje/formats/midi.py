"""MIDI in and out. Onsets are rounded to a twelfth of a quarter; gaps are rests, cut at bar lines; chords
give their top tone.

A MIDI file says no spelling: tones are spelled along the line of fifths around the stated key.
"""

from __future__ import annotations

import io
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from math import lcm
from typing import Any

import mido

from kopje.core.analysis.timeline import sounds
from kopje.core.errors import FileError
from kopje.core.exact import Fraction
from kopje.core.music.meter import Meter
from kopje.core.music.pitch import Pitch, from_fifths, pitch
from kopje.core.music.tune import Bar, Key, Note, Problem, Syllable, Tune, numbered
from kopje.core.reasons import because
from kopje.formats.limits import MAX_BARS, MAX_NOTES, check_count, check_size, clipped

GRID = 12  # parts of a quarter
DRUMS = 9
TICKS = 480
_MINORS = {
    "Cm": -3,
    "Gm": -2,
    "Dm": -1,
    "Am": 0,
    "Em": 1,
    "Bm": 2,
    "F#m": 3,
    "C#m": 4,
    "G#m": 5,
    "D#m": 6,
    "A#m": 7,
    "Fm": -4,
    "Bbm": -5,
    "Ebm": -6,
    "Abm": -7,
}
_MAJORS = {
    "C": 0,
    "G": 1,
    "D": 2,
    "A": 3,
    "E": 4,
    "B": 5,
    "F#": 6,
    "C#": 7,
    "F": -1,
    "Bb": -2,
    "Eb": -3,
    "Ab": -4,
    "Db": -5,
    "Gb": -6,
    "Cb": -7,
}


@dataclass(frozen=True, slots=True)
class _Tone:
    onset: Fraction
    end: Fraction
    number: int


def read_midi(data: bytes, name: str = "", part: int | None = None) -> Tune:
    """One part of a MIDI file as a tune; `part` counts the tracks that have notes from 1."""
    check_size(data)
    try:
        file = mido.MidiFile(file=io.BytesIO(data))
        tracks = [list(_timed(track, file.ticks_per_beat)) for track in file.tracks]
    except (
        OSError,
        EOFError,
        ValueError,
        IndexError,
        KeyError,
        TypeError,
        AttributeError,
        mido.KeySignatureError,
    ) as problem:
        raise FileError("midi_unreadable") from problem
    if file.type == 2:
        raise FileError("midi_type_2")
    events = _chosen(tracks, part)
    tones = list(_tones(events))
    check_count(len(tones), MAX_NOTES, "notes")
    said = sorted((pair for track in tracks for pair in track if pair[1].is_meta), key=lambda pair: pair[0])
    meters, keys, tempo = _meters(said), _keys(said), _tempo(said)
    problems = [] if meters else [Problem(None, "meter_missing", because("read_without_meter"))]
    if not keys:
        problems.append(Problem(None, "key_unknown", because("read_spelled_in_c")))
    if any(one.onset == two.onset for one, two in pairwise(tones)):
        problems.append(Problem(None, "chord_reduced", because("read_top_of_chords")))
    words = [(when, event.text) for when, event in events if event.type == "lyrics"]
    bars = _bars(_line(tones), meters or [(Fraction(0), Meter(4, 4))], keys, dict(_syllables(words)))
    title = next(
        (clipped(e.name) for track in tracks for _, e in track if e.type == "track_name" and e.name.strip()),
        "",
    )
    return Tune(title or name or "Untitled", numbered(bars), tempo, (), tuple(problems))


def _timed(track: Iterable[Any], ticks: int) -> Iterator[tuple[Fraction, Any]]:
    """Every event with its place in quarters, on the grid."""
    if not 1 <= ticks <= 32767:
        raise ValueError("frames of a film instead of beats")
    clock = 0
    for event in track:
        clock += event.time
        yield Fraction(round(Fraction(clock * GRID, ticks)), GRID), event


def _chosen(tracks: Sequence[list[tuple[Fraction, Any]]], part: int | None) -> list[tuple[Fraction, Any]]:
    sounding = [track for track in tracks if any(_starts(event) for _, event in track)]
    if not sounding:
        raise FileError("midi_only_drums")
    if part is not None:
        if not 1 <= part <= len(sounding):
            raise FileError("file_no_such_part", part=part, parts=len(sounding), value=part)
        return sounding[part - 1]
    sung = (track for track in sounding if any(event.type == "lyrics" for _, event in track))
    return next(sung, sounding[0])


def _starts(event: Any) -> bool:
    return bool(event.type == "note_on" and event.velocity > 0 and event.channel != DRUMS)


def _tones(events: Sequence[tuple[Fraction, Any]]) -> Iterator[_Tone]:
    """Tones in order of onset, the higher last among those that begin together."""
    open_: dict[int, Fraction] = {}
    found = []
    for when, event in events:
        if event.type not in ("note_on", "note_off") or event.channel == DRUMS:
            continue
        if event.note in open_:
            found.append(_Tone(open_.pop(event.note), when, event.note))
        if _starts(event):
            open_[event.note] = when
    last = max((when for when, _ in events), default=Fraction(0))
    found += [_Tone(start, last, number) for number, start in open_.items()]
    yield from sorted(
        (tone for tone in found if tone.end > tone.onset), key=lambda tone: (tone.onset, tone.number)
    )


def _line(tones: Sequence[_Tone]) -> list[_Tone]:
    """One voice: the top of each chord, each tone cut where the next begins."""
    tops: dict[Fraction, _Tone] = {tone.onset: tone for tone in tones}
    line = list(tops.values())
    cut = [replace(one, end=min(one.end, two.onset)) for one, two in pairwise(line)]
    return [*cut, *line[-1:]]


def _meters(events: Iterable[tuple[Fraction, Any]]) -> list[tuple[Fraction, Meter]]:
    found = []
    for when, event in events:
        if event.type == "time_signature" and event.denominator <= 64 and 1 <= event.numerator <= 64:
            found.append((when, Meter(event.numerator, event.denominator)))
    return found


def _keys(events: Iterable[tuple[Fraction, Any]]) -> list[tuple[Fraction, Key]]:
    """“Major” is what programs write by default: weak. Minor is meant."""
    found = []
    for when, event in events:
        if event.type == "key_signature":
            minor = event.key.endswith("m")
            fifths = _MINORS[event.key] if minor else _MAJORS[event.key]
            found.append((when, Key(fifths, "minor" if minor else "major")))
    return found


def _tempo(events: Iterable[tuple[Fraction, Any]]) -> Fraction | None:
    first = next((event.tempo for _, event in events if event.type == "set_tempo" and event.tempo), None)
    return Fraction(60_000_000, first).limit_denominator(100) if first else None


def _syllables(words: Iterable[tuple[Fraction, str]]) -> Iterator[tuple[Fraction, Syllable]]:
    for when, text in words:
        said = clipped(text).strip("/\\ ")
        if said.strip("-"):
            yield when, Syllable(said.rstrip("-"), 1, said.endswith("-"))


def spelled(number: int, key: Key | None) -> Pitch:
    """The spelling nearest to the key on the line of fifths.

    >>> str(spelled(66, Key(1))), str(spelled(70, Key(-1)))
    ('F#4', 'Bb4')
    """
    centre = key.fifths if key else 0
    fifths = next(f for f in range(centre - 5, centre + 7) if (7 * f - number) % 12 == 0)
    letter, alter = from_fifths(fifths)
    natural = Pitch(letter, alter, 4).midi
    return pitch(letter, alter, 4 + (number - natural) // 12)


def _bars(
    line: Sequence[_Tone],
    meters: Sequence[tuple[Fraction, Meter]],
    keys: Sequence[tuple[Fraction, Key]],
    words: dict[Fraction, Syllable],
) -> list[Bar]:
    end = max((tone.end for tone in line), default=Fraction(0))
    at_onset = {
        tone.onset: next((k for when, k in reversed(keys) if when <= tone.onset), None) for tone in line
    }
    pitches = {
        tone.onset: spelled(tone.number, at_onset[tone.onset]) for tone in line
    }  # held over a change as begun
    bars: list[Bar] = []
    clock = Fraction(0)
    while clock < end:
        meter = [m for when, m in meters if when <= clock][-1:] or [Meter(4, 4)]
        key = [k for when, k in keys if when <= clock][-1:]
        stop = clock + meter[0].length
        early = next(
            (when for when, _ in meters if clock < when < stop), None
        )  # a pickup, or a bar cut short
        stop = early or stop
        notes = list(_in_bar(line, clock, stop, pitches, words))
        bars.append(Bar(tuple(notes), meter[0], key[0] if key else None))
        check_count(len(bars), MAX_BARS, "bars")
        clock = stop
    return _pickup(bars)


def _in_bar(
    line: Sequence[_Tone],
    start: Fraction,
    stop: Fraction,
    pitches: dict[Fraction, Pitch],
    words: dict[Fraction, Syllable],
) -> Iterator[Note]:
    clock = start
    for tone in line:
        if tone.end <= start or tone.onset >= stop:
            continue
        first, last = max(tone.onset, start), min(tone.end, stop)
        if first > clock:
            yield Note("rest", first - clock, fills_bar=False)
        sung = (words[tone.onset],) if tone.onset in words and tone.onset >= start else ()
        yield Note("note", last - first, pitches[tone.onset], tone.onset < start, tone.end > stop, sung)
        clock = last
    if clock < stop:
        yield Note("rest", stop - clock, fills_bar=clock == start)


def _pickup(bars: list[Bar]) -> list[Bar]:
    """A first bar that begins with silence is a pickup; a last bar that ends with it is as short as it
    sounds."""
    if len(bars) > 1 and bars[0].notes and bars[0].notes[0].kind == "rest" and not bars[0].notes[0].fills_bar:
        bars[0] = replace(bars[0], notes=bars[0].notes[1:])
        last = bars[-1].notes
        if (
            last[-1].kind == "rest"
            and len(last) > 1
            and bars[-1].length - last[-1].duration + bars[0].length == bars[-1].meter.length
        ):
            bars[-1] = replace(bars[-1], notes=last[:-1])
    return bars


def write_midi(tune: Tune) -> bytes:
    """The tune once through as printed: one track with meter, key, tempo and words, ties joined."""
    ticks = lcm(TICKS, *(int(note.duration.denominator) for bar in tune.bars for note in bar.notes))
    if ticks > 32767:
        raise FileError("midi_too_fine")
    lead = tune.bars[0].meter.length - tune.pickup if tune.pickup else Fraction(0)
    events: list[tuple[Fraction, int, Any]] = [
        (Fraction(0), 0, mido.MetaMessage("track_name", name=_latin(tune.title)))
    ]
    if tune.tempo:
        events.append((Fraction(0), 0, mido.MetaMessage("set_tempo", tempo=round(60_000_000 / tune.tempo))))
    events += _signatures(tune, lead)
    for sound in sounds(tune):
        if sound.pitch is None:
            continue
        for syllable in sound.syllables[:1]:
            text = _latin(syllable.text) + ("-" if syllable.joins else "")
            events.append((lead + sound.onset, 1, mido.MetaMessage("lyrics", text=text)))
        events.append((lead + sound.onset, 2, mido.Message("note_on", note=sound.pitch.midi, velocity=80)))
        events.append((lead + sound.end, -1, mido.Message("note_off", note=sound.pitch.midi, velocity=0)))
    track = mido.MidiTrack()
    clock = 0
    for when, _, event in sorted(events, key=lambda one: one[:2]):
        now = int(when * ticks)
        track.append(event.copy(time=now - clock))
        clock = now
    total = int((lead + sum((bar.length for bar in tune.bars), Fraction(0))) * ticks)
    track.append(mido.MetaMessage("end_of_track", time=max(total - clock, 0)))
    file = mido.MidiFile(type=0, ticks_per_beat=ticks)
    file.tracks.append(track)
    stream = io.BytesIO()
    file.save(file=stream)
    return stream.getvalue()


def _signatures(tune: Tune, lead: Fraction) -> Iterator[tuple[Fraction, int, Any]]:
    names = {fifths: name for name, fifths in _MAJORS.items()}
    minors = {fifths: name for name, fifths in _MINORS.items()}
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
