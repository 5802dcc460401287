"""A server that dies in the lesson, two tabs, a session that ran out: what was marked arrives, each mark
once."""

from __future__ import annotations

import os
import re
import signal
import subprocess
import sys
from collections.abc import Iterator

import pytest
from playwright.sync_api import BrowserContext, Page, expect

from api.conftest import PASSWORD, Place, make_school
from browser.conftest import Profile
from conftest import SETTINGS, new_database
from kopje.store.cluster import free_port
from kopje.store.work import UnitOfWork, engine_for


class Mortal:
    """A server process that can be killed and started again at the same address."""

    def __init__(self, url: str) -> None:
        self.port = free_port()
        now = SETTINGS.now().strftime("%Y-%m-%dT%H:%M")
        self.environment = {
            **os.environ,
            "KOPJE_PORT": str(self.port),
            "KOPJE_DATABASE_URL": url,
            "KOPJE_TODAY": now,
        }
        self.address = f"http://127.0.0.1:{self.port}"
        self.start()

    def start(self) -> None:
        command = [sys.executable, "-m", "kopje.cli", "serve"]
        self.process = subprocess.Popen(command, env=self.environment, stdout=subprocess.PIPE, text=True)
        assert self.process.stdout is not None
        assert "Kopje is at" in self.process.stdout.readline()

    def kill(self) -> None:
        self.process.send_signal(signal.SIGKILL)
        self.process.wait(30)


@pytest.fixture
def room(worker: str) -> Iterator[tuple[Mortal, Place]]:
    url = new_database(f"offline_{worker}")
    engine = engine_for(url)
    place = make_school(UnitOfWork(engine), "Kestrel")
    engine.dispose()
    server = Mortal(url)
    yield server, place
    server.kill()


@pytest.fixture
def context(profile: Profile) -> BrowserContext:
    """A profile whose pages may fail to reach the server."""
    return profile()


def sign_in(page: Page, address: str) -> None:
    page.fill("input[name=login]", "kestrel")
    page.fill("input[name=password]", PASSWORD)
    page.get_by_role("button", name="Sign in").click()
    page.wait_for_selector(".strip")


def heard(page: Page, count: int) -> None:
    expect(page.get_by_text(f"{count} heard", exact=True)).to_be_visible()


def steps(page: Page, address: str, place: Place) -> int:
    """How many parts come before the first one in which children are heard."""
    lesson = f"{address}/api/lessons/{place.ids['lesson_id']}"
    parts = page.request.get(lesson).json()["parts"]
    asked = [page.request.get(f"{lesson}/parts/{part['id']}/hearing").json() for part in parts]
    return next(n for n, hearing in enumerate(asked) if hearing["concept"] and hearing["queue"])


def to_the_hearing(page: Page, before: int) -> None:
    """On to the part in which children are heard; how slow the page is does not matter."""
    page.wait_for_selector(".teach")
    for _ in range(before):
        page.keyboard.press("ArrowRight")
    expect(page.locator(".child").first).to_be_visible()


def test_the_server_dies_in_the_lesson_and_nothing_is_lost_or_doubled(
    room: tuple[Mortal, Place], context: BrowserContext
) -> None:
    server, place = room
    one = context.new_page()
    one.goto(server.address)
    sign_in(one, server.address)
    lesson = f"{server.address}/lessons/{place.ids['lesson_id']}"
    one.goto(lesson)
    one.wait_for_selector(".parts li")
    before = steps(one, server.address, place)
    one.keyboard.press("t")
    to_the_hearing(one, before)
    one.keyboard.press("3")
    heard(one, 1)
    other = context.new_page()
    other.goto(f"{lesson}/teach")
    to_the_hearing(other, before)

    server.kill()
    one.bring_to_front()
    one.keyboard.press("3")
    one.keyboard.press("1")
    heard(one, 3)
    expect(one.get_by_role("link", name=re.compile("^△ 2 things? not sent"))).to_be_visible()
    expect(other.get_by_role("link", name=re.compile("^△ 2 things? not sent"))).to_be_visible()
    other.bring_to_front()
    turn = one.locator(".child").first.inner_text()
    expect(other.locator(".child").first).to_have_text(turn, use_inner_text=True)  # one turn for both
    other.keyboard.press("2")
    expect(other.get_by_role("link", name=re.compile("^△ 3 things? not sent"))).to_be_visible()
    one.keyboard.press("d")
    expect(other.get_by_role("link", name=re.compile("^△ 4 things? not sent"))).to_be_visible()
    one.close()

    server.start()
    context.clear_cookies()  # and the session has run out meanwhile
    other.get_by_role("link", name=re.compile("^△ 4 things? not sent")).click()
    other.get_by_role("button", name="Send now").click()
    expect(other.get_by_text("You are signed out.", exact=False)).to_be_visible()
    other.goto(f"{server.address}/sign-in")
    sign_in(other, server.address)
    expect(other.get_by_role("link", name=re.compile("not sent yet"))).to_have_count(0)
    other.goto(f"{server.address}/kept")
    expect(other.get_by_text("Everything has been sent")).to_be_visible()

    hearing = f"{server.address}/api/lessons/{place.ids['lesson_id']}/parts/{place.ids['part_id']}/hearing"
    for _ in range(60):  # it is on its way as soon as the disk was looked at
        marks = other.request.get(hearing).json()["marks"]
        if len(marks) >= 4:
            break
        other.wait_for_timeout(250)
    other.wait_for_timeout(500)  # nothing comes twice behind it
    marks = other.request.get(hearing).json()["marks"]
    assert sorted(mark["result"] for mark in marks) == ["nearly", "not_yet", "secure", "secure"]
    assert len({mark["child_id"] for mark in marks}) == 4
    ticks = [
        part["tick"] for part in other.request.get(lesson.replace("/lessons", "/api/lessons")).json()["parts"]
    ]
    assert [tick for tick in ticks if tick] == ["done"]


