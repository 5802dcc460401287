"""In a made-up language no page shows a word of ours: everything a person reads or hears read comes from the
catalogue."""

from __future__ import annotations

import json
import re
from collections.abc import Callable, Iterator
from dataclasses import asdict
from pathlib import Path

from fastapi.testclient import TestClient
from playwright.sync_api import Page

from api.conftest import OURS, PASSWORD, Place, make_school, start_and_mark
from api.test_words import data, strings
from browser.conftest import Running, quiet
from conftest import SETTINGS
from kopje.core.sequence.shipped import SHIPPED
from kopje.main import create_app
from pseudo import LANGUAGE, plain_words, pseudo_locale

# What carries no language: keys of the keyboard, kinds of files and paper, the names of formats, pitches and
# products.
SIGNS = (
    "Backspace",
    "Kopje",
    "musicxml",
    "mid",
    "abc",
    "Letter",
    "csv",
    "json",
    "ics",
    "Kestrel",
    "Choir",
    "min",
    "Apache-2.0",
    "Firefox",
    "Chrome",
    "Linux",
)
READ = """() => {
  const found = [document.title, document.body.innerText]
  for (const one of document.querySelectorAll('[aria-label],[title],[placeholder],[alt]'))
    for (const name of ['aria-label', 'title', 'placeholder', 'alt'])
      if (one.getAttribute(name)) found.push(one.getAttribute(name))
  return found
}"""


def pages(place: Place) -> Iterator[tuple[str, str]]:
    """Addresses, and what is pressed there."""
    section, lesson, song = (place.ids[name] for name in ("section_id", "lesson_id", "song_id"))
    yield "/", ""
    yield "/week", ""
    yield "/year/2", ""
    yield f"/sections/{section}", ".fits button"
    yield f"/sections/{section}/knows", ""
    yield f"/sections/{section}/year", ".stratum"
    yield f"/sections/{section}/ledger", "tbody button"
    yield f"/sections/{section}/seats", ".groups .main"
    yield f"/sections/{section}/practice", ".begin .main"
    yield f"/sections/{section}/practice", "footer .v-btn"
    yield f"/sections/{section}/instruments", ".layer"
    yield f"/sections/{section}/station", ".main"
    yield f"/children/{place.ids['child_id']}", "summary"
    yield f"/children/{place.ids['child_id']}/report", "summary"
    yield "/ask", ""
    yield "/ledger-rules", ""
    yield f"/lessons/{lesson}", ".parts .main-part"
    yield f"/lessons/{lesson}/teach", ""
    yield f"/lessons/{lesson}/projector", ""
    yield "/songs", ""
    yield "/songs/new", ""
    yield f"/songs/{song}", ""
    for tab in range(7):
        yield f"/songs/{song}", f"[role=tab]:nth-child({tab + 1})"
    yield "/set-up", ""
    yield "/sequence", ".line button"
    yield "/ladder", ".number"
    yield "/pieces", ""
    yield "/pieces/new", ""
    yield "/sets/grade-2", ".cell"
    yield "/activities", ""
    yield "/activities/read-the-line", ""
    yield "/activities/new?like=read-the-line", ""
    yield "/coverage", ""
    yield "/backups", ""
    yield "/people", ""
    yield "/privacy", ""
    yield "/you", ""
    yield "/projector", ""
    yield "/kept", ""
    yield "/42", ""


def test_no_page_shows_a_word_that_is_not_in_the_catalogue(
    page: Page, serve: Callable[..., Running], worker: str, tmp_path: Path
) -> None:
    settings = SETTINGS.model_copy(update={"locales": pseudo_locale(tmp_path), "language": LANGUAGE})
    running = serve(f"strange_{worker}", settings)
    place = make_school(running.work, "Kestrel")
    with TestClient(create_app(SETTINGS, running.work), headers=OURS, base_url="http://testserver") as client:
        assert (
            client.post("/api/sign-in", json={"login": place.login, "password": PASSWORD}).status_code == 200
        )
        start_and_mark(client, place)
        known = data() | {text for one in SHIPPED.values() for text in strings(asdict(one), 1)}
        known |= {name for one in client.get("/api/sections").json() for name in strings(one, 1)}
        known |= {str(SETTINGS.data), "backups"}  # where they lie
        known |= {"Ama", "Jun", "Ines", "Tove", "Kofi", "Lien", *SIGNS}
        known |= {
            part for text in known for part in text.split(" / ")
        }  # a sign of two is drawn one under the other
        file = client.get(f"/api/songs/{place.ids['song_id']}/file").text
        sung = set(re.findall("[A-Za-z]+", file + file.replace("-", "")))
    outside: dict[str, list[str]] = {}

    def look(name: str) -> None:
        lines = [line for text in page.evaluate(READ) for line in text.split("\n")]
        found = [(line, word) for line in lines for word in plain_words(line, known) if word not in sung]
        left = sorted({f"{word}: {line[:80]}" for line, word in found})
        if left:
            outside.setdefault(name, []).extend(left)

    page.route(
        "**/opening*", lambda route: route.fulfill(body="<svg/>", content_type="image/svg+xml")
    )  # pictures say nothing
    page.goto(running.address)
    page.wait_for_selector("input[name=login]")
    look("sign-in")
    page.fill("input[name=login]", place.login)
    page.fill("input[name=password]", PASSWORD)
    page.locator("button[type=submit]").click()
    page.wait_for_selector(".strip")
    for path, pressed in pages(place):
        if not page.url.endswith(path):
            page.goto(running.address + path)
            quiet(page)
        if page.locator(pressed or "nothing").count():
            page.locator(pressed).first.click()
            quiet(page)
        if path == "/":
            page.keyboard.press("?")
        page.wait_for_timeout(200)
        look(f"{path} {pressed}")
    assert outside == {}, json.dumps(outside, indent=1, ensure_ascii=False)
