"""No route shows or changes what belongs to another school; no role does more than it may."""

import re
import uuid
from datetime import datetime

import pytest
from django.db import DatabaseError, connection, transaction
from django.test.utils import CaptureQueriesContext
from faircorner.documents.ground import ground_document
from faircorner.ground import Turnabout, lay_bay, lay_road, put_down

from server.api import api
from server.documents.models import Revision
from server.documents.services import create_document
from server.lessons.appointments import add_lesson
from server.lessons.attempts import keep_attempt
from server.lessons.models import Attempt, Lesson
from server.lessons.schemas.lessons import DOCKET
from server.lessons.taping import tape_attempt
from server.long_work.services import ask
from server.mock_tests.models import MockTest
from server.planning.models import CueSheet
from server.progress.models import Shift
from tests.server.conftest import NOTES, PASSWORD, STARTED, send


def requests_naming(house):
    """A request for every route, naming only what belongs to the house given."""
    docket = {kind: revision.pk for kind, revision in house.revisions.items()}
    ground = house.revisions["ground"].body
    vehicle = house.revisions["vehicle"]
    learner, sheet = house.members["learner"].pk, house.sheet.pk
    attempt = Attempt.objects.filter(cue_sheet=house.sheet).first() or keep_attempt(
        house.school, house.members["lead"], attempt_id=uuid.uuid4(), sheet=sheet,
        started=datetime.fromisoformat(STARTED),
        notes={**NOTES, "forward_movements": 0, "reverse_movements": 1,
                                "kerb_touches": 0, "kerb_mounts": 0, "vehicle_touches": 0},
    )  # fmt: skip
    work = ask(house.members["lead"], "least sizes", {}, version="any")
    lesson = Lesson.objects.filter(learner=learner).first() or add_lesson(
        house.school, house.members["lead"], learner=learner, instructor=None,
        starts=datetime.fromisoformat(STARTED), minutes=60, about="", place="", notes="",
    )  # fmt: skip
    readings = {"kerb_front_m": 0.25, "kerb_rear_m": 0.25}
    documents = {kind: house.revisions[kind].document_id for kind in DOCKET}
    plan = [{"what": "Park", "minutes": 20, "docket": documents}]
    seat = house.revisions["seat"].document_id
    standard = house.revisions["standard"]
    examined = create_document(house.school, kind="standard", body={
        **standard.body, "mock": {"number": 1, "of": ["reverse parallel"]}})  # fmt: skip
    test = MockTest.objects.create(
        school=house.school, learner_id=learner, instructor=house.members["lead"],
        standard=examined, pool=[sheet], exercises=[{"sheet": sheet, "cancelled": ""}],
    )  # fmt: skip
    return {
        "docket_read": ("GET", f"/api/docket?learner={learner}&seat={seat}", None),
        "document_create": ("POST", "/api/documents", {
            "kind": "seat", "body": house.revisions["seat"].body,
            "vehicle_id": vehicle.document_id}),
        "document_revisions": ("GET", f"/api/documents/{vehicle.document_id}/revisions", None),
        "document_revise": ("POST", f"/api/documents/{vehicle.document_id}/revisions", {
            "based_on": vehicle.number, "body": vehicle.body}),
        "document_away": ("PUT", f"/api/documents/{vehicle.document_id}/away", {"away": False}),
        "document_sitter": ("PUT", f"/api/documents/{seat}/sitter", {"sitter_id": learner}),
        "document_merge": ("POST", f"/api/documents/{vehicle.document_id}/merge", {
            "based_on": vehicle.number, "body": vehicle.body}),
        "plan_compute": ("POST", "/api/plan", docket),
        "plan_sights": ("POST", "/api/plan/sights", docket),
        "plan_film": ("POST", "/api/plan/film", {**docket, "call": 1}),
        "plan_remedy": ("POST", "/api/plan/remedy", docket),
        "plan_least": ("POST", "/api/plan/least", docket),
        "plan_play": ("POST", "/api/plan/play", {**docket, "call": 1, "by_m": 0.2}),
        "plan_rescue": ("POST", "/api/plan/rescue", {**docket, "call": 1, "by_m": 0.2}),
        "plan_leaving": ("POST", "/api/plan/leaving", docket),
        "hill_roll": ("POST", "/api/hill", {
            "vehicle": vehicle.pk, "side": "left", "facing": "up", "kerb": True}),
        "corner_wheel": ("POST", "/api/corner-wheel", {"vehicle": vehicle.pk, "kerb_m": 0.5}),
        "drift_over": ("POST", "/api/drift", {"run_m": 9}),
        "rejoin_ways": ("POST", "/api/rejoin", {
            "vehicle": vehicle.pk, "ground": docket["ground"]}),
        "backing_drive": ("POST", "/api/backing", {
            "vehicle": vehicle.pk, "bend_deg": 1, "legs": []}),
        "shuffle_ways": ("POST", "/api/shuffle", {
            "vehicle": vehicle.pk, "sideways_m": 0.2, "gear": "reverse", "way": "away"}),
        "sheet_make": ("POST", "/api/sheets", {**docket, "learner": learner}),
        "sheet_read": ("GET", f"/api/sheets/{sheet}", None),
        "sheet_card": ("GET", f"/api/sheets/{sheet}/card", None),
        "plan_card": ("POST", "/api/plan/card", {**docket, "learner": learner}),
        "lesson_add": ("POST", "/api/lessons", {"learner": learner, "starts": STARTED,
            "instructor": house.members["instructor"].pk, "plan": plan}),
        "standings_list": ("GET", f"/api/standings?learner={learner}", None),
        "uses_list": ("GET", f"/api/uses?document={vehicle.document_id}", None),
        "lesson_change": ("PUT", f"/api/lessons/{lesson.pk}", {
            "learner": learner, "starts": STARTED, "based_on": 1,
            "instructor": house.members["instructor"].pk, "plan": plan}),
        "lesson_read": ("GET", f"/api/lessons/{lesson.pk}", None),
        "lesson_summary": ("GET", f"/api/lessons/{lesson.pk}/summary", None),
        "lesson_history": ("GET", f"/api/lessons/{lesson.pk}/history", None),
        "attempts_list": ("GET", f"/api/attempts?sheet={sheet}", None),
        "attempt_keep": ("POST", "/api/attempts", {
            "id": str(uuid.uuid4()), "sheet": sheet, "started": STARTED, "notes": NOTES}),
        "mock_tests_list": ("GET", f"/api/mock-tests?learner={learner}", None),
        "mock_test_pool": ("GET", f"/api/mock-tests/pool?learner={learner}"
                           f"&standard={examined.document_id}", None),
        "mock_test_start": ("POST", "/api/mock-tests", {
            "learner": learner, "standard": examined.document_id}),
        "mock_test_cancel": ("POST", f"/api/mock-tests/{test.pk}/cancel", {
            "exercise": 0, "because": "rain"}),
        "mock_test_give_up": ("POST", f"/api/mock-tests/{test.pk}/give-up", {"because": "rain"}),
        "mock_test_sheet": ("GET", f"/api/mock-tests/{test.pk}/sheet", None),
        "standard_trial": ("POST", f"/api/standards/{standard.document_id}/trial", {
            "body": standard.body}),
        "standard_judge": ("POST", "/api/standards/judge", {
            "standard": standard.body, "finish": {"kerb_rear_m": 0.3}}),
        "attempt_stood": ("POST", f"/api/attempts/{attempt.pk}/stood", {
            "pose": {"x_m": 0.0, "y_m": 0.0, "heading_deg": 0.0}, "readings": readings}),
        "attempt_state": ("PUT", f"/api/attempts/{attempt.pk}/stated", readings),
        "agreement_read": ("GET", "/api/agreement", None),
        "own_eye_read": ("GET", f"/api/own-eye?learner={learner}", None),
        "sheet_predict": ("POST", f"/api/sheets/{sheet}/predict", {"call": 1, "by_m": 0.4}),
        "tape_preview": ("POST", f"/api/attempts/{attempt.pk}/preview", readings),
        "tape_mend": ("POST", f"/api/attempts/{attempt.pk}/mend", readings),
        "tape_doubts": ("POST", f"/api/attempts/{attempt.pk}/doubts", readings),
        "attempt_tape": ("PUT", f"/api/attempts/{attempt.pk}/readings", readings),
        "attempt_tape_again": ("PUT", f"/api/attempts/{attempt.pk}/beside", readings),
        "notes_correct": ("POST", f"/api/attempts/{attempt.pk}/notes", {
            "based_on": 0, "notes": NOTES}),
        "attempt_void": ("PUT", f"/api/attempts/{attempt.pk}/void", {"void": True}),
        "sets_list": ("GET", f"/api/sets?sheet={sheet}", None),
        "work_give_up": ("DELETE", f"/api/long-work/{work.pk}", None),
        "advice_take": ("POST", "/api/sets/take", {"sheet": sheet}),
        "person_file": ("GET", f"/api/people/{learner}/file", None),
        "person_erase": ("POST", f"/api/people/{learner}/erase", {"name": "somebody else"}),
        "history_list": ("GET", f"/api/history?learner={learner}", None),
        "history_finishes": ("GET", f"/api/history/finishes?learner={learner}", None),
        "history_table": ("GET", f"/api/history.csv?learner={learner}", None),
        "history_columns": ("GET", "/api/history.csv-metadata.json", None),
        "school_pad": ("PUT", "/api/school/pad", {"pad": ["stalled"]}),
        "school_wheel": ("PUT", "/api/school/wheel", {"wheel": "clock"}),
        # Routes that name nothing: what they answer is looked at instead.
        "session_read": ("GET", "/api/session", None),
        "people_list": ("GET", "/api/people", None),
        "documents_list": ("GET", "/api/documents", None),
        "lessons_list": ("GET", "/api/lessons", None),
        "vocabulary_read": ("GET", "/api/vocabulary", None),
        "calendar_read": ("GET", "/api/calendar", None),
        "calendar_make": ("POST", "/api/calendar", None),
        "calendar_withdraw": ("DELETE", "/api/calendar", None),
        "calendar_file": ("GET", "/api/calendar.ics", None),
        "calendar_feed": ("GET", "/api/calendar/forged.ics", None),
        "ground_measure": ("POST", "/api/grounds/measure", {"body": ground}),
        "ground_adjust": ("POST", "/api/grounds/adjust", {
            "body": ground, "measure": "road_width", "metres": 8}),
        "ground_behind": ("POST", "/api/grounds/behind", {"body": ground, "gap_m": 7}),
        "ground_side": ("POST", "/api/grounds/side", {"body": ground}),
        "ground_new": ("POST", "/api/grounds/new", {
            "name": "Somewhere", "kind": "bay", "side": "left"}),
        "ground_bay": ("POST", "/api/grounds/bay", {
            "body": ground_document(lay_bay("Somewhere")), "angle_deg": 60}),
        "ground_road": ("POST", "/api/grounds/road", {
            "body": ground_document(lay_road("Somewhere", Turnabout())), "overhang": False}),
        "ground_thing": ("POST", "/api/grounds/thing", {
            "body": ground, "kind": "cone", "x_m": 1, "y_m": -3}),
        "ground_without": ("POST", "/api/grounds/without", {
            "body": ground_document(put_down(lay_bay("Somewhere"), "cone", x=0, y=-3)),
            "name": "cone 1"}),
        "person_add": ("POST", "/api/people", {"name": "Somebody New"}),
        "person_change": ("PUT", f"/api/people/{learner}", {
            "name": "Another Name", "note": "", "email": "", "active": True}),
        "link_make": ("POST", f"/api/people/{learner}/link", {"send": False}),
        "person_history": ("GET", f"/api/people/{learner}/history", None),
        "password_change": ("PUT", "/api/session/password", {
            "now": "not this one", "password": "violet-harbour-9"}),
        "invitation_read": ("GET", "/api/join?who=MQ&token=forged", None),
        "invitation_take": ("POST", "/api/join", {
            "who": "MQ", "token": "forged", "username": "any", "password": PASSWORD}),
        "school_file": ("GET", "/api/school/file", None),
        "school_begin_from_file": ("POST", "/api/begin/from-file", None),
        "vehicle_around": ("POST", "/api/vehicles/around", {
            "vehicle": vehicle.body, "seat": house.revisions["seat"].body}),
        "vehicle_mirrors": ("POST", "/api/vehicles/mirrors", {
            "vehicle": vehicle.body, "seat": house.revisions["seat"].body}),
        "vehicle_circle": ("POST", "/api/vehicles/circle", {"chord_m": 6, "rise_m": 1}),
        "seat_eye": ("POST", "/api/seats/eye", {
            "vehicle": vehicle.body, "stature_m": 1.7}),
        "vehicle_usual": ("POST", "/api/vehicles/usual", {"shape": "van", "length_m": 5.2}),
        "beginning_read": ("GET", "/api/begin", None),
        "health_read": ("GET", "/api/health", None),
        "school_begin": ("POST", "/api/begin", {
            "key": "begin:forged", "name": "Another", "keeps": "left", "units": "metric",
            "locale": "en-GB", "time_zone": "UTC", "lead": "Ada", "username": "ada",
            "password": PASSWORD}),
        "session_open": ("POST", "/api/session", {
            "username": f"lead@{house.school.name}", "password": PASSWORD}),
        "session_close": ("DELETE", "/api/session", None),
    }  # fmt: skip


