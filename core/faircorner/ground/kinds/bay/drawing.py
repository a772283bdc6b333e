"""A bay off an aisle, its measures where they are drawn."""

from faircorner.ground.kinds.bay.goal import Bay
from faircorner.ground.place import Ground
from faircorner.ground.sketch import MeasureLine, Sketch, row
from faircorner.plane import Floats, frozen

__all__ = ["sketch"]


def sketch(place: Ground) -> Sketch:
    """The bay, those beside it and the aisle; m on the site, working side left."""
    bay = place.goal
    assert isinstance(bay, Bay)  # noqa: S101  the kind says so
    into = bay.inward
    half, aisle = bay.width / 2, place.road_width

    def at(inward: float, aside: float) -> Floats:
        """A place in the bay: so far in, and so far toward the neighbour beyond."""
        return frozen(into * inward + frozen([into[1], -into[0]]) * aside)

    deep, lean = float(into[1]) * bay.depth, float(into[0]) * bay.depth
    outer = 3 * bay.half_mouth
    left, right = min(-outer, -outer + lean) - 1.2, max(outer, outer + lean) + 1.2
    # Where the mouths lie aslant, a neighbour's bay begins earlier or later than this one.
    slant = float(bay.width * into[0] / into[1])
    middle, name = 0.45 * bay.depth, bay.depth + 0.75
    lines = [
        MeasureLine(
            measure="bay_width",
            at=at(middle, 0),
            ends=frozen([at(middle, -half), at(middle, half)]),
        ),
        MeasureLine(
            measure="bay_depth",
            at=at(0.78 * bay.depth, 0),
            ends=frozen([at(0, 0), at(bay.depth, 0)]),
        ),
        MeasureLine(measure="before_off_line", at=at(name - slant, -half - 1.25), fine=True),
        MeasureLine(measure="beyond_off_line", at=at(name + slant, half + 1.25), fine=True),
        row("aisle", (left + 1.4, 0.0), (left + 1.4, -aisle)),
    ]
    if bay.guide is not None:
        lines.append(
            MeasureLine(
                measure="guide",
                at=frozen([right - 1.4, -(bay.guide + 0.75)]),
                ends=frozen([(right - 1.4, 0.0), (right - 1.4, -bay.guide)]),
            )
        )
    reach = min(aisle + 0.9, 9.0)
    return Sketch(lines=tuple(lines), view=frozen([(left, -reach), (right, deep + 1.6)]))
