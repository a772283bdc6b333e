"""Versioned documents: vehicles, seats, grounds, methods and standards alike."""

from django.db import models

from server.schools.access import SchoolQuerySet
from server.schools.models import Member, School

__all__ = ["Document", "Kind", "Revision"]


class Kind(models.TextChoices):
    VEHICLE = "vehicle"
    SEAT = "seat"
    GROUND = "ground"
    METHOD = "method"
    STANDARD = "standard"


class Document(models.Model):
    """A thing that is revised; its content lives in its revisions."""

    school = models.ForeignKey(School, on_delete=models.CASCADE, related_name="documents")
    kind = models.CharField(max_length=10, choices=Kind.choices)
    # A seat belongs to the vehicle it is a seat in.
    vehicle = models.ForeignKey(
        "self", on_delete=models.PROTECT, null=True, blank=True, related_name="seats"
    )

    objects = SchoolQuerySet.as_manager()

    class Meta:
        ordering = ["id"]
        constraints = [
            models.CheckConstraint(
                condition=models.Q(kind="seat", vehicle__isnull=False)
                | (~models.Q(kind="seat") & models.Q(vehicle__isnull=True)),
                name="only_seats_have_a_vehicle",
            )
        ]

    def __str__(self) -> str:
        return f"{self.kind} {self.pk}"


class Revision(models.Model):
    """One state of a document. A database trigger refuses every change to it."""

    document = models.ForeignKey(Document, on_delete=models.PROTECT, related_name="revisions")
    number = models.PositiveIntegerField()
    body = models.JSONField()
    author = models.ForeignKey(Member, on_delete=models.PROTECT, null=True, blank=True)
    created = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ["document_id", "number"]
        constraints = [
            models.UniqueConstraint(fields=["document", "number"], name="revisions_are_numbered")
        ]

    def __str__(self) -> str:
        return f"{self.document} revision {self.number}"

    @property
    def name(self) -> str:
        return str(self.body["name"])
