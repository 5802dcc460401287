"""The songbook asked in a sentence: the query finds what the rules say, and says why."""

from itertools import product

import pypdfium2
import pytest
from fastapi.testclient import TestClient

from api.conftest import Place, signed_in
from kopje.core.songs.question import SongQuestion, answer
from kopje.core.songs.suitability import Met
from making import DAY, declared, shipped_facts

KNOWN = ["so-mi", "la", "do", "quarter-eighths", "two-beat-meter", "half", "beat-rest", "high-low"]
HAS = ["re", "quarter-eighths", "compound", "la-minor", "meter:3/4", "figure:upbeat", "tone:fa", "rests:do"]


@pytest.fixture
def client(app_client: TestClient, kestrel: Place) -> TestClient:
    return signed_in(app_client, kestrel)


def titles(client: TestClient, **asked: object) -> list[str]:
    return [
        song["title"] for song in client.get("/api/songs", params={"limit": 200, **asked}).json()["songs"]
    ]


def test_the_query_finds_what_the_rules_allow(client: TestClient, kestrel: Place) -> None:
    section = kestrel.ids["section_id"]
    client.put(f"/api/sections/{section}/declared", json={"concepts": KNOWN})
    state, facts = declared(*KNOWN), shipped_facts()
    slug = {"".join(c if c.isalnum() else "" for c in key): key for key in facts}
    for key, known, fits in product(HAS, (False, True), (False, True)):
        found = titles(client, section=section, has=key, known=known, fits=fits)
        got = {slug["".join(c for c in title.lower() if c.isalnum())] for title in found}
        asked = SongQuestion((key,), known, fits)
        assert got == {name for name, song in facts.items() if answer(song, asked, state, Met(), DAY).allowed}


def test_reasons_search_pages_and_kinds(client: TestClient, kestrel: Place) -> None:
    page = client.get("/api/songs", params={"limit": 200, "offset": 20}).json()
    assert (page["total"], len(page["songs"])) == (len(shipped_facts()), len(shipped_facts()) - 20)
    section = kestrel.ids["section_id"]
    one = client.get("/api/songs", params={"section": section, "has": "tone:fa", "fits": True}).json()[
        "songs"
    ][0]
    assert any(reason.startswith("Has fa in ") for reason in one["reasons"])
    assert any("their range" in reason for reason in one["reasons"])
    assert titles(client, text="kettle") == ["Kettle Canon", "The Watchman's Kettle"]
    assert titles(client, text="100% _") == []
    kinds = {kind["key"]: kind["songs"] for kind in client.get("/api/song-kinds").json()}
    assert kinds["tone:so"] > 10
    assert len(titles(client, has="meter:6/8")) == kinds["meter:6/8"]
    assert client.get("/api/songs", params={"has": "no-such"}).status_code == 422


def test_a_sentence_is_kept_replaced_and_dropped(client: TestClient) -> None:
    body = {"name": "Rocking", "asked": {"has": ["compound"], "known": True}}
    kept = client.post("/api/song-questions", json=body).json()
    again = client.post("/api/song-questions", json=body | {"asked": {"has": ["fa"]}}).json()
    assert again["id"] == kept["id"]
    names = {one["name"]: one["asked"]["has"] for one in client.get("/api/song-questions").json()}
    assert names == {"Quiet ones": ["re"], "Rocking": ["fa"]}
    assert client.delete(f"/api/song-questions/{kept['id']}").status_code == 204
    assert len(client.get("/api/song-questions").json()) == 1


ABC = "X:1\nT:Hill song\nM:2/4\nL:1/8\nK:F\nc2A2|G2F2|\nc2A2|G2G2|\nc2A|F4|]\n"


def bring(client: TestClient, text: str = ABC) -> str:
    sent = client.post("/api/songs", files=[("files", ("hill.abc", text.encode()))])
    found: str = sent.json()["songs"][0]["song_id"]
    return found


