"""Long work: what was asked for, by whom it is waited for, how far it is and what came of it."""

from typing import TYPE_CHECKING

from django.db import models

from server.schools.access import SchoolQuerySet
from server.schools.models import Member, School

if TYPE_CHECKING:
    from datetime import datetime

__all__ = ["State", "Waiter", "Work"]


class State(models.TextChoices):
    WAITING = "waiting"
    UNDER_WAY = "under way"
    DONE = "done"
    STOPPED = "stopped"
    FAILED = "failed"


class Work(models.Model):
    """One piece of long work; the same asked for twice, by anybody of the school, is one.

    name : which work, as it is registered
    key : a hash of all that the answer follows from
    asked : what it is worked out from
    share : how much of it is behind, 0 to 1
    field, problem : why it failed, as a clause that is still to be told
    """

    school = models.ForeignKey(School, on_delete=models.CASCADE, related_name="works")
    name = models.CharField(max_length=40)
    key = models.CharField(max_length=64)
    asked = models.JSONField()
    state = models.CharField(max_length=10, choices=State.choices, default=State.WAITING)
    share = models.FloatField(default=0.0)
    result = models.JSONField(null=True)
    field = models.CharField(max_length=80, blank=True)
    problem = models.JSONField(null=True)
    changed: "models.DateTimeField[datetime, datetime]" = models.DateTimeField(auto_now=True)

    objects = SchoolQuerySet.as_manager()

    class Meta:
        ordering = ["id"]
        constraints = [
            models.UniqueConstraint(fields=["school", "name", "key"], name="the_same_work_is_one")
        ]

    def __str__(self) -> str:
        return f"{self.name} {self.pk}"


class Waiter(models.Model):
    """Somebody who waits for work, and when they last asked how far it is."""

    work = models.ForeignKey(Work, on_delete=models.CASCADE, related_name="waiting")
    member = models.ForeignKey(Member, on_delete=models.CASCADE, related_name="waits_for")
    asked: "models.DateTimeField[datetime, datetime]" = models.DateTimeField()

    class Meta:
        constraints = [models.UniqueConstraint(fields=["work", "member"], name="waits_once")]

    def __str__(self) -> str:
        return f"{self.member} waits for {self.work}"
