"""Standards written, tried and judged by: in the editor, in Drive, on the tape."""

import re

from playwright.sync_api import expect

from server.documents.models import Revision
from server.lessons.models import Attempt
from tests.browser.steps import (
    TEODOR,
    desk,
    field,
    sign_in,
    so_far,
    step,
    type_length,
)


def editing(page, name):
    desk(page, "Standards")
    page.get_by_label("Look for").fill(name)
    expect(page.get_by_role("table")).to_have_count(1)
    page.get_by_role("button", name="Change or copy").click()


def line(within, name):
    return within.get_by_role("row").filter(has_text=name)


def pick(page, within, label, option):
    within.get_by_role("combobox", name=label).click()
    page.get_by_role("option", name=option, exact=True).click()


def test_a_standard_is_tried_before_it_is_kept(page):
    sign_in(page)
    editing(page, "Ostrel yard test")
    trying = page.get_by_role("region", name="Try it: these readings")
    verdict = trying.get_by_role("status")
    # All in order by every rule that it has, and nothing left open.
    expect(verdict).to_contain_text("Standard met")
    expect(verdict).to_contain_text("Points: 0, of 8 that are allowed.")
    expect(verdict).not_to_contain_text("not watched")
    type_length(page, "Front wheel to line", "10")
    expect(line(verdict, "Front wheel to line")).to_contain_text("small fault, points: 2")
    expect(line(verdict, "Front wheel to line")).to_contain_text("With 5 cm more: met.")
    trying.get_by_role("textbox", name="Line touched").fill("3")
    trying.get_by_role("textbox", name="Line touched").press("Enter")
    expect(line(verdict, "Line touched")).to_contain_text("2 × small fault, points: 2")
    pick(page, trying, "Brake set", "no")
    expect(verdict).to_contain_text("Because of 1 serious fault.")
    expect(line(verdict, "Brake set")).to_contain_text("Had it been so: met with small faults.")
    pick(page, trying, "Brake set", "not noted")
    expect(line(verdict, "Brake set")).to_contain_text("not watched")
    # What was judged by it so far would have fared otherwise, and stays as it was.
    before = list(Attempt.objects.order_by("pk").values_list("pk", "tape__verdict"))
    allowed = page.get_by_role("textbox", name="Points allowed")
    allowed.fill("0")
    allowed.press("Enter")
    page.get_by_role("button", name="Try it on past attempts").click()
    past = page.get_by_role("region", name="Past attempts")
    expect(past).to_contain_text(re.compile(r"Of \d+ attempts \d+ met it; as it stands here \d+"))
    allowed.fill("1")
    allowed.press("Enter")
    expect(past.get_by_text("changed since it was tried")).to_be_visible()
    page.get_by_role("button", name="Try it on past attempts").click()
    past.get_by_role("link").first.click()
    expect(page.get_by_role("status", name="Verdict")).to_contain_text("Ostrel yard test")
    assert list(Attempt.objects.order_by("pk").values_list("pk", "tape__verdict")) == before


