"""Browsers that somebody has signed in from before: their wrong tries are counted apart.

Whoever guesses at a password locks out strangers at their address, and nobody who has been let in.
After OWASP's "Slow Down Online Guessing Attacks with Device Cookies".
"""

import hashlib
import secrets
from datetime import timedelta

from django.conf import settings
from django.http import HttpRequest, HttpResponse

__all__ = ["counted_as", "remember"]

_SALT, _KEPT = "known device", timedelta(days=400)


def _cookie(username: str) -> str:
    """One a person: a tablet knows several. Signed with its name, it is nobody else's."""
    return f"known-{hashlib.sha256(username.encode()).hexdigest()[:16]}"


def remember(response: HttpResponse, username: str) -> None:
    """From now on this browser is one that this person has been let in from."""
    response.set_signed_cookie(
        _cookie(username), secrets.token_hex(16), salt=_SALT, max_age=_KEPT, httponly=True,
        secure=settings.SESSION_COOKIE_SECURE, samesite="Lax",
    )  # fmt: skip


def counted_as(request: HttpRequest, credentials: dict[str, str] | None) -> str:
    """By what name axes counts wrong tries: a known browser's apart from all strangers'."""
    username = (credentials or {}).get("username", "")
    device = request.get_signed_cookie(_cookie(username), default="", salt=_SALT, max_age=_KEPT)
    return f"{username} at {device}" if device else username
