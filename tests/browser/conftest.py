"""The application as it is started for a teacher, and Debian's Chromium in front of it."""

from __future__ import annotations

import os
import re
import threading
import time
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from pathlib import Path
from typing import Literal

import psycopg
import pytest
import uvicorn
from playwright.sync_api import Browser, BrowserContext, Locator, Page, expect, sync_playwright
from sqlalchemy import Engine

from conftest import EMPTY, SETTINGS, new_database
from kopje.demo.load import LOGIN, PASSWORD, load
from kopje.main import create_app
from kopje.settings import Settings
from kopje.store.cluster import free_port
from kopje.store.work import UnitOfWork, engine_for

FLAGS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--autoplay-policy=no-user-gesture-required",
]
WEEKS = 8
EFFORT = 0.2  # of a second of the solver: the sets are to be there, not to be the best
PATIENCE = 90_000  # milliseconds: a machine with other work to do is slow, not wrong
expect.set_options(timeout=PATIENCE)


@dataclass(frozen=True)
class Running:
    """A server of its own, on a free port."""

    address: str
    work: UnitOfWork


@pytest.fixture(scope="module")
def serve() -> Iterator[Callable[..., Running]]:
    servers: list[tuple[uvicorn.Server, threading.Thread, Engine]] = []

    def start(name: str, settings: Settings = SETTINGS, template: str = EMPTY) -> Running:
        engine = engine_for(new_database(name, template))
        work, port = UnitOfWork(engine), free_port()
        app = create_app(settings, work)
        server = uvicorn.Server(
            uvicorn.Config(app, host="127.0.0.1", port=port, log_level="warning", timeout_graceful_shutdown=1)
        )
        thread = threading.Thread(target=server.run, daemon=True)
        thread.start()
        while not server.started:
            time.sleep(0.05)
        servers.append((server, thread, engine))
        return Running(f"http://127.0.0.1:{port}", work)

    yield start
    for server, thread, engine in servers:
        server.should_exit = True
        thread.join(20)
        engine.dispose()


@pytest.fixture(scope="session")
def browser() -> Iterator[Browser]:
    if not (SETTINGS.web / "index.html").exists():
        pytest.fail("the page is not built: run make test, or scripts/setup.sh app test web")
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path="/usr/bin/chromium", args=FLAGS)
        yield browser
        browser.close()


Profile = Callable[..., BrowserContext]


@pytest.fixture
def profile(browser: Browser) -> Iterator[Profile]:
    """Makes fresh profiles at 1280x800, without a service worker unless one is asked for; closed with the
    test."""
    made: list[BrowserContext] = []

    def make(workers: Literal["allow", "block"] = "block") -> BrowserContext:
        made.append(browser.new_context(viewport={"width": 1280, "height": 800}, service_workers=workers))
        made[-1].set_default_timeout(PATIENCE)
        return made[-1]

    yield make
    for one in made:
        one.close()


@pytest.fixture
def page(profile: Profile) -> Iterator[Page]:
    """A fresh profile; what the page logs as an error fails the test, and so does a foreign
    request."""
    context = profile()
    page = context.new_page()
    wrong: list[str] = []
    context.on("weberror", lambda error: wrong.append(str(error.error)))
    context.on(
        "request",
        lambda r: (
            wrong.append(r.url)
            if "127.0.0.1" not in r.url and not r.url.startswith(("data:", "blob:"))
            else None
        ),
    )
    context.on(
        "console",
        lambda m: (
            wrong.append(f"{m.text} {m.location}")
            if m.type == "error" and not re.search("status of (401|409)", m.text)
            else None
        ),
    )
    yield page
    assert not wrong


@pytest.fixture(scope="session")
def kestrel_ridge() -> str:
    """The name of a database with Kestrel Ridge School after eight weeks; one worker of a run makes it for
    all."""
    name = "template_kestrel_ridge"
    with psycopg.connect(os.environ["KOPJE_TEST_DATABASE"].format(name="postgres"), autocommit=True) as here:
        here.execute("SELECT pg_advisory_lock(1)")
        if here.execute("SELECT 1 FROM pg_database WHERE datname = %s", [name]).fetchone() is None:
            engine = engine_for(new_database("loading"))
            load(UnitOfWork(engine), SETTINGS, weeks=WEEKS, effort=EFFORT)
            engine.dispose()
            here.execute(f"ALTER DATABASE loading RENAME TO {name}")
    return name


@pytest.fixture(scope="module")
def demo(serve: Callable[..., Running], worker: str, kestrel_ridge: str) -> Running:
    """Kestrel Ridge School, as new for each file of tests."""
    return serve(f"demo_{worker}", template=kestrel_ridge)


def sign_in(page: Page, address: str) -> None:
    page.goto(address)
    page.fill("input[name=login]", LOGIN)
    page.fill("input[name=password]", PASSWORD)
    page.get_by_role("button", name="Sign in").click()
    page.wait_for_selector(".strip, .wrong")
    assert not page.locator(".wrong").all_inner_texts()


def quiet(page: Page) -> None:
    """Until the page has everything. A screen elsewhere listens for ever: it shows its number then."""
    if page.url.endswith("/projector") and "/lessons/" not in page.url:
        page.wait_for_selector(".digits")
    else:
        page.wait_for_load_state("networkidle")


def choose(scope: Page | Locator, label: str | re.Pattern[str], option: str, last: bool = False) -> None:
    """Open a select by its label and pick one of its options by what it says."""
    page = scope.page if isinstance(scope, Locator) else scope
    fields = scope.get_by_role("combobox", name=label)
    field = fields.last if last else fields.first
    field.focus()
    field.press("ArrowDown")
    if field.get_attribute("inputmode") != "none":  # one types to find it in a long list
        field.fill(option)
    page.get_by_role("option", name=option, exact=True).click()
    expect(page.get_by_role("option")).to_have_count(0)


AXE = Path(__file__).parents[2] / "web" / "node_modules" / "axe-core" / "axe.min.js"
