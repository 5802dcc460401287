"""The teacher's own ways: an activity written from another, an order of lessons, a lesson nobody opened."""

from __future__ import annotations

import re

from playwright.sync_api import FilePayload, Page, expect

from browser.conftest import Running, choose, sign_in

HERON: FilePayload = {
    "name": "heron.pdf",
    "mimeType": "application/pdf",
    "buffer": b"%PDF-1.7\n% a heron\n",
}
LONG = 120_000  # what it composes takes its time on a busy machine


def test_an_activity_is_written_kept_with_a_file_and_comes_at_its_turn(page: Page, demo: Running) -> None:
    sign_in(page, demo.address)
    page.goto(f"{demo.address}/set-up")
    page.get_by_role("link", name="Activities: all of them").click()
    page.get_by_role("textbox", name="Find an activity").fill("mirror")
    page.get_by_role("link", name="Mirror", exact=True).click()
    page.get_by_role("link", name="Make one from this").click()
    page.get_by_role("textbox", name="Name").fill("Heron on one leg")
    page.get_by_role("textbox", name="Step 1").fill(
        "Stand like a heron in shallow water; nobody moves for eight beats."
    )
    page.get_by_role("button", name="Keep this").click()
    expect(page.get_by_role("heading", name="Heron on one leg")).to_be_visible()
    page.get_by_role("textbox", name="Your note").fill("Best after lunch.")
    page.get_by_role("button", name="Keep this").click()
    page.locator("input[type=file]").set_input_files(HERON)
    expect(page.get_by_role("link", name="heron.pdf")).to_be_visible()
    page.reload()
    expect(page.get_by_role("textbox", name="Your note")).to_have_value("Best after lunch.")

    page.goto(f"{demo.address}/sets/grade-5")
    page.get_by_role("button", name="Lesson order").click()
    aside = page.locator("aside")
    aside.get_by_role("button", name="Let activities take turns in part 1").click()
    turns = aside.get_by_role("combobox", name="Take turns here")
    turns.fill("Heron")
    page.get_by_role("option", name="Heron on one leg").first.click()
    turns.press("Tab")
    aside.get_by_role("button", name="Keep this").click()
    expect(aside.get_by_role("button", name="As it was at first")).to_be_visible()
    choose(page, "Lessons", "4")
    page.get_by_role("button", name="All anew").click()
    openings = page.locator(".cell", has_text="Heron on one leg")
    expect(openings).to_have_count(4, timeout=LONG)
    page.get_by_role("button", name="Take back").click()
    expect(openings).to_have_count(0)


def test_a_lesson_nobody_opened_is_asked_about_and_the_answer_can_be_taken_back(
    page: Page, demo: Running
) -> None:
    """In the demo it is Tuesday, and the first lesson has gone by."""
    sign_in(page, demo.address)
    asked = page.get_by_role("heading", name="Did it happen?")
    if not asked.is_visible():
        page.wait_for_load_state("networkidle")
    if not asked.is_visible():
        return  # at another hour of the demo no lesson has gone by
    first = page.locator(".asked li").first
    name = first.locator("strong").inner_text()
    first.get_by_role("button", name="As planned").click()
    expect(page.get_by_text(f"{name}: held.")).to_be_visible()
    expect(page.locator(".asked li", has_text=re.compile(rf"^{name} "))).to_have_count(0)
    page.get_by_role("button", name="Take it back").click()
    expect(page.locator(".asked li").first.locator("strong")).to_have_text(name)
