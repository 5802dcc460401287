"""What a class reads: nothing twice, what it read, what follows."""

from __future__ import annotations

import uuid
from itertools import pairwise

from fastapi.testclient import TestClient

from api.conftest import Place, signed_in, tell
from conftest import SETTINGS

WISH = {"sort": "rhythm", "due": "quarter-eighths", "bars": 4}


def ask(client: TestClient, place: Place, **more: object) -> dict:
    answer = client.post(f"/api/sections/{place.ids['section_id']}/exercises", json={**WISH, **more})
    assert answer.status_code == 201, answer.text
    return answer.json()


def read(place: Place, exercise: str, number: int, **more: object) -> dict:
    section = place.ids["section_id"]
    return {
        "id": str(uuid.uuid4()),
        "kind": "read",
        "section_id": section,
        "lesson_id": section,
        "clock": SETTINGS.now().isoformat(),
        "device": str(uuid.uuid5(uuid.UUID(section), "reading")),
        "sequence": number,
        "exercise": exercise,
        "clean": True,
        "day": SETTINGS.now().date().isoformat(),
        **more,
    }


def practice(client: TestClient, place: Place) -> dict:
    return client.get(f"/api/sections/{place.ids['section_id']}/practice").json()


def declared(client: TestClient, place: Place, *concepts: str) -> None:
    address = f"/api/sections/{place.ids['section_id']}/declared"
    there = client.get(address)
    answer = client.put(
        address, json={"concepts": list(concepts)}, headers={"if-match": there.headers["etag"]}
    )
    assert answer.status_code == 200, answer.text


def test_a_class_is_offered_what_it_can_name_and_reads_nothing_twice(
    app_client: TestClient, kestrel: Place
) -> None:
    client = signed_in(app_client, kestrel)
    declared(client, kestrel, "quarter-eighths", "so-mi", "la")
    offered = [(one["sort"], one["due"]) for one in practice(client, kestrel)["offers"]]
    assert offered == [("rhythm", "quarter-eighths"), ("melody", "so-mi"), ("melody", "la")]
    titles, pictures = set(), set()
    for _ in range(8):
        exercise = ask(client, kestrel, sort="melody", due="la")
        titles.add(exercise["title"])
        pictures.add(client.get(f"/api/exercises/{exercise['id']}/file?kind=abc").text.split("K:")[1])
        assert {s["degree"] for s in exercise["sounds"][0]} <= {"so", "mi", "la"}
    assert len(titles) == len(pictures) == 8


def test_what_was_read_fades_the_help_goes_up_and_can_be_taken_back(
    app_client: TestClient, kestrel: Place
) -> None:
    client = signed_in(app_client, kestrel)
    events = [read(kestrel, ask(client, kestrel)["id"], n) for n in range(1, 3)]
    assert [one["outcome"] for one in tell(client, *events)] == ["taken", "taken"]
    offer = practice(client, kestrel)["offers"][0]
    assert (offer["read"], offer["clean"], offer["advice"]) == (2, 2, "up")
    again = read(kestrel, events[0]["exercise"], 3, again=True, clean=False)
    back = {**read(kestrel, "", 4), "kind": "taken_back", "target_id": events[1]["id"]}
    for name in ("exercise", "clean", "day"):
        back.pop(name)
    tell(client, again, back)
    offer = practice(client, kestrel)["offers"][0]
    assert (offer["read"], offer["clean"], offer["advice"]) == (1, 1, "again")


def test_a_broken_reading_names_the_interval_and_its_warm_up(app_client: TestClient, kestrel: Place) -> None:
    client = signed_in(app_client, kestrel)
    declared(client, kestrel, "quarter-eighths", "so-mi", "la")
    exercise = ask(client, kestrel, sort="melody", due="la")
    sounds = exercise["sounds"][0]
    at = next(n for n in range(1, len(sounds)) if sounds[n]["degree"] != sounds[n - 1]["degree"])
    note = {"bar": sounds[at]["bar"], "note": sounds[at]["note"], "helped": "hold"}
    tell(client, read(kestrel, exercise["id"], 1, clean=False, **note))
    found = practice(client, kestrel)
    assert (found["weak"][0]["one"], found["weak"][0]["two"]) == (
        sounds[at - 1]["degree"],
        sounds[at]["degree"],
    )
    assert found["warm_up"]


def test_an_exercise_of_another_class_is_no_reading_of_this_one(
    app_client: TestClient, kestrel: Place
) -> None:
    client = signed_in(app_client, kestrel)
    (answer,) = tell(client, read(kestrel, str(uuid.uuid4()), 1))
    assert (answer["outcome"], answer["code"]) == ("aside", "aside_exercise")


