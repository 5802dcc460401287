"""Why something is so: every judgement in Kopje carries the reasons it was made from.

A reason is a code and what it speaks of, never a sentence: words are made at the edge, from the catalogue
and the school's own words, so that what is stored follows both. Source: docs/sources.md#reasons."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from datetime import date
from typing import Any, Literal, TypeAlias, Union

Weight = Literal["for", "against", "bars", "note"]


@dataclass(frozen=True, slots=True)
class Tone:
    """A degree such as `so,`, said as the school says it."""

    degree: str


@dataclass(frozen=True, slots=True)
class Named:
    """A concept by its key, said by the name that the school's sequence gives it."""

    concept: str


@dataclass(frozen=True, slots=True)
class Phased:
    """A phase of learning by its key and purpose: “prepared”, or the school's own word for it."""

    key: str
    purpose: str


@dataclass(frozen=True, slots=True)
class Listed:
    """Several things, joined as one says them; beyond `most` the rest is counted."""

    items: tuple[Param, ...]
    most: int | None = None
    by: Literal["and", "comma", "semicolon", "space"] = "and"


Param: TypeAlias = Union[str, int, date, Tone, Named, Phased, Listed, "Reason"]


@dataclass(frozen=True, slots=True)
class Reason:
    """One reason: a stable code, which way it pulls, what it is about, and what its sentence speaks of.

    `bars` means that the reason alone rules the thing out. A plain text among the parameters is somebody's
    name, a title, a pitch or a number as music writes it; whatever else is a word is a reason of its own."""

    code: str
    weight: Weight = "note"
    about: str = ""
    params: tuple[tuple[str, Param], ...] = ()

    def __getitem__(self, name: str) -> Param:
        return dict(self.params)[name]


def because(code: str, weight: Weight = "note", about: str = "", **params: Param) -> Reason:
    """
    >>> because("practised", concept=Named("re"), count=2)["count"]
    2
    """
    return Reason(code, weight, about, tuple(params.items()))


def listed(items: Iterable[Param], most: int | None = None) -> Listed:
    return Listed(tuple(items), most)


@dataclass(frozen=True, slots=True)
class Verdict:
    """All the reasons at once; the yes or no is derived from them, never stored beside them."""

    reasons: tuple[Reason, ...]

    @classmethod
    def of(cls, reasons: Iterable[Reason | None]) -> Verdict:
        return cls(tuple(reason for reason in reasons if reason is not None))

    @property
    def allowed(self) -> bool:
        return not any(reason.weight == "bars" for reason in self.reasons)

    @property
    def bars(self) -> tuple[Reason, ...]:
        return tuple(reason for reason in self.reasons if reason.weight == "bars")


def packed(reason: Reason) -> dict[str, Any]:
    """A reason as plain values that can be stored; `unpacked` gives it back."""
    found: dict[str, Any] = {"code": reason.code}
    if reason.weight != "note":
        found["weight"] = reason.weight
    if reason.about:
        found["about"] = reason.about
    if reason.params:
        found["params"] = {name: pack(value) for name, value in reason.params}
    return found


def pack(value: Param) -> Any:
    """One parameter as plain values; texts and numbers stay what they are."""
    if isinstance(value, Reason):
        return packed(value)
    if isinstance(value, Tone):
        return {"tone": value.degree}
    if isinstance(value, Named):
        return {"concept": value.concept}
    if isinstance(value, Phased):
        return {"phase": value.key, "purpose": value.purpose}
    if isinstance(value, Listed):
        return {"list": [pack(item) for item in value.items], "most": value.most, "by": value.by}
    return {"day": value.isoformat()} if isinstance(value, date) else value


def unpacked(values: Mapping[str, Any]) -> Reason:
    params = values.get("params", {})
    return Reason(
        values["code"],
        values.get("weight", "note"),
        values.get("about", ""),
        tuple((name, unpack(value)) for name, value in params.items()),
    )


def unpack(value: Any) -> Param:
    if not isinstance(value, Mapping):
        return value  # type: ignore[no-any-return]  # a text or a number
    if "code" in value:
        return unpacked(value)
    if "tone" in value:
        return Tone(value["tone"])
    if "concept" in value:
        return Named(value["concept"])
    if "phase" in value:
        return Phased(value["phase"], value["purpose"])
    if "list" in value:
        return Listed(tuple(map(unpack, value["list"])), value["most"], value["by"])
    return date.fromisoformat(value["day"])
