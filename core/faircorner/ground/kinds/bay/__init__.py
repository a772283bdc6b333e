"""A marked bay to park in, off an aisle."""

from faircorner.ground.kind import Kind
from faircorner.ground.kinds.bay.document import BayModel
from faircorner.ground.kinds.bay.drawing import sketch
from faircorner.ground.kinds.bay.goal import Bay, Head, Lines
from faircorner.ground.kinds.bay.layout import (
    LAID,
    adjust_bay,
    bay_measures,
    change_bay,
    lay_bay,
)
from faircorner.ground.kinds.bay.room import rooms, sizes

__all__ = ["BAY", "Bay", "BayModel", "Head", "Lines", "change_bay", "lay_bay"]

BAY = Kind(
    goal=Bay,
    model=BayModel,
    where="in a bay",
    lay=lay_bay,
    measures=bay_measures,
    adjust=adjust_bay,
    landmarks=("near line", "far line"),
    gap_to="head",
    things=("end of the far line", "end of the near line"),
    laid=lambda _place: LAID,
    rooms=rooms,
    sketch=sketch,
    sizes=sizes,
    # What passes on a road, or comes round its bends, is no matter in a car park.
    distances=(),
    has_neighbour=True,
    left_again=True,
)
