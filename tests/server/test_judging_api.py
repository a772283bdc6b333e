"""Standards tried before they are kept, and notes judged by rules of every kind."""

import copy

import pytest

from server.lessons.judging import trial
from server.lessons.models import Attempt
from server.planning.models import CueSheet
from tests.server.conftest import NOTES, judged_by, keep, send, tape

GOOD = {"kerb_front_m": 0.25, "kerb_rear_m": 0.27, "ahead_m": 2.0}
FAR = {"kerb_front_m": 0.50, "kerb_rear_m": 0.50, "ahead_m": 2.0}


@pytest.fixture
def lead(ours):
    return ours.client("lead")


@pytest.fixture
def standard(ours):
    """Its document, and its body to be changed."""
    kept = ours.revisions["standard"]
    return kept.document_id, copy.deepcopy(kept.body)


def drive(lead, ours, readings, sheet=None, **notes):
    attempt = keep(lead, ours, sheet=sheet, notes={**NOTES, **notes})["id"]
    return tape(lead, attempt, readings).json()["tape"]["verdict"]


def tried(lead, document, body):
    answer = send(lead, "POST", f"/api/standards/{document}/trial", {"body": body})
    assert answer.status_code == 200, answer.content
    return answer.json()


def test_a_trial_says_what_a_change_would_have_said_and_keeps_nothing(ours, lead, standard):
    document, body = standard
    drive(lead, ours, GOOD)
    far = drive(lead, ours, FAR)
    spoilt = keep(lead, ours)["id"]
    tape(lead, spoilt, FAR)
    send(lead, "PUT", f"/api/attempts/{spoilt}/void", {"void": True})
    keep(lead, ours)
    assert far["outcome"] == "met with small faults"
    before = list(Attempt.objects.order_by("pk").values())

    same = tried(lead, document, body)
    assert (same["attempts"], same["otherwise"], same["met_after"]) == (2, 0, 2)
    assert same["before"] == same["after"] == {"met": 1, "met with small faults": 1}

    strict = tried(lead, document, {**body, "small_allowed": 0})
    assert (strict["met_before"], strict["met_after"], strict["otherwise"]) == (2, 1, 1)
    (told,) = strict["told"]
    assert (told["learner"], told["before"], told["after"]) == (
        ours.members["learner"].name, "met with small faults", "not met")  # fmt: skip
    assert list(Attempt.objects.order_by("pk").values()) == before
    assert ours.revisions["standard"].document.revisions.count() == 1


def test_a_trial_is_of_the_standards_own_attempts_whatever_its_revision(ours, lead, standard):
    document, body = standard
    drive(lead, ours, GOOD)
    newer = judged_by(ours, lead, {**body, "small_allowed": 0})
    drive(lead, ours, FAR, sheet=newer)
    other = send(lead, "POST", "/api/documents", {"kind": "standard", "body": body}).json()
    assert tried(lead, other["document_id"], body)["attempts"] == 0
    now = tried(lead, document, body)
    assert (now["attempts"], now["met_before"], now["met_after"]) == (2, 1, 2)


def test_the_newest_attempts_are_tried_and_the_rest_counted(ours, lead, standard, monkeypatch):
    document, body = standard
    monkeypatch.setattr("server.lessons.judging.MOST_TRIED", 1)
    drive(lead, ours, GOOD)
    drive(lead, ours, FAR)
    found = trial(ours.school, document, body)
    assert (found["attempts"], found["older"]) == (1, 1)


def test_a_bad_standard_names_the_field_and_nothing_is_tried(ours, lead, standard):
    document, body = standard
    body["observed"] = [{"what": "pull-up", "grade": "small", "free": 2, "repeated": 1}]
    answer = send(lead, "POST", f"/api/standards/{document}/trial", {"body": body})
    assert (answer.status_code, answer.json()["field"]) == (422, "observed[0].repeated")


def test_what_is_noted_is_judged_by_rules_of_every_kind(ours, lead, standard):
    """Looks by where they are on the sheet, and by whether an end swings out there."""
    _, body = standard
    body["small_allowed"] = 50
    body["limits"] += [
        {"measure": "looks_missed", "small": [None, 0], "phase": "leaving"},
        {"measure": "corrections", "small": [None, 0], "each": True},
        {"measure": "swing_out_m", "small": [None, 0.4]},
    ]
    body["looks"] = [
        {"look": "swing side", "when": "missed", "grade": "small"},
        {"look": None, "when": "missed", "grade": "small", "phase": "start"},
    ]
    body["observed"] = [
        {"what": "dry steering", "grade": "small"}, {"what": "stalled", "grade": "small"},
    ]  # fmt: skip
    body["at_end"] = [{"what": "brake set", "grade": "small"}]
    sheet = judged_by(ours, lead, body)
    plan = CueSheet.objects.get(pk=sheet).plan
    looks = plan["looks"]
    # This place is left without a look: the last one is as if it were of leaving.
    looks[-1]["step"] = len(plan["calls"]) + 1
    CueSheet.objects.filter(pk=sheet).update(plan=plan)
    swings = [i for i, look in enumerate(looks) if "swings out" in look["why"]]
    start = [i for i, look in enumerate(looks) if look["step"] == 0]
    assert swings
    assert start

    def faults(**notes):
        verdict = drive(lead, ours, GOOD, sheet=sheet, **notes)
        return [f["faults"] for f in verdict["findings"][-8:]], verdict

    def missed(those):
        return {"looks": ["missed" if i in those else "done" for i in range(len(looks))]}

    # In order: leaving, corrections, swing out, swing side, start, steering, stalled, brake.
    assert faults(**missed(swings))[0][3] == len(swings)
    assert faults(**missed(start))[0][4] == len(start)
    assert faults(**missed(start))[0][0] == 0
    assert faults(**missed([len(looks) - 1]))[0][0] == 1
    planned = 1
    assert faults(reverse_movements=planned + 2)[0][1] == 2
    got, verdict = faults(
        **missed([]), reverse_movements=planned, on_the_way={"swing_out_m": 0.6},
        watched=["dry steering", "stalled"], at_end={"brake set": False},
        observed=[{"what": "stalled", "phase": "execution", "step": 1, "seconds": 4}],
    )  # fmt: skip
    assert got == [0, 0, 1, 0, 0, 0, 1, 1]
    assert verdict["whole"]
    # Notes of a time without a pad, or cut short, leave all of that open.
    got, verdict = faults(reverse_movements=planned)
    assert (got, verdict["whole"]) == ([0] * 8, False)


def test_judging_needs_nothing_that_is_kept(ours, lead, standard):
    _, body = standard
    asked = {"standard": body, "finish": {"kerb_rear_m": 0.5}}
    answer = send(lead, "POST", "/api/standards/judge", asked).json()
    rear = next(f for f in answer["findings"] if f["measure"] == "kerb_rear_m")
    assert (answer["outcome"], rear["by"], rear["without"]) == (
        "met with small faults", -0.05, "met")  # fmt: skip
