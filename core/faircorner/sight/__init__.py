"""What the driver sees: the eye, the glass, and where an outside thing appears along it."""

from faircorner.sight.edge import EdgeSight, edge_sights
from faircorner.sight.eye import Seat
from faircorner.sight.glass import Sighting, sight_of
from faircorner.sight.sharpness import ACUITY, CRAWL, REACTION, Sharpness, sharpness
from faircorner.sight.told import TOLD, Told

__all__ = [
    "ACUITY",
    "CRAWL",
    "REACTION",
    "TOLD",
    "EdgeSight",
    "Seat",
    "Sharpness",
    "Sighting",
    "Told",
    "edge_sights",
    "sharpness",
    "sight_of",
]
