"""Rosters and calendars from files: good rows kept aside, bad ones named, round trips."""

import io
import zipfile
from datetime import UTC, date, datetime, time

import pytest

from kopje.core.errors import CalendarError, RosterError
from kopje.core.planning.meetings import Meeting
from kopje.formats.ical import CalendarEvent, read_holidays, write_calendar
from kopje.formats.roster import read_roster
from making import refuses
from making import said as spoken

TABLE = """Class;Grade;Student;Minutes;Meets
2A;2;Ama;30;Mon 09:10, Thu 8.30
2A;2;Jun;;
KB;K;Zoë;30;Day 2 10:00
;2;Nobody;;
2A;4;Ines;;
3A;3;Tove;30;Someday 9:00
3B;13;Kofi;;
"""


def test_a_pasted_table_is_understood_and_each_bad_row_is_named() -> None:
    found = read_roster(TABLE.encode("cp1252"))
    assert list(found.sections) == ["2A", "KB", "3A"]  # a time that cannot be read loses no child
    assert (found.sections["3A"].children, found.sections["3A"].meetings) == (["Tove"], [])
    two = found.sections["2A"]
    assert (two.grade, two.minutes, two.children) == (2, 30, ["Ama", "Jun"])
    assert two.meetings == [Meeting(0, time(9, 10)), Meeting(3, time(8, 30))]
    assert found.sections["KB"].meetings == [Meeting(1, time(10))]
    assert [row for row, _ in found.problems] == [5, 6, 7, 8]
    assert "grade 2 further up, and 4 here" in spoken(found.problems[1][1])
    assert "someday" in spoken(found.problems[2][1]).lower()
    without_comma = read_roster(b"section,grade,name,meets\n2A,2,Ama,Mon 10:00 Wed 10:00\n")
    assert without_comma.sections["2A"].meetings == [Meeting(0, time(10)), Meeting(2, time(10))]
    assert not without_comma.problems


def test_a_split_class_is_what_its_rows_or_its_name_say() -> None:
    rows = read_roster(b"section,grade,name\n2A,2,Ama\n2A,3,Jun\nKB,K/1,Tove\nPK,pre-k,Kofi\n").sections
    assert [(one.grade, one.upper) for one in rows.values()] == [(2, 3), (0, 1), (-1, None)]
    assert rows["2A"].children == ["Ama", "Jun"]


def one_roster(**files: str) -> bytes:
    content = io.BytesIO()
    with zipfile.ZipFile(content, "w") as archive:
        for name, text in files.items():
            archive.writestr(f"{name}.csv", text)
    return content.getvalue()


def test_a_one_roster_zip_gives_sections_and_names_and_nothing_else() -> None:
    data = one_roster(
        classes="sourcedId,title,grades,classCode\nc1,Music 4A,04,4A\n",
        users="sourcedId,givenName,familyName,email,role\nu1,Ama,Hidden,a@x,student\nu2,Bo,Hidden,b@x,teacher\n",
        enrollments="sourcedId,classSourcedId,userSourcedId,role\ne1,c1,u1,student\ne2,c1,u2,teacher\ne3,c9,u1,student\n",
    )
    found = read_roster(data)
    assert {name: (one.grade, one.children) for name, one in found.sections.items()} == {"4A": (4, ["Ama"])}
    assert [row for row, _ in found.problems] == [4]


@pytest.mark.parametrize(
    ("data", "said"),
    [
        (b"", "empty"),
        (b"name,grade\nAma,2\n", "column"),
        (b"PK\x03\x04broken", "cannot be opened"),
        (one_roster(classes="sourcedId\n"), "no users.csv"),
        (b"x" * (5 << 20), "larger than 4 MB"),
    ],
)
def test_what_is_no_roster_is_refused_with_a_reason(data: bytes, said: str) -> None:
    with refuses(RosterError, said):
        read_roster(data)


def test_a_calendar_written_can_be_read_and_timed_events_are_no_holidays() -> None:
    made = datetime(2026, 11, 26, 9, tzinfo=UTC)
    data = write_calendar(
        "Kestrel Ridge",
        [
            CalendarEvent("a", "2A, lesson 1", date(2026, 9, 1), time(9, 10), 30),
            CalendarEvent("b", "Free day", date(2026, 9, 3), None, 0),
        ],
        made,
    )
    assert b"BEGIN:VCALENDAR" in data
    (only,) = read_holidays(data)
    assert (only.name, only.first, only.last) == ("Free day", date(2026, 9, 3), date(2026, 9, 3))
    with refuses(CalendarError, "not an iCalendar"):
        read_holidays(b"hello")
