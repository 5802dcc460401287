"""What a part of a lesson is done with. What comes later (exercises, layers, cards) only adds kinds."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal, get_args

from kopje.core.errors import PlanError

MaterialKind = Literal["none", "song", "phrase", "recording"]
KINDS: tuple[str, ...] = get_args(MaterialKind)


@dataclass(frozen=True, slots=True)
class Material:
    """`id` is the song's, for a phrase the song's and the phrase's number from 1 (`…#2`); None where nothing
    is needed.

    >>> Material.of_song("a1").song, Material("phrase", "a1#2").song, Material().song
    ('a1', 'a1', None)
    """

    kind: MaterialKind = "none"
    id: str | None = None

    def __post_init__(self) -> None:
        if self.kind not in KINDS or (self.kind == "none") != (self.id is None):
            raise PlanError("material_unknown", kind=self.kind, value=self.kind)

    @classmethod
    def of_song(cls, song: str | None) -> Material:
        return cls("song", song) if song else cls()

    @classmethod
    def of_recording(cls, piece: str) -> Material:
        return cls("recording", piece)

    @property
    def recording(self) -> str | None:
        """The recorded piece that is heard in it."""
        return self.id if self.kind == "recording" else None

    @property
    def song(self) -> str | None:
        """The song that is sung in it, whole or in part."""
        return self.id.split("#")[0] if self.id and self.kind in ("song", "phrase") else None


NOTHING = Material()
