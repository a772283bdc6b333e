"""What was typed or noted stays: colleagues' saves, other people, ended sessions, no network."""

import re

import pytest
from django.contrib.sessions.models import Session
from playwright.sync_api import expect

from server.documents.models import Revision
from server.documents.services import revise_document
from server.lessons.models import Attempt
from server.schools.models import Member
from tests.browser.axe import found
from tests.browser.steps import (
    MAREN,
    call_came,
    choose,
    field,
    sign_in,
    sign_out,
    so_far,
    start_over,
    station,
    take_sheet,
    type_length,
)

EYE = ("Above the ground", "Right of the middle")


def colleague_saves(name, **change):
    """Another instructor of the school saves a revision of a document."""
    newest = Revision.objects.filter(body__name__startswith=name).latest("number")
    oda = Member.objects.get(name="Oda Lark")
    return revise_document(
        oda.school, newest.document_id, based_on=newest.number,
        body={**newest.body, **change}, author=oda,
    )  # fmt: skip


def begin_attempt(page):
    station(page, "Drive")
    page.get_by_role("button", name="Start the clock").click()
    call_came(page, 2, "late")
    late = so_far(page).get_by_role("listitem").filter(has_text="Call 2: late")
    expect(late).to_be_visible()
    return late


def test_an_attempt_under_way_goes_on_after_a_colleague_has_saved_the_ground(page):
    sign_in(page, learner="Callum Dray")
    late = begin_attempt(page)
    revision = colleague_saves("Weir Road", edging="verge")
    page.reload()
    since = page.get_by_role("status", name="Since this cue sheet")
    expect(since).to_contain_text(f"Ground revision {revision.number}")
    expect(late).to_be_visible()
    before = Attempt.objects.count()
    page.get_by_role("button", name="Done: go and tape").click()
    expect(field(page, "Front wheel to kerb")).to_be_visible()
    assert Attempt.objects.count() == before + 1
    station(page, "Shift")
    expect(page.get_by_role("img", name=re.compile(r"^\d+ finishes on Weir Road"))).to_be_visible()
    since.get_by_role("link", name="Bring the sheet up to date").click()
    page.get_by_role("button", name="Bring the sheet up to date and drive").click()
    expect(page.get_by_role("button", name="Start the clock")).to_be_visible()
    expect(since).to_have_count(0)
    station(page, "Shift")
    sets = page.get_by_role("region", name="Before and after").get_by_role("listitem")
    told = sets.filter(has_text=f"revision {revision.number}, was {revision.number - 1}")
    expect(told.first).to_contain_text("edging verge, was kerb")


def test_an_attempt_on_another_sheet_is_found_again(page):
    sign_in(page, learner="Tomas Reyl")
    late = begin_attempt(page)
    station(page, "Cues")
    page.get_by_role("slider", name="Finish off the kerb").press("ArrowRight")
    take_sheet(page)
    elsewhere = page.get_by_role("alert").filter(has_text="is still under way")
    elsewhere.get_by_role("button", name="Go on with it").click()
    expect(late).to_be_visible()
    expect(page).to_have_url(re.compile("sheet="))
    # Starting over can be taken back, a reload later too.
    start_over(page)
    expect(late).to_have_count(0)
    page.reload()
    page.get_by_role("button", name="Undo").click()
    expect(late).to_be_visible()
    # From the address of an older sheet, too, Drive opens with the one just made.
    station(page, "Cues")
    page.get_by_role("slider", name="Finish off the kerb").press("ArrowRight")
    asked_from = []
    page.on("request", lambda asked: "/api/docket" in asked.url and asked_from.append(page.url))
    take_sheet(page)
    expect(elsewhere).to_be_visible()
    assert asked_from
    assert all("/cues" in url for url in asked_from)


def test_what_two_people_changed_is_shown_and_chosen_from(page):
    sign_in(page, learner="Yara Quill", at="Seat")
    height, across = (field(page, label).first for label in EYE)
    for measure, typed in ((height, "1.21 m"), (across, "36 cm")):
        measure.fill(typed)
        measure.press("Enter")
    seat = Revision.objects.get(body__name="Yara, seat 2").body
    eye = {**seat["eye"], "z_m": 1.19, "x_m": seat["eye"]["x_m"] + 0.02}
    saved = colleague_saves("Yara, seat 2", eye=eye)
    page.get_by_role("button", name=re.compile("^Save seat")).click()
    both = page.get_by_role("alert").filter(has_text="Oda Lark saved revision")
    expect(both).to_contain_text("height above the ground: yours 1.21 m, theirs 1.19 m")
    expect(height).to_have_value("1.21 m")
    both.get_by_role("button", name="Theirs where both changed").click()
    expect(height).to_have_value("1.19 m")
    expect(across).to_have_value("36 cm")
    page.get_by_role("button", name=f"Save seat as revision {saved.number + 1}").click()
    expect(page.get_by_text(f"Seat: revision {saved.number + 1}, by Maren")).to_be_visible()
    kept = Revision.objects.filter(body__name="Yara, seat 2").latest("number").body["eye"]
    assert kept == {**eye, "y_m": pytest.approx(-0.36)}


