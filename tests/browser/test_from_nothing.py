"""An empty database: the first page, one section, one lesson."""

from __future__ import annotations

import re
from collections.abc import Callable

from playwright.sync_api import Page, expect

from browser.conftest import Running


def test_the_story_works_from_an_empty_database(
    page: Page, serve: Callable[[str], Running], worker: str
) -> None:
    running = serve(f"nothing_{worker}")
    page.goto(running.address)
    expect(page.get_by_role("heading", name="Begin")).to_be_visible()
    page.fill("input[name=school]", "Kestrel Ridge School")
    page.fill("input[name=teacher]", "Noor")
    page.fill("input[name=login]", "noor")
    page.fill("input[name=password]", "a long password")
    page.fill("input[name=section]", "2C")
    page.fill("textarea[name=names]", "Ama\nJun\nInes\nTove\nKofi\nLien")
    expect(page.get_by_text("6 children")).to_be_visible()
    expect(
        page.get_by_role("button", name="Begin")
    ).to_be_disabled()  # when they meet is asked, never guessed
    page.get_by_role("button", name="They are here now").click()
    page.get_by_role("button", name="Begin").click()
    expect(page.get_by_role("heading", level=1)).to_contain_text("2C", timeout=90_000)
    expect(page.get_by_role("heading", level=1)).to_contain_text("now")
    page.get_by_label("The day").get_by_role("link", name="2C").click()
    expect(page.locator(".fits li").first).to_be_visible()
    page.get_by_role("button", name="Propose the lesson").click()
    expect(page.locator(".parts li").first).to_be_visible()
    expect(page.get_by_text("as few new things as possible")).to_be_visible()
    first = int(re.findall(r"Lesson (\d+) ·", page.locator(".work").inner_text())[0])
    page.keyboard.press("t")
    page.wait_for_selector(".teach")
    page.get_by_label("Only I see this screen").check()
    while not page.locator(".child").count() and not page.locator(".end").count():
        page.keyboard.press("ArrowRight")  # on to a part in which something can be judged
        page.wait_for_timeout(400)
    expect(page.locator(".child .name").first).not_to_have_text("Child 1")
    heard = page.locator(".child .name").first.inner_text()
    page.keyboard.press("3")
    expect(page.get_by_text("1 heard")).to_be_visible()
    page.keyboard.press("s")
    while not page.locator(".end").count():
        page.keyboard.press("ArrowRight")
        page.wait_for_timeout(100)
    page.get_by_role("button", name="End the lesson").click()
    page.get_by_role("button", name="Propose the next lesson").click()
    expect(page.get_by_text(re.compile(f"^Lesson {first + 1} ·"))).to_be_visible()
    expect(page.locator(".parts li").first).to_contain_text(re.compile("Left over|Opening"))
    page.get_by_role("link", name="Ledger", exact=True).click()
    expect(
        page.get_by_role(
            "button", name=re.compile(f"{heard}.*(showed it once|heard in one way|nearly)")
        ).first
    ).to_be_visible()
    page.reload()
    expect(page.get_by_role("heading", name="Ledger 2C")).to_be_visible()
