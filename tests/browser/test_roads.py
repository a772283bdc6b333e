"""Roads, corners, free kerbs and yards on the stations; trailers at the desk."""

import os
import re
import signal

from playwright.sync_api import expect

from server.documents.models import Revision
from tests.browser.steps import TEODOR, calls, field, sign_in, station, type_length
from tests.browser.test_bays import drawing
from tests.browser.test_methods import pick_method


def what_if(page, metres):
    """Plays the call at hand so late (negative early), in steps of 5 cm."""
    slider = page.get_by_role("slider", name="Early or late")
    slider.focus()
    for _ in range(round(abs(metres) / 0.05)):
        page.keyboard.press("ArrowRight" if metres > 0 else "ArrowLeft")


def test_a_turn_in_the_road_is_told_by_the_kerb_and_by_the_road_it_needs(page):
    sign_in(page, learner="Lotte Brisk", at="Cues")
    listed = calls(page)
    expect(listed).to_have_count(3)
    expect(listed.first).to_contain_text("left to the far kerb")
    expect(page.get_by_text(re.compile("the far kerb runs")).first).to_be_visible()
    widths = page.get_by_role("region", name="Width of road it needs")
    three = widths.get_by_text("Three-movement turn").locator("..")
    expect(three).to_contain_text(re.compile(r"\d\.\d\d m"))
    page.get_by_role("button", name="How little room would do?").click()
    room = page.get_by_role("region", name="Least room")
    # The room is shared out between both kerbs: at each the vehicle stands with its wheels turned.
    expect(room.locator("[data-vehicle=played]")).to_have_count(2)


def test_a_new_corner_is_laid_out_and_reversed_round(page):
    sign_in(page, learner="Yara Quill", at="Ground")
    page.get_by_label("Name of a new place").fill("Chapel corner")
    page.get_by_role("button", name="Corner", exact=True).click()
    expect(page.get_by_role("button", name="Ground: Chapel corner")).to_be_visible()
    expect(page.get_by_role("button", name="Judged by: Ostrel corner test")).to_be_visible()
    type_length(page, "Radius", "7")
    type_length(page, "Nose to mouth", "5")
    page.get_by_label("A verge without a kerb").check()
    expect(drawing(page, "Chapel corner")).to_contain_text("verge, no kerb")
    page.get_by_role("button", name=re.compile("^Save ground")).click()
    expect(page.get_by_text(re.compile("^Ground: revision 2"))).to_be_visible()
    kept = Revision.objects.get(document__kind="ground", number=2, body__name="Chapel corner").body
    assert (kept["goal"]["radius_m"], kept["goal"]["back_m"], kept["edging"]) == (7, 5, "verge")
    pick_method(page, "Wide corner reverse")
    station(page, "Cues")
    expect(page.get_by_text("Wheel that holds 50 cm")).to_be_visible()
    round_it = page.get_by_role("region", name="Wheel round corners")
    expect(round_it).to_contain_text(re.compile(r"8\.00 m radius\s*0\.\d+ turns"))


def test_a_cone_is_put_down_moved_by_keys_and_taken_away(page):
    sign_in(page, learner="Tomas Reyl", at="Ground")
    panel = page.get_by_role("region", name="Put down")
    panel.get_by_role("button", name="cone").click()
    handle = page.get_by_role("button", name="Move cone 1")
    expect(handle).to_be_visible()
    slab = drawing(page, "Mill Lane")
    scale = float(slab.get_attribute("data-scale"))
    before = handle.bounding_box()
    handle.focus()
    for _ in range(4):
        page.keyboard.press("ArrowRight")
    # However fast the keys come, none is lost to an answer that is still on its way.
    moved = handle.bounding_box()["x"] - before["x"]
    assert abs(moved - 0.2 * scale) < 2
    page.get_by_role("button", name=re.compile("^Save ground")).click()
    expect(page.get_by_text(re.compile("^Ground: revision 2"))).to_be_visible()
    kept = Revision.objects.get(document__kind="ground", number=2, body__name__startswith="Mill")
    corners = next(o for o in kept.body["obstacles"] if o["name"] == "cone 1")["polygon_m"]
    assert abs(sum(x for x, _ in corners) / len(corners) - (-2 + 0.2)) < 1e-3
    page.get_by_role("button", name="Take cone 1 away").click()
    expect(handle).to_have_count(0)
    page.get_by_role("button", name="Discard").click()


def test_a_vehicle_parked_askew_is_drawn_askew(page):
    sign_in(page, learner="Tomas Reyl", at="Ground")
    type_length(page, "Nose ahead out by", "45")
    expect(page.get_by_text("The ground is changed and not saved yet")).to_be_visible()
    expect(field(page, "Nose ahead out by")).to_have_value("45 cm")
    page.get_by_role("button", name="Undo").click()
    expect(field(page, "Nose ahead out by")).to_have_value("0 cm")


