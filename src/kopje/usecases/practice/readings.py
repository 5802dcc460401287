"""What a class has read, and what follows: the help it needs, the level, the weakest interval."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from uuid import UUID

from kopje.core.choir.rungs import rungs_of
from kopje.core.ledger.events import ClassEvent, voided
from kopje.core.ledger.held import told_of_class
from kopje.core.practice.reading.evidence import (
    Advice,
    Reading,
    Shown,
    Weak,
    advice,
    help_now,
    interval_log,
    warm_up,
)
from kopje.core.practice.reading.given import Offer
from kopje.core.practice.reading.routine import Routine, routine_of
from kopje.core.reasons import Reason
from kopje.store import events, practice, sections
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.practice.exercises import moves_of, nearest_note
from kopje.usecases.practice.given import Given, given
from kopje.usecases.practice.rounds import Standing, read_alone, standings

MOST_TOLD = 5


@dataclass(frozen=True)
class OfferNow:
    """Something to read, how often it was read cleanly and in all, which help it needs, what comes next."""

    offer: Offer
    read: int
    clean: int
    help: Shown
    advice: Advice
    why: Reason


@dataclass(frozen=True)
class Practice:
    given: Given
    offers: tuple[OfferNow, ...]
    routine: Routine
    weak: tuple[Weak, ...]
    warm_up: tuple[tuple[str, ...], ...]
    rounds: tuple[Standing, ...]
    station: Standing | None
    told: tuple[ClassEvent, ...]


def practice_of(ctx: Context, section_id: UUID) -> Practice:
    here = given(ctx, section_id)
    rows = practice.of_section(ctx.session, section_id)
    read = readings(ctx, section_id, rows)
    weak = interval_log(read)
    played = events.of_kinds(ctx.session, section_id, ("round", "taken_back"))
    return Practice(
        here,
        tuple(_now(offer, read) for offer in here.offers),
        routine_of(sections.section(ctx.session, ctx.school_id, section_id).reading),
        weak,
        warm_up(weak[0].one, weak[0].two, _known(here)) if weak else (),
        tuple(standings(here, played)),
        read_alone(here, played),
        _told(ctx, section_id),
    )


def _told(ctx: Context, section_id: UUID) -> tuple[ClassEvent, ...]:
    """How the whole class did, as it was told apart from any lesson: the last first."""
    every = events.of_kinds(ctx.session, section_id, ("class_marked", "taken_back"))
    return tuple(event for event in reversed(told_of_class(every)) if event.by_hand)[:MOST_TOLD]


def _known(here: Given) -> set[str]:
    """The tones that the class can name; a choir's levels name theirs."""
    named = {tone for offer in here.offers for tone in offer.tones}
    levels = [rungs_of(offer.due)[0].tones for offer in here.offers if offer.sort == "level"]
    return named.union(*levels)


def _now(offer: Offer, read: list[Reading]) -> OfferNow:
    due = f"{offer.sort} {offer.due}"
    mine = [one for one in read if one.due == due and not one.again]
    what, why = advice(read, due)
    return OfferNow(offer, len(mine), sum(one.clean for one in mine), help_now(read, due), what, why)


def readings(ctx: Context, section_id: UUID, rows: Sequence[t.Exercise]) -> list[Reading]:
    """What was read and not taken back, in the order it happened."""
    by_id = {str(one.id): one for one in rows}
    every = events.of_kinds(ctx.session, section_id, ("read", "taken_back"))
    void = voided(every)
    found = [
        _reading(event, by_id[event.body["exercise"]])
        for event in every
        if event.kind == "read" and event.id not in void and event.body["exercise"] in by_id
    ]
    return sorted(found, key=lambda one: one.moment)


def _reading(event: ClassEvent, row: t.Exercise) -> Reading:
    body = event.body
    part = body.get("part", 0)
    moves = moves_of(row, part) if row.do else {}
    note = body.get("note")
    if note is None and body.get("bar") is not None and not body["clean"]:
        note = nearest_note(row, part, body["bar"])
    return Reading(
        event.moment,
        f"{row.wish['sort']} {row.wish['due']}",
        body["clean"],
        body.get("shown", "none"),
        body.get("modelled", False),
        body.get("again", False),
        moves.get(note) if not body["clean"] and note is not None else None,
        tuple(moves.values()),
        body.get("helped"),
    )


def set_routine(ctx: Context, section_id: UUID, routine: Routine) -> Routine:
    section = sections.section(ctx.session, ctx.school_id, section_id)
    section.reading = routine.values()
    return routine
