from django.contrib.auth import authenticate, login, logout
from django.http import HttpRequest
from faircorner.errors import InputError
from faircorner.said import Said
from ninja import Router, Status
from ninja.errors import HttpError
from ninja.utils import check_csrf

from server.errors import Problem
from server.said import told_to
from server.schools.access import Caller, may
from server.schools.models import Member, Role
from server.schools.schemas import PersonIn, PersonOut, SessionOut, SignIn
from server.schools.services import add_learner

router = Router(tags=["school"])


def _session(request: HttpRequest) -> dict[str, object]:
    member = None
    if request.user.is_authenticated:
        member = Member.objects.select_related("school").filter(user=request.user).first()
    return {"person": member, "school": member and member.school}


@router.get("/session", auth=None, response=SessionOut, operation_id="session_read")
def session_read(request: HttpRequest) -> object:
    return _session(request)


@router.post(
    "/session",
    auth=None,
    response={200: SessionOut, 401: Problem, 429: Problem},
    operation_id="session_open",
)
def session_open(request: HttpRequest, body: SignIn) -> object:
    if check_csrf(request):
        raise HttpError(403, told_to(request, Said("page too old")))
    user = authenticate(request, username=body.username, password=body.password)
    if getattr(request, "axes_locked_out", False):
        return Status(429, Problem(field="", problem=told_to(request, Said("too many tries"))))
    if user is None or not Member.objects.filter(user=user).exists():
        return Status(
            401, Problem(field="password", problem=told_to(request, Said("name and password")))
        )
    login(request, user)
    return _session(request)


@router.delete("/session", response={204: None}, operation_id="session_close")
def session_close(request: Caller) -> object:
    logout(request)
    return Status(204, None)


@router.get("/people", response=list[PersonOut], operation_id="people_list")
def people_list(request: Caller) -> object:
    people = Member.objects.filter(school=request.school)
    if request.member.role == Role.LEARNER:
        people = people.filter(pk=request.member.pk)
    return people


@router.post("/people", response={201: PersonOut}, operation_id="learner_add")
@may(Role.LEAD, Role.INSTRUCTOR)
def learner_add(request: Caller, body: PersonIn) -> object:
    if not body.name.strip():
        raise InputError("name", Said("learner's name wanted"))
    return Status(201, add_learner(request.school, name=body.name, note=body.note))
