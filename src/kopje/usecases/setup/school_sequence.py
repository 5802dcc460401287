"""The school's own sequence: which one counts, changing it as a new version, starting from a shipped one."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import asdict, dataclass, replace
from typing import Any
from uuid import UUID

from sqlalchemy.orm import Session

from kopje.core.choir.ladders import ladder_of, with_ladder
from kopje.core.errors import NotFoundError
from kopje.core.reasons import because
from kopje.core.sequence.concepts import Concept, Sequence
from kopje.core.sequence.shipped import SHIPPED, with_used
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from kopje.core.sequence.wording import OURS, Wording
from kopje.formats.sequence_files import concept_of, concept_values
from kopje.store import events, sequences, year
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.ledger.projections import keep_standings
from kopje.words import Words

_KEPT: dict[tuple[UUID, int, str], Sequence] = {}


def sequence_for(session: Session, school_id: UUID, number: int, words: Mapping[str, Any]) -> Sequence:
    """The sequence of a school in its own words; number 0 is the shipped one that every school
    begins with."""
    if number == 0 and not words:
        return SO_MI_FIRST
    known = (school_id, number, repr(words))
    found = _KEPT.get(known)
    if found is None:
        row = sequences.version(session, school_id, number) if number else None
        found = (_read(row) if row else SO_MI_FIRST).worded(wording_of(words))
        if len(_KEPT) > 200:
            _KEPT.clear()
        _KEPT[known] = found
    return found


def forget() -> None:
    """Read every school's sequence anew: after versions were taken away behind this process's back."""
    _KEPT.clear()


def wording_of(words: Mapping[str, Any]) -> Wording:
    """A school's words as they are kept; what is not kept is as shipped."""
    return Wording(**words)


def set_words(ctx: Context, wording: Wording) -> Words:
    """From now on everything is called so. What is stored stays as it is. The new words come back."""
    shipped, own = asdict(OURS), asdict(wording)
    year.school(ctx.session, ctx.school_id).wording = {k: v for k, v in own.items() if v != shipped[k]}
    ctx.session.flush()
    return Words(ctx.catalogue, ctx.sequence.worded(wording))


def _read(row: t.SequenceVersion) -> Sequence:
    return Sequence.of(
        row.name,
        [concept_of(values, because("at_concept", number=n)) for n, values in enumerate(row.concepts, 1)],
    )


@dataclass(frozen=True)
class Changed:
    """The sequence as kept, and what came along because it is in use."""

    sequence: Sequence
    number: int
    along: tuple[Concept, ...]


def keep(ctx: Context, sequence: Sequence) -> Changed:
    """Keep a sequence as a new version. What was taught or heard already stays in it, as optional."""
    used = events.used_concepts(ctx.session, ctx.school_id)
    whole, along = with_used(sequence, [c for c in ctx.sequence.concepts if c.key in used])
    number = sequences.newest(ctx.session, ctx.school_id) + 1
    ctx.session.add(
        t.SequenceVersion(
            id=ctx.new_id(),
            school_id=ctx.school_id,
            number=number,
            name=whole.name,
            made=ctx.now,
            concepts=[concept_values(c) for c in whole.concepts],
        )
    )
    year.school(ctx.session, ctx.school_id).sequence = number
    ctx.session.flush()
    pairs = events.marked_pairs(ctx.session, ctx.school_id)
    keep_standings(
        replace(ctx, sequence=whole.worded(ctx.sequence.wording)), pairs
    )  # other ways may count now
    return Changed(whole, number, along)


def versions(ctx: Context) -> list[t.SequenceVersion]:
    """Every version that was kept, the newest first."""
    return list(sequences.versions(ctx.session, ctx.school_id))


def number(ctx: Context) -> int:
    """The version that counts; 0 as it ships."""
    return year.school(ctx.session, ctx.school_id).sequence


def as_kept(ctx: Context) -> Sequence:
    """The sequence that counts, in the words it is kept in."""
    return sequence_for(ctx.session, ctx.school_id, number(ctx), {})


def start_from(ctx: Context, key: str) -> Changed:
    """Another sequence for the classes; the choir's ladder stays the one it has."""
    if key not in SHIPPED:
        raise NotFoundError("sequence_not_shipped", value=key)
    steps = [step.key for step in ladder_of(ctx.sequence)]
    return keep(ctx, with_ladder(SHIPPED[key], steps) if steps else SHIPPED[key])


def back_to(ctx: Context, number: int) -> Changed:
    """Make an earlier version count again (as a new one)."""
    row = sequences.version(ctx.session, ctx.school_id, number)
    if row is None:
        raise NotFoundError("sequence_no_version", value=number)
    return keep(ctx, _read(row))
