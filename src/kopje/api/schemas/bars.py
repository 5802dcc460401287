"""Bars for a song and its borduns, on the wire."""

from __future__ import annotations

from typing import Literal

from kopje.api.schemas.base import Read, ReasonRead
from kopje.core.instruments.barred import bars_reason, the_set
from kopje.core.instruments.bordun import Bordun, Rung, crosses, reach, told
from kopje.usecases.context import Context
from kopje.usecases.instruments.bars import SongBars


class BarRead(Read):
    """A bar of the set as it is written. `state`: lies there, is taken off, is put on. `degree`: of the tone
    that the song sounds on it; null where it does not."""

    pitch: str
    midi: int
    state: Literal["there", "off", "on"]
    degree: str | None


class BordunStroke(Read):
    beat: float
    hand: Literal["L", "R"]
    degree: str
    pitch: str
    midi: int


class BordunRead(Read):
    """One bar that is played over and over; `reason` says whether it fits the song."""

    rung: Rung
    strokes: list[BordunStroke]
    beats: int
    times: int
    reach: int
    crosses: bool
    reason: ReasonRead
    clash_bars: list[int]

    @classmethod
    def of(cls, found: Bordun, beats: int, ctx: Context) -> BordunRead:
        return cls(
            rung=found.rung,
            strokes=[
                BordunStroke(
                    beat=float(one.beat),
                    hand=one.hand,
                    degree=ctx.sequence.wording.tone(str(one.tone)),
                    pitch=str(found.pitch(one)),
                    midi=found.pitch(one).midi,
                )
                for one in found.strokes
            ],
            beats=beats,
            times=found.times,
            reach=reach(found),
            crosses=crosses(found.strokes, found.do),
            reason=ReasonRead.of(told(found), ctx.words),
            clash_bars=sorted({one.bar for one in found.clashes}),
        )


class BarsRead(Read):
    """Bars for a song, as written: what comes off and on, what is missing, where nothing needs a swap."""

    title: str
    do: str | None
    bars: list[BarRead]
    missing: list[str]
    reason: ReasonRead
    homes: list[str]
    borduns: list[BordunRead]

    @classmethod
    def of(cls, found: SongBars, ctx: Context) -> BarsRead:
        a, do = found.a, found.a.tonality.do
        said = {str(p): ctx.sequence.wording.tone(str(do.degree(p))) if do else p.name for p in found.pitches}
        return cls(
            title=a.tune.title,
            do=str(do) if do else None,
            bars=[
                BarRead(pitch=str(p), midi=p.midi, state=state, degree=said.get(str(p)))
                for p, state in the_set(found.bars)
            ],
            missing=list(found.bars.missing),
            reason=ReasonRead.of(bars_reason(found.bars), ctx.words),
            homes=list(found.homes),
            borduns=[BordunRead.of(one, a.tune.bars[0].meter.beats, ctx) for one in found.borduns],
        )
