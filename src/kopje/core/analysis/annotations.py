"""The teacher's word about a song; what is not said is worked out. It always wins, and all else follows from
it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Any

from kopje.core.analysis.repairs import How, repaired
from kopje.core.errors import TuneError
from kopje.core.exact import Fraction, parsed
from kopje.core.music.degree import Do, plain_do
from kopje.core.music.tune import Tune
from kopje.core.reasons import Listed, Tone, because

RESTING = ("do", "re", "mi", "fa", "so", "la")
BEATS = {"1/2": "eighths", "1": "quarters", "3/2": "dotted_quarters", "2": "halves", "3": "dotted_halves"}
MOST = 64


@dataclass(frozen=True)
class Annotations:
    """`do` is a letter, `beat` a length in quarters, `phrases` the bars in which phrases begin (after the
    first one), `labels` one letter with primes for each phrase, `repairs` how bars that do not add up are
    mended, `has` and `lacks` concepts that the song is said to have or not to have. `sung`: do as it is
    sung, where that is not the printed key."""

    do: Do | None = None
    resting: str | None = None
    beat: Fraction | None = None
    phrases: tuple[int, ...] = ()
    labels: tuple[str, ...] = ()
    repairs: tuple[tuple[int, How], ...] = ()
    has: frozenset[str] = frozenset()
    lacks: frozenset[str] = frozenset()
    sung: Do | None = None


NOTHING = Annotations()


def annotations_of(values: Mapping[str, Any]) -> Annotations:
    """From plain values; TuneError says what cannot be meant."""
    do, resting, beat = values.get("do"), values.get("resting"), values.get("beat")
    if resting is not None and resting not in RESTING:
        tones = Listed(tuple(map(Tone, RESTING)), by="comma")
        raise TuneError("song_rests_on", tones=tones, value=resting)
    if beat is not None and beat not in BEATS:
        beats = Listed(tuple(because(f"beat_in_{one}") for one in BEATS.values()), by="comma")
        raise TuneError("song_beat", beats=beats, value=beat)
    phrases = tuple(sorted({int(bar) for bar in values.get("phrases") or ()}))
    labels = tuple(str(label) for label in values.get("labels") or ())
    if len(phrases) > MOST or len(labels) > MOST:
        raise TuneError("song_phrases", most=MOST)
    repairs = tuple(sorted((int(bar), how) for bar, how in (values.get("repairs") or {}).items()))
    has, lacks = frozenset(values.get("has") or ()), frozenset(values.get("lacks") or ())
    if has & lacks:
        raise TuneError("song_has_and_lacks", value=sorted(has & lacks))
    return Annotations(
        plain_do(do) if do else None,
        resting,
        parsed(beat) if beat else None,
        phrases,
        labels,
        repairs,
        has,
        lacks,
        plain_do(values["sung"]) if values.get("sung") else None,
    )


def counted(tune: Tune, annotations: Annotations) -> Tune:
    """The tune with bars mended as said, and the beat that the teacher counts."""
    if annotations.repairs:
        tune = repaired(tune, dict(annotations.repairs))
    if annotations.beat is None:
        return tune
    bars = tuple(replace(bar, meter=replace(bar.meter, told_beat=annotations.beat)) for bar in tune.bars)
    return replace(tune, bars=bars)
