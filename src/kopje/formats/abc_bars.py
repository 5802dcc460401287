"""Bars of ABC as they fill: the notes of the one that is open, its signs, and what a bar line does."""

from __future__ import annotations

from dataclasses import dataclass, field, replace

from kopje.core.music.meter import Meter
from kopje.core.music.navigation import AT_HEAD, Sign
from kopje.core.music.tune import Bar, BarLine, Note
from kopje.formats.abc_fields import KeyField
from kopje.formats.limits import MAX_BARS, check_count


@dataclass
class BarBuilder:
    """`notes` are those of the open bar; `_held` the accidentals that hold in it."""

    meter: Meter | None = None
    key: KeyField = field(default_factory=lambda: KeyField(None, {}))
    bars: list[Bar] = field(default_factory=list)
    notes: list[Note] = field(default_factory=list)
    _bar_signs: tuple[Sign, ...] = ()
    _held: dict[tuple[str, int | None], int] = field(default_factory=dict)
    _left: BarLine = "single"
    _ending: str = ""
    _tie: bool = False

    def _goes_on(self, sign: Sign) -> None:
        """What stands behind a bar line speaks of the bar before it, unless it marks a place to come to."""
        if self.notes or sign in AT_HEAD or not self.bars:
            self._bar_signs += (sign,)
        else:
            self.bars[-1] = replace(self.bars[-1], signs=(*self.bars[-1].signs, sign))

    def _tie_on(self) -> None:
        """The last tone goes on; a sign behind a bar line or at the head of a line belongs to the tone
        before it."""
        if self._tie:
            return
        bar = None if self.notes or not self.bars else self.bars[-1]
        notes = [*(bar.notes if bar else self.notes)]
        if not notes or notes[-1].kind != "note":
            return
        notes[-1] = replace(notes[-1], tie_out=True)
        self._tie = True
        if bar:
            self.bars[-1] = replace(bar, notes=tuple(notes))
        else:
            self.notes = notes

    def _bar_line(self, text: str, number: str) -> None:
        right: BarLine = "single"
        if text.startswith(":"):
            right = "repeat"
        elif "]" in text:
            right = "final"
        elif "||" in text or text == "[|":
            right = "double"
        self._close_bar(right)
        if text.endswith(":"):
            self._left = "repeat"
        self._ending = number or self._ending

    def _close_bar(self, right: BarLine) -> None:
        if self.notes:
            check_count(len(self.bars) + 1, MAX_BARS, "bars")
            meter = self.meter or Meter(4, 4)
            bar = Bar(
                tuple(self.notes),
                meter,
                self.key.key,
                left=self._left,
                right=right,
                ending=self._ending,
                signs=self._bar_signs,
            )
            self._bar_signs = ()
            self.bars.append(bar)
            self.notes, self._left, self._ending = [], "single", ""
        elif self.bars and right != "single":
            self.bars[-1] = replace(self.bars[-1], right=right)
        self._held = {}
