"""Drawing a mock test by a standard's rule, and another exercise for one that was cancelled."""

from random import SystemRandom
from typing import Any

from django.db import transaction
from django.utils import timezone
from faircorner.documents.reading import read_document
from faircorner.errors import InputError
from faircorner.said import Said
from faircorner.standards import DrawRule, draw, redraw

from server.documents.models import Document, Revision
from server.errors import Stale
from server.mock_tests.models import MockTest
from server.planning.models import CueSheet, with_revisions
from server.schools.access import Caller
from server.schools.models import Role

__all__ = ["cancel", "give_up", "pool_of", "reverses", "rule_of", "start"]

# Nobody could tell more than that draw by draw.
_MOST = 40


def rule_of(standard: Revision) -> DrawRule:
    """How a test by that standard is drawn. Raises InputError where it has no rule for that."""
    rule = read_document("standard", standard.body).build().mock
    if rule is None:
        raise InputError("standard", Said("no rule for a test"))
    return rule


def _standard(request: Caller, document: int) -> Revision:
    known = Document.objects.for_caller(request).with_latest()
    return known.get(pk=document, kind="standard").latest


def pool_of(request: Caller, *, learner: int, standard: int) -> list[CueSheet]:
    """The learner's sheets that a test may be drawn from, what was used last first.

    One of each method at each place: the newest. standard : its document
    Raises DoesNotExist for a learner or a standard of another school.
    """
    request.school.members.get(pk=learner, role=Role.LEARNER)
    rule = rule_of(_standard(request, standard))
    known = CueSheet.objects.for_caller(request).filter(learner=learner).defer("plan")
    sheets: dict[tuple[int, int], CueSheet] = {}
    for sheet in with_revisions(known.order_by("-used", "-id")):
        if sheet.method.body["manoeuvre"] in rule.of:
            key = (sheet.method.document_id, sheet.ground.document_id)
            sheets.setdefault(key, sheet)
    return list(sheets.values())[:_MOST]


@transaction.atomic
def start(request: Caller, *, learner: int, standard: int, sheets: list[int]) -> MockTest:
    """Draw a test for a learner from some of the pool; no sheets means all of it."""
    pool = pool_of(request, learner=learner, standard=standard)
    known = {sheet.pk: sheet for sheet in pool}
    if not set(sheets) <= set(known):
        raise InputError("sheets", Said("not of the list"))
    chosen = [sheet for sheet in pool if not sheets or sheet.pk in sheets]
    revision = _standard(request, standard)
    drawn = draw(rule_of(revision), [reverses(one) for one in chosen], SystemRandom())
    of = request.school.members.get(pk=learner, role=Role.LEARNER)
    return MockTest.objects.create(
        school=request.school, learner=of, instructor=request.member, standard=revision,
        exercises=[{"sheet": chosen[i].pk, "cancelled": ""} for i in drawn],
        pool=[sheet.pk for sheet in chosen],
    )  # fmt: skip


@transaction.atomic
def cancel(test: MockTest, *, exercise: int, because: str) -> MockTest:
    """Another exercise in place of one; what was cancelled stays in the list, and why."""
    test = _going_on(test)
    if not (exercise < len(test.exercises) and not test.exercises[exercise]["cancelled"]):
        raise InputError("exercise", Said("no such exercise"))
    backwards = {
        sheet.pk: reverses(sheet)
        for sheet in CueSheet.objects.for_school(test.school)
        .filter(pk__in=test.pool).select_related("method").defer("plan")
    }  # fmt: skip
    counts = [i for i, one in enumerate(test.exercises) if not one["cancelled"]]
    other = redraw(
        rule_of(test.standard), [backwards[sheet] for sheet in test.pool],
        [test.pool.index(test.exercises[i]["sheet"]) for i in counts],
        counts.index(exercise), SystemRandom(),
    )  # fmt: skip
    test.exercises[exercise]["cancelled"] = because
    test.exercises.insert(exercise + 1, {"sheet": test.pool[other], "cancelled": ""})
    test.save(update_fields=["exercises"])
    return test


@transaction.atomic
def give_up(test: MockTest, *, because: str) -> MockTest:
    """It ends here, without a result; what was driven of it stays."""
    test = _going_on(test)
    test.given_up, test.given_up_because = timezone.now(), because
    test.save(update_fields=["given_up", "given_up_because"])
    return test


def _going_on(test: MockTest) -> MockTest:
    test = MockTest.objects.select_for_update().get(pk=test.pk)
    if test.given_up is not None:
        raise Stale(Said("test over"))
    return test


def reverses(sheet: Any) -> bool:
    """Whether a sheet is driven in reverse: any step of its method's."""
    return any(step["gear"] == "reverse" for step in sheet.method.body["steps"])