NAMELESS = {"session_read", "health_read",
            "vocabulary_read", "people_list", "documents_list", "lessons_list",
            "standings_list", "uses_list", "vehicle_around", "vehicle_mirrors",
            "vehicle_circle", "seat_eye", "standard_judge",
            "ground_measure", "ground_adjust", "ground_bay", "ground_behind", "ground_new",
            "ground_side", "ground_road", "ground_thing", "ground_without", "person_add",
            "password_change", "invitation_read", "invitation_take",
            "session_open", "session_close", "drift_over", "vehicle_usual", "beginning_read",
            "school_begin", "school_begin_from_file", "school_file", "school_pad",
            "school_wheel", "agreement_read",
            "own_eye_read", "mock_tests_list", "history_list", "history_finishes",
            "history_table", "history_columns",
            "calendar_read",
            "calendar_make", "calendar_withdraw", "calendar_file", "calendar_feed"}  # fmt: skip


# For whoever comes with nothing, or with a link.
OPEN = {"session_read", "health_read",
        "session_open", "beginning_read", "school_begin", "invitation_read",
        "invitation_take", "school_begin_from_file", "calendar_feed"}  # fmt: skip


def operations():
    schema = api.get_openapi_schema(path_prefix="/api/")
    return {op["operationId"] for path in schema["paths"].values() for op in path.values()}


