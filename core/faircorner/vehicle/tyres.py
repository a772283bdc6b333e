"""Where the tyres stand, the front ones as far round as the wheel is. docs/sums/contact.md."""

import numpy as np

from faircorner.compiled import compiled, whole
from faircorner.plane import Floats
from faircorner.vehicle.body import Vehicle

__all__ = ["tyre_poses"]


def tyre_poses(vehicle: Vehicle, poses: Floats, turns: Floats) -> Floats:
    """Poses of the four tyres: rear left and right, front left and right.

    poses : (..., 3), on the site; turns : (...), of the wheel
    Returns (..., 4, 3); `Vehicle.tyre` is what stands there. The front wheels point across the
    one centre that the car turns about (Ackermann).
    """
    bends = np.broadcast_to(vehicle.steering.bend(turns), poses.shape[:-1])
    placed = _placed(
        whole(poses.reshape(-1, 3)), whole(bends.reshape(-1)), whole(vehicle.axle_ends)
    )
    return placed.reshape(*poses.shape[:-1], 4, 3)


@compiled
def _placed(poses: Floats, bends: Floats, ends: Floats) -> Floats:
    placed = np.empty((len(poses), 4, 3))
    for i in range(len(poses)):
        x, y, heading = poses[i]
        cos, sin = np.cos(heading), np.sin(heading)
        for j in range(4):
            ahead, left = ends[j]
            placed[i, j, 0] = x + cos * ahead - sin * left
            placed[i, j, 1] = y + sin * ahead + cos * left
            placed[i, j, 2] = heading + np.arctan2(ahead * bends[i], 1 - left * bends[i])
    return placed
