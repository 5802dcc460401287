"""The list of what was erased, a line of JSON each, ids without names. It lies beside the backups, not in
them: a backup that is brought back is held against it."""

from __future__ import annotations

import json
import os
from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime
from pathlib import Path
from uuid import UUID

FILE = "erased.jsonl"
LONGEST = 4_000_000  # bytes; some 30,000 lines


@dataclass(frozen=True, slots=True)
class Erased:
    """A child of a school, or the school as a whole."""

    school: UUID
    child: UUID | None
    moment: datetime


def read(folder: Path) -> list[Erased]:
    """What is listed in a folder; a line that cannot be read is passed over."""
    try:
        with (folder / FILE).open(encoding="utf-8", errors="replace") as lines:
            return [one for line in lines.read(LONGEST).splitlines() if (one := _line(line)) is not None]
    except OSError:
        return []


def _line(line: str) -> Erased | None:
    try:
        told = json.loads(line)
        child = told.get("child")
        return Erased(
            UUID(told["school"]), UUID(child) if child else None, datetime.fromisoformat(told["erased"])
        )
    except (ValueError, KeyError, TypeError, AttributeError, RecursionError):
        return None


def add(folder: Path, erased: Iterable[Erased]) -> None:
    """Those that are not listed yet, and safely so once this returns. OSError where they cannot be."""
    there = {(one.school, one.child) for one in read(folder)}
    new = [one for one in erased if (one.school, one.child) not in there]
    if not new:
        return
    folder.mkdir(mode=0o700, parents=True, exist_ok=True)
    with (folder / FILE).open("a", encoding="utf-8") as list_:
        for one in new:
            child = str(one.child) if one.child else None
            told = {"school": str(one.school), "child": child, "erased": one.moment.isoformat()}
            list_.write(json.dumps(told) + "\n")
        list_.flush()
        os.fsync(list_.fileno())
