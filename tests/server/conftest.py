"""Two schools with one of everything, for the tests of who may see what."""

import json
import uuid
from dataclasses import dataclass

import pytest
from django.contrib.auth.models import User
from django.test import Client
from django.test.client import ClientHandler
from faircorner.documents.ground import ground_document
from faircorner.documents.library import house_standard, methods
from faircorner.documents.samples import LINNET, seat_document, vehicle_document
from faircorner.ground import lay_kerb

from server.documents.services import create_document
from server.planning.services import make_sheet
from server.schools.models import Member, Role, School

PASSWORD = "a-long-enough-word"
# Its middleware is loaded once: WhiteNoise looks at every file of the application for it.
HANDLER = ClientHandler(enforce_csrf_checks=False)
NOTES = {"seconds": 60, "calls": ["on"], "looks": ["done"]}
STARTED = "2026-05-05T10:00:00Z"


def new_client() -> Client:
    client = Client()
    client.handler = HANDLER
    return client


@pytest.fixture
def client():
    return new_client()


@dataclass
class House:
    """A school, its people's clients by role, and its documents."""

    school: School
    members: dict
    revisions: dict
    sheet: object

    def client(self, role: str) -> Client:
        client = new_client()
        client.force_login(self.members[role].user, backend="server.schools.backend.MemberSessions")
        return client


def send(client: Client, method: str, path: str, body=None):
    data = "" if body is None else json.dumps(body)
    return client.generic(method, path, data, content_type="application/json")


def keep(client: Client, house, *, sheet=None, notes=None):
    """An attempt noted through the API, on the house's own sheet unless another is named."""
    body = {"id": str(uuid.uuid4()), "sheet": sheet or house.sheet.pk, "started": STARTED,
            "notes": notes or NOTES}  # fmt: skip
    answer = send(client, "POST", "/api/attempts", body)
    assert answer.status_code == 201, answer.content
    return answer.json()


def tape(client, attempt_id, readings):
    return send(client, "PUT", f"/api/attempts/{attempt_id}/readings", readings)


def judged_by(house, lead, body):
    """A sheet of the house's docket judged by another standard; its id."""
    document = house.revisions["standard"].document_id
    path = f"/api/documents/{document}/revisions"
    standard = send(lead, "POST", path, {"based_on": 1, "body": body}).json()["id"]
    docket = {kind: revision.pk for kind, revision in house.revisions.items()}
    asked = {**docket, "standard": standard, "learner": house.members["learner"].pk}
    return send(lead, "POST", "/api/sheets", asked).json()["id"]


def build_house(name: str) -> House:
    school = School.objects.create(name=name, keeps="left", units="metric")
    members = {}
    for role in Role.values:
        user = User.objects.create_user(f"{role}@{name}", password=PASSWORD)
        members[role] = Member.objects.create(
            school=school, user=user, name=f"{role} of {name}", role=role
        )
    method = methods()["Straight-run reverse park"]
    bodies = {
        "vehicle": vehicle_document(LINNET),
        "seat": seat_document(LINNET, "seat", back=0.0, height=1.2),
        "ground": ground_document(lay_kerb("quay", goal_ahead=2.0)),
        "method": method.model_dump(by_alias=True, mode="json"),
        "standard": house_standard().model_dump(by_alias=True, mode="json"),
    }
    revisions = {}
    for kind, body in bodies.items():
        vehicle = revisions["vehicle"].document_id if kind == "seat" else None
        revisions[kind] = create_document(school, kind=kind, body=body, vehicle_id=vehicle)
    sheet = make_sheet(school, learner_id=members["learner"].pk, revisions=revisions, options={})
    return House(school=school, members=members, revisions=revisions, sheet=sheet)


@pytest.fixture
def ours(db):
    return build_house("ours")


@pytest.fixture
def theirs(db):
    return build_house("theirs")
