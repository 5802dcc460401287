"""The ledger asked, changed by hand, taken along and brought back; the report; the school's own numbers."""

from __future__ import annotations

import csv
import io
import json
from typing import Any
from uuid import uuid4

import pypdfium2
import pytest
from fastapi.testclient import TestClient

from api.conftest import Place, event, mark, outcomes, signed_in, tell

TODAY, MONTH_AGO = "2026-11-24", "2026-10-24"


@pytest.fixture
def client(app_client: TestClient, kestrel: Place) -> TestClient:
    return signed_in(app_client, kestrel)


def by_hand(place: Place, result: str = "secure", **what: Any) -> dict[str, Any]:
    """A mark told in the ledger: in no lesson, on a day."""
    return mark(
        place, result, **{"lesson_id": place.ids["section_id"], "part_id": None, "day": TODAY, **what}
    )


def evidence(client: TestClient, place: Place, concept: str = "so-mi") -> dict[str, Any]:
    address = f"/api/sections/{place.ids['section_id']}/ledger/{place.ids['child_id']}/{concept}"
    return client.get(address).json()  # type: ignore[no-any-return]


def ledger(client: TestClient, place: Place) -> dict[str, Any]:
    return client.get(f"/api/sections/{place.ids['section_id']}/ledger").json()  # type: ignore[no-any-return]


def exported(client: TestClient, what: str) -> list[dict[str, Any]]:
    return client.get(f"/api/export/{what}").json()  # type: ignore[no-any-return]


def test_marks_are_added_and_corrected_in_the_ledger_and_the_record_keeps_all(
    client: TestClient, kestrel: Place
) -> None:
    first = by_hand(kestrel, "nearly", day=MONTH_AGO)
    assert outcomes(tell(client, first)) == ["taken"]
    found = evidence(client, kestrel)
    assert (found["level"], found["marks"][0]["by_hand"], found["marks"][0]["day"]) == (
        "nearly",
        True,
        MONTH_AGO,
    )
    back = event(kestrel, "taken_back", lesson_id=kestrel.ids["section_id"], target_id=first["id"])
    instead = by_hand(kestrel, "secure", day=MONTH_AGO, supersedes=first["id"])
    assert outcomes(tell(client, back, instead)) == ["taken", "taken"]
    assert evidence(client, kestrel)["level"] == "once"
    assert outcomes(tell(client, by_hand(kestrel))) == ["taken"]
    assert evidence(client, kestrel)["level"] == "secure"
    told = {one["id"]: one for one in exported(client, "marks")}
    assert (told[first["id"]]["withdrawn"], told[first["id"]]["superseded_by"]) == (True, instead["id"])
    assert [one["lesson"] for one in told.values()] == [None] * 3
    (later,) = tell(client, by_hand(kestrel, day="2031-01-01"))
    assert (later["outcome"], later["sentence"]) == ("aside", "This day has not come yet.")


def test_the_teachers_word_counts_beside_the_marks_until_it_is_dropped(
    client: TestClient, kestrel: Place
) -> None:
    tell(client, by_hand(kestrel, "not_yet"))
    word = {"lesson_id": kestrel.ids["section_id"], "child_id": kestrel.ids["child_id"], "concept": "so-mi"}
    assert outcomes(
        tell(client, event(kestrel, "judged", day=TODAY, level="secure", note="in choir", **word))
    ) == ["taken"]
    found = evidence(client, kestrel)
    assert (found["level"], found["word"]["level"], found["word"]["note"]) == (
        "not_yet",
        "secure",
        "in choir",
    )
    read = ledger(client, kestrel)
    column = next(one for one in read["columns"] if one["concept"]["key"] == "so-mi")
    assert (read["stones"]["so-mi"], column["heard"], column["secure"]) == ("0S", 1, 1)
    child = client.get(f"/api/children/{kestrel.ids['child_id']}").json()
    assert [(one["concept"]["key"], one["level"]) for one in child["standings"]] == [("so-mi", "secure")]
    in_a_lesson = {**word, "lesson_id": kestrel.ids["lesson_id"]}
    (elsewhere,) = tell(client, event(kestrel, "judged", day=TODAY, level="not_yet", **in_a_lesson))
    assert elsewhere["outcome"] == "aside", "it belongs to no lesson"
    tell(client, by_hand(kestrel, "not_yet"))  # no mark drops it
    assert ledger(client, kestrel)["stones"]["so-mi"] == "0S"
    tell(client, event(kestrel, "judged", day=TODAY, level=None, **word))
    assert (evidence(client, kestrel)["word"], ledger(client, kestrel)["stones"]["so-mi"][:2]) == (None, "0y")


