"""Where phrases begin: what we say blind beside what the file shows by its lines of text, or by its
fermatas."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from random import Random

from formats import corpora
from kopje.core.analysis.analysis import Analysis, analyse
from kopje.core.analysis.heard_phrases import heard
from kopje.core.errors import KopjeError
from kopje.core.exact import Fraction
from kopje.core.music.tune import Tune, blinded
from kopje.formats.read import read_tunes


@dataclass
class Score:
    """Borders inside tunes: those of the files, those we say blind, and those that both have."""

    tunes: int = 0
    shown: int = 0
    said: int = 0
    both: int = 0
    heard: int = 0
    heard_right: int = 0

    def add(self, tune: Tune) -> None:
        blind = analyse(blinded(tune))
        truth, guess = borders(analyse(tune)), borders(blind)
        suggested = {blind.timeline[at].onset for at in heard(blind.timeline)}
        self.tunes += 1
        self.shown += len(truth)
        self.said += len(guess)
        self.both += len(truth & guess)
        self.heard += len(suggested)
        self.heard_right += len(truth & suggested)

    @property
    def f1(self) -> float:
        """Of equal spans."""
        return _f1(self.shown, self.said, self.both)

    @property
    def f1_heard(self) -> float:
        """Of what is heard."""
        return _f1(self.shown, self.heard, self.heard_right)


def _f1(shown: int, said: int, both: int) -> float:
    return 2 * both / (shown + said) if shown + said else 0.0


def borders(a: Analysis) -> set[Fraction]:
    """Onsets at which a phrase begins, the first one left out."""
    return {a.timeline[phrase.first].onset for phrase in a.phrases[1:]}


def lined(seed: int, most: int | None = None) -> Iterator[tuple[str, Tune]]:
    """(collection, tune) of tunes whose file has at least two lines of text, drawn by a seed."""
    home = corpora.corpus()
    if home is None:
        return
    folders = {book.name: book.parent.name for book in (home / "corpus").rglob("*.abc")}
    pieces = list(corpora.abc_pieces(home))
    Random(seed).shuffle(pieces)
    for name, data in pieces[:most]:
        try:
            tune = read_tunes(data, name)[0]
        except KopjeError:
            continue
        if sum(bar.line_end for bar in tune.bars) > 1:
            yield folders[name], tune


def with_fermatas() -> Iterator[Tune]:
    """The first parts of four-part pieces that have a fermata inside."""
    home = corpora.corpus()
    if home is None:
        return
    for file in sorted((home / "corpus" / "bach").glob("*.mxl")):
        try:
            tune = read_tunes(file.read_bytes(), file.name)[0]
        except KopjeError:
            continue
        if sum(note.border for _, _, note in tune.notes()) > 1:
            yield tune


PHRASED = (
    "essenFolksong",
    "miscFolk",
)  # where a line of text is a phrase; in dance tunes it is a line of print


FERMATAS = "four-part pieces, by fermatas"


def phrased(learning: bool) -> Iterator[tuple[str, Tune]]:
    """(collection, tune) of half the tunes that show their phrases: one half to learn from, the other to be
    tried on."""
    every = [one for one in lined(seed=1) if one[0] in PHRASED]
    every += [(FERMATAS, tune) for tune in with_fermatas()]
    yield from (one for place, one in enumerate(every) if (place % 2 == 0) == learning)


def printed(most: int) -> Iterator[tuple[str, Tune]]:
    """Dance tunes, whose lines of text are lines of print."""
    yield from (one for one in lined(seed=1, most=most) if one[0] not in PHRASED)
