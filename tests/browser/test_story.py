"""One teacher, one evening, one lesson: from a song file to the next lesson, in the browser."""

from __future__ import annotations

import re
from contextlib import suppress
from pathlib import Path
from random import Random

import pytest
from playwright.sync_api import Error, Page, Route, expect

from browser.conftest import Running, choose, sign_in

SEED = 4


def five_real_tunes(folder: Path) -> list[Path]:
    """Drawn by a seed, not chosen, from an installed corpus."""
    music21 = pytest.importorskip("music21")
    from kopje.formats.abc import split_abc

    chance = Random(SEED)
    books = sorted((Path(music21.__file__).parent / "corpus" / "essenFolksong").glob("*.abc"))
    files = []
    for number in range(5):
        book = chance.choice(books)
        file = folder / f"tune{number}.abc"
        file.write_bytes(chance.choice(split_abc(book.read_bytes())))
        files.append(file)
    broken = folder / "broken.abc"
    broken.write_text("X:1\nT:A bar too long\nM:2/4\nL:1/8\nK:F\nA2G2|F2F2F2|A2G2|F4|]\n")
    return [*files, broken]


def import_and_look(page: Page, folder: Path) -> None:
    page.get_by_role("link", name="Songs", exact=True).click()
    page.locator("input[type=file]").set_input_files(five_real_tunes(folder))
    report = page.get_by_role("status", name="What became of the files")
    expect(report.get_by_text("✓ added")).to_have_count(6)
    report.get_by_role("link", name="A bar too long").click()
    expect(page.get_by_text("Bar 2 has 3 beats, the meter asks for 2.")).to_be_visible()
    expect(page.locator(".score g.note").first).to_be_visible()
    expect(page.get_by_text("do = F, resting tone do")).to_be_visible()
    expect(page.get_by_text(re.compile(r"\d+ % sure"))).to_be_visible()
    for word in ("Tones", "Range", "Meter", "Form", "Ends on", "Rhythm", "Motion"):
        expect(page.get_by_text(word, exact=True).first).to_be_visible()


def songs_for_what_is_due(page: Page) -> None:
    page.get_by_label("The day").get_by_role("link", name="2A").click()
    expect(page.get_by_role("heading", name="2A")).to_be_visible()
    expect(page.get_by_role("heading", name="Due")).to_be_visible()
    expect(page.get_by_role("heading", name="Secure in")).to_be_visible()
    page.get_by_role("button", name="Prepare", exact=True).click()
    first = page.locator(".fits li").first
    expect(first).to_contain_text(re.compile("known|cannot name yet"))
    first.get_by_role("button").click()
    expect(page.get_by_role("complementary")).to_contain_text(re.compile("range|Has "))


def propose_swap_and_pin(page: Page) -> None:
    page.get_by_role("link", name="Open the lesson").click()
    rows = page.locator(".parts li")
    expect(rows.first).to_be_visible()
    rows.nth(2).locator(".main-part").click()
    drawer = page.get_by_role("complementary")
    expect(drawer.get_by_text("Why this?")).to_be_visible()
    other = drawer.locator(".other strong").first.inner_text()
    drawer.get_by_role("button", name=re.compile("Take this")).first.click()
    expect(rows.nth(2)).to_contain_text(other)
    pinned = rows.nth(3).locator("strong").inner_text()
    rows.nth(3).get_by_role("button", name=re.compile("^Pin")).click()
    expect(rows.nth(3).get_by_role("button", name=re.compile("^Unpin"))).to_be_visible()
    rows.nth(4).locator(".main-part").click()  # after a click the page's keys still mean the same
    page.keyboard.press(" ")
    expect(rows.nth(4).get_by_role("button", name=re.compile("^Unpin"))).to_be_visible()
    page.keyboard.press(" ")
    expect(rows.nth(4).get_by_role("button", name=re.compile("^Pin"))).to_be_visible()
    page.keyboard.press("Escape")
    expect(drawer).to_be_hidden()
    page.keyboard.press("c")
    expect(page.get_by_role("button", name=re.compile("Propose anew"))).to_be_enabled()
    for kept in (other, pinned):
        there = rows.filter(has_text=kept).get_by_role("button", name=re.compile("^Unpin"))
        expect(there.first).to_be_visible()


