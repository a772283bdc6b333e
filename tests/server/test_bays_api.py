"""Bays through the API: a docket whose parts suit one another, the tape, the way out, what-ifs."""

from io import BytesIO

import pytest
from faircorner.documents.ground import ground_document
from faircorner.documents.library import house_standard, methods
from faircorner.ground import Bay, lay_bay
from pypdf import PdfReader

from server.documents.services import create_document
from server.planning.services import make_sheet
from tests.server.conftest import NOTES, keep, send
from tests.server.test_cards import words

BOTH = {"ground", "method", "standard"}


def dumped(model):
    return model.model_dump(by_alias=True, mode="json")


@pytest.fixture
def bay(ours):
    """A square bay, the four schools that end in one, and a standard for it."""
    place = lay_bay("yard", bay=Bay(width=2.6), aisle=7.0)
    made = {
        "ground": create_document(ours.school, kind="ground", body=ground_document(place)),
        "standard": create_document(
            ours.school, kind="standard", body=dumped(house_standard("bay"))
        ),
    }
    for name, method in methods().items():
        if method.manoeuvre.startswith("bay"):
            made[name] = create_document(ours.school, kind="method", body=dumped(method))
    return made


@pytest.fixture
def lead(ours):
    return ours.client("lead")


@pytest.fixture
def docket(ours, bay):
    ids = {kind: revision.pk for kind, revision in ours.revisions.items()}
    return {
        **ids,
        "ground": bay["ground"].pk,
        "method": bay["Full-lock reverse bay"].pk,
        "standard": bay["standard"].pk,
    }


def names(answer):
    return {kind: answer[kind]["name"] for kind in BOTH}


def test_a_ground_asked_for_brings_a_method_and_a_standard_that_suit_it(ours, bay, lead):
    asked = f"?ground={bay['ground'].document_id}&method={ours.revisions['method'].document_id}"
    found = send(lead, "GET", f"/api/docket{asked}").json()
    assert names(found)["ground"] == "yard"
    assert found["method"]["body"]["manoeuvre"].startswith("bay")
    assert names(found)["standard"] == "House limits, bays"


def test_a_method_asked_for_alone_brings_its_ground_and_standard(bay, lead):
    asked = bay["Full-lock forward bay"].document_id
    found = send(lead, "GET", f"/api/docket?method={asked}").json()
    assert names(found) == {
        "ground": "yard", "method": "Full-lock forward bay", "standard": "House limits, bays",
    }  # fmt: skip


def test_a_docket_that_suits_is_left_alone(bay, lead):
    asked = "&".join(
        f"{kind}={bay[name].document_id}"
        for kind, name in (("ground", "ground"), ("method", "Swing-out reverse bay"),
                           ("standard", "standard"))
    )  # fmt: skip
    found = send(lead, "GET", f"/api/docket?{asked}").json()
    assert names(found)["method"] == "Swing-out reverse bay"


def test_a_plan_asked_for_where_its_method_does_not_end_names_the_ground(ours, docket, lead):
    wrong = {**docket, "ground": ours.revisions["ground"].pk}
    answer = send(lead, "POST", "/api/plan", wrong)
    assert answer.status_code == 422
    assert answer.json()["field"] == "ground"
    assert "ends in a bay" in answer.json()["problem"]


def test_a_finish_in_a_bay_is_taped_judged_and_put_right(ours, docket, lead, bay):
    learner = ours.members["learner"].pk
    sheet = send(lead, "POST", "/api/sheets", {**docket, "learner": learner}).json()
    attempt = keep(lead, ours, sheet=sheet["id"])
    plan = sheet["plan"]
    good = {
        "kerb_front_m": plan["finish"]["kerb_front_m"],
        "kerb_rear_m": plan["finish"]["kerb_rear_m"],
        "behind_m": 0.3,
    }
    kept = send(lead, "PUT", f"/api/attempts/{attempt['id']}/readings", good).json()
    assert kept["tape"]["along_known"]
    for place in ("x_m", "y_m", "heading_deg"):
        assert kept["tape"]["pose"][place] == pytest.approx(plan["final"][place], abs=0.02)
    findings = {f["measure"]: f for f in kept["tape"]["verdict"]["findings"]}
    assert findings["ahead_m"]["value"] == pytest.approx(plan["finish"]["ahead_m"], abs=0.01)
    aslant = {"kerb_front_m": 0.05, "kerb_rear_m": 0.08, "behind_m": 0.3}
    mended = send(lead, "POST", f"/api/attempts/{attempt['id']}/mend", aslant).json()
    assert mended["movements"][0] == "forward"
    assert mended["finish"]["kerb_rear_m"] == pytest.approx(good["kerb_rear_m"], abs=0.02)
    assert any("bay's line" in step["say"]["text"] for step in mended["steps"])


