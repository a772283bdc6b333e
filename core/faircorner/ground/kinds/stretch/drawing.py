"""A free stretch of kerb, its measures where they are drawn."""

from faircorner.ground.kinds.stretch.goal import Stretch
from faircorner.ground.place import Ground
from faircorner.ground.sketch import MeasureLine, Sketch, row
from faircorner.plane import frozen

__all__ = ["sketch"]


def sketch(place: Ground) -> Sketch:
    """The kerb, from where it is run back to the post; m on the site, working side left."""
    goal = place.goal
    assert isinstance(goal, Stretch)  # noqa: S101  the kind says so
    run, width = goal.run + goal.short, place.road_width
    left = -max(run + 6, 12.0)
    lines = (
        row("road_width", (left + 2, 0.0), (left + 2, -width)),
        MeasureLine(
            measure="goal_run",
            at=frozen([-goal.short - goal.run / 2, -2.9]),
            ends=frozen([(-run, -2.2), (-goal.short, -2.2)]),
        ),
    )
    return Sketch(lines=lines, view=frozen([(left, -width - 1.2), (4.0, 1.6)]))
