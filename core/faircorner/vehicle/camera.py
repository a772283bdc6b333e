"""A rear camera: one view more, which helps and is never the main look."""

from dataclasses import dataclass, replace

import numpy as np

from faircorner.errors import between
from faircorner.plane import Bools, Floats, frozen

__all__ = ["RearCamera"]

# How much less such a picture takes in upward than across.
_HIGH = 0.75


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class RearCamera:
    """Looks straight back. centre : (3,), m in the vehicle's frame

    down : rad that it is tilted below level; across : rad that it takes in from side to side
    assumed : whether nobody measured it
    Raises InputError naming the measure that cannot be.
    """

    centre: Floats
    down: float
    across: float
    assumed: bool = False

    def __post_init__(self) -> None:
        between("down_deg", float(np.degrees(self.down)), 0.0, 89.0)
        between("across_deg", float(np.degrees(self.across)), 30.0, 190.0)
        object.__setattr__(self, "centre", frozen(self.centre))

    def takes_in(self, places: Floats) -> Bools:
        """Which places (n, 3), m in the vehicle's frame, lie within its picture, (n,).

        By their angles from where it looks, as the wide lens of such a camera has them.
        """
        off = places - self.centre
        aside = np.arctan2(off[:, 1], -off[:, 0])
        below = np.arctan2(-off[:, 2], np.hypot(off[:, 0], off[:, 1]))
        half = self.across / 2
        return np.asarray((np.abs(aside) <= half) & (np.abs(below - self.down) <= _HIGH * half))

    def mirrored(self) -> "RearCamera":
        return replace(self, centre=self.centre * [1.0, -1.0, 1.0])
