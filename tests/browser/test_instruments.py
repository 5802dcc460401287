"""Instruments: a sentence becomes a layer, a loop that hangs over is said, what was made is kept."""

from __future__ import annotations

import re

from playwright.sync_api import Page, expect

from browser.conftest import Running, sign_in


def test_layers_are_made_of_words_and_boxes_and_come_back(page: Page, demo: Running) -> None:
    sign_in(page, demo.address)
    page.get_by_role("link", name="Instruments").click()
    layers = page.locator(".layer")
    expect(layers).to_have_count(1)
    page.get_by_label("A sentence for a rhythm").fill("Rain is on the roof")
    page.get_by_role("button", name="Make a rhythm").click()
    proposals = page.locator(".proposal")
    expect(proposals.first).to_contain_text("on a strong beat")
    proposals.first.click()
    expect(layers).to_have_count(2)
    expect(layers.nth(1)).to_contain_text("roof")
    told = page.get_by_label("Do they fit?")
    expect(told).to_contain_text("Every loop closes on the phrase of 8 beats.")

    drum = layers.first
    box = drum.get_by_role("button", name="Beat 2, part 2 of 2")
    box.press("Enter")
    expect(box).to_have_attribute("aria-pressed", "true")
    drum.get_by_role("combobox", name="Loop").press("Enter")
    page.get_by_role("option", name="3 beats").click()
    expect(drum).to_contain_text("hangs over")
    expect(told).to_contain_text("does not close on the phrase of 8 beats: 2, 4 beats would.")
    page.get_by_role("button", name=re.compile("^♪ Play")).click()
    expect(page.get_by_text(re.compile(r"^Bar \d"))).to_be_visible()
    page.get_by_role("button", name=re.compile("^Stop")).click()

    page.get_by_label("Name", exact=True).fill("Rain")
    page.get_by_role("button", name="Keep", exact=True).click()
    kept = told.get_by_role("button", name=re.compile("^Rain"))
    expect(kept).to_contain_text("2 layers")
    page.reload()
    expect(layers).to_have_count(1)
    kept.click()
    expect(layers).to_have_count(2)
    expect(drum).to_contain_text("hangs over")
    told.get_by_role("button", name="Drop “Rain”").click()
    expect(kept).to_have_count(0)


def test_bars_of_a_song_come_off_where_do_is_and_a_bordun_is_checked(page: Page, demo: Running) -> None:
    sign_in(page, demo.address)
    page.get_by_role("link", name="Instruments").click()
    page.get_by_role("button", name="Bars", exact=True).click()
    song = page.get_by_role("combobox", name="Song")
    song.click()
    song.fill("Kestrel, Kestrel")
    page.get_by_role("option", name="Kestrel, Kestrel").click()
    bars = page.get_by_role("group", name="Bars for Kestrel, Kestrel").get_by_role("button")
    expect(bars).not_to_have_count(0)
    page.get_by_role("combobox", name="Do").press("Enter")
    page.get_by_role("option", name="D", exact=True).click()
    expect(page.locator(".lead")).to_contain_text("F♯")
    expect(bars.filter(has_text="off").first).to_be_disabled()
    expect(bars.filter(has_text="on").first).to_contain_text("F♯")
    rows = page.locator(".bordun")
    expect(rows.first).to_contain_text("chord")
    expect(rows.first).to_contain_text(re.compile("It fits|It rubs"))
    page.keyboard.press("Tab")
    rows.first.get_by_role("button").click()


def test_a_tone_that_they_know_now_opens_songs(page: Page, demo: Running) -> None:
    sign_in(page, demo.address)
    page.get_by_role("link", name="Instruments").click()
    page.get_by_role("button", name="Recorder").click()
    known = page.get_by_label("Tones they know")
    expect(known.get_by_role("button", pressed=True)).to_have_count(3)
    before = page.locator(".lead").inner_text()
    first = page.locator(".next li").first
    opens = int(re.findall(r"opens (\d+)", first.inner_text())[0])
    tone = first.locator(".name").inner_text()
    known.get_by_role("button", name=re.compile(f"^{tone}")).click()
    number = re.match(r"\d+|One|None", before)
    assert number is not None
    was = {"One": 1, "None": 0}.get(number[0], 0) or (int(number[0]) if number[0].isdigit() else 0)
    expect(page.locator(".lead")).to_contain_text(re.compile(rf"^{was + opens} of"))
    expect(page.get_by_role("img", name=re.compile(f"^{tone}: thumb hole"))).to_be_visible()
    page.get_by_role("button", name="German").click()
    song = page.get_by_role("combobox", name="Song")
    song.click()
    song.fill("Coat in the Hall")
    page.get_by_role("option", name="Coat in the Hall").click()
    asked = page.get_by_role("region", name="A song")
    expect(asked).to_contain_text("Every tone is known.")
    page.get_by_label("Letters from elsewhere").fill("G A")
    page.get_by_role("button", name="Hold against the tune").click()
    expect(asked).to_contain_text("the tune has")
    page.get_by_role("button", name="a mirror").click()
    expect(page.get_by_role("button", name="a mirror")).to_have_attribute("aria-pressed", "true")


def test_a_squeak_leads_to_one_thing_to_try(page: Page, demo: Running) -> None:
    sign_in(page, demo.address)
    page.get_by_role("link", name="Instruments").click()
    page.get_by_role("button", name="Recorder").click()
    finder = page.get_by_role("region", name="What went wrong?")
    finder.get_by_role("button", name="a squeak").click()
    expect(finder).to_contain_text("Look 1 of 3")
    finder.get_by_role("button", name="No", exact=True).click()
    expect(finder).to_contain_text("as much air")
    finder.get_by_role("button", name="Yes, so it is").click()
    expect(finder).to_contain_text("a candle should bend")


def test_a_song_is_danced_and_a_card_says_what_it_is(page: Page, demo: Running) -> None:
    sign_in(page, demo.address)
    page.get_by_role("link", name="Instruments").click()
    page.get_by_role("button", name="Moves").click()
    parts = page.locator(".map li")
    expect(parts.first).to_contain_text("beats")
    needs = page.get_by_label("What it needs")
    expect(needs).to_contain_text("Everybody ends where they began.")
    needs.get_by_role("combobox", name="In their hands").press("Enter")
    page.get_by_role("option", name="One elastic").click()
    expect(needs).to_contain_text("One elastic of 14.6 m")
    page.get_by_role("button", name="On chairs").click()
    expect(needs).to_contain_text("Chairs an arm's length apart")
    page.get_by_role("button", name=re.compile("^Run along")).click()
    expect(page.locator('.map [aria-current="step"]')).to_be_visible()

    page.get_by_role("button", name="Cards").click()
    names = page.locator(".names")
    expect(names).to_contain_text("1 of 31")
    page.keyboard.press("1")
    expect(names.get_by_role("status")).to_be_visible()
    page.keyboard.press("Space")
    expect(names).to_contain_text("2 of 31")
    page.get_by_role("button", name="To print").click()
    sheet = page.get_by_role("link", name="Print")
    answer = page.request.get(demo.address + str(sheet.get_attribute("href")))
    assert answer.body().startswith(b"%PDF")
