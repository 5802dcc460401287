"""Every reader of a foreign file as one function of a name and bytes, so that attacks and fuzzing reach all
of them; and what a fuzzing run starts from."""

from __future__ import annotations

import re
import time
from collections.abc import Callable, Iterator
from datetime import UTC, date, datetime
from pathlib import Path
from random import Random

from hostile import attacks
from kopje.core.errors import KopjeError
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from kopje.formats.attachments import kind_of
from kopje.formats.ical import CalendarEvent, read_holidays, write_calendar
from kopje.formats.marks_table import read_marks
from kopje.formats.read import pieces, read_scores
from kopje.formats.roster import read_roster
from kopje.formats.sequence_files import read_sequence, write_case, write_csv
from kopje.formats.write import write_score

SONGS = Path(__file__).parents[2] / "src" / "kopje" / "demo" / "songs"
MEGABYTES = 300
SECONDS = 2.0  # of processor time, for a tune or a table


def read_song(name: str, data: bytes) -> None:
    """As the songbook does: a book piece by piece (here its first ones)."""
    for piece in pieces(data, name)[:3]:
        read_scores(piece, name)


def read_table(_: str, data: bytes) -> None:
    read_roster(data)


def read_calendar(_: str, data: bytes) -> None:
    read_holidays(data)


def read_concepts(_: str, data: bytes) -> None:
    read_sequence(data, "a.json")


def read_attachment(_: str, data: bytes) -> None:
    kind_of(data)


def read_mark_rows(_: str, data: bytes) -> None:
    read_marks(data)


READERS: dict[str, Callable[[str, bytes], None]] = {
    "song": read_song,
    "roster": read_table,
    "calendar": read_calendar,
    "sequence": read_concepts,
    "attachment": read_attachment,
    "marks": read_mark_rows,
}
FILES = {
    "song": attacks.SONG_FILES,
    "roster": attacks.ROSTERS,
    "calendar": attacks.CALENDARS,
    "sequence": attacks.SEQUENCES,
    "marks": attacks.MARKS,
}


def read_or_refused(kind: str, name: str, data: bytes) -> tuple[str, int]:
    """`read` or the code of the sentence that refuses it; and the peak of this process in megabytes.
    Whatever else a reader raises comes through."""
    try:
        READERS[kind](name, data)
        said = "read"
    except KopjeError as problem:
        said = problem.reason.code
    return said, _peak()


def _peak() -> int:
    """Of this process since its program began; what it was forked from does not count."""
    status = Path("/proc/self/status").read_text()
    return int(re.search(r"^VmHWM:\s+(\d+) kB", status, re.MULTILINE)[1]) // 1024  # type: ignore[index]


def timed_reading(kind: str, name: str, data: bytes) -> tuple[float, str, int]:
    """Seconds of processor time, and what `read_or_refused` says."""
    started = time.process_time()
    said, megabytes = read_or_refused(kind, name, data)
    return time.process_time() - started, said, megabytes


def seeds(kind: str) -> list[tuple[str, bytes]]:
    """Good files, from which a fuzzing run starts."""
    if kind == "song":
        found = [(path.name, path.read_bytes()) for path in sorted(SONGS.glob("*.abc"))[::24]]
        scores = [read_scores(data, name)[0] for name, data in found]
        endings = (".musicxml", ".mid", ".abc")
        found += [("a.mxl", attacks.mxl(inside=write_score(one, "a.xml"))) for one in scores]
        return found + [(f"a{end}", write_score(score, f"a{end}")) for score in scores for end in endings]
    if kind == "calendar":
        off = [CalendarEvent(str(n), "Off", date(2026, 12, 1 + n), None, 0) for n in range(9)]
        made = write_calendar("School", off, datetime(2026, 11, 24, tzinfo=UTC))
        return [("a.ics", made), ("a.ics", attacks.calendar(attacks.DAY, attacks.DAY))]
    if kind == "sequence":
        strands = {one.strand: one.strand for one in SO_MI_FIRST.concepts}
        return [
            ("a.csv", write_csv(SO_MI_FIRST).encode()),
            ("a.json", write_case(SO_MI_FIRST, strands).encode()),
        ]
    if kind == "marks":
        rows = attacks.MARK_HEAD + "9f1c,Ama,2A,so-mi,sing,alone,none,secure,2026-11-20\n" * 9
        return [("a.csv", rows.encode()), ("a.json", attacks.marks_as_json(9))]
    if kind == "roster":
        rows = attacks.ROSTER + "2A,2,Ama,30,Mon 09:10\n2/3B,2/3,Jun,45,Day 2 09:10\n" * 9
        return [("a.csv", rows.encode()), ("a.zip", attacks.one_roster())]
    return [
        ("a.png", b"\x89PNG\r\n\x1a\n" + bytes(40)),
        ("a.pdf", b"%PDF-1.7\n"),
        ("a.wav", b"RIFF    WAVEfmt "),
    ]


MEANT = (
    *(
        b"\x00",
        b"\xff",
        b"\r",
        b"\n",
        b"\r\n",
        b'"',
        b",",
        b";",
        b"|",
        b"[",
        b"]",
        b"(",
        b"{",
        b"<",
        b">",
        b"&",
    ),
    *(
        b"9" * 5000,
        b"/" * 300,
        b"-1",
        b"0",
        b"1e999",
        b"NaN",
        b"null",
        b"\xc2\xb2",
        b"\xe2\x80\xae",
        b"%s",
        b"../",
    ),
    *(b"K:", b"V:2\n", b"w:", b"M:", b"L:1/0", b"X:1\n", b"(9:0:9", b"Z999", b"[M:", b"</note>", b"<chord/>"),
    *(
        b"MTrk",
        b"\xff\x2f\x00",
        b"\xff\x51\x03\x00\x00\x00",
        b"\x90\x3c\x40",
        b"PK\x03\x04",
        b"BEGIN:VEVENT\r\n",
    ),
    *(b"DTSTART;VALUE=DATE:00010101\r\n", b"RRULE:FREQ=SECONDLY\r\n", b'"needs":', b"[[", b"{}", b"Infinity"),
)


def mutated(chance: Random, data: bytes) -> bytes:
    """One to six changes: something meant put in or over, bits turned, a piece cut out, doubled or moved."""
    found = bytearray(data)
    for _ in range(chance.randint(1, 6)):
        at = chance.randint(0, len(found))
        length = min(chance.choice((1, 2, 8, 60, 400)), len(found) - at)
        match chance.randrange(6):
            case 0:
                found[at:at] = chance.choice(MEANT)
            case 1:
                found[at : at + length] = chance.choice(MEANT)
            case 2:
                for place in range(at, at + length):
                    found[place] ^= 1 << chance.randrange(8)
            case 3:
                del found[at : at + length]
            case 4:
                found[at:at] = found[at : at + length] * chance.choice((1, 2, 50))
            case _:
                piece = bytes(found[at : at + length])
                del found[at : at + length]
                to = chance.randint(0, len(found))
                found[to:to] = piece
    return bytes(found)


def mutants(kind: str, seed: int) -> Iterator[tuple[str, bytes]]:
    """Without end; the same for the same seed."""
    chance, good = Random(seed), seeds(kind)
    while True:
        name, data = chance.choice(good)
        yield name, mutated(chance, data)
