"""What the driver sees: the eye, the glass, and where an outside thing appears along it."""

from faircorner.sight.eye import Seat
from faircorner.sight.glass import Sighting, sight_of
from faircorner.sight.sharpness import ACUITY, CRAWL, REACTION, Sharpness, sharpness

__all__ = [
    "ACUITY",
    "CRAWL",
    "REACTION",
    "Seat",
    "Sharpness",
    "Sighting",
    "sharpness",
    "sight_of",
]
