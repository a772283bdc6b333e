from ninja import Router, Status

from server.planning.models import SHEET, CueSheet
from server.progress.schemas import SetOut, TakeIn, TakeOut
from server.progress.services import sets_of, take_advice
from server.schools.access import TEACH, Caller, may

router = Router(tags=["shift"])


@router.get("/sets", response=list[SetOut], operation_id="sets_list")
def sets_list(request: Caller, sheet: int) -> object:
    """The sets that belong together, oldest first: whatever revisions and settings they had."""
    mine = CueSheet.objects.for_caller(request)
    named = mine.prefetch_related(*SHEET).get(pk=sheet)
    sheets = mine.belonging(named.learner, named.revisions).prefetch_related(*SHEET, "attempts")
    return sets_of(list(sheets.order_by("created", "id")))


@router.post("/sets/take", response={201: TakeOut}, operation_id="advice_take")
@may(*TEACH)
def advice_take(request: Caller, body: TakeIn) -> object:
    shift = take_advice(request.school, request.member, body.sheet)
    return Status(201, {"sheet_id": shift.after_id, "call": shift.call, "by_m": shift.by_m})
