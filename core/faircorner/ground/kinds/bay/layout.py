"""Laying out a parking bay off an aisle, measuring it, and changing one measure at a time.

Site frame: the bays' mouths lie on y = 0, x runs along the aisle the way the vehicle first
faces. With the bay on the left the aisle is at negative y.
"""

from dataclasses import replace
from typing import Literal

import numpy as np

from faircorner.errors import InputError, between
from faircorner.ground.kinds.bay.goal import Bay, Head, Lines
from faircorner.ground.obstacle import Obstacle
from faircorner.ground.place import Ground
from faircorner.plane import box, to_site
from faircorner.said import Said
from faircorner.sides import Side, sided, turned_back

__all__ = ["LAID", "adjust_bay", "bay_measures", "change_bay", "lay_bay"]

_MEASURES = (
    "bay_width", "bay_depth", "aisle", "before_off_line", "beyond_off_line", "goal_head", "guide",
)  # fmt: skip
BEFORE, BEYOND, WALL, WHEEL_STOP = "neighbour before", "neighbour beyond", "wall", "wheel stop"
SENSORS = ("sensor line before", "sensor line beyond", "sensor line at the head")
# What a layout puts there; anything else was put down by somebody.
LAID = frozenset((BEFORE, BEYOND, WALL, WHEEL_STOP, *SENSORS))
# A neighbour's size and how far inside the mouth it stands, m: an ordinary car.
_LENGTH, _WIDTH, _INSIDE = 4.4, 1.8, 0.3
# How far off the line a neighbour parks unless somebody says, m.
_BESIDE = 0.35
# How wide a line with sensors is, and how high it counts, m.
_LINE = (0.1, 0.05)
# How far out a guide line is laid unless somebody says, m.
_GUIDE = 1.5
# A wheel stop's length and depth, m.
_STOP = (1.6, 0.15)


def lay_bay(
    name: str,
    *,
    side: Side = "left",
    bay: Bay | None = None,
    aisle: float = 6.5,
    before: float | None = _BESIDE,
    beyond: float | None = _BESIDE,
) -> Ground:
    """An aisle with one bay to park in, its middle at x = 0.

    aisle : m from the mouths to the aisle's far side
    before, beyond : m from the flank of the vehicle in the bay met first, and of the one in
        the bay after, to the line between; negative over it; None leaves that bay empty
    """
    bay = bay or Bay()
    place = Ground(
        name=name,
        side="left",
        obstacles=(*_neighbours(bay, before, beyond), *_head(bay), *_sensors(bay)),
        goal=bay,
        road_width=aisle,
    )
    return turned_back(side, place)


def _neighbours(bay: Bay, before: float | None, beyond: float | None) -> list[Obstacle]:
    along = np.append(np.zeros(2), bay.angle)
    outline = box(_INSIDE, _INSIDE + _LENGTH, _WIDTH / 2, 0.2)
    parked = []
    # Square to the lines, left of the way in is the side met first.
    for name, side, off in ((BEFORE, 1, before), (BEYOND, -1, beyond)):
        if off is not None:
            between(f"{name.removeprefix('neighbour ')}_off_line", off, -0.5, 2.0)
            shift = [_slant(bay, side), side * (bay.width / 2 + off + _WIDTH / 2)]
            parked.append(Obstacle(name=name, kind="vehicle",
                                   polygon=to_site(along, outline + shift)))  # fmt: skip
    return parked


def _slant(bay: Bay, side: int) -> float:
    """How much further along its bay a neighbour begins where the mouths lie aslant, m."""
    return float(-side * bay.width / np.tan(bay.angle))


def _head(bay: Bay) -> list[Obstacle]:
    along = np.append(np.zeros(2), bay.angle)
    if bay.head == "wall":
        outline = box(bay.depth, bay.depth + 0.25, bay.width / 2)
        return [Obstacle(name=WALL, kind="wall", polygon=to_site(along, outline), height=1.0)]
    if bay.head == "wheel stop":
        outline = box(bay.depth, bay.depth + _STOP[1], _STOP[0] / 2)
        return [Obstacle(name=WHEEL_STOP, kind="wheel stop", polygon=to_site(along, outline),
                         height=0.1)]  # fmt: skip
    return []


