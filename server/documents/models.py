"""Versioned documents: vehicles, seats, grounds, methods and standards alike."""

from typing import Any, Self

from django.db import models
from django.db.models.fields.json import KeyTextTransform
from django.utils import timezone

from server.schools.access import Caller, SchoolQuerySet
from server.schools.models import Member, Role, School

__all__ = ["Document", "Kind", "Revision"]


class Kind(models.TextChoices):
    VEHICLE = "vehicle"
    SEAT = "seat"
    GROUND = "ground"
    METHOD = "method"
    STANDARD = "standard"


def _newest(of: str, what: Any) -> models.Subquery:
    """A part of the newest revision of a document."""
    revisions = Revision.objects.filter(document=models.OuterRef(of)).order_by("-number")
    return models.Subquery(revisions.annotate(part=what).values("part")[:1])


class DocumentQuerySet(SchoolQuerySet["Document"]):
    def for_caller(self, request: Caller, learner: str = "sitter") -> Self:
        """The school's, and of seats a learner's own: theirs by name, or driven in."""
        documents = self.for_school(request.school)
        if request.member.role != Role.LEARNER:
            return documents
        driven_in = Revision.objects.filter(seat_sheets__learner=request.member)
        own = models.Q(**{learner: request.member}) | models.Q(pk__in=driven_in.values("document"))
        return documents.filter(~models.Q(kind=Kind.SEAT) | own)

    def closed_to(self, request: Caller) -> Self:
        """Seats of other learners in which the caller, a learner, has not driven."""
        if request.member.role != Role.LEARNER:
            return self.none()
        driven_in = Revision.objects.filter(seat_sheets__learner=request.member)
        others = self.for_school(request.school).filter(kind=Kind.SEAT, sitter__isnull=False)
        return others.exclude(sitter=request.member).exclude(pk__in=driven_in.values("document"))

    def with_latest(self) -> Self:
        """Each with its newest revision, the name that has and its vehicle's."""
        documents = self.annotate(
            name=_newest("pk", KeyTextTransform("name", "body")),
            vehicle_name=_newest("vehicle", KeyTextTransform("name", "body")),
            changed=_newest("pk", models.F("created")),
        )
        revisions = Revision.objects.select_related("author").order_by("-number")
        newest_alone = revisions.distinct("document_id").order_by("document_id", "-number")
        return documents.prefetch_related(
            models.Prefetch("revisions", queryset=newest_alone, to_attr="latest_alone")
        )


class Document(models.Model):
    """A thing that is revised; its content lives in its revisions."""

    school = models.ForeignKey(School, on_delete=models.CASCADE, related_name="documents")
    kind = models.CharField(max_length=10, choices=Kind.choices)
    # A seat belongs to the vehicle it is a seat in.
    vehicle = models.ForeignKey(
        "self", on_delete=models.PROTECT, null=True, blank=True, related_name="seats"
    )
    # Whose seat it usually is; nobody's where it was measured for no one in particular.
    sitter = models.ForeignKey(
        Member, on_delete=models.SET_NULL, null=True, blank=True, related_name="seats"
    )

    # Out of the way, not gone: what was made with it goes on, and it can be brought back.
    away = models.BooleanField(default=False)

    # Filled by `with_latest`.
    latest_alone: "list[Revision]"

    objects = DocumentQuerySet.as_manager()

    class Meta:
        ordering = ["id"]
        constraints = [
            models.CheckConstraint(
                condition=models.Q(kind="seat", vehicle__isnull=False)
                | (~models.Q(kind="seat") & models.Q(vehicle__isnull=True)),
                name="only_seats_have_a_vehicle",
            ),
            models.CheckConstraint(
                condition=models.Q(kind="seat") | models.Q(sitter__isnull=True),
                name="only_seats_have_a_sitter",
            ),
        ]

    def __str__(self) -> str:
        return f"{self.kind} {self.pk}"

    @property
    def latest(self) -> "Revision":
        """The newest revision, of a document asked for by `with_latest`."""
        (revision,) = self.latest_alone
        return revision


class Revision(models.Model):
    """One state of a document. A database trigger refuses every change to it."""

    document = models.ForeignKey(Document, on_delete=models.PROTECT, related_name="revisions")
    number = models.PositiveIntegerField()
    body = models.JSONField()
    author = models.ForeignKey(Member, on_delete=models.PROTECT, null=True, blank=True)
    created = models.DateTimeField(default=timezone.now, editable=False)

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
