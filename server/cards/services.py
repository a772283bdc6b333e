"""Cards of kept sheets and of dockets that are being looked at."""

from typing import Any

from django.utils import timezone

from server.cards.card import Docket, card_of
from server.cards.paper import PaperName, paper_of
from server.cards.printing import pdf_of
from server.documents.models import Revision
from server.planning.models import CueSheet
from server.planning.services import compute_plan, compute_sights
from server.printing import moment
from server.schools.models import Member, School

__all__ = ["card_of_docket", "card_of_sheet"]


def card_of_sheet(sheet: CueSheet, paper: PaperName, *, large: bool) -> bytes:
    """The PDF of a kept sheet, which tells what its learner was told."""
    docket = Docket(
        learner=sheet.learner.name,
        revisions=sheet.revisions,
        method=sheet.method.body,
        plan=sheet.plan,
        sights=compute_sights(sheet.revisions, sheet.options),
        unsaved=False,
    )
    return _printed(docket, sheet.school, paper, large=large)


def card_of_docket(
    learner: Member,
    revisions: dict[str, Revision],
    options: dict[str, Any],
    method_body: dict[str, Any] | None,
    paper: PaperName,
    *,
    large: bool,
) -> bytes:
    """The PDF of a docket as it is now; method_body stands in for the method's own."""
    docket = Docket(
        learner=learner.name,
        revisions=revisions,
        method=revisions["method"].body if method_body is None else method_body,
        plan=compute_plan(revisions, options, method_body),
        sights=compute_sights(revisions, options, method_body),
        unsaved=method_body is not None,
    )
    return _printed(docket, learner.school, paper, large=large)


def _printed(docket: Docket, school: School, name: PaperName, *, large: bool) -> bytes:
    paper = paper_of(name, large=large)
    return pdf_of(
        card_of(docket, school, paper, moment(timezone.now(), school)), paper, school.locale
    )