def test_every_route_is_walked(ours):
    assert set(requests_naming(ours)) == operations()


def test_another_schools_ids_are_as_if_they_never_were(ours, theirs):
    client = ours.client("lead")
    for name, (method, path, body) in requests_naming(theirs).items():
        if name not in NAMELESS:
            assert send(client, method, path, body).status_code == 404, name


IDS = re.compile(r"([0-9a-f]{8}-[0-9a-f-]{27}|\d+)")


def with_one_id_of(foreign, own):
    """The own request, each time with another one of its ids taken from the foreign request."""
    method, path, body = own
    parts, others = IDS.split(path), IDS.split(foreign[1])
    for i, (part, other) in enumerate(zip(parts, others, strict=True)):
        if part != other:
            yield method, "".join([*parts[:i], other, *parts[i + 1 :]]), body
    for changed in with_one_number_of(foreign[2], body):
        yield method, path, changed


def with_one_number_of(foreign, own):
    if isinstance(own, dict):
        for key, value in own.items():
            for other in with_one_number_of(foreign[key], value):
                yield {**own, key: other}
    elif isinstance(own, list):
        for i, value in enumerate(own):
            for other in with_one_number_of(foreign[i], value):
                yield [*own[:i], other, *own[i + 1 :]]
    elif type(own) is int and own != foreign:
        yield foreign


