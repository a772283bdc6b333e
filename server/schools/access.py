"""Who is asking, for which school, and what their role may do. The only file that decides it."""

from __future__ import annotations

from functools import wraps
from typing import TYPE_CHECKING, Any, NamedTuple, Self, TypeVar, cast

from django.db import models
from django.http import HttpRequest
from faircorner.said import Said
from ninja.errors import HttpError
from ninja.security import APIKeyCookie

from server.said import told_to
from server.schools.models import Member, Role, School

if TYPE_CHECKING:
    from collections.abc import Callable

M_co = TypeVar("M_co", bound=models.Model, covariant=True)

__all__ = [
    "SHAPE", "TEACH", "Caller", "SchoolQuerySet", "Sees", "SignedIn", "may", "member_of", "sees",
]  # fmt: skip

# Who gives lessons, and who besides changes what the school has in common.
TEACH = (Role.LEAD, Role.INSTRUCTOR, Role.TRAINEE)
SHAPE = (Role.LEAD, Role.INSTRUCTOR)


class Caller(HttpRequest):
    """A request whose caller is known."""

    member: Member
    school: School


def member_of(request: HttpRequest) -> Member | None:
    """Who is signed in; None where nobody is, or somebody without a school."""
    return getattr(request.user, "member", None)


class SignedIn(APIKeyCookie):
    """Django's session, and the member behind it; CSRF is checked by the base class."""

    param_name = "sessionid"

    def authenticate(self, request: HttpRequest, key: str | None) -> Member | None:
        member = member_of(request)
        # What waited on a device was noted by somebody: nobody else sends it as their own.
        meant = request.headers.get("X-Person")
        if member is not None and meant not in (None, str(member.pk)):
            return None
        if member is not None:
            caller = cast(Caller, request)
            caller.member, caller.school = member, member.school
        return member


class Sees(NamedTuple):
    """What somebody may see: their school's, and a learner only their own."""

    school: int
    learner: int | None


def sees(request: Caller) -> Sees:
    learns = request.member.role == Role.LEARNER
    return Sees(request.school.pk, request.member.pk if learns else None)


class SchoolQuerySet(models.QuerySet[M_co]):
    """Every query of every model with a school begins here."""

    def for_school(self, school: School) -> Self:
        return self.filter(school=school)

    def seen(self, whose: Sees, learner: str = "learner") -> Self:
        theirs = self.filter(school=whose.school)
        return theirs if whose.learner is None else theirs.filter(**{learner: whose.learner})

    def for_caller(self, request: Caller, learner: str = "learner") -> Self:
        """What the caller may see."""
        return self.seen(sees(request), learner)


def may(*roles: Role) -> Callable[[Callable[..., Any]], Callable[..., Any]]:
    """Answer 403 unless the caller has one of the roles."""

    def decorate(view: Callable[..., Any]) -> Callable[..., Any]:
        @wraps(view)
        def checked(request: Caller, *args: Any, **kwargs: Any) -> Any:
            if request.member.role not in roles:
                names = " or ".join(Role(role).label.lower() for role in roles)
                raise HttpError(403, told_to(request, Said("only some may", who=names)))
            return view(request, *args, **kwargs)

        return checked

    return decorate
