"""Attempts noted, taped, judged, voided: what is stored is what was sent, and nothing else."""

import copy
import uuid
from datetime import timedelta
from importlib import import_module

import pytest
from django.apps import apps
from django.core.exceptions import ValidationError
from django.utils import timezone

from server.lessons.models import Attempt, Lesson
from tests.server.conftest import NOTES, STARTED, judged_by, keep, send, tape

GOOD = {"kerb_front_m": 0.25, "kerb_rear_m": 0.27, "ahead_m": 2.0}


@pytest.fixture
def lead(ours):
    return ours.client("lead")


@pytest.fixture
def attempt(ours, lead):
    return keep(lead, ours)["id"]


def test_readings_come_back_with_pose_finish_and_verdict(lead, attempt):
    answer = tape(lead, attempt, GOOD).json()
    tape_result = answer["tape"]
    assert answer["readings"] == {**GOOD, "behind_m": None, "by_eye": {}}
    assert tape_result["finish"]["kerb_front_m"] == pytest.approx(0.25, abs=1e-4)
    assert tape_result["finish"]["ahead_m"] == pytest.approx(2.0, abs=1e-4)
    assert tape_result["along_known"] is True
    assert tape_result["verdict"]["outcome"] == "met"
    # Two centimetres over a wheelbase of 2.55 m, and both tracks 1 cm apart.
    assert tape_result["pose"]["heading_deg"] == pytest.approx(0.225, abs=0.01)


def test_a_preview_stores_nothing(lead, attempt):
    path = f"/api/attempts/{attempt}/preview"
    assert send(lead, "POST", path, GOOD).json()["verdict"]["outcome"] == "met"
    assert Attempt.objects.get().readings is None


def test_a_correction_replaces_the_readings(lead, attempt):
    tape(lead, attempt, GOOD)
    right = {"kerb_front_m": 0.05, "kerb_rear_m": 0.25, "based_on": 1, "why": "the other wheel"}
    answer = tape(lead, attempt, right).json()
    assert answer["readings"]["ahead_m"] is None
    assert answer["tape"]["along_known"] is False
    assert answer["tape"]["finish"]["ahead_m"] is None
    assert answer["tape"]["verdict"]["outcome"] == "met with small faults"


def test_counts_noted_while_driving_are_judged_with_the_finish(ours, lead):
    body = copy.deepcopy(ours.revisions["standard"].body)
    body["limits"] += [
        {"measure": "kerb_mounts", "ends": [None, 0]},
        {"measure": "looks_missed", "small": [None, 0]},
    ]
    sheet = judged_by(ours, lead, body)
    for notes, outcome in (
        ({}, "met"),
        ({"looks": ["done", "missed"]}, "met with small faults"),
        ({"looks": ["done", "late"]}, "met"),
        ({"kerb_mounts": 1}, "ended"),
    ):
        made = keep(lead, ours, sheet=sheet, notes={**NOTES, **notes})
        judged = tape(lead, made["id"], GOOD).json()["tape"]["verdict"]
        assert judged["outcome"] == outcome
        found = {f["measure"]: f for f in judged["findings"]}
        assert found["kerb_mounts"]["value"] == notes.get("kerb_mounts", 0)


def judging_looks(house, lead):
    """A sheet judged by a standard that counts looks; its id, and its looks."""
    body = copy.deepcopy(house.revisions["standard"].body)
    body["limits"] += [{"measure": "looks_missed", "small": [None, 0]},
                       {"measure": "seconds", "small": [None, 600]}]  # fmt: skip
    sheet = judged_by(house, lead, body)
    looks = send(lead, "GET", f"/api/sheets/{sheet}").json()["plan"]["looks"]
    return sheet, [{"step": look["step"], "look": look["look"]} for look in looks]


