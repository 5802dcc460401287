"""Writing a song and reading it again changes nothing that is sung: in each format, for any tune and for
real ones."""

from __future__ import annotations

import io
from dataclasses import replace
from pathlib import Path

import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st
from lxml import etree

from formats import corpora
from kopje.cli import main
from kopje.core.analysis.timeline import sounds
from kopje.core.errors import FileError
from kopje.core.exact import Fraction
from kopje.core.music.meter import Meter
from kopje.core.music.pitch import LETTERS, Pitch
from kopje.core.music.tune import Bar, Key, Note, Syllable, Tune, numbered
from kopje.formats.read import read_tunes
from kopje.formats.write import write_tune
from making import refuses

LENGTHS = [
    Fraction(n, d)
    for n, d in (
        (1, 4),
        (1, 2),
        (3, 4),
        (1, 1),
        (3, 2),
        (2, 1),
        (3, 1),
        (1, 3),
        (2, 3),
        (1, 6),
        (2, 5),
        (5, 4),
    )
]
WORDS = st.sampled_from(["hill", "liz", "ard", "don't", "so-so", "a_b", "näh", "two words", "*", "x|y"])


@st.composite
def notes(draw: st.DrawFn) -> Note:
    length = draw(st.sampled_from(LENGTHS))
    if draw(st.integers(0, 5)) == 0:
        return Note("rest", length)
    pitch = Pitch(draw(st.sampled_from(LETTERS)), draw(st.integers(-2, 2)), draw(st.integers(3, 6)))
    verses = draw(st.lists(WORDS, max_size=2))
    sung = tuple(Syllable(text, verse, draw(st.booleans())) for verse, text in enumerate(verses, 1))
    return Note("note", length, pitch, syllables=sung)


@st.composite
def tunes(draw: st.DrawFn) -> Tune:
    """Bars of any length with ties, words of two verses, tuplets, repeats, endings, changes of key
    and meter."""
    bars = []
    for _ in range(draw(st.integers(1, 5))):
        inside = tuple(draw(st.lists(notes(), min_size=1, max_size=6)))
        meter = draw(st.sampled_from([Meter(2, 4), Meter(6, 8), Meter.parse("C|")]))
        key = Key(draw(st.integers(-4, 4)), draw(st.sampled_from([None, "major", "minor", "dorian"])))
        right = draw(st.sampled_from(["single", "single", "double", "repeat", "final"]))
        left = draw(st.sampled_from(["single", "single", "repeat"]))
        bars.append(Bar(inside, meter, key, left=left, right=right, line_end=draw(st.booleans())))  # type: ignore[arg-type]
    assume(any(note.kind == "note" for bar in bars for note in bar.notes))
    first, *rest = bars
    if draw(st.booleans()):
        rest = [replace(bar, meter=first.meter, key=first.key) for bar in rest]
    return Tune(
        "A tune",
        numbered(_tied([first, *rest])),
        Fraction(draw(st.integers(40, 200))),
        (("C", "Noor"), ("S", "Hill")),
    )


def _tied(bars: list[Bar]) -> list[Bar]:
    """The first note of a bar repeats the last of the one before under a tie, where both are notes."""
    found = bars[:1]
    for bar in bars[1:]:
        last, first = found[-1].notes[-1], bar.notes[0]
        if last.kind == first.kind == "note" and len(bar.notes) % 2:
            found[-1] = replace(found[-1], notes=(*found[-1].notes[:-1], replace(last, tie_out=True)))
            again = replace(first, pitch=last.pitch, tie_in=True, syllables=())
            bar = replace(bar, notes=(again, *bar.notes[1:]))
        found.append(bar)
    return found


def sung(tune: Tune) -> list[object]:
    """What must not change: bars with their meter, key, lines and endings; notes with spelling, ties and
    words."""
    words = [
        [tuple((s.text, s.verse, s.joins) for s in note.syllables) for note in bar.notes] for bar in tune.bars
    ]
    heard = [(s.kind, str(s.pitch), s.onset, s.duration, s.bar) for s in sounds(tune)]
    bars = [(b.meter, b.key, b.left, b.right, b.ending, b.number, b.length) for b in tune.bars]
    return [tune.title, bars, words if _single(tune) else None, heard]


def _single(tune: Tune) -> bool:
    """Whether every note is one symbol: others are written as tied ones, which share its words."""
    return all(note.duration != Fraction(5, 4) for bar in tune.bars for note in bar.notes)


