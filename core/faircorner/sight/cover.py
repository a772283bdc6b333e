"""What stands between the eye and a place outside."""

from functools import lru_cache

import numpy as np
from shapely import LineString, Polygon

from faircorner.ground import Obstacle
from faircorner.plane import Floats

__all__ = ["covering"]

# A ray that only touches a corner is not stopped by it, m.
_TOUCHED = 0.02


def covering(obstacles: tuple[Obstacle, ...], eye: Floats, place: Floats) -> Obstacle | None:
    """The first thing that hides a place from an eye, both (3,) m on the site; None in plain view.

    What a place is a corner of hides it where it lies on the far side.
    """
    ray = LineString([eye[:2], place[:2]])
    for obstacle in obstacles:
        within = ray.intersection(_footprint(obstacle))
        if within.length <= _TOUCHED:
            continue
        entered = np.array(within.coords) if isinstance(within, LineString) else np.empty((0, 2))
        shares = np.linalg.norm(entered - eye[:2], axis=1) / ray.length
        # Over the top of something low one looks down on what is behind it.
        if (eye[2] + shares * (place[2] - eye[2])).min() < obstacle.height:
            return obstacle
    return None


@lru_cache(maxsize=256)
def _footprint(obstacle: Obstacle) -> Polygon:
    return Polygon(obstacle.polygon)
