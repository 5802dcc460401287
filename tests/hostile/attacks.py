"""Files that mean harm, or are merely broken: by reader and by what is done to it. What a fuzzing run finds
is added here."""

from __future__ import annotations

import io
import json
import struct
import zipfile
from collections.abc import Callable
from pathlib import Path

SONGS = Path(__file__).parents[2] / "src" / "kopje" / "demo" / "songs"
HEAD = "X:1\nT:A\nM:4/4\nL:1/8\nK:C\n"
BIG = 3_900_000


def abc(body: str, head: str = HEAD) -> bytes:
    return (head + body + "\n").encode()


def xml(measures: str, more: str = "") -> bytes:
    return (
        '<score-partwise version="4.0">'
        + more
        + '<part-list><score-part id="P1"><part-name>A</part-name></score-part>'
        f'</part-list><part id="P1">{measures}</part></score-partwise>'
    ).encode()


def measure(
    inside: str,
    attributes: str = "<divisions>1</divisions><time><beats>4</beats><beat-type>4</beat-type></time>",
) -> str:
    return f'<measure number="1"><attributes>{attributes}</attributes>{inside}</measure>'


def note(more: str = "", duration: str = "1") -> str:
    return (
        f"<note><pitch><step>C</step><octave>4</octave></pitch><duration>{duration}</duration>{more}</note>"
    )


