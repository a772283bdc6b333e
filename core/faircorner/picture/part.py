"""A polygon of a picture."""

from dataclasses import dataclass, replace

import numpy as np

from faircorner.plane import Floats

__all__ = ["Part"]


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Part:
    """kind : what it is of; name : of the thing, empty where it has none; points : (n, 2)"""

    kind: str
    name: str
    points: Floats

    def turned(self, about: float) -> "Part":
        """Its mirror image across the upright line at `about`."""
        return replace(self, points=np.column_stack((2 * about - self.points[:, 0],
                                                     self.points[:, 1])))  # fmt: skip
