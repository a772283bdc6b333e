"""A school goes out to one file and comes in from it; a learner takes theirs, or is forgotten."""

import io
import json
from zipfile import ZipFile

import pytest
from django.db import connection
from faircorner.documents.samples import LINNET, seat_document
from faircorner.errors import InputError

from server.documents.models import Document, Revision
from server.founding.services import new_key
from server.lessons.models import Attempt, Lesson
from server.mock_tests.models import MockTest
from server.planning.services import make_sheet
from server.progress.models import Shift
from server.schools.models import Member, School
from server.takeout.reading import read_school
from server.takeout.writing import write_file
from tests.server.conftest import NOTES, STARTED, build_house, keep, send

SIGNS_IN = {"username": "ada", "password": "violet-harbour-9"}
READINGS = {"kerb_front_m": 0.25, "kerb_rear_m": 0.27, "ahead_m": 2.0}


def lived_in(house):
    """A house in which everything that can be kept was kept, by several people, and changed."""
    lead, instructor = house.client("lead"), house.client("instructor")
    learner = house.members["learner"].pk
    vehicle = house.revisions["vehicle"]
    send(lead, "POST", f"/api/documents/{vehicle.document_id}/revisions", {
        "based_on": 1, "body": {**vehicle.body, "name": "Linnet, new tyres"}})  # fmt: skip
    send(lead, "PUT", f"/api/documents/{vehicle.document_id}/away", {"away": True})
    send(instructor, "PUT", f"/api/people/{learner}", {
        "name": "Milo", "note": "Tuesdays", "email": "m@example.org", "active": True})  # fmt: skip
    booked = {"learner": learner, "starts": STARTED, "instructor": house.members["trainee"].pk}
    lesson = send(lead, "POST", "/api/lessons", booked).json()
    docket = {kind: house.revisions[kind].document_id
              for kind in ("seat", "ground", "method", "standard")}  # fmt: skip
    send(instructor, "PUT", f"/api/lessons/{lesson['id']}", {
        "instructor": house.members["instructor"].pk, "notes": "Cones", "begun": STARTED,
        "plan": [{"what": "Parks", "minutes": 40, "docket": docket}, {"what": "X", "minutes": 5}],
        "recap": [{"what": "Parks", "step": "Look", "recalled": "helped"}],
        "learnt": "Slow hands", "comes_next": "Left", "based_on": 1})  # fmt: skip
    send(lead, "PUT", "/api/school/pad", {"pad": ["stalled", "pull-up"]})
    send(lead, "PUT", "/api/school/wheel", {"wheel": "clock"})
    seen = {"what": "stalled", "phase": "start", "step": 0, "seconds": 4}
    attempt = keep(instructor, house, notes={**NOTES, "observed": [seen], "prompted": [1]})["id"]
    send(lead, "PUT", f"/api/attempts/{attempt}/readings", READINGS)
    send(instructor, "PUT", f"/api/attempts/{attempt}/beside", READINGS)
    looked = {"by_eye": {"kerb_front": "near", "kerb_rear": "right"}}
    send(instructor, "PUT", f"/api/attempts/{attempt}/readings", {
        **looked, "based_on": 1, "why": "the tape slipped"})  # fmt: skip
    noted = {"based_on": 0, "notes": {**NOTES, "seconds": 61}}
    assert send(lead, "POST", f"/api/attempts/{attempt}/notes", noted).status_code == 201
    moved = make_sheet(house.school, learner_id=learner, revisions=house.revisions,
                       options={"shifts_m": {"1": 0.1}})  # fmt: skip
    Shift.objects.create(
        school=house.school, before=house.sheet, after=moved, call=1, by_m=0.1, evidence={"n": 8},
        taken_by=house.members["instructor"],
    )  # fmt: skip
    MockTest.objects.create(
        school=house.school, learner_id=learner, instructor=house.members["instructor"],
        standard=house.revisions["standard"], pool=[house.sheet.pk, moved.pk],
        exercises=[{"sheet": moved.pk, "cancelled": "rain"},
                   {"sheet": house.sheet.pk, "cancelled": ""}],
    )  # fmt: skip
    return house


@pytest.fixture
def ours(db):
    return lived_in(build_house("ours"))


def taken_out(client, path="/api/school/file"):
    answer = client.get(path)
    assert answer.status_code == 200
    return b"".join(answer.streaming_content)


def parts(file):
    with ZipFile(io.BytesIO(file)) as archive:
        return {
            name: [json.loads(line) for line in archive.read(name).splitlines()]
            for name in archive.namelist()
        }


