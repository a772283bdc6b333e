from datetime import datetime
from typing import Annotated, Any, Literal

from faircorner.standards import OBSERVED, Observed
from ninja import Schema
from pydantic import AfterValidator, Field

from server.request_body import RequestBody
from server.schools.history import changed_by
from server.schools.mail import sends_mail
from server.schools.models import Member, Role
from server.schools.services import signs_in_as

RoleName = Literal["lead", "instructor", "trainee", "learner"]


def _each_once(pad: list[Observed]) -> list[Observed]:
    return list(dict.fromkeys(pad))


class SchoolOut(Schema):
    id: int
    name: str
    place: str
    keeps: Literal["left", "right"]
    units: Literal["metric", "imperial"]
    locale: str
    time_zone: str
    pad: list[Observed]
    wheel: Literal["turns", "clock"]


class PadIn(RequestBody):
    """What is at hand in Drive to be noted at any moment, in order; each once."""

    pad: Annotated[list[Observed], Field(max_length=len(OBSERVED)), AfterValidator(_each_once)]


class WheelIn(RequestBody):
    """How far the steering wheel is turned is told: in turns, or on a clock face."""

    wheel: Literal["turns", "clock"]


class PersonOut(Schema):
    id: int
    name: str
    role: RoleName
    note: str

    @staticmethod
    def resolve_note(obj: Member, context: dict[str, Any]) -> str:
        """What those who teach note of somebody is theirs to read."""
        reader = getattr(context.get("request"), "member", obj)
        return "" if reader.role == Role.LEARNER else obj.note


class SessionOut(Schema):
    """Who is signed in; both null for nobody.

    sends_mail : whether links can be sent from here
    """

    person: PersonOut | None
    school: SchoolOut | None
    sends_mail: bool = Field(default_factory=sends_mail)


class SignIn(RequestBody):
    username: Annotated[str, Field(min_length=1, max_length=150)]
    password: Annotated[str, Field(min_length=1, max_length=200)]


class PersonEntry(PersonOut):
    """One of the school's people, for those who look after them.

    signs_in_as : empty as long as they never chose how
    """

    active: bool
    email: str
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
    role: RoleName = "learner"
    note: Annotated[str, Field(max_length=300)] = ""
    email: Annotated[str, Field(max_length=254)] = ""


class PersonChange(RequestBody):
    """role : left as it is where it is not given"""

    role: RoleName | None = None
    name: Annotated[str, Field(max_length=120)]
    note: Annotated[str, Field(max_length=300)]
    email: Annotated[str, Field(max_length=254)]
    active: bool


class PersonWas(Schema):
    """What was known of somebody from some time on."""

    at: datetime = Field(alias="history_date")
    by: str
    name: str
    role: RoleName
    note: str
    email: str

    @staticmethod
    def resolve_by(obj: Any) -> str:
        return changed_by(obj)


class LinkIn(RequestBody):
    """send : to the person's e-mail address, too"""

    send: bool = False


class LinkOut(Schema):
    """A link to choose how to sign in by, once; path is at this address.

    sent_to : the e-mail address it went to; empty where it was not sent
    """

    path: str
    until: datetime
    sent_to: str = ""


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
