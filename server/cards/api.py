from django.http import HttpResponse
from ninja import Router

from server.cards.paper import PaperName
from server.cards.schemas import CardIn
from server.cards.services import card_of_docket, card_of_sheet
from server.docket.services import learner_of
from server.documents.models import Kind
from server.planning.models import CueSheet, with_revisions
from server.planning.services import current, revisions_for
from server.printing import PDF, as_pdf
from server.schools.access import Caller

router = Router(tags=["cards"])

_NAME = "cue-card.pdf"


@router.post("/plan/card", operation_id="plan_card", openapi_extra=PDF)
def plan_card(request: Caller, body: CardIn) -> HttpResponse:
    """A docket on one page, to be printed: what is on the screen, kept or not."""
    learner = learner_of(request, body.learner)
    revisions = revisions_for(request, {kind: getattr(body, kind) for kind in Kind.values})
    options = body.options.model_dump(exclude_defaults=True)
    pdf = card_of_docket(
        learner, revisions, options, body.method_body, body.paper, large=body.large
    )
    return as_pdf(pdf, _NAME)


@router.get("/sheets/{sheet_id}/card", operation_id="sheet_card", openapi_extra=PDF)
def sheet_card(
    request: Caller, sheet_id: int, paper: PaperName = "a5", large: bool = False
) -> HttpResponse:
    """A kept sheet on one page; a learner's own too."""
    found = CueSheet.objects.for_caller(request).select_related("learner").get(pk=sheet_id)
    (sheet,) = with_revisions([found])
    return as_pdf(card_of_sheet(current(sheet), paper, large=large), _NAME)