def test_what_belongs_to_the_class_is_no_childs(client: TestClient, kestrel: Place) -> None:
    ids = {"part_id": kestrel.ids["part_id"], "concept": "so-mi", "way": "sing", "help": "none"}
    told = [
        event(kestrel, "started"),
        event(kestrel, "class_marked", result="secure", **ids),
        event(kestrel, "hands", asked="Who heard it?", count=5, of=6),
        event(kestrel, "passed", child_id=kestrel.ids["child_id"], part_id=kestrel.ids["part_id"]),
    ]
    assert outcomes(tell(client, *told)) == ["taken"] * 4
    assert ledger(client, kestrel)["stones"] == {}
    assert client.get(f"/api/lessons/{kestrel.ids['lesson_id']}").json()["told"] == [
        "The whole class, so and mi, singing or playing it: has it.",
        "“Who heard it?” Hands: 5 of 6.",
    ]
    address = f"/api/lessons/{kestrel.ids['lesson_id']}/parts/{kestrel.ids['part_id']}/hearing?concept=so-mi"
    queue = client.get(address).json()["queue"]
    assert kestrel.ids["child_id"] not in [one["child_id"] for one in queue]
    assert len(queue) == 5
    tell(client, mark(kestrel, child_id=queue[0]["child_id"]))
    again, other = (client.get(address.replace("so-mi", key)).json()["queue"] for key in ("so-mi", "la"))
    assert (len(again), len(other)) == (4, 5), "in another concept whoever was heard may be heard"


def test_a_lucky_game_and_a_round_in_which_one_could_copy_are_kept_for_what_they_are(
    client: TestClient, kestrel: Place
) -> None:
    game = {"choices": 2, "asked": 3, "right": 3, "in_a_row": 3}
    tell(client, by_hand(kestrel, answers=game), by_hand(kestrel, way="hear", together=True, could_copy=True))
    more = {"sent": f"{TODAY}T09:05:00+00:00", "events": [by_hand(kestrel, answers={**game, "right": 4})]}
    assert client.post("/api/events", json=more).status_code == 422
    by_way = {one["way"]: one for one in evidence(client, kestrel)["marks"]}
    assert (by_way["sing"]["result"], by_way["sing"]["answers"]) == ("nearly", "3/3")
    assert (by_way["hear"]["result"], by_way["hear"]["help"], by_way["hear"]["together"]) == (
        "secure",
        "model",
        True,
    )


def test_questions_agree_with_everything_that_lies_behind_them(client: TestClient, kestrel: Place) -> None:
    children = {one["id"]: one for one in exported(client, "children")}
    some = list(children)[:3]
    tell(
        client,
        by_hand(kestrel, child_id=some[0], day="2026-11-20"),
        by_hand(kestrel, "not_yet", child_id=some[1], day="2026-09-01"),
        by_hand(kestrel, "not_yet", child_id=some[2], voices="group", day="2026-11-20"),
    )
    last: dict[str, str] = {}
    for one in exported(client, "marks"):
        if one["voices"] == "alone" and not one["withdrawn"]:
            last[one["child_id"]] = max(last.get(one["child_id"], ""), one["day"])
    asked = client.get(f"/api/asked/not-heard?since={MONTH_AGO}").json()
    expected = {key for key in children if last.get(key, "") < MONTH_AGO}
    assert {one["child_id"] for one in asked} == expected
    assert {one["child_id"]: one["last"] for one in asked if one["last"]} == {some[1]: "2026-09-01"}
    needs = client.get("/api/asked/needs?concept=so-mi").json()
    assert {one["child_id"] for one in needs} == {some[1], some[2]}
    group = client.get(f"/api/sections/{kestrel.ids['section_id']}/asked/group?concept=so-mi").json()
    assert sorted(group["children"]) == sorted(children[key]["name"] for key in some[1:])
    address = f"/api/sections/{kestrel.ids['section_id']}/asked/missing?concept=la"
    assert client.get(address).json()["missing"] == [], (
        "what earlier years brought passes until marks speak against"
    )
    tell(client, *(by_hand(kestrel, "not_yet", child_id=child) for child in list(children)[3:]))
    (missing,) = client.get(address).json()["missing"]
    assert (missing["concept"], missing["answer"], missing["more"]) == ("so-mi", "teach_again", 0)
    assert sorted(missing["children"]) == sorted(children[key]["name"] for key in list(children)[1:])
    unknown = client.get("/api/asked/needs?concept=nothing")
    assert (unknown.status_code, unknown.json()["code"]) == (422, "concept_unknown")


