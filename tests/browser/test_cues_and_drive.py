"""The cue sheet read, tried and kept; the attempt noted by thumb and by key."""

import json
import re

import pytest
from faircorner.documents.driving import DriveRequest, drive_document
from playwright.sync_api import expect

from server.lessons.models import Attempt
from server.planning.models import CueSheet
from tests.browser.steps import (
    INES,
    MAREN,
    TEODOR,
    Held,
    call_came,
    calls,
    field,
    go_to,
    note_attempt,
    sign_in,
    so_far,
    start_over,
    station,
    step,
    take_sheet,
    type_length,
)


def ribbon(page):
    return page.get_by_role("slider", name="Metres rolled")


def vehicles_on(page):
    return page.get_by_role("img", name=re.compile("Plan of the manoeuvre")).locator(
        "[data-vehicle]"
    )


def test_pointing_along_the_ribbon_moves_the_car(page):
    sign_in(page)
    expect(vehicles_on(page).first).to_be_visible()
    still = vehicles_on(page).count()
    box = ribbon(page).bounding_box()
    places = []
    for share in (0.3, 0.6, 0.9):
        page.mouse.move(box["x"] + share * box["width"], box["y"] + 60)
        expect(vehicles_on(page)).to_have_count(still + 1)
        places.append(vehicles_on(page).last.bounding_box()["x"])
    # Reversing to the left of the drawing, further and further.
    assert places == sorted(places, reverse=True)
    page.mouse.move(box["x"] + 10, box["y"] - 200)
    expect(vehicles_on(page)).to_have_count(still)


def test_arrow_keys_roll_the_car_by_tens_of_centimetres(page):
    sign_in(page)
    ribbon(page).focus()
    for _ in range(7):
        page.keyboard.press("ArrowRight")
    expect(ribbon(page)).to_have_attribute("aria-valuenow", "0.7")
    page.keyboard.press("ArrowLeft")
    expect(ribbon(page)).to_have_attribute("aria-valuenow", "0.6")


def test_every_call_tells_where_to_look_and_what_breaks(page):
    sign_in(page)
    listed = calls(page)
    for number in range(listed.count()):
        listed.nth(number).click()
        expect(page.get_by_role("heading", name=re.compile(f"^Call {number + 1}"))).to_be_visible()
        expect(listed.nth(number)).to_contain_text(
            re.compile("early, |may come more than .* early")
        )
        expect(listed.nth(number)).to_contain_text(re.compile("late, |may come more than .* late"))


@pytest.mark.parametrize(
    ("person", "learner", "first", "last"),
    [
        (MAREN, "Sanne Hook", "own tail 4.50 m past the far line, 30 cm from the guide line",
         "40 cm between own tail and the head of the bay"),
        (TEODOR, "Rosa Denning", "own tail 5 ft 0 in past the parked vehicle's tail, 2 ft 11.5 in",
         "as soon as the wheels are straight"),
    ],
)  # fmt: skip
def test_where_to_stop_first_and_last_and_every_look_is_told(page, person, learner, first, last):
    sign_in(page, person, learner=learner)
    steps = page.get_by_role("list", name="Calls").get_by_role("listitem")
    expect(steps.first).to_contain_text(first)
    expect(steps.last).to_contain_text(last)
    if learner == "Sanne Hook":
        expect(steps.first).to_contain_text("all round: you are about to cover")
        expect(steps.first).to_contain_text("behind: you are about to cover")
        expect(steps.nth(1)).to_contain_text("off side: the nose swings out")
        expect(steps.nth(1)).to_contain_text("near side: the tail goes in")
        expect(page.locator("[data-eye='2']")).to_have_count(2)
    take_sheet(page)
    expect(page.get_by_text(f"From: {first}")).to_be_visible()
    cards = page.get_by_role("navigation", name="Steps").get_by_role("button")
    step(page, cards.count() - 2)
    expect(page.get_by_text(last)).to_be_visible()


def test_how_near_it_passes_is_told_for_everything(page):
    sign_in(page)
    near = page.get_by_role("region", name="How near it passes")
    for what in (
        "body to the vehicle parked ahead",
        "tyres to the kerb",
        "far kerb",
        "over the kerb",
    ):
        expect(near).to_contain_text(what)


def figures_set(request):
    """Which figures of the sheet a request for a plan sets; None for any other request."""
    if not request.url.endswith("/api/plan"):
        return None
    options = json.loads(request.post_data)["options"]
    return {name for name, value in options.items() if value}


