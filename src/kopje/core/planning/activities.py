"""What an activity is. The shipped ones are in `catalogue`. Source: docs/sources.md#activities."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from kopje.core.ledger.marks import Help, Voices
from kopje.core.planning.growth import Form
from kopje.core.reasons import Reason, because
from kopje.core.sequence.concepts import Concept, Way
from kopje.core.sequence.grades import outside
from kopje.core.sequence.phases import Purpose
from kopje.core.sequence.section_state import SectionState

HANDS_ON = frozenset({"unpitched", "barred", "recorder"})
Energy = Literal["seated", "standing", "moving"]
Grouping = Literal["all", "halves", "circle", "partners", "groups", "single"]
Support = Literal["teacher leads", "class alone", "child leads"]
SongRole = Literal["none", "known", "target", "new"]
Role = Literal["opening", "voice", "review", "focus", "second", "play", "game", "repertoire", "closing"]


Space = Literal["floor", "ring", "seats"]
BY_VOICE = frozenset({"singing", "echo", "greeting", "vocal exploration", "song story", "hearing singles"})
ANY_SIZE = (1, 100)


def kind_name(kind: str) -> Reason:
    """The term for a kind of activity."""
    return because(f"kind_{kind.replace(' ', '_').replace('-', '_')}")


Reads = Literal["", "line", "cards", "change"]  # as it stands, bar by bar, or changing figure by figure


@dataclass(frozen=True, slots=True)
class Activity:
    """One activity.

    `minutes` is (least, usual, most). `song`: none, one they know, the one chosen for the concept, or one
    that is new to them and in their range. `plays`: a recorded piece is heard in it, one that has the concept
    if it has one. `strands`: only for concepts of these; what is learned with an instrument in the hands
    wants an activity that says so. `hears` children can be heard in `way` with `help`, `voices` at a time.
    `takes`: only concepts of these natures, whose sentences its steps can bear. `only`: of these the ones it
    is about, by key; `never`: the ones it is not about. `asks`: traits that its song must have, with `!` in
    front must not have. `easier`, `harder`: another form of it; `instead`: what stands in for its things.

    `forms`: how it grows after the first time. `untouched`: how it goes where nobody touches anybody.
    `picture`: a picture or book to fetch.
    `needs`: what is fetched for it, with its share (core/planning/fetch.py).
    `works`: what it looks like when it works. `size`: children it needs at least and bears at most.

    `steps` may name {song}, {piece} and {section}; {it}, the thing as one speaks of it in a sentence, which
    before its name is “the new tone” and the like; and only where something is presented {concept}, its
    name, and {shown}, what the class sees of it."""

    key: str
    title: str
    kind: str
    roles: tuple[Role, ...]
    grades: tuple[int, int]
    minutes: tuple[int, int, int]
    energy: Energy
    steps: tuple[str, ...]
    song: SongRole = "none"
    purposes: tuple[Purpose, ...] = ()
    strands: tuple[str, ...] = ()
    hears: int = 0
    way: Way = "sing"
    voices: Voices = "alone"
    help: Help = "none"
    props: str = ""
    care: str = ""
    takes: tuple[str, ...] = ()
    only: tuple[str, ...] = ()
    never: tuple[str, ...] = ()
    asks: tuple[str, ...] = ()
    grouping: Grouping = "all"
    support: Support = "teacher leads"
    easier: str = ""
    harder: str = ""
    instead: str = ""
    plays: bool = False
    forms: tuple[Form, ...] = ()
    untouched: str = ""
    picture: str = ""
    works: str = ""
    size: tuple[int, int] = ANY_SIZE
    needs: tuple[tuple[str, str], ...] = ()
    reads: Reads = ""  # something new, made for the class, where it has a concept
    routine: bool = False  # known from its second lesson, never carried over

    @property
    def with_concept(self) -> bool:
        return bool(self.purposes)

    @property
    def needs_voice(self) -> bool:
        """Whether the teacher sings or speaks it all through: her voice is used up by it."""
        return self.support == "teacher leads" and (self.song != "none" or self.kind in BY_VOICE)

    @property
    def space(self) -> Space:
        """A clear floor, a ring, or the places they sit or stand at."""
        if self.energy == "moving":
            return "floor"
        return "ring" if self.grouping == "circle" else "seats"

    @property
    def may_pass(self) -> bool:
        """Whether a child sings or plays alone in it, and so may pass without a mark."""
        return self.hears > 0 and self.voices == "alone"

    def fits(self, concept: Concept) -> bool:
        """Whether it can work on this concept at all."""
        if self.only and not self.takes and not self.strands:
            return concept.key in self.only  # the teacher named them, whatever their nature
        if self.strands or concept.strand in HANDS_ON:
            return concept.strand in self.strands
        if concept.key in self.never:
            return False
        return concept.nature in self.takes and (not self.only or concept.key in self.only)

    def too_young_or_old(self, state: SectionState) -> int:
        """By how many grades the farthest of a section's children lie outside those it is made for."""
        return outside(state.grade, state.upper if state.upper is not None else state.grade, self.grades)