def test_one_id_of_another_school_among_ones_own_is_as_if_it_never_was(ours, theirs):
    """Alone: beside another id that is refused, one that is not looked at would not show."""
    client, own, foreign = ours.client("lead"), requests_naming(ours), requests_naming(theirs)
    tried = [
        (name, request)
        for name in own.keys() - NAMELESS
        for request in with_one_id_of(foreign[name], own[name])
    ]
    assert len(tried) > 100
    for name, request in tried:
        assert send(client, *request).status_code == 404, (name, request)


def test_lists_hold_nothing_of_another_school(ours, theirs):
    client = ours.client("lead")
    for path in ("/api/people", "/api/documents", "/api/lessons"):
        assert "theirs" not in send(client, "GET", path).content.decode()
    stranger = theirs.members["learner"].pk
    assert send(client, "GET", f"/api/standings?learner={stranger}").json() == []
    assert send(client, "GET", f"/api/history?learner={stranger}").json()["items"] == []
    told = send(client, "GET", f"/api/history/finishes?learner={stranger}").json()
    assert told["marks"] == []
    assert send(client, "GET", f"/api/own-eye?learner={stranger}").json() == []
    assert send(client, "GET", f"/api/mock-tests?learner={stranger}").json() == []
    docket = send(theirs.client("lead"), "GET", "/api/docket").json()
    assert {docket[kind]["id"] for kind in theirs.revisions} == {
        revision.pk for revision in theirs.revisions.values()
    }  # fmt: skip
    foreign = theirs.revisions["vehicle"].document_id
    assert send(client, "GET", f"/api/uses?document={foreign}").json() == []
    shown = {d["id"] for d in send(client, "GET", "/api/documents").json()["items"]}
    assert shown == set(ours.school.documents.values_list("pk", flat=True))


