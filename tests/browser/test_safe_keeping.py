"""The owner invites somebody, sees who may come in, and keeps everything safe; the page waits and goes on."""

from __future__ import annotations

from playwright.sync_api import Page, expect

from browser.conftest import Profile, Running, sign_in

PASSWORD = "a password of her own"


def test_somebody_is_invited_comes_in_and_is_let_in_no_longer(
    page: Page, profile: Profile, demo: Running
) -> None:
    sign_in(page, demo.address)
    page.goto(f"{demo.address}/set-up")
    page.get_by_role("link", name="People").click()
    page.wait_for_url("**/people")
    page.get_by_role("textbox", name="Name").fill("Ines")
    page.get_by_role("button", name="Make a link").click()
    link = page.locator(".made pre").inner_text()
    expect(page.get_by_text("Ines, invited until")).to_be_visible()

    hers = profile().new_page()
    hers.goto(link)
    expect(hers.get_by_role("heading", name="Welcome, Ines")).to_be_visible()
    hers.locator("input[name=login]").fill("ines")
    hers.locator("input[name=password]").fill(PASSWORD)
    hers.get_by_role("button", name="Keep this").click()
    hers.wait_for_url("**/sign-in")
    hers.fill("input[name=login]", "ines")
    hers.fill("input[name=password]", PASSWORD)
    hers.get_by_role("button", name="Sign in").click()
    hers.wait_for_selector(".strip")
    hers.goto(f"{demo.address}/set-up")
    expect(hers.get_by_role("heading", name="Where you are signed in")).to_be_visible()
    expect(hers.get_by_role("link", name="Backups")).to_have_count(0)  # they are the owner's

    page.reload()
    row = page.locator(".adult", has_text="Ines")
    row.get_by_role("button", name="Remove").click()
    row.get_by_role("button", name="Really remove Ines?").click()
    expect(row).to_have_count(0)
    hers.goto(demo.address)
    hers.wait_for_url("**/sign-in**")


def test_a_backup_is_made_on_the_page(page: Page, demo: Running) -> None:
    sign_in(page, demo.address)
    page.goto(f"{demo.address}/backups")
    page.get_by_role("button", name="Make one now").click()
    expect(page.get_by_text("Made, read through, and kept.")).to_be_visible()
    expect(page.get_by_text("The last good backup is of")).to_be_visible()
    with page.expect_download() as download:
        page.get_by_role("link", name="Take a copy").first.click()
    assert download.value.suggested_filename.startswith("kopje-")


def test_the_page_waits_while_nobody_answers_and_goes_on(profile: Profile, demo: Running) -> None:
    page = profile().new_page()  # what the browser says of a network that is gone is meant here
    sign_in(page, demo.address)
    page.route("**/api/week**", lambda route: route.abort())
    page.get_by_role("link", name="Week").click()
    waits = page.get_by_text("Kopje does not answer just now.")
    expect(waits).to_be_visible()
    page.unroute("**/api/week**")
    expect(page.get_by_role("heading", level=1)).to_be_visible()
    expect(waits).to_have_count(0)