def test_a_call_that_comes_late_in_the_yard_is_saved_by_pulling_the_other_way(page):
    sign_in(page, learner="Sanne Hook", at="Cues")
    expect(drawing(page, "Plan of the manoeuvre")).to_be_visible()
    what_if(page, 0.45)
    page.get_by_role("button", name="How to save it").click()
    saved = page.get_by_role("region", name="How to save it")
    expect(saved).to_contain_text("Stop in time and pull the other way")
    expect(saved).to_contain_text("Noticed before the wheel moves: roll back 45 cm")
    expect(page.locator("[data-played=saved]")).to_have_count(1)
    what_if(page, -0.95)
    expect(page.get_by_text("50 cm early")).to_be_visible()
    expect(saved).to_contain_text(re.compile("Take less wheel|Ease the wheel off"))


def test_how_little_room_would_do_can_be_stopped_and_is_drawn_with_what_is_met(page, worker):
    sign_in(page, learner="Sanne Hook", at="Cues")
    os.kill(worker.pid, signal.SIGSTOP)
    try:
        page.get_by_role("button", name="How little room would do?").click()
        room = page.get_by_role("region", name="Least room")
        expect(room.get_by_role("status")).to_contain_text("waiting…")
        # However long the worker takes, whatever is small is answered meanwhile.
        what_if(page, 0.2)
        expect(page.get_by_text("20 cm late")).to_be_visible()
        told = page.get_by_role("region", name="What if")
        expect(told).to_contain_text(re.compile("It ends|Then "))
        # What came in above has moved the button; a press is no click where it moves meanwhile.
        expect(page.get_by_role("img", name=re.compile("^Sight picture"))).to_be_visible()
        room.get_by_role("button", name="Stop").click()
        expect(room.get_by_role("status")).to_have_count(0)
        room.get_by_role("button", name="Work it out after all").click()
        expect(room.get_by_role("status")).to_be_visible()
    finally:
        os.kill(worker.pid, signal.SIGCONT)
    expect(room).to_contain_text(re.compile(r"Least width of bay .*\d\.\d\d m", re.S))
    expect(room).to_contain_text(re.compile(r"10 cm less: .*sensor line"))
    expect(room.get_by_role("img")).to_have_count(2)


def test_from_the_opposite_side_the_way_back_is_told(page):
    sign_in(page)
    pick_method(page, "Pull up opposite and reverse")
    station(page, "Cues")
    rejoining = page.get_by_role("region", name="Rejoining")
    expect(rejoining).to_contain_text("over the shoulder to the traffic side")
    expect(rejoining.get_by_role("row")).not_to_have_count(0)
    drift = page.get_by_role("region", name="Drift and small angles")
    expect(drift).to_contain_text("1.0° off: 16 cm")
    ways = drift.get_by_role("table")
    expect(ways).to_be_visible()
    before = ways.inner_text()
    type_length(page, "Sideways", "30 cm")
    expect(ways).not_to_have_text(before, use_inner_text=True)
    type_length(page, "Sideways", "20 m")
    expect(drift.get_by_role("alert")).to_contain_text("between 0.02 m and 8 m")


def test_a_method_brings_the_place_it_was_drawn_at(page):
    sign_in(page, learner="Ines Varga")
    page.get_by_role("button", name=re.compile("^Method:")).click()
    dialog = page.get_by_role("dialog")
    dialog.get_by_role("button", name="turn in the road", exact=True).click()
    card = dialog.get_by_role("button", name="Five-movement turn")
    expect(card).to_contain_text("drawn at Larch Close, to turn in")
    card.click()
    expect(page.get_by_role("button", name="Ground: Larch Close, to turn in")).to_be_visible()
    expect(page.get_by_role("button", name="Judged by: Ostrel turning test")).to_be_visible()


def test_a_trailer_is_backed_by_hand(page):
    sign_in(page, TEODOR, at="Garage")
    page.get_by_role("link", name="Back its trailer").first.click()
    now = page.get_by_role("region", name="Now")
    expect(now).to_contain_text("shows 1.0° on the left")
    growth = page.get_by_role("region", name="How errors grow")
    expect(growth.get_by_role("row")).to_have_count(5)
    page.get_by_role("button", name="6 ft 0 in").click()
    expect(now).to_contain_text("shows 1.3° on the left")
    wheel = page.get_by_role("slider", name="Steering wheel")
    wheel.focus()
    for _ in range(10):
        page.keyboard.press("ArrowLeft")
    expect(wheel).to_have_attribute("aria-valuetext", "0.5 turns left")
    page.get_by_role("button", name="6 ft 0 in").click()
    expect(now).to_contain_text("on the right")
    page.get_by_role("button", name="Undo").click()
    expect(now).to_contain_text("shows 1.3° on the left")
    page.get_by_role("button", name="Start again").click()
    expect(now).to_contain_text("shows 1.0° on the left")
