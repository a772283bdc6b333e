"""Changes to who is in a school, and how they come to sign in."""

import uuid
from datetime import datetime, timedelta

from django.conf import settings
from django.contrib.auth.models import User
from django.contrib.auth.password_validation import validate_password
from django.contrib.auth.tokens import default_token_generator as tokens
from django.core.exceptions import ValidationError
from django.core.validators import validate_email
from django.db import transaction
from django.utils import timezone
from django.utils.encoding import force_str
from django.utils.http import urlsafe_base64_decode, urlsafe_base64_encode
from faircorner.errors import InputError
from faircorner.said import Said

from server.schools.models import Member, Role, School

__all__ = [
    "LinkRanOut",
    "add_person",
    "change_person",
    "invited",
    "join",
    "link_for",
    "required",
    "set_password",
    "signs_in_as",
    "take_name",
]


def required(field: str, text: str) -> str:
    """What somebody wrote, without spaces around it; InputError where that is nothing."""
    if not text.strip():
        raise InputError(field, Said("must not be empty"))
    return text.strip()


class LinkRanOut(Exception):
    """It is too old, was used, or never was."""


@transaction.atomic
def add_person(
    school: School, *, name: str, role: str = Role.LEARNER, note: str = "", email: str = ""
) -> Member:
    """Somebody of the school, who signs in once they have been given a link.

    Raises InputError naming the field.
    """
    # Without a password nobody can, and the name is chosen with it.
    user = User.objects.create_user(username=f"person-{uuid.uuid4().hex[:12]}")
    return Member.objects.create(
        school=school, user=user, name=required("name", name), role=role, note=note.strip(),
        email=_address(email),
    )  # fmt: skip


@transaction.atomic
def change_person(
    member: Member, *, role: str | None, name: str, note: str, email: str, active: bool
) -> Member:
    """Name, note and address, and whether they may still sign in; what they drove stays either way.

    role : of those who teach; None leaves it as it is
    Raises InputError naming the field.
    """
    role = role or member.role
    stays = active and role == Role.LEAD
    if member.role == Role.LEAD and not stays and not _other_lead(member):
        raise InputError("active" if role == Role.LEAD else "role", Said("the last lead"))
    if role != member.role and Role.LEARNER in (role, member.role):
        raise InputError("role", Said("learner or teacher"))
    member.role = role
    member.name, member.note = required("name", name), note.strip()
    member.email = _address(email)
    member.user.is_active = active
    member.user.save(update_fields=["is_active"])
    member.save()
    return member


def _address(text: str) -> str:
    """An e-mail address, or nothing; InputError for what is neither."""
    email = text.strip()
    try:
        if email:
            validate_email(email)
    except ValidationError:
        raise InputError("email", Said("no e-mail address")) from None
    return email


def _other_lead(member: Member) -> bool:
    # Two who let each other go at once wait for one another.
    School.objects.select_for_update().get(pk=member.school_id)
    leads = Member.objects.filter(school=member.school, role=Role.LEAD, user__is_active=True)
    return leads.exclude(pk=member.pk).exists()


def link_for(member: Member) -> tuple[str, datetime]:
    """Where they choose how to sign in, once; and until when. An older one opens nothing more
    once a password was chosen with it."""
    who = urlsafe_base64_encode(str(member.user.pk).encode())
    until = timezone.now() + timedelta(seconds=settings.PASSWORD_RESET_TIMEOUT)
    return f"/join?who={who}&token={tokens.make_token(member.user)}", until


def invited(who: str, token: str) -> Member:
    """Whose link it is; raises LinkRanOut."""
    try:
        key = int(force_str(urlsafe_base64_decode(who)))
    except ValueError:
        raise LinkRanOut from None
    member = Member.objects.select_related("user", "school").filter(user=key).first()
    if member is None or not member.user.is_active or not tokens.check_token(member.user, token):
        raise LinkRanOut
    return member


@transaction.atomic
def join(who: str, token: str, *, username: str, password: str) -> Member:
    """Choose name and password by a link. Raises LinkRanOut, and InputError naming the field."""
    member = invited(who, token)
    user = User.objects.select_for_update().get(pk=member.user.pk)
    take_name(user, username)
    set_password(user, password)
    member.user = user
    return member


def signs_in_as(member: Member) -> str:
    """Empty as long as they never chose how."""
    return member.user.get_username() if member.user.has_usable_password() else ""


def take_name(user: User, username: str) -> None:
    """The name they sign in with; InputError where it cannot be had."""
    name = required("username", username)
    if User.objects.filter(username=name).exclude(pk=user.pk).exists():
        raise InputError("username", Said("sign-in name taken"))
    try:
        User.username_validator(name)
    except ValidationError:
        raise InputError("username", Said("sign-in name of letters")) from None
    user.username = name


def set_password(user: User, password: str) -> None:
    """Keeps the user, too. Raises InputError for one that is too easy."""
    try:
        validate_password(password, user)
    except ValidationError as error:
        code = str(error.error_list[0].code)
        raise InputError("password", Said(code.replace("_", " "))) from None
    user.set_password(password)
    user.save()
