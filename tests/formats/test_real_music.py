"""Real tunes from an installed corpus against an independent reader, drawn by a seed. Skipped where
absent."""

from pathlib import Path
from random import Random

import pytest

from formats import borders, corpora, oracle
from kopje.core.analysis.analysis import analyse
from kopje.formats.abc import split_abc
from kopje.formats.read import read_tunes

music21 = pytest.importorskip("music21")
CORPUS = Path(music21.__file__).parent / "corpus"


def folk_tunes(seed: int, count: int) -> list[tuple[str, bytes]]:
    """`count` tunes, drawn and not chosen, from books whose bars and notes both readers read the same way."""
    chance = Random(seed)
    books = sorted((CORPUS / "essenFolksong").glob("*.abc"))
    found: list[tuple[str, bytes]] = []
    while len(found) < count:
        book = chance.choice(books)
        tune = chance.choice(split_abc(book.read_bytes()))
        naturals = b"=" in tune  # the other reader does not carry a natural sign to the bar line
        if b"M: none" not in tune and b"(3" not in tune and not naturals:
            found.append((book.name, tune))
    return found


def independent(data: bytes) -> tuple[set[str], str, str, str, int]:
    """Pitch set, lowest, highest, final and number of attacks, by the other reader.

    It forgets accidentals at a line end inside a bar, so its lines are joined.
    """
    head, key, music = data.decode().partition("\nK:")
    first, _, rest = music.partition("\n")
    joined = f"{head}{key}{first}\n{' '.join(line for line in rest.splitlines() if line[1:2] != ':')}\n"
    stream = music21.converter.parseData(joined, format="abc").stripTies()
    pitches = [n.pitches[-1] for n in stream.flatten().notes]
    names = [p.nameWithOctave.replace("-", "b") for p in pitches]
    low, high = min(pitches, key=lambda p: p.midi), max(pitches, key=lambda p: p.midi)
    return (
        set(names),
        low.nameWithOctave.replace("-", "b"),
        high.nameWithOctave.replace("-", "b"),
        names[-1],
        len(names),
    )


def test_sixty_folk_tunes_agree_with_the_other_reader() -> None:
    differences = []
    for name, data in folk_tunes(20261124, 60):
        a = analyse(read_tunes(data, name)[0])
        pitches = [s.pitch for s in a.attacks if s.pitch]
        assert a.range is not None
        ours = ({str(p) for p in pitches}, str(a.range[0]), str(a.range[1]), str(pitches[-1]), len(pitches))
        if ours != independent(data):
            differences.append((name, data.splitlines()[:3]))
    assert not differences


def test_every_difference_from_the_other_reader_is_explained_by_the_tune_itself() -> None:
    home = corpora.corpus()
    assert home is not None
    found = oracle.compare(Random(20261201).sample(list(corpora.abc_pieces(home)), 120))
    assert found.same >= 0.7 * found.pieces
    assert not found.unexplained


def test_what_is_heard_finds_more_of_the_borders_that_files_show_than_equal_spans_do() -> None:
    score = borders.Score()
    for collection, tune in borders.lined(seed=5, most=300):
        if collection in borders.PHRASED:
            score.add(tune)
    assert score.tunes > 50
    assert score.both <= min(score.shown, score.said)
    assert score.heard_right <= min(score.shown, score.heard)
    assert score.f1 > 0.4
    assert score.f1_heard > score.f1 + 0.15


def test_a_sample_of_the_collections_is_read_or_refused_with_a_reason() -> None:
    home = corpora.corpus()
    assert home is not None
    tunes = corpora.count(corpora.sampled(list(corpora.abc_pieces(home)), share=40, seed=20261126))
    assert tunes.read >= 0.995 * tunes.pieces, tunes.refusals
    files = corpora.count(corpora.conformance_files(home))
    assert files.pieces > 100
    assert files.read >= 0.8 * files.pieces, files.refusals
