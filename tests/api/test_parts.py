"""Songs of more than one part over the API: one part at a time, all together, as a round, with a partner."""

from __future__ import annotations

import pytest
from fastapi.testclient import TestClient

from api.conftest import Place, signed_in
from kopje.formats.read import read_scores

DUO = (
    'X:1\nT:Two\nM:4/4\nL:1/4\nV:1 name="High"\nV:2 name="Low"\nK:F\n'
    "V:1\nF G A c | c A G F | G G A G | F4 |]\nw: Two on the path and one is slow, o-pen the gate and go\n"
    "V:2\nF E F A | A F E F | C E F E | F4 |]\n"
)
RHYME = "X:1\nT:Rhyme\nM:2/4\nL:1/8\nK:none clef=perc\nBBB2 | BBB2 |\nw: Wash the spoon, wash the cup.\n"


@pytest.fixture
def client(app_client: TestClient, kestrel: Place) -> TestClient:
    return signed_in(app_client, kestrel)


def brought(client: TestClient, name: str, text: str) -> str:
    sent = client.post("/api/songs", files=[("files", (name, text.encode()))])
    return str(sent.json()["songs"][0]["song_id"])


def test_a_part_is_looked_at_and_its_home_is_that_of_the_piece(client: TestClient) -> None:
    song = f"/api/songs/{brought(client, 'duo.abc', DUO)}"
    lead, low = client.get(song).json(), client.get(song, params={"part": 2}).json()
    assert [one["name"] for one in lead["parts"]] == ["High", "Low"]
    assert (lead["part"], lead["parts"][0]["lead"], lead["low"]) == (1, True, "F4")
    assert (low["part"], low["low"], low["do"], low["tonality"]) == (2, "C4", "F", lead["tonality"])
    assert low["reasons"] == lead["reasons"]
    assert lead["parts"][0]["voice"] == "Lies best for the first treble."
    both = client.get(f"{song}/score").text
    assert both.count("dim-1-") == 4
    assert "dim-" not in client.get(f"{song}/score", params={"part": 2, "alone": True}).text
    sheet = client.get(f"{song}/print", params={"part": 2})
    assert sheet.content[:4] == b"%PDF"
    for kind in ("abc", "musicxml", "mid"):
        whole = client.get(f"{song}/file", params={"kind": kind}).content
        assert len(read_scores(whole, f"x.{kind}")[0].parts) == 2
        alone = client.get(f"{song}/file", params={"kind": kind, "part": 2}).content
        assert len(read_scores(alone, f"x.{kind}")[0].parts) == 1
    refused = client.get(song, params={"part": 3})
    assert refused.status_code == 422
    assert refused.json()["title"].startswith("The song has no part 3")


def test_a_song_is_seen_as_a_round_and_with_a_partner(client: TestClient) -> None:
    titles = {one["title"]: one["id"] for one in client.get("/api/songs?limit=200").json()["songs"]}
    wheel, baker = f"/api/songs/{titles['Wheel of Wood']}", f"/api/songs/{titles['Baker at Four']}"
    found = client.get(f"{wheel}/together").json()
    assert (found["rounds"][0]["voices"], found["rounds"][0]["after"], found["rounds"][0]["well"]) == (
        3,
        4,
        True,
    )
    seen = client.get(wheel, params={"voices": 3, "after": 4}).json()
    assert len(seen["parts"]) == 3
    assert not [one for one in seen["together"] if one["kind"] == "clash"]
    beside = client.get(baker, params={"beside": titles["Bread Is Up"]}).json()
    assert [one["name"] for one in beside["parts"]] == ["Baker at Four", "Bread Is Up"]
    refused = client.get(baker, params={"beside": titles["River Wide"]})
    assert refused.status_code == 422
    assert "do not share one meter" in refused.json()["title"]
    assert client.get(wheel, params={"voices": 2, "after": 60}).status_code == 422


def test_a_spoken_rhyme_has_a_page_of_its_own_and_words_that_sit(client: TestClient) -> None:
    song = f"/api/songs/{brought(client, 'rhyme.abc', RHYME)}"
    seen = client.get(song).json()
    assert (seen["low"], seen["tone_set"], seen["ladder"], seen["problems"]) == (None, [], [], [])
    assert client.get(f"{song}/insight").json()["on_beat"]["sentence"] == "The words sit well on the beat."
    again = client.get(f"{song}/file", params={"kind": "abc"}).content
    assert all(note.kind == "unpitched" for _, _, note in read_scores(again, "x.abc")[0].tune.notes())
