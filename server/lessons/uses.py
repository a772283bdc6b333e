"""Who drives by a document now, and whether by its newest revision."""

from collections import defaultdict
from typing import Any

from django.db.models import Max, QuerySet

from server.documents.models import Document, Kind, Revision
from server.planning.models import CueSheet

__all__ = ["uses"]


def uses(documents: QuerySet[Document], sheets: QuerySet[CueSheet]) -> list[dict[str, Any]]:
    """One for each document: who used it last, by name.

    sheets : whose are counted; of each learner the one they used last
    """
    newest = dict(documents.annotate(newest=Max("revisions__number")).values_list("pk", "newest"))
    drives: dict[int, list[str]] = defaultdict(list)
    behind: dict[int, int] = defaultdict(int)
    for name, revisions in _last_used(sheets):
        for document, number in revisions:
            if document in newest:
                drives[document].append(name)
                behind[document] += number < newest[document]
    return [
        {"document_id": pk, "learners": sorted(drives[pk]), "behind": behind[pk]} for pk in newest
    ]


def _last_used(sheets: QuerySet[CueSheet]) -> list[tuple[str, list[tuple[int, int]]]]:
    """Each learner's name, and document and revision number of all that their last sheet has."""
    last = sheets.filter(learner__user__is_active=True).order_by("learner_id", "-used", "-id")
    made_from = [f"{kind}_id" for kind in Kind.values]
    rows = list(last.distinct("learner_id").values_list("learner__name", *made_from))
    named = {revision for _, *revisions in rows for revision in revisions}
    # Joined with all five, revisions would be multiplied by themselves for as long as the database
    # has not counted how many there are: minutes, at a school that has just been taken in.
    found = Revision.objects.filter(pk__in=named).values_list("pk", "document_id", "number")
    of = {pk: (document, number) for pk, document, number in found}
    return [(name, [of[revision] for revision in revisions]) for name, *revisions in rows]
