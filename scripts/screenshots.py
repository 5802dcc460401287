"""Take the pictures of docs/screenshots from the made-up school: scripts/screenshots.py [NAME…] (all without
a name)."""

from __future__ import annotations

import json
import os
import signal
import subprocess
import sys
import urllib.request
from collections.abc import Callable
from pathlib import Path
from typing import Any

from playwright.sync_api import Page, sync_playwright

from kopje.demo.load import LOGIN, PASSWORD
from kopje.store.cluster import free_port

ROOT = Path(__file__).resolve().parents[1]
OUT = ROOT / "docs" / "screenshots"
FLAGS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
]
NOW = "2026-11-24T09:05"


class Camera:
    """A signed-in page and the ways to where pictures are taken."""

    def __init__(self, page: Page, address: str) -> None:
        self.page, self.address = page, address
        self.sections = {one["name"]: one["id"] for one in self.read("sections")}
        self.songs = {one["title"]: one["id"] for one in self.read("songs?limit=200")["songs"]}

    def read(self, path: str) -> Any:
        found: Any = self.page.request.get(f"{self.address}/api/{path}").json()
        return found

    def go(self, path: str) -> None:
        self.page.goto(self.address + path)
        self.rest()

    def rest(self) -> None:
        self.page.wait_for_load_state("networkidle")
        self.page.wait_for_timeout(400)

    def section(self, name: str, path: str = "") -> None:
        self.go(f"/sections/{self.sections[name]}{path}")

    def lesson(self) -> None:
        self.section("2A")
        self.page.get_by_role("link", name="Open the lesson").click()
        self.page.wait_for_selector(".parts li")


def today(camera: Camera) -> None:
    camera.go("/")


def section(camera: Camera) -> None:
    camera.section("2A")
    camera.page.locator(".fits button").first.click()


def songs(camera: Camera) -> None:
    camera.go("/songs")
    camera.page.get_by_role("combobox", name="Songs for").press("ArrowDown")
    camera.page.get_by_role("option", name="2A", exact=True).click()
    camera.page.get_by_role("button", name="fits 2A").click()
    camera.page.get_by_role("button", name="else only what 2A knows").click()


def song(camera: Camera) -> None:
    camera.go(f"/songs/{camera.songs['Owls Awake']}")
    camera.page.keyboard.press("2")
    camera.page.wait_for_selector(".score .layer text")


def practice(camera: Camera) -> None:
    camera.section("Choir", "/practice")
    camera.page.get_by_role("button", name="reading 8").click()
    camera.page.wait_for_selector(".score svg")
    camera.page.keyboard.press(" ")
    camera.rest()


def piece(camera: Camera) -> None:
    """A recorded piece while it plays."""
    camera.go("/pieces")
    camera.page.get_by_role("link", name="Marbles on the Stairs").click()
    camera.page.get_by_role("button", name="Play").click()
    camera.page.wait_for_timeout(12_000)


def song_parts(camera: Camera) -> None:
    camera.go(f"/songs/{camera.songs['First Snow in Town']}")
    camera.page.get_by_role("button", name="Alto", exact=True).click()
    camera.page.get_by_role("tab", name="Together").click()
    camera.page.wait_for_timeout(800)
    camera.page.mouse.wheel(0, -2000)


def lesson(camera: Camera) -> None:
    camera.lesson()
    camera.page.locator(".parts .main-part").nth(2).click()


def teach(camera: Camera) -> None:
    camera.lesson()
    camera.page.keyboard.press("t")
    camera.page.wait_for_selector(".teach")
    while not camera.page.locator(".child").count():
        camera.page.keyboard.press("ArrowRight")
        camera.rest()
    camera.page.get_by_label("Only I see this screen").check()


def projector(camera: Camera) -> None:
    """The lesson of `teach`, with what comes before its song ticked."""
    camera.lesson()
    camera.page.keyboard.press("t")
    camera.page.wait_for_selector(".teach")
    while not camera.page.locator(".face .song").count():
        camera.page.keyboard.press("d")
        camera.rest()
    camera.go(camera.page.url.removeprefix(camera.address).removesuffix("/teach") + "/projector")


