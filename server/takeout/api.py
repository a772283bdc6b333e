from tempfile import TemporaryFile
from typing import IO, cast

from django.http import FileResponse, HttpRequest, HttpResponse
from faircorner.said import Said
from ninja import File, Form, Router, Status, UploadedFile

from server.edge import look_through
from server.errors import Problem
from server.founding.services import KeyRanOut, begin_first
from server.said import told_to
from server.schools.access import Caller, may
from server.schools.entering import enter, refuse_old_pages
from server.schools.models import Member, Role
from server.schools.schemas import SessionOut
from server.takeout.erasing import erase_learner
from server.takeout.reading import read_school
from server.takeout.schemas import BeginFromFileIn, EraseIn
from server.takeout.writing import write_file

router = Router(tags=["takeout"])


@router.get("/school/file", response={200: None}, operation_id="school_file")
@may(Role.LEAD)
def school_file(request: Caller) -> object:
    """The whole school in one file: a zip of JSON lines, fair-corner/school@1."""
    return _file(request, "school.zip", None)


@router.get("/people/{person_id}/file", response={200: None}, operation_id="person_file")
@may(Role.LEAD, Role.LEARNER)
def person_file(request: Caller, person_id: int) -> object:
    """All that the school has of a learner, for a lead or for themselves, in the same format."""
    learner = _learner(request, person_id)
    if request.member.role != Role.LEAD and request.member.pk != learner.pk:
        raise Member.DoesNotExist
    return _file(request, "learner.zip", learner)


def _file(request: Caller, name: str, learner: Member | None) -> FileResponse:
    out = TemporaryFile()  # noqa: SIM115  the answer closes it
    write_file(request.school, out, lead=request.member, learner=learner)
    out.seek(0)
    return FileResponse(out, as_attachment=True, filename=name)


@router.post("/people/{person_id}/erase", response={204: None}, operation_id="person_erase")
@may(Role.LEAD)
def person_erase(request: Caller, person_id: int, body: EraseIn) -> object:
    """Everything of a learner goes, for good."""
    erase_learner(_learner(request, person_id), name=body.name)
    return Status(204, None)


def _learner(request: Caller, person_id: int) -> Member:
    people = Member.objects.filter(school=request.school, role=Role.LEARNER)
    return people.select_related("user", "school").get(pk=person_id)


@router.post(
    "/begin/from-file",
    auth=None,
    response={201: SessionOut, 410: Problem},
    operation_id="school_begin_from_file",
)
def school_begin_from_file(
    request: HttpRequest,
    response: HttpResponse,
    body: Form[BeginFromFileIn],
    file: File[UploadedFile],
) -> object:
    """The first school here, as it was when its file was taken out."""
    refuse_old_pages(request)
    look_through(body.model_dump(), "")
    signs_in = {"username": body.username, "password": body.password}
    try:
        lead = begin_first(body.key, lambda: read_school(cast("IO[bytes]", file), **signs_in))
    except KeyRanOut:
        return Status(410, Problem(field="key", problem=told_to(request, Said("key ran out"))))
    return Status(201, enter(request, response, lead))
