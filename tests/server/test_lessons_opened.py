"""A lesson opened: its plan, what was driven in it, how it was begun and ended, its summary."""

import io
from datetime import UTC, datetime, timedelta
from importlib import import_module

import pytest
from django.db import connection
from django.utils import timezone
from pypdf import PdfReader

from server.lessons.appointments import lesson_at
from server.lessons.models import Attempt, Lesson
from tests.server.conftest import NOTES, STARTED, keep, send
from tests.server.test_lessons import GOOD, tape

BEGUN = datetime.fromisoformat(STARTED)
RECAP = [
    {"what": "Parks", "step": "Full lock at the mark", "recalled": "alone"},
    {"what": "Parks", "step": "Look over the shoulder", "recalled": "forgotten"},
]


@pytest.fixture
def lead(ours):
    return ours.client("lead")


def docket(house):
    return {kind: house.revisions[kind].document_id
            for kind in ("seat", "ground", "method", "standard")}  # fmt: skip


def planned(client, house, **given):
    """A lesson at STARTED with two exercises, of which the first is driven with the docket."""
    plan = [{"what": "Parks", "minutes": 40, "docket": docket(house)},
            {"what": "Talk", "minutes": 10}]  # fmt: skip
    body = {"learner": house.members["learner"].pk, "starts": STARTED, "plan": plan, **given}
    answer = send(client, "POST", "/api/lessons", body)
    assert answer.status_code == 201, answer.content
    return answer.json()


def put(client, lesson, **given):
    """Part of it changed; everything else is left out."""
    return send(client, "PUT", f"/api/lessons/{lesson['id']}",
                {"based_on": lesson["version"], **given})  # fmt: skip


def opened(client, lesson):
    answer = send(client, "GET", f"/api/lessons/{lesson['id']}")
    assert answer.status_code == 200, answer.content
    return answer.json()


def at(minutes):
    return (BEGUN + timedelta(minutes=minutes)).isoformat()


def test_a_lesson_opens_with_its_plan_and_what_was_driven_in_each_part_of_it(ours, lead):
    lesson = planned(lead, ours)
    ids = [keep(lead, ours)["id"] for _ in range(3)]
    for one in ids[:2]:
        tape(lead, one, GOOD)
    send(lead, "PUT", f"/api/attempts/{ids[1]}/void", {"void": True})
    shown = opened(ours.client("learner"), lesson)
    parks, talk = shown["exercises"]
    assert (parks["attempts"], parks["taped"], parks["met"]) == (2, 1, 1)
    assert parks["made_of"] == {
        kind: ours.revisions[kind].name for kind in ("vehicle", *docket(ours))
    }  # fmt: skip
    said = [step["say"] for step in ours.revisions["method"].body["steps"]]
    assert (parks["steps"], talk["steps"], talk["attempts"]) == (said, [], 0)
    told = {one["id"]: (one["exercise"], one["outcome"], one["void"]) for one in shown["driven"]}
    assert told == {ids[0]: (0, "met", False), ids[1]: (0, "met", True), ids[2]: (0, None, False)}


def test_an_attempt_of_another_place_is_of_the_lesson_and_of_no_exercise(ours, lead):
    other = {**ours.revisions["ground"].body, "name": "Elsewhere"}
    made = send(lead, "POST", "/api/documents", {"kind": "ground", "body": other}).json()
    lesson = planned(lead, ours)
    elsewhere = {**docket(ours), "ground": made["document_id"]}
    lesson = put(lead, lesson, plan=[{"what": "Else", "minutes": 20, "docket": elsewhere}]).json()
    keep(lead, ours)
    shown = opened(lead, lesson)
    assert [one["exercise"] for one in shown["driven"]] == [None]
    assert shown["exercises"][0]["attempts"] == 0


