"""The teacher's own activities and the order of her lessons, over the wire."""

from __future__ import annotations

from typing import Any

from fastapi.testclient import TestClient

from api.conftest import Place, event, signed_in, tell

STAIRS: dict[str, Any] = {
    "like": "sing-in",
    "title": "Sing on the stairs",
    "kind": "singing",
    "roles": ["opening"],
    "low": 0,
    "high": 5,
    "least": 2,
    "usual": 3,
    "most": 5,
    "energy": "moving",
    "steps": ["One step a beat, up to the door, with {song}.", "On the last word all stand."],
    "song": "known",
    "works": "All arrive on the last word.",
}
DRAGON = b"%PDF-1.7\n% a drawing of a dragon\n"


def own(client: TestClient, **changes: Any) -> dict[str, Any]:
    answer = client.post("/api/activities", json=STAIRS | changes)
    assert answer.status_code == 201, answer.text
    return answer.json()  # type: ignore[no-any-return]


def template(client: TestClient, band: str) -> dict[str, Any]:
    return next(one for one in client.get("/api/templates").json() if one["band"] == band)


def titles(client: TestClient, place: Place) -> list[str]:
    lesson = client.post(f"/api/sections/{place.ids['section_id']}/lesson", json={}).json()
    return [part["title"] for part in lesson["parts"]]


def test_an_own_activity_is_proposed_taught_changed_put_away_and_brought_back(
    app_client: TestClient, kestrel: Place
) -> None:
    client = signed_in(app_client, kestrel)
    made = own(client, song="none", steps=["Walk the stairs."], about=[])
    body = {
        "slots": [
            {"role": "opening", "named": [made["key"]]},
            {"role": "review", "always": True},
            {"role": "focus", "minutes": 5},
            {"role": "closing"},
        ],
        "settle_in": 3,
        "line_up": 1,
        "between": 2,
    }
    kept = client.put("/api/templates/middle", json=body).json()
    assert kept["own"]
    assert [one["without"] for one in kept["lengths"] if one["minutes"] == 30] == [[]]
    lesson = client.post(f"/api/sections/{kestrel.ids['section_id']}/lesson", json={}).json()
    parts = lesson["parts"]
    assert [part["role"] for part in parts] == ["opening", "review", "focus", "closing"]
    assert (parts[0]["title"], parts[2]["minutes"]) == ("Sing on the stairs", 5)
    assert parts[0]["steps"] == ["Walk the stairs."]
    assert lesson["available"] == 30 - 3 - 1 - 3  # to settle, to line up, three times a minute between
    change = {**STAIRS, "title": "Sing in the yard", "song": "none", "steps": ["Walk round the tree."]}
    assert client.put(f"/api/activities/{made['key']}", json=change).json()["title"] == "Sing in the yard"
    assert titles(client, kestrel)[0] == "Sing in the yard"
    away = client.delete(f"/api/activities/{made['key']}").json()
    assert away["gone"]
    assert made["key"] not in [one["key"] for one in client.get("/api/activities").json()]
    shown = client.get(f"/api/lessons/{lesson['id']}").json()["parts"][0]
    assert shown["title"] == "Sing in the yard", "what lies planned still knows it"
    assert titles(client, kestrel)[0] != "Sing in the yard"
    assert not client.post(f"/api/activities/{made['key']}/bring-back").json()["gone"]
    assert client.delete("/api/templates/middle").json()["own"] is False
    assert len(titles(client, kestrel)) == 7


def test_openings_take_turns_and_what_has_no_turn_is_said(app_client: TestClient, kestrel: Place) -> None:
    client = signed_in(app_client, kestrel)
    keys = ["mirror-moves", "beat-passes"]
    slots = [{"role": "opening", "named": keys}, {"role": "focus"}, {"role": "game"}, {"role": "closing"}]
    assert client.put("/api/templates/middle", json={"slots": slots}).status_code == 200
    address = f"/api/sets/{kestrel.ids['section_id']}"
    seen = client.get(address, params={"lessons": 4}).json()
    body = {"lessons": 4, "version": seen["version"], "anew": True}
    found = client.post(f"{address}/compose", json=body).json()
    openings = [column["cells"][0]["part"]["activity"] for column in found["columns"]]
    assert openings == [keys[n % 2] for n in range(4)]
    slots[0]["named"] = ["sing-in"]  # it wants a song that they know well, and they know none
    assert client.put("/api/templates/middle", json={"slots": slots}).status_code == 200
    body["version"] = found["version"]
    found = client.post(f"{address}/compose", json=body).json()
    missed = [one["sentence"] for one in found["columns"][0]["unmet"] if one["code"] == "turn_missed"]
    assert missed == ["“Sing in with an old friend” would have its turn here and does not fit."]


def test_what_cannot_be_used_is_refused_with_its_reason_and_nothing_is_kept(
    app_client: TestClient, kestrel: Place
) -> None:
    client = signed_in(app_client, kestrel)
    before = client.get("/api/activities").json()
    wrong: list[dict[str, Any]] = [
        {"steps": ["Sing {sng}."]},
        {"steps": ["Sing {song."]},
        {"steps": ["Sing {song:>9999999}."]},
        {"steps": ["Sing {song.title!r}."]},
        {"least": 5, "usual": 3},
        {"low": 5, "high": 2},
        {"like": None, "purposes": ["practise"]},
        {"about": ["no-such-concept"], "purposes": ["practise"]},
        {"like": "no-such-activity"},
        {"fewest": 30, "at_most": 10},
    ]
    for change in wrong:
        answer = client.post("/api/activities", json=STAIRS | change)
        assert answer.status_code in (404, 409, 422), (change, answer.text)
        assert answer.json()["title"], change
    assert client.get("/api/activities").json() == before
    shipped = client.put("/api/activities/sing-in", json=STAIRS)
    assert shipped.status_code == 404
    for slots in ([{"role": "opening"}], [{"role": "opening"}, {"role": "game"}, {"role": "closing"}]):
        assert client.put("/api/templates/upper", json={"slots": slots}).status_code == 409
    misfit = [{"role": "opening", "named": ["quiet-hands"]}, {"role": "focus"}, {"role": "closing"}]
    assert "Hands tell" in client.put("/api/templates/upper", json={"slots": misfit}).json()["title"]
    assert not template(client, "upper")["own"]


