"""Who drives by a document now, and whether by its newest revision."""

from collections import defaultdict
from typing import Any

from django.db.models import Max, QuerySet

from server.documents.models import Document, Kind
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
    made_from = [f"{kind}__{what}" for kind in Kind.values for what in ("document_id", "number")]
    rows = last.distinct("learner_id").values_list("learner__name", *made_from)
    return [(name, list(zip(of[::2], of[1::2], strict=True))) for name, *of in rows]
