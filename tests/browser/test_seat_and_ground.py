"""Editing where things are drawn: measures on the drawing, handles on the slab, undo, revisions."""

import re

import pytest
from playwright.sync_api import expect

from server.documents.models import Revision
from tests.browser.steps import TEODOR, Held, calls, choose, field, sign_in, station, type_length


def latest(name):
    return Revision.objects.filter(body__name=name).order_by("-number").first()


def test_the_vehicle_is_drawn_to_scale_and_a_new_measure_is_a_new_revision(page):
    sign_in(page, learner="Piet Hask", at="Seat")
    drawing = page.get_by_role("img", name=re.compile("Heron estate from above, to scale"))
    expect(drawing).to_be_visible()
    scale = float(drawing.get_attribute("data-scale"))
    body = drawing.locator("[data-vehicle] > path").first.bounding_box()
    assert body["width"] / scale == pytest.approx(4.69, abs=0.04)
    assert body["height"] / scale == pytest.approx(1.83, abs=0.04)

    type_length(page, "Length", "2 m")
    page.get_by_role("button", name="Save vehicle as revision 2").click()
    expect(page.get_by_role("alert")).to_contain_text("length: ")
    assert latest("Heron estate").number == 1
    page.get_by_role("button", name="Undo").click()
    type_length(page, "Length", "4.75 m")
    page.reload()
    expect(field(page, "Length")).to_have_value("4.75 m")
    page.get_by_role("button", name="Save vehicle as revision 2").click()
    expect(page.get_by_text("Vehicle: revision 2, by Maren Holt.")).to_be_visible()
    assert latest("Heron estate").body["length_m"] == 4.75


def test_text_that_is_no_length_is_told_how_and_changes_nothing(page):
    sign_in(page, at="Seat")
    for typed in ("long", "4,,2", "4 miles", "--2"):
        type_length(page, "Wheelbase", typed)
        expect(page.get_by_text("like 25 cm")).to_be_visible()
        expect(page.get_by_role("button", name=re.compile("^Save vehicle"))).to_have_count(0)
        field(page, "Wheelbase").press("Escape")
        expect(field(page, "Wheelbase")).to_have_value("2.55 m")


def test_a_circle_counts_once_it_has_been_taped(page):
    sign_in(page, learner="Callum Dray", at="Seat")
    expect(page.get_by_text("part lock is assumed to be in proportion")).to_be_visible()
    page.get_by_role("button", name="Add a measured circle").click()
    expect(field(page, "New circle")).to_have_value("")
    expect(page.get_by_role("button", name=re.compile("^Save vehicle"))).to_have_count(0)
    type_length(page, "New circle", "20.6")
    expect(page.get_by_text("through 2 measured circles")).to_be_visible()
    page.get_by_role("button", name=re.compile("^Save vehicle")).click()
    expect(page.get_by_text("Vehicle: revision 2")).to_be_visible()
    assert latest("Sorrel crossover").body["steering"]["circles"] == [
        {"turns": 0.75, "kerb_circle_m": 20.6}
    ]


def test_the_eye_is_moved_and_the_cue_moves_with_it(page):
    sign_in(page, learner="Nia Solberg")
    calls(page).nth(1).click()
    cue = page.get_by_role("heading", name=re.compile("^Call 2")).locator("..")
    before = cue.inner_text()
    station(page, "Seat")
    field(page, "Above the ground").first.fill("131 cm")
    field(page, "Behind front axle").first.fill("1.5")
    field(page, "Behind front axle").first.press("Enter")
    page.get_by_role("button", name=re.compile("^Save seat")).click()
    expect(page.get_by_text(re.compile("^Seat: revision 2"))).to_be_visible()
    station(page, "Cues")
    calls(page).nth(1).click()
    expect(cue).not_to_have_text(before)


def test_changes_made_in_a_hurry_are_all_kept(page):
    """Three changes one after another, none waiting for the other's answer."""
    sign_in(page, ground="Weir Road", at="Ground")
    type_length(page, "Road width", "8.2")
    page.get_by_role("button", name="Park a vehicle behind").click()
    type_length(page, "Wheels off the kerb", "30")
    expect(field(page, "Gap")).to_be_visible()
    # Saved while the core is still at it: what was typed last is saved too.
    saved = latest("Weir Road, one-way, kerb right").number + 1
    held = Held(page, "**/api/grounds/adjust")
    with page.expect_request("**/api/grounds/adjust"):
        type_length(page, "Gap", "8.1 m")
    page.get_by_role("button", name=re.compile("^Save ground")).click()
    held.let_go()
    expect(page.get_by_text(re.compile(f"^Ground: revision {saved}"))).to_be_visible()
    body = latest("Weir Road, one-way, kerb right").body
    assert body["road_width_m"] == 8.2
    assert body["goal"]["kerb_m"] == 0.3
    assert body["goal"]["behind"]
    expect(field(page, "Gap")).to_have_value("8.10 m")