def changed(file, name, change):
    """The file with one of its parts changed."""
    out = io.BytesIO()
    with ZipFile(io.BytesIO(file)) as archive, ZipFile(out, "w") as other:
        for entry in archive.namelist():
            lines = [json.loads(line) for line in archive.read(entry).splitlines()]
            if entry == name:
                change(lines)
            other.writestr(entry, "\n".join(json.dumps(line) for line in lines))
    out.seek(0)
    return out


def emptied():
    """The database as it is before any school began."""
    with connection.cursor() as cursor:
        cursor.execute("SET CONSTRAINTS ALL IMMEDIATE")
        cursor.execute("TRUNCATE schools_school, auth_user CASCADE")


def test_a_school_comes_back_as_it_went_out(ours):
    file = taken_out(ours.client("lead"))
    told = parts(file)
    assert [len(lines) for lines in told.values()] == [
        1, len(ours.members), 5, 1, 2, 1, 1, 1]  # fmt: skip
    assert len(told["lessons.jsonl"][0]["states"]) == 2
    (attempt,) = told["attempts.jsonl"]
    assert [(one["beside"], one["why"]) for one in attempt["tapings"]] == [
        (False, ""), (True, ""), (False, "the tape slipped")
    ]  # fmt: skip
    emptied()
    lead = read_school(io.BytesIO(file), **SIGNS_IN)
    assert (lead.school.name, lead.name) == ("ours", "lead of ours")
    assert lead.user.get_username() == SIGNS_IN["username"]
    assert lead.user.check_password(SIGNS_IN["password"])
    again = io.BytesIO()
    write_file(lead.school, again, lead=lead, learner=None)
    assert again.getvalue() == file
    # And it is lived in: the docket goes on with the sheet that it went on with.
    learner = Member.objects.get(school=lead.school, name="Milo")
    assert learner.cue_sheets.first().options == {"shifts_m": {"1": 0.1}}


BROKEN = [
    ("people.jsonl", lambda lines: lines[0].update(role="king"), "people, line 1.role"),
    ("documents.jsonl", lambda lines: lines[0]["revisions"][0]["body"].pop("length_m"),
     "documents, line 1.revisions[0].body"),
    ("documents.jsonl", lambda lines: lines[1].update(vehicle=None), "documents, line 2"),
    ("sheets.jsonl", lambda lines: lines[0].update(seat=[1, 1]), "sheets, line 1.seat"),
    ("sheets.jsonl", lambda lines: lines[1].update(learner=99), "sheets, line 2.learner"),
    ("sheets.jsonl", lambda lines: lines[0]["plan"].pop("legs"), "sheets, line 1.plan"),
    ("sheets.jsonl", lambda lines: lines[1].update(sheet=1), "sheets, line 2.sheet"),
    ("attempts.jsonl", lambda lines: lines[0].update(lesson=9), "attempts, line 1.lesson"),
    ("lessons.jsonl", lambda lines: lines[0]["plan"][0].update(documents=[1, 1, 1, 1]),
     "lessons, line 1.plan"),
    ("attempts.jsonl", lambda lines: lines[0].update(colour=1), "attempts, line 1.colour"),
    ("school.json", lambda lines: lines[0].update(learner=1), "file"),
    ("school.json", lambda lines: lines[0].update(lead=None), "lead"),
]  # fmt: skip


@pytest.mark.parametrize(("name", "change", "field"), BROKEN)
def test_a_file_that_was_tampered_with_brings_nothing_in(ours, name, change, field):
    file = taken_out(ours.client("lead"))
    emptied()
    with pytest.raises(InputError) as told:
        read_school(changed(file, name, change), **SIGNS_IN)
    assert told.value.field.startswith(field)
    assert not School.objects.exists()


def test_attempts_of_an_older_file_find_their_lesson(ours):
    def older(lines):
        for line in lines:
            del line["lesson"]

    file = changed(taken_out(ours.client("lead")), "attempts.jsonl", older)
    emptied()
    read_school(changed(file.getvalue(), "lessons.jsonl", older), **SIGNS_IN)
    assert Attempt.objects.get().lesson == Lesson.objects.get()


def test_what_an_older_file_tells_of_readings_is_the_first_entry(ours):
    def older(lines):
        for line in lines:
            del line["tapings"]

    file = changed(taken_out(ours.client("lead")), "attempts.jsonl", older)
    held = Attempt.objects.get()
    noted_by = held.instructor.name
    emptied()
    read_school(file, **SIGNS_IN)
    (one,) = Attempt.objects.get().tapings.all()
    assert (one.readings, one.finish, one.beside) == (held.readings, held.tape["finish"], False)
    assert one.author.name == noted_by


