"""Lessons in the diary: booked, moved, cancelled, described anew."""

from datetime import datetime
from typing import Any

from django.db import transaction
from faircorner.said import Said

from server.errors import Stale
from server.lessons.models import Lesson
from server.schools.models import Member, Role, School

__all__ = ["add_lesson", "change_lesson"]


@transaction.atomic
def add_lesson(school: School, author: Member, **given: Any) -> Lesson:
    """A lesson in the diary; given : the fields of LessonIn, by an instructor or by the author."""
    lesson = Lesson(school=school)
    _fill(lesson, **{**given, "instructor": given["instructor"] or author.pk})
    lesson.save()
    return lesson


@transaction.atomic
def change_lesson(lesson: Lesson, *, based_on: int, cancelled: bool, **given: Any) -> Lesson:
    """Move, cancel or describe it anew. Raises Stale where somebody else was quicker."""
    lesson = Lesson.objects.select_for_update().get(pk=lesson.pk)
    if lesson.version != based_on:
        raise Stale(Said("lesson changed meanwhile"))
    _fill(lesson, **{**given, "instructor": given["instructor"] or lesson.instructor_id})
    lesson.cancelled = cancelled
    lesson.version += 1
    lesson.save()
    return lesson


def _fill(
    lesson: Lesson, *, learner: int, instructor: int, starts: datetime, minutes: int, about: str,
    place: str, notes: str,
) -> None:  # fmt: skip
    people = Member.objects.filter(school=lesson.school)
    lesson.learner = people.get(pk=learner, role=Role.LEARNER)
    lesson.instructor = people.exclude(role=Role.LEARNER).get(pk=instructor)
    lesson.starts = starts if starts.tzinfo else starts.replace(tzinfo=lesson.school.zone)
    lesson.minutes = minutes
    lesson.about, lesson.place = about.strip(), place.strip()
    lesson.notes = notes.strip()
