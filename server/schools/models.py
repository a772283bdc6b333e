"""Schools and the people in them."""

from zoneinfo import ZoneInfo, available_timezones

from django.conf import settings
from django.core.exceptions import ValidationError
from django.db import models
from faircorner.standards import Observed
from simple_history.models import HistoricalRecords

__all__ = ["Member", "Role", "School"]


# The one language there is, as it is written here and there; the last tries what longer words do.
LOCALES = ("en-GB", "en-US", "en-IE", "en-AU", "en-NZ", "en-ZA", "en-XA")


class Role(models.TextChoices):
    LEAD = "lead", "Lead"
    INSTRUCTOR = "instructor", "Instructor"
    TRAINEE = "trainee", "Trainee instructor"
    LEARNER = "learner", "Learner"


def known_locale(value: str) -> None:
    if value not in LOCALES:
        raise ValidationError(f"must be one of {', '.join(LOCALES)}, got {value}")


def known_time_zone(value: str) -> None:
    if value not in available_timezones():
        raise ValidationError(f"is no time zone: {value}; one is named like Europe/London")


# What happens in most lessons; a school adds and takes off as it likes.
_USUAL_PAD: tuple[Observed, ...] = (
    "gave way", "should have given way", "somebody passed", "signal missing", "too fast", "stalled",
    "kerb touched", "kerb mounted", "vehicle touched", "helped by word", "pull-up", "restart",
)  # fmt: skip


def usual_pad() -> list[Observed]:
    return list(_USUAL_PAD)


class School(models.Model):
    """A school: which side its country drives on, the units it speaks in, and its days.

    locale : what is spoken, and how dates and figures are written
    time_zone : what its days are counted in
    pad : what is at hand in Drive to be noted at any moment, in order
    wheel : how far the steering wheel is turned is told in turns, or on a clock face
    """

    name = models.CharField(max_length=120, unique=True)
    place = models.CharField(max_length=120, blank=True)
    keeps = models.CharField(max_length=5, choices=[("left", "left"), ("right", "right")])
    units = models.CharField(max_length=8, choices=[("metric", "metric"), ("imperial", "imperial")])
    locale = models.CharField(max_length=12, default="en-GB", validators=[known_locale])
    time_zone = models.CharField(max_length=40, default="UTC", validators=[known_time_zone])
    pad = models.JSONField(default=usual_pad)
    wheel = models.CharField(
        max_length=5, choices=[("turns", "turns"), ("clock", "clock face")], default="turns"
    )

    def __str__(self) -> str:
        return self.name

    @property
    def zone(self) -> ZoneInfo:
        return ZoneInfo(self.time_zone)


class Member(models.Model):
    """A person in a school; who changed what they are called, and when, is kept."""

    school = models.ForeignKey(School, on_delete=models.CASCADE, related_name="members")
    user = models.OneToOneField(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    name = models.CharField(max_length=120)
    role = models.CharField(max_length=10, choices=Role.choices)
    email = models.EmailField(blank=True)
    note = models.CharField(max_length=300, blank=True)

    history = HistoricalRecords()

    class Meta:
        ordering = ["name"]

    def __str__(self) -> str:
        return self.name
