"""Attempts: kept once, taped, judged by the core."""

from datetime import datetime
from math import degrees
from typing import Any
from uuid import UUID

from django.db import transaction
from faircorner.cues import mend, suited
from faircorner.documents import read_document, verdict_document
from faircorner.documents.answers import finish_document, mend_document
from faircorner.errors import InputError
from faircorner.ground import Ground
from faircorner.tape import Readings, Standard, TapedPose, judge, locate
from faircorner.vehicle import Vehicle

from server.errors import Stale
from server.lessons.models import Attempt, Lesson
from server.planning.models import CueSheet
from server.planning.services import final_pose
from server.schools.models import Member, Role, School

__all__ = [
    "add_lesson",
    "keep_attempt",
    "mend_result",
    "set_void",
    "tape_attempt",
    "tape_result",
]


@transaction.atomic
def add_lesson(
    school: School, instructor: Member, *, learner: int, starts: datetime, minutes: int, about: str
) -> Lesson:
    person = Member.objects.get(school=school, pk=learner, role=Role.LEARNER)
    return Lesson.objects.create(
        school=school,
        learner=person,
        instructor=instructor,
        starts=starts,
        minutes=minutes,
        about=about.strip(),
    )


@transaction.atomic
def keep_attempt(
    school: School, instructor: Member, *, attempt_id: UUID, sheet: int, started: datetime,
    notes: dict[str, Any],
) -> Attempt:  # fmt: skip
    """Store an attempt once, however often it is sent. Raises Stale when the id means another."""
    cue_sheet = CueSheet.objects.for_school(school).get(pk=sheet)
    for name, most in (
        ("calls", len(cue_sheet.plan["calls"])),
        ("looks", len(cue_sheet.plan["looks"])),
    ):
        if len(notes[name]) > most:
            raise InputError(f"notes.{name}", f"the sheet has only {most}")
    attempt, made = Attempt.objects.get_or_create(
        pk=attempt_id,
        defaults={
            "school": school,
            "cue_sheet": cue_sheet,
            "instructor": instructor,
            "started": started,
            "notes": notes,
        },
    )
    same = attempt.school_id == school.pk and attempt.notes == notes
    if not made and not (same and attempt.cue_sheet_id == sheet):
        raise Stale("this attempt's id was used for another one; start a new attempt")
    return attempt


def _counts(notes: dict[str, Any]) -> dict[str, float]:
    """What a standard can count; a look that needed a prompt is a prompt, not a miss."""
    counted = ("forward_movements", "reverse_movements", "kerb_touches", "kerb_mounts",
               "vehicle_touches", "seconds")  # fmt: skip
    looks = notes["looks"]
    return {
        **{name: notes[name] for name in counted},
        "looks_missed": looks.count("missed"),
        "looks_late": looks.count("late"),
        "prompts": looks.count("prompted"),
    }


def _judged_by(sheet: CueSheet) -> tuple[Vehicle, Ground, Standard]:
    ground = read_document("ground", sheet.ground.body).build()
    return (
        read_document("vehicle", sheet.vehicle.body).build(),
        suited(ground, read_document("method", sheet.method.body).build()),
        read_document("standard", sheet.standard.body).build(),
    )


def _located(
    sheet: CueSheet, vehicle: Vehicle, ground: Ground, readings: dict[str, float | None]
) -> TapedPose:
    return locate(
        vehicle,
        ground,
        Readings(**{name.removesuffix("_m"): value for name, value in readings.items()}),
        assumed=final_pose(sheet.plan),
    )


def mend_result(
    sheet: CueSheet, notes: dict[str, Any], readings: dict[str, float | None]
) -> dict[str, Any] | None:
    """How to put right where the vehicle stands, within the movements that are left; None: not."""
    vehicle, ground, standard = _judged_by(sheet)
    taped = _located(sheet, vehicle, ground, readings)
    found = mend(
        vehicle, ground, taped.pose, standard.bands(),
        forward=standard.movements_left("forward", notes["forward_movements"]),
        reverse=standard.movements_left("reverse", notes["reverse_movements"]),
    )  # fmt: skip
    return mend_document(found)


def tape_result(
    sheet: CueSheet, notes: dict[str, Any], readings: dict[str, float | None]
) -> dict[str, Any]:
    """Pose, finish and verdict of readings, as a document. Raises InputError naming the reading."""
    vehicle, ground, standard = _judged_by(sheet)
    taped = _located(sheet, vehicle, ground, readings)
    x, y, heading = (float(v) for v in taped.pose)
    return {
        "pose": {"x_m": round(x, 4), "y_m": round(y, 4), "heading_deg": round(degrees(heading), 3)},
        "along_known": readings.get("ahead_m") is not None or readings.get("behind_m") is not None,
        "sigma_across_m": round(float(taped.sigma[1]), 4),
        "sigma_angle_deg": round(degrees(float(taped.sigma[2])), 3),
        "finish": finish_document(taped.finish),
        "verdict": verdict_document(judge(standard, taped.finish, _counts(notes))),
    }


@transaction.atomic
def tape_attempt(attempt: Attempt, readings: dict[str, float | None]) -> Attempt:
    """Store readings with what they come to; typing them again replaces them."""
    attempt.tape = tape_result(attempt.cue_sheet, attempt.notes, readings)
    attempt.readings = readings
    attempt.save(update_fields=["readings", "tape"])
    return attempt


@transaction.atomic
def set_void(attempt: Attempt, *, void: bool) -> Attempt:
    """Leave an attempt spoilt by others out of the figures, or take it back in."""
    attempt.void = void
    attempt.save(update_fields=["void"])
    return attempt
