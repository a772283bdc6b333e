"""Figures, poses, legs and paths as documents tell them: what every answer is made of."""

from collections.abc import Iterable
from math import degrees, isnan
from typing import Any

import numpy as np

from faircorner.ground import Dimension
from faircorner.motion import Leg, Track
from faircorner.plane import Floats
from faircorner.vehicle import Steering

__all__ = [
    "dimension_document",
    "figure",
    "leg_document",
    "path_document",
    "pose_document",
    "view_document",
    "wheel_angle",
]


def pose_document(pose: Floats) -> dict[str, float]:
    return {
        "x_m": round(float(pose[0]), 6),
        "y_m": round(float(pose[1]), 6),
        "heading_deg": round(degrees(float(pose[2])), 6),
    }


def path_document(steering: Steering, track: Track, samples: Iterable[int]) -> list[dict[str, Any]]:
    """The first attempt of a track at the samples asked for, its front wheels as they stand."""
    angles = np.degrees(steering.road_wheel_angle(track.turns[0]))
    return [
        {**pose_document(track.poses[0, i]), "s_m": figure(track.s[0, i]),
         "turns": figure(track.turns[0, i]),
         "wheel_deg": figure(angles[i]), "leg": int(track.leg[i])}
        for i in samples
    ]  # fmt: skip


def wheel_angle(steering: Steering, turns: float) -> float | None:
    """How far the single wheel that stands for both in front is turned, degrees, left positive."""
    return figure(degrees(float(steering.road_wheel_angle(turns))))


def dimension_document(line: Dimension) -> dict[str, Any]:
    begin, end = np.round(line.ends, 4).tolist()
    return {"what": line.what, "from_m": begin, "to_m": end}


def view_document(view: Floats) -> dict[str, float]:
    """How much of a place should be seen: the least x and y, and the greatest, (2, 2) in m."""
    (left, bottom), (right, top) = np.round(view, 3).tolist()
    return {"left": left, "right": right, "bottom": bottom, "top": top}


def figure(value: float) -> float | None:
    """A number for a document, or null where there is none."""
    return None if isnan(value) or np.isinf(value) else round(float(value), 4)


def leg_document(leg: Leg) -> dict[str, Any]:
    rate = float(leg.rate[0])
    return {
        "gear": "forward" if leg.direction > 0 else "reverse",
        "turns": round(float(leg.turns[0]), 6),
        "metres": round(float(leg.metres[0]), 6),
        "turns_per_metre": None if np.isinf(rate) else round(rate, 6),
    }
