"""Reading files as they come: what is kept, what is told, and what is refused."""

import io
import zipfile
from fractions import Fraction

import pytest

from kopje.core.analysis.analysis import analyse
from kopje.core.errors import FileError, FileTooLargeError, FileUnsafeError
from kopje.engraving.mei import mei
from kopje.formats.abc import read_abc
from kopje.formats.limits import MAX_BYTES
from kopje.formats.read import pieces, read_tunes
from making import refuses, said

HEAD = '<?xml version="1.0"?><score-partwise version="3.1"><work><work-title>Hill</work-title></work><part-list><score-part id="P1"><part-name>V</part-name></score-part></part-list><part id="P1">'
ATTRIBUTES = (
    "<attributes><divisions>2</divisions><key><fifths>-1</fifths><mode>minor</mode></key>"
    "<time><beats>2</beats><beat-type>4</beat-type></time></attributes>"
)


def note(step: str, octave: int, duration: int, *inside: str, before: str = "") -> str:
    pitch = f"<pitch><step>{step}</step><octave>{octave}</octave></pitch>"
    return f"<note>{before}{pitch}<duration>{duration}</duration><voice>1</voice>{''.join(inside)}</note>"


def score(*measures: str) -> bytes:
    bars = "".join(f'<measure number="{n}">{m}</measure>' for n, m in enumerate(measures, 1))
    return f"{HEAD}{bars}</part></score-partwise>".encode()


def packed(data: bytes, name: str = "score.xml") -> bytes:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        archive.writestr(
            "META-INF/container.xml",
            f'<container><rootfiles><rootfile full-path="{name}"/></rootfiles></container>',
        )
        archive.writestr(name, data)
    return out.getvalue()


SYLLABLE = "<lyric number='1'><syllabic>begin</syllabic><text>liz</text></lyric>"
TIE = '<tie type="start"/>'
SONG = score(
    ATTRIBUTES + note("A", 4, 2),
    note("D", 5, 2, SYLLABLE) + note("C", 5, 2, TIE),
    note("C", 5, 1, '<tie type="stop"/>')
    + note("A", 4, 1)
    + note("F", 4, 1)
    + note("E", 4, 1, before="<chord/>")
    + "<note><rest/><duration>1</duration><voice>1</voice></note>",
    note("D", 4, 2),
)


@pytest.mark.parametrize("data", [SONG, packed(SONG)])
def test_a_score_is_read_with_its_key_pickup_ties_and_words(data: bytes) -> None:
    found = read_tunes(data, "hill.mxl")[0]
    assert (found.title, found.pickup, [bar.number for bar in found.bars]) == ("Hill", 1, [0, 1, 2, 3])
    assert found.bars[1].notes[0].syllables[0].joins
    a = analyse(found)
    assert (str(a.tonality.do), a.tonality.resting, float(a.tonality.confidence)) == ("F", "la", 0.95)
    assert next(s for s in a.timeline if s.place == 1 and s.bar == 1).duration == Fraction(3, 2)
    assert [p.code for p in found.problems] == ["chord_reduced"]
    assert "D4" not in mei(found)
    assert 'keysig="1f"' in mei(found)


@pytest.mark.parametrize(
    ("data", "error"),
    [
        (b'<?xml version="1.0"?><!DOCTYPE a [<!ENTITY x "y">]><score-partwise/>', FileUnsafeError),
        (
            '<?xml version="1.0" encoding="UTF-16"?><!DOCTYPE a [<!ENTITY x "y">]><score-partwise/>'.encode(
                "utf-16"
            ),
            FileUnsafeError,
        ),
        (b"<html/>", FileError),
        (b"<score-partwise><part", FileError),
        (b"", FileError),
        (score(ATTRIBUTES.replace(">2</divisions>", ">999999</divisions>") + note("A", 4, 2)), FileError),
        (score(ATTRIBUTES + note("A", 99, 2)), FileError),
        (score(ATTRIBUTES + note("H", 4, 2)), FileError),
        (score(ATTRIBUTES + note("A", 4, 9_999_999)), FileError),
        (score(ATTRIBUTES + note("A", 4, 2).replace("<duration>2", "<duration>NaN")), FileError),
        (score(ATTRIBUTES + note("A", 4, 1) * 500), FileTooLargeError),
        (score(ATTRIBUTES), FileError),
        (b"PK\x03\x04 broken", FileError),
        (packed(b" " * (MAX_BYTES + 10) + SONG), FileTooLargeError),
        (b"x" * (MAX_BYTES + 1), FileTooLargeError),
    ],
)
def test_unsafe_or_broken_files_are_refused_with_a_reason(data: bytes, error: type[FileError]) -> None:
    with pytest.raises(error) as refused:
        read_tunes(data, "song.musicxml")
    assert said(refused.value.reason).endswith(".")


