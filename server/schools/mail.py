"""Letters to the school's people, where there is somebody to carry them."""

from smtplib import SMTPException

from django.conf import settings
from django.core.mail import send_mail
from faircorner.errors import InputError
from faircorner.said import Said

from server.schools.models import Member

__all__ = ["send_link", "sends_mail"]


def sends_mail() -> bool:
    """Whether the one who set the house up named a server that takes letters."""
    return bool(settings.EMAIL_HOST)


def send_link(member: Member, address: str, until: str) -> None:
    """A link by which they choose how to sign in. Raises InputError naming `send`."""
    school = member.school
    if not sends_mail():
        raise InputError("send", Said("no mail from here"))
    if not member.email:
        raise InputError("send", Said("no address known", name=member.name))

    def told(clause: str) -> str:
        facts = {"school": school.name, "name": member.name, "address": address, "until": until}
        return Said(clause, **facts).told(school.units, school.locale)

    try:
        send_mail(told("letter's head"), told("letter"), None, [member.email])
    except (SMTPException, OSError):
        raise InputError("send", Said("letter not taken")) from None
