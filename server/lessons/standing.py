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
    """One for each learner, by the exercise that was driven last; all of it in seven queries."""
    people = list(learners)
    sheets = {sheet.learner_id: sheet for sheet in _last_sheets(people)}
    names, counts = _names(sheets.values()), _counts(_of_the_exercise(sheets.values()))
    coming = _next_lessons(people)
    return [
        {
            "learner_id": person.pk,
            "next_lesson": coming.get(person.pk),
            "sheet": _sheet(sheets.get(person.pk), names, counts.get(person.pk, {})),
        }
        for person in people
    ]


def _last_sheets(people: list[Member]) -> list[CueSheet]:
    used = CueSheet.objects.filter(learner__in=people).order_by("learner_id", "-used", "-id")
    return list(used.distinct("learner_id").defer("plan", "options"))


def _of_the_exercise(last: Iterable[CueSheet]) -> list[int]:
    """Every sheet on which the same learners drove the same: method, place and vehicle, whatever
    their revisions.
    """
    meant = {sheet.pk: sheet.learner_id for sheet in last}
    of = CueSheet.objects.filter(learner__in=meant.values()).order_by()
    made = list(of.values_list("pk", "learner_id", "vehicle_id", "ground_id", "method_id"))
    revisions = {pk for _, _, *made_from in made for pk in made_from}
    named = Revision.objects.filter(pk__in=revisions).order_by()
    documents = dict(named.values_list("pk", "document_id"))
    exercises = {
        pk: (learner, *(documents[one] for one in made_from)) for pk, learner, *made_from in made
    }
    wanted = {exercises[pk] for pk in meant}
    return [pk for pk, exercise in exercises.items() if exercise in wanted]


def _names(sheets: Iterable[CueSheet]) -> dict[int, str]:
    """What they were made from is called, by revision; the rest of a revision is long."""
    made_from = {pk for one in sheets for pk in (one.vehicle_id, one.ground_id, one.method_id)}
    named = Revision.objects.filter(pk__in=made_from).order_by()
    return dict(named.values_list("pk", KeyTextTransform("name", "body")))


def _counts(sheets: list[int]) -> dict[int, Mapping[str, Any]]:
    """Attempts, taped ones and those that met the standard, by learner."""
    counted = Attempt.objects.filter(cue_sheet__in=sheets, void=False)
    by_learner = counted.order_by().values("cue_sheet__learner").annotate(
        attempts=Count("*"), taped=Count("outcome"),
        met=Count("outcome", filter=Q(outcome__in=list(MET))),
    )  # fmt: skip
    return {row["cue_sheet__learner"]: row for row in by_learner}


def _sheet(
    sheet: CueSheet | None, names: dict[int, str], counts: Mapping[str, Any]
) -> dict[str, Any] | None:
    if sheet is None:
        return None
    return {
        "id": sheet.pk, "vehicle": names[sheet.vehicle_id], "ground": names[sheet.ground_id],
        "method": names[sheet.method_id],
        **{name: counts.get(name, 0) for name in ("attempts", "taped", "met")},
    }  # fmt: skip


def _next_lessons(people: list[Member]) -> dict[int, Any]:
    coming = Lesson.objects.filter(
        learner__in=people, cancelled=False, starts__gt=timezone.now()
    ).order_by("learner_id", "starts", "id")
    return dict(coming.distinct("learner_id").values_list("learner_id", "starts"))
