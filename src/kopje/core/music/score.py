"""A score of one to four parts that sound together. Each part is a tune of its own.

Source: docs/sources.md#parts.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace

from kopje.core.exact import Fraction
from kopje.core.lazy import lazy
from kopje.core.music.tune import Bar, Note, Problem, Tune, numbered
from kopje.core.reasons import because

MOST_PARTS = 4


@dataclass(frozen=True, slots=True)
class Part:
    """One part: what its file calls it (empty if it says nothing), and its tune."""

    name: str
    tune: Tune

    @property
    def worded(self) -> bool:
        return any(note.syllables for bar in self.tune.bars for note in bar.notes)

    @property
    def pitched(self) -> bool:
        return any(note.kind == "note" for bar in self.tune.bars for note in bar.notes)


@dataclass(frozen=True)
class Score:
    """Parts in the order of the file, at most four. `lead` is the index of the one that is meant where
    nobody asks for another: the first with words, else with pitches, else the first."""

    title: str
    parts: tuple[Part, ...]
    lead: int = 0

    @classmethod
    def of(cls, title: str, parts: Sequence[Part], broken: int = 0) -> Score:
        """Of these parts the first four, the lead always among them; what is left out, and how many could
        not be read, is said in the lead's problems."""
        lead = lead_of(parts)
        kept = sorted({lead, *range(len(parts))}, key=lambda n: (n != lead, not parts[n].worded, n))
        chosen = sorted(kept[:MOST_PARTS])
        found = [parts[n] for n in chosen]
        at = chosen.index(lead)
        left = len(parts) - len(found)
        told = [Problem(None, "parts_left_out", because("read_four_parts", count=left))] if left else []
        told += _unequal(found, at)
        if broken:
            told.append(Problem(None, "part_broken", because("read_part_broken", count=broken)))
        if told:
            tune = found[at].tune
            found[at] = replace(found[at], tune=replace(tune, problems=(*tune.problems, *told)))
        return cls(title, tuple(found), at)

    @classmethod
    def solo(cls, tune: Tune) -> Score:
        return cls(tune.title, (Part("", tune),))

    @lazy
    def tune(self) -> Tune:
        """The lead's."""
        return self.parts[self.lead].tune

    def with_tunes(self, tunes: Iterable[Tune]) -> Score:
        """The same parts with other tunes, one for each."""
        parts = (replace(part, tune=tune) for part, tune in zip(self.parts, tunes, strict=True))
        return replace(self, parts=tuple(parts))


def lead_of(parts: Sequence[Part]) -> int:
    """Index of the part that is read where none is asked for."""
    for asked in ("worded", "pitched"):
        for index, part in enumerate(parts):
            if getattr(part, asked):
                return index
    return 0


def _unequal(parts: Sequence[Part], lead: int) -> list[Problem]:
    """The first bar in which a part is not as long as the lead: from there nothing said of both is sure."""
    bars = parts[lead].tune.bars
    for part in parts:
        for one, other in zip(bars, part.tune.bars, strict=False):
            if one.length != other.length:
                return [Problem(one.number, "parts_unequal", because("parts_unequal", bar=one.number))]
        if len(part.tune.bars) != len(bars):
            last = min(len(part.tune.bars), len(bars))
            number = bars[min(last, len(bars) - 1)].number
            return [Problem(number, "parts_unequal", because("parts_end_apart", bar=number))]
    return []


def silent(bar: Bar) -> Bar:
    """The bar with nothing sung in it."""
    return replace(bar, notes=(Note("rest", bar.length, fills_bar=bar.length == bar.meter.length),))


def padded(score: Score) -> Score:
    """Every part as many bars long as the longest: what ends early is silent to the end."""
    longest = max((part.tune.bars for part in score.parts), key=len)
    return score.with_tunes(
        replace(part.tune, bars=(*part.tune.bars, *map(silent, longest[len(part.tune.bars) :])))
        for part in score.parts
    )


def as_round(tune: Tune, voices: int, after: int) -> Score:
    """The tune sung as a round, twice through by each voice so that its end meets its beginning too: each
    enters `after` full bars later. Its pickup is left out."""
    bars = tuple(bar for bar in tune.bars if bar.number > 0)
    whole = 2 * tuple(replace(bar, left="single", right="single", ending="", signs=()) for bar in bars)
    blank = silent(replace(bars[0], offset=Fraction(0)))
    parts = []
    for voice in range(voices):
        before, behind = voice * after, (voices - 1 - voice) * after
        sung = (*(blank for _ in range(before)), *whole, *(blank for _ in range(behind)))
        parts.append(Part(str(voice + 1), replace(tune, bars=numbered(sung), problems=())))
    return Score(tune.title, tuple(parts))
