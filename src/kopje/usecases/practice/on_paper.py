"""Exercises on paper: a set of different ones, and their key."""

from __future__ import annotations

from uuid import UUID

from kopje.core.errors import PracticeError
from kopje.core.practice.reading.given import Wish
from kopje.core.reasons import Named
from kopje.engraving.printing import Sheet
from kopje.engraving.render import Engraver
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.practice.exercises import Drawn, mei_of, next_exercise, score_of

WIDTH = 1800  # tenths of a millimetre
MOST = 30


def printed_set(ctx: Context, section_id: UUID, wish: Wish, count: int, engraver: Engraver) -> list[Sheet]:
    """A sheet of exercises that nobody here has read, and one with their key. They count as given; fewer are
    printed where nothing new is left."""
    rows: list[t.Exercise] = []
    for _ in range(count):
        try:
            rows.append(next_exercise(ctx, section_id, wish).exercise)
        except PracticeError:
            if not rows:
                raise
            break
    title = ctx.words.word("paper_set", name=ctx.words.term(Named(wish.due)))
    lead = ctx.words.word("paper_set_lead", count=len(rows))
    key = ctx.words.word("paper_set_key_lead")
    return [
        Sheet(title, lead, tuple(_picture(ctx, row, engraver, False) for row in rows)),
        Sheet(
            ctx.words.word("paper_set_key", name=title),
            key,
            tuple(_picture(ctx, row, engraver, True) for row in rows),
        ),
    ]


def _picture(ctx: Context, row: t.Exercise, engraver: Engraver, key: bool) -> tuple[str, str]:
    rhythm = row.wish["sort"] == "rhythm"
    svg = engraver.svg(mei_of(ctx, row, Drawn(0, "every" if key else "none", rhythm)), WIDTH)
    return svg, score_of(row).title
