"""The year through the API: facts move the plan, the past stays, a collision changes nothing."""

from datetime import date, timedelta

import pytest
from fastapi.testclient import TestClient
from sqlalchemy import Connection, text

from api.conftest import Place, mark, signed_in, start_and_mark, tell
from conftest import SETTINGS

TODAY = SETTINGS.now().date()


@pytest.fixture
def client(app_client: TestClient, kestrel: Place) -> TestClient:
    return signed_in(app_client, kestrel)


def year(client: TestClient, place: Place) -> dict:  # type: ignore[type-arg]
    return client.get(f"/api/sections/{place.ids['section_id']}/year").json()


def test_until_terms_are_entered_a_year_is_assumed_and_said_to_be(client: TestClient, kestrel: Place) -> None:
    assert year(client, kestrel)["assumed"]
    term = {"name": "Term", "first": "2026-11-02", "last": "2026-12-18"}
    kept = client.put("/api/calendar", json={"terms": [term], "holidays": [], "cycle": 0})
    assert kept.status_code == 200, kept.text
    after = year(client, kestrel)
    assert not after["assumed"]
    assert len(after["lessons"]) == 13  # Tuesdays and Fridays of seven weeks, less the fire drill
    overlapping = client.put("/api/calendar", json={"terms": [term, term], "holidays": [], "cycle": 0})
    assert (overlapping.status_code, overlapping.json()["code"]) == (422, "calendar_unreadable")
    assert year(client, kestrel)["lessons"] == after["lessons"]


def test_a_lost_lesson_moves_only_what_follows(client: TestClient, kestrel: Place) -> None:
    section = kestrel.ids["section_id"]
    before = client.post(f"/api/sections/{section}/year/fit").json()
    assert before["fitted"]
    day = before["lessons"][before["next_lesson"] + 8]
    lost = {"kind": "lost", "day": day, "starts": None, "why": "Assembly", "section_ids": [section]}
    assert client.post("/api/changes", json=lost).status_code == 201
    after = client.post(f"/api/sections/{section}/year/fit").json()
    assert len(after["lessons"]) == len(before["lessons"]) - 1
    assert after["lessons"][: before["next_lesson"]] == before["lessons"][: before["next_lesson"]]
    begun = {
        arc["concept"]["key"]: arc["start"]
        for arc in before["arcs"]
        if arc["start"] < before["next_lesson"] + 8
    }
    assert begun.items() <= {arc["concept"]["key"]: arc["start"] for arc in after["arcs"]}.items()


def test_the_teachers_word_is_kept_and_taken_back(client: TestClient, kestrel: Place) -> None:
    address = f"/api/sections/{kestrel.ids['section_id']}/year"
    laid = client.post(f"{address}/fit").json()
    start = laid["next_lesson"] + 10
    override = {"concept": "do", "start": start, "prepare": None, "practise": None, "next_year": False}
    refused = client.put(f"{address}/overrides", json={"overrides": [override], "reserve": None})
    assert refused.status_code == 409
    assert f"Do begins in lesson {start}. Concert needs do by lesson" in refused.json()["title"]
    assert year(client, kestrel)["overrides"] == []
    client.delete(f"/api/concerts/{kestrel.ids['concert_id']}")
    moved = client.put(f"{address}/overrides", json={"overrides": [override], "reserve": None}).json()
    do = next(arc for arc in moved["arcs"] if arc["concept"]["key"] == "do")
    assert (do["start"], do["fixed"]) == (start, True)
    later = client.put(
        f"{address}/overrides",
        json={"overrides": [{**override, "start": None, "next_year": True}], "reserve": None},
    ).json()
    assert [one["key"] for one in later["next_year"]] == ["do"]
    past = client.put(f"{address}/overrides", json={"overrides": [{**override, "start": 1}], "reserve": None})
    assert past.status_code == 409
    assert "not among the lessons to come" in past.json()["title"]
    assert [one["key"] for one in year(client, kestrel)["next_year"]] == ["do"]


def test_what_she_changed_in_a_year_is_taken_back_step_by_step(client: TestClient, kestrel: Place) -> None:
    address = f"/api/sections/{kestrel.ids['section_id']}/year"
    kept = ("arcs", "overrides", "reserve", "left_out", "status", "gap", "sentence")
    client.delete(f"/api/concerts/{kestrel.ids['concert_id']}")
    seen = [client.post(f"{address}/fit").json()]
    seen.append(client.put(f"{address}/overrides", json={"overrides": [], "reserve": 4}).json())
    start = seen[0]["next_lesson"] + 10
    moved = {"overrides": [{"concept": "do", "start": start}], "reserve": None}
    seen.append(client.put(f"{address}/overrides", json=moved).json())
    assert len({str([one[name] for name in kept]) for one in seen}) == 3
    for before in (seen[1], seen[0]):
        back = client.post(f"{address}/undo").json()
        assert {name: back[name] for name in kept} == {name: before[name] for name in kept}
        assert back["can_undo"]
    while client.post(f"{address}/undo").status_code == 200:
        pass
    assert not year(client, kestrel)["can_undo"]
    assert client.post(f"{address}/undo").json()["title"].startswith("There is nothing to take back")


