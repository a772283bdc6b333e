"""What goes in and out of the computation: drive, plan, options, verdicts."""

from collections.abc import Iterable, Mapping
from math import degrees, isnan, radians
from typing import Annotated, Any, Literal

import numpy as np
from pydantic import Field

from faircorner.cues import Call, Cue, Leaving, Mend, Method, Options, Plan, Played, Remedy
from faircorner.documents.ground import GroundDocument
from faircorner.documents.method import MethodDocument
from faircorner.documents.model import Metres, Model, inside
from faircorner.documents.standard import LIMIT_UNITS, StandardDocument
from faircorner.documents.vehicle import SeatDocument, VehicleDocument
from faircorner.errors import InputError
from faircorner.ground import Finish, Ground, Kerbside
from faircorner.motion import (
    Leg,
    Roll,
    Track,
    best_roll,
    drive,
    jack_knifed,
    roll,
    trailer_headings,
)
from faircorner.plane import Floats, mirrored
from faircorner.sight import ACUITY, CRAWL, REACTION
from faircorner.tape import Verdict
from faircorner.vehicle import Vehicle

__all__ = [
    "PLAN_FORMAT",
    "DriveRequest",
    "OptionsModel",
    "PlanRequest",
    "drive_document",
    "finish_document",
    "hill_document",
    "leaving_document",
    "mend_document",
    "plan_document",
    "played_document",
    "read_options",
    "remedy_document",
    "verdict_document",
]


# Raised whenever a plan's document gains or changes a field.
PLAN_FORMAT = "fair-corner/plan@4"


class StartModel(Model):
    x_m: float
    y_m: float
    heading_deg: float
    turns: float = 0.0
    trailer_heading_deg: float | None = None


class LegModel(Model):
    gear: Literal["forward", "reverse"]
    turns: float
    metres: Annotated[float, Field(ge=0, le=1000)]
    turns_per_metre: Annotated[float, Field(gt=0)] | None = None

    def build(self) -> Leg:
        rate = np.inf if self.turns_per_metre is None else self.turns_per_metre
        return Leg(
            direction=1 if self.gear == "forward" else -1,
            turns=np.array([self.turns]),
            metres=np.array([self.metres]),
            rate=np.array([rate]),
        )


class DriveRequest(Model):
    """Drive a vehicle through legs."""

    vehicle: VehicleDocument
    start: StartModel
    legs: Annotated[list[LegModel], Field(min_length=1, max_length=200)]
    sample_m: Annotated[float, Field(ge=0.005, le=5)] = 0.05


class OptionsModel(Model):
    """What may be set for one cue sheet; absent leaves it to the method, the place or the fit.

    pinned : fitted figures of the method by name, in metres or degrees
    shifts_m : by call number, how much later (negative earlier) its cue is told
    """

    gap_m: Metres | None = None
    kerb_m: Metres | None = None
    ahead_m: Metres | None = None
    turns_per_metre: float | None = None
    pinned: Annotated[dict[str, float], Field(max_length=20)] = {}
    shifts_m: Annotated[dict[str, float], Field(max_length=20)] = {}


class PlanRequest(Model):
    """Compute a cue sheet."""

    vehicle: VehicleDocument
    seat: SeatDocument
    ground: GroundDocument
    method: MethodDocument | str
    standard: StandardDocument | None = None
    options: OptionsModel = OptionsModel()


def _angles(method: Method) -> set[str]:
    return {u.name for s in method.steps for u in [s.until.value]
            if s.until.kind == "heading" and not isinstance(u, float)}  # fmt: skip


def read_options(model: OptionsModel, method: Method) -> Options:
    """Options in SI; raises InputError for a shift that is not told by call number."""
    angles = _angles(method)
    for number, metres in model.shifts_m.items():
        if not number.isdecimal():
            raise InputError(f"options.shifts_m.{number}", "must be a call number such as 1")
        if not -2 <= metres <= 2:
            raise InputError(f"options.shifts_m.{number}", f"must be within 2 m, got {metres:g}")
    return Options(
        gap=model.gap_m,
        kerb=model.kerb_m,
        ahead=model.ahead_m,
        turns_per_metre=model.turns_per_metre,
        pinned={n: radians(v) if n in angles else v for n, v in model.pinned.items()},
        shifts={int(number): metres for number, metres in model.shifts_m.items()},
    )


