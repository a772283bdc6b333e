"""Cue sheets and what follows from them, as documents: units named, angles in degrees."""

from math import degrees
from typing import Any

import numpy as np

from faircorner.cues import (
    Call,
    Cue,
    LeastSize,
    Leaving,
    Mend,
    Method,
    Plan,
    Played,
    Remedy,
    Rescue,
    Scene,
)
from faircorner.cues.amount import on_the_clock, turned
from faircorner.cues.drawing import Drawing, drawn
from faircorner.cues.events import Came
from faircorner.cues.totals import Totals, totals
from faircorner.cues.tried import RATES_TRIED, gaps_tried
from faircorner.cues.windows import REACH
from faircorner.documents.figures import (
    dimension_document,
    figure,
    leg_document,
    path_document,
    pose_document,
    view_document,
)
from faircorner.documents.finishes import finish_document
from faircorner.documents.ground import ground_document
from faircorner.documents.requests import angle_names
from faircorner.ground import Ground
from faircorner.said import Said
from faircorner.sight import ACUITY, CRAWL, IN_GLASS, REACTION
from faircorner.vehicle import Vehicle

__all__ = [
    "PLAN_FORMAT",
    "least_size_document",
    "leaving_document",
    "mend_document",
    "plan_document",
    "played_document",
    "remedy_document",
    "rescue_document",
    "wheels_document",
]

# Raised whenever a plan's document gains or changes a field.
PLAN_FORMAT = "fair-corner/plan@13"


def plan_document(plan: Plan, scene: Scene) -> dict[str, Any]:
    """A cue sheet as a document; every assumption behind a figure is listed in it."""
    turned, vehicle = angle_names(scene.method), scene.vehicle
    poses = plan.track.poses[0]
    return {
        "format": PLAN_FORMAT,
        "feasible": plan.feasible,
        "why_not": str(plan.why_not) or None,
        "reason": {"said": plan.why_not.said.document(), "step": plan.why_not.step},
        "missed": [said.document() for said in plan.missed],
        "start": {**pose_document(plan.start), "turns": 0.0},
        "legs": [leg_document(leg) for leg in plan.legs],
        "wheels": wheels_document([float(leg.turns[0]) for leg in plan.legs], vehicle),
        "final": {**pose_document(poses[-1]), "turns": round(float(plan.track.turns[0, -1]), 6)},
        "finish": finish_document(plan.finish),
        "clearance": _clearance(plan.clearances, plan.ground.kerb_on_left().met_by_tyres),
        "overhang": {"metres": figure(plan.overhang[0]), "s_m": figure(plan.overhang[1]),
                     "counts": _may_reach_over(plan.ground)},
        "totals": _totals(totals(plan)),
        "drawing": _drawing(drawn(vehicle, plan)),
        "spare_m": figure(plan.spare),
        "figures": {
            n: figure(degrees(v) if n in turned else v) for n, v in plan.values.items()
        },
        "set": {"gap_m": plan.gap, "turns_per_metre": plan.turns_per_metre,
                "kerb_m": _wanted_kerb(plan.ground), "ahead_m": plan.ground.goal.gap,
                "tried": {"gap_m": list(gaps_tried(scene.method, plan.gap)),
                          "kerb_m": list(plan.ground.goal.kerbs_tried),
                          "turns_per_metre": list(RATES_TRIED)}},
        "calls": [
            _call(plan.calls, number, scene.method)
            for number in range(1, len(plan.calls) + 1)
        ],
        "looks": [
            {"step": r.step, "look": r.look, "s_m": figure(r.s), "why": r.why,
             "metres": figure(r.metres), "at_s_m": figure(r.at_s),
             "x_m": figure(r.x), "y_m": figure(r.y), "said": r.said.document()}
            for r in plan.looks
        ],
        "begins": plan.begins.document(),
        "ends": plan.ends.document(),
        "sensitivity": [[figure(v) for v in row] for row in plan.sensitivity],
        "path": path_document(vehicle.steering, plan.track, range(len(poses))),
        "swept_m": [np.round(part, 3).tolist() for part in plan.swept],
        "assumed": {"searched_m": REACH, "acuity_deg": round(degrees(ACUITY), 3),
                    "in_glass_deg": round(degrees(IN_GLASS), 3),
                    "crawl_m_per_s": CRAWL, "reaction_scatter_s": REACTION},
    }  # fmt: skip


def wheels_document(turns: list[float], vehicle: Vehicle) -> list[dict[str, Any]]:
    """How far the wheel is turned on each leg, in words: in turns and on a clock face.

    turns : of the steering wheel, left positive
    """
    lock = vehicle.steering.lock_turns
    return [
        {"turns": turned(one, lock).document(), "clock": on_the_clock(one, lock).document()}
        for one in turns
    ]


def _clearance(
    clearances: tuple[tuple[str, float, float], ...], low: frozenset[str]
) -> list[dict[str, Any]]:
    return [
        {"obstacle": name, "metres": figure(metres), "s_m": figure(s), "of_tyres": name in low}
        for name, metres, s in clearances
    ]


def _may_reach_over(ground: Ground) -> bool:
    """Whether there is a kerb that the body may reach over at all."""
    return any(line.of_tyres for line in ground.kerb_on_left().kerblines)


def _wanted_kerb(ground: Ground) -> float | None:
    """What may be set; a bay is parked in along its middle."""
    return ground.kerb_on_left().berth.kerb


