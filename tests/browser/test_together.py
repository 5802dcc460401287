"""Two adults in one school: one stands in for the other, and two change the same thing."""

from __future__ import annotations

from playwright.sync_api import Page, expect

from browser.conftest import Profile, Running, choose, sign_in

PASSWORD = "a long password"


def test_somebody_stands_in_and_shows_on_another_device(page: Page, profile: Profile, demo: Running) -> None:
    sign_in(page, demo.address)
    page.goto(f"{demo.address}/people")
    invite = page.locator("section", has=page.get_by_role("heading", name="Invite somebody"))
    invite.get_by_label("Name").fill("Luisa")
    choose(invite, "May", "stand in")
    sections = invite.get_by_role("combobox", name="Sections")
    sections.focus()
    sections.press("ArrowDown")
    page.get_by_role("option", name="2A", exact=True).click()
    page.keyboard.press("Escape")
    invite.get_by_role("button", name="Make a link").click()
    link = page.locator("pre.link").inner_text()
    hers = profile().new_page()
    hers.goto(link)
    hers.locator("input[name=login]").fill("luisa")
    hers.locator("input[name=password]").fill(PASSWORD)
    hers.locator("button[type=submit]").click()
    hers.wait_for_url("**/sign-in")
    hers.locator("input").nth(0).fill("luisa")
    hers.locator("input").nth(1).fill(PASSWORD)
    hers.keyboard.press("Enter")
    expect(hers.get_by_role("heading", name="Today you stand in")).to_be_visible()
    expect(hers.get_by_label("The day").get_by_role("link")).to_have_count(1)
    hers.goto(f"{demo.address}/songs")
    expect(hers.get_by_role("heading", name="Today you stand in")).to_be_visible()
    screen = profile().new_page()
    screen.goto(f"{demo.address}/projector")
    code = screen.locator(".digits").inner_text()
    hers.get_by_role("button", name="Teach").first.click()
    hers.get_by_role("button", name="Another device").click()
    hers.get_by_label("Number on that screen").fill(code)
    hers.get_by_role("button", name="Show there").click()
    expect(screen.locator(".digits")).to_have_count(0)
    before = screen.get_by_role("heading").first.inner_text()
    hers.keyboard.press("ArrowRight")
    expect(screen.get_by_role("heading", name=before, exact=True)).to_have_count(0)
    expect(hers.locator(".wrong")).to_have_count(0)


def test_two_change_the_same_thing_and_one_is_chosen(page: Page, profile: Profile, demo: Running) -> None:
    sign_in(page, demo.address)
    page.goto(f"{demo.address}/set-up")
    mine = page.locator("form.school").get_by_role("textbox").first
    expect(mine).to_have_value("Kestrel Ridge School")
    mine.fill("Kestrel Ridge on the Hill")
    head = {"x-kopje-request": "1"}
    body = {"name": "Kestrel Ridge in the Valley", "time_zone": None}
    assert page.request.put(f"{demo.address}/api/school", data=body, headers=head).ok
    page.evaluate("window.dispatchEvent(new Event('visibilitychange'))")  # what is here is read anew
    expect(mine).to_have_value("Kestrel Ridge on the Hill")
    page.locator("form.school").get_by_role("button").last.click()
    sign = page.get_by_role("alertdialog")
    expect(sign).to_contain_text("Kestrel Ridge on the Hill")
    expect(sign).to_contain_text("Kestrel Ridge in the Valley")
    sign.get_by_role("button", name="Take what is here now").click()
    expect(mine).to_have_value("Kestrel Ridge in the Valley")
    mine.fill("Kestrel Ridge School")
    assert page.request.put(f"{demo.address}/api/school", data=body, headers=head).ok
    page.locator("form.school").get_by_role("button").last.click()
    with page.expect_response(lambda one: one.request.method == "PUT" and one.ok):
        sign.get_by_role("button", name="Keep mine instead").click()
    expect(sign).to_have_count(0)
    expect(mine).to_have_value("Kestrel Ridge School")
    assert page.request.get(f"{demo.address}/api/school").json()["name"] == "Kestrel Ridge School"


def test_a_child_is_erased_from_the_ledger(page: Page, demo: Running) -> None:
    sign_in(page, demo.address)
    section = page.request.get(f"{demo.address}/api/sections").json()[0]
    page.goto(f"{demo.address}/sections/{section['id']}/ledger")
    page.locator("tbody button").first.click()
    drawer = page.get_by_role("complementary")
    drawer.get_by_text("This child on the roll").click()
    drawer.get_by_role("button", name="Erase this child…").click()
    expect(drawer.get_by_text("It cannot be taken back")).to_be_visible()
    drawer.get_by_role("button", name="for good").click()
    expect(drawer.get_by_text("Nothing of it comes back")).to_be_visible()
    name = drawer.get_by_role("heading").first.inner_text()
    drawer.get_by_role("button", name="Close", exact=True).last.click()
    expect(page.get_by_role("rowheader", name=name, exact=True)).to_have_count(0)
    page.goto(f"{demo.address}/privacy")
    expect(page.get_by_text("In no backup here any more.")).to_be_visible()
