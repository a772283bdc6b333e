from ninja import Query, Router, Status

from server.lists import Pages
from server.planning.belonging import belong, driven_by
from server.planning.models import CueSheet
from server.progress.schemas import SetsOut, TakeIn, TakeOut
from server.progress.services import sets_of, take_advice
from server.schools.access import TEACH, Caller, may

router = Router(tags=["shift"])


@router.get("/sets", response=SetsOut, operation_id="sets_list")
def sets_list(request: Caller, sheet: int, page: Query[Pages.Input]) -> object:
    """The sets that belong together, oldest first: whatever revisions and settings they had."""
    mine = CueSheet.objects.for_caller(request).defer("plan")
    named = mine.get(pk=sheet)
    made = mine.filter(learner=named.learner_id).order_by("created", "id")
    driven = driven_by(made)
    together = [one.pk for one in made if belong(driven[one.pk], driven[named.pk])]
    return {"items": sets_of(together, page.offset, page.limit), "count": len(together)}


@router.post("/sets/take", response={201: TakeOut}, operation_id="advice_take")
@may(*TEACH)
def advice_take(request: Caller, body: TakeIn) -> object:
    shift = take_advice(request.school, request.member, body.sheet)
    return Status(201, {"sheet_id": shift.after_id, "call": shift.call, "by_m": shift.by_m})
