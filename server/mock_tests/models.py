"""Mock tests: which exercises were drawn for a learner, and by which standard's rule."""

from django.db import models
from django.utils import timezone

from server.documents.models import Revision
from server.schools.access import SchoolQuerySet
from server.schools.models import Member, School

__all__ = ["MockTest"]


class MockTest(models.Model):
    """A test as it was drawn; what was driven of it is found among the learner's attempts.

    exercises : in order, each its "sheet" and why it was "cancelled", empty where it counts
    pool : the sheets that it was drawn from, and that others are drawn from
    given_up : when it was, and why; null while it was not
    """

    school = models.ForeignKey(School, on_delete=models.CASCADE, related_name="mock_tests")
    learner = models.ForeignKey(Member, on_delete=models.PROTECT, related_name="mock_tests")
    instructor = models.ForeignKey(Member, on_delete=models.PROTECT, related_name="mock_tests_held")
    standard = models.ForeignKey(Revision, on_delete=models.PROTECT, related_name="mock_tests")
    started = models.DateTimeField(default=timezone.now)
    exercises = models.JSONField()
    pool = models.JSONField()
    given_up = models.DateTimeField(null=True, blank=True)
    given_up_because = models.CharField(max_length=300, blank=True)

    objects = SchoolQuerySet.as_manager()

    class Meta:
        ordering = ["-started", "-id"]

    def __str__(self) -> str:
        return f"mock test {self.pk}"
