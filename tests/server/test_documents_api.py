"""Documents over the API: revisions, plans from the cache, what a docket resolves to."""

import copy
import json
from datetime import date, timedelta

import pytest
from django.core.cache import cache
from faircorner.documents.ground import ground_document
from faircorner.ground import lay_kerb

from house.pseudo import stretched
from server.documents.models import Document, Revision
from server.planning.models import CueSheet
from tests.server.conftest import send


@pytest.fixture
def lead(ours):
    cache.clear()
    return ours.client("lead")


def docket_of(house):
    return {kind: revision.pk for kind, revision in house.revisions.items()}


def revise(client, revision, change):
    path = f"/api/documents/{revision.document_id}/revisions"
    body = {"based_on": revision.number, "body": {**revision.body, **change}}
    return send(client, "POST", path, body)


def test_an_edit_makes_a_new_revision_and_the_old_one_stays(ours, lead):
    vehicle = ours.revisions["vehicle"]
    made = revise(lead, vehicle, {"length_m": 4.2})
    assert made.status_code == 201
    assert made.json()["author"] == "lead of ours"
    history = send(lead, "GET", f"/api/documents/{vehicle.document_id}/revisions").json()
    assert [(r["number"], r["body"]["length_m"]) for r in history] == [(2, 4.2), (1, 4.07)]
    newest = {
        d["id"]: d["latest"]["number"] for d in send(lead, "GET", "/api/documents").json()["items"]
    }
    assert newest[vehicle.document_id] == 2


def test_a_mirror_stays_while_a_seat_has_a_dot_on_it(ours, lead):
    vehicle, seat = ours.revisions["vehicle"], ours.revisions["seat"]
    mirrors = vehicle.body["mirrors"]
    last = mirrors[-1]["name"]
    dot = {"name": "dot", "mirror": last, "across_m": 0.0, "up_m": 0.0}
    assert revise(lead, seat, {"dots": [dot]}).status_code == 201
    refused = revise(lead, vehicle, {"mirrors": mirrors[:-1]})
    assert refused.status_code == 422
    assert f"no {last} any more, and the seat {seat.name} has a dot" in refused.json()["problem"]
    assert revise(lead, vehicle, {"mirrors": mirrors[1:]}).status_code == 201


def test_attempts_keep_pointing_at_the_revisions_they_were_made_with(ours, lead):
    revise(lead, ours.revisions["vehicle"], {"length_m": 4.2})
    sheet = send(lead, "GET", f"/api/sheets/{ours.sheet.pk}").json()
    assert sheet["vehicle"]["number"] == 1
    assert sheet["vehicle"]["body"]["length_m"] == 4.07


def test_a_plan_asked_again_comes_from_the_cache_and_a_new_revision_does_not(
    ours, lead, monkeypatch
):
    first = send(lead, "POST", "/api/plan", docket_of(ours)).json()
    monkeypatch.setattr("server.planning.services.make_plan", None)
    assert send(lead, "POST", "/api/plan", docket_of(ours)).json() == first
    monkeypatch.undo()
    revised = revise(lead, ours.revisions["seat"], {"name": "taller"}).json()
    again = {**docket_of(ours), "seat": revised["id"]}
    calls = []
    real = "server.planning.services.plan_document"
    from server.planning import services  # noqa: PLC0415  the module is patched below

    kept = services.plan_document
    monkeypatch.setattr(real, lambda *args: calls.append(1) or kept(*args))
    assert send(lead, "POST", "/api/plan", again).status_code == 200
    assert calls == [1]


def test_options_change_the_plan_and_bad_ones_name_their_field(ours, lead):
    plan = send(lead, "POST", "/api/plan", {**docket_of(ours), "options": {"kerb_m": 0.35}}).json()
    assert (plan["finish"]["kerb_front_m"] + plan["finish"]["kerb_rear_m"]) / 2 == pytest.approx(
        0.35, abs=0.01
    )
    for options, field in (
        ({"kerb_m": 9}, "kerb_m"),
        ({"gap_m": "wide"}, "gap_m"),
        ({"pinned": {"angel": 3}}, "angel"),
        ({"shifts_m": {"one": 0.1}}, "shifts_m.one"),
        ({"speed": 3}, "speed"),
    ):
        answer = send(lead, "POST", "/api/plan", {**docket_of(ours), "options": options})
        assert answer.status_code == 422, options
        assert answer.json()["field"].endswith(field), options


