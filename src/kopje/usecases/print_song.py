"""A song on paper: its notes as they are seen on the screen, where to start, and what belongs to it."""

from __future__ import annotations

from collections.abc import Mapping

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.layers import Layer, hands, line, phrase_marks
from kopje.core.sequence.wording import Wording
from kopje.engraving.mei import Under, mei
from kopje.engraving.printing import Sheet
from kopje.engraving.render import Engraver
from kopje.store import tables
from kopje.usecases.songbook import AS_IT_IS, Variant, as_sung, seen

WIDTH, HEIGHT = 1800, 1950  # of the music on a page, in tenths of a millimetre, with room for the title
ON_PAPER = {"game": "Game", "care": "Care", "culture": "Culture"}
WHERE_FROM = ("composer", "words", "origin", "source", "rights")


def under(a: Analysis, layers: list[Layer], words: bool, wording: Wording) -> Under:
    """What stands under and above the notes when these layers are chosen."""
    return Under(
        tuple(line(a, one, wording) for one in layers if one != "hands" and one != "phrases"),
        words,
        hands(a) if "hands" in layers else {},
        phrase_marks(a) if "phrases" in layers else (),
    )


def song_sheet(
    song: tables.Song,
    variant: Variant,
    shown: Under,
    wording: Wording,
    engraver: Engraver,
    facts: bool = True,
    mirrored: bool = True,
) -> Sheet:
    """The sheet of one song; without `facts` it holds only what the children read."""
    a = seen(song, variant, wording.minor)
    encoded = any(bar.line_end for bar in a.tune.bars)
    pages = engraver.pages(mei(a.tune, shown), WIDTH, HEIGHT, encoded)
    scores = tuple(
        (svg, f"Score of {song.title}, page {n} of {len(pages)}") for n, svg in enumerate(pages, 1)
    )
    lead = _lead(a, as_sung(song, wording.minor) if variant == AS_IT_IS else a, wording)
    return Sheet(song.title, lead, scores, _facts(song.facts) if facts else (), mirrored)


def _facts(known: Mapping[str, str]) -> tuple[tuple[str, str], ...]:
    told = [(name, known[key]) for key, name in ON_PAPER.items() if key in known]
    origin = [known[key] for key in WHERE_FROM if key in known]
    if origin:
        origin.append("verified" if known.get("verified") == "yes" else "not verified")
        told.append(("From", "; ".join(origin)))
    return tuple(told)


def _lead(a: Analysis, aloud: Analysis, wording: Wording) -> str:
    """Where do is, printed and sung; where to start, how fast."""
    said = []
    if a.tonality.do is not None:
        said.append(f"{wording.tone('do')} = {a.tonality.do.pitch.shown}")
    if aloud.tonality.do is not None and aloud.tonality.do != a.tonality.do:
        said.append(f"sung with {wording.tone('do')} = {aloud.tonality.do.pitch.shown}")
    first = next((sound for sound in aloud.attacks if sound.pitch), None)
    if first is not None and first.pitch is not None:
        degree = aloud.degree(first)
        tone = f" ({wording.tone(str(degree))})" if degree is not None else ""
        said.append(f"start on {first.pitch.shown}{first.pitch.octave}{tone}")
    if a.tune.tempo:
        said.append(f"{round(a.tune.tempo / a.tune.bars[0].meter.beat)} beats a minute")
    return " · ".join(said)