def test_a_look_that_nobody_noted_is_neither_done_nor_missed(ours, lead):
    sheet, looks = judging_looks(ours, lead)
    none = [None] * len(looks)
    for noted, outcome, unwatched in (
        ([], "met", looks),
        (none, "met", looks),
        (["done", *none[1:]], "met", looks[1:]),
        ([*none[1:], "missed"], "met with small faults", looks[:-1]),
        (["done" for _ in looks], "met", []),
    ):
        made = keep(lead, ours, sheet=sheet, notes={**NOTES, "looks": noted})
        judged = tape(lead, made["id"], GOOD).json()["tape"]["verdict"]
        assert (judged["outcome"], judged["unwatched"]) == (outcome, unwatched)
        assert judged["whole"] == (not unwatched)
        of = {f["measure"]: f["unwatched"] for f in judged["findings"]}
        assert (of["looks_missed"], of["seconds"]) == (len(unwatched), 0)
    found = send(lead, "GET", f"/api/sets?sheet={sheet}").json()["items"][-1]
    assert (found["counted"], found["met"], found["met_whole"]) == (5, 5, 1)


def test_where_no_look_is_judged_none_is_wanting(lead, attempt):
    assert tape(lead, attempt, GOOD).json()["tape"]["verdict"]["whole"] is True


def test_verdicts_of_old_learn_what_was_not_watched(ours, lead):
    sheet, looks = judging_looks(ours, lead)
    made = keep(lead, ours, sheet=sheet, notes={**NOTES, "looks": ["done", None]})
    judged = tape(lead, made["id"], GOOD).json()["tape"]["verdict"]
    attempt = Attempt.objects.get()
    for told in (attempt.tape["verdict"], *attempt.tape["verdict"]["findings"]):
        del told["unwatched"]
    del attempt.tape["verdict"]["whole"]
    attempt.save()
    import_module("server.lessons.migrations.0003_unwatched_looks").tell_apart(apps, None)
    assert judged["unwatched"] == looks[1:]
    (told,) = send(lead, "GET", f"/api/attempts?sheet={sheet}").json()["items"]
    assert told["tape"]["verdict"] == judged


def test_notes_are_put_right_beside_the_first_and_judged_anew(ours, lead):
    sheet, looks = judging_looks(ours, lead)
    first = {**NOTES, "looks": ["missed"] * len(looks), "kerb_touches": 2}
    made = keep(lead, ours, sheet=sheet, notes=first)
    tape(lead, made["id"], GOOD)
    attempt = Attempt.objects.get()
    attempt.tape["pose"]["x_m"] = attempt.tape["finish"]["ahead_m"] = 1.5
    attempt.save()
    path = f"/api/attempts/{made['id']}/notes"
    right = {**made["notes"], "looks": ["done" for _ in looks]}
    second = ours.client("instructor")
    answer = send(second, "POST", path, {"based_on": 0, "notes": right})
    assert answer.status_code == 201, answer.content
    told = answer.json()
    assert told["notes"] == right
    assert [one["notes"] for one in told["noted"]] == [made["notes"], right]
    assert [one["by"] for one in told["noted"]] == ["lead of ours", "instructor of ours"]
    assert told["tape"]["verdict"]["outcome"] == "met"
    # Where it stood stays as it was found at the time.
    assert told["tape"] == {**attempt.tape, "verdict": told["tape"]["verdict"]}
    # Whoever corrects what somebody else has corrected meanwhile is told so.
    late = send(lead, "POST", path, {"based_on": 0, "notes": first})
    assert (late.status_code, late.json()["field"]) == (409, "based_on")
    (listed,) = send(lead, "GET", f"/api/attempts?sheet={sheet}").json()["items"]
    assert listed == told
    # Putting the readings right keeps to the notes that hold.
    again = {**GOOD, "kerb_rear_m": 0.26, "based_on": 1, "why": "read again"}
    assert tape(lead, made["id"], again).json()["tape"]["verdict"]["small"] == 0
    # The tablet that never heard the answer sends the first ones again.
    again = {"id": made["id"], "sheet": sheet, "started": STARTED, "notes": made["notes"]}
    assert send(lead, "POST", "/api/attempts", again).status_code == 201


@pytest.mark.parametrize(
    ("readings", "field"),
    [
        pytest.param({"kerb_front_m": 25, "kerb_rear_m": 0.2}, "kerb_front_m", id="centimetres"),
        pytest.param({"kerb_front_m": 0.2}, "kerb_rear_m", id="one kerb reading"),
        pytest.param({**GOOD, "behind_m": 1.0}, "behind_m", id="nobody behind"),
        pytest.param({**GOOD, "colour": 1}, "colour", id="unknown reading"),
        pytest.param({**GOOD, "ahead_m": "two"}, "ahead_m", id="text"),
    ],
)
def test_a_bad_reading_is_named_and_the_kept_ones_stay(lead, attempt, readings, field):
    tape(lead, attempt, GOOD)
    answer = tape(lead, attempt, readings)
    assert answer.status_code == 422
    assert answer.json()["field"] == field
    assert Attempt.objects.get().readings["ahead_m"] == 2.0