def test_harder_says_what_and_a_set_on_paper_has_its_key(app_client: TestClient, kestrel: Place) -> None:
    client = signed_in(app_client, kestrel)
    exercise = ask(client, kestrel)
    assert ask(client, kestrel, **{**exercise["wish"], "change": "harder"})["change"] == "bars"
    longest = client.post(
        f"/api/sections/{kestrel.ids['section_id']}/exercises", json={**WISH, "bars": 8, "change": "harder"}
    )
    assert longest.status_code in (201, 409, 422)
    address = f"/api/sections/{kestrel.ids['section_id']}/exercises/print?count=3"
    paper = client.post(address, json=WISH)
    assert paper.status_code == 200
    assert paper.content.startswith(b"%PDF")
    unknown = client.post(
        f"/api/sections/{kestrel.ids['section_id']}/exercises", json={**WISH, "due": "triplet"}
    )
    assert unknown.status_code == 404


def test_the_routine_is_kept_with_its_version(app_client: TestClient, kestrel: Place) -> None:
    client = signed_in(app_client, kestrel)
    there = client.get(f"/api/sections/{kestrel.ids['section_id']}/practice")
    address = f"/api/sections/{kestrel.ids['section_id']}/routine"
    tag = {"if-match": there.headers["etag"]}
    kept = client.put(address, json={"look": 10, "chant": False}, headers=tag)
    assert kept.json()["steps"] == ["orient", "look", "inside", "sing"]
    assert client.put(address, json={"look": 20}, headers=tag).status_code == 409


def by_hand(place: Place, kind: str, number: int, **more: object) -> dict:
    event = read(place, "", number, **more)
    for name in ("exercise", "clean"):
        event.pop(name)
    return {**event, "kind": kind}


def test_questions_of_what_a_class_can_name_and_how_it_did(app_client: TestClient, kestrel: Place) -> None:
    """Each kind that is offered can be asked; what was played is practice, and counts when the teacher says
    so."""
    client = signed_in(app_client, kestrel)
    declared(client, kestrel, "quarter-eighths", "so-mi", "la", "do", "re")
    address = f"/api/sections/{kestrel.ids['section_id']}/rounds"
    offered = practice(client, kestrel)["rounds"]
    assert {"place", "find", "lie", "letter", "direction", "line", "tones"} <= {r["kind"] for r in offered}
    for one in offered:
        if one["kind"] in ("along", "song"):
            continue
        found = client.post(address, json={"kind": one["kind"], "count": 5, "seed": 3}).json()
        assert len(found["questions"]) == 5, one["kind"]
        assert found["results"][0] == "not_yet"
        pictured = [bool(choice["picture"]) for choice in found["questions"][0]["choices"]]
        assert set(pictured) == {one["kind"] == "line"}
        assert bool(found["questions"][0]["picture"]) == (one["kind"] == "letter")
    along = client.post(address, json={"kind": "along", "count": 3, "song_id": kestrel.ids["song_id"]})
    assert along.status_code == 200, along.text
    assert along.json()["song_id"] == kestrel.ids["song_id"]
    unsung = client.post(address, json={"kind": "home", "count": 5})
    assert unsung.status_code in (409, 422)
    played = {"ask": "direction", "asked": 10, "right": 9, "choices": 3, "seconds": 61}
    assert tell(client, by_hand(kestrel, "round", 1, **played))[0]["outcome"] == "taken"
    tell(client, by_hand(kestrel, "round", 2, **{**played, "right": 6, "station": True}))
    here = next(one for one in practice(client, kestrel)["rounds"] if one["kind"] == "direction")
    assert (here["times"], here["best"]["right"], here["last"]["right"]) == (2, 9, 6)
    assert (here["last"]["station"], here["last"]["result"], here["way"]) == (True, "nearly", "hear")
    assert here["concept"] == "re"
    told = {"concept": "re", "way": "hear", "help": "none", "result": "secure"}
    answers = {"choices": 3, "asked": 10, "right": 9, "in_a_row": 3}
    tell(client, by_hand(kestrel, "class_marked", 3, **told, answers=answers))
    assert practice(client, kestrel)["told"] == ["The whole class, re, hearing it: has it."]


HILL = "X:1\nT:Hill of Reeds\nM:2/4\nL:1/8\nK:F\nc2A2|ccA2|c2c2|ccA2|\nA2cc|A2c2|ccAA|c2A2|]\n"


