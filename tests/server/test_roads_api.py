"""Roads, corners, free kerbs and yards through the API, from the layout to the tape."""

from itertools import pairwise

import pytest
from faircorner.documents.ground import ground_document
from faircorner.documents.library import house_standard, methods
from faircorner.documents.samples import TRACTOR_AND_SEMI
from faircorner.ground import Bay, Corner, Stretch, Turnabout, lay_bay, lay_road

from server.documents.services import create_document
from server.planning.services import make_sheet
from tests.server.conftest import NOTES, keep, send

YARD = lay_bay("yard", before=None, beyond=None, aisle=9.0,
               bay=Bay(width=2.7, depth=5.4, lines="sensor", guide=1.8))  # fmt: skip
# What each place is for, and the two wheels' readings that its plan is taped with.
PLACES = {
    "Three-movement turn": (lay_road("road", Turnabout(), road_width=7.4), "turnabout"),
    "Close corner reverse": (lay_road("corner", Corner()), "corner"),
    "Pull up opposite and reverse": (lay_road("kerb", Stretch()), "stretch"),
    "Yard bay against the clock": (YARD, "bay"),
}


def dumped(model):
    return model.model_dump(by_alias=True, mode="json")


@pytest.fixture
def lead(ours):
    return ours.client("lead")


def made(ours, school):
    """The docket of a school at its place, as revisions."""
    ground, goal = PLACES[school]
    new = {
        "ground": ground_document(ground),
        "standard": dumped(house_standard(goal)),
        "method": dumped(methods()[school]),
    }
    return ours.revisions | {
        kind: create_document(ours.school, kind=kind, body=body) for kind, body in new.items()
    }


def ids(revisions):
    return {kind: revision.pk for kind, revision in revisions.items()}


@pytest.mark.parametrize("kind", ["kerbside", "bay", "turnabout", "corner", "stretch"])
@pytest.mark.parametrize("side", ["left", "right"])
def test_a_new_place_of_every_kind_is_measured_and_kept(ours, lead, kind, side):
    answer = send(lead, "POST", "/api/grounds/new", {"name": "Here", "kind": kind, "side": side})
    found = answer.json()
    assert answer.status_code == 200, found
    assert found["body"]["side"] == side
    assert found["measures"]
    assert found["things"] == []
    kept = send(lead, "POST", "/api/documents", {"kind": "ground", "body": found["body"]})
    assert kept.status_code == 201


def test_a_thing_is_put_down_moved_and_taken_away(ours, lead):
    body = ground_document(PLACES["Three-movement turn"][0])
    wanted = {"kind": "wall", "x_m": 2.0, "y_m": 1.2, "turned_deg": 10.0}
    put = send(lead, "POST", "/api/grounds/thing", {"body": body, **wanted}).json()
    (wall,) = put["things"]
    assert wall["name"] == "wall 1"
    assert wall["turned_deg"] == pytest.approx(10.0, abs=0.01)
    moved = send(lead, "POST", "/api/grounds/thing", {
        "body": put["body"], **wall, "x_m": 4.0}).json()  # fmt: skip
    assert [(t["name"], t["x_m"]) for t in moved["things"]] == [("wall 1", 4.0)]
    gone = send(lead, "POST", "/api/grounds/without", {"body": moved["body"], "name": "wall 1"})
    assert gone.json()["things"] == []
    again = send(lead, "POST", "/api/grounds/without", {"body": body, "name": "wall 1"})
    assert again.status_code == 422
    assert again.json()["field"] == "name"


def test_only_a_road_to_turn_in_asks_what_may_reach_over_its_kerbs(ours, lead):
    road, corner = (ground_document(PLACES[s][0]) for s in ("Three-movement turn",
                                                             "Close corner reverse"))  # fmt: skip
    kept_in = send(lead, "POST", "/api/grounds/road", {"body": road, "overhang": False}).json()
    assert kept_in["body"]["goal"]["overhang"] is False
    refused = send(lead, "POST", "/api/grounds/road", {"body": corner, "overhang": False})
    assert refused.status_code == 422
    assert refused.json()["field"] == "overhang"


