"""Perspective: a picture plane before an eye. Hartley and Zisserman, Multiple View Geometry
(2004), ch. 6; clipped by Sutherland and Hodgman (1974).
"""

from dataclasses import dataclass, field

import numpy as np

from faircorner.compiled import compiled, whole
from faircorner.plane import Floats

__all__ = ["HEIGHT", "NEAR", "WIDTH", "Camera", "beyond"]

# A picture's size in its own units, y downward.
WIDTH, HEIGHT = 640.0, 400.0
# What is nearer to the eye's plane than this is cut away, m.
NEAR = 0.06


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Camera:
    """An eye (3,) m that looks along a bearing, rad left of straight ahead, and up by pitch, rad.

    focal : units of the picture for one of tangent
    """

    eye: Floats
    bearing: float
    pitch: float
    focal: float
    _axes: Floats = field(init=False, repr=False)

    def __post_init__(self) -> None:
        cos, sin = np.cos(self.bearing), np.sin(self.bearing)
        up, level = np.sin(self.pitch), np.cos(self.pitch)
        right = (sin, -cos, 0.0)
        ahead = (cos * level, sin * level, up)
        upward = (-cos * up, -sin * up, level)
        object.__setattr__(self, "_axes", np.array([right, upward, ahead]))

    @property
    def ahead(self) -> Floats:
        """Unit vector (3,) along which it looks."""
        return np.asarray(self._axes[2])

    def drawn(self, points: Floats) -> Floats:
        """A polygon (n, 3) on the picture, (m, 2), cut where it passes behind the eye."""
        return self.flat(beyond(points, self.eye + NEAR * self.ahead, self.ahead))

    def flat(self, points: Floats) -> Floats:
        """Places (n, 3) before the eye on the picture, (n, 2)."""
        right, up, ahead = self._axes @ (points - self.eye).T
        return np.column_stack(
            (WIDTH / 2 + self.focal * right / ahead, HEIGHT / 2 - self.focal * up / ahead)
        )


def beyond(points: Floats, on: Floats, toward: Floats) -> Floats:
    """What of a polygon (n, 3) lies beyond a plane: through `on`, (3,), square to `toward`."""
    return _cut(whole(points), whole(on), whole(toward))


@compiled
def _cut(points: Floats, on: Floats, toward: Floats) -> Floats:
    """Sutherland and Hodgman 1974."""
    off, short = np.zeros(len(points)), False
    for i in range(len(points)):
        for axis in range(3):
            off[i] += (points[i, axis] - on[axis]) * toward[axis]
        short = short or off[i] < 0
    if not short:
        return points
    kept, count = np.empty((2 * len(points), 3)), 0
    for i in range(len(points)):
        a, b = off[i], off[i - 1]
        if (a >= 0) != (b >= 0):
            kept[count] = points[i - 1] + (points[i] - points[i - 1]) * (b / (b - a))
            count += 1
        if a >= 0:
            kept[count] = points[i]
            count += 1
    return kept[:count].copy()