def test_marks_are_taken_along_and_brought_back_once(client: TestClient, kestrel: Place) -> None:
    tell(client, by_hand(kestrel, "nearly"), by_hand(kestrel, "secure", concept="la", way="read"))
    along = client.get("/api/export/marks?kind=csv").content

    def bring(data: bytes) -> dict[str, Any]:
        answer = client.post("/api/marks", files={"files": ("a.csv", data)})
        return answer.json() | {"status": answer.status_code}

    assert bring(along) == {"status": 201, "taken": 0, "known": 2, "withdrawn": 0, "problems": []}
    rows = list(csv.DictReader(io.StringIO(along.decode("utf-8-sig"))))
    for row in rows:
        row |= {"id": "", "child_id": "", "day": "2026-11-10"}
    again = json.dumps([*rows, {**rows[0], "name": "Nobody"}, {**rows[0], "result": "A"}, 7]).encode()
    found = bring(again)
    assert (found["taken"], found["known"]) == (2, 0)
    assert [one["line"] for one in found["problems"]] == [3, 4, 5]
    assert "nobody in this section" in found["problems"][0]["sentence"]
    assert bring(again)["taken"] == 0
    assert {one["day"] for one in evidence(client, kestrel)["marks"]} == {TODAY, "2026-11-10"}
    assert bring(b"\xff\xfe\x00")["status"] == 422
    assert bring(b"a,b\n1,2\n")["code"] == "file_unreadable"


def test_a_report_says_what_was_heard_is_kept_by_number_and_shows_no_other_child(
    client: TestClient, kestrel: Place
) -> None:
    tell(client, by_hand(kestrel, day=MONTH_AGO), by_hand(kestrel), by_hand(kestrel, "nearly", concept="la"))
    address = f"/api/children/{kestrel.ids['child_id']}/report"
    fresh = client.get(address).json()
    texts = {one["key"]: one["text"] for one in fresh["blocks"]}
    assert texts["sure"] == "Ama is sure of so and mi."
    assert texts["nearly"] == "Ama nearly has la."
    assert "heard alone 3 times" in texts["heard"]
    assert fresh["number"] == 0
    kept = client.put(address, json={"blocks": {"sure": "Ama sings so and mi.", "next": ""}}).json()
    assert (kept["number"], [one["text"] for one in kept["blocks"]]) == (1, ["Ama sings so and mi."])
    client.put("/api/report-words", json={"words": {"sure": "{name} can do {things}."}})
    now = client.get(address).json()
    assert now["blocks"][0]["text"] == "Ama sings so and mi."
    assert now["fresh"][0]["text"] == "Ama can do so and mi."
    assert client.put("/api/report-words", json={"words": {"sure": "{grade}"}}).status_code == 422
    (page,) = pypdfium2.PdfDocument(client.get(f"{address}/print").content)
    text = page.get_textpage().get_text_range()
    assert "Ama sings so and mi." in text
    assert "Jun" not in text
    every = pypdfium2.PdfDocument(client.get(f"/api/sections/{kestrel.ids['section_id']}/reports").content)
    assert len(every) == 6
    assert client.put(address, json={"blocks": {"grade": "A"}}).status_code == 422


def test_other_numbers_are_seen_before_they_count(client: TestClient, kestrel: Place) -> None:
    children = [one["id"] for one in exported(client, "children")]
    results = ["secure"] * 4 + ["not_yet"] * 2
    told = zip(children, results, strict=True)
    tell(client, *(by_hand(kestrel, result, child_id=child) for child, result in told))
    answer = ledger(client, kestrel)["columns"][0]["answer"]
    assert answer == "split"
    milder = {"ready": 60, "good": 1, "newest": 3, "weeks": 10}
    would = client.post("/api/ledger-rules/preview", json=milder).json()
    assert would["standings"] == 4, "once becomes secure"
    assert [(one["before"], one["after"]) for one in would["turned"]] == [("split", "ready")]
    assert ledger(client, kestrel)["columns"][0]["answer"] == "split", "looking changes nothing"
    assert client.put("/api/ledger-rules", json=milder).json()["shipped"] is False
    now = ledger(client, kestrel)
    assert (now["columns"][0]["answer"], now["stones"]["so-mi"].count("s")) == ("ready", 4)
    only = {"ready": 80, "good": 2, "newest": 3, "weeks": 10, "by_concept": {"so-mi": 60}}
    client.put("/api/ledger-rules", json=only)
    assert ledger(client, kestrel)["columns"][0]["answer"] == "ready"
    refused = client.put("/api/ledger-rules", json={**milder, "good": 5})
    assert (refused.status_code, refused.json()["code"]) == (422, "ledger_rule")