def test_what_is_said_about_a_song_and_mending_a_bar(client: TestClient) -> None:
    song = bring(client)
    insight = client.get(f"/api/songs/{song}/insight").json()
    assert insight["phrases"][1]["relation"] == "a' differs from a: re instead of do on the last tone."
    assert {"rest", "longer"} <= {way["how"] for way in insight["repairs"]}
    bar = insight["repairs"][0]["bar"]
    mended = client.put(f"/api/songs/{song}/annotations", json={"repairs": {str(bar): "longer"}}).json()
    assert mended["problems"] == []
    assert client.get(f"/api/songs/{song}/insight").json()["repairs"] == []
    assert len(client.put(f"/api/songs/{song}/annotations", json={}).json()["problems"]) == 1
    assert {axis["name"] for axis in insight["difficulty"]} == {
        "tones",
        "motion",
        "rhythm",
        "meter",
        "key",
        "range",
    }


def test_the_teachers_word_on_concepts_is_asked_for_too(client: TestClient, kestrel: Place) -> None:
    song = bring(client)
    client.put(f"/api/songs/{song}/annotations", json={"has": ["round"], "lacks": ["re"]})
    assert "Hill song" in titles(client, has="round")
    assert "Hill song" not in titles(client, has="re")
    assert (
        client.put(f"/api/songs/{song}/annotations", json={"has": ["re"], "lacks": ["re"]}).status_code == 422
    )


def test_a_title_may_have_several_tunes_and_facts_are_the_teachers(client: TestClient) -> None:
    one, other = bring(client), bring(client, ABC.replace("c2A2|G2F2", "c2c2|A2F2"))
    twins = client.get(f"/api/songs/{one}/insight").json()["twins"]
    assert [twin["id"] for twin in twins] == [other]
    said = {"title": "Hill song, as we sing it", "facts": {"season": "autumn", "verified": "no", "care": ""}}
    read = client.put(f"/api/songs/{one}/about", json=said).json()
    assert (read["title"], read["facts"]) == (
        "Hill song, as we sing it",
        {"season": "autumn", "verified": "no"},
    )
    assert client.put(f"/api/songs/{one}/about", json=said | {"facts": {"price": "3"}}).status_code == 422
    assert titles(client, text="as we sing") == ["Hill song, as we sing it"]


def test_the_rooms_bar_colours_are_the_teachers(client: TestClient) -> None:
    assert client.get("/api/bar-colours").json() == {"colours": {}}
    kept = {"colours": {"C": "#a63a12", "Bb": "#4a4590"}}
    assert client.put("/api/bar-colours", json=kept).json() == kept
    assert client.put("/api/bar-colours", json={"colours": {"H": "#a63a12"}}).status_code == 422
    assert client.get("/api/bar-colours").json() == kept


@pytest.mark.parametrize(
    ("purpose", "said"),
    [
        ("voices", "Comfortable: "),
        ("bars", "Bars: as they are"),  # in F without a fa nothing needs a swap
        ("recorder", "Recorder: "),
        ("reading", "Written with 1 sign."),
    ],
)
def test_best_keys_say_why(client: TestClient, purpose: str, said: str) -> None:
    song = bring(client)
    keys = client.get(f"/api/songs/{song}/keys", params={"grade": 3, "purpose": purpose}).json()
    assert 1 <= len(keys) <= 3
    assert any(reason.startswith(said) for key in keys for reason in key["reasons"])


def test_a_removed_song_is_taken_back_with_all_that_was_said_of_it(
    client: TestClient, kestrel: Place
) -> None:
    song = client.get("/api/songs", params={"text": "lantern boat"}).json()["songs"][0]["id"]
    client.put(f"/api/songs/{song}/annotations", json={"has": ["round"]})
    file, total = client.get(f"/api/songs/{song}/file"), client.get("/api/songs").json()["total"]
    assert client.delete(f"/api/songs/{song}").status_code == 204
    gone = client.get(f"/api/songs/{song}")
    assert (gone.status_code, "taken out" in gone.json()["title"]) == (404, True)
    assert client.get("/api/songs").json()["total"] == total - 1
    assert [one["id"] for one in client.get("/api/removed-songs").json()] == [song]
    fits = client.get(
        f"/api/sections/{kestrel.ids['section_id']}/songs-for?concept=round&purpose=prepare"
    ).json()
    assert song not in [fit["song"]["id"] for fit in fits]
    back = client.post(f"/api/songs/{song}/bring-back").json()
    assert back["annotations"]["has"] == ["round"]
    assert client.get("/api/songs").json()["total"] == total
    client.delete(f"/api/songs/{song}")
    again = client.post("/api/songs", files={"files": ("boat.abc", file.content)}).json()["songs"][0]
    assert (again["song_id"], "is back" in again["message"]) == (song, True)
    assert client.get("/api/removed-songs").json() == []


