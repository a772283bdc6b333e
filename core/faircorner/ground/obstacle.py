"""What stands or lies at a place: edges on the ground, and things that must not be touched."""

from dataclasses import dataclass, replace

import numpy as np
from shapely import Polygon

from faircorner.errors import InputError, between
from faircorner.plane import Floats, frozen
from faircorner.said import Said

__all__ = ["LOW", "Edge", "Obstacle"]

# Kinds of thing that only tyres meet.
LOW = ("wheel stop", "island", "sensor line")


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Edge:
    """A kerb or line as a polyline (n, 2), metres."""

    name: str
    kind: str
    points: Floats

    def __post_init__(self) -> None:
        object.__setattr__(self, "points", frozen(self.points))

    def mirrored(self) -> "Edge":
        return replace(self, points=self.points * np.array([1.0, -1.0]))


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Obstacle:
    """Something that must not be touched: a convex polygon (n, 2) in metres, height in metres.

    Raises InputError when the polygon is not convex or has no area.
    """

    name: str
    kind: str
    polygon: Floats
    height: float = 1.45

    def __post_init__(self) -> None:
        polygon = frozen(self.polygon)
        if polygon.ndim != 2 or len(polygon) < 3 or polygon.shape[1] != 2:
            raise InputError(
                "polygon_m",
                Said("needs 3 or more corners", got=str(polygon.shape)),
            )
        shape = Polygon(polygon)
        if not shape.is_valid or shape.area < 0.005:
            raise InputError("polygon_m", Said("must be a simple polygon"))
        if shape.convex_hull.area - shape.area > 1e-3:
            raise InputError("polygon_m", Said("must be convex"))
        between("height_m", self.height, 0.05, 6.0)
        object.__setattr__(self, "polygon", polygon)

    @property
    def low(self) -> bool:
        """Whether the body passes over it, so that only tyres meet it."""
        return self.kind in LOW