def test_what_was_discarded_comes_back(page):
    sign_in(page, learner="Odile Marn", at="Seat")
    type_length(page, "Width", "1.79 m")
    page.get_by_role("button", name="Discard").click()
    expect(field(page, "Width")).not_to_have_value("1.79 m")
    page.reload()
    page.get_by_role("button", name="Bring back what was discarded").click()
    expect(field(page, "Width")).to_have_value("1.79 m")
    page.get_by_role("button", name="Discard").click()


def test_a_tablet_handed_on_keeps_everybodys_own(page):
    sign_in(page, MAREN, by_hand=True)
    choose(page, "Learner", "Sanne Hook")
    address = page.url
    station(page, "Seat")
    type_length(page, "Width", "1.91 m")
    sign_out(page)
    sign_in(page, ("idris", "tidewell-demo"), by_hand=True)
    page.goto(address.replace("/cues", "/seat"))
    expect(field(page, "Width")).to_be_visible()
    expect(field(page, "Width")).not_to_have_value("1.91 m")
    sign_out(page)
    sign_in(page, MAREN, by_hand=True)
    page.goto(address.replace("/cues", "/seat"))
    expect(field(page, "Width")).to_have_value("1.91 m")
    page.get_by_role("button", name="Discard").click()


def test_a_session_that_ended_asks_for_the_password_and_goes_on(page):
    sign_in(page, ("oda", "tidewell-demo"), by_hand=True)
    choose(page, "Learner", "Bea Orrin")
    begin_attempt(page)
    Session.objects.filter(session_key=_session_of(page)).delete()
    before = Attempt.objects.count()
    page.get_by_role("button", name="Done: go and tape").click()
    expect(page.get_by_text("The session has ended. Sign in to go on")).to_be_visible()
    assert found(page) == []
    assert Attempt.objects.count() == before
    page.get_by_label("Name").fill("oda")
    page.get_by_label("Password").fill("tidewell-demo")
    page.get_by_role("button", name="Sign in").click()
    # It went on to the tape by itself, and what had waited is there.
    expect(field(page, "Front wheel to kerb")).to_be_visible()
    expect(page.get_by_label("Attempt")).not_to_contain_text("not sent yet")
    assert Attempt.objects.count() == before + 1


def _session_of(page):
    return next(c["value"] for c in page.context.cookies() if c["name"] == "sessionid")


def test_without_a_connection_it_is_said_what_waits_and_it_is_sent_afterwards(page):
    sign_in(page, learner="Nia Solberg")
    # Its screen has come once; here nothing else is on the device.
    station(page, "Tape")
    begin_attempt(page)
    before = Attempt.objects.count()
    page.context.set_offline(True)
    waits = page.get_by_role("status", name="No connection")
    expect(waits).to_contain_text("stays on this device")
    page.get_by_role("button", name="Done: go and tape").click()
    for wheel in ("Front", "Rear"):
        type_length(page, f"{wheel} wheel to kerb", "30")
    page.get_by_role("button", name="Keep the readings").click()
    expect(waits).to_contain_text("2 things not sent")
    expect(page.get_by_text("The verdict is worked out by the server")).to_be_visible()
    assert Attempt.objects.count() == before
    page.context.set_offline(False)
    expect(page.get_by_role("status", name="Verdict")).to_be_visible()
    expect(waits).to_have_count(0)
    assert Attempt.objects.count() == before + 1


def test_a_part_that_a_deployment_took_away_is_fetched_anew(page):
    sign_in(page)
    lost = []

    def once(route):
        if lost:
            route.continue_()
        else:
            lost.append(route.request.url)
            route.fulfill(status=404, body="gone")

    page.route("**/assets/ShiftStation*.js", once)
    station(page, "Shift")
    expect(page.get_by_role("region", name="Advice")).to_be_visible()
    assert lost


def test_an_edit_kept_before_this_version_is_gone_on_with(page):
    """Until now drafts were kept by revision, and were nobody's."""
    sign_in(page, learner="Tomas Reyl")
    seat = Revision.objects.filter(body__name="Tomas, seat 1").latest("number")
    draft = [{**seat.body, "eye": {**seat.body["eye"], "z_m": 1.31}}]
    page.evaluate(
        "([key, kept]) => localStorage.setItem(key, JSON.stringify(kept))",
        [f"fair-corner/draft/{seat.pk}", draft],
    )
    page.reload()
    station(page, "Seat")
    expect(field(page, EYE[0]).first).to_have_value("1.31 m")
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_role("button", name=re.compile("^Save seat"))).to_have_count(0)
    expect(field(page, EYE[0]).first).not_to_have_value("1.31 m")
