"""A song's page: the teacher's word wins and all else follows; layers under the notes; files in
every format."""

from __future__ import annotations

import pytest
from fastapi.testclient import TestClient

from api.conftest import Place, signed_in
from kopje.core.analysis.timeline import sounds
from kopje.formats.read import read_tunes

ABC = (
    "X:1\nT:Hill\nM:6/8\nL:1/8\nK:F\nF2 A c2 A | F2 A c3 |\n"
    "d2 c A2 F | G3 F3 |]\nw: Up the hill and up a-gain\n"
)


@pytest.fixture
def client(app_client: TestClient, kestrel: Place) -> TestClient:
    return signed_in(app_client, kestrel)


@pytest.fixture
def song(client: TestClient) -> str:
    sent = client.post("/api/songs", files=[("files", ("hill.abc", ABC.encode()))])
    return str(sent.json()["songs"][0]["song_id"])


def test_what_the_teacher_says_wins_and_what_was_worked_out_stays_beside_it(
    client: TestClient, song: str
) -> None:
    before = client.get(f"/api/songs/{song}").json()
    assert (before["do"], before["resting_tone"], before["form"]) == ("F", "do", "a b")
    said = {"do": "Bb", "resting": "so", "beat": "1/2", "phrases": [2, 3, 4], "labels": ["a", "a'", "b", "c"]}
    annotations = client.put(f"/api/songs/{song}/annotations", json=said)
    assert annotations.status_code == 200, annotations.text
    after = client.get(f"/api/songs/{song}").json()
    assert (after["do"], after["resting_tone"], after["confidence"]) == ("Bb", "so", 1.0)
    assert after["form"] == "a a' b c"
    assert after["phrase_bars"] == [1, 2, 3, 4]
    assert {one["key"] for one in before["elements"]} >= {"quarter_eighth", "dotted_quarter"}
    assert {one["key"] for one in after["elements"]} == {"half", "quarter", "dotted_half"}  # counted in six
    assert after["tone_set"] != before["tone_set"]
    assert after["own"] == {
        "do": "F",
        "resting_tone": "do",
        "tonality": "major",
        "confidence": before["confidence"],
        "form": "a b",
    }
    wrong = client.put(f"/api/songs/{song}/annotations", json={"labels": ["a", "b", "c"]})
    assert (wrong.status_code, wrong.json()["title"]) == (
        422,
        "The song has 2 phrases, but 3 letters were given. Nothing was changed.",
    )
    assert client.get(f"/api/songs/{song}").json()["form"] == "a a' b c"
    client.put(f"/api/songs/{song}/annotations", json={})
    assert client.get(f"/api/songs/{song}").json() | {"annotations": {}} == before | {"annotations": {}}


def test_layers_stand_between_the_staff_and_the_words(client: TestClient, song: str) -> None:
    score = client.get(f"/api/songs/{song}/score", params={"layers": ["degrees", "rhythm"]}).text
    assert score.count("verse layer") == 2 * 13
    assert ">hill<" in score
    assert ">so<" in score
    assert ">ta<" in score
    bare = client.get(f"/api/songs/{song}/score", params={"words": False}).text
    assert "verse" not in bare
    moved = client.get(f"/api/songs/{song}/score", params={"layers": ["letters", "degrees"], "do": "G"}).text
    assert ">G<" in moved
    assert ">F♯<" not in moved
    assert ">do<" in moved
    numbers = client.get(f"/api/songs/{song}/score", params={"layers": ["numbers", "motion"]}).text
    assert ">5<" in numbers
    assert ">skip<" in numbers
    assert client.get(f"/api/songs/{song}/score", params={"layers": ["colours"]}).status_code == 422


@pytest.mark.parametrize("kind", ["musicxml", "abc", "mid"])
def test_a_song_leaves_in_each_open_format_and_comes_back(client: TestClient, song: str, kind: str) -> None:
    answer = client.get(f"/api/songs/{song}/file", params={"kind": kind})
    assert f'filename="hill.{kind}"' in answer.headers["content-disposition"]
    (again,) = read_tunes(answer.content, f"hill.{kind}")
    assert [str(s.pitch) for s in sounds(again) if s.pitch][:4] == ["F4", "A4", "C5", "A4"]
    back = client.post("/api/songs", files=[("files", (f"back.{kind}", answer.content))]).json()["songs"][0]
    assert back["message"] == ""
    assert client.get(f"/api/songs/{back['song_id']}").json()["bars"] == 4


