"""Shared shapes on the wire."""

from __future__ import annotations

from collections.abc import Iterable
from datetime import date, datetime
from typing import Annotated, Literal

from pydantic import AfterValidator, BaseModel, BeforeValidator, ConfigDict, Field

from kopje.core.reasons import Reason
from kopje.words import Words


def _written(value: object) -> object:
    """A number is no day and no moment, though a library would take it for seconds."""
    seconds = isinstance(value, str) and value.strip().lstrip("-").replace(".", "", 1).isdigit()
    if seconds or isinstance(value, int | float):
        raise ValueError("a day is written like 2026-11-26")
    return value


Written = BeforeValidator(_written)
# Some weeks away from the first and the last day there is: what is counted from a day is a day too.
FIRST, LAST = date(1, 3, 1), date(9999, 10, 31)


def _in_time(moment: datetime) -> datetime:
    """A clock that is wrong by thousands of years says no more than that it is wrong."""
    if not FIRST <= moment.date() <= LAST:
        edge = FIRST if moment.date() < FIRST else LAST
        return datetime.combine(edge, moment.timetz())
    return moment


def _counted_from(day: date) -> date:
    if not FIRST <= day <= LAST:
        raise ValueError("a day that nothing is counted from")
    return day


Day = Annotated[date, Written, Field(strict=False), AfterValidator(_counted_from)]
Moment = Annotated[datetime, Written, Field(strict=False), AfterValidator(_in_time)]
Small = Annotated[int, Field(ge=0, le=2**31 - 1)]
Name = Annotated[str, Field(min_length=1, max_length=120, pattern=r"\S")]


class Body(BaseModel):
    """What a browser sends: nothing unknown, nothing coerced."""

    model_config = ConfigDict(extra="forbid", strict=True)


class Read(BaseModel):
    """What a browser gets."""

    model_config = ConfigDict(from_attributes=True)


class ReasonRead(Read):
    code: str
    subject: str
    sentence: str
    weight: Literal["for", "against", "bars", "note"] = "note"

    @classmethod
    def of(cls, reason: Reason, words: Words) -> ReasonRead:
        return cls(code=reason.code, subject=reason.about, sentence=words.say(reason), weight=reason.weight)

    @classmethod
    def every(cls, found: Iterable[Reason], words: Words) -> list[ReasonRead]:
        return [cls.of(reason, words) for reason in found]


def in_one_breath(found: Iterable[Reason], words: Words) -> str:
    """Several sentences as one: “Has re twice; all else known.”"""
    said = [words.say(reason).rstrip(".") for reason in found]
    return "; ".join(s if i == 0 else s[0].lower() + s[1:] for i, s in enumerate(said)) + "."
