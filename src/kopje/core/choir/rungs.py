"""The rungs of a choir's reading: pitch, rhythm and parts are ladders of their own, and a level of reading
stands on one rung of each, so that it can be said where a reading broke.

The key of a level says its rungs, so that a mark made on it means the same for ever, in whatever order a
school goes. Source: docs/sources.md#reading-ladder.
"""

from __future__ import annotations

import re
from collections.abc import Iterable
from dataclasses import dataclass
from functools import cache
from typing import Literal

from kopje.core.errors import SequenceError
from kopje.core.music.degree import Degree
from kopje.core.sequence.concepts import ConceptKey

Strand = Literal["pitch", "rhythm", "parts", "signs"]
Broke = Literal["pitch", "rhythm", "parts"]  # where a reading can break
BREAKS: tuple[Broke, ...] = ("pitch", "rhythm", "parts")
SCALE = ("so,", "la,", "ti,", "do", "re", "mi", "fa", "so", "la", "ti", "do'", "re'", "mi'")


@dataclass(frozen=True, slots=True)
class Rung:
    """One rung. `beneath`: the rungs of its strand whose matter it holds: who stands on it stands on them.

    Pitch: `tones` octave-marked, `skips` triads within which a skip may lie, `leaps` pairs, `resting` the
    tone it rests on, `falling` tones that are only passed on the way down. Rhythm: `figures` by element key, `meters`. Parts: how many."""

    key: str
    strand: Strand
    name: str
    beneath: tuple[str, ...] = ()
    tones: tuple[str, ...] = ()
    skips: tuple[str, ...] = ()
    leaps: tuple[str, ...] = ()
    resting: str = "do"
    falling: tuple[str, ...] = ()
    figures: tuple[str, ...] = ()
    meters: tuple[str, ...] = ()
    parts: int = 0
    prompt: str = ""
    shown: str = ""


def _tones(low: str, high: str, *raised: str) -> tuple[str, ...]:
    return (*SCALE[SCALE.index(low) : SCALE.index(high) + 1], *raised)


_LONG = ("quarter", "half", "whole")
_R1 = ("quarter", "half")
_R2 = (*_R1, "two_eighths", "beat_rest")
_R3 = (*_R2, "dotted_half", "whole")
_R4 = (*_R3, "dotted_quarter_eighth")
_R5 = (*_R4, "four_sixteenths")
_R6 = (*_R5, "syncopation", "upbeat")
_R7 = (*_R6, "dotted_eighth_sixteenth")
_TWO_FOUR, _THREE_FOUR = ("2/4", "4/4"), ("3/4", "4/4")
_TONIC, _DOMINANT = "do mi so", "so ti re"

