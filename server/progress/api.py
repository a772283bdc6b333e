from ninja import Router, Status

from server.planning.models import CueSheet
from server.progress.schemas import SetOut, TakeIn, TakeOut
from server.progress.services import set_of, take_advice
from server.schools.access import Caller, may
from server.schools.models import Role

router = Router(tags=["shift"])


@router.get("/sets", response=list[SetOut], operation_id="sets_list")
def sets_list(request: Caller, sheet: int) -> object:
    """The sets of one docket, oldest first: the sheet's own and those with other cue shifts."""
    mine = CueSheet.objects.for_caller(request)
    named = mine.get(pk=sheet)
    docket = {
        k: getattr(named, k) for k in ("learner", "vehicle", "seat", "ground", "method", "standard")
    }
    sheets = mine.filter(**docket).select_related("vehicle", "standard")
    sheets = sheets.prefetch_related("attempts").order_by("created", "id")
    return [set_of(s, list(s.attempts.all())) for s in sheets]


@router.post("/sets/take", response={201: TakeOut}, operation_id="advice_take")
@may(Role.LEAD, Role.INSTRUCTOR)
def advice_take(request: Caller, body: TakeIn) -> object:
    shift = take_advice(request.school, request.member, body.sheet)
    return Status(201, {"sheet_id": shift.after_id, "call": shift.call, "by_m": shift.by_m})
