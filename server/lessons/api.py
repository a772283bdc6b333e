import json
from typing import Any, Literal
from uuid import UUID

from django.db.models import Q
from django.http import HttpResponse, StreamingHttpResponse
from django.utils import timezone
from faircorner.documents.judging import JudgeRequest, judged_document
from ninja import Query, Router, Status
from ninja.pagination import paginate

from server.documents.models import Document
from server.lessons.agreeing import agreements
from server.lessons.appointments import add_lesson, change_lesson
from server.lessons.attempts import correct_notes, keep_attempt, set_void
from server.lessons.diary import diary
from server.lessons.finishes import finishes
from server.lessons.history import history
from server.lessons.history_table import described, table
from server.lessons.judging import trial
from server.lessons.models import Attempt, Lesson
from server.lessons.own_eye import learners_eye, state, stood_at
from server.lessons.plan import opened
from server.lessons.schemas.attempts import AttemptIn, AttemptOut, CorrectionIn, VoidIn
from server.lessons.schemas.history import FinishesOut, HistoryAsked, HistoryOut
from server.lessons.schemas.lessons import (
    Documents,
    Learners,
    LessonChange,
    LessonChanged,
    LessonIn,
    LessonOpened,
    LessonOut,
    StandingOut,
    UseOut,
)
from server.lessons.schemas.tape import (
    AgreementOut,
    DoubtOut,
    EyeOfOut,
    MendOut,
    ReadIn,
    StoodIn,
    StoodOut,
    TapedIO,
    TapeOut,
    TapingIn,
)
from server.lessons.schemas.verdicts import JudgedOut, JudgeIn, TrialIn, TrialOut
from server.lessons.standing import standings
from server.lessons.summary import pdf_of
from server.lessons.taping import doubts_about, mend_result, tape_again, tape_attempt, tape_result
from server.lessons.uses import uses
from server.lists import Search
from server.planning.models import CueSheet, with_revisions
from server.printing import PDF, as_pdf
from server.schools.access import SHAPE, TEACH, Caller, may
from server.schools.models import Member, Role

router = Router(tags=["lessons"])


def _answers(kind: str) -> dict[str, Any]:
    return {"responses": {200: {"description": "OK", "content": {kind: {}}}}}


_CSV, _CSVM = _answers("text/csv"), _answers("application/csvm+json")


def _attempt(request: Caller, attempt_id: UUID) -> Attempt:
    known = Attempt.objects.for_school(request.school).select_related("cue_sheet", "instructor")
    attempt = known.get(pk=attempt_id)
    with_revisions([attempt.cue_sheet])
    return attempt


@router.get("/lessons", response=list[LessonOut], operation_id="lessons_list")
@paginate
def lessons_list(
    request: Caller,
    search: Search = "",
    when: Literal["coming", "given", "today"] | None = None,
    learner: int | None = None,
    sort: Literal["starts", "-starts"] = "starts",
) -> object:
    """The diary. A lesson is to come until it is over, or somebody has ended it."""
    lessons = diary(request)
    if when == "today":
        lessons = lessons.filter(Q(day=timezone.now().astimezone(request.school.zone).date()))
    elif when is not None:
        coming = Q(ends__gt=timezone.now(), ended=None)
        lessons = lessons.filter(coming if when == "coming" else ~coming)
    if learner is not None:
        lessons = lessons.filter(learner=learner)
    for word in search.split():
        lessons = lessons.filter(
            Q(learner__name__icontains=word) | Q(instructor__name__icontains=word)
            | Q(about__icontains=word) | Q(place__icontains=word) | Q(notes__icontains=word)
        )  # fmt: skip
    return lessons.order_by(sort, "id")


@router.post("/lessons", response={201: LessonOut}, operation_id="lesson_add")
@may(*TEACH)
def lesson_add(request: Caller, body: LessonIn) -> object:
    lesson = add_lesson(request.school, request.member, **body.model_dump())
    return Status(201, diary(request).get(pk=lesson.pk))


@router.get("/lessons/{lesson_id}", response=LessonOpened, operation_id="lesson_read")
def lesson_read(request: Caller, lesson_id: int) -> object:
    """One lesson with its plan and what was driven in it."""
    return opened(diary(request).get(pk=lesson_id))