def test_the_first_school_can_begin_from_a_file(ours, client):
    file = taken_out(ours.client("lead"))
    asked = {"key": new_key(), **SIGNS_IN}

    def begin(**given):
        given = {**asked, "file": io.BytesIO(file), **given}
        return client.post("/api/begin/from-file", given)

    # A school is here already, and no other comes in over it.
    assert begin().status_code == 410
    emptied()
    photograph = begin(file=io.BytesIO(b"a photograph"))
    assert (photograph.status_code, photograph.json()["field"]) == (422, "file")
    easy = begin(password="short")
    assert (easy.status_code, easy.json()["field"]) == (422, "password")
    assert not School.objects.exists()
    assert begin(key="begin:forged").status_code == 410
    assert begin().json()["person"]["name"] == "lead of ours"
    assert len(client.get("/api/documents").json()["items"]) == 3
    assert begin().status_code == 410


def test_only_who_may_takes_anything_out(ours):
    learner = ours.members["learner"].pk
    assert ours.client("instructor").get("/api/school/file").status_code == 403
    path = f"/api/people/{learner}/file"
    assert ours.client("instructor").get(path).status_code == 403
    other = send(ours.client("lead"), "POST", "/api/people", {"name": "Zoe"}).json()["id"]
    assert ours.client("learner").get(f"/api/people/{other}/file").status_code == 404


_OF_ONE = ("lessons", "sheets", "attempts", "shifts", "mock_tests")


def test_a_learner_takes_out_what_is_theirs_alone(ours):
    lead = ours.client("lead")
    other = send(lead, "POST", "/api/people", {"name": "Zoe"}).json()["id"]
    send(lead, "POST", "/api/lessons", {"learner": other, "starts": STARTED})
    theirs = make_sheet(ours.school, learner_id=other, revisions=ours.revisions, options={})
    keep(lead, ours, sheet=theirs.pk)
    MockTest.objects.create(
        school=ours.school, learner_id=other, instructor=ours.members["lead"], pool=[theirs.pk],
        standard=ours.revisions["standard"], exercises=[{"sheet": theirs.pk, "cancelled": ""}],
    )  # fmt: skip
    path = f"/api/people/{ours.members['learner'].pk}/file"
    told = parts(taken_out(ours.client("learner"), path))
    assert "Zoe" not in json.dumps(told)
    # Who was to give their lesson before it was changed stands there by name, too.
    names = {one["person"]: one["name"] for one in told["people.jsonl"]}
    (lesson,) = told["lessons.jsonl"]
    gave = [names[state["instructor"]] for state in lesson["states"]]
    assert gave == ["trainee of ours", "instructor of ours"]
    numbers = [len(told[f"{part}.jsonl"]) for part in _OF_ONE]
    assert numbers == [1, 2, 1, 1, 1]
    # Of the vehicle only what they drove.
    assert [len(one["revisions"]) for one in told["documents.jsonl"]] == [1] * 5


def test_who_is_erased_leaves_nothing_and_nobody_else_loses_anything(ours):
    lead, learner = ours.client("lead"), ours.members["learner"]
    body = seat_document(LINNET, "Milo, seat 4", back=0.1, height=1.1)
    vehicle = ours.revisions["vehicle"].document_id
    seat = send(lead, "POST", "/api/documents", {
        "kind": "seat", "vehicle_id": vehicle, "body": body}).json()  # fmt: skip
    own = {**ours.revisions, "seat": Revision.objects.get(pk=seat["id"])}
    make_sheet(ours.school, learner_id=learner.pk, revisions=own, options={})
    other = send(lead, "POST", "/api/people", {"name": "Zoe"}).json()["id"]
    theirs = make_sheet(ours.school, learner_id=other, revisions=ours.revisions, options={})
    kept = keep(lead, ours, sheet=theirs.pk)["id"]
    path = f"/api/people/{learner.pk}/erase"
    slip = send(lead, "POST", path, {"name": "Zoe"})
    assert (slip.status_code, slip.json()["field"]) == (422, "name")
    teacher = ours.members["instructor"].pk
    assert send(lead, "POST", f"/api/people/{teacher}/erase", {"name": "x"}).status_code == 404
    assert send(lead, "POST", path, {"name": "Milo"}).status_code == 204
    everything = json.dumps(parts(taken_out(lead)))
    assert "Milo" not in everything
    assert "learner of ours" not in everything
    assert [str(one.pk) for one in Attempt.objects.all()] == [kept]
    assert not Document.objects.filter(pk=seat["document_id"]).exists()
    # The seat that somebody else sat in, too, stays.
    assert Document.objects.filter(pk=ours.revisions["seat"].document_id).exists()
    assert not Member.history.filter(id=learner.pk).exists()
    assert not Lesson.history.filter(learner_id=learner.pk).exists()
