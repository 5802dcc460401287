"""Practice, from the first exercise to the weak interval and the wall, by keys."""

from __future__ import annotations

import re

from playwright.sync_api import Page, expect

from browser.conftest import Running, sign_in


def practice_of(page: Page, demo: Running, name: str) -> None:
    found = page.request.get(f"{demo.address}/api/sections").json()
    section = next(one["id"] for one in found if one["name"] == name)
    page.goto(f"{demo.address}/sections/{section}/practice")
    expect(page.get_by_role("heading", name=f"Practice with {name}")).to_be_visible()


def test_a_class_reads_by_one_key_and_what_broke_is_kept(page: Page, demo: Running) -> None:
    sign_in(page, demo.address)
    practice_of(page, demo, "3B")
    title = page.locator(".sheet h2")
    page.get_by_role("button", name=re.compile("^half note")).click()
    expect(page.locator(".score svg").first).to_be_visible()
    steps = page.get_by_role("list", name="Routine of reading")
    look = steps.get_by_role("button", name=re.compile("Look in silence"))
    expect(look).to_have_attribute("aria-current", "step")  # a rhythm has no home to find first
    page.get_by_role("button", name=re.compile(r"^la\b")).click()
    expect(title).to_have_text(re.compile("^la,"))
    first = title.inner_text()
    page.keyboard.press(" ")
    expect(look).to_have_attribute("aria-current", "step")
    expect(look.get_by_role("timer")).to_be_visible()
    expect(page.locator(".score .verse")).to_have_count(0)  # nothing helps unless asked
    page.keyboard.press("3")
    expect(page.get_by_text("1 of 1 clean")).to_be_visible()
    page.keyboard.press("n")
    expect(title).not_to_have_text(first)
    page.keyboard.press("1")
    expect(page.get_by_text("Press the tone at which it broke.")).to_be_visible()
    head = page.locator(".score g.note .notehead").nth(2)
    head.click(force=True)
    page.get_by_role("button", name="Hold the tone before").click()
    page.get_by_role("button", name="That helped").click()
    expect(page.get_by_text("1 of 2 clean")).to_be_visible()
    page.get_by_role("button", name="Weak intervals").click()
    drawer = page.get_by_label("Weak intervals")
    expect(drawer).to_contain_text("1 of")
    page.keyboard.press("Backspace")
    expect(page.get_by_text("1 of 1 clean")).to_be_visible()


def test_signs_come_without_the_notes_also_on_the_wall(page: Page, demo: Running) -> None:
    sign_in(page, demo.address)
    practice_of(page, demo, "3A")
    page.keyboard.press(" ")
    expect(page.locator(".score svg").first).to_be_visible()
    with page.context.expect_page() as opened:
        page.get_by_role("button", name="On the wall").click()
    wall = opened.value
    expect(wall.locator(".score svg").first).to_be_visible()
    page.get_by_role("button", name="From signs").click()
    expect(wall.locator(".score svg")).to_have_count(0)
    expect(page.locator(".score svg")).to_have_count(0)
    page.keyboard.press(" ")
    expect(page.get_by_text(re.compile(r"^1 of \d+$"))).to_be_visible()
    expect(wall.get_by_label("The sign now").locator(".hand")).to_be_visible()
    page.get_by_role("button", name="few tones, one more each time").click()
    expect(page.get_by_text(re.compile(r"^The set: .* \(2 of"))).to_be_visible()
    for _ in range(7):  # five signs, then it is over, then what it was
        page.keyboard.press(" ")
    expect(wall.locator(".row-told")).to_have_count(0)
    page.get_by_role("button", name=re.compile("^Clean")).click()
    expect(page.get_by_text(re.compile(r"^The set: .* \(3 of"))).to_be_visible()
    page.get_by_role("button", name="a child leads").click()
    expect(page.locator("svg.ladder")).to_be_visible()


def test_a_choir_reads_a_level_in_parts(page: Page, demo: Running) -> None:
    sign_in(page, demo.address)
    practice_of(page, demo, "Choir")
    page.get_by_role("button", name=re.compile("reading 4")).click()
    expect(page.locator(".score svg").first).to_be_visible()
    page.get_by_role("button", name="S2").click()
    expect(page.get_by_role("button", name="S2")).to_have_attribute("aria-pressed", "true")
    page.keyboard.press("+")
    expect(page.get_by_text("harder: how long it is")).to_be_visible()


def test_questions_go_by_keys_and_count_when_the_teacher_says_so(page: Page, demo: Running) -> None:
    """A round of five: the answer shows only once they said theirs, on the wall too; at its end how it
    went."""
    sign_in(page, demo.address)
    practice_of(page, demo, "3A")
    page.get_by_role("button", name="Name the place").click()
    with page.context.expect_page() as opened:
        page.get_by_role("button", name="On the wall").click()
    wall = opened.value
    page.get_by_role("combobox", name="Questions").press("Enter")
    page.get_by_role("option", name="5", exact=True).click()
    page.get_by_role("button", name="Begin").click()
    for number in range(1, 6):
        expect(page.get_by_text(f"{number} of 5")).to_be_visible()
        expect(wall.get_by_text(f"{number} of 5")).to_be_visible()
        expect(wall.locator(".why")).to_have_text("")
        page.keyboard.press("1")
        expect(wall.locator(".why")).to_contain_text("Counted from the bottom")
        page.keyboard.press(" ")
    expect(page.get_by_text(re.compile(r"^\d of 5 in \d+ s$"))).to_be_visible()
    expect(page.get_by_text(re.compile("^The best of this class"))).to_be_visible()
    page.get_by_role("button", name=re.compile("^Count it for")).click()
    expect(page.get_by_text(re.compile("^The whole class, .*, reading it"))).to_be_visible()
    with page.context.expect_page() as opened:
        page.get_by_role("button", name="Open a station").click()
    station = opened.value
    station.get_by_role("button", name="Begin").click()
    for _ in range(5):
        station.locator(".choice").first.click()
        station.get_by_role("button", name=re.compile("^(Next|Finish)")).click()
    expect(station.get_by_text(re.compile(r"^\d of 5 in"))).to_be_visible()
    station.close()
    page.reload()
    page.get_by_role("button", name="Name the place").click()
    taken = page.get_by_label("At the station")
    expect(taken).to_contain_text("The last was played at the station")