@pytest.mark.parametrize(
    ("change", "field"),
    [
        pytest.param({"seconds": -1}, "notes.seconds", id="negative time"),
        pytest.param({"seconds": "long"}, "notes.seconds", id="text"),
        pytest.param({"calls": ["on"] * 9}, "notes.calls", id="more calls than the sheet"),
        pytest.param({"calls": ["sideways"]}, "notes.calls.0", id="unknown timing"),
        pytest.param({"looks": ["done"] * 30}, "notes.looks", id="more looks than the sheet"),
        pytest.param({"kerb_touches": 1000}, "notes.kerb_touches", id="too many touches"),
        pytest.param({"mood": "good"}, "notes.mood", id="unknown note"),
    ],
)
def test_bad_notes_store_no_attempt(ours, lead, change, field):
    body = {"id": str(uuid.uuid4()), "sheet": ours.sheet.pk, "started": STARTED,
            "notes": {**NOTES, **change}}  # fmt: skip
    answer = send(lead, "POST", "/api/attempts", body)
    assert answer.status_code == 422
    assert answer.json()["field"] == field
    assert not Attempt.objects.exists()


def test_an_attempt_spoilt_by_others_leaves_the_figures_and_can_come_back(ours, lead):
    ids = [keep(lead, ours)["id"] for _ in range(3)]
    for attempt_id in ids:
        tape(lead, attempt_id, GOOD)

    def counted():
        (found,) = send(lead, "GET", f"/api/sets?sheet={ours.sheet.pk}").json()["items"]
        return found["counted"], found["met"], len(found["marks"])

    assert counted() == (3, 3, 3)
    send(lead, "PUT", f"/api/attempts/{ids[0]}/void", {"void": True})
    assert counted() == (2, 2, 3)
    send(lead, "PUT", f"/api/attempts/{ids[0]}/void", {"void": False})
    assert counted() == (3, 3, 3)


def test_half_a_set_with_gaps_ahead_does_not_count_the_gap(ours, lead):
    for readings in (GOOD, {"kerb_front_m": 0.2, "kerb_rear_m": 0.2}):
        tape(lead, keep(lead, ours)["id"], readings)
    (found,) = send(lead, "GET", f"/api/sets?sheet={ours.sheet.pk}").json()["items"]
    assert [m["measure"] for m in found["measures"]] == ["kerb_m", "angle_deg"]


def test_advice_without_evidence_is_not_taken(ours, lead):
    answer = send(lead, "POST", "/api/sets/take", {"sheet": ours.sheet.pk})
    assert answer.status_code == 422
    assert "no cue to move" in answer.json()["problem"]


def test_the_diary_counts_what_was_driven_that_day(ours, lead):
    learner = ours.members["learner"].pk
    lesson = {"learner": learner, "starts": STARTED, "about": "  Reverse parallel "}
    made = send(lead, "POST", "/api/lessons", lesson)
    assert made.status_code == 201
    assert made.json()["about"] == "Reverse parallel"
    for _ in range(2):
        keep(lead, ours)
    (shown,) = send(lead, "GET", "/api/lessons").json()["items"]
    assert (shown["attempts"], shown["learner"]) == (2, "learner of ours")


def test_days_are_counted_and_lessons_booked_in_the_schools_own_time(ours, lead):
    ours.school.time_zone = "America/Chicago"
    ours.school.full_clean()
    ours.school.save()
    # Ten o'clock in Greenwich is five in the morning there: the evening before is another day.
    keep(lead, ours)
    for starts in ("2026-05-04T20:00:00", "2026-05-05T09:00:00"):
        booked = {"learner": ours.members["learner"].pk, "starts": starts}
        assert send(lead, "POST", "/api/lessons", booked).status_code == 201
    told = send(lead, "GET", "/api/lessons").json()["items"]
    assert [(lesson["starts"], lesson["attempts"]) for lesson in told] == [
        ("2026-05-05T01:00:00Z", 0),
        ("2026-05-05T14:00:00Z", 1),
    ]
    ours.school.time_zone = "Ostrel/Quay"
    with pytest.raises(ValidationError, match="no time zone"):
        ours.school.full_clean()