def test_a_song_is_recast_and_moved_and_everything_said_follows(client: TestClient, song: str) -> None:
    minor = client.get(f"/api/songs/{song}", params={"recast": "parallel"}).json()
    assert (minor["do"], minor["resting_tone"], minor["tonality"]) == ("Ab", "la", "minor")
    assert minor["final"] == "la,"
    assert client.get(f"/api/songs/{song}").json()["tonality"] == "major"
    moved = client.get(f"/api/songs/{song}", params={"recast": "parallel", "do": "C"}).json()
    assert (moved["do"], moved["resting_tone"]) == ("C", "la")
    plain = client.get(f"/api/songs/{song}").json()
    assert [one["length"] for one in moved["sounds"]] == [one["length"] for one in plain["sounds"]]
    score = client.get(f"/api/songs/{song}/score", params={"recast": "parallel", "layers": ["degrees"]}).text
    assert ">la,<" in score
    abc = client.get(f"/api/songs/{song}/file", params={"kind": "abc", "do": "G"}).text
    assert "K:G" in abc
    few = client.post(
        "/api/songs", files=[("files", ("few.abc", b"X:1\nT:Few\nM:2/4\nL:1/8\nK:F\nc2 A2 | c2 A2 |\n"))]
    )
    refused = client.get(f"/api/songs/{few.json()['songs'][0]['song_id']}", params={"recast": "parallel"})
    assert (refused.status_code, refused.json()["title"]) == (
        422,
        "Only a song in major or minor has a parallel tonality. Nothing was changed.",
    )


def test_a_typed_song_is_seen_while_it_grows_and_kept_like_any_other(client: TestClient) -> None:
    typed = {
        "title": "Noon",
        "do": "F",
        "meter": "2/4",
        "line": "s m | s\nl s | m -",
        "words": "Up and up\nwe go on",
    }
    draft = client.post("/api/songs/draft", json=typed).json()
    assert draft["problems"][0]["message"] == "Bar 2 has 1 beat, the meter asks for 2."
    assert draft["tones"] == ["mi", "so", "la"]
    assert ">Up<" in draft["svg"]
    wrong = client.post("/api/songs/draft", json={**typed, "line": "s q"})
    assert (wrong.status_code, "“q” in “q”, line 1" in wrong.json()["title"]) == (422, True)
    kept = client.post("/api/songs/typed", json={**typed, "line": "s m | s m\nl s | m -"}).json()
    song = client.get(f"/api/songs/{kept['song_id']}").json()
    assert (song["title"], song["bars"], song["do"], song["problems"]) == ("Noon", 4, "F", [])
    assert [one["degree"] for one in song["sounds"]] == ["so", "mi", "so", "mi", "la", "so", "mi"]


def test_a_song_sung_in_another_key_sounds_and_starts_there_while_the_score_stays(
    client: TestClient, song: str
) -> None:
    before = client.get(f"/api/songs/{song}").json()
    score = client.get(f"/api/songs/{song}/score").text
    annotations = client.put(f"/api/songs/{song}/annotations", json={"sung": "D"})
    assert annotations.status_code == 200, annotations.text
    after = client.get(f"/api/songs/{song}").json()
    assert (after["do"], after["annotations"]["sung"]) == ("F", "D")
    assert (after["starting"]["pitch"], after["starting"]["degree"]) == ("D4", "do")
    assert [one["midi"] for one in after["sounds"]] == [one["midi"] - 3 for one in before["sounds"]]
    assert [one["pitch"] for one in after["sounds"]] == [one["pitch"] for one in before["sounds"]]
    assert [one["degree"] for one in after["sounds"]] == [one["degree"] for one in before["sounds"]]
    assert client.get(f"/api/songs/{song}/score").text == score
    shown = client.get(f"/api/songs/{song}", params={"do": "G"}).json()
    assert shown["starting"]["pitch"] == "G4", "what is looked at in another key sounds there"
