"""The page itself, sessions, and what a browser is told to keep."""

import re

import pytest
from django.test import Client

from tests.server.conftest import PASSWORD, send


@pytest.mark.parametrize("path", ["/", "/cues", "/tape?learner=3", "/people", "/no/such/page"])
def test_every_address_of_its_own_is_the_one_page(client, path):
    answer = client.get(path)
    assert answer.status_code == 200
    assert b'<div id="root">' in answer.content
    assert "no-store" in answer["Cache-Control"] or "no-cache" in answer["Cache-Control"]
    assert "csrftoken" in answer.cookies


def test_hashed_files_are_kept_for_ever_and_nothing_comes_from_elsewhere(client):
    page = client.get("/").content.decode()
    assert not re.search(r'(?:src|href)="https?://', page)
    script = re.search(r'src="(/assets/[^"]+\.js)"', page).group(1)
    answer = client.get(script)
    assert answer.status_code == 200
    assert "immutable" in answer["Cache-Control"]


def test_an_api_path_that_is_not_there_is_not_the_page(client):
    assert client.get("/api/nothing").status_code == 404


def test_signing_in_opens_a_session_and_out_closes_it(ours):
    client = Client()
    opened = send(client, "POST", "/api/session",
                  {"username": "lead@ours", "password": PASSWORD})  # fmt: skip
    assert opened.json()["school"]["name"] == "ours"
    assert opened.cookies["sessionid"]["httponly"]
    assert send(client, "GET", "/api/people").status_code == 200
    assert send(client, "DELETE", "/api/session").status_code == 204
    assert send(client, "GET", "/api/people").status_code == 401
    assert send(client, "GET", "/api/session").json() == {
        "person": None, "school": None, "sends_mail": False
    }  # fmt: skip


def test_a_form_from_another_site_cannot_act_for_a_signed_in_person(ours):
    client = Client(enforce_csrf_checks=True)
    client.force_login(ours.members["lead"].user, backend="server.schools.backend.MemberSessions")
    body = {"name": "Planted"}
    assert send(client, "POST", "/api/people", body).status_code == 403
    client.get("/")
    token = client.cookies["csrftoken"].value
    answer = client.post("/api/people", body, content_type="application/json",
                         headers={"X-CSRFToken": token})  # fmt: skip
    assert answer.status_code == 201


def test_a_learner_is_added_with_a_name_and_no_way_in(ours):
    lead = ours.client("lead")
    made = send(lead, "POST", "/api/people", {"name": "  New Person ", "note": "mornings"})
    assert made.json()["name"] == "New Person"
    assert made.json()["role"] == "learner"
    refused = send(lead, "POST", "/api/people", {"name": "   "})
    assert (refused.status_code, refused.json()["field"]) == (422, "name")