def ledger(camera: Camera) -> None:
    camera.section("2A", "/ledger")
    camera.page.locator("tbody button").nth(48).click()


def year(camera: Camera) -> None:
    camera.section("3A", "/year")
    camera.page.locator(".arc").nth(2).click()


def school_year(camera: Camera) -> None:
    camera.go("/year/2")
    camera.page.wait_for_selector("svg.ridge")


def week(camera: Camera) -> None:
    camera.go("/week")


def lesson_set(camera: Camera) -> None:
    camera.go("/sets/grade-2")
    camera.page.wait_for_selector(".cell")


def instruments(camera: Camera) -> None:
    """Layers of which one was words."""
    camera.section("4B", "/instruments")
    page = camera.page
    page.get_by_label("A sentence for a rhythm").fill("The little beetle hurried over the hill")
    page.get_by_role("button", name="Make a rhythm").click()
    page.locator(".proposal").first.click()
    page.get_by_role("button", name="Add a layer").click()
    third = page.locator(".layer").nth(2)
    third.get_by_role("combobox", name="Loop").press("Enter")
    page.get_by_role("option", name="3 beats").click()
    third.get_by_role("button", name="Beat 2, part 1 of 2").click()
    camera.rest()


def child(camera: Camera) -> None:
    (kaya,) = camera.read("children?text=Kaya")
    camera.go(f"/children/{kaya['id']}")


def set_up(camera: Camera) -> None:
    camera.go("/set-up")


def sequence(camera: Camera) -> None:
    camera.go("/sequence")


VIEWS: dict[str, Callable[[Camera], None]] = {
    "today": today,
    "section": section,
    "songs": songs,
    "song": song,
    "practice": practice,
    "piece": piece,
    "song-parts": song_parts,
    "lesson": lesson,
    "ledger": ledger,
    "year": year,
    "school-year": school_year,
    "week": week,
    "lesson-set": lesson_set,
    "set-up": set_up,
    "sequence": sequence,
    "teach": teach,
    "projector": projector,
    "instruments": instruments,
    "child": child,
}


def main(names: list[str]) -> None:
    port = free_port()
    environment = {**os.environ, "KOPJE_PORT": str(port), "KOPJE_TODAY": NOW}
    command = [sys.executable, "-m", "kopje.cli", "serve", "--demo", "--reset"]
    server = subprocess.Popen(command, env=environment, stdout=subprocess.PIPE, text=True, cwd=ROOT)
    assert server.stdout is not None
    try:
        while "Kopje is at" not in (line := server.stdout.readline()):
            print(line.strip())
            assert line, "the server has stopped"
        address = f"http://127.0.0.1:{port}"
        urllib.request.urlopen(address).close()
        with sync_playwright() as playwright:
            browser = playwright.chromium.launch(executable_path="/usr/bin/chromium", args=FLAGS)
            page = browser.new_page(viewport={"width": 1280, "height": 800})
            sign_in(page, address)
            camera = Camera(page, address)
            for name in names or VIEWS:
                VIEWS[name](camera)
                camera.rest()
                page.screenshot(path=OUT / f"{name}.png")
                print(f"docs/screenshots/{name}.png")
            browser.close()
    finally:
        server.send_signal(signal.SIGTERM)
        server.wait(timeout=30)


def sign_in(page: Page, address: str) -> None:
    page.goto(address + "/sign-in")
    device = json.dumps({"night": False, "keys": True, "volume": 0.5, "mine": True})
    page.evaluate("kept => localStorage.setItem('kopje-device', kept)", device)
    page.goto(address + "/sign-in")
    page.fill("input[name=login]", LOGIN)
    page.fill("input[name=password]", PASSWORD)
    page.get_by_role("button", name="Sign in").click()
    page.wait_for_selector(".strip")


if __name__ == "__main__":
    main(sys.argv[1:])
