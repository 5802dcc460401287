"""What is printed is what was read: every note, every word, every bar; and nothing hangs the house."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import suppress
from fractions import Fraction

import pytest
from lxml import etree

from formats import corpora
from kopje.core.errors import EngravingError
from kopje.core.music.pitch import Pitch, signature_alters
from kopje.core.music.tune import Tune
from kopje.engraving.mei import mei
from kopje.engraving.render import Engraver
from kopje.formats.abc import read_abc
from kopje.formats.read import read_tunes
from making import HEAD, SONGS, refuses

MEI = "{http://www.music-encoding.org/ns/mei}"
FILES = sorted(SONGS.glob("*.abc"))
ALTERS = {"s": 1, "f": -1, "n": 0, "x": 2, "ff": -2, "xs": 3, "tf": -3}


@pytest.fixture(scope="module")
def engraver() -> Iterator[Engraver]:
    engraver = Engraver()
    engraver.start()
    yield engraver
    engraver.stop()


def written(tune: Tune) -> etree._Element:
    return etree.fromstring(mei(tune).encode())


def lasts(note: etree._Element) -> Fraction:
    """Quarters that a written symbol lasts, with dots and tuplets."""
    said = note.get("dur") or "4"
    base = LONG[said] if said in LONG else Fraction(4, int(said))
    dots = int(note.get("dots") or 0)
    length = base * (2 - Fraction(1, 2**dots))
    for around in note.iterancestors(f"{MEI}tuplet"):
        length *= Fraction(int(around.get("numbase") or 1), int(around.get("num") or 1))
    return length


def bars_add_up(tune: Tune) -> list[tuple[int, Fraction, Fraction]]:
    """(bar, written, read) where they differ."""
    measures = list(written(tune).iter(f"{MEI}measure"))
    assert len(measures) == len(tune.bars)
    wrong = []
    for bar, measure in zip(tune.bars, measures, strict=True):
        symbols = [one for one in measure.iter(f"{MEI}note", f"{MEI}rest", f"{MEI}space")]
        total = sum((lasts(one) for one in symbols), Fraction(0))
        whole_rest = measure.find(f".//{MEI}mRest") is not None
        if not whole_rest and total != bar.length:
            wrong.append((bar.number, total, Fraction(bar.length)))
    return wrong


@pytest.mark.parametrize("file", FILES, ids=[file.stem for file in FILES])
def test_a_shipped_song_is_written_note_by_note_and_word_by_word(file: object) -> None:
    (tune,) = read_abc(file.read_bytes())  # type: ignore[attr-defined]
    root = written(tune)
    assert bars_add_up(tune) == []
    sung = ["".join(s.itertext()) for s in root.iter(f"{MEI}syl")]
    assert sung == [s.text for _, _, note in tune.notes() for s in note.syllables]
    rests = next(n for n, (_, _, note) in enumerate(tune.notes()) if note.kind != "rest")
    assert next(root.iter(f"{MEI}note")).get("{http://www.w3.org/XML/1998/namespace}id") == f"n{rests}"


LONG = {"breve": Fraction(8), "long": Fraction(16), "maxima": Fraction(32)}


def test_real_tunes_are_written_with_the_pitches_and_lengths_that_were_read() -> None:
    home = corpora.corpus()
    if home is None:
        pytest.skip("the corpus is not installed")
    for name, data in corpora.sampled(list(corpora.abc_pieces(home)), share=130, seed=7):
        tune = read_tunes(data, name)[0]
        if any(bar.key and abs(bar.key.fifths) > 7 for bar in tune.bars):
            continue
        assert bars_add_up(tune) == [], name
        assert sounding(tune) == [str(n.pitch) for _, _, n in tune.notes() if n.pitch and not n.tie_in], name


def sounding(tune: Tune) -> list[str]:
    """Pitches of attacks as an engraver's reader would hear them: signature, accidentals to the bar line,
    ties."""
    found: list[str] = []
    for bar, measure in zip(tune.bars, written(tune).iter(f"{MEI}measure"), strict=True):
        here: dict[tuple[str, int], int] = {}
        signature = signature_alters(bar.key.fifths) if bar.key else {}
        for note in measure.iter(f"{MEI}note"):
            letter, octave = (note.get("pname") or "c").upper(), int(note.get("oct") or 4)
            shown = note.get("accid")
            alter = ALTERS[shown] if shown else here.get((letter, octave), signature.get(letter, 0))
            if shown:
                here[letter, octave] = alter
            if note.get("tie") not in ("m", "t"):
                found.append(str(Pitch(letter, alter, octave)))
    return found


def test_the_picture_is_kept_and_comes_back_at_once(engraver: Engraver) -> None:
    (tune,) = read_abc(FILES[0].read_bytes())
    text = mei(tune)
    first = engraver.svg(text)
    assert engraver.svg(text) is first
    assert first.count('class="note"') == sum(note.kind == "note" for _, _, note in tune.notes())
    assert "<style" not in first
    assert 'id="n0"' in first


def test_what_takes_the_engraver_too_long_is_ended_and_the_next_song_is_drawn(engraver: Engraver) -> None:
    """The largest piece that a reader lets through, all in one line of music."""
    endless = (HEAD.format(meter="4/4", key="C") + ("C/8" * 390 + "|\\\n") * 50).encode()
    (tune,) = read_abc(endless)
    with suppress(EngravingError):
        assert "<svg" in engraver.svg(mei(tune))
    (song,) = read_abc(FILES[1].read_bytes())
    assert "<svg" in engraver.svg(mei(song))


def test_a_tune_without_bars_is_not_engraved() -> None:
    with refuses(EngravingError, "nothing to engrave"):
        mei(Tune("Empty", ()))
