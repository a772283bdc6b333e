"""A place drawn to be measured: where each of its measures is told, and where it can be pulled."""

from dataclasses import dataclass, replace

import numpy as np

from faircorner.plane import Floats, frozen, mirrored, mirrored_box

__all__ = ["MeasureLine", "Sketch", "row"]


def _turned(points: Floats | None) -> Floats | None:
    return None if points is None else mirrored(points)


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class MeasureLine:
    """One measure on the drawing, m on the site.

    at : (2,), where its figure stands; ends : (2, 2) of its dimension line, None without one
    fine : whether it is told in the small unit
    grip : (2,), where it can be taken hold of; pull : (2,), the way that makes it grow by a metre
    """

    measure: str
    at: Floats
    ends: Floats | None = None
    fine: bool = False
    grip: Floats | None = None
    pull: Floats | None = None

    def mirrored(self) -> "MeasureLine":
        return replace(
            self,
            at=mirrored(self.at),
            ends=_turned(self.ends),
            grip=_turned(self.grip),
            pull=_turned(self.pull),
        )


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Sketch:
    """The measures of a place where they are drawn.

    view : (2, 2), the least and greatest x and y that should be seen, m on the site
    """

    lines: tuple[MeasureLine, ...]
    view: Floats

    def mirrored(self) -> "Sketch":
        return replace(
            self,
            lines=tuple(line.mirrored() for line in self.lines),
            view=mirrored_box(self.view),
        )


def row(measure: str, begin: tuple[float, float], end: tuple[float, float]) -> MeasureLine:
    """A measure along a dimension line, its figure in the middle."""
    ends = np.array([begin, end])
    return MeasureLine(measure=measure, at=frozen(ends.mean(axis=0)), ends=frozen(ends))
