"""fair-corner/ground@1: everything needed to check a plan without the product."""

from typing import Annotated, Any, Literal

import numpy as np
from pydantic import Field

from faircorner.documents.model import Metres, Model, Name, Point2, inside
from faircorner.ground import Check, Edge, Goal, Ground, Least, Obstacle, Suitability
from faircorner.plane import frozen

__all__ = ["GroundDocument", "ground_document", "suitability_document"]


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


_HOUSE = Least()


class LeastModel(Model):
    """How far off things should be: a school's own figures."""

    junction_m: Metres = _HOUSE.junction
    bend_m: Metres = _HOUSE.bend
    crest_m: Metres = _HOUSE.crest
    crossing_m: Metres = _HOUSE.crossing
    bus_stop_m: Metres = _HOUSE.bus_stop
    driveway_m: Metres = _HOUSE.driveway
    sight_m: Metres = _HOUSE.sight
    to_pass_m: Metres = _HOUSE.to_pass


class CheckModel(Model):
    """What was noted of the place; null where nobody looked."""

    legal: bool | None = None
    junction_m: float | None = None
    bend_m: float | None = None
    crest_m: float | None = None
    crossing_m: float | None = None
    bus_stop_m: float | None = None
    driveway_m: float | None = None
    sight_m: float | None = None
    traffic: Literal["quiet", "some", "busy"] | None = None
    light: Literal["clear", "dull", "dark"] | None = None
    neighbour: Literal["straight", "askew", "up on the kerb"] | None = None
    slope_percent: float | None = None
    least: LeastModel = LeastModel()

    def build(self) -> Check:
        least = {name.removesuffix("_m"): value for name, value in self.least}
        noted = {
            name.removesuffix("_m").removesuffix("_percent"): value
            for name, value in self
            if name != "least"
        }
        return Check(**noted, least=Least(**least))


class GroundDocument(Model):
    """A place. x runs along the kerb the way the vehicle first faces, kerb face on y = 0."""

    format: Literal["fair-corner/ground@1"]
    name: Name
    side: Literal["left", "right"]
    road_width_m: Metres = 7.0
    edges: Annotated[list[EdgeModel], Field(max_length=50)]
    obstacles: Annotated[list[ObstacleModel], Field(min_length=1, max_length=50)]
    goal: GoalModel
    check: CheckModel = CheckModel()

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
        with inside("check"):
            check = self.check.build()
        return Ground(
            name=self.name,
            side=self.side,
            edges=tuple(
                Edge(name=e.name, kind=e.kind, points=frozen(e.points_m)) for e in self.edges
            ),
            obstacles=tuple(obstacles),
            goal=goal,
            road_width=self.road_width_m,
            check=check,
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
        "check": _check(ground.check),
    }


def _check(check: Check) -> dict[str, Any]:
    inward = {name.removesuffix("_m").removesuffix("_percent"): name
              for name in CheckModel.model_fields if name != "least"}  # fmt: skip
    return {
        **{outward: getattr(check, name) for name, outward in inward.items()},
        "least": {
            name: getattr(check.least, name.removesuffix("_m")) for name in LeastModel.model_fields
        },
    }


def suitability_document(found: Suitability) -> dict[str, Any]:
    """The answer and its reasons as a document."""
    return {
        "answer": found.answer,
        "noted": [
            {"item": n.item, "grade": n.grade, "said": n.said, "metres": n.metres,
             "least_m": n.least}
            for n in found.noted
        ],
    }  # fmt: skip
