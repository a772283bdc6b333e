"""Cue sheets: what was computed, from which revisions, with which settings."""

from collections.abc import Mapping
from typing import Self

from django.db import models
from django.utils import timezone

from server.documents.models import Kind, Revision
from server.schools.access import SchoolQuerySet
from server.schools.models import Member, School

__all__ = ["BELONGING", "SHEET", "CueSheet"]

# Fetched one by one, by key: joined in one query, a dozen tables, the database has been seen to
# work for minutes on a plan made before it had counted its rows.
SHEET = ("learner", "vehicle__document", "seat__document", "ground__document",
         "method__document", "standard__document")  # fmt: skip
# What sheets have in common that belong together.
BELONGING = ("vehicle", "seat", "ground", "method")


def _revision(name: str) -> "models.ForeignKey[Revision]":
    return models.ForeignKey(Revision, on_delete=models.PROTECT, related_name=f"{name}_sheets")


class CueSheetQuerySet(SchoolQuerySet["CueSheet"]):
    def belonging(self, learner: Member, revisions: Mapping[str, Revision]) -> Self:
        """All sheets of a learner for the documents of these revisions, last used first."""
        named = {f"{kind}__document": revisions[kind].document_id for kind in BELONGING}
        return self.filter(learner=learner, **named)


class CueSheet(models.Model):
    """A computed cue sheet for one learner. Attempts on the same sheet form one set.

    Sheets of the same learner, vehicle, seat, ground and method belong together, whichever
    revisions, standard and settings they were made from.
    """

    school = models.ForeignKey(School, on_delete=models.CASCADE, related_name="cue_sheets")
    learner = models.ForeignKey(Member, on_delete=models.PROTECT, related_name="cue_sheets")
    vehicle = _revision("vehicle")
    seat = _revision("seat")
    ground = _revision("ground")
    method = _revision("method")
    standard = _revision("standard")
    options = models.JSONField(default=dict)
    plan = models.JSONField()
    created = models.DateTimeField(default=timezone.now, editable=False)
    # When it was last chosen or driven: the one that a docket goes on with.
    used = models.DateTimeField(default=timezone.now)

    objects = CueSheetQuerySet.as_manager()

    class Meta:
        ordering = ["-used", "-id"]
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

    @property
    def revisions(self) -> dict[str, Revision]:
        """What it was made from, by kind."""
        return {kind: getattr(self, kind) for kind in Kind.values}
