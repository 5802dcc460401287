"""A song on paper: its notes as they are seen on the screen, where to start, and what belongs to it."""

from __future__ import annotations

from collections.abc import Mapping

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.layers import Layer, hands, line, phrase_marks, spoken_rests
from kopje.core.reasons import Tone
from kopje.core.sequence.wording import Wording
from kopje.engraving.mei import Under, mei, mei_score
from kopje.engraving.printing import Sheet
from kopje.engraving.render import Engraver
from kopje.store import tables
from kopje.usecases.songs.look import Variant, as_sung, focus, score_seen, seen
from kopje.words import Words

WIDTH, HEIGHT = 1800, 1950  # of the music on a page, in tenths of a millimetre, with room for the title
ON_PAPER = ("game", "care", "culture")
WHERE_FROM = ("composer", "words", "origin", "source", "rights")


def under(a: Analysis, layers: list[Layer], words: bool, wording: Wording) -> Under:
    """What stands under and above the notes when these layers are chosen."""
    return Under(
        tuple(line(a, one, wording) for one in layers if one != "hands" and one != "phrases"),
        words,
        hands(a) if "hands" in layers else {},
        phrase_marks(a) if "phrases" in layers else (),
        spoken_rests(a, wording) if "rhythm" in layers else {},
    )


def engraved(song: tables.Song, variant: Variant, summary: Under, alone: bool = False) -> str:
    """Its parts as the engraver wants them; `summary` belongs to the part that is looked at, which `alone`
    stands by itself."""
    index = focus(song, variant)
    score = score_seen(song, variant)
    if alone:
        return mei(score.parts[index].tune, summary)
    return mei_score(score, index, summary)


def song_sheet(
    song: tables.Song,
    variant: Variant,
    summary: Under,
    words: Words,
    engraver: Engraver,
    facts: bool = True,
    mirrored: bool = True,
    alone: bool = False,
) -> Sheet:
    """The sheet of one song; without `facts` it holds only what the children read."""
    wording = words.sequence.wording
    a = seen(song, variant, wording.minor)
    encoded = any(bar.line_end for bar in a.tune.bars)
    pages = engraver.pages(engraved(song, variant, summary, alone), WIDTH, HEIGHT, encoded)
    scores = tuple(
        (svg, words.word("paper_page", title=song.title, page=n, pages=len(pages)))
        for n, svg in enumerate(pages, 1)
    )
    lead = _lead(a, as_sung(song, wording.minor, variant), words)
    return Sheet(song.title, lead, scores, _facts(song.facts, words) if facts else (), mirrored)


def _facts(known: Mapping[str, str], words: Words) -> tuple[tuple[str, str], ...]:
    lines = [(words.word(f"paper_{key}"), known[key]) for key in ON_PAPER if key in known]
    origin = [known[key] for key in WHERE_FROM if key in known]
    if origin:
        origin.append(
            words.word("paper_verified" if known.get("verified") == "yes" else "paper_not_verified")
        )
        lines.append((words.word("paper_from"), "; ".join(origin)))
    return tuple(lines)


def _lead(a: Analysis, aloud: Analysis, words: Words) -> str:
    """Where do is, printed and sung; where to start, how fast."""
    said = []
    if a.tonality.do is not None:
        said.append(words.word("paper_do", do=Tone("do"), letter=a.tonality.do.pitch.letter_name))
    if aloud.tonality.do is not None and aloud.tonality.do != a.tonality.do:
        said.append(words.word("paper_sung", do=Tone("do"), letter=aloud.tonality.do.pitch.letter_name))
    first = next((sound for sound in aloud.attacks if sound.pitch), None)
    if first is not None and first.pitch is not None:
        degree, pitch = aloud.degree(first), f"{first.pitch.letter_name}{first.pitch.octave}"
        if degree is None:
            said.append(words.word("paper_start", pitch=pitch))
        else:
            said.append(words.word("paper_start_degree", pitch=pitch, degree=Tone(str(degree))))
    if a.tune.tempo:
        said.append(words.word("paper_tempo", count=round(a.tune.tempo / a.tune.bars[0].meter.beat)))
    return " · ".join(said)