@pytest.mark.parametrize(
    "change",
    [
        pytest.param({"minutes": 5}, id="too short"),
        pytest.param({"starts": "tomorrow"}, id="no time"),
        pytest.param({"about": "x" * 400}, id="too long"),
    ],
)
def test_a_lesson_that_cannot_be_is_not_booked(ours, lead, change):
    body = {"learner": ours.members["learner"].pk, "starts": STARTED, **change}
    answer = send(lead, "POST", "/api/lessons", body)
    assert answer.status_code == 422
    assert answer.json()["field"] == next(iter(change))
    assert not Lesson.objects.exists()


def test_a_lesson_needs_a_learner_not_a_colleague(ours, lead):
    body = {"learner": ours.members["instructor"].pk, "starts": STARTED}
    assert send(lead, "POST", "/api/lessons", body).status_code == 404


def test_a_finish_out_of_the_limits_is_told_how_to_be_mended(lead, attempt):
    readings = {"kerb_front_m": 0.62, "kerb_rear_m": 0.6, "ahead_m": 1.3}
    mended = send(lead, "POST", f"/api/attempts/{attempt}/mend", readings).json()
    assert mended["movements"]
    assert 0.1 <= mended["finish"]["kerb_front_m"] <= 0.45
    assert Attempt.objects.get().readings is None


def test_movements_of_one_gear_are_not_taken_from_the_other(ours, lead):
    """Close behind the one ahead only rolling back helps: nothing, once that is used up."""
    body = copy.deepcopy(ours.revisions["standard"].body)
    body["limits"] += [{"measure": "forward_movements", "serious": [None, 2]},
                       {"measure": "reverse_movements", "serious": [None, 3]}]  # fmt: skip
    sheet = judged_by(ours, lead, body)
    far = {"kerb_front_m": 0.55, "kerb_rear_m": 0.55, "ahead_m": 0.3}
    for forward, reverse, movements in ((2, 1, ["reverse"]), (0, 3, None)):
        notes = {**NOTES, "forward_movements": forward, "reverse_movements": reverse}
        made = keep(lead, ours, sheet=sheet, notes=notes)
        found = send(lead, "POST", f"/api/attempts/{made['id']}/mend", far).json()
        assert (found and found["movements"]) == movements


def test_movements_already_made_leave_fewer_for_a_mend(ours, lead):
    body = copy.deepcopy(ours.revisions["standard"].body)
    body["limits"] += [
        {"measure": "forward_movements", "serious": [None, 1]},
        {"measure": "reverse_movements", "serious": [None, 1]},
    ]
    path = f"/api/documents/{ours.revisions['standard'].document_id}/revisions"
    revised = send(lead, "POST", path, {"based_on": 1, "body": body}).json()["id"]
    docket = {kind: revision.pk for kind, revision in ours.revisions.items()}
    learner = ours.members["learner"].pk
    sheet = send(
        lead, "POST", "/api/sheets", {**docket, "standard": revised, "learner": learner}
    ).json()["id"]
    used = {**NOTES, "forward_movements": 1, "reverse_movements": 1}
    made = keep(lead, ours, sheet=sheet, notes=used)
    readings = {"kerb_front_m": 0.6, "kerb_rear_m": 0.6, "ahead_m": 1.3}
    answer = send(lead, "POST", f"/api/attempts/{made['id']}/mend", readings)
    assert answer.status_code == 200
    assert answer.json() is None


def booked(client, house, **given):
    body = {"learner": house.members["learner"].pk, "starts": "2031-03-04T15:30", **given}
    answer = send(client, "POST", "/api/lessons", body)
    assert answer.status_code == 201, answer.content
    return answer.json()


def changed(client, lesson, **given):
    kept = ("starts", "minutes", "about", "place", "notes", "cancelled")
    body = {"learner": lesson["learner_id"], "instructor": lesson["instructor_id"],
            "based_on": lesson["version"], **{key: lesson[key] for key in kept},
            **given}  # fmt: skip
    return send(client, "PUT", f"/api/lessons/{lesson['id']}", body)


