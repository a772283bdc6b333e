"""Laying out a road with nobody parked: to turn round in, with a corner, with a free kerb."""

from dataclasses import replace
from typing import Any, TypeAlias

from faircorner.errors import InputError
from faircorner.ground.goals import Corner, Stretch, Turnabout
from faircorner.ground.kerbline import FAR_KERB
from faircorner.ground.obstacle import Edge
from faircorner.ground.place import Ground
from faircorner.sides import Side

__all__ = ["RoadGoal", "adjust_road", "change_road", "lay_road", "road_measures"]

RoadGoal: TypeAlias = Turnabout | Corner | Stretch
# How far the road is drawn and driven on, each way, m.
_REACH = 40.0

# What each measure is of its goal; the road's width belongs to the place.
_OF_TURNABOUT = {"goal_kerb": "kerb"}
_OF_CORNER = {
    "corner_radius": "radius", "side_width": "side_width", "goal_kerb": "kerb", "goal_back": "back",
}  # fmt: skip
_OF_STRETCH = {"goal_kerb": "kerb", "goal_short": "short", "goal_run": "run"}


def lay_road(name: str, goal: RoadGoal, *, side: Side = "left", road_width: float = 7.0) -> Ground:
    """An empty road with its kerbs; road_width in m, `goal` says what is done there."""
    place = Ground(
        name=name, side="left", edges=_edges(goal, road_width), obstacles=(), goal=goal,
        road_width=road_width,
    )  # fmt: skip
    return place if side == "left" else place.mirrored()


def _edges(goal: RoadGoal, road_width: float) -> tuple[Edge, ...]:
    return tuple(
        Edge(
            name=line.name,
            kind="far kerb" if line.name == FAR_KERB else "kerb",
            points=line.drawn(_REACH),
        )
        for line in goal.kerblines(road_width)
    )


def _goal_of(ground: Ground) -> RoadGoal:
    if not isinstance(ground.goal, Turnabout | Corner | Stretch):
        raise InputError("goal", "this place is no empty road")
    return ground.goal


def _fields(goal: RoadGoal) -> dict[str, str]:
    match goal:
        case Turnabout():
            return _OF_TURNABOUT
        case Corner():
            return _OF_CORNER
        case _:
            return _OF_STRETCH


def road_measures(ground: Ground) -> dict[str, float]:
    """What a tape would say of the place, in metres."""
    goal = _goal_of(ground)
    found = {name: getattr(goal, field) for name, field in _fields(goal).items()}
    return {"road_width": ground.road_width} | {n: round(float(v), 6) for n, v in found.items()}


def adjust_road(ground: Ground, measure: str, metres: float) -> Ground:
    """The same place with one measure changed. Raises InputError naming the measure."""
    goal = _goal_of(ground)
    if measure == "road_width":
        return _relaid(ground, goal, metres)
    fields = _fields(goal)
    if measure not in fields:
        raise InputError("measure", f"must be one of {', '.join(('road_width', *fields))}")
    # Each goal names the field of its own that is outside its limits.
    changed: dict[str, Any] = {fields[measure]: metres}
    return _relaid(ground, replace(goal, **changed), ground.road_width)


def change_road(ground: Ground, *, overhang: bool) -> Ground:
    """The same road with the body allowed over its kerbs, or not.

    Raises InputError where nobody turns round.
    """
    goal = _goal_of(ground)
    if not isinstance(goal, Turnabout):
        raise InputError("overhang", "matters only where somebody turns round in the road")
    return _relaid(ground, replace(goal, overhang=overhang), ground.road_width)


def _relaid(ground: Ground, goal: RoadGoal, road_width: float) -> Ground:
    place = replace(
        ground.kerb_on_left(), goal=goal, road_width=road_width, edges=_edges(goal, road_width)
    )
    return place if ground.side == "left" else place.mirrored()
