"""Reading MIDI. Onsets are rounded to a twelfth of a quarter; gaps are rests, cut at bar lines; chords
give their top tone.

A MIDI file says no spelling: tones are spelled along the line of fifths around the stated key.
"""

from __future__ import annotations

import io
from bisect import bisect_right
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import islice, pairwise
from typing import Any

import mido

from kopje.core.errors import FileError
from kopje.core.exact import Fraction
from kopje.core.music.meter import Meter
from kopje.core.music.pitch import Pitch, from_fifths, pitch
from kopje.core.music.score import Part, Score
from kopje.core.music.tune import Bar, Key, Note, Problem, Syllable, Tune, numbered
from kopje.core.reasons import because
from kopje.formats.limits import (
    MAX_BARS,
    MAX_BARS_OF_ALL,
    MAX_CHANGES,
    MAX_EVENTS,
    MAX_NOTES,
    MAX_PARTS,
    check_count,
    check_size,
    clipped,
)

Events = Sequence[tuple[Fraction, Any]]
Tracks = Sequence[Events]
Span = tuple[Fraction, Fraction]  # from the first tone of the piece to the end of its last
GRID = 12  # parts of a quarter
DRUMS = 9
MINORS = {
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
MAJORS = {
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
    tracks = _tracks(data)
    events = _chosen(tracks, part)
    return _read(_stated(tracks), events, name, _span([events]))


def read_midi_score(data: bytes, name: str = "") -> Score:
    """Every track of a MIDI file that has notes, as a part."""
    tracks = _tracks(data)
    sounding = _sounding(tracks)
    span = _span(sounding)
    stated, parts = _stated(tracks), list[Part]()
    for track in sounding:
        parts.append(Part(_name_of(track), _read(stated, track, name, span)))
        check_count(len(parts[0].tune.bars) * len(sounding), MAX_BARS_OF_ALL, "bars")
    title = parts[0].tune.title
    return Score.of(title, [replace(part, name="" if part.name == title else part.name) for part in parts])


def _tracks(data: bytes) -> Tracks:
    check_size(data)
    _check_events(data)
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
    return tracks


def _span(tracks: Tracks) -> Span:
    tones = [tone for track in tracks for tone in _tones(track)]
    zero = Fraction(0)
    return min((t.onset for t in tones), default=zero), max((t.end for t in tones), default=zero)


@dataclass(frozen=True, slots=True)
class _Stated:
    """What any track of a file says of all: its title, meters, keys, tempo."""

    title: str
    meters: list[tuple[Fraction, Meter]]
    keys: list[tuple[Fraction, Key]]
    tempo: Fraction | None


def _stated(tracks: Tracks) -> _Stated:
    said = sorted((pair for track in tracks for pair in track if pair[1].is_meta), key=lambda pair: pair[0])
    meters, keys = _meters(said), _keys(said)
    check_count(len(meters) + len(keys), MAX_CHANGES, "changes")
    return _Stated(next(filter(None, map(_name_of, tracks)), ""), meters, keys, _tempo(said))


def _check_events(data: bytes) -> None:
    """Counted before a library reads them one by one: each length is four bytes at most, and the events are
    not more than a piece of music has."""
    at, events = 8 + int.from_bytes(data[4:8], "big"), 0
    while at + 8 <= len(data):
        start, size = at + 8, int.from_bytes(data[at + 4 : at + 8], "big")
        if data[at : at + 4] == b"MTrk":
            events += _count_events(data, start, min(start + size, len(data)), MAX_EVENTS - events)
        at = start + size


def _count_events(data: bytes, at: int, end: int, most: int) -> int:
    count, status = 0, 0
    while at < end:
        count += 1
        check_count(count, most, "events")
        _, at = _length(data, at, end)
        if at < end and data[at] & 0x80:
            status, at = data[at], at + 1
        if status in (0xF0, 0xF7, 0xFF):
            size, at = _length(data, at + (status == 0xFF), end)
            at += size
        else:
            at += 1 if 0xC0 <= status < 0xE0 else 2
    return count


def _length(data: bytes, at: int, end: int) -> tuple[int, int]:
    """A number of variable length, and the place after it."""
    found = 0
    for place in range(at, min(at + 4, end)):
        found = found << 7 | data[place] & 0x7F
        if not data[place] & 0x80:
            return found, place + 1
    if at + 4 > end:
        return 0, end
    raise FileError("midi_unreadable")


def _read(stated: _Stated, events: Events, name: str, span: Span) -> Tune:
    """One track, under the meters, keys and tempo that any track of the file states."""
    tones = list(_tones(events))
    check_count(len(tones), MAX_NOTES, "notes")
    meters, keys, tempo = stated.meters, stated.keys, stated.tempo
    problems = [] if meters else [Problem(None, "meter_missing", because("read_without_meter"))]
    if not keys:
        problems.append(Problem(None, "key_unknown", because("read_spelled_in_c")))
    if any(one.onset == two.onset for one, two in pairwise(tones)):
        problems.append(Problem(None, "chord_reduced", because("read_top_of_chords")))
    words = [(when, event.text) for when, event in events if event.type == "lyrics"]
    bars = _bars(_line(tones), meters or [(Fraction(0), Meter(4, 4))], keys, dict(_syllables(words)), span)
    return Tune(stated.title or name or "Untitled", numbered(bars), tempo, (), tuple(problems))


def _name_of(track: Events) -> str:
    return next((clipped(e.name) for _, e in track if e.type == "track_name" and e.name.strip()), "")


def _timed(track: Iterable[Any], ticks: int) -> Iterator[tuple[Fraction, Any]]:
    """Every event with its place in quarters, on the grid."""
    if not 1 <= ticks <= 32767:
        raise ValueError("frames of a film instead of beats")
    clock = 0
    for event in track:
        clock += event.time
        yield Fraction(round(Fraction(clock * GRID, ticks)), GRID), event


def _sounding(tracks: Tracks) -> list[Events]:
    found = [track for track in tracks if any(_starts(event) for _, event in track)]
    if not found:
        raise FileError("midi_only_drums")
    check_count(len(found), MAX_PARTS, "parts")
    return found


def _chosen(tracks: Tracks, part: int | None) -> Events:
    sounding = _sounding(tracks)
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
            fifths = MINORS[event.key] if minor else MAJORS[event.key]
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
    span: Span,
) -> list[Bar]:
    begin, end = span
    key_changes, meter_changes = [when for when, _ in keys], [when for when, _ in meters]

    def key_at(when: Fraction) -> Key | None:
        place = bisect_right(key_changes, when)
        return keys[place - 1][1] if place else None

    # A tone that is held over a change stays spelled as it began.
    pitches = {tone.onset: spelled(tone.number, key_at(tone.onset)) for tone in line}
    ends = [tone.end for tone in line]  # they rise: each tone is cut where the next begins
    bars: list[Bar] = []
    clock = Fraction(0)
    while clock < end:
        place = bisect_right(meter_changes, clock)
        meter = meters[place - 1][1] if place else Meter(4, 4)
        stop = clock + meter.length
        if place < len(meters) and meter_changes[place] < stop:
            stop = meter_changes[place]  # a pickup, or a bar cut short
        notes = list(_in_bar(islice(line, bisect_right(ends, clock), None), clock, stop, pitches, words))
        bars.append(Bar(tuple(notes), meter, key_at(clock)))
        check_count(len(bars), MAX_BARS, "bars")
        clock = stop
    return _pickup(bars, begin, end)


def _in_bar(
    line: Iterable[_Tone],
    start: Fraction,
    stop: Fraction,
    pitches: dict[Fraction, Pitch],
    words: dict[Fraction, Syllable],
) -> Iterator[Note]:
    clock = start
    for tone in line:
        if tone.onset >= stop:
            break
        first, last = max(tone.onset, start), min(tone.end, stop)
        if first > clock:
            yield Note("rest", first - clock, fills_bar=False)
        sung = (words[tone.onset],) if tone.onset in words and tone.onset >= start else ()
        yield Note("note", last - first, pitches[tone.onset], tone.onset < start, tone.end > stop, sung)
        clock = last
    if clock < stop:
        yield Note("rest", stop - clock, fills_bar=clock == start)


def _pickup(bars: list[Bar], begin: Fraction, end: Fraction) -> list[Bar]:
    """A first bar that begins with silence in every part is a pickup; a last bar that ends with it is as
    short as it sounds."""
    if len(bars) < 2 or not 0 < begin < bars[0].length:
        return bars
    tail = sum((bar.length for bar in bars), Fraction(0)) - end
    bars[0] = replace(bars[0], notes=_shortened(bars[0].notes, 0, begin))
    last = bars[-1]
    if 0 < tail < last.length and last.length - tail + bars[0].length == last.meter.length:
        bars[-1] = replace(last, notes=_shortened(last.notes, -1, tail))
    return bars


def _shortened(notes: tuple[Note, ...], at: int, by: Fraction) -> tuple[Note, ...]:
    """The rest at one end of a bar made shorter, or taken out."""
    rest = replace(notes[at], duration=notes[at].duration - by, fills_bar=False)
    kept = (rest,) if rest.duration else ()
    return (*kept, *notes[1:]) if at == 0 else (*notes[:-1], *kept)
