"""A school begins once by its one-time address, with a library of its own."""

import pytest
from django.contrib.auth.models import User
from django.core import signing
from faircorner.documents.library import methods

from server.documents.models import Document
from server.founding.services import found, new_key
from server.schools.models import Member, School
from tests.server.conftest import build_house, send

GIVEN = {
    "name": "Copper Bend Driving", "place": "Copper Bend", "keeps": "right", "units": "imperial",
    "locale": "en-US", "time_zone": "America/Denver", "lead": "Ada Fern", "username": "ada",
    "password": "violet-harbour-9",
}  # fmt: skip


def begin(client, key, **changed):
    return send(client, "POST", "/api/begin", {**GIVEN, "key": key, **changed})


def test_the_first_lead_begins_a_school_and_is_in_it(client, db):
    key = new_key()
    assert client.get("/api/begin", {"key": key}).json()["open"]
    answer = begin(client, key)
    assert answer.status_code == 201, answer.content
    session = client.get("/api/session").json()
    assert session["person"]["role"] == "lead"
    school = {k: v for k, v in GIVEN.items() if k not in ("lead", "username", "password")}
    assert session["school"].items() >= school.items()
    names = {d["latest"]["name"] for d in client.get("/api/documents?kind=method").json()["items"]}
    assert names == set(methods())
    # Every kind of place has limits to judge by, told as nobody's but the house's.
    standards = client.get("/api/documents?kind=standard").json()["items"]
    assert len({d["latest"]["body"]["manoeuvre"] for d in standards}) == 5
    assert all("not an authority's" in d["latest"]["body"]["authority"] for d in standards)


def test_an_address_opens_nothing_twice_nor_after_its_day(client, db, monkeypatch):
    key = new_key()
    assert begin(client, "begin:forged").status_code == 410
    monkeypatch.setattr(signing.time, "time", lambda at=signing.time.time: at() + 90_000)
    assert begin(client, key).status_code == 410
    monkeypatch.undo()
    assert begin(client, key).status_code == 201
    assert not client.get("/api/begin", {"key": key}).json()["open"]
    again = begin(client, key, name="Another", username="bo")
    assert again.status_code == 410
    assert School.objects.count() == 1


@pytest.mark.parametrize(
    ("changed", "field"),
    [
        ({"name": "  "}, "name"), ({"lead": " "}, "lead"), ({"username": "a b"}, "username"),
        ({"password": "short"}, "password"), ({"password": "1234567890123"}, "password"),
        ({"password": "password123"}, "password"),
        ({"username": "copperbend", "password": "copperbend1"}, "password"),
        ({"time_zone": "Mars/Olympus"}, "time_zone"), ({"locale": "xx"}, "locale"),
    ],
)  # fmt: skip
def test_what_cannot_be_is_named_and_begins_nothing(client, db, changed, field):
    answer = begin(client, new_key(), **changed)
    assert (answer.status_code, answer.json()["field"]) == (422, field)
    assert not School.objects.exists()
    assert not User.objects.exists()
    assert not Document.objects.exists()


def test_from_the_shell_a_second_school_begins_beside_the_first(db):
    ours = build_house("ours")
    lead = found(**GIVEN)
    assert lead.school != ours.school
    with pytest.raises(Exception, match="somebody signs in with that name already"):
        found(**{**GIVEN, "name": "Another"})
    with pytest.raises(Exception, match="there is a school of that name already"):
        found(**{**GIVEN, "username": "bo"})
    assert Member.objects.filter(school__name="Another").count() == 0


def test_a_school_that_lacks_something_is_told_what(client, db):
    lead = found(**GIVEN)
    client.force_login(lead.user, backend="server.schools.backend.MemberSessions")
    ours = build_house("ours")
    for kind in ("learner", "seat", "ground"):
        answer = send(client, "GET", "/api/docket")
        assert (answer.status_code, answer.json()["field"]) == (409, kind)
        if kind == "learner":
            send(client, "POST", "/api/people", {"name": "Milo"})
            continue
        vehicle = ours.revisions["vehicle"].body
        made = send(client, "POST", "/api/documents", {"kind": "vehicle", "body": vehicle}).json()
        body = {"kind": kind, "body": ours.revisions[kind].body}
        if kind == "seat":
            body["vehicle_id"] = made["document_id"]
        assert send(client, "POST", "/api/documents", body).status_code == 201
    whole = send(client, "GET", "/api/docket")
    assert whole.status_code == 200
    assert whole.json()["learner"]["name"] == "Milo"


@pytest.mark.parametrize(
    ("path", "body", "field", "told"),
    [
        ("/api/vehicles/usual", {"shape": "saloon", "length_m": 457.2}, "length_m", "got 1500 ft"),
        ("/api/vehicles/usual", {"shape": "boat"}, "shape", "got 'boat'"),
    ],
)
def test_a_limit_on_a_request_is_told_with_what_was_given(client, db, path, body, field, told):
    lead = found(**GIVEN)
    client.force_login(lead.user, backend="server.schools.backend.MemberSessions")
    answer = send(client, "POST", path, body)
    assert (answer.status_code, answer.json()["field"]) == (422, field)
    assert told in answer.json()["problem"]
