"""What a class may see of the concept a part is about: no name and no sign before it is named.

Source: docs/sources.md#wall."""

from __future__ import annotations

from dataclasses import dataclass

from kopje.core.sequence.concepts import Concept
from kopje.core.sequence.phases import Purpose


@dataclass(frozen=True, slots=True)
class Wall:
    """`question` is asked; `sign` and `name` are seen at once, or `waits` until the teacher opens them."""

    question: str = ""
    sign: str = ""
    name: str = ""
    waits: bool = False


NOTHING = Wall()


def on_the_wall(concept: Concept | None, purpose: Purpose | None) -> Wall:
    """While it is prepared there is only its question. When it gets its name the question comes first, and
    its sign and name when the class has answered. What is practised stands there."""
    if concept is None:
        return NOTHING
    if purpose == "prepare":
        return Wall(concept.prompt)
    if purpose == "present":
        return Wall(concept.prompt, concept.sign, concept.name, True)
    return Wall("", concept.sign, concept.name)
