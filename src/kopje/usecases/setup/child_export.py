"""Everything that is kept of one child: for its parents, for another school, for whoever asks."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date, datetime
from typing import Any
from uuid import UUID

from kopje.core.reasons import Named, Param, Reason, unpacked
from kopje.engraving.record_paper import record_page
from kopje.store import people, privacy, reports, sections
from kopje.usecases.context import Context


@dataclass(frozen=True, slots=True)
class Told:
    """Something that was told of it: a mark, that it was absent, or that one of these was taken back. `body`
    as it is kept; `by` who told it."""

    id: UUID
    kind: str
    day: date
    moment: datetime
    section: str
    by: str | None
    concept: str | None
    target: UUID | None
    body: Mapping[str, Any]


@dataclass(frozen=True, slots=True)
class Stands:
    concept: str
    level: str
    last: date | None
    reasons: tuple[Reason, ...]


@dataclass(frozen=True, slots=True)
class KeptReport:
    number: int
    made: datetime
    by: str
    blocks: tuple[Mapping[str, str], ...]


@dataclass(frozen=True, slots=True)
class EverythingOf:
    id: UUID
    name: str
    joined: date
    left: date | None
    sections: tuple[str, ...]
    told: tuple[Told, ...]
    standings: tuple[Stands, ...]
    aside: tuple[Mapping[str, Any], ...]  # told by a device, not taken yet
    say: str
    without: tuple[str, ...]
    reports: tuple[KeptReport, ...]
    looked_at: Sequence[tuple[datetime, str, str | None]]  # when, what for, by whom


def everything_of(ctx: Context, child_id: UUID) -> EverythingOf:
    child = sections.child(ctx.session, ctx.school_id, child_id)
    inside = sections.members(ctx.session, [child_id]).get(child_id, set())
    named = [sections.section(ctx.session, ctx.school_id, one) for one in inside]
    told = [
        Told(
            one.id,
            one.kind,
            one.day,
            one.moment,
            section or "",
            by,
            one.concept,
            one.target_id,
            {key: value for key, value in one.body.items() if key not in ("part", "parts", "lesson")},
        )
        for one, by, section in privacy.events_of_child(ctx.session, child_id)
    ]
    standings = [
        Stands(row.concept, row.level or "not_heard", row.last_full, tuple(map(unpacked, row.reasons)))
        for row in privacy.standings_of_child(ctx.session, child_id)
    ]
    aside = [dict(row.event) for row in privacy.aside_of_child(ctx.session, ctx.school_id, child_id)]
    looked = [(one.moment, one.what, by) for one, by in privacy.accesses_of_child(ctx.session, child_id)]
    return EverythingOf(
        child.id,
        child.name,
        child.joined,
        child.left,
        tuple(sorted(one.name for one in named)),
        tuple(told),
        tuple(standings),
        tuple(aside),
        child.say,
        tuple(child.without),
        tuple(
            KeptReport(row.number, row.made, by, tuple(row.blocks))
            for row, by in reports.of_child(ctx.session, child_id)
        ),
        looked,
    )


def page_of(ctx: Context, child: EverythingOf) -> str:
    """The same to be read, as a page that stands by itself."""
    words = ctx.words
    left = [words.word("record_left", day=child.left)] if child.left else []
    about = [
        words.word("record_sections", text=", ".join(child.sections)),
        words.word("record_joined", day=child.joined),
        *left,
        *([words.word("record_say", text=child.say)] if child.say else []),
        *([words.word("record_without", text=_without(ctx, child.without))] if child.without else []),
    ]
    stands = [
        f"{_concept(ctx, one.concept)}: {' '.join(words.say(reason) for reason in one.reasons)}"
        for one in child.standings
    ]
    blocks = [
        ("record_about", about),
        ("record_standings", stands),
        ("record_told", [_line(ctx, one) for one in child.told]),
        ("record_looked", [_looked(ctx, *one) for one in child.looked_at]),
    ]
    if child.reports:
        blocks.insert(3, ("record_reports", [_report(ctx, one) for one in child.reports]))
    if child.aside:
        blocks.insert(3, ("record_aside", [words.word("record_aside_line", count=len(child.aside))]))
    nothing = [words.word("record_nothing")]
    school = people.school(ctx.session, ctx.school_id).name
    return record_page(
        words.word("record_title", name=child.name),
        words.word("record_lead", school=school, day=ctx.today),
        [(words.word(heading), lines or nothing) for heading, lines in blocks],
    )


def _without(ctx: Context, kinds: Sequence[str]) -> str:
    return ", ".join(ctx.words.word(f"record_without_{kind}") for kind in kinds)


def _report(ctx: Context, one: KeptReport) -> str:
    text = " ".join(block["text"] for block in one.blocks)
    day = one.made.astimezone(ctx.now.tzinfo).date()
    return ctx.words.word("record_report_line", number=one.number, day=day, by=one.by, text=text)


def _concept(ctx: Context, key: str | None) -> str:
    return ctx.words.term(Named(key)) if key in ctx.sequence.by_key else key or ""


def _line(ctx: Context, one: Told) -> str:
    params: dict[str, Param] = {"kind": one.kind, "day": one.day, "section": one.section, "by": one.by or "?"}
    if one.kind == "marked":
        params |= {name: one.body[name] for name in ("result", "way", "voices", "help")}
        return ctx.words.word("record_mark", **params, text=_concept(ctx, one.concept))
    return ctx.words.word("record_event", **params)


def _looked(ctx: Context, moment: datetime, what: str, by: str | None) -> str:
    at = moment.astimezone(ctx.now.tzinfo)
    return ctx.words.word("record_looked_line", day=at.date(), at=f"{at:%H:%M}", what=what, by=by or "?")
