"""Who is in a school, how they come to sign in, and how that ends."""

import re
from datetime import timedelta

import pytest
from django.contrib.auth import tokens

from tests.server.conftest import PASSWORD, build_house, send

CHOSEN = {"username": "milo", "password": "violet-harbour-9"}


@pytest.fixture
def ours(db):
    return build_house("ours")


def add(client, **given):
    return send(client, "POST", "/api/people", {"name": "Milo Hart", **given})


def link_of(client, person):
    made = send(client, "POST", f"/api/people/{person}/link", {"send": False})
    assert made.status_code == 201, made.content
    query = made.json()["path"].partition("?")[2]
    return dict(pair.split("=", 1) for pair in query.split("&"))


def change(client, person, **changed):
    body = {"name": "Milo Hart", "note": "", "email": "", "active": True, **changed}
    return send(client, "PUT", f"/api/people/{person}", body)


def signed_in(client):
    return client.get("/api/session").json()["person"]


def test_a_link_lets_its_person_choose_how_to_sign_in_once(ours, client):
    person = add(ours.client("instructor")).json()
    assert (person["role"], person["signs_in_as"], person["active"]) == ("learner", "", True)
    link = link_of(ours.client("instructor"), person["id"])
    shown = client.get("/api/join", link).json()
    assert shown == {"name": "Milo Hart", "school": "ours", "signs_in_as": ""}
    easy = send(client, "POST", "/api/join", {**link, **CHOSEN, "password": "12345678901"})
    assert (easy.status_code, easy.json()["field"]) == (422, "password")
    taken = send(client, "POST", "/api/join", {**link, **CHOSEN, "username": "lead@ours"})
    assert (taken.status_code, taken.json()["field"]) == (422, "username")
    assert send(client, "POST", "/api/join", {**link, **CHOSEN}).status_code == 200
    assert signed_in(client)["id"] == person["id"]
    assert send(client, "POST", "/api/join", {**link, **CHOSEN}).status_code == 410
    client.logout()
    assert send(client, "POST", "/api/session", CHOSEN).status_code == 200
    # A link for a new password keeps the name.
    assert (
        client.get("/api/join", link_of(ours.client("lead"), person["id"])).json()["signs_in_as"]
        == CHOSEN["username"]
    )


def test_a_link_is_one_persons_and_runs_out(ours, client, monkeypatch):
    lead = ours.client("lead")
    mine, other = (link_of(lead, add(lead, name=name).json()["id"]) for name in ("One", "Two"))
    mixed = {"who": mine["who"], "token": other["token"]}
    for link in (mixed, {**mine, "who": "!"}, {**mine, "token": "forged"}):
        assert client.get("/api/join", link).status_code == 410
        assert send(client, "POST", "/api/join", {**link, **CHOSEN}).status_code == 410
    now = tokens.PasswordResetTokenGenerator._now

    def later(self):
        return now(self) + timedelta(days=3, minutes=1)

    monkeypatch.setattr(tokens.PasswordResetTokenGenerator, "_now", later)
    assert client.get("/api/join", mine).status_code == 410


@pytest.mark.parametrize("role", ["trainee", "instructor", "lead"])
def test_only_a_lead_looks_after_those_who_teach(ours, role):
    instructor, lead = ours.client("instructor"), ours.client("lead")
    assert add(instructor, role=role).status_code == 403
    person = add(lead, role=role).json()["id"]
    assert (
        send(instructor, "POST", f"/api/people/{person}/link", {"send": False}).status_code == 403
    )
    assert change(instructor, person, active=False).status_code == 403
    assert change(lead, person, name="Another").json()["name"] == "Another"


def test_who_comes_no_more_is_out_at_once_and_can_come_again(ours, client):
    lead, learner = ours.client("lead"), ours.members["learner"]
    theirs = ours.client("learner")
    link = link_of(lead, learner.pk)
    assert change(lead, learner.pk, active=False).status_code == 200
    assert send(theirs, "GET", "/api/docket").status_code == 401
    given = {"username": "learner@ours", "password": PASSWORD}
    assert send(client, "POST", "/api/session", given).status_code == 401
    assert client.get("/api/join", link).status_code == 410
    # Nothing that they drove is gone, and whom the docket begins with still comes.
    assert send(lead, "GET", f"/api/docket?learner={learner.pk}").json()["sheet_id"]
    add(lead, name="Zoe")
    assert send(lead, "GET", "/api/docket").json()["learner"]["name"] == "Zoe"
    assert change(lead, learner.pk).status_code == 200
    assert send(client, "POST", "/api/session", given).status_code == 200


def test_a_session_opened_by_older_code_goes_on(ours, client):
    client.force_login(ours.members["learner"].user, "django.contrib.auth.backends.ModelBackend")
    assert send(client, "GET", "/api/docket").status_code == 200