def test_a_plan_that_facts_have_moved_is_not_taken_back(client: TestClient, kestrel: Place) -> None:
    address = f"/api/sections/{kestrel.ids['section_id']}/year"
    fitted = client.post(f"{address}/fit").json()
    day = fitted["lessons"][fitted["next_lesson"]]
    lost = {"kind": "lost", "day": day, "starts": None, "why": "Assembly", "section_ids": []}
    assert client.post("/api/changes", json=lost).status_code == 201
    assert not year(client, kestrel)["can_undo"]


def test_where_sections_will_be_and_how_long_until_the_concert(client: TestClient, kestrel: Place) -> None:
    client.post(f"/api/sections/{kestrel.ids['section_id']}/year/fit")
    day = (TODAY + timedelta(days=16)).isoformat()
    found = client.get("/api/year/grade", params={"grade": 2, "day": day}).json()
    assert found["sentence"] == "Only one section in this grade: nothing can drift apart."
    assert found["sections"][0]["at_work"]
    assert "until Concert" in year(client, kestrel)["until_concert"]
    school = client.get("/api/year").json()
    assert "Grade 2 has the least slack" in school["sentence"]
    assert school["tightest"] == 2


def test_a_later_day_shows_how_far_apart_they_will_be_then(client: TestClient, kestrel: Place) -> None:
    """2A knows one thing more today; when the year is over both have held everything that is laid."""
    meets = [
        {"weekday": 1, "starts": "10:30", "minutes": None},
        {"weekday": 4, "starts": "10:30", "minutes": None},
    ]
    new = {"name": "2B", "grade": 2, "minutes": 30, "names": "Bo\nTaru", "meetings": meets}
    other = client.post("/api/sections", json=new).json()["id"]
    for section, keys in ((kestrel.ids["section_id"], ["so-mi", "la"]), (other, ["so-mi"])):
        client.put(f"/api/sections/{section}/declared", json={"concepts": keys})
        client.post(f"/api/sections/{section}/year/fit")

    def behind(day: str) -> list[int]:
        found = client.get("/api/year/grade", params={"grade": 2, "day": day}).json()
        return [one["behind"] for one in found["sections"]]

    assert behind(TODAY.isoformat())[1] > 0
    last = client.get(f"/api/sections/{other}/year").json()["lessons"][-1]
    assert behind(last) == [0, 0]


def test_a_child_moves_with_its_evidence_and_the_same_table_twice_changes_nothing(
    client: TestClient, kestrel: Place
) -> None:
    wanted = {"name": "2B", "grade": 2, "minutes": 30, "meetings": [], "children": ["Ama", "Bo"]}
    assert client.post("/api/roster", json={"sections": [wanted]}).json()[0]["children"] == 2
    again = client.post("/api/roster", json={"sections": [wanted]}).json()[0]
    assert (again["new"], again["children"], again["already"]) == (False, 0, 2)
    other = next(one["id"] for one in client.get("/api/sections").json() if one["name"] == "2B")
    body = {"name": "Lien", "section_id": other, "left": None}
    moved = client.put(f"/api/children/{kestrel.ids['child_id']}", json=body)
    assert moved.json()["section_id"] == other
    names = [one["name"] for one in client.get(f"/api/sections/{other}/ledger").json()["children"]]
    assert names == ["Ama", "Bo", "Lien"]


def test_another_sequence_counts_at_once_and_keeps_what_was_heard(client: TestClient, kestrel: Place) -> None:
    start_and_mark(client, kestrel)
    changed = client.post("/api/sequence/start", json={"shipped": "scale", "number": None}).json()
    assert changed["along"] == ["so and mi"] or "so and mi" in changed["along"]
    assert {"do-so", "so-mi"} <= {one["key"] for one in client.get("/api/concepts").json()}
    ledger = client.get(f"/api/sections/{kestrel.ids['section_id']}/ledger").json()
    assert "so-mi" in {column["concept"]["key"] for column in ledger["columns"]}
    edited = [{**one, "grade": 5} if one["key"] == "mi" else one for one in changed["concepts"]]
    kept = client.put(
        "/api/sequence", json={"name": "Ours", "concepts": sorted(edited, key=lambda one: one["grade"])}
    )
    assert kept.status_code == 422
    assert "stands before" in kept.json()["title"]
    assert client.get("/api/sequence").json()["number"] == changed["number"]
    csv = client.get("/api/sequence/file", params={"kind": "csv"})
    looked = client.post("/api/sequence/look", files={"files": ("ours.csv", csv.content)}).json()
    assert looked["concepts"] == changed["concepts"]


