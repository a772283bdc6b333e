"""Straight edges on the ground: kerbs and walls that do not curve, and painted lines."""

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np

from faircorner.ground import Ground
from faircorner.plane import Bools, Floats

__all__ = ["StraightEdge", "straight_edges"]


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class StraightEdge:
    """A straight line on the ground. frame : (3,), where it runs and which way; ends : (2, 2), m on
    the site; None for one that goes on as far as anybody sees
    """

    name: str
    frame: Floats
    ends: Floats | None = None

    def within(self, places: Floats) -> Bools:
        """Which places of the line through it, (n, 2) m on the site, are on it."""
        if self.ends is None:
            return np.ones(len(places), dtype=bool)
        along = self.ends[1] - self.ends[0]
        share = (places - self.ends[0]) @ along / (along @ along)
        return np.asarray((share >= 0) & (share <= 1))


def straight_edges(ground: Ground) -> Iterator[StraightEdge]:
    """Kerbs and walls that do not curve, and what is painted to stand along."""
    for line in ground.kerblines:
        if line.radius is None:
            yield StraightEdge(name=line.name, frame=np.asarray(line.frame))
    for name, points in ground.goal.aligned():
        ends = points[[0, -1]]
        along = ends[1] - ends[0]
        frame = np.array([*ends[0], np.arctan2(along[1], along[0])])
        yield StraightEdge(name=name, frame=frame, ends=ends)
