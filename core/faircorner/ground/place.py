"""What a place consists of. Site frame: kerb face on y = 0, x the way the vehicle first faces."""

from dataclasses import dataclass, field, replace
from typing import Literal

import numpy as np
from shapely import Polygon

from faircorner.errors import InputError
from faircorner.ground.check import Check
from faircorner.plane import Floats, frozen

__all__ = ["Edge", "Goal", "Ground", "Obstacle"]

Side = Literal["left", "right"]


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Edge:
    """A kerb or line as a polyline (n, 2), metres."""

    name: str
    kind: str
    points: Floats

    def __post_init__(self) -> None:
        object.__setattr__(self, "points", frozen(self.points))


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
                f"needs 3 or more corners of 2 numbers, got {polygon.shape}",
            )
        shape = Polygon(polygon)
        if not shape.is_valid or shape.area < 0.01:
            raise InputError("polygon_m", "must be a simple polygon with an area")
        if shape.convex_hull.area - shape.area > 1e-3:
            raise InputError("polygon_m", "must be convex; split it into convex parts")
        if not 0.05 <= self.height <= 6:
            raise InputError("height_m", f"must be between 0.05 and 6 m, got {self.height:g}")
        object.__setattr__(self, "polygon", polygon)


@dataclass(frozen=True, slots=True, kw_only=True)
class Goal:
    """Where a park along the kerb should end.

    ahead, behind : names of the vehicles to park between, None where the kerb is free
    kerb : m from the tyres' outer faces to the kerb
    ahead_gap : m wanted to the vehicle ahead
    """

    ahead: str
    behind: str | None = None
    kerb: float = 0.25
    ahead_gap: float = 1.0

    def __post_init__(self) -> None:
        if not 0.02 <= self.kerb <= 1.5:
            raise InputError("kerb_m", f"must be between 0.02 and 1.5 m, got {self.kerb:g}")
        if not 0.2 <= self.ahead_gap <= 8:
            raise InputError("ahead_m", f"must be between 0.2 and 8 m, got {self.ahead_gap:g}")


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Ground:
    """A place to practise.

    side : where the working kerb lies, seen from the vehicle at the start
    road_width : m from kerb to kerb
    check : what was noted of it as a place to practise
    Raises InputError when the goal names what is not there, and when nothing is left to
    drive on.
    """

    name: str
    side: Side
    edges: tuple[Edge, ...]
    obstacles: tuple[Obstacle, ...]
    goal: Goal
    road_width: float = 7.0
    check: Check = field(default_factory=Check)

    def __post_init__(self) -> None:
        if self.side not in ("left", "right"):
            raise InputError("side", f"must be left or right, got {self.side}")
        if not 3 <= self.road_width <= 40:
            raise InputError("road_width_m", f"must be between 3 and 40 m, got {self.road_width:g}")
        names = [o.name for o in self.obstacles]
        if len(set(names)) != len(names):
            raise InputError("obstacles", "each needs a name of its own")
        for which in ("ahead", "behind"):
            wanted = getattr(self.goal, which)
            if wanted is not None and wanted not in names:
                raise InputError(
                    f"goal.{which}",
                    f"no obstacle is called {wanted!r}; there is {', '.join(names) or 'none'}",
                )
        kerbs = [e for e in self.edges if e.kind == "kerb"]
        if not any(np.allclose(e.points[:, 1], 0, atol=1e-6) for e in kerbs):
            raise InputError("edges", "one edge of kind kerb must lie on y = 0")

    def obstacle(self, name: str) -> Obstacle:
        return next(o for o in self.obstacles if o.name == name)

    @property
    def ahead(self) -> Obstacle:
        return self.obstacle(self.goal.ahead)

    @property
    def behind(self) -> Obstacle | None:
        return None if self.goal.behind is None else self.obstacle(self.goal.behind)

    def with_obstacle(self, changed: Obstacle) -> "Ground":
        """The same place with the obstacle of that name replaced."""
        kept = tuple(changed if o.name == changed.name else o for o in self.obstacles)
        return replace(self, obstacles=kept)

    def mirrored(self) -> "Ground":
        """The same place with the kerb on the other side."""
        flip = np.array([1.0, -1.0])
        return replace(
            self,
            side="right" if self.side == "left" else "left",
            edges=tuple(replace(e, points=e.points * flip) for e in self.edges),
            obstacles=tuple(replace(o, polygon=o.polygon * flip) for o in self.obstacles),
        )

    def kerb_on_left(self) -> "Ground":
        """The same place as the sums see it: the kerb to the left, the road at negative y."""
        return self if self.side == "left" else self.mirrored()
