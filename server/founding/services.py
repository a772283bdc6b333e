"""How a school begins: by a one-time address while there is none, or from the shell."""

from collections.abc import Callable

from django.contrib.auth.models import User
from django.core.exceptions import ValidationError
from django.core.signing import BadSignature, TimestampSigner
from django.db import connection, transaction
from faircorner.documents.library import house_standard, methods
from faircorner.errors import InputError
from faircorner.said import Said
from faircorner.standards import goal_of

from server.documents.services import create_document
from server.schools.models import Member, Role, School
from server.schools.services import required, set_password, take_name

__all__ = ["KeyRanOut", "begin_first", "found", "is_open", "new_key", "new_school"]

# A day is long enough to sit down with it.
_KEY_LASTS_S = 24 * 60 * 60
_SIGNER = TimestampSigner(salt="the first school")


class KeyRanOut(Exception):
    """The address is too old, or a school has begun with it."""


def new_key() -> str:
    """What the one-time address carries; it opens nothing once there is a school."""
    return _SIGNER.sign("begin")


def is_open(key: str) -> bool:
    """Whether a school can begin with it."""
    try:
        _SIGNER.unsign(key, max_age=_KEY_LASTS_S)
    except BadSignature:
        return False
    return not School.objects.exists()


@transaction.atomic
def begin_first(key: str, begin: Callable[[], Member]) -> Member:
    """A school by `begin`, where the key opens something yet; else raises KeyRanOut."""
    with connection.cursor() as cursor:
        # Of two who press at once the second finds a school there.
        cursor.execute(f"LOCK TABLE {School._meta.db_table} IN SHARE ROW EXCLUSIVE MODE")
    if not is_open(key):
        raise KeyRanOut
    return begin()


@transaction.atomic
def found(*, lead: str, username: str, password: str, **school: str) -> Member:
    """A school with its first lead and the starter library of methods and limits.

    school : name, place, keeps, units, locale and time_zone, as on School
    Raises InputError naming the field.
    """
    made = new_school(school)
    member = Member.objects.create(
        school=made, user=_user(username, password), role=Role.LEAD,
        name=required("lead", lead),
    )  # fmt: skip
    library = methods().values()
    for method in library:
        body = method.model_dump(by_alias=True, mode="json")
        create_document(made, kind="method", body=body, author=member)
    for goal in dict.fromkeys(goal_of(method.manoeuvre) for method in library):
        body = house_standard(goal).model_dump(by_alias=True, mode="json")
        create_document(made, kind="standard", body=body, author=member)
    return member


def new_school(given: dict[str, str]) -> School:
    """A school by itself, without anybody in it. Raises InputError naming the field."""
    school = School(**{**given, "name": required("name", given["name"])})
    if School.objects.filter(name=school.name).exists():
        raise InputError("name", Said("a school of that name"))
    try:
        school.full_clean()
    except ValidationError as error:
        field, told = next(iter(error.message_dict.items()))
        raise InputError(field, told[0]) from None
    school.save()
    return school


def _user(username: str, password: str) -> User:
    user = User()
    take_name(user, username)
    set_password(user, password)
    return user
