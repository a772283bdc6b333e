"""Where learners stand: what they drive, how many of their attempts met, when they come next."""

from datetime import timedelta

from django.utils import timezone

from server.planning.services import make_sheet
from tests.server.conftest import keep, send, tape
from tests.server.test_lessons import GOOD, booked, changed


def test_where_learners_stand(ours):
    lead = ours.client("lead")
    learner = ours.members["learner"].pk
    newcomer = send(lead, "POST", "/api/people", {"name": "Zoe"}).json()["id"]
    soon = (timezone.now() + timedelta(days=1)).replace(microsecond=0)
    later = booked(lead, ours, starts=(soon + timedelta(days=3)).isoformat())
    changed(lead, booked(lead, ours, starts=soon.isoformat()), cancelled=True)
    booked(lead, ours, starts=(soon - timedelta(days=9)).isoformat())
    for readings in (GOOD, {**GOOD, "kerb_front_m": 1.4, "kerb_rear_m": 1.4}, GOOD):
        last = keep(lead, ours)["id"]
        assert tape(lead, last, readings).status_code == 200
    keep(lead, ours)
    send(lead, "PUT", f"/api/attempts/{last}/void", {"void": True})

    def stand(client):
        asked = f"/api/standings?learner={learner}&learner={newcomer}"
        return {one["learner_id"]: one for one in client.get(asked).json()}

    assert stand(lead) == {
        learner: {
            "learner_id": learner,
            "next_lesson": later["starts"],
            "sheet": {
                "id": ours.sheet.pk, "vehicle": "Linnet hatch", "ground": "quay",
                "method": "Straight-run reverse park", "attempts": 3, "taped": 2, "met": 1,
            },
        },
        newcomer: {"learner_id": newcomer, "next_lesson": None, "sheet": None},
    }  # fmt: skip
    assert list(stand(ours.client("learner"))) == [learner]
    # On a newer sheet of the same exercise the attempts before it count; on another's they do not.
    moved = make_sheet(ours.school, learner_id=learner, revisions=ours.revisions,
                       options={"shifts_m": {"1": 0.1}})  # fmt: skip
    sheet = stand(lead)[learner]["sheet"]
    assert (sheet["id"], sheet["attempts"], sheet["taped"], sheet["met"]) == (moved.pk, 3, 2, 1)
    ground = ours.revisions["ground"]
    other = send(lead, "POST", "/api/documents", {
        "kind": "ground", "body": {**ground.body, "name": "pier"}}).json()  # fmt: skip
    elsewhere = {kind: one.pk for kind, one in ours.revisions.items()} | {"ground": other["id"]}
    made = send(lead, "POST", "/api/sheets", {"learner": learner, **elsewhere})
    assert made.status_code == 201
    assert stand(lead)[learner]["sheet"]["attempts"] == 0