def teach_and_hear(page: Page) -> tuple[str, list[str]]:
    """Returns what was skipped and who was heard."""
    page.keyboard.press("t")
    page.wait_for_selector(".teach")
    expect(page.locator(".child .name").first).to_have_text("Child 1")
    page.get_by_label("Only I see this screen").check()
    expect(page.locator(".child .name").first).not_to_have_text("Child 1")
    four = page.locator(".child .name").all_inner_texts()
    assert len(four) == 4
    for key in "3201":
        page.keyboard.press(key)
    page.keyboard.press("Backspace")
    expect(page.locator(".child.on .name")).to_have_text(four[3])
    page.keyboard.press("2")
    skipped = ""  # in the middle: openings and closings are not carried over, and nothing is twice
    for _ in range(10):
        title = page.locator(".face h1").inner_text()
        role = page.locator(".face .song").count()
        if not skipped and role and page.locator(".where").inner_text()[0] not in "12378":
            skipped = title
            page.keyboard.press("s")
        else:
            page.keyboard.press("d")
        expect(page.locator(".face h1, .end h1")).not_to_have_text(title)
        if page.locator(".end").count():
            break
    page.get_by_label("One line for next time").fill("Sing it lower.")
    page.get_by_role("button", name="End the lesson").click()
    expect(page.get_by_text("This lesson is over.")).to_be_visible()
    return skipped, four


@pytest.mark.parametrize("section", ["2A"])
def test_from_a_song_file_to_the_next_lesson(page: Page, demo: Running, tmp_path: Path, section: str) -> None:
    sign_in(page, demo.address)
    strip = page.get_by_label("The day").locator(".entry .name")
    expect(strip).to_have_text(["KB", "1B", "2A", "3B"])
    expect(page.get_by_role("heading", level=1)).to_contain_text("1B in 5 min")
    import_and_look(page, tmp_path)
    songs_for_what_is_due(page)
    propose_swap_and_pin(page)
    skipped, four = teach_and_hear(page)
    page.get_by_role("button", name="Propose the next lesson").click()
    expect(page.get_by_role("heading", level=1)).to_contain_text("Friday")
    rows = page.locator(".parts li")
    expect(rows.first).to_contain_text("Opening")
    expect(rows.filter(has_text=skipped).filter(has_text="Left over").first).to_be_visible()
    expect(page.get_by_text("Sing it lower.")).to_be_visible()
    page.get_by_role("navigation", name="Kopje").get_by_role("link", name="2A").click()
    expect(page.get_by_role("heading", name="Secure in")).to_be_visible()
    page.get_by_role("link", name="Ledger", exact=True).first.click()
    page.locator("tbody tr", has_text=four[0]).locator("button[data-at]").first.focus()
    page.keyboard.press("ArrowRight")
    page.keyboard.press("Enter")
    expect(page.get_by_role("complementary", name=four[0])).to_contain_text("Marks, newest first")
    expect(page.locator("tfoot")).to_contain_text(re.compile("ready|hear more|teach again|split"))


def test_two_sections_get_different_lessons_and_the_reasons_say_why(page: Page, demo: Running) -> None:
    sign_in(page, demo.address)
    told = []
    for name in ("2A", "2B"):
        page.get_by_role("link", name=name, exact=True).first.click()
        expect(page.get_by_role("heading", name=name)).to_be_visible()
        expect(page.locator(".due .item").first).to_be_visible()
        told.append(page.locator(".due .item").all_inner_texts())
        page.get_by_role("link", name="Today").click()
        expect(page.get_by_role("heading", name="All sections")).to_be_visible()
    assert told[0]
    assert told[0] != told[1]


def open_song(page: Page, title: str) -> None:
    """From the songbook, however many songs are in it by now."""
    page.get_by_label("Find by title").fill(title)
    page.get_by_role("link", name=title).click()
    expect(page.locator(".score g.note").first).to_be_visible()


