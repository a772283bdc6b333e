"""Flat pieces of what can be seen, and the solids that they bound; m in the vehicle's frame."""

from dataclasses import dataclass

import numpy as np

from faircorner.plane import Floats

__all__ = ["Solid", "Surface", "prism"]


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Surface:
    """A flat polygon (n, 3), counter-clockwise as seen from where it faces.

    kind : what it is of, by which it is coloured; name : of the thing, empty where it has none
    """

    kind: str
    name: str
    points: Floats

    def faces(self, eye: Floats) -> bool:
        """Whether it turns its front to a place (3,)."""
        # In plain figures: it is asked of hundreds, and a call of NumPy costs more than the sum.
        (ax, ay, az), (bx, by, bz), (cx, cy, cz) = self.points[[0, 1, -1]].tolist()
        ux, uy, uz, vx, vy, vz = bx - ax, by - ay, bz - az, cx - ax, cy - ay, cz - az
        x, y, z = uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx
        return bool(x * (eye[0] - ax) + y * (eye[1] - ay) + z * (eye[2] - az) > 0)


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Solid:
    """Something that stands on a convex footprint (n, 2), counter-clockwise.

    surfaces : in an order in which none hides one after it
    """

    footprint: Floats
    surfaces: tuple[Surface, ...]


def prism(kind: str, name: str, footprint: Floats, low: float, high: float) -> list[Surface]:
    """The walls of an upright prism, then its top; footprint (n, 2) counter-clockwise."""
    after = np.roll(footprint, -1, axis=0)
    walls = [
        Surface(
            kind=kind, name=name,
            points=np.array([(*a, low), (*b, low), (*b, high), (*a, high)]),
        )
        for a, b in zip(footprint, after, strict=True)
    ]  # fmt: skip
    top = np.column_stack((footprint, np.full(len(footprint), high)))
    return [*walls, Surface(kind=f"{kind} top", name=name, points=top)]