def test_into_the_next_year_children_go_up_with_their_marks_and_are_to_be_heard_again(
    client: TestClient, kestrel: Place, connection: Connection
) -> None:
    start_and_mark(client, kestrel)
    tell(client, mark(kestrel, concept="la"))
    client.post(
        "/api/roster",
        json={"sections": [{"name": "3A", "grade": 3, "minutes": 45, "meetings": [], "children": ["Bo"]}]},
    )
    steps = client.get("/api/roll-over").json()
    assert [(s["was"], s["becomes"], s["children"]) for s in steps] == [
        ("", "2A", 0),
        ("2A", "3A", 6),
        ("3A", "", 1),
    ]
    assert [one["name"] for one in client.get("/api/sections").json()] == ["2A", "3A"]
    assert client.post("/api/roll-over").json() == steps
    again = client.post("/api/roll-over")
    assert (again.status_code, again.json()["title"]) == (
        409,
        "The school went into its next year on 24 November 2026 already. Nothing was changed.",
    )
    after = {one["name"]: one for one in client.get("/api/sections").json()}
    assert {name: one["grade"] for name, one in after.items()} == {"2A": 2, "3A": 3}
    assert after["3A"]["id"] == kestrel.ids["section_id"]
    assert after["3A"]["minutes"] == 45
    ledger = client.get(f"/api/sections/{after['3A']['id']}/ledger").json()
    assert (len(ledger["children"]), sorted(ledger["stones"])) == (6, ["la", "so-mi"])
    assert client.get(f"/api/sections/{after['2A']['id']}/ledger").json()["children"] == []
    assert connection.execute(text('SELECT count(*) FROM child WHERE "left" IS NOT NULL')).scalar() == 1


def test_facts_move_the_plan_at_once_and_in_its_order(client: TestClient, kestrel: Place) -> None:
    section = kestrel.ids["section_id"]
    before = client.post(f"/api/sections/{section}/year/fit").json()
    day = before["lessons"][before["next_lesson"] + 3]
    lost = {"kind": "lost", "day": day, "starts": None, "why": "Assembly", "section_ids": [section]}
    client.post("/api/changes", json=lost)
    after = year(client, kestrel)
    assert (after["status"], len(after["lessons"])) == ("kept", len(before["lessons"]) - 1)
    starts = {arc["concept"]["key"]: arc["start"] for arc in after["arcs"]}
    order = [arc for arc in before["arcs"] if not arc["short"] and not arc["begun"]]
    still = [starts[arc["concept"]["key"]] for arc in order if arc["concept"]["key"] in starts]
    assert still == sorted(still)


def test_a_split_arc_rests_and_goes_on(client: TestClient, kestrel: Place) -> None:
    address = f"/api/sections/{kestrel.ids['section_id']}/year"
    laid = client.post(f"{address}/fit").json()
    arc = next(one for one in laid["arcs"] if not one["short"] and not one["begun"] and one["core"])
    client.delete(f"/api/concerts/{kestrel.ids['concert_id']}")
    from_ = arc["start"] + 2
    override = {"concept": arc["concept"]["key"], "start": arc["start"], "pause_from": from_, "pause": 3}
    split = client.put(f"{address}/overrides", json={"overrides": [override]})
    assert split.status_code == 200, split.text
    mine = next(one for one in split.json()["arcs"] if one["concept"]["key"] == arc["concept"]["key"])
    busy = {
        n
        for run in mine["phases"]
        for n in range(run["first"], run["last"] + 1)
        if run["phase"] in ("prepare", "present", "practise")
    }
    assert {from_ - 1, from_ + 3} <= busy
    assert not busy & {from_, from_ + 1, from_ + 2}
    half = client.put(f"{address}/overrides", json={"overrides": [{"concept": "do", "pause": 2}]})
    assert (half.status_code, half.json()["code"]) == (409, "plan_impossible")


def test_a_concept_is_not_named_before_its_day(client: TestClient, kestrel: Place) -> None:
    address = f"/api/sections/{kestrel.ids['section_id']}/year"
    laid = client.post(f"{address}/fit").json()
    client.delete(f"/api/concerts/{kestrel.ids['concert_id']}")
    arc = next(one for one in laid["arcs"] if not one["short"] and not one["begun"] and one["core"])
    named = next(run["first"] for run in arc["phases"] if run["phase"] == "present")
    day = laid["lessons"][named + 3]
    moved = client.put(
        f"{address}/overrides", json={"overrides": [{"concept": arc["concept"]["key"], "not_before": day}]}
    ).json()
    after = next(one for one in moved["arcs"] if one["concept"]["key"] == arc["concept"]["key"])
    assert (
        moved["lessons"][next(run["first"] for run in after["phases"] if run["phase"] == "present") - 1]
        >= day
    )


