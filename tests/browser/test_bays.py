"""Bays, from a new place to a moved cue; leaning, on the right, in feet and inches."""

import re

from faircorner.documents.library import methods
from playwright.sync_api import expect

from server.documents.models import Revision
from server.documents.services import create_document
from tests.browser.steps import (
    TEODOR,
    Held,
    choose,
    field,
    go_to,
    sign_in,
    station,
    step,
    take_sheet,
    type_length,
)
from tests.browser.test_methods import pick_method
from tests.server.conftest import PASSWORD, build_house


def drawing(page, name):
    return page.get_by_role("img", name=re.compile(name))


def test_a_new_bay_is_made_changed_and_driven(page):
    sign_in(page, learner="Yara Quill", at="Ground")
    page.get_by_label("Name of a new place").fill("Ropewalk yard")
    page.get_by_role("button", name="New bay").click()
    expect(page.get_by_role("button", name="Ground: Ropewalk yard")).to_be_visible()
    # The method and the standard of a kerb make room for those of a bay.
    expect(page.get_by_role("button", name=re.compile("^Method: .* bay$"))).to_be_visible()
    expect(page.get_by_role("button", name="Judged by: Ostrel bay test")).to_be_visible()
    type_length(page, "Aisle", "7.2")
    page.get_by_role("textbox", name="Angle, °").fill("60")
    page.keyboard.press("Enter")
    expect(page.get_by_text("made for nose in")).to_be_visible()
    page.get_by_role("button", name="wall", exact=True).click()
    expect(page.get_by_role("button", name="wall", exact=True)).to_have_attribute(
        "aria-pressed", "true"
    )
    page.get_by_role("button", name="Empty the bay beyond").click()
    expect(page.get_by_role("button", name="Park one in the bay beyond")).to_be_visible()
    expect(field(page, "Off the line")).to_have_count(1)
    page.get_by_role("button", name=re.compile("^Save ground")).click()
    expect(page.get_by_text(re.compile("^Ground: revision 2"))).to_be_visible()
    kept = Revision.objects.get(document__kind="ground", number=2, body__name="Ropewalk yard").body
    assert kept["goal"]["angle_deg"] == 60
    assert [o["name"] for o in kept["obstacles"]] == ["neighbour before", "wall"]
    pick_method(page, "Full-lock forward bay")
    station(page, "Cues")
    expect(page.get_by_role("button", name="Use this sheet and drive")).to_be_enabled()
    expect(drawing(page, "Plan of the manoeuvre, Ropewalk yard")).to_contain_text("near neighbour")
    expect(page.get_by_role("region", name="How near it passes")).to_contain_text(
        "body to the wall"
    )
    leaving = page.get_by_role("region", name="Leaving again")
    expect(leaving).to_contain_text(
        re.compile(r"Back .* straight before any wheel, then full lock")
    )
    # Nothing is asked about a kerb where there is none.
    expect(page.get_by_role("slider", name="Finish off the kerb")).to_have_count(0)


def test_an_angle_out_of_reason_is_told_and_changes_nothing(page):
    sign_in(page, ground="Harbour car park", at="Ground")
    page.get_by_role("textbox", name="Angle, °").fill("5")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("angle: must be between 30 and 150")
    expect(page.get_by_text(re.compile("^Ground: revision 1"))).to_be_visible()


def test_a_method_of_the_kerb_brings_a_kerb_along(page):
    sign_in(page, learner="Odile Marn")
    expect(page.get_by_role("button", name="Method: Full-lock reverse bay")).to_be_visible()
    # Before the places have come nobody knows which one a method would bring.
    held = Held(page, "**/documents?kind=ground*")
    page.get_by_role("button", name=re.compile("^Method:")).click()
    waiting = page.get_by_text("Fetching the methods")
    expect(waiting).to_be_visible()
    held.let_go()
    expect(waiting).to_have_count(0)
    page.keyboard.press("Escape")
    pick_method(page, "Lock to lock reverse park")
    expect(drawing(page, "Plan of the manoeuvre")).to_contain_text("footpath")
    expect(page.get_by_role("button", name="Judged by: Ostrel car test")).to_be_visible()


