"""The round as an instructor walks it, from sign-in to a moved cue."""

import re

from playwright.sync_api import expect

from server.lessons.models import Attempt
from tests.browser.steps import calls, choose, sign_in, so_far, station, type_length


def test_from_sign_in_to_a_moved_cue(page):
    sign_in(page, by_hand=True)
    choose(page, "Learner", "Ines Varga")
    choose(page, "Vehicle and seat", "Ines, seat 4")
    choose(page, "Ground", "Quay Street")

    # Cues: a slider plans again, and a click on a call explains it.
    slider = page.get_by_role("slider", name="Finish off the kerb")
    slider.press("ArrowRight")
    expect(page.get_by_role("button", name="Use this sheet and drive")).to_be_enabled()
    page.get_by_role("button", name="Undo changes").click()
    calls(page).nth(2).click()
    expect(page.get_by_role("heading", name=re.compile("^Call 3"))).to_be_visible()

    # Drive, by thumb and by key.
    page.get_by_role("button", name="Drive this sheet").click()
    page.get_by_role("button", name="Start the clock").click()
    page.get_by_role("button", name="Look 1, all round: not noted").click()
    expect(page.get_by_role("button", name="Look 1, all round: done")).to_be_visible()
    page.get_by_role("button", name="On to the first call").click()
    # Each call goes on to the next.
    for call in ("Call 1", "Call 2"):
        page.get_by_role("group", name=call).get_by_role("button", name="on").click()
    # The button that was pressed has the keys until it is left.
    page.keyboard.press("Escape")
    page.keyboard.press("ArrowRight")
    for _ in range(2):
        for told in ("all round: done", "Call 1: on", "Call 2: on", "Call 3: late"):
            expect(so_far(page)).to_contain_text(told)
        page.reload()
    before = Attempt.objects.count()
    page.get_by_role("button", name="Done: go and tape").click()

    # Tape: readings on the drawing, the verdict beside them, and a slip told at once.
    type_length(page, "Front wheel to kerb", "310")
    expect(page.get_by_text("Type both readings to the kerb")).to_be_visible()
    type_length(page, "Rear wheel to kerb", "10")
    told = page.get_by_role("alert").filter(has_text="Front wheel to kerb: front 3.1")
    expect(told).to_be_visible()
    type_length(page, "Front wheel to kerb", "8 cm")
    type_length(page, "Gap ahead", "2.5")
    verdict = page.get_by_role("status", name="Verdict")
    expect(verdict).to_contain_text("small fault")
    page.get_by_role("button", name="Keep the readings").click()
    expect(page.get_by_role("link", name="Drive again")).to_be_visible()
    assert Attempt.objects.count() == before + 1
    kept = Attempt.objects.get(readings__kerb_front_m=0.08, readings__ahead_m=2.5)
    assert kept.notes["calls"][2] == "late"

    # Shift: the hidden bias of this learner is call 3, late.
    station(page, "Shift")
    advice = page.get_by_role("region", name="Advice")
    expect(advice).to_contain_text("Move call 3")
    expect(advice).to_contain_text("earlier")
    advice.get_by_role("button", name="Move the cue").click()
    calls(page).nth(2).click()
    expect(page.get_by_text("earlier for this learner")).to_be_visible()
    station(page, "Shift")
    expect(page.get_by_role("heading", name="Before and after")).to_be_visible()
