"""The diary: lessons, with how much was driven in them and which of them cannot both be kept."""

from datetime import timedelta
from functools import lru_cache
from typing import Any
from zoneinfo import ZoneInfo

from django.contrib.postgres.expressions import ArraySubquery
from django.db.models import (
    Count,
    DateTimeField,
    ExpressionWrapper,
    F,
    OuterRef,
    Q,
    QuerySet,
    Subquery,
    Value,
)
from django.db.models.functions import Coalesce, JSONObject, TruncDate

from server.lessons.models import Attempt, Lesson
from server.schools.access import Caller, Sees, sees

__all__ = ["diary"]

_ENDS = ExpressionWrapper(
    F("starts") + F("minutes") * Value(timedelta(minutes=1)), output_field=DateTimeField()
)


def diary(request: Caller) -> QuerySet[Lesson]:
    """What the caller sees of it, each lesson with attempts and clashes; `day` and `ends` to filter
    by, as the school's clock has them."""
    return _asked(sees(request), request.school.zone).all()


# It is long in the making, longer than in the answering, and the same each time.
@lru_cache(maxsize=1024)
def _asked(whose: Sees, zone: ZoneInfo) -> QuerySet[Lesson]:
    lessons = Lesson.objects.seen(whose).select_related("learner", "instructor")
    days = TruncDate("starts", tzinfo=zone)
    dated = lessons.alias(
        day=days, ends=_ENDS, **{name: _from_start(by) for name, by in _NEAR.items()}
    )
    told = dated.annotate(attempts=_attempts(whose))
    return told.annotate(clashes=ArraySubquery(_clashing(whose)))


# Whatever goes on when a lesson begins has begun within a day of it: what lies farther off need not
# be looked through.
_NEAR = {"day_before": -timedelta(days=1), "day_after": timedelta(days=1)}


def _from_start(by: timedelta) -> "ExpressionWrapper[Any]":
    return ExpressionWrapper(F("starts") + Value(by), output_field=DateTimeField())


def _attempts(whose: Sees) -> Coalesce:
    """How many attempts were driven in a lesson."""
    attempts = Attempt.objects.seen(whose, "cue_sheet__learner").filter(
        void=False, lesson=OuterRef("pk")
    )
    counted = attempts.order_by().values("lesson").annotate(n=Count("pk")).values("n")
    return Coalesce(Subquery(counted), 0)


def _clashing(whose: Sees) -> QuerySet[Lesson, Any]:
    """Of a lesson that takes place, those beside it that its learner or instructor cannot keep."""
    others = Lesson.objects.seen(whose).filter(cancelled=False).alias(ends=_ENDS)
    theirs = Q(learner=OuterRef("learner")) | Q(instructor=OuterRef("instructor"))
    beside = others.filter(
        theirs, starts__gt=OuterRef("day_before"), starts__lt=OuterRef("ends"),
        ends__gt=OuterRef("starts"), cancelled=OuterRef("cancelled"),
    )  # fmt: skip
    named = JSONObject(
        learner="learner__name", instructor="instructor__name", starts="starts", minutes="minutes"
    )
    return beside.exclude(pk=OuterRef("pk")).order_by("starts", "id").values(told=named)
