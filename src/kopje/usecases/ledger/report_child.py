"""The report on a child: put together from standings and evidence, changed by the teacher, kept by number."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from uuid import UUID

from kopje.core.errors import ReportError
from kopje.core.ledger.report import BLOCKS, BlockKey, blocks, filled, own_words
from kopje.core.reasons import listed
from kopje.engraving.report_paper import ReportSheet
from kopje.store import people, reports, sections
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.ledger.read_child import ChildNow, child_now


@dataclass(frozen=True, slots=True)
class Said:
    """One block of a report as it is read."""

    key: BlockKey
    heading: str
    text: str


@dataclass(frozen=True, slots=True)
class Version:
    number: int
    made: datetime
    by: str


@dataclass(frozen=True)
class ReportNow:
    """`blocks` as they were kept last, else as they are put together now; `fresh` as they would be put
    together now; `kept` what was kept before, the latest first."""

    child: t.Child
    section: str
    blocks: tuple[Said, ...]
    fresh: tuple[Said, ...]
    kept: tuple[Version, ...]


def report(ctx: Context, child_id: UUID) -> ReportNow:
    return _report(ctx, child_now(ctx, child_id), _words(ctx))


def _words(ctx: Context) -> Mapping[str, str]:
    return people.school(ctx.session, ctx.school_id).report_words


def _report(ctx: Context, now: ChildNow, own: Mapping[str, str]) -> ReportNow:
    fresh = _put_together(ctx, now, own)
    kept = reports.of_child(ctx.session, now.child.id)
    last = kept[0][0] if kept else None
    said = tuple(_said(ctx, one["key"], one["text"]) for one in last.blocks) if last else fresh
    versions = tuple(Version(row.number, row.made, by) for row, by in kept)
    return ReportNow(now.child, now.section.name, said, fresh, versions)


def _put_together(ctx: Context, now: ChildNow, own: Mapping[str, str]) -> tuple[Said, ...]:
    # Heard in one way only: neither known nor unheard, so nothing is said of it.
    told = [one for one in now.standings if one.level != "not_heard" or not one.standing.partly]
    stands = [(one.concept.name, one.level, one.due) for one in told]
    said = []
    for block in blocks(stands):
        things = ctx.words.term(listed(block.things))
        said.append(_sentence(ctx, block.key, now.child.name, things, own))
    alone = [mark for mark in now.marks if mark.body["voices"] == "alone"]
    if alone:
        things = ctx.words.word("report_heard_things", count=len(alone), day=alone[0].day)
        said.append(_sentence(ctx, "heard", now.child.name, things, own))
    if now.step is not None:
        things = ctx.words.say(now.step.reason)
        said.append(_sentence(ctx, "next", now.child.name, things, own))
    return tuple(said)


def _sentence(ctx: Context, key: BlockKey, name: str, things: str, own: Mapping[str, str]) -> Said:
    text = (
        filled(own[key], name, things)
        if key in own
        else ctx.words.word(f"report_{key}", name=name, text=things)
    )
    return _said(ctx, key, text)


def _said(ctx: Context, key: BlockKey, text: str) -> Said:
    return Said(key, ctx.words.word(f"report_head_{key}"), text)


def keep(ctx: Context, child_id: UUID, texts: Mapping[str, str]) -> ReportNow:
    """Keep the blocks as the teacher wants them said, under the next number; a block without words is left
    out. What was kept before stays."""
    child = sections.child(ctx.session, ctx.school_id, child_id)
    strange = sorted(set(texts) - set(BLOCKS))
    if strange:
        raise ReportError("report_no_block", key=strange[0], value=strange[0])
    said = [{"key": key, "text": texts[key].strip()} for key in BLOCKS if texts.get(key, "").strip()]
    number = max((row.number for row, _ in reports.of_child(ctx.session, child.id)), default=0) + 1
    ctx.session.add(
        t.Report(
            id=ctx.new_id(),
            school_id=ctx.school_id,
            child_id=child.id,
            teacher_id=ctx.teacher_id,
            made=ctx.now,
            number=number,
            blocks=said,
        )
    )
    ctx.session.flush()
    return report(ctx, child_id)


def words(ctx: Context) -> dict[str, tuple[str, str]]:
    """By block: what the school says, empty where as shipped, and what is shipped, with its blanks."""
    own = _words(ctx)
    shipped = {key: ctx.words.word(f"report_{key}", name="{name}", text="{things}") for key in BLOCKS}
    return {key: (own.get(key, ""), shipped[key]) for key in BLOCKS}


def set_words(ctx: Context, given: Mapping[str, str]) -> dict[str, tuple[str, str]]:
    people.school(ctx.session, ctx.school_id).report_words = own_words(given)
    ctx.session.flush()
    return words(ctx)


def of_section(ctx: Context, section_id: UUID) -> tuple[ReportNow, ...]:
    """Of everybody on the roll, by name."""
    own = _words(ctx)
    roll = sections.roll(ctx.session, section_id, ctx.today)
    if not roll:
        sections.section(ctx.session, ctx.school_id, section_id)
    return tuple(_report(ctx, child_now(ctx, one.id), own) for one in roll)


def sheet(ctx: Context, found: ReportNow) -> ReportSheet:
    """On paper: one page, and no other child on it."""
    school = people.school(ctx.session, ctx.school_id).name
    lead = ctx.words.word("report_lead", section=found.section, school=school, day=ctx.today)
    blocks_ = tuple((one.heading, one.text) for one in found.blocks)
    return ReportSheet(found.child.name, lead, blocks_, ctx.words.word("report_foot"))


def headings(ctx: Context) -> dict[str, str]:
    return {key: ctx.words.word(f"report_head_{key}") for key in BLOCKS}


def table(ctx: Context, found: Sequence[ReportNow]) -> tuple[list[str], list[list[str]]]:
    """A head and a row for each child."""
    names = headings(ctx)
    head = [ctx.words.word("report_column_name"), ctx.words.word("report_column_section"), *names.values()]
    rows = []
    for one in found:
        said = {block.key: block.text for block in one.blocks}
        rows.append([one.child.name, one.section, *(said.get(key, "") for key in BLOCKS)])
    return head, rows