def test_strangers_are_asked_to_sign_in(client, ours):
    for name, (method, path, body) in requests_naming(ours).items():
        if name not in OPEN:
            assert send(client, method, path, body).status_code == 401, name


MAY_NOT = {"document_create", "document_merge", "document_revise", "document_sitter",
           "sheet_make", "lesson_add",
           "attempt_keep", "tape_preview", "tape_mend", "attempt_tape", "attempt_void",
           "notes_correct", "advice_take", "person_add", "person_change", "link_make",
           "person_history", "document_away", "lesson_change", "person_erase",
           "school_file", "school_pad", "school_wheel", "standard_trial", "attempt_stood",
           "mock_test_pool", "mock_test_start", "mock_test_cancel", "mock_test_give_up",
           "attempt_state", "attempt_tape_again", "agreement_read", "tape_doubts"}  # fmt: skip
# What the school has in common is not for somebody who still learns to teach.
NOT_YET = {
    "document_create",
    "document_merge",
    "document_revise",
    "document_away",
    "person_add",
    "person_change",
    "link_make",
    "person_history",
    "person_erase",
    "school_file",
    "school_pad",
    "school_wheel",
    "standard_trial",
}


def test_a_learner_changes_nothing(ours):
    client = ours.client("learner")
    for name in MAY_NOT:
        method, path, body = requests_naming(ours)[name]
        assert send(client, method, path, body).status_code == 403, name


def test_a_trainee_teaches_and_leaves_what_is_common_alone(ours):
    client = ours.client("trainee")
    for name in MAY_NOT:
        method, path, body = requests_naming(ours)[name]
        assert (send(client, method, path, body).status_code == 403) == (name in NOT_YET), name


