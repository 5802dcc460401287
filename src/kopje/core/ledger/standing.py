"""A child's standing in a concept: a rule that can be read aloud. Source: docs/sources.md#standing."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date
from typing import Literal

from kopje.core.ledger.marks import Mark
from kopje.core.reasons import counted
from kopje.core.sequence.concepts import Concept, Way

Level = Literal["not_heard", "not_yet", "nearly", "secure"]
Flag = Literal["", "once", "due", "partly"]
ORDER: tuple[Level, ...] = ("not_heard", "not_yet", "nearly", "secure")
NEWEST = 3
DUE_AFTER_WEEKS = 10


@dataclass(frozen=True, slots=True)
class Standing:
    """Level, flag, one sentence, and the marks it was read from (newest first)."""

    level: Level
    flag: Flag
    sentence: str
    marks: tuple[Mark, ...] = ()

    @property
    def counts_as_secure(self) -> bool:
        """For the section's readiness."""
        return self.level == "secure" or self.flag == "once"


NOT_HEARD = Standing("not_heard", "", "Not heard yet.")


def standing(
    concept: Concept,
    marks: Iterable[Mark],
    *,
    any_way: bool,
    weeks_met: Sequence[date] = (),
    since: date | None = None,
) -> Standing:
    """The weakest of the ways that the concept names; in K-1 (`any_way`) whichever way was shown.

    Heard in one way and not yet in another is not heard, flagged `partly`: nobody listened for the other way,
    so the child is in no count, but what was heard is seen. `since` is the first day of this school year, where there was one before; `weeks_met` holds the first day of each week in which the section met.
    """
    mine = [mark for mark in marks if mark.concept == concept.key]
    if any_way:
        return of_one_way([mark for mark in mine if mark.way], weeks_met, since)
    every = {
        way: _told(way, of_one_way([m for m in mine if m.way == way], weeks_met, since))
        for way in dict.fromkeys([*concept.ways, *(mark.way for mark in mine)])
    }
    found = [every[way] for way in concept.ways]
    weakest = min(found, key=lambda one: (ORDER.index(one.level), one.flag != "once", one.flag != "due"))
    heard = [one for one in every.values() if one.marks]
    if weakest.level == "not_heard" and heard:
        said = " ".join(one.sentence for one in (*heard, weakest))
        return Standing("not_heard", "partly", said, heard[0].marks)
    return weakest


def _told(way: Way, one: Standing) -> Standing:
    names = {"hear": "Hearing it", "sing": "Singing it", "read": "Reading it", "write": "Writing it",
             "create": "Making with it"}  # fmt: skip
    return Standing(
        one.level, one.flag, f"{names[way]}: {one.sentence[0].lower()}{one.sentence[1:]}", one.marks
    )


def last_of_each_day(marks: Iterable[Mark]) -> list[Mark]:
    """Several marks with the same way, voices and help on one day count as the last; oldest first."""
    kept: dict[tuple[object, ...], Mark] = {}
    for mark in sorted(marks, key=lambda mark: mark.moment):
        kept[mark.day, mark.way, mark.voices, mark.help] = mark
    return sorted(kept.values(), key=lambda mark: mark.moment)


def of_one_way(marks: Iterable[Mark], weeks_met: Sequence[date] = (), since: date | None = None) -> Standing:
    """The rule itself, for the marks of one child, concept and way."""
    counted_marks = [mark for mark in last_of_each_day(marks) if mark.full or mark.half]
    if not counted_marks:
        return NOT_HEARD
    full = [mark for mark in counted_marks if mark.full]
    newest_first = tuple(reversed(counted_marks))
    if _secure(full, counted_marks):
        if _due(full, weeks_met, since):
            said = f"Secure, but not heard alone since {full[-1].day:%-d %b}."
            return Standing("secure", "due", said, newest_first)
        return Standing("secure", "", _days(full), newest_first)
    if len(full) == 1 and full[0].result == "secure" and all(m.result == "secure" for m in counted_marks):
        return Standing(
            "nearly", "once", f"Heard once alone ({full[0].day:%-d %b}), and it was secure.", newest_first
        )
    last = counted_marks[-NEWEST:]
    good = sum(mark.result in ("secure", "nearly") for mark in last)
    newest = last[-1].result
    if newest != "not_yet" or 2 * good >= len(last):
        return Standing("nearly", "", _nearly(newest, full), newest_first)
    return Standing(
        "not_yet",
        "",
        f"Not yet on {last[-1].day:%-d %b}; {good} of the last {len(last)} went well.",
        newest_first,
    )


def _secure(full: Sequence[Mark], every: Sequence[Mark]) -> bool:
    last = full[-NEWEST:]
    enough = sum(mark.result == "secure" for mark in last) >= 2 and last[-1].result == "secure"
    return enough and not any(
        mark.half and mark.result == "not_yet" and mark.moment > last[-1].moment for mark in every
    )


def _due(full: Sequence[Mark], weeks_met: Sequence[date], since: date | None) -> bool:
    """Not heard alone in this school year, or not in the last ten weeks in which the section met."""
    if since is not None and full[-1].day < since:
        return True
    recent = sorted(set(weeks_met))[-DUE_AFTER_WEEKS:]
    return len(recent) == DUE_AFTER_WEEKS and full[-1].day < recent[0]


def _days(full: Sequence[Mark]) -> str:
    good = [mark for mark in full[-NEWEST:] if mark.result == "secure"]
    days = " and ".join(f"{mark.day:%-d %b}" for mark in good[-2:])
    return f"Secure alone on {days}."


def _nearly(newest: str, full: Sequence[Mark]) -> str:
    alone = f"heard alone {counted(len(full), 'time')}" if full else "never yet heard alone without help"
    said = {"secure": "secure last time", "nearly": "nearly last time", "not_yet": "not yet last time"}[
        newest
    ]
    return f"Nearly: {said}, {alone}."
