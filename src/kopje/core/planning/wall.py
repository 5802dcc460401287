"""What a class may see of the concept a part is about, and of what it does in it: no name and no sign before
it is named.

Source: docs/sources.md#wall."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, replace

from kopje.core.music.degree import Degree
from kopje.core.planning.activities import Activity, Grouping
from kopje.core.sequence.concepts import Concept
from kopje.core.sequence.phases import Purpose

IN_OCTAVE = 12


@dataclass(frozen=True, slots=True)
class Rung:
    """A tone on the ladder: `tone` with its octave mark, empty while nobody may see what it is called; its
    `height` in semitones above plain do; whether it is what is learned."""

    tone: str
    height: int
    new: bool


@dataclass(frozen=True, slots=True)
class Wall:
    """`question` is asked; `sign` and `name` are seen at once, or `waits` until the teacher opens them: this
    is everything, and the class sees it as it is `before` and `after`. `rungs`: the tones the class knows and
    the one it learns, from above. `formation`: how the class stands and whether it `moves`, where that is to
    be seen."""

    question: str = ""
    sign: str = ""
    name: str = ""
    waits: bool = False
    rungs: tuple[Rung, ...] = ()
    formation: Grouping | None = None
    moves: bool = False

    @property
    def before(self) -> Wall:
        """What the class sees until it is opened: no sign and no name, and of what is learned only its
        place."""
        if not self.waits:
            return self
        hidden = tuple(replace(one, tone="") if one.new else one for one in self.rungs)
        return replace(self, sign="", name="", rungs=hidden)

    @property
    def after(self) -> Wall:
        """What it sees then: the question has been answered."""
        return replace(self, question="") if self.sign else self


NOTHING = Wall()


def on_the_wall(
    concept: Concept | None,
    purpose: Purpose | None,
    known: Iterable[Concept] = (),
    item: Activity | None = None,
) -> Wall:
    """While it is prepared there is only its question. When it gets its name the question comes first, and
    its sign and name when the class has answered. What is practised stands there. `known`: what has its name
    in the class."""
    wall = _of_concept(concept, purpose)
    if concept is not None and concept.degrees:
        wall = replace(wall, rungs=ladder(concept, known, named=purpose != "prepare"))
    if item is not None and (item.energy == "moving" or item.grouping != "all"):
        wall = replace(wall, formation=item.grouping, moves=item.energy == "moving")
    return wall


def _of_concept(concept: Concept | None, purpose: Purpose | None) -> Wall:
    if concept is None:
        return NOTHING
    if purpose == "prepare":
        return Wall(concept.prompt)
    if purpose == "present":
        return Wall(concept.prompt, concept.sign, concept.name, True)
    return Wall("", concept.sign, concept.name)


def ladder(concept: Concept, known: Iterable[Concept], named: bool) -> tuple[Rung, ...]:
    """The tones of what is known, and of the concept, from above; of a tone set that is far away only what
    lies within an octave of the concept's.

    >>> from kopje.core.sequence.so_mi_first import SO_MI_FIRST
    >>> la, so_mi = SO_MI_FIRST.concept("la"), SO_MI_FIRST.concept("so-mi")
    >>> [(one.tone, one.new) for one in ladder(la, [so_mi], named=False)]
    [('', True), ('so', False), ('mi', False)]
    """
    new = {Degree.parse(one) for one in concept.degrees}
    old = {Degree.parse(one) for other in known for one in other.degrees} - new
    near = [one for one in old if any(abs(one.semitones - x.semitones) <= IN_OCTAVE for x in new)]
    tones = sorted([*new, *near], key=lambda one: (-one.semitones, one.marked))
    return tuple(
        Rung("" if one in new and not named else one.marked, one.semitones, one in new) for one in tones
    )
