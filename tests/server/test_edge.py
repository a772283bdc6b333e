"""What comes in is looked at for every field at once; what goes wrong leaves in one shape."""

import json
import os
import re
import secrets
import subprocess
import sys
from socket import socketpair

import pytest
from django.contrib.auth.hashers import check_password, identify_hasher, make_password
from django.test import Client, override_settings

from house.shell import ROOT
from server.settings import PASSWORD_HASHERS
from tests.server.conftest import NOTES, PASSWORD, send

SHAPE = {"field", "label", "problem"}


def problem(answer, status):
    assert answer.status_code == status, answer.content
    told = answer.json()
    assert set(told) == SHAPE
    assert told["problem"]
    return told


@pytest.mark.parametrize(
    ("body", "field", "said"),
    [
        pytest.param('{"name": "Nul\\u0000", "role": "learner"}', "name", "NUL", id="NUL"),
        pytest.param('{"name": "Half \\ud800"}', "name", "U\\+D800", id="half a character"),
        pytest.param('{"who": [{"note\\u0000": 1}]}', "who.0", "NUL", id="a name"),
        pytest.param('{"seconds": NaN}', "", "NaN is no number", id="no number"),
        pytest.param("[" * 60 + "]" * 60, "", "40 deep", id="too deep"),
        pytest.param("[" * 100_000, "", "40 deep", id="far too deep"),
        pytest.param('{"name": ', "", "no JSON", id="no JSON"),
        pytest.param("\xff", "", "no JSON", id="no text"),
    ],
)
@pytest.mark.parametrize("path", ["/api/people", "/api/session", "/api/begin", "/api/backing"])
def test_what_cannot_be_kept_is_refused_wherever_it_comes_in(ours, path, body, field, said):
    client = ours.client("lead")
    answer = client.generic("POST", path, body.encode("latin-1"), content_type="application/json")
    told = problem(answer, 422)
    assert told["field"] == field
    assert re.search(said, told["problem"])


def test_a_query_is_looked_at_too_and_its_field_is_named(ours):
    lead = ours.client("lead")
    assert problem(lead.get("/api/people", {"search": "a\0"}), 422)["field"] == "search"
    assert problem(lead.get("/api/people", {"limit": "many"}), 422)["field"] == "limit"
    assert problem(lead.get("/api/people", {"role": "king"}), 422)["field"] == "role"


@pytest.mark.parametrize(
    ("started", "kept"),
    [
        ("1900-01-01T00:00:00+14:00", True),
        ("2199-12-31T23:59:59-14:00", True),
        ("0001-01-01T00:00:00+14:00", False),
        ("1899-12-31T23:59:59Z", False),
        ("2200-01-02T00:00:00Z", False),
        ("9999-12-31T23:59:59-14:00", False),
        ("2026-05-05T10:00:00+23:00", True),
        ("2026-05-05T10:00:00", False),
    ],
)
def test_a_time_is_kept_and_given_back_or_refused_by_its_field(ours, started, kept):
    lead = ours.client("lead")
    body = {"id": "0b57c7f4-7f2d-4a4a-9d53-66f7a7b1f0aa", "sheet": ours.sheet.pk,
            "started": started, "notes": NOTES}  # fmt: skip
    answer = send(lead, "POST", "/api/attempts", body)
    if kept:
        assert answer.status_code == 201, answer.content
    else:
        assert problem(answer, 422)["field"] == "started"
    lesson = {"learner": ours.members["learner"].pk, "starts": started}
    booked = send(lead, "POST", "/api/lessons", lesson)
    assert (booked.status_code == 201) == (kept or started == "2026-05-05T10:00:00")
    # Whatever was kept, everything that shows it goes on answering.
    for path in ("/api/lessons", f"/api/attempts?sheet={ours.sheet.pk}",
                 f"/api/sets?sheet={ours.sheet.pk}", "/api/standings?learner=1"):  # fmt: skip
        assert lead.get(path).status_code == 200, path


def test_errors_of_the_framework_have_our_shape_too(ours, monkeypatch):
    lead = ours.client("lead")
    problem(lead.get("/api/nothing/at/all"), 404)
    told = lead.patch("/api/session")
    problem(told, 405)
    assert "POST" in told["Allow"]
    problem(lead.generic("POST", "/api/people", "x" * 1_100_000, "application/json"), 413)
    stranger = {"username": "lead", "password": "unknown"}
    problem(
        Client(enforce_csrf_checks=True).post("/api/session", stranger, "application/json"), 403
    )
    problem(Client().get("/api/people"), 401)
    problem(lead.get("/api/people", headers={"host": "elsewhere.example"}), 400)

    def fail(*_args, **_more):
        raise RuntimeError("as it should not")

    monkeypatch.setattr("server.planning.services.make_plan", fail)
    monkeypatch.setattr("server.planning.services.cache.get", lambda _key: None)
    lead.raise_request_exception = False
    docket = {kind: revision.pk for kind, revision in ours.revisions.items()}
    assert "not your fault" in problem(send(lead, "POST", "/api/plan", docket), 500)["problem"]


