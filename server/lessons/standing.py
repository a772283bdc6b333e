"""Where learners stand: what they drive, how far they are, and when they come next."""

from collections.abc import Iterable, Mapping
from typing import Any

from django.db.models import Count, Q, QuerySet
from django.utils import timezone
from faircorner.tape import MET

from server.lessons.models import Attempt, Lesson
from server.planning.models import CueSheet, with_revisions
from server.schools.models import Member

__all__ = ["standings"]


def standings(learners: QuerySet[Member]) -> list[dict[str, Any]]:
    """One for each learner, by the sheet that was used last; all of it in four queries."""
    people = list(learners)
    sheets = {sheet.learner_id: sheet for sheet in _last_sheets(people)}
    counts = _counts(sheets.values())
    coming = _next_lessons(people)
    return [
        {
            "learner_id": person.pk,
            "next_lesson": coming.get(person.pk),
            "sheet": _sheet(sheets.get(person.pk), counts),
        }
        for person in people
    ]


def _last_sheets(people: list[Member]) -> list[CueSheet]:
    used = CueSheet.objects.filter(learner__in=people).order_by("learner_id", "-used", "-id")
    return with_revisions(used.distinct("learner_id").defer("plan", "options"))


def _counts(sheets: Iterable[CueSheet]) -> dict[int, Mapping[str, Any]]:
    counted = Attempt.objects.filter(cue_sheet__in=list(sheets), void=False)
    by_sheet = counted.order_by().values("cue_sheet").annotate(
        attempts=Count("pk"), taped=Count("pk", filter=Q(tape__isnull=False)),
        met=Count("pk", filter=Q(tape__verdict__outcome__in=list(MET))),
    )  # fmt: skip
    return {row["cue_sheet"]: row for row in by_sheet}


def _sheet(sheet: CueSheet | None, counts: dict[int, Mapping[str, Any]]) -> dict[str, Any] | None:
    if sheet is None:
        return None
    row: Mapping[str, Any] = counts.get(sheet.pk, {})
    return {
        "id": sheet.pk, "vehicle": sheet.vehicle.name, "ground": sheet.ground.name,
        "method": sheet.method.name,
        **{name: row.get(name, 0) for name in ("attempts", "taped", "met")},
    }  # fmt: skip


def _next_lessons(people: list[Member]) -> dict[int, Any]:
    coming = Lesson.objects.filter(
        learner__in=people, cancelled=False, starts__gt=timezone.now()
    ).order_by("learner_id", "starts", "id")
    return dict(coming.distinct("learner_id").values_list("learner_id", "starts"))