def test_what_cannot_be_driven_is_told_with_its_reason_and_kept_as_no_sheet(ours, lead):
    tight = ground_document(lay_kerb("tight", gap=5.6, goal_ahead=1.0))
    made = send(lead, "POST", "/api/documents", {"kind": "ground", "body": tight}).json()
    docket = {**docket_of(ours), "ground": made["id"]}
    plan = send(lead, "POST", "/api/plan", docket).json()
    assert plan["feasible"] is False
    assert plan["reason"]["said"]["code"] == "body meets by"
    assert " cm" in plan["reason"]["said"]["text"]
    ours.school.units = "imperial"
    ours.school.save()
    there = send(lead, "POST", "/api/plan", docket).json()["reason"]["said"]
    assert " in" in there["text"]
    assert there["code"] == plan["reason"]["said"]["code"]
    learner = ours.members["learner"].pk
    refused = send(lead, "POST", "/api/sheets", {**docket, "learner": learner})
    assert refused.status_code == 422
    assert there["text"] in refused.json()["problem"]
    assert CueSheet.objects.count() == 1


def test_a_limit_is_told_in_the_schools_units(ours, lead):
    body = {**docket_of(ours), "options": {"gap_m": 9}}
    told = {}
    for units in ("metric", "imperial"):
        ours.school.units = units
        ours.school.save()
        refused = send(lead, "POST", "/api/plan", body)
        assert (refused.status_code, refused.json()["field"]) == (422, "gap_m")
        told[units] = refused.json()["problem"]
    assert told == {
        "metric": "must be between 0.2 m and 8 m, got 9 m",
        "imperial": "must be between 7.9 in and 26 ft 3 in, got 29 ft 6.3 in",
    }


def test_a_school_is_told_in_its_own_words(ours, lead):
    ours.school.locale = "en-XA"
    ours.school.save()
    refused = send(lead, "POST", "/api/plan", {**docket_of(ours), "options": {"gap_m": 9}})
    assert refused.json()["problem"] == stretched(
        "must be between {low} and {high}, got {got}"
    ).format(low="0.2 m", high="8 m", got="9 m")
    names = send(lead, "GET", "/api/vocabulary").json()["names"]
    assert names["rear bumper"] == stretched("rear bumper")


def test_the_same_sheet_asked_twice_is_one_sheet(ours, lead):
    body = {**docket_of(ours), "learner": ours.members["learner"].pk}
    first, second = (send(lead, "POST", "/api/sheets", body).json()["id"] for _ in range(2))
    assert first == second == ours.sheet.pk
    wider = send(lead, "POST", "/api/sheets", {**body, "options": {"kerb_m": 0.3}}).json()["id"]
    assert wider != first


def test_a_seat_of_another_vehicle_is_not_taken(ours, lead):
    copy = {**ours.revisions["vehicle"].body, "name": "twin"}
    twin = send(lead, "POST", "/api/documents", {"kind": "vehicle", "body": copy}).json()
    answer = send(lead, "POST", "/api/plan", {**docket_of(ours), "vehicle": twin["id"]})
    assert answer.status_code == 422
    assert answer.json()["field"] == "seat"


def test_a_docket_with_nothing_asked_follows_the_learners_last_sheet(ours, lead):
    quay = ours.revisions["ground"]
    other = ground_document(lay_kerb("another place"))
    made = send(lead, "POST", "/api/documents", {"kind": "ground", "body": other}).json()
    docket = send(lead, "GET", "/api/docket").json()
    assert docket["ground"]["document_id"] == quay.document_id
    assert docket["sheet_id"] == ours.sheet.pk
    asked = send(lead, "GET", f"/api/docket?ground={made['document_id']}").json()
    assert asked["ground"]["name"] == "another place"
    assert asked["sheet_id"] is None


