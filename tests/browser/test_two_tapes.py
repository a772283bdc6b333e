"""What was kept of a finish: told by eye, put right with a reason, taped by a second person."""

import re

from playwright.sync_api import expect

from tests.browser.steps import (
    choose,
    desk,
    field,
    note_attempt,
    sign_in,
    station,
    take_sheet,
    type_length,
)

ODA = ("oda", "tidewell-demo")


def keep(page, name="Keep the readings"):
    page.get_by_role("button", name=name).click()
    expect(page.get_by_role("link", name="Drive again")).to_be_visible()


def spoil(page):
    """What this leaves counts in nobody's figures."""
    page.get_by_role("button", name="Spoilt by others").click()
    expect(page.get_by_role("button", name="Count it again")).to_be_visible()


def look(page, label, glance):
    group = page.get_by_role("group", name=f"{label}, by eye")
    group.get_by_role("button", name=glance).click()
    expect(group.get_by_role("button", name=glance)).to_have_attribute("aria-pressed", "true")


def begun(page, learner):
    choose(page, "Learner", learner)
    take_sheet(page)
    note_attempt(page)


def test_a_finish_told_by_eye_is_an_estimate_until_it_is_taped(page):
    sign_in(page, ODA)
    begun(page, "Nia Solberg")
    page.get_by_label("By eye, without a tape").check()
    look(page, "Front wheel to kerb", "far")
    expect(page.get_by_role("button", name="Keep the readings")).to_be_disabled()
    look(page, "Rear wheel to kerb", "right")
    verdict = page.get_by_role("status", name="Verdict")
    expect(verdict).to_contain_text("Estimated, not taped: Front wheel to kerb, Rear wheel to kerb")
    expect(verdict.get_by_role("row", name=re.compile("^Front wheel"))).to_contain_text("≈")
    keep(page)
    expect(page.get_by_label("Attempt")).to_contain_text("by eye")
    station(page, "Shift")
    expect(page.get_by_text("1 of them by eye, not taped: each counts half.").first).to_be_visible()
    # Taped after all, one wheel takes the eye's place: a correction, which says why.
    station(page, "Tape")
    group = page.get_by_role("group", name="Front wheel to kerb, by eye")
    group.get_by_role("button", name="far").click()
    page.get_by_label("By eye, without a tape").uncheck()
    type_length(page, "Front wheel to kerb", "31")
    expect(verdict).to_contain_text("Estimated, not taped: Rear wheel to kerb")
    expect(page.get_by_role("button", name="Keep the correction")).to_be_disabled()
    page.get_by_label("Why it is corrected").fill("the tape was found")
    keep(page, "Keep the correction")
    entries = page.get_by_role("region", name="Readings").get_by_role("listitem")
    expect(entries).to_have_count(2)
    expect(entries.first).to_contain_text("Front wheel to kerb far, by eye")
    expect(entries.last).to_contain_text("Corrected by Oda Lark")
    expect(entries.last).to_contain_text("Why: the tape was found")
    expect(entries.last).to_contain_text("Front wheel to kerb 31 cm")
    spoil(page)


def test_a_second_person_tapes_without_the_first_in_sight(page, open_page):
    sign_in(page, ODA)
    begun(page, "Nia Solberg")
    for label, read in (("Front wheel to kerb", "24"), ("Rear wheel to kerb", "26")):
        type_length(page, label, read)
    keep(page)
    again = "Tape it a second time, to compare"
    expect(page.get_by_role("button", name=again)).to_have_count(0)
    other = open_page()
    sign_in(other)
    other.goto(page.url)
    other.get_by_role("button", name=again).click()
    expect(field(other, "Front wheel to kerb")).to_have_value("")
    expect(other.get_by_text("24 cm")).to_have_count(0)
    type_length(other, "Front wheel to kerb", "25")
    type_length(other, "Rear wheel to kerb", "23")
    other.get_by_role("button", name="Keep the second tape").click()
    # The first holds.
    expect(field(other, "Front wheel to kerb")).to_have_value("24 cm")
    compared = other.get_by_role("region", name="Readings").get_by_role("listitem").last
    expect(compared).to_contain_text(
        "Than Oda Lark: Front wheel to kerb +1 cm · Rear wheel to kerb −3 cm"
    )
    expect(compared).to_contain_text("The verdict would be the same.")
    spoil(other)
    desk(other, "School")
    row = other.get_by_role("row", name=re.compile("Maren Holt and Oda Lark .* wheel"))
    expect(row).to_contain_text("Maren Holt, by ")