@pytest.mark.parametrize("school", PLACES)
def test_a_docket_is_planned_driven_taped_and_judged(ours, lead, school):
    revisions = made(ours, school)
    plan = send(lead, "POST", "/api/plan", ids(revisions)).json()
    assert plan["feasible"], plan["reason"]
    sheet = make_sheet(ours.school, learner_id=ours.members["learner"].pk, revisions=revisions,
                       options={})  # fmt: skip
    noted = {"calls": ["on"] * len(plan["calls"]), "looks": ["done"] * len(plan["looks"])}
    attempt = keep(lead, ours, sheet=sheet.pk, notes={**NOTES, **noted})
    finish = plan["finish"]
    readings = {name: finish[name] for name in ("kerb_front_m", "kerb_rear_m")}
    along = "behind_m" if school.startswith("Yard") else "ahead_m"
    if finish[along] is not None:
        readings[along] = finish[along]
    taped = send(lead, "PUT", f"/api/attempts/{attempt['id']}/readings", readings).json()
    assert taped["tape"]["verdict"]["outcome"] == "met"
    for name, value in readings.items():
        assert taped["tape"]["finish"][name] == pytest.approx(value, abs=0.01)


def test_a_gap_to_what_is_not_there_is_refused_by_name(ours, lead):
    revisions = made(ours, "Three-movement turn")
    sheet = make_sheet(ours.school, learner_id=ours.members["learner"].pk, revisions=revisions,
                       options={})  # fmt: skip
    attempt = keep(lead, ours, sheet=sheet.pk)
    answer = send(lead, "PUT", f"/api/attempts/{attempt['id']}/readings",
                  {"kerb_front_m": 1.0, "kerb_rear_m": 1.0, "ahead_m": 2.0})  # fmt: skip
    assert answer.status_code == 422
    assert answer.json()["field"] == "ahead_m"


def test_a_finish_out_of_line_is_mended_in_a_road_too(ours, lead):
    revisions = made(ours, "Close corner reverse")
    sheet = make_sheet(ours.school, learner_id=ours.members["learner"].pk, revisions=revisions,
                       options={})  # fmt: skip
    attempt = keep(lead, ours, sheet=sheet.pk)
    readings = {"kerb_front_m": 1.2, "kerb_rear_m": 1.15, "ahead_m": 6.0}
    mended = send(lead, "POST", f"/api/attempts/{attempt['id']}/mend", readings).json()
    assert 1 <= len(mended["movements"]) <= 2
    assert 0.2 <= mended["finish"]["kerb_rear_m"] <= 0.9


def test_an_attempt_is_saved_within_what_the_standard_allows(ours, lead):
    docket = ids(made(ours, "Yard bay against the clock"))
    early = send(lead, "POST", "/api/plan/rescue", {**docket, "call": 1, "by_m": -0.4}).json()
    late = send(lead, "POST", "/api/plan/rescue", {**docket, "call": 1, "by_m": 0.5}).json()
    assert (early["cure"], late["cure"]) == ("less wheel", "pull forward")
    assert late["steps"][1]["gear"] == "forward"
    wrong = send(lead, "POST", "/api/plan/rescue", {**docket, "call": 9, "by_m": 0.5})
    assert (wrong.status_code, wrong.json()["field"]) == (422, "call")


def test_a_trailer_is_backed_and_a_car_alone_is_not(ours, lead):
    rig = create_document(ours.school, kind="vehicle", body=TRACTOR_AND_SEMI)
    legs = [{"gear": "reverse", "turns": 0.2, "metres": 2.0}]
    told = send(lead, "POST", "/api/backing", {"vehicle": rig.pk, "bend_deg": 1, "legs": legs})
    assert told.status_code == 200
    assert told.json()["path"][-1]["s_m"] == pytest.approx(2.0)
    car = ours.revisions["vehicle"].pk
    refused = send(lead, "POST", "/api/backing", {"vehicle": car, "bend_deg": 1, "legs": []})
    assert (refused.status_code, refused.json()["field"]) == (422, "vehicle")
    past = [{"gear": "reverse", "turns": 7.0, "metres": 2.0}]
    beyond = send(lead, "POST", "/api/backing", {"vehicle": rig.pk, "bend_deg": 1, "legs": past})
    assert (beyond.status_code, beyond.json()["field"]) == (422, "legs[0].turns")


def test_corners_past_the_lock_have_no_wheel(ours, lead):
    vehicle = ours.revisions["vehicle"].pk
    found = send(lead, "POST", "/api/corner-wheel", {"vehicle": vehicle, "kerb_m": 0.5}).json()
    turns = [one["turns"] for one in found]
    assert all(earlier > later for earlier, later in pairwise(turns))
    near = send(lead, "POST", "/api/corner-wheel", {"vehicle": vehicle, "kerb_m": 0.0}).json()
    assert near[0]["turns"] is None or near[0]["turns"] > turns[0]
