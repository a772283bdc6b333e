"""Somebody's lessons as their own calendar reads them, by a file or by an address of their own."""

from datetime import UTC, datetime, timedelta

import pytest
from icalendar import Calendar

from server.calendars.models import CalendarAddress
from server.lessons.appointments import add_lesson
from server.schools.models import Role
from tests.server.conftest import new_client, send
from tests.server.test_people import change

SOON = datetime.now(UTC).replace(microsecond=0) + timedelta(days=3)


def booked(house, by: str, learner, **given):
    told = {"instructor": None, "minutes": 90, "about": "", "place": "", "notes": "", **given}
    return add_lesson(house.school, house.members[by], learner=learner.pk, starts=SOON, **told)


@pytest.fixture
def lesson(ours):
    return booked(ours, "instructor", ours.members["learner"], about="kerb; and, back",
                  place="Quay", notes="nervous at first")  # fmt: skip


def events(answer):
    assert answer.status_code == 200, answer.content
    assert answer["Content-Type"] == "text/calendar; charset=utf-8"
    return Calendar.from_ical(answer.content).walk("VEVENT")


def test_whoever_takes_or_gives_a_lesson_has_it_in_their_calendar(ours, lesson):
    other = ours.members["trainee"]
    other.role = Role.LEARNER
    other.save()
    booked(ours, "lead", other)
    # Each hears of the other one, and nobody of what is noted or of others' lessons.
    told = {"learner": "instructor", "instructor": "learner", "lead": "trainee"}
    for who, whom in told.items():
        answer = ours.client(who).get("/api/calendar.ics")
        (event,) = events(answer)
        assert event["SUMMARY"] == f"Driving lesson with {ours.members[whom].name}"
        assert b"nervous" not in answer.content
    (event,) = events(ours.client("learner").get("/api/calendar.ics"))
    assert (event.start, event.end) == (SOON, SOON + timedelta(minutes=90))
    assert (event["DESCRIPTION"], event["LOCATION"]) == ("kerb; and, back", "Quay")


def test_a_lesson_moved_or_cancelled_is_the_same_one_and_newer(ours, lesson):
    lead = ours.client("lead")
    before = events(ours.client("learner").get("/api/calendar.ics"))[0]
    changed = {"learner": lesson.learner_id, "instructor": lesson.instructor_id, "based_on": 1,
               "starts": (SOON + timedelta(days=1)).isoformat(), "cancelled": True}  # fmt: skip
    assert send(lead, "PUT", f"/api/lessons/{lesson.pk}", changed).status_code == 200
    (after,) = events(ours.client("learner").get("/api/calendar.ics"))
    assert (after["UID"], after.start) == (before["UID"], SOON + timedelta(days=1))
    assert (before["STATUS"], after["STATUS"]) == ("CONFIRMED", "CANCELLED")
    assert (before["SEQUENCE"], after["SEQUENCE"]) == (1, 2)


def test_an_address_is_a_secret_that_can_be_made_anew_and_withdrawn(ours, lesson):
    mine, calendar = ours.client("learner"), new_client()
    assert mine.get("/api/calendar").json() == {"made": None}
    first = send(mine, "POST", "/api/calendar").json()
    assert mine.get("/api/calendar").json() == {"made": first["made"]}
    assert len(events(calendar.get(first["address"]))) == 1
    # Of what is kept nobody makes the address again.
    assert CalendarAddress.objects.get().digest not in first["address"]
    second = send(mine, "POST", "/api/calendar").json()
    assert calendar.get(first["address"]).status_code == 404
    # It opens nothing else, and is dead while its owner does not come.
    assert len(events(calendar.get(second["address"]))) == 1
    assert calendar.get("/api/calendar").status_code == 401
    lead, learner = ours.client("lead"), ours.members["learner"].pk
    change(lead, learner, active=False)
    assert calendar.get(second["address"]).status_code == 404
    change(lead, learner)
    assert send(mine, "DELETE", "/api/calendar").status_code == 204
    assert calendar.get(second["address"]).status_code == 404
