"""Attempts: kept once, their notes put right, left out of the figures."""

from datetime import datetime
from typing import Any
from uuid import UUID

from django.db import transaction
from faircorner.documents.finishes import read_finish
from faircorner.errors import InputError
from faircorner.learning import recall
from faircorner.model import inside
from faircorner.said import Said
from faircorner.standards import COUNTED

from server.errors import Stale
from server.lessons.appointments import lesson_at
from server.lessons.judging import LATER, verdict_on
from server.lessons.models import Attempt
from server.planning.models import CueSheet
from server.planning.services import take_up
from server.schools.models import Member, School

__all__ = ["correct_notes", "keep_attempt", "set_void"]


@transaction.atomic
def keep_attempt(
    school: School, instructor: Member, *, attempt_id: UUID, sheet: int, started: datetime,
    notes: dict[str, Any],
) -> Attempt:  # fmt: skip
    """Store an attempt once, however often it is sent. Raises Stale when the id means another.

    Sent again with other notes, since the answer was lost and more was noted meanwhile, it is put
    right; what was noted first stays.
    """
    cue_sheet = CueSheet.objects.for_school(school).get(pk=sheet)
    _fit_the_sheet(notes, cue_sheet)
    attempt, made = Attempt.objects.get_or_create(
        pk=attempt_id,
        defaults={
            "school": school,
            "cue_sheet": cue_sheet,
            "lesson": lesson_at(school, cue_sheet.learner_id, started),
            "instructor": instructor,
            "started": started,
            "notes": notes,
            "help": notes.get("help"),
        },
    )
    if made:
        take_up(cue_sheet)
        return attempt
    if (attempt.instructor_id, attempt.cue_sheet_id) != (instructor.pk, sheet):
        raise Stale(Said("another attempt"))
    corrections = list(attempt.corrections.all())
    if notes in (LATER | one for one in (attempt.notes, *(one.notes for one in corrections))):
        return attempt
    return correct_notes(attempt, instructor, based_on=len(corrections), notes=notes)


_AS_LONG_AS = {"calls": ("calls", "call_seconds"), "looks": ("looks", "look_seconds")}


def _fit_the_sheet(kept: dict[str, Any], sheet: CueSheet) -> None:
    notes = LATER | kept
    for plan, names in _AS_LONG_AS.items():
        most = len(sheet.plan[plan])
        for name in names:
            if len(notes[name]) > most:
                raise InputError(f"notes.{name}", Said("the sheet has only", most=most))
    # Of the last stop and of driving on again, too.
    last = len(sheet.plan["calls"]) + 1
    for name, steps in (
        ("prompted", notes["prompted"]), ("observed", [one["step"] for one in notes["observed"]])
    ):  # fmt: skip
        if max(steps, default=0) > last:
            raise InputError(f"notes.{name}", Said("no such step", last=last))
    if notes["from_memory"]:
        with inside("notes"):
            recall(notes["from_memory"], len(sheet.method.body["steps"]))
    for guess in notes["predicted"]:
        if guess["call"] > len(sheet.plan["calls"]):
            raise InputError("notes.predicted", Said("no such step", last=last - 1))
    for what, count in COUNTED.items():
        seen = sum(one["what"] == what for one in notes["observed"])
        if notes[count] < seen:
            raise InputError(f"notes.{count}", Said("observed more often", seen=seen))


@transaction.atomic
def correct_notes(
    attempt: Attempt, author: Member, *, based_on: int, notes: dict[str, Any]
) -> Attempt:
    """Put an attempt's notes right; the verdict of what was taped is given anew.

    based_on : how many corrections there were when this one began. Raises Stale when there are
    more by now, unless this is the last of them, sent again.
    """
    attempt = Attempt.objects.select_for_update().get(pk=attempt.pk)
    there = attempt.corrections.count()
    if there != based_on:
        last = attempt.corrections.last()
        if last and there == based_on + 1 and (last.author_id, last.notes) == (author.pk, notes):
            return attempt
        raise Stale(Said("notes corrected meanwhile"))
    _fit_the_sheet(notes, attempt.cue_sheet)
    attempt.corrections.create(school=attempt.school, author=author, notes=notes)
    attempt.help = notes.get("help")
    if attempt.tape is not None:
        # Where it stood is as it was found; only what was noted of it is judged anew.
        finish = read_finish(attempt.tape["finish"])
        attempt.tape |= {"verdict": verdict_on(attempt.cue_sheet, notes, finish)}
    attempt.save(update_fields=["tape", "help"])
    return attempt


@transaction.atomic
def set_void(attempt: Attempt, *, void: bool) -> Attempt:
    """Leave an attempt spoilt by others out of the figures, or take it back in."""
    attempt.void = void
    attempt.save(update_fields=["void"])
    return attempt
