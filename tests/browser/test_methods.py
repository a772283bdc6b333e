"""Choosing a method by its picture, reading it, driving it, and comparing two."""

import re

from faircorner.documents.library import methods
from playwright.sync_api import expect

from server.documents.models import Revision
from server.planning.models import CueSheet
from tests.browser.steps import TEODOR, calls, sign_in, station, take_sheet


def pick_method(page, name):
    page.get_by_role("button", name=re.compile("^Method:")).click()
    dialog = page.get_by_role("dialog")
    # What is still to come moves the buttons, and a press that begins on one ends beside it.
    expect(dialog.get_by_role("group", name="Manoeuvre").get_by_role("button")).not_to_have_count(0)
    expect(dialog.locator(".MuiCircularProgress-root")).to_have_count(0)
    manoeuvre = methods()[name].manoeuvre
    dialog.get_by_role("group", name="Manoeuvre").get_by_role(
        "button", name=manoeuvre, exact=True
    ).click()
    dialog.get_by_role("region", name=manoeuvre).get_by_role("button", name=name).click()
    expect(page.get_by_role("button", name=re.compile(f"^Method: {name}"))).to_be_visible()


def test_methods_are_chosen_by_a_picture_drawn_for_this_docket(page):
    sign_in(page)
    page.get_by_role("button", name=re.compile("^Method:")).click()
    cards = page.get_by_role("dialog").get_by_role("region", name="reverse parallel")
    # Standards name their manoeuvre too.
    kept = Revision.objects.filter(
        document__school__name="Tidewell Motor School",
        document__kind="method",
        body__manoeuvre="reverse parallel",
    )
    known = len(set(kept.values_list("document", flat=True)))
    assert known >= 6
    expect(cards.get_by_role("button")).to_have_count(known)
    expect(cards.get_by_role("img", name=re.compile("Plan of the manoeuvre"))).to_have_count(known)
    pressed = cards.get_by_role("button", pressed=True)
    expect(pressed).to_contain_text("Straight-run reverse park")
    page.keyboard.press("Escape")
    expect(page.get_by_role("dialog")).to_have_count(0)


def test_a_method_without_references_shows_what_to_watch(page):
    sign_in(page)
    pick_method(page, "Shallow reverse park")
    expect(page.get_by_text("This method takes no references").first).to_be_visible()
    expect(
        page.get_by_text(re.compile("own tail .* short of the parked vehicle's tail"))
    ).to_be_visible()
    for slider in ("Wheel in", "Wheel out"):
        expect(page.get_by_role("slider", name=slider)).to_be_visible()


def test_a_method_with_a_forward_move_is_noted_with_it(page):
    sign_in(page, learner="Yara Quill")
    pick_method(page, "Set back and forward reverse park")
    expect(calls(page)).to_have_count(3)
    take_sheet(page)
    for movement in ("Reverse movements", "Forward movements"):
        expect(page.get_by_text(movement).locator("..")).to_contain_text("1")
    sheet = CueSheet.objects.filter(learner__name="Yara Quill").first()
    assert [leg["gear"] for leg in sheet.plan["legs"]] == ["reverse"] * 3 + ["forward"]


def test_two_methods_are_compared_on_the_same_docket(page):
    sign_in(page)
    page.get_by_role("button", name=re.compile("^Method:")).click()
    page.get_by_role("link", name="Compare two").click()
    first = page.get_by_role("region", name="First method")
    second = page.get_by_role("region", name="Second method")
    for column in (first, second):
        expect(column.get_by_role("img", name=re.compile("Plan of"))).to_be_visible()
        expect(column).to_contain_text(re.compile(r"Least gap .* m"))
    second.get_by_label("Second method").click()
    page.get_by_role("option", name="Set back and forward reverse park").click()
    moves = second.get_by_role("row", name=re.compile("^Movements"))
    expect(moves).to_contain_text("2")
    expect(first.get_by_role("row", name=re.compile("^Movements"))).to_contain_text("1")


def test_every_method_is_there_for_a_keep_right_school_in_inches(page):
    sign_in(page, TEODOR, learner="Emil Stroud")
    pick_method(page, "Lock to lock reverse park")
    expect(calls(page)).to_have_count(3)
    detail = page.get_by_text(re.compile("near rear wheel .* from the kerb"))
    expect(detail).to_contain_text(re.compile(r"\d in from"))
    station(page, "Drive")
    expect(page.get_by_text("No cue sheet yet")).to_be_visible()
