"""Lines and areas as SVG has them: what a drawing on paper is made of."""

from dataclasses import dataclass

import numpy as np
from faircorner.plane import Floats

__all__ = ["Label", "Stroke", "way"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Stroke:
    """A path; widths and dashes in the drawing's own units."""

    d: str
    fill: str = "none"
    line: str = "none"
    width: float = 0.0
    dash: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Label:
    """A word or figure; x, y : where its first letter stands"""

    x: float
    y: float
    text: str


def way(points: Floats, *, closed: bool = False) -> str:
    """The path along points (n, 2).

    >>> way(np.array([(0.0, 1.0), (2.5, 1.0)]), closed=True)
    'M0 1L2.5 1Z'
    """
    joined = "L".join(f"{x:g} {y:g}" for x, y in np.round(points, 2) + 0.0)
    return f"M{joined}{'Z' if closed else ''}"
