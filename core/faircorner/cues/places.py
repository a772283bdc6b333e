"""What a method names: places on the vehicle, landmarks, edges of the ground, marks to see by."""

from typing import Literal, TypeAlias, get_args

import numpy as np

from faircorner.errors import InputError
from faircorner.ground import Ground, Kerbline, Obstacle
from faircorner.plane import Floats, to_body, to_site, wrap
from faircorner.said import Said
from faircorner.sight import REAR_EDGE, SILL, SightLine
from faircorner.vehicle import Vehicle

__all__ = [
    "OWN_EDGES",
    "OWN_POINTS",
    "TYRES_ASSUMED",
    "OwnPoint",
    "aside",
    "edge_gap",
    "edge_line",
    "far_ends",
    "landmark_x",
    "outline",
    "own_point",
    "tyres_of",
]

OwnPoint: TypeAlias = Literal[
    "rear bumper", "front bumper", "mirror", "rear wheel", "front wheel"
]  # fmt: skip
OWN_POINTS: tuple[OwnPoint, ...] = get_args(OwnPoint)
# What of the own vehicle an edge is seen to run parallel to, and how that lies in it, rad.
FLANK, DASHBOARD = "own flank", "dashboard"
OWN_EDGES = {FLANK: 0.0, SILL: 0.0, DASHBOARD: np.pi / 2, REAR_EDGE: np.pi / 2}
# So far off that only the direction is left of where a kerb leads to, m.
_FAR = 1e5
# How far in from a parked vehicle's end its tyres stand, m; assumed, and told so by this name.
_INSIDE, TYRES_ASSUMED = 0.75, "tyres' place"


def own_point(vehicle: Vehicle, name: str) -> Floats:
    """A named near-side place on the vehicle, (2,) m in its frame; InputError if unknown."""
    near = vehicle.width / 2
    rear_hub, front_hub = vehicle.hubs(side=1)
    places: dict[str, Floats] = {
        "rear bumper": np.array([-vehicle.rear_overhang, near]),
        "front bumper": np.array([vehicle.nose, near]),
        "mirror": np.array([vehicle.mirror_x, vehicle.mirror_width / 2]),
        "rear wheel": rear_hub,
        "front wheel": front_hub,
    }
    if name not in places:
        raise InputError("own", Said("is not one of", name=name, known=", ".join(places)))
    return places[name]


def landmark_x(ground: Ground, name: str) -> float:
    """x of a named place along the kerb, m; InputError if it is not there."""
    places = ground.landmarks
    if name not in places:
        raise InputError("landmark", Said("is not one of", name=name, known=", ".join(places)))
    return places[name]


def edge_line(ground: Ground, name: str) -> Kerbline:
    """A named edge of what is driven on; InputError if it is not there."""
    lines = {line.name: line for line in ground.kerblines}
    if name not in lines:
        raise InputError("edge", Said("is not one of", name=name, known=", ".join(lines)))
    return lines[name]


def edge_gap(vehicle: Vehicle, line: Kerbline, poses: Floats, turns: Floats) -> Floats:
    """Signed gap to an edge, (...), m: of the tyres as they are turned, or of the body.

    poses : (..., 3); turns : (...), of the wheel
    """
    if not line.of_tyres:
        return line.gap(poses, vehicle.outline[0])
    return line.tyre_gap(poses, turns, vehicle)


def far_ends(line: Kerbline) -> Floats:
    """Where a straight edge leads to, as far as anybody sees, both ways, (2, 2) m on the site."""
    way = _FAR * np.array([np.cos(line.frame[2]), np.sin(line.frame[2])])
    return np.asarray(line.frame[:2] + np.array([way, -way]))


def tyres_of(parked: Obstacle, pose: Floats) -> Floats:
    """The line between the feet of its tyres, (2, 2) m on the site, at the end nearest in the way
    of a vehicle at `pose`.
    """
    corners = to_body(pose, parked.polygon)
    after = np.roll(corners, -1, axis=0)
    at = int((corners + after)[:, 0].argmin())
    end = np.array([corners[at], after[at]])
    inward = corners.mean(axis=0) - end.mean(axis=0)
    return to_site(pose, end + _INSIDE * inward / np.linalg.norm(inward))


def aside(line: SightLine, poses: Floats, places: Floats) -> Floats:
    """How far left of a line of sight places (n, 2) on the site are seen, (..., n) rad."""
    seen = to_body(poses, places) - line.begin[:2]
    bearing = np.arctan2(seen[..., 1], seen[..., 0])
    return wrap(bearing - np.arctan2(line.way[1], line.way[0]))


def outline(line: SightLine, poses: Floats, corners: Floats) -> tuple[Floats, Floats]:
    """How far left of a line of sight a thing's right and left edge are seen, (...) rad each.

    corners : (n, 2) on the site, of something convex that the eye is outside of: what stands
    between two corners hides all others
    """
    centre = aside(line, poses, corners.mean(axis=0)[None])
    # From its middle no corner lies a quarter turn away, so that none is wrapped round.
    off = wrap(aside(line, poses, corners) - centre)
    return (centre + off).min(axis=-1), (centre + off).max(axis=-1)