def test_a_song_is_read_heard_recast_and_told_by_keys(page: Page, demo: Running) -> None:
    sign_in(page, demo.address)
    page.get_by_role("link", name="Songs", exact=True).click()
    sentence = page.get_by_role("group", name="Which songs")
    choose(sentence, "Songs for", "2A")
    sentence.get_by_role("button", name="fits 2A’s voices").click()
    expect(page.locator(".song .why").first).to_contain_text("range")
    choose(sentence, "Songs for", "anybody")
    open_song(page, "Lantern Boat")
    page.keyboard.press("2")
    expect(page.locator(".score .verse.layer").first).to_contain_text("so")
    page.keyboard.press("r")
    expect(page.locator(".score .verse")).to_have_count(0)
    expect(page.get_by_role("heading", name="Rhythm")).to_have_count(0)
    page.keyboard.press("r")
    choose(page, "Sound it", "in minor, same home")
    expect(page.get_by_role("heading", name="do = A♭, resting tone la")).to_be_visible()
    page.get_by_role("button", name="Back to the song as it is").click()
    expect(page.get_by_role("heading", name="do = F, resting tone do")).to_be_visible()
    sounds = "performance.getEntriesByType('resource').filter((one) => one.name.includes('/sounds/')).length"
    assert page.evaluate(sounds) == 0  # nothing is fetched before it is played
    page.keyboard.press("Space")
    expect(page.locator(".score .sounds-now")).to_have_count(1)
    assert page.evaluate(sounds) == 8
    page.keyboard.press("Space")
    expect(page.locator(".score .sounds-now")).to_have_count(0)
    page.get_by_text("Say it yourself").click()
    choose(page, "Resting tone", "so")
    expect(page.get_by_role("heading", name="do = F, resting tone so")).to_be_visible()
    expect(page.get_by_text("Worked out: do = F, resting tone do")).to_be_visible()
    page.get_by_role("button", name="Take it all back").click()
    expect(page.get_by_role("heading", name="do = F, resting tone do")).to_be_visible()


def test_a_tune_is_pasted_many_files_are_brought_in_and_a_sentence_is_kept(
    page: Page, demo: Running, tmp_path: Path
) -> None:
    sign_in(page, demo.address)
    page.goto(f"{demo.address}/songs")
    page.get_by_role("heading", name="Songs").click()
    paste = """text => { const data = new DataTransfer(); data.setData('text/plain', text);
    document.body.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true })) }"""
    page.evaluate(paste, "X:1\nT:Pasted hill\nM:2/4\nL:1/8\nK:F\nc2A2|G2F2|]")
    report = page.get_by_role("status", name="What became of the files")
    expect(report.get_by_text("Pasted hill")).to_be_visible()
    files = []
    for number in range(40):
        text = f"X:1\nT:Many {number:02}\nM:2/4\nL:1/8\nK:F\nc2A2|{'G' * (number % 4 + 1)}2|F4|]\n"
        files.append(tmp_path / f"many{number}.abc")
        files[-1].write_text(text if number % 10 else "no tune at all")
    page.locator("input[type=file]").set_input_files(files)
    expect(report.get_by_text("36 songs added, 4 files not read.")).to_be_visible()
    expect(report.locator(".line").first).to_contain_text("not read")
    sentence = page.get_by_role("group", name="Which songs")
    choose(sentence, "that has", "6/8")
    sentence.get_by_role("button", name="Keep this sentence").click()
    sentence.get_by_label("Call it").fill("Swinging")
    sentence.get_by_label("Call it").press("Enter")
    page.reload()
    sentence.get_by_role("button", name="Swinging", exact=True).click()
    expect(sentence.get_by_role("button", name="No longer: has 6/8")).to_be_visible()
    expect(page.locator(".song").first).to_contain_text("6/8")
    sentence.get_by_role("button", name="Forget “Swinging”").click()
    expect(sentence.get_by_text("Swinging")).to_have_count(0)


def test_a_song_is_looked_into_and_played_with(page: Page, demo: Running) -> None:
    sign_in(page, demo.address)
    page.goto(f"{demo.address}/songs")
    open_song(page, "The Apple Cart")
    page.get_by_role("tab", name="Phrases").click()
    expect(page.get_by_text("a' differs from a: mi instead of la in bar 4 on beat 1")).to_be_visible()
    page.get_by_role("tab", name="Best keys").click()
    choose(page, re.compile("^to$"), "sing and play on bars")
    expect(page.get_by_text(re.compile("Bars: ")).first).to_be_visible()
    page.get_by_role("tab", name="Practise").click()
    choose(page, "What", "up and back, one more each time", last=True)
    expect(page.get_by_text("25 tones, about 0:22")).to_be_visible()
    page.get_by_role("tab", name="Games").click()
    expect(page.locator(".lyric .inside").first).to_be_visible()
    page.get_by_role("button", name="Which tonality?").click()
    expect(page.get_by_text("Evidence from 5 of 5 right on")).to_be_visible()
    page.get_by_role("tab", name="About").click()
    page.get_by_role("button", name="Change").click()
    page.get_by_label("Season").fill("autumn")
    page.get_by_role("button", name="Keep", exact=True).click()
    expect(page.get_by_text("autumn")).to_be_visible()
    page.get_by_role("button", name="so C5 7×").click()
    expect(page.get_by_text("On so: ")).to_be_visible()
    expect(page.locator(".score .is-chosen")).to_have_count(7)
    page.get_by_role("button", name="Hands", exact=True).click()
    expect(page.get_by_role("group", name="Hand signs")).to_be_visible()


