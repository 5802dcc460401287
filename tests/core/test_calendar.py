"""How many lessons there really are: against a second way of counting, on made-up calendars."""

from datetime import date, time, timedelta

from hypothesis import given
from hypothesis import strategies as st

from kopje.core.errors import CalendarError
from kopje.core.planning.calendar import LessonChange, SchoolYear, Span, held_by, lesson_times
from kopje.core.planning.meetings import Meeting
from making import refuses

AUGUST = date(2026, 8, 3)
days = st.integers(0, 300).map(lambda n: AUGUST + timedelta(n))
clocks = st.sampled_from([time(8, 30), time(9, 10), time(13)])
spans = st.tuples(days, st.integers(0, 20)).map(
    lambda pair: Span(pair[0], pair[0] + timedelta(pair[1]), "off")
)


@st.composite
def years(draw: st.DrawFn) -> SchoolYear:
    """One to three terms that do not overlap, some holidays, by weekday or in a cycle."""
    cuts = sorted(draw(st.sets(st.integers(0, 300), min_size=2, max_size=6)))
    terms = [
        Span(AUGUST + timedelta(a), AUGUST + timedelta(b - 1), f"term {a}")
        for a, b in zip(cuts[::2], cuts[1::2], strict=False)
    ]
    return SchoolYear(
        tuple(terms), tuple(draw(st.lists(spans, max_size=5))), draw(st.sampled_from([0, 0, 4, 6]))
    )


def counted_by_hand(
    year: SchoolYear, meetings: list[Meeting], lost: list[LessonChange], extra: list[LessonChange]
) -> set[tuple[date, time]]:
    """Day by day with a calendar in hand, a cycle's days crossed off one after the other."""
    found, cycle_day = set(), 0
    day = min(term.first for term in year.terms)
    while day <= max(term.last for term in year.terms):
        in_term = [term for term in year.terms if term.first <= day <= term.last]
        off = [span for span in year.holidays if span.first <= day <= span.last]
        if in_term and not off:
            for meeting in meetings:
                today = (
                    day.weekday() == meeting.weekday
                    if not year.cycle
                    else day.weekday() < 5 and cycle_day == meeting.weekday
                )
                gone = [c for c in lost if c.day == day and (c.starts is None or c.starts == meeting.starts)]
                if today and not gone:
                    found.add((day, meeting.starts))
            if day.weekday() < 5 and year.cycle:
                cycle_day = (cycle_day + 1) % year.cycle
        day += timedelta(1)
    return found | {(c.day, c.starts) for c in extra}  # type: ignore[misc]


@given(
    years(),
    st.lists(st.builds(Meeting, st.integers(0, 5), clocks), max_size=4, unique=True),
    st.lists(st.builds(LessonChange, days, st.none() | clocks), max_size=6),
    st.lists(st.builds(LessonChange, days, clocks), max_size=3),
)
def test_lessons_are_counted_as_by_hand(
    year: SchoolYear, meetings: list[Meeting], lost: list[LessonChange], extra: list[LessonChange]
) -> None:
    lessons = lesson_times(year, meetings, lost, extra)
    assert {(one.day, one.starts) for one in lessons} == counted_by_hand(year, meetings, lost, extra)
    assert [one.number for one in lessons] == list(range(1, len(lessons) + 1))
    assert [one.day for one in lessons] == sorted(one.day for one in lessons)
    if lessons:
        assert held_by(lessons, lessons[-1].day) == len(lessons)


def test_a_cycle_goes_on_over_a_holiday() -> None:
    term, off = (
        Span(date(2026, 9, 7), date(2026, 9, 25), "term"),
        Span(date(2026, 9, 9), date(2026, 9, 9), "off"),
    )
    lessons = lesson_times(SchoolYear((term,), (off,), 4), [Meeting(2, time(9))])
    assert [one.day.day for one in lessons] == [10, 16, 22]


def test_terms_that_cannot_be_are_refused_with_their_names() -> None:
    with refuses(CalendarError, r"ends .* before it begins"):
        Span(date(2026, 9, 2), date(2026, 9, 1), "Autumn")
    one, other = (
        Span(date(2026, 9, 1), date(2026, 12, 1), "One"),
        Span(date(2026, 12, 1), date(2027, 2, 1), "Two"),
    )
    with refuses(CalendarError, "“One” and “Two” overlap"):
        SchoolYear((one, other))
