"""Real tunes whose files name their tonic, for judging how often we find it. The label is withheld from the
analysis."""

from __future__ import annotations

import re
from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from random import Random

from formats import corpora
from kopje.core.analysis.analysis import Analysis
from kopje.core.errors import KopjeError
from kopje.core.music.degree import Degree
from kopje.core.music.pitch import Pitch
from kopje.core.music.tune import Tune
from kopje.formats.read import read_tunes

_KEY = re.compile(rb"^K:\s*([A-G])([#b]?)", re.MULTILINE)


@dataclass(frozen=True)
class Labelled:
    collection: str
    tune: Tune
    tonic: int  # pitch class


def labelled(seed: int = 1, most: int | None = None) -> Iterator[Labelled]:
    """Tunes in an order drawn by the seed, the collections mixed; left out where the letter names do, and
    what is no tune."""
    home = corpora.corpus()
    if home is None:
        return
    pieces = list(corpora.abc_pieces(home))
    folders = {book.name: book.parent.name for book in (home / "corpus").rglob("*.abc")}
    Random(seed).shuffle(pieces)
    for name, data in pieces[:most]:
        collection = folders[name]
        key = _KEY.search(data)
        if key is None or collection == "josquin" or name.startswith("han"):
            continue
        try:
            tune = read_tunes(data, name)[0]
        except KopjeError:
            continue
        tonic = Pitch(key[1].decode(), {b"": 0, b"#": 1, b"b": -1}[key[2]], 4).midi % 12
        yield Labelled(collection, tune, tonic)


def half(every: Iterable[Labelled], learning: bool) -> Iterator[Labelled]:
    """Every second tune: one half to learn from, the other to be tried on."""
    return (one for place, one in enumerate(every) if (place % 2 == 0) == learning)


def found_tonic(a: Analysis) -> int | None:
    t = a.tonality
    return t.do.sounding(Degree.parse(t.resting)).midi % 12 if t.do and t.resting else None


def clear(piece: Labelled) -> bool:
    """Whether major or minor is clear over the labelled tonic: one kind of third sounds, nothing that a
    church mode has does, and the file states no church mode."""
    modes = {bar.key.mode for bar in piece.tune.bars if bar.key}
    sounding = {(n.pitch.midi - piece.tonic) % 12 for _, _, n in piece.tune.notes() if n.pitch}
    major, minor = 4 in sounding, 3 in sounding
    strange = 10 in sounding if major else 9 in sounding
    return modes <= {None, "major", "minor"} and major != minor and not strange
