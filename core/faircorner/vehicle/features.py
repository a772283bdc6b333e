"""Places on a vehicle that a driver lines things up with, and the glass they look through."""

from dataclasses import dataclass, field, replace
from typing import Literal, TypeAlias

import numpy as np
from shapely import Polygon, prepare

from faircorner.errors import InputError
from faircorner.plane import Floats, frozen
from faircorner.said import Said

__all__ = ["Feature", "FeatureRole", "Opening"]

FeatureRole: TypeAlias = Literal["door mirror"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Feature:
    """A named place on the vehicle; metres in the vehicle's frame.

    name : for people; role : which part it is, where the sums have to know
    assumed : whether nobody measured it, and it is where such a body usually has it
    on : the pane it is stuck to; empty for what is none's
    """

    name: str
    x: float
    y: float
    z: float
    role: FeatureRole | None = None
    assumed: bool = False
    on: str = ""

    def mirrored(self) -> "Feature":
        return replace(self, y=-self.y)


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Opening:
    """A pane as a flat polygon (n, 3), metres in the vehicle's frame.

    normal : (3,), of the plane that fits it best; face : the pane seen along the axis that it
    lies squarest to; seen : the two axes left
    assumed : whether nobody measured it
    Raises InputError when the corners do not lie in one plane to 5 cm: real glass is curved,
    but a slip of the tape is larger.
    """

    name: str
    corners: Floats
    assumed: bool = False
    normal: Floats = field(init=False)
    face: Polygon = field(init=False)
    seen: tuple[int, int] = field(init=False)

    def __post_init__(self) -> None:
        corners = frozen(self.corners)
        if corners.ndim != 2 or corners.shape[0] < 3 or corners.shape[1] != 3:
            raise InputError(
                "polygon_m",
                Said("needs 3 or more corners of 3", got=str(corners.shape)),
            )
        centred = corners - corners.mean(axis=0)
        _, spread, axes = np.linalg.svd(centred)
        if spread[1] < 0.05:
            raise InputError("polygon_m", Said("corners lie on one line"))
        if np.abs(centred @ axes[2]).max() > 0.05:
            raise InputError("polygon_m", Said("corners not in one plane"))
        a, b = (axis for axis in range(3) if axis != int(np.abs(axes[2]).argmax()))
        face = Polygon(corners[:, (a, b)])
        prepare(face)
        for name, value in (("corners", corners), ("normal", frozen(axes[2])), ("face", face),
                            ("seen", (a, b))):  # fmt: skip
            object.__setattr__(self, name, value)

    def mirrored(self) -> "Opening":
        flipped = self.corners * np.array([1.0, -1.0, 1.0])
        return Opening(name=self.name, corners=flipped, assumed=self.assumed)

    def stuck(self, mark: Feature) -> Feature:
        """A mark as it lies on this pane: moved square to the face until it is in its plane."""
        (axis,) = {0, 1, 2} - set(self.seen)
        at = np.array([mark.x, mark.y, mark.z])
        at[axis] -= float(self.normal @ (at - self.corners[0])) / float(self.normal[axis])
        return replace(mark, x=float(at[0]), y=float(at[1]), z=float(at[2]))
