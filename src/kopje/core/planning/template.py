"""Lesson templates: slots in order, per grade band and minutes, as data. Source: docs/sources.md#template."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field
from typing import Any, Literal, get_args

from kopje.core.errors import PlanError
from kopje.core.exact import Fraction, parsed
from kopje.core.planning.activities import Activity, Role
from kopje.core.reasons import Reason, because
from kopje.core.sequence.grades import CHOIR

SETTLE_IN, LINE_UP, TRANSITION = 2, 2, Fraction(1, 2)
ROLES: tuple[Role, ...] = get_args(Role)
Band = Literal["small", "middle", "upper", "choir"]
BANDS: tuple[Band, ...] = get_args(Band)
A_PART, A_CHOIR_PART = 4, 8  # minutes that a part needs where nothing else is said
FEWEST, MOST = 3, 12  # parts of a lesson
LONGEST = 60  # minutes of a part
MOST_AROUND = 10  # minutes to settle or to line up
CHOIR_NAMES = frozenset({"opening", "voice", "focus"})
_DROPPED: tuple[Role, ...] = (
    "play",
    "second",
    "voice",
    "review",
    "game",
    "repertoire",
)  # in this order, when minutes are few


@dataclass(frozen=True, slots=True)
class SlotPlan:
    """A slot as the teacher wants it: `minutes` of its part, None for as long as the part needs; `named`:
    activities that take turns in it, lesson after lesson; `always`: never dropped, however short the
    lesson."""

    role: Role
    minutes: int | None = None
    named: tuple[str, ...] = ()
    always: bool = False


@dataclass(frozen=True, slots=True)
class Slot:
    """`key` stays the same when a lesson is proposed anew: its role and its place among those of
    this role."""

    key: str
    role: Role
    carried: bool = False  # made for something left over
    minutes: int | None = None
    named: tuple[str, ...] = ()
    always: bool = False


@dataclass(frozen=True)
class Template:
    """The order of a lesson. `between`: minutes from one part to the next; `part`: what a part needs where
    nothing else is said."""

    slots: tuple[SlotPlan, ...]
    settle_in: int = SETTLE_IN
    line_up: int = LINE_UP
    between: Fraction = TRANSITION
    part: int = A_PART

    def keyed(self) -> tuple[Slot, ...]:
        """Every slot with its key."""
        found, counts = [], dict[Role, int]()
        for one in self.slots:
            counts[one.role] = counts.get(one.role, 0) + 1
            found.append(
                Slot(f"{one.role}-{counts[one.role]}", one.role, False, one.minutes, one.named, one.always)
            )
        return tuple(found)

    def slots_for(self, minutes: int) -> tuple[Slot, ...]:
        """The slots of a lesson; a short one drops some, never the opening, the main thing, the closing and
        what is never to be dropped.

        >>> [slot.role for slot in SHIPPED_TEMPLATES.of(3).slots_for(16)]
        ['opening', 'focus', 'game', 'closing']
        """
        found = list(self.keyed())
        for role in _DROPPED:
            free = [slot for slot in found if slot.role == role and not slot.always]
            if free and len(found) > FEWEST and self._needs(found) > minutes:
                found.remove(free[0])
        left = [one.role for one in found]
        counted = [left[: at + 1].count(role) for at, role in enumerate(left)]
        return tuple(
            Slot(f"{one.role}-{n}", one.role, False, one.minutes, one.named, one.always)
            for one, n in zip(found, counted, strict=True)
        )

    def _needs(self, slots: Sequence[Slot]) -> int:
        return sum(one.minutes or self.part for one in slots)

    def dropped(self, minutes: int) -> tuple[Role, ...]:
        """The roles of the slots that a lesson of so many minutes does without."""
        left = [slot.role for slot in self.slots_for(minutes)]
        gone = []
        for one in self.slots:
            if one.role in left:
                left.remove(one.role)
            else:
                gone.append(one.role)
        return tuple(gone)

    def available(self, minutes: int, parts: int) -> int:
        """Whole minutes left for activities: without settling in, lining up and the transitions."""
        return int(minutes - self.settle_in - self.line_up - self.between * max(parts - 1, 0))


def _of(roles: Sequence[Role], part: int = A_PART) -> Template:
    return Template(tuple(SlotPlan(role) for role in roles), part=part)


_SHIPPED: dict[Band, Template] = {
    "small": _of(("opening", "voice", "focus", "game", "second", "play", "closing")),
    "middle": _of(("opening", "review", "focus", "second", "play", "game", "closing")),
    "upper": _of(("opening", "review", "focus", "second", "play", "game", "closing")),
    "choir": _of(("opening", "voice", "focus", "repertoire", "repertoire", "closing"), A_CHOIR_PART),
}


def band_of(grade: int) -> Band:
    """Kindergarten and 1; 2 and 3; 4 and up; choirs."""
    if grade == CHOIR:
        return "choir"
    return "small" if grade <= 1 else "middle" if grade <= 3 else "upper"


@dataclass(frozen=True)
class Templates:
    """A school's templates; for a band without one of its own the shipped one counts."""

    own: Mapping[Band, Template] = field(default_factory=dict)

    def of(self, grade: int) -> Template:
        return self.of_band(band_of(grade))

    def of_band(self, band: Band) -> Template:
        return self.own.get(band, _SHIPPED[band])