def test_what_is_left_out_of_a_change_stays_and_null_takes_a_beginning_back(ours, lead):
    lesson = planned(lead, ours, notes="Cones")
    begun = put(lead, lesson, begun=at(5)).json()
    ended = put(lead, begun, ended=at(50), recap=RECAP, learnt=" Slow hands ").json()
    assert (ended["notes"], ended["plan"], ended["recap"]) == ("Cones", lesson["plan"], RECAP)
    assert (ended["begun"], ended["learnt"]) == (begun["begun"], "Slow hands")
    undone = put(lead, ended, begun=None, ended=None).json()
    assert (undone["begun"], undone["ended"], undone["learnt"]) == (None, None, "Slow hands")
    was = send(lead, "GET", f"/api/lessons/{lesson['id']}/history").json()
    assert [(one["version"], one["recap"] == RECAP) for one in was] == [
        (4, True), (3, True), (2, False), (1, False)
    ]  # fmt: skip


@pytest.mark.parametrize(
    ("given", "field"),
    [
        pytest.param({"ended": at(10)}, "ended", id="ended and never begun"),
        pytest.param({"begun": at(20), "ended": at(10)}, "ended", id="ended before it began"),
        pytest.param({"begun": at(0), "cancelled": True}, "cancelled", id="begun and cancelled"),
        pytest.param({"recap": [{**RECAP[0], "recalled": "well"}]}, "recap.0.recalled", id="word"),
        pytest.param({"plan": [{"what": "", "minutes": 5}]}, "plan.0.what", id="nameless"),
        pytest.param({"plan": [{"what": "Talk", "minutes": 0}]}, "plan.0.minutes", id="no time"),
        pytest.param({"plan": [{"what": "Talk", "minutes": 5}] * 21}, "plan", id="too many"),
    ],
)
def test_a_lesson_that_cannot_have_been_so_stays_as_it_was(ours, lead, given, field):
    lesson = planned(lead, ours)
    answer = put(lead, lesson, **given)
    assert (answer.status_code, answer.json()["field"]) == (422, field)
    assert Lesson.objects.get().version == 1


def test_a_lesson_that_was_driven_took_place_and_with_that_learner(ours, lead):
    lesson = planned(lead, ours)
    zoe = send(lead, "POST", "/api/people", {"name": "Zoe"}).json()["id"]
    keep(lead, ours)
    for given, field in (({"cancelled": True}, "cancelled"), ({"learner": zoe}, "learner")):
        answer = put(lead, lesson, **given)
        assert (answer.status_code, answer.json()["field"]) == (422, field)
    assert put(lead, lesson, starts=at(30)).status_code == 200


def test_why_it_was_cancelled_goes_when_it_takes_place_after_all(ours, lead):
    lesson = planned(lead, ours)
    gone = put(lead, lesson, cancelled=True, cancelled_because="ice").json()
    assert (gone["cancelled"], gone["cancelled_because"]) == (True, "ice")
    back = put(lead, gone, cancelled=False).json()
    assert (back["cancelled"], back["cancelled_because"]) == (False, "")


def test_nobody_plans_with_what_another_school_has_or_with_a_seat_for_a_ground(ours, theirs, lead):
    wrong = {**docket(ours), "ground": docket(ours)["seat"]}
    for named in (docket(theirs), wrong):
        body = {"learner": ours.members["learner"].pk, "starts": STARTED,
                "plan": [{"what": "Parks", "minutes": 40, "docket": named}]}  # fmt: skip
        assert send(lead, "POST", "/api/lessons", body).status_code == 404
    assert not Lesson.objects.exists()


def test_an_attempt_goes_into_the_lesson_of_its_day_that_is_nearest(ours, lead):
    learner = ours.members["learner"].pk
    early = planned(lead, ours, starts="2026-05-05T07:00:00Z")["id"]
    late = planned(lead, ours, starts="2026-05-05T23:30:00Z")["id"]
    off = planned(lead, ours, starts="2026-05-05T12:00:00Z")
    put(lead, off, cancelled=True)

    def meant(*when):
        found = lesson_at(ours.school, learner, datetime(2026, *when, tzinfo=UTC))
        return found and found.pk

    assert meant(5, 5, 7, 30) == early
    assert meant(5, 5, 12, 30) == early
    assert meant(5, 5, 17, 0) == late
    # After midnight it still goes on; when it is over, nothing of it is left on the new day.
    assert meant(5, 6, 0, 15) == late
    assert meant(5, 6, 0, 45) is None
    # Begun in truth at another hour than it was booked for.
    put(lead, {"id": early, "version": 1}, begun="2026-05-05T16:00:00Z")
    assert meant(5, 5, 17, 30) == early


