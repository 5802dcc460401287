"""The adults of a school on the wire."""

from __future__ import annotations

from datetime import date, datetime
from typing import Annotated
from uuid import UUID

from pydantic import Field

from kopje.api.schemas.base import Body, Day, Name, Read
from kopje.api.schemas.people import Login, Password
from kopje.core.rights import Role
from kopje.usecases.setup.adults import Adults, Given


class GivenBody(Body):
    """What an adult is to be. `until`: the last day on which they may come in. `sections`: those given; for
    an owner or teacher none means all, a substitute has only these."""

    name: Name = Field(examples=["Ines"])
    role: Role = Field(examples=["owner"])
    until: Day | None = Field(default=None, examples=[None])
    sections: Annotated[list[Annotated[UUID, Field(strict=False)]], Field(max_length=200)] = Field(
        default_factory=list, examples=[[]]
    )

    def value(self) -> Given:
        return Given(self.name, self.role, self.until, tuple(self.sections))


class AdultRead(Read):
    id: UUID
    name: str
    login: str
    role: Role
    until: date | None
    sections: list[UUID]


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

    @classmethod
    def of(cls, found: Adults) -> AdultsRead:
        adults = [
            AdultRead(
                id=one.id,
                name=one.name,
                login=one.login,
                role=one.role,
                until=one.until,
                sections=list(found.given.get(one.id, ())),
            )
            for one in found.there
        ]
        return cls(adults=adults, waiting=[WaitingRead.model_validate(one) for one in found.waiting])


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
