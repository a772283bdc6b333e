"""A park along a kerb, behind one vehicle or between two."""

from faircorner.ground.kind import Kind
from faircorner.ground.kinds.kerbside.document import KerbsideModel
from faircorner.ground.kinds.kerbside.drawing import sketch
from faircorner.ground.kinds.kerbside.goal import Kerbside
from faircorner.ground.kinds.kerbside.layout import (
    adjust_kerb,
    kerb_measures,
    lay_kerb,
    left_to_pass,
    parked_names,
    with_behind,
)
from faircorner.ground.kinds.kerbside.room import rooms, sizes

__all__ = ["KERBSIDE", "Kerbside", "KerbsideModel", "lay_kerb", "with_behind"]

KERBSIDE = Kind(
    goal=Kerbside,
    model=KerbsideModel,
    where="behind a vehicle parked along a kerb",
    lay=lay_kerb,
    measures=kerb_measures,
    adjust=adjust_kerb,
    landmarks=("tail ahead", "nose ahead", "nose behind"),
    gap_to="tail ahead",
    things=("corner of the parked vehicle",),
    laid=parked_names,
    rooms=rooms,
    sketch=sketch,
    sizes=sizes,
    to_pass=left_to_pass,
    has_neighbour=True,
    left_again=True,
)
