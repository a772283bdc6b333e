"""Schools and the people in them."""

from django.conf import settings
from django.db import models

__all__ = ["Member", "Role", "School"]


class Role(models.TextChoices):
    LEAD = "lead", "Lead"
    INSTRUCTOR = "instructor", "Instructor"
    LEARNER = "learner", "Learner"


class School(models.Model):
    """A school: which side its country drives on, and the units it speaks in."""

    name = models.CharField(max_length=120, unique=True)
    place = models.CharField(max_length=120, blank=True)
    keeps = models.CharField(max_length=5, choices=[("left", "left"), ("right", "right")])
    units = models.CharField(max_length=8, choices=[("metric", "metric"), ("imperial", "imperial")])

    def __str__(self) -> str:
        return self.name


class Member(models.Model):
    """A person in a school."""

    school = models.ForeignKey(School, on_delete=models.CASCADE, related_name="members")
    user = models.OneToOneField(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    name = models.CharField(max_length=120)
    role = models.CharField(max_length=10, choices=Role.choices)
    note = models.CharField(max_length=300, blank=True)

    class Meta:
        ordering = ["name"]

    def __str__(self) -> str:
        return self.name
