"""Lessons: booked, moved, cancelled, begun and ended, and which of them an attempt belongs to."""

from collections.abc import Iterable
from datetime import datetime, timedelta
from typing import Any

from django.db import transaction
from faircorner.errors import InputError
from faircorner.said import Said

from server.documents.models import Document
from server.errors import Stale
from server.lessons.models import Attempt, Lesson
from server.schools.models import Member, Role, School

__all__ = ["add_lesson", "change_lesson", "lesson_at"]


@transaction.atomic
def add_lesson(school: School, author: Member, **given: Any) -> Lesson:
    """A lesson in the diary; given : the fields of LessonIn, by an instructor or by the author.

    What its learner drove on that day outside of any lesson was driven in this one. One begun by
    the same two at the very same moment is that one, sent again.
    """
    lesson = Lesson(school=school)
    _fill(lesson, **{**given, "instructor": given["instructor"] or author.pk})
    if lesson.begun is not None:
        # Sent again while the first is still under way, it waits for that.
        School.objects.select_for_update(no_key=True).get(pk=school.pk)
        sent = Lesson.objects.for_school(school).filter(
            learner=lesson.learner, instructor=lesson.instructor, begun=lesson.begun,
            starts=lesson.starts,
        ).first()  # fmt: skip
        if sent is not None:
            return sent
    lesson.save()
    _take_in(lesson)
    return lesson


@transaction.atomic
def change_lesson(lesson: Lesson, *, based_on: int, **given: Any) -> Lesson:
    """Whatever is given of it put in place of what was there.

    based_on : the version it was seen in. Raises Stale where somebody has made something else of
    the same since; what was otherwise changed meanwhile stays, and what is so already is so.
    Raises InputError where a lesson cannot be like that.
    """
    lesson = Lesson.objects.select_for_update().get(pk=lesson.pk)
    was, there = (lesson.learner_id, lesson.cancelled), _state(lesson, given)
    _fill(lesson, **given)
    if lesson.version != based_on:
        wanted, seen = _state(lesson, given), _seen_in(lesson, based_on, given)
        if wanted == there:
            return lesson
        if any(there[name] not in (seen[name], wanted[name]) for name in given):
            raise Stale(Said("lesson changed meanwhile"))
    driven = lesson.attempts_made.count()
    if driven and (lesson.learner_id, lesson.cancelled) != was:
        field = "learner" if lesson.cancelled == was[1] else "cancelled"
        raise InputError(field, Said("lesson was driven", count=driven))
    lesson.version += 1
    lesson.save()
    _take_in(lesson)
    return lesson


def _state(lesson: Any, names: Iterable[str]) -> dict[str, Any]:
    """What a lesson, or an earlier state of it, has under these names."""
    people = {"learner": "learner_id", "instructor": "instructor_id"}
    return {name: getattr(lesson, people.get(name, name)) for name in names}


def _seen_in(lesson: Lesson, version: int, names: Iterable[str]) -> dict[str, Any]:
    """What it had under these names in a version. Raises Stale where it never had that one."""
    seen = lesson.history.filter(version=version).first()
    if seen is None:
        raise Stale(Said("lesson changed meanwhile"))
    return _state(seen, names)


def lesson_at(school: School, learner: int, when: datetime) -> Lesson | None:
    """The lesson that somebody has then, or else the one nearest to it on the school's same day."""
    near = timedelta(days=1)
    theirs = Lesson.objects.for_school(school).filter(
        learner=learner, cancelled=False, starts__range=(when - near, when + near)
    )
    day = when.astimezone(school.zone).date()
    away = ((_away(one, when), one.pk, one) for one in theirs)
    meant = [found for found in away if not found[0] or _day(found[2]) == day]
    return min(meant)[2] if meant else None


def _away(lesson: Lesson, when: datetime) -> timedelta:
    """How long before or after a lesson something was; nothing while it went on."""
    begins = lesson.begun or lesson.starts
    ends = lesson.ended or begins + timedelta(minutes=lesson.minutes)
    return max(begins - when, when - ends, timedelta())


def _day(lesson: Lesson) -> Any:
    return lesson.starts.astimezone(lesson.school.zone).date()


def _take_in(lesson: Lesson) -> None:
    """What was driven when nobody had booked anything yet."""
    if lesson.cancelled:
        return
    start = lesson.starts.astimezone(lesson.school.zone).replace(hour=0, minute=0, second=0)
    Attempt.objects.for_school(lesson.school).filter(
        lesson=None, cue_sheet__learner=lesson.learner,
        started__range=(start, start + timedelta(days=1)),
    ).update(lesson=lesson)  # fmt: skip


def _fill(lesson: Lesson, **given: Any) -> None:
    people = Member.objects.filter(school=lesson.school)
    if "learner" in given:
        lesson.learner = people.get(pk=given.pop("learner"), role=Role.LEARNER)
    if "instructor" in given:
        teaching = people.exclude(role=Role.LEARNER)
        lesson.instructor = teaching.get(pk=given.pop("instructor"))
    if "starts" in given:
        starts = given.pop("starts")
        lesson.starts = starts if starts.tzinfo else starts.replace(tzinfo=lesson.school.zone)
    for name, value in given.items():
        setattr(lesson, name, value.strip() if isinstance(value, str) else value)
    if not lesson.cancelled:
        lesson.cancelled_because = ""
    _check_times(lesson)
    # What it was planned with before may be gone since, with the learner whose alone it was.
    if "plan" in given:
        _check_plan(lesson)


def _check_times(lesson: Lesson) -> None:
    if lesson.begun and lesson.cancelled:
        raise InputError("cancelled", Said("lesson was begun"))
    if lesson.ended and not lesson.begun:
        raise InputError("ended", Said("lesson not begun"))
    if lesson.begun and lesson.ended and lesson.ended < lesson.begun:
        raise InputError("ended", Said("lesson ends before it begins"))


def _check_plan(lesson: Lesson) -> None:
    """Nobody plans with what another school has."""
    named = {
        (kind, pk)
        for exercise in lesson.plan
        for kind, pk in (exercise["docket"] or {}).items()
    }  # fmt: skip
    ours = Document.objects.for_school(lesson.school).filter(pk__in={pk for _, pk in named})
    if named - set(ours.values_list("kind", "pk")):
        raise Document.DoesNotExist
