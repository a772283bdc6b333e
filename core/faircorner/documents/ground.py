"""fair-corner/ground@1: everything needed to check a plan without the product."""

from typing import Annotated, Any, Literal

import numpy as np
from pydantic import Field

from faircorner.documents.model import Metres, Model, Name, Point2, inside
from faircorner.ground import Edge, Goal, Ground, Obstacle
from faircorner.plane import frozen

__all__ = ["GroundDocument", "ground_document"]


class EdgeModel(Model):
    name: Name
    kind: Literal["kerb", "far kerb"]
    points_m: Annotated[list[Point2], Field(min_length=2, max_length=500)]


class ObstacleModel(Model):
    """Something not to be touched, as a convex polygon."""

    name: Name
    kind: Literal["vehicle"]
    polygon_m: Annotated[list[Point2], Field(min_length=3, max_length=64)]
    height_m: Metres = 1.45


class GoalModel(Model):
    """Park along the kerb behind `ahead`, and in front of `behind` if one is named."""

    kind: Literal["kerbside"] = "kerbside"
    ahead: Name
    behind: Name | None = None
    kerb_m: Metres = 0.25
    ahead_m: Metres = 1.0


class GroundDocument(Model):
    """A place. x runs along the kerb the way the vehicle first faces, kerb face on y = 0."""

    format: Literal["fair-corner/ground@1"]
    name: Name
    side: Literal["left", "right"]
    road_width_m: Metres = 7.0
    edges: Annotated[list[EdgeModel], Field(max_length=50)]
    obstacles: Annotated[list[ObstacleModel], Field(min_length=1, max_length=50)]
    goal: GoalModel

    def build(self) -> Ground:
        obstacles = []
        for i, o in enumerate(self.obstacles):
            with inside(f"obstacles[{i}]"):
                obstacles.append(
                    Obstacle(
                        name=o.name,
                        kind=o.kind,
                        polygon=frozen(o.polygon_m),
                        height=o.height_m,
                    )
                )
        with inside("goal"):
            goal = Goal(
                ahead=self.goal.ahead,
                behind=self.goal.behind,
                kerb=self.goal.kerb_m,
                ahead_gap=self.goal.ahead_m,
            )
        return Ground(
            name=self.name,
            side=self.side,
            edges=tuple(
                Edge(name=e.name, kind=e.kind, points=frozen(e.points_m)) for e in self.edges
            ),
            obstacles=tuple(obstacles),
            goal=goal,
            road_width=self.road_width_m,
        )


def ground_document(ground: Ground) -> dict[str, Any]:
    """The document of a place; reading it back builds the same place to a hundredth of a mm."""
    return {
        "format": "fair-corner/ground@1",
        "name": ground.name,
        "side": ground.side,
        "road_width_m": round(ground.road_width, 5),
        "edges": [
            {"name": e.name, "kind": e.kind, "points_m": np.round(e.points, 5).tolist()}
            for e in ground.edges
        ],
        "obstacles": [
            {
                "name": o.name,
                "kind": o.kind,
                "polygon_m": np.round(o.polygon, 5).tolist(),
                "height_m": round(o.height, 5),
            }
            for o in ground.obstacles
        ],
        "goal": {
            "kind": "kerbside",
            "ahead": ground.goal.ahead,
            "behind": ground.goal.behind,
            "kerb_m": round(ground.goal.kerb, 5),
            "ahead_m": round(ground.goal.ahead_gap, 5),
        },
    }
