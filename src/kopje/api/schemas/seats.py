"""Seats and groups on the wire."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Annotated, Literal
from uuid import UUID

from pydantic import Field

from kopje.api.schemas.base import Body, Read
from kopje.core.groups import Group
from kopje.usecases.room.seats import Room, Wanted

Id = Annotated[UUID, Field(strict=False)]


class SeatRead(Read):
    """A place; without a child nobody sits there."""

    child_id: UUID | None
    name: str
    say: str


class SeatsRead(Read):
    """Places in rows of `across`, from the front left, around a circle from the teacher's left on, or in a
    plan of one's own: rows with gaps. `tones`: what the class can name, for groups that sing one each."""

    kind: Literal["rows", "circle", "plan"]
    across: int
    places: list[SeatRead]
    tones: list[str]

    @classmethod
    def of(cls, room: Room) -> SeatsRead:
        by_id = {str(one.id): one for one in room.roll}
        places = []
        for child in room.places:
            one = by_id.get(child or "")
            places.append(
                SeatRead(
                    child_id=one.id if one else None,
                    name=one.name if one else "",
                    say=one.say if one else "",
                )
            )
        return cls(kind=room.kind, across=room.across, places=places, tones=list(room.tones))


class SeatsBody(Body):
    kind: Literal["rows", "circle", "plan"] = Field(examples=["rows"])
    across: Annotated[int, Field(ge=1, le=20)] = Field(examples=[6])
    places: Annotated[list[Id | None], Field(max_length=400)] = Field(examples=[[]])


class GroupsBody(Body):
    """Groups `of` so many: `mixed` or `alike` by the standing in a concept, or by chance; `tasks` go round;
    `without` are not here."""

    of: Annotated[int, Field(ge=2, le=12)] = Field(examples=[3])
    how: Literal["mixed", "alike", "chance"] = Field(examples=["mixed"])
    concept: Annotated[str, Field(min_length=1, max_length=60)] | None = Field(default=None, examples=["re"])
    tasks: Annotated[list[Annotated[str, Field(min_length=1, max_length=60)]], Field(max_length=12)] = Field(
        default=[], examples=[["do", "so"]]
    )
    without: Annotated[list[Id], Field(max_length=400)] = Field(default=[], examples=[[]])

    def value(self) -> Wanted:
        away = frozenset(map(str, self.without))
        return Wanted(self.of, self.how, self.concept, tuple(self.tasks), away)


class GroupOfRead(Read):
    """Names; `helper` is one of them, who is sure of the concept."""

    children: list[str]
    helper: str | None
    task: str | None

    @classmethod
    def of(cls, group: Group, names: Mapping[str, str]) -> GroupOfRead:
        helper = names[group.helper] if group.helper else None
        return cls(children=[names[one] for one in group.children], helper=helper, task=group.task)