def test_phrases_of_unsung_songs_come_first_and_none_of_their_bars_twice(
    app_client: TestClient, kestrel: Place
) -> None:
    client = signed_in(app_client, kestrel)
    declared(client, kestrel, "quarter-eighths", "so-mi")
    sent = client.post("/api/songs", files=[("files", ("reeds.abc", HILL.encode()))])
    assert sent.status_code == 201, sent.text
    first, second, third = (ask(client, kestrel, sort="melody", due="so-mi") for _ in range(3))
    said = [one["reasons"][0]["sentence"] for one in (first, second, third)]
    assert said[:2] == [
        "From “Hill of Reeds”, bars 1 to 4, which the class has not sung.",
        "From “Hill of Reeds”, bars 5 to 8, which the class has not sung.",
    ]
    assert "Hill of Reeds" not in said[2]
    degrees = [sound["degree"] for sound in first["sounds"][0]]
    assert degrees == ["so", "mi", "so", "so", "mi", "so", "so", "so", "so", "mi"]
    song = sent.json()["songs"][0]["song_id"]
    assert client.delete(f"/api/songs/{song}").status_code in (200, 204)
    kept = client.get(f"/api/exercises/{first['id']}").json()
    assert kept["reasons"][0]["sentence"] == said[0]


def _with_reading(client: TestClient, lesson: dict) -> dict:
    """The lesson with something in it that is read from the board."""
    for part in lesson["parts"]:
        address = f"/api/lessons/{lesson['id']}/parts/{part['id']}"
        offered = client.get(f"{address}/alternatives").json()
        for one in offered:
            if one["activity"] in ("pattern-on-board", "flash-patterns") and one["concept"]:
                body = {name: one.get(name) for name in ("activity", "purpose")}
                body |= {"concept": one["concept"]["key"], "version": lesson["version"]}
                answer = client.post(f"{address}/swap", json=body)
                assert answer.status_code == 200, answer.text
                return answer.json()
    raise AssertionError("nothing to read was offered")


def test_a_part_of_a_lesson_opens_its_exercise_and_keeps_it(app_client: TestClient, kestrel: Place) -> None:
    """The same one until a fresh one is asked for; a part that reads nothing has none; another class's is
    shown on no screen of the lesson."""
    client = signed_in(app_client, kestrel)
    declared(client, kestrel, "quarter-eighths", "so-mi")
    lesson = client.get(f"/api/lessons/{kestrel.ids['lesson_id']}").json()
    address = f"/api/lessons/{lesson['id']}/parts"
    with_it = _with_reading(client, lesson)
    part = next(one for one in with_it["parts"] if one["reads"])
    made = client.post(f"{address}/{part['id']}/exercise", json={}).json()
    assert made["due"] == "quarter-eighths"
    assert client.post(f"{address}/{part['id']}/exercise", json={}).json()["id"] == made["id"]
    other = client.post(f"{address}/{part['id']}/exercise", json={"fresh": True}).json()
    assert other["id"] != made["id"]
    assert client.post(f"{address}/{part['id']}/exercise", json={}).json()["id"] == other["id"]
    assert client.get(f"{address}/{part['id']}/exercise").json() == {**other, "change": None}
    score = f"/api/exercises/{other['id']}/score"
    assert client.get(f"{score}?reads=cards&at={other['bars']}").text.count("<use") == (
        client.get(f"{score}?reads=cards&at=0").text.count("<use")
    )
    without = next(one for one in with_it["parts"] if not one["reads"])
    assert client.post(f"{address}/{without['id']}/exercise", json={}).json() is None


def test_a_tapped_line_is_judged_note_by_note(app_client: TestClient, kestrel: Place) -> None:
    """As it is due all is on time; a half beat late nothing is; some bars alone begin at their first beat."""
    client = signed_in(app_client, kestrel)
    exercise = ask(client, kestrel)
    sounds = exercise["sounds"][0]
    address = f"/api/exercises/{exercise['id']}/taps"
    beat = 60_000 / 80
    due = [round(one["start"] * beat) for one in sounds]
    found = client.post(address, json={"times": due, "tempo": 80}).json()
    assert (found["right"], found["extra"], found["steady"]) == (len(due), 0, 0)
    assert [one["note"] for one in found["onsets"]] == [one["note"] for one in sounds]
    late = client.post(address, json={"times": [at + 120 for at in due], "tempo": 80}).json()
    assert {one["timing"] for one in late["onsets"]} == {"late"}
    assert late["steady"] == 120
    reckoned = client.post(address, json={"times": [at + 120 for at in due], "tempo": 80, "delay": 120})
    assert reckoned.json()["right"] == len(due)
    third = [one for one in sounds if one["bar"] == 3]
    begins = 2 * 2 * beat
    times = [round(one["start"] * beat - begins) for one in third]
    some = client.post(address, json={"times": times, "tempo": 80, "first": 3, "last": 3}).json()
    assert (some["right"], len(some["onsets"])) == (len(third), len(third))
    assert client.post(address, json={"times": [], "tempo": 900}).status_code in (409, 422)
    clicks = [n * 600 for n in range(10)]
    measured = client.post("/api/tap-delay", json={"clicks": clicks, "taps": [at + 70 for at in clicks]})
    assert measured.json() == {"delay": 70}