def test_a_set_in_a_bay_is_told_by_line_angle_and_head(ours, bay, lead):
    revisions = {
        **ours.revisions,
        "ground": bay["ground"],
        "method": bay["Full-lock reverse bay"],
        "standard": bay["standard"],
    }
    sheet = make_sheet(
        ours.school, learner_id=ours.members["learner"].pk, revisions=revisions, options={}
    )
    for i in range(3):
        attempt = keep(lead, ours, sheet=sheet.pk, notes={**NOTES, "seconds": 50 + i})
        readings = {"kerb_front_m": 0.6, "kerb_rear_m": 0.6 + i / 100, "behind_m": 0.3}
        send(lead, "PUT", f"/api/attempts/{attempt['id']}/readings", readings)
    (found,) = send(lead, "GET", f"/api/sets?sheet={sheet.pk}").json()["items"]
    assert [m["measure"] for m in found["measures"]] == ["kerb_m", "angle_deg", "behind_m"]
    wanted = sheet.plan["finish"]["kerb_rear_m"]
    assert found["measures"][0]["bias"] == pytest.approx(0.605 - wanted, abs=0.01)


def test_the_ways_out_are_told_for_both_sides(docket, lead):
    left, right = send(lead, "POST", "/api/plan/leaving", docket).json()
    assert {left["way"], right["way"]} == {"left", "right"}
    assert left["gear"] == left["then"] == "forward"
    assert 0.3 < left["straight_m"] < 4


def test_a_call_is_played_late_and_what_cannot_be_played_is_named(docket, lead):
    plan = send(lead, "POST", "/api/plan", docket).json()
    late = send(lead, "POST", "/api/plan/play", {**docket, "call": 1, "by_m": 0.2}).json()
    # Turning in 20 cm later ends 20 cm farther along the aisle, and as straight.
    moved = plan["path"][-1]["x_m"] - late["path"][-1]["x_m"]
    assert moved == pytest.approx(0.2, abs=0.005)
    assert late["finish"]["angle_deg"] == pytest.approx(plan["finish"]["angle_deg"], abs=0.05)
    assert late["breaks"]["text"] == ""
    far = send(lead, "POST", "/api/plan/play", {**docket, "call": 1, "by_m": 0.9}).json()
    assert "meets the near neighbour" in far["breaks"]["text"]
    for wrong, field in (({"call": 7, "by_m": 0.1}, "call"), ({"call": 1, "by_m": 9}, "by_m")):
        answer = send(lead, "POST", "/api/plan/play", {**docket, **wrong})
        assert (answer.status_code, answer.json()["field"]) == (422, field)


def test_a_new_place_is_laid_out_changed_and_kept(ours, lead):
    laid = send(
        lead, "POST", "/api/grounds/new", {"name": "Ropewalk", "kind": "bay", "side": "right"}
    ).json()
    assert laid["body"]["goal"]["kind"] == "bay"
    assert laid["body"]["side"] == "right"
    turned = send(
        lead, "POST", "/api/grounds/bay", {"body": laid["body"], "angle_deg": 60, "before": False}
    ).json()
    assert [o["name"] for o in turned["body"]["obstacles"]] == ["neighbour beyond"]
    kept = send(lead, "POST", "/api/documents", {"kind": "ground", "body": turned["body"]})
    assert kept.status_code == 201
    assert kept.json()["body"] == turned["body"]
    bad = send(lead, "POST", "/api/grounds/bay", {"body": laid["body"], "angle_deg": 5})
    assert (bad.status_code, bad.json()["field"]) == (422, "angle_deg")


def test_a_kerb_has_no_bay_to_change(ours, lead):
    ground = ours.revisions["ground"].body
    answer = send(lead, "POST", "/api/grounds/bay", {"body": ground, "head": "wall"})
    assert (answer.status_code, answer.json()["field"]) == (422, "goal")
    answer = send(
        lead, "POST", "/api/grounds/adjust", {"body": ground, "measure": "bay_width", "metres": 3}
    )
    assert (answer.status_code, answer.json()["field"]) == (422, "measure")


def test_both_mirrors_stand_beside_each_other_on_the_card_where_the_eyes_change_over(
    ours, lead, docket
):
    """Where this stop is seen in one mirror and the next in the other, each is named there."""
    learner = ours.members["learner"].pk
    before = send(lead, "POST", "/api/plan/sights", {**docket, "options": {}}).json()["spots"]
    assert not any(spot["changes_over"] for spot in before)
    key = next(one["key"] for one in before[1]["candidates"] if one["mirror"])
    picked = {**docket, "options": {"picks": {"1": key}}}
    spots = send(lead, "POST", "/api/plan/sights", picked).json()["spots"]
    assert [spot["changes_over"] for spot in spots] == [False, True, False, False]
    answer = send(lead, "POST", "/api/plan/card", {**picked, "learner": learner})
    told = words(PdfReader(BytesIO(answer.content)))
    assert told.count("Now: left door mirror") == 1
    assert told.count("Then, for the next stop: right door mirror") == 1
