"""Sets belong to documents: no revision, setting or colleague takes a sheet out of sight."""

import pytest

from server.fingerprint import fingerprint
from server.planning.models import CueSheet
from tests.server.conftest import keep, send
from tests.server.test_lessons import GOOD, tape


@pytest.fixture
def lead(ours):
    return ours.client("lead")


def asked(house, **options):
    docket = {kind: revision.pk for kind, revision in house.revisions.items()}
    return {**docket, "learner": house.members["learner"].pk, "options": options}


def sheet_of(lead, body):
    answer = send(lead, "POST", "/api/sheets", body)
    assert answer.status_code == 201, answer.content
    return answer.json()["id"]


def docket(lead, asked=""):
    return send(lead, "GET", f"/api/docket{asked}").json()


def revised(lead, revision, **change):
    path = f"/api/documents/{revision.document_id}/revisions"
    body = {"based_on": 1, "body": {**revision.body, **change}}
    return send(lead, "POST", path, body).json()["id"]


def test_a_sheet_used_again_is_the_one_that_is_driven(ours, lead):
    first = sheet_of(lead, asked(ours, gap_m=1.0))
    second = sheet_of(lead, asked(ours, gap_m=0.9))
    assert docket(lead)["sheet_id"] == second
    assert sheet_of(lead, asked(ours, gap_m=1.0)) == first
    found = docket(lead)
    assert (found["sheet_id"], found["sheet_options"]["gap_m"]) == (first, 1.0)
    # An attempt on another takes that one up; a slider's last digit makes no other sheet.
    keep(lead, ours, sheet=second)
    assert docket(lead)["sheet_id"] == second
    assert sheet_of(lead, asked(ours, gap_m=0.8999999999999999)) == second
    assert CueSheet.objects.count() == 3


@pytest.mark.parametrize("kind", ["vehicle", "seat", "ground", "method", "standard"])
def test_a_new_revision_hides_nothing_and_is_told(ours, lead, kind):
    attempt = keep(lead, ours)["id"]
    tape(lead, attempt, GOOD)
    newer = revised(lead, ours.revisions[kind], name="Taped again")
    found = docket(lead)
    assert (found["sheet_id"], found["attempts"], found["taped"]) == (ours.sheet.pk, 1, 1)
    assert [(s["kind"], s["number"], s["another"]) for s in found["since"]] == [(kind, 2, False)]
    # What was begun goes on: another attempt on the sheet as it was, taped and counted.
    tape(lead, keep(lead, ours)["id"], GOOD)
    up_to_date = {**asked(ours), kind: newer}
    after = sheet_of(lead, up_to_date)
    found = docket(lead)
    assert (found["sheet_id"], found["since"], found["attempts"]) == (after, [], 2)
    sets = send(lead, "GET", f"/api/sets?sheet={after}").json()["items"]
    assert [(s["sheet_id"], s["counted"]) for s in sets] == [(ours.sheet.pk, 2), (after, 0)]
    head, named = (change["text"] for change in sets[1]["changes"])
    assert head.startswith(kind)
    assert head.endswith("revision 2, was 1")
    assert named == f"name Taped again, was {ours.revisions[kind].body['name']}"
    # The older one is found by the address, and driven as it was.
    older = docket(lead, f"?sheet={ours.sheet.pk}")
    assert (older["sheet_id"], older["since"][0]["kind"]) == (ours.sheet.pk, kind)


def test_another_standard_begins_no_other_set(ours, lead):
    keep(lead, ours)
    body = {**ours.revisions["standard"].body, "name": "The county's"}
    made = send(lead, "POST", "/api/documents", {"kind": "standard", "body": body}).json()
    found = docket(lead, f"?standard={made['document_id']}")
    (since,) = found["since"]
    assert (found["sheet_id"], found["attempts"]) == (ours.sheet.pk, 1)
    assert (since["another"], since["name"]) == (True, "The county's")
    after = sheet_of(lead, {**asked(ours), "standard": made["id"]})
    (change,) = send(lead, "GET", f"/api/sets?sheet={after}").json()["items"][1]["changes"]
    assert "The county's" in change["text"]


def test_a_sheet_that_does_not_belong_to_the_docket_gives_way(ours, lead):
    body = {**ours.revisions["ground"].body, "name": "Elsewhere"}
    made = send(lead, "POST", "/api/documents", {"kind": "ground", "body": body}).json()
    found = docket(lead, f"?ground={made['document_id']}&sheet={ours.sheet.pk}")
    assert (found["ground"]["name"], found["sheet_id"]) == ("Elsewhere", None)
    assert send(lead, "GET", "/api/docket?sheet=999999").status_code == 404


def test_a_draft_and_what_a_colleague_saved_meanwhile_are_brought_together(ours, lead):
    vehicle = ours.revisions["vehicle"]
    revised(ours.client("instructor"), vehicle, length_m=4.1, width_m=1.7)
    path = f"/api/documents/{vehicle.document_id}/merge"
    draft = {**vehicle.body, "length_m": 4.2, "wheelbase_m": 2.6}
    both = send(lead, "POST", path, {"based_on": 1, "body": draft}).json()
    assert both["number"] == 2
    assert [c["text"] for c in both["conflicts"]] == ["length: yours 4.2 m, theirs 4.1 m"]
    measured = ("length_m", "width_m", "wheelbase_m")
    assert [both["mine"][name] for name in measured] == [4.2, 1.7, 2.6]
    assert [both["theirs"][name] for name in measured] == [4.1, 1.7, 2.6]
    assert send(lead, "POST", path, {"based_on": 7, "body": draft}).status_code == 404


def test_what_another_core_worked_out_is_not_given_for_this_ones(tmp_path):
    """A cache in the database outlasts a deployment: a changed program names other entries."""
    (tmp_path / "cues").mkdir()
    (tmp_path / "cues" / "plan.py").write_text("far = 1.0")
    (tmp_path / "words.json").write_text("{}")
    before = fingerprint(tmp_path)
    assert fingerprint(tmp_path) == before
    for path, text in (("cues/plan.py", "far = 1.1"), ("words.json", "[]"), ("new.py", "")):
        (tmp_path / path).write_text(text)
        before, last = fingerprint(tmp_path), before
        assert before != last
