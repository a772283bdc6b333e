"""The measuring session: the walk round a vehicle, an estimated eye, marks of one's own."""

import re

from django.contrib.auth.models import User
from playwright.sync_api import expect

from server.documents.models import Document
from server.schools.models import Member, Role, School
from tests.browser.steps import MAREN, field, sign_in, station, take_sheet


def type_in(page, label, text):
    field(page, label).fill(text)
    field(page, label).press("Enter")


def test_a_walk_leads_from_measure_to_measure_and_names_a_slip(page):
    sign_in(page, MAREN, at="Garage")
    page.get_by_role("button", name="Measure a new vehicle").click()
    expect(page.get_by_role("heading", name="1 of 11 · Width")).to_be_visible()
    type_in(page, "Width", "1.80")
    expect(page.get_by_role("heading", name="2 of 11 · Front overhang")).to_be_visible()
    expect(field(page, "Front overhang")).to_be_focused()
    type_in(page, "Front overhang", "0.85")
    expect(field(page, "Front track")).to_be_focused()
    # The same walk goes to heights, on the drawing from the side.
    page.get_by_role("button", name=re.compile("^5 · Window sill height")).click()
    expect(field(page, "Window sill height")).to_be_focused()
    type_in(page, "Window sill height", "0.95")
    expect(field(page, "Wheelbase")).to_be_focused()
    type_in(page, "Circle at full lock", "5.2")
    slip = page.get_by_role("alert").filter(has_text="looks like the radius")
    expect(slip).to_contain_text("10.40 m")
    slip.get_by_role("button", name="Take it").click()
    expect(field(page, "Circle at full lock")).to_have_value("10.40 m")
    expect(slip).to_have_count(0)
    page.get_by_role("button", name="From three chalk marks").last.click()
    type_in(page, "Between the outer marks", "6")
    type_in(page, "Middle off their line", "1")
    expect(page.get_by_text("10.00 m across, to 11 cm")).to_be_visible()
    page.get_by_role("dialog").get_by_role("button", name="Take it").click()
    expect(field(page, "Circle at full lock")).to_have_value("10.00 m")


def test_a_learner_without_a_seat_is_told_so_and_one_is_measured_for_them(page):
    school = School.objects.get(name__startswith="Tidewell")
    user = User.objects.create_user("nobody-sits-here")
    learner = Member.objects.create(
        school=school, user=user, name="Ada Unmeasured", role=Role.LEARNER
    )
    sign_in(page, MAREN, learner="Ada Unmeasured")
    told = page.get_by_role("alert").filter(has_text="Ada Unmeasured has no seat measured")
    expect(told).to_be_visible()
    # Driving in another's seat does not make it theirs: it is told where the cue is, and stays.
    take_sheet(page)
    hand = page.get_by_role("region", name="Step in hand")
    expect(hand).to_contain_text("Ada Unmeasured has no seat measured")
    station(page, "Cues")
    expect(page.get_by_role("list", name="Calls")).to_be_visible()
    told.get_by_role("button", name="Measure their seat").click()
    dialog = page.get_by_role("dialog")
    dialog.get_by_role("textbox", name="Name of the seat").fill("Ada, seat 2")
    dialog.get_by_role("button", name="From how tall").click()
    type_in(page, "How tall", "1.62")
    expect(dialog.get_by_role("status")).to_contain_text("Estimated from the body, not measured.")
    dialog.get_by_role("button", name="Keep the seat").click()
    expect(page.get_by_role("button", name=re.compile("Ada, seat 2"))).to_be_visible()
    expect(told).to_have_count(0)
    note = page.get_by_role("note").filter(has_text="Estimated from the body, not measured.")
    expect(note).to_be_visible()
    # What is not sure of the eye is told with the cue, and is gone once the tape has said it.
    station(page, "Seat")
    expect(
        page.get_by_text("Estimated from the body, not measured. Known to 6 cm.")
    ).to_be_visible()
    panel = page.get_by_role("heading", name="Facing forward").locator("..")
    for label, value in (("Above the ground", "1.19"), ("Behind front axle", "1.32"),
                         ("Right of the middle", "0.36")):  # fmt: skip
        read = panel.get_by_role("textbox", name=label)
        read.fill(value)
        read.press("Enter")
    expect(page.get_by_text("Taped. Known to 2 cm.")).to_be_visible()
    # Nobody else meets them.
    Document.objects.filter(sitter=learner).update(away=True)
    user.is_active = False
    user.save()


