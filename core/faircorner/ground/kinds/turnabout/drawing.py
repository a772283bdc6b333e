"""A road to turn round in, its measure where it is drawn."""

from faircorner.ground.place import Ground
from faircorner.ground.sketch import Sketch, row
from faircorner.plane import frozen

__all__ = ["sketch"]


def sketch(place: Ground) -> Sketch:
    """The road, as wide as it is; m on the site, working side left."""
    width = place.road_width
    line = row("road_width", (6.0, 0.0), (6.0, -width))
    return Sketch(lines=(line,), view=frozen([(-9.0, -width - 1.2), (13.0, 1.6)]))
