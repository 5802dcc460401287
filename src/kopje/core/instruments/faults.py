"""What went wrong on the recorder: from what was heard, by at most three looks, to one thing to try.

The looks stand in the order in which they are most often right. Source: docs/sources.md#recorder.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

Heard = Literal["squeak", "high", "hiss", "together", "nothing", "low_squeals"]
Cause = Literal["hole", "air", "hands", "angle", "tongue", "thumb", "lips", "water"]


@dataclass(frozen=True, slots=True)
class Look:
    """Something to look at; where it is so, `cause` names the one thing to try. `holes`: which to watch,
    `T` for the thumb's."""

    cause: Cause
    holes: str = ""


# What is heard, then the looks: the pad first, then the air, then hands and tongue.
LOOKS: dict[Heard, tuple[Look, ...]] = {
    "squeak": (Look("hole", "T123"), Look("air"), Look("hands")),
    "high": (Look("thumb", "T"), Look("air"), Look("hole", "T12")),
    "hiss": (Look("water"), Look("lips"), Look("angle")),
    "together": (Look("tongue"), Look("air")),
    "nothing": (Look("lips"), Look("angle"), Look("water")),
    "low_squeals": (Look("air"), Look("hole", "123456"), Look("hands")),
}
