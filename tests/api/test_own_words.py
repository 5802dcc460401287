"""What a school calls things goes everywhere a person reads: pages, scores, reasons, refusals, print."""

import re
from typing import Any

import pytest
from fastapi.testclient import TestClient

from api.conftest import Place, signed_in

PLAIN = {
    "so": "so",
    "ti": "ti",
    "names": "solfa",
    "rhythm": "ta-titi",
    "minor": "la",
    "model": "prepare-present-practise",
    "phase_words": {},
}
OWN = {
    **PLAIN,
    "terms": {"rest": "silence", "phrase": "breath", "phrases": "breaths", "home": ""},
    "own_rhythm": {"beat_rest": "sh", "two_eighths": "go ing", "quarter": ""},
    "dates": "month_first",
    "clock": "12",
}


@pytest.fixture
def client(app_client: TestClient, kestrel: Place) -> TestClient:
    return signed_in(app_client, kestrel)


def song(client: TestClient, text: str) -> str:
    return str(client.get("/api/songs", params={"text": text}).json()["songs"][0]["id"])


def words(client: TestClient, **changes: Any) -> dict[str, Any]:
    kept = client.put("/api/words", json={**OWN, **changes})
    assert kept.status_code == 200, kept.text
    found: dict[str, Any] = kept.json()
    return found


def own(found: dict[str, Any], what: str) -> dict[str, str]:
    return {one["key"]: one["own"] for one in found[what] if one["own"]}


def test_what_is_left_empty_keeps_the_usual_word(client: TestClient) -> None:
    found = words(client)
    assert own(found, "terms") == {"rest": "silence", "phrase": "breath", "phrases": "breaths"}
    assert own(found, "figures") == {"beat_rest": "sh", "two_eighths": "go ing"}
    again = client.get("/api/words").json()
    assert again == found
    plain = client.put("/api/words", json=PLAIN).json()
    assert own(plain, "terms") == own(plain, "figures") == {}
    assert (plain["dates"], plain["clock"]) == ("day_first", "24")


@pytest.mark.parametrize(
    ("figure", "said", "why"),
    [
        ("two_eighths", "go", "Two eighths has 2 syllables, one for each note that sounds, and you gave 1"),
        ("half", "lo ng", "Half note has 1 syllable, one for each note that sounds, and you gave 2"),
        ("beat_rest", "shh sh", "Beat rest has 1 syllable"),
        ("gallop", "clip", "There is no figure “gallop”"),
    ],
)
def test_syllables_that_do_not_fit_are_refused_and_nothing_is_changed(
    client: TestClient, figure: str, said: str, why: str
) -> None:
    before = client.get("/api/words").json()
    refused = client.put("/api/words", json={**OWN, "own_rhythm": {figure: said}})
    assert refused.status_code == 422
    assert refused.json()["title"].startswith(why)
    assert client.get("/api/words").json() == before


def test_a_score_shows_the_schools_syllables_and_the_word_of_its_rests(client: TestClient) -> None:
    def shown() -> list[str]:
        svg = client.get(f"/api/songs/{stop}/score?layers=rhythm").text
        return re.findall(r"<tspan[^>]*>([^<>]+)</tspan>", svg)

    stop = song(client, "stop, lizard")
    assert not {"sh", "go", "ing"} & set(shown())
    words(client)
    assert {"sh", "go", "ing", "ta"} <= set(shown())
    assert "sh" not in re.findall(r">([^<>]+)</tspan>", client.get(f"/api/songs/{stop}/score").text)
    printed = client.get(f"/api/songs/{stop}/print?layers=rhythm")
    assert printed.content.startswith(b"%PDF")


def test_concepts_figures_and_reasons_say_it_the_schools_way(client: TestClient, kestrel: Place) -> None:
    section = kestrel.ids["section_id"]
    words(client)
    names = {one["key"]: one["name"] for one in client.get("/api/concepts").json()}
    assert (names["beat-rest"], names["phrase"]) == ("beat silence", "breaths a and b")
    figures = {one["name"] for one in client.get("/api/words").json()["figures"]}
    assert {"beat silence", "half silence"} <= figures
    fits = client.get(f"/api/sections/{section}/songs-for?concept=so-mi&purpose=practise").json()
    said = " ".join(fit["sentence"] for fit in fits)
    assert "breath" in said
    assert "phrase" not in said


def test_a_refusal_writes_the_day_as_the_school_does(client: TestClient, kestrel: Place) -> None:
    asked = {"day": "2026-12-01", "starts": "23:00"}
    address = f"/api/sections/{kestrel.ids['section_id']}/lesson"
    assert "1 December 2026" in client.post(address, json=asked).json()["title"]
    words(client)
    assert "December 1, 2026" in client.post(address, json=asked).json()["title"]
    words(client, dates="iso")
    assert "2026-12-01" in client.post(address, json=asked).json()["title"]


def test_a_field_is_refused_in_the_words_that_stand_at_it(client: TestClient) -> None:
    new = {"name": "x" * 21, "grade": 2, "minutes": 5, "names": "", "meetings": []}
    refused = client.post("/api/sections", json={**new, "colour": "red"}).json()
    said = {one["subject"]: one["sentence"] for one in refused["reasons"]}
    assert said["body.name"] == "“body.name”: At most 20 characters."
    assert said["body.minutes"] == "“body.minutes”: 10 or more."
    assert said["body.colour"] == "“body.colour”: This is not known here."
    missing = client.post("/api/sections", json={"name": "", "grade": 2}).json()["reasons"]
    assert {one["sentence"].split(": ")[1] for one in missing} == {"This is needed."}
