"""Layers that are asked and kept, words that become a rhythm, the recorder with the shipped songs."""

from __future__ import annotations

import pypdfium2
from fastapi.testclient import TestClient

from api.conftest import TEXTURE, Place, signed_in
from conftest import SETTINGS
from kopje.core.analysis.analysis import analyse
from kopje.core.instruments.recorder import fingerings
from kopje.formats.read import read_tunes


def test_layers_are_asked_and_kept_under_a_name(app_client: TestClient, kestrel: Place) -> None:
    client = signed_in(app_client, kestrel)
    three = {"name": "Three", "family": "skin", "rhythm": ["1", "1", "1"], "enters_bar": 5}
    texture = {**TEXTURE, "layers": [*TEXTURE["layers"], three]}  # type: ignore[misc]
    looked = client.post("/api/textures/look", json=texture).json()
    assert looked["together_after"] == "12"
    assert looked["all_in"] == 5
    assert looked["entry_order"] == ["Three", "Shakers"]
    assert [one["fits"] for one in looked["layers"]] == [True, False]
    said = [one["sentence"] for one in looked["reasons"]]
    assert "“Three” is 3 beats long and does not close on the phrase of 16 beats: 2, 4 beats would." in said
    assert "“Shakers” is never heard alone: wherever it plays, Three plays too." in said

    kept = client.post("/api/textures", json={"name": "Two drums", "texture": texture})
    assert kept.status_code == 201, kept.text
    again = client.post("/api/textures", json={"name": "Two drums", "texture": TEXTURE}).json()
    assert again["id"] == kept.json()["id"]
    every = client.get("/api/textures").json()
    assert [(one["name"], len(one["texture"]["layers"])) for one in every] == [("Rain", 1), ("Two drums", 1)]
    assert client.delete(f"/api/textures/{again['id']}").status_code == 204
    assert len(client.get("/api/textures").json()) == 1

    twice = {**TEXTURE, "layers": TEXTURE["layers"] * 2}  # type: ignore[operator]
    refused = client.post("/api/textures", json={"name": "Twice", "texture": twice})
    assert refused.status_code == 422
    assert "name of its own" in refused.json()["title"]


def test_words_become_rhythms_that_say_why(app_client: TestClient, kestrel: Place) -> None:
    client = signed_in(app_client, kestrel)
    address = f"/api/sections/{kestrel.ids['section_id']}/speech"
    found = client.post(address, json={"words": "Rain is on the roof", "meter": "4/4"}).json()
    assert [one["text"] for one in found["syllables"]] == ["Rain", "is", "on", "the", "roof"]
    assert [one["stressed"] for one in found["syllables"]] == [True, False, False, False, True]
    assert len(found["proposals"]) >= 3
    assert all(one["why"].endswith(".") for one in found["proposals"])
    refused = client.post(address, json={"words": "3 bears", "meter": "4/4"})
    assert refused.status_code == 422
    assert "Write it as words" in refused.json()["title"]


def test_letters_from_elsewhere_are_held_against_the_tune(app_client: TestClient, kestrel: Place) -> None:
    client = signed_in(app_client, kestrel)
    song = kestrel.ids["song_id"]
    asked = client.get(f"/api/songs/{song}/recorder", params={"tones": ["B4", "A4", "G4"]}).json()
    assert asked["missing"] == [one for one in asked["needs"] if one not in ("B4", "A4", "G4")]
    assert len(asked["keys"]) == 9
    (file,) = SETTINGS.songs.glob("beetle-hurry.abc")
    tune = [s.pitch.name for s in analyse(read_tunes(file.read_bytes(), file.name)[0]).attacks if s.pitch]
    right = client.post(f"/api/songs/{song}/letters", json={"letters": " ".join(tune)}).json()
    assert right == {"of": len(tune), "differences": []}
    wrong = client.post(f"/api/songs/{song}/letters", json={"letters": " ".join([*tune, "C"])}).json()
    assert [one["sentence"][:26] for one in wrong["differences"]] == [
        f"Line 1, letter {len(tune) + 1}: one C more"[:26]
    ]
    refused = client.post(f"/api/songs/{song}/letters", json={"letters": "G H"})
    assert (refused.status_code, "“H” is no letter" in refused.json()["title"]) == (422, True)
    bars = client.get(f"/api/songs/{song}/bars", params={"do": "D"}).json()
    assert bars["do"] == "D"
    assert {one["state"] for one in bars["bars"]} <= {"there", "off", "on"}
    assert {one["rung"] for one in bars["borduns"]} >= {"chord", "crossover"}


def test_the_next_tone_is_the_one_that_opens_most_of_the_book(app_client: TestClient, kestrel: Place) -> None:
    client = signed_in(app_client, kestrel)
    songs = {}
    for file in SETTINGS.songs.glob("*"):
        for tune in read_tunes(file.read_bytes(), file.name)[:1]:
            needs = {str(s.pitch) for s in analyse(tune).attacks if s.pitch}
            if needs:  # some are only spoken
                songs[file] = needs
    for known in (["B4", "A4", "G4"], ["B4", "A4", "G4", "E4", "D4"], sorted(fingerings("german"))):
        found = client.get("/api/recorder", params={"tones": known, "system": "german"}).json()
        assert found["of"] == len(songs)
        assert found["playable"] == sum(needs <= set(known) for needs in songs.values())
        for one in found["next"]:
            assert one["songs"] == sum(needs - set(known) == {one["tone"]} for needs in songs.values())
        counts = [one["songs"] for one in found["next"]]
        assert counts == sorted(counts, reverse=True)


def test_a_lost_card_is_printed_alone_and_a_number_that_is_not_there_is_refused(
    app_client: TestClient, kestrel: Place
) -> None:
    client = signed_in(app_client, kestrel)
    assert len(client.get("/api/cards", params={"sounding": "bowed"}).json()["cards"]) == 2
    whole, alone = (client.get("/api/cards/print", params=asked) for asked in ({}, {"only": 3}))
    pages = [len(pypdfium2.PdfDocument(one.content)) for one in (whole, alone)]
    assert pages[1] == 1 < pages[0]
    assert "tambourine" not in pypdfium2.PdfDocument(alone.content)[0].get_textpage().get_text_range()
    refused = client.get("/api/cards/print", params={"sounding": "bowed", "only": 3})
    assert refused.status_code == 422
    assert "numbers 1 to 2" in refused.text


def test_partners_touch_only_where_it_is_asked_for(app_client: TestClient, kestrel: Place) -> None:
    client = signed_in(app_client, kestrel)
    address = f"/api/songs/{kestrel.ids['song_id']}/moves"
    asked = {"formation": "partners", "prop": "hoop", "children": 25}
    without, touching = (
        client.get(address, params={**asked, "touch": touch}).json() for touch in (False, True)
    )
    assert not any("palms" in one["says"] or "arch" in one["says"] for one in without["parts"])
    assert len(touching["care"]) == len(without["care"]) + 1
    assert any("13 hoops" in one for one in without["needs"])
