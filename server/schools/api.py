from typing import Literal

from django.contrib.auth import authenticate, logout, update_session_auth_hash
from django.db.models import Q
from django.db.models.functions import Lower
from django.http import HttpRequest, HttpResponse
from django.middleware.csrf import get_token
from faircorner.errors import InputError
from faircorner.said import Said
from ninja import Router, Status
from ninja.errors import HttpError
from ninja.pagination import paginate

from server.errors import Problem
from server.lists import Search
from server.said import told_to
from server.schools.access import SHAPE, Caller, may, member_of
from server.schools.entering import enter, refuse_old_pages
from server.schools.mail import send_link
from server.schools.models import Member, Role
from server.schools.schemas import (
    JoinIn,
    JoinOut,
    LinkIn,
    LinkOut,
    PadIn,
    PasswordIn,
    PersonChange,
    PersonEntry,
    PersonIn,
    PersonWas,
    RoleName,
    SchoolOut,
    SessionOut,
    SignIn,
    WheelIn,
)
from server.schools.services import (
    LinkRanOut,
    add_person,
    change_person,
    invited,
    join,
    link_for,
    set_password,
    signs_in_as,
)

router = Router(tags=["school"])


def _session(request: HttpRequest) -> dict[str, object]:
    member = member_of(request)
    return {"person": member, "school": member and member.school}


@router.get("/session", auth=None, response=SessionOut, operation_id="session_read")
def session_read(request: HttpRequest) -> object:
    # The page itself may come from the device, without the cookie that a letter needs.
    get_token(request)
    return _session(request)


@router.post(
    "/session",
    auth=None,
    response={200: SessionOut, 401: Problem, 429: Problem},
    operation_id="session_open",
)
def session_open(request: HttpRequest, body: SignIn, response: HttpResponse) -> object:
    refuse_old_pages(request)
    user = authenticate(request, username=body.username, password=body.password)
    if getattr(request, "axes_locked_out", False):
        return Status(429, Problem(field="", problem=told_to(request, Said("too many tries"))))
    member = None if user is None else Member.objects.filter(user=user).first()
    if member is None:
        return Status(
            401, Problem(field="password", problem=told_to(request, Said("name and password")))
        )
    return enter(request, response, member)


@router.delete("/session", response={204: None}, operation_id="session_close")
def session_close(request: Caller) -> object:
    logout(request)
    return Status(204, None)


@router.put("/session/password", response={204: None}, operation_id="password_change")
def password_change(request: Caller, body: PasswordIn) -> object:
    user = request.member.user
    if not user.check_password(body.now):
        raise InputError("now", Said("not the password"))
    set_password(user, body.password)
    update_session_auth_hash(request, user)
    return Status(204, None)


@router.put("/school/pad", response=SchoolOut, operation_id="school_pad")
@may(*SHAPE)
def school_pad(request: Caller, body: PadIn) -> object:
    """What is at hand in Drive to be noted at any moment."""
    request.school.pad = body.pad
    request.school.save(update_fields=["pad"])
    return request.school


@router.put("/school/wheel", response=SchoolOut, operation_id="school_wheel")
@may(*SHAPE)
def school_wheel(request: Caller, body: WheelIn) -> object:
    """Whether steering amounts are stated in turns or on a clock face."""
    request.school.wheel = body.wheel
    request.school.save(update_fields=["wheel"])
    return request.school


@router.get("/people", response=list[PersonEntry], operation_id="people_list")
@paginate
def people_list(
    request: Caller,
    search: Search = "",
    role: RoleName | None = None,
    active: bool | None = None,
    teaches: bool | None = None,
    sort: Literal["name", "-name", "role", "newest"] = "name",
) -> object:
    """The school's people; a learner sees themselves alone."""
    people = Member.objects.filter(school=request.school).select_related("user")
    if request.member.role == Role.LEARNER:
        people = people.filter(pk=request.member.pk)
    if role is not None:
        people = people.filter(role=role)
    if teaches is not None:
        people = people.exclude(role=Role.LEARNER) if teaches else people.filter(role=Role.LEARNER)
    if active is not None:
        people = people.filter(user__is_active=active)
    for word in search.split():
        people = people.filter(Q(name__icontains=word) | Q(note__icontains=word))
    return people.order_by(*_SORTED[sort])


_SORTED = {
    "name": (Lower("name"), "id"),
    "-name": (Lower("name").desc(), "-id"),
    "role": ("role", Lower("name"), "id"),
    "newest": ("-id",),
}


@router.post("/people", response={201: PersonEntry}, operation_id="person_add")
@may(*SHAPE)
def person_add(request: Caller, body: PersonIn) -> object:
    _may_look_after(request, body.role)
    return Status(201, add_person(request.school, **body.model_dump()))


@router.put("/people/{person_id}", response=PersonEntry, operation_id="person_change")
@may(*SHAPE)
def person_change(request: Caller, person_id: int, body: PersonChange) -> object:
    return change_person(_person(request, person_id), **body.model_dump())


@router.post("/people/{person_id}/link", response={201: LinkOut}, operation_id="link_make")
@may(*SHAPE)
def link_make(request: Caller, person_id: int, body: LinkIn) -> object:
    """A link by which somebody chooses how to sign in, at first or anew."""
    person = _person(request, person_id)
    path, until = link_for(person)
    if body.send:
        here = until.astimezone(request.school.zone)
        send_link(person, request.build_absolute_uri(path), f"{here:%Y-%m-%d %H:%M}")
    sent_to = person.email if body.send else ""
    return Status(201, {"path": path, "until": until, "sent_to": sent_to})


@router.get("/people/{person_id}/history", response=list[PersonWas], operation_id="person_history")
@may(*SHAPE)
def person_history(request: Caller, person_id: int) -> object:
    """What was known of somebody before, the newest first."""
    was = _person(request, person_id).history
    return was.select_related("history_user__member").order_by("-history_id")


def _person(request: Caller, person_id: int) -> Member:
    """Somebody of the school whom the caller may look after."""
    people = Member.objects.filter(school=request.school).select_related("user", "school")
    person = people.get(pk=person_id)
    _may_look_after(request, person.role)
    return person


def _may_look_after(request: Caller, role: str) -> None:
    if role != Role.LEARNER and request.member.role != Role.LEAD:
        raise HttpError(403, told_to(request, Said("only some may", who=Role.LEAD.label.lower())))


@router.get(
    "/join", auth=None, response={200: JoinOut, 410: Problem}, operation_id="invitation_read"
)
def invitation_read(request: HttpRequest, who: str = "", token: str = "") -> object:
    try:
        member = invited(who, token)
    except LinkRanOut:
        return _ran_out(request)
    return {
        "name": member.name,
        "school": member.school.name,
        "signs_in_as": signs_in_as(member),
    }


@router.post(
    "/join", auth=None, response={200: SessionOut, 410: Problem}, operation_id="invitation_take"
)
def invitation_take(request: HttpRequest, response: HttpResponse, body: JoinIn) -> object:
    refuse_old_pages(request)
    try:
        member = join(**body.model_dump())
    except LinkRanOut:
        return _ran_out(request)
    return enter(request, response, member)


def _ran_out(request: HttpRequest) -> object:
    return Status(410, Problem(field="token", problem=told_to(request, Said("link ran out"))))
