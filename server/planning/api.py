from ninja import Router, Status

from server.documents.models import Kind, Revision
from server.planning.models import CueSheet, with_revisions
from server.planning.schemas.plans import DraftIn, PlanIn, PlanOut
from server.planning.schemas.sheets import SheetIn, SheetOut
from server.planning.schemas.sights import FilmIn, FrameOut, SightsOut
from server.planning.schemas.what_follows import (
    LeastSizesWorkOut,
    LeavingOut,
    PlayIn,
    PlayOut,
    PredictIn,
    PredictOut,
    RemedyWorkOut,
    RescueOut,
)
from server.planning.services import (
    ask_for,
    compute_film,
    compute_leaving,
    compute_plan,
    compute_play,
    compute_prediction,
    compute_rescue,
    compute_sights,
    current,
    make_sheet,
    revisions_for,
)
from server.schools.access import TEACH, Caller, may

router = Router(tags=["cues"], by_alias=True)


def _revisions(request: Caller, body: PlanIn) -> dict[str, Revision]:
    return revisions_for(request, {kind: getattr(body, kind) for kind in Kind.values})


@router.post("/plan", response=PlanOut, operation_id="plan_compute")
def plan_compute(request: Caller, body: DraftIn) -> object:
    options = body.options.model_dump(exclude_defaults=True)
    return compute_plan(_revisions(request, body), options, body.method_body)


@router.post("/plan/sights", response=SightsOut, operation_id="plan_sights")
def plan_sights(request: Caller, body: DraftIn) -> object:
    """What is seen at every stop: the cues there are, the one that is told, and its picture."""
    options = body.options.model_dump(exclude_defaults=True)
    return compute_sights(_revisions(request, body), options, body.method_body)


@router.post("/plan/film", response=list[FrameOut], operation_id="plan_film")
def plan_film(request: Caller, body: FilmIn) -> object:
    """The way of the plan as it is seen where the cue of one call stands."""
    options = body.options.model_dump(exclude_defaults=True)
    return compute_film(_revisions(request, body), options, body.method_body, call=body.call)


@router.post("/plan/remedy", response=RemedyWorkOut, operation_id="plan_remedy")
def plan_remedy(request: Caller, body: PlanIn) -> object:
    """The least change that would make it work: long work, told how far it is when asked again."""
    return _long_work(request, "remedy", body)


@router.post("/plan/least", response=LeastSizesWorkOut, operation_id="plan_least")
def plan_least(request: Caller, body: PlanIn) -> object:
    """How tight a place the method can use, and what is met in a tighter one; long work too."""
    return _long_work(request, "least sizes", body)


def _long_work(request: Caller, name: str, body: PlanIn) -> object:
    options = body.options.model_dump(exclude_defaults=True)
    return ask_for(request.member, name, _revisions(request, body), options)


@router.post("/plan/play", response=PlayOut, operation_id="plan_play")
def plan_play(request: Caller, body: PlayIn) -> object:
    """What follows from acting at one call early or late."""
    options = body.options.model_dump(exclude_defaults=True)
    return compute_play(_revisions(request, body), options, call=body.call, by_m=body.by_m)


@router.post("/plan/rescue", response=RescueOut | None, operation_id="plan_rescue")
def plan_rescue(request: Caller, body: PlayIn) -> object:
    """How to save the attempt from there; null where there is nothing but to begin again."""
    options = body.options.model_dump(exclude_defaults=True)
    return compute_rescue(_revisions(request, body), options, call=body.call, by_m=body.by_m)


@router.post("/plan/leaving", response=list[LeavingOut], operation_id="plan_leaving")
def plan_leaving(request: Caller, body: PlanIn) -> object:
    """How far straight before any steering on the way out again."""
    options = body.options.model_dump(exclude_defaults=True)
    return compute_leaving(_revisions(request, body), options)


@router.post("/sheets", response={201: SheetOut}, operation_id="sheet_make")
@may(*TEACH)
def sheet_make(request: Caller, body: SheetIn) -> object:
    sheet = make_sheet(
        request.school,
        learner_id=body.learner,
        revisions=_revisions(request, body),
        options=body.options.model_dump(exclude_defaults=True),
    )
    return Status(201, sheet)


@router.get("/sheets/{sheet_id}", response=SheetOut, operation_id="sheet_read")
def sheet_read(request: Caller, sheet_id: int) -> object:
    found = CueSheet.objects.for_caller(request).get(pk=sheet_id)
    (sheet,) = with_revisions([found], "document", "author")
    return current(sheet)


@router.post("/sheets/{sheet_id}/predict", response=PredictOut, operation_id="sheet_predict")
def sheet_predict(request: Caller, sheet_id: int, body: PredictIn) -> object:
    """What follows from acting now, to be guessed before it is told."""
    found = CueSheet.objects.for_caller(request).get(pk=sheet_id)
    (sheet,) = with_revisions([found], "document")
    return compute_prediction(sheet, **body.model_dump())