@router.get("/lessons/{lesson_id}/summary", operation_id="lesson_summary", openapi_extra=PDF)
def lesson_summary(request: Caller, lesson_id: int) -> HttpResponse:
    """What a lesson came to, to be printed: for its learner to read again."""
    return as_pdf(pdf_of(opened(diary(request).get(pk=lesson_id))), "lesson.pdf")


@router.put("/lessons/{lesson_id}", response=LessonOut, operation_id="lesson_change")
@may(*TEACH)
def lesson_change(request: Caller, lesson_id: int, body: LessonChange) -> object:
    """Move it, cancel it or bring it back, begin and end it, plan and describe it anew."""
    lesson = Lesson.objects.for_school(request.school).get(pk=lesson_id)
    change_lesson(lesson, **body.given)
    return diary(request).get(pk=lesson_id)


@router.get(
    "/lessons/{lesson_id}/history", response=list[LessonChanged], operation_id="lesson_history"
)
def lesson_history(request: Caller, lesson_id: int) -> object:
    """How a lesson was before, the newest state first."""
    lesson = Lesson.objects.for_caller(request).get(pk=lesson_id)
    known = ("learner", "instructor", "history_user__member")
    return lesson.history.select_related(*known).order_by("-history_id")


@router.get("/standings", response=list[StandingOut], operation_id="standings_list")
def standings_list(request: Caller, learners: Query[Learners]) -> object:
    """Where learners stand, of at most a page of them."""
    people = Member.objects.filter(school=request.school, role=Role.LEARNER)
    if request.member.role == Role.LEARNER:
        people = people.filter(pk=request.member.pk)
    return standings(people.filter(pk__in=learners.learner))


@router.get("/uses", response=list[UseOut], operation_id="uses_list")
def uses_list(request: Caller, asked: Query[Documents]) -> object:
    """Who drives by documents, of at most a page of them; a learner hears of themselves alone."""
    documents = Document.objects.for_school(request.school).filter(pk__in=asked.document)
    return uses(documents, CueSheet.objects.for_caller(request))


@router.get("/attempts", response=list[AttemptOut], operation_id="attempts_list")
@paginate
def attempts_list(request: Caller, sheet: int) -> object:
    """All attempts on one cue sheet, oldest first."""
    CueSheet.objects.for_caller(request).only("pk").get(pk=sheet)
    mine = Attempt.objects.for_caller(request, "cue_sheet__learner")
    noted = mine.filter(cue_sheet=sheet).select_related("instructor")
    return noted.prefetch_related("corrections__author", "tapings__author")


@router.get("/history", response=list[HistoryOut], operation_id="history_list")
@paginate
def history_list(request: Caller, asked: Query[HistoryAsked]) -> object:
    """A learner's attempts, the newest first."""
    return history(request, asked)


@router.get("/history/finishes", response=FinishesOut, operation_id="history_finishes")
def history_finishes(request: Caller, asked: Query[HistoryAsked]) -> object:
    """Where they ended, at the newest one's place."""
    return finishes(request, asked)


@router.get("/history.csv", operation_id="history_table", openapi_extra=_CSV)
def history_table(request: Caller, asked: Query[HistoryAsked]) -> StreamingHttpResponse:
    """The same as a table, which /history.csv-metadata.json describes."""
    answer = StreamingHttpResponse(
        table(history(request, asked).iterator(chunk_size=200)), content_type="text/csv"
    )
    answer["Content-Disposition"] = 'attachment; filename="history.csv"'
    answer["Link"] = '<history.csv-metadata.json>; rel="describedby"; type="application/csvm+json"'
    return answer


@router.get("/history.csv-metadata.json", operation_id="history_columns", openapi_extra=_CSVM)
def history_columns(request: Caller) -> HttpResponse:
    """What stands in the columns of the table, as the W3C's CSV on the Web has it."""
    told = json.dumps(described(request.school), ensure_ascii=False, indent=2)
    answer = HttpResponse(told, content_type="application/csvm+json")
    answer["Content-Disposition"] = 'attachment; filename="history.csv-metadata.json"'
    return answer


@router.post("/attempts", response={201: AttemptOut}, operation_id="attempt_keep")
@may(*TEACH)
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
@may(*TEACH)
def tape_preview(request: Caller, attempt_id: UUID, body: TapedIO) -> object:
    """What the readings come to, without keeping them."""
    attempt = _attempt(request, attempt_id)
    return tape_result(attempt.cue_sheet, attempt.notes_now, body.readings)


