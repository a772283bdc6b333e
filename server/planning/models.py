"""Cue sheets: what was computed, from which revisions, with which settings."""

from collections.abc import Iterable

from django.db import models
from django.utils import timezone

from server.documents.models import Kind, Revision
from server.schools.access import SchoolQuerySet
from server.schools.models import Member, School

__all__ = ["CueSheet", "with_revisions"]


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
    created = models.DateTimeField(default=timezone.now, editable=False)
    # When it was last chosen or driven: the one that a docket goes on with.
    used = models.DateTimeField(default=timezone.now)

    objects = SchoolQuerySet.as_manager()

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


def with_revisions(sheets: Iterable[CueSheet], *beside: str) -> list[CueSheet]:
    """The sheets with all they were made from, fetched in one query for all of them.

    beside : what comes with every revision, as in select_related
    """
    found = list(sheets)
    ids = {getattr(sheet, f"{kind}_id") for sheet in found for kind in Kind.values}
    known = Revision.objects.order_by()
    revisions = (known.select_related(*beside) if beside else known).in_bulk(ids)
    for sheet in found:
        for kind in Kind.values:
            setattr(sheet, kind, revisions[getattr(sheet, f"{kind}_id")])
    return found
