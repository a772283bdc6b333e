"""Where learners stand: what they drive, how far they are, and when they come next."""

from collections.abc import Iterable, Mapping
from typing import Any

from django.db.models import Count, Q, QuerySet
from django.db.models.fields.json import KeyTextTransform
from django.utils import timezone
from faircorner.standards import MET

from server.documents.models import Revision
from server.lessons.models import Attempt, Lesson
from server.planning.models import CueSheet
from server.schools.models import Member

__all__ = ["standings"]


def standings(learners: QuerySet[Member]) -> list[dict[str, Any]]:
    """One for each learner, by the sheet that was used last; all of it in five queries."""
    people = list(learners)
    sheets = {sheet.learner_id: sheet for sheet in _last_sheets(people)}
    names, counts = _names(sheets.values()), _counts(sheets.values())
    coming = _next_lessons(people)
    return [
        {
            "learner_id": person.pk,
            "next_lesson": coming.get(person.pk),
            "sheet": _sheet(sheets.get(person.pk), names, counts),
        }
        for person in people
    ]


def _last_sheets(people: list[Member]) -> list[CueSheet]:
    used = CueSheet.objects.filter(learner__in=people).order_by("learner_id", "-used", "-id")
    return list(used.distinct("learner_id").defer("plan", "options"))


def _names(sheets: Iterable[CueSheet]) -> dict[int, str]:
    """What they were made from is called, by revision; the rest of a revision is long."""
    made_from = {pk for one in sheets for pk in (one.vehicle_id, one.ground_id, one.method_id)}
    named = Revision.objects.filter(pk__in=made_from).order_by()
    return dict(named.values_list("pk", KeyTextTransform("name", "body")))


def _counts(sheets: Iterable[CueSheet]) -> dict[int, Mapping[str, Any]]:
    counted = Attempt.objects.filter(cue_sheet__in=list(sheets), void=False)
    by_sheet = counted.order_by().values("cue_sheet").annotate(
        # Of their own index alone: neither their keys nor what was taped is looked at.
        attempts=Count("*"), taped=Count("outcome"),
        met=Count("outcome", filter=Q(outcome__in=list(MET))),
    )  # fmt: skip
    return {row["cue_sheet"]: row for row in by_sheet}


def _sheet(
    sheet: CueSheet | None, names: dict[int, str], counts: dict[int, Mapping[str, Any]]
) -> dict[str, Any] | None:
    if sheet is None:
        return None
    row: Mapping[str, Any] = counts.get(sheet.pk, {})
    return {
        "id": sheet.pk, "vehicle": names[sheet.vehicle_id], "ground": names[sheet.ground_id],
        "method": names[sheet.method_id],
        **{name: row.get(name, 0) for name in ("attempts", "taped", "met")},
    }  # fmt: skip


def _next_lessons(people: list[Member]) -> dict[int, Any]:
    coming = Lesson.objects.filter(
        learner__in=people, cancelled=False, starts__gt=timezone.now()
    ).order_by("learner_id", "starts", "id")
    return dict(coming.distinct("learner_id").values_list("learner_id", "starts"))
