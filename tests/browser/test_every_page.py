"""No page that a person could not use: axe on each, with the drawer open, dark, narrow and projected; and
its weight."""

from __future__ import annotations

import json

import pytest
from playwright.sync_api import Dialog, Page, expect

from browser.conftest import AXE, Running, choose, quiet, sign_in
from kopje.demo.load import LOGIN, PASSWORD

RULES = {
    "runOnly": ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice"],
    "resultTypes": ["violations"],  # what passed is not spelled out: it took four fifths of the time
}


def violations(page: Page) -> list[str]:
    quiet(page)
    page.wait_for_timeout(250)
    page.evaluate(AXE.read_text())
    found = page.evaluate(f"axe.run(document, {json.dumps(RULES)})")
    return [
        f"{v['id']}: {v['nodes'][0]['html'][:160]} {v['nodes'][0]['any'][:1]}" for v in found["violations"]
    ]


def visit_all(page: Page, address: str) -> list[str]:
    """Each page with its drawer open where it has one."""
    found: list[str] = []

    def look(name: str) -> None:
        found.extend(f"{name}: {one}" for one in violations(page))

    look("today")
    page.get_by_role("button", name="What is the day like?").click()
    rain = page.get_by_role("button", name="rain", exact=True)
    rain.click()
    expect(page.get_by_role("button", name="✓ rain", exact=True)).to_be_visible()
    look("what the day is like")
    page.get_by_role("button", name="✓ rain", exact=True).click()
    expect(rain).to_be_visible()
    page.keyboard.press("Escape")
    page.goto(f"{address}/songs")
    page.wait_for_selector(".rows")
    choose(page, "Songs for", "2A")
    page.get_by_role("button", name="fits 2A").click()
    page.wait_for_selector(".why")
    look("songs")
    page.locator(".song").first.click()
    page.wait_for_selector(".score svg")
    page.get_by_text("Say it yourself").click()
    page.keyboard.press("2")
    page.wait_for_selector(".score .verse.layer")
    look("song")
    page.goto(f"{address}/songs/new")
    page.get_by_label("Tones, beat by beat").fill("s m | s -")
    page.wait_for_selector(".score svg")
    look("typing a song")
    page.goto(address)
    page.get_by_label("The day").get_by_role("link", name="2A").click()
    page.locator(".fits button").first.click()
    look("section, drawer open")
    page.get_by_role("link", name="Open the lesson").click()
    page.locator(".parts .main-part").nth(2).click()
    page.wait_for_selector(".other")
    look("lesson, drawer open")
    lesson = page.url
    page.keyboard.press("?")
    look("keys")
    page.goto(f"{lesson}/projector")
    page.wait_for_selector("h1")
    look("projector")
    page.goto(f"{address}/projector")
    page.wait_for_selector(".digits")
    look("a screen that waits for its code")
    page.goto(f"{address}/privacy")
    page.wait_for_selector("form")
    look("what is kept of children")
    page.goto(f"{address}/ledger")
    page.locator("tbody button").first.click()
    page.wait_for_selector("aside")
    look("ledger, drawer open")
    page.get_by_role("button", name="Add a mark").click()
    look("ledger, a mark is added")
    page.get_by_role("link", name="The whole child").click()
    page.wait_for_selector(".strata")
    look("child")
    page.get_by_role("link", name="Report", exact=True).click()
    page.wait_for_selector("textarea")
    look("report")
    page.goto(f"{address}/ask")
    page.wait_for_selector(".answers li")
    look("questions")
    page.goto(f"{address}/ledger-rules")
    page.wait_for_selector(".rule")
    look("rules of the ledger")
    section = page.request.get(f"{address}/api/sections").json()[0]["id"]
    page.goto(f"{address}/sections/{section}/seats")
    page.get_by_role("button", name="Draw").click()
    page.wait_for_selector(".drawn li")
    look("seats and groups")
    threes = next(s["id"] for s in page.request.get(f"{address}/api/sections").json() if s["name"] == "3B")
    page.goto(f"{address}/sections/{threes}/practice")
    page.get_by_role("button", name="Give me one").click()
    page.wait_for_selector(".score svg")
    page.keyboard.press("1")
    look("practice, a reading broke")
    page.get_by_role("button", name="Leave it there").click()
    for form in ("It changes", "As cards", "Write it", "Echo"):
        if page.get_by_role("button", name=form, exact=True).count():
            page.get_by_role("button", name=form, exact=True).click()
            page.wait_for_load_state("networkidle")
            look(f"practice, {form}")
    page.get_by_role("button", name="Routine", exact=True).click()
    look("practice, routine")
    page.keyboard.press("Escape")  # on a narrow screen the drawer lies over the list
    page.get_by_role("button", name="How two tones lie").click()
    page.get_by_role("button", name="Begin").click()
    page.wait_for_selector(".choice")
    page.keyboard.press("1")
    look("practice, a question answered")
    page.goto(f"{address}/sections/{threes}/station?kind=line")
    page.get_by_role("button", name="Begin").click()
    page.wait_for_selector(".choice")
    look("a station")
    page.goto(f"{address}/sections/{threes}/station?sort=rhythm&due=quarter-eighths&look=3")
    page.get_by_role("button", name="Begin").click()
    page.wait_for_selector(".score svg")
    look("a station for reading")
    page.goto(f"{address}/sections/{threes}/instruments")
    page.get_by_label("A sentence for a rhythm").fill("Rain is on the roof")
    page.get_by_role("button", name="Make a rhythm").click()
    page.locator(".proposal").first.wait_for()
    look("instruments, words to rhythm")
    page.locator(".proposal").first.click()
    look("instruments, layers")
    page.get_by_role("button", name="Bars", exact=True).click()
    page.locator(".bordun").first.wait_for()
    look("instruments, bars")
    page.get_by_role("button", name="Recorder").click()
    page.locator(".next").wait_for()
    look("instruments, recorder")
    page.goto(f"{address}/practice-wall")
    page.wait_for_selector("h1")
    look("the practice wall")
    page.goto(f"{address}/week")
    page.wait_for_selector(".days")
    look("week")
    page.goto(f"{address}/year/2")
    page.wait_for_selector(".where")
    look("the school's year")
    page.locator(".line").first.click()
    # The small ridges of the page before have arcs too, and a click on one opens a year without a drawer.
    page.locator(".ridge:not(.compact) .arc").last.click()
    page.wait_for_selector("aside .panel")
    look("year, drawer open")
    page.goto(f"{address}/set-up")
    page.wait_for_selector("form, .setup")
    look("set-up")
    page.goto(f"{address}/sequence")
    page.wait_for_selector(".line")
    page.get_by_role("button", name="More").first.click()
    look("sequence")
    page.goto(f"{address}/ladder")
    page.locator(".step .number").nth(4).click()
    page.wait_for_selector("aside .panel")
    look("the choir's ladder, drawer open")
    page.goto(f"{address}/pieces")
    page.wait_for_selector(".piece")
    look("recorded pieces")
    page.get_by_role("link", name="Two Clocks").click()
    page.wait_for_selector("li.mark")
    look("a recorded piece")
    page.goto(address)
    page.get_by_label("The day").get_by_role("link", name="2A").click()
    page.get_by_role("link", name="What they know").click()
    page.wait_for_selector(".songs li")
    look("what a section knows")
    page.goto(f"{address}/sets/grade-2")
    page.get_by_role("button", name="What each wish costs").click()
    page.locator(".cell").first.click()
    page.wait_for_selector("aside .other")
    look("lesson set, drawer open")
    page.get_by_role("button", name="Lesson order").click()
    page.wait_for_selector("aside .slots")
    look("lesson set, the order of a lesson")
    page.goto(f"{address}/coverage")
    page.wait_for_selector("tbody tr")
    look("what there is to teach with")
    page.goto(f"{address}/activities")
    page.get_by_role("link", name="Read the line").click()
    page.get_by_label("Your note").wait_for()
    look("an activity")
    page.get_by_role("link", name="Make one from this").click()
    page.get_by_label("Name").wait_for()
    look("writing an activity")
    page.goto(f"{address}/backups")
    page.get_by_role("button", name="Make one now").wait_for()
    look("backups")
    page.goto(f"{address}/people")
    page.get_by_role("textbox", name="Name").fill("Ines")
    page.get_by_role("button", name="Make a link").click()
    page.locator(".made").wait_for()
    look("people, with a link")
    link = page.locator(".made pre").inner_text()
    page.goto(link)
    page.get_by_role("heading", name="Welcome, Ines").wait_for()
    look("a link")
    return found


