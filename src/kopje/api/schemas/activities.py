"""Activities and templates on the wire."""

from __future__ import annotations

from collections.abc import Callable, Iterable
from datetime import date, datetime
from typing import Annotated, Any, get_args
from uuid import UUID

from pydantic import Field

from kopje.api.schemas.base import Body, Day, Name, Read
from kopje.api.schemas.concepts import ConceptRead
from kopje.core.exact import Fraction
from kopje.core.ledger.marks import Help, Voices
from kopje.core.planning.activities import Activity, Energy, Grouping, Role, SongRole, Support, kind_name
from kopje.core.planning.coverage import Covered, Supply
from kopje.core.planning.growth import STAGES, Dated, Stage
from kopje.core.planning.habits import Habits
from kopje.core.planning.own_activity import HIGHEST, LONGEST_STEP, LOWEST, MOST_STEPS, activity_values
from kopje.core.planning.template import BANDS, LONGEST, MOST, ROLES, Band, SlotPlan, Template, slot_name
from kopje.core.reasons import Reason, because
from kopje.core.sequence.concepts import Way
from kopje.core.sequence.grades import CHOIR
from kopje.core.sequence.phases import Purpose
from kopje.usecases.lessons.activity_shelf import OnTheShelf
from kopje.usecases.lessons.said_steps import spoken
from kopje.words import Words

Said = Annotated[str, Field(max_length=600)]
Step = Annotated[str, Field(max_length=LONGEST_STEP)]
Minutes = Annotated[int, Field(ge=1, le=LONGEST)]
Grade = Annotated[int, Field(ge=LOWEST, le=HIGHEST)]
_TOLD_OTHERWISE = {"like", "low", "high", "least", "usual", "most", "fewest", "at_most", "about"}
Children = Annotated[int, Field(ge=1, le=200)]
Key = Annotated[str, Field(max_length=60)]
LENGTHS = (20, 25, 30, 40, 45, 60)  # minutes for which it is shown what a short lesson does without


class ActivityRead(Read):
    """An activity in a list. `sings`, `plays`: it wants a song, a recorded piece; `own`: the teacher's;
    `noted`: something is kept beside it."""

    key: str
    title: str
    kind: str
    kind_key: str
    energy: Energy
    roles: list[Role]
    low: int
    high: int
    usual: int
    sings: bool
    plays: bool
    own: bool
    noted: bool

    @classmethod
    def of(cls, one: Activity, own: bool, noted: bool, words: Words) -> ActivityRead:
        return cls(
            key=one.key,
            title=one.title,
            kind=words.say(kind_name(one.kind)),
            kind_key=one.kind,
            energy=one.energy,
            roles=list(one.roles),
            low=one.grades[0],
            high=one.grades[1],
            usual=one.minutes[1],
            sings=one.song != "none",
            plays=one.plays,
            own=own,
            noted=noted,
        )


class FormBody(Body):
    stage: Stage = Field(examples=["lead"])
    says: Step = Field(examples=["A child leads it."])


class ActivityBody(Body):
    """An activity as the teacher writes it; what is left out is as in `like`, the one it is made from.
    `minutes`: least, usual, most; `about`: concepts by key, empty where it is as in `like`, or about none."""

    like: Key | None = Field(default=None, examples=["sing-in"])
    title: Name = Field(examples=["Sing on the stairs"])
    kind: Key = Field(examples=["singing"])
    roles: Annotated[list[Role], Field(min_length=1, max_length=9)] = Field(examples=[["opening"]])
    low: Grade = Field(examples=[0])
    high: Grade = Field(examples=[5])
    least: Minutes = Field(examples=[2])
    usual: Minutes = Field(examples=[4])
    most: Minutes = Field(examples=[6])
    energy: Energy = Field(examples=["standing"])
    grouping: Grouping = Field(default="all", examples=["all"])
    support: Support = Field(default="teacher leads", examples=["teacher leads"])
    steps: Annotated[list[Step], Field(min_length=1, max_length=MOST_STEPS)] = Field(
        examples=[["Sing {song} while they come in."]]
    )
    forms: Annotated[list[FormBody], Field(max_length=7)] = Field(default=[], examples=[[]])
    song: SongRole = Field(default="none", examples=["known"])
    purposes: Annotated[list[Purpose], Field(max_length=3)] = Field(default=[], examples=[[]])
    about: Annotated[list[Key], Field(max_length=40)] = Field(default=[], examples=[[]])
    hears: Annotated[int, Field(ge=0, le=40)] = Field(default=0, examples=[0])
    way: Way = Field(default="sing", examples=["sing"])
    voices: Voices = Field(default="alone", examples=["alone"])
    help: Help = Field(default="none", examples=["none"])
    props: Said = Field(default="", examples=[""])
    care: Said = Field(default="", examples=["Walk, do not run."])
    easier: Said = Field(default="", examples=[""])
    harder: Said = Field(default="", examples=[""])
    instead: Said = Field(default="", examples=[""])
    works: Said = Field(default="", examples=["All arrive singing."])
    fewest: Children = Field(default=2, examples=[2])
    at_most: Children = Field(default=40, examples=[40])
    routine: bool = Field(default=False, examples=[False])

    def values(self) -> dict[str, Any]:
        """In the core's own words."""
        same = self.model_dump(exclude=_TOLD_OTHERWISE)
        told = {
            **same,
            "title": self.title.strip(),
            "steps": [step.strip() for step in self.steps if step.strip()],
            "grades": [self.low, self.high],
            "minutes": [self.least, self.usual, self.most],
            "size": [self.fewest, self.at_most],
            "forms": [[form.stage, form.says.strip()] for form in self.forms],
        }
        named = {"only": self.about, "takes": [], "strands": []} if self.about else {}
        return {**told, **named}