def test_somebody_leads_the_school_always(ours):
    lead, me = ours.client("lead"), ours.members["lead"].pk
    alone = change(lead, me, active=False)
    assert (alone.status_code, alone.json()["field"]) == (422, "active")
    add(lead, role="lead")
    assert change(lead, me, active=False).status_code == 200


def test_what_somebody_may_is_changed_by_the_lead_alone(ours):
    lead, instructor = ours.client("lead"), ours.client("instructor")
    me, trainee = ours.members["lead"].pk, ours.members["trainee"].pk
    learner = ours.members["learner"].pk
    assert change(instructor, trainee, role="instructor").status_code == 403
    assert change(lead, trainee, role="instructor").json()["role"] == "instructor"
    assert change(lead, trainee).json()["role"] == "instructor"
    before = send(lead, "GET", f"/api/people/{trainee}/history").json()[-1]
    assert before["role"] == "trainee"
    for client, who, role in (
        (instructor, learner, "lead"), (lead, learner, "trainee"), (lead, trainee, "learner"),
        (lead, me, "instructor"),
    ):  # fmt: skip
        refused = change(client, who, role=role)
        assert (refused.status_code, refused.json()["field"]) == (422, "role")
    add(lead, role="lead")
    assert change(lead, me, role="instructor").json()["role"] == "instructor"
    assert change(lead, me, role="lead").status_code == 403


def test_ones_own_password_is_changed_by_who_knows_it(ours):
    here, elsewhere = ours.client("instructor"), ours.client("instructor")
    path, new = "/api/session/password", CHOSEN["password"]
    wrong = send(here, "PUT", path, {"now": "not this one", "password": new})
    assert (wrong.status_code, wrong.json()["field"]) == (422, "now")
    easy = send(here, "PUT", path, {"now": PASSWORD, "password": "short"})
    assert (easy.status_code, easy.json()["field"]) == (422, "password")
    assert send(here, "PUT", path, {"now": PASSWORD, "password": new}).status_code == 204
    assert signed_in(here)
    # Whoever was signed in by the old one is out.
    assert signed_in(elsewhere) is None


def test_a_link_goes_by_letter_where_letters_are_taken(ours, client, settings, mailoutbox):
    lead = ours.client("lead")
    person = add(lead, email="milo@example.org").json()["id"]
    path = f"/api/people/{person}/link"
    without = send(lead, "POST", path, {"send": True})
    assert (without.status_code, without.json()["field"]) == (422, "send")
    settings.EMAIL_HOST = "mail.example.org"
    assert send(lead, "POST", path, {"send": True}).json()["sent_to"] == "milo@example.org"
    (letter,) = mailoutbox
    assert (letter.to, letter.subject) == (["milo@example.org"], "Your way into ours")
    # What stands in the letter opens the door.
    query = re.search(r"http://testserver/join\?(\S+)", letter.body)[1]
    link = dict(pair.split("=", 1) for pair in query.split("&"))
    assert send(client, "POST", "/api/join", {**link, **CHOSEN}).status_code == 200
    unknown = add(lead, name="Nobody").json()["id"]
    asked = send(lead, "POST", f"/api/people/{unknown}/link", {"send": True})
    assert "Nobody" in asked.json()["problem"]
    assert (add(lead, email="no address").status_code, len(mailoutbox)) == (422, 1)


def test_what_somebody_was_called_stays(ours):
    lead, instructor = ours.client("lead"), ours.client("instructor")
    person = add(lead, note="Tuesdays").json()["id"]
    change(instructor, person, name="Milo Hart-Fern", email="milo@example.org")
    now, before = send(lead, "GET", f"/api/people/{person}/history").json()
    assert (now["name"], now["by"]) == ("Milo Hart-Fern", "instructor of ours")
    assert (before["name"], before["note"], before["by"]) == (
        "Milo Hart", "Tuesdays", "lead of ours"
    )  # fmt: skip


def test_people_are_found_and_come_by_pages(ours):
    lead = ours.client("lead")
    for name in ("Zoe Lark", "abel Finch", "Zora Finch"):
        add(lead, name=name)

    def names(**asked):
        page = lead.get("/api/people", asked).json()
        return [person["name"] for person in page["items"]], page["count"]

    assert names(search="fin zo") == (["Zora Finch"], 1)
    assert names(search="Finch") == (["abel Finch", "Zora Finch"], 2)
    assert names(search="finch", sort="-name") == (["Zora Finch", "abel Finch"], 2)
    assert names(role="learner", limit=2, offset=2) == (["Zoe Lark", "Zora Finch"], 4)
    # However full the page is, and where there is none any more.
    assert [names(role="learner", limit=2, offset=by)[1] for by in (0, 1, 3, 4, 9)] == [4] * 5
    assert names(teaches=True)[1] == len(ours.members) - 1
    away = lead.get("/api/people", {"search": "abel"}).json()["items"][0]["id"]
    change(lead, away, name="abel Finch", active=False)
    assert names(search="Finch", active=True) == (["Zora Finch"], 1)
    assert lead.get("/api/people", {"limit": 501}).status_code == 422
