"""What is seen: pictures of every stop, cues to choose among, the ground from the seat."""

import re
from xml.etree import ElementTree

from playwright.sync_api import expect
from pypdf import PdfReader

from server.lessons.models import Attempt
from server.planning.models import CueSheet
from tests.browser.steps import (
    INES,
    MAREN,
    TEODOR,
    calls,
    go_to,
    sign_in,
    so_far,
    station,
    step,
    take_sheet,
)


def picture(page, name):
    return page.get_by_role("img", name=f"Sight picture at {name}")


def test_every_stop_has_its_picture_beside_the_calls_and_the_first_and_last_are_told(page):
    sign_in(page, MAREN, learner="Ines Varga")
    listed = page.get_by_role("list", name="Calls").get_by_role("button")
    listed.first.click()
    expect(picture(page, "the first stop")).to_be_visible()
    expect(listed.first).to_contain_text(re.compile("In the .*, the corner of the parked vehicle"))
    for number in range(calls(page).count()):
        calls(page).nth(number).click()
        expect(picture(page, f"call {number + 1}")).to_be_in_viewport()
    listed.last.click()
    expect(picture(page, "the last stop")).to_be_in_viewport()


def test_another_cue_is_chosen_kept_with_the_sheet_and_given_back(page):
    sign_in(page, MAREN, learner="Ines Varga")
    calls(page).nth(1).click()
    told = page.get_by_role("heading", name=re.compile("^Call 2")).locator("..")
    expect(picture(page, "call 2")).to_be_visible()
    page.get_by_role("button", name=re.compile("other cues? show")).click()
    listed = page.get_by_role("radiogroup", name="Cues to choose from").get_by_role("radio")
    options = page.get_by_role("radiogroup", name="Cues to choose from").locator("label")
    sentence = options.nth(1).inner_text().split(".")[0].strip()
    listed.nth(1).check()
    expect(told.get_by_text(f"{sentence}.", exact=True).first).to_be_visible()
    expect(told).to_contain_text("Chosen instead of the sharpest")
    take_sheet(page)
    expect(page.get_by_role("heading", name="Drive", level=1)).to_be_attached()
    station(page, "Cues")
    calls(page).nth(1).click()
    expect(told).to_contain_text("Chosen instead of the sharpest")
    page.get_by_role("button", name="Take the sharpest again").click()
    expect(told).not_to_contain_text("Chosen instead")
    # The next test finds the sheet as it was.
    CueSheet.objects.filter(options__has_key="picks").delete()


def test_a_cue_used_at_its_mark_is_played_where_it_stops_the_car(page):
    sign_in(page, MAREN, learner="Ines Varga")
    calls(page).nth(1).click()
    page.get_by_role("button", name=re.compile("other cues? show")).click()
    expect(page.get_by_text("Used exactly at its mark it stops the car").first).to_be_visible()
    page.get_by_role("button", name="How that ends").first.click()
    panel = page.get_by_role("region", name="What if")
    expect(panel).to_contain_text(re.compile("What if call 2 comes….* (early|late)"))


def test_the_picture_rolls_along_with_the_ribbon(page):
    sign_in(page, TEODOR)
    shown = picture(page, "call 1")
    expect(shown).to_be_visible()
    before = shown.inner_html()
    ribbon = page.get_by_role("slider", name=re.compile("rolled$"))
    ribbon.focus()
    ribbon.press("End")
    expect(ribbon).not_to_have_attribute("aria-valuenow", "0")
    expect(shown.locator("circle")).to_have_count(0)
    assert shown.inner_html() != before


def test_the_near_mirror_is_dipped_and_told_at_the_first_stop_and_the_last(page):
    sign_in(page, TEODOR)
    listed = page.get_by_role("list", name="Calls").get_by_role("button")
    expect(listed.first).not_to_contain_text("dip mirror")
    page.get_by_role("checkbox", name="Near mirror dipped").check()
    expect(listed.first).to_contain_text("dip mirror: the near mirror down to the rear tyre")
    expect(listed.last).to_contain_text("restore mirror: the near mirror back, before you drive on")
    page.get_by_role("checkbox", name="Near mirror dipped").uncheck()
    expect(listed.first).not_to_contain_text("dip mirror")


def test_a_mirror_that_is_dipped_and_set_back_is_noted_like_any_look(page):
    sign_in(page, MAREN)
    # Which of her sheets was driven last hangs on what others have driven meanwhile.
    corner = CueSheet.objects.filter(learner__name="Joss Amber", ground__body__goal__kind="corner")
    at_hand = corner.earliest("pk")
    go_to(page, f"/lesson?learner={at_hand.learner_id}&sheet={at_hand.pk}")
    station(page, "Cues")
    page.get_by_role("checkbox", name="Near mirror dipped").check()
    # What of it somebody has revised meanwhile is brought up to date with it.
    take_sheet(page)
    page.get_by_role("button", name="Start the clock").click()
    looks = CueSheet.objects.filter(options__dipped=True).latest("pk").plan["looks"]
    for look, taps in (("dip mirror", 1), ("restore mirror", 3)):
        at = next(one["step"] for one in looks if one["look"] == look)
        # What is looked after before one drives on belongs to leaving.
        step(page, at + 1 if look == "restore mirror" else at)
        for _ in range(taps):
            page.get_by_role("button", name=re.compile(f"^Look \\d+, {look}")).click()
    expect(so_far(page)).to_contain_text("restore mirror: missed")
    page.get_by_role("button", name="Done: go and tape").click()
    noted = page.get_by_role("region", name="Noted while driving")
    expect(noted.get_by_text("dip mirror: done")).to_be_visible()
    expect(noted.get_by_text("restore mirror: missed")).to_be_visible()
    attempt = Attempt.objects.get(cue_sheet__options__dipped=True)
    assert attempt.notes["looks"][-2:] == ["done", "missed"]
    sheet = attempt.cue_sheet
    attempt.delete()
    sheet.delete()


