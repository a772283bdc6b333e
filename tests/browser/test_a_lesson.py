"""A lesson: started on the spot or opened, planned, driven, ended, and read by its learner."""

import csv
import re

import pytest
from django.utils import timezone
from playwright.sync_api import expect

from server.documents.models import Document
from server.lessons.appointments import add_lesson
from server.lessons.models import Attempt, Lesson
from server.planning.models import CueSheet
from server.schools.models import Member
from tests.browser.steps import INES, MAREN, desk, field, go_to, sign_in, station, step


def opened(page, lesson, person=MAREN):
    sign_in(page, person)
    go_to(page, f"/lesson?learner={lesson.learner_id}&lesson={lesson.pk}")
    expect(page.get_by_role("heading", level=1)).to_have_text(f"Lesson of {lesson.learner.name}")


def saved(page):
    expect(page.get_by_role("button", name="Leave it as it was")).to_have_count(0)


def booked(name, starts="2031-05-06T10:00Z", **given):
    learner, lead = Member.objects.get(name=name), Member.objects.get(name="Maren Holt")
    return add_lesson(learner.school, lead, learner=learner.pk, instructor=None,
                      starts=Lesson._meta.get_field("starts").to_python(starts), minutes=60,
                      **given)  # fmt: skip


def test_a_lesson_begins_on_the_spot_and_takes_in_what_is_driven(page):
    sign_in(page, learner="Yara Quill", at="Lesson")
    # In a yard without a line it is begun on the device, once.
    page.context.set_offline(True)
    page.get_by_role("button", name="Start a lesson now").click()
    expect(page.get_by_role("heading", level=1)).to_have_text("Lesson of Yara Quill")
    expect(page.get_by_role("button", name="Start a lesson now")).to_have_count(0)
    plan = page.get_by_role("region", name="Plan")
    expect(plan.get_by_role("listitem")).to_contain_text("Linnet hatch · Quay Street")
    expect(page.get_by_role("group", name=re.compile("^How it came:"))).not_to_have_count(0)
    page.get_by_label("What was learnt").fill("to look back first")
    page.get_by_role("button", name="Save").click()
    saved(page)
    # What is still being written goes on with it.
    page.get_by_label("What comes next").fill("the same by the hedge")
    page.context.set_offline(False)
    expect(page.get_by_text("It is kept on this device")).to_have_count(0)
    expect(page.get_by_label("What comes next")).to_have_value("the same by the hedge")
    page.get_by_role("button", name="Save").click()
    saved(page)
    plan.get_by_label("Or anything else").fill("Moving off")
    plan.get_by_role("button", name="Add", exact=True).click()
    expect(plan.get_by_text("65 minutes planned, 60 there are")).to_be_visible()
    plan.get_by_role("button", name="Earlier").click()
    expect(plan.get_by_role("listitem").first).to_contain_text("1. Moving off")
    plan.get_by_role("button", name="Take off").first.click()
    expect(plan.get_by_role("listitem")).to_have_count(1)
    page.get_by_role("button", name="Undo").click()
    expect(plan.get_by_role("listitem").first).to_contain_text("1. Moving off")
    # The exercise leads to its sheet; what is driven there is found in the lesson.
    plan.get_by_role("link", name="Drive it").click()
    page.get_by_role("button", name="Start the clock").click()
    page.get_by_role("button", name="Done: go and tape").click()
    expect(field(page, "Front wheel to kerb")).to_be_visible()
    desk(page, "Lesson")
    expect(plan.get_by_text("Driven: 1 · taped: 0 · met: 0")).to_be_visible()
    lesson = Lesson.objects.get(learner__name="Yara Quill", plan__0__what="Moving off")
    assert lesson.attempts_made.count() == 1
    assert lesson.begun == lesson.starts
    assert (lesson.learnt, lesson.comes_next) == ("to look back first", "the same by the hedge")


def test_exercises_of_a_lesson_follow_each_other(page):
    sheet = CueSheet.objects.filter(learner__name="Callum Dray").latest("used")
    names = ("seat", "ground", "method", "standard")
    first = {name: getattr(sheet, name).document_id for name in names}
    other = Document.objects.filter(school=sheet.school, kind="ground").exclude(pk=first["ground"])
    second = {**first, "ground": other.first().pk}
    plan = [{"what": what, "minutes": 20, "docket": docket}
            for what, docket in (("Here", first), ("There", second))]  # fmt: skip
    now = timezone.now()
    lesson = booked("Callum Dray", starts=now.isoformat(), begun=now, plan=plan)
    # It takes in what was driven today before it was booked, by other tests too.
    before = lesson.attempts_made.count()
    opened(page, lesson)
    page.get_by_role("link", name="Drive it").first.click()
    page.get_by_role("button", name="Start the clock").click()
    cards = page.get_by_role("navigation", name="Steps").get_by_role("button")
    step(page, cards.count() - 1)
    page.get_by_role("button", name="Done, on to: There").click()
    expect(page).to_have_url(re.compile(rf"/drive\?.*ground={second['ground']}"))
    assert lesson.attempts_made.count() == before + 1