def test_a_learner_sees_only_their_own_sheets(ours):
    other = ours.members["instructor"]
    other.role = "learner"
    other.save()
    client = ours.client("instructor")
    assert send(client, "GET", f"/api/sheets/{ours.sheet.pk}").status_code == 404
    assert [p["name"] for p in send(client, "GET", "/api/people").json()["items"]] == [other.name]


def test_a_field_that_nobody_knows_is_refused_by_every_route(ours):
    client = ours.client("lead")
    for name, (method, path, body) in requests_naming(ours).items():
        if body is not None:
            answer = send(client, method, path, {**body, "colour": 1})
            assert (name, answer.status_code, answer.json()["field"]) == (name, 422, "colour")


def test_an_attempt_sent_twice_is_stored_once(ours):
    client = ours.client("instructor")
    body = {"id": str(uuid.uuid4()), "sheet": ours.sheet.pk, "started": STARTED, "notes": NOTES}
    first, second = (send(client, "POST", "/api/attempts", body) for _ in range(2))
    assert (first.status_code, second.status_code) == (201, 201)
    assert first.json() == second.json()
    assert Attempt.objects.count() == 1
    # More was noted before it was sent again: it is put right, and no second one.
    changed = {**body, "notes": {**NOTES, "seconds": 61}}
    third = send(client, "POST", "/api/attempts", changed)
    assert third.status_code == 201
    assert third.json()["notes"]["seconds"] == 61
    # The first one comes in late, once more.
    late = send(client, "POST", "/api/attempts", body).json()
    assert [one["notes"]["seconds"] for one in late["noted"]] == [NOTES["seconds"], 61]
    assert Attempt.objects.count() == 1
    other = send(ours.client("lead"), "POST", "/api/attempts", changed)
    assert other.status_code == 409


def test_an_id_used_by_another_school_is_refused_without_telling(ours, theirs):
    body = {"id": str(uuid.uuid4()), "started": STARTED, "notes": NOTES}
    kept = send(theirs.client("lead"), "POST", "/api/attempts", {**body, "sheet": theirs.sheet.pk})
    assert kept.status_code == 201
    ours_too = send(ours.client("lead"), "POST", "/api/attempts", {**body, "sheet": ours.sheet.pk})
    assert ours_too.status_code == 409
    assert Attempt.objects.get().school == theirs.school


def test_revisions_cannot_be_changed_even_past_the_models(ours):
    with pytest.raises(DatabaseError, match="never changes"), transaction.atomic():
        Revision.objects.filter(document__school=ours.school).update(body={})
    with pytest.raises(DatabaseError, match="never changes"), transaction.atomic():
        with connection.cursor() as cursor:
            cursor.execute("DELETE FROM documents_revision")


def test_an_edit_of_an_old_revision_is_turned_away(ours):
    client, vehicle = ours.client("lead"), ours.revisions["vehicle"]
    path = f"/api/documents/{vehicle.document_id}/revisions"
    body = {**vehicle.body, "length_m": 4.1}
    assert send(client, "POST", path, {"based_on": 1, "body": body}).status_code == 201
    late = send(client, "POST", path, {"based_on": 1, "body": body})
    assert late.status_code == 409
    assert "revision 1" in late.json()["problem"]


BAD = [
    ({"length_m": 2.0}, "length_m"),
    ({"length_m": "four"}, "length_m"),
    ({"steering": {"lock_turns": 1.4, "kerb_circle_m": 5.0}}, "steering.kerb_circle_m"),
    ({"steering": {"lock_turns": 0, "kerb_circle_m": 10.0}}, "steering.lock_turns"),
    ({"lenght": 4}, "lenght"),
]


@pytest.mark.parametrize(("change", "field"), BAD, ids=[field for _, field in BAD])
def test_a_bad_vehicle_names_its_field_and_stores_nothing(ours, change, field):
    client, vehicle = ours.client("lead"), ours.revisions["vehicle"]
    path = f"/api/documents/{vehicle.document_id}/revisions"
    answer = send(client, "POST", path, {"based_on": 1, "body": {**vehicle.body, **change}})
    assert answer.status_code == 422
    assert answer.json()["field"] == field
    assert Revision.objects.filter(document=vehicle.document).count() == 1