@pytest.mark.parametrize(
    ("night", "width"), [(False, 1280), (True, 1280), (False, 768)], ids=["day", "night", "narrow"]
)
def test_axe_finds_nothing(page: Page, demo: Running, night: bool, width: int) -> None:
    page.set_viewport_size({"width": width, "height": 1024 if width < 900 else 800})
    page.goto(demo.address)
    page.evaluate("night => localStorage.setItem('kopje-device', JSON.stringify({ night }))", night)
    page.reload()
    page.wait_for_selector("input[name=login]")
    signing_in = violations(page)
    sign_in(page, demo.address)
    assert signing_in + visit_all(page, demo.address) == []


def test_axe_finds_nothing_while_teaching(page: Page, demo: Running) -> None:
    sign_in(page, demo.address)
    page.get_by_label("The day").get_by_role("link", name="3B").click()
    page.get_by_role("link", name="Open the lesson").click()
    page.wait_for_selector(".parts li")
    page.keyboard.press("t")
    expect(page.get_by_text("Press again to begin")).to_be_visible()  # it is not its time yet
    page.keyboard.press("t")
    page.wait_for_selector(".teach")
    while not page.locator(".child").count():
        page.keyboard.press("ArrowRight")
        page.wait_for_timeout(400)
    hidden = violations(page)
    page.get_by_label("Only I see this screen").check()
    assert hidden + violations(page) == []