def zipped(**members: bytes) -> bytes:
    made = io.BytesIO()
    with zipfile.ZipFile(made, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, data in members.items():
            archive.writestr(name.replace("__", "/").replace("_dot_", "."), data)
    return made.getvalue()


CONTAINER = b'<container><rootfiles><rootfile full-path="%s"/></rootfiles></container>'


def mxl(path: bytes = b"a.xml", inside: bytes | None = None) -> bytes:
    made = io.BytesIO()
    with zipfile.ZipFile(made, "w", zipfile.ZIP_DEFLATED) as archive:
        archive.writestr("META-INF/container.xml", CONTAINER % path)
        archive.writestr("a.xml", xml(measure(note() * 4)) if inside is None else inside)
    return made.getvalue()


def damaged_deflate() -> bytes:
    """The packed bytes of the score itself are spoilt, the tables of the zip are not."""
    whole = bytearray(mxl(inside=xml(measure("".join(note(duration=str(n)) for n in range(1, 200))))))
    at = whole.rindex(b"a.xml", 0, whole.index(b"PK\x01\x02")) + 20
    whole[at : at + 40] = b"\xff" * 40
    return bytes(whole)


def midi(*tracks: bytes, division: int = 96, kind: int = 1) -> bytes:
    chunks = b"".join(b"MTrk" + struct.pack(">I", len(track)) + track for track in tracks)
    return b"MThd" + struct.pack(">IHHH", 6, kind, len(tracks), division) + chunks


END = b"\x00\xff\x2f\x00"
ONE = b"\x00\x90\x3c\x40\x60\x80\x3c\x00"


def calendar(*events: str) -> bytes:
    body = "".join(f"BEGIN:VEVENT\r\nUID:{n}\r\n{event}\r\nEND:VEVENT\r\n" for n, event in enumerate(events))
    return f"BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\n{body}END:VCALENDAR\r\n".encode()


DAY = "DTSTART;VALUE=DATE:20261221"


def case(*items: object, links: object = (), title: object = "A") -> bytes:
    return json.dumps(
        {"CFDocument": {"title": title}, "CFItems": list(items), "CFAssociations": links}
    ).encode()


def own(**values: object) -> dict[str, object]:
    usual = {"key": "do", "name": "do", "strand": "melody", "grade": 1, "ways": ["sing"]}
    return {"identifier": "1", "extensions": {"kopje": {**usual, **values}}}


def chained(count: int) -> bytes:
    """Each concept needs all that come before it."""
    keys = [f"c{n}" for n in range(count)]
    items = [own(key=key, needs=keys[:n], strand="melody") for n, key in enumerate(keys)]
    return case(*items)


def foreign_links(items: int, links: int) -> bytes:
    named = [
        {"identifier": str(n), "fullStatement": f"s{n}", "humanCodingScheme": f"h{n}"} for n in range(items)
    ]
    every = [
        {
            "associationType": "precedes",
            "originNodeURI": {"identifier": "0"},
            "destinationNodeURI": {"identifier": str(1 + n % (items - 1))},
        }
        for n in range(links)
    ]
    return case(*named, links=every)


ROSTER = "section,grade,name,minutes,meets\n"


def one_roster(**tables: str) -> bytes:
    usual = {
        "classes": "sourcedId,title,grades\nc,2A,2\n",
        "users": "sourcedId,givenName\nu,Ama\n",
        "enrollments": "classSourcedId,userSourcedId,role\nc,u,student\n",
    }
    made = io.BytesIO()
    with zipfile.ZipFile(made, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, text in {**usual, **tables}.items():
            archive.writestr(f"{name}.csv", text)
    return made.getvalue()


def spoilt_zip() -> bytes:
    whole = bytearray(one_roster(users="sourcedId,givenName\n" + "u,Ama\n" * 500))
    at = whole.index(b"users.csv") + 12
    whole[at : at + 20] = b"\x00" * 20
    return bytes(whole)


LINES = "".join(
    ["C D E F G A B c|" * 10 + "\n" + "".join(f"w: {'la ' * 80}\n" for _ in range(12)) for _ in range(200)]
)

# By the name of a file: what is in it.
SONG_FILES: dict[str, Callable[[], bytes]] = {
    "words-under-lines.abc": lambda: abc(LINES),
    "words-without-notes.abc": lambda: abc("C4|\n" + "w: la la la la\n" * 200_000),
    "one-long-word-line.abc": lambda: abc("C4|\nw:" + "la-" * 1_200_000),
    "digits-in-a-length.abc": lambda: abc("C" + "9" * 5_000 + "|"),
    "digits-everywhere.abc": lambda: abc("".join(f"C{'1' * 4000}|" for _ in range(900))),
    "slashes-in-a-length.abc": lambda: abc("C" + "/" * 200_000 + "|"),
    "digits-in-the-meter.abc": lambda: abc("C4|", "X:1\nT:A\nM:" + "9" * 5_000 + "/4\nK:C\n"),
    "digits-in-the-unit.abc": lambda: abc("C4|", "X:1\nT:A\nL:1/" + "9" * 5_000 + "\nK:C\n"),
    "zero-in-the-unit.abc": lambda: abc("C4|", "X:1\nT:A\nL:1/0\nK:C\n"),
    "zero-in-the-meter.abc": lambda: abc("C4|", "X:1\nT:A\nM:4/0\nK:C\n"),
    "zero-length.abc": lambda: abc("C0 D/0 E|"),
    "digits-in-the-tempo.abc": lambda: abc("C4|", "X:1\nT:A\nQ:1/4=" + "9" * 5_000 + "\nK:C\n"),
    "tempo-of-nothing.abc": lambda: abc("C4|", "X:1\nT:A\nQ:1/0=60\nK:C\n"),
    "bar-rests.abc": lambda: abc("Z" + "9" * 5_000 + "|C4|"),
    "many-bar-rests.abc": lambda: abc("Z1999|C4|" * 2000),
    "superscript-digits.abc": lambda: abc("C² D³|"),
    "tuplets.abc": lambda: abc("(3CDE" * 200_000),
    "tuplet-of-nothing.abc": lambda: abc("(0CDE (9:0:9CDE (3:2:999999999CDE|"),
    "ties.abc": lambda: abc("C-" * 380 + "|" + "-" * 1_000_000),
    "open-slurs.abc": lambda: abc("(" * 1_500_000 + "C4|"),
    "open-chord.abc": lambda: abc("[" * 1_500_000 + "C4|"),
    "a-chord-of-thousands.abc": lambda: abc("[" + "CEG" * 400_000 + "]4|"),
    "chords.abc": lambda: abc("[CEG]" * 300_000 + "|"),
    "octaves.abc": lambda: abc("C" + "'" * 1_000_000 + "|"),
    "accidentals.abc": lambda: abc("^" * 1_000_000 + "C|"),
    "decorations.abc": lambda: abc("!p!" * 500_000 + "C4|"),
    "open-quote.abc": lambda: abc('"' + "a" * BIG),
    "quotes.abc": lambda: abc('"a' * 900_000),
    "brackets.abc": lambda: abc("[K:" * 600_000),
    "voices.abc": lambda: abc("".join(f"V:{n}\nC4|\n" for n in range(60_000))),
    "voices-in-a-line.abc": lambda: abc("".join(f"[V:{n}]C4|" for n in range(100_000))),
    "sixty-voices-of-many-lines.abc": lambda: abc("".join(f"V:{n % 60}\nCDEF GABc|\n" for n in range(60_000))),
    "keys.abc": lambda: abc("".join(f"K:{'CDEFGAB'[n % 7]}\nC4|\n" for n in range(100_000))),
    "meters.abc": lambda: abc("[M:3/4]C4|[M:4/4]" * 100_000),
    "a-line-of-notes.abc": lambda: abc("C" * BIG),
    "bars.abc": lambda: abc("C4|" * 1_200_000),
    "a-book.abc": lambda: b"".join(abc("C4 D4|") for _ in range(100_000)),
    "a-book-of-four-thousand.abc": lambda: b"".join(abc("CDEF GABc|" * 8) for _ in range(4_000)),
    "a-book-with-a-long-head.abc": lambda: b"M:4/4\n" * 3000 + b"".join(b"X:%d\nK:C\nC4|\n" % n for n in range(3000)),
    "headers-only.abc": lambda: b"X:1\nK:C\n" * 400_000,
    "facts.abc": lambda: abc("C4|", "X:1\n" + "T:" + "a" * 100 + "\n" + "N:x\n" * 700_000 + "K:C\n"),
    "comments.abc": lambda: abc("%" * BIG),
    "backslashes.abc": lambda: abc("\\" * BIG),
    "no-line-ends.abc": lambda: b"X:1 K:C " + b"C" * BIG,
    "nulls.abc": lambda: abc("C4|" + "\0" * 1_000_000),
    "not-text.abc": lambda: bytes(range(256)) * 15_000,
    "endings.abc": lambda: abc("|:C4|" + "".join(f"[{n % 9 + 1} C4:|" for n in range(1900))),
    "broken-rhythm.abc": lambda: abc("C" + ">" * 1_000_000 + "D|"),
    "broken-rhythms.abc": lambda: abc("C>D<" * 190 + "|"),
    "overlays.abc": lambda: abc("C4 & E4 " * 400_000),
    "deep-elements.xml": lambda: b"<score-partwise>" + b"<a>" * 900_000,
    "deep-closed.xml": lambda: b"<a>" * 250 + b"</a>" * 250,
    "attributes.xml": lambda: b"<score-partwise " + b" ".join(b'a%d="x"' % n for n in range(200_000)) + b"/>",
    "namespaces.xml": lambda: b"<score-partwise " + b" ".join(b'xmlns:n%d="u"' % n for n in range(100_000)) + b"/>",
    "entities.xml": lambda: b'<!DOCTYPE s [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;&a;&a;">]><score-partwise>&b;</score-partwise>',
    "outside-entity.xml": lambda: b'<!DOCTYPE s [<!ENTITY a SYSTEM "file:///etc/passwd">]><score-partwise>&a;</score-partwise>',
    "a-doctype-elsewhere.xml": lambda: b'<!DOCTYPE s SYSTEM "http://127.0.0.1:9/x.dtd"><score-partwise/>',
    "comments.xml": lambda: xml("<!--a-->" * 400_000),
    "parts.xml": lambda: b"<score-partwise>" + b"<part id='a'/>" * 250_000 + b"</score-partwise>",
    "part-names.xml": lambda: xml(measure(note()), "<part-list>" + "<score-part/>" * 250_000 + "</part-list>"),
    "measures.xml": lambda: xml("<measure/>" * 350_000),
    "notes.xml": lambda: xml(measure(note() * 45_000)),
    "notes-in-bars.xml": lambda: xml("".join(measure(note() * 300) for _ in range(150))),
    "chord-notes.xml": lambda: xml(measure(note() + note("<chord/>") * 40_000)),
    "lyrics.xml": lambda: xml(measure(note("<lyric><text>la</text></lyric>" * 100_000))),
    "slurs.xml": lambda: xml(measure("".join(note(f'<notations><slur type="start" number="{n}"/></notations>') for n in range(20_000)))),
    "tuplets.xml": lambda: xml(measure(note("<time-modification><actual-notes>3</actual-notes><normal-notes>0</normal-notes></time-modification>") * 20_000)),
    "digits-in-a-duration.xml": lambda: xml(measure(note(duration="9" * 5_000))),
    "duration-of-words.xml": lambda: xml(measure(note(duration="long") + note(duration="-1") + note(duration="1e999") + note(duration="nan"))),
    "divisions.xml": lambda: xml(measure(note(), "<divisions>" + "9" * 6_000 + "</divisions>")),
    "no-divisions.xml": lambda: xml(measure(note(), "<divisions>0</divisions>")),
    "the-meter.xml": lambda: xml(measure(note(), "<divisions>1</divisions><time><beats>" + "9" * 5_000 + "</beats><beat-type>0</beat-type></time>")),
    "beats-added.xml": lambda: xml(measure(note(), "<divisions>1</divisions><time><beats>" + "+".join(["3"] * 100_000) + "</beats><beat-type>8</beat-type></time>")),
    "the-key.xml": lambda: xml(measure(note(), "<divisions>1</divisions><key><fifths>99999999999999999999</fifths></key>")),
    "the-octave.xml": lambda: xml(measure("<note><pitch><step>C</step><octave>99999999999</octave></pitch><duration>1</duration></note>")),
    "alters.xml": lambda: xml(measure("<note><pitch><step>C</step><alter>99999</alter><octave>4</octave></pitch><duration>1</duration></note>")),
    "no-step.xml": lambda: xml(measure("<note><pitch><step/><octave/></pitch><duration/></note>")),
    "backups.xml": lambda: xml(measure((note() + "<backup><duration>1</duration></backup>") * 20_000)),
    "voices.xml": lambda: xml(measure("".join(note(f"<voice>{n}</voice>") for n in range(30_000)))),
    "staves.xml": lambda: xml(measure("".join(note(f"<staff>{n}</staff><voice>{n}</voice>") for n in range(390)))),
    "a-second-voice-in-many-bars.xml": lambda: xml("".join(measure(note("<voice>1</voice>") * 4 + "<backup><duration>4</duration></backup>" + note("<voice>2</voice>") * 4) for _ in range(1500))),
    "tempo.xml": lambda: xml(measure('<sound tempo="1e400"/><sound tempo="nan"/><sound tempo="-5"/><sound tempo="0"/>' + note() * 4)),
    "words.xml": lambda: xml(measure("<direction><direction-type><words>" + "x" * BIG + "</words></direction-type></direction>")),
    "timewise.xml": lambda: b"<score-timewise>" + b"<measure><part id='a'/></measure>" * 100_000 + b"</score-timewise>",
    "timewise-parts.xml": lambda: b"<score-timewise><measure>" + b"".join(b"<part id='%d'/>" % n for n in range(150_000)) + b"</measure></score-timewise>",
    "utf-16.xml": lambda: '<?xml version="1.0" encoding="UTF-16"?><score-partwise/>'.encode("utf-16"),
    "encoding-that-is-none.xml": lambda: b'<?xml version="1.0" encoding="x-nothing"?><score-partwise/>',
    "damaged-deflate.mxl": damaged_deflate,
    "a-name-that-is-none.mxl": lambda: mxl(b"../../etc/passwd"),
    "a-name-of-nulls.mxl": lambda: mxl(b"a&#1;b"),
    "a-name-that-is-huge.mxl": lambda: mxl(b"a" * 100_000),
    "a-bomb.mxl": lambda: mxl(inside=b"<a>" + b" " * 200_000_000),
    "a-container-bomb.mxl": lambda: zipped(**{"META-INF__container_dot_xml": b" " * 200_000_000}),
    "members.mxl": lambda: zipped(**{f"m{n}": b"" for n in range(30_000)}),
    "half-a-zip.mxl": lambda: mxl()[:100],
    "nothing-in-it.mxl": lambda: zipped(),
    "encrypted.mxl": lambda: mxl().replace(b"PK\x01\x02\x14\x03\x14\x00\x00\x00", b"PK\x01\x02\x14\x03\x14\x00\x01\x00"),
    "bytes-of-255.mid": lambda: b"MThd" + b"\xff" * 3_000_000,
    "a-track-of-255.mid": lambda: midi(b"\xff" * 1_000_000),
    "events.mid": lambda: midi(b"\x00\x90\x3c\x40" + b"\x00\x3c\x40" * 1_200_000 + END),
    "controllers.mid": lambda: midi(ONE + b"\x00\xb0\x01\x02" + b"\x00\x01\x02" * 1_200_000 + END),
    "note-ons-without-offs.mid": lambda: midi(b"".join(b"\x01\x90" + bytes([n % 128]) + b"\x40" for n in range(200_000)) + END),
    "notes-over-notes.mid": lambda: midi(b"".join(b"\x01\x90\x3c\x40" for n in range(19_000)) + END),
    "offs-without-ons.mid": lambda: midi(b"\x01\x80\x3c\x40" * 900_000 + END),
    "tracks.mid": lambda: midi(*([ONE + END] * 60_000)),
    "tracks-of-notes.mid": lambda: midi(*([ONE * 40 + END] * 64)),
    "no-division.mid": lambda: midi(ONE + END, division=0),
    "smpte-division.mid": lambda: midi(ONE + END, division=0xE728),
    "a-long-wait.mid": lambda: midi(b"\xff\xff\xff\x7f\x90\x3c\x40\xff\xff\xff\x7f\x80\x3c\x00" + END, division=1),
    "long-waits.mid": lambda: midi(b"\xff\xff\xff\x7f\x90\x3c\x40\xff\xff\xff\x7f\x80\x3c\x00" * 50_000 + END, division=1),
    "meta-of-4-gb.mid": lambda: midi(b"\x00\xff\x01\x8f\xff\xff\xff\x7f" + b"a" * 1000),
    "words.mid": lambda: midi(b"".join(b"\x00\xff\x05\x02la" for _ in range(400_000)) + ONE + END),
    "keys.mid": lambda: midi(b"\x00\xff\x59\x02\x7f\x7f" + ONE + END),
    "meters.mid": lambda: midi(b"\x00\xff\x58\x04\x00\x00\x18\x08" + b"\x00\xff\x58\x04\xff\xff\x18\x08" + ONE + END),
    "meters-by-thousands.mid": lambda: midi(b"\x01\xff\x58\x04\x03\x02\x18\x08" * 400_000 + ONE + END),
    "tempo-of-nothing.mid": lambda: midi(b"\x00\xff\x51\x03\x00\x00\x00" + ONE + END),
    "half-a-head.mid": lambda: b"MThd\x00\x00",
    "head-of-4-gb.mid": lambda: b"MThd\xff\xff\xff\xff" + bytes(100),
    "type-2.mid": lambda: midi(ONE + END, kind=2),
    "sysex.mid": lambda: midi(b"\x00\xf0" + b"\x7f" * 1_000_000),
    "a-name.exe": lambda: b"MZ" + bytes(1000),
    "nothing.abc": lambda: b"",
    "spaces.abc": lambda: b" " * BIG,
    "a-name-of-odd-signs-\u202e\x00/.abc": lambda: abc("C4|"),
}  # fmt: skip

ROSTERS: dict[str, Callable[[], bytes]] = {
    "a huge cell": lambda: (ROSTER + f'2A,2,"{"a" * 200_000}",30,\n').encode(),
    "an open quote": lambda: (ROSTER + '2A,2,"' + "a" * BIG).encode(),
    "quotes": lambda: (ROSTER + '""' * 1_900_000).encode(),
    "old line ends": lambda: ROSTER.replace("\n", "\r").encode() + b"2A,2,Ama,30,Mon 09:10\r2B,2,Jun,30,\r",
    "superscript digits": lambda: (ROSTER + "2A,²,Ama,²⁰,\n" + "2B,2,Jun,30,Mon ²:³⁰\n").encode(),
    "arabic digits": lambda: (ROSTER + "2A,٢,Ama,٣٠,Mon ٠٩:١٠\n").encode(),
    "digits": lambda: (ROSTER + f"2A,{'9' * 5000},Ama,{'9' * 5000},Mon 09:10\n").encode(),
    "digits in a name": lambda: (ROSTER + f"{'9' * 19},,Ama,,\n").encode(),
    "meetings": lambda: (
        ROSTER + "2A,2,Ama,30," + " ".join(f"Day {n % 20 + 1} 0{n % 9}:10" for n in range(20_000)) + "\n"
    ).encode(),
    "more than twenty meetings": lambda: (
        ROSTER + "".join(f"2A,2,Ama,30,Day {n % 20 + 1} 0{n % 9}:10\n" for n in range(400))
    ).encode(),
    "commas": lambda: (ROSTER + "," * BIG).encode(),
    "rows": lambda: (ROSTER + "2A,2,Ama,30,\n" * 250_000).encode(),
    "lines": lambda: b"\n" * BIG,
    "sections": lambda: (ROSTER + "".join(f"S{n},2,Ama,30,\n" for n in range(19_000))).encode(),
    "bad rows": lambda: (ROSTER + ",,,,x\n" + "2A,2,Ama,30,then\n" * 19_000).encode(),
    "meets of ands": lambda: (ROSTER + "2A,2,Ama,30," + " and " * 25_000 + "\n").encode(),
    "spaces in meets": lambda: (ROSTER + "2A,2,Ama,30,Mon" + " " * 100_000 + "x\n").encode(),
    "grades of slashes": lambda: (ROSTER + "2A," + " / " * 40_000 + ",Ama,,\n").encode(),
    "nulls": lambda: (ROSTER + "2A,2,A\0ma,30,\n").encode(),
    "a damaged zip": spoilt_zip,
    "a zip bomb": lambda: one_roster(users="sourcedId,givenName\n" + "u,Ama\n" * 20_000_000),
    "a zip without tables": lambda: zipped(a=b""),
    "half a zip": lambda: one_roster()[:60],
    "enrollments": lambda: one_roster(
        enrollments="classSourcedId,userSourcedId,role\n" + "c,u,student\n" * 19_000
    ),
    "grades that are none": lambda: one_roster(classes="sourcedId,title,grades\nc,2A,IT;²;99\n"),
    "no text": lambda: b"\x81\x8d\x8f" * 1000,
    "names of odd signs": lambda: (ROSTER + "2A,2,A\u202ema\u200b\u0007,30,\n").encode(),
}

MARK_HEAD = "child_id,name,section,concept,way,voices,help,result,day\n"
ONE_MARK = "9f1c,Ama,2A,so-mi,sing,alone,none,secure,2026-11-20\n"


def marks_as_json(count: int) -> bytes:
    one = dict(zip(MARK_HEAD.strip().split(","), ONE_MARK.strip().split(","), strict=True))
    return json.dumps([one] * count).encode()


MARKS: dict[str, Callable[[], bytes]] = {
    "nothing": lambda: b"",
    "rows": lambda: (MARK_HEAD + ONE_MARK * 130_000).encode(),
    "a row of commas": lambda: (MARK_HEAD + "," * BIG).encode(),
    "a name": lambda: (MARK_HEAD + ONE_MARK.replace("Ama", "A" * 1_000_000)).encode(),
    "a quotation without end": lambda: (MARK_HEAD + '"' + ONE_MARK * 100_000).encode(),
    "nulls": lambda: (MARK_HEAD + ONE_MARK.replace("Ama", "A\0ma")).encode(),
    "a formula": lambda: (MARK_HEAD + ONE_MARK.replace("Ama", '"=HYPERLINK(1)"')).encode(),
    "days that are none": lambda: (MARK_HEAD + ONE_MARK.replace("2026-11-20", "0000-00-00") * 9_000).encode(),
    "the year 1": lambda: (MARK_HEAD + ONE_MARK.replace("2026", "0001")).encode(),
    "a week": lambda: (MARK_HEAD + ONE_MARK.replace("2026-11-20", "2026-W48-2")).encode(),
    "odd digits": lambda: (MARK_HEAD + ONE_MARK.replace("2026-11-20", "²026-11-20")).encode(),
    "results that are none": lambda: (MARK_HEAD + ONE_MARK.replace("secure", "A+") * 9_000).encode(),
    "deep lists": lambda: b"[" * 200_000,
    "deep objects": lambda: b'{"a":' * 200_000,
    "objects": lambda: marks_as_json(30_000),
    "no objects": lambda: b'[1, null, [], "a", {"day": {}}]',
    "a number without end": lambda: b'[{"id": ' + b"9" * 1_000_000 + b"}]",
    "infinity": lambda: b'[{"id": Infinity, "day": NaN}]',
    "no text": lambda: b"\x81\x8d\x8f" * 1000,
}

CALENDARS: dict[str, Callable[[], bytes]] = {
    "two starts": lambda: calendar(f"{DAY}\r\n{DAY}"),
    "two ends": lambda: calendar(f"{DAY}\r\nDTEND;VALUE=DATE:20261222\r\nDTEND;VALUE=DATE:20261223"),
    "an end that is a time": lambda: calendar(f"{DAY}\r\nDTEND:20261222T100000"),
    "a start that is a length": lambda: calendar("DTSTART;VALUE=DURATION:P1D"),
    "a start that is a span": lambda: calendar("DTSTART;VALUE=PERIOD:20261221T100000/20261222T100000"),
    "an end that is a length": lambda: calendar(f"{DAY}\r\nDTEND;VALUE=DURATION:P1D"),
    "the year 1": lambda: calendar("DTSTART;VALUE=DATE:00010101\r\nDTEND;VALUE=DATE:00010101"),
    "an end in the year 1": lambda: calendar(f"{DAY}\r\nDTEND;VALUE=DATE:00010101"),
    "the year 9999": lambda: calendar("DTSTART;VALUE=DATE:99991231"),
    "the year 0": lambda: calendar("DTSTART;VALUE=DATE:00000101"),
    "a date that is none": lambda: calendar("DTSTART;VALUE=DATE:20261399"),
    "two summaries": lambda: calendar(f"{DAY}\r\nSUMMARY:a\r\nSUMMARY:b"),
    "events": lambda: calendar(*[DAY] * 40_000),
    "a summary": lambda: calendar(f"{DAY}\r\nSUMMARY:{'a' * 1_900_000}"),
    "folded lines": lambda: calendar(DAY + "\r\nSUMMARY:" + "a\r\n " * 450_000),
    "properties": lambda: calendar(f"{DAY}\r\n" + "X-A:b\r\n" * 280_000),
    "parameters": lambda: calendar(f"{DAY}\r\nX-A{';P=q' * 400_000}:b"),
    "nested": lambda: b"BEGIN:VCALENDAR\r\n" + b"BEGIN:VEVENT\r\n" * 120_000,
    "repeats": lambda: calendar(f"{DAY}\r\nRRULE:FREQ=DAILY;COUNT=999999999"),
    "repeats that are none": lambda: calendar(f"{DAY}\r\nRRULE:FREQ=NEVER"),
    "days of repeats": lambda: calendar(f"{DAY}\r\nRDATE:" + ",".join(["20261221"] * 100_000)),
    "a zone": lambda: calendar("DTSTART;TZID=Nowhere/Else:20261221T100000"),
    "no calendar": lambda: b"hello",
    "nothing": lambda: b"",
    "no text": lambda: bytes(range(256)) * 1000,
    "line ends": lambda: b"\r\n" * 900_000,
}

SEQUENCES: dict[str, Callable[[], bytes]] = {
    "numbers for lists": lambda: case(own(needs=5, ways=7, traits=3)),
    "infinity": lambda: b'{"CFItems":[{"identifier":"1","extensions":{"kopje":{"key":"a","name":"b","strand":"melody","grade":Infinity,"ways":["sing"]}}}]}',
    "not a number": lambda: b'{"CFItems":[{"identifier":"1","extensions":{"kopje":{"key":"a","name":"b","strand":"melody","grade":NaN,"ways":["sing"]}}}]}',
    "nulls": lambda: case(own(needs=None, ways=None, key=None, traits=None)),
    "nulls in texts": lambda: case(own(name="a\0b")),
    "items that are null": lambda: case(None, None),
    "items that are no list": lambda: b'{"CFItems": 5}',
    "items that are a text": lambda: b'{"CFItems": "abc"}',
    "links that are a number": lambda: case({"identifier": "1", "fullStatement": "a"}, links=5),
    "a title that is a list": lambda: case(own(), title=[1]),
    "all need all before them": lambda: chained(500),
    "thousands that need all before them": lambda: chained(1_000),
    "links": lambda: foreign_links(500, 12_000),
    "items and links": lambda: foreign_links(4_000, 9_000),
    "a list of lists": lambda: b'{"CFItems":' + b"[" * 100_000,
    "deep in an item": lambda: b'{"CFItems":[' + b'{"a":' * 100_000,
    "traits that are lists": lambda: case(own(traits=[["a"], {"b": 1}])),
    "digits": lambda: b'{"CFItems":[{"identifier":"1","extensions":{"kopje":{"key":"a","name":"b","strand":"melody","ways":["sing"],"grade":' + b"9" * 100_000 + b"}}}]}",
    "a huge cell": lambda: b"key,name,strand,grade\n" + b"a" * 200_000 + b",b,melody,1\n",
    "a csv with old line ends": lambda: b"key,name,strand,grade\rdo,do,melody,1\r",
    "a csv of rows": lambda: b"key,name,strand,grade\n" + b"do,do,melody,1\n" * 130_000,
    "a csv of columns": lambda: b"key,name,strand,grade" + b",x" * 900_000 + b"\n",
    "needs": lambda: b"key,name,strand,grade,needs\ndo,do,melody,1," + b"a|" * 60_000 + b"\n",
    "superscript grade": lambda: "key,name,strand,grade\ndo,do,melody,²\n".encode(),
    "days of a year": lambda: b"key,name,strand,grade,not_before\ndo,do,melody,1,02-30\n",
    "no text": lambda: b"\xff\xfe\x00",
    "nothing": lambda: b"",
}  # fmt: skip
