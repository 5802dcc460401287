"""Kestrel Ridge School: sections, timetable, names, and what went wrong that autumn. All invented."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import time
from pathlib import Path

from kopje.core.sequence.grades import CHOIR

NAMES = Path(__file__).with_name("names.txt").read_text().split()

SCHOOL = "Kestrel Ridge School"
TEACHER = "Noor Haddad-Lind"


@dataclass(frozen=True, slots=True)
class Plan:
    """A section with its meetings, and how its children tend to do in rhythm and in melody (0..1)."""

    name: str
    grade: int
    minutes: int
    children: int
    meetings: tuple[tuple[int, time], ...]
    rhythm: float
    melody: float


def _at(*places: tuple[int, str]) -> tuple[tuple[int, time], ...]:
    return tuple((weekday, time.fromisoformat(clock)) for weekday, clock in places)


SECTIONS = (
    Plan("KA", 0, 30, 20, _at((0, "08:30"), (2, "08:30")), 0.74, 0.76),
    Plan("KB", 0, 30, 21, _at((1, "08:30"), (3, "08:30")), 0.70, 0.72),
    Plan("1A", 1, 30, 22, _at((0, "09:10"), (2, "09:10")), 0.80, 0.78),
    Plan("1B", 1, 30, 22, _at((1, "09:10"), (3, "09:10")), 0.76, 0.80),
    Plan("2A", 2, 30, 23, _at((1, "09:50"), (4, "09:10")), 0.84, 0.82),
    Plan("2B", 2, 30, 22, _at((0, "09:50"), (3, "09:50")), 0.72, 0.58),
    Plan("3A", 3, 45, 22, _at((0, "10:40")), 0.80, 0.80),
    Plan("3B", 3, 45, 21, _at((1, "10:40")), 0.78, 0.74),
    Plan("4A", 4, 45, 23, _at((2, "10:40")), 0.82, 0.76),
    Plan("4B", 4, 45, 22, _at((3, "10:40")), 0.78, 0.78),
    Plan("5A", 5, 45, 22, _at((4, "10:40")), 0.90, 0.62),
    Plan("5B", 5, 45, 22, _at((4, "13:00")), 0.80, 0.80),
    Plan("Choir", CHOIR, 60, 0, _at((2, "14:30")), 0.84, 0.84),
)
SINGERS = 28  # of grades 4 and 5
NOTES = (
    "Second verse still shaky.",
    "Good day, ask for the game again.",
    "Fire drill took four minutes.",
    "Try it lower next time.",
    "They want to lead it themselves.",
    "Drums too loud near the end.",
)
