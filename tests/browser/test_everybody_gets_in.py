"""axe finds nothing on any screen, dialog or menu."""

import re
import time

import pytest
from playwright.sync_api import expect

from server.planning.models import CueSheet
from tests.browser.axe import found
from tests.browser.steps import INES, PATIENCE_S, field, go_to, sign_in, so_far

SCREENS = ("seat", "ground", "cues", "card", "drive", "tape", "shift", "compare", "lesson",
           "history", "mock-tests", "people", "diary", "garage", "places", "methods", "standards",
           "school", "hill", "trailer")  # fmt: skip

WAITING = ".MuiCircularProgress-root"


def ready(page):
    expect(page.get_by_role("heading", level=1)).to_have_count(1)
    expect(page.locator(WAITING)).to_have_count(0)


def left_over(page, *scripts, width=None):
    """What each script still finds once the page has had time to be laid out, at some width."""
    if width:
        page.set_viewport_size({"width": width, "height": page.viewport_size["height"]})
    # What watches its own size has been told by then, and what it draws anew may take longer.
    page.evaluate("new Promise((go) => requestAnimationFrame(() => requestAnimationFrame(go)))")
    deadline = time.monotonic() + PATIENCE_S
    while any(told := [page.evaluate(script) for script in scripts]):
        if time.monotonic() > deadline:
            break
        page.wait_for_timeout(50)
    return told


def test_no_screen_shuts_anybody_out_or_scrolls_sideways(page):
    sign_in(page)
    for screen in SCREENS:
        go_to(page, f"/{screen}")
        ready(page)
        assert (screen, found(page)) == (screen, [])
        for width in (820, 1280):
            assert (screen, width, left_over(page, WIDER, width=width)) == (screen, width, [0])


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
    ("standards", "Change or copy"), ("standards", "Try it"), ("drive", "What follows?"),
    ("drive", "Steps from memory"), ("tape", "Put right"), ("tape", "How to put it right"),
    ("cues", "How little room"), ("people", "Keys"),
]  # fmt: skip
# What opens may have to be fetched first; before it is there, nothing of it is tried.
OPEN = (
    "[role=dialog], [role=listbox], [aria-expanded=true], "
    "section[aria-label='How to put it right'], section[aria-label='Least room']"
)


def test_nothing_that_opens_shuts_anybody_out(page):
    sign_in(page, learner="Ines Varga")
    # Whoever has moved a cue meanwhile has left her a sheet that nothing was driven on.
    driven = CueSheet.objects.filter(learner__name="Ines Varga", attempts__isnull=False)
    docket = f"learner={driven[0].learner_id}&sheet={driven.earliest('pk').pk}"
    before = "cues"
    for screen, name in OPENED:
        if screen != before:
            go_to(page, f"/{screen}?{docket}")
            ready(page)
        elif name != "Erase":
            page.keyboard.press("Escape")
        before = screen
        page.get_by_role("button", name=re.compile(f"^{name}")).first.click()
        expect(page.locator(OPEN).first).to_be_visible()
        expect(page.locator(WAITING)).to_have_count(0)
        # All that lies under a dialog was looked at with its screen.
        assert (screen, name, found(page, "[role=dialog]")) == (screen, name, [])


def test_a_word_is_explained_where_it_stands(page):
    sign_in(page)
    page.get_by_role("button", name="Hands, rolling").focus()
    page.keyboard.press("Shift+Tab")
    page.keyboard.press("Tab")
    expect(page.get_by_role("tooltip")).to_contain_text("How fast the wheel is turned")
    assert found(page) == []


SIDEWAYS = """() => [...document.querySelectorAll("html, main, main *")].filter((e) => {
  const { overflowX } = getComputedStyle(e);
  const scrolls = e.tagName === "HTML" || overflowX === "auto" || overflowX === "scroll";
  return scrolls && e.scrollWidth > e.clientWidth + 1;
}).map((e) => `${e.tagName} ${e.scrollWidth} in ${e.clientWidth}`)"""


WIDER = "Math.max(0, document.documentElement.scrollWidth - window.innerWidth)"


# Words that do not fit where they stand; a heading for screen readers alone is one pixel wide.
CUT = """() => [...document.querySelectorAll("header *, nav *, main *")].filter((e) => {
  const { overflowX, overflowY } = getComputedStyle(e);
  const box = e.getBoundingClientRect();
  const hides = overflowX === "hidden" || overflowX === "clip" || overflowY === "hidden";
  const cut = e.scrollWidth > e.clientWidth + 2 || e.scrollHeight > e.clientHeight + 4;
  return hides && cut && box.width > 2 && e.innerText?.trim();
}).map((e) => e.innerText.slice(0, 60))"""


