"""Activities that the teacher writes: checked, and kept as plain values.

Source: docs/sources.md#activities."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import asdict
from string import Formatter
from typing import Any, get_args

from kopje.core.errors import PlanError
from kopje.core.planning.activities import Activity, Energy, Grouping
from kopje.core.planning.growth import STAGES, Form
from kopje.core.planning.template import LONGEST, ROLES

OWN = "own-"
FILLED = ("song", "piece", "section", "it", "concept", "shown")
MOST_STEPS, LONGEST_STEP, LONGEST_TITLE = 8, 400, 80
LOWEST, HIGHEST = -1, 13
_TUPLES = (
    "roles",
    "grades",
    "minutes",
    "steps",
    "purposes",
    "strands",
    "takes",
    "only",
    "never",
    "asks",
    "size",
)


def activity_values(item: Activity) -> dict[str, Any]:
    """As plain values that can be stored; `activity_from` gives it back."""
    values = {
        name: list(value) if isinstance(value, tuple) else value
        for name, value in asdict(item).items()
        if name != "key"
    }
    return {
        **values,
        "needs": [list(pair) for pair in item.needs],
        "forms": [[form.stage, form.says] for form in item.forms],
    }


def activity_from(key: str, values: Mapping[str, Any]) -> Activity:
    told: dict[str, Any] = {
        name: tuple(value) if name in _TUPLES else value for name, value in values.items()
    }
    told["needs"] = tuple((thing, share) for thing, share in values.get("needs", ()))
    told["forms"] = tuple(Form(stage, says) for stage, says in values.get("forms", ()))
    return Activity(key=key, **told)


def checked(item: Activity, concepts: Iterable[str]) -> Activity:
    """The activity if a lesson can use it; else PlanError with the first thing that is wrong."""
    if not 0 < len(item.title.strip()) <= LONGEST_TITLE:
        raise PlanError("activity_title", most=LONGEST_TITLE, value=item.title, path="title")
    if not 0 < len(item.steps) <= MOST_STEPS:
        raise PlanError("activity_steps", most=MOST_STEPS, value=len(item.steps), path="steps")
    for step in (*item.steps, *(form.says for form in item.forms)):
        _check_step(step)
    least, usual, most = item.minutes
    if not 1 <= least <= usual <= most <= LONGEST:
        raise PlanError("activity_minutes", most=LONGEST, value=list(item.minutes), path="minutes")
    if not LOWEST <= item.grades[0] <= item.grades[1] <= HIGHEST:
        raise PlanError("activity_grades", value=list(item.grades), path="grades")
    if not 1 <= item.size[0] <= item.size[1] <= 200:
        raise PlanError("activity_size", value=list(item.size), path="size")
    if not item.roles or not set(item.roles) <= set(ROLES):
        raise PlanError("activity_roles", value=list(item.roles), path="roles")
    if item.energy not in get_args(Energy) or item.grouping not in get_args(Grouping):
        raise PlanError("activity_roles", value=item.energy, path="energy")
    if any(form.stage not in STAGES for form in item.forms):
        raise PlanError("activity_forms", value=[form.stage for form in item.forms], path="forms")
    unknown = sorted(set(item.only) - set(concepts))
    if unknown:
        raise PlanError("activity_concept", concept=unknown[0], value=unknown[0], path="only")
    if item.purposes and not (item.only or item.takes or item.strands):
        raise PlanError("activity_about_nothing", value=list(item.purposes), path="only")
    return item


def _check_step(step: str) -> None:
    """Not empty, not a page, and in braces only what is filled in when it is said."""
    if not 0 < len(step.strip()) <= LONGEST_STEP:
        raise PlanError("activity_step_length", most=LONGEST_STEP, value=step, path="steps")
    try:
        parts = [part for part in Formatter().parse(step) if part[1] is not None]
        named = [str(name) + (":" * bool(spec)) + ("!" * bool(how)) for _, name, spec, how in parts]
    except ValueError:
        named = ["{"]
    wrong = next((name for name in named if name not in FILLED), None)
    if wrong is not None:
        raise PlanError("activity_braces", word=wrong, value=step, path="steps")
