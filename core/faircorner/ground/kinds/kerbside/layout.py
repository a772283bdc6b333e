"""Laying out a kerb with parked vehicles, measuring it, and changing one measure at a time."""

from dataclasses import replace

import numpy as np

from faircorner.errors import InputError, between
from faircorner.ground.kinds.kerbside.goal import Kerbside
from faircorner.ground.obstacle import Obstacle
from faircorner.ground.place import Ground
from faircorner.plane import Floats, box, to_site
from faircorner.said import Said
from faircorner.sides import Side, sided, turned_back

__all__ = [
    "adjust_kerb",
    "kerb_measures",
    "lay_kerb",
    "left_to_pass",
    "parked_names",
    "with_behind",
]

AHEAD, BEHIND = "parked ahead", "parked behind"
# Taken for the vehicle that stands beside the parked one when nobody says which: width and gap, m.
_BESIDE = 1.8 + 0.9
_MEASURES = (
    "gap", "ahead_off_kerb", "ahead_length", "ahead_width", "ahead_askew",
    "behind_off_kerb", "behind_length", "behind_width", "behind_askew",
    "road_width", "goal_kerb", "goal_ahead",
)  # fmt: skip

_LIMITS: dict[str, tuple[float, float]] = {
    "gap": (1.0, 40.0),
    "off_kerb": (-0.5, 1.5),
    "length": (1.5, 20.0),
    "width": (0.8, 3.0),
    "askew": (-1.0, 1.0),
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
        obstacles=tuple(obstacles),
        goal=Kerbside(
            ahead=AHEAD,
            behind=None if gap is None else BEHIND,
            kerb=goal_kerb,
            ahead_gap=goal_ahead,
        ),
        road_width=road_width,
    )
    return turned_back(side, place)


def _goal_of(ground: Ground) -> Kerbside:
    if not isinstance(ground.goal, Kerbside):
        raise InputError("goal", Said("this place has no kerb"))
    return ground.goal


def _parked_at(place: Ground) -> tuple[Obstacle, Obstacle | None]:
    """The vehicles ahead and behind; None where the kerb behind is free."""
    by_name = {o.name: o for o in place.obstacles}
    goal = _goal_of(place)
    return by_name[goal.ahead], None if goal.behind is None else by_name[goal.behind]


def _extent(obstacle: Obstacle) -> tuple[Floats, Floats]:
    return obstacle.polygon.min(axis=0), obstacle.polygon.max(axis=0)


def _lie(polygon: Floats) -> float:
    """How a parked vehicle lies, rad from along the kerb: its longest side tells."""
    sides = np.roll(polygon, -1, axis=0) - polygon
    along = sides[int(np.linalg.norm(sides, axis=1).round(6).argmax())]
    angle = float(np.arctan2(along[1], along[0]))
    return (angle + np.pi / 2) % np.pi - np.pi / 2


def _turned(polygon: Floats, by: float) -> Floats:
    middle = polygon.mean(axis=0)
    return to_site(np.array([*middle, by]), polygon - middle)


def _sizes(obstacle: Obstacle) -> tuple[float, float, float]:
    """Length and width along its own sides, and how much farther off the kerb its nose is, m."""
    lie = _lie(obstacle.polygon)
    length, width = np.ptp(_turned(obstacle.polygon, -lie), axis=0)
    return float(length), float(width), float(-length * np.sin(lie))


def kerb_measures(place: Ground) -> dict[str, float]:
    """What a tape would say of the place, in metres; what is not there is left out."""
    goal = _goal_of(place)
    ahead, behind = _parked_at(place)
    found: dict[str, float] = {
        "road_width": place.road_width,
        "goal_kerb": goal.kerb,
        "goal_ahead": goal.ahead_gap,
    }
    low, high = _extent(ahead)
    found["ahead_off_kerb"] = -high[1]
    found["ahead_length"], found["ahead_width"], found["ahead_askew"] = _sizes(ahead)
    if behind is not None:
        tail = low[0]
        low, high = _extent(behind)
        found |= {"gap": tail - high[0], "behind_off_kerb": -high[1]}
        length, width, askew = _sizes(behind)
        found |= {"behind_length": length, "behind_width": width, "behind_askew": askew}
    return {name: round(float(value), 6) for name, value in found.items()}


def adjust_kerb(place: Ground, measure: str, metres: float) -> Ground:
    """The same place with one measure changed, everything else left where it stands.

    The vehicle ahead keeps its tail, the one behind its nose, and both their distance from
    the kerb, whatever else about them changes. Raises InputError naming the measure.
    """
    if measure not in _MEASURES:
        raise InputError("measure", Said("must be one of", known=", ".join(_MEASURES)))
    if measure == "road_width":
        return replace(place, road_width=metres)
    if measure == "goal_kerb":
        return replace(place, goal=replace(_goal_of(place), kerb=metres))
    if measure == "goal_ahead":
        return replace(place, goal=replace(_goal_of(place), ahead_gap=metres))
    which, _, what = measure.partition("_")
    ahead, behind = _parked_at(place)
    parked = behind if measure == "gap" or which == "behind" else ahead
    if parked is None:
        raise InputError(measure, Said("no vehicle is parked behind"))
    low, high = _LIMITS[what or "gap"]
    between(measure, metres, low, high)
    moved = _reshape(place, parked, what or "gap", metres)
    return place.with_obstacle(replace(parked, polygon=moved))


def _reshape(place: Ground, parked: Obstacle, what: str, metres: float) -> Floats:
    """The parked vehicle's polygon with one measure changed."""
    ahead, _ = _parked_at(place)
    low, high = _extent(parked)
    polygon = parked.polygon
    if what == "gap":
        tail = _extent(ahead)[0][0]
        return np.asarray(polygon + [tail - metres - high[0], 0.0])
    if what == "off_kerb":
        return np.asarray(polygon - [0.0, metres + high[1]])
    length, width, _ = _sizes(parked)
    lie = _lie(polygon)
    straight = _turned(polygon, -lie)
    if what == "askew":
        changed = _turned(straight, -float(np.arcsin(metres / length)))
    else:
        scale = [metres / length, 1.0] if what == "length" else [1.0, metres / width]
        changed = _turned(straight * scale, lie)
    # What is held: the tail of the one ahead, the nose of the one behind, and the least gap.
    least, most = changed.min(axis=0), changed.max(axis=0)
    along = low[0] - least[0] if parked is ahead else high[0] - most[0]
    return np.asarray(changed + [along, high[1] - most[1]])


@sided
def with_behind(place: Ground, gap: float | None) -> Ground:
    """The same place with a vehicle parked behind at a gap (m), or with none when gap is None.

    The one behind is a copy of the one ahead. Raises InputError for a gap outside its limits.
    """
    goal, (ahead, behind) = _goal_of(place), _parked_at(place)
    obstacles = tuple(o for o in place.obstacles if o is not behind)
    place = replace(place, obstacles=obstacles, goal=replace(goal, behind=None))
    if gap is None:
        return place
    copy = replace(ahead, name=BEHIND)
    place = replace(place, obstacles=(*obstacles, copy), goal=replace(goal, behind=BEHIND))
    return adjust_kerb(place, "gap", gap)


def parked_names(place: Ground) -> frozenset[str]:
    """Names of the vehicles that the place is laid out by."""
    goal = _goal_of(place)
    return frozenset(name for name in (goal.ahead, goal.behind) if name is not None)


def left_to_pass(place: Ground) -> float:
    """m left for others beside a vehicle that stands ready next to the parked one."""
    found = kerb_measures(place)
    return found["road_width"] - found["ahead_off_kerb"] - found["ahead_width"] - _BESIDE
