"""Laying out a kerb with parked vehicles, measuring it, and changing one measure at a time."""

from dataclasses import replace
from typing import Literal, get_args

import numpy as np

from faircorner.errors import InputError
from faircorner.ground.place import Edge, Goal, Ground, Obstacle, Side
from faircorner.plane import Floats, box

__all__ = ["MeasureName", "adjust", "lay_kerb", "measures", "with_behind"]

AHEAD, BEHIND = "parked ahead", "parked behind"
# Half the length of road that is drawn and driven on, m.
_REACH = 30.0

MeasureName = Literal[
    "gap", "ahead_off_kerb", "ahead_length", "ahead_width",
    "behind_off_kerb", "behind_length", "behind_width",
    "road_width", "goal_kerb", "goal_ahead",
]  # fmt: skip

_LIMITS: dict[str, tuple[float, float]] = {
    "gap": (1.0, 40.0),
    "off_kerb": (-0.5, 1.5),
    "length": (1.5, 20.0),
    "width": (0.8, 3.0),
}


def _parked(name: str, tail: float, off_kerb: float, length: float, width: float) -> Obstacle:
    outline = box(tail, tail + length, width / 2, min(0.2, width / 4))
    return Obstacle(name=name, kind="vehicle", polygon=outline - [0.0, off_kerb + width / 2])


def lay_kerb(
    name: str,
    *,
    side: Side = "left",
    gap: float | None = None,
    off_kerb: float = 0.2,
    length: float = 4.3,
    width: float = 1.8,
    road_width: float = 7.0,
    goal_kerb: float = 0.25,
    goal_ahead: float = 1.0,
) -> Ground:
    """A kerb with one vehicle parked ahead, its tail at x = 0, and one behind if a gap is given.

    gap : m between the two parked vehicles; None leaves the kerb behind free
    off_kerb, length, width : m, of both parked vehicles
    """
    obstacles = [_parked(AHEAD, 0.0, off_kerb, length, width)]
    if gap is not None:
        obstacles.append(_parked(BEHIND, -gap - length, off_kerb, length, width))
    place = Ground(
        name=name,
        side="left",
        edges=(
            Edge(name="kerb", kind="kerb", points=np.array([(-_REACH, 0), (_REACH, 0)])),
            Edge(
                name="far kerb",
                kind="far kerb",
                points=np.array([(-_REACH, -road_width), (_REACH, -road_width)]),
            ),
        ),
        obstacles=tuple(obstacles),
        goal=Goal(
            ahead=AHEAD,
            behind=None if gap is None else BEHIND,
            kerb=goal_kerb,
            ahead_gap=goal_ahead,
        ),
        road_width=road_width,
    )
    return place if side == "left" else place.mirrored()


def _extent(obstacle: Obstacle) -> tuple[Floats, Floats]:
    return obstacle.polygon.min(axis=0), obstacle.polygon.max(axis=0)


def measures(ground: Ground) -> dict[MeasureName, float]:
    """What a tape would say of the place, in metres; what is not there is left out."""
    place = ground.kerb_on_left()
    found: dict[MeasureName, float] = {
        "road_width": place.road_width,
        "goal_kerb": place.goal.kerb,
        "goal_ahead": place.goal.ahead_gap,
    }
    low, high = _extent(place.ahead)
    found["ahead_off_kerb"] = -high[1]
    found["ahead_length"] = high[0] - low[0]
    found["ahead_width"] = high[1] - low[1]
    if place.behind is not None:
        tail = low[0]
        low, high = _extent(place.behind)
        found |= {
            "gap": tail - high[0],
            "behind_off_kerb": -high[1],
            "behind_length": high[0] - low[0],
            "behind_width": high[1] - low[1],
        }
    return {name: round(float(value), 6) for name, value in found.items()}


def adjust(ground: Ground, measure: MeasureName, metres: float) -> Ground:
    """The same place with one measure changed, everything else left where it stands.

    The vehicle ahead keeps its tail, the one behind its nose, and both their distance from
    the kerb, whatever else about them changes. Raises InputError naming the measure.
    """
    if measure not in get_args(MeasureName):
        raise InputError("measure", f"must be one of {', '.join(get_args(MeasureName))}")
    if not np.isfinite(metres):
        raise InputError(measure, "must be a number of metres")
    place = ground.kerb_on_left()
    changed = _adjusted(place, measure, metres)
    return changed if ground.side == "left" else changed.mirrored()


def _adjusted(place: Ground, measure: MeasureName, metres: float) -> Ground:
    if measure == "road_width":
        edges = tuple(
            replace(e, points=e.points * [1, 0] - [0, metres]) if e.kind == "far kerb" else e
            for e in place.edges
        )
        return replace(place, road_width=metres, edges=edges)
    if measure == "goal_kerb":
        return replace(place, goal=replace(place.goal, kerb=metres))
    if measure == "goal_ahead":
        return replace(place, goal=replace(place.goal, ahead_gap=metres))
    which, _, what = measure.partition("_")
    parked = place.behind if measure == "gap" or which == "behind" else place.ahead
    if parked is None:
        raise InputError(measure, "no vehicle is parked behind; add one first")
    low, high = _LIMITS[what or "gap"]
    if not low <= metres <= high:
        raise InputError(measure, f"must be between {low:g} and {high:g} m, got {metres:g}")
    moved = _reshape(place, parked, what or "gap", metres)
    return place.with_obstacle(replace(parked, polygon=moved))


def _reshape(place: Ground, parked: Obstacle, what: str, metres: float) -> Floats:
    """The parked vehicle's polygon with one measure changed."""
    low, high = _extent(parked)
    polygon = parked.polygon
    if what == "gap":
        tail = _extent(place.ahead)[0][0]
        return np.asarray(polygon + [tail - metres - high[0], 0.0])
    if what == "off_kerb":
        return np.asarray(polygon - [0.0, metres + high[1]])
    scale = np.ones(2)
    axis = 0 if what == "length" else 1
    scale[axis] = metres / (high - low)[axis]
    held = np.array([low[0] if parked.name == place.goal.ahead else high[0], high[1]])
    return np.asarray(held + (polygon - held) * scale)


def with_behind(ground: Ground, gap: float | None) -> Ground:
    """The same place with a vehicle parked behind at a gap (m), or with none when gap is None.

    The one behind is a copy of the one ahead. Raises InputError for a gap outside its limits.
    """
    place = ground.kerb_on_left()
    obstacles = tuple(o for o in place.obstacles if o.name != place.goal.behind)
    place = replace(place, obstacles=obstacles, goal=replace(place.goal, behind=None))
    if gap is not None:
        copy = replace(place.ahead, name=BEHIND)
        place = replace(
            place, obstacles=(*obstacles, copy), goal=replace(place.goal, behind=BEHIND)
        )
        place = _adjusted(place, "gap", gap)
    return place if ground.side == "left" else place.mirrored()