def test_the_sequence_says_when_in_each_year_a_concept_is_named(client: TestClient, kestrel: Place) -> None:
    address = f"/api/sections/{kestrel.ids['section_id']}/year"
    laid = client.post(f"{address}/fit").json()
    client.delete(f"/api/concerts/{kestrel.ids['concert_id']}")
    arc = next(one for one in laid["arcs"] if not one["short"] and not one["begun"] and one["core"])
    key, named = arc["concept"]["key"], next(r["first"] for r in arc["phases"] if r["phase"] == "present")
    day = laid["lessons"][named + 3]
    ours = client.get("/api/sequence").json()
    dated = [{**c, "not_before": day[5:]} if c["key"] == key else c for c in ours["concepts"]]
    assert client.put("/api/sequence", json={"name": "Ours", "concepts": dated}).status_code == 200
    after = client.post(f"{address}/fit").json()
    moved = next(one for one in after["arcs"] if one["concept"]["key"] == key)
    present = next(run["first"] for run in moved["phases"] if run["phase"] == "present")
    assert after["lessons"][present - 1] >= day


def test_meetings_may_differ_in_length(client: TestClient, kestrel: Place) -> None:
    body = {
        "name": "4C",
        "grade": 4,
        "minutes": 45,
        "names": "Ama",
        "declare_earlier": True,
        "meetings": [
            {"weekday": 0, "starts": "09:00", "minutes": 30},
            {"weekday": 2, "starts": "09:00", "minutes": None},
        ],
    }
    made = client.post("/api/sections", json=body).json()
    client.put(
        "/api/calendar",
        json={
            "terms": [{"name": "Term", "first": "2026-11-02", "last": "2026-12-18"}],
            "holidays": [],
            "cycle": 0,
        },
    )
    lessons = client.get(f"/api/sections/{made['id']}/year").json()
    left = [day for day in lessons["lessons"] if day >= str(TODAY)]
    mondays = sum(date.fromisoformat(day).weekday() == 0 for day in left)
    assert lessons["minutes_left"] == mondays * 26 + (len(left) - mondays) * 41
    proposed = client.post(f"/api/sections/{made['id']}/lesson")
    assert proposed.json()["minutes"] == (30 if date.fromisoformat(left[0]).weekday() == 0 else 45)


def test_the_schools_own_words_are_said_by_every_page(client: TestClient, kestrel: Place) -> None:
    words = {
        "so": "sol",
        "ti": "ti",
        "names": "solfa",
        "rhythm": "counting",
        "minor": "la",
        "model": "listen-to-create",
        "phase_words": {"echo": "sing back", "unknown": "x"},
    }
    read = client.put("/api/words", json=words).json()
    assert read["phases"] == {"present": "name", "prepare": "listen, sing back", "practise": "read, create"}
    assert read["phase_words"] == {"echo": "sing back"}
    assert "sol and mi" in [c["name"] for c in client.get("/api/concepts").json()]
    section = client.get(f"/api/sections/{kestrel.ids['section_id']}").json()
    assert {due["phase"] for due in section["due"]} <= {"listen", "sing back", "name", "read", "create"}
    assert client.get(f"/api/songs/{kestrel.ids['song_id']}").json()["elements"][0]["spoken"][0] == "1"


def test_a_choir_is_made_of_children_of_the_classes_and_hears_them(
    client: TestClient, kestrel: Place
) -> None:
    body = {
        "name": "Choir",
        "grade": 13,
        "minutes": 60,
        "names": "Somebody New",
        "declare_earlier": True,
        "meetings": [{"weekday": 2, "starts": "14:30"}],
    }
    choir = client.post("/api/sections", json=body).json()
    child = kestrel.ids["child_id"]
    client.put(f"/api/sections/{choir['id']}/singers", json={"child_ids": [str(child)]})
    roll = client.get(f"/api/sections/{choir['id']}/ledger").json()["children"]
    assert len(roll) == 2
    assert str(child) in str(roll)
    lesson = client.post(f"/api/sections/{choir['id']}/lesson").json()
    assert [part["slot"] for part in lesson["parts"]] == [
        "Warm-up",
        "Hard intervals",
        "Sight-singing",
        "Repertoire",
        "Repertoire",
        "Closing",
    ]
    reading = next(part for part in lesson["parts"] if part["slot"] == "Sight-singing")
    assert reading["concept"]["key"] == "reading-1"
    assert lesson["available"] - 2 <= lesson["planned_minutes"] <= lesson["available"]
