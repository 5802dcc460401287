"""What a day is like, and which songs that its classes know suit it."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date

from kopje.core.planning.habits import Habits
from kopje.core.planning.timely import suiting
from kopje.core.songs.contents import SongCard
from kopje.core.songs.times import ASKED
from kopje.usecases.context import Context
from kopje.usecases.snapshot import snapshot
from kopje.usecases.songs.songbook import cards


@dataclass(frozen=True)
class Suiting:
    """A song for the day, with the classes of the day that know it."""

    song: SongCard
    sections: tuple[str, ...]


@dataclass(frozen=True)
class DayLike:
    """`season`: None where seasons do not count; `said`: weather and occasions in our order; `suiting`: only
    where something is said."""

    day: date
    season: str | None
    said: tuple[str, ...]
    suiting: tuple[Suiting, ...]


def day_like(ctx: Context, day: date, changed: Habits | None = None) -> DayLike:
    """`changed`: habits that were changed just now."""
    habits = changed or ctx.habits
    said = habits.days.get(day, frozenset())
    found = _suiting(ctx, day, said) if said else ()
    return DayLike(day, habits.season(day), tuple(one for one in ASKED if one in said), found)


def _suiting(ctx: Context, day: date, said: frozenset[str]) -> tuple[Suiting, ...]:
    seen = snapshot(ctx, judged=False).sections
    here = [one for one in seen if any(at.day == day for at in one.lessons)]
    known = {song for one in here for song in one.facts.songs}
    if not known:
        return ()
    book = [card for card in cards(ctx, here[0].state, (), known) if card.id in known]
    able = suiting(book, said)
    return tuple(
        Suiting(card, tuple(one.name for one in here if card.id in one.facts.songs))
        for card in book
        if card.id in able
    )
