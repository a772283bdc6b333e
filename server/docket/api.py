from ninja import Router

from server.docket.schemas import DocketOut
from server.docket.services import learner_of, resolved
from server.documents.services import latest_revisions
from server.lessons.models import Attempt
from server.planning.models import SHEET, CueSheet
from server.schools.access import Caller

router = Router(tags=["docket"], by_alias=True)


@router.get("/docket", response=DocketOut, operation_id="docket_read")
def docket_read(
    request: Caller,
    learner: int | None = None,
    seat: int | None = None,
    ground: int | None = None,
    method: int | None = None,
    standard: int | None = None,
) -> object:
    """What the five stubs stand for now; what is not asked for follows the learner's last sheet."""
    person = learner_of(request, learner)
    mine = CueSheet.objects.for_caller(request).filter(learner=person)
    asked = {"seat": seat, "ground": ground, "method": method, "standard": standard}
    revisions = resolved(
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
