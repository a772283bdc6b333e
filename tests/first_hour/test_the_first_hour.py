"""From an empty database to the first advice, and a learner let in: keeping right, in feet."""

import re

from playwright.sync_api import expect

from server.founding.services import new_key
from server.schools.models import School
from tests.browser.axe import found
from tests.browser.steps import field, note_attempt, station, type_length

# Steady hands that end 10 inches too far out and 4 feet too close ahead.
TAPED = [("1' 8", "1' 7", "2' 9"), ("1' 7", "1' 8", "2' 6"), ("1' 9", "1' 8", "2' 8"),
         ("1' 8", "1' 9", "2' 7"), ("1' 7", "1' 7", "2' 10"), ("1' 9", "1' 9", "2' 6")]  # fmt: skip


def drive_and_tape(page, readings):
    note_attempt(page)
    fields = ("Front wheel to kerb", "Rear wheel to kerb", "Gap ahead")
    for label, text in zip(fields, readings, strict=True):
        type_length(page, label, text)
    page.get_by_role("button", name="Keep the readings").click()
    expect(page.get_by_role("link", name="Drive again")).to_be_visible()


def test_a_school_begins_without_a_shell_and_lets_its_learner_in(page, open_page):
    page.goto(f"/begin?key={new_key()}")
    for label, text in (
        ("Name of the school", "Copper Bend Driving"), ("Your name", "Ada Fern"),
        ("Name to sign in with", "ada"), ("Password", "short"),
    ):  # fmt: skip
        page.get_by_label(label).fill(text)
    for label, chosen in (("Traffic keeps to the", "right"), ("Lengths in", "feet and inches")):
        page.get_by_label(label).click()
        page.get_by_role("option", name=chosen).click()
    page.get_by_role("button", name="Begin").click()
    expect(page.get_by_text("is too short")).to_be_visible()
    assert found(page) == []
    page.get_by_label("Password").fill("violet-harbour-9")
    page.get_by_role("button", name="Begin").click()

    expect(page.get_by_role("heading", name="Your first round")).to_be_visible()
    page.get_by_role("button", name="Keep the vehicle").click()
    expect(page.get_by_role("alert")).to_contain_text("Still to measure: Name of the vehicle")
    field(page, "Name of the vehicle").fill("Sparrow saloon")
    field(page, "Turns, straight to lock").fill("1.5")
    for label, text in (
        ("Circle at full lock", "36' 0"), ("Length", "15' 2"), ("Wheelbase", "8' 10"),
        ("Front overhang", "2' 11"), ("Width", "5' 11"), ("With mirrors", "5' 6"),
        ("Rear track", "5' 0"), ("Front track", "5' 1"),
    ):  # fmt: skip
        type_length(page, label, text)
    # A slip of the pen is told and put right where it stands.
    type_length(page, "Length", "1500' 2")
    expect(page.get_by_role("alert").filter(has_text="Length:")).to_be_visible()
    page.reload()
    type_length(page, "Length", "15' 2")
    expect(page.get_by_role("alert").filter(has_text="Length:")).to_have_count(0)
    # What cannot be is told by the name of its field, and what was typed is there after a reload.
    page.get_by_role("button", name="Keep the vehicle").click()
    expect(page.get_by_role("alert")).to_contain_text("With mirrors:")
    page.reload()
    type_length(page, "With mirrors", "6' 9")
    page.get_by_role("button", name="Keep the vehicle").click()
    field(page, "Name of the seat").fill("Milo, seat 4")
    for label, text in (
        ("Eye above the ground", "3' 11"), ("Eye behind the front axle", "4' 7"),
        ("Left of the vehicle's middle", "14"),
    ):  # fmt: skip
        type_length(page, label, text)
    assert found(page) == []
    page.get_by_role("button", name="Keep the seat").click()
    field(page, "Name of a new place").fill("Mill Street")
    page.get_by_role("button", name="New kerb").click()
    field(page, "Learner's name").fill("Milo Hart")
    page.get_by_role("button", name="Add a learner").click()

    # Who is new is shown the round once.
    expect(page.get_by_role("dialog", name="The round")).to_contain_text("type two to four tape")
    assert found(page) == []
    page.get_by_role("button", name="Go on").click()
    expect(page.get_by_role("list", name="Calls")).to_be_visible()
    page.reload()
    expect(page.get_by_role("list", name="Calls")).to_be_visible()
    expect(page.get_by_text("which nobody measured").first).to_be_visible()
    page.get_by_role("button", name="Use this sheet and drive").click()
    for readings in TAPED:
        drive_and_tape(page, readings)
    station(page, "Shift")
    advice = page.get_by_role("region", name="Advice")
    expect(advice).to_contain_text("They all miss one way, and no call early or late explains it")
    expect(page.get_by_text("6 attempts; 6 met all that the standard judges")).to_be_visible()
    station(page, "Seat")
    expect(page.get_by_text("Not measured, but as is usual for such a body")).to_be_visible()
    expect(page.get_by_role("button", name=re.compile("^Learner: Milo Hart"))).to_be_visible()
    assert School.objects.get().keeps == "right"
    # The address has done its work.
    page.goto(f"/begin?key={new_key()}")
    expect(page.get_by_text("This address has run out")).to_be_visible()

    # And the learner is let in by a link, on a phone, to what is theirs.
    page.goto("/people")
    milo = page.get_by_role("listitem").filter(has_text="Milo Hart")
    milo.get_by_role("button", name="Look after").click()
    milo.get_by_role("button", name="Link to sign in").click()
    link = milo.get_by_label("Their link").input_value()
    phone = open_page(390, 844)
    phone.goto(link)
    phone.get_by_label("Name to sign in with").fill("milo")
    phone.get_by_label("Password").fill("violet-harbour-7")
    phone.get_by_role("button", name="Sign in").click()
    phone.get_by_role("button", name="Go on").click()
    expect(phone.get_by_role("list", name="Calls")).to_be_visible()
    expect(phone.get_by_role("button", name="Use this sheet and drive")).to_have_count(0)
    for name, there in (("Tape", "Met, with small faults"), ("Shift", "They all miss one way")):
        station(phone, name)
        expect(phone.get_by_text(there).first).to_be_visible()
    again = open_page(390, 844)
    again.goto(link)
    expect(again.get_by_text("This link has run out")).to_be_visible()
    # Who comes no more is out at once.
    page.reload()
    milo.get_by_role("button", name="Look after").click()
    expect(milo.get_by_text("Signs in as milo.")).to_be_visible()
    # The progress line above loads later and moves the button; wait for it before pressing.
    expect(milo).to_contain_text("6 of 6 taped met the standard")
    milo.get_by_role("button", name="Comes no more").click()
    expect(page.get_by_text("Milo Hart comes no more.")).to_be_visible()
    page.get_by_label("Also who comes no more").check()
    expect(milo.get_by_text("no longer comes")).to_be_visible()
    phone.reload()
    expect(phone.get_by_role("button", name="Sign in")).to_be_visible()
