"""Somebody's lessons as iCalendar (RFC 5545), and the address that their calendar asks."""

import secrets
from datetime import timedelta
from hashlib import sha256
from typing import Any

from django.db.models import OuterRef, Q, Subquery
from django.db.models.functions import Coalesce
from django.http import HttpRequest
from django.utils import timezone
from faircorner.said import Said
from icalendar import Calendar, Event

from server.calendars.models import CalendarAddress
from server.lessons.models import Lesson
from server.said import told_to
from server.schools.models import Member

__all__ = ["calendar_of", "make_address", "member_at", "withdraw_address"]

# What is older is in the diary; no calendar is asked to hold more.
_BACK, _MOST = timedelta(days=366), 2_000
# A calendar that asks by itself is told how often.
_AGAIN = timedelta(hours=1)


def make_address(member: Member) -> tuple[CalendarAddress, str]:
    """A new address and its secret, which is not told again; the one before is dead."""
    secret = secrets.token_urlsafe(32)
    address, _ = CalendarAddress.objects.update_or_create(
        member=member, defaults={"digest": _digest(secret), "made": timezone.now()}
    )
    return address, secret


def withdraw_address(member: Member) -> None:
    CalendarAddress.objects.filter(member=member).delete()


def member_at(secret: str) -> Member:
    """Whose address it is. Raises CalendarAddress.DoesNotExist for nobody's who still comes."""
    known = CalendarAddress.objects.select_related("member__school", "member__user")
    return known.get(digest=_digest(secret), member__user__is_active=True).member


def _digest(secret: str) -> str:
    return sha256(secret.encode()).hexdigest()


def calendar_of(request: HttpRequest, member: Member) -> bytes:
    """The lessons that somebody takes or gives, a year back and all to come."""
    found = Calendar()
    found.add("prodid", "-//Fair Corner//Diary//EN")
    found.add("version", "2.0")
    found.add("x-wr-calname", told_to(request, Said("lessons of", name=member.name)))
    found.add("refresh-interval", _AGAIN, parameters={"VALUE": "DURATION"})
    for lesson in _lessons(member):
        found.add_component(_event(request, member, lesson))
    return bytes(found.to_ical())


def _lessons(member: Member) -> list[Any]:
    """The newest of them; changed : when each came to be as it is."""
    mine = Lesson.objects.for_school(member.school).filter(Q(learner=member) | Q(instructor=member))
    states = Lesson.history.filter(id=OuterRef("pk")).order_by("-history_date")
    last = Subquery(states.values("history_date")[:1])
    # Those of the time before states were kept are as old as they are.
    changed = mine.annotate(changed=Coalesce(last, "starts"))
    recent = changed.filter(starts__gt=timezone.now() - _BACK)
    return list(recent.select_related("learner", "instructor").order_by("-starts", "-id")[:_MOST])


def _event(request: HttpRequest, member: Member, lesson: Any) -> Event:
    """Told by whoever the other one is; notes stay in the diary, and so does who is taught else."""
    other = lesson.instructor if lesson.learner_id == member.pk else lesson.learner
    event = Event()
    event.add("uid", f"lesson-{lesson.pk}.fair-corner")
    event.add("dtstamp", lesson.changed)
    # It goes up with every change, by which a calendar knows the later of two.
    event.add("sequence", lesson.version)
    event.add("summary", told_to(request, Said("lesson with", name=other.name)))
    event.add("dtstart", lesson.starts)
    event.add("duration", timedelta(minutes=lesson.minutes))
    event.add("status", "CANCELLED" if lesson.cancelled else "CONFIRMED")
    if lesson.place:
        event.add("location", lesson.place)
    if lesson.about:
        event.add("description", lesson.about)
    return event