def test_notes_and_files_are_kept_beside_an_activity_and_go_only_to_the_school(
    app_client: TestClient, kestrel: Place, heron: Place
) -> None:
    client, stranger = signed_in(app_client, kestrel), signed_in(app_client, heron)
    address = "/api/activities/sing-in"
    client.put(f"{address}/note", json={"note": "Quieter after lunch.", "links": "our shelf, green box"})
    name = "../über/dra*gon.pdf"
    kept = client.post(f"{address}/files", files={"files": (name, DRAGON)}).json()
    assert (kept["note"], kept["files"][0]["name"]) == ("Quieter after lunch.", "dra gon.pdf")
    file = f"/api/files/{kept['files'][0]['id']}"
    got = client.get(file)
    assert got.content == DRAGON
    assert got.headers["content-type"] == "application/pdf"
    assert got.headers["content-disposition"].startswith("attachment;")
    assert stranger.get(file).status_code == 404
    assert stranger.get(address).json()["note"] == ""
    for content in (b"<html><script>alert(1)</script></html>", b"MZ\x90\x00", b"", b"\x00" * 30):
        refused = client.post(f"{address}/files", files={"files": ("song.pdf", content)})
        assert refused.status_code in (400, 413, 415, 422), (content, refused.text)
    large = client.post(f"{address}/files", files={"files": ("a.pdf", DRAGON + b" " * 20_000_000)})
    assert large.status_code == 413
    assert len(client.get(address).json()["files"]) == 1
    assert client.delete(file).status_code == 204
    assert client.get(file).status_code == 404


def test_what_fell_flat_is_said_and_weighs_next_time(app_client: TestClient, kestrel: Place) -> None:
    client = signed_in(app_client, kestrel)
    section = kestrel.ids["section_id"]
    part = {"part_id": kestrel.ids["part_id"]}
    lesson = client.get(f"/api/lessons/{kestrel.ids['lesson_id']}").json()
    flat = next(one for one in lesson["parts"] if one["id"] == part["part_id"])
    tell(
        client,
        event(kestrel, "started"),
        event(kestrel, "ticked", tick="done", **part),
        event(kestrel, "rated", rating="flat", **part),
        event(kestrel, "ended"),
    )
    found = client.post(f"/api/sections/{section}/lesson", json={}).json()
    offered = [
        one
        for here in found["parts"]
        for one in client.get(f"/api/lessons/{found['id']}/parts/{here['id']}/alternatives").json()
    ]
    again = [one for one in (*found["parts"], *offered) if one["activity"] == flat["activity"]]
    assert all("fell_flat" in [reason["code"] for reason in one["reasons"]] for one in again)


def test_a_routine_grows_on_a_day_for_the_grades_it_is_said_for(
    app_client: TestClient, kestrel: Place
) -> None:
    client = signed_in(app_client, kestrel)
    lesson = client.get(f"/api/lessons/{kestrel.ids['lesson_id']}").json()
    key, day = lesson["parts"][0]["activity"], lesson["day"]

    def said(**change: Any) -> tuple[str, str]:
        grows = {"day": day, "low": 2, "high": 3, "says": "With eyes shut.", **change}
        kept = client.put(f"/api/activities/{key}/note", json={"note": "Mind the door.", "dated": [grows]})
        assert kept.status_code == 200, kept.text
        part = client.get(f"/api/lessons/{lesson['id']}").json()["parts"][0]
        return part["grown"], part["note"]

    assert said() == ("With eyes shut.", "Mind the door.")
    assert said(low=3)[0] == "", "grade 2 goes on as before"
    assert said(day="2027-06-01")[0] == "", "not yet"
    client.put(f"/api/activities/{key}/note", json={"note": ""})
    assert client.get(f"/api/activities/{key}").json()["dated"] == []


def test_what_is_never_to_be_dropped_is_told_when_it_was(app_client: TestClient, kestrel: Place) -> None:
    client = signed_in(app_client, kestrel)
    section = f"/api/sections/{kestrel.ids['section_id']}"
    lesson = client.get(f"/api/lessons/{kestrel.ids['lesson_id']}").json()
    roles = ["opening", "review", "focus", "second", "play", "game", "closing"]
    slots = [{"role": role, "always": role in ("review", "focus")} for role in roles]
    assert client.put("/api/templates/middle", json={"slots": slots}).status_code == 200
    focus = next(part["id"] for part in lesson["parts"] if part["role"] == "focus")
    tell(
        client,
        event(kestrel, "started"),
        event(kestrel, "ticked", part_id=focus, tick="done"),
        event(kestrel, "ended"),
    )
    (said,) = client.get(section).json()["dropped"]
    assert said.startswith("“Review” is never to be dropped, and was:")
    client.delete("/api/templates/middle")
    assert client.get(section).json()["dropped"] == []
