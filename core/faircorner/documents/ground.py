"""fair-corner/ground@1: everything needed to check a plan without the product."""

from math import degrees
from typing import Annotated, Any, Literal

import numpy as np
from pydantic import Field
from shapely import LineString, Point

from faircorner.documents.figures import view_document
from faircorner.errors import InputError
from faircorner.ground import (
    AnyGoalModel,
    Check,
    Ground,
    Least,
    Obstacle,
    Sketch,
    Suitability,
    Thing,
    kind_of,
)
from faircorner.model import Metres, Model, Name, Point2, inside
from faircorner.plane import Floats, frozen
from faircorner.said import Said

__all__ = [
    "GroundDocument",
    "ground_document",
    "sketch_document",
    "suitability_document",
    "thing_document",
]


class EdgeModel(Model):
    name: Name
    kind: Literal["kerb", "far kerb", "line"]
    points_m: Annotated[list[Point2], Field(min_length=2, max_length=500)]


class ObstacleModel(Model):
    """Something not to be touched, as a convex polygon."""

    name: Name
    kind: Literal["vehicle", "wall", "wheel stop", "cone", "pole", "solid line", "island",
                  "sensor line"]  # fmt: skip
    polygon_m: Annotated[list[Point2], Field(min_length=3, max_length=64)]
    height_m: Metres = 1.45


# How far off its place an edge may be drawn, and how far along it may reach, m.
_DRAWN, _LONG = 0.05, 500.0
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
    """A place. x runs the way the vehicle first faces; the kerb, or the bays' mouths, on y = 0."""

    format: Literal["fair-corner/ground@1"]
    name: Name
    side: Literal["left", "right"]
    road_width_m: Metres = 7.0
    edging: Annotated[
        Literal["kerb", "verge"], Field(description="what bounds the road: both are called kerb")
    ] = "kerb"
    edges: Annotated[list[EdgeModel], Field(max_length=50)]
    obstacles: Annotated[list[ObstacleModel], Field(max_length=50)]
    goal: AnyGoalModel
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
            goal = self.goal.build()
        with inside("check"):
            check = self.check.build()
        return Ground(
            name=self.name,
            side=self.side,
            obstacles=tuple(obstacles),
            goal=goal,
            road_width=self.road_width_m,
            edging=self.edging,
            check=check,
        )

    def check_drawn(self) -> None:
        """What is drawn as a kerb has to be what is kept clear of; painted lines may be crossed.

        Raises InputError naming the edge that lies elsewhere. Asked of what is new: a document
        that was kept once stays one.
        """
        own = self.build().bounds(_LONG)
        for i, edge in enumerate(self.edges):
            beside = [LineString(one.points) for one in own if one.kind == edge.kind]
            off = [min((line.distance(Point(p)) for line in beside), default=np.inf)
                   for p in edge.points_m]  # fmt: skip
            if edge.kind != "line" and max(off) > _DRAWN:
                raise InputError(
                    f"edges[{i}].points_m",
                    Said("drawn edge not kept clear", kind=edge.kind, name=edge.name),
                )


def ground_document(ground: Ground) -> dict[str, Any]:
    """The document of a place; reading it back builds the same place to a hundredth of a mm."""
    return {
        "format": "fair-corner/ground@1",
        "name": ground.name,
        "side": ground.side,
        "road_width_m": round(ground.road_width, 5),
        "edging": ground.edging,
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
        "goal": kind_of(ground).model.of(ground.goal).model_dump(),
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


def thing_document(thing: Thing) -> dict[str, Any]:
    """Something put down, as the API tells it."""
    return {"name": thing.name, "kind": thing.kind, "x_m": round(thing.x, 5),
            "y_m": round(thing.y, 5), "turned_deg": round(degrees(thing.turned), 3)}  # fmt: skip


def sketch_document(drawn: Sketch) -> dict[str, Any]:
    """The measures of a place where they are drawn, m on the site."""

    def told(points: Floats | None) -> Any:
        return None if points is None else np.round(points, 4).tolist()

    return {
        "view": view_document(drawn.view),
        "lines": [
            {
                "measure": line.measure,
                "at_m": told(line.at),
                "ends_m": told(line.ends),
                "fine": line.fine,
                "grip_m": told(line.grip),
                "pull": told(line.pull),
            }
            for line in drawn.lines
        ],
    }


def suitability_document(found: Suitability) -> dict[str, Any]:
    """The answer and its reasons as a document."""
    return {
        "answer": found.answer,
        "noted": [
            {"item": n.item, "grade": n.grade, "said": n.said.document(), "metres": n.metres,
             "least_m": n.least}
            for n in found.noted
        ],
    }  # fmt: skip