def test_a_lesson_is_moved_and_cancelled_and_how_it_was_stays(ours):
    lead, instructor = ours.client("lead"), ours.client("instructor")
    teacher = ours.members["instructor"].pk
    lesson = booked(lead, ours, instructor=teacher, minutes=90, place="Mill Street", about="Bays")
    assert (lesson["instructor"], lesson["minutes"]) == ("instructor of ours", 90)
    moved = changed(instructor, lesson, starts="2031-03-05T09:00", notes="Bring the cones").json()
    # Whoever has not seen that change overwrites nothing of it.
    late = changed(lead, lesson, notes="Something else")
    assert (late.status_code, late.json()["field"]) == (409, "based_on")
    assert changed(lead, moved, cancelled=True).json()["cancelled"]
    now, then, first = send(lead, "GET", f"/api/lessons/{lesson['id']}/history").json()
    assert [was["by"] for was in (now, then, first)] == [
        "lead of ours", "instructor of ours", "lead of ours"
    ]  # fmt: skip
    assert (now["cancelled"], then["notes"], first["notes"]) == (True, "Bring the cones", "")
    assert (first["starts"], then["starts"]) == ("2031-03-04T15:30:00Z", "2031-03-05T09:00:00Z")
    seen = send(ours.client("learner"), "GET", "/api/lessons").json()["items"]
    assert [one["notes"] for one in seen] == ["Bring the cones"]


def test_lessons_that_cannot_both_take_place_are_told(ours):
    lead, zoe = ours.client("lead"), ours.client("lead")
    other = send(zoe, "POST", "/api/people", {"name": "Zoe"}).json()["id"]
    first = booked(lead, ours, minutes=60)
    assert first["clashes"] == []
    # Back to back is no clash, nor is another instructor's lesson with somebody else.
    booked(lead, ours, starts="2031-03-04T16:30", learner=other)
    booked(lead, ours, learner=other, instructor=ours.members["instructor"].pk)
    assert changed(lead, first).json()["clashes"] == []
    same = booked(lead, ours, starts="2031-03-04T15:00", minutes=45, learner=other)
    assert [one["learner"] for one in same["clashes"]] == ["learner of ours", "Zoe"]
    first, *_ = send(lead, "GET", f"/api/lessons?learner={first['learner_id']}").json()["items"]
    told = {"learner": "Zoe", "instructor": "lead of ours", "starts": "2031-03-04T15:00:00Z",
            "minutes": 45}  # fmt: skip
    assert first["clashes"] == [told]
    # Whom their instructor teaches besides is no business of a learner's.
    (theirs,) = send(ours.client("learner"), "GET", "/api/lessons").json()["items"]
    assert theirs["clashes"] == []
    assert changed(lead, same, cancelled=True).json()["clashes"] == []
    first, *_ = send(lead, "GET", f"/api/lessons?learner={first['learner_id']}").json()["items"]
    assert first["clashes"] == []


def test_a_lesson_is_given_by_who_teaches_to_who_learns(ours):
    lead, people = ours.client("lead"), ours.members
    body = {"learner": people["learner"].pk, "starts": "2031-03-04T15:30"}
    for wrong in ({"instructor": people["learner"].pk}, {"learner": people["lead"].pk}):
        assert send(lead, "POST", "/api/lessons", {**body, **wrong}).status_code == 404
    assert booked(ours.client("trainee"), ours)["instructor"] == "trainee of ours"


def test_a_lesson_is_to_come_until_it_is_over(ours):
    lead, now = ours.client("lead"), timezone.now()
    booked(lead, ours, starts=(now - timedelta(minutes=50)).isoformat(), about="under way")
    booked(lead, ours, starts=(now - timedelta(minutes=61)).isoformat(), about="over")
    booked(lead, ours, starts=(now + timedelta(days=1)).isoformat(), about="later", place="Quay")

    def told(**asked):
        return [one["about"] for one in lead.get("/api/lessons", asked).json()["items"]]

    assert told(when="coming") == ["under way", "later"]
    assert told(when="given") == ["over"]
    assert told(search="learner quay") == ["later"]
    assert told(sort="-starts", limit=2) == ["later", "under way"]
    assert told(learner=ours.members["lead"].pk) == []