def test_a_rhythm_is_tapped_and_written_in_boxes(page: Page, demo: Running) -> None:
    """Counted in, tapped on the space key, judged note by note; the boxes are on the wall too."""
    sign_in(page, demo.address)
    practice_of(page, demo, "3B")
    page.get_by_role("button", name=re.compile("half note")).click()
    expect(page.locator(".score svg").first).to_be_visible()
    notes = page.locator(".score g.note").count()
    page.get_by_role("button", name="Tap it").click()
    page.keyboard.press(" ")
    expect(page.get_by_text("Tap!", exact=True)).to_be_visible()
    page.keyboard.press(" ")
    expect(page.get_by_text(re.compile(rf"^\d+ of {notes} on time"))).to_be_visible()
    expect(page.locator(".onsets li")).to_have_count(notes)
    page.get_by_role("button", name="From notes").click()
    page.get_by_role("combobox", name="Written as").press("Enter")
    page.get_by_role("option", name="beat boxes").click()
    expect(page.locator(".boxes .sound").first).to_be_visible()
    with page.context.expect_page() as opened:
        page.get_by_role("button", name="On the wall").click()
    expect(opened.value.locator(".boxes .sound").first).to_be_visible()


def test_a_line_changes_is_laid_as_cards_written_down_and_kept(page: Page, demo: Running) -> None:
    sign_in(page, demo.address)
    practice_of(page, demo, "3B")
    page.get_by_role("button", name=re.compile("^quarter and two eighths")).click()
    expect(page.locator(".score svg").first).to_be_visible()
    with page.context.expect_page() as opened:
        page.get_by_role("button", name="On the wall").click()
    wall = opened.value
    page.get_by_role("button", name="It changes").click()
    expect(page.get_by_text("Line 1 of")).to_be_visible()
    page.keyboard.press(" ")
    expect(page.get_by_text(re.compile(r"^Line 2 of \d+\. New in bar \d"))).to_be_visible()
    expect(wall.locator(".score svg").first).to_be_visible()
    page.get_by_role("button", name="As cards").click()
    expect(page.locator(".card")).to_have_count(4)
    page.keyboard.press(" ")
    expect(page.locator(".card.now")).to_contain_text("2")
    page.keyboard.press("x")
    expect(page.locator(".card.now")).to_contain_text("1")
    page.get_by_role("button", name="Write it").click()
    expect(wall.locator(".score svg")).to_have_count(0)  # what is written by ear is not seen
    page.get_by_role("button", name="copy it").click()
    expect(page.get_by_role("img", name="Bar 4: –")).to_be_visible()
    page.keyboard.press("1")
    expect(page.get_by_role("img", name=re.compile("^Bar 1: ta$"))).to_be_visible()
    page.keyboard.press("Backspace")
    expect(page.get_by_role("img", name="Bar 1: –")).to_be_visible()
    for _ in range(8):
        page.keyboard.press("2")
    page.keyboard.press("c")
    expect(page.get_by_text(re.compile(r"^\d of 8 right\."))).to_be_visible()
    keep = page.get_by_role("button", name="Keep in the book")
    for _ in range(40):  # phrases of songs come first, and are in the book
        if keep.count():
            break
        title = page.locator(".sheet h2").inner_text()
        page.keyboard.press("n")
        expect(page.locator(".sheet h2")).not_to_have_text(title)
    keep.click()
    page.get_by_role("link", name=re.compile("^✓ In the book: quarter and two eighths")).click()
    expect(page).to_have_url(re.compile("/songs/"))


def test_a_child_reads_at_the_station_and_the_teacher_takes_it(page: Page, demo: Running) -> None:
    """Nothing sounds before it was read; it is practice until the teacher takes it for a child."""
    sign_in(page, demo.address)
    practice_of(page, demo, "2A")
    page.get_by_role("button", name=re.compile("^quarter and two eighths")).click()
    expect(page.locator(".score svg").first).to_be_visible()
    with page.context.expect_page() as opened:
        page.get_by_role("button", name="Open a station").click()
    station = opened.value
    station.get_by_role("button", name="Begin").click()
    for number in range(1, 6):
        expect(station.get_by_text(f"{number} of 5")).to_be_visible()
        station.keyboard.press("3")  # not before it was heard
        expect(station.get_by_text(f"{number} of 5")).to_be_visible()
        station.get_by_role("button", name=re.compile("I have read it")).click()
        station.get_by_role("button", name="Just so").click()
    expect(station.get_by_text(re.compile(r"^5 of 5 just so"))).to_be_visible()
    station.close()
    page.reload()
    taken = page.get_by_label("At the station")
    expect(taken).to_contain_text("5 of 5")
    taken.get_by_role("combobox", name="Whose was it?").press("ArrowDown")
    page.get_by_role("option").first.click()
    taken.get_by_role("button", name=re.compile("^Take it for")).click()
    expect(taken.get_by_text(re.compile("^✓"))).to_be_visible()
