"""docs/rights.md is what every role may do: each of its rows is tried by each of its columns."""

import json
import re
from dataclasses import replace

import pytest

from house.shell import ROOT
from server.documents.services import create_document
from server.planning.services import make_sheet
from server.schools.models import Role
from tests.server.conftest import new_client, send
from tests.server.test_schools_apart import (
    NAMELESS,
    operations,
    requests_naming,
    with_one_id_of,
)

ROW = re.compile(
    r"^\| `(\w+)` \|[^|]*\| (\S+) \| (\S+) \| (\S+) \| (\S+) \| (\S+) \|$", re.MULTILINE
)
COLUMNS = ("lead", "instructor", "trainee", "learner", "nobody")
TOLD = {
    name: dict(zip(COLUMNS, may, strict=True))
    for name, *may in ROW.findall((ROOT / "docs/rights.md").read_text())
}


def test_every_operation_has_its_row_and_no_other():
    assert set(TOLD) == operations()
    assert {may for row in TOLD.values() for may in row.values()} == {"yes", "own", "no"}


# What takes long, of what is not there: whether somebody may is asked before that.
LONG = {"sheet_card": ("GET", "/api/sheets/0/card"), "plan_card": ("POST", "/api/plan/card"),
        "plan_film": ("POST", "/api/plan/film")}  # fmt: skip


@pytest.mark.parametrize("who", COLUMNS)
def test_whoever_may_not_is_turned_away_and_nobody_else(ours, who):
    asked = requests_naming(ours)
    for name, where in LONG.items():
        asked[name] = (*where, {**(asked[name][2] or {}), "vehicle": 0})
    for name in sorted(TOLD, key=lambda name: name == "session_close"):
        method, path, body = asked[name]
        client = new_client() if who == "nobody" else ours.client(who)
        status = send(client, method, path, body).status_code
        turned_away = status == 401 if who == "nobody" else status == 403
        assert turned_away == (TOLD[name][who] == "no"), (name, status)


def test_a_learner_reaches_only_what_is_their_own(ours):
    """Whatever names another learner of the same school is as if it were not there."""
    second = ours.members["trainee"]
    second.role = Role.LEARNER
    second.save()
    sheet = make_sheet(ours.school, learner_id=second.pk, revisions=ours.revisions, options={})
    others = replace(ours, members={**ours.members, "learner": second}, sheet=sheet)
    named = requests_naming(others)
    for name in (name for name, may in TOLD.items() if may["learner"] == "own"):
        method, path, body = named[name]
        answer = send(ours.client("learner"), method, path, body)
        if answer.status_code == 200:
            told = json.dumps(answer.json())
            assert second.name not in told, name
            assert f'"learner_id": {second.pk}' not in told, name
        else:
            assert answer.status_code == 404, (name, answer.status_code)


def test_one_thing_of_another_learner_among_ones_own_is_as_if_it_were_not_there(ours):
    second = ours.members["trainee"]
    second.role = Role.LEARNER
    second.save()
    ours.revisions["seat"].document.sitter = ours.members["learner"]
    ours.revisions["seat"].document.save()
    seat = create_document(
        ours.school, kind="seat", body=ours.revisions["seat"].body, sitter_id=second.pk,
        vehicle_id=ours.revisions["vehicle"].document_id,
    )  # fmt: skip
    revisions = {**ours.revisions, "seat": seat}
    sheet = make_sheet(ours.school, learner_id=second.pk, revisions=revisions, options={})
    own = requests_naming(ours)
    members = {**ours.members, "learner": second}
    foreign = requests_naming(replace(ours, members=members, revisions=revisions, sheet=sheet))
    allowed = {name for name, may in TOLD.items() if may["learner"] != "no"} - NAMELESS
    client = ours.client("learner")
    tried = [(n, r) for n in allowed for r in with_one_id_of(foreign[n], own[n])]
    assert len(tried) > 20
    for name, request in tried:
        assert send(client, *request).status_code == 404, (name, request)


def test_a_learner_finds_their_own_seats_and_reads_no_note_about_themselves(ours):
    learner, body = ours.members["learner"], ours.revisions["seat"].body
    learner.note = "tires early"
    learner.save()
    vehicle = ours.revisions["vehicle"].document_id
    hers, another = (
        create_document(
            ours.school, kind="seat", body={**body, "name": name}, vehicle_id=vehicle,
            sitter_id=sitter,
        )
        for name, sitter in (("hers", learner.pk), ("another's", None))
    )  # fmt: skip
    client = ours.client("learner")
    listed = send(client, "GET", "/api/documents?kind=seat&limit=500").json()["items"]
    # Hers by name, and the one that she has driven in.
    assert {one["id"] for one in listed} == {
        hers.document_id, ours.revisions["seat"].document_id
    }  # fmt: skip
    beside = send(client, "GET", "/api/documents?kind=vehicle").content.decode()
    assert "another's" not in beside
    path = f"/api/documents/{another.document_id}/revisions"
    assert send(client, "GET", path).status_code == 404
    assert send(ours.client("trainee"), "GET", path).status_code == 200
    for path in ("/api/people", "/api/session"):
        assert "tires" not in send(client, "GET", path).content.decode()
    assert "tires" in send(ours.client("trainee"), "GET", "/api/people").content.decode()
