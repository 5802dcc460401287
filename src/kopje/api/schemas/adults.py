"""The adults of a school on the wire."""

from __future__ import annotations

from datetime import date, datetime
from typing import Annotated, Literal
from uuid import UUID

from pydantic import Field

from kopje.api.schemas.base import Body, Day, Name, Read
from kopje.api.schemas.people import Login, Password
from kopje.core.rights import Role
from kopje.usecases.setup.adults import Given


class GivenBody(Body):
    """What an adult is to be. `until`: the last day on which they may come in."""

    name: Name = Field(examples=["Ines"])
    role: Literal["owner", "teacher"] = Field(examples=["owner"])
    until: Day | None = Field(default=None, examples=[None])

    def value(self) -> Given:
        return Given(self.name, self.role, self.until)


class AdultRead(Read):
    id: UUID
    name: str
    login: str
    role: Role
    until: date | None


class WaitingRead(Read):
    """A link that nobody has used yet. `teacher_id`: it sets a new password for somebody who is there."""

    id: UUID
    teacher_id: UUID | None
    name: str
    role: Role
    expires: datetime


class AdultsRead(Read):
    adults: list[AdultRead]
    waiting: list[WaitingRead]


class LinkRead(Read):
    """The end of a link, to be handed over; it is shown once."""

    token: str


class InvitedRead(Read):
    """`login`: of somebody who gets a new password; null: one is to be chosen."""

    name: str
    school: str
    role: Role
    login: str | None


class AcceptBody(Body):
    login: Login = Field(examples=["ines"])
    password: Password = Field(examples=["another long password"])


class PasswordBody(Body):
    old: Annotated[str, Field(max_length=200)] = Field(examples=["a long password"])
    new: Password = Field(examples=["a longer password"])


class DeviceRead(Read):
    """Where somebody is signed in. `here`: this is the device that asks."""

    id: UUID
    agent: str
    created: datetime
    expires: datetime
    here: bool