def test_both_mirrors_stand_side_by_side_where_the_eyes_change_over(page):
    sign_in(page, MAREN, learner="Odile Marn")
    calls(page).first.click()
    expect(page.get_by_text("Now: left door mirror")).to_be_visible()
    expect(page.get_by_text("Then, for the next stop: right door mirror")).to_be_visible()
    page.get_by_role("button", name="Larger: Sight picture at call 1").click()
    large = page.get_by_role("dialog", name="Sight picture at call 1")
    expect(large.get_by_role("img", name=re.compile("^Sight picture"))).to_have_count(2)
    large.get_by_role("button", name="Close").click()
    expect(large).to_have_count(0)


def test_the_ground_from_the_seat_its_mirrors_and_what_is_hidden_at_a_place(page):
    sign_in(page, MAREN, learner="Ines Varga", at="Seat")
    page.get_by_role("button", name="What is seen").click()
    ground = page.get_by_role("img", name=re.compile("^The ground round Linnet hatch as"))
    expect(ground).to_be_visible()
    expect(page.get_by_role("heading", name="left door mirror")).to_be_visible()
    expect(page.get_by_text("your own flank fills the inner sixth").first).to_be_visible()
    box = ground.bounding_box()
    page.mouse.move(box["x"] + 0.45 * box["width"], box["y"] + 0.5 * box["height"])
    # Just behind the tail nobody sees a small child.
    page.mouse.move(box["x"] + 0.36 * box["width"], box["y"] + 0.5 * box["height"])
    expect(page.get_by_text(re.compile("^What is up to .* tall is hidden here"))).to_be_visible()
    page.mouse.move(box["x"] + 0.9 * box["width"], box["y"] + 0.5 * box["height"])
    expect(page.get_by_text("Nothing is hidden here.")).to_be_visible()


def test_the_card_and_any_drawing_are_taken_along(page, tmp_path):
    sign_in(page, MAREN, learner="Ines Varga")
    page.get_by_role("button", name="Cue card (PDF)").click()
    with page.expect_download() as begun:
        page.get_by_role("menuitem", name="A5", exact=True).click()
    assert begun.value.suggested_filename == "cue-card-ines-varga.pdf"
    begun.value.save_as(tmp_path / "card.pdf")
    assert len(PdfReader(tmp_path / "card.pdf").pages) == 1
    with page.expect_download() as begun:
        page.get_by_role("button", name="Save this drawing (SVG): Plan of the manoeuvre").click()
    assert begun.value.suggested_filename == "plan-of-the-manoeuvre-quay-street.svg"
    begun.value.save_as(tmp_path / "plan.svg")
    # What stands in the file is what stands on the screen, whole.
    drawn = ElementTree.parse(tmp_path / "plan.svg").getroot()  # noqa: S314  our own
    shown = page.get_by_role("img", name="Plan of the manoeuvre").locator("path")
    assert len(drawn.findall(".//{http://www.w3.org/2000/svg}path")) == shown.count() > 20


def test_a_learner_comes_to_their_own_card_on_a_phone(open_page):
    page = open_page(390, 844, has_touch=True, is_mobile=True)
    sign_in(page, INES, by_hand=True)
    expect(page).to_have_url(re.compile("/card"))
    expect(page.get_by_role("heading", name="Straight-run reverse park", level=1)).to_be_visible()
    stops = page.get_by_role("list", name="Calls").get_by_role("listitem")
    expect(stops.first).to_contain_text("all round")
    expect(stops.first.get_by_role("img", name="Sight picture")).to_be_visible()
    expect(stops.last).to_contain_text("Last stop")
    for stop in stops.all()[1:-1]:
        expect(stop).to_contain_text(re.compile("In the .*stands|runs"))


def test_a_cue_is_pointed_out_and_a_step_is_taught_to_wait_for_one(page):
    sign_in(page, MAREN, learner="Ines Varga")
    calls(page).nth(0).click()
    told = page.get_by_role("heading", name=re.compile("^Call 1")).locator("..")
    expect(told).to_contain_text("In the front door glass")
    page.get_by_role("button", name=re.compile("other cues? show")).click()
    page.get_by_role("combobox", name="Seen in").click()
    page.get_by_role("option", name="left door mirror").click()
    page.get_by_role("combobox", name="Thing").click()
    page.get_by_role("option", name="corner of the parked vehicle").click()
    page.get_by_role("combobox", name="Mark").click()
    page.get_by_role("option", name="mirror's outer edge").click()
    expect(told).to_contain_text("In the left door mirror, the corner of the parked vehicle")
    in_mirror = page.locator("[role=radiogroup] > div").filter(has_text="In the left door mirror")
    in_mirror.get_by_role("button", name="Let the step wait for this").first.click()
    # The call comes where it stands at its mark, and says so.
    expect(page.get_by_role("combobox", name="Seen in").first).to_have_text("near door mirror")
    expect(calls(page).nth(0)).to_contain_text("is seen to meet the mirror's")
    page.get_by_role("button", name="Discard").first.click()
    expect(calls(page).nth(0)).not_to_contain_text("is seen to meet")
    page.get_by_role("button", name="Take the sharpest again").click()
    expect(told).to_contain_text("In the front door glass")