SHIPPED_TEMPLATES = Templates()


def checked(template: Template, activity: Callable[[str], Activity]) -> Template:
    """The template if a lesson can be made by it; else PlanError with what is wrong."""
    if not FEWEST <= len(template.slots) <= MOST:
        raise PlanError("template_parts", least=FEWEST, most=MOST, value=len(template.slots))
    if not any(one.role in ("focus", "repertoire") for one in template.slots):
        raise PlanError("template_without_main", value="focus")
    if (
        not 0 <= template.between <= 3
        or template.settle_in not in range(11)
        or template.line_up not in range(11)
    ):
        raise PlanError("template_between", value=str(template.between))
    for one in template.slots:
        if one.minutes is not None and not 1 <= one.minutes <= LONGEST:
            raise PlanError("template_minutes", most=LONGEST, value=one.minutes)
        for key in one.named:
            item = activity(key)
            if one.role not in item.roles:
                raise PlanError("template_misfit", activity=item.title, value=key)
    return template


def template_values(template: Template) -> dict[str, Any]:
    """As plain values that can be stored; `template_from` gives it back."""
    return {
        "slots": [
            {"role": one.role, "minutes": one.minutes, "named": list(one.named), "always": one.always}
            for one in template.slots
        ],
        "settle_in": template.settle_in,
        "line_up": template.line_up,
        "between": str(template.between),
    }


def template_from(band: Band, values: Mapping[str, Any]) -> Template:
    slots = tuple(
        SlotPlan(one["role"], one["minutes"], tuple(one["named"]), one["always"]) for one in values["slots"]
    )
    part = A_CHOIR_PART if band == "choir" else A_PART
    between = parsed(values["between"])
    return Template(slots, values["settle_in"], values["line_up"], between, part)


def due_in(slot: Slot, lesson: int) -> str | None:
    """Which of the activities that take turns in a slot is due in a lesson, counted from 0.

    >>> slot = Slot("opening-1", "opening", named=("a", "b"))
    >>> [due_in(slot, n) for n in range(3)]
    ['a', 'b', 'a']
    """
    return slot.named[lesson % len(slot.named)] if slot.named else None


def slot_name(key: str, grade: int) -> Reason:
    """The term for a slot; what is left over comes in slots of its own, and choirs call some theirs."""
    role = key.rsplit("-", 1)[0]
    return because(f"slot_choir_{role}" if grade == CHOIR and role in CHOIR_NAMES else f"slot_{role}")
