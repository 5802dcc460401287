"""Rosters and timetables from tables: pasted, plain CSV, or OneRoster CSV in a zip. Good rows are kept
aside, bad ones said."""

from __future__ import annotations

import csv
import io
import re
import zipfile
from collections.abc import Iterable, Iterator
from dataclasses import dataclass, field
from datetime import time

from kopje.core.errors import RosterError
from kopje.core.names import shown
from kopje.core.planning.meetings import Meeting
from kopje.core.reasons import Reason, because
from kopje.core.sequence.grades import BELOW_KINDERGARTEN, CHOIR, may_span
from kopje.formats.limits import ZIP_DAMAGED

MOST_BYTES = 4 << 20
MOST_ROWS = 20_000
MOST_MEETINGS = 20  # of one section
UNREADABLE = "\0"  # stands for a row that is none; no cell can be that
GRADES = {
    "k": 0,
    "kg": 0,
    "kindergarten": 0,
    "0": 0,
    "pk": -1,
    "pre-k": -1,
    "prek": -1,
    "nursery": -1,
    "preschool": -1,
}
DAYS = ("mon", "tue", "wed", "thu", "fri", "sat", "sun")
HEADS = {
    "section": ("section", "class", "group", "homeroom"),
    "grade": ("grade", "year", "level"),
    "name": ("name", "child", "student", "pupil", "first name", "given name"),
    "minutes": ("minutes", "length", "duration"),
    "meets": ("meets", "meetings", "times", "timetable", "schedule"),
}
_MEETING = re.compile(
    r"(?:(?P<weekday>[a-z]{3})[a-z]*|day\s*(?P<cycle>\d{1,2}))\s+(?P<hour>\d{1,2})[:.](?P<minute>\d{2})"
    r"(?:\s+(?P<long>\d{2,3})\s*min\w*)?"
)


@dataclass
class RosterSection:
    """A section as a table gives it; None where it says nothing."""

    name: str
    grade: int | None = None
    upper: int | None = None
    minutes: int | None = None
    meetings: list[Meeting] = field(default_factory=list)
    children: list[str] = field(default_factory=list)


@dataclass
class Roster:
    """What could be read, and (row, sentence) for each row that could not."""

    sections: dict[str, RosterSection] = field(default_factory=dict)
    problems: list[tuple[int, Reason]] = field(default_factory=list)

    def section(self, name: str) -> RosterSection:
        return self.sections.setdefault(name, RosterSection(name))


def read_roster(data: bytes) -> Roster:
    """Read a table or a zip; RosterError when nothing in it can be used at all."""
    if len(data) > MOST_BYTES:
        raise RosterError("roster_too_large")
    if data[:4] == b"PK\x03\x04":
        return _one_roster(data)
    return _table(_text(data))


def _text(data: bytes) -> str:
    for encoding in ("utf-8-sig", "cp1252"):
        try:
            return data.decode(encoding).replace("\r\n", "\n").replace("\r", "\n")
        except UnicodeDecodeError:
            continue
    raise RosterError("roster_not_table")


def _rows(text: str) -> list[list[str]]:
    """Cells of each row; the separator is the one of tab, semicolon and comma that the first row
    has most of."""
    first = text.lstrip().split("\n", 1)[0]
    separator = max("\t;,", key=first.count)
    return [[cell.strip() for cell in row] for row in _parsed(text, separator)]


def _parsed(text: str, separator: str = ",") -> Iterator[list[str]]:
    """Each row; one that the format does not allow (an open quote, a cell beyond all measure) has one empty
    cell."""
    if text.count("\n") > MOST_ROWS:
        raise RosterError("roster_too_many_rows", count=text.count("\n"))
    rows = csv.reader(io.StringIO(text), delimiter=separator)
    while True:
        try:
            yield next(rows)
        except StopIteration:
            return
        except csv.Error:
            yield [UNREADABLE]


