"""Marks from a table, as `kopje export marks` and the ledger give them: CSV, JSON, or JSON a line. Good rows
are kept aside, bad ones said."""

from __future__ import annotations

import csv
import io
import json
from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field
from datetime import date
from typing import Any, get_args

from kopje.core.errors import FileError, FileTooLargeError
from kopje.core.ledger.marks import Help, Result, Voices
from kopje.core.reasons import Reason, because
from kopje.core.sequence.concepts import Way
from kopje.formats.tables import meant

MOST_BYTES = 8 << 20
MOST_ROWS = 20_000
LONGEST = 120  # letters of a name or a key
COLUMNS = (
    "id",
    "child_id",
    "name",
    "section",
    "concept",
    "way",
    "voices",
    "help",
    "result",
    "day",
    "withdrawn",
)
ALLOWED: Mapping[str, tuple[str, ...]] = {
    "way": get_args(Way),
    "voices": get_args(Voices),
    "help": get_args(Help),
    "result": get_args(Result),
}
TRUE = ("true", "1", "yes")


@dataclass(frozen=True, slots=True)
class MarkRow:
    """One mark as a table gives it; `line` counts from 1, the head included. A child is told by its id, or by
    its name in its section."""

    line: int
    id: str
    child_id: str
    name: str
    section: str
    concept: str
    way: Way
    voices: Voices
    help: Help
    result: Result
    day: date


@dataclass
class MarksTable:
    """What could be read, and (line, sentence) for each row that could not. `withdrawn`: rows that did not
    count any more where they come from."""

    rows: list[MarkRow] = field(default_factory=list)
    problems: list[tuple[int, Reason]] = field(default_factory=list)
    withdrawn: int = 0


def read_marks(data: bytes) -> MarksTable:
    """FileError where it is no table at all."""
    if len(data) > MOST_BYTES:
        raise FileTooLargeError("file_too_large", megabytes=MOST_BYTES >> 20, value=len(data))
    try:
        text = data.decode("utf-8-sig")
    except UnicodeDecodeError:
        raise FileError("file_not_text") from None
    found = MarksTable()
    for line, values in _records(text):
        if line > MOST_ROWS:
            raise FileTooLargeError("marks_too_many", most=MOST_ROWS, value=line)
        _take(found, line, values)
    if not found.rows and not found.problems and not found.withdrawn:
        raise FileError("marks_none")
    return found


def _records(text: str) -> Iterator[tuple[int, Mapping[str, Any]]]:
    start = text.lstrip()[:1]
    return _from_json(text) if start in ("[", "{") else _from_csv(text)


def _from_json(text: str) -> Iterator[tuple[int, Mapping[str, Any]]]:
    whole = text.lstrip().startswith("[")
    lines = [text] if whole else text.splitlines()
    try:
        every = json.loads(text) if whole else [json.loads(one) for one in lines if one.strip()]
    except (ValueError, RecursionError):
        raise FileError("marks_not_json") from None
    if not isinstance(every, list):
        raise FileError("marks_not_json")
    for number, one in enumerate(every, 1):
        yield number, one if isinstance(one, Mapping) else {}


def _from_csv(text: str) -> Iterator[tuple[int, Mapping[str, Any]]]:
    rows = csv.reader(io.StringIO(text, newline=""), strict=False)
    try:
        head = [one.strip().lower() for one in next(rows, [])]
        if not {"concept", "result", "day"} <= set(head):
            raise FileError("marks_no_head")
        for row in rows:
            if any(cell.strip() for cell in row):
                yield rows.line_num, {name: meant(cell) for name, cell in zip(head, row, strict=False)}
    except csv.Error:
        raise FileError("marks_not_csv") from None


def _take(found: MarksTable, line: int, values: Mapping[str, Any]) -> None:
    told = {name: _text(values.get(name)) for name in COLUMNS}
    if told["withdrawn"].lower() in TRUE:
        found.withdrawn += 1
        return
    for name, allowed in ALLOWED.items():
        told[name] = told[name].lower() or {"voices": "alone", "help": "none"}.get(name, "")
        if told[name] not in allowed:
            params = {"column": name, "text": told[name][:LONGEST], "allowed": ", ".join(allowed)}
            found.problems.append((line, because("marks_value", "bars", **params)))
            return
    long = next((name for name in COLUMNS if len(told[name]) > LONGEST), None)
    if long is not None or not told["concept"] or not (told["child_id"] or told["name"]):
        found.problems.append((line, because("marks_row", "bars")))
        return
    try:
        day = date.fromisoformat(told["day"])
    except ValueError:
        found.problems.append((line, because("marks_day", "bars", text=told["day"][:LONGEST])))
        return
    one = {name: told[name] for name in ("id", "child_id", "name", "section", "concept", *ALLOWED)}
    found.rows.append(MarkRow(line, day=day, **one))  # type: ignore[arg-type]  # words that were looked up above


def _text(value: Any) -> str:
    return "" if value is None else str(value).strip() if isinstance(value, str | int | bool) else "?" * 200
