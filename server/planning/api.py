from ninja import Router, Status

from server.access import Caller, may
from server.documents.models import Kind, Revision
from server.documents.services import latest_revisions
from server.lessons.models import Attempt
from server.planning.models import CueSheet
from server.planning.schemas import DocketOut, PlanIn, PlanOut, RemedyOut, SheetIn, SheetOut
from server.planning.services import compute_plan, compute_remedy, make_sheet, revisions_of
from server.schools.models import Member, Role

router = Router(tags=["cues"])

SHEET = ("learner", "vehicle__document", "seat__document", "ground__document",
         "method__document", "standard__document")  # fmt: skip


def _revisions(request: Caller, body: PlanIn) -> dict[str, Revision]:
    return revisions_of(request.school, {kind: getattr(body, kind) for kind in Kind.values})


def _chosen(revisions: list[Revision], kind: str, document: int | None) -> Revision:
    """The document asked for, or the first of its kind."""
    for revision in revisions:
        if revision.document.kind == kind and document in (None, revision.document_id):
            return revision
    raise Revision.DoesNotExist


def _learner(request: Caller, learner: int | None) -> Member:
    learners = Member.objects.filter(school=request.school, role=Role.LEARNER)
    if request.member.role == Role.LEARNER:
        learners = learners.filter(pk=request.member.pk)
    if learner is not None:
        return learners.get(pk=learner)
    found = learners.first()
    if found is None:
        raise Member.DoesNotExist
    return found


@router.get("/docket", response=DocketOut, operation_id="docket_read")
def docket_read(
    request: Caller,
    learner: int | None = None,
    seat: int | None = None,
    ground: int | None = None,
    method: int | None = None,
    standard: int | None = None,
):
    """What the five stubs stand for now, by the newest revisions."""
    newest = latest_revisions(request.school)
    chosen_seat = _chosen(newest, "seat", seat)
    revisions = {
        "vehicle": _chosen(newest, "vehicle", chosen_seat.document.vehicle_id),
        "seat": chosen_seat,
        "ground": _chosen(newest, "ground", ground),
        "method": _chosen(newest, "method", method),
        "standard": _chosen(newest, "standard", standard),
    }
    person = _learner(request, learner)
    sheets = CueSheet.objects.for_caller(request).filter(learner=person, **revisions)
    sheet = sheets.first()
    attempts = Attempt.objects.for_caller(request, "cue_sheet__learner").filter(
        cue_sheet__in=sheets, void=False
    )
    return {
        "learner": person,
        **revisions,
        "sheet_id": sheet and sheet.pk,
        "sheet_options": sheet and sheet.options,
        "attempts": attempts.count(),
        "taped": attempts.filter(readings__isnull=False).count(),
        "shifted": bool(sheet and sheet.options.get("shifts_m")),
    }


@router.post("/plan", response=PlanOut, operation_id="plan_compute")
def plan_compute(request: Caller, body: PlanIn):
    return compute_plan(_revisions(request, body), body.options.model_dump(exclude_defaults=True))


@router.post("/plan/remedy", response=RemedyOut | None, operation_id="plan_remedy")
def plan_remedy(request: Caller, body: PlanIn):
    return compute_remedy(_revisions(request, body), body.options.model_dump(exclude_defaults=True))


@router.post("/sheets", response={201: SheetOut}, operation_id="sheet_make")
@may(Role.LEAD, Role.INSTRUCTOR)
def sheet_make(request: Caller, body: SheetIn):
    sheet = make_sheet(
        request.school,
        learner_id=body.learner,
        revisions=_revisions(request, body),
        options=body.options.model_dump(exclude_defaults=True),
    )
    return Status(201, sheet)


@router.get("/sheets/{sheet_id}", response=SheetOut, operation_id="sheet_read")
def sheet_read(request: Caller, sheet_id: int):
    return CueSheet.objects.for_caller(request).select_related(*SHEET).get(pk=sheet_id)
