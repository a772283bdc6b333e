"""What sets came to; and advice that was taken: what was changed, and on what evidence."""

from django.core.serializers.json import DjangoJSONEncoder
from django.db import models
from django.utils import timezone

from server.planning.models import CueSheet
from server.schools.access import SchoolQuerySet
from server.schools.models import Member, School

__all__ = ["KeptSet", "Shift"]


class KeptSet(models.Model):
    """What the attempts on one sheet came to when that was last worked out.

    rests_on : tells those attempts, as they then were, and the core that worked it out
    """

    sheet = models.OneToOneField(CueSheet, on_delete=models.CASCADE, related_name="figures")
    rests_on = models.CharField(max_length=80)
    body = models.JSONField(encoder=DjangoJSONEncoder)

    def __str__(self) -> str:
        return f"figures of {self.sheet}"


class Shift(models.Model):
    """One cue moved: from the sheet the evidence was gathered on to the one driven next."""

    school = models.ForeignKey(School, on_delete=models.CASCADE, related_name="shifts")
    before = models.ForeignKey(CueSheet, on_delete=models.PROTECT, related_name="shifts_from")
    after = models.ForeignKey(CueSheet, on_delete=models.PROTECT, related_name="shifts_to")
    call = models.PositiveIntegerField()
    by_m = models.FloatField()
    evidence = models.JSONField()
    taken_by = models.ForeignKey(Member, on_delete=models.PROTECT, related_name="shifts_taken")
    taken = models.DateTimeField(default=timezone.now, editable=False)

    objects = SchoolQuerySet.as_manager()

    class Meta:
        ordering = ["taken", "id"]

    def __str__(self) -> str:
        return f"call {self.call} by {self.by_m} m"