@router.post("/attempts/{attempt_id}/doubts", response=list[DoubtOut], operation_id="tape_doubts")
@may(*TEACH)
def tape_doubts(request: Caller, attempt_id: UUID, body: ReadIn) -> object:
    """What is to be asked about readings as they are typed; keeps nothing."""
    return doubts_about(_attempt(request, attempt_id), body.model_dump())


@router.post("/attempts/{attempt_id}/mend", response=MendOut | None, operation_id="tape_mend")
@may(*TEACH)
def tape_mend(request: Caller, attempt_id: UUID, body: TapedIO) -> object:
    """How to put right where the readings say it stands; null when it is better begun again."""
    attempt = _attempt(request, attempt_id)
    return mend_result(attempt.cue_sheet, attempt.notes_now, body.readings)


@router.put("/attempts/{attempt_id}/readings", response=AttemptOut, operation_id="attempt_tape")
@may(*TEACH)
def attempt_tape(request: Caller, attempt_id: UUID, body: TapingIn) -> object:
    """Keep what was taped; in place of what was kept before, which stays beside it, with why."""
    return tape_attempt(
        _attempt(request, attempt_id), request.member, body.readings,
        based_on=body.based_on, why=body.why,
    )  # fmt: skip


@router.put("/attempts/{attempt_id}/beside", response=AttemptOut, operation_id="attempt_tape_again")
@may(*TEACH)
def attempt_tape_again(request: Caller, attempt_id: UUID, body: TapedIO) -> object:
    """Keep what a second person taped of the same finish, to be compared."""
    return tape_again(_attempt(request, attempt_id), request.member, body.readings)


@router.get("/agreement", response=AgreementOut, operation_id="agreement_read")
@may(*TEACH)
def agreement_read(request: Caller) -> object:
    """How well the school's people tape alike."""
    return agreements(request.school)


@router.post(
    "/attempts/{attempt_id}/notes", response={201: AttemptOut}, operation_id="notes_correct"
)
@may(*TEACH)
def notes_correct(request: Caller, attempt_id: UUID, body: CorrectionIn) -> object:
    """Put notes right; what was noted before stays beside them."""
    attempt = _attempt(request, attempt_id)
    notes = body.notes.model_dump()
    return Status(201, correct_notes(attempt, request.member, based_on=body.based_on, notes=notes))


@router.put("/attempts/{attempt_id}/void", response=AttemptOut, operation_id="attempt_void")
@may(*TEACH)
def attempt_void(request: Caller, attempt_id: UUID, body: VoidIn) -> object:
    return set_void(_attempt(request, attempt_id), void=body.void)


@router.post("/standards/judge", response=JudgedOut, operation_id="standard_judge")
def standard_judge(request: Caller, body: JudgeIn) -> object:
    """What these figures and events come to by a standard that need not be kept."""
    return judged_document(JudgeRequest.read(body.model_dump()))


@router.post("/standards/{document_id}/trial", response=TrialOut, operation_id="standard_trial")
@may(*SHAPE)
def standard_trial(request: Caller, document_id: int, body: TrialIn) -> object:
    """What a change of a standard would have said of past attempts; changes nothing."""
    return trial(request.school, document_id, body.body)


@router.post("/attempts/{attempt_id}/stood", response=StoodOut, operation_id="attempt_stood")
@may(*TEACH)
def attempt_stood(request: Caller, attempt_id: UUID, body: StoodIn) -> object:
    """A pose as readings, or readings as a pose, for somebody who says where it stands."""
    return stood_at(_attempt(request, attempt_id), body.model_dump())


@router.put("/attempts/{attempt_id}/stated", response=AttemptOut, operation_id="attempt_state")
@may(*TEACH)
def attempt_state(request: Caller, attempt_id: UUID, body: ReadIn) -> object:
    """Where the learner says that it stands; once, and before the tape is read."""
    return state(_attempt(request, attempt_id), body.model_dump())


@router.get("/own-eye", response=list[EyeOfOut], operation_id="own_eye_read")
def own_eye_read(request: Caller, learner: int) -> object:
    """How far off a learner says where it stands, measure by measure."""
    return learners_eye(request, learner)
