"""Backups on the wire."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated

from pydantic import Field

from kopje.api.schemas.base import Body, Read
from kopje.usecases.setup.backups import Kept
from kopje.words import Words


class BackupFileRead(Read):
    name: str
    made: datetime
    kilobytes: int
    sealed: bool
    before_update: bool


class BackupsRead(Read):
    """All that is known of the backups here. `trouble`: what went wrong last, as a sentence; `old`: none is
    of the last week; `several`: other schools are in the same database, so none can be taken away here."""

    folder: str
    usual: bool
    sealed: bool
    files: list[BackupFileRead]
    checked: datetime | None
    tried: datetime | None
    trouble: str | None
    old: bool
    several: bool

    @classmethod
    def of(cls, kept: Kept, words: Words) -> BackupsRead:
        files = [
            BackupFileRead(
                name=one.name,
                made=one.made,
                kilobytes=-(-one.bytes // 1000),
                sealed=one.sealed,
                before_update=one.before_update,
            )
            for one in kept.files
        ]
        return cls(
            folder=str(kept.folder),
            usual=kept.usual,
            sealed=kept.sealed,
            files=files,
            checked=kept.checked,
            tried=kept.tried,
            trouble=words.say(kept.trouble) if kept.trouble else None,
            old=kept.old,
            several=kept.several_schools,
        )


class BackupsToldRead(Read):
    """What every teacher is told: whether the last good backup is older than a week, and of when it is."""

    old: bool
    last: datetime | None
    trouble: str | None


class FolderBody(Body):
    """A folder of the machine that runs Kopje; empty: the usual one."""

    folder: Annotated[str, Field(max_length=1000)] = Field(examples=[""])


class SealBody(Body):
    passphrase: Annotated[str, Field(max_length=200)] = Field(examples=["four quiet herons wait"])
