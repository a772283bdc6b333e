from uuid import UUID

from django.db.models import Count, Q, QuerySet
from django.db.models.functions import TruncDate
from ninja import Router, Status

from server.lessons.models import Attempt, Lesson
from server.lessons.schemas import (
    AttemptIn,
    AttemptOut,
    CorrectionIn,
    LessonIn,
    LessonOut,
    MendOut,
    ReadingsIO,
    TapeOut,
    VoidIn,
)
from server.lessons.services import (
    add_lesson,
    correct_notes,
    keep_attempt,
    mend_result,
    set_void,
    tape_attempt,
    tape_result,
)
from server.planning.models import CueSheet
from server.schools.access import Caller, may
from server.schools.models import Role

router = Router(tags=["lessons"])


def _attempt(request: Caller, attempt_id: UUID) -> Attempt:
    related = ("cue_sheet__vehicle", "cue_sheet__ground", "cue_sheet__standard", "instructor")
    return Attempt.objects.for_school(request.school).select_related(*related).get(pk=attempt_id)


def _lessons(request: Caller) -> QuerySet[Lesson]:
    zone = request.school.zone
    driven = "learner__cue_sheets__attempts"
    same_day = Q(driven_on=TruncDate("starts", tzinfo=zone), **{f"{driven}__void": False})
    counted = Count(driven, filter=same_day, distinct=True)
    lessons = Lesson.objects.for_caller(request).select_related("learner", "instructor")
    # Counting groups the rows, and grouping drops the order a model asks for.
    days = lessons.alias(driven_on=TruncDate(f"{driven}__started", tzinfo=zone))
    return days.annotate(attempts=counted).order_by("starts", "id")


@router.get("/lessons", response=list[LessonOut], operation_id="lessons_list")
def lessons_list(request: Caller) -> object:
    """The diary; attempts counts what the learner drove on the same day of the school's."""
    return _lessons(request)


@router.post("/lessons", response={201: LessonOut}, operation_id="lesson_add")
@may(Role.LEAD, Role.INSTRUCTOR)
def lesson_add(request: Caller, body: LessonIn) -> object:
    lesson = add_lesson(request.school, request.member, **body.model_dump())
    return Status(201, _lessons(request).get(pk=lesson.pk))


@router.get("/attempts", response=list[AttemptOut], operation_id="attempts_list")
def attempts_list(request: Caller, sheet: int) -> object:
    """All attempts on one cue sheet, oldest first."""
    CueSheet.objects.for_caller(request).get(pk=sheet)
    mine = Attempt.objects.for_caller(request, "cue_sheet__learner")
    noted = mine.filter(cue_sheet=sheet).select_related("instructor")
    return noted.prefetch_related("corrections__author")


@router.post("/attempts", response={201: AttemptOut}, operation_id="attempt_keep")
@may(Role.LEAD, Role.INSTRUCTOR)
def attempt_keep(request: Caller, body: AttemptIn) -> object:
    attempt = keep_attempt(
        request.school,
        request.member,
        attempt_id=body.id,
        sheet=body.sheet,
        started=body.started,
        notes=body.notes.model_dump(),
    )
    return Status(201, attempt)


@router.post("/attempts/{attempt_id}/preview", response=TapeOut, operation_id="tape_preview")
@may(Role.LEAD, Role.INSTRUCTOR)
def tape_preview(request: Caller, attempt_id: UUID, body: ReadingsIO) -> object:
    """What the readings come to, without keeping them."""
    attempt = _attempt(request, attempt_id)
    return tape_result(attempt.cue_sheet, attempt.notes_now, body.model_dump())


@router.post("/attempts/{attempt_id}/mend", response=MendOut | None, operation_id="tape_mend")
@may(Role.LEAD, Role.INSTRUCTOR)
def tape_mend(request: Caller, attempt_id: UUID, body: ReadingsIO) -> object:
    """How to put right where the readings say it stands; null when it is better begun again."""
    attempt = _attempt(request, attempt_id)
    return mend_result(attempt.cue_sheet, attempt.notes_now, body.model_dump())


@router.put("/attempts/{attempt_id}/readings", response=AttemptOut, operation_id="attempt_tape")
@may(Role.LEAD, Role.INSTRUCTOR)
def attempt_tape(request: Caller, attempt_id: UUID, body: ReadingsIO) -> object:
    return tape_attempt(_attempt(request, attempt_id), body.model_dump())


@router.post(
    "/attempts/{attempt_id}/notes", response={201: AttemptOut}, operation_id="notes_correct"
)
@may(Role.LEAD, Role.INSTRUCTOR)
def notes_correct(request: Caller, attempt_id: UUID, body: CorrectionIn) -> object:
    """Put notes right; what was noted before stays beside them."""
    attempt = _attempt(request, attempt_id)
    notes = body.notes.model_dump()
    return Status(201, correct_notes(attempt, request.member, based_on=body.based_on, notes=notes))


@router.put("/attempts/{attempt_id}/void", response=AttemptOut, operation_id="attempt_void")
@may(Role.LEAD, Role.INSTRUCTOR)
def attempt_void(request: Caller, attempt_id: UUID, body: VoidIn) -> object:
    return set_void(_attempt(request, attempt_id), void=body.void)
