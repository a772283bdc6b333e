"""The vehicle's body: what can touch something, and where its tyres stand."""

from dataclasses import dataclass, field, replace

import numpy as np

from faircorner.errors import InputError, between
from faircorner.plane import Floats, box, frozen
from faircorner.said import Exact, Said
from faircorner.vehicle.camera import RearCamera
from faircorner.vehicle.features import Feature, Opening
from faircorner.vehicle.mirror import Dot, Mirror, stuck_together
from faircorner.vehicle.steering import Steering
from faircorner.vehicle.trailer import Trailer

__all__ = ["TYRE_WIDTH", "Vehicle"]

# Assumed when nobody measured it: the section width of an ordinary car tyre, m.
TYRE_WIDTH = 0.20
# Half the length of tyre that a kerb of ordinary height can meet, m; docs/sums/contact.md.
_TYRE_REACH = 0.20
# A door mirror's depth fore and aft, m; only its reach to the side is measured.
_MIRROR_DEPTH = 0.20

_PLAUSIBLE = {
    "length_m": (1.5, 20.0),
    "width_m": (0.8, 3.5),
    "mirror_width_m": (0.8, 4.0),
    "wheelbase_m": (1.0, 12.0),
    "front_overhang_m": (0.0, 4.0),
    "track_front_m": (0.6, 3.2),
    "track_rear_m": (0.6, 3.2),
    "tyre_width_m": (0.1, 1.2),
    "corner_cut_m": (0.0, 0.8),
}


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Vehicle:
    """A rigid vehicle and what it tows; metres, origin on the ground under the rear axle's centre.

    roofline : (n, 2), x and z of the upper outline from the side, nose first; empty where unknown
    roofline_assumed : whether nobody measured it
    corner_cut : how much of each corner of the length-by-width box the body leaves free
    outline : everything that can touch, as convex pieces (n, 2): the body, then both mirrors
    tyre : what a kerb meets of one tyre, (4, 2), about its own middle
    axle_ends : middles of the tyres, (4, 2): rear left and right, front left and right
    Raises InputError naming the measure that cannot be.
    """

    name: str
    length: float
    width: float
    mirror_width: float
    wheelbase: float
    front_overhang: float
    track_front: float
    track_rear: float
    steering: Steering
    tyre_width: float = TYRE_WIDTH
    corner_cut: float = 0.0
    features: tuple[Feature, ...] = ()
    glass: tuple[Opening, ...] = ()
    mirrors: tuple[Mirror, ...] = ()
    trailer: Trailer | None = None
    camera: RearCamera | None = None
    roofline: Floats = field(default_factory=lambda: frozen(np.empty((0, 2))))
    roofline_assumed: bool = False
    # Asked for at every place of every attempt.
    outline: tuple[Floats, ...] = field(init=False, repr=False)
    tyre: Floats = field(init=False, repr=False)
    axle_ends: Floats = field(init=False, repr=False)

    def __post_init__(self) -> None:
        for name, (low, high) in _PLAUSIBLE.items():
            value = getattr(self, name.removesuffix("_m"))
            between(name, value, low, high)
        if self.rear_overhang < 0:
            raise InputError(
                "length_m",
                Said(
                    "is shorter than front overhang",
                    length=Exact(self.length),
                    front_overhang=Exact(self.front_overhang + self.wheelbase),
                ),
            )
        for name in ("track_front", "track_rear"):
            if getattr(self, name) + self.tyre_width > self.width + 0.1:
                raise InputError(
                    f"{name}_m",
                    Said(
                        "puts the tyres outside",
                        track=Exact(getattr(self, name)),
                        width=Exact(self.width),
                    ),
                )
        if self.mirror_width < self.width:
            raise InputError(
                "mirror_width_m",
                Said(
                    "is less than the width",
                    mirror_width=Exact(self.mirror_width),
                    width=Exact(self.width),
                ),
            )
        if (np.diff(self.roofline[:, 0]) >= 0).any():
            raise InputError("roofline_m", Said("must run from the nose to the tail"))
        if 2 * self.corner_cut >= self.width:
            raise InputError("corner_cut_m", Said("leaves no straight edge between"))
        tyre = box(-_TYRE_REACH, _TYRE_REACH, self.tyre_width / 2)
        object.__setattr__(self, "mirrors", stuck_together(self.mirrors))
        object.__setattr__(self, "outline", self._outline())
        object.__setattr__(self, "tyre", tyre)
        object.__setattr__(self, "axle_ends", self._axle_ends())

    @property
    def rear_overhang(self) -> float:
        return self.length - self.wheelbase - self.front_overhang

    @property
    def nose(self) -> float:
        """x of the front bumper, m."""
        return self.wheelbase + self.front_overhang

    @property
    def mirror_x(self) -> float:
        """x of the door mirrors, m: the measured feature, else a fifth behind the front axle."""
        for feature in self.features:
            if feature.role == "door mirror":
                return feature.x
        return 0.8 * self.wheelbase

    def _outline(self) -> tuple[Floats, ...]:
        body = box(-self.rear_overhang, self.nose, self.width / 2, self.corner_cut)
        reach = (self.mirror_width - self.width) / 2
        if reach < 0.01:
            return (body,)
        x, inner, outer = self.mirror_x, self.width / 2 - 0.02, self.mirror_width / 2
        left = frozen(
            [
                (x, inner),
                (x, outer),
                (x - _MIRROR_DEPTH, outer),
                (x - _MIRROR_DEPTH, inner),
            ]
        )
        return (body, left, frozen(left * [1, -1]))

    def _axle_ends(self) -> Floats:
        return frozen(
            [
                (x, side * track / 2)
                for x, track in ((0.0, self.track_rear), (self.wheelbase, self.track_front))
                for side in (1, -1)
            ]
        )

    def tyres(self) -> Floats:
        """Corners of the four tyres with the wheel straight, (16, 2)."""
        return frozen((self.axle_ends[:, None] + self.tyre).reshape(-1, 2))

    def hubs(self, side: int = 1) -> Floats:
        """Where the tape meets the tyres' outer faces, (2, 2): rear, then front; side 1 is left."""
        return frozen(
            [
                (0.0, side * (self.track_rear + self.tyre_width) / 2),
                (self.wheelbase, side * (self.track_front + self.tyre_width) / 2),
            ]
        )

    def marked(self, marks: tuple[Feature, ...], dots: dict[str, tuple[Dot, ...]]) -> "Vehicle":
        """The same with marks of somebody's own on it; dots : on mirrors, by their names

        Raises InputError for a mark on a pane or a dot on a mirror that there is not.
        """
        unknown = dots.keys() - {mirror.name for mirror in self.mirrors}
        if unknown:
            raise InputError("dots", Said("no such mirror", name=min(unknown)))
        if not marks and not dots:
            return self
        mirrors = tuple(replace(m, dots=dots.get(m.name, ())) for m in self.mirrors)
        stuck = tuple(self._stuck(mark, i) for i, mark in enumerate(marks))
        return replace(self, features=(*self.features, *stuck), mirrors=mirrors)

    def _stuck(self, mark: Feature, index: int) -> Feature:
        """On the pane of its name that is nearest: either flank has one."""
        if not mark.on:
            return mark
        panes = [pane for pane in self.glass if pane.name == mark.on]
        if not panes:
            raise InputError(f"marks[{index}].on", Said("no such pane", name=mark.on))
        at = np.array([mark.x, mark.y, mark.z])
        return min(panes, key=lambda p: np.linalg.norm(p.corners.mean(axis=0) - at)).stuck(mark)

    def mirrored(self) -> "Vehicle":
        """The same vehicle in a mirror: wheel, features and glass on the other side."""
        return replace(
            self,
            steering=self.steering.mirrored(),
            features=tuple(f.mirrored() for f in self.features),
            glass=tuple(g.mirrored() for g in self.glass),
            mirrors=tuple(m.mirrored() for m in self.mirrors),
            camera=None if self.camera is None else self.camera.mirrored(),
        )