def test_an_exercise_is_written_with_few_lines_a_bass_clef_or_sticks(
    app_client: TestClient, kestrel: Place
) -> None:
    client = signed_in(app_client, kestrel)
    declared(client, kestrel, "quarter-eighths", "so-mi", "la")
    melody = f"/api/exercises/{ask(client, kestrel, sort='melody', due='la')['id']}/score"
    usual, few = client.get(melody).text, client.get(f"{melody}?lines=2&place=1").text
    assert "clef" in usual
    assert "do-place" not in usual
    assert "do-place" in few
    assert 'class="clef' not in few
    assert usual.count('class="note"') == few.count('class="note"')
    assert client.get(f"{melody}?clef=F").text != usual
    assert client.get(f"{melody}?lines=9").status_code == 422
    rhythm = f"/api/exercises/{ask(client, kestrel)['id']}/score"
    assert client.get(f"{rhythm}?sticks=true").text != client.get(rhythm).text


def test_practice_on_paper_to_read_cut_write_and_name(app_client: TestClient, kestrel: Place) -> None:
    """Every form is a PDF with a key; staves as wide as wished; what is heard cannot be printed."""
    client = signed_in(app_client, kestrel)
    declared(client, kestrel, "quarter-eighths", "so-mi", "la")
    section = f"/api/sections/{kestrel.ids['section_id']}"
    wish = {**WISH, "sort": "melody", "due": "la"}
    for form in ("sheet", "cards", "complete", "write"):
        paper = client.post(f"{section}/exercises/print?count=2&form={form}", json=wish)
        assert paper.status_code == 200, paper.text
        assert paper.content.startswith(b"%PDF"), form
    for kind in ("place", "find", "lie", "letter"):
        paper = client.post(f"{section}/rounds/print", json={"kind": kind, "count": 8, "lines": 5})
        assert paper.content.startswith(b"%PDF"), kind
    assert client.post(f"{section}/rounds/print", json={"kind": "direction"}).status_code in (409, 422)
    assert client.get("/api/staff-paper?lines=2&gap=30").content.startswith(b"%PDF")
    assert client.get("/api/staff-paper?lines=2&gap=90").status_code == 422


def test_a_line_changes_is_cut_into_cards_and_is_written_down(app_client: TestClient, kestrel: Place) -> None:
    client = signed_in(app_client, kestrel)
    declared(client, kestrel, "quarter-eighths", "beat-rest", "half")
    line = ask(client, kestrel)
    address = f"/api/exercises/{line['id']}"
    cards = client.get(f"{address}/cards").json()["cards"]
    assert len(cards) == line["bars"] == 4
    assert all("<svg" in card for card in cards)
    changes = client.get(f"{address}/changes?seed=3").json()["lines"]
    assert changes[0]["beat"] is None
    starts = [{(tone["start"], tone["beats"]) for tone in one["heard"]} for one in changes]
    assert all(a != b for a, b in pairwise(starts))
    assert client.get(f"{address}/changes?seed=3").json()["lines"] == changes
    task = client.get(f"{address}/dictation?stage=copy").json()
    assert {one["value"] for one in task["choices"]} >= {"quarter", "two_eighths", "half", "beat_rest"}
    answer = [written_by_ear(task, line, n) for n in range(4)]
    found = client.post(f"{address}/dictation", json={"stage": "copy", "bars": answer}).json()
    assert (found["right"], found["of"], found["result"], found["help"]) == (8, 8, "secure", "model")
    nothing = client.post(f"{address}/dictation", json={"stage": "write", "bars": [[], [], [], []]}).json()
    assert (nothing["right"], nothing["result"]) == (0, "not_yet")
    wrong = client.post(f"{address}/dictation", json={"stage": "write", "bars": [[]]})
    assert wrong.status_code == 422
    assert "Nothing was checked" in wrong.text