def test_handles_move_what_they_are_on_by_mouse_and_by_key(page):
    sign_in(page, ground="Mill Lane", at="Ground")
    gap = field(page, "Gap")
    expect(gap).to_have_value("7.40 m")
    handle = page.get_by_role("slider", name=re.compile("behind", re.IGNORECASE)).first
    handle.focus()
    page.keyboard.press("ArrowLeft")
    expect(gap).to_have_value("7.45 m")
    drawing = page.get_by_role("img", name=re.compile("to scale", re.IGNORECASE)).first
    scale = float(drawing.get_attribute("data-scale"))
    box = handle.bounding_box()
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x - 0.5 * scale, y, steps=6)
    page.mouse.up()
    expect(gap).to_have_value("7.95 m")
    page.get_by_role("button", name="Discard").click()
    expect(gap).to_have_value("7.40 m")


def test_the_kerb_changes_sides_and_back(page):
    sign_in(page, ground="Station Approach", at="Ground")
    page.get_by_role("button", name="Kerb right").click()
    expect(page.get_by_role("button", name="Kerb right")).to_have_attribute("aria-pressed", "true")
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_role("button", name="Kerb left")).to_have_attribute("aria-pressed", "true")
    expect(page.get_by_role("button", name=re.compile("^Save ground"))).to_have_count(0)


def test_a_measure_out_of_reason_is_told_and_not_taken(page):
    sign_in(page, ground="Quay Street", at="Ground")
    type_length(page, "Road width", "1 m")
    expect(page.get_by_role("alert")).to_contain_text("must be between 3 m and 40 m")
    expect(page.get_by_role("button", name=re.compile("^Save ground"))).to_have_count(0)


def test_a_keep_right_school_in_feet_parks_on_the_right(page):
    sign_in(page, TEODOR)
    choose(page, "Ground", "Gravel Lane")
    plan = page.get_by_role("img", name=re.compile("Plan of the manoeuvre"))
    expect(plan).to_contain_text(" in")
    # Three feet by the scale bar are three feet by the drawing's own scale.
    drawn = plan.locator("[data-scale-bar] path").evaluate("bar => bar.getBBox().width")
    assert drawn == pytest.approx(0.9144 * float(plan.get_attribute("data-scale")))
    ribbon = page.get_by_role("slider", name="Feet rolled")
    ribbon.press("ArrowRight")
    expect(ribbon).to_have_attribute("aria-valuenow", "0.33")
    station(page, "Ground")
    expect(page.get_by_role("button", name="Kerb right")).to_have_attribute("aria-pressed", "true")
    type_length(page, "Road width", "26 ft 3 in")
    page.get_by_role("button", name="Park a vehicle behind").click()
    type_length(page, "Gap", "17 ft")
    page.get_by_role("button", name=re.compile("^Save ground")).click()
    expect(page.get_by_text(re.compile("^Ground: revision 2"))).to_be_visible()
    station(page, "Cues")
    alert = page.get_by_role("alert")
    expect(alert).to_contain_text("It works with")
    told = alert.inner_text()
    assert re.search(r"\d in\b", told)
    assert " cm" not in told


def test_a_place_is_looked_at_and_the_answer_is_kept_with_it(page):
    sign_in(page, ground="Mill Lane", at="Ground")
    check = page.get_by_role("region", name="Is this a place to practise?")
    answer = check.get_by_role("status")
    expect(answer).to_have_text("Not known yet: look at the rest")
    check.get_by_label("Allowed here").click()
    page.get_by_role("option", name="no", exact=True).click()
    expect(answer).to_have_text("Not here")
    expect(check.get_by_role("listitem").first).to_contain_text("not allowed")
    page.get_by_role("button", name="Undo").click()
    type_length(page, "To the junction", "8 m")
    expect(check.get_by_role("listitem").first).to_contain_text(
        "8.00 m to the junction (15 m wanted)"
    )
    page.get_by_role("button", name=re.compile("^Save ground")).click()
    expect(page.get_by_text(re.compile("^Ground: revision"))).to_be_visible()
    assert latest("Mill Lane, between two").body["check"]["junction_m"] == 8.0


def test_a_place_that_was_looked_at_says_what_to_mind(page):
    sign_in(page, ground="Quay Street", at="Ground")
    check = page.get_by_role("region", name="Is this a place to practise?")
    expect(check.get_by_role("status")).to_have_text("It suits, with care")
    expect(check.get_by_role("listitem").first).to_contain_text("some traffic")