def drive_document(request: DriveRequest) -> dict[str, Any]:
    """The path of a drive request, sampled every `sample_m` and at each leg's end."""
    with inside("vehicle"):
        vehicle = request.vehicle.build()
    start = request.start
    legs = [leg.build() for leg in request.legs]
    pose = np.array([[start.x_m, start.y_m, radians(start.heading_deg)]])
    if abs(start.turns) > vehicle.steering.lock_turns + 1e-9:
        raise InputError(
            "start.turns",
            f"is beyond the lock of {vehicle.steering.lock_turns:g} turns",
        )
    track = drive(vehicle.steering, pose, [start.turns], legs, sample=request.sample_m)
    path: list[dict[str, Any]] = [
        {**_pose(track.poses[0, i]), "s_m": round(float(track.s[0, i]), 6),
         "turns": round(float(track.turns[0, i]), 6), "leg": int(track.leg[i])}
        for i in range(track.s.shape[1])
    ]  # fmt: skip
    jammed = _tow(vehicle, start, track, legs, path)
    return {"path": path, "final": path[-1], "jack_knifed_at_s_m": jammed}


def _tow(
    vehicle: Vehicle, start: StartModel, track: Track, legs: list[Leg], path: list[dict[str, Any]]
) -> float | None:
    """Add the trailer's headings to a path; metres rolled when it jack-knifes, None if never."""
    trailer = vehicle.trailer
    if trailer is None:
        if start.trailer_heading_deg is not None:
            raise InputError(
                "start.trailer_heading_deg", "the vehicle has no trailer; leave it out"
            )
        return None
    told = start.trailer_heading_deg
    behind = np.radians(np.array([start.heading_deg if told is None else told]))
    headings = trailer_headings(vehicle.steering, trailer, track, legs, behind)
    for point, heading in zip(path, headings[0], strict=True):
        point["trailer_heading_deg"] = round(degrees(float(heading)), 6)
    at = jack_knifed(trailer, track.poses[..., 2], headings)[0]
    return None if isnan(at) else _figure(float(track.s[0, int(at)]))


def _pose(pose: Floats) -> dict[str, float]:
    return {
        "x_m": round(float(pose[0]), 6),
        "y_m": round(float(pose[1]), 6),
        "heading_deg": round(degrees(float(pose[2])), 6),
    }


def _path(track: Track, samples: Iterable[int]) -> list[dict[str, Any]]:
    """The first attempt of a track at the samples asked for."""
    return [
        {**_pose(track.poses[0, i]), "s_m": _figure(track.s[0, i]),
         "turns": _figure(track.turns[0, i]), "leg": int(track.leg[i])}
        for i in samples
    ]  # fmt: skip


def _figure(value: float) -> float | None:
    """A number for a document, or null where there is none."""
    return None if isnan(value) or np.isinf(value) else round(float(value), 4)


def finish_document(finish: Finish) -> dict[str, float | None]:
    """The first finish of a batch in a document's units."""
    return {
        name: _figure(float(finish.measure(inner)[0]) / unit)  # type: ignore[arg-type]
        for name, (inner, unit) in LIMIT_UNITS.items()
    }


