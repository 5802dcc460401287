"""The choir's ladder of reading: which levels it has, in which order, and which rungs are taken up by
themselves."""

from __future__ import annotations

from collections.abc import Iterable

from kopje.core.choir.ladders import with_ladder
from kopje.usecases.context import Context
from kopje.usecases.setup import school_sequence


def set_ladder(ctx: Context, keys: Iterable[str]) -> school_sequence.Changed:
    """Climb these steps in this order from now on: a new version of the sequence. Levels that were heard and
    are no steps any more stay, apart, with their marks."""
    return school_sequence.keep(ctx, with_ladder(school_sequence.as_kept(ctx), keys))