def test_each_slider_plans_again_with_its_own_figure(page):
    sign_in(page, learner="Nia Solberg")
    missed = page.get_by_role("note").filter(
        has_text="Not as set: the gap to the vehicle ahead is 10 cm more"
    )
    expect(missed).to_contain_text(
        "a smaller gap would leave less than 30 cm to the vehicle parked ahead"
    )
    tried = []
    for name, key in (
        ("Gap at the start", "gap_m"),
        ("Angle of the run", "pinned"),
        ("Finish off the kerb", "kerb_m"),
        ("Hands, rolling", "turns_per_metre"),
    ):
        tried.append(key)
        # An answer that comes late may ask again with what was set before: that is not this one.
        with page.expect_request(lambda r: figures_set(r) == set(tried)):
            page.get_by_role("slider", name=name).press("ArrowRight")
    page.get_by_role("button", name="Undo changes").click()
    expect(page.get_by_role("button", name="Undo changes")).to_have_count(0)


def test_a_sheet_with_other_figures_is_kept_as_a_sheet_of_its_own(page):
    sign_in(page, learner="Yara Quill")
    before = CueSheet.objects.filter(learner__name="Yara Quill").count()
    page.get_by_role("slider", name="Finish off the kerb").press("ArrowRight")
    take_sheet(page)
    expect(page.get_by_role("button", name="Start the clock")).to_be_visible()
    sheets = CueSheet.objects.filter(learner__name="Yara Quill")
    assert sheets.count() == before + 1
    assert sheets.first().options == {"kerb_m": 0.3}


def test_the_exported_sheet_drives_again_in_the_core(page, tmp_path):
    sign_in(page)
    with page.expect_download() as download:
        page.get_by_role("button", name="Export").click()
    path = tmp_path / "sheet.json"
    download.value.save_as(path)
    sheet = json.loads(path.read_text("utf-8"))
    driven = drive_document(
        DriveRequest.read(
            {
                "vehicle": sheet["vehicle"],
                "start": sheet["plan"]["start"],
                "legs": sheet["plan"]["legs"],
            }
        )
    )
    for name in ("x_m", "y_m", "heading_deg"):
        assert driven["final"][name] == pytest.approx(sheet["plan"]["final"][name], abs=1e-3)


def test_the_sheet_is_printed_whole_with_every_picture_its_revisions_and_the_caution(page):
    sign_in(page)
    listed = calls(page).count()
    # Drawn once the plan is there.
    expect(page.get_by_role("img", name="Sight picture at call 1")).to_be_visible()
    # Chromium's own pages, as they leave for the printer.
    assert len(re.findall(rb"/Type\s*/Page\b", page.pdf(format="A4"))) == 2
    expect(page.get_by_role("navigation")).to_be_visible()
    page.emulate_media(media="print")
    expect(page.get_by_role("img", name=re.compile("^Sight picture"))).to_have_count(listed + 2)
    expect(page.get_by_role("img", name=re.compile("^Plan of the manoeuvre"))).to_be_visible()
    told = page.get_by_role("list", name="Calls").get_by_role("listitem")
    expect(told.first).to_contain_text("First stop")
    expect(told.first).to_contain_text("all round: you are about to")
    expect(told.last).to_contain_text("Last stop")
    revisions = page.get_by_text("Linnet hatch, revision 1")
    expect(revisions).to_contain_text("Quay Street, revision 1")
    expect(page.get_by_text(re.compile(r"^Printed \d+ \w+ \d{4}"))).to_be_visible()
    expect(page.get_by_text("Nobody stands behind a reversing vehicle")).to_be_visible()
    for unwanted in ("button", "slider", "navigation"):
        expect(page.get_by_role(unwanted)).to_have_count(0)
    page.emulate_media(media="screen")
    expect(page.get_by_role("button", name="Print")).to_be_visible()


# Collects the sentences handed to speech synthesis.
RECORD_SPEECH = """() => {
  window.spoken = [];
  speechSynthesis.speak = (said) => window.spoken.push(said.text);
}"""


