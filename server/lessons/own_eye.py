"""Where learners say that they stand, kept beside what the tape says."""

from collections import defaultdict
from dataclasses import replace
from math import radians
from typing import Any

import numpy as np
from django.db import transaction
from django.utils import timezone
from faircorner.bias import bias_of
from faircorner.documents.figures import figure, pose_document
from faircorner.documents.finishes import finish_document, read_finish
from faircorner.learning import misjudged, pose_as_stated
from faircorner.said import Said
from faircorner.standards import MEASURES
from faircorner.tape import stood

from server.errors import Stale
from server.lessons.models import Attempt
from server.lessons.taping import scene_taped
from server.schools.access import Caller

__all__ = ["learners_eye", "off", "off_document", "state", "stood_at"]

# How many of the newest attempts a skill is judged by: what was years ago is another driver's.
_NEWEST = 100
_READINGS = {"kerb_front", "kerb_rear", "ahead", "behind"}


def stood_at(attempt: Attempt, told: dict[str, Any]) -> dict[str, Any]:
    """Where a vehicle stands by a pose, and what a tape would read there; or, moved from there, by
    what is said of it, and just that. Keeps nothing.
    """
    at = told["pose"]
    pose = np.array([at["x_m"], at["y_m"], radians(at["heading_deg"])])
    scene = replace(scene_taped(attempt.cue_sheet), standing=pose)
    if told["readings"] is not None:
        found = pose_as_stated(scene, _said(told["readings"]))
        return {"pose": pose_document(found.pose), "readings": told["readings"]}
    finish = stood(scene).finish
    read = {name: float(finish.measure(name)[0]) for name in _READINGS}
    return {
        "pose": pose_document(pose),
        "readings": {f"{n}_m": None if np.isnan(v) else round(v, 2) for n, v in read.items()},
    }


def _said(readings: dict[str, float | None]) -> dict[str, float]:
    """By the reading's name, m, what was said of it."""
    return {n.removesuffix("_m"): value for n, value in readings.items() if value is not None}


@transaction.atomic
def state(attempt: Attempt, readings: dict[str, float | None]) -> Attempt:
    """Keep where the learner says that it stands, once, and before the tape is read."""
    attempt = Attempt.objects.select_for_update().get(pk=attempt.pk)
    if attempt.stated is not None:
        if attempt.stated["readings"] == readings:
            return attempt
        raise Stale(Said("said already"))
    if attempt.readings is not None:
        raise Stale(Said("said before the tape"))
    found = pose_as_stated(scene_taped(attempt.cue_sheet), _said(readings))
    attempt.stated = {
        "at": timezone.now().isoformat(),
        "readings": readings,
        "pose": pose_document(found.pose),
        "finish": finish_document(found.finish),
    }
    attempt.save(update_fields=["stated"])
    return attempt


def off(attempt: Attempt) -> dict[str, float] | None:
    """What was said more than was taped, by measure, SI; None until both were: no eye tells how
    far off another is.
    """
    if attempt.stated is None or attempt.tape is None or attempt.by_eye:
        return None
    said, taped = (read_finish(one["finish"]) for one in (attempt.stated, attempt.tape))
    # Until December 2026 a gap that nobody had said was worked out from the other and kept, too.
    unsaid = _READINGS - _said(attempt.stated["readings"]).keys()
    return misjudged(said.without(*unsaid), taped)


def off_document(attempt: Attempt) -> dict[str, float | None] | None:
    """The same in documents' units, null where either is not known."""
    found = off(attempt)
    if found is None:
        return None
    return {
        _outward(name)[0]: figure(found[name] / _outward(name)[1]) if name in found else None
        for name in _MEASURES
    }


def learners_eye(request: Caller, learner: int) -> list[dict[str, Any]]:
    """How far off a learner says each measure, over the newest attempts that count."""
    known = Attempt.objects.for_caller(request, "cue_sheet__learner").filter(
        cue_sheet__learner=learner, void=False, stated__isnull=False, tape__isnull=False
    )
    told: dict[str, list[float]] = defaultdict(list)
    for attempt in known.order_by("-started", "-id")[:_NEWEST]:
        for measure, value in (off(attempt) or {}).items():
            told[measure].append(value)
    return [_summed(name, told[name]) for name in _MEASURES if name in told]


def _summed(measure: str, values: list[float]) -> dict[str, Any]:
    eye = bias_of(values, together=len(_MEASURES))
    name, one = _outward(measure)

    def told(value: float | None) -> float | None:
        return None if value is None else figure(value / one)

    return {
        "measure": name, "count": eye.count, "bias": told(eye.bias), "spread": told(eye.spread),
        "low": told(eye.low), "high": told(eye.high), "biased": eye.biased,
    }  # fmt: skip


_MEASURES = ("kerb", "angle", "ahead", "behind")


def _outward(measure: str) -> tuple[str, float]:
    """How documents call it, and what one of theirs is inside."""
    if measure == "kerb":
        # Both wheels together: no measure of a standard's.
        return "kerb_m", 1.0
    return MEASURES[measure].outward, MEASURES[measure].one