def written_by_ear(task: dict, line: dict, bar: int) -> list[str]:
    """The figures of a bar, from what sounds alone."""
    found, at = [], 0.0
    sounds = [s for s in line["sounds"][0] if s["bar"] == bar + 1]
    while at < task["beats"]:
        here = bar * task["beats"] + at
        for one in sorted(task["choices"], key=lambda one: -sum(one["lengths"])):
            place, fits = here, sum(one["lengths"]) <= task["beats"] - at
            for length, rest in zip(one["lengths"], one["rests"], strict=True):
                there = [s for s in sounds if s["start"] == place and s["beats"] == length]
                busy = [s for s in sounds if place <= s["start"] < place + length]
                fits = fits and (not busy if rest else bool(there))
                place += length
            if fits:
                found.append(one["value"])
                at += sum(one["lengths"])
                break
        else:
            raise AssertionError((bar, at))
    return found


def test_a_melody_is_written_over_its_rhythm_and_does_not_change_figures(
    app_client: TestClient, kestrel: Place
) -> None:
    client = signed_in(app_client, kestrel)
    declared(client, kestrel, "quarter-eighths", "so-mi", "la")
    tune = ask(client, kestrel, sort="melody", due="la")
    address = f"/api/exercises/{tune['id']}"
    assert client.get(f"{address}/changes").status_code == 422
    task = client.get(f"{address}/dictation?stage=complete").json()
    assert [one["value"] for one in task["choices"]] == ["mi", "so", "la"]
    assert [bool(bar["given"]) for bar in task["bars"]] == [True, False, True, False]
    bars = [[s["degree"] for s in tune["sounds"][0] if s["bar"] == n] for n in range(1, 5)]
    found = client.post(f"{address}/dictation", json={"stage": "complete", "bars": bars}).json()
    assert found["right"] == found["of"] == len(bars[1]) + len(bars[3])


def test_signs_widen_one_tone_at_a_time(app_client: TestClient, kestrel: Place) -> None:
    client = signed_in(app_client, kestrel)
    section = kestrel.ids["section_id"]
    declared(client, kestrel, "so-mi", "la")
    size, sets = 0, []
    for went in ("begin", "clean", "clean", "broke"):
        found = client.post(f"/api/sections/{section}/signs", json={"size": size, "went": went}).json()
        size = found["size"]
        sets.append([tone["degree"] for tone in found["tones"]])
        assert {tone["degree"] for tone in found["row"]} == set(sets[-1])
    assert sets == [["mi", "so"], ["mi", "so", "la"], ["mi", "so", "la"], ["mi", "so"]]


def test_a_kept_exercise_is_a_song_of_the_book_once(app_client: TestClient, kestrel: Place) -> None:
    client = signed_in(app_client, kestrel)
    declared(client, kestrel, "quarter-eighths", "so-mi", "la")
    for sort, due in (("melody", "la"), ("rhythm", "quarter-eighths")):
        while (made := ask(client, kestrel, sort=sort, due=due))["song_id"]:
            there = client.post(f"/api/exercises/{made['id']}/keep").json()
            assert (there["song_id"], there["already"]) == (made["song_id"], True)
        kept = client.post(f"/api/exercises/{made['id']}/keep").json()
        assert kept["title"] == made["title"]
        song = client.get(f"/api/songs/{kept['song_id']}").json()
        assert song["title"] == made["title"]
        again = client.post(f"/api/exercises/{made['id']}/keep").json()
        assert again["song_id"] == kept["song_id"]
        if sort == "melody":
            degrees = client.get(f"/api/songs/{kept['song_id']}").text
            assert '"la"' in degrees


def test_lines_read_at_a_station_are_practice_until_they_are_taken(
    app_client: TestClient, kestrel: Place
) -> None:
    client = signed_in(app_client, kestrel)
    assert practice(client, kestrel)["station"] is None
    event = {
        **read(kestrel, "", 1),
        "kind": "round",
        "ask": "reading",
        "concept": "quarter-eighths",
        "asked": 5,
        "right": 5,
        "choices": 2,
        "seconds": 90,
        "station": True,
    }
    for name in ("exercise", "clean"):
        event.pop(name)
    assert [one["outcome"] for one in tell(client, event)] == ["taken"]
    station = practice(client, kestrel)["station"]
    assert (station["concept"], station["way"], station["last"]["result"]) == (
        *("quarter-eighths", "read"),
        "secure",
    )
    assert all(one["kind"] != "reading" for one in practice(client, kestrel)["rounds"])
    assert practice(client, kestrel)["told"] == []