@pytest.mark.parametrize(("person", "learner"), [(MAREN, "Bea Orrin"), (TEODOR, "Rosa Denning")])
def test_drive_shows_and_speaks_the_cues_of_the_cues_screen(page, person, learner):
    sign_in(page, person, learner=learner)
    cues = []
    for number in range(2):
        calls(page).nth(number).click()
        # Lines: number, instruction, place, how much wheel, cue.
        expect(calls(page).nth(number)).to_contain_text(re.compile("early"))
        cues.append(calls(page).nth(number).inner_text().split("\n")[3:5])
    assert all(wheel.startswith("Wheel ") for wheel, _ in cues), cues
    assert all(re.match("In the|Through", cue) for _, cue in cues), cues
    take_sheet(page)
    page.get_by_role("button", name="Start the clock").click()
    page.get_by_role("button", name="Noted so far, and").click()
    page.evaluate(RECORD_SPEECH)
    page.get_by_role("switch", name="Say the step in hand aloud").check()
    page.get_by_role("button", name="Close").click()
    hand = page.get_by_role("region", name="Step in hand")
    page.context.set_offline(True)
    for number, (wheel, cue) in enumerate(cues, 1):
        step(page, number)
        expect(hand).to_contain_text(cue)
        expect(hand).to_contain_text(wheel)
        picture = page.get_by_role("img", name=f"Sight picture at call {number}")
        expect(picture).to_be_visible()
        spoken = page.evaluate("window.spoken").pop()
        assert cue in spoken
        assert wheel in spoken
    page.context.set_offline(False)
    page.get_by_role("button", name="Noted so far, and").click()
    page.get_by_role("switch", name="Say the step in hand aloud").uncheck()
    page.get_by_role("button", name="Close").click()
    start_over(page)


def test_an_attempt_is_noted_by_keys_alone(page):
    sign_in(page, learner="Nia Solberg", at="Drive")
    page.get_by_role("button", name="Start the clock").wait_for()
    page.keyboard.press("Space")
    expect(page.get_by_role("button", name="Stop the clock")).to_be_visible()
    page.keyboard.press("d")
    expect(page.get_by_role("button", name=re.compile("^Look 1, .*: done$"))).to_be_visible()
    for key in ("ArrowDown", "ArrowLeft", "h"):
        page.keyboard.press(key)
    expect(so_far(page)).to_contain_text("Call 1: early")
    expect(so_far(page)).to_contain_text("Step 2 prompted")
    for _ in range(2):
        page.keyboard.press("u")
    expect(so_far(page)).not_to_contain_text("Call 1")
    # The step in hand is where it was before the call was noted.
    expect(page.get_by_role("group", name="Call 1")).to_be_visible()
    for key, group in (("PageDown", "Call 2"), ("PageUp", "Call 1")):
        page.keyboard.press(key)
        expect(page.get_by_role("group", name=group)).to_be_visible()
    page.keyboard.press("Space")
    expect(page.get_by_role("button", name="Start again")).to_be_visible()


def test_counts_never_go_below_nothing_and_reach_the_attempt(page):
    sign_in(page, learner="Tomas Reyl", at="Drive")
    page.get_by_role("button", name="Start the clock").click()
    fewer = page.get_by_role("button", name="Forward movements: one less")
    expect(fewer).to_be_disabled()
    more = page.get_by_role("button", name="Forward movements: one more")
    more.click()
    more.click()
    fewer.click()
    pad = page.get_by_role("group", name="Observed")
    for _ in range(3):
        pad.get_by_role("button", name="Kerb touched").click()
    so_far(page).get_by_role("button", name="it was not so").first.click()
    # What is not on the pad is one tap farther.
    pad.get_by_role("button", name="More").click()
    page.get_by_role("dialog").get_by_role("button", name="Dry steering").click()
    step(page, 1)
    pad.get_by_role("button", name="Stalled").click()
    page.get_by_role("button", name="Done: go and tape").click()
    expect(field(page, "Front wheel to kerb")).to_be_visible()
    newest = Attempt.objects.filter(cue_sheet__learner__name="Tomas Reyl").last()
    counted = ("forward_movements", "kerb_touches", "kerb_mounts", "vehicle_touches")
    assert [newest.notes[name] for name in counted] == [1, 2, 0, 0]
    seen = [(one["what"], one["phase"], one["step"]) for one in newest.notes["observed"]]
    assert seen == [("kerb touched", "start", 0)] * 2 + [
        ("dry steering", "start", 0), ("stalled", "execution", 1)
    ]  # fmt: skip


