"""Mock tests: drawn for a learner, driven without help, one result over the whole, on paper."""

import copy
from datetime import timedelta

import pytest
from django.utils import timezone

from server.lessons.models import Attempt
from server.mock_tests.models import MockTest
from tests.server.conftest import NOTES, judged_by, keep, send, tape

GOOD = {"kerb_front_m": 0.25, "kerb_rear_m": 0.27, "ahead_m": 2.0}
FAR = {"kerb_front_m": 0.50, "kerb_rear_m": 0.50, "ahead_m": 2.0}
RULE = {"number": 2, "of": ["reverse parallel"], "in_reverse": 1, "small_allowed": 3}


@pytest.fixture
def lead(ours):
    return ours.client("lead")


@pytest.fixture
def sheets(ours, lead):
    """Two exercises of the learner's: one method at two places; the standard has a rule."""
    body = {**copy.deepcopy(ours.revisions["standard"].body), "mock": RULE}
    here = judged_by(ours, lead, body)
    ground = {**ours.revisions["ground"].body, "name": "another"}
    made = send(lead, "POST", "/api/documents", {"kind": "ground", "body": ground}).json()
    docket = {kind: revision.pk for kind, revision in ours.revisions.items()}
    asked = {**docket, "ground": made["id"], "learner": ours.members["learner"].pk}
    there = send(lead, "POST", "/api/sheets", asked).json()["id"]
    return {here, there}


def begin(lead, ours, **more):
    body = {"learner": ours.members["learner"].pk,
            "standard": ours.revisions["standard"].document_id, **more}  # fmt: skip
    return send(lead, "POST", "/api/mock-tests", body)


def now(lead, ours):
    path = f"/api/mock-tests?learner={ours.members['learner'].pk}"
    return send(lead, "GET", path).json()[0]


def drive(lead, ours, sheet, readings, minutes=1, **notes):
    told = keep(lead, ours, sheet=sheet, notes={**NOTES, "help": "mock test", **notes})
    Attempt.objects.filter(pk=told["id"]).update(
        started=timezone.now() + timedelta(minutes=minutes)
    )
    tape(lead, told["id"], readings)
    return told["id"]


def test_a_test_is_drawn_driven_and_comes_to_one_result(ours, lead, sheets):
    answer = begin(lead, ours)
    assert answer.status_code == 201, answer.content
    test = answer.json()
    drawn = [one["sheet_id"] for one in test["exercises"]]
    assert set(drawn) == sheets
    assert (test["left"], test["so_far"], test["outcome"]) == (2, None, None)
    first = drive(lead, ours, drawn[0], FAR)
    told = now(lead, ours)
    assert [one["attempt_id"] for one in told["exercises"]] == [first, None]
    assert (told["left"], told["so_far"]["small"], told["outcome"]) == (1, 2, None)
    drive(lead, ours, drawn[1], FAR, minutes=2)
    # Two small faults in each are allowed there, four are too many for the whole.
    told = now(lead, ours)
    assert [one["outcome"] for one in told["exercises"]] == ["met with small faults"] * 2
    assert (told["left"], told["so_far"]["small"], told["outcome"]) == (0, 4, "not met")
    answer = send(ours.client("learner"), "GET", f"/api/mock-tests/{told['id']}/sheet")
    assert answer.content.startswith(b"%PDF")


def test_only_what_had_no_help_and_counts_is_of_the_test(ours, lead, sheets):
    early = drive(lead, ours, min(sheets), GOOD, minutes=-9)
    first = begin(lead, ours).json()
    sheet = first["exercises"][0]["sheet_id"]
    drive(lead, ours, sheet, GOOD, help="cues only")
    spoilt = drive(lead, ours, sheet, GOOD)
    send(lead, "PUT", f"/api/attempts/{spoilt}/void", {"void": True})
    assert now(lead, ours)["left"] == 2
    mine = drive(lead, ours, sheet, GOOD, minutes=3)
    told = now(lead, ours)
    assert told["exercises"][0]["attempt_id"] == mine != early
    # What is driven in the learner's next test is not of this one.
    MockTest.objects.update(started=timezone.now() - timedelta(minutes=5))
    begin(lead, ours)
    MockTest.objects.filter(pk=now(lead, ours)["id"]).update(started=timezone.now())
    newer, older = send(lead, "GET", f"/api/mock-tests?learner={ours.members['learner'].pk}").json()
    assert mine in [one["attempt_id"] for one in newer["exercises"]]
    assert mine not in [one["attempt_id"] for one in older["exercises"]]


def test_what_ends_it_decides_it_before_all_was_driven(ours, lead, sheets):
    test = begin(lead, ours).json()
    far = {"kerb_front_m": 0.9, "kerb_rear_m": 0.9, "ahead_m": 2.0}
    drive(lead, ours, test["exercises"][0]["sheet_id"], far)
    assert (now(lead, ours)["left"], now(lead, ours)["outcome"]) == (1, "not met")


def test_a_cancelled_exercise_stays_in_the_list_and_another_takes_its_place(ours, lead, sheets):
    # Between the same two there is none that does not follow itself.
    test = begin(lead, ours).json()
    path = f"/api/mock-tests/{test['id']}/cancel"
    refused = send(lead, "POST", path, {"exercise": 0, "because": "a lorry came"})
    assert (refused.status_code, refused.json()["field"]) == (422, "sheets")
    MockTest.objects.filter(pk=test["id"]).update(
        exercises=[{"sheet": test["exercises"][0]["sheet_id"], "cancelled": ""}]
    )
    told = send(lead, "POST", path, {"exercise": 0, "because": "a lorry came"}).json()
    gone, instead = told["exercises"]
    assert (gone["cancelled"], instead["cancelled"]) == ("a lorry came", "")
    assert {gone["sheet_id"], instead["sheet_id"]} == sheets
    assert told["left"] == 1
    again = send(lead, "POST", path, {"exercise": 0, "because": "twice"})
    assert (again.status_code, again.json()["field"]) == (422, "exercise")


def test_a_test_that_is_given_up_has_no_result(ours, lead, sheets):
    test = begin(lead, ours).json()
    path = f"/api/mock-tests/{test['id']}/give-up"
    told = send(lead, "POST", path, {"because": "rain"}).json()
    assert (told["given_up_because"], told["outcome"]) == ("rain", None)
    assert send(lead, "POST", path, {"because": "again"}).status_code == 409


def test_a_pool_is_of_the_rules_manoeuvres_and_a_standard_without_a_rule_says_so(
    ours, lead, sheets
):
    learner = ours.members["learner"].pk
    path = f"/api/mock-tests/pool?learner={learner}&standard="
    document = ours.revisions["standard"].document_id
    pool = send(lead, "GET", f"{path}{document}").json()
    assert {one["sheet_id"] for one in pool} == sheets
    assert all(one["reverse"] for one in pool)
    assert begin(lead, ours, sheets=[ours.sheet.pk + 999]).json()["field"] == "sheets"
    body = {**ours.revisions["standard"].body, "mock": {**RULE, "of": ["kerbside stop"]}}
    made = send(lead, "POST", "/api/documents", {"kind": "standard", "body": body}).json()
    assert send(lead, "GET", f"{path}{made['document_id']}").json() == []
    assert begin(lead, ours, standard=made["document_id"]).json()["field"] == "sheets"
    plain = {"kind": "standard", "body": ours.revisions["standard"].body}
    made = send(lead, "POST", "/api/documents", plain).json()
    assert begin(lead, ours, standard=made["document_id"]).json()["field"] == "standard"