def test_a_place_is_replaced_by_the_tape_and_a_mark_of_ones_own_put_down(page):
    sign_in(page, MAREN, learner="Ines Varga", at="Seat")
    part = page.get_by_role("combobox", name="Part")
    part.click()
    page.get_by_role("option", name="B-pillar, left").click()
    expect(page.get_by_text("measured", exact=True)).to_be_visible()
    up = page.get_by_role("slider", name="B-pillar, left: Above the ground")
    before = float(up.get_attribute("aria-valuenow"))
    up.press("ArrowUp")
    expect(up).to_have_attribute("aria-valuenow", f"{before + 0.01:.2f}".rstrip("0"))
    page.get_by_role("button", name="Discard").first.click()
    expect(up).to_have_attribute("aria-valuenow", f"{before:.2f}".rstrip("0"))
    page.get_by_role("button", name="Put down a mark of your own").click()
    page.get_by_role("textbox", name="What it is called").fill("red sticker")
    page.get_by_role("combobox", name="Where it is").click()
    page.get_by_role("option", name="front door glass, left").click()
    page.get_by_role("button", name="Put it down").click()
    side = page.get_by_role("img", name=re.compile("from the side"))
    expect(side).to_contain_text("red sticker")
    expect(part).to_have_value("red sticker")
    page.get_by_role("button", name="Take it off").click()
    expect(side).not_to_contain_text("red sticker")
    page.get_by_role("button", name="Discard").first.click()


def test_a_mirror_and_a_camera_are_added_sized_dragged_and_taken_off(page):
    sign_in(page, MAREN, learner="Callum Dray", at="Seat")
    page.get_by_role("button", name="Add a mirror").click()
    page.get_by_label("Mirror to add").click()
    page.get_by_role("option", name="left spot mirror").click()
    page.get_by_role("button", name="Put it down").click()
    part = page.get_by_role("combobox", name="Part")
    expect(part).to_have_value("left spot mirror")
    parts = page.get_by_role("heading", name="Marks, glass and mirrors").locator("..").locator("..")
    expect(parts.get_by_text("assumed, as usual for the body")).to_be_visible()
    expect(parts.get_by_text("Turns with the left door mirror.")).to_be_visible()
    expect(field(page, "Glass, width")).to_have_value("5 cm")
    type_in(page, "Glass, width", "6")
    expect(parts.get_by_text("assumed, as usual for the body")).to_have_count(0)
    # From above it is taken hold of as it is from the side.
    handle = page.get_by_role("slider", name=re.compile("left spot mirror: Left of the middle"))
    before = field(page, "Left of the middle").input_value()
    handle.focus()
    page.keyboard.press("ArrowUp")
    page.keyboard.press("ArrowUp")
    expect(field(page, "Left of the middle")).not_to_have_value(before)
    page.get_by_role("button", name="Add a rear camera").click()
    expect(field(page, "Takes in, °")).to_have_value("130")
    page.get_by_role("button", name="What is seen").click()
    expect(page.get_by_role("heading", name="left spot mirror")).to_be_visible()
    expect(page.get_by_text(re.compile("^The rear camera shows the ground from"))).to_be_visible()
    # What is stuck to a mirror comes off with it.
    part.click()
    page.get_by_role("option", name="left door mirror", exact=True).click()
    parts.get_by_role("button", name="Take it off").first.click()
    expect(page.get_by_role("heading", name="left spot mirror")).to_have_count(0)
    expect(page.get_by_role("heading", name="right door mirror")).to_be_visible()
    page.get_by_role("button", name="Discard").first.click()