def plan_document(plan: Plan, method: Method) -> dict[str, Any]:
    """A cue sheet as a document; every assumption behind a figure is listed in it."""
    angles = _angles(method)
    poses = plan.track.poses[0]
    return {
        "format": PLAN_FORMAT,
        "feasible": plan.feasible,
        "why_not": str(plan.why_not) or None,
        "reason": {"text": plan.why_not.text,
                   "lengths_m": [_figure(v) for v in plan.why_not.lengths]},
        "start": {**_pose(plan.start), "turns": 0.0},
        "legs": [_leg(leg) for leg in plan.legs],
        "final": {**_pose(poses[-1]), "turns": round(float(plan.track.turns[0, -1]), 6)},
        "finish": finish_document(plan.finish),
        "clearance": [
            {"obstacle": name, "metres": _figure(metres), "s_m": _figure(s)}
            for name, metres, s in plan.clearances
        ],
        "overhang": {"metres": _figure(plan.overhang[0]), "s_m": _figure(plan.overhang[1])},
        "spare_m": _figure(plan.spare),
        "figures": {
            n: _figure(degrees(v) if n in angles else v) for n, v in plan.values.items()
        },
        "set": {"gap_m": plan.gap, "turns_per_metre": plan.turns_per_metre,
                "kerb_m": _wanted_kerb(plan.ground), "ahead_m": plan.ground.goal.gap},
        "calls": [_call(call, number) for number, call in enumerate(plan.calls, start=1)],
        "looks": [
            {"step": r.step, "look": r.look, "s_m": _figure(r.s), "why": r.why,
             "metres": _figure(r.metres), "at_s_m": _figure(r.at_s),
             "x_m": _figure(r.x), "y_m": _figure(r.y)}
            for r in plan.looks
        ],
        "sensitivity": [[_figure(v) for v in row] for row in plan.sensitivity],
        "path": _path(plan.track, range(len(poses))),
        "swept_m": [np.round(part, 3).tolist() for part in plan.swept],
        "assumed": {"acuity_deg": round(degrees(ACUITY), 3), "crawl_m_per_s": CRAWL,
                    "reaction_scatter_s": REACTION},
    }  # fmt: skip


def _wanted_kerb(ground: Ground) -> float | None:
    """What may be set; a bay is parked in along its middle."""
    return ground.goal.kerb if isinstance(ground.goal, Kerbside) else None


def _leg(leg: Leg) -> dict[str, Any]:
    rate = float(leg.rate[0])
    return {
        "gear": "forward" if leg.direction > 0 else "reverse",
        "turns": round(float(leg.turns[0]), 6),
        "metres": round(float(leg.metres[0]), 6),
        "turns_per_metre": None if np.isinf(rate) else round(rate, 6),
    }


def _call(call: Call, number: int) -> dict[str, Any]:
    window, until = call.window, call.until
    return {
        "number": number,
        "leg": call.step,
        "s_m": _figure(call.s),
        "told_s_m": _figure(call.told),
        **_pose(call.pose),
        "angle_deg": _figure(degrees(call.heading)),
        "until": {
            "kind": until.kind,
            "own": until.own or None,
            "landmark": until.landmark or None,
            "metres": _figure(call.metres),
        },
        "early_m": None if window.early is None else _figure(window.early),
        "late_m": None if window.late is None else _figure(window.late),
        "early_breaks": window.early_breaks,
        "late_breaks": window.late_breaks,
        "cues": [] if call.cue is None else [_cue(call.cue)],
    }


def _cue(cue: Cue) -> dict[str, Any]:
    seen, sharp = cue.sighting, cue.sharpness
    return {
        "what": cue.what,
        "target_z_m": _figure(cue.height),
        "target_x_m": _figure(cue.target[0]),
        "target_y_m": _figure(cue.target[1]),
        "eye_m": np.round(seen.eye, 4).tolist(),
        "through": seen.through,
        "x_m": _figure(seen.x),
        "y_m": _figure(seen.y),
        "z_m": _figure(seen.z),
        "bearing_deg": _figure(degrees(seen.bearing)),
        "along": seen.along,
        "feature": seen.feature,
        "offset_m": _figure(seen.offset),
        "scatter_m": _figure(sharp.scatter),
        "lean_m": _figure(sharp.lean),
        "lean_image_m": _figure(sharp.image),
        "lean_late_m": _figure(sharp.late),
    }


def remedy_document(remedy: Remedy | None) -> dict[str, Any] | None:
    if remedy is None:
        return None
    return {"what": remedy.what, "to_m": _figure(remedy.to), "by_m": _figure(remedy.by)}


