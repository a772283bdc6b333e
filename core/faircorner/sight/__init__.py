"""What the driver sees: the eye, the glass, and where an outside thing appears along it."""

from faircorner.sight.cover import covering
from faircorner.sight.edge import EdgeSight, edge_sights
from faircorner.sight.eye import Seat
from faircorner.sight.glass import LAMP, Sighting, sight_of
from faircorner.sight.sharpness import (
    ACUITY,
    CRAWL,
    LEAN,
    REACTION,
    Onward,
    Sharpness,
    scatter,
    sharpness,
)
from faircorner.sight.shown import Shown, shown
from faircorner.sight.told import TOLD, Told

__all__ = [
    "ACUITY",
    "CRAWL",
    "LAMP",
    "LEAN",
    "REACTION",
    "TOLD",
    "EdgeSight",
    "Onward",
    "Seat",
    "Sharpness",
    "Shown",
    "Sighting",
    "Told",
    "covering",
    "edge_sights",
    "scatter",
    "sharpness",
    "shown",
    "sight_of",
]
