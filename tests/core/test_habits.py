"""What lessons teach about lessons: minutes that parts really took, what went well, what was dropped."""

from __future__ import annotations

from dataclasses import replace
from datetime import UTC, datetime, timedelta

from hypothesis import given
from hypothesis import strategies as st

from core.test_lesson_set import asked
from kopje.core.ledger.events import ClassEvent
from kopje.core.ledger.held import HeldLesson, held_lesson
from kopje.core.planning.candidates import Slots
from kopje.core.planning.catalogue import CATALOGUE
from kopje.core.planning.facts import facts_of, packed, unpacked
from kopje.core.planning.habits import AS_SHIPPED
from kopje.core.planning.lesson import Choice
from kopje.core.planning.lesson_set.question import first_lesson
from kopje.core.planning.own_activity import activity_from, activity_values, checked
from kopje.core.planning.template import (
    BANDS,
    SHIPPED_TEMPLATES,
    SlotPlan,
    Template,
    template_from,
    template_values,
)
from kopje.core.sequence.so_mi_first import SO_MI_FIRST

START = datetime(2026, 9, 7, 9, 0, tzinfo=UTC)


def lesson(week: int, ticks: str, flat: str = "", why: str = "") -> HeldLesson:
    """A lesson of parts named by their letters: `a5 b3` ticks a after five minutes and b three later; a
    `~` before the number ticks it on the next day."""
    begins = START + timedelta(weeks=week)
    parts = [
        {"id": f"{week}{name}", "slot": f"{name}-1", "activity": ACTIVITY[name], "minutes": 3}
        for name in "abc"
    ]
    moment, found = begins, [("started", begins, None, {})]
    for number, token in enumerate(ticks.split()):
        name, late, minutes = token[0], "~" in token, int(token[1:].strip("~"))
        moment += timedelta(minutes=minutes, days=int(late))
        found.append(("ticked", moment, f"{week}{name}", {"tick": "done", "number": number}))
    found += [("rated", moment, f"{week}{name}", {"rating": "flat", "note": why}) for name in flat]
    found.append(("ended", moment + timedelta(minutes=1), None, {}))
    place = {"starts": "09:00", "minutes": 30}
    made = [
        ClassEvent(
            f"{week}-{n}", kind, "s", f"l{week}", begins.date(), at, "d", n, None, part,
            None, {**body, "lesson": place, "parts": parts} if kind == "started" else body,
            at.date() != begins.date(),
        )
        for n, (kind, at, part, body) in enumerate(found)
    ]  # fmt: skip
    held = held_lesson(made)
    assert held is not None
    return held


ACTIVITY = {"a": "beat-passes", "b": "sing-in", "c": "mirror-moves"}


def test_minutes_are_counted_from_tick_to_tick_and_twice_make_them_usual() -> None:
    once = facts_of([lesson(0, "a5 b3 c0")])
    assert once.lengths == {"beat-passes": (5,), "sing-in": (3,)}, "ticked at once at the end tells nothing"
    assert once.usual_minutes == {}
    thrice = facts_of([lesson(n, f"a{minutes} b~3 b3") for n, minutes in enumerate((9, 4, 5))])
    assert thrice.usual_minutes["beat-passes"] == 5, "the middle one of nine, four and five"
    assert "sing-in" not in thrice.usual_minutes, "ticked another day, and twice"
    habits = AS_SHIPPED.lasting({"beat-passes": 9})
    assert habits.repertoire.activity("beat-passes").minutes == (2, 5, 5), "never beyond what it bears"


def test_what_fell_flat_and_what_was_left_is_remembered_and_survives_storing() -> None:
    facts = facts_of([lesson(0, "a5 b3", flat="a"), lesson(1, "a5 b3 c2")])
    assert facts.rated == {"beat-passes": (0, 1)}
    assert facts.open == ((START.date(), "c-1"),)
    assert unpacked(packed(facts)) == facts


def test_why_it_fell_flat_is_repeated_until_it_is_rated_anew() -> None:
    first, second = (lesson(n, "a5 b3", flat="a", why=why) for n, why in enumerate(("too many drums", "")))
    facts = facts_of([first])
    assert facts.why == {"beat-passes": "too many drums"}
    assert unpacked(packed(facts)) == facts
    assert facts_of([first, second]).why == {}
    question = replace(first_lesson(asked(2, 1)), rated=facts.rated, why=facts.why)
    said = Slots(question).made(Choice("beat-passes")).reasons
    assert [one.code for one in said if one.code in ("fell_flat", "rated_why")] == ["fell_flat", "rated_why"]


@given(
    st.lists(st.sampled_from(("voice", "review", "second", "play", "game", "repertoire")), max_size=9),
    st.lists(st.booleans(), min_size=12, max_size=12),
    st.integers(10, 90),
)
def test_a_short_lesson_keeps_what_is_never_to_be_dropped(
    roles: list[str], always: list[bool], minutes: int
) -> None:
    inner = [SlotPlan(role, None, (), keep) for role, keep in zip(roles, always, strict=False)]  # type: ignore[arg-type]
    template = Template((SlotPlan("opening"), *inner, SlotPlan("focus"), SlotPlan("closing")))
    left = template.slots_for(minutes)
    assert {"opening", "focus", "closing"} <= {slot.role for slot in left}
    assert len({slot.key for slot in left}) == len(left)
    kept = [slot.role for slot in left if slot.always]
    assert sorted(kept) == sorted(one.role for one in template.slots if one.always)
    assert sorted([*template.dropped(minutes), *(slot.role for slot in left)]) == sorted(
        one.role for one in template.slots
    )
    assert template_from("middle", template_values(template)) == template


def test_every_shipped_activity_and_template_could_be_written_by_hand() -> None:
    """What is copied to be changed is as good as what it was copied from."""
    for item in CATALOGUE:
        again = activity_from(item.key, activity_values(item))
        assert again == item
        assert checked(again, SO_MI_FIRST.by_key) == item
    for band in BANDS:
        assert template_from(band, template_values(SHIPPED_TEMPLATES.of_band(band))) == (
            SHIPPED_TEMPLATES.of_band(band)
        )
