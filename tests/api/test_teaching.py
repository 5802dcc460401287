"""Marks, undo, absences, the ledger, and what comes back in the next lesson."""

from fastapi.testclient import TestClient

from api.conftest import Place, put_mark, signed_in, start_and_mark


def ledger(client: TestClient, place: Place) -> dict[str, object]:
    return client.get(f"/api/sections/{place.ids['section_id']}/ledger").json()  # type: ignore[no-any-return]


def test_a_mark_sent_twice_is_one_mark_and_undo_keeps_the_row(app_client: TestClient, kestrel: Place) -> None:
    client = signed_in(app_client, kestrel)
    start_and_mark(client, kestrel)
    first = ledger(client, kestrel)
    assert put_mark(client, kestrel, kestrel.ids["mark_id"]).status_code == 200
    assert ledger(client, kestrel) == first
    assert [stones[-1] for stones in first["stones"].values()] == ["o"]  # type: ignore[attr-defined]
    other = put_mark(client, kestrel, kestrel.ids["mark_id"], result="not_yet")
    assert (other.status_code, other.json()["code"]) == (409, "mark_refused")
    assert client.delete(f"/api/marks/{kestrel.ids['mark_id']}").json()["withdrawn"]
    assert ledger(client, kestrel)["stones"] == {}
    assert put_mark(client, kestrel, kestrel.ids["mark_id"]).json()["withdrawn"], (
        "what was taken back stays so"
    )


def test_nobody_is_marked_before_the_lesson_starts(app_client: TestClient, kestrel: Place) -> None:
    client = signed_in(app_client, kestrel)
    assert put_mark(client, kestrel, kestrel.ids["mark_id"]).json()["code"] == "lesson_state"


def test_the_absent_leave_the_queue_and_the_ledger_alone(app_client: TestClient, kestrel: Place) -> None:
    client = signed_in(app_client, kestrel)
    lesson, cell = kestrel.ids["lesson_id"], kestrel.ids["cell_id"]
    client.post(f"/api/lessons/{lesson}/start")

    def names() -> list[str]:
        found = client.get(f"/api/lessons/{lesson}/cells/{cell}/hearing").json()
        return [child["name"] for child in found["queue"]]

    assert len(names()) == 6
    client.put(f"/api/lessons/{lesson}/absences/{kestrel.ids['child_id']}")
    assert len(names()) == 5
    assert ledger(client, kestrel)["stones"] == {}
    client.delete(f"/api/lessons/{lesson}/absences/{kestrel.ids['child_id']}")
    assert len(names()) == 6


def test_what_was_skipped_comes_first_next_time(app_client: TestClient, kestrel: Place) -> None:
    client = signed_in(app_client, kestrel)
    lesson_id = kestrel.ids["lesson_id"]
    cells = client.post(f"/api/lessons/{lesson_id}/start").json()["cells"]
    skipped = next(cell for cell in cells if cell["role"] in ("focus", "second", "play", "game"))
    for cell in cells:
        how = "skipped" if cell is skipped else "done"
        client.put(f"/api/lessons/{lesson_id}/cells/{cell['id']}/tick", json={"tick": how})
    ended = client.post(f"/api/lessons/{lesson_id}/end", json={"note": "Bring the drums."}).json()
    assert ended["state"] == "done"
    following = client.post(f"/api/sections/{kestrel.ids['section_id']}/lesson").json()
    assert following["day"] == "2026-11-27"
    assert following["last_note"] == "Bring the drums."
    assert following["cells"][0]["left_over"]
    assert following["cells"][0]["activity"] == skipped["activity"]
    assert client.post(f"/api/lessons/{lesson_id}/cells/{cells[0]['id']}/refuse").status_code == 409


def test_swap_pin_and_ask_again(app_client: TestClient, kestrel: Place) -> None:
    client = signed_in(app_client, kestrel)
    lesson, section = kestrel.ids["lesson_id"], kestrel.ids["section_id"]
    cells = client.get(f"/api/lessons/{lesson}").json()["cells"]
    address = f"/api/lessons/{lesson}/cells/{cells[2]['id']}"
    other = client.get(f"{address}/alternatives").json()[0]
    body = {
        "activity": other["activity"],
        "song_id": other["song_id"],
        "concept": other["concept"] and other["concept"]["key"],
        "purpose": other["purpose"],
    }
    swapped = client.post(f"{address}/swap", json=body).json()["cells"][2]
    assert (swapped["activity"], swapped["pinned"]) == (other["activity"], True)
    client.put(f"/api/lessons/{lesson}/cells/{cells[0]['id']}/pin", json={"pinned": True})
    again = client.post(f"/api/sections/{section}/lesson").json()["cells"]
    assert [c["activity"] for c in again if c["pinned"]] == [cells[0]["activity"], other["activity"]]
    assert client.post(f"{address}/swap", json={"activity": "made-up"}).status_code == 404, (
        "the parts are new now"
    )


def test_a_file_that_cannot_be_read_is_reported_and_the_good_ones_are_kept(
    app_client: TestClient, kestrel: Place
) -> None:
    client = signed_in(app_client, kestrel)
    good = ("hill.abc", b"X:1\nT:Up the hill\nM:2/4\nL:1/8\nK:F\nA2G2|F2F2F2|A2G2|F4|]\n")
    report = client.post(
        "/api/songs", files=[("files", good), ("files", ("bad.xml", b"<score-partwise"))]
    ).json()["songs"]
    assert [bool(one["song_id"]) for one in report] == [True, False]
    assert "Nothing was kept" in report[1]["message"]
    song = client.get(f"/api/songs/{report[0]['song_id']}").json()
    assert song["problems"][0]["message"] == "Bar 2 has 3 beats, the meter asks for 2."
    svg = client.get(f"/api/songs/{report[0]['song_id']}/score?do=G")
    assert svg.status_code == 200
    assert svg.text.count('class="note"') == 8
    assert client.get(f"/api/songs/{report[0]['song_id']}/file").content == good[1]
