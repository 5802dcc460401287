"""The ridges of a grade of four sections over forty weeks: what the browser computes, beside the bare data
query."""

from __future__ import annotations

import uuid
from collections.abc import Callable
from datetime import date, time
from statistics import median

import pytest
from playwright.sync_api import Browser, expect
from sqlalchemy import text

from bench.timing import say, timed
from browser.conftest import Running, browser, page, serve  # noqa: F401
from conftest import SETTINGS
from kopje.core.planning.calendar import Span
from kopje.core.planning.meetings import Meeting
from kopje.usecases.context import Context, Desk
from kopje.usecases.setup import school_calendar, set_up_school
from kopje.usecases.year import plan_year

ARCS = text("SELECT a.* FROM arc a JOIN section s ON s.id = a.section_id WHERE s.grade = 3 ORDER BY a.start")


@pytest.fixture
def school(browser: Browser, serve: Callable[[str], Running]) -> Running:  # noqa: F811
    running = serve("bench_ridge")
    with running.work.begin() as session:
        ids = (uuid.uuid4(), uuid.uuid4())
        set_up_school.first_run(session, ids, "Bench", "Noor", "bench", "a long password", SETTINGS.now())
        ctx = Context(session, *ids, SETTINGS.now(), uuid.uuid4)
        school_calendar.set_periods(ctx, [Span(date(2026, 8, 31), date(2027, 6, 4), "Year")], [], 0)
        names = tuple(f"Child {i}" for i in range(22))
        sections = [
            set_up_school.add_section(
                ctx, set_up_school.NewSection(f"3{letter}", 3, 45, names, (Meeting(n, time(9)),))
            ).id
            for n, letter in enumerate("ABCD")
        ]
    desk = Desk(running.work, lambda session: Context(session, *ids, SETTINGS.now(), uuid.uuid4))
    for section_id in sections:
        plan_year.fit(desk, section_id)
    return running


def test_the_ridges_of_a_grade(browser: Browser, school: Running) -> None:  # noqa: F811
    context = browser.new_context(viewport={"width": 1280, "height": 800})
    window = context.new_page()
    window.goto(school.address)
    window.fill("input[name=login]", "bench")
    window.fill("input[name=password]", "a long password")
    window.get_by_role("button", name="Sign in").click()
    window.wait_for_selector(".strip")
    devtools = context.new_cdp_session(window)
    devtools.send("Profiler.enable")
    devtools.send("Profiler.setSamplingInterval", {"interval": 200})

    def scripting() -> float:
        """Seconds of the profile in which a script ran."""
        profile = devtools.send("Profiler.stop")["profile"]
        idle = {
            n["id"]
            for n in profile["nodes"]
            if n["callFrame"]["functionName"] in ("(idle)", "(program)", "(root)")
        }
        pairs = zip(profile["samples"], profile["timeDeltas"], strict=True)
        return sum(micros for node, micros in pairs if node not in idle) / 1e6

    seconds = []
    for _ in range(5):
        window.get_by_role("link", name="Songs", exact=True).click()
        window.wait_for_load_state("networkidle")
        devtools.send("Profiler.start")
        window.get_by_role("link", name="Year", exact=True).click()
        expect(window.locator("svg.ridge")).to_have_count(4)
        window.wait_for_load_state("networkidle")
        seconds.append(scripting())
    devtools.detach()
    with school.work.read() as session:
        bare = [timed(lambda: session.execute(ARCS).all())[0] for _ in range(20)]
    say(
        "ridges of 4 sections x 40 weeks: scripting beside the bare query",
        median(seconds),
        median(bare),
        "under 150 ms",
    )
    print(f"first drawing {1000 * seconds[0]:.0f} ms, slowest {1000 * max(seconds):.0f} ms")
    context.close()