@settings(max_examples=120, deadline=None)
@given(tunes(), st.sampled_from([".musicxml", ".abc"]))
def test_a_tune_is_the_same_after_writing_and_reading(tune: Tune, ending: str) -> None:
    (again,) = read_tunes(write_tune(tune, f"x{ending}"), f"x{ending}")
    if ending == ".musicxml":  # a length without a symbol of its own is two rests or two tied notes there
        mine, theirs = _sounding(tune), _sounding(again)
        assert theirs == mine
        if not _single(tune):
            return
    assert sung(again) == sung(tune)
    assert (again.tempo, again.fact("C"), again.fact("S")) == (tune.tempo, "Noor", "Hill")


def _sounding(tune: Tune) -> list[object]:
    return [(str(s.pitch), s.onset, s.duration) for s in sounds(tune) if s.attack]


@settings(max_examples=60, deadline=None)
@given(tunes())
def test_midi_keeps_what_sounds(tune: Tune) -> None:
    coarse = [
        replace(bar, notes=tuple(n for n in bar.notes if (n.duration * 12).denominator == 1))
        for bar in tune.bars
    ]
    kept = [replace(bar, left="single", right="single", meter=Meter(2, 4)) for bar in coarse if bar.notes]
    if not any(note.kind == "note" for bar in kept for note in bar.notes):
        return
    tune = replace(tune, bars=numbered(kept))
    (again,) = read_tunes(write_tune(tune, "x.mid"), "x.mid")
    mine = [(s.pitch.midi, s.onset, s.duration) for s in sounds(tune) if s.pitch]
    theirs = [(s.pitch.midi, s.onset, s.duration) for s in sounds(again) if s.pitch]
    shift = mine[0][1] - theirs[0][1]
    assert [(number, onset + shift, length) for number, onset, length in theirs] == mine


XLINK = """<xs:schema xmlns:xs="http://www.w3.org/2001/XMLSchema" targetNamespace="http://www.w3.org/1999/xlink">
<xs:attribute name="href" type="xs:string"/><xs:attribute name="type" type="xs:string"/><xs:attribute name="role" type="xs:string"/>
<xs:attribute name="title" type="xs:string"/><xs:attribute name="show" type="xs:string"/><xs:attribute name="actuate" type="xs:string"/></xs:schema>"""
XML = """<xs:schema xmlns:xs="http://www.w3.org/2001/XMLSchema" targetNamespace="http://www.w3.org/XML/1998/namespace">
<xs:attribute name="lang" type="xs:string"/><xs:attribute name="space" type="xs:string"/></xs:schema>"""


class _Shipped(etree.Resolver):
    def resolve(self, url: str, _id: str, context: object) -> object:
        return self.resolve_string(XLINK if "xlink" in url else XML, context)  # type: ignore[attr-defined]


@pytest.fixture(scope="module")
def schema() -> etree.XMLSchema:
    home = corpora.corpus()
    file = home / "musicxml" / "musicxml.xsd" if home else None
    if file is None or not file.exists():
        pytest.skip("the schema is not installed")
    parser = etree.XMLParser(no_network=True)
    parser.resolvers.add(_Shipped())
    return etree.XMLSchema(etree.parse(io.BytesIO(file.read_bytes()), parser))


@settings(max_examples=40, deadline=None)
@given(tune=tunes())
def test_what_is_written_obeys_the_schema(schema: etree.XMLSchema, tune: Tune) -> None:
    written = etree.fromstring(write_tune(tune, "x.musicxml"))
    assert schema.validate(written), schema.error_log
    assert written.get("version") == "3.1"


@pytest.mark.parametrize("ending", [".musicxml", ".abc", ".mid"])
def test_real_songs_survive_each_format(ending: str) -> None:
    home = corpora.corpus()
    if home is None:
        pytest.skip("the corpus is not installed")
    for name, data in corpora.sampled(list(corpora.abc_pieces(home)), 400, 7):
        tune = read_tunes(data, name)[0]
        (again,) = read_tunes(write_tune(tune, f"x{ending}"), f"x{ending}")
        if ending != ".mid":
            assert sung(again)[1:] == sung(tune)[1:], tune.title
        elif all((note.duration * 12).denominator == 1 for bar in tune.bars for note in bar.notes):
            assert [(s.pitch.midi, s.duration) for s in sounds(again) if s.pitch] == [
                (s.pitch.midi, s.duration) for s in sounds(tune) if s.pitch
            ], tune.title


