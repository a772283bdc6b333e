"""What was taped of attempts: each entry kept, the first, its corrections, a second person's."""

from dataclasses import replace
from math import degrees
from typing import Any, TypeAlias

from django.db import transaction
from faircorner.cues import Scene, mend
from faircorner.cues.drawing import held
from faircorner.documents.figures import dimension_document
from faircorner.documents.finishes import finish_document
from faircorner.documents.plans import mend_document
from faircorner.errors import InputError
from faircorner.said import Said
from faircorner.tape import TAPE_SIGMA, Readings, TapedPose, doubts, locate

from server.errors import Stale
from server.lessons.judging import verdict_on
from server.lessons.models import Attempt
from server.planning.models import CueSheet
from server.planning.services import final_pose, scene_of
from server.schools.models import Member

__all__ = [
    "Taped",
    "doubts_about",
    "locate_taped",
    "mend_result",
    "scene_taped",
    "tape_again",
    "tape_attempt",
    "tape_result",
]

# Readings as a document: "kerb_front_m" and so on, null where nobody taped; and "by_eye", what was
# only looked at, where anything was.
Taped: TypeAlias = dict[str, Any]


def scene_taped(sheet: CueSheet) -> Scene:
    """The sheet's own, its vehicle standing where the plan ends."""
    return replace(scene_of(sheet.revisions, sheet.options), standing=final_pose(sheet.plan))


def locate_taped(scene: Scene, readings: Taped) -> TapedPose:
    """Where readings say that it stands. Raises InputError naming the reading."""
    return locate(scene, Readings(**{n.removesuffix("_m"): told for n, told in readings.items()}))


def doubts_about(attempt: Attempt, metres: dict[str, float | None]) -> list[dict[str, Any]]:
    """What is to be asked of readings as they are typed, one or more of them."""
    told = {name.removesuffix("_m"): read for name, read in metres.items()}
    return [
        {"reading": f"{one.reading}_m", "said": one.said.document(), "possible": one.possible}
        for one in doubts(scene_taped(attempt.cue_sheet), told)
    ]


def mend_result(sheet: CueSheet, notes: dict[str, Any], readings: Taped) -> dict[str, Any] | None:
    """How to put right where the vehicle stands, within the movements that are left; None: not."""
    scene = scene_taped(sheet)
    here = replace(scene, standing=locate_taped(scene, readings).pose)
    left = scene.standard.movements_left(
        forward=notes["forward_movements"], reverse=notes["reverse_movements"]
    )
    found = mend(here, **left)
    return mend_document(found, scene.vehicle)


def tape_result(sheet: CueSheet, notes: dict[str, Any], readings: Taped) -> dict[str, Any]:
    """Pose, finish and verdict of readings, as a document. Raises InputError naming the reading."""
    scene = scene_taped(sheet)
    taped = locate_taped(scene, readings)
    x, y, heading = (float(v) for v in taped.pose)
    return {
        "pose": {"x_m": round(x, 4), "y_m": round(y, 4), "heading_deg": round(degrees(heading), 3)},
        "along_known": taped.along_known,
        "by_eye": sorted(readings.get("by_eye", {})),
        "dimensions": [
            dimension_document(line) for line in held(replace(scene, standing=taped.pose))
        ],
        "reading_sigma_m": TAPE_SIGMA,
        "sigma_across_m": round(float(taped.sigma[1]), 4),
        "sigma_angle_deg": round(degrees(float(taped.sigma[2])), 3),
        "finish": finish_document(taped.finish),
        "verdict": verdict_on(sheet, notes, taped.finish),
    }


@transaction.atomic
def tape_attempt(
    attempt: Attempt, author: Member, readings: Taped, *, based_on: int = 0, why: str = ""
) -> Attempt:
    """Keep what was taped; once that was done, only as a correction: a new entry that says why.

    based_on : how many entries held one after another when this one was begun. Raises Stale when
    there are more by now, unless they say the same.
    """
    attempt = Attempt.objects.select_for_update().get(pk=attempt.pk)
    there = attempt.tapings.filter(beside=False)
    if there and attempt.readings == readings:
        return attempt
    tape = tape_result(attempt.cue_sheet, attempt.notes_now, readings)
    if len(there) != based_on:
        raise Stale(Said("taped meanwhile"))
    if there and not why.strip():
        raise InputError("why", Said("why readings are corrected"))
    attempt.readings, attempt.tape = readings, tape
    attempt.save(update_fields=["readings", "tape"])
    _enter(attempt, author, readings, tape["finish"], why=why.strip() if there else "")
    return attempt


@transaction.atomic
def tape_again(attempt: Attempt, author: Member, readings: Taped) -> Attempt:
    """Keep what a second person taped of the same finish, beside what holds.

    Somebody's second tape sent again, otherwise, is put right the same way.
    """
    attempt = Attempt.objects.select_for_update().get(pk=attempt.pk)
    first = attempt.tapings.filter(beside=False).last()
    if first is None:
        raise InputError("readings", Said("tape it first"))
    if first.author_id == author.pk:
        raise InputError("readings", Said("another person tapes again"))
    if readings.get("by_eye") or first.readings.get("by_eye"):
        raise InputError("by_eye", Said("tapes are compared"))
    scene = scene_taped(attempt.cue_sheet)
    finish = finish_document(locate_taped(scene, readings).finish)
    mine = attempt.tapings.filter(beside=True, author=author).last()
    if mine is None or mine.readings != readings:
        _enter(attempt, author, readings, finish, beside=True)
    return attempt


def _enter(
    attempt: Attempt, author: Member, readings: Taped, finish: dict[str, Any], **told: Any
) -> None:
    attempt.tapings.create(
        school=attempt.school, author=author, readings=readings, finish=finish, **told
    )
