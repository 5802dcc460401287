"""One catalogue for everything that is said: nothing missing, nothing idle, nothing beside it."""

from __future__ import annotations

import json
import re
from collections import Counter
from collections.abc import Iterator
from dataclasses import asdict
from pathlib import Path
from typing import Any, get_args

import pypdfium2
import pytest
from fastapi.testclient import TestClient

from api.conftest import BROWSER, OURS, PASSWORD, Place, event, mark, signed_in, start_and_mark, tell
from api.test_every_route import OPERATIONS, request, swappable
from conftest import SETTINGS
from kopje.cli import main
from kopje.core.choir.rungs import RUNGS
from kopje.core.music.rhythm_syllables import FIGURES, SYSTEMS, spoken
from kopje.core.planning.activities import Support
from kopje.core.planning.catalogue import CATALOGUE
from kopje.core.sequence.phases import MODELS
from kopje.core.sequence.shipped import SHIPPED
from kopje.engraving.printing import Printer
from kopje.engraving.render import Engraver
from kopje.main import create_app
from kopje.store.work import UnitOfWork
from kopje.words import ENGLISH_CATALOGUE, FOLDER
from kopje.workers import Worker
from pseudo import LANGUAGE, LETTERS, plain_words, pseudo_locale

SRC = Path(__file__).parents[2] / "src" / "kopje"
PAGE = Path(__file__).parents[2] / "web" / "src"
ID = re.compile(r"^([a-z][a-z0-9_-]*) =", re.M)


def python() -> str:
    return "\n".join(file.read_text("utf-8") for file in sorted(SRC.rglob("*.py")))


def page() -> str:
    files = [file for kind in ("*.vue", "*.ts") for file in sorted(PAGE.rglob(kind))]
    return "\n".join(file.read_text("utf-8") for file in files if "generated" not in file.parts)


def ids(*names: str) -> list[str]:
    return [one for name in names for one in ID.findall((FOLDER / "en" / name).read_text("utf-8"))]


def test_every_code_that_is_said_has_a_sentence() -> None:
    source = python()
    said = re.findall(r'(?:because|[A-Z]\w*Error|\.word|Reason)\(\s*"([a-z][a-z0-9_]*)"', source)
    said += [f"aside_{code}" for code in re.findall(r'_refuse\(\s*"([a-z_]+)"', source)]
    assert len(set(said)) > 200
    assert sorted({code for code in said if not ENGLISH_CATALOGUE.bundle.has_message(code)}) == []


def test_no_sentence_has_the_name_of_another() -> None:
    """The first would be said for both."""
    for names in (ids("page.ftl"), ids("reasons.ftl", "refusals.ftl", "cli.ftl")):
        assert [name for name, count in Counter(names).items() if count > 1] == []


def test_every_sentence_is_said_somewhere() -> None:
    source = python()
    catalogue = "".join(file.read_text("utf-8") for file in (FOLDER / "en").glob("*.ftl"))
    words = set(re.findall(r"[a-z][a-z0-9_]*", source))
    inside = set(re.findall(r"\{ ([a-z][a-z0-9_-]*) ", catalogue))
    families = set(re.findall(r'f"([a-z_]+_)\{', source)) | {"aside_"}
    idle = [
        one
        for one in ids("reasons.ftl", "refusals.ftl", "cli.ftl")
        if one not in words | inside and not any(one.startswith(family) for family in families)
    ]
    assert idle == []
    text = page()
    literal = set(re.findall(r"['`]([a-z][a-z0-9_-]*)['`]", text))
    groups = set(re.findall(r"(?:sayOf|choices)\(\s*'([a-z-]+)'", text))
    assert [
        one
        for one in ids("page.ftl")
        if one not in literal and not any(one.startswith(f"{group}-") for group in groups)
    ] == []


@pytest.fixture
def strange(
    work: UnitOfWork, engraver: Engraver, printer: Printer, solver: Worker, kestrel: Place, tmp_path: Path
) -> TestClient:
    """A Kopje that speaks the made-up language, signed in."""
    settings = SETTINGS.model_copy(update={"locales": pseudo_locale(tmp_path), "language": LANGUAGE})
    client = TestClient(
        create_app(settings, work, engraver, printer, solver), headers=OURS, base_url="http://testserver"
    )
    assert client.post("/api/sign-in", json={"login": kestrel.login, "password": PASSWORD}).status_code == 200
    return client


def strings(value: Any, words: int = 2) -> Iterator[str]:
    """Texts of so many words at least: a single one is a key or a name, a sentence has several."""
    if isinstance(value, dict):
        for one in value.values():
            yield from strings(one, words)
    elif isinstance(value, list | tuple):
        for one in value:
            yield from strings(one, words)
    elif isinstance(value, str) and len(value.split()) >= words:
        yield value