def test_seats_order_the_hearing_and_groups_have_everybody(client: TestClient, kestrel: Place) -> None:
    section = kestrel.ids["section_id"]
    seats = client.get(f"/api/sections/{section}/seats").json()
    order = [one["child_id"] for one in seats["places"]][::-1]
    body = {"kind": "circle", "across": 6, "places": [order[0], None, *order[1:]]}
    assert client.put(f"/api/sections/{section}/seats", json=body).json()["places"][1]["name"] == ""
    address = f"/api/lessons/{kestrel.ids['lesson_id']}/parts/{kestrel.ids['part_id']}/hearing"
    queue = client.get(f"{address}?concept=so-mi&order=seats").json()["queue"]
    assert [one["child_id"] for one in queue] == order
    twice = client.put(f"/api/sections/{section}/seats", json={**body, "places": [order[0], order[0]]})
    assert "sits in two places" in twice.json()["title"]
    stranger = {**body, "places": [str(uuid4())]}
    assert client.put(f"/api/sections/{section}/seats", json=stranger).status_code == 422
    groups = client.post(f"/api/sections/{section}/groups", json={"of": 2, "how": "chance"}).json()
    assert sorted(name for one in groups for name in one["children"]) == [
        "Ama",
        "Ines",
        "Jun",
        "Kofi",
        "Lien",
        "Tove",
    ]
    with_gaps = [*order[:2], None, None, *order[2:]]
    plan = {"kind": "plan", "across": 4, "places": with_gaps}
    kept = client.put(f"/api/sections/{section}/seats", json=plan).json()
    assert (kept["kind"], [one["child_id"] for one in kept["places"]]) == ("plan", with_gaps)
    assert set(kept["tones"]) <= {"so", "mi", "la", "do", "re"}
    care = {"say": "AH-ma", "without": ["touch"]}
    child = client.put(f"/api/children/{kestrel.ids['child_id']}/care", json=care).json()
    assert (child["say"], child["without"]) == ("AH-ma", ["touch"])
    roll = client.get(f"{address}?concept=so-mi").json()["roll"]
    assert [one["say"] for one in roll if one["say"]] == ["AH-ma"]


def test_a_child_that_is_kept_out_is_heard_with_others_and_todays_games_have_a_form_without(
    client: TestClient, kestrel: Place
) -> None:
    ids = kestrel.ids
    hearing = f"/api/lessons/{ids['lesson_id']}/parts/{ids['part_id']}/hearing?concept=so-mi"
    before = client.get(hearing).json()
    assert (before["voices"], len(before["queue"]), before["with_others"], before["kept_out"]) == (
        "alone", 6, [], []
    )  # fmt: skip
    assert client.get("/api/asked/left-out").json() == []
    both = {"say": "", "without": ["alone", "touch"]}
    assert client.put(f"/api/children/{ids['child_id']}/care", json=both).status_code == 200
    after = client.get(hearing).json()
    assert [one["child_id"] for one in after["with_others"]] == [str(ids["child_id"])]
    assert {one["child_id"] for one in after["queue"]} == {one["child_id"] for one in before["queue"]} - {
        str(ids["child_id"])
    }
    assert {one["children"][0] for one in after["kept_out"]} <= {str(ids["child_id"])}
    (child,) = client.get("/api/asked/left-out").json()
    assert (child["child_id"], child["kinds"]) == (str(ids["child_id"]), ["touch", "alone"])
    parts = client.get(f"/api/lessons/{ids['lesson_id']}").json()["parts"]
    wanted = [
        (part["title"], kind)
        for part in parts
        for kind, needed in (("touch", part["untouched"]), ("alone", part["passes"]))
        if needed
    ]
    assert [(game["title"], game["kind"]) for game in child["games"]] == wanted
    (part,) = (one for one in parts if one["id"] == str(ids["part_id"]))
    kinds = [kind for title, kind in wanted if title == part["title"]]
    assert [one["kind"] for one in after["kept_out"]] == kinds
    for part in parts:
        forms = [g["says"] for g in child["games"] if (g["title"], g["kind"]) == (part["title"], "touch")]
        assert all(part["untouched"] in form for form in forms)


def test_marks_of_the_wrong_class_move_to_the_choir_that_was_in_the_room(
    client: TestClient, kestrel: Place
) -> None:
    choir = client.post(
        "/api/sections",
        json={"name": "Choir", "grade": 13, "minutes": 45, "names": "", "meetings": []},
    ).json()["id"]
    singer = str(kestrel.ids["child_id"])
    assert client.put(f"/api/sections/{choir}/singers", json={"child_ids": [singer]}).is_success
    wrong = mark(kestrel, "secure")
    assert outcomes(tell(client, wrong)) == ["taken"]
    here = {"section_id": choir, "lesson_id": choir, "part_id": None, "day": TODAY}
    moved = mark(kestrel, "secure", supersedes=wrong["id"], **here)
    back = event(kestrel, "taken_back", target_id=wrong["id"])
    assert outcomes(tell(client, back, moved)) == ["taken", "taken"]
    record = {one["id"]: one for one in exported(client, "marks")}
    assert (record[wrong["id"]]["withdrawn"], record[wrong["id"]]["superseded_by"]) == (True, moved["id"])
    assert record[moved["id"]]["section"] != record[wrong["id"]]["section"]
    assert evidence(client, kestrel)["level"] == "once"  # a child's standing is the child's, wherever it sang
