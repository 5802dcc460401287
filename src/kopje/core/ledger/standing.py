"""A child's standing in a concept: a rule that can be read aloud. Source: docs/sources.md#standing."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date
from typing import Literal

from kopje.core.ledger.marks import Mark
from kopje.core.ledger.rules import AS_SHIPPED, LedgerRules
from kopje.core.reasons import Reason, because, listed
from kopje.core.sequence.concepts import Concept, Way

Level = Literal["not_heard", "not_yet", "nearly", "once", "secure"]
ORDER: tuple[Level, ...] = ("not_heard", "not_yet", "nearly", "once", "secure")
YOUNG = 1  # concepts of kindergarten and grade 1 may be shown in any way


@dataclass(frozen=True, slots=True)
class Standing:
    """How far a child is, why, and the marks it was read from (newest first). Nothing in it depends on today.

    `once`: showed it once. `partly`: heard in one way that counts and not in another, so not heard as a
    whole. `last_full`: the day of the last mark made alone and without help, from which it is told whether
    it is due."""

    level: Level
    reasons: tuple[Reason, ...]
    partly: bool = False
    last_full: date | None = None
    marks: tuple[Mark, ...] = ()


NOT_HEARD = Standing("not_heard", (because("standing_not_heard"),))


def any_way(concept: Concept) -> bool:
    """The concept's grade decides, not the child's."""
    return concept.grade <= YOUNG


def standing(concept: Concept, marks: Iterable[Mark], rules: LedgerRules = AS_SHIPPED) -> Standing:
    """The weakest of the ways that the concept names; for concepts of K and 1 all ways form one row.

    Heard in one way and not yet in another is not heard, and `partly`: nobody listened for the other way, so
    the child is in no count, but what was heard is seen."""
    mine = [mark for mark in marks if mark.concept == concept.key]
    if any_way(concept):
        return of_one_row(last_of_each_day(mine, one_row=True), rules)
    every = {way: _in_way(way, one) for way, one in by_way(concept, mine, rules)}
    found = [every[way] for way in concept.ways]
    weakest = min(found, key=lambda one: (ORDER.index(one.level), one.last_full or date.max))
    heard = [one for one in every.values() if one.marks]
    if weakest.level == "not_heard" and heard:
        said = tuple(reason for one in (*heard, weakest) for reason in one.reasons)
        return Standing("not_heard", said, True, None, heard[0].marks)
    return weakest


def by_way(
    concept: Concept, marks: Sequence[Mark], rules: LedgerRules = AS_SHIPPED
) -> tuple[tuple[Way, Standing], ...]:
    """The ways that count, then others that were heard, each judged alone."""
    ways = dict.fromkeys([*concept.ways, *(mark.way for mark in marks)])
    return tuple(
        (way, of_one_row(last_of_each_day([m for m in marks if m.way == way]), rules)) for way in ways
    )


def _in_way(way: Way, one: Standing) -> Standing:
    said = tuple(because("standing_in_way", way=way, said=reason) for reason in one.reasons)
    return Standing(one.level, said, one.partly, one.last_full, one.marks)


def last_of_each_day(marks: Iterable[Mark], one_row: bool = False) -> list[Mark]:
    """Of several marks on one day with the same way, voices and help the last one counts, oldest first.

    `one_row`: of all full marks of a day, whatever the way, only the last.
    """
    kept: dict[tuple[object, ...], Mark] = {}
    for mark in sorted(marks, key=lambda mark: mark.order):
        key = (mark.day,) if one_row and mark.full else (mark.day, mark.way, mark.voices, mark.help)
        kept[key] = mark
    return sorted(kept.values(), key=lambda mark: mark.order)


def of_one_row(marks: Sequence[Mark], rules: LedgerRules = AS_SHIPPED) -> Standing:
    """The rule itself, for the marks of one child and concept, oldest first."""
    heard = [mark for mark in marks if mark.full or mark.half]
    if not heard:
        return NOT_HEARD
    full = [mark for mark in heard if mark.full]
    last_full = full[-1].day if full else None
    level, reason = _level(full, heard, rules)
    return Standing(level, (reason,), False, last_full, tuple(reversed(heard)))


def _level(full: Sequence[Mark], heard: Sequence[Mark], rules: LedgerRules) -> tuple[Level, Reason]:
    if _secure(full, heard, rules):
        good = [mark.day for mark in full[-rules.newest :] if mark.result == "secure"]
        return "secure", because("standing_secure", days=listed(map(_day, good[-2:])))
    if len(full) == 1 and full[0].result == "secure" and not _doubted(full[0], heard):
        return "once", because("standing_once", day=full[0].day)
    last = heard[-rules.newest :]
    good_ones = sum(mark.result in ("secure", "nearly") for mark in last)
    newest = last[-1].result
    if newest != "not_yet" or 2 * good_ones >= len(last):
        return "nearly", because("standing_nearly", result=newest, count=len(full))
    return "not_yet", because("standing_not_yet", day=last[-1].day, good=good_ones, count=len(last))


def _day(day: date) -> Reason:
    return because("day_short", day=day)


def _secure(full: Sequence[Mark], heard: Sequence[Mark], rules: LedgerRules) -> bool:
    last = full[-rules.newest :]
    enough = bool(last) and last[-1].result == "secure"
    enough = enough and sum(mark.result == "secure" for mark in last) >= rules.good
    return enough and not _doubted(last[-1], heard)


def _doubted(mark: Mark, heard: Sequence[Mark]) -> bool:
    """A half “not yet” came after it."""
    return any(one.half and one.result == "not_yet" and one.order > mark.order for one in heard)


def due_before(weeks_met: Iterable[date], since: date | None, weeks: int = AS_SHIPPED.weeks) -> date | None:
    """What was last heard alone before this day is due: the first of the last `weeks` weeks in which a
    section of the child met (`weeks_met` holds Mondays), or the first day of this school year where there
    was one before."""
    recent = sorted(set(weeks_met))[-weeks:]
    tenth = recent[0] if len(recent) == weeks else None
    return max((day for day in (tenth, since) if day is not None), default=None)


def last_alone(marks: Iterable[Mark]) -> date | None:
    """The last day somebody listened to the child alone, with help or without."""
    return max((mark.day for mark in marks if mark.voices == "alone"), default=None)


def is_due(level: str, last_full: date | None, before: date | None) -> bool:
    """Secure or shown once, and not heard alone since."""
    return level in ("secure", "once") and last_full is not None and before is not None and last_full < before


def counts_as_secure(level: str, due: bool) -> bool:
    """For the section's readiness: secure, or shown once and not yet due."""
    return level == "secure" or (level == "once" and not due)


def reasons_today(reasons: Sequence[Reason], last_full: date | None, due: bool) -> tuple[Reason, ...]:
    """Why, with what only today knows."""
    return (*reasons, because("standing_due", day=last_full)) if due and last_full else tuple(reasons)
