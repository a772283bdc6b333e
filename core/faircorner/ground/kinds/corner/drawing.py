"""A corner with its side road, its measures where they are drawn."""

import numpy as np

from faircorner.ground.kinds.corner.goal import Corner
from faircorner.ground.place import Ground
from faircorner.ground.sketch import MeasureLine, Sketch, row
from faircorner.plane import frozen

__all__ = ["sketch"]


def sketch(place: Ground) -> Sketch:
    """The corner and both roads; m on the site, working side left."""
    corner = place.goal
    assert isinstance(corner, Corner)  # noqa: S101  the kind says so
    radius, side, back, width = corner.radius, corner.side_width, corner.back, place.road_width
    # From the middle of the curve to its own middle.
    curve = radius * (1 - np.sqrt(0.5))
    lines = (
        MeasureLine(
            measure="corner_radius",
            at=frozen([radius + 1.6, radius + 0.8]),
            ends=frozen([(radius, radius), (curve, curve)]),
        ),
        row("side_width", (-side, radius + 1.2), (0.0, radius + 1.2)),
        row("road_width", (radius + 5, 0.0), (radius + 5, -width)),
        MeasureLine(
            measure="goal_back",
            at=frozen([-side - 2.2, back / 2]),
            ends=frozen([(-side + 0.5, 0.0), (-side + 0.5, back)]),
        ),
    )
    deep = max(radius + 2, back + 3)
    view = frozen([(-side - radius - 3, -width - 0.9), (radius + 8, deep)])
    return Sketch(lines=lines, view=view)
