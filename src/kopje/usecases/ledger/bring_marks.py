"""Marks from a table: each becomes an event apart from any lesson, once however often the table is
brought."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime, time
from uuid import NAMESPACE_URL, UUID, uuid5

from kopje.core.names import look
from kopje.core.reasons import Reason, because
from kopje.formats.marks_table import MarkRow, MarksTable
from kopje.store import events, sections
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.room.take_events import MOST, Answer, ReportedEvent, take

OURS = uuid5(NAMESPACE_URL, "kopje marks from a table")


@dataclass(frozen=True, slots=True)
class Brought:
    """How many marks were taken, were there already, did not count where they come from; and each row that
    was not taken, with its sentence."""

    taken: int
    known: int
    withdrawn: int
    problems: tuple[tuple[int, Reason], ...]


def bring(ctx: Context, table: MarksTable) -> Brought:
    children = _Children(sections.every_child(ctx.session, ctx.school_id))
    problems, wanted = list(table.problems), list[tuple[MarkRow, t.Child, UUID]]()
    again: Counter[tuple[object, ...]] = Counter()
    for row in table.rows:
        child = children.of(row)
        if child is None:
            problems.append((row.line, because("marks_child", "bars", name=row.name or row.child_id)))
            continue
        same = (child.id, row.concept, row.way, row.voices, row.help, row.result, row.day)
        wanted.append((row, child, uuid5(OURS, f"{ctx.school_id} {same} {again[same]}")))
        again[same] += 1
    there = set(map(str, events.known(ctx.session, [key for _, _, key in wanted])))
    there |= set(
        map(str, events.known(ctx.session, [UUID(row.id) for row, _, _ in wanted if _is_id(row.id)]))
    )
    fresh = [one for one in wanted if str(one[2]) not in there and one[0].id not in there]
    taken = 0
    for start in range(0, len(fresh), MOST):
        some = fresh[start : start + MOST]
        for (row, _, _), answer in zip(some, _take(ctx, some), strict=True):
            if answer.outcome in ("taken", "known"):
                taken += 1
            else:
                problems.append((row.line, answer.reason or because("marks_row", "bars")))
    return Brought(
        taken, len(wanted) - len(fresh), table.withdrawn, tuple(sorted(problems, key=lambda p: p[0]))
    )


def _take(ctx: Context, some: Sequence[tuple[MarkRow, t.Child, UUID]]) -> Sequence[Answer]:
    reported = [
        ReportedEvent(
            key,
            "marked",
            child.section_id,
            child.section_id,
            datetime.combine(row.day, time(12), ctx.now.tzinfo),
            key,
            0,
            child.id,
            body={
                "concept": row.concept,
                "way": row.way,
                "voices": row.voices,
                "help": row.help,
                "result": row.result,
                "day": row.day.isoformat(),
            },
        )
        for row, child, key in some
    ]
    return take(ctx, ctx.now, reported).answers


def _is_id(text: str) -> bool:
    try:
        UUID(text)
    except ValueError:
        return False
    return True


class _Children:
    """The school's children, by id and by name in their class."""

    def __init__(self, every: Sequence[tuple[t.Child, str]]) -> None:
        self._by_id = {str(child.id): child for child, _ in every}
        self._named: dict[tuple[str, str], list[t.Child]] = {}
        for child, section in every:
            for place in (look(section), ""):
                self._named.setdefault((place, look(child.name)), []).append(child)

    def of(self, row: MarkRow) -> t.Child | None:
        """None where nobody, or more than one, is meant."""
        if row.child_id in self._by_id:
            return self._by_id[row.child_id]
        found = self._named.get((look(row.section), look(row.name)), [])
        return found[0] if len(found) == 1 else None