def test_rules_of_every_kind_are_added_and_read_in_the_schools_units(page):
    sign_in(page, TEODOR)
    editing(page, "Bend county corner test")
    for label, option in (
        ("Limit another measure", "Furthest from the kerb on the way"),
        ("Judge a look by itself", "to the swing side"),
        ("Judge what is observed", "pull-up"),
        ("Ask for something at the end", "wheels turned for the hill"),
    ):
        pick(page, page, label, option)
    way = page.get_by_role("group", name="Furthest from the kerb on the way")
    small = way.get_by_role("group", name="Small fault outside")
    small.get_by_role("textbox", name="To").fill("3'4")
    small.get_by_role("textbox", name="To").press("Enter")
    pick(page, way, "When passed", "stop, go on forwards")
    pick(page, page.get_by_role("group", name="to the swing side"), "Then it is", "ends the test")
    pulled = page.get_by_role("group", name="pull-up")
    pick(page, pulled, "Phase", "execution")
    pulled = page.get_by_role("group", name="pull-up · execution")
    for label, value in (("How many free", "1"), ("Fails from … on", "3")):
        pulled.get_by_role("textbox", name=label).fill(value)
        pulled.get_by_role("textbox", name=label).press("Enter")
    page.get_by_label("Where the figures are from").fill("Bend county notice 7 (invented)")
    save = page.get_by_role("button", name=re.compile("^Save .* revision 2$"))
    save.click()
    # What was typed is a draft no more.
    expect(save).to_have_count(0)
    kept = Revision.objects.get(number=2, body__name="Bend county corner test").body
    assert kept["limits"][-1] == {
        "measure": "kerb_farthest_m", "small": [None, 1.016], "serious": None, "ends": None,
        "phase": None, "each": False, "points": 1, "passed": "go on forwards",
    }  # fmt: skip
    assert kept["looks"] == [
        {"look": "swing side", "when": "missed", "grade": "ends", "phase": None, "points": 1}
    ]
    assert kept["observed"] == [{"what": "pull-up", "grade": "small", "phase": "execution",
                                 "free": 1, "repeated": 3, "points": 1}]  # fmt: skip
    page.get_by_role("button", name="Change or copy").click()
    table = page.get_by_role("table")
    expect(line(table, "Furthest from the kerb on the way")).to_contain_text("at most 3 ft 4 in")
    expect(line(table, "Pull-up")).to_contain_text("at most 1 time3 times or more")
    expect(line(table, "Wheels turned for the hill")).to_contain_text("yes")


def test_what_a_standard_watches_is_noted_in_drive_and_judged_with_the_tape(page):
    sign_in(page, learner="Sanne Hook", at="Drive")
    page.get_by_role("button", name="Start the clock").click()
    step(page, 1)
    pad = page.get_by_role("group", name="Observed")
    pad.get_by_role("button", name="Dry steering").click()
    expect(so_far(page)).to_contain_text("dry steering · execution")
    step(page, 3)
    at_end = page.get_by_role("group", name="Must be so at the end")
    brake = at_end.get_by_role("button", name="brake set")
    for said in ("yes", "no", "not noted", "yes", "no"):
        brake.click()
        expect(brake).to_contain_text(said)
    page.get_by_role("button", name="Declare it done").click()
    for name in ("Front wheel to line", "Rear wheel to line"):
        type_length(page, name, "40")
    page.get_by_role("button", name="Keep the readings").click()
    verdict = page.get_by_role("status", name="Verdict")
    expect(verdict).to_contain_text("Not met")
    expect(line(verdict, "Brake set")).to_contain_text("serious")
    expect(line(verdict, "Dry steering")).to_contain_text("With 1 less")
    expect(line(verdict, "Gear set")).to_contain_text("not watched")
    expect(line(verdict, "Lost control")).to_contain_text("0 times")
    expect(line(verdict, "Gap beside")).to_contain_text("not watched")
    field(page, "Gap beside at the first stop").fill("2.10 m")
    field(page, "Gap beside at the first stop").press("Enter")
    page.get_by_role("button", name="Keep what was measured").click()
    expect(line(verdict, "Gap beside")).to_contain_text("With 50 cm less")
    expect(line(verdict, "Gap beside")).to_contain_text("Passed: begin again.")
    attempt = Attempt.objects.filter(cue_sheet__learner__name="Sanne Hook").latest("started")
    assert attempt.notes["at_end"] == {"brake set": False}
    assert {"line touched", "pull-up"} <= set(attempt.notes["watched"])
    assert attempt.notes_now["on_the_way"] == {"start_gap_m": 2.1}
    # Nobody else's figures rest on it.
    page.get_by_role("button", name="Spoilt by others").click()
    expect(page.get_by_role("button", name="Count it again")).to_be_visible()
