"""axe finds nothing on any screen, dialog or menu."""

import re

import pytest
from playwright.sync_api import expect

from tests.browser.axe import found
from tests.browser.steps import INES, choose, sign_in

SCREENS = ("seat", "ground", "cues", "drive", "tape", "shift", "compare", "people", "diary",
           "garage", "places", "methods", "standards", "school", "hill", "trailer")  # fmt: skip


def ready(page):
    expect(page.get_by_role("heading", level=1)).to_have_count(1)
    expect(page.locator(".MuiCircularProgress-root")).to_have_count(0)


def test_no_screen_shuts_anybody_out(page):
    sign_in(page)
    for screen in SCREENS:
        page.goto(f"/{screen}")
        ready(page)
        assert (screen, found(page)) == (screen, [])


def test_no_door_shuts_anybody_out(page):
    page.goto("/")
    expect(page.get_by_label("Password")).to_be_visible()
    assert found(page) == []
    page.goto("/join?who=MQ&token=forged")
    expect(page.get_by_text("This link has run out")).to_be_visible()
    assert found(page) == []


OPENED = [
    ("cues", "Learner:"), ("cues", "Vehicle and seat:"), ("cues", "Ground:"), ("cues", "Method:"),
    ("cues", "Judged by:"), ("cues", "Change this method"), ("people", "Look after"),
    ("people", "Erase"), ("diary", "Book a lesson"), ("diary", "Change"),
    ("garage", "Measure a new seat"), ("garage", "Measure a new vehicle"),
    ("standards", "Change or copy"), ("tape", "Put right"),
]  # fmt: skip


def test_nothing_that_opens_shuts_anybody_out(page):
    sign_in(page)
    choose(page, "Learner", "Ines Varga")
    for screen, name in OPENED:
        if name != "Erase":
            page.goto(f"/{screen}")
            ready(page)
        page.get_by_role("button", name=re.compile(f"^{name}")).first.click()
        assert (screen, name, found(page)) == (screen, name, [])


SIDEWAYS = """() => [...document.querySelectorAll("html, main, main *")].filter((e) => {
  const { overflowX } = getComputedStyle(e);
  const scrolls = e.tagName === "HTML" || overflowX === "auto" || overflowX === "scroll";
  return scrolls && e.scrollWidth > e.clientWidth + 1;
}).map((e) => `${e.tagName} ${e.scrollWidth} in ${e.clientWidth}`)"""


@pytest.mark.parametrize("width", [390, 320])
def test_a_learners_everything_fits_a_phone(open_page, width):
    page = open_page(width, 844, has_touch=True, is_mobile=True)
    sign_in(page, INES)
    for screen in SCREENS:
        page.goto(f"/{screen}")
        ready(page)
        assert (screen, page.evaluate(SIDEWAYS)) == (screen, [])
        if width == 390:
            assert (screen, found(page)) == (screen, [])
    # The docket folds away, and the desk is behind one more button.
    page.get_by_role("button", name="Docket").click()
    expect(page.get_by_role("button", name="Learner: Ines Varga")).to_be_visible()
    page.get_by_role("button", name="Desk").click()
    assert found(page) == []
    page.get_by_role("link", name="Diary").click()
    expect(page).to_have_title("Diary · Fair Corner")


@pytest.mark.parametrize(("width", "height"), [(390, 844), (768, 1024), (1024, 768)])
def test_what_a_page_is_for_is_in_reach_of_a_thumb(open_page, width, height):
    page = open_page(width, height, has_touch=True, is_mobile=True)
    sign_in(page)
    for screen, name in (("cues", "Drive this sheet"), ("drive", "Start the clock")):
        page.goto(f"/{screen}")
        ready(page)
        expect(page.get_by_role("button", name=name)).to_be_in_viewport(ratio=1)
        assert page.evaluate(SIDEWAYS) == []


def test_keys_act_only_where_nothing_has_the_focus(page):
    sign_in(page)
    choose(page, "Learner", "Nia Solberg")
    page.keyboard.press("Escape")
    page.keyboard.press("4")
    expect(page).to_have_title("Drive · Fair Corner")
    clock = page.get_by_role("button", name="Start the clock")
    # A focused button is pressed by a space, and by nothing else.
    again = page.get_by_role("button", name="Start over")
    again.focus()
    page.keyboard.press("Space")
    page.keyboard.press("5")
    expect(clock).to_be_visible()
    # A list that lies over the page has its own keys.
    page.get_by_role("button", name=re.compile("^Ground:")).click()
    expect(page.get_by_role("listbox")).to_be_visible()
    page.keyboard.press("6")
    page.keyboard.press("Escape")
    page.keyboard.press("Escape")
    expect(page).to_have_title("Drive · Fair Corner")
    page.keyboard.press("Space")
    expect(page.get_by_role("button", name="Stop the clock")).to_be_visible()
    page.keyboard.press("Space")
    page.keyboard.press("?")
    expect(page.get_by_role("dialog", name="Keys")).to_contain_text("Clock on and off")
    page.get_by_label("Single keys act").uncheck()
    page.get_by_role("button", name="Close").click()
    page.keyboard.press("5")
    page.keyboard.press("?")
    expect(page.get_by_role("dialog")).to_have_count(0)
    expect(page).to_have_title("Drive · Fair Corner")


def test_a_keyboard_goes_past_docket_and_rail_and_along_the_ribbon(page):
    sign_in(page)
    page.keyboard.press("Shift+Tab")
    page.get_by_role("link", name="To what this page shows").focus()
    page.keyboard.press("Enter")
    assert page.evaluate("document.activeElement.id") == "main"
    ribbon = page.get_by_role("slider", name="Metres rolled")
    ribbon.focus()
    page.keyboard.press("End")
    total = ribbon.get_attribute("aria-valuemax")
    expect(ribbon).to_have_attribute("aria-valuenow", total)
    page.keyboard.press("PageDown")
    expect(ribbon).to_have_attribute("aria-valuenow", f"{float(total) - 1:.2f}".rstrip("0"))
    page.keyboard.press("Home")
    expect(ribbon).to_have_attribute("aria-valuetext", re.compile(f"^0 cm of {total}"))
