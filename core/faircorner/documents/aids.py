"""Answers about a vehicle alone: rolling on a hill, moving sideways by a small angle."""

from math import degrees
from typing import Any, Literal

import numpy as np

from faircorner.cues import Shuffle
from faircorner.documents.figures import figure, pose_document, wheel_angle
from faircorner.motion import Roll, best_roll, roll
from faircorner.motion.roll import HOLDS, INTO, stands_out
from faircorner.sides import Side, turned_back, turned_in
from faircorner.vehicle import Vehicle

__all__ = ["hill_document", "shuffle_document"]


def hill_document(
    vehicle: Vehicle, *, side: Side, gap: float, facing: Literal["up", "down"],
    kerb: bool,
) -> dict[str, Any]:  # fmt: skip
    """What each way of leaving the wheels leads to on a hill, and which ends best."""
    car = turned_in(side, vehicle)
    lock = car.steering.lock_turns
    rolls = {
        way: roll(car, gap=gap, forward=facing == "down", turns=sign * lock, kerb=kerb)
        for way, sign in (("toward", 1), ("away", -1), ("straight", 0))
    }
    return {
        "best": best_roll(rolls),
        "assumed": {"into_m": INTO, "holds_deg": figure(degrees(HOLDS))},
        "ways": [
            {**_rolled(vehicle, side, way, found), **_out(car, found)}
            for way, found in rolls.items()
        ],
    }


def _rolled(vehicle: Vehicle, side: Side, way: str, found: Roll) -> dict[str, Any]:
    track = turned_back(side, found.track)
    poses, turns = track.poses[0], track.turns[0]
    # The wheel stands turned from the start, also in the drawing.
    return {
        "way": way,
        "end": found.end,
        "metres": figure(found.metres),
        "tyre": found.tyre,
        "angle_deg": figure(degrees(found.angle)),
        "turns": figure(float(turns[-1])),
        "wheel_deg": wheel_angle(vehicle.steering, float(turns[-1])),
        "start": pose_document(poses[0]),
        "final": pose_document(poses[-1]),
        "path_m": np.round(poses[::5, :2], 3).tolist(),
    }


def _out(car: Vehicle, found: Roll) -> dict[str, Any]:
    out, end = stands_out(car, found)
    return {"out_m": figure(out), "out_end": end}


def shuffle_document(found: Shuffle) -> dict[str, Any]:
    """One way to move sideways along a kerb, as a document."""
    return {
        "angle_deg": figure(degrees(found.angle)),
        "turns": figure(found.turns),
        "straight_m": figure(found.straight),
        "metres": figure(found.metres),
        "reach_m": figure(found.reach),
    }
