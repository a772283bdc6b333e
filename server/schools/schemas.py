from typing import Annotated, Literal

from ninja import Schema
from pydantic import Field

from server.request_body import RequestBody


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


class PersonIn(RequestBody):
    """A learner to be added; learners are given no sign-in here."""

    name: Annotated[str, Field(min_length=1, max_length=120)]
    note: Annotated[str, Field(max_length=300)] = ""
