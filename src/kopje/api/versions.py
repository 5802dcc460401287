"""Which operations read and write something as a whole, and under which name: its version goes out as an ETag
(`"/calendar:7"`) and comes back as If-Match (docs/adr/0015-versions.md)."""

from __future__ import annotations

import re
from collections.abc import Mapping
from typing import Any
from urllib.parse import quote

READS = {
    "calendar": "/calendar",
    "words": "/words",
    "templates": "/templates",
    "room": "/room",
    "dayLike": "/days/{day}",
    "school": "/school",
    "sequence": "/sequence",
    "ladder": "/ladder",
    "barColours": "/bar-colours",
    "sectionDetail": "/sections/{section_id}",
    "declared": "/sections/{section_id}/declared",
    "knownSongs": "/sections/{section_id}/known-songs",
    "singers": "/sections/{section_id}/singers",
    "year": "/sections/{section_id}/year",
    "song": "/songs/{song_id}",
    "recording": "/recordings/{recording_id}",
    "activity": "/activities/{activity_key}",
    "adults": "/adults",
    "privacy": "/privacy",
    "seats": "/sections/{section_id}/seats",
    "practice": "/sections/{section_id}/practice",
    "reportWords": "/report-words",
    "ledgerRules": "/ledger-rules",
}
WRITES = {
    "setCalendar": "/calendar",
    "setWords": "/words",
    "setTemplate": "/templates",
    "setRoom": "/room",
    "setDayLike": "/days/{day}",
    "setSchool": "/school",
    "keepSequence": "/sequence",
    "startSequence": "/sequence",
    "setLadder": "/ladder",
    "setBarColours": "/bar-colours",
    "changeSection": "/sections/{section_id}",
    "declare": "/sections/{section_id}/declared",
    "setKnownSongs": "/sections/{section_id}/known-songs",
    "setSingers": "/sections/{section_id}/singers",
    "overrideYear": "/sections/{section_id}/year",
    "fitYear": "/sections/{section_id}/year",
    "undoYear": "/sections/{section_id}/year",
    "annotateSong": "/songs/{song_id}",
    "aboutSong": "/songs/{song_id}",
    "changeRecording": "/recordings/{recording_id}",
    "changeActivity": "/activities/{activity_key}",
    "noteActivity": "/activities/{activity_key}",
    "changeAdult": "/adults",
    "setRetention": "/privacy",
    "setSeats": "/sections/{section_id}/seats",
    "setRoutine": "/sections/{section_id}/practice",
    "setReportWords": "/report-words",
    "setRules": "/ledger-rules",
}
TAG = re.compile(r'(?:W/)?"(?P<name>/[^"]*):(?P<number>\d{1,9})"')


def named(pattern: str, path: Mapping[str, Any]) -> str:
    """As an address has it: a header holds no other signs.

    >>> named("/activities/{activity_key}", {"activity_key": 'own "ā'})
    '/activities/own%20%22%C4%81'
    """
    return pattern.format_map({key: quote(str(value), safe="") for key, value in path.items()})


def tag(name: str, number: int) -> str:
    return f'"{name}:{number}"'


def seen(header: str | None, name: str) -> int | None:
    """The version of this thing that a client looked at; None where it does not say, or speaks of another."""
    found = TAG.fullmatch(header.strip()) if header else None
    return int(found["number"]) if found and found["name"] == name else None