def test_the_clock_starts_by_a_rule_counts_down_and_takes_no_stray_touch(page):
    sign_in(page, learner="Sanne Hook", at="Drive")
    clock, menu = page.get_by_role("timer"), page.get_by_role("button", name="Noted so far, and")
    expect(clock).to_have_text("0:00")
    menu.click()
    for option in ("The clock starts once", "Count down"):
        page.get_by_role("switch", name=re.compile(option)).check()
    page.get_by_role("button", name="Close").click()
    given = next(limit["small"][1] for limit in CueSheet.objects.filter(
        learner__name="Sanne Hook").latest("used").standard.body["limits"]
        if limit["measure"] == "seconds")  # fmt: skip
    expect(clock).to_have_text(f"{given // 60:.0f}:{given % 60:02.0f}")
    page.get_by_role("button", name="Indicator on").click()
    expect(page.get_by_role("button", name="Done: go and tape")).to_be_disabled()
    page.get_by_role("button", name="Reverse chosen").click()
    expect(page.get_by_role("button", name="Stop the clock")).to_be_visible()
    menu.click()
    page.get_by_role("button", name="Lock the screen").click()
    lock = page.get_by_role("dialog", name="Locked against stray touches")
    stalled = page.get_by_role("button", name="Stalled", include_hidden=True).bounding_box()
    page.mouse.click(stalled["x"] + 9, stalled["y"] + 9)
    lock.get_by_role("button", name="Hold to unlock").hover()
    page.mouse.down()
    expect(lock).to_have_count(0)
    page.mouse.up()
    expect(so_far(page)).to_have_count(0)
    start_over(page)
    menu.click()
    for option in ("The clock starts once", "Count down"):
        page.get_by_role("switch", name=re.compile(option)).uncheck()


def test_starting_over_forgets_the_attempt_and_keeps_nothing(page):
    sign_in(page, learner="Tomas Reyl")
    before = Attempt.objects.count()
    station(page, "Drive")
    page.get_by_role("button", name="Start the clock").click()
    call_came(page, 1, "late")
    start_over(page)
    expect(page.get_by_role("button", name="Start the clock")).to_be_visible()
    expect(page.get_by_role("button", name="Done: go and tape")).to_be_disabled()
    assert Attempt.objects.count() == before


BOXES = "buttons => buttons.map((button) => button.getBoundingClientRect().toJSON())"


@pytest.mark.parametrize(("width", "height"), [(1280, 800), (820, 1180), (390, 844)])
def test_all_of_drive_is_large_enough_for_a_thumb_and_needs_no_scrolling(open_page, width, height):
    page = open_page(width, height)
    sign_in(page)
    go_to(page, "/drive")
    page.get_by_role("button", name="Start the clock").wait_for()
    main = page.get_by_role("main").bounding_box()
    foot = main["y"] + main["height"]
    cards = page.get_by_role("navigation", name="Steps").get_by_role("button")
    for card in range(cards.count()):
        step(page, card)
        boxes = page.locator("main button").evaluate_all(BOXES)
        small = [box for box in boxes if min(box["width"], box["height"]) < 44]
        hidden = [box for box in boxes if box["top"] < main["y"] or box["bottom"] > foot]
        assert len(boxes) > 15
        assert (card, small, hidden) == (card, [], [])
        # What is in hand has the lower half.
        hand = page.get_by_role("region", name="Step in hand").bounding_box()
        assert hand["height"] > 0.48 * main["height"]
        assert foot - hand["y"] - hand["height"] < 20


def test_what_was_noted_survives_a_server_that_fails(page):
    """It waits when sending fails, and is sent again and stored once."""
    sign_in(page, learner="Bea Orrin")
    before = Attempt.objects.count()
    station(page, "Drive")
    page.get_by_role("button", name="Start the clock").click()
    call_came(page, 2, "late")
    page.route("**/api/attempts", lambda route: route.abort())
    page.get_by_role("button", name="Done: go and tape").click()
    expect(page.get_by_label("Attempt")).to_contain_text("not sent yet")
    assert Attempt.objects.count() == before
    page.unroute("**/api/attempts")
    expect(page.get_by_label("Attempt")).to_contain_text("not taped yet")
    assert Attempt.objects.count() == before + 1


def test_readings_typed_and_not_kept_survive_a_reload(page):
    sign_in(page, learner="Nia Solberg")
    note_attempt(page)
    type_length(page, "Front wheel to kerb", "28")
    type_length(page, "Rear wheel to kerb", "0.3 m")
    expect(page.get_by_role("status", name="Verdict")).to_contain_text("Standard met")
    held = Held(page, "**/preview")
    page.reload()
    expect(field(page, "Front wheel to kerb")).to_have_value("28 cm")
    expect(field(page, "Rear wheel to kerb")).to_have_value("30 cm")
    # A finger may be on its way to the button just when the verdict comes.
    spoilt = page.get_by_role("button", name="Spoilt by others")
    before = spoilt.bounding_box()
    held.let_go()
    expect(page.get_by_role("status", name="Verdict")).to_be_visible()
    assert spoilt.bounding_box() == before
    spoilt.click()
    expect(page.get_by_role("button", name="Count it again")).to_be_visible()


