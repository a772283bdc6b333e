"""Driving legs with or without a trailer: the answers to requests to drive and to back."""

from math import degrees, isnan, radians
from typing import Annotated, Any, Literal

import numpy as np
from pydantic import Field

from faircorner.documents.figures import figure, pose_document
from faircorner.documents.vehicle import VehicleDocument
from faircorner.errors import InputError
from faircorner.model import Model, inside
from faircorner.motion import (
    Leg,
    Track,
    bend_after,
    doubling,
    drive,
    holding_curvature,
    jack_knifed,
    no_return,
    rig_clearance,
    trailer_headings,
)
from faircorner.plane import box
from faircorner.said import Said
from faircorner.vehicle import Trailer, Vehicle

__all__ = ["BackingRequest", "DriveRequest", "backing_document", "drive_document"]

# Small errors whose growth is told, degrees, and after how many metres.
_ERRORS, _AFTER = (0.5, 1.0, 2.0, 4.0), (5.0, 10.0, 15.0, 20.0)
# How far a lane reaches every way, m.
_REACH = 300.0
# Bends smaller than this show on no side, degrees.
_IN_LINE = 0.05


class StandingModel(Model):
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


# So many places of a path are worked out at once; each leg's end comes to them.
_MOST = 100_000


class DriveRequest(Model):
    """Drive a vehicle through legs."""

    vehicle: VehicleDocument
    start: StandingModel
    legs: Annotated[list[LegModel], Field(min_length=1, max_length=200)]
    sample_m: Annotated[float, Field(ge=0.005, le=5)] = 0.05


class BackingRequest(Model):
    """Back a trailer that is bent by an angle: the towing vehicle's heading less the trailer's."""

    vehicle: VehicleDocument
    bend_deg: Annotated[float, Field(ge=-90, le=90)] = 0.0
    lane_m: Annotated[
        float, Field(ge=2, le=20, description="width of the lane, its middle the line at the start")
    ] = 4.0
    legs: Annotated[list[LegModel], Field(max_length=120)] = []


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
            Said("is beyond the lock", lock_turns=vehicle.steering.lock_turns),
        )
    places = sum(leg.metres for leg in request.legs) / request.sample_m
    if places > _MOST:
        raise InputError("legs", Said("is too long a path", got=round(places), most=_MOST))
    track = drive(vehicle.steering, pose, [start.turns], legs, sample=request.sample_m)
    angles = np.degrees(vehicle.steering.road_wheel_angle(track.turns[0]))
    path: list[dict[str, Any]] = [
        {**pose_document(track.poses[0, i]), "s_m": round(float(track.s[0, i]), 6),
         "turns": round(float(track.turns[0, i]), 6),
         "wheel_deg": figure(angles[i]),
         "leg": int(track.leg[i])}
        for i in range(track.s.shape[1])
    ]  # fmt: skip
    jammed = _tow(vehicle, start, track, legs, path)
    return {"path": path, "final": path[-1], "jack_knifed_at_s_m": jammed}


def _tow(
    vehicle: Vehicle,
    start: StandingModel,
    track: Track,
    legs: list[Leg],
    path: list[dict[str, Any]],
) -> float | None:
    """Add the trailer's headings to a path; metres rolled when it jack-knifes, None if never."""
    trailer = vehicle.trailer
    if trailer is None:
        if start.trailer_heading_deg is not None:
            raise InputError("start.trailer_heading_deg", Said("the vehicle has no trailer"))
        return None
    told = start.trailer_heading_deg
    behind = np.radians(np.array([start.heading_deg if told is None else told]))
    headings = trailer_headings(vehicle.steering, trailer, track, legs, behind)
    for point, heading in zip(path, headings[0], strict=True):
        point["trailer_heading_deg"] = round(degrees(float(heading)), 6)
    at = jack_knifed(trailer, track.poses[..., 2], headings)[0]
    return None if isnan(at) else figure(float(track.s[0, int(at)]))


def backing_document(request: BackingRequest) -> dict[str, Any]:
    """A trailer backed through legs, how its errors grow, and what wheel holds the bend it has.

    Raises InputError for a vehicle without a trailer and for wheel beyond the lock.
    """
    with inside("vehicle"):
        vehicle = request.vehicle.build()
    if vehicle.trailer is None:
        raise InputError("vehicle", Said("draws no trailer"))
    start = StandingModel(x_m=0.0, y_m=0.0, heading_deg=0.0, trailer_heading_deg=-request.bend_deg)
    standing = {**start.model_dump(), "s_m": 0.0, "wheel_deg": 0.0, "leg": 0}
    path, jammed = [standing], None
    if request.legs:
        drive_request = DriveRequest(vehicle=request.vehicle, start=start, legs=request.legs)
        driven = drive_document(drive_request.model_copy(update={"sample_m": 0.1}))
        path, jammed = driven["path"], driven["jack_knifed_at_s_m"]
    bend = path[-1]["heading_deg"] - path[-1]["trailer_heading_deg"]
    last = degrees(no_return(vehicle.steering, vehicle.trailer))
    held = float(holding_curvature(vehicle.trailer, radians(bend)))
    return {
        "path": path,
        "jack_knifed_at_s_m": jammed,
        "bend_deg": figure(bend),
        "shows_on": None if abs(bend) < _IN_LINE else "left" if bend > 0 else "right",
        "holding_turns": figure(vehicle.steering.turns_for(held)) if abs(bend) < last else None,
        "doubles_every_m": figure(doubling(vehicle.trailer)),
        "no_return_deg": figure(last),
        "lane": _lane(vehicle, path, request.lane_m),
        "growth": [_grown(vehicle.trailer, error) for error in _ERRORS],
    }


def _lane(vehicle: Vehicle, path: list[dict[str, Any]], width: float) -> dict[str, Any]:
    """How far inside the lane both units stay, negative outside, and where that is least."""
    poses = np.array([[(p["x_m"], p["y_m"], radians(p["heading_deg"])) for p in path]])
    behind = np.radians([[p["trailer_heading_deg"] for p in path]])
    beside = [box(-_REACH, _REACH, _REACH) + [0.0, side * (width / 2 + _REACH)] for side in (1, -1)]
    gaps = [rig_clearance(vehicle, poses, behind, land) for land in beside]
    least = min(gaps, key=lambda gap: float(gap.metres[0]))
    return {"inside_m": figure(float(least.metres[0])), "s_m": path[int(least.sample[0])]["s_m"]}


def _grown(trailer: Trailer, error: float) -> dict[str, Any]:
    """An error and what it has become, null once the units touch."""
    after = np.degrees(bend_after(trailer, radians(error), _AFTER))
    most = degrees(trailer.max_articulation)
    return {
        "bend_deg": error,
        "after": [
            {"metres": metres, "bend_deg": figure(grown) if grown < most else None}
            for metres, grown in zip(_AFTER, after.tolist(), strict=True)
        ],
    }
