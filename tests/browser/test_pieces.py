"""A recorded piece is tapped while it sounds; the choir's ladder is climbed in another order and back."""

from __future__ import annotations

import struct
import wave
from pathlib import Path

from playwright.sync_api import Page, expect

from browser.conftest import Running, sign_in

RATE = 8000


def sound(path: Path, seconds: int) -> Path:
    """A quiet WAV file."""
    with wave.open(str(path), "wb") as file:
        file.setnchannels(1)
        file.setsampwidth(2)
        file.setframerate(RATE)
        file.writeframes(struct.pack("<h", 0) * RATE * seconds)
    return path


def test_a_piece_of_ones_own_is_tapped_while_it_plays(page: Page, demo: Running, tmp_path: Path) -> None:
    sign_in(page, demo.address)
    page.goto(f"{demo.address}/pieces")
    page.get_by_role("link", name="Add a piece").click()
    page.locator("input[type=file]").set_input_files(sound(tmp_path / "Grandmother's waltz.wav", 20))
    expect(page.get_by_label("Title")).to_have_value("Grandmother's waltz")
    page.get_by_role("button", name="Play").click()
    page.wait_for_timeout(700)
    page.get_by_role("button", name="New part a").click()
    page.wait_for_timeout(900)
    page.get_by_role("button", name="New part b").click()
    page.get_by_role("button", name="softer").click()
    page.wait_for_timeout(900)
    page.get_by_role("button", name="a again").click()
    page.get_by_role("button", name="Stop").click()
    expect(page.locator("li.mark")).to_have_count(4)
    page.get_by_role("button", name="Keep", exact=True).click()
    expect(page.get_by_text("Kept.")).to_be_visible()
    page.goto(f"{demo.address}/pieces")
    mine = page.locator(".piece", has_text="Grandmother's waltz")
    expect(mine.locator(".block")).to_have_text(["a", "b", "a"])
    expect(mine).to_contain_text("No class has heard it yet")
    mine.get_by_role("link").click()
    page.get_by_role("button", name="Take it off the shelf").click()
    expect(page.locator(".piece", has_text="Grandmother's waltz")).to_have_count(0)
    page.get_by_role("button", name="Take it back").click()
    expect(page.locator(".piece", has_text="Grandmother's waltz")).to_have_count(1)


def test_the_choir_climbs_in_another_order_and_back(page: Page, demo: Running) -> None:
    sign_in(page, demo.address)
    page.goto(f"{demo.address}/ladder")
    rows = page.locator(".step")
    expect(rows).to_have_count(12)
    expect(rows.nth(3)).to_contain_text("two parts")
    page.get_by_role("button", name="Skips before parts").click()
    expect(rows.nth(3)).to_contain_text("one part")
    expect(page.get_by_text("stays beside the ladder")).to_be_visible()
    page.get_by_role("button", name="+ a tie over the bar line").click()
    expect(rows).to_have_count(13)
    page.get_by_role("button", name="Keep this ladder").click()
    expect(page.get_by_role("button", name="Keep this ladder")).to_be_disabled()
    page.get_by_role("button", name="Take it back").click()
    expect(rows).to_have_count(12)
    page.get_by_role("button", name="Parts before skips").click()
    expect(rows.nth(3)).to_contain_text("two parts")
