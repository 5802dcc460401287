"""What the season, the weather or an occasion does for a song on a day. Source: docs/sources.md#times."""

from __future__ import annotations

from collections.abc import Iterable

from kopje.core.reasons import Reason, because
from kopje.core.songs.contents import SongCard
from kopje.core.songs.times import ASKED, SEASONS, TIMES

TIMELY, IN_SEASON, UNTIMELY = (
    6,
    1,
    5,
)  # points: suits what was said, the season, another


def time_name(time: str) -> Reason:
    """The term for a season, a kind of weather or an occasion."""
    return because(f"time_{time}")


def suiting(songs: Iterable[SongCard], day: frozenset[str]) -> frozenset[str]:
    """The songs that suit the weather of a day or what is celebrated on it."""
    asked = day & frozenset(ASKED)
    return frozenset(song.id for song in songs if song.times & asked) if asked else frozenset()


def timely(song: frozenset[str], day: frozenset[str]) -> tuple[int, tuple[Reason, ...]]:
    """What a song costs more or less because of what a day is like, and why."""
    told = [time for time in TIMES if time in song & day]
    asked = [time for time in told if time in ASKED]
    if told:
        said = because("song_timely", "for", "part", time=time_name((asked or told)[0]))
        return -TIMELY if asked else -IN_SEASON, (said,)
    other = next((time for time in SEASONS if time in song), None)
    now = next((time for time in SEASONS if time in day), None)
    if other is None or now is None:
        return 0, ()
    return UNTIMELY, (because("song_untimely", "against", "part", time=time_name(other), now=time_name(now)),)