def _table(text: str) -> Roster:
    rows = _rows(text)
    start = next((n for n, row in enumerate(rows) if any(row)), None)
    if start is None:
        raise RosterError("roster_empty")
    heads = _heads(rows[start])
    if "section" not in heads:
        raise RosterError("roster_columns")
    found = Roster()
    for number, row in enumerate(rows[start + 1 :], start + 2):
        if row == [UNREADABLE]:
            found.problems.append((number, because("row_unreadable")))
        elif any(row):
            _add_row(found, number, {key: row[at] if at < len(row) else "" for key, at in heads.items()})
    return found


def _heads(row: Iterable[str]) -> dict[str, int]:
    cells = [cell.lower().strip(" *:") for cell in row]
    return {key: cells.index(word) for key, words in HEADS.items() for word in words if word in cells}


def _add_row(found: Roster, number: int, row: dict[str, str]) -> None:
    name = shown(row["section"])
    if not name or len(name) > 20:
        found.problems.append((number, because("row_section")))
        return
    try:
        grades = _grades(row.get("grade", ""))
        minutes = _minutes(row.get("minutes", ""))
    except RowError as problem:
        found.problems.append((number, problem.reason))
        return
    try:
        meetings = list(_meetings(row.get("meets", "")))
    except RowError as problem:  # a time that cannot be read is no reason to lose the child
        found.problems.append((number, because("row_kept_without_times", why=problem.reason)))
        meetings = []
    section = found.section(name)
    whole = _with_grades(section, grades)
    if whole is None:
        found.problems.append(
            (number, because("row_two_grades", section=name, one=section.grade or 0, other=grades[0]))
        )
        return
    section.grade, section.upper = whole
    section.minutes = minutes or section.minutes
    more = [one for one in dict.fromkeys(meetings) if one not in section.meetings]
    if len(section.meetings) + len(more) > MOST_MEETINGS:
        found.problems.append((number, because("row_meetings", most=MOST_MEETINGS)))
        more = []
    section.meetings += more
    child = shown(row.get("name", ""))
    if len(child) > 60:
        found.problems.append((number, because("row_name")))
    elif child:
        section.children.append(child)


class RowError(RosterError):
    """A row that says something no section can have; the others are read."""


def _with_grades(section: RosterSection, grades: tuple[int, ...]) -> tuple[int | None, int | None] | None:
    """The grades of a section with these; None where they are more than a split class holds."""
    if not grades:
        return section.grade, section.upper
    known = {grade for grade in (section.grade, section.upper) if grade is not None}
    low, high = min({*known, *grades}), max({*known, *grades})
    return (low, high if high != low else None) if may_span(low, high) else None


def _grades(text: str) -> tuple[int, ...]:
    """One grade, or the two of a split class: `2/3`, `K-1`, `2 and 3`."""
    if text.lower().strip() in GRADES:
        return (GRADES[text.lower().strip()],)
    parts = [part for part in re.split(r"\s*(?:/|-|–|&|\band\b)\s*", text) if part]
    if len(parts) > 2:
        raise RowError("row_grade", text=text)
    return tuple(grade for grade in map(_grade, parts) if grade is not None)


def _grade(text: str) -> int | None:
    word = re.sub(r"^(grade|year)\s*", "", text.lower().strip())
    if not word:
        return None
    if word == "choir":
        return CHOIR
    if word in GRADES:
        return GRADES[word]
    if word.isdecimal() and len(word) <= 2 and int(word) <= 12:
        return int(word)
    raise RowError("row_grade", text=text)


def guessed_grades(name: str) -> tuple[int, int | None]:
    """From a name such as 2A or 2/3B, as (grade, second grade); kindergarten where it has no number, unless
    it is called a choir.

    >>> guessed_grades("2A"), guessed_grades("K/1"), guessed_grades("PK"), guessed_grades("Choir")
    ((2, None), (0, 1), (-1, None), (13, None))
    """
    split = re.match(r"(?i)(k|\d+)[/-](\d+)", name)
    if split:
        low = GRADES["k"] if split[1].lower() == "k" else int(split[1])
        if may_span(low, int(split[2])) and low != int(split[2]):
            return low, int(split[2])
    return _guessed(name), None


