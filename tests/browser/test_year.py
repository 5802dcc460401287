"""Setting up a whole school's year in few actions, and moving an arc on the ridge."""

from __future__ import annotations

import re
from collections.abc import Callable
from dataclasses import dataclass

from playwright.sync_api import Locator, Page, expect

from browser.conftest import Running, choose, sign_in
from kopje.demo.school import NAMES, SECTIONS

MOST_ACTIONS = 150
DAY_NAMES = ("Mon", "Tue", "Wed", "Thu", "Fri")


@dataclass
class Hands:
    """What a teacher does, counted: every field filled, every click."""

    page: Page
    actions: int = 0

    def fill(self, where: str | Locator, text: str) -> None:
        self.actions += 1
        (self.page.locator(where) if isinstance(where, str) else where).fill(text)

    def click(self, where: Locator) -> None:
        self.actions += 1
        where.click()


def school_table() -> str:
    """Twelve sections with their children and times, as copied from a spreadsheet."""
    rows = ["section\tgrade\tname\tminutes\tmeets"]
    for plan in SECTIONS[:12]:
        meets = ", ".join(f"{DAY_NAMES[day]} {starts:%H:%M}" for day, starts in plan.meetings)
        names = [f"{name} {n}" if n >= len(NAMES) else name for n, name in enumerate(NAMES[: plan.children])]
        rows += [f"{plan.name}\t{plan.grade or 'K'}\t{name}\t{plan.minutes}\t{meets}" for name in names]
    return "\n".join([*rows, "5C\t14\tMistake\t45\tMon 9:00"])


def begin(hands: Hands, address: str) -> None:
    hands.page.goto(address)
    for name, text in {
        "school": "Kestrel Ridge",
        "teacher": "Noor",
        "login": "noor",
        "password": "a long password",
        "section": "KA",
    }.items():
        hands.fill(f"input[name={name}]", text)
    hands.click(hands.page.get_by_role("button", name="They are here now"))
    hands.click(hands.page.get_by_role("button", name="Begin"))


def enter_the_year(hands: Hands) -> None:
    page = hands.page
    hands.click(page.get_by_role("link", name="Set-up"))
    expect(page.get_by_text("Still missing: terms")).to_be_visible()
    first = page.get_by_role("group", name="Terms")
    hands.fill(first.get_by_label("Name").nth(0), "First term")
    for label, day in (("First day", "2026-08-24"), ("Last day", "2026-12-18")):
        hands.fill(first.get_by_role("textbox", name=label).nth(0), day)
    hands.click(page.get_by_role("button", name="Add a term"))
    hands.fill(first.get_by_label("Name").nth(1), "Second term")
    for label, day in (("Last day", "2027-05-28"), ("First day", "2027-01-11")):
        hands.fill(first.get_by_role("textbox", name=label).nth(1), day)
    hands.click(page.get_by_role("button", name="Keep these dates"))
    expect(page.get_by_text("Kept. Every section’s lessons are counted anew.")).to_be_visible()
    hands.fill(page.get_by_label("Paste a table"), school_table())
    hands.click(page.get_by_role("button", name="Look at it"))
    expect(page.get_by_text("“14” is no grade")).to_be_visible()
    hands.click(page.get_by_role("button", name="Keep the good rows"))
    expect(page.get_by_text(re.compile(r"11 new sections, 2\d\d children added"))).to_be_visible()


def test_a_schools_year_is_set_up_in_few_actions(
    page: Page, serve: Callable[[str], Running], worker: str
) -> None:
    hands = Hands(page)
    begin(hands, serve(f"year_{worker}").address)
    enter_the_year(hands)
    expect(page.get_by_text("Everything a year needs is there.")).to_be_visible()
    hands.click(page.get_by_role("link", name="Year", exact=True))
    hands.click(page.get_by_role("button", name="Lay every year anew"))
    expect(page.get_by_role("button", name="Lay every year anew")).to_be_visible(timeout=90_000)
    expect(page.get_by_role("heading", level=1)).to_contain_text("has the least slack")
    print(f"{hands.actions} actions for 12 sections")
    assert hands.actions <= MOST_ACTIONS


def test_an_arc_is_moved_by_keys_and_what_it_pushed_is_said(page: Page, demo: Running) -> None:
    sign_in(page, demo.address)
    page.get_by_label("The day").get_by_role("link", name="2A").click()
    expect(page.get_by_role("heading", name="2A")).to_be_visible()
    page.get_by_role("main").get_by_role("link", name="Year", exact=True).click()
    expect(page.get_by_role("heading", level=1)).to_contain_text(re.compile("fits|Short by|too soon"))
    name = page.evaluate(
        "async () => { const year = location.pathname.replace('/sections', '/api/sections');"
        " const y = await (await fetch(year)).json();"
        " return y.arcs.filter(a => !a.begun && a.core && !a.short).at(-3).concept.name }"
    )
    page.get_by_role("button", name=re.compile(f"^{re.escape(name)}:")).first.press("Enter")
    drawer = page.get_by_role("complementary")
    start = int(re.search(r"lesson (\d+)", drawer.inner_text()).group(1))  # type: ignore[union-attr]
    page.keyboard.press("]")
    expect(drawer.get_by_text(f"Begins in lesson {start + 1}")).to_be_visible()
    expect(drawer.get_by_text("You placed it here.")).to_be_visible()
    expect(drawer.get_by_role("heading", name="This moved with it")).to_be_visible()
    page.keyboard.press("s")
    expect(drawer.get_by_text(re.compile(r"It rests from .* for 2 lessons"))).to_be_visible()
    drawer.get_by_role("button", name="Join it again").click()
    expect(drawer.get_by_text(re.compile("It rests from"))).to_have_count(0)
    drawer.get_by_role("button", name="Let Kopje place it").click()
    expect(drawer.get_by_text("You placed it here.")).to_have_count(0)
    page.get_by_text("The same as a table").click()
    expect(
        page.get_by_role("rowheader", name=re.compile(re.escape(name), re.IGNORECASE)).first
    ).to_be_visible()


def test_the_schools_words_and_its_choir_are_set_up_once_and_said_everywhere(
    page: Page, demo: Running
) -> None:
    sign_in(page, demo.address)
    page.goto(f"{demo.address}/set-up")
    choose(page, "Fifth degree", "sol")
    choose(page, "Learning goes through", "listen, echo, name, read, create")
    page.get_by_label(re.compile("^echo,")).fill("sing back")
    page.get_by_role("button", name="Keep these words").click()
    expect(page.get_by_text("The words were kept.")).to_be_visible()
    page.get_by_role("link", name="1B", exact=True).first.click()
    expect(page.get_by_role("heading", name="Due")).to_be_visible()
    expect(page.locator(".due")).to_contain_text(re.compile("Listen|Sing back|Name|Read|Create"))
    expect(page.locator("main")).to_contain_text("sol")
    page.goto(f"{demo.address}/set-up")
    choose(page, "Fifth degree", "so")
    choose(page, "Learning goes through", "prepare, present, practise")
    page.get_by_role("button", name="Keep these words").click()
    expect(page.get_by_text("The words were kept.")).to_be_visible()
    page.get_by_role("link", name="Choir", exact=True).first.click()
    expect(page.locator(".due")).to_contain_text("reading")
    page.get_by_role("link", name="Ledger", exact=True).first.click()
    expect(page.locator("tbody tr")).to_have_count(28)
