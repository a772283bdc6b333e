"""The ground a body covers, and how far it swings out of its lane."""

from dataclasses import dataclass

import numpy as np
from shapely import convex_hull, multipoints, points, union_all

from faircorner.plane import Floats, to_site

__all__ = ["Swing", "swept_outline", "swing"]


_EVERY = 8


@dataclass(frozen=True, slots=True, kw_only=True)
class Swing:
    """How far one corner leaves the lane the body began in: metres out, and at which sample.

    x, y : m on the site; along : m ahead of the rear axle, of that corner
    """

    metres: float
    sample: int
    x: float
    y: float
    along: float


def swing(poses: Floats, corners: Floats, lane_edge: float) -> Swing:
    """Greatest reach of the body beyond a lane edge, away from the kerb (toward negative y).

    poses : (n, 3), one attempt; corners : (k, 2), body frame
    lane_edge : m, y of the line the body began inside
    metres is 0 or more; the first sample of the greatest reach is told.
    """
    reach = to_site(poses, corners)
    y = reach[..., 1]
    sample, corner = np.unravel_index(int(y.argmin()), y.shape)
    x_out, y_out = (float(v) for v in reach[sample, corner])
    return Swing(
        metres=max(0.0, lane_edge - y_out),
        sample=int(sample),
        x=x_out,
        y=y_out,
        along=float(corners[corner, 0]),
    )


def swept_outline(poses: Floats, body: Floats) -> list[Floats]:
    """Outer boundaries of the ground that a body (k, 2) covers in one attempt, each (n, 2).

    poses : (n, 3), of which every eighth is taken, and the last
    Those taken are joined by their convex hulls, so the boundary is right to the sagitta of one
    step: under 1 mm for poses 2 cm apart on the circle of a car at full lock.
    """
    taken = np.append(np.arange(0, len(poses) - 1, _EVERY), len(poses) - 1)
    placed = to_site(poses[taken], body)
    pairs = np.concatenate((placed[:-1], placed[1:]), axis=1)
    hulls = convex_hull(multipoints(points(pairs)))
    union = union_all(hulls).simplify(0.005)
    parts = getattr(union, "geoms", [union])
    return [np.asarray(part.exterior.coords) for part in parts if not part.is_empty]
