"""The secret addresses by which people's own calendars read their lessons."""

from django.db import models
from django.utils import timezone

from server.schools.models import Member

__all__ = ["CalendarAddress"]


class CalendarAddress(models.Model):
    """One for each person at most. Of the secret itself only a digest is kept: it is told once."""

    member = models.OneToOneField(Member, on_delete=models.CASCADE, related_name="calendar")
    digest = models.CharField(max_length=64, unique=True)
    made = models.DateTimeField(default=timezone.now)

    def __str__(self) -> str:
        return f"calendar of {self.member}"