def test_no_number_from_a_file_damages_what_python_shares() -> None:
    """A single digit once made every later zero byte another one: MIDI then read wrong keys."""
    for name in ("x.musicxml", "x.abc", "x.mid"):
        tune = Tune(
            "T",
            numbered([Bar((Note("note", Fraction(2), Pitch("C", 0, 4)),), Meter(2, 4), Key(0))]),
            Fraction(8),
        )
        read_tunes(write_tune(tune, name), name)
    assert [io.BytesIO(bytes([n])).read(1)[0] for n in range(256)] == list(range(256))


def test_the_command_converts_and_says_what_it_cannot(
    tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    song = tmp_path / "hill.abc"
    song.write_text("X:1\nT:Hill\nM:2/4\nL:1/8\nK:F\nF2 A2 | c4 |]\nw: Up the hill\n")
    for ending in ("musicxml", "mid", "abc"):
        out = tmp_path / f"out.{ending}"
        assert main(["convert", str(song), str(out)]) == 0
        (again,) = read_tunes(out.read_bytes(), out.name)
        assert [str(s.pitch) for s in sounds(again) if s.pitch] == ["F4", "A4", "C5"]
        assert again.title == "Hill"
    assert main(["convert", str(song), str(tmp_path / "out.pdf")]) == 2
    assert "Kopje writes .musicxml, .abc and .mid" in capsys.readouterr().err
    assert main(["convert", str(tmp_path / "none.abc"), str(tmp_path / "o.abc")]) == 2


@pytest.mark.parametrize(
    "data",
    [
        b"MThd",
        b"MThd\x00\x00\x00\x06\x00\x01\x00\x01\x00\x00MTrk\x00\x00\x00\x04\x00\xff/\x00",
        b"MThd" + bytes(200),
    ],
)
def test_a_broken_midi_file_is_refused_in_words(data: bytes) -> None:
    with refuses(FileError, r"[Nn]othing was kept"):
        read_tunes(data, "x.mid")


TWO_VOICES = b"X:1\nT:Two\nM:2/4\nL:1/4\nK:C\nV:1\nCD|EC|\nV:2\nEF|GE|\n"


@pytest.mark.parametrize(("part", "letters"), [(None, "CDEC"), (1, "CDEC"), (2, "EFGE")])
def test_a_voice_of_a_tune_is_read_when_it_is_asked_for(part: int | None, letters: str) -> None:
    (tune,) = read_tunes(TWO_VOICES, "two.abc", part)
    assert "".join(note.pitch.letter for _, _, note in tune.notes() if note.pitch) == letters
    assert [problem.code for problem in tune.problems] == []
    with refuses(FileError, "no part 3"):
        read_tunes(TWO_VOICES, "two.abc", 3)


def test_what_is_no_tune_is_not_kept_as_a_song(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    with refuses(FileError, "No tune was found"):
        read_tunes(b"K: dear all\nplease come to the hill, we sing there.\n", "letter.abc")
    with refuses(FileError, "not a MIDI file that can be read"):
        read_tunes(b"MTh\x00\x00", "torn.mid")
    two, out = tmp_path / "two.abc", tmp_path / "one.musicxml"
    two.write_bytes(TWO_VOICES)
    assert main(["convert", str(two), str(out)]) == 0
    assert capsys.readouterr().err == ""
    assert out.read_bytes().count(b"<part ") == 2
    two.write_bytes(TWO_VOICES.replace(b"CD|EC|", b"CD & EF|EC|"))
    main(["convert", str(two), str(out)])
    assert "A second voice in the same line was not read." in capsys.readouterr().err


@pytest.mark.parametrize("name", ["x.abc", "x.musicxml"])
def test_where_a_tune_goes_on_is_written_and_read_again(name: str) -> None:
    (tune,) = read_tunes(b"X:1\nT:On\nM:2/4\nL:1/4\nK:F\nFA|F2!fine!|!segno!cc|c2!D.S.!|]\n", "on.abc")
    signs = [bar.signs for bar in tune.bars]
    assert signs == [(), ("fine",), ("segno",), ("dal_segno",)]
    (again,) = read_tunes(write_tune(tune, name), name)
    assert [bar.signs for bar in again.bars] == signs