def test_a_part_that_is_not_there_is_refused() -> None:
    with refuses(FileError, "no part 3"):
        read_tunes(SONG, "a.xml", part=3)


ABC = b"""X:1
T:Ridge
M:2/4
L:1/8
K:F
(3cde c2|_d2 d2|d2 A>F|[K:C][M:3/4]C6-|C6|]
w: one_ two_ three | four
X:2
T:Second
M:C|
K:Gm
G4 B4|V:2
"""


def test_abc_keeps_tuplets_accidentals_broken_rhythm_inline_keys_and_words() -> None:
    first, second = read_abc(ABC)
    bars = [[(str(n.pitch), n.duration) for n in bar.notes] for bar in first.bars]
    third = Fraction(1, 3)
    assert bars[0] == [("C5", third), ("D5", third), ("E5", third), ("C5", 1)]
    assert [name for name, _ in bars[1]] == ["Db5", "Db5"], "an accidental holds to the bar line"
    assert [name for name, _ in bars[2]] == ["D5", "A4", "F4"]
    assert [length for _, length in bars[2]] == [1, Fraction(3, 4), Fraction(1, 4)]
    assert str(first.bars[3].meter) == "3/4"
    assert [s.duration for s in analyse(first).timeline][-1] == 6
    assert [n.syllables[0].text for b in first.bars for n in b.notes if n.syllables] == [
        "one",
        "two",
        "three",
        "four",
    ]
    assert (second.title, str(second.bars[0].meter), second.bars[0].key and second.bars[0].key.mode) == (
        "Second",
        "2/2",
        "minor",
    )
    assert len(pieces(ABC, "ridge.abc")) == 2


@pytest.mark.parametrize("text", ["", "no music here", "X:1\nT:Only a head\nM:2/4\n", "X:1\nK:C\n| | |\n"])
def test_abc_without_music_is_refused(text: str) -> None:
    with pytest.raises(FileError):
        read_abc(text.encode())


def test_bars_of_one_bar_cut_by_a_repeat_count_once() -> None:
    found = read_abc(b"X:1\nM:2/4\nL:1/8\nK:C\nE2|C2D2|E2:|:E2|D2D2|C2|]\n")[0]
    assert [bar.number for bar in found.bars] == [0, 1, 2, 2, 3, 4]
    assert not analyse(found).problems


def test_what_a_book_says_before_its_first_tune_holds_for_all_of_them() -> None:
    book = b"%abc-2.1\nM:3/4\nL:1/4\nZ:Kopje\n\nX:1\nT:One\nK:F\nFGA|]\n\nX:2\nT:Two\nM:2/4\nK:F\nFG|]\n\nX:3\nT:Three\nK:F\nFGA|]\n"
    for tunes in (read_abc(book), tuple(read_abc(piece)[0] for piece in pieces(book, "book.abc"))):
        assert [(t.title, str(t.bars[0].meter), t.fact("Z")) for t in tunes] == [
            ("One", "3/4", "Kopje"),
            ("Two", "2/4", "Kopje"),
            ("Three", "3/4", "Kopje"),
        ]
        assert all(bar.length == bar.meter.length for t in tunes for bar in t.bars)


@pytest.mark.parametrize("body", ["GG3-|GzAc|", "GG3|-GzAc|", "GG3\n-GzAc|"])
def test_a_tie_is_one_tone_wherever_its_sign_stands(body: str) -> None:
    a = analyse(read_abc(f"X:1\nM:2/4\nL:1/8\nK:C\n{body}\n".encode())[0])
    assert [str(sound.duration) for sound in a.attacks] == ["1/2", "2", "1/2", "1/2"]
