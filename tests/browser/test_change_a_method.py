"""A method copied and changed on the Cues station, with the drawing following each change."""

import re

from playwright.sync_api import expect

from server.documents.models import Document, Revision
from tests.browser.steps import INES, sign_in, take_sheet
from tests.browser.test_methods import pick_method


def editor(page):
    return page.get_by_role("region", name="Change this method")


def open_editor(page):
    page.get_by_role("button", name="Change this method").click()
    expect(editor(page)).to_be_visible()


def open_step(page, number):
    heading = editor(page).get_by_role("button", name=re.compile(rf"^{number}\. "))
    if heading.get_attribute("aria-expanded") == "false":
        heading.click()
    return heading


def pick(page, label, option):
    editor(page).get_by_label(label, exact=True).click()
    page.get_by_role("option", name=option, exact=True).click()


def steps(page):
    return editor(page).get_by_role("list", name="Steps").get_by_role("listitem")


def path_of(page):
    drawing = page.get_by_role("img", name=re.compile("Plan of the manoeuvre"))
    return drawing.locator("[data-vehicle='final'] > path").first


def test_an_amount_is_changed_and_the_drawing_follows_and_can_be_undone(page):
    sign_in(page, learner="Yara Quill")
    pick_method(page, "Straight-run reverse park")
    open_editor(page)
    open_step(page, 2)
    before = path_of(page).get_attribute("d")
    amount = editor(page).get_by_role("textbox", name="% of lock")
    amount.fill("70")
    amount.press("Enter")
    expect(path_of(page)).not_to_have_attribute("d", before)
    expect(page.get_by_role("button", name="Save the method first")).to_be_disabled()
    editor(page).get_by_role("button", name="Undo").click()
    expect(path_of(page)).to_have_attribute("d", before)
    assert Revision.objects.filter(document__kind="method", number__gt=1).count() == 0


def test_what_cannot_work_is_told_at_once_with_its_step(page):
    sign_in(page, learner="Yara Quill")
    pick_method(page, "Straight-run reverse park")
    open_editor(page)
    open_step(page, 2)
    amount = editor(page).get_by_role("textbox", name="% of lock")
    amount.fill("140")
    amount.press("Enter")
    alert = editor(page).get_by_role("alert")
    expect(alert).to_contain_text("step 2, share of lock: must be")
    editor(page).get_by_role("button", name="Undo").click()
    expect(alert).to_have_count(0)
    # Without the step that turns in, nothing ever comes near the kerb.
    editor(page).get_by_role("button", name="Remove").click()
    expect(alert).to_contain_text("never reaches what it waits for")
    editor(page).get_by_role("button", name="Discard").click()
    expect(steps(page)).to_have_count(5)


def test_steps_are_added_moved_and_reworded(page):
    sign_in(page)
    pick_method(page, "Straight-run reverse park")
    open_editor(page)
    open_step(page, 1)
    editor(page).get_by_role("button", name="Add a step after").click()
    expect(steps(page)).to_have_count(6)
    expect(steps(page).nth(1)).to_contain_text("Straight on")
    say = editor(page).get_by_role("textbox", name="What is said")
    say.fill("Stop, and look again")
    say.press("Enter")
    expect(steps(page).nth(1)).to_contain_text("Stop, and look again")
    editor(page).get_by_role("button", name="Earlier").click()
    expect(steps(page).nth(0)).to_contain_text("Stop, and look again")
    editor(page).get_by_role("button", name="nose").click()
    page.reload()
    expect(steps(page)).to_have_count(6)
    editor(page).get_by_role("button", name="Discard").click()


def test_a_copy_is_a_method_of_its_own_and_the_first_stays_as_it_was(page):
    sign_in(page, learner="Yara Quill")
    pick_method(page, "Lock to lock reverse park")
    open_editor(page)
    open_step(page, 2)
    steps = editor(page).get_by_role("list", name="Steps")
    steps.get_by_role("button", name="Leave it to the fit").click()
    expect(page.get_by_role("slider", name="Wheel")).to_be_visible()
    editor(page).get_by_label("Name of a copy").fill("Our own way")
    editor(page).get_by_role("button", name="Keep a copy").click()
    expect(page.get_by_role("button", name="Method: Our own way")).to_be_visible()
    copy = Revision.objects.get(body__name="Our own way")
    assert copy.number == 1
    assert copy.body["steps"][1]["wheel"]["of_lock"]["fit"] == "amount_1"
    first = Revision.objects.get(
        body__name="Lock to lock reverse park", document__school=copy.document.school
    )
    assert first.body["steps"][1]["wheel"]["of_lock"] == 1.0
    take_sheet(page)
    expect(page.get_by_role("button", name="Start the clock")).to_be_visible()
    assert Document.objects.filter(pk=copy.document_id, kind="method").exists()


def test_every_kind_of_waiting_can_be_chosen(page):
    sign_in(page)
    pick_method(page, "Straight-run reverse park")
    open_editor(page)
    open_step(page, 3)
    for until, then in (
        ("so many metres are rolled", "Rolled"),
        ("own point against a landmark", "Landmark"),
        ("own point so far from the kerb", "Own point"),
        ("something is seen: it passes a mark, or runs parallel", "What of it"),
        ("the tyres meet something, as it is felt", "What the tyres meet"),
        ("at an angle to the kerb", "Angle: fitted to the vehicle"),
    ):
        pick(page, "Until", until)
        expect(editor(page).get_by_text(then).first).to_be_visible()
    editor(page).get_by_role("button", name="Fix it").click()
    expect(editor(page).get_by_role("textbox", name="Degrees")).to_have_value("32")
    editor(page).get_by_role("button", name="Discard").click()


def test_a_learner_is_not_offered_to_change_a_method(page):
    sign_in(page, INES)
    expect(page.get_by_role("button", name="Change this method")).to_have_count(0)


def test_an_amount_can_be_told_in_turns_of_the_wheel_and_standing(page):
    sign_in(page, learner="Yara Quill")
    pick_method(page, "Straight-run reverse park")
    open_editor(page)
    open_step(page, 2)
    before = path_of(page).get_attribute("d")
    editor(page).get_by_role("button", name="In turns").click()
    turns = editor(page).get_by_role("textbox", name="Turns", exact=True)
    turns.fill("1.2")
    turns.press("Enter")
    expect(path_of(page)).not_to_have_attribute("d", before)
    turned = path_of(page).get_attribute("d")
    editor(page).get_by_label("Wheel turned standing").check()
    expect(path_of(page)).not_to_have_attribute("d", turned)
    turns.fill("3")
    turns.press("Enter")
    expect(editor(page).get_by_role("alert")).to_contain_text(
        "3 is beyond this vehicle's lock of 1.4 turns"
    )
    editor(page).get_by_role("button", name="Discard").click()
    expect(path_of(page)).to_have_attribute("d", before)
