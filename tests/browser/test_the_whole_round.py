"""The round as an instructor walks it: the built application, a real browser, real input."""

import os
import re

import pytest
from playwright.sync_api import expect, sync_playwright

from server.demo.load import load_demo
from server.lessons.models import Attempt
from server.schools.models import Member

# Playwright's own loop runs in this thread; the ORM is only used between its calls.
os.environ["DJANGO_ALLOW_ASYNC_UNSAFE"] = "true"
CHROMIUM = ["--no-sandbox", "--disable-gpu", "--disable-background-networking"]


@pytest.fixture(scope="module")
def browser():
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path="/usr/bin/chromium", args=CHROMIUM)
        yield browser
        browser.close()


@pytest.fixture
def page(browser, live_server, transactional_db):
    load_demo()
    context = browser.new_context(viewport={"width": 1280, "height": 800})
    page = context.new_page()
    page.goto(live_server.url)
    yield page
    context.close()


def sign_in(page, name, password):
    page.get_by_label("Name").fill(name)
    page.get_by_label("Password").fill(password)
    page.get_by_role("button", name="Sign in").click()
    expect(page.get_by_role("list", name="Calls")).to_be_visible(timeout=15_000)


def choose(page, stub, item):
    page.get_by_role("button", name=re.compile(f"^{stub}:")).click()
    page.get_by_role("menuitem", name=item).click()
    expect(page.get_by_role("button", name=re.compile(f"^{stub}: .*{item}"))).to_be_visible()


def station(page, name):
    page.get_by_role("link", name=re.compile(f"\\d {name}$")).click()


def type_length(page, label, text):
    field = page.get_by_role("textbox", name=label)
    field.fill(text)
    field.press("Enter")


def test_from_sign_in_to_a_moved_cue(page):
    sign_in(page, "maren", "tidewell-demo")
    choose(page, "Learner", "Ines Varga")
    choose(page, "Vehicle and seat", "Ines, seat 4")
    choose(page, "Ground", "Quay Street")

    # Cues: a slider plans again, and a click on a call explains it.
    slider = page.get_by_role("slider", name="Finish off the kerb")
    slider.press("ArrowRight")
    expect(page.get_by_role("button", name="Use this sheet and drive")).to_be_enabled()
    page.get_by_role("button", name="Undo changes").click()
    page.get_by_role("list", name="Calls").get_by_role("button").nth(2).click()
    expect(page.get_by_role("heading", name=re.compile("^Call 3"))).to_be_visible()

    # Drive, by thumb and by key.
    page.get_by_role("button", name="Drive this sheet").click()
    page.get_by_role("button", name="Start the clock").click()
    page.get_by_role("group", name="Look 1, all round").get_by_role("button", name="done").click()
    for call in ("Call 1", "Call 2"):
        page.get_by_role("group", name=call).get_by_role("button", name="on").click()
    page.keyboard.press("ArrowRight")
    late = page.get_by_role("group", name="Call 3").get_by_role("button", name="late")
    expect(late).to_have_attribute("aria-pressed", "true")
    page.reload()
    expect(late).to_have_attribute("aria-pressed", "true")
    before = Attempt.objects.count()
    page.get_by_role("button", name="Done: go and tape").click()

    # Tape: readings on the drawing, the verdict beside them, and a slip told at once.
    type_length(page, "Front wheel to kerb", "310")
    expect(page.get_by_text("Type both kerb readings")).to_be_visible()
    type_length(page, "Rear wheel to kerb", "10")
    expect(page.get_by_role("alert")).to_contain_text("Front wheel to kerb: front 3.1")
    type_length(page, "Front wheel to kerb", "8 cm")
    type_length(page, "Gap ahead", "2.5")
    verdict = page.get_by_role("status", name="Verdict")
    expect(verdict).to_contain_text("small fault")
    page.get_by_role("button", name="Keep the readings").click()
    expect(page.get_by_role("button", name="Kept")).to_be_visible()
    assert Attempt.objects.count() == before + 1
    kept = Attempt.objects.order_by("started").last()
    assert (kept.readings["kerb_front_m"], kept.notes["calls"][2]) == (0.08, "late")

    # Shift: the hidden bias of this learner is call 3, late.
    station(page, "Shift")
    advice = page.get_by_role("region", name="Advice")
    expect(advice).to_contain_text("Move call 3")
    expect(advice).to_contain_text("earlier")
    advice.get_by_role("button", name="Move the cue").click()
    page.get_by_role("list", name="Calls").get_by_role("button").nth(2).click()
    expect(page.get_by_text("earlier for this learner")).to_be_visible()
    station(page, "Shift")
    expect(page.get_by_role("heading", name="Before and after")).to_be_visible()


def test_a_new_measure_makes_a_new_revision_and_the_drawing_is_to_scale(page):
    sign_in(page, "maren", "tidewell-demo")
    station(page, "Seat")
    drawing = page.get_by_role("img", name=re.compile("from above, to scale"))
    expect(drawing).to_be_visible()
    scale = float(drawing.get_attribute("data-scale"))
    body = drawing.locator("[data-vehicle] > path").first.bounding_box()
    docket = page.get_by_role("button", name=re.compile("^Vehicle and seat: Linnet"))
    expect(docket).to_be_visible()
    assert body["width"] / scale == pytest.approx(4.07, abs=0.04)
    assert body["height"] / scale == pytest.approx(1.75, abs=0.04)
    type_length(page, "Length", "2 m")
    page.get_by_role("button", name="Save vehicle as revision 2").click()
    expect(page.get_by_role("alert")).to_contain_text("length_m")
    page.get_by_role("button", name="Undo").click()
    type_length(page, "Length", "4.2 m")
    page.get_by_role("button", name="Save vehicle as revision 2").click()
    expect(page.get_by_text("Vehicle: revision 2, by Maren Holt.")).to_be_visible()


def test_a_keep_right_school_in_feet_parks_on_the_right(page):
    sign_in(page, "teodor", "quarry-demo")
    choose(page, "Ground", "Gravel Lane")
    expect(page.get_by_role("img", name=re.compile("Plan of the manoeuvre"))).to_contain_text(" in")
    page.get_by_role("button", name=re.compile("sheet")).first.wait_for()
    station(page, "Ground")
    expect(page.get_by_role("button", name="Kerb right")).to_have_attribute("aria-pressed", "true")
    type_length(page, "Road width", "26 ft 3 in")
    expect(page.get_by_role("textbox", name="Road width")).to_have_value("26 ft 3 in")
    page.get_by_role("button", name="Park a vehicle behind").click()
    type_length(page, "Gap", "17 ft")
    page.get_by_role("button", name=re.compile("^Save ground")).click()
    station(page, "Cues")
    expect(page.get_by_role("alert")).to_contain_text("It works with", timeout=20_000)


def test_a_learner_looks_and_changes_nothing(page):
    sign_in(page, "ines", "tidewell-demo")
    expect(page.get_by_role("button", name=re.compile("sheet and drive"))).to_have_count(0)
    station(page, "Shift")
    person = Member.objects.get(user__username="ines")
    expect(page.get_by_role("button", name=f"Learner: {person.name}")).to_be_visible()
    expect(page.get_by_role("button", name="Move the cue")).to_have_count(0)
