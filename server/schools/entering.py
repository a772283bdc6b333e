"""Coming in: by name and password, a link, or the first address of a house."""

from django.contrib.auth import login
from django.http import HttpRequest, HttpResponse
from faircorner.said import Said
from ninja.errors import HttpError
from ninja.utils import check_csrf

from server.said import told_to
from server.schools.known_devices import remember
from server.schools.models import Member

__all__ = ["enter", "refuse_old_pages"]

# What reads the sessions that are opened here.
_BACKEND = "server.schools.backend.MemberSessions"


def refuse_old_pages(request: HttpRequest) -> None:
    """Raises HttpError 403 for a page that carries no token of this house's."""
    if check_csrf(request):
        raise HttpError(403, told_to(request, Said("page too old")))


def enter(request: HttpRequest, response: HttpResponse, member: Member) -> dict[str, object]:
    """A session of theirs, and what it is told as."""
    login(request, member.user, backend=_BACKEND)
    remember(response, member.user.get_username())
    return {"person": member, "school": member.school}
