"""The next lessons of a grade on one table: composed, pinned, changed by hand, taken back."""

from __future__ import annotations

from playwright.sync_api import Page, expect

from browser.conftest import Running, choose, sign_in

LONG = 120_000  # what it composes takes its time on a busy machine


def test_a_grade_is_planned_for_weeks_and_the_teacher_has_the_last_word(page: Page, demo: Running) -> None:
    sign_in(page, demo.address)
    page.goto(f"{demo.address}/week")
    page.get_by_role("link", name="Grade 3", exact=True).click()
    expect(page.get_by_role("heading", name="Grade 3: the next lessons")).to_be_visible()
    choose(page, "Lessons", "4")
    page.get_by_role("button", name="Compose the rest").click()
    expect(page.get_by_role("status").filter(has_text="choices")).to_be_visible(timeout=LONG)
    columns = page.locator("thead th:not(.corner)")
    expect(columns).to_have_count(4)
    expect(columns.first).to_contain_text("3A")
    expect(columns.first).to_contain_text("3B")
    page.keyboard.press("ArrowDown")
    page.keyboard.press("ArrowRight")
    page.keyboard.press("ArrowDown")
    picked = page.locator(".cell.picked")
    was = picked.locator("strong").inner_text()
    page.keyboard.press(" ")
    expect(picked.get_by_label("pinned")).to_be_visible()
    page.keyboard.press("Enter")
    choose(page.locator("aside"), "Activity", "The beat goes round (movement)")
    page.get_by_role("button", name="Put it here").click()
    expect(picked.locator("strong")).to_have_text("The beat goes round")
    expect(picked).to_contain_text("changed")
    page.keyboard.press("Escape")
    page.get_by_role("button", name="Compose the rest").click()
    expect(page.get_by_role("status").filter(has_text="composed the rest")).to_be_visible(timeout=LONG)
    expect(picked.locator("strong")).to_have_text("The beat goes round")
    columns.nth(1).get_by_role("link", name="3A").click()
    expect(page.get_by_text("The beat goes round").first).to_be_visible()
    page.goto(f"{demo.address}/sets/grade-3")
    for _ in range(2):
        page.get_by_role("button", name="Take back").click()
        expect(page.get_by_role("button", name="Do again")).to_be_enabled()
    column = page.locator(".cell", has_text=was)
    expect(column.first).to_be_visible()
    expect(page.locator(".cell", has_text="The beat goes round")).to_have_count(0)
