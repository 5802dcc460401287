"""What each wish costs where it is not kept, in one table. Source: docs/sources.md#composer."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

Tier = Literal["must", "teaching", "taste"]


@dataclass(frozen=True, slots=True)
class Price:
    """Points for each time a wish is not kept; `rule` is the must-rule it stands for, 0 for a wish."""

    points: int
    tier: Tier
    rule: int = 0


PRICES: dict[str, Price] = {
    # Must-rules, given up only where there is no other way
    "minutes": Price(300, "must", 1),
    "empty": Price(500, "must", 2),
    "returns": Price(150, "must", 5),
    "new_last": Price(220, "must", 6),
    "half_new": Price(120, "must", 7),
    "sitting": Price(400, "must", 8),
    "practised_next": Price(250, "must", 10),
    "a_fifth_moving": Price(350, "must", 11),
    # Teaching wishes
    "untouched": Price(14, "teaching"),  # each missing touch of a due concept in three lessons
    "naming_waits": Price(10, "teaching"),  # for each lesson
    "too_new": Price(10, "teaching"),  # each new thing beyond two (K-2) or three
    "falling": Price(6, "teaching"),  # new things that rise from lesson to lesson where little is known
    "owed": Price(6, "teaching"),  # a thing met lately that does not come again
    "concert_song": Price(30, "teaching"),  # a song for a concert in six weeks that does not come
    "plain_again": Price(5, "teaching"),  # the same activity with the same song again, and nothing grows
    "few_heard": Price(8, "teaching"),  # fewer than four alone in a lesson
    "a_third_moving": Price(4, "teaching"),
    "few_songs": Price(12, "teaching"),  # each song under five in six lessons
    "new_song_due": Price(24, "teaching"),  # where they know fewer songs than they had lessons
    "song_worn": Price(10, "teaching"),  # each time beyond six in twelve lessons
    "idle_slot": Price(1, "teaching"),  # instruments or game without anything that is due
    # Taste
    "same_kind": Price(3, "taste"),
    "same_activity": Price(3, "taste"),  # in two lessons running
    "warm_again": Price(2, "taste"),  # what is only kept warm, in two lessons running
    "in_turn": Price(3, "taste"),  # an activity that is no routine three times, in every second lesson
    "activity_often": Price(4, "taste"),  # beyond half of the lessons
    "song_often": Price(5, "taste"),  # beyond half of the lessons
    "concept_often": Price(3, "taste"),  # a concept in more than two parts of a lesson
    "voice": Price(1, "taste"),  # each minute of the teacher's voice beyond her share of the day
    "second_piece": Price(8, "taste"),
    "still_sitting": Price(1, "taste"),
    "set_up": Price(1, "taste"),  # a thing that comes out for this class alone, and none beside it uses
    "changed": Price(6, "taste"),  # a cell that was there, after something was pinned
}


LITTLE = 2  # to this grade the rules of moving hold
MOVEMENT = "movement"


def free_of(kind: str, grade: int) -> int:
    """How many parts of one kind a lesson may have. Where a third of it is to move, two of movement are no
    sameness.

    >>> free_of("movement", 1), free_of("movement", 4), free_of("singing", 1)
    (2, 1, 1)
    """
    return 2 if kind == MOVEMENT and grade <= LITTLE else 1


def price(key: str) -> int:
    return PRICES[key].points