class FileRead(Read):
    id: UUID
    name: str
    kind: str
    size: int
    added: datetime


class DatedRead(Read):
    day: date
    low: int
    high: int
    says: str


class ActivityDetail(Read):
    """An activity whole, with what is kept beside it. `minutes`: least, usual, most; `about`: the concepts
    it names; `natures`: else of these natures, `strands` of these strands; `said`: its steps as they are
    said where nothing is chosen yet."""

    key: str
    title: str
    kind: str
    kind_key: str
    roles: list[Role]
    low: int
    high: int
    minutes: list[int]
    energy: Energy
    grouping: Grouping
    support: Support
    steps: list[str]
    said: list[str]
    forms: list[FormBody]
    song: SongRole
    plays: bool
    purposes: list[Purpose]
    about: list[ConceptRead]
    natures: list[str]
    strands: list[str]
    hears: int
    way: Way
    voices: Voices
    help: Help
    props: str
    care: str
    easier: str
    harder: str
    instead: str
    works: str
    fewest: int
    at_most: int
    routine: bool
    own: bool
    gone: bool
    note: str
    links: str
    dated: list[DatedRead]
    files: list[FileRead]

    @classmethod
    def of(cls, found: OnTheShelf, words: Words) -> ActivityDetail:
        one = found.item
        values = activity_values(one)
        concepts = words.sequence.by_key
        return cls(
            **{name: values[name] for name in _SAME},
            key=one.key,
            said=spoken(one, {}, None, None, words.word("the_class"), words),
            kind=words.say(kind_name(one.kind)),
            kind_key=one.kind,
            low=one.grades[0],
            high=one.grades[1],
            forms=[FormBody(stage=form.stage, says=form.says) for form in one.forms],
            about=[ConceptRead.of(concepts[key], words) for key in one.only if key in concepts],
            natures=list(one.takes),
            fewest=one.size[0],
            at_most=one.size[1],
            own=found.own,
            gone=found.gone,
            note=found.note,
            links=found.links,
            dated=[DatedRead.model_validate(one) for one in found.dated],
            files=[FileRead.model_validate(row) for row in found.files],
        )


_SAME = (
    "title", "roles", "minutes", "energy", "grouping", "support", "steps", "song", "plays", "purposes",
    "strands", "hears", "way", "voices", "help", "props", "care", "easier", "harder", "instead", "works",
    "routine",
)  # fmt: skip


class DatedBody(Body):
    """What is different from a day on, for these grades."""

    day: Day = Field(examples=["2027-01-11"])
    low: Grade = Field(examples=[0])
    high: Grade = Field(examples=[5])
    says: Step = Field(examples=["A child leads it."])

    def value(self) -> Dated:
        return Dated(self.day, self.low, self.high, self.says.strip())


class NoteBody(Body):
    note: Annotated[str, Field(max_length=4000)] = Field(examples=["Quieter after lunch."])
    links: Annotated[str, Field(max_length=2000)] = Field(default="", examples=[""])
    dated: Annotated[list[DatedBody], Field(max_length=12)] = Field(default=[], examples=[[]])


class SlotBody(Body):
    """`minutes` null: as long as its part needs. `named`: activities that take turns; `always`: never
    dropped."""

    role: Role = Field(examples=["focus"])
    minutes: Minutes | None = Field(default=None, examples=[None])
    named: Annotated[list[Key], Field(max_length=12)] = Field(default=[], examples=[[]])
    always: bool = Field(default=False, examples=[False])


