"""fair-corner/ground@1: everything needed to check a plan without the product."""

from math import degrees, radians
from typing import Annotated, Any, Literal, TypeAlias

import numpy as np
from pydantic import Discriminator, Field, Tag

from faircorner.ground import (
    Bay,
    Check,
    Corner,
    Edge,
    Goal,
    Ground,
    Kerbside,
    Least,
    Obstacle,
    Stretch,
    Suitability,
    Thing,
    Turnabout,
)
from faircorner.model import Metres, Model, Name, Point2, inside
from faircorner.plane import frozen

__all__ = ["GroundDocument", "ground_document", "suitability_document", "thing_document"]


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


class KerbsideModel(Model):
    """Park along the kerb behind `ahead`, and in front of `behind` if one is named."""

    kind: Literal["kerbside"] = "kerbside"
    ahead: Name
    behind: Name | None = None
    kerb_m: Metres = 0.25
    ahead_m: Metres = 1.0


class BayModel(Model):
    """Park in the bay whose mouth's middle is the site's origin.

    angle_deg : from the way of travel to the way in: 90 is square
    head_m : wanted to what ends the bay, from the tyres where that is a wheel stop
    lines : painted ones may be crossed, those with sensors not be touched by a tyre
    guide_m : from the line of the mouths to a line in the aisle that is driven along
    """

    kind: Literal["bay"]
    angle_deg: float = 90.0
    width_m: Metres = 2.5
    depth_m: Metres = 5.0
    head: Literal["line", "wall", "wheel stop"] = "line"
    head_m: Metres = 0.3
    lines: Literal["painted", "sensor"] = "painted"
    guide_m: Metres | None = None


class TurnaboutModel(Model):
    """Turn round in the road, to end facing back beside the kerb across it.

    overhang : whether the body may reach over the kerbs; tyres never may
    """

    kind: Literal["turnabout"]
    kerb_m: Metres = 1.0
    overhang: bool = True


class CornerModel(Model):
    """Reverse round a corner into a side road, square to the road.

    back_m : wanted from the nose to the mouth of the side road
    """

    kind: Literal["corner"]
    radius_m: Metres = 5.0
    side_width_m: Metres = 6.0
    kerb_m: Metres = 0.5
    back_m: Metres = 6.0


class StretchModel(Model):
    """A free kerb with a post at x = 0: stop short of it, and reverse along the kerb."""

    kind: Literal["stretch"]
    kerb_m: Metres = 0.3
    short_m: Metres = 0.5
    run_m: Metres = 9.0


def _goal_kind(goal: Any) -> str:
    """A goal without a kind is along the kerb, as documents were before there were others."""
    kind = goal.get("kind", "kerbside") if isinstance(goal, dict) else goal.kind
    return str(kind)


GoalModel = Annotated[
    Annotated[KerbsideModel, Tag("kerbside")]
    | Annotated[BayModel, Tag("bay")]
    | Annotated[TurnaboutModel, Tag("turnabout")]
    | Annotated[CornerModel, Tag("corner")]
    | Annotated[StretchModel, Tag("stretch")],
    Discriminator(_goal_kind),
]

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
            goal = _goal(self.goal)
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
            edging=self.edging,
            check=check,
        )


_AnyGoalModel: TypeAlias = KerbsideModel | BayModel | TurnaboutModel | CornerModel | StretchModel


def _goal(model: _AnyGoalModel) -> Goal:
    match model:
        case BayModel():
            return Bay(
                angle=radians(model.angle_deg),
                width=model.width_m,
                depth=model.depth_m,
                head=model.head,
                gap=model.head_m,
                lines=model.lines,
                guide=model.guide_m,
            )
        case TurnaboutModel():
            return Turnabout(kerb=model.kerb_m, overhang=model.overhang)
        case CornerModel():
            return Corner(
                radius=model.radius_m,
                side_width=model.side_width_m,
                kerb=model.kerb_m,
                back=model.back_m,
            )
        case StretchModel():
            return Stretch(kerb=model.kerb_m, short=model.short_m, run=model.run_m)
        case _:
            return Kerbside(
                ahead=model.ahead, behind=model.behind, kerb=model.kerb_m, ahead_gap=model.ahead_m
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
        "goal": _goal_document(ground.goal),
        "check": _check(ground.check),
    }


def _goal_document(goal: Goal) -> dict[str, Any]:
    match goal:
        case Bay():
            model: _AnyGoalModel = BayModel(
                kind="bay",
                angle_deg=round(degrees(goal.angle), 5),
                width_m=round(goal.width, 5),
                depth_m=round(goal.depth, 5),
                head=goal.head,
                head_m=round(goal.gap, 5),
                lines=goal.lines,
                guide_m=None if goal.guide is None else round(goal.guide, 5),
            )
        case Turnabout():
            model = TurnaboutModel(
                kind="turnabout", kerb_m=round(goal.kerb, 5), overhang=goal.overhang
            )
        case Corner():
            model = CornerModel(
                kind="corner",
                radius_m=round(goal.radius, 5),
                side_width_m=round(goal.side_width, 5),
                kerb_m=round(goal.kerb, 5),
                back_m=round(goal.back, 5),
            )
        case Stretch():
            model = StretchModel(
                kind="stretch",
                kerb_m=round(goal.kerb, 5),
                short_m=round(goal.short, 5),
                run_m=round(goal.run, 5),
            )
        case _:
            model = KerbsideModel(
                ahead=goal.ahead,
                behind=goal.behind,
                kerb_m=round(goal.kerb, 5),
                ahead_m=round(goal.ahead_gap, 5),
            )
    return model.model_dump()


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
