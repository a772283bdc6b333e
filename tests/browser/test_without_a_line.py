"""Noted without a line: whose it is, and what becomes of it where others were at it meanwhile."""

import re
from datetime import timedelta
from urllib.parse import urlsplit

from django.utils import timezone
from playwright.sync_api import expect

from server.lessons.appointments import add_lesson, change_lesson
from server.lessons.attempts import set_void
from server.lessons.models import Attempt, Lesson
from server.lessons.taping import tape_attempt
from server.planning.models import CueSheet
from server.planning.services import make_sheet
from server.schools.models import Member
from tests.browser.steps import (
    choose,
    field,
    go_to,
    note_attempt,
    sign_in,
    sign_out,
    station,
    take_sheet,
    type_length,
)

ODA, IDRIS = ("oda", "tidewell-demo"), ("idris", "tidewell-demo")
READ = {"kerb_front_m": 0.41, "kerb_rear_m": 0.42, "ahead_m": None, "behind_m": None}


def tape(page, read):
    for wheel in ("Front", "Rear"):
        type_length(page, f"{wheel} wheel to kerb", read)
    page.get_by_role("button", name="Keep the readings").click()
    expect(page.get_by_role("link", name="Drive again")).to_be_visible()


def told(page, name="No connection"):
    return page.get_by_role("status", name=name)


def waiting(page, state="Not sent yet"):
    """The list of what waits, opened from the line that tells of it."""
    told(page, state).get_by_role("button", name="Show them").click()
    return page.get_by_role("dialog", name="On this device alone")


def test_a_tape_that_somebody_else_put_in_first_is_taken_back_to_be_kept_again(page):
    sign_in(page, ODA)
    choose(page, "Learner", "Nia Solberg")
    take_sheet(page)
    note_attempt(page)
    attempt = Attempt.objects.get(pk=re.search("attempt=([^&]+)", page.url).group(1))
    page.context.set_offline(True)
    tape(page, "30")
    tape_attempt(attempt, Member.objects.get(name="Idris Fenn"), {**READ, "by_eye": {}})
    page.context.set_offline(False)
    expect(told(page, "Not sent yet")).to_contain_text("1 was not accepted")
    listed = waiting(page)
    expect(listed).to_contain_text("Not accepted")
    listed.get_by_role("button", name="Back into Tape").click()
    listed.get_by_role("button", name="Close").click()
    expect(told(page, "Not sent yet")).to_have_count(0)
    # Typed again beside what holds, and kept by whoever says why.
    page.reload()
    expect(page.get_by_role("region", name="Readings")).to_contain_text("Idris Fenn")
    expect(field(page, "Front wheel to kerb")).to_have_value("30 cm")
    page.get_by_label("Why it is corrected").fill("read twice")
    page.get_by_role("button", name="Keep the correction").click()
    expect(page.get_by_role("region", name="Readings").get_by_role("listitem")).to_have_count(2)
    expect(page.get_by_label("Attempt")).not_to_contain_text("not sent yet")
    attempt.refresh_from_db()
    assert attempt.readings["kerb_front_m"] == 0.3
    page.get_by_role("button", name="Spoilt by others").click()
    expect(page.get_by_role("button", name="Count it again")).to_be_visible()