def test_nothing_is_cut_on_a_tablet_held_upright(open_page):
    page = open_page(768, 1024, has_touch=True, is_mobile=True)
    sign_in(page)
    for screen in SCREENS:
        go_to(page, f"/{screen}")
        ready(page)
        assert (screen, left_over(page, SIDEWAYS, CUT)) == (screen, [[], []])


def test_a_learners_everything_fits_a_phone(open_page):
    page = open_page(390, 844, has_touch=True, is_mobile=True)
    sign_in(page, INES)
    for screen in SCREENS:
        go_to(page, f"/{screen}")
        ready(page)
        assert (screen, found(page)) == (screen, [])
        for width in (320, 390):
            told = left_over(page, SIDEWAYS, CUT, width=width)
            assert (screen, width, told) == (screen, width, [[], []])


@pytest.mark.parametrize("width", [390, 320])
def test_on_a_phone_the_docket_and_the_desk_fold_away(open_page, width):
    page = open_page(width, 844, has_touch=True, is_mobile=True)
    sign_in(page, INES)
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
        assert left_over(page, SIDEWAYS) == [[]]


def test_keys_act_only_where_nothing_has_the_focus(page):
    sign_in(page, learner="Nia Solberg")
    page.keyboard.press("Escape")
    page.keyboard.press("4")
    expect(page).to_have_title("Drive · Fair Corner")
    clock = page.get_by_role("button", name="Start the clock")
    # A focused button is pressed by a space, and by nothing else.
    on = page.get_by_role("button", name="On to the first call")
    on.focus()
    page.keyboard.press("Space")
    expect(page.get_by_role("group", name="Call 1")).to_be_visible()
    page.get_by_role("button", name="Undo").focus()
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


def tab_to(page, name):
    """Tab on until what has that name has the focus, as somebody would who sees where it is."""
    for _ in range(80):
        page.keyboard.press("Tab")
        named = "e => e.getAttribute('aria-label') || e.labels?.[0]?.innerText || e.innerText || ''"
        told = page.evaluate(f"({named})(document.activeElement)")
        if told.startswith(name):
            return
    pytest.fail(f"no way by Tab to {name}")


def test_the_whole_round_by_keyboard_alone(page):
    page.goto("/")
    # Tabs before there is a door lead nowhere.
    expect(page.get_by_label("Name")).to_be_visible()
    tab_to(page, "Name")
    page.keyboard.type("oda")
    tab_to(page, "Password")
    page.keyboard.type("tidewell-demo")
    page.keyboard.press("Enter")
    expect(page.get_by_role("list", name="Calls")).to_be_visible()
    tab_to(page, "Learner")
    page.keyboard.press("Enter")
    expect(page.get_by_role("listbox")).to_be_visible()
    page.keyboard.type("Callum")
    expect(page.get_by_role("option")).to_have_count(1)
    page.keyboard.press("ArrowDown")
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name="Learner: Callum Dray")).to_be_visible()
    page.keyboard.press("Escape")
    for key, title in (("1", "Seat"), ("2", "Ground"), ("3", "Cues")):
        page.keyboard.press(key)
        expect(page).to_have_title(f"{title} · Fair Corner")
    expect(page.get_by_role("list", name="Calls")).to_be_visible()
    tab_to(page, "Drive this sheet")
    page.keyboard.press("Enter")
    clock = page.get_by_role("button", name="Start the clock")
    expect(clock).to_be_visible()
    page.keyboard.press("Escape")
    for key in ("Space", "d", "ArrowDown", "ArrowRight"):
        page.keyboard.press(key)
    expect(so_far(page)).to_contain_text("Call 1: late")
    tab_to(page, "Done: go and tape")
    page.keyboard.press("Enter")
    expect(field(page, "Front wheel to kerb")).to_have_value("")
    for label, text in (("Front wheel", "26"), ("Rear wheel", "25"), ("Gap ahead", "2.1 m")):
        tab_to(page, label)
        page.keyboard.type(text)
    expect(page.get_by_role("status", name="Verdict")).to_contain_text(re.compile("[Mm]et"))
    tab_to(page, "Keep the readings")
    page.keyboard.press("Enter")
    expect(page.get_by_role("link", name="Drive again")).to_be_visible()
    page.keyboard.press("Escape")
    page.keyboard.press("6")
    expect(page.get_by_role("region", name="Advice")).to_be_visible()