def test_contradicting_readings_store_nothing(ours):
    client = ours.client("lead")
    _, path, _ = requests_naming(ours)["attempt_tape"]
    answer = send(client, "PUT", path, {"kerb_front_m": 0.2, "kerb_rear_m": 3.4})
    assert answer.status_code == 422
    assert answer.json()["field"] == "kerb_front_m"
    assert Attempt.objects.get().readings is None


def drive_too_late(house, sheet):
    """Eight taped attempts on a sheet that all end near the kerb and far from the one ahead."""
    lead, ahead = house.members["lead"], sheet.plan["finish"]["ahead_m"]
    notes = {**NOTES, "forward_movements": 0, "reverse_movements": 1, "kerb_touches": 0,
             "kerb_mounts": 0, "vehicle_touches": 0}  # fmt: skip
    for i in range(8):
        attempt = keep_attempt(house.school, lead, attempt_id=uuid.uuid4(), sheet=sheet.pk,
                               started=datetime.fromisoformat(STARTED), notes=notes)  # fmt: skip
        near = 0.10 + 0.01 * (i % 3)
        gap = ahead + 0.21 + 0.02 * (i % 4)
        tape_attempt(attempt, lead, {"kerb_front_m": near, "kerb_rear_m": near, "ahead_m": gap,
                                     "behind_m": None})  # fmt: skip


def test_a_biased_set_is_advised_and_the_advice_taken_starts_a_new_set(ours):
    drive_too_late(ours, ours.sheet)
    client = ours.client("lead")
    (found,) = send(client, "GET", f"/api/sets?sheet={ours.sheet.pk}").json()["items"]
    assert (found["advice"]["kind"], found["advice"]["call"]) == ("move cue", 3)
    assert found["advice"]["by_m"] < 0
    taken = send(client, "POST", "/api/sets/take", {"sheet": ours.sheet.pk})
    assert taken.status_code == 201
    # After a lost answer it is taken again, and has been taken once.
    once_more = send(client, "POST", "/api/sets/take", {"sheet": ours.sheet.pk})
    assert (once_more.status_code, once_more.json()) == (201, taken.json())
    assert Shift.objects.count() == 1
    path = f"/api/sets?sheet={taken.json()['sheet_id']}"
    before, after = send(client, "GET", path).json()["items"]
    assert (before["counted"], after["counted"]) == (8, 0)
    by = found["advice"]["by_m"]
    assert after["shifts_m"] == {"3": by}
    # Late by as much again, the cue is moved on from where it is by now.
    moved = CueSheet.objects.get(pk=taken.json()["sheet_id"])
    drive_too_late(ours, moved)
    again = send(client, "POST", "/api/sets/take", {"sheet": moved.pk}).json()
    assert again["by_m"] < 0
    shifts = CueSheet.objects.get(pk=again["sheet_id"]).options["shifts_m"]
    assert shifts == {"3": pytest.approx(by + again["by_m"])}


def test_too_many_wrong_passwords_close_the_door(client, ours):
    body = {"username": "lead@ours", "password": "wrong"}
    statuses = [send(client, "POST", "/api/session", body).status_code for _ in range(9)]
    assert statuses[0] == 401
    assert statuses[-1] == 429
    right = {**body, "password": PASSWORD}
    assert send(client, "POST", "/api/session", right).status_code == 429


def test_no_question_to_the_database_multiplies_revisions_by_themselves(ours):
    """Joined with all that a sheet is made from, they would be, for as long as nobody has counted
    how many there are: an answer took minutes at a school that had just been taken in.
    """
    client = ours.client("lead")
    with CaptureQueriesContext(connection) as asked:
        for name, (method, path, body) in requests_naming(ours).items():
            if name != "session_close":
                send(client, method, path, body)
    assert max(one["sql"].count('JOIN "documents_revision"') for one in asked) == 1