def test_what_was_not_sent_at_signing_out_stays_locked_until_its_owner_comes(
    room: tuple[Mortal, Place], context: BrowserContext
) -> None:
    server, place = room
    page = context.new_page()
    page.goto(server.address)
    sign_in(page, server.address)
    page.goto(f"{server.address}/lessons/{place.ids['lesson_id']}")
    page.wait_for_selector(".parts li")
    page.keyboard.press("t")
    to_the_hearing(page, steps(page, server.address, place))
    page.route(
        "**/api/events",
        lambda route: route.fulfill(status=500, json={"code": "unexpected", "title": "broken"}),
    )
    page.keyboard.press("3")
    expect(page.get_by_role("link", name=re.compile("^△ 1 things? not sent"))).to_be_visible()
    page.unroute("**/api/events")
    heard_before = len(
        page.request.get(f"{server.address}/api/sections/{place.ids['section_id']}/ledger").json()["stones"]
    )
    page.request.post(f"{server.address}/api/sign-out", headers={"x-kopje-request": "1"})
    page.goto(f"{server.address}/sign-in")
    kept = (
        "async () => { const done = q => new Promise(r => { q.onsuccess = () => r(q.result) }); "
        "const db = await done(indexedDB.open('kopje-outbox')); "
        "const all = await done(db.transaction('events').objectStore('events').getAll()); "
        "db.close(); return all }"
    )
    (event,) = page.evaluate(kept)
    assert event["owner"]
    expect(page.get_by_role("link", name=re.compile("not sent yet"))).to_have_count(0)
    sign_in(page, server.address)
    expect(page.get_by_role("link", name=re.compile("not sent yet"))).to_have_count(0)
    for _ in range(120):
        if not page.evaluate(kept):
            break
        page.wait_for_timeout(250)
    assert page.evaluate(kept) == []
    ledger = page.request.get(f"{server.address}/api/sections/{place.ids['section_id']}/ledger").json()
    assert len(ledger["stones"]) == heard_before + 1


PACKED = (
    "async (lesson) => { if (!await caches.has('kopje-pack')) return 0; "
    "const kept = await caches.open('kopje-pack'); "
    "return (await kept.keys()).filter(one => one.url.includes(lesson)).length }"
)


def test_after_one_visit_the_lesson_is_taught_without_a_network_even_after_the_browser_was_closed(
    room: tuple[Mortal, Place], profile: Profile
) -> None:
    server, place = room
    context = profile("allow")
    page = context.new_page()
    page.goto(server.address)
    sign_in(page, server.address)
    lesson = place.ids["lesson_id"]
    parts = page.request.get(f"{server.address}/api/lessons/{lesson}").json()["parts"]
    before = steps(page, server.address, place)
    for _ in range(480):  # nobody opens the lesson: the pack does
        if page.evaluate(PACKED, lesson) > len(parts):
            break
        page.wait_for_timeout(250)
    page.close()
    server.kill()
    page = context.new_page()
    page.goto(f"{server.address}/lessons/{lesson}")
    page.wait_for_selector(".parts li")
    expect(page.get_by_text("What you see is from this device")).to_be_visible()
    page.keyboard.press("t")
    page.keyboard.press("t")  # begun all the same, whatever the hour is
    to_the_hearing(page, before)
    expect(page.get_by_role("heading", level=1)).not_to_have_text("")
    page.keyboard.press("3")
    heard(page, 1)
    page.close()
    server.start()
    page = context.new_page()
    page.goto(server.address)
    page.wait_for_selector(".strip")
    expect(page.get_by_role("link", name=re.compile("not sent"))).to_have_count(0)
    for _ in range(50):
        ledger = page.request.get(f"{server.address}/api/sections/{place.ids['section_id']}/ledger").json()
        if ledger["stones"]:
            break
        page.wait_for_timeout(200)
    assert len(ledger["stones"]) == 1
    page.goto(f"{server.address}/you")
    page.get_by_role("button", name="Sign out", exact=True).first.click()
    page.wait_for_url("**/sign-in")
    assert page.evaluate("caches.has('kopje-pack')") is False