def test_the_first_page_is_light(page: Page, demo: Running) -> None:
    """Everything until idle after sign-in, from a cold cache, as sent."""
    sign_in(page, demo.address)
    sent: dict[str, int] = {"font": 0, "rest": 0}
    session = page.context.new_cdp_session(page)
    session.send("Network.enable")
    session.send("Network.setCacheDisabled", {"cacheDisabled": True})
    kinds: dict[str, str] = {}
    session.on("Network.responseReceived", lambda e: kinds.update({e["requestId"]: e["type"]}))

    def finished(event: dict[str, object]) -> None:
        kind = "font" if kinds.get(str(event["requestId"])) == "Font" else "rest"
        sent[kind] += int(str(event["encodedDataLength"]).split(".")[0])

    session.on("Network.loadingFinished", finished)
    page.reload()
    quiet(page)
    page.wait_for_timeout(500)
    print(f"first page: {sent['rest'] / 1000:.0f} kB, fonts {sent['font'] / 1000:.0f} kB")
    assert 20_000 < sent["rest"] <= 260_000
    assert 0 < sent["font"] <= 150_000


def test_no_field_takes_the_cursor_away_while_one_types(page: Page, demo: Running) -> None:
    """On a slow machine the browser tells late that a field is in sight; by then one types in the
    next one."""
    page.add_init_script(
        """const Real = IntersectionObserver
        window.IntersectionObserver = class extends Real {
          constructor(told, options) { super((...seen) => setTimeout(() => told(...seen), 300), options) }
        }"""
    )
    page.goto(demo.address)
    page.fill("input[name=login]", LOGIN)
    page.keyboard.press("Tab")
    page.keyboard.type(PASSWORD, delay=40)
    page.keyboard.press("Enter")
    page.wait_for_selector(".strip, .wrong")
    assert not page.locator(".wrong").all_inner_texts()


def test_a_child_that_left_is_listed_and_taken_back(page: Page, demo: Running) -> None:
    sign_in(page, demo.address)
    page.get_by_label("The day").get_by_role("link", name="2A").click()
    page.get_by_role("link", name="Ledger", exact=True).first.click()
    rows = page.locator("tbody tr")
    expect(rows.first).to_be_visible()
    name, count = rows.first.locator("th").inner_text(), rows.count()
    for way in ("Take back", "Is back"):
        rows.first.locator("button").first.click()
        page.get_by_text("This child on the roll").click()
        page.get_by_role("button", name="Left the school").click()
        expect(page.get_by_text(f"{name} has left the school. Marks stay.")).to_be_visible()
        expect(rows).to_have_count(count - 1)
        if way == "Is back":
            page.get_by_text("One child has left").click()
        page.get_by_role("button", name=way).click()
        expect(rows).to_have_count(count)
    expect(page.get_by_text(f"{name} is on the roll again.")).to_be_visible()
    expect(page.get_by_text("has left")).to_have_count(0)


def test_a_changed_sequence_is_not_left_by_mistake(page: Page, demo: Running) -> None:
    sign_in(page, demo.address)
    page.goto(f"{demo.address}/sequence")
    name = page.get_by_label("Name", exact=True).first
    name.fill("Ours")
    asked: list[str] = []

    def stay(dialog: Dialog) -> None:
        asked.append(dialog.message)
        dialog.dismiss()

    page.once("dialog", stay)
    page.get_by_role("link", name="Week", exact=True).click()
    expect(name).to_have_value("Ours")
    assert asked == ["What you changed here is not kept yet. Leave and lose it?"]
    page.once("dialog", lambda dialog: dialog.accept())
    page.get_by_role("link", name="Week", exact=True).click()
    page.wait_for_selector(".days")


def test_on_a_phone_one_searches_and_nothing_leaves_the_screen(page: Page, demo: Running) -> None:
    page.set_viewport_size({"width": 390, "height": 844})
    sign_in(page, demo.address)
    page.get_by_role("button", name="Search songs and sections").click()
    expect(page.get_by_role("searchbox")).to_be_focused()
    page.keyboard.type("lantern boat")
    expect(page.get_by_role("search").get_by_text("Lantern Boat")).to_be_visible()
    page.keyboard.press("Enter")
    expect(page.get_by_role("heading", name="Lantern Boat")).to_be_visible()
    section = page.request.get(f"{demo.address}/api/day").json()["entries"][0]["section"]["id"]
    for path in ("/", "/week", "/songs", "/set-up", "/sequence", f"/sections/{section}", "/ledger"):
        page.goto(demo.address + path)
        quiet(page)
        over = page.evaluate("document.documentElement.scrollWidth - window.innerWidth")
        beside = page.evaluate(
            "[...document.querySelectorAll('header.top > *')]"
            ".filter(x => x.getBoundingClientRect().right > innerWidth + 1).length"
        )
        assert (path, over <= 0, beside) == (path, True, 0)