def test_what_came_of_a_lesson_is_kept_while_it_is_written_and_read_by_its_learner(page, open_page):
    lesson = Lesson.objects.get(learner__name="Ines Varga", begun=None, plan__1__minutes=45)
    opened(page, lesson)
    page.get_by_role("button", name="Begin the lesson").click()
    step = page.get_by_role("group", name="How it came: Full lock toward the kerb, rolling")
    step.get_by_role("button", name="with help").click()
    page.get_by_label("What was learnt").fill("Slow hands")
    # Nothing of it is lost with the page.
    page.reload()
    expect(page.get_by_label("What was learnt")).to_have_value("Slow hands")
    page.get_by_role("button", name="Save").click()
    saved(page)
    page.get_by_role("button", name="End the lesson").click()
    expect(page.get_by_role("button", name="Take its end back")).to_be_visible()
    phone = open_page(390, 844)
    opened(phone, lesson, INES)
    expect(phone.get_by_role("region", name="What was learnt")).to_contain_text("Slow hands")
    told = phone.get_by_role("region", name="Straight-run reverse park").get_by_role("listitem")
    expect(told).to_have_text(["Full lock toward the kerb, rollingwith help"])
    expect(phone.get_by_role("button", name="Save")).to_have_count(0)


def test_what_two_write_of_one_lesson_is_lost_to_neither(page, open_page):
    lesson = booked("Nia Solberg")
    opened(page, lesson)
    other = open_page()
    opened(other, lesson, ("idris", "tidewell-demo"))
    page.get_by_label("Notes").fill("Cones")
    page.get_by_label("What comes next").fill("Left side")
    other.get_by_label("Notes").fill("Mirrors")
    other.get_by_role("button", name="Save").click()
    saved(other)
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("alert")).to_contain_text("changed this lesson meanwhile")
    expect(page.get_by_text("Somebody has written meanwhile: Mirrors")).to_be_visible()
    expect(page.get_by_label("Notes")).to_have_value("Cones")
    page.get_by_label("Notes").fill("Mirrors, cones")
    page.get_by_role("button", name="Save").click()
    saved(page)
    lesson.refresh_from_db()
    assert (lesson.notes, lesson.comes_next) == ("Mirrors, cones", "Left side")


@pytest.mark.parametrize("where", ["diary", "lesson"])
def test_why_a_lesson_does_not_take_place_is_told(page, where):
    lesson = booked("Piet Hask", about=f"From the {where}")
    if where == "lesson":
        opened(page, lesson)
    else:
        sign_in(page, at="Diary")
        page.get_by_label("Look for").fill(lesson.about)
        expect(page.get_by_role("listitem")).to_have_count(1)
    page.get_by_role("button", name="Change", exact=True).click()
    page.get_by_role("button", name="Cancel the lesson").click()
    page.get_by_label("Why it does not take place").fill("black ice")
    page.get_by_role("button", name="It does not take place").click()
    expect(page.get_by_text(re.compile("ancelled[.:] black ice"))).to_be_visible()
    station(page, "Cues")
    lesson.refresh_from_db()
    assert (lesson.cancelled_because, lesson.about) == ("black ice", f"From the {where}")


def test_attempts_of_old_are_found_opened_and_taken_along(page):
    sign_in(page, learner="Sanne Hook", at="Lesson")
    page.get_by_role("link", name="All that Sanne Hook has driven").click()
    rows = page.get_by_role("main").get_by_role("listitem")
    driven = Attempt.objects.filter(cue_sheet__learner__name="Sanne Hook")
    expect(rows).to_have_count(driven.count())
    page.get_by_role("combobox", name="What it came to").click()
    page.get_by_role("option", name="met", exact=True).click()
    met = driven.filter(outcome="met")
    assert 0 < met.count() < driven.count()
    expect(rows).to_have_count(met.count())
    # What was looked for stands in the address.
    page.reload()
    expect(rows).to_have_count(met.count())
    with page.expect_download() as told:
        page.get_by_role("link", name=re.compile("as a table")).click()
    table = csv.DictReader(told.value.path().read_text("utf-8").splitlines())
    assert {row["attempt"] for row in table} == {str(one.pk) for one in met}
    first = met.earliest("started")
    # On the drawing each is where it ended, the oldest lying over the rest.
    drawn = page.get_by_role("group", name=re.compile("^Where they ended")).get_by_role("link")
    expect(drawn).to_have_count(met.count())
    drawn.last.click()
    expect(page).to_have_url(re.compile(f"attempt={first.pk}"))
    page.go_back()
    rows.last.get_by_role("link", name="Open").click()
    expect(page).to_have_url(re.compile(f"attempt={first.pk}"))
    expect(page.get_by_role("status", name="Verdict")).to_contain_text("Standard met")
