"""How far a mock test is, and what it came to: from the learner's attempts, driven without help."""

from dataclasses import asdict
from typing import Any

from faircorner.standards import MET, judge_whole

from server.lessons.judging import judged
from server.lessons.models import Attempt
from server.mock_tests.drawing import rule_of
from server.mock_tests.models import MockTest
from server.planning.models import CueSheet, with_revisions

__all__ = ["state_of"]

HELP = "mock test"


def state_of(test: MockTest) -> dict[str, Any]:
    """A test with its exercises, what was driven of each, and its result once all were taped."""
    rule = rule_of(test.standard)
    driven = _driven(test)
    exercises = [_exercise(one, driven.get(i)) for i, one in enumerate(_with_sheets(test))]
    counts = [i for i, one in enumerate(test.exercises) if not one["cancelled"]]
    taped = [attempt for i in counts if (attempt := driven.get(i)) and attempt.tape]
    whole = judge_whole(rule, [judged(attempt) for attempt in taped])
    complete = len(taped) == len(counts)
    # What ended it, or a serious fault, is no better for what is still to come.
    decided = complete or (bool(taped) and whole.outcome in ("ended", "not met"))
    return {
        "id": test.pk,
        "learner_id": test.learner_id,
        "learner": test.learner.name,
        "instructor": test.instructor.name,
        "standard": test.standard.body["name"],
        "authority": test.standard.body["authority"],
        "dated": test.standard.body["dated"],
        "started": test.started,
        "given_up": test.given_up,
        "given_up_because": test.given_up_because,
        "exercises": exercises,
        "left": len(counts) - len(taped),
        "small_allowed": rule.small_allowed,
        "points_allowed": rule.points_allowed,
        "so_far": {**asdict(whole), "met": whole.outcome in MET} if taped else None,
        "outcome": whole.outcome if decided and test.given_up is None else None,
    }


def _driven(test: MockTest) -> dict[int, Attempt]:
    """The attempt of each exercise: in the order in which they were driven, each counted once.

    Of those that had no help, since the test began and before the learner's next one did.
    """
    attempts = Attempt.objects.for_school(test.school).filter(
        cue_sheet__learner=test.learner_id, help=HELP, void=False, started__gte=test.started
    )
    later = MockTest.objects.for_school(test.school).filter(
        learner=test.learner_id, started__gt=test.started
    )
    if (following := later.order_by("started").first()) is not None:
        attempts = attempts.filter(started__lt=following.started)
    waiting = list(attempts.prefetch_related("corrections").order_by("started", "id"))
    found = {}
    for i, one in enumerate(test.exercises):
        its = next((a for a in waiting if a.cue_sheet_id == one["sheet"]), None)
        if its is not None and not one["cancelled"]:
            waiting.remove(its)
            found[i] = its
    return found


def _with_sheets(test: MockTest) -> list[tuple[dict[str, Any], CueSheet]]:
    ids = {one["sheet"] for one in test.exercises}
    sheets = CueSheet.objects.for_school(test.school).filter(pk__in=ids).defer("plan")
    by_id = {sheet.pk: sheet for sheet in with_revisions(sheets)}
    return [(one, by_id[one["sheet"]]) for one in test.exercises]


def _exercise(told: tuple[dict[str, Any], CueSheet], attempt: Attempt | None) -> dict[str, Any]:
    one, sheet = told
    verdict = attempt.verdict if attempt else None
    return {
        "sheet_id": sheet.pk,
        "method": sheet.method.body["name"],
        "ground": sheet.ground.body["name"],
        "vehicle": sheet.vehicle.body["name"],
        "cancelled": one["cancelled"],
        "attempt_id": attempt.pk if attempt else None,
        "outcome": verdict["outcome"] if verdict else None,
        "small": verdict["small"] if verdict else None,
        "serious": verdict["serious"] if verdict else None,
        "points": verdict.get("points") if verdict else None,
    }