class TemplateBody(Body):
    """`between`: half minutes from one part to the next."""

    slots: Annotated[list[SlotBody], Field(max_length=MOST)] = Field(
        examples=[[{"role": "opening"}, {"role": "focus"}, {"role": "closing"}]]
    )
    settle_in: Annotated[int, Field(ge=0, le=10)] = Field(default=2, examples=[2])
    line_up: Annotated[int, Field(ge=0, le=10)] = Field(default=2, examples=[2])
    between: Annotated[int, Field(ge=0, le=6)] = Field(default=1, examples=[1])

    def value(self, band: Band, habits: Habits) -> Template:
        slots = tuple(SlotPlan(one.role, one.minutes, tuple(one.named), one.always) for one in self.slots)
        part = habits.templates.of_band(band).part
        return Template(slots, self.settle_in, self.line_up, Fraction(self.between, 2), part)


class NamedActivity(Read):
    key: str
    title: str


class SlotRead(Read):
    role: Role
    name: str
    minutes: int | None
    named: list[NamedActivity]
    always: bool


class ShortRead(Read):
    """A lesson of `minutes`: how many are left to teach, and which slots it does without."""

    minutes: int
    left: int
    without: list[str]


class TemplateRead(Read):
    """`own`: the school's, else as shipped."""

    band: Band
    name: str
    own: bool
    slots: list[SlotRead]
    settle_in: int
    line_up: int
    between: int
    lengths: list[ShortRead]

    @classmethod
    def of(cls, band: Band, habits: Habits, words: Words) -> TemplateRead:
        template = habits.templates.of_band(band)
        grade = CHOIR if band == "choir" else 2

        def role(name: str) -> str:
            return words.say(slot_name(f"{name}-1", grade))

        return cls(
            band=band,
            name=words.say(because(f"band_{band}")),
            own=band in habits.templates.own,
            slots=[
                SlotRead(
                    role=one.role,
                    name=role(one.role),
                    minutes=one.minutes,
                    named=[NamedActivity(key=k, title=_title(habits, k)) for k in one.named],
                    always=one.always,
                )
                for one in template.slots
            ],
            settle_in=template.settle_in,
            line_up=template.line_up,
            between=int(template.between * 2),
            lengths=[
                ShortRead(
                    minutes=n,
                    left=template.available(n, len(template.slots_for(n))),
                    without=[role(name) for name in template.dropped(n)],
                )
                for n in LENGTHS
            ],
        )

    @classmethod
    def every(cls, habits: Habits, words: Words) -> list[TemplateRead]:
        return [cls.of(band, habits, words) for band in BANDS]


def _title(habits: Habits, key: str) -> str:
    item = habits.repertoire.known(key)
    return item.title if item else key


class WordRead(Read):
    key: str
    name: str


class ActivityWordsRead(Read):
    """What may be said of an activity, in words."""

    kinds: list[WordRead]
    roles: list[WordRead]
    groupings: list[WordRead]
    stages: list[WordRead]
    bands: list[WordRead]

    @classmethod
    def of(cls, habits: Habits, words: Words) -> ActivityWordsRead:
        def named(keys: Iterable[str], reason: Callable[[str], Reason]) -> list[WordRead]:
            return [WordRead(key=key, name=words.say(reason(key))) for key in keys]

        kinds = named(sorted({one.kind for one in habits.repertoire.offered}), kind_name)
        return cls(
            kinds=sorted(kinds, key=lambda one: one.name),
            roles=named(ROLES, lambda key: slot_name(f"{key}-1", 2)),
            groupings=named(get_args(Grouping), lambda key: because(f"grouping_{key}")),
            stages=named(STAGES, lambda key: because(f"stage_{key}")),
            bands=named(BANDS, lambda key: because(f"band_{key}")),
        )


class SupplyRead(Read):
    key: Supply
    count: int
    thin: bool


class CoveredRead(Read):
    """A concept with what there is for it, and what would fill what is thin."""

    concept: ConceptRead
    core: bool
    supply: list[SupplyRead]
    fills: list[str]

    @classmethod
    def of(cls, one: Covered, words: Words) -> CoveredRead:
        return cls(
            concept=ConceptRead.of(one.concept, words),
            core=one.concept.core,
            supply=[SupplyRead(key=k, count=n, thin=k in one.thin) for k, n in one.supply.items()],
            fills=[words.say(reason) for reason in one.fills],
        )
