"""Exercises and questions on paper: a set of different ones to read, to cut or to write, and their key."""

from __future__ import annotations

from dataclasses import replace
from typing import Literal
from uuid import UUID

from kopje.core.errors import PracticeError
from kopje.core.practice.asks.rounds import SEEN
from kopje.core.practice.reading.given import Wish
from kopje.core.practice.reading.routine import routine_of
from kopje.core.reasons import Named
from kopje.engraving.flat import printable
from kopje.engraving.practice_paper import CardSheet, PlaceSheet, places_svg
from kopje.engraving.printing import Page, Sheet
from kopje.engraving.render import Engraver
from kopje.store import sections
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.practice.exercises import Drawn, Empty, mei_of, next_exercise, score_of
from kopje.usecases.practice.rounds import Asked, one_note, play

WIDTH = 1800  # tenths of a millimetre
CARD = 800
MOST = 30
Form = Literal["sheet", "cards", "complete", "write"]
EMPTY: dict[Form, Empty] = {"complete": "some", "write": "all"}


def printed_set(
    ctx: Context, section_id: UUID, wish: Wish, count: int, form: Form, engraver: Engraver
) -> list[Page]:
    """A sheet of exercises that nobody here has read, and one with their key: to read, as cards to cut, with
    bars to complete, or to be written as they sound. They count as given; fewer are printed where nothing new
    is left. Where the class has it so, the last one is easier."""
    rows = _rows(ctx, section_id, wish, count)
    title = ctx.words.word("paper_set", name=ctx.words.term(Named(wish.due)))
    lead = ctx.words.word(f"paper_{form}_lead", count=len(rows))
    key_title = ctx.words.word("paper_set_key", name=title)
    key_lead = ctx.words.word("paper_set_key_lead")
    if form == "cards":
        return [
            CardSheet(title, lead, tuple(_picture(ctx, row, engraver, CARD) for row in rows)),
            CardSheet(key_title, key_lead, tuple(_key(ctx, row, engraver, CARD) for row in rows)),
        ]
    empty = EMPTY.get(form, "nothing")
    return [
        Sheet(title, lead, tuple(_picture(ctx, row, engraver, WIDTH, empty) for row in rows)),
        Sheet(key_title, key_lead, tuple(_key(ctx, row, engraver, WIDTH) for row in rows)),
    ]


def _rows(ctx: Context, section_id: UUID, wish: Wish, count: int) -> list[t.Exercise]:
    rows: list[t.Exercise] = []
    easy = routine_of(sections.section(ctx.session, ctx.school_id, section_id).reading).easy_end
    for n in range(count):
        try:
            rows.append(_one(ctx, section_id, wish, easy and count > 1 and n == count - 1))
        except PracticeError:
            if not rows:
                raise
            break
    return rows


def _one(ctx: Context, section_id: UUID, wish: Wish, easier: bool) -> t.Exercise:
    if easier:
        try:
            return next_exercise(ctx, section_id, wish, "easier").exercise
        except PracticeError:
            pass  # nothing is easier than this
    return next_exercise(ctx, section_id, wish).exercise


def _picture(
    ctx: Context, row: t.Exercise, engraver: Engraver, width: int, empty: Empty = "nothing"
) -> tuple[str, str]:
    return engraver.svg(mei_of(ctx, row, Drawn(empty=empty)), width), score_of(row).title


def _key(ctx: Context, row: t.Exercise, engraver: Engraver, width: int) -> tuple[str, str]:
    drawn = Drawn(0, "every", row.wish["sort"] == "rhythm")
    return engraver.svg(mei_of(ctx, row, drawn), width), score_of(row).title


def worksheet(ctx: Context, section_id: UUID, asked: Asked, engraver: Engraver) -> list[Page]:
    """Questions about places with room for the answers, and their key. PracticeError for other kinds: what is
    heard cannot be printed."""
    if asked.kind not in SEEN:
        raise PracticeError("round_not_printed", value=asked.kind)
    found = play(ctx, section_id, asked).round.questions
    say, wording = ctx.words.say, ctx.sequence.wording
    staves = []
    for one in found:
        if one.staff is None:
            continue
        heads = [(head.place, wording.tone(head.says) if head.says else "") for head in one.staff.heads]
        drawn = places_svg(one.staff.lines, heads, one.staff.do, wording.tone("do"))
        svg = printable(engraver.svg(one_note(one.staff), CARD)) if one.staff.clef else drawn
        staves.append((svg, say(one.says)))
    answers = tuple(say(one.choices[one.answer].says) for one in found)
    title = ctx.words.word(f"paper_round_{asked.kind}")
    sheet = PlaceSheet(title, ctx.words.word("paper_round_lead"), tuple(staves))
    key = ctx.words.word("paper_set_key", name=title)
    return [sheet, replace(sheet, title=key, lead=ctx.words.word("paper_round_key"), answers=answers)]
