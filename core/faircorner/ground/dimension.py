"""Dimension lines: where on the site a figure is measured, from here to there."""

from dataclasses import dataclass, replace

from faircorner.plane import Floats, frozen, mirrored

__all__ = ["Dimension"]


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Dimension:
    """what : the figure that is told along it; ends : (2, 2), m on the site, from and to"""

    what: str
    ends: Floats

    def __post_init__(self) -> None:
        object.__setattr__(self, "ends", frozen(self.ends))

    def mirrored(self) -> "Dimension":
        return replace(self, ends=mirrored(self.ends))
