"""Where a learner's attempts of all times ended, on the ground they were driven on."""

from math import radians
from typing import Any

import numpy as np
from faircorner.documents.figures import figure
from faircorner.documents.reading import read_document
from faircorner.plane import Floats, to_site
from faircorner.standards import MET

from server.lessons.history import history
from server.lessons.models import Attempt
from server.lessons.schemas.history import HistoryAsked
from server.schools.access import Caller

__all__ = ["finishes"]

# How many of the newest are drawn: more are one smear.
_NEWEST = 100


def finishes(request: Caller, asked: HistoryAsked) -> dict[str, Any]:
    """Of what was asked for, the taped ones that count, at the newest one's place.

    sheet_id : a sheet of that place; elsewhere : how many ended at other places
    revised : whether the place was another for some of them
    """
    taped = history(request, asked).filter(tape__isnull=False, void=False)
    newest = list(taped.defer("cue_sheet__plan")[:_NEWEST])
    if not newest:
        return {"sheet_id": None, "ground": "", "revised": False, "elsewhere": 0, "marks": []}
    ground = newest[0].cue_sheet.ground
    here = [one for one in newest if one.cue_sheet.ground.document_id == ground.document_id]
    bodies: dict[int, Floats] = {}
    return {
        "sheet_id": newest[0].cue_sheet_id,
        "ground": ground.name,
        "revised": len({one.cue_sheet.ground_id for one in here}) > 1,
        "elsewhere": len(newest) - len(here),
        "marks": [_mark(one, bodies) for one in here],
    }


def _mark(attempt: Attempt, bodies: dict[int, Floats]) -> dict[str, Any]:
    """One finish as the outline of its own vehicle; bodies : those by revision, as they are read"""
    vehicle, tape = attempt.cue_sheet.vehicle, attempt.tape or {}
    if vehicle.pk not in bodies:
        bodies[vehicle.pk] = read_document("vehicle", vehicle.body).build().outline[0]
    x, y, heading = (tape["pose"][name] for name in ("x_m", "y_m", "heading_deg"))
    outline = to_site(np.array([x, y, radians(heading)]), bodies[vehicle.pk])
    return {
        "id": attempt.pk,
        "sheet_id": attempt.cue_sheet_id,
        "started": attempt.started,
        "method": attempt.cue_sheet.method.name,
        "outcome": attempt.outcome,
        "met": attempt.outcome in MET,
        "whole": tape["verdict"]["whole"],
        "by_eye": attempt.by_eye,
        "outline": [[figure(px), figure(py)] for px, py in outline.reshape(-1, 2)],
    }