def test_who_drives_by_a_document_is_told(ours, lead):
    people = {name: send(lead, "POST", "/api/people", {"name": name}).json()["id"]
              for name in ("Zoe", "Abel")}  # fmt: skip
    docket = {kind: revision.pk for kind, revision in ours.revisions.items()}
    for learner in people.values():
        sheet = send(lead, "POST", "/api/sheets", {**docket, "learner": learner})
        assert sheet.status_code == 201
    vehicle = ours.revisions["vehicle"]
    asked = f"/api/uses?document={vehicle.document_id}"
    everybody = ["Abel", "Zoe", "learner of ours"]
    of_it = {"document_id": vehicle.document_id, "learners": everybody}
    assert send(lead, "GET", asked).json() == [{**of_it, "behind": 0}]
    newer = send(lead, "POST", f"/api/documents/{vehicle.document_id}/revisions", {
        "based_on": vehicle.number, "body": {**vehicle.body, "length_m": 4.1}})  # fmt: skip
    again = {**docket, "vehicle": newer.json()["id"], "learner": people["Zoe"]}
    assert send(lead, "POST", "/api/sheets", again).status_code == 201
    assert send(lead, "GET", asked).json() == [{**of_it, "behind": 2}]
    # Of each learner the sheet counts that they used last, and of those who come no more none.
    gone = {"name": "Abel", "note": "", "email": "", "active": False}
    send(lead, "PUT", f"/api/people/{people['Abel']}", gone)
    assert send(lead, "GET", asked).json()[0]["learners"] == ["Zoe", "learner of ours"]
    own = send(ours.client("learner"), "GET", asked).json()
    assert own == [{**of_it, "learners": ["learner of ours"], "behind": 1}]


SEEN = {"what": "kerb touched", "phase": "execution", "step": 1, "seconds": 12}


def test_what_was_observed_on_the_way_comes_back_with_its_step_phase_and_second(ours, lead):
    last = len(ours.sheet.plan["calls"]) + 1
    notes = {**NOTES, "kerb_touches": 2, "prompted": [0, last], "call_seconds": [12.5],
             "look_seconds": [None], "observed": [SEEN, {**SEEN, "what": "stalled"}]}  # fmt: skip
    made = keep(lead, ours, notes=notes)
    assert {name: made["notes"][name] for name in notes} == notes
    # The tablet that never heard the answer sends it again, also from before all this was noted.
    Attempt.objects.update(notes=without_later(made["notes"]))
    body = {"id": made["id"], "sheet": ours.sheet.pk, "started": STARTED}
    plain = {**made["notes"], **LATER}
    assert send(lead, "POST", "/api/attempts", {**body, "notes": plain}).status_code == 201
    assert not Attempt.objects.get().corrections.exists()


LATER = {"prompted": [], "observed": [], "call_seconds": [], "look_seconds": []}


def without_later(notes):
    return {name: value for name, value in notes.items() if name not in LATER}


@pytest.mark.parametrize(
    ("change", "field"),
    [
        pytest.param({"observed": [SEEN]}, "notes.kerb_touches", id="observed and not counted"),
        pytest.param({"observed": [{**SEEN, "step": 40}]}, "notes.observed", id="no such step"),
        pytest.param({"prompted": [40]}, "notes.prompted", id="prompted at no step"),
        pytest.param({"observed": [{**SEEN, "what": "sang"}]}, "notes.observed.0.what", id="sang"),
        pytest.param({"observed": [SEEN] * 201}, "notes.observed", id="without an end"),
        pytest.param({"call_seconds": [1.0] * 9}, "notes.call_seconds", id="more than the calls"),
    ],
)
def test_what_cannot_have_been_observed_stores_no_attempt(ours, lead, change, field):
    body = {"id": str(uuid.uuid4()), "sheet": ours.sheet.pk, "started": STARTED,
            "notes": {**NOTES, **change}}  # fmt: skip
    answer = send(lead, "POST", "/api/attempts", body)
    assert (answer.status_code, answer.json()["field"]) == (422, field)
    assert not Attempt.objects.exists()
