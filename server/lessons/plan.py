"""A lesson opened: its exercises with what they are made of, and what was driven in each."""

from collections.abc import Iterable
from typing import Any

from faircorner.standards import MET

from server.documents.models import Kind, Revision
from server.lessons.models import Attempt, Lesson
from server.planning.models import CueSheet, with_revisions

__all__ = ["opened"]

# An attempt is of an exercise when it was made with these; by which standard may change.
_ALIKE = (Kind.SEAT, Kind.GROUND, Kind.METHOD)


def opened(lesson: Lesson) -> Lesson:
    """The lesson with `driven` and `exercises`, as LessonOpened tells them."""
    made = lesson.attempts_made.select_related("cue_sheet").prefetch_related("corrections")
    attempts = list(made.order_by("started", "pk"))
    sheets = {attempt.cue_sheet_id: attempt.cue_sheet for attempt in attempts}
    with_revisions(sheets.values())
    driven = [_driven(one, sheets[one.cue_sheet_id], lesson.plan) for one in attempts]
    newest = _newest(lesson.plan)
    exercises = [
        _exercise(number, planned, newest, driven) for number, planned in enumerate(lesson.plan)
    ]
    lesson.driven, lesson.exercises = driven, exercises  # type: ignore[attr-defined]
    return lesson


def _driven(attempt: Attempt, sheet: CueSheet, plan: list[dict[str, Any]]) -> dict[str, Any]:
    verdict = attempt.verdict or {}
    made_with = {kind: getattr(sheet, kind).document_id for kind in _ALIKE}
    return {
        "id": attempt.pk, "sheet_id": sheet.pk, "started": attempt.started, "void": attempt.void,
        "exercise": next((i for i, one in enumerate(plan) if _alike(one, made_with)), None),
        "method": sheet.method.name, "ground": sheet.ground.name, "vehicle": sheet.vehicle.name,
        "seconds": attempt.notes_now["seconds"],
        "outcome": verdict.get("outcome"), "whole": verdict.get("whole", False),
        "met": verdict.get("outcome") in MET,
    }  # fmt: skip


def _alike(planned: dict[str, Any], made_with: dict[Kind, int]) -> bool:
    docket = planned["docket"]
    return docket is not None and all(docket[kind] == made_with[kind] for kind in _ALIKE)


def _newest(plan: list[dict[str, Any]]) -> dict[int, Revision]:
    """The newest revision of whatever a plan names; what a seat is in comes with it."""
    named = [pk for one in plan for pk in (one["docket"] or {}).values()]
    newest = Revision.objects.order_by("document_id", "-number").distinct("document_id")
    found = {one.document_id: one for one in _of(newest, named)}
    vehicles = [one.document.vehicle_id for one in found.values() if one.document.vehicle_id]
    return found | {one.document_id: one for one in _of(newest, vehicles)}


def _of(newest: Any, documents: Iterable[int | None]) -> Any:
    return newest.filter(document__in=documents).select_related("document")


def _exercise(
    number: int, planned: dict[str, Any], newest: dict[int, Revision], driven: list[dict[str, Any]]
) -> dict[str, Any]:
    docket = planned["docket"] or {}
    # A seat goes with the learner who alone sat in it.
    whole = bool(docket) and all(pk in newest for pk in docket.values())
    made_of = _names(docket, newest) if whole else None
    steps = newest[docket["method"]].body["steps"] if whole else []
    counted = [one for one in driven if one["exercise"] == number and not one["void"]]
    return {
        **planned, "docket": docket if whole else None, "made_of": made_of,
        "steps": [step["say"] for step in steps], "attempts": len(counted),
        "taped": sum(one["outcome"] is not None for one in counted),
        "met": sum(one["met"] for one in counted),
    }  # fmt: skip


def _names(docket: dict[str, int], newest: dict[int, Revision]) -> dict[str, str]:
    vehicle = newest[docket["seat"]].document.vehicle_id
    named = {kind: newest[pk].name for kind, pk in docket.items()}
    return {**named, "vehicle": newest[vehicle].name if vehicle else ""}