def data() -> set[str]:
    """What carries its own language: activities, concepts, songs and what was entered."""
    found = {"Quiet ones", "Fire drill", "Concert", ".txt", *(one.props for one in CATALOGUE if one.props)}
    found |= {"Ama", "Jun", "Ines", "Tove", "Kofi", "Lien", "Kestrel", "{name}", "{things}"}
    found |= {BROWSER, "Sing at Kestrel", "Before the holidays", "Rain", "Shakers", *get_args(Support)}
    found |= {one.kind for one in CATALOGUE}  # keys, beside which their words stand
    found |= {text for model in MODELS.values() for text in strings(asdict(model), 1)}
    found |= {
        part
        for one in CATALOGUE
        for text in (
            *(
                one.title,
                one.care,
                one.easier,
                one.harder,
                one.instead,
                one.untouched,
                one.picture,
                one.works,
            ),
            *one.steps,
            *(form.says for form in one.forms),
        )
        for part in re.split(r"\{\w+\}|“[^”]*”", text)
        if part.strip()
    }
    rhythms = {spoken(figure, system) for figure in FIGURES for system in SYSTEMS}
    found |= {one for one in rhythms if len(one) > 5}  # a short one is a part of other words
    for sequence in SHIPPED.values():
        found.add(sequence.name)
        found |= {text for concept in sequence.concepts for text in strings(asdict(concept), 1)}
    found |= {rung.name for rung in RUNGS.values()}
    for file in (*SETTINGS.songs.glob("*.abc"), *SETTINGS.pieces.glob("*.abc")):
        found |= set(re.findall(r"^(?:T:|N:[\w ]+: )(.*)$", file.read_text("utf-8"), re.MULTILINE))
    return found


def test_no_sentence_stands_outside_the_catalogue(
    strange: TestClient, app_client: TestClient, kestrel: Place
) -> None:
    start_and_mark(strange, kestrel)
    known = data()
    choice = swappable(strange, kestrel)
    song = f"/api/songs/{kestrel.ids['song_id']}"
    sung = (
        strange.get(f"{song}/file").text + strange.get(song).text
    ).lower()  # the song's own words and facts
    sung += sung.replace("-", "")  # its syllables, and its words
    outside: dict[str, list[str]] = {}
    answers = [
        (path, request(strange, method, path, operation, kestrel, choice))
        for method, path, operation in OPERATIONS
        if method == "get"
    ]
    answers.append(("aside", strange.get("/api/events/aside")))
    answers += [(f"refused {number}", answer) for number, answer in enumerate(refusals(strange, kestrel))]
    for path, answer in answers:
        if path.endswith("/print") and "/songs/" not in path:
            continue  # steps of activities, which carry their own language, broken into lines
        for text in said_in(answer):
            left = plain_words(text, known)
            if path.endswith(("/print", "/moves")):  # cues are words of the song
                left = [word for word in left if word.lower() not in sung]
            if left:
                outside.setdefault(path, []).append(f"{text!r}: {left}")
    assert outside == {}, json.dumps(outside, indent=1, ensure_ascii=False)
    strange_ones = set(map(chr, LETTERS.values()))
    assert sum(bool(strange_ones & set(answer.text)) for _, answer in answers) > 15, (
        "the made-up language is spoken"
    )


def said_in(answer: Any) -> Iterator[str]:
    """The texts of an answer: of JSON, of a print, of a calendar."""
    kind = answer.headers.get("content-type", "")
    if "json" in kind:
        yield from (text for text in strings(answer.json()) if not text.startswith("<svg"))
    elif "pdf" in kind:
        for page in pypdfium2.PdfDocument(answer.content):
            yield from page.get_textpage().get_text_range().splitlines()
    elif "calendar" in kind:
        lines = answer.text.replace("\r\n ", "").splitlines()
        yield from (
            one
            for line in lines
            if line.startswith(("SUMMARY", "DESCRIPTION"))
            for one in [line.split(":", 1)[1]]
        )


def refusals(client: TestClient, place: Place) -> Iterator[Any]:
    section, lesson = place.ids["section_id"], place.ids["lesson_id"]
    yield client.get("/api/nowhere")
    yield client.get(f"/api/lessons/{section}")
    yield client.post(f"/api/sections/{section}/lesson", json={})
    yield client.post(f"/api/sections/{section}/lesson", json={"day": "2026-12-01", "starts": "09:50"})
    yield client.put(
        f"/api/lessons/{lesson}/parts/{place.ids['part_id']}/pin", json={"pinned": True, "version": 99}
    )
    yield client.post(
        "/api/sections", json={"name": "2A", "grade": 2, "minutes": 30, "names": "", "meetings": []}
    )
    yield client.post(
        "/api/songs", files=[("files", ("bad.xml", b"<score-partwise")), ("files", ("a.txt", b"?"))]
    )
    yield client.put("/api/calendar", json={"terms": [], "holidays": [], "cycle": 0})
    yield client.post("/api/sign-in", json={"login": "kestrel", "password": "wrong"})
    yield client.post("/api/songs/typed", json={})
    tell(
        client,
        mark(place, concept="no-such"),
        event(place, "rated", part_id=place.ids["section_id"], rating="well"),
    )


def test_old_rows_are_said_in_the_language_of_today(
    strange: TestClient, app_client: TestClient, kestrel: Place
) -> None:
    """What was planned and heard in English is stored as reasons, so another language says it too."""
    start_and_mark(strange, kestrel)
    english = signed_in(app_client, kestrel)
    lesson = f"/api/lessons/{kestrel.ids['lesson_id']}"
    said = [one["sentence"] for part in english.get(lesson).json()["parts"] for one in part["reasons"]]
    other = [one["sentence"] for part in strange.get(lesson).json()["parts"] for one in part["reasons"]]
    assert len(said) == len(other) > 10
    assert all(one != two for one, two in zip(said, other, strict=True))


def test_a_language_without_words_is_said_and_nothing_starts(
    monkeypatch: pytest.MonkeyPatch, capsys: pytest.CaptureFixture[str]
) -> None:
    monkeypatch.setenv("KOPJE_LANGUAGE", "xx")
    assert main(["serve"]) == 2
    said = capsys.readouterr()
    assert "no words for “xx”" in said.err
    assert "It speaks: en." in said.err
    assert said.out == ""