def test_a_docket_shows_the_newest_revision(ours, lead):
    revise(lead, ours.revisions["vehicle"], {"name": "Linnet, measured again"})
    assert send(lead, "GET", "/api/docket").json()["vehicle"]["number"] == 2


@pytest.mark.parametrize(
    ("body", "field"),
    [
        pytest.param({"kind": "seat", "body": {}}, "vehicle_id", id="seat without its vehicle"),
        pytest.param({"kind": "boat", "body": {}}, "kind", id="unknown kind"),
        pytest.param({"kind": "vehicle", "body": []}, "body", id="a list"),
        pytest.param({"kind": "vehicle"}, "body", id="no body"),
        pytest.param({"kind": "ground", "body": {"format": "other"}}, "format", id="foreign file"),
    ],
)
def test_a_bad_new_document_names_its_field_and_stores_nothing(ours, lead, body, field):
    before = Document.objects.count(), Revision.objects.count()
    answer = send(lead, "POST", "/api/documents", body)
    assert answer.status_code == 422
    assert answer.json()["field"] == field
    assert (Document.objects.count(), Revision.objects.count()) == before


@pytest.mark.parametrize(
    "raw",
    [
        pytest.param("", id="empty"),
        pytest.param("{", id="cut off"),
        pytest.param('{"kind": "vehicle", "body": {"length_m": NaN}}', id="NaN"),
        pytest.param("[" * 50_000, id="nested without end"),
    ],
)
def test_what_is_no_json_is_refused_in_words(ours, lead, raw):
    answer = lead.generic("POST", "/api/documents", raw, content_type="application/json")
    assert answer.status_code in (400, 422)
    assert answer.json()["problem"]


def test_an_enormous_file_is_turned_away(ours, lead):
    body = {"kind": "vehicle", "body": {"name": "x" * 1_500_000}}
    answer = lead.generic(
        "POST", "/api/documents", json.dumps(body), content_type="application/json"
    )
    assert answer.status_code in (400, 413)
    assert answer.json()["problem"]
    assert Document.objects.filter(kind="vehicle").count() == 1


def test_the_ground_is_measured_and_changed_without_being_kept(ours, lead):
    ground = ours.revisions["ground"].body
    count = Revision.objects.count()
    wider = send(
        lead, "POST", "/api/grounds/adjust", {"body": ground, "measure": "road_width", "metres": 9}
    ).json()
    assert wider["measures"]["road_width"] == 9
    turned = send(lead, "POST", "/api/grounds/side", {"body": ground}).json()
    assert turned["body"]["side"] == "right"
    assert turned["measures"] == send(
        lead, "POST", "/api/grounds/measure", {"body": ground}
    ).json()["measures"]  # fmt: skip
    assert Revision.objects.count() == count


def test_a_sheet_from_an_older_version_is_brought_up_to_date(ours, lead):
    """What was driven stays as it was computed then; only what it did not tell yet is added."""
    plan = copy.deepcopy(ours.sheet.plan)
    final = {**plan["final"], "x_m": -5.4321}
    calls = [{**call, "s_m": 1.234, "early_breaks": "it hits a tree"} for call in plan["calls"]]
    for call in calls:
        del call["late_breaks"]
    CueSheet.objects.update(plan={"format": "fair-corner/plan@2", "calls": calls, "final": final})
    read = send(lead, "GET", f"/api/sheets/{ours.sheet.pk}")
    assert read.status_code == 200
    kept = CueSheet.objects.get().plan
    assert kept["final"] == final
    # Clauses were text then, and are still told as they were written.
    assert {call["early_breaks"]["text"] for call in read.json()["plan"]["calls"]} == {
        "it hits a tree"
    }
    assert [call["s_m"] for call in kept["calls"]] == [1.234] * len(calls)
    assert [c["late_breaks"] for c in kept["calls"]] == [c["late_breaks"] for c in plan["calls"]]
    # Today's plan misses what was wanted by so much; of the one that is kept nobody knows.
    assert (len(plan["missed"]), kept["missed"]) == (1, [])
    same = {"calls": plan["calls"], "final": plan["final"], "missed": plan["missed"]}
    assert {**kept, **same} == plan


