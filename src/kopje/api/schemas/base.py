"""Shared shapes on the wire."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

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
