from django.db.models import Count, Q
from faircorner.said import Said
from ninja import Router, Status

from server.docket.schemas import DocketOut
from server.docket.services import (
    Missing,
    changed_since,
    learner_of,
    resolved,
    sits_in,
    sitter_of,
)
from server.documents.models import Document
from server.documents.services import newest_of
from server.errors import Problem
from server.lessons.models import Attempt
from server.planning.belonging import belong, driven_by
from server.planning.models import CueSheet
from server.planning.services import picks_of
from server.said import told_to
from server.schools.access import Caller

router = Router(tags=["docket"], by_alias=True)


@router.get("/docket", response={200: DocketOut, 409: Problem}, operation_id="docket_read")
def docket_read(
    request: Caller,
    learner: int | None = None,
    seat: int | None = None,
    ground: int | None = None,
    method: int | None = None,
    standard: int | None = None,
    sheet: int | None = None,
) -> object:
    """What the five stubs stand for now; what is not asked for follows the learner's last sheet.

    sheet : one of those that belong to the stubs; without it, the one last used
    A school that has nothing of a kind yet is told so: 409, the field naming the kind.
    """
    asked = {"seat": seat, "ground": ground, "method": method, "standard": standard}
    try:
        return _docket(request, learner, sheet, asked)
    except Missing as missing:
        kind = missing.kind
        problem = told_to(request, Said(f"no {kind} yet"))
        return Status(409, Problem(field=kind, problem=problem))


def _docket(
    request: Caller, learner: int | None, sheet: int | None, asked: dict[str, int | None]
) -> dict[str, object]:
    person = learner_of(request, learner)
    mine = CueSheet.objects.for_caller(request).filter(learner=person)
    made = list(mine.defer("plan"))
    driven = driven_by(made)
    last = next((one for one in made if sheet in (None, one.pk)), None)
    if last is None and sheet is not None:
        raise CueSheet.DoesNotExist
    closed = set(Document.objects.closed_to(request).values_list("pk", flat=True))
    newest = [one for one in newest_of(request.school) if one.document_id not in closed]
    revisions = resolved(newest, asked, driven[last.pk] if last else {}, person)
    documents = {kind: revision.document_id for kind, revision in revisions.items()}
    sheets = [one for one in made if belong(driven[one.pk], documents)]
    chosen = next((one for one in sheets if one.pk == sheet), sheets[0] if sheets else None)
    attempts = Attempt.objects.for_caller(request, "cue_sheet__learner").filter(
        cue_sheet__in=sheets, void=False
    )
    taped = Count("pk", filter=Q(readings__isnull=False))
    return {
        "learner": person,
        **revisions,
        "sits_here": sits_in(person, revisions["seat"]),
        "seat_of": sitter_of(revisions["seat"]),
        "sheet_id": chosen and chosen.pk,
        "sheet_options": chosen and chosen.options,
        "since": [] if chosen is None else changed_since(chosen, revisions),
        "picks": picks_of(request.school, revisions),
        **attempts.aggregate(attempts=Count("pk"), taped=taped),
        "shifted": bool(chosen and chosen.options.get("shifts_m")),
    }
