from faircorner.cues import goal_of
from ninja import Router, Status

from server.access import Caller, may
from server.documents.models import Kind, Revision
from server.documents.services import latest_revisions
from server.lessons.models import Attempt
from server.planning.models import CueSheet
from server.planning.schemas import (
    DocketOut,
    DraftIn,
    LeastSizeOut,
    LeavingOut,
    PlanIn,
    PlanOut,
    PlayIn,
    PlayOut,
    RemedyOut,
    RescueOut,
    SheetIn,
    SheetOut,
)
from server.planning.services import (
    compute_least_sizes,
    compute_leaving,
    compute_plan,
    compute_play,
    compute_remedy,
    compute_rescue,
    current,
    make_sheet,
    revisions_of,
)
from server.schools.models import Member, Role

router = Router(tags=["cues"])

# Fetched one by one, by key: joined in one query, a dozen tables, the database has been seen to
# work for minutes on a plan made before it had counted its rows.
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


def _resolved(
    newest: list[Revision], asked: dict[str, int | None], last: CueSheet | None
) -> dict[str, Revision]:
    """Newest revisions of what was asked for; else of the learner's last sheet; else the first.

    A method asked for without a ground brings one that it suits; any other method or standard
    that does not suit the ground gives way to the first that does.
    """
    wanted = {
        kind: document or (last and getattr(last, kind).document_id)
        for kind, document in asked.items()
    }
    seat = _chosen(newest, "seat", wanted["seat"])
    method = _chosen(newest, "method", wanted["method"])
    ground = _chosen(newest, "ground", wanted["ground"])
    if not _suit(ground, method):
        if asked["method"] and not asked["ground"]:
            ground = next((g for g in _of(newest, "ground") if _suit(g, method)), ground)
        else:
            method = next((m for m in _of(newest, "method") if _suit(ground, m)), method)
    standard = _chosen(newest, "standard", wanted["standard"])
    if not _suit(ground, standard):
        standard = next((s for s in _of(newest, "standard") if _suit(ground, s)), standard)
    vehicle = _chosen(newest, "vehicle", seat.document.vehicle_id)
    return {"vehicle": vehicle, "seat": seat, "ground": ground, "method": method,
            "standard": standard}  # fmt: skip


def _of(newest: list[Revision], kind: str) -> list[Revision]:
    return [r for r in newest if r.document.kind == kind]


def _suit(ground: Revision, other: Revision) -> bool:
    """Whether a method or standard is for the kind of goal that the ground has."""
    return ground.body["goal"].get("kind", "kerbside") == goal_of(other.body["manoeuvre"])


@router.get("/docket", response=DocketOut, operation_id="docket_read")
def docket_read(
    request: Caller,
    learner: int | None = None,
    seat: int | None = None,
    ground: int | None = None,
    method: int | None = None,
    standard: int | None = None,
):
    """What the five stubs stand for now; what is not asked for follows the learner's last sheet."""
    person = _learner(request, learner)
    mine = CueSheet.objects.for_caller(request).filter(learner=person)
    asked = {"seat": seat, "ground": ground, "method": method, "standard": standard}
    revisions = _resolved(
        latest_revisions(request.school), asked, mine.prefetch_related(*SHEET).first()
    )
    sheets = mine.filter(**revisions)
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
def plan_compute(request: Caller, body: DraftIn):
    options = body.options.model_dump(exclude_defaults=True)
    return compute_plan(_revisions(request, body), options, body.method_body)


@router.post("/plan/remedy", response=RemedyOut | None, operation_id="plan_remedy")
def plan_remedy(request: Caller, body: PlanIn):
    return compute_remedy(_revisions(request, body), body.options.model_dump(exclude_defaults=True))


@router.post("/plan/least", response=list[LeastSizeOut], operation_id="plan_least")
def plan_least(request: Caller, body: PlanIn):
    """How tight a place the method can use, and what is met in a tighter one."""
    options = body.options.model_dump(exclude_defaults=True)
    return compute_least_sizes(_revisions(request, body), options)


@router.post("/plan/play", response=PlayOut, operation_id="plan_play")
def plan_play(request: Caller, body: PlayIn):
    """What follows from acting at one call early or late."""
    options = body.options.model_dump(exclude_defaults=True)
    return compute_play(_revisions(request, body), options, call=body.call, by_m=body.by_m)


@router.post("/plan/rescue", response=RescueOut | None, operation_id="plan_rescue")
def plan_rescue(request: Caller, body: PlayIn):
    """How to save the attempt from there; null where there is nothing but to begin again."""
    options = body.options.model_dump(exclude_defaults=True)
    return compute_rescue(_revisions(request, body), options, call=body.call, by_m=body.by_m)


@router.post("/plan/leaving", response=list[LeavingOut], operation_id="plan_leaving")
def plan_leaving(request: Caller, body: PlanIn):
    """How far straight before any steering on the way out again."""
    options = body.options.model_dump(exclude_defaults=True)
    return compute_leaving(_revisions(request, body), options)


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
    return current(CueSheet.objects.for_caller(request).prefetch_related(*SHEET).get(pk=sheet_id))