def test_notes_are_put_right_afterwards_and_the_first_stay(page):
    sign_in(page, learner="Callum Dray")
    note_attempt(page)
    for label in ("Front wheel to kerb", "Rear wheel to kerb"):
        type_length(page, label, "25")
    verdict = page.get_by_role("status", name="Verdict")
    expect(verdict).to_contain_text("Nobody noted, so neither done nor missed: all round before")
    page.get_by_role("button", name="Keep the readings").click()
    expect(page.get_by_role("link", name="Drive again")).to_be_visible()
    page.get_by_role("button", name="Put right").click()
    dialog = page.get_by_role("dialog", name="Put the notes right")
    look = dialog.get_by_role("group", name="Look 1, all round")
    look.get_by_role("button", name="prompted").click()
    look.get_by_role("button", name="prompted").click()
    look.get_by_role("button", name="missed").click()
    # Nothing that is pressed goes with the page.
    page.reload()
    page.get_by_role("button", name="Put right").click()
    expect(look.get_by_role("button", name="missed")).to_have_attribute("aria-pressed", "true")
    dialog.get_by_role("button", name="Keep the notes").click()
    expect(dialog).to_have_count(0)
    noted = page.get_by_role("region", name="Noted while driving")
    expect(noted.get_by_role("listitem").first).to_have_text("all round: missed")
    expect(verdict.get_by_role("row", name="Looks missed")).to_contain_text("small fault")
    before = noted.get_by_role("group")
    before.get_by_text("Before: noted by Maren Holt").click()
    expect(before.get_by_role("listitem").first).to_have_text("all round: not noted")


def test_a_learner_looks_and_changes_nothing(page):
    sign_in(page, INES)
    expect(page.get_by_role("button", name=re.compile("sheet and drive"))).to_have_count(0)
    station(page, "Seat")
    expect(field(page, "Length")).not_to_be_editable()
    station(page, "Ground")
    expect(page.get_by_role("button", name="Kerb right")).to_be_disabled()
    station(page, "Drive")
    expect(page.get_by_text("Your instructor notes attempts here")).to_be_visible()
    station(page, "Shift")
    expect(page.get_by_role("button", name="Learner: Ines Varga")).to_be_visible()
    expect(page.get_by_role("button", name="Move the cue")).to_have_count(0)


def test_a_finish_too_far_out_is_shown_how_to_be_put_right(page):
    sign_in(page, learner="Nia Solberg")
    note_attempt(page)
    type_length(page, "Front wheel to kerb", "62")
    type_length(page, "Rear wheel to kerb", "66")
    type_length(page, "Gap ahead", "1.3")
    drawn = page.get_by_role("img", name="Where it ended, to scale").locator("[data-vehicle]")
    expect(page.get_by_role("status", name="Verdict")).to_contain_text("Not met")
    count = drawn.count()
    page.get_by_role("button", name="How to put it right").click()
    card = page.get_by_role("region", name="How to put it right")
    expect(card.get_by_role("listitem").first).to_contain_text("full lock")
    expect(drawn).to_have_count(count + 1)
    card.get_by_role("button", name="Close").click()
    expect(drawn).to_have_count(count)


@pytest.mark.parametrize(("by", "said"), [("ArrowRight", "late"), ("ArrowLeft", "early")])
def test_a_call_early_or_late_is_played_on_the_plan(page, by, said):
    sign_in(page)
    panel = page.get_by_role("region", name="What if")
    calls(page).nth(2).click()
    expect(panel).to_contain_text("What if call 3 comes…on time")
    plan = page.get_by_role("img", name=re.compile("Plan of the manoeuvre"))
    expect(plan.locator("[data-played]")).to_have_count(0)
    slider = panel.get_by_role("slider", name="Early or late")
    for _ in range(3):
        slider.press(by)
    expect(panel).to_contain_text(f"15 cm {said}")
    expect(plan.locator("[data-played]")).to_have_count(1)
    expect(panel.get_by_role("status")).to_contain_text(re.compile("It ends|Then "))
    # Another call begins on time again.
    calls(page).nth(1).click()
    expect(panel).to_contain_text("What if call 2 comes…on time")
    expect(plan.locator("[data-played]")).to_have_count(0)
