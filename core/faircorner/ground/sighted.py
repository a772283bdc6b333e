"""What a driver can line up on, and finding what stands at a place by its name."""

from typing import TypeAlias

from faircorner.ground.obstacle import Obstacle
from faircorner.plane import Floats

__all__ = ["SIGHTED_KINDS", "Obstacles", "Sighted", "named"]

# What else than a goal's own marks and vehicles is lined up on, wherever it was put down.
SIGHTED_KINDS = ("cone", "pole")
# Its name, its corners (n, 2) in m, its height in m.
Sighted: TypeAlias = tuple[str, Floats, float]
Obstacles: TypeAlias = tuple[Obstacle, ...]


def named(obstacles: Obstacles, name: str) -> Obstacle:
    """The obstacle of that name, which a place checks to be there."""
    return next(o for o in obstacles if o.name == name)