PITCH = (
    Rung("p1", "pitch", "do re mi in steps", tones=_tones("do", "mi")),
    Rung("p2", "pitch", "do to so in steps", ("p1",), _tones("do", "so")),
    Rung("p3", "pitch", "ti below to la in steps", ("p2",), _tones("ti,", "la")),
    Rung("p4", "pitch", "low so to high do in steps", ("p3",), _tones("so,", "do'")),
    Rung("p5", "pitch", "skips in do-mi-so", ("p4",), _tones("so,", "do'"), (_TONIC,)),
    Rung(
        "p6", "pitch", "skips in so-ti-re, up to high mi", ("p5",), _tones("so,", "mi'"), (_TONIC, _DOMINANT),
    ),
    Rung(
        "p7", "pitch", "leaps do-so", ("p6",), _tones("so,", "mi'"), (_TONIC, _DOMINANT),
        ("do so", "so do'", "so, do"),
    ),
    Rung(
        "p8", "pitch", "resting tone la, with si", (), ("mi,", "fa,", *_tones("so,", "mi", "si,")),
        ("la do mi", "mi si ti"), resting="la", falling=("so,",),
    ),
    Rung(
        "p9", "pitch", "fi, te and di by step", ("p7",), _tones("so,", "mi'", "fi", "te", "di"), (_TONIC, _DOMINANT),
        ("do so", "so do'", "so, do"),
    ),
)  # fmt: skip
RHYTHM = (
    Rung("r1", "rhythm", "quarters and halves", figures=_R1, meters=_TWO_FOUR),
    Rung("r2", "rhythm", "two eighths, beat rest", ("r1",), figures=_R2, meters=_TWO_FOUR),
    Rung("r0", "rhythm", "long tones only, to the whole", ("r1",), figures=_LONG, meters=("4/4",)),
    Rung("r3", "rhythm", "dotted half, whole, three beats", ("r2", "r0"), figures=_R3, meters=_THREE_FOUR),
    Rung("r4", "rhythm", "dotted quarter with eighth", ("r3",), figures=_R4, meters=_THREE_FOUR),
    Rung("r5", "rhythm", "four sixteenths", ("r4",), figures=_R5, meters=_THREE_FOUR),
    Rung("r6", "rhythm", "syncopation, upbeat", ("r5",), figures=_R6, meters=_THREE_FOUR),
    Rung("r7", "rhythm", "dotted eighth with sixteenth", ("r6",), figures=_R7, meters=_THREE_FOUR),
)
PARTS = (
    Rung("v1", "parts", "one part", parts=1),
    Rung("v2", "parts", "two parts", ("v1",), parts=2),
    Rung("v3", "parts", "three parts", ("v2",), parts=3),
)
# What no level has: taken up wherever a school wants it, alone or as part of a level of its own.
SIGNS = (
    Rung("clefs", "signs", "treble and bass clef", prompt="Which line does the clef name?", shown="the two clefs"),
    Rung("places", "signs", "letter names of the places", prompt="What is the line called that do stands on?", shown="the staff with its letters"),
    Rung("values", "signs", "note values and what the meter says", prompt="Which note is the beat here?", shown="the meter at the head of the line"),
    Rung("upbeat", "signs", "upbeat, in one part", prompt="On which beat do we begin?", shown="a line that begins before its bar"),
    Rung("minor", "signs", "resting on la, in one part", prompt="Which tone is home?", shown="a line that ends on la"),
    Rung("six", "signs", "six eighths", prompt="Where do you sway?", shown="a line in six eighths"),
    Rung("tie", "signs", "a tie over the bar line", prompt="Which tone goes on into the next bar?", shown="a tie over a bar line"),
    Rung("loudness", "signs", "loudness marks", prompt="Where does it grow, and how far?", shown="the marks under the line"),
    Rung("newkey", "signs", "do moves in the middle", prompt="Where is do from here on?", shown="the double bar with its new signature"),
)  # fmt: skip
RUNGS: dict[str, Rung] = {rung.key: rung for rung in (*PITCH, *RHYTHM, *PARTS, *SIGNS)}
_OWN = re.compile(r"reading-(p\d)-(r\d)-(v\d)((?:-[a-z]+)*)")
_SIGN = "read-"

# The twelve levels by number: pitch, rhythm and parts. Their keys are older than their rungs.
TWELVE: dict[str, tuple[str, str, str]] = {
    "reading-1": ("p1", "r1", "v1"),
    "reading-2": ("p2", "r2", "v1"),
    "reading-3": ("p3", "r3", "v1"),
    "reading-4": ("p2", "r0", "v2"),
    "reading-5": ("p4", "r3", "v2"),
    "reading-6": ("p5", "r4", "v1"),
    "reading-7": ("p5", "r4", "v2"),
    "reading-8": ("p5", "r3", "v3"),
    "reading-9": ("p6", "r5", "v3"),
    "reading-10": ("p7", "r6", "v3"),
    "reading-11": ("p8", "r6", "v3"),
    "reading-12": ("p9", "r7", "v3"),
}
_KEY_OF = {rungs: key for key, rungs in TWELVE.items()}


def may_skip(triads: Iterable[str], one: Degree, two: Degree) -> bool:
    """A skip lies between two neighbours of a triad, in every octave."""
    pair = {one.syllable, two.syllable}
    return any(pair in ({low, mid}, {mid, high}) for low, mid, high in map(str.split, triads))


def may_leap(pairs: Iterable[str], one: Degree, two: Degree) -> bool:
    """A leap is one of those named, in just these octaves."""
    return any({str(one), str(two)} == set(pair.split()) for pair in pairs)


