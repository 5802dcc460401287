"""The teacher's word about a song; what is not said is worked out. It always wins, and all else follows from it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Any

from kopje.core.analysis.repairs import How, repaired
from kopje.core.errors import TuneError
from kopje.core.exact import Fraction, parsed
from kopje.core.music.degree import Do, plain_do
from kopje.core.music.tune import Tune

RESTING = ("do", "re", "mi", "fa", "so", "la")
BEATS = {
    "1/2": "in eighths",
    "1": "in quarters",
    "3/2": "in dotted quarters",
    "2": "in halves",
    "3": "in dotted halves",
}
MOST = 64


@dataclass(frozen=True)
class Told:
    """`do` is a letter, `beat` a length in quarters, `phrases` the bars in which phrases begin (after the first one),
    `labels` one letter with primes for each phrase, `repairs` how bars that do not add up are mended, `has` and `lacks` concepts
    that the song is said to have or not to have. `sung`: do as it is sung, where that is not the printed key."""

    do: Do | None = None
    resting: str | None = None
    beat: Fraction | None = None
    phrases: tuple[int, ...] = ()
    labels: tuple[str, ...] = ()
    repairs: tuple[tuple[int, How], ...] = ()
    has: frozenset[str] = frozenset()
    lacks: frozenset[str] = frozenset()
    sung: Do | None = None


NOTHING = Told()


def told_of(values: Mapping[str, Any]) -> Told:
    """From plain values; TuneError says what cannot be meant."""
    do, resting, beat = values.get("do"), values.get("resting"), values.get("beat")
    if resting is not None and resting not in RESTING:
        raise TuneError(f"A song can rest on {', '.join(RESTING)}. Nothing was changed.", value=resting)
    if beat is not None and beat not in BEATS:
        raise TuneError(f"A beat is one of {', '.join(BEATS.values())}. Nothing was changed.", value=beat)
    phrases = tuple(sorted({int(bar) for bar in values.get("phrases") or ()}))
    labels = tuple(str(label) for label in values.get("labels") or ())
    if len(phrases) > MOST or len(labels) > MOST:
        raise TuneError(f"A song has at most {MOST} phrases here. Nothing was changed.")
    repairs = tuple(sorted((int(bar), how) for bar, how in (values.get("repairs") or {}).items()))
    has, lacks = frozenset(values.get("has") or ()), frozenset(values.get("lacks") or ())
    if has & lacks:
        raise TuneError(
            "A song cannot both have a concept and lack it. Nothing was changed.", value=sorted(has & lacks)
        )
    return Told(
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


def counted(tune: Tune, told: Told) -> Tune:
    """The tune with bars mended as said, and the beat that the teacher counts."""
    if told.repairs:
        tune = repaired(tune, dict(told.repairs))
    if told.beat is None:
        return tune
    bars = tuple(replace(bar, meter=replace(bar.meter, told_beat=told.beat)) for bar in tune.bars)
    return replace(tune, bars=bars)