def test_verses_hands_phrases_and_paper(page: Page, demo: Running) -> None:
    sign_in(page, demo.address)
    page.goto(f"{demo.address}/songs")
    expect(page.locator("img.opening").first).to_have_js_property("complete", True)
    assert page.locator("img.opening").first.evaluate("one => one.naturalWidth") > 100
    open_song(page, "Call Across the Hill")
    page.get_by_role("tab", name="Words").click()
    expect(page.get_by_text("held over more than one in bars 2, 4, 8.")).to_be_visible()
    page.get_by_role("button", name="Verse 2").click()
    expect(page.get_by_text("not set as verse 1 in bar 4.")).to_be_visible()
    expect(page.locator(".words li", has_text="mi").locator(".word", has_text="river")).to_have_count(1)
    page.keyboard.press("8")
    page.keyboard.press("9")
    expect(page.locator(".score .hands-drawn")).to_have_count(31)
    expect(page.locator(".score .dir.phrase")).to_have_count(4)
    first = page.locator(".score .hands-drawn").first
    facing = first.get_attribute("transform")
    page.get_by_role("button", name="mirrored").click()
    expect(first).not_to_have_attribute("transform", facing or "")
    page.locator(".score #n2 .notehead").click()
    expect(page.get_by_text("Bar 1, re, G4")).to_be_visible()
    page.keyboard.press("ArrowRight")
    expect(page.get_by_text("Bar 1, do, F4")).to_be_visible()
    expect(page.locator(".rung.now")).to_contain_text("do")
    printed = page.request.get(
        demo.address + (page.get_by_role("link", name="with its facts").get_attribute("href") or "")
    )
    assert printed.body().startswith(b"%PDF")
    assert "layers=hands" in printed.url
    assert "mirrored=false" in printed.url


def test_phrases_that_no_file_shows_are_suggested_and_taken(page: Page, demo: Running) -> None:
    sign_in(page, demo.address)
    page.goto(f"{demo.address}/songs/new")
    expect(page.get_by_label("Title")).to_be_focused()
    page.keyboard.type("Three by three")
    page.get_by_label("Tones, beat by beat").fill("CC AA G A F . CC AA G A F . GG AA B A G . CC AA G A F .")
    page.get_by_label("Words, syllable by syllable").fill("one two three four\n\nfive six")
    expect(page.locator(".score .verse").nth(4)).to_be_visible()
    page.get_by_role("button", name="Keep it in the songbook").press("Enter")
    page.get_by_role("tab", name="Phrases").click()
    expect(
        page.get_by_text(
            "these are equal spans. From long tones, rests and repeats they seem to begin in bars 4, 7, 10."
        )
    ).to_be_visible()
    page.get_by_role("button", name="Take these").click()
    expect(page.get_by_text("They begin where you said.")).to_be_visible()
    expect(page.get_by_text("bars 4–6")).to_be_visible()


def test_sixteen_bars_with_words_take_few_keys(page: Page, demo: Running) -> None:
    """At most 2.5 keys for each note and each syllable, counted as they are pressed, with nothing but the
    keyboard."""
    sign_in(page, demo.address)
    page.goto(f"{demo.address}/songs/new")
    expect(page.get_by_label("Title")).to_be_focused()
    tones = "sl sm d d\nmr mr d -\n=1\n=2\nd' l s m\nd' l s -\n=1\n=2"
    words = (
        "Up on the hill sit I\nout in the sun-light\n=1\ntill it is all night\n"
        "who is a-way\nun-der sky\n=1\n=4"
    )
    page.keyboard.type("Up I sit")
    page.keyboard.press("Tab")
    page.keyboard.press("Tab")
    page.keyboard.press("Tab")
    page.keyboard.type(tones)
    page.keyboard.press("Tab")
    page.keyboard.type(words)
    expect(page.get_by_text("16 bars, all add up.")).to_be_visible()
    notes = page.locator(".score g.note").count()
    syllables = page.locator(".score .syl").count()
    assert notes == syllables
    keys = len(tones) + len(words) + 4  # with the tabs
    print(f"{keys} keys, {notes} notes, {syllables} syllables: {keys / (notes + syllables):.2f} for each")
    assert keys <= 2.5 * (notes + syllables)