def _sensors(bay: Bay) -> list[Obstacle]:
    """Lines that no tyre may touch: along both sides, and across the head where a line ends it."""
    if bay.lines == "painted":
        return []
    width, height = _LINE
    beside = bay.width / 2 + width / 2
    outlines = [
        box(0.0, bay.depth, width / 2) + [_slant(bay, side) / 2, side * beside] for side in (1, -1)
    ]
    if bay.head == "line":
        outlines.append(box(bay.depth, bay.depth + width, bay.width / 2))
    along = np.append(np.zeros(2), bay.angle)
    return [
        Obstacle(name=name, kind="sensor line", polygon=to_site(along, outline), height=height)
        for name, outline in zip(SENSORS, outlines, strict=False)
    ]


def _bay_of(ground: Ground) -> Bay:
    if not isinstance(ground.goal, Bay):
        raise InputError("goal", Said("this place has no bay"))
    return ground.goal


def bay_measures(place: Ground) -> dict[str, float]:
    """What a tape would say of the place, in metres; what is not there is left out."""
    bay = _bay_of(place)
    found: dict[str, float] = {
        "bay_width": bay.width,
        "bay_depth": bay.depth,
        "aisle": place.road_width,
        "goal_head": bay.head_gap,
    }
    if bay.guide is not None:
        found["guide"] = bay.guide
    left = np.array([-bay.inward[1], bay.inward[0]])
    for obstacle in place.obstacles:
        across = obstacle.polygon @ left
        if obstacle.name == BEFORE:
            found["before_off_line"] = float(across.min()) - bay.width / 2
        if obstacle.name == BEYOND:
            found["beyond_off_line"] = -float(across.max()) - bay.width / 2
    return {name: round(float(value), 6) for name, value in found.items()}


def adjust_bay(ground: Ground, measure: str, metres: float) -> Ground:
    """The same place with one measure changed. Raises InputError naming the measure."""
    if measure not in _MEASURES:
        raise InputError("measure", Said("must be one of", known=", ".join(_MEASURES)))
    bay = _bay_of(ground)
    if measure not in bay_measures(ground):
        if measure == "guide":
            raise InputError(measure, Said("there is no guide line"))
        raise InputError(measure, Said("nobody is parked there"))
    match measure:
        case "bay_width":
            return _relaid(ground, bay=replace(bay, width=metres))
        case "bay_depth":
            return _relaid(ground, bay=replace(bay, depth=metres))
        case "goal_head":
            return _relaid(ground, bay=replace(bay, head_gap=metres))
        case "guide":
            return _relaid(ground, bay=replace(bay, guide=metres))
        case "aisle":
            return _relaid(ground, aisle=metres)
        case "before_off_line":
            return _relaid(ground, before=metres)
        case _:
            return _relaid(ground, beyond=metres)


@sided
def change_bay(
    ground: Ground,
    *,
    angle: float | None = None,
    head: Head | None = None,
    before: bool | None = None,
    beyond: bool | None = None,
    lines: Lines | None = None,
    guide: bool | None = None,
) -> Ground:
    """The same place with the bay turned (rad), ended otherwise, or parked beside; None: as it is.

    lines : with sensors or without; guide : whether a line in the aisle is to be driven along
    before, beyond : whether a vehicle stands in the bay met first, and in the one after
    Raises InputError for an angle outside its limits, and where there is no bay.
    """
    bay = _bay_of(ground)
    bay = replace(
        bay, angle=bay.angle if angle is None else angle, head=bay.head if head is None else head,
        lines=bay.lines if lines is None else lines,
        guide=bay.guide if guide is None else (bay.guide or _GUIDE) if guide else None,
    )  # fmt: skip
    now = bay_measures(ground)

    def off_line(name: str, wanted: bool | None) -> float | None:
        there = name in now if wanted is None else wanted
        return now.get(name, _BESIDE) if there else None

    return _relaid(
        ground,
        bay=bay,
        before=off_line("before_off_line", before),
        beyond=off_line("beyond_off_line", beyond),
    )


def _relaid(
    ground: Ground,
    *,
    bay: Bay | None = None,
    aisle: float | None = None,
    before: float | Literal["same"] | None = "same",
    beyond: float | Literal["same"] | None = "same",
) -> Ground:
    """The same place laid out again with something changed; see `lay_bay`."""
    now = bay_measures(ground)
    laid = lay_bay(
        ground.name,
        bay=bay or _bay_of(ground),
        aisle=ground.road_width if aisle is None else aisle,
        before=now.get("before_off_line") if before == "same" else before,
        beyond=now.get("beyond_off_line") if beyond == "same" else beyond,
    )
    put_down = tuple(o for o in ground.obstacles if o.name not in LAID)
    return replace(laid, check=ground.check, obstacles=(*laid.obstacles, *put_down))
