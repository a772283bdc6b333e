"""What a device sends again since no answer came, or late since there was no line."""

import pytest

from server.lessons.models import Attempt, Lesson
from tests.server.conftest import STARTED, keep, send
from tests.server.test_lessons import booked
from tests.server.test_lessons_opened import planned, put


@pytest.fixture
def lead(ours):
    return ours.client("lead")


def test_a_change_of_a_lesson_stands_beside_what_others_changed_of_it_meanwhile(ours, lead):
    lesson, colleague = planned(lead, ours), ours.client("instructor")
    moved = put(colleague, lesson, place="Mill Street", minutes=90).json()
    # Noted when nobody had moved it yet, and sent when there was a line again.
    late = put(lead, lesson, notes="Bring the cones", begun=STARTED).json()
    assert (late["place"], late["minutes"]) == ("Mill Street", 90)
    assert (late["notes"], late["version"]) == ("Bring the cones", moved["version"] + 1)
    # Of the same nothing is overwritten unseen, neither by new words nor by the old ones.
    for place in ("Quay", lesson["place"]):
        refused = put(lead, lesson, place=place)
        assert (refused.status_code, refused.json()["field"]) == (409, "based_on")
    assert put(lead, late, place="Quay").json()["place"] == "Quay"


def test_what_is_so_already_is_not_done_again(ours, lead):
    lesson = planned(lead, ours)
    once, again = (put(lead, lesson, notes="Bring the cones").json() for _ in range(2))
    assert once["version"] == again["version"] == lesson["version"] + 1
    unknown = put(lead, {**lesson, "version": 40}, notes="Something else")
    assert (unknown.status_code, unknown.json()["field"]) == (409, "based_on")


def test_a_lesson_begun_on_the_spot_is_begun_once(ours, lead):
    at_once = {"starts": STARTED, "begun": STARTED}
    first, again = (booked(lead, ours, **at_once) for _ in range(2))
    assert first["id"] == again["id"]
    later = booked(lead, ours, starts=STARTED, begun="2026-05-05T10:00:01Z")
    booked(ours.client("instructor"), ours, **at_once)
    # One that is only booked may well be booked twice: that is told as a clash.
    for _ in range(2):
        booked(lead, ours, starts=STARTED)
    assert later["id"] != first["id"]
    assert Lesson.objects.count() == 5


def test_notes_put_right_are_put_right_once(ours, lead):
    made = keep(lead, ours)
    path, right = f"/api/attempts/{made['id']}/notes", {**made["notes"], "kerb_touches": 1}
    for _ in range(2):
        told = send(lead, "POST", path, {"based_on": 0, "notes": right})
        assert told.status_code == 201
        assert [one["notes"] for one in told.json()["noted"]] == [made["notes"], right]
    # The very same by somebody else is not the same sent again.
    other = send(ours.client("instructor"), "POST", path, {"based_on": 0, "notes": right})
    assert other.status_code == 409


def test_what_somebody_noted_is_sent_by_nobody_else(ours, lead):
    me, other = ours.members["lead"].pk, ours.members["instructor"].pk
    made = keep(lead, ours)
    path, body = f"/api/attempts/{made['id']}/void", {"void": True}
    refused = lead.put(path, body, "application/json", headers={"X-Person": str(other)})
    assert refused.status_code == 401
    assert not Attempt.objects.get().void
    done = lead.put(path, body, "application/json", headers={"X-Person": str(me)})
    assert done.status_code == 200


def test_a_page_from_the_device_is_given_what_a_letter_needs(client):
    assert "csrftoken" in client.get("/api/session").cookies