def test_a_song_is_typed_without_a_mouse_and_its_score_follows(page: Page, demo: Running) -> None:
    sign_in(page, demo.address)
    page.goto(f"{demo.address}/songs/new")
    expect(page.get_by_label("Title")).to_be_focused()
    page.keyboard.type("Noon on the hill")
    page.get_by_label("Tones, beat by beat").focus()
    page.keyboard.type("s m s m\nsl s m -\nd' l s m\nsl s d -")
    expect(page.locator(".score g.note")).to_have_count(16)
    expect(page.get_by_text("8 bars, all add up.")).to_be_visible()
    page.keyboard.press("Tab")
    page.keyboard.type("Who has tak-en\nall the sun-light")
    expect(page.locator(".score .syl").first).to_contain_text("Who")
    expect(page.get_by_text("without a syllable")).to_be_visible()
    page.get_by_role("button", name="Keep it in the songbook").press("Enter")
    expect(page.get_by_role("heading", name="Noon on the hill")).to_be_visible()
    expect(page.get_by_role("heading", name="do = F")).to_be_visible()


def test_a_part_that_goes_while_its_alternatives_are_asked_for_leaves_no_error(
    page: Page, demo: Running
) -> None:
    """The fixture fails the test for anything the page logs as an error, a late “not found” among it."""
    sign_in(page, demo.address)
    page.get_by_label("The day").get_by_role("link", name="3B").click()
    page.get_by_role("link", name="Open the lesson").click()
    rows = page.locator(".parts li")
    expect(rows.nth(3)).to_be_visible()
    held: list[Route] = []
    page.route("**/alternatives", lambda route: held.append(route))
    what = rows.nth(3).locator(".main-part")
    before = what.inner_text()
    rows.nth(3).locator(".main-part").click()
    expect(page.get_by_role("complementary").get_by_role("heading", name="Instead")).to_be_visible()
    page.keyboard.press("x")
    expect(what).not_to_have_text(re.compile(r"\s*".join(map(re.escape, before.split()))))
    page.unroute("**/alternatives")
    for route in held:
        with suppress(Error):  # the page may have given it up
            route.continue_()
    page.wait_for_timeout(800)


def test_what_was_done_can_be_taken_back(page: Page, demo: Running) -> None:
    """A song removed, a date kept, a section changed, an arc moved: each says what it did."""
    sign_in(page, demo.address)
    back = page.get_by_role("button", name="Take it back")
    done = page.get_by_role("status").get_by_text("Taken back.")

    page.goto(f"{demo.address}/songs/new")
    expect(page.get_by_label("Title")).to_be_focused()
    page.keyboard.type("Soon gone")
    page.get_by_label("Tones, beat by beat").fill("s m s m")
    page.get_by_role("button", name="Keep it in the songbook").click()
    page.get_by_role("button", name="Remove from the songbook").click()
    expect(page.get_by_text("“Soon gone” was taken out of the songbook.")).to_be_visible()
    back.click()
    expect(done).to_be_visible()
    open_song(page, "Soon gone")

    page.goto(f"{demo.address}/set-up")
    last = page.get_by_role("group", name="Terms").get_by_role("textbox", name="Last day").last
    before = last.input_value()
    last.fill("14/05/2027")
    page.get_by_role("button", name="Keep these dates").click()
    expect(page.get_by_text("The dates were kept.")).to_be_visible()
    back.click()
    expect(done).to_be_visible()
    expect(last).to_have_value(before)

    page.get_by_label("The day").get_by_role("link", name="2A").click()
    page.get_by_role("button", name="Change").click()
    drawer = page.get_by_role("complementary")
    choose(drawer, "Taught together with", "Grade 3")
    drawer.get_by_role("button", name="Keep this").click()
    expect(page.get_by_text("Grade 2 and Grade 3").first).to_be_visible()
    back.click()
    expect(page.get_by_text("Grade 2 and Grade 3")).to_have_count(0)

    page.get_by_role("main").get_by_role("link", name="Year", exact=True).click()
    page.locator(".arc").last.press("Enter")
    begins = drawer.get_by_text(re.compile("Begins in lesson"))
    where = begins.inner_text()
    page.keyboard.press("]")
    expect(begins).not_to_have_text(where)
    expect(page.get_by_text("The year of 2A was changed.")).to_be_visible()
    back.click()
    expect(begins).to_have_text(where)
