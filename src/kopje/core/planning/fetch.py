"""What a lesson needs from the cupboard, counted for its class, and what the room has not enough of.

Source: docs/sources.md#fetch."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from datetime import time
from typing import Literal, get_args

from kopje.core.planning.activities import Activity
from kopje.core.reasons import Reason, because

Thing = Literal[
    "hand_drum", "shaker", "scraper", "wood", "metal", "barred", "recorder", "scarf", "whiteboard",
    "craft_stick", "elastic", "card", "sounding_thing", "floor_tape", "shapes", "string", "picture_card",
    "paper",
]  # fmt: skip
THINGS: tuple[Thing, ...] = get_args(Thing)
PLAYED: tuple[Thing, ...] = ("hand_drum", "shaker", "scraper", "wood", "metal", "barred", "recorder")
PUT_AWAY = 20  # minutes from one class to the next, up to which things stay out
SHARES = {"each": 1, "half": 2, "pair": 2, "third": 3, "quarter": 4}  # so many children to one of them


def needed(share: str, roll: int) -> int:
    """How many of a thing a class needs: one for each child, each pair or half of them, or a number.

    >>> needed("each", 25), needed("half", 25), needed("8 each", 25), needed("3", 25)
    (25, 13, 200, 3)
    """
    if share.isdigit():
        return int(share)
    times, _, kind = share.rpartition(" ")
    return -(-roll * int(times or 1) // SHARES[kind])


def fetch(items: Iterable[Activity], roll: int) -> dict[str, int]:
    """Everything that these activities need, in the order of the cupboard; what two of them need is fetched
    once."""
    most: dict[str, int] = {}
    for item in items:
        for thing, share in item.needs:
            most[thing] = max(most.get(thing, 0), needed(share, roll))
    return {thing: most[thing] for thing in THINGS if thing in most}


def stays_out(starts: time, minutes: int, following: time) -> bool:
    """Whether nobody puts things away between a class of so many minutes and the one that follows.

    >>> stays_out(time(9, 10), 30, time(10, 0)), stays_out(time(9, 10), 30, time(10, 1))
    (True, False)
    """
    return 60 * (following.hour - starts.hour) + following.minute - starts.minute - minutes <= PUT_AWAY


def lacking(item: Activity, rolls: Iterable[int], room: Mapping[str, int]) -> tuple[Reason, ...]:
    """What the room has not enough of, for the largest of these classes. What the teacher did not count is
    taken to be there."""
    largest = max(rolls, default=0)
    return tuple(
        because("room_lacks", "bars", "part", thing=thing_name(thing), needed=count, there=room[thing])
        for thing, count in fetch([item], largest).items()
        if room.get(thing, count) < count
    )


def fits_size(item: Activity, rolls: Iterable[int]) -> bool:
    """Whether it goes with as many children as each of these classes has; 0 is not known."""
    least, most = item.size
    return all(roll == 0 or least <= roll <= most for roll in rolls)


def counted(thing: str, count: int) -> Reason:
    """“14 hand drums”."""
    return because(f"thing_{thing}", count=count)


def thing_name(thing: str) -> Reason:
    """“hand drums”."""
    return because(f"things_{thing}")
