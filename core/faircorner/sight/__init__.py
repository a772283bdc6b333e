"""What the driver sees: the eye, the glass, and where an outside thing appears along it."""

from faircorner.sight.around import BACK, LOOKED, TURN, Around, MirrorView, Nearest, around
from faircorner.sight.cover import covering
from faircorner.sight.cut import REAR_EDGE, SILL, cut_sights
from faircorner.sight.edge import BONNET, SCREEN, EdgeSight, edge_sights
from faircorner.sight.eye import TAPED, Seat
from faircorner.sight.glass import LAMP, Sighting, beyond_glass, pane_hits, pane_of, sight_of
from faircorner.sight.in_mirror import IN_GLASS, REAR_TYRE, RIM, InMirror, Looker
from faircorner.sight.line import SightLine, mark_named, mirror_named, sight_line
from faircorner.sight.reflect import images, on_glass
from faircorner.sight.setting import bisecting, mirrors_set, near_dipped, showing, shown_by
from faircorner.sight.sharpness import (
    ACUITY,
    AT_PLACE,
    CRAWL,
    LEAN,
    NEAR,
    REACTION,
    Moved,
    Onward,
    Sharpness,
    Shifted,
    image_height,
    image_moved,
    leaning,
    same_again,
    scatter,
)
from faircorner.sight.shown import Shown, shown
from faircorner.sight.told import HIGH, OUT, TOLD, UP, Told

__all__ = [
    "ACUITY",
    "AT_PLACE",
    "BACK",
    "BONNET",
    "CRAWL",
    "HIGH",
    "IN_GLASS",
    "LAMP",
    "LEAN",
    "LOOKED",
    "NEAR",
    "OUT",
    "REACTION",
    "REAR_EDGE",
    "REAR_TYRE",
    "RIM",
    "SCREEN",
    "SILL",
    "TAPED",
    "TOLD",
    "TURN",
    "UP",
    "Around",
    "EdgeSight",
    "InMirror",
    "Looker",
    "MirrorView",
    "Moved",
    "Nearest",
    "Onward",
    "Seat",
    "Sharpness",
    "Shifted",
    "Shown",
    "SightLine",
    "Sighting",
    "Told",
    "around",
    "beyond_glass",
    "bisecting",
    "covering",
    "cut_sights",
    "edge_sights",
    "image_height",
    "image_moved",
    "images",
    "leaning",
    "mark_named",
    "mirror_named",
    "mirrors_set",
    "near_dipped",
    "on_glass",
    "pane_hits",
    "pane_of",
    "same_again",
    "scatter",
    "showing",
    "shown",
    "shown_by",
    "sight_line",
    "sight_of",
]
