"""What the class sees follows the teacher: which part of the lesson, and which part of a score."""

from __future__ import annotations

from typing import Any

from playwright.sync_api import Page, expect

from browser.conftest import Running, sign_in


def with_parts(page: Page, address: str) -> tuple[str, int, dict[str, Any]]:
    """A lesson of a class that sings in parts: its id, and how many parts on from where it stands one has a
    score of several parts."""
    for section in page.request.get(f"{address}/api/sections").json():
        found = page.request.get(f"{address}/api/sections/{section['id']}").json()
        for brief in filter(None, (found["open_lesson"], found["last_lesson"])):
            read = page.request.get(f"{address}/api/lessons/{brief['id']}").json()
            for at, part in enumerate(read["parts"]):
                if part["song"] and part["song"]["parts"] and part["song"]["first"] is None:
                    begun = next((n for n, one in enumerate(read["parts"]) if not one["tick"]), 0)
                    return str(brief["id"]), at - begun, part["song"]
    raise LookupError("no lesson of the demo has a song in parts")


def test_the_part_that_is_sung_stands_out_on_both_screens(page: Page, demo: Running) -> None:
    sign_in(page, demo.address)
    lesson, at, song = with_parts(page, demo.address)
    page.goto(f"{demo.address}/lessons/{lesson}/teach")
    wall = page.context.new_page()
    wall.goto(f"{demo.address}/lessons/{lesson}/projector")
    expect(wall.get_by_role("heading")).to_be_visible()
    for _ in range(abs(at)):
        page.keyboard.press("ArrowRight" if at > 0 else "ArrowLeft")
    expect(wall.get_by_role("heading", name=song["title"])).to_be_visible()
    expect(wall.locator(".one-part")).to_have_count(0)
    names = [one["name"] for one in song["parts"]]
    for name in names:
        page.keyboard.press("l")
        expect(page.get_by_role("button", name=name, pressed=True)).to_be_visible()
        expect(wall.locator(".one-part figure.score")).to_be_visible()
    start = song["parts"][-1]["starting"]["degree"]
    expect(page.locator(".start")).to_contain_text(start)
    page.get_by_label("without the others").check()
    expect(wall.locator("[id^='dim-']")).to_have_count(0)
    page.keyboard.press("l")
    expect(page.get_by_role("button", name="all parts", pressed=True)).to_be_visible()
    expect(wall.locator(".one-part")).to_have_count(0)
