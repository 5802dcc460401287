"""From a key to the first change it makes on the page, in a full class; and the teaching view without a server, from
the pack. Both as the page itself measures them."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

import psycopg
import pytest
from playwright.sync_api import Browser as Chromium
from playwright.sync_api import BrowserContext, Page

from api.conftest import Place, make_school
from bench.test_ledger import _fill
from bench.timing import p95
from browser.conftest import PATIENCE, browser  # noqa: F401  # a fixture
from browser.test_offline import PACKED, Mortal, sign_in, to_the_hearing
from conftest import new_database
from kopje.store.work import UnitOfWork, engine_for

KEYS = 24

# Waits in the page for the last sign; the milliseconds from the key that gave it.
LISTEN = """() => {
  window.took = []
  let pressed = 0
  addEventListener('keydown', (event) => { if ('123'.includes(event.key)) pressed = performance.now() }, true)
  new MutationObserver(() => {
    if (pressed && document.querySelector('.hearing .undo')) {
      requestAnimationFrame(() => { if (pressed) window.took.push(performance.now() - pressed); pressed = 0 })
    }
  }).observe(document.querySelector('.hearing'), { subtree: true, childList: true, characterData: true })
}"""


@dataclass
class Room:
    server: Mortal
    place: Place
    context: BrowserContext
    page: Page


@pytest.fixture(scope="module")
def room(browser: Chromium) -> Iterator[Room]:  # noqa: F811
    url = new_database("bench_teaching")
    engine = engine_for(url)
    place = make_school(UnitOfWork(engine), "Kestrel")
    with psycopg.connect(
        engine.url.set(drivername="postgresql").render_as_string(hide_password=False)
    ) as plain:
        _fill(plain, place.ids["section_id"])
    engine.dispose()
    server = Mortal(url)
    context = browser.new_context(viewport={"width": 1280, "height": 800})
    context.set_default_timeout(PATIENCE)
    page = context.new_page()
    page.goto(server.address)
    sign_in(page, server.address)
    yield Room(server, place, context, page)
    context.close()
    server.kill()


def test_from_a_key_to_the_sign(room: Room) -> None:
    page, lesson = room.page, room.place.ids["lesson_id"]
    page.goto(f"{room.server.address}/lessons/{lesson}/teach")
    to_the_hearing(page)
    page.evaluate(LISTEN)
    for n in range(KEYS):
        page.keyboard.press("123"[n % 3])
        page.wait_for_timeout(120)
    took = page.evaluate("window.took")
    assert len(took) >= KEYS - 2
    print(f"\nfrom a key to the sign, {len(took)} keys in a class of 30: p95 {p95(took):.0f} ms (wanted 50)")


def test_the_teaching_view_without_a_server(room: Room) -> None:
    page, lesson = room.page, room.place.ids["lesson_id"]
    page.goto(room.server.address)
    parts = page.request.get(f"{room.server.address}/api/lessons/{lesson}").json()["parts"]
    for _ in range(480):
        if page.evaluate(PACKED, str(lesson)) > len(parts):
            break
        page.wait_for_timeout(250)
    page.close()
    room.server.kill()
    page = room.context.new_page()
    page.goto(f"{room.server.address}/lessons/{lesson}/teach")
    page.wait_for_selector(".teach h1")
    first = page.evaluate("performance.now()")
    print(f"\nthe teaching view without a server, first open: {first:.0f} ms (wanted 1000)")
