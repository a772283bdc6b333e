"""Lessons in the diary, and the attempts made in them."""

from typing import Any

from django.db import models
from django.db.models.fields.json import KeyTextTransform, KeyTransform
from django.utils import timezone
from simple_history.models import HistoricalRecords

from server.planning.models import CueSheet
from server.schools.access import SchoolQuerySet
from server.schools.models import Member, School

__all__ = ["Attempt", "Correction", "Lesson", "Taping"]


class Lesson(models.Model):
    """An appointment of a learner with an instructor, and what it came to; how it was is kept.

    begun, ended : when it was in truth; null until then
    plan : exercises in order, recap : what came back when it was asked for; both as in schemas
    version : goes up with every change, so that nobody overwrites what they have not seen
    """

    school = models.ForeignKey(School, on_delete=models.CASCADE, related_name="lessons")
    learner = models.ForeignKey(Member, on_delete=models.PROTECT, related_name="lessons")
    instructor = models.ForeignKey(Member, on_delete=models.PROTECT, related_name="lessons_given")
    starts = models.DateTimeField()
    minutes = models.PositiveIntegerField(default=60)
    about = models.CharField(max_length=300, blank=True)
    place = models.CharField(max_length=160, blank=True)
    notes = models.TextField(max_length=4000, blank=True)
    cancelled = models.BooleanField(default=False)
    cancelled_because = models.CharField(max_length=300, blank=True)
    begun = models.DateTimeField(null=True, blank=True)
    ended = models.DateTimeField(null=True, blank=True)
    plan = models.JSONField(default=list, blank=True)
    recap = models.JSONField(default=list, blank=True)
    learnt = models.TextField(max_length=4000, blank=True)
    comes_next = models.TextField(max_length=4000, blank=True)
    version = models.PositiveIntegerField(default=1)

    history = HistoricalRecords()
    objects = SchoolQuerySet.as_manager()

    class Meta:
        ordering = ["starts", "id"]
        indexes = [
            models.Index(fields=["school", "starts", "id"], name="diary"),
            models.Index(fields=["learner", "starts"], name="diary_of_a_learner"),
            models.Index(fields=["instructor", "starts"], name="diary_of_an_instructor"),
        ]

    def __str__(self) -> str:
        return f"{self.learner} on {self.starts:%Y-%m-%d}"


class Attempt(models.Model):
    """One go at a manoeuvre, on one cue sheet. The client makes the id, so that a repeat is known.

    lesson : the one that it was driven in, where there was any
    notes : what was seen while driving, as first noted
    readings : what holds of what was taped, null until then; each that ever held is in `tapings`
    tape : pose, finish and verdict computed from the readings
    stated : where the learner said that it stood before it was taped, and when
    """

    id = models.UUIDField(primary_key=True, editable=False)
    school = models.ForeignKey(School, on_delete=models.CASCADE, related_name="attempts")
    cue_sheet = models.ForeignKey(CueSheet, on_delete=models.PROTECT, related_name="attempts")
    lesson = models.ForeignKey(
        Lesson, on_delete=models.PROTECT, null=True, blank=True, related_name="attempts_made"
    )
    instructor = models.ForeignKey(Member, on_delete=models.PROTECT, related_name="attempts_noted")
    started = models.DateTimeField()
    notes = models.JSONField()
    readings = models.JSONField(null=True, blank=True)
    tape = models.JSONField(null=True, blank=True)
    stated = models.JSONField(null=True, blank=True)
    # As the notes that hold have it, for those to be found that had so much.
    help = models.CharField(max_length=40, null=True, blank=True)  # noqa: DJ001  null: not noted
    void = models.BooleanField(default=False)
    # The verdict's, told apart by the database: many are counted where none is read.
    outcome = models.GeneratedField(
        expression=KeyTextTransform("outcome", KeyTransform("verdict", "tape")),
        output_field=models.TextField(null=True),
        db_persist=True,
    )

    objects = SchoolQuerySet.as_manager()

    class Meta:
        ordering = ["started", "id"]
        indexes = [
            models.Index(
                fields=["cue_sheet"],
                include=["outcome"],
                condition=models.Q(void=False),
                name="outcomes_of_a_sheet",
            )
        ]

    def __str__(self) -> str:
        return f"attempt {self.pk}"

    @property
    def notes_now(self) -> dict[str, Any]:
        """The notes that hold: as last corrected. Ask for many with `corrections` prefetched."""
        corrections = list(self.corrections.all())
        notes: dict[str, Any] = corrections[-1].notes if corrections else self.notes
        return notes

    @property
    def verdict(self) -> dict[str, Any] | None:
        """What it came to, as a document; None until it is taped."""
        return self.tape["verdict"] if self.tape else None

    @property
    def by_eye(self) -> bool:
        """Whether anything of where it stood was only looked at."""
        return bool(self.tape and self.tape.get("by_eye"))


class Taping(models.Model):
    """Readings of an attempt as somebody entered them: the first, those that put them right, and
    those of a second person beside them.

    finish : what they come to; why : of a correction
    beside : taped by a second person, to be compared; otherwise the newest holds
    """

    school = models.ForeignKey(School, on_delete=models.CASCADE, related_name="tapings")
    attempt = models.ForeignKey(Attempt, on_delete=models.CASCADE, related_name="tapings")
    author = models.ForeignKey(Member, on_delete=models.PROTECT, related_name="tapings")
    made = models.DateTimeField(default=timezone.now, editable=False)
    readings = models.JSONField()
    finish = models.JSONField()
    why = models.CharField(max_length=300, blank=True)
    beside = models.BooleanField(default=False)

    objects = SchoolQuerySet.as_manager()

    class Meta:
        ordering = ["id"]

    def __str__(self) -> str:
        return f"taping of {self.attempt}"


class Correction(models.Model):
    """Notes of an attempt put right afterwards, whole; what was noted before stays."""

    school = models.ForeignKey(School, on_delete=models.CASCADE, related_name="corrections")
    attempt = models.ForeignKey(Attempt, on_delete=models.CASCADE, related_name="corrections")
    author = models.ForeignKey(Member, on_delete=models.PROTECT, related_name="corrections")
    made = models.DateTimeField(default=timezone.now, editable=False)
    notes = models.JSONField()

    objects = SchoolQuerySet.as_manager()

    class Meta:
        ordering = ["id"]

    def __str__(self) -> str:
        return f"correction of {self.attempt}"
