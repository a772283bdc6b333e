"""What a learner says first: where it stands, steps from memory, what follows; the help given."""

import pytest

from server.lessons.models import Attempt
from tests.server.conftest import NOTES, STARTED, keep, send, tape

GOOD = {"kerb_front_m": 0.25, "kerb_rear_m": 0.27, "ahead_m": 2.0}
SAID = {"kerb_front_m": 0.15, "kerb_rear_m": 0.17, "ahead_m": None, "behind_m": None}


@pytest.fixture
def lead(ours):
    return ours.client("lead")


def say(client, attempt, readings):
    return send(client, "PUT", f"/api/attempts/{attempt}/stated", readings)


def test_what_was_said_is_kept_once_and_before_the_tape(ours, lead):
    attempt = keep(lead, ours)["id"]
    told = say(lead, attempt, SAID).json()
    assert (told["stated"]["readings"], told["off"]) == (SAID, None)
    # Sent again it is the same; said otherwise it stays as it was said.
    assert say(lead, attempt, SAID).status_code == 200
    assert say(lead, attempt, {**SAID, "kerb_rear_m": 0.3}).status_code == 409
    told = tape(lead, attempt, GOOD).json()
    assert told["off"]["kerb_m"] == pytest.approx(-0.1, abs=1e-4)
    # Of the gap ahead nothing was said, so nothing is judged; nor where one was worked out once.
    assert told["off"]["ahead_m"] is None
    kept = Attempt.objects.get(pk=attempt)
    kept.stated["finish"]["ahead_m"] = 1.0
    kept.save()
    (listed,) = send(lead, "GET", f"/api/attempts?sheet={ours.sheet.pk}").json()["items"]
    assert listed["off"]["ahead_m"] is None
    late = keep(lead, ours)["id"]
    tape(lead, late, GOOD)
    assert say(lead, late, SAID).status_code == 409
    assert Attempt.objects.get(pk=late).stated is None


def test_a_pose_and_readings_are_told_by_each_other(ours, lead):
    attempt = keep(lead, ours)["id"]
    path = f"/api/attempts/{attempt}/stood"
    begun = {"pose": {"x_m": -5.0, "y_m": -1.5, "heading_deg": 2.0}}
    by_tape = send(lead, "POST", path, {**begun, "readings": GOOD}).json()
    by_pose = send(lead, "POST", path, {"pose": by_tape["pose"]}).json()
    for name, metres in GOOD.items():
        assert by_pose["readings"][name] == pytest.approx(metres, abs=0.005)
    # One figure is enough, and comes back alone.
    wheel = send(lead, "POST", path, {**begun, "readings": {"kerb_rear_m": 0.3}}).json()
    assert wheel["readings"]["kerb_front_m"] is None
    assert wheel["pose"]["heading_deg"] == 2.0
    assert send(lead, "POST", path, {}).json()["field"] == "pose"
    nothing = send(lead, "POST", path, {**begun, "readings": {}})
    assert (nothing.status_code, nothing.json()["field"]) == (422, "readings")
    assert Attempt.objects.get().stated is None


def test_a_learners_eye_is_of_what_counts_and_of_nobody_else(ours, lead):
    learner = ours.members["learner"].pk
    path = f"/api/own-eye?learner={learner}"
    assert send(lead, "GET", path).json() == []
    for spoilt in (False, False, True):
        attempt = keep(lead, ours)["id"]
        say(lead, attempt, SAID)
        tape(lead, attempt, GOOD)
        if spoilt:
            send(lead, "PUT", f"/api/attempts/{attempt}/void", {"void": True})
    kerb, angle = send(lead, "GET", path).json()
    assert (kerb["measure"], kerb["count"], angle["measure"]) == ("kerb_m", 2, "angle_deg")
    assert kerb["bias"] == pytest.approx(-0.1, abs=1e-4)
    assert send(ours.client("learner"), "GET", path).json() == [kerb, angle]


def test_steps_from_memory_are_the_methods_each_once(ours, lead):
    steps = len(ours.revisions["method"].body["steps"])
    order = [1, 0, *range(2, steps)]
    told = keep(lead, ours, notes={**NOTES, "from_memory": order})
    assert told["recall"] == {"steps": steps, "in_place": steps - 2, "first_wrong": 0}
    body = {"id": "7b1f9c5e-0000-4000-8000-000000000000", "sheet": ours.sheet.pk,
            "started": STARTED, "notes": {**NOTES, "from_memory": [0, 0]}}  # fmt: skip
    answer = send(lead, "POST", "/api/attempts", body)
    assert (answer.status_code, answer.json()["field"]) == (422, "notes.from_memory")


def test_attempts_are_found_by_the_help_that_their_notes_now_say(ours, lead):
    learner = ours.members["learner"].pk
    made = keep(lead, ours, notes={**NOTES, "help": "full card"})
    keep(lead, ours)

    def found(help_given):
        path = f"/api/history?learner={learner}&help={help_given}"
        return [one["id"] for one in send(lead, "GET", path).json()["items"]]

    assert found("full card") == [made["id"]]
    right = {**made["notes"], "help": "from memory"}
    send(lead, "POST", f"/api/attempts/{made['id']}/notes", {"based_on": 0, "notes": right})
    assert (found("full card"), found("from memory")) == ([], [made["id"]])


def test_a_prediction_is_of_the_sheet_as_it_was_kept(ours, lead):
    path = f"/api/sheets/{ours.sheet.pk}/predict"
    told = send(lead, "POST", path, {"call": 1, "by_m": 0.5, "others_m": [0, -0.5]}).json()
    assert [one["by_m"] for one in told["ends"]] == [0.5, 0, -0.5]
    final = ours.sheet.plan["final"]
    assert told["ends"][1]["pose"]["y_m"] == pytest.approx(final["y_m"], abs=0.02)
    assert told["tail"] == "toward"
    wrong = send(lead, "POST", path, {"call": 30, "by_m": 0})
    assert (wrong.status_code, wrong.json()["field"]) == (422, "call")