def test_the_hidden_bias_into_a_bay_is_found_and_let_be_where_it_does_no_harm(page):
    sign_in(page, learner="Odile Marn")
    expect(drawing(page, "Plan of the manoeuvre, Harbour")).to_be_visible()
    station(page, "Shift")
    advice = page.get_by_role("region", name="Advice")
    expect(advice).to_contain_text(re.compile("Call 1 comes (15|20) cm late"))
    expect(advice).to_contain_text("its cue may stay")
    expect(page.get_by_role("img", name="Tail to head line: bias and scatter")).to_be_visible()
    station(page, "Tape")
    expect(field(page, "Tail to head line")).to_have_value(re.compile(r"^[23]\d cm$"))
    type_length(page, "Rear wheel to line", "90")
    type_length(page, "Front wheel to line", "88")
    verdict = page.get_by_role("status", name="Verdict")
    expect(verdict).to_contain_text("Rear wheel to line")
    expect(verdict).to_contain_text("small fault")
    page.get_by_role("button", name="How to put it right").click()
    expect(page.get_by_text("bay's line, ").first).to_be_visible()


def test_a_leaning_bay_on_the_right_is_taped_in_feet_and_inches(page):
    sign_in(page, TEODOR, learner="Gerd Walsh")
    expect(drawing(page, "Plan of the manoeuvre, Kiln yard")).to_contain_text(" ft ")
    station(page, "Ground")
    expect(page.get_by_role("button", name="Bay right")).to_have_attribute("aria-pressed", "true")
    station(page, "Drive")
    expect(page.get_by_text("Line or stop touched")).to_be_visible()
    expect(page.get_by_text("Kerb mounted")).to_have_count(0)
    station(page, "Tape")
    expect(field(page, "Tyres to stop")).to_have_value(re.compile("in$"))
    expect(page.get_by_role("status", name="Verdict")).to_contain_text("Tyres to stop")


def test_two_methods_into_a_bay_are_compared_by_what_a_bay_has(page):
    sign_in(page, learner="Odile Marn")
    expect(drawing(page, "Plan of the manoeuvre, Harbour")).to_be_visible()
    page.get_by_role("button", name=re.compile("^Method:")).click()
    page.get_by_role("dialog").get_by_role("link", name="Compare two").click()
    tables = page.get_by_role("main").get_by_role("table")
    expect(tables).to_have_count(2)
    for table in (tables.first, tables.last):
        expect(table).not_to_contain_text("vehicle ahead")
    expect(tables.first).to_contain_text("Least width of bay that it can use")
    expect(tables.first).not_to_contain_text("none within reason")
    # Only methods that end in a bay are offered.
    page.get_by_role("combobox", name="Second method").click()
    known = [m for m in methods().values() if m.manoeuvre.startswith("bay")]
    expect(page.get_by_role("option")).to_have_count(len(known))


def test_a_bay_is_asked_only_what_matters_at_a_bay(page):
    sign_in(page, ground="Fish Hall", at="Ground")
    check = page.get_by_role("region", name="Is this a place to practise?")
    expect(check.get_by_label("Traffic")).to_be_visible()
    expect(check.get_by_label("To the junction", exact=True)).to_have_count(0)
    expect(check).not_to_contain_text("Room to pass")
    choose(page, "Ground", "Quay Street")
    expect(check.get_by_label("To the junction", exact=True)).to_be_visible()


def test_the_limits_of_a_bay_are_told_as_a_bays(page):
    sign_in(page, at="Standards")
    tables = page.get_by_role("table")
    kerb = tables.filter(has_text="Gap ahead").first
    bay = tables.filter(has_text="Front wheel to line").first
    expect(kerb).to_contain_text("Front wheel to kerb")
    expect(kerb).to_contain_text("Gap ahead")
    expect(bay).to_contain_text("Front wheel to line")
    expect(bay).to_contain_text("Room behind in the bay")
    expect(bay).not_to_contain_text("Front wheel to kerb")


def test_a_call_that_is_hidden_is_told_on_the_plan_and_in_drive_with_what_to_do(page, site):
    # A van out of which nobody sees anything, in a school of its own.
    house = build_house("shuttered")
    shut = {"glass": [], "mirrors": []}
    body = {**house.revisions["vehicle"].body, **shut, "name": "Shuttered van"}
    van = create_document(house.school, kind="vehicle", body=body)
    seat = create_document(
        house.school, kind="seat", body=house.revisions["seat"].body, vehicle_id=van.document_id
    )
    sign_in(page, ("lead@shuttered", PASSWORD))
    go_to(page, f"/drive?learner={house.members['learner'].pk}&seat={seat.document_id}")
    station(page, "Cues")
    warning = page.get_by_role("alert").filter(has_text="Hidden as the driver sits")
    warning.get_by_role("button", name="Call 1").click()
    calls = page.get_by_role("list", name="Calls")
    expect(calls).to_contain_text(re.compile("have somebody outside call “own tail .* short of"))
    take_sheet(page)
    step(page, 1)
    expect(page.get_by_text("However you lean, nothing shows")).to_have_count(1)
