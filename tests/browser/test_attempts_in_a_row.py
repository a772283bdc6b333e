"""One attempt after another: by an impatient thumb, in two tabs, and without going back for it."""

import re

from playwright.sync_api import expect

from server.lessons.models import Attempt, CueSheet
from tests.browser.steps import (
    call_came,
    go_to,
    note_attempt,
    sign_in,
    so_far,
    take_sheet,
    type_length,
)  # fmt: skip

LEARNER = "Callum Dray"


def tape(page):
    for wheel in ("Front", "Rear"):
        type_length(page, f"{wheel} wheel to kerb", "20 cm")
    page.get_by_role("button", name="Keep the readings").click()


def test_from_a_tape_the_same_sheet_is_driven_again(page):
    sign_in(page, learner=LEARNER)
    take_sheet(page)
    sheet = CueSheet.objects.filter(learner__name=LEARNER).latest("pk")
    before = set(sheet.attempts.values_list("pk", flat=True))
    note_attempt(page)
    for _ in range(2):
        tape(page)
        page.get_by_role("link", name="Drive again").click()
        expect(page.get_by_role("timer")).to_have_text("0:00")
        page.get_by_role("button", name="Start the clock").click()
        page.get_by_role("button", name="Done: go and tape").click()
    tape(page)
    expect(page.get_by_role("link", name="Drive again")).to_be_visible()
    driven = sheet.attempts.exclude(pk__in=before)
    assert driven.count() == 3
    assert not driven.filter(readings__isnull=True).exists()

    # An address that names an attempt of another sheet does not pass one of this sheet off as it.
    elsewhere = Attempt.objects.exclude(cue_sheet__learner__name=LEARNER).first()
    at_hand = re.search("attempt=([^&]+)", page.url).group(1)
    note = page.get_by_text("is not among the attempts on this cue sheet")
    expect(note).to_have_count(0)
    page.get_by_role("link", name="Another exercise").click()
    expect(page.get_by_role("heading", name="Cues", level=1)).to_be_attached()
    address = page.url.replace("/cues", "/tape")
    go_to(page, f"{address}&attempt={elsewhere.pk}")
    expect(note).to_be_visible()
    assert at_hand != str(elsewhere.pk)


def test_two_taps_of_an_impatient_thumb_are_one(open_page):
    page = open_page(390, 844, has_touch=True, is_mobile=True)
    sheet = CueSheet.objects.filter(learner__name=LEARNER).latest("pk")
    sign_in(page)
    go_to(page, f"/drive?learner={sheet.learner_id}&sheet={sheet.pk}")
    start = page.get_by_role("button", name="Start the clock")
    start.click()
    first_call = page.get_by_role("button", name="On to the first call")
    first_call.click(trial=True)
    box = first_call.bounding_box()
    # Beside the middle, where a button of three will lie that says how the call came.
    thumb = box["x"] + box["width"] * 0.8, box["y"] + box["height"] / 2
    for _ in range(2):
        page.touchscreen.tap(*thumb)
    group = page.get_by_role("group", name="Call 1")
    expect(group).to_be_visible()
    late = group.get_by_role("button", name="late")
    late.click(trial=True)
    lies = late.bounding_box()
    assert lies["x"] < thumb[0] < lies["x"] + lies["width"]
    assert lies["y"] < thumb[1] < lies["y"] + lies["height"]
    expect(late).to_have_attribute("aria-pressed", "false")
    # Once the thumb has lifted, a tap counts.
    page.touchscreen.tap(*thumb)
    expect(page.get_by_role("group", name="Call 2")).to_be_visible()


def test_what_is_noted_in_two_tabs_is_in_both(open_page):
    one = open_page(service_workers="block")
    sign_in(one, learner=LEARNER)
    take_sheet(one)
    one.get_by_role("button", name="Start the clock").click()
    other = one.context.new_page()
    other.goto(one.url)
    call_came(one, 1, "late")
    expect(so_far(other)).to_contain_text("Call 1: late")
    call_came(other, 2, "early")
    for tab in (one, other):
        for noted in ("Call 1: late", "Call 2: early"):
            expect(so_far(tab)).to_contain_text(noted)