def test_every_operation_tells_what_it_may_answer_with_when_it_fails():
    described = json.loads((ROOT / "docs/formats/openapi.json").read_text())
    for path, operations in described["paths"].items():
        for method, operation in operations.items():
            missing = {"401", "403", "404", "422", "429", "500"} - operation["responses"].keys()
            assert not missing, (method, path)


def test_the_page_runs_no_script_but_its_own(client):
    policy = client.get("/")["Content-Security-Policy"]
    told = dict(part.strip().split(" ", 1) for part in policy.split(";"))
    assert told["script-src"] == "'self'"
    assert told["frame-ancestors"] == "'none'"


def test_a_password_is_kept_memory_hard_and_an_older_one_still_opens():
    # Where tests hash quickly, the settings' own hashers are asked for.
    with override_settings(PASSWORD_HASHERS=PASSWORD_HASHERS):
        kept = make_password("a-long-enough-word")
        assert kept.startswith("argon2$argon2id$v=19$m=47104,t=2,p=1$")
        assert identify_hasher(kept).verify("a-long-enough-word", kept)
        older = make_password("a-long-enough-word", hasher="pbkdf2_sha256")
        renewed = []
        assert check_password("a-long-enough-word", older, setter=renewed.append)
        assert renewed == ["a-long-enough-word"]


def test_served_over_https_django_finds_nothing_to_warn_of():
    env = {**os.environ, "FAIR_CORNER_HTTPS": "1", "FAIR_CORNER_BEHIND_FRONT": "1",
           "FAIR_CORNER_SECRET_KEY": secrets.token_urlsafe(48)}  # fmt: skip
    # What the browser's tests ask of this process is theirs alone.
    env.pop("DJANGO_ALLOW_ASYNC_UNSAFE", None)
    command = [sys.executable, "manage.py", "check", "--deploy", "--fail-level", "WARNING"]
    done = subprocess.run(command, cwd=ROOT, env=env, capture_output=True, text=True, check=False)
    assert done.returncode == 0, done.stderr


def test_whoever_has_hung_up_is_not_worked_for(ours, settings):
    """A connection as gunicorn hands it on: its other end is a person's, who goes."""
    # What was worked out in an earlier run takes no work.
    settings.CACHES = {"default": {"BACKEND": "django.core.cache.backends.dummy.DummyCache"}}
    docket = {kind: revision.pk for kind, revision in ours.revisions.items()}
    here, there = socketpair()
    with here, there:
        lead = ours.client("lead")
        asked = {**docket, "options": {"gap_m": 1.05}}

        def ask():
            return lead.post(
                "/api/plan", asked, "application/json", **{"gunicorn.socket": here}
            ).status_code

        there.close()
        assert ask() == 499
    here, there = socketpair()
    with here, there:
        assert ask() == 200


def test_whoever_guesses_locks_out_strangers_and_nobody_who_has_been_let_in(ours):
    """All at one address, as a school's tablets are."""
    member = ours.members["instructor"]
    name = member.user.username

    def opens(client, password):
        body = {"username": name, "password": password}
        return send(client, "POST", "/api/session", body).status_code

    known, stranger, other = Client(), Client(), Client()
    assert opens(known, PASSWORD) == 200
    assert [opens(stranger, "a guess") for _ in range(9)] == [401] * 7 + [429] * 2
    right = {"username": name, "password": PASSWORD}
    answer = send(stranger, "POST", "/api/session", right)
    assert answer.status_code == 429
    assert "wait a quarter of an hour" in answer.json()["problem"]
    # The one who has been let in from there is; and so is anybody else.
    assert opens(known, PASSWORD) == 200
    lead = {"username": ours.members["lead"].user.username, "password": PASSWORD}
    assert send(other, "POST", "/api/session", lead).status_code == 200
    # Nobody else's cookie opens for them, nor one made up.
    (mine,) = (key for key in known.cookies if key.startswith("known-"))
    (theirs,) = (key for key in other.cookies if key.startswith("known-"))
    assert mine != theirs
    for value in (other.cookies[theirs].value, known.cookies[mine].value[:-1] + "_", "made up"):
        stranger.cookies[mine] = value
        assert opens(stranger, PASSWORD) == 429
    # And whoever guesses from there is stopped there.
    assert [opens(known, "a guess") for _ in range(9)][-1] == 429
    assert opens(known, PASSWORD) == 429
