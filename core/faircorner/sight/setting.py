"""Setting mirrors: which way each must look so that a driver sees in it what it is there for.

At the middle of the glass, flat or convex, its aim halves the angle between the eye and what is
seen there. docs/sums/mirrors.md.
"""

from dataclasses import replace
from functools import lru_cache

import numpy as np

from faircorner.plane import Floats
from faircorner.sight.eye import Seat
from faircorner.vehicle import Mirror, MirrorUse, Vehicle, axes

__all__ = ["STRIP", "bisecting", "mirrors_set", "near_dipped", "showing", "shown_by"]

# Share of a glass's width that shows the own flank, and of its height that lies above the horizon.
STRIP, SKY = 1 / 6, 0.35
# How far off what is seen in the middle of such a glass lies, m.
_FAR = 25.0
# Each go comes nearer by the glass's size over its distance from the eye or its radius, or better.
_TRIES = 60


def bisecting(centre: Floats, eye: Floats, toward: Floats) -> Floats:
    """The aim, (3,), of a glass whose middle shows the place `toward` to the eye; all (3,) m."""
    out = (eye - centre) / np.linalg.norm(eye - centre)
    out = out + (toward - centre) / np.linalg.norm(toward - centre)
    return np.asarray(out / np.linalg.norm(out))


def shown_by(use: MirrorUse, centre: Floats, half: float, tail: float, nose: float) -> Floats:
    """A place, (3,) m, that such a mirror shows at its middle or thereabouts.

    half : m, of the vehicle's width; tail, nose : x of its ends
    """
    side = 1.0 if centre[1] >= 0 else -1.0
    places = {
        # Through the rear window, or along the flank: far off, a little below level.
        "behind": (centre[0] - _FAR, 0.0, 0.95),
        "flank": (centre[0] - _FAR, side * (half + 2.5), 0.6),
        "wide": (tail, side * (half + 2.0), 0.0),
        "tyre": (0.0, side * (half + 0.25), 0.0),
        "door": (centre[0] - 0.5, side * (half + 0.35), 0.0),
        "nose": (nose + 0.5, side * 0.3, 0.0),
    }
    return np.array(places[use])


@lru_cache(maxsize=64)
def mirrors_set(vehicle: Vehicle, seat: Seat) -> Vehicle:
    """The same vehicle with every mirror that has a use set for this driver's eye.

    Kept: a slider asks for the same vehicle and seat again and again.
    """
    if all(mirror.set_for is None for mirror in vehicle.mirrors):
        return vehicle
    first = {m.name: _set(m, vehicle, seat.eye) for m in vehicle.mirrors if not m.on}
    were = {m.name: m for m in vehicle.mirrors}

    def made(mirror: Mirror) -> Mirror:
        if not mirror.on:
            return first[mirror.name]
        turned = _turned_with(mirror, were[mirror.on], first[mirror.on])
        return _set(turned, vehicle, seat.eye)

    return replace(vehicle, mirrors=tuple(made(m) for m in vehicle.mirrors))


def _turned_with(mirror: Mirror, was: Mirror, now: Mirror) -> Mirror:
    """What is stuck to another glass, once that has been turned about its own middle."""
    turn = np.column_stack((now.across, now.up, now.aim)) @ np.array([was.across, was.up, was.aim])
    return replace(
        mirror,
        centre=now.centre + turn @ (mirror.centre - was.centre),
        aim=turn @ mirror.aim,
    )


def near_dipped(vehicle: Vehicle) -> Vehicle:
    """The same with the mirrors along the near flank, the left one, turned to the rear tyre."""
    return replace(
        vehicle,
        mirrors=tuple(
            replace(m, set_for="tyre") if m.set_for == "flank" and m.centre[1] > 0 else m
            for m in vehicle.mirrors
        ),
    )


def _set(mirror: Mirror, vehicle: Vehicle, eye: Floats) -> Mirror:
    if mirror.set_for is None:
        return mirror
    half, tail = vehicle.width / 2, -vehicle.rear_overhang
    if mirror.set_for != "flank":
        place = shown_by(mirror.set_for, mirror.centre, half, tail, vehicle.nose)
        return replace(mirror, aim=showing(mirror, eye, place))
    # The flank's end level with the glass lies on the horizon there.
    side = 1.0 if mirror.centre[1] >= 0 else -1.0
    end = np.array([tail, side * half, mirror.centre[2]])
    wide, high = np.ptp(mirror.outline, axis=0)
    # As the eye sees the glass the flank lies on the side of the vehicle.
    inner, above = side * (wide / 2 - STRIP * wide), high / 2 - SKY * high
    return replace(mirror, aim=showing(mirror, eye, end, (inner, above)))


def showing(
    mirror: Mirror, eye: Floats, place: Floats, at: tuple[float, float] = (0.0, 0.0)
) -> Floats:
    """The aim, (3,), with which a glass shows a place to the eye, both (3,) m, at a point of it.

    at : m across and up from its middle
    The normal there must halve the angle; from it the sphere, where it is one, tells the middle's.
    """
    across, up = at
    radius = np.inf if mirror.radius is None else mirror.radius
    sunk = 0.0 if mirror.radius is None else radius - np.sqrt(radius**2 - across**2 - up**2)
    aim = bisecting(mirror.centre, eye, place)
    for _ in range(_TRIES):
        right, upward = axes(aim)
        point = mirror.centre + across * right + up * upward - sunk * aim
        halving = bisecting(point, eye, place)
        better = halving - (across * right + up * upward) / radius
        better /= np.linalg.norm(better)
        settled = np.abs(better - aim).max() < 1e-12
        aim = better
        if settled:
            break
    return np.asarray(aim)
