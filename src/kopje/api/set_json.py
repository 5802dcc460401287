"""A composed set as JSON for other programs, as `kopje compose --json` prints it."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any
from uuid import UUID

from kopje.core.planning.activities import Activity
from kopje.core.planning.beside import ACTIVITY, beside
from kopje.core.planning.lesson import Part
from kopje.core.planning.lesson_set.question import SetPlan, SetQuestion
from kopje.core.songs.suitability import LAST_STAGE
from kopje.store.tables import Recording, Song
from kopje.usecases.context import Context
from kopje.usecases.lessons.read_lesson import PartView
from kopje.usecases.lessons.read_set import SetView
from kopje.usecases.lessons.set_scope import SetScope
from kopje.words import Words


def set_json(scope: SetScope, question: SetQuestion, plan: SetPlan, words: Words) -> dict[str, Any]:
    """Minutes are whole; `stage` counts a song's meetings, 1 to 7."""
    titles = {song.id: song.title for song in question.songs}
    met = {key: one.lessons for key, one in question.met.items()}
    lessons = []
    for number, lesson in enumerate(plan.lessons):
        dates = {
            section.name: at.day.isoformat()
            for section, at in zip(scope.sections, scope.times[number], strict=True)
            if at is not None
        }
        pins = question.lessons[number].pins
        parts = [_part(part, titles, met, part.slot in pins) for part in lesson.parts]
        for thing in {part.choice.thing for part in lesson.parts} - {None}:
            met[str(thing)] = met.get(str(thing), 0) + 1
        lessons.append(
            {"dates": dates, "available": lesson.available, "parts": parts, **_beside(scope, number)}
        )
    said = [*plan.unmet, *(reason for lesson in plan.lessons for reason in lesson.unmet)]
    return {
        "status": plan.status,
        "cost": plan.cost,
        "gap": plan.gap,
        "grade": question.state.grade,
        "sections": [one.name for one in scope.sections],
        "lessons": lessons,
        "unmet": list(dict.fromkeys(words.say(reason) for reason in said)),
        "relaxed": list(plan.relaxed),
    }


def _beside(scope: SetScope, number: int) -> dict[str, Any]:
    """A part for a small group beside the class; its minutes are not counted."""
    found = beside(scope.state, number)
    return {"beside": {"activity": ACTIVITY, "concept": found.concept.key}} if found else {}


def planned_json(view: SetView, titles: Mapping[UUID, Song | Recording], ctx: Context) -> dict[str, Any]:
    """The set as it stands planned, in the same shape; what was composed last says its status."""
    found: Mapping[str, Any] = view.found or {}
    known = ctx.habits.repertoire.activity
    named = {str(key): one.title for key, one in titles.items()}
    lessons: list[dict[str, Any]] = []
    for column in view.columns:
        parts = [
            {
                **_told(known(cell.part.choice.activity), cell.part, named),
                "stage": min(cell.sung + 1, LAST_STAGE) if cell.part.choice.song else None,
                "pinned": cell.part.pinned,
                "sections": list(cell.sections),
            }
            for cell in column.cells
        ]
        dates = {box.section.name: box.at.day.isoformat() for box in column.boxes}
        aside = _beside(view.scope, len(lessons))
        lessons.append({"dates": dates, "available": column.available, "parts": parts, **aside})
    said = [*view.unmet, *(reason for column in view.columns for reason in column.unmet)]
    return {
        "status": found.get("status"),
        "cost": found.get("cost"),
        "gap": found.get("gap"),
        "grade": view.scope.state.grade,
        "sections": [one.name for one in view.scope.sections],
        "lessons": lessons,
        "unmet": list(dict.fromkeys(ctx.words.say(reason) for reason in said)),
        "relaxed": found.get("relaxed", []),
    }


def _part(part: Part, titles: Mapping[str, str], met: Mapping[str, int], pinned: bool) -> dict[str, Any]:
    song = part.choice.song
    return {
        **_told(part.activity, part, titles),
        "stage": min(met.get(song, 0) + 1, LAST_STAGE) if song else None,
        "pinned": pinned,
    }


def _told(item: Activity, part: Part | PartView, titles: Mapping[str, str]) -> dict[str, Any]:
    least, _, most = item.minutes
    song = part.choice.song
    return {
        "slot": part.slot,
        "role": part.role,
        "activity": item.key,
        "kind": item.kind,
        "energy": item.energy,
        "minutes": part.minutes,
        "least": least,
        "most": most,
        "song": titles.get(song) if song else None,
        "concept": part.choice.concept,
        "purpose": part.choice.purpose,
        "new": part.new is not None,
        "left_over": part.left_over,
    }
