"""Cue sheets: what was computed, from which revisions, with which settings."""

from django.db import models

from server.documents.models import Revision
from server.schools.access import SchoolQuerySet
from server.schools.models import Member, School

__all__ = ["SHEET", "CueSheet"]

# Fetched one by one, by key: joined in one query, a dozen tables, the database has been seen to
# work for minutes on a plan made before it had counted its rows.
SHEET = ("learner", "vehicle__document", "seat__document", "ground__document",
         "method__document", "standard__document")  # fmt: skip


def _revision(name: str) -> "models.ForeignKey[Revision]":
    return models.ForeignKey(Revision, on_delete=models.PROTECT, related_name=f"{name}_sheets")


class CueSheet(models.Model):
    """A computed cue sheet for one learner. Attempts on the same sheet form one set."""

    school = models.ForeignKey(School, on_delete=models.CASCADE, related_name="cue_sheets")
    learner = models.ForeignKey(Member, on_delete=models.PROTECT, related_name="cue_sheets")
    vehicle = _revision("vehicle")
    seat = _revision("seat")
    ground = _revision("ground")
    method = _revision("method")
    standard = _revision("standard")
    options = models.JSONField(default=dict)
    plan = models.JSONField()
    created = models.DateTimeField(auto_now_add=True)

    objects = SchoolQuerySet.as_manager()

    class Meta:
        ordering = ["-created", "-id"]
        constraints = [
            models.UniqueConstraint(
                fields=[
                    "school", "learner", "vehicle", "seat", "ground", "method", "standard",
                    "options",
                ],
                name="one_sheet_for_one_docket",
            )
        ]  # fmt: skip

    def __str__(self) -> str:
        return f"cue sheet {self.pk}"