def test_what_is_put_away_is_out_of_the_way_and_not_gone(ours):
    lead, vehicle = ours.client("lead"), ours.revisions["vehicle"]
    seat = ours.revisions["seat"].document_id

    def ids(**asked):
        return [one["id"] for one in lead.get("/api/documents", asked).json()["items"]]

    def put(document, *, away):
        path = f"/api/documents/{document}/away"
        assert send(lead, "PUT", path, {"away": away}).json() == {"away": away}

    put(vehicle.document_id, away=True)
    # A seat goes where its vehicle goes.
    assert ids(kind="vehicle") == ids(kind="seat") == []
    assert (ids(kind="vehicle", away=True), ids(kind="seat", away=True)) == (
        [vehicle.document_id], [seat],
    )  # fmt: skip
    # Who comes without a sheet of theirs finds nothing there; what was driven goes on.
    newcomer = send(lead, "POST", "/api/people", {"name": "Zoe"}).json()["id"]
    empty = send(lead, "GET", f"/api/docket?learner={newcomer}")
    assert (empty.status_code, empty.json()["field"]) == (409, "seat")
    learner = ours.members["learner"].pk
    assert send(lead, "GET", f"/api/docket?learner={learner}").json()["sheet_id"] == ours.sheet.pk
    put(vehicle.document_id, away=False)
    put(seat, away=True)
    (entry,) = lead.get("/api/documents", {"kind": "vehicle"}).json()["items"]
    assert entry["seats"] == [{"id": seat, "name": "seat", "away": True}]
    assert ids(kind="seat") == []


def test_lists_tell_what_is_missing(ours, lead):
    def first(kind):
        return send(lead, "GET", f"/api/documents?kind={kind}").json()["items"][0]

    place, standard = ours.revisions["ground"], ours.revisions["standard"]
    assert first("ground")["suits"] == "not known yet"
    for revision, body in (
        (place, {**place.body, "check": {"legal": False}}),
        (standard, {**standard.body, "dated": (date.today() - timedelta(days=360)).isoformat()}),
    ):
        path = f"/api/documents/{revision.document_id}/revisions"
        made = send(lead, "POST", path, {"based_on": revision.number, "body": body})
        assert made.status_code == 201, made.content
    assert first("ground")["suits"] == "not here"
    assert first("standard")["aged"] is False
    old = {**standard.body, "dated": (date.today() - timedelta(days=370)).isoformat()}
    path = f"/api/documents/{standard.document_id}/revisions"
    send(lead, "POST", path, {"based_on": standard.number + 1, "body": old})
    assert first("standard")["aged"] is True


def test_documents_are_found_by_name_and_seats_by_their_vehicles(ours):
    lead = ours.client("lead")
    body = {**ours.revisions["vehicle"].body, "name": "Abbot van"}
    path = f"/api/documents/{ours.revisions['vehicle'].document_id}/revisions"
    assert send(lead, "POST", path, {"based_on": 1, "body": body}).status_code == 201

    def names(**asked):
        page = lead.get("/api/documents", asked).json()
        return [one["latest"]["name"] for one in page["items"]], page["count"]

    # By the name it has now, not by one it had.
    assert names(search="abbot") == (["Abbot van", "seat"], 2)
    assert names(search="van sea") == (["seat"], 1)
    assert names(search="linnet") == ([], 0)
    assert names(sort="name", limit=2)[0] == ["Abbot van", "House limits"]
    assert names(sort="changed", limit=1)[0] == ["Abbot van"]
    assert names(limit=2, offset=4)[1] == len(ours.revisions)
