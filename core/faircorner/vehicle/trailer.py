"""A trailer behind a vehicle: a semi-trailer on its fifth wheel, a caravan on its ball."""

from dataclasses import dataclass

import numpy as np

from faircorner.errors import InputError, between
from faircorner.plane import Floats, box
from faircorner.said import Exact, Said

__all__ = ["Trailer"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Trailer:
    """Lengths in metres; the trailer's frame has its origin under its axle group, x forward.

    hitch : m ahead of the towing vehicle's rear axle, negative behind it
    kingpin_to_axle : m from the hitch to the middle of the trailer's axles
    front_of_kingpin : m that the body reaches ahead of the hitch
    max_articulation : rad between both headings at which the units touch or jam
    Raises InputError naming the measure that cannot be.
    """

    hitch: float
    kingpin_to_axle: float
    length: float
    width: float
    front_of_kingpin: float
    max_articulation: float

    def __post_init__(self) -> None:
        plausible = {
            "hitch_ahead_of_axle_m": (self.hitch, -4.0, 4.0),
            "kingpin_to_axle_m": (self.kingpin_to_axle, 0.5, 16.0),
            "length_m": (self.length, 1.0, 20.0),
            "width_m": (self.width, 0.5, 3.5),
            "front_of_kingpin_m": (self.front_of_kingpin, -3.0, 4.0),
        }
        for name, (value, low, high) in plausible.items():
            between(name, value, low, high)
        if not 0 < self.max_articulation <= np.radians(170):
            raise InputError("max_articulation_deg", Said("must be above 0 and at most 170"))
        if self.front_of_kingpin + self.kingpin_to_axle > self.length:
            raise InputError(
                "length_m",
                Said("ends ahead of its own", length=Exact(self.length)),
            )

    def outline(self) -> Floats:
        """The body in the trailer's frame, (4, 2)."""
        nose = self.kingpin_to_axle + self.front_of_kingpin
        return box(nose - self.length, nose, self.width / 2)

    def poses(self, towing: Floats, headings: Floats) -> Floats:
        """Where the trailer stands behind towing poses (..., 3) at its own headings (...)."""
        x = towing[..., 0] + self.hitch * np.cos(towing[..., 2])
        y = towing[..., 1] + self.hitch * np.sin(towing[..., 2])
        back = self.kingpin_to_axle
        return np.stack(
            (x - back * np.cos(headings), y - back * np.sin(headings), headings), axis=-1
        )
