"""A learner's attempts of all times, found by what they were driven with and when."""

from datetime import date, datetime, time, timedelta

from django.db.models import Q, QuerySet

from server.lessons.models import Attempt
from server.lessons.schemas.history import HistoryAsked
from server.schools.access import Caller

__all__ = ["NAMED", "history"]

# What an attempt was driven with.
NAMED = ("vehicle", "seat", "ground", "method", "standard")


def history(request: Caller, asked: HistoryAsked) -> QuerySet[Attempt]:
    """What was asked for, the newest first; a learner's own alone for whoever learns."""
    known = Attempt.objects.for_caller(request, "cue_sheet__learner")
    found = known.filter(_meant(request, asked))
    told = found.select_related("cue_sheet__learner", "instructor").order_by("-started", "-pk")
    # Revisions are fetched apart: in one question they would be multiplied by each other.
    return told.prefetch_related("corrections", *(f"cue_sheet__{name}" for name in NAMED))


def _meant(request: Caller, asked: HistoryAsked) -> Q:
    meant = Q(cue_sheet__learner=asked.learner)
    for kind in ("vehicle", "ground", "method"):
        if (document := getattr(asked, kind)) is not None:
            meant &= Q(**{f"cue_sheet__{kind}__document": document})
    if asked.since is not None:
        meant &= Q(started__gte=_midnight(request, asked.since))
    if asked.until is not None:
        meant &= Q(started__lt=_midnight(request, asked.until + timedelta(days=1)))
    if asked.help is not None:
        meant &= Q(help=asked.help)
    if asked.outcome is not None:
        # Null is no text, and found by no other.
        untaped = asked.outcome == "not taped"
        meant &= Q(outcome__isnull=True) if untaped else Q(outcome=asked.outcome)
    return meant


def _midnight(request: Caller, day: date) -> datetime:
    return datetime.combine(day, time(), request.school.zone)
