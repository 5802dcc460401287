"""What the school has to teach each concept with."""

from __future__ import annotations

from kopje.core.planning.coverage import Covered, coverage
from kopje.core.sequence.section_state import SectionState
from kopje.usecases.context import Context
from kopje.usecases.songs.recordings import piece_cards
from kopje.usecases.songs.songbook import cards


def read_coverage(ctx: Context) -> tuple[Covered, ...]:
    """Counted over the songbook; of a very large one over the songs that a class would be offered."""
    nobody = SectionState("", 0, ctx.sequence, frozenset(), {}, {})
    book = cards(ctx, nobody, ctx.sequence.concepts, {})
    return coverage(ctx.sequence, ctx.habits.repertoire.offered, book, piece_cards(ctx))