def test_a_meter_the_teacher_takes_away_is_not_found_either(client: TestClient) -> None:
    song = bring(client)
    assert "Hill song" in titles(client, has="two-beat-meter")
    client.put(f"/api/songs/{song}/annotations", json={"lacks": ["two-beat-meter"]})
    assert "Hill song" not in titles(client, has="two-beat-meter")


def test_of_a_large_book_only_likely_songs_are_read_and_the_best_are_among_them(
    client: TestClient, kestrel: Place, monkeypatch: pytest.MonkeyPatch
) -> None:
    section = kestrel.ids["section_id"]
    client.put(f"/api/sections/{section}/declared", json={"concepts": [*KNOWN, "re", "do-pentatonic"]})

    def fits(concept: str) -> list[tuple[str, bool]]:
        asked = {"concept": concept, "purpose": "practise"}
        found = client.get(f"/api/sections/{section}/songs-for", params=asked).json()
        return [(one["song"]["title"], one["allowed"]) for one in found]

    every = {concept: fits(concept) for concept in ("re", "half", "beat-rest")}
    monkeypatch.setattr("kopje.usecases.songs.songbook.ALL_UP_TO", 3)
    monkeypatch.setattr("kopje.usecases.songs.songbook.MOST_LIKELY", 6)
    for concept, all_of_them in every.items():
        likely = fits(concept)
        assert len(likely) < len(all_of_them)
        assert likely[0] == all_of_them[0], concept
        assert [one for one in all_of_them if one in likely] == likely, (
            "the same judgement, in the same order"
        )
    lesson = client.post(f"/api/sections/{section}/lesson").json()
    assert sum(part["song"] is not None for part in lesson["parts"]) >= 2


def test_one_request_reads_so_many_songs_and_says_which_it_did_not(
    client: TestClient, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr("kopje.usecases.songs.songbook.AT_ONCE", 5)
    book = "".join(
        f"X:{n}\nT:Row {n}\nM:2/4\nL:1/8\nK:F\n{'c2' * (n % 2 + 1)}A{n}|]\n\n" for n in range(1, 8)
    )
    files = [("files", (name, text.encode())) for name, text in (("book.abc", book), ("more.abc", book[:60]))]
    found = client.post("/api/songs", files=files).json()["songs"]
    assert [one["title"] for one in found if one["song_id"]] == [f"Row {n}" for n in range(1, 6)]
    left = [one["message"] for one in found if not one["song_id"]]
    assert left[0].startswith("2 songs of this file were not read: at most 5 at once.")
    assert left[1].startswith("1 song of this file was not read")
    again = client.post("/api/songs", files=files[:1]).json()["songs"]
    assert sum(one["already"] for one in again) == 5, "what was brought in stays"


def test_drills_and_games_of_a_song_come_on_paper_in_its_own_tones(client: TestClient) -> None:
    songs = client.get("/api/songs", params={"text": "Frost on the Fence"}).json()["songs"]
    printed = client.get(f"/api/songs/{songs[0]['id']}/drills/print")
    pages = pypdfium2.PdfDocument(printed.content)
    text = " ".join(page.get_textpage().get_text_range() for page in pages)
    assert "mi fa mi mi re" in text, "a call of its first bars"
    assert "ferns in the air" in text, "its game"
    holes = [line for line in text.splitlines() if "▁" in line]
    assert holes
    assert not any("ferns" in line and "drawn" not in line for line in holes)
    assert {"Without fa", "Without do", "Without re"} <= {line.strip() for line in text.splitlines()}
