"""A learner's attempts of all times: found, in a list and in a table whose columns are told."""

import csv
import io
import json
from datetime import datetime, timedelta

import numpy as np
import pytest

from server.lessons.models import Attempt
from tests.server.conftest import NOTES, STARTED, keep, send
from tests.server.test_lessons import GOOD, SEEN, tape

BEGAN = datetime.fromisoformat(STARTED)


@pytest.fixture
def lead(ours):
    return ours.client("lead")


@pytest.fixture
def driven(ours, lead):
    """Attempts of three days, the last one untaped, the second one in another place: their ids."""
    other = {**ours.revisions["ground"].body, "name": "Elsewhere"}
    ground = send(lead, "POST", "/api/documents", {"kind": "ground", "body": other}).json()
    asked = {kind: revision.pk for kind, revision in ours.revisions.items()}
    asked |= {"ground": ground["id"], "learner": ours.members["learner"].pk}
    elsewhere = send(lead, "POST", "/api/sheets", asked).json()["id"]
    ids = [keep(lead, ours, sheet=sheet)["id"] for sheet in (None, elsewhere, None)]
    tape(lead, ids[0], GOOD)
    tape(lead, ids[1], {**GOOD, "kerb_front_m": 0.8, "kerb_rear_m": 0.8})
    for days, one in enumerate(ids):
        Attempt.objects.filter(pk=one).update(started=BEGAN + timedelta(days=days))
    return ids, ground["document_id"]


def found(client, house, **asked):
    path = f"/api/history?learner={house.members['learner'].pk}"
    path += "".join(f"&{name}={value}" for name, value in asked.items())
    answer = send(client, "GET", path)
    assert answer.status_code == 200, answer.content
    return [one["id"] for one in answer.json()["items"]]


def test_attempts_are_found_by_what_they_were_driven_with_when_and_what_they_came_to(
    ours, lead, driven
):
    (first, second, third), elsewhere = driven
    assert found(lead, ours) == [third, second, first]
    assert found(lead, ours, ground=elsewhere) == [second]
    assert found(lead, ours, ground=ours.revisions["ground"].document_id) == [third, first]
    assert found(lead, ours, vehicle=elsewhere) == []
    assert found(lead, ours, since="2026-05-06") == [third, second]
    assert found(lead, ours, until="2026-05-06") == [second, first]
    assert found(lead, ours, outcome="met") == [first]
    assert found(lead, ours, outcome="not%20taped") == [third]
    assert found(lead, ours, limit=1, offset=1) == [second]
    # A day is the school's: ten in Greenwich is the evening of the day before in Samoa.
    ours.school.time_zone = "Pacific/Pago_Pago"
    ours.school.save()
    assert found(lead, ours, until="2026-05-04") == [first]
    Attempt.objects.filter(pk=first).update(started=BEGAN + timedelta(minutes=59))
    assert found(lead, ours, until="2026-05-04") == [first]
    Attempt.objects.filter(pk=first).update(started=BEGAN + timedelta(minutes=60))
    assert found(lead, ours, until="2026-05-04") == []


def test_the_table_says_what_was_not_noted_and_every_column_is_described(ours, lead):
    noted = {**NOTES, "calls": ["on"], "looks": [], "kerb_touches": 1, "observed": [SEEN]}
    attempt = keep(lead, ours, notes=noted)["id"]
    tape(lead, attempt, GOOD)
    learner = ours.members["learner"]
    learner.name = "=SUM(A1)"
    learner.save()
    answer = ours.client("learner").get(f"/api/history.csv?learner={learner.pk}")
    text = b"".join(answer.streaming_content).decode()
    (row,) = csv.DictReader(io.StringIO(text))
    plan = ours.sheet.plan
    assert row["calls"].split("; ") == ["on"] + ["not noted"] * (len(plan["calls"]) - 1)
    assert row["looks"].split("; ") == [f"{look['look']}: not noted" for look in plan["looks"]]
    told = {"attempt": attempt, "kerb_front_m": "0.25", "behind_m": "", "outcome": "met",
            "seconds": "60.0", "kerb_touches": "1", "void": "false",
            "method": "Straight-run reverse park",
            "observed": "kerb touched (execution, 12 s)"}  # fmt: skip
    assert {name: row[name] for name in told} == told
    # A spreadsheet takes nobody's name for a formula.
    assert row["learner"] == "'=SUM(A1)"
    assert "history.csv-metadata.json" in answer["Link"]
    described = json.loads(lead.get("/api/history.csv-metadata.json").content)
    columns = described["tableSchema"]["columns"]
    assert [one["name"] for one in columns] == list(row)
    assert all(one["dc:description"] for one in columns)


def test_a_learner_finds_their_own_attempts_and_nobody_elses(ours, driven):
    other = ours.members["trainee"]
    other.role = "learner"
    other.save()
    assert len(found(ours.client("learner"), ours)) == 3
    assert found(ours.client("trainee"), ours) == []


def ended(client, house, **asked):
    path = f"/api/history/finishes?learner={house.members['learner'].pk}"
    return send(client, "GET", path + "".join(f"&{n}={v}" for n, v in asked.items())).json()


def test_finishes_are_drawn_at_the_newest_ones_place_as_long_as_their_own_vehicle(
    ours, lead, driven
):
    (first, second, _untaped), elsewhere = driven
    told = ended(lead, ours)
    assert (told["ground"], told["elsewhere"], told["revised"]) == ("Elsewhere", 1, False)
    assert [mark["id"] for mark in told["marks"]] == [second]
    told = ended(lead, ours, ground=ours.revisions["ground"].document_id)
    (mark,) = told["marks"]
    assert (mark["id"], mark["outcome"], told["sheet_id"]) == (first, "met", ours.sheet.pk)
    pose = Attempt.objects.get(pk=first).tape["pose"]
    x, y = np.array(mark["outline"]).T - [[pose["x_m"]], [pose["y_m"]]]
    turned = np.radians(pose["heading_deg"])
    along = x * np.cos(turned) + y * np.sin(turned)
    body = ours.revisions["vehicle"].body
    rear = body["length_m"] - body["wheelbase_m"] - body["front_overhang_m"]
    assert (along.min(), along.max()) == pytest.approx(
        (-rear, body["length_m"] - rear), abs=1e-3)  # fmt: skip
    send(lead, "PUT", f"/api/attempts/{second}/void", {"void": True})
    assert [mark["id"] for mark in ended(lead, ours)["marks"]] == [first]
    assert ended(lead, ours, outcome="ended") == {
        "sheet_id": None, "ground": "", "revised": False, "elsewhere": 0, "marks": []}  # fmt: skip
    assert ended(lead, ours, ground=elsewhere)["marks"] == []


def test_finishes_on_a_place_that_was_revised_say_so(ours, lead):
    ground = ours.revisions["ground"]
    tape(lead, keep(lead, ours)["id"], GOOD)
    assert ended(lead, ours)["revised"] is False
    path = f"/api/documents/{ground.document_id}/revisions"
    body = {**ground.body, "name": "quay, repaved"}
    revised = send(lead, "POST", path, {"based_on": 1, "body": body}).json()["id"]
    docket = {kind: revision.pk for kind, revision in ours.revisions.items()}
    asked = {**docket, "ground": revised, "learner": ours.members["learner"].pk}
    sheet = send(lead, "POST", "/api/sheets", asked).json()["id"]
    tape(lead, keep(lead, ours, sheet=sheet)["id"], GOOD)
    assert (ended(lead, ours)["revised"], len(ended(lead, ours)["marks"])) == (True, 2)