def test_what_one_has_noted_waits_for_them_and_is_seen_by_nobody_else(page):
    sign_in(page, ODA, by_hand=True)
    choose(page, "Learner", "Bea Orrin")
    before = Attempt.objects.count()
    # The line is there, but for what is to be kept.
    page.route("**/api/attempts", lambda route: route.abort())
    note_attempt(page)
    page.get_by_role("button", name="Sign out").click()
    asked = page.get_by_role("dialog", name="Not everything is sent yet")
    expect(asked).to_contain_text("1 thing is on this device alone")
    asked.get_by_role("button", name="Stay signed in").click()
    expect(field(page, "Front wheel to kerb")).to_be_visible()
    page.get_by_role("button", name="Sign out").click()
    with page.expect_navigation():
        asked.get_by_role("button", name="Sign out").click()
    sign_in(page, IDRIS, by_hand=True)
    page.unroute("**/api/attempts")
    expect(told(page, "Not sent yet")).to_have_count(0)
    sign_out(page)
    assert Attempt.objects.count() == before
    sign_in(page, ODA, by_hand=True)
    station(page, "Tape")
    expect(page.get_by_label("Attempt")).not_to_contain_text("not sent yet")
    expect(page.get_by_label("Attempt")).to_contain_text("not taped yet")
    assert Attempt.objects.count() == before + 1
    assert Attempt.objects.latest("started").instructor.name == "Oda Lark"


def test_a_lesson_is_ended_without_a_line_and_stands_beside_what_others_changed(page):
    sign_in(page, ODA)
    # On a day of its own: what else is driven today belongs to no lesson.
    then, oda = timezone.now() - timedelta(days=200), Member.objects.get(name="Oda Lark")
    pupil = Member.objects.get(name="Piet Hask")
    lesson = add_lesson(
        oda.school, oda, learner=pupil.pk, instructor=oda.pk, starts=then, begun=then, minutes=60,
        about="Bays", place="", notes="", plan=[],
    )  # fmt: skip
    go_to(page, f"/lesson?learner={pupil.pk}&lesson={lesson.pk}")
    expect(page.get_by_role("heading", name="Piet Hask")).to_be_visible()
    page.context.set_offline(True)
    page.get_by_role("button", name="End the lesson").click()
    expect(page.get_by_role("button", name="Take its end back")).to_be_visible()
    page.get_by_label("What was learnt").fill("Slower at the mark")
    page.get_by_role("button", name="Save").click()
    expect(told(page)).to_contain_text("2 things not sent")
    assert Lesson.objects.get(pk=lesson.pk).ended is None
    # Moved from the office meanwhile, and told what was learnt by somebody else.
    change_lesson(lesson, based_on=1, place="Mill Street", learnt="Looks back")
    page.context.set_offline(False)
    expect(told(page, "Not sent yet")).to_contain_text("1 was not accepted")
    lesson.refresh_from_db()
    assert (lesson.ended is None, lesson.place, lesson.learnt) == (
        False, "Mill Street", "Looks back"
    )  # fmt: skip
    listed = waiting(page)
    expect(listed).to_contain_text("Slower at the mark")
    listed.get_by_role("button", name="Put it in all the same").click()
    expect(listed).to_contain_text("Everything is sent")
    lesson.refresh_from_db()
    assert (lesson.place, lesson.learnt) == ("Mill Street", "Slower at the mark")
    lesson.delete()


def test_what_was_driven_on_a_sheet_made_anew_meanwhile_stays_on_the_one_before(page):
    sign_in(page, ODA)
    choose(page, "Learner", "Nia Solberg")
    take_sheet(page)
    docket = page.request.get(f"/api/docket?{urlsplit(page.url).query}").json()
    sheet = CueSheet.objects.get(pk=docket["sheet_id"])
    station(page, "Tape")
    before = Attempt.objects.count()
    page.context.set_offline(True)
    note_attempt(page)
    tape(page, "30")
    anew = make_sheet(
        sheet.school, learner_id=sheet.learner_id, revisions=sheet.revisions,
        options={"shifts_m": {"1": -0.1}},
    )  # fmt: skip
    with page.expect_response(lambda answer: answer.url.endswith("/readings") and answer.ok):
        page.context.set_offline(False)
    attempt = Attempt.objects.latest("started")
    assert Attempt.objects.count() == before + 1
    assert anew != sheet
    assert (attempt.cue_sheet_id, attempt.readings["kerb_front_m"]) == (sheet.pk, 0.3)
    set_void(attempt, void=True)
