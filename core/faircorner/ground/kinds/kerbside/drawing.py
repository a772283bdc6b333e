"""A kerb with parked vehicles, its measures where they are drawn."""

from typing import Any, Literal

import numpy as np

from faircorner.ground.kinds.kerbside.goal import Kerbside
from faircorner.ground.obstacle import Obstacle
from faircorner.ground.place import Ground
from faircorner.ground.sighted import named
from faircorner.ground.sketch import MeasureLine, Sketch
from faircorner.plane import frozen

__all__ = ["sketch"]

# Along a parked vehicle its length is drawn so far out from it, m.
_OUT = 0.55


def sketch(place: Ground) -> Sketch:
    """A kerb with who is parked along it; m on the site, working side left."""
    goal = place.goal
    assert isinstance(goal, Kerbside)  # noqa: S101  the kind says so
    ahead = named(place.obstacles, goal.ahead)
    behind = None if goal.behind is None else named(place.obstacles, goal.behind)
    (left, inner), (right, kerbside) = _box(ahead)
    middle = (inner + kerbside) / 2
    lines = [
        *_lengthwise(ahead, "ahead", grip=frozen([left + 0.35, inner])),
        MeasureLine(
            measure="ahead_width",
            at=frozen([right + 0.9, middle]),
            ends=frozen([(right + 0.3, kerbside), (right + 0.3, inner)]),
        ),
    ]
    first = left - 8
    if behind is not None:
        (first, low), (nose, high) = _box(behind)
        beside = (low + high) / 2
        level = (middle + beside) / 2
        lines += [
            MeasureLine(
                measure="gap",
                at=frozen([(nose + left) / 2, level]),
                ends=frozen([(nose, level), (left, level)]),
                grip=frozen([nose, beside]),
                pull=frozen([-1.0, 0.0]),
            ),
            *_lengthwise(behind, "behind"),
        ]
    reach = min(place.road_width + 0.9, 9.0)
    return Sketch(lines=tuple(lines), view=frozen([(first - 0.8, -reach), (right + 2.8, 1.6)]))


def _box(parked: Obstacle) -> Any:
    return np.array([parked.polygon.min(axis=0), parked.polygon.max(axis=0)]).tolist()


def _lengthwise(
    parked: Obstacle, which: Literal["ahead", "behind"], **grip: Any
) -> tuple[MeasureLine, MeasureLine]:
    """How long it is, and how far off the kerb; the latter may be taken hold of somewhere."""
    (left, inner), (right, _) = _box(parked)
    beyond = inner - _OUT
    return (
        MeasureLine(
            measure=f"{which}_length",
            at=frozen([(left + right) / 2, beyond - 0.1]),
            ends=frozen([(left, beyond), (right, beyond)]),
        ),
        MeasureLine(
            measure=f"{which}_off_kerb",
            at=frozen([(left + right) / 2, 0.75]),
            fine=True,
            pull=frozen([0.0, -1.0]) if grip else None,
            **grip,
        ),
    )