def level_key(pitch: str, rhythm: str, parts: str, *signs: str) -> ConceptKey:
    """The key of a level that stands on these rungs.

    >>> level_key("p5", "r4", "v1"), level_key("p4", "r3", "v1"), level_key("p5", "r4", "v1", "tie")
    ('reading-6', 'reading-p4-r3-v1', 'reading-p5-r4-v1-tie')
    """
    known = _KEY_OF.get((pitch, rhythm, parts))
    own = "-".join(["reading", pitch, rhythm, parts, *sorted(signs)])
    return ConceptKey(known if known and not signs else own)


def sign_key(rung: str) -> ConceptKey:
    """The key of a rung that is taken up by itself."""
    return ConceptKey(_SIGN + rung)


@cache
def rungs_of(key: str) -> tuple[Rung, ...]:
    """The rungs of a level, or the one rung taken up by itself; nothing where the key is another concept's.

    >>> [rung.name for rung in rungs_of("reading-4")]
    ['do to so in steps', 'long tones only, to the whole', 'two parts']
    """
    if key in TWELVE:
        return tuple(RUNGS[one] for one in TWELVE[key])
    found = _OWN.fullmatch(key)
    names = [*found.groups()[:3], *found[4].split("-")[1:]] if found else [key.removeprefix(_SIGN)]
    known = [RUNGS.get(name) for name in names]
    if not found and (not key.startswith(_SIGN) or known[0] is None or known[0].strand != "signs"):
        return ()
    return tuple(rung for rung in known if rung) if all(known) else ()


def is_level(key: str) -> bool:
    """Whether it is a level of reading: a rung of each of pitch, rhythm and parts."""
    return len(rungs_of(key)) >= len(BREAKS)


def breaks_of(key: str) -> tuple[Broke, ...]:
    """Where a reading of this level can break; in one part nobody loses the own one.

    >>> breaks_of("reading-1"), breaks_of("reading-4"), breaks_of("do")
    (('pitch', 'rhythm'), ('pitch', 'rhythm', 'parts'), ())
    """
    if not is_level(key):
        return ()
    alone = any(rung.parts == 1 for rung in rungs_of(key))
    return BREAKS[:2] if alone else BREAKS


def step_key(rungs: Iterable[str]) -> ConceptKey:
    """The key of a step from its rungs: pitch, rhythm, parts and perhaps signs, or one sign alone;
    SequenceError for anything else.

    >>> step_key(["v2", "p2", "r0"]), step_key(["tie"])
    ('reading-4', 'read-tie')
    """
    named = list(rungs)
    by_strand: dict[str, list[str]] = {"pitch": [], "rhythm": [], "parts": [], "signs": []}
    for name in named:
        if name not in RUNGS:
            raise SequenceError("ladder_step_unknown", text=name, value=name)
        by_strand[RUNGS[name].strand].append(name)
    signs = dict.fromkeys(by_strand["signs"])
    if len(named) == len(signs) == 1:
        return sign_key(named[0])
    if any(len(by_strand[strand]) != 1 for strand in BREAKS):
        raise SequenceError("ladder_level_needs", value=named)
    return level_key(by_strand["pitch"][0], by_strand["rhythm"][0], by_strand["parts"][0], *signs)


def checked(key: str) -> tuple[Rung, ...]:
    """The rungs of a step of the ladder; SequenceError where it names none."""
    found = rungs_of(key)
    if not found:
        raise SequenceError("ladder_step_unknown", text=key, value=key)
    return found


def holds(rung: Rung) -> tuple[Rung, ...]:
    """The rung and all beneath it.

    >>> [one.key for one in holds(RUNGS["r3"])]
    ['r3', 'r2', 'r1', 'r0']
    """
    found: dict[str, Rung] = {rung.key: rung}
    for key in rung.beneath:
        found |= {one.key: one for one in holds(RUNGS[key])}
    return tuple(found.values())


def new_in(key: str, before: Iterable[str]) -> tuple[Rung, ...]:
    """The rungs of a level that no step before it has had, alone or beneath another."""
    had = {one.key for step in before for rung in rungs_of(step) for one in holds(rung)}
    return tuple(rung for rung in rungs_of(key) if rung.key not in had)