def played_document(played: Played) -> dict[str, Any]:
    """An attempt with one call displaced, as a path and what came of it."""
    last = len(played.track.leg) - 1
    return {
        "finish": finish_document(played.finish),
        "breaks": played.breaks,
        "path": _path(played.track, [*range(0, last, 4), last]),
    }


def leaving_document(leaving: Leaving) -> dict[str, Any]:
    """One way out as a document; straight_m null where it does not go in one."""
    straight = leaving.straight
    return {
        "way": leaving.way,
        "gear": leaving.gear,
        "then": leaving.then,
        "straight_m": None if straight is None else _figure(straight),
    }


def hill_document(
    vehicle: Vehicle, *, side: Literal["left", "right"], gap: float, facing: Literal["up", "down"],
    kerb: bool,
) -> dict[str, Any]:  # fmt: skip
    """What each way of leaving the wheels leads to on a hill, and which ends best."""
    car = vehicle if side == "left" else vehicle.mirrored()
    lock = car.steering.lock_turns
    rolls = {
        way: roll(car, gap=gap, forward=facing == "down", turns=sign * lock, kerb=kerb)
        for way, sign in (("toward", 1), ("away", -1), ("straight", 0))
    }
    return {"best": best_roll(rolls), "ways": [_rolled(way, r, side) for way, r in rolls.items()]}


def _rolled(way: str, found: Roll, side: str) -> dict[str, Any]:
    poses, turns = found.track.poses[0], found.track.turns[0]
    if side == "right":
        poses, turns = mirrored(poses), -turns
    # The wheel stands turned from the start, also in the drawing.
    return {
        "way": way,
        "end": found.end,
        "metres": _figure(found.metres),
        "tyre": found.tyre,
        "angle_deg": _figure(degrees(found.angle)),
        "turns": _figure(float(turns[-1])),
        "start": _pose(poses[0]),
        "final": _pose(poses[-1]),
        "path_m": np.round(poses[::5, :2], 3).tolist(),
    }


def mend_document(found: Mend | None) -> dict[str, Any] | None:
    """A mend as steps that can be said, and the path they drive; None means: start again."""
    if found is None:
        return None
    return {
        "movements": list(found.movements),
        "steps": [
            {"say": step.say, **_leg(leg)}
            for step, leg in zip(found.steps, found.legs, strict=True)
        ],
        "finish": finish_document(found.finish),
        "clearance": [
            {"obstacle": name, "metres": _figure(metres), "s_m": _figure(at)}
            for name, metres, at in found.clearances
        ],
        "path": _path(found.track, range(0, len(found.track.leg), 2)),
    }


def verdict_document(verdict: Verdict) -> dict[str, Any]:
    """A verdict with each limit beside its figure, in the standard's own units."""
    outward = {inner: (name, unit) for name, (inner, unit) in LIMIT_UNITS.items()}

    def bounds(pair: tuple[float | None, float | None] | None, unit: float) -> Any:
        return None if pair is None else [None if v is None else _figure(v / unit) for v in pair]

    findings = []
    for finding in verdict.findings:
        name, unit = outward.get(finding.limit.measure, (finding.limit.measure, 1.0))
        findings.append(
            {
                "measure": name,
                "value": None if finding.value is None else _figure(finding.value / unit),
                "grade": finding.grade,
                "small": bounds(finding.limit.small, unit),
                "serious": bounds(finding.limit.serious, unit),
                "ends": bounds(finding.limit.ends, unit),
            }
        )
    return {
        "outcome": verdict.outcome,
        "small": verdict.small,
        "serious": verdict.serious,
        "findings": findings,
    }


def method_named(request: PlanRequest, library: Mapping[str, MethodDocument]) -> MethodDocument:
    """The method of a request, looked up when it is given by name."""
    if isinstance(request.method, MethodDocument):
        return request.method
    if request.method not in library:
        raise InputError("", f"{request.method!r} is not one of {', '.join(library)}")
    return library[request.method]