def test_what_was_driven_before_anything_was_booked_is_taken_in(ours, lead):
    keep(lead, ours)
    other_day = planned(lead, ours, starts="2026-05-06T10:00:00Z")
    same_day = planned(lead, ours, starts="2026-05-05T18:00:00Z")
    assert (other_day["attempts"], same_day["attempts"]) == (0, 1)
    assert put(lead, same_day, about="Evening").json()["attempts"] == 1


def test_attempts_of_old_go_where_a_new_one_would_go(ours, lead):
    ours.school.time_zone = "America/Chicago"
    ours.school.save()
    for starts in ("2026-05-05T02:00:00Z", "2026-05-05T14:00:00Z", "2026-05-05T20:00:00Z"):
        planned(lead, ours, starts=starts)
    when = [BEGUN + timedelta(hours=hours) for hours in (-9, -5, 1, 9, 40)]
    for one in when:
        Attempt.objects.filter(pk=keep(lead, ours)["id"]).update(started=one, lesson=None)
    with connection.cursor() as cursor:
        cursor.execute(import_module("server.lessons.migrations.0009_attempts_in_lessons").NEAREST)
    told = {one.started: one.lesson for one in Attempt.objects.select_related("lesson")}
    learner = ours.members["learner"].pk
    assert told == {one: lesson_at(ours.school, learner, one) for one in when}
    assert len(set(told.values())) == 4


def test_the_summary_tells_the_learner_what_the_lesson_came_to(ours, lead):
    lesson = planned(lead, ours, place="Mill Street")
    looked = {**NOTES, "looks": []}
    for notes in (NOTES, looked):
        tape(lead, keep(lead, ours, notes=notes)["id"], GOOD)
    keep(lead, ours)
    put(lead, lesson, begun=at(2), ended=at(47), recap=RECAP, learnt="Slow hands",
        comes_next="The left side")  # fmt: skip
    answer = ours.client("learner").get(f"/api/lessons/{lesson['id']}/summary")
    assert answer["Content-Type"] == "application/pdf"
    text = " ".join(
        page.extract_text() for page in PdfReader(io.BytesIO(answer.content)).pages
    ).replace("\n", " ")  # fmt: skip
    for told in ("learner of ours", "with lead of ours", "Mill Street",
                 "Driven: 3, taped: 2, met: 2", "not taped", "Slow hands", "The left side",
                 "Look over the shoulder did not come", "Full lock at the mark came alone",
                 "Talk"):  # fmt: skip
        assert told in text, (told, text)


def test_today_is_the_schools_own(ours, lead):
    now = timezone.now()
    # Wherever the sun stands, in one of these another day has begun than in Greenwich.
    ours.school.time_zone = "Pacific/Pago_Pago" if now.hour < 11 else "Pacific/Kiritimati"
    ours.school.save()
    held = planned(lead, ours, starts=now.isoformat())
    planned(lead, ours, starts=(now - timedelta(days=1)).isoformat())
    told = send(lead, "GET", "/api/lessons?when=today").json()["items"]
    assert [one["id"] for one in told] == [held["id"]]


def test_a_lesson_that_was_ended_is_to_come_no_more(ours, lead):
    lesson = planned(lead, ours, starts=(timezone.now() - timedelta(minutes=30)).isoformat())

    def listed(when):
        answer = send(lead, "GET", f"/api/lessons?when={when}").json()
        return lesson["id"] in [one["id"] for one in answer["items"]]

    assert (listed("coming"), listed("given")) == (True, False)
    began, ended = (timezone.now() - timedelta(minutes=minutes) for minutes in (25, 5))
    told = put(lead, lesson, begun=began.isoformat(), ended=ended.isoformat())
    assert told.status_code == 200, told.content
    assert (listed("coming"), listed("given")) == (False, True)