def _call(calls: tuple[Call, ...], number: int, method: Method) -> dict[str, Any]:
    call = calls[number - 1]
    window, until = call.window, call.until
    # Once the wheel has settled: the angle of the path where the next call comes.
    then = calls[min(number, len(calls) - 1)].heading
    came = Came(
        metres=call.metres,
        heading=call.heading,
        then=then,
        rolled=call.told,
        direction=method.steps[call.step - 1].direction,
    )
    return {
        "number": number,
        "leg": call.step,
        "s_m": figure(call.s),
        "told_s_m": figure(call.told),
        **pose_document(call.pose),
        "angle_deg": figure(degrees(call.heading)),
        "until": {
            "kind": until.kind,
            **dict.fromkeys(("own", "landmark", "edge", "thing")),
            **until.named(),
            "metres": figure(call.metres),
        },
        "said": until.said(came).document(),
        "seen": call.seen(references=method.references).document(),
        "instead": call.instead(came).document(),
        "early_m": None if window.early is None else figure(window.early),
        "late_m": None if window.late is None else figure(window.late),
        "early_breaks": window.early_breaks.document(),
        "late_breaks": window.late_breaks.document(),
        "cues": [] if call.cue is None else [_cue(call.cue)],
    }


def _cue(cue: Cue) -> dict[str, Any]:
    seen, sharp = cue.sighting, cue.sharpness
    return {
        "what": cue.what,
        "target_z_m": figure(cue.height),
        "target_x_m": figure(cue.target[0]),
        "target_y_m": figure(cue.target[1]),
        "eye_m": np.round(seen.eye, 4).tolist(),
        "through": seen.through,
        "x_m": figure(seen.x),
        "y_m": figure(seen.y),
        "z_m": figure(seen.z),
        "bearing_deg": figure(degrees(seen.bearing)),
        "along": seen.told.along,
        "feature": seen.feature,
        "offset_m": figure(seen.offset),
        "scatter_m": figure(sharp.scatter),
        "lean_m": figure(sharp.lean),
        "lean_image_m": figure(sharp.image),
        "lean_late_m": figure(sharp.late),
        "leant": sharp.leant.document(),
    }


def remedy_document(remedy: Remedy | None) -> dict[str, Any] | None:
    if remedy is None:
        return None
    return {
        "what": remedy.what,
        "to_m": figure(remedy.to),
        "by_m": figure(remedy.by),
        "option": None if remedy.option is None else f"{remedy.option}_m",
        "said": remedy.said.document(),
    }


def _totals(found: Totals) -> dict[str, Any]:
    call, width = found.narrowest or (None, None)
    return {
        "movements": found.movements,
        "rolled_m": figure(found.rolled),
        "narrowest_call": call,
        "narrowest_m": None if width is None else figure(width),
        "swings_out_m": figure(found.swing),
        "nearest_m": None if found.nearest is None else figure(found.nearest),
        "unseen": found.unseen,
        "along": found.along,
    }


def _drawing(drawing: Drawing) -> dict[str, Any]:
    swing = drawing.swing
    return {
        "dimensions": [dimension_document(line) for line in drawing.dimensions],
        "away": np.round(drawing.away, 6).tolist(),
        "swing": None if swing is None else {
            "said": swing.said.document(),
            "reach": dimension_document(swing.reach),
            "track_m": np.round(swing.track, 3).tolist(),
        },
        "nearest": list(drawing.nearest),
        "view": view_document(drawing.view),
    }  # fmt: skip


def played_document(played: Played, vehicle: Vehicle) -> dict[str, Any]:
    """An attempt with one call displaced, as a path and what came of it."""
    last = len(played.track.leg) - 1
    return {
        "finish": finish_document(played.finish),
        "breaks": played.breaks.document(),
        "path": path_document(vehicle.steering, played.track, [*range(0, last, 4), last]),
    }


def leaving_document(leaving: Leaving) -> dict[str, Any]:
    """One way out as a document; straight_m null where it does not go in one."""
    straight = leaving.straight
    return {
        "way": leaving.way,
        "gear": leaving.gear,
        "then": leaving.then,
        "straight_m": None if straight is None else figure(straight),
        "said": leaving.said.document(),
    }


def mend_document(found: Mend | None, vehicle: Vehicle) -> dict[str, Any] | None:
    """A mend as steps that can be said, and the path they drive; None means: start again."""
    if found is None:
        return None
    return {"movements": list(found.movements), **_driven(found, vehicle)}


def rescue_document(found: Rescue | None, vehicle: Vehicle) -> dict[str, Any] | None:
    """How an attempt is saved, from the call that went wrong; None means: begin again."""
    if found is None:
        return None
    return {"cure": found.cure, "said": found.said.document(), **_driven(found, vehicle)}


def _driven(found: Mend | Rescue, vehicle: Vehicle) -> dict[str, Any]:
    return {
        "steps": [
            {
                "say": _words(step.say).document(),
                **leg_document(leg),
            }
            for step, leg in zip(found.steps, found.legs, strict=True)
        ],
        "finish": finish_document(found.finish),
        "clearance": _clearance(found.clearances, found.low),
        "path": path_document(vehicle.steering, found.track, range(0, len(found.track.leg), 2)),
    }


def _words(said: str | Said) -> Said:
    return said if isinstance(said, Said) else Said("as written", words=said)


def least_size_document(found: LeastSize, scene: Scene) -> dict[str, Any]:
    """The least size of one thing, and a place a little tighter with what is met there."""
    return {
        "what": found.what,
        "metres": None if found.metres is None else round(found.metres, 2),
        "tighter": {
            "ground": ground_document(found.tighter.ground),
            "plan": plan_document(found.tighter, scene),
        },
    }