def _guessed(name: str) -> int:
    if "choir" in name.lower():
        return CHOIR
    if re.fullmatch(r"(?i)pre-?k.*|pk.*|nursery.*", name):
        return BELOW_KINDERGARTEN
    digits = re.search(r"\d+", name)
    return min(int(digits[0]), 12) if digits else 0


def _minutes(text: str) -> int | None:
    digits = re.sub(r"\D", "", text)
    if not digits:
        return None
    if len(digits) > 3 or not 10 <= int(digits) <= 180:
        raise RowError("row_minutes", text=text)
    return int(digits)


def _meetings(text: str) -> Iterator[Meeting]:
    """`Mon 09:10, Thu 8.30 45 min` or `Day 2 09:10`; a day's name begins a new one, with a comma before it
    or without."""
    for part in filter(
        None, re.split(r"[,;/]| and |(?<=\S)\s+(?=(?:mon|tue|wed|thu|fri|sat|sun|day)[a-z]*\b)", text.lower())
    ):
        match = _MEETING.fullmatch(part.strip())
        weekday = match and match["weekday"]
        if (
            not match
            or (weekday and weekday not in DAYS)
            or int(match["hour"]) > 23
            or int(match["minute"]) > 59
        ):
            raise RowError("row_meeting", text=part.strip())
        day = DAYS.index(weekday) if weekday else int(match["cycle"]) - 1
        if not 0 <= day <= 19:
            raise RowError("row_cycle", text=part.strip())
        yield Meeting(day, time(int(match["hour"]), int(match["minute"])), _minutes(match["long"] or ""))


def _one_roster(data: bytes) -> Roster:
    """OneRoster CSV: classes.csv, users.csv and enrollments.csv in one zip; only what is needed is kept."""
    tables = {name: _records(_member(data, f"{name}.csv")) for name in ("classes", "users", "enrollments")}
    found = Roster()
    classes = {row.get("sourcedId", ""): row for row in tables["classes"]}
    users = {row.get("sourcedId", ""): row for row in tables["users"]}
    for number, row in enumerate(tables["enrollments"], 2):
        if row.get("role", "student").lower() != "student" or row.get("status", "").lower() == "tobedeleted":
            continue
        group, child = classes.get(row.get("classSourcedId", "")), users.get(row.get("userSourcedId", ""))
        if group is None or child is None:
            found.problems.append((number, because("row_not_in_files")))
            continue
        grade = re.split(r"[,;]", group.get("grades", ""))[0].lstrip("0") or (
            "0" if group.get("grades") else ""
        )
        name = child.get("preferredFirstName") or child.get("givenName", "")
        _add_row(
            found,
            number,
            {
                "section": group.get("classCode") or group.get("title", ""),
                "grade": grade.replace("G", ""),
                "name": name,
            },
        )
    if not found.sections and not found.problems:
        raise RosterError("roster_nobody_enrolled")
    return found


def _member(data: bytes, name: str) -> str:
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as archive:
            inside = next((one for one in archive.namelist() if one.rsplit("/", 1)[-1] == name), None)
            if inside is None:
                raise RosterError("zip_lacks", name=name)
            with archive.open(inside) as stream:
                content = stream.read(MOST_BYTES + 1)
    except ZIP_DAMAGED as problem:
        raise RosterError("zip_unreadable") from problem
    if len(content) > MOST_BYTES:
        raise RosterError("zip_member_too_large", name=name)
    return _text(content)


def _records(text: str) -> list[dict[str, str]]:
    heads, *rows = [*_parsed(text)] or [[]]
    return [dict(zip(heads, row, strict=False)) for row in rows if row != [UNREADABLE]]
