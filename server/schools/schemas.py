from datetime import datetime
from typing import Annotated, Literal

from ninja import Schema
from pydantic import Field

from server.request_body import RequestBody
from server.schools.models import Member
from server.schools.services import signs_in_as


class SchoolOut(Schema):
    id: int
    name: str
    place: str
    keeps: Literal["left", "right"]
    units: Literal["metric", "imperial"]
    locale: str
    time_zone: str


class PersonOut(Schema):
    id: int
    name: str
    role: Literal["lead", "instructor", "learner"]
    note: str


class SessionOut(Schema):
    """Who is signed in; both null for nobody."""

    person: PersonOut | None
    school: SchoolOut | None


class SignIn(RequestBody):
    username: Annotated[str, Field(min_length=1, max_length=150)]
    password: Annotated[str, Field(min_length=1, max_length=200)]


class PersonEntry(PersonOut):
    """One of the school's people, for those who look after them.

    signs_in_as : empty as long as they never chose how
    """

    active: bool
    signs_in_as: str

    @staticmethod
    def resolve_active(obj: Member) -> bool:
        return obj.user.is_active

    @staticmethod
    def resolve_signs_in_as(obj: Member) -> str:
        return signs_in_as(obj)


class PersonIn(RequestBody):
    """Somebody to be added, who signs in once they have been given a link."""

    name: Annotated[str, Field(max_length=120)]
    role: Literal["lead", "instructor", "learner"] = "learner"
    note: Annotated[str, Field(max_length=300)] = ""


class PersonChange(RequestBody):
    name: Annotated[str, Field(max_length=120)]
    note: Annotated[str, Field(max_length=300)]
    active: bool


class LinkOut(Schema):
    """A link to choose how to sign in by, once; path is at this address."""

    path: str
    until: datetime


class JoinOut(Schema):
    """Whom a link is for."""

    name: str
    school: str
    signs_in_as: str


class JoinIn(RequestBody):
    who: Annotated[str, Field(max_length=40)]
    token: Annotated[str, Field(max_length=200)]
    username: Annotated[str, Field(max_length=150)]
    password: Annotated[str, Field(max_length=200)]


class PasswordIn(RequestBody):
    now: Annotated[str, Field(max_length=200)]
    password: Annotated[str, Field(max_length=200)]
